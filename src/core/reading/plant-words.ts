import { plainLetters } from "./tokens";
import { distance } from "../quantity/near";
import { remembered } from "../remembered";
import { nameWord } from "./name-word";

/** Parts of plants and states of them, as they are told beside a name; each by the word the tables use for it. */
// prettier-ignore
const PARTS: Readonly<Record<string, string>> = {
  leaf: "leaf", foliage: "leaf", leave: "leaf", leafs: "leaf", folium: "leaf", folia: "leaf", blade: "leaf", herb: "herb", herba: "herb", herbage: "herb", top: "top", tip: "tip", needle: "leaf",
  flower: "flower", flos: "flower", flore: "flower", blossom: "flower", bloom: "flower", petal: "petal", bud: "flower", umbel: "flower", flowerhead: "flower",
  root: "root", radix: "root", rhizome: "root", rhizoma: "root", tuber: "root", corm: "root", taproot: "root", bulb: "bulb", bulbus: "bulb", bark: "bark", cortex: "bark", wood: "wood", lignum: "wood",
  berry: "berry", fruit: "fruit", fructus: "fruit", pod: "pod", capsule: "pod", hull: "husk", husk: "husk", calyx: "calyx", aril: "fruit",
  seed: "seed", semen: "seed", kernel: "kernel", pit: "pit", pip: "pip", stone: "stone", nut: "nut", bean: "seed", core: "pip",
  stem: "stem", stalk: "stem", twig: "twig", branch: "twig", shoot: "shoot", sprout: "sprout", vine: "vine", haulm: "stem", sap: "sap", latex: "sap", juice: "juice", resin: "resin", gum: "resin",
  plant: "plant", oil: "oil", head: "flower", peel: "peel", rind: "peel", summitate: "top", summitates: "top", leafy: "leaf",
};
/** States in which a plant hurts that is food in another. */
const STATES: ReadonlySet<string> = new Set(["unripe", "green", "raw", "fresh", "uncooked"]);
/** What drugs are called at the apothecary’s: behind a Latin name in the genitive. */
// prettier-ignore
export const DRUG_WORDS: ReadonlySet<string> = new Set([
  "radix", "folium", "folia", "herba", "flos", "flore", "rhizoma", "semen", "tuber", "bulbus", "cortex", "fructus", "lignum", "summitate", "summitates", "oleum",
]);
/** Words beside a name that make no other plant of it. */
// prettier-ignore
const IDLE: ReadonlySet<string> = new Set([
  "dried", "fresh", "dry", "frozen", "wilted", "wild", "common", "garden", "organic", "powder", "powdered", "ground", "crushed", "chopped", "cut", "sifted", "whole", "tincture", "extract", "tea", "infusion",
  "syrup", "decoction", "honey", "vinegar", "oxymel", "of", "the", "a", "an", "from", "some", "my", "our", "old", "young", "homemade", "home", "grown", "sp", "spp", "agg", "var", "l", "mill", "lam", "ssp", "subsp",
  "in", "and", "or", "cooked", "roasted", "boiled", "toasted", "steeped", "soaked", "peeled", "sliced", "grated", "bitter", "sweet", "large", "small", "big", "few", "tree", "bush", "shrub", "flake", "flaked", "pressed", "strong",
]);

/** A name in the words it is matched by: plain letters, singular. */
export const plantWords = (name: string): string[] =>
  plainLetters(name)
    .replace(/[^a-z]+/g, " ")
    .trim()
    .split(" ")
    .filter((w) => w !== "")
    .map(nameWord);
export const partOf = (word: string): string | undefined => PARTS[word];
export const isIdle = (word: string): boolean => IDLE.has(word);
/** Parts told in these words, one slip of the pen in a long one forgiven. */
export const partsIn = (words: readonly string[]): ReadonlySet<string> =>
  new Set(words.flatMap((w) => PARTS[w] ?? (w.length > 5 ? slipOfPart(w) : undefined) ?? []));
const LONG_PARTS = Object.keys(PARTS).filter((w) => w.length > 4);
const slipOfPart = remembered((word): string | undefined => {
  const near = LONG_PARTS.find((w) => distance(w, word, 1) === 1);
  return near === undefined ? undefined : PARTS[near];
});
export const statesIn = (words: readonly string[]): readonly string[] => words.filter((w) => STATES.has(w));
/** Whether nothing in these words names another plant. */
export const onlyAside = (words: readonly string[]): boolean =>
  words.every((w) => IDLE.has(w) || STATES.has(w) || partsIn([w]).size > 0);
