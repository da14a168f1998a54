import type { Cut } from "../../material/classes";
import type { SteepPlace } from "../../plan/plan";
import type { Deed } from "../../reading/deeds";
import { sensesOf } from "../../reading/lexicon";
import type { Token } from "../../reading/tokens";
import { dictionary } from "../../words";

/** What a word of a method does, where it is a verb. */
export const deedOf = (low: string): Deed | undefined => sensesOf(low).deed;

/** How a thing is cut, by how the verb for doing it begins. */
// prettier-ignore
const CUTS: readonly (readonly [RegExp, Cut])[] = [
  [/^(?:chop|dice|dicing|tear|torn|halv|cut)/, "chopped"], [/^(?:grat|minc|shred|zest)/, "grated"], [/^slic/, "sliced"],
  [/^(?:crush|bruis|smash|mash|pound|crack|bash)/, "crushed"],
];
export const cutBy = (word: string): Cut | undefined => CUTS.find(([re]) => re.test(word))?.[1];

/** Where a jar stands, by a word said of it. */
// prettier-ignore
export const PLACES = dictionary<SteepPlace>({
  sunny: "sunny-sill", windowsill: "sunny-sill", windowsills: "sunny-sill", sill: "sunny-sill", sun: "sunny-sill", sunshine: "sunny-sill", fridge: "fridge", refrigerator: "fridge",
  refrigerate: "fridge", refrigerated: "fridge", icebox: "fridge", dark: "dark-cupboard", cupboard: "dark-cupboard", pantry: "dark-cupboard", cabinet: "dark-cupboard",
  larder: "dark-cupboard", cellar: "dark-cupboard", counter: "counter", worktop: "counter",
});

/** Headings of a recipe, and what stands under them. */
export type Section = "lines" | "method" | "notes" | "keeping" | "taking" | "facts";
// prettier-ignore
export const HEADINGS = dictionary<Section>({
  ingredients: "lines", "you will need": "lines", "youll need": "lines", "what youll need": "lines", "what you will need": "lines", "for the jar": "lines", optional: "lines", "what you need": "lines", need: "lines", "what goes in": "lines", "goes in": "lines", shopping: "lines",
  method: "method", directions: "method", instructions: "method", "how to": "method", "how to make": "method", process: "method", preparation: "method", "to make": "method", "how to make it": "method", steps: "method", making: "method", "what to do": "method", procedure: "method",
  notes: "notes", note: "notes", tips: "notes", tip: "notes", story: "notes", about: "notes", substitutions: "notes", substitution: "notes", variations: "notes", variation: "notes", swaps: "notes", alternatives: "notes", why: "notes", comments: "notes", "cooks notes": "notes", "from the author": "notes",
  nutrition: "facts", "nutrition facts": "facts", "nutritional information": "facts", "nutrition per serving": "facts", "nutrition information": "facts", equipment: "facts", tools: "facts", "special equipment": "facts",
  storage: "keeping", storing: "keeping", "to store": "keeping", "shelf life": "keeping", keeping: "keeping", keeps: "keeping", "to keep": "keeping", store: "keeping",
  dosage: "taking", dose: "taking", "to use": "taking", "how to take it": "taking", "how to take": "taking", "to take": "taking", use: "taking", taking: "taking", "how to use": "taking", serving: "taking", "serving suggestion": "taking",
});
/** Labels of a card that say something about the recipe, and nothing that goes in or is done. */
// prettier-ignore
export const FACTS: ReadonlySet<string> = new Set([
  "prep", "prep time", "preparation time", "cook", "cook time", "cooking time", "total", "total time", "active time", "hands on time", "ready in", "yield", "yields", "makes", "make", "serves", "servings", "serving size", "portions",
  "difficulty", "level", "author", "source", "from", "by", "recipe by", "adapted from", "course", "cuisine", "category", "calories", "cost", "rating", "date", "keywords", "tags", "inactive time", "additional time", "rest time", "quantity", "batch size",
]);

const before = (t: readonly Token[], i: number): string => t[i - 1]?.low ?? "";
const next = (t: readonly Token[], i: number): string => t[i + 1]?.low ?? "";
/** Whether one of some words stands within a few tokens. */
export const among = (t: readonly Token[], i: number, reach: number, words: readonly string[]): boolean => {
  for (let k = i; k < Math.min(t.length, i + reach); k++) if (words.includes(t[k]!.low)) return true;
  return false;
};

