/*
 * Sentences are made from parts that agree.
 */

/** With a capital at its head. */
export const capital = (s: string): string => (s === "" ? s : `${s[0]!.toUpperCase()}${s.slice(1)}`);

/** “a”, “a and b”, “a, b and c”. */
export const listed = (words: readonly string[], joint: "and" | "or" = "and"): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} ${joint} ${words.at(-1)!}`;

/** “1 day”, “3 days”; an uncommon plural is given. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** The form of a verb that goes with so many things: “bites” for one, “bite” for more. */
export const agree = (n: number, one: string, many: string): string => (n === 1 ? one : many);

/** “a jar”, “an onion”. */
export const withArticle = (noun: string): string => `${/^[aeiou]/i.test(noun) ? "an" : "a"} ${noun}`;

/** Meanings by word, for words that people type: “constructor” finds nothing in it. */
export const dictionary = <T>(meanings: Readonly<Record<string, T>>): Readonly<Record<string, T>> =>
  Object.freeze(Object.assign(Object.create(null) as Record<string, T>, meanings));

const ORDINALS = [
  "first",
  "second",
  "third",
  "fourth",
  "fifth",
  "sixth",
  "seventh",
  "eighth",
  "ninth",
  "tenth",
];
/** “the third way”; from eleven on in figures: “the 11th way”. */
export function ordinal(n: number): string {
  const word = ORDINALS[n - 1];
  if (word) return word;
  const ends = ["th", "st", "nd", "rd"];
  const teen = n % 100 > 10 && n % 100 < 14;
  return `${n}${teen ? "th" : (ends[n % 10] ?? "th")}`;
}

const SHARES: readonly (readonly [number, string])[] = [
  [1 / 10, "a tenth"],
  [1 / 8, "an eighth"],
  [1 / 6, "a sixth"],
  [1 / 5, "a fifth"],
  [1 / 4, "a quarter"],
  [1 / 3, "a third"],
  [2 / 5, "two fifths"],
  [1 / 2, "half"],
  [3 / 5, "three fifths"],
  [2 / 3, "two thirds"],
  [3 / 4, "three quarters"],
];
/** How far a share may be from the one it is called by. */
const NEAR_SHARE = 0.03;
/** A share as it is said: “a quarter”, “half”, “as much again”, else “38 %”. */
export function shareWords(share: number): string {
  if (Math.abs(share - 1) < NEAR_SHARE) return "as much again";
  const near = SHARES.find(([s]) => Math.abs(s - share) < s * NEAR_SHARE);
  if (near) return near[1];
  const percent = 100 * share;
  return `${percent < 10 ? Number(percent.toPrecision(2)) : Math.round(percent)} %`;
}

const NUMBERS = [
  "no",
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
  "eleven",
  "twelve",
];
/** “two”, up to twelve; then in figures. */
export const numberWord = (n: number): string => NUMBERS[n] ?? String(n);

/** How sweet a liquid is, said without a term: the sugar in a hundred of its weight, which is what degrees Brix count. */
export const SWEETNESS = "% sugar";
export const sweetness = (brix: number): string => `${Math.round(brix)} ${SWEETNESS}`;
