import { fault, type Fault, isFault } from "../fault";
import { dictionary } from "../words";
import { type Span, exactly, scaled } from "../estimate";
import { type Token, says } from "./tokens";

/** A number or range found in the tokens, and the token after it. */
export interface NumberAt {
  readonly span: Span;
  readonly next: number;
  /** It was said with a word that is also an article: “a”, “an”. */
  readonly article: boolean;
}
export type Found<T> = T | Fault | undefined;
// prettier-ignore
const WORDS = dictionary<number>({
  one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, eleven: 11, twelve: 12, thirteen: 13, fourteen: 14, fifteen: 15,
  sixteen: 16, seventeen: 17, eighteen: 18, nineteen: 19, single: 1, double: 2,
});
// prettier-ignore
const TENS = dictionary<number>({
  twenty: 20, thirty: 30, forty: 40, fifty: 50, sixty: 60, seventy: 70, eighty: 80, ninety: 90,
});
// prettier-ignore
const SHARES = dictionary<number>({
  half: 1 / 2, halves: 1 / 2, third: 1 / 3, thirds: 1 / 3, quarter: 1 / 4, quarters: 1 / 4, fourth: 1 / 4, fourths: 1 / 4,
  fifth: 1 / 5, fifths: 1 / 5, sixth: 1 / 6, sixths: 1 / 6, eighth: 1 / 8, eighths: 1 / 8, tenth: 1 / 10, tenths: 1 / 10,
});
const ORDINAL = new Set(["th", "ths", "rd", "rds", "nd", "nds", "st"]);
const DOZENS = new Set(["dozen", "dozens", "doz"]);
/** Loose counts: what they usually come to. */
const LOOSE = dictionary<Span>({
  few: { low: 2, value: 3, high: 4 },
  several: { low: 3, value: 4, high: 6 },
  couple: { low: 2, value: 2, high: 2 },
  pair: { low: 2, value: 2, high: 2 },
});

const zeroUnder = (text: string): Fault =>
  fault(
    "ZeroDenominator",
    `“${text}” divides by nothing. Write a fraction with a number above nothing under the line, like 1/2.`,
  );

/** Every word that says a number or a share of one: what no remark may swallow. */
export const saysNumber = (low: string): boolean =>
  WORDS[low] !== undefined ||
  TENS[low] !== undefined ||
  SHARES[low] !== undefined ||
  low === "hundred" ||
  DOZENS.has(low);
/** The value of a word that is a number or a share by itself. */
export const wordValue = (low: string): number | undefined =>
  WORDS[low] ?? TENS[low] ?? SHARES[low] ?? (DOZENS.has(low) ? 12 : undefined);

const lowAt = (t: readonly Token[], k: number): string => t[k]?.low ?? "";
const shareAt = (t: readonly Token[], k: number): number | undefined => SHARES[lowAt(t, k)];

/** A whole number in words at a token: seven · twenty-five · two hundred. */
function wholeWords(
  t: readonly Token[],
  i: number,
): { readonly value: number; readonly next: number } | undefined {
  const tens = TENS[lowAt(t, i)];
  if (tens !== undefined) {
    const at = t[i + 1]?.low === "-" ? i + 2 : i + 1;
    const ones = WORDS[lowAt(t, at)];
    return ones !== undefined && ones < 10
      ? { value: tens + ones, next: at + 1 }
      : { value: tens, next: i + 1 };
  }
  const ones = WORDS[lowAt(t, i)];
  if (ones === undefined) return lowAt(t, i) === "hundred" ? { value: 100, next: i + 1 } : undefined;
  if (lowAt(t, i + 1) === "hundred") return { value: 100 * ones, next: i + 2 };
  return { value: ones, next: i + 1 };
}

