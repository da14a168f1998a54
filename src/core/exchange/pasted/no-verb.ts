import type { Token } from "../../reading/tokens";
import { among } from "./words-near";

const AS_NOUN: ReadonlySet<string> = new Set([
  "bottle",
  "dose",
  "drink",
  "stand",
  "blend",
  "mix",
  "layer",
  "label",
  "cap",
]);
const BEFORE_NOUN: readonly string[] = [
  "a",
  "the",
  "your",
  "per",
  "one",
  "each",
  "of",
  "this",
  "clean",
  "glass",
  "dark",
  "adult",
];
const COOL_PLACE: readonly string[] = ["place", "dark", "dry", "spot", "cupboard"];

/** Words that do something in one place and are a thing in another, with when they are that. */
const NOUN_WHEN: Readonly<
  Record<string, (t: readonly Token[], i: number, named: (k: number) => boolean) => boolean>
> = {
  boiling: (t, i, named) => named(i + 1) || next(t, i) === "water",
  warm: (t, i, named) => named(i + 1) || next(t, i) === "water",
  boil: (t, i) => ["low", "gentle", "of", "high"].includes(before(t, i)),
  heat: (t, i) => ["the", "low", "medium", "gentle", "a", "of", "high"].includes(before(t, i)),
  place: (t, i) => inPlace(t, i),
  store: (t, i) => inPlace(t, i),
  rest: (t, i) => ["the", "at", "and"].includes(before(t, i)),
  last: (t, i) => ["the", "at", "and"].includes(before(t, i)),
  good: (t, i) => next(t, i) !== "for",
  fill: (t, i) => before(t, i) === "to",
  top: (t, i) => ["the", "to", "on"].includes(before(t, i)),
  cover: (t, i) => before(t, i) === "to",
  lay: (t, i) => before(t, i) === "to",
  sweeten: (t, i) => before(t, i) === "to",
  submerge: (t, i) => before(t, i) === "to",
  peel: (t, i) => ["of", "from"].includes(next(t, i)),
  press: (t, i) => before(t, i) === "cold",
  cool: (t, i, named) =>
    (named(i + 1) && before(t, i) !== "to") ||
    (["a", "the", "and", ","].includes(before(t, i)) && among(t, i + 1, 3, COOL_PLACE)) ||
    before(t, i) === "somewhere" ||
    ["place", "dark"].includes(next(t, i)),
  leave: (t, i) => next(t, i) === "out" || among(t, i + 1, 3, ["headspace", "room", "space"]),
  ready: (t, i) => !["in", "after"].includes(next(t, i)),
  turn: (t, i) => among(t, i + 1, 3, ["heat", "off", "down", "into"]),
  drop: (t, i) => ["a", "per"].includes(before(t, i)),
  pressure: (t, i) => !among(t, i + 1, 3, ["cook", "cooker", "pot", "canner"]),
  wait: (t, i) => next(t, i) === "stirring",
  keep: (t, i) => next(t, i) === "stirring",
};

const before = (t: readonly Token[], i: number): string => t[i - 1]?.low ?? "";
const next = (t: readonly Token[], i: number): string => t[i + 1]?.low ?? "";
const inPlace = (t: readonly Token[], i: number): boolean =>
  ["dark", "cool", "warm", "a", "sunny", "dry", "the"].includes(before(t, i)) || next(t, i) === "bought";

/** Whether a word that can do something does nothing here: “boiling water”, “warm honey”, “the rest of”, “a dark place”. */
export function noVerb(t: readonly Token[], i: number, named: (k: number) => boolean): boolean {
  if (named(i)) return true;
  const { low } = t[i]!;
  if (AS_NOUN.has(low)) return BEFORE_NOUN.includes(before(t, i)) || t[i - 1]?.kind === "number";
  return Object.hasOwn(NOUN_WHEN, low) && NOUN_WHEN[low]!(t, i, named);
}
