import type { Material } from "../../material/material";
import { roleOf } from "../../plan/ways";
import type { Kind } from "../../plan/plan";
import { namesIn } from "../../reading/names";
import { sensesOf } from "../../reading/lexicon";
import type { ReadingContext } from "../../reading/said";
import { plainLetters, tokensOf } from "../../reading/tokens";
import type { SourceRow } from "./rows";
import { deedOf } from "./verbs";

const SAID: readonly (readonly [RegExp, Kind])[] = [
  [/\bfire ?(?:cider|tonic|water)\b|\bcider tonic\b/, "fire-cider"],
  [/\boxymel/, "oxymel"],
  [/\b(?:syrup|cordial|rob)\b/, "syrup"],
  [/\b(?:tincture|elixir|bitters|liqueur|extract)\b/, "tincture"],
  [
    /\b(?:infused?|herbal|garlic|ginger|onion|\w+)[- ]honey\b|\bhoney (?:infusion|infused)\b|\belectuary\b/,
    "honey",
  ],
  [/\b(?:infused|herbal|herb|\w+) vinegar\b|\bvinegar (?:infusion|tonic|of)\b|\bshrub\b/, "vinegar"],
];

const HOT: ReadonlySet<string> = new Set([
  "horseradish",
  "chilli",
  "jalapeno",
  "cayenne",
  "habanero",
  "serrano",
  "thai-chilli",
  "chilli-flakes",
]);

/** Which kind a recipe is: by its name, else by what is poured. `sure` where its name says it, or what is poured leaves no other. */
export function kindOf(
  name: string,
  materials: readonly Material[],
  heated: boolean,
): { readonly kind: Kind; readonly sure: boolean } {
  const plain = plainLetters(name);
  // “Elderberry honey syrup” is a syrup: its last word counts, so the words are asked for in this order.
  for (const [re, kind] of SAID) if (re.test(plain)) return { kind, sure: true };
  const roles = new Set(
    materials.filter((m) => m.kind === "stuff").map((m) => roleOf({ material: m.row.id })),
  );
  const ids = new Set(materials.map((m) => m.row.id));
  const sour = roles.has("vinegar");
  if (sour && [...HOT].some((id) => ids.has(id)) && ids.has("garlic"))
    return { kind: "fire-cider", sure: true };
  if (sour && roles.has("sweet")) return { kind: "oxymel", sure: true };
  if (sour) return { kind: "vinegar", sure: true };
  if (roles.has("sweet") && (roles.has("water") || heated)) return { kind: "syrup", sure: true };
  if (roles.has("spirit") || roles.has("glycerin")) return { kind: "tincture", sure: !roles.has("sweet") };
  if (roles.has("sweet")) return { kind: "honey", sure: true };
  return { kind: heated || roles.has("water") ? "syrup" : "vinegar", sure: false };
}

/** What a recipe is guessed to be from its name and its words, and whether it is ever strained. */
export function guessOf(
  rows: readonly SourceRow[],
  name: string,
  ctx: ReadingContext,
): ReturnType<typeof kindOf> & { readonly strains: boolean } {
  const words = rows.map((r) => (r.section === "notes" || r.section === "facts" ? "" : r.text)).join("\n");
  const tokens = tokensOf(words);
  const named = namesIn(tokens, ctx.catalogue).map((s) => s.names[0]);
  const materials = named.flatMap((n) => (n && !n.bare ? [n.material] : []));
  const heated = tokens.some(
    (t) => ["simmer", "boil"].includes(deedOf(t.low) ?? "") || t.low === "decoction",
  );
  const strains = tokens.some((t) => deedOf(t.low) === "strain" || sensesOf(t.low).cloth === true);
  return { ...kindOf(name, materials, heated), strains };
}