/** Past “of”, “of a”, “an”, which follow a share: “half of a”, “1/3 of a”. “Of” alone stays for the name. */
function past(t: readonly Token[], n: number): number {
  const k = lowAt(t, n) === "of" ? n + 1 : n;
  const low = lowAt(t, k);
  return low === "a" || low === "an" ? k + 1 : n;
}

/** “3 dozen”, “half a dozen”: the number times twelve. */
function dozens(t: readonly Token[], n: NumberAt): NumberAt {
  const k = lowAt(t, n.next) === "of" ? n.next + 1 : n.next;
  if (!DOZENS.has(lowAt(t, k))) return n;
  return { span: scaled(n.span, 12), next: k + 1, article: false };
}

/** `1/2`, `1/8th` at a token. */
function fractionAt(
  t: readonly Token[],
  k: number,
): Found<{ readonly value: number; readonly next: number }> {
  const top = t[k];
  const under = t[k + 2];
  if (top?.kind !== "number" || lowAt(t, k + 1) !== "/" || under?.kind !== "number") return undefined;
  // “25 g/1 oz” has no unit between its numbers; “100/50” is no share.
  if (under.value === 0) return zeroUnder(`${top.text}/${under.text}`);
  const next = t[k + 3]?.glued && ORDINAL.has(t[k + 3]!.low) ? k + 4 : k + 3;
  return { value: top.value / under.value, next };
}

/** A share in words or figures at a token: a half · three quarters · ½ · 1/2. */
function anyShare(
  t: readonly Token[],
  i: number,
): { readonly value: number; readonly next: number } | undefined {
  const k = lowAt(t, i) === "a" || lowAt(t, i) === "an" ? i + 1 : i;
  const bare = shareAt(t, k);
  if (bare !== undefined) return { value: bare, next: k + 1 };
  if (t[i]?.kind === "number") {
    if (t[i]!.glyph) return { value: t[i]!.value, next: i + 1 };
    const part = fractionAt(t, i);
    return part && !isFault(part) && part.value < 1 ? part : undefined;
  }
  const n = WORDS[lowAt(t, k)];
  const of = t[k + 1]?.low === "-" ? k + 2 : k + 1;
  const share = n === undefined ? undefined : shareAt(t, of);
  return share === undefined ? undefined : { value: n! * share, next: of + 1 };
}

/** “and a half”, “and 1/2”, “and three quarters”, from the word *and*: the share and the token after it. */
export function andShare(
  t: readonly Token[],
  i: number,
): { readonly add: number; readonly next: number } | undefined {
  if (lowAt(t, i) !== "and" && lowAt(t, i) !== "&") return undefined;
  const share = anyShare(t, i + 1);
  return share && { add: share.value, next: share.next };
}

const one = (value: number, next: number): NumberAt => ({ span: exactly(value), next, article: false });

/** A number in figures: 12 · ½ · 1½ · 1/2 · 1 1/2 · 1-1/2 · 1/8th · 3 quarters. */
function inFigures(t: readonly Token[], i: number): Found<NumberAt> {
  const n = t[i]!;
  const whole = Number.isInteger(n.value) && !n.glyph;
  const bare = fractionAt(t, i);
  if (isFault(bare)) return bare;
  if (bare) return one(bare.value, bare.value < 1 ? past(t, bare.next) : bare.next);
  if (!whole) return one(n.value, n.value < 1 ? past(t, i + 1) : i + 1);
  if (t[i + 1]?.glyph) return one(n.value + t[i + 1]!.value, i + 2);
  const dash = lowAt(t, i + 1) === "-" && t[i + 1]!.glued && t[i + 2]?.glued === true ? 1 : 0;
  if (dash && t[i + 2]!.glyph) return one(n.value + t[i + 2]!.value, i + 3);
  const part = fractionAt(t, i + 1 + dash);
  if (isFault(part)) return part;
  // “1-1/2” is one and a half; “1-3/2” would be a range.
  if (part && part.value < 1) return one(n.value + part.value, part.next);
  // “3 quarters of a cup”, “1 half cup”; “1 half-pint jar” is another thing.
  const joined = lowAt(t, i + 1) === "-" ? shareAt(t, i + 2) : undefined;
  if (joined !== undefined && n.value < 10) return one(n.value * joined, past(t, i + 3));
  const shares = shareAt(t, i + 1);
  if (shares !== undefined && lowAt(t, i + 2) !== "-" && (n.value < 10 || lowAt(t, i + 1).endsWith("s")))
    return one(n.value * shares, past(t, i + 2));
  const more = andShare(t, i + 1);
  return one(n.value + (more?.add ?? 0), more?.next ?? i + 1);
}

