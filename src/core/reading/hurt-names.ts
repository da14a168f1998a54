import { type Alike, ALIKE } from "../material/hurts/alike";
import type { Hurts } from "../material/hurts/hazards";
import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import { MATERIALS } from "../material/catalogue";
import { onlyAside, partOf, partsIn, plantWords, statesIn } from "./plant-words";

/** A name in one string, so that “fox glove” is foxglove, and where in it the words end. */
interface Worded {
  readonly words: readonly string[];
  readonly joined: string;
}
const worded = (name: string): Worded => {
  const words = plantWords(name);
  return { words, joined: words.join("") };
};

export interface NameOfOne<T> extends Worded {
  readonly of: T;
  readonly name: string;
  /** It stands before another plant's name too. */
  readonly before: boolean;
}
export const namesOf = <T>(of: T, names: readonly string[], before?: ReadonlySet<string>): NameOfOne<T>[] =>
  names.map((name) => ({ ...worded(name), of, name, before: before?.has(name) === true }));

export const HURTING: readonly NameOfOne<Hurts>[] = PLANTS_THAT_HURT.flatMap((h) =>
  namesOf(h, h.names, h.before),
);
/** Names of what does no harm by itself: a longer one of them covers a shorter one that hurts. */
const HARMLESS: readonly NameOfOne<Alike | undefined>[] = [
  ...ALIKE.flatMap((a) => namesOf<Alike | undefined>(a, a.names)),
  ...[...MATERIALS.values()]
    .filter((m) => !(m.row.tags ?? []).some((t) => t === "poison" || t === "not-food" || t === "aristolochic" || t === "pyrrolizidine" || t === "elder-parts" || t === "kernel-eaten" || t === "essential-oil"))
    .flatMap((m) => namesOf<Alike | undefined>(undefined, m.row.names)),
]; // prettier-ignore

/** Every name by its letters, so that what is typed is looked up and not held against each. */
export function byLetters<T>(all: readonly NameOfOne<T>[]): ReadonlyMap<string, readonly NameOfOne<T>[]> {
  const map = new Map<string, NameOfOne<T>[]>();
  for (const n of all) map.set(n.joined, [...(map.get(n.joined) ?? []), n]);
  return map;
}
const HURTING_BY = byLetters(HURTING);
export const HARMLESS_BY = byLetters(HARMLESS);
/** Words that stand in the names of harmless things: no slip of the pen for another. */
export const ORDINARY: ReadonlySet<string> = new Set([
  ...HARMLESS.flatMap((n) => n.words),
  ...ALIKE.flatMap((a) => plantWords(a.latin)),
  ...[...MATERIALS.values()].flatMap((m) => (m.kind === "plant" ? plantWords(m.row.latin ?? "") : [])),
]);

interface Span<T> {
  readonly from: number;
  readonly to: number;
  readonly name: NameOfOne<T>;
}
const LONGEST_NAME = 6;
export function spansOf<T>(
  words: readonly string[],
  names: ReadonlyMap<string, readonly NameOfOne<T>[]>,
): Span<T>[] {
  const found: Span<T>[] = [];
  for (let from = 0; from < words.length; from++)
    for (let to = from + 1; to <= Math.min(words.length, from + LONGEST_NAME); to++)
      for (const name of names.get(words.slice(from, to).join("")) ?? []) found.push({ from, to, name });
  return found;
}
/** Whether one name holds another and says more: “ground elder” holds the elder of “ground elder leaf”. */
export function covers(a: Span<unknown>, b: Span<unknown>): boolean {
  const parts = [...b.name.words].reverse().findIndex((w) => partOf(w) === undefined);
  const to = parts > 0 && a.from < b.from && a.to < b.to ? b.to - parts : b.to;
  return a.from <= b.from && a.to >= to && a.to - a.from > to - b.from;
}

/** Whether the row is about the parts told: nothing told means all of a plant that hurts as a whole. */
export function concerns(h: Hurts, words: readonly string[], name: readonly string[]): boolean {
  const own = partsIn(name);
  const told = [...[...partsIn(words)].filter((p) => !own.has(p)), ...statesIn(words)];
  if (h.sound.length > 0 && told.some((p) => h.sound.includes(p)) && !told.some((p) => h.parts.includes(p)))
    return false;
  return h.parts.length === 0 || [...told, ...own, ...statesIn(name)].some((p) => h.parts.includes(p));
}

/** “X-leaved” and “X-like” are no X. */
const LIKENESS: ReadonlySet<string> = new Set([
  "leaved",
  "leafed",
  "like",
  "scented",
  "flavoured",
  "flavored",
  "free",
]);

export function namedIn(words: readonly string[]): Hurts[] {
  const spans = spansOf(words, HURTING_BY);
  const harmless = spansOf(words, HARMLESS_BY);
  return spans
    .filter((s) => {
      if (LIKENESS.has(words[s.to] ?? "")) return false;
      if (harmless.some((h) => covers(h, s)) || spans.some((o) => covers(o, s))) return false;
      if (s.name.before && !onlyAside(words.slice(s.to))) return false;
      // What bees gather on ivy or holly is honey; what is told of rhododendron stands in the table by its own name.
      if (s.name.before && words[s.to] === "honey") return false;
      return concerns(s.name.of, words, s.name.words);
    })
    .map((s) => s.name.of);
}

/** Wholly the name of something harmless, but for its part and state. */
export const isHarmless = (words: readonly string[]): boolean =>
  spansOf(words, HARMLESS_BY).some((s) => onlyAside(words.slice(0, s.from)) && onlyAside(words.slice(s.to)));
