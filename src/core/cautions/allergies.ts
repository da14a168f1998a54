import { BEE_WORDS, FAMILIES, HELD_BY, type Family, familiesOf } from "../material/families";
import type { Material } from "../material/material";
import type { Person } from "../people/person";
import { materialNamed, nameWord } from "../reading/names";
import { tokensOf } from "../reading/tokens";
import type { Resolved } from "../reckoning/program";
import { remembered } from "../remembered";

/** Why a line is not for someone with an allergy: its own name, a family, or the bees. */
export type Reaction =
  | { readonly by: "name"; readonly to: string }
  | { readonly by: "family"; readonly to: string; readonly family: Family }
  /** Something in it, whatever it is made of: gluten, sulphites. */
  | { readonly by: "holds"; readonly to: string; readonly what: string }
  | { readonly by: "bees"; readonly to: string };

/** Words that mean the bees whatever stands beside them. */
const OF_BEES = ["bee", "honey", "propolis"];
/** Words that say no more than that it is an allergy. */
const EMPTY = new Set([
  "allergy",
  "allergic",
  "to",
  "the",
  "all",
  "any",
  "family",
  "plant",
  "a",
  "of",
  "and",
]);

const wordsOf = remembered((text): readonly string[] =>
  tokensOf(text)
    .filter((t) => t.kind === "word")
    .map((t) => nameWord(t.low)),
);
/** What is said, without what stands in brackets. */
const said = (allergy: string): string[] =>
  wordsOf(allergy.replace(/\([^)]*\)/g, " ")).filter((w) => !EMPTY.has(w));

/** Whether all of these words stand side by side in those. */
const holds = (all: readonly string[], some: readonly string[]): boolean =>
  some.length > 0 && all.some((_, i) => some.every((w, k) => all[i + k] === w));

/** The families an allergy names, by their own words or by a plant of theirs. */
function familiesNamed(words: readonly string[], plant: Material | undefined): readonly Family[] {
  const kin = plant?.kind === "plant" ? familiesOf(plant.row.latin) : [];
  return FAMILIES.filter(
    (f) => f.words.some((w) => holds(words, wordsOf(w))) || f.id === words.join(" "),
  ).concat(
    // Only families in which one plant stands for all: the others are told apart by name.
    kin.filter((f) => f.id === "daisy" || f.id === "celery" || f.id === "cashew" || f.id === "onion"),
  );
}

/** An allergy as it was written down: its words, the plant of that name, and the families it names. */
const allergyOf = remembered((to) => {
  const words = said(to);
  const plant = words.length > 0 ? materialNamed(words.join(" ")) : undefined;
  return { words, id: plant?.row.id, families: familiesNamed(words, plant) };
});

/** What is in the name of a line: its names and aliases, its Latin, its id. */
const namesOf = (l: Resolved): readonly string[] => [l.stuff.name, ...l.stuff.names, l.stuff.latin ?? ""];

/** Why someone should not take a line, by what they are allergic to; nothing where nothing hits. */
export function reactionTo(l: Resolved, p: Person): Reaction | undefined {
  for (const to of p.allergies) {
    const { words, id, families } = allergyOf(to);
    if (words.length === 0) continue;
    if (l.stuff.class === "honey" || l.stuff.tags.includes("bee")) {
      if (OF_BEES.some((w) => holds(words, [w])) || BEE_WORDS.has(words.join(" "))) return { by: "bees", to };
    }
    const own = familiesOf(l.stuff.latin);
    const family = families.find((f) => own.includes(f));
    const named =
      id === l.stuff.id || namesOf(l).some((n) => holds(wordsOf(n), words) || holds(words, wordsOf(n)));
    const holder = Object.entries(HELD_BY).find(
      ([, h]) => h.materials.includes(l.stuff.id) && h.words.some((w) => holds(words, wordsOf(w))),
    );
    if (holder) return { by: "holds", to, what: holder[0] };
    if (family === undefined && l.stuff.class === "mushroom" && families.some((f) => f.id === "mushroom"))
      return { by: "holds", to, what: "fungi" };
    if (named && family?.id !== "daisy" && family?.id !== "cashew") return { by: "name", to };
    if (family) return { by: "family", to, family };
    if (named) return { by: "name", to };
  }
  return undefined;
}
