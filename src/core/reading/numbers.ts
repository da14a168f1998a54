import { dictionary } from "../words";
import type { Span } from "../estimate";
import { type Fault, fault } from "../fault";
import type { Token } from "./tokens";

/** A number or range found in the tokens, and the token after it. */
export interface NumberAt {
  readonly span: Span;
  readonly next: number;
  /** It was said with a word that is also an article: “a”, “an”. */
  readonly article: boolean;
}
export type Found<T> = T | Fault | undefined;
export const isFault = (x: unknown): x is Fault => typeof x === "object" && x !== null && "message" in x;

// prettier-ignore
const WORDS = dictionary<number>({
  one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, eleven: 11, twelve: 12, fifteen: 15, twenty: 20,
  thirty: 30, forty: 40, fifty: 50, hundred: 100, single: 1, double: 2,
});
// prettier-ignore
const SHARES = dictionary<number>({
  half: 1 / 2, halves: 1 / 2, third: 1 / 3, thirds: 1 / 3, quarter: 1 / 4, quarters: 1 / 4, fourth: 1 / 4, fourths: 1 / 4,
  fifth: 1 / 5, sixth: 1 / 6, eighth: 1 / 8, eighths: 1 / 8, tenth: 1 / 10,
});
const ORDINAL = new Set(["th", "ths", "rd", "rds", "nd", "nds", "st"]);
/** Loose counts: what they usually come to. */
const LOOSE = dictionary<Span>({
  few: { low: 2, value: 3, high: 4 },
  several: { low: 3, value: 4, high: 6 },
  couple: { low: 2, value: 2, high: 2 },
  pair: { low: 2, value: 2, high: 2 },
});
const exactly = (value: number): Span => ({ low: value, value, high: value });
const zeroUnder = (text: string): Fault =>
  fault(
    "ZeroDenominator",
    `“${text}” divides by nothing. Write a fraction with a number above nothing under the line, like 1/2.`,
  );

interface One {
  readonly span: Span;
  readonly next: number;
  readonly article: boolean;
}

/** “and a half”, “and 1/2”, “and three quarters”, from the word *and*: the share and the token after it. */
export function andShare(
  t: readonly Token[],
  i: number,
): { readonly add: number; readonly next: number } | undefined {
  if (t[i]?.low !== "and" && t[i]?.low !== "&") return undefined;
  const a = t[i + 1];
  if (a?.low === "a" && SHARES[t[i + 2]?.low ?? ""] !== undefined)
    return { add: SHARES[t[i + 2]!.low]!, next: i + 3 };
  if (a?.kind === "word" && SHARES[a.low] !== undefined) return { add: SHARES[a.low]!, next: i + 2 };
  const share = t[i + 2]?.low === "-" ? i + 3 : i + 2;
  if (a?.kind === "word" && WORDS[a.low] !== undefined && SHARES[t[share]?.low ?? ""] !== undefined)
    return { add: WORDS[a.low]! * SHARES[t[share]!.low]!, next: share + 1 };
  if (a?.kind === "number" && a.glyph) return { add: a.value, next: i + 2 };
  if (
    a?.kind === "number" &&
    t[i + 2]?.low === "/" &&
    t[i + 3]?.kind === "number" &&
    a.value < t[i + 3]!.value
  )
    return { add: a.value / t[i + 3]!.value, next: i + 4 };
  return undefined;
}

/** `1/2`, `1/8th` at a token. */
function fractionAt(
  t: readonly Token[],
  k: number,
): Found<{ readonly value: number; readonly next: number }> {
  const top = t[k];
  const under = t[k + 2];
  if (top?.kind !== "number" || t[k + 1]?.low !== "/" || under?.kind !== "number") return undefined;
  if (under.value === 0) return zeroUnder(`${top.text}/${under.text}`);
  const next = t[k + 3]?.glued && ORDINAL.has(t[k + 3]!.low) ? k + 4 : k + 3;
  return { value: top.value / under.value, next };
}