const NOUNS: ReadonlySet<string> = new Set(["leaves", "bottle", "bottles", "dose", "drink", "drinks", "stand", "blend", "mix", "layer", "label", "cap", "set", "check", "measure", "lid", "pit", "core", "stone", "stones", "strip", "strips", "split", "lift", "roll", "score", "score", "cook", "juice", "zest", "stem", "stems", "date", "fish", "spoon", "dropper", "press", "jar", "cut", "steep"]); // prettier-ignore
const BEFORE_NOUN: ReadonlySet<string> = new Set(["a", "an", "the", "your", "per", "one", "each", "of", "this", "clean", "glass", "dark", "adult", "with", "small", "some", "my", "its", "no", "every", "into", "plastic", "airtight"]); // prettier-ignore
const DESCRIBED: ReadonlySet<string> = new Set([
  "the",
  "a",
  "an",
  "your",
  "this",
  "of",
  "each",
  "some",
  "its",
  "my",
  "all",
  "until",
  "well",
]);
const inPlace = (t: readonly Token[], i: number): boolean =>
  ["dark", "cool", "warm", "a", "sunny", "dry", "the"].includes(before(t, i)) || next(t, i) === "bought";

type When = (t: readonly Token[], i: number, named: (k: number) => boolean) => boolean;
/** Words that do something in one place and are a thing in another, with when they are that. */
// prettier-ignore
const NOUN_WHEN: Readonly<Record<string, When>> = Object.assign(Object.create(null) as Record<string, When>, {
  boiling: (t, i, named) => named(i + 1) || next(t, i) === "water" || (t[i + 1]?.kind === "word" && before(t, i) !== "until" && before(t, i) !== "keep"),
  warm: (t, i, named) => named(i + 1) || ["water", "spot", "place", "room"].includes(next(t, i)) || ["is", "while", "still", "hand"].includes(before(t, i)),
  boil: (t, i) => ["low", "gentle", "of", "high"].includes(before(t, i)),
  heat: (t, i) => ["the", "low", "medium", "gentle", "a", "of", "high"].includes(before(t, i)),
  place: inPlace, store: inPlace,
  rest: (t, i) => ["the", "at", "and"].includes(before(t, i)),
  last: (t, i) => ["the", "at", "and"].includes(before(t, i)),
  good: (t, i) => next(t, i) !== "for",
  fill: (t, i) => before(t, i) === "to", cover: (t, i) => before(t, i) === "to", lay: (t, i) => before(t, i) === "to",
  sweeten: (t, i) => before(t, i) === "to", submerge: (t, i) => before(t, i) === "to",
  top: (t, i) => ["the", "to", "on"].includes(before(t, i)),
  peel: (t, i) => ["of", "from"].includes(next(t, i)),
  press: (t, i) => before(t, i) === "cold",
  dry: (t, i, named) => !["them", "it", "well"].includes(next(t, i)) && !named(i + 1) && before(t, i) !== "and",
  cool: (t, i, named) => (named(i + 1) && before(t, i) !== "to") || (["a", "the", "and", ",", "in"].includes(before(t, i)) && among(t, i + 1, 3, ["place", "dark", "dry", "spot", "cupboard", "pantry", "larder"])) || before(t, i) === "somewhere" || ["place", "dark"].includes(next(t, i)),
  leave: (t, i) => next(t, i) === "out" || among(t, i + 1, 3, ["headspace", "room", "space"]),
  ready: (t, i) => !["in", "after"].includes(next(t, i)),
  turn: (t, i) => among(t, i + 1, 3, ["heat", "off", "down", "into"]),
  drop: (t, i) => ["a", "per"].includes(before(t, i)),
  pressure: (t, i) => !among(t, i + 1, 3, ["cook", "cooker", "pot", "canner"]),
  wait: (t, i) => next(t, i) === "stirring", keep: (t, i) => next(t, i) === "stirring",
  left: (t, i) => ["is", "are", "liquid", "what"].includes(before(t, i)) && !["to", "for", "in", "on", "overnight"].includes(next(t, i)),
  covered: (t, i) => before(t, i) !== "is" && before(t, i) !== "are",
  stirring: () => true, stir: (t, i) => next(t, i) === "now",
  reduced: () => false, need: () => false, weight: () => true,
} satisfies Record<string, When>);

/** Whether a word that can do something does nothing here: “boiling water”, “warm honey”, “the rest of”, “a dark place”, “the strained liquid”. */
export function noVerb(t: readonly Token[], i: number, named: (k: number) => boolean): boolean {
  if (named(i)) return true;
  const { low } = t[i]!;
  if (NOUNS.has(low) && (BEFORE_NOUN.has(before(t, i)) || t[i - 1]?.kind === "number")) return true;
  const when = NOUN_WHEN[low];
  if (when) return when(t, i, named);
  return /(?:ed|ing)$/.test(low) && DESCRIBED.has(before(t, i));
}
