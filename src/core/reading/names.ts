import { dictionary } from "../words";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Material } from "../material/material";
import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import { remembered } from "../remembered";
import { nameWord } from "./name-word";
import { type Token, tokensOf } from "./tokens";

export { nameWord };
export { nearNames } from "./near-names";

/** A material by one of its names. */
export interface Named {
  readonly material: Material;
  readonly alias: string;
  /** The name is that of a wider kind, of which this is the one taken unless more is said. */
  readonly loose: boolean;
  /** Only the plant was named, not which part of it. */
  readonly bare?: true;
}

interface Index {
  readonly byKey: ReadonlyMap<string, readonly Named[]>;
  /** Plants by their names without the part: “dandelion”. */
  readonly byBare: ReadonlyMap<string, readonly Named[]>;
  /** Names that are one word. */
  readonly ofOneWord: ReadonlyMap<string, readonly Named[]>;
  /** Every word of every name. */
  readonly vocabulary: ReadonlySet<string>;
  readonly longest: number;
  /** Plants whose pieces go by a bare word: garlic by “cloves”. */
  readonly countedBare: ReadonlyMap<string, readonly Material[]>;
}

const keyOf = (words: readonly string[]): string =>
  words.length === 1 ? words[0]! : [...words].sort().join(" ");
export const wordsOfName: (name: string) => readonly string[] = remembered((name) =>
  tokensOf(name)
    .filter((t) => t.kind === "word")
    .map((t) => nameWord(t.low)),
);
/** The words of a name in one order, so that names of the same words are the same. */
export const nameKey: (name: string) => string = remembered((name) =>
  [...wordsOfName(name)].sort().join(" "),
);

/** All a material is called, its Latin name with it; names with figures in them are read as strengths. */
export const allNames = (m: Material): readonly string[] => {
  const latin = m.kind === "plant" && m.row.latin ? [m.row.latin] : [];
  return [...m.row.names, ...latin].filter((n) => !/[0-9]/.test(n));
};

/** Plants of other names than their words say: ground elder is no powder of elder. None of them is in the catalogue. */
const OTHER_PLANTS = [
  "ground elder",
  "ground cherry",
  "ground nut",
  "dry rot",
  "stone root",
  "split pea",
  "mother of thousands",
  "water mint",
];

/** Those of what hurts that say more than a plant of the catalogue: “bitter almond”. */
const NAMES_THAT_HURT = PLANTS_THAT_HURT.filter((h) => h.parts.length === 0).flatMap((h) => h.names);

/** What bees gather from: a honey named after it is honey, and keeps that name. Not a name of the row, since nothing of the plant is in it. */
const NECTARS = [
  "blossom", "lime", "linden", "lavender", "borage", "thyme", "rosemary", "chestnut", "buckwheat", "forest", "heath", "flower", "bramble", "hawthorn", "sunflower",
  "rapeseed", "dandelion", "apple blossom", "lime blossom", "meadow", "mountain", "eucalyptus", "sage", "willow", "bean", "spring", "summer", "city",
]; // prettier-ignore

class Indexer {
  readonly byKey = new Map<string, Named[]>();
  readonly byBare = new Map<string, Named[]>();
  readonly ofOneWord = new Map<string, readonly Named[]>();
  readonly vocabulary = new Set<string>();
  readonly countedBare = new Map<string, Material[]>();
  longest = 1;

  constructor(catalogue: Catalogue) {
    const all = [...catalogue.values()];
    for (const m of all) {
      for (const alias of allNames(m)) this.name({ material: m, alias, loose: false });
      for (const alias of m.row.loose ?? []) this.name({ material: m, alias, loose: true });
      const bare = m.kind === "plant" ? m.row.countsBare : undefined;
      if (bare) this.countedBare.set(bare, [...(this.countedBare.get(bare) ?? []), m]);
    }
    const honey = catalogue.get("honey");
    for (const of of honey ? NECTARS : [])
      this.name({ material: honey!, alias: `${of} honey`, loose: false });
    for (const name of [...OTHER_PLANTS, ...NAMES_THAT_HURT]) this.foreign(name);
    for (const m of all) if (m.kind === "plant") for (const alias of m.row.names) this.bare(m, alias);
    for (const [key, of] of this.byKey)
      if (of.some((n) => wordsOfName(n.alias)[0] === key)) this.ofOneWord.set(key, of);
  }

