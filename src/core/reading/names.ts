import { dictionary } from "../words";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import type { Material } from "../material/material";
import { LITTLE_WORDS } from "./line-words";
import { distance } from "../quantity/near";
import { remembered } from "../remembered";
import { type Token, plainLetters, tokensOf } from "./tokens";

/** Spellings that are one word. */
// prettier-ignore
const VARIANTS = dictionary<string>({
  chili: "chilli", chile: "chilli", chilie: "chilli", chily: "chilli", chilly: "chilli", licorice: "liquorice", camomile: "chamomile", saint: "st", marsh: "marsh", glycerine: "glycerin", whiskey: "whisky",
  aubergine: "aubergine", beet: "beet", hip: "hip", molasse: "molasses", aniseed: "aniseed", raddish: "radish", scoth: "scotch",
});
const KEEP_S = /(?:ss|us|is)$/;

/** A word as names are matched by: singular, in one spelling. */
export const nameWord = remembered((low) => {
  let w = low;
  if (w === "leaves") w = "leaf";
  else if (w.length > 4 && w.endsWith("ies")) w = `${w.slice(0, -3)}y`;
  else if (w.length > 4 && /(?:ch|sh|ss|x|to)es$/.test(w)) w = w.slice(0, -2);
  else if (w.length > 3 && w.endsWith("s") && !KEEP_S.test(w)) w = w.slice(0, -1);
  return VARIANTS[w] ?? w;
}, 5000);

/** A material by one of its names. */
export interface Named {
  readonly material: Material;
  readonly alias: string;
  /** The name is that of a wider kind, of which this is the one taken unless more is said. */
  readonly loose: boolean;
}

interface Index {
  readonly byKey: ReadonlyMap<string, readonly Named[]>;
  /** Names that are one word. */
  readonly ofOneWord: ReadonlyMap<string, readonly Named[]>;
  /** Every word of every name. */
  readonly vocabulary: ReadonlySet<string>;
  readonly longest: number;
  readonly byWord: ReadonlyMap<string, readonly Material[]>;
  /** Words of each first name. */
  readonly first: ReadonlyMap<Material, readonly string[]>;
  /** Words of four letters and more by the four they begin with. */
  readonly byBeginning: ReadonlyMap<string, readonly string[]>;
  /** Plants whose pieces go by a bare word: garlic by “cloves”. */
  readonly countedBare: ReadonlyMap<string, readonly Material[]>;
  /** Every name in plain letters. */
  readonly plain: readonly (readonly [Material, string])[];
  /** How long each of those is, and which letters are in it: side by side, since all are passed at each keystroke. */
  readonly lengths: Uint8Array;
  readonly letters: Int32Array;
}

const keyOf = (words: readonly string[]): string =>
  words.length === 1 ? words[0]! : [...words].sort().join(" ");
const wordsOf = (name: string): string[] =>
  tokensOf(name)
    .filter((t) => t.kind === "word")
    .map((t) => nameWord(t.low));