/** A number in words: two · half a · two thirds of a · a dozen · a few. */
function inWords(t: readonly Token[], i: number): NumberAt | undefined {
  const low = lowAt(t, i);
  const article = low === "a" || low === "an";
  const k = article ? i + 1 : i;
  const w = lowAt(t, k);
  if (LOOSE[w]) return { span: LOOSE[w], next: lowAt(t, k + 1) === "of" ? k + 2 : k + 1, article: false };
  if (DOZENS.has(w)) return one(12, k + 1);
  const share = article && t[i + 1]?.kind === "number" ? undefined : anyShare(t, i);
  if (share) return one(share.value, past(t, share.next));
  if (article) {
    if (w === "hundred") return one(100, k + 1);
    const more = andShare(t, k);
    return { span: exactly(1 + (more?.add ?? 0)), next: more?.next ?? k, article: true };
  }
  const whole = wholeWords(t, i);
  if (!whole) return undefined;
  const more = andShare(t, whole.next);
  return one(whole.value + (more?.add ?? 0), more?.next ?? whole.next);
}

export function oneAt(t: readonly Token[], i: number): Found<NumberAt> {
  const at = t[i];
  if (!at || at.kind === "mark") return undefined;
  const n = at.kind === "number" ? inFigures(t, i) : inWords(t, i);
  return n && !isFault(n) ? dozens(t, n) : n;
}

/**
 * A number or range at a token: `1½`, `a third`, `2–3`, `2 to 3`, `between 2 and 3`, `3 or 4`, `3 dozen`. Faults: `ZeroDenominator`,
 * `NegativeAmount`. Nothing where no number stands.
 */
export function numberAt(t: readonly Token[], i: number): Found<NumberAt> {
  if (says(t, i, "-") && t[i + 1]?.kind === "number" && t[i + 1]!.glued)
    return fault("NegativeAmount", "An amount cannot be less than nothing. Leave the minus sign off.");
  const between = lowAt(t, i) === "between";
  const first = betweenNumber(t, between ? i + 1 : i, between);
  if (!first || isFault(first)) return first;
  const joint = lowAt(t, first.next);
  const joins = between
    ? joint === "and" || joint === "-" || joint === "to"
    : joint === "-" || joint === "to" || joint === "or" || joint === "till";
  // “1 to taste” and “2 or more” are no ranges; an article after *or* begins another thing.
  const second = joins ? oneAt(t, first.next + 1) : undefined;
  if (isFault(second)) return second;
  if (!second || second.article || (first.article && !between)) return between ? undefined : first;
  const low = Math.min(first.span.low, second.span.low);
  const high = Math.max(first.span.high, second.span.high);
  return { span: { low, value: (low + high) / 2, high }, next: second.next, article: false };
}

/** Behind “between” an *and* joins the two ends, unless a share follows it. */
function betweenNumber(t: readonly Token[], i: number, between: boolean): Found<NumberAt> {
  const n = oneAt(t, i);
  if (!between || !n || isFault(n)) return n;
  const plain = t[i]?.kind === "number" ? t[i]!.value : undefined;
  return plain !== undefined && lowAt(t, i + 1) === "and" && n.next > i + 1 && Number.isInteger(plain)
    ? one(plain, i + 1)
    : n;
}