/** A number in figures: 12 · ½ · 1½ · 1/2 · 1 1/2 · 1-1/2 · 1/8th. */
function inFigures(t: readonly Token[], i: number): Found<One> {
  const n = t[i]!;
  const whole = Number.isInteger(n.value) && !n.glyph;
  const bare = fractionAt(t, i);
  if (isFault(bare)) return bare;
  if (bare) return { span: exactly(bare.value), next: bare.next, article: false };
  if (whole) {
    if (t[i + 1]?.glyph) return { span: exactly(n.value + t[i + 1]!.value), next: i + 2, article: false };
    const dash = t[i + 1]?.low === "-" && t[i + 1]!.glued && t[i + 2]?.glued === true ? 1 : 0;
    if (dash && t[i + 2]!.glyph)
      return { span: exactly(n.value + t[i + 2]!.value), next: i + 3, article: false };
    const part = fractionAt(t, i + 1 + dash);
    if (isFault(part)) return part;
    // “1-1/2” is one and a half; “1-3/2” would be a range.
    if (part && part.value < 1)
      return { span: exactly(n.value + part.value), next: part.next, article: false };
  }
  // “3 quarters of a cup”; “1 half-pint jar” is another thing.
  const shares = whole && t[i + 1]?.low.endsWith("s") ? SHARES[t[i + 1]!.low] : undefined;
  if (shares !== undefined) return { span: exactly(n.value * shares), next: past(t, i + 2), article: false };
  const more = whole ? andShare(t, i + 1) : undefined;
  return { span: exactly(n.value + (more?.add ?? 0)), next: more?.next ?? i + 1, article: false };
}

const one = (value: Span, next: number): One => ({ span: value, next, article: false });

/** Past “of”, “a”, “an”, which follow a share: “half of a”, “a third of a”. */
function past(t: readonly Token[], n: number): number {
  let j = n;
  if (t[j]?.low === "of" && (t[j + 1]?.low === "a" || t[j + 1]?.low === "an")) j++;
  if (t[j]?.low === "a" || t[j]?.low === "an") j++;
  return j;
}

/** A number in words: two · half a · two thirds of a · a dozen · a few. */
function inWords(t: readonly Token[], i: number): One | undefined {
  const at = t[i]!;
  const article = at.low === "a" || at.low === "an";
  const k = article ? i + 1 : i;
  const w = t[k]?.low ?? "";
  if (LOOSE[w]) return one(LOOSE[w], t[k + 1]?.low === "of" ? k + 2 : k + 1);
  if (w === "dozen") return one(exactly(12), k + 1);
  if (SHARES[w] !== undefined) {
    if (w === "half" && t[past(t, k + 1)]?.low === "dozen") return one(exactly(6), past(t, k + 1) + 1);
    return one(exactly(SHARES[w]), past(t, k + 1));
  }
  if (article) {
    const more = andShare(t, k);
    return { span: exactly(1 + (more?.add ?? 0)), next: more?.next ?? k, article: true };
  }
  const n = WORDS[w];
  if (n === undefined) return undefined;
  const share = SHARES[t[k + (t[k + 1]?.low === "-" ? 2 : 1)]?.low ?? ""];
  if (share !== undefined) return one(exactly(n * share), past(t, k + (t[k + 1]?.low === "-" ? 3 : 2)));
  if (t[k + 1]?.low === "dozen") return one(exactly(12 * n), k + 2);
  const more = andShare(t, k + 1);
  return one(exactly(n + (more?.add ?? 0)), more?.next ?? k + 1);
}

/** One number at a token, in figures or in words. */
export function oneAt(t: readonly Token[], i: number): Found<One> {
  const at = t[i];
  if (!at) return undefined;
  if (at.kind === "number") return inFigures(t, i);
  return at.kind === "word" ? inWords(t, i) : undefined;
}

/**
 * A number or range at a token: `1½`, `a third`, `2–3`, `2 to 3`, `between 2 and 3`, `3 or 4`. Faults: `ZeroDenominator`, `NegativeAmount`.
 * Nothing where no number stands.
 */
export function numberAt(t: readonly Token[], i: number): Found<NumberAt> {
  if (t[i]?.low === "-" && t[i + 1]?.kind === "number" && t[i + 1]!.glued)
    return fault("NegativeAmount", "An amount cannot be less than nothing. Leave the minus sign off.");
  const between = t[i]?.low === "between";
  const first = oneAt(t, between ? i + 1 : i);
  if (!first || isFault(first)) return first;
  const joint = t[first.next];
  const joins = between
    ? joint?.low === "and" || joint?.low === "-"
    : joint?.low === "-" || joint?.low === "to" || joint?.low === "or";
  // “1 to taste” and “2 or more” are no ranges; an article after *or* begins another thing.
  const second = joins ? oneAt(t, first.next + 1) : undefined;
  if (isFault(second)) return second;
  if (!second || second.article || (first.article && !between)) return between ? undefined : first;
  const low = Math.min(first.span.low, second.span.low);
  const high = Math.max(first.span.high, second.span.high);
  return { span: { low, value: (low + high) / 2, high }, next: second.next, article: false };
}
