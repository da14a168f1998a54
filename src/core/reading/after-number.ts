import { fault, isFault } from "../fault";
import { type Span, scaled } from "../estimate";
import { measure } from "../quantity/amount";

import { type Found, numberAt } from "./numbers";
import { sensesOf } from "./lexicon";
import { type Cursor, type Quantity, unitAt } from "./quantity";
import { type Token, says } from "./tokens";

/** A size of a container after its count: `(32 oz) bottle`, `12-oz jar`, `× 500 mL`. */
export function containerAt(c: Cursor, count: Span, i: number): Found<Quantity> {
  const t = c.tokens;
  const bracket = t[i]?.low === "(";
  const by = t[i]?.low === "x" || t[i]?.low === "times";
  const n = numberAt(t, bracket || by ? i + 1 : i);
  if (!n || isFault(n) || n.article) return undefined;
  const at = t[n.next]?.low === "-" ? n.next + 1 : n.next;
  const u = unitAt(c, at);
  if (!u || !("unit" in u.unit)) return undefined;
  let next = u.next;
  if (bracket) {
    if (t[next]?.low !== ")") return undefined;
    next++;
  }
  if (u.unit.unit.dimension === "length") {
    // “1 (1-inch) knob of ginger”, “2 × 3 in”: so many of that length.
    if (!bracket && !by) return undefined;
    const long = scaled(n.span, count.value);
    return { is: "amount", amount: measure([{ unit: u.unit.unit, count: long }]), next };
  }
  const holds = sensesOf(t[next]?.low ?? "").container === true;
  if (!holds && !by) return undefined;
  if (holds) next++;
  const each = { low: n.span.low, value: n.span.value, high: n.span.high };
  const all = {
    low: each.low * count.low,
    value: each.value * count.value,
    high: each.high * count.high,
  };
  return {
    is: "amount",
    amount: measure([{ unit: u.unit.unit, count: all }]),
    next,
    by: "volume",
  };
}

/** Words that say a figure is of alcohol. */
export const ALCOHOL: ReadonlySet<string> = new Set(["vol", "abv", "alcohol", "alc"]);
const wordAt = (t: readonly Token[], k: number): string => t[k]?.low ?? "";

/** What stands after a percent sign: of acid, of alcohol, or of nothing said. */
function percentAt(c: Cursor, value: number, k: number): Quantity {
  const t = c.tokens;
  // “300 ml of 70 % alcohol” is of nothing else.
  const word = c.named(k) ? "" : wordAt(t, k);
  if (word === "acid" || word === "acidity" || word === "acetic")
    return {
      is: "percent",
      value,
      of: "acid",
      next: wordAt(t, k + 1) === "acid" || wordAt(t, k + 1) === "acidity" ? k + 2 : k + 1,
    };
  if (says(t, k, "alcohol", "by", "volume")) return { is: "percent", value, of: "alcohol", next: k + 3 };
  if (ALCOHOL.has(word))
    return { is: "percent", value, of: "alcohol", next: wordAt(t, k + 1) === "." ? k + 2 : k + 1 };
  if (says(t, k, "by", "volume")) return { is: "percent", value, of: "alcohol", next: k + 2 };
  return { is: "percent", value, of: undefined, next: k };
}

/** `5 %`, `40 % vol`, `80 proof`, `50 grain` after their number. */
export function strengthAt(c: Cursor, n: Span, i: number): Quantity | undefined {
  const t = c.tokens;
  const dash = wordAt(t, i) === "-" || (wordAt(t, i) === "°" && wordAt(t, i + 1) === "proof");
  const at = dash ? i + 1 : i;
  const word = wordAt(t, at);
  if (word === "%" || word === "percent") return percentAt(c, n.value, at + 1);
  if (word === "proof") return { is: "proof", value: n.value, by: undefined, next: at + 1 };
  if ((word === "us" || word === "uk") && wordAt(t, at + 1) === "proof")
    return { is: "proof", value: n.value, by: word, next: at + 2 };
  if (word === "grain" || word === "grains") return { is: "grain", value: n.value, next: at + 1 };
  return undefined;
}

/** The word at a token, where it belongs to no name. */
const ownWord = (c: Cursor, k: number): string => (c.named(k) ? "" : (c.tokens[k]?.low ?? ""));
/** What may stand between a number and the whole it is of, in this order: “times”, “of the strained liquid”. */
const BEFORE_A_WHOLE = [
  ["times", "x"],
  ["of", "to"],
  ["the", "a"],
  ["strained"],
] satisfies readonly (readonly string[])[];
const JARS: ReadonlySet<string> = new Set(["jar", "jarful", "jars", "jarfuls"]);

const FILLS: ReadonlySet<string> = new Set(["fill", "filled"]);

/** “half fill the jar”: the share, from the token after *fill*. */
function halfFilled(c: Cursor, n: Span, i: number): Quantity | undefined {
  if (n.high > 1) return undefined;
  const the = ownWord(c, i) === "the" || ownWord(c, i) === "a" ? i + 1 : i;
  const next = JARS.has(ownWord(c, the)) ? the + 1 : i;
  return { is: "amount", amount: { kind: "jar", count: n }, next };
}

/** Shares after their number: parts, of the jar, of the liquid, full. */
export function shareAt(c: Cursor, n: Span, i: number): Found<Quantity> {
  const next = ownWord(c, i);
  if (next === "part" || next === "parts") {
    if (n.high > 100)
      return fault("TooMuch", "A ratio of more than 100 parts is not a ratio. Write, say, “2 parts”.");
    return { is: "amount", amount: { kind: "part", count: n }, next: i + 1 };
  }
  let k = i;
  for (const words of BEFORE_A_WHOLE) if (words.includes(ownWord(c, k))) k++;
  const whole = ownWord(c, k);
  if (whole === "liquid") {
    if (n.high > 20)
      return fault(
        "TooMuch",
        "That is over twenty times the liquid. Write, say, “3/4 of liquid”.",
        [],
        "3/4 of liquid",
      );
    return { is: "amount", amount: { kind: "of-liquid", count: n }, next: k + 1 };
  }
  if (FILLS.has(next)) return halfFilled(c, n, i + 1);
  const full = next === "full";
  // “a jar full of thyme”.
  if (JARS.has(next) && ownWord(c, i + 1) === "full" && n.high <= 1)
    return { is: "amount", amount: { kind: "jar", count: n }, next: i + 2 };
  if (full || JARS.has(whole)) {
    const after = full ? i + 1 : k + 1;
    // “a jar of honey” is a bought jar as likely as the vessel: its size is asked.
    if (!full && n.low >= 1 && k === i && whole !== "jarful")
      return { is: "vague", word: "jar", count: n, next: after };
    if (n.high > 1)
      return fault(
        "TooMuch",
        "More than the whole jar does not go in. Write, say, “half the jar”.",
        [],
        "1/2 jar",
      );
    const jarOf = !full && ownWord(c, after) === "of" && ownWord(c, k - 1) !== "the";
    return { is: "amount", amount: { kind: "jar", count: n }, next: after, ...(jarOf ? { jarOf } : {}) };
  }
  return undefined;
}
