import { MATERIALS } from "../material/catalogue";
import { NEVER_USED, type NeverUsed } from "../material/never-used";
import type { Tag } from "../material/tags";
import { distance } from "../quantity/near";
import { PART_WORDS, nameWord } from "./names";
import { tokensOf } from "./tokens";

/** What a material's own names say of it: tags of the dangerous kind it is, a plant never used, or one it is only near to. */
export interface Kin {
  readonly tags: readonly Tag[];
  readonly never: NeverUsed | undefined;
  /** A dangerous name close to one of its own: “is it this?”. */
  readonly near: string | undefined;
}

const wordsOf = (name: string): string[] =>
  tokensOf(name)
    .filter((t) => t.kind === "word")
    .map((t) => nameWord(t.low));

/** Tags that a plant written down by another hand must not lose; the rest speak of figures and families, which are asked. */
// prettier-ignore
const INHERITED: ReadonlySet<Tag> = new Set<Tag>([
  "low-acid", "low-acid-herb", "aristolochic", "essential-oil", "kernel-eaten", "not-food", "poison", "cook-first", "cyanide", "elder-parts", "kernel", "pyrrolizidine", "raw-toxic",
  "oxalate", "nutmeg", "coumarin", "thujone", "sumac", "bee", "berberine", "blood", "blood-kitchen", "blood-pressure", "caffeine", "child", "daisy", "delays-medicine", "diabetes",
  "diuretic", "fits", "furanocoumarin", "gallstones", "heart", "hormone", "immune", "interacts", "kava", "kidney", "laxative", "liquorice", "liver", "pregnancy", "pregnancy-stop",
  "reflux", "salicylate", "sedative", "sunlight", "surgery", "thyroid", "thyroid-iodine", "warfarin", "fibre",
]);

interface Known {
  readonly words: readonly string[];
  /** Without the part of the plant: “comfrey” of “comfrey leaf”. */
  readonly bare: readonly string[];
  readonly latin: string;
  readonly tags: readonly Tag[];
  readonly never: NeverUsed | undefined;
  readonly name: string;
}

function worded(name: string): Pick<Known, "words" | "bare"> {
  const words = wordsOf(name);
  const bare = words.filter((w) => !PART_WORDS.has(w));
  return { words, bare: bare.length > 0 ? bare : words };
}

const lower = (latin: string | undefined): string => latin?.toLowerCase().replace(/×\s*/g, "").trim() ?? "";

/** Every dangerous name there is: the catalogue's tagged plants, and those never used. */
const KNOWN: readonly Known[] = [
  ...[...MATERIALS.values()].flatMap((m): Known[] => {
    const tags = (m.row.tags ?? []).filter((t) => INHERITED.has(t));
    if (tags.length === 0) return [];
    const latin = m.kind === "plant" ? lower(m.row.latin) : "";
    return m.row.names.map((name) => ({ ...worded(name), latin, tags, never: undefined, name }));
  }),
  ...NEVER_USED.flatMap((never): Known[] =>
    never.names.map((name) => ({
      ...worded(name),
      latin: lower(never.latin),
      tags: ["poison"],
      never,
      name,
    })),
  ),
];

/** Whether all of these words stand side by side in those. */
const holds = (all: readonly string[], some: readonly string[]): boolean =>
  some.length > 0 && all.some((_, i) => some.every((w, k) => all[i + k] === w));

/** Whether a name is written in two words that is one: “fox glove”. */
const runsTogether = (words: readonly string[], name: string): boolean =>
  words.some((_, i) =>
    [1, 2, 3].some((n) => i + n <= words.length && words.slice(i, i + n).join("") === name),
  );

/** The genus, and the species where the known one gives it. */
const sameLatin = (latin: string, known: string): boolean =>
  known !== "" && latin !== "" && (latin === known || latin.startsWith(`${known} `));

/** Slips of the pen under which a name is still asked about: one in four letters, fuzzy on purpose. */
const SLIP_EVERY = 4;
function isNear(words: readonly string[], k: Known): boolean {
  const target = k.words.join("");
  if (target.length < 4) return false;
  const reach = Math.floor(target.length / SLIP_EVERY);
  return words.some((_, i) => {
    const some = words.slice(i, i + k.words.length).join("");
    return Math.abs(some.length - target.length) <= reach && distance(some, target, reach) <= reach;
  });
}

const remembered = new Map<string, Kin>();

/** What the names and the Latin name of a material written down by hand say of it. */
export function kinOf(names: readonly string[], latin: string | undefined): Kin {
  const key = `${names.join("|")}~${latin ?? ""}`;
  const have = remembered.get(key);
  if (have) return have;
  const all = names.map(wordsOf);
  const is = KNOWN.filter(
    (k) =>
      sameLatin(lower(latin), k.latin) ||
      all.some((w) => holds(w, k.words) || holds(w, k.bare) || runsTogether(w, k.words.join(""))) ||
      (k.latin !== "" && all.some((w) => holds(w, wordsOf(k.latin)))),
  );
  const near = is.length > 0 ? undefined : KNOWN.find((k) => all.some((w) => isNear(w, k)));
  const kin: Kin = {
    tags: [...new Set(is.flatMap((k) => k.tags))],
    never: is.find((k) => k.never)?.never,
    near: near?.name,
  };
  if (remembered.size > 500) remembered.clear();
  remembered.set(key, kin);
  return kin;
}