const indexes = new WeakMap<Catalogue, Index>();
function indexOf(catalogue: Catalogue): Index {
  const have = indexes.get(catalogue);
  if (have) return have;
  const byKey = new Map<string, Named[]>();
  const byWord = new Map<string, Material[]>();
  const vocabulary = new Set<string>();
  let longest = 1;
  const put = (key: string, n: Named): void => {
    const there = byKey.get(key);
    if (!there) byKey.set(key, [n]);
    else if (there.every((x) => x.material !== n.material)) there.push(n);
  };
  for (const material of catalogue.values()) {
    const latin = material.kind === "plant" && material.row.latin ? [material.row.latin] : [];
    const firm = [...material.row.names, ...latin].filter((n) => !/[0-9]/.test(n));
    for (const [loose, names] of [
      [false, firm],
      [true, material.row.loose ?? []],
    ] as const)
      for (const alias of names) {
        const words = wordsOf(alias);
        if (words.length === 0) continue;
        longest = Math.max(longest, words.length);
        for (const w of words) {
          vocabulary.add(w);
          const of = byWord.get(w) ?? [];
          if (!of.includes(material)) byWord.set(w, [...of, material]);
        }
        put(keyOf(words), { material, alias, loose });
        // “rose hip” is also written in one word.
        if (words.length > 1 && words.length < 4) {
          vocabulary.add(words.join(""));
          put(words.join(""), { material, alias, loose });
        }
      }
  }
  const first = new Map([...catalogue.values()].map((m) => [m, wordsOf(m.row.names[0]!)] as const));
  const plain = [...catalogue.values()].flatMap((m) => m.row.names.map((n) => [m, plainLetters(n)] as const));
  const lengths = Uint8Array.from(plain, ([, n]) => Math.min(n.length, 255));
  const letters = Int32Array.from(plain, ([, n]) => lettersOf(n));
  const byBeginning = new Map<string, string[]>();
  for (const w of byWord.keys()) {
    const alike = byBeginning.get(w.slice(0, 4));
    if (alike) alike.push(w);
    else byBeginning.set(w.slice(0, 4), [w]);
  }
  const countedBare = new Map<string, Material[]>();
  for (const m of catalogue.values()) {
    if (m.kind !== "plant" || !m.row.countsBare) continue;
    countedBare.set(m.row.countsBare, [...(countedBare.get(m.row.countsBare) ?? []), m]);
  }
  const ofOneWord = new Map([...byKey].filter(([key, of]) => of.some((n) => wordsOf(n.alias)[0] === key)));
  const index = {
    byKey,
    ofOneWord,
    byWord,
    byBeginning,
    countedBare,
    vocabulary,
    longest,
    plain,
    lengths,
    letters,
    first,
  };
  indexes.set(catalogue, index);
  return index;
}

/** A stretch of the tokens that is a name. */
export interface NameSpan {
  readonly tokens: readonly number[];
  readonly names: readonly Named[];
}

/** Marks that may stand inside a name: “pepper, black”, “St. John’s-wort”, “cinnamon (ceylon)”. */
const INSIDE = new Set([",", "-", ".", "("]);

/** A name of one word that was typed in two: “horse radish”. */
function inTwoWords(t: readonly Token[], i: number, index: Index): NameSpan | undefined {
  const next = t[i + 1];
  if (next?.kind !== "word" || next.low.length < 3) return undefined;
  const names = index.ofOneWord.get(t[i]!.low + nameWord(next.low));
  return names && { tokens: [i, i + 1], names };
}

/** Every name in the tokens, longest first and none overlapping; the words of one may stand in any order. */
export function namesIn(tokens: readonly Token[], catalogue: Catalogue = MATERIALS): NameSpan[] {
  const index = indexOf(catalogue);
  const found: NameSpan[] = [];
  for (let i = 0; i < tokens.length; i++) {
    if (tokens[i]!.kind !== "word") continue;
    const joined = inTwoWords(tokens, i, index);
    if (joined) found.push(joined);
    const at: number[] = [];
    const words: string[] = [];
    for (let k = i; k < tokens.length && words.length < index.longest; k++) {
      const t = tokens[k]!;
      if (t.kind === "mark" && INSIDE.has(t.low)) continue;
      const w = t.kind === "word" ? nameWord(t.low) : "";
      if (w === "" || !index.vocabulary.has(w)) break;
      at.push(k);
      words.push(w);
      const names = index.byKey.get(keyOf(words));
      if (names) found.push({ tokens: [...at], names });
    }
  }
  if (found.length < 2) return found;
  found.sort((a, b) => b.tokens.length - a.tokens.length || a.tokens[0]! - b.tokens[0]!);
  const taken = new Set<number>();
  return found.filter((f) => {
    if (f.tokens.some((k) => taken.has(k))) return false;
    f.tokens.forEach((k) => taken.add(k));
    return true;
  });
}

/** The material of exactly this name, id or Latin name, however its words are ordered; nothing where none or several are meant. */
export function materialNamed(name: string, catalogue: Catalogue = MATERIALS): Material | undefined {
  const byId = catalogue.get(name);
  if (byId) return byId;
  const words = wordsOf(name);
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
  const firm = names.filter((n) => !n.loose);
  const pool = firm.length > 0 ? firm : names;
  const first = pool.filter((n) => n.material.row.names[0] === n.alias);
  return first.length === 1 ? first : pool;
}

/** Two words that begin alike: “pokeberry” and “pokeweed”, “pokeberry” and “poke”. */
const begunAlike = (w: string, v: string): boolean =>
  w !== v &&
  w.length > 4 &&
  v.length > 3 &&
  (w.startsWith(v) || (v.length > 5 && w.slice(0, 4) === v.slice(0, 4)));