  private static put(map: Map<string, Named[]>, key: string, n: Named): void {
    const there = map.get(key);
    if (!there) map.set(key, [n]);
    else if (there.every((x) => x.material !== n.material)) there.push(n);
  }

  private name(n: Named): void {
    const words = wordsOfName(n.alias);
    if (words.length === 0) return;
    this.longest = Math.max(this.longest, words.length);
    for (const w of words) this.vocabulary.add(w);
    Indexer.put(this.byKey, keyOf(words), n);
    // “rose hip” is also written in one word.
    if (words.length > 1 && words.length < 4) {
      this.vocabulary.add(words.join(""));
      Indexer.put(this.byKey, words.join(""), n);
    }
  }

  /** A name that is no plant's of the catalogue, though its words may be: it is read whole. */
  private foreign(name: string): void {
    const words = wordsOfName(name);
    const key = keyOf(words);
    if (words.length < 2 || this.byKey.has(key)) return;
    this.longest = Math.max(this.longest, words.length);
    this.byKey.set(key, []);
    for (const w of words) this.vocabulary.add(w);
  }

  private bare(material: Material, alias: string): void {
    const words = wordsOfName(alias);
    const left = words.filter((w) => !PART_WORDS.has(w));
    const key = keyOf(left);
    if (left.length === 0 || left.length === words.length || this.byKey.has(key)) return;
    Indexer.put(this.byBare, key, { material, alias, loose: false, bare: true });
  }
}
const indexes = new WeakMap<Catalogue, Index>();
function indexOf(catalogue: Catalogue): Index {
  let index = indexes.get(catalogue);
  if (!index) indexes.set(catalogue, (index = new Indexer(catalogue)));
  return index;
}

/** A stretch of the tokens that is a name. */
export interface NameSpan {
  readonly tokens: readonly number[];
  readonly names: readonly Named[];
}
export const firstOf = (s: NameSpan): number => s.tokens[0]!;
export const lastOf = (s: NameSpan): number => s.tokens.at(-1)!;

/** Marks that may stand inside a name: “pepper, black”, “St. John’s-wort”, “cinnamon (ceylon)”. */
const INSIDE = new Set([",", "-", ".", "("]);

/** A name of one word that was typed in two: “horse radish”. */
function inTwoWords(t: readonly Token[], i: number, index: Index): NameSpan | undefined {
  const next = t[i + 1];
  if (next?.kind !== "word" || next.low.length < 3) return undefined;
  const names = index.ofOneWord.get(t[i]!.low + nameWord(next.low));
  return names && { tokens: [i, i + 1], names };
}

function spansFrom(t: readonly Token[], i: number, index: Index, found: NameSpan[]): void {
  const joined = inTwoWords(t, i, index);
  if (joined) found.push(joined);
  const at: number[] = [];
  const words: string[] = [];
  for (let k = i; k < t.length && words.length < index.longest; k++) {
    const x = t[k]!;
    if (x.kind === "mark" && k > i && INSIDE.has(x.low)) continue;
    const w = x.kind === "word" ? nameWord(x.low) : "";
    if (w === "" || !index.vocabulary.has(w)) break;
    at.push(k);
    words.push(w);
    const key = keyOf(words);
    const names = index.byKey.get(key) ?? index.byBare.get(key);
    if (names) found.push({ tokens: [...at], names });
  }
}

