/*
 * The check that nothing typed is lost, apart from the grammar: it knows the words, and what a reading says it read them as, and no more.
 */
import type { Amount } from "../quantity/amount";
import { isTimeWord } from "./durations";
import { sensesOf } from "./lexicon";
import { saysNumber, wordValue } from "./numbers";
import type { Claim, SaidLine } from "./said";
import type { Token } from "./tokens";

/** Marks that only part things; every other one must be read as something. */
const PARTS_ONLY: ReadonlySet<string> = new Set([
  ",", ";", ".", ":", "(", ")", "[", "]", "*", "•", "·", "-", "&", "+", "!", "?", "°", "'", '"', "/", "|", "~", "–", "—", "▢", "□", "☐", "○", "●",
  "✓", ">", "_", "#", "…", "“", "”", "«", "»", "→",
]); // prettier-ignore

/** Words that by themselves carry nothing: small words, and what joins. */
const carriesNothing = (t: Token): boolean => {
  if (t.kind === "mark") return PARTS_ONLY.has(t.low) || /^\p{S}|\p{Emoji}/u.test(t.text);
  const s = sensesOf(t.low);
  return t.kind === "word" && (s.idle === true || s.joins === true || t.low === "of" || t.low === "x");
};

/** What a number may have been read as; in a name or a form it would be lost. */
const HOLDS_NUMBERS: ReadonlySet<Claim["role"]> = new Set(["amount", "strength", "water", "list", "note"]);

/**
 * The tokens of a text that its reading does not account for.
 * @param claims what the reading says its words were read as, over the whole text
 */
export function unaccounted(tokens: readonly Token[], claims: readonly Claim[]): Token[] {
  const out: Token[] = [];
  for (const [k, t] of tokens.entries()) {
    const of = claims.find((c) => c.from <= t.from && c.to >= t.to);
    const number =
      t.kind === "number" || (t.kind === "word" && saysNumber(t.low) && sensesOf(t.low).kept !== true);
    if (of ? number && !HOLDS_NUMBERS.has(of.role) : !carriesNothing(t)) out.push(t);
    // A number in words in a remark would be a number less.
    else if (of?.role === "note" && t.low === "half" && !isTimeAt(tokens, k + 1)) out.push(t);
  }
  return out;
}

const isTimeAt = (t: readonly Token[], k: number): boolean =>
  [t[k], t[k + 1]].some((x) => x !== undefined && isTimeWord(x.low));

/** The figure of an amount that its words must come to. */
function figureOf(a: Amount): number | undefined {
  switch (a.kind) {
    case "measure":
      return a.terms.length === 1 ? a.terms[0]!.count.value : undefined;
    case "count":
    case "part":
    case "jar":
    case "of-liquid":
      return a.count.value;
    case "ratio":
      return a.mlPerG;
    case "goal":
      return a.target;
    case "cover":
      return a.term?.count.value;
    case "fill":
    case "unknown":
      return undefined;
  }
}
const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(b));

/** Everything that some numbers, in their order, can come to by one sum, product, share, difference or middle at a time. */
function reachable(ns: readonly number[]): readonly number[] {
  if (ns.length < 2) return ns;
  const [x, y] = [ns[0]!, ns[1]!];
  if (ns.length === 2) return [x + y, x * y, x / y, x - y, (x + y) / 2];
  return ns.slice(1).flatMap((_, i) => {
    const rights = reachable(ns.slice(i + 1));
    return reachable(ns.slice(0, i + 1)).flatMap((a) =>
      rights.flatMap((b) => [a + b, a * b, a / b, a - b, (a + b) / 2]),
    );
  });
}

/** Words that make a figure of several units, or of no number: what it comes to is the grammar's to say. */
const COMES_TO_MORE: ReadonlySet<string> = new Set([
  "few",
  "several",
  "couple",
  "pair",
  "less",
  "minus",
  "plus",
  "+",
  "each",
]);
const OUNCE = 28.3495;

/** Numbers beyond so many are not tried: the ways to join them grow fivefold with each. */
const MOST_NUMBERS = 4;

/** Whether every number in the words of an amount has a hand in its figure: “3 dozen” is not three, “1/2 a tsp” not half of one thing. */
export function explains(line: SaidLine, tokens: readonly Token[]): boolean {
  const a = line.amount?.amount;
  const figure = a && figureOf(a);
  if (a === undefined || figure === undefined) return true;
  let claim: Claim | undefined;
  for (const c of line.claims) {
    if (c.role !== "amount") continue;
    // Said in two measures, it is the grammar's to say whether they agree.
    if (claim) return true;
    claim = c;
  }
  if (!claim) return true;
  const { from, to } = claim;
  const words = tokens.filter((t) => from <= t.from && to >= t.to);
  const numbers: number[] = [];
  for (const t of words) {
    const n = t.kind === "number" ? t.value : wordValue(t.low);
    if (n !== undefined) numbers.push(n);
  }
  if (numbers.length === 1 && near(numbers[0]!, figure)) return true;
  if (numbers.length === 0 || numbers.length > MOST_NUMBERS) return true;
  if (words.some((t) => COMES_TO_MORE.has(t.low))) return true;
  // “a cup and a half”, “a pinch or two”: the article counts where no number stands before it.
  const counts = words.find(
    (t) => t.kind === "number" || t.low === "a" || t.low === "an" || saysNumber(t.low),
  );
  const one = counts?.low === "a" || counts?.low === "an" ? [[1, ...numbers]] : [];
  const figures = a.kind === "measure" ? [figure, a.si.value / OUNCE] : [figure];
  return [numbers, ...one].some((ns) => reachable(ns).some((n) => figures.some((f) => near(n, f))));
}