/** The letters of a text as bits, a to z. */
function lettersOf(text: string): number {
  let bits = 0;
  for (let i = 0; i < text.length; i++) {
    const at = text.charCodeAt(i) - 97;
    if (at >= 0 && at < 26) bits |= 1 << at;
  }
  return bits;
}
/** How many bits of 32 are set, added up side by side. */
function many(bits: number): number {
  const pairs = bits - ((bits >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

const FAR = [undefined, ""] as const;

/** More slips than this and it is another name, however long it is. */
const MOST_SLIPS = 4;

/**
 * Materials whose names are near a name that is not one, nearest first: to be offered, never taken.
 * A shared word counts most, then a slip of the pen of at most a third of the letters.
 */
export function nearNames(name: string, catalogue: Catalogue = MATERIALS, most = 5): Material[] {
  const index = indexOf(catalogue);
  const words = wordsOf(name);
  const plain = plainLetters(words.join(" "));
  const scored = new Map<Material, number>();
  const better = (m: Material, score: number): void =>
    void scored.set(m, Math.min(score, scored.get(m) ?? Infinity));
  // A word that is in a name already needs no other that begins like it: “honey” is not near honeysuckle.
  for (const w of words.filter((x) => !index.byWord.has(x)))
    for (const v of index.byBeginning.get(w.slice(0, 4)) ?? [])
      if (begunAlike(w, v)) for (const m of index.byWord.get(v)!) better(m, 0.7);
  for (const w of words.filter((x) => !LITTLE_WORDS.has(x)))
    for (const m of index.byWord.get(w) ?? [])
      if (!PART_WORDS.has(w))
        better(m, 1 + index.first.get(m)!.length / 10 - (index.first.get(m)![0] === w ? 0.5 : 0));
  const reach = Math.min(MOST_SLIPS, Math.max(1, Math.floor(plain.length / 3)));
  const [own, length] = [lettersOf(plain), plain.length];
  const { lengths, letters } = index;
  for (let i = 0; i < lengths.length; i++) {
    const longer = lengths[i]! - length;
    const its = letters[i]!;
    // Most names differ by more letters than could be slips, which two bit counts tell.
    const far = longer > reach || -longer > reach || many(own & ~its) > reach || many(its & ~own) > reach;
    const [m, other] = far && (longer <= 0 || (own & ~its) !== 0) ? FAR : index.plain[i]!;
    if (!m) continue;
    const d = far ? reach + 1 : distance(plain, other, reach);
    if (d <= reach) better(m, 0.3 + d / reach);
    else if (length >= 4 && other.startsWith(plain)) better(m, 0.8);
  }
  return [...scored]
    .sort(([a, x], [b, y]) => x - y || (a.row.id < b.row.id ? -1 : 1))
    .slice(0, most)
    .map(([m]) => m);
}

/** Words for a part of a plant; alone they name nothing. */
export const PART_WORDS: ReadonlySet<string> = new Set([
  "leaf", "flower", "blossom", "bloom", "petal", "root", "rhizome", "berry", "fruit", "seed", "pod", "bark", "peel", "zest", "rind", "bulb",
  "herb", "top", "tip", "stem", "stick", "powder", "juice", "oil", "head", "sprig", "bud", "hip",
]); // prettier-ignore
/** The parts a class of material is, so that “nettle leaves” is nettle and “nettle root” is not. */
export const PART_OF_CLASS = dictionary<readonly string[]>({
  leaf: ["leaf", "herb", "top", "tip", "sprig", "needle"],
  flower: ["flower", "blossom", "bloom", "petal", "head", "bud", "top", "tip"],
  root: ["root", "rhizome", "bulb"],
  bark: ["bark", "stick", "quill"],
  berry: ["berry", "fruit"],
  fruit: ["fruit"],
  peel: ["peel", "zest", "rind"],
  bulb: ["bulb", "head"],
  pepper: ["pepper", "pod", "fruit", "flake"],
  seed: ["seed", "pod", "berry", "bean"],
  mushroom: ["mushroom", "cap"],
  resin: ["resin", "gum", "tear"],
  vegetable: ["root", "vegetable", "stalk", "bulb", "stick"],
});