/** Every name in the tokens, none overlapping, longer ones before shorter; in their order in the text. The words of one may stand in any order. */
export function namesIn(tokens: readonly Token[], catalogue: Catalogue = MATERIALS): NameSpan[] {
  const index = indexOf(catalogue);
  const found: NameSpan[] = [];
  for (let i = 0; i < tokens.length; i++) if (tokens[i]!.kind === "word") spansFrom(tokens, i, index, found);
  if (found.length < 2) return found;
  // A name with a mark inside is the weaker one: “sage, garden thyme” is sage and thyme.
  const loose = (s: NameSpan): number => lastOf(s) - firstOf(s) - s.tokens.length;
  found.sort((a, b) => b.tokens.length - a.tokens.length || loose(a) - loose(b) || firstOf(a) - firstOf(b));
  const taken = new Set<number>();
  const kept = found.filter((f) => {
    for (let k = firstOf(f); k <= lastOf(f); k++) if (taken.has(k)) return false;
    for (let k = firstOf(f); k <= lastOf(f); k++) taken.add(k);
    return true;
  });
  return kept.sort((a, b) => firstOf(a) - firstOf(b));
}

/** The material of exactly this name, id or Latin name, however its words are ordered; nothing where none or several are meant. */
export function materialNamed(name: string, catalogue: Catalogue = MATERIALS): Material | undefined {
  const byId = catalogue.get(name);
  if (byId) return byId;
  const words = wordsOfName(name);
  if (words.length === 0) return undefined;
  const names = indexOf(catalogue).byKey.get(keyOf(words)) ?? [];
  const firm = names.filter((n) => !n.loose);
  return (firm.length > 0 ? firm : names)[0]?.material;
}

/** Plants whose pieces this word counts where nothing else is named. */
export const countedBare = (word: string, catalogue: Catalogue): readonly Material[] =>
  indexOf(catalogue).countedBare.get(word) ?? [];

/** Where several materials bear a name: the one whose first name it is, or all of them. */
export function meantBy(names: readonly Named[]): readonly Named[] {
  if (names.length === 1) return names;
  const firm = names.filter((n) => !n.loose);
  const pool = firm.length > 0 ? firm : names;
  const first = pool.filter((n) => !n.bare && n.material.row.names[0] === n.alias);
  return first.length === 1 ? first : pool;
}

/** The parts a class of material is, so that “nettle leaves” is nettle and “nettle root” is not. */
export const PART_OF_CLASS = dictionary<readonly string[]>({
  leaf: ["leaf", "herb", "top", "tip", "sprig", "needle", "frond", "shoot", "stem", "greens", "flowering", "spray", "stalk"],
  flower: ["flower", "blossom", "bloom", "petal", "head", "bud", "top", "tip", "flowerhead", "umbel", "flowertop", "spray", "cone"],
  root: ["root", "rhizome", "bulb", "tuber", "stick"],
  bark: ["bark", "stick", "quill"],
  berry: ["berry", "fruit", "hip", "shell"],
  fruit: ["fruit"],
  peel: ["peel", "zest", "rind"],
  bulb: ["bulb", "head"],
  pepper: ["pepper", "pod", "fruit", "flake", "chilli"],
  seed: ["seed", "pod", "berry", "bean", "corn"],
  mushroom: ["mushroom", "cap"],
  resin: ["resin", "gum", "tear"],
  vegetable: ["root", "vegetable", "stalk", "bulb", "stick", "stem"],
}); // prettier-ignore
/** Words for a part of a plant; alone they name nothing. */
export const PART_WORDS: ReadonlySet<string> = new Set([
  ...Object.values(PART_OF_CLASS).flat().filter((w) => !["pepper", "chilli", "mushroom", "vegetable", "flake", "corn", "flowering"].includes(w)),
  "powder", "juice", "oil", "twig", "kernel", "nut", "husk", "shell",
]); // prettier-ignore

/** Whether a part word is what this material is of its plant. */
export const isPartOf = (m: Material, part: string): boolean =>
  PART_OF_CLASS[m.row.class]?.includes(part) === true;
