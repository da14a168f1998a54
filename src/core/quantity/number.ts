import { type Span, between, exactly } from "../estimate";
import { type Fault, type Result, fail, fault, ok } from "../fault";

const VULGAR: Readonly<Record<string, number>> = {
  "½": 1 / 2, "⅓": 1 / 3, "⅔": 2 / 3, "¼": 1 / 4, "¾": 3 / 4, "⅕": 1 / 5, "⅖": 2 / 5, "⅗": 3 / 5, "⅘": 4 / 5, "⅙": 1 / 6, "⅚": 5 / 6, "⅛": 1 / 8, "⅜": 3 / 8, "⅝": 5 / 8, "⅞": 7 / 8,
};
const WORDS: Readonly<Record<string, number>> = {
  a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, eleven: 11, twelve: 12, half: 0.5, quarter: 0.25, third: 1 / 3, "half a": 0.5, "half an": 0.5, "a half": 0.5, "a third": 1 / 3, "a quarter": 0.25, "a few": 3, several: 4, "a couple": 2, "two thirds": 2 / 3, "three quarters": 0.75,
};
const FEW: Readonly<Record<string, Span>> = { "a few": { low: 2, value: 3, high: 4 }, several: { low: 3, value: 4, high: 6 } };

const GLYPHS = Object.keys(VULGAR).join("");
// One number: 1 1/2 · 1½ · ½ · 1/2 · 1,000 · 1.5 · .5 · 1,5
const ONE = `(?:\\d+\\s+\\d+\\s*[/⁄]\\s*\\d+|\\d+\\s*[/⁄]\\s*\\d+|\\d+\\s*[${GLYPHS}]|[${GLYPHS}]|\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d+(?:[.,]\\d+)?|\\.\\d+)`;
const SPELT = Object.keys(WORDS).sort((a, b) => b.length - a.length).join("|");
const LEAD = new RegExp(`^(?:about\\s+|around\\s+|roughly\\s+|~\\s*|≈\\s*)?(?:(-|−)\\s*)?(${ONE}|(?:${SPELT})(?![a-z]))(?:\\s*(?:-|–|—|to|or)\\s*(-|−)?\\s*(${ONE}|(?:${SPELT})(?![a-z])))?`, "i");

const tooDeep = (text: string): Fault => fault("ZeroDenominator", `“${text.trim()}” divides by nothing. Write a fraction like 1/2 or 3/4.`, [], "1/2");

function one(text: string): Result<number> {
  const t = text.trim().toLowerCase();
  const spelt = WORDS[t];
  if (spelt !== undefined) return ok(spelt);
  const mixed = /^(?:(\d+)\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(t);
  if (mixed) {
    const den = Number(mixed[3]);
    return den === 0 ? fail(tooDeep(text)) : ok(Number(mixed[1] ?? 0) + Number(mixed[2]) / den);
  }
  const glyph = VULGAR[t.slice(-1)];
  if (glyph !== undefined) return ok(Number(t.slice(0, -1).trim() || 0) + glyph);
  if (/^\d{1,3}(,\d{3})+/.test(t)) return ok(Number(t.replace(/,/g, "")));
  return ok(Number(t.replace(",", ".")));
}

/** A number or range at the head of a text, and what follows it. Missing number: `undefined`. */
export function leadingNumber(text: string): Result<{ span: Span; rest: string; negative: boolean } | undefined> {
  const m = LEAD.exec(text);
  if (!m) return ok(undefined);
  const first = one(m[2]!);
  if (!first.ok) return first;
  const rest = text.slice(m[0].length).trim();
  const negative = m[1] !== undefined || m[3] !== undefined;
  if (m[4] === undefined) return ok({ span: FEW[m[2]!.toLowerCase()] ?? exactly(first.value), rest, negative });
  const second = one(m[4]);
  if (!second.ok) return second;
  const [low, high] = first.value <= second.value ? [first.value, second.value] : [second.value, first.value];
  return ok({ span: between(low, high), rest, negative });
}

const GLYPH_FOR: ReadonlyArray<readonly [number, string]> = [[1 / 8, "⅛"], [1 / 4, "¼"], [1 / 3, "⅓"], [3 / 8, "⅜"], [1 / 2, "½"], [5 / 8, "⅝"], [2 / 3, "⅔"], [3 / 4, "¾"], [7 / 8, "⅞"]];

/** A count in kitchen fractions when it is one within 0.2 %, else with up to two decimals. */
export function printCount(n: number): string {
  const whole = Math.floor(n + 1e-9);
  const part = n - whole;
  if (part < 0.002 * Math.max(1, n)) return String(whole);
  const glyph = GLYPH_FOR.find(([v]) => Math.abs(part - v) < 0.002 * Math.max(1, n));
  if (glyph) return `${whole === 0 ? "" : whole}${glyph[1]}`;
  return String(Number(n.toFixed(n < 10 ? 2 : 1)));
}

/** A count as a kitchen fraction where one lies within a share of it, else to three figures. */
export function nearCount(n: number, limit: number): string {
  const whole = Math.floor(n + 1e-9);
  const near = [[0, ""] as const, ...GLYPH_FOR, [1, ""] as const].map(([part, glyph]) => ({ value: whole + part, glyph })).filter((c) => c.value > 0 && Math.abs(c.value - n) <= limit * n);
  const best = near.sort((a, b) => Math.abs(a.value - n) - Math.abs(b.value - n))[0];
  if (!best || n >= 100) return String(Number(n.toPrecision(3)));
  const floor = Math.floor(best.value + 1e-9);
  return best.glyph === "" ? String(floor) : `${floor === 0 ? "" : floor}${best.glyph}`;
}
