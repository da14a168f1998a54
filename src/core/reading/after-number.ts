import { type Span } from "../estimate";
import { fault } from "../fault";
import { measure } from "../quantity/amount";

import { type Found, isFault, numberAt } from "./numbers";
import { CONTAINERS } from "./quantity-words";
import { type Cursor, type Quantity, unitAt } from "./quantity";

/** A size of a container after its count: `(32 oz) bottle`, `12-oz jar`, `× 500 mL`. */
export function containerAt(c: Cursor, count: Span, i: number): Found<Quantity> {
  const t = c.tokens;
  const bracket = t[i]?.low === "(";
  const by = t[i]?.low === "x" || t[i]?.low === "times";
  const n = numberAt(t, bracket || by ? i + 1 : i);
  if (!n || isFault(n) || n.article) return undefined;
  const at = t[n.next]?.low === "-" ? n.next + 1 : n.next;
  const u = unitAt(c, at);
  if (!u || !("unit" in u.unit) || u.unit.unit.dimension === "length") return undefined;
  let next = u.next;
  if (bracket) {
    if (t[next]?.low !== ")") return undefined;
    next++;
  }
  const holds = CONTAINERS.has(t[next]?.low ?? "");
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
    inContainer: true,
  };
}

/** `5 %`, `40 % vol`, `80 proof`, `50 grain` after their number. */
export function strengthAt(c: Cursor, n: Span, i: number): Quantity | undefined {
  const t = c.tokens;
  const word = (k: number): string => t[k]?.low ?? "";
  const at = word(i) === "-" ? i + 1 : i;
  if (word(at) === "%" || word(at) === "percent") {
    const k = at + 1;
    if (word(k) === "acid" || word(k) === "acidity" || word(k) === "acetic")
      return {
        is: "percent",
        value: n.value,
        of: "acid",
        next: word(k + 1) === "acid" || word(k + 1) === "acidity" ? k + 2 : k + 1,
      };
    const vol = word(k) === "vol" || word(k) === "abv" || word(k) === "alcohol" || word(k) === "alc";
    if (vol)
      return { is: "percent", value: n.value, of: "alcohol", next: word(k + 1) === "." ? k + 2 : k + 1 };
    if (word(k) === "by" && word(k + 1) === "volume")
      return { is: "percent", value: n.value, of: "alcohol", next: k + 2 };
    return { is: "percent", value: n.value, of: undefined, next: k };
  }
  if (word(at) === "proof") return { is: "proof", value: n.value, by: undefined, next: at + 1 };
  if ((word(at) === "us" || word(at) === "uk") && word(at + 1) === "proof")
    return { is: "proof", value: n.value, by: word(at) as "us" | "uk", next: at + 2 };
  if (word(at) === "grain" || word(at) === "grains") return { is: "grain", value: n.value, next: at + 1 };
  return undefined;
}

/** Shares after their number: parts, of the jar, of the liquid, full. */
export function shareAt(c: Cursor, n: Span, i: number): Found<Quantity> {
  const t = c.tokens;
  const word = (k: number): string => (c.named(k) ? "" : (t[k]?.low ?? ""));
  if (word(i) === "part" || word(i) === "parts") {
    if (n.high > 100)
      return fault("TooMuch", "A ratio of more than 100 parts is not a ratio. Write, say, “2 parts”.");
    return { is: "amount", amount: { kind: "part", count: n }, next: i + 1 };
  }
  let k = i;
  const timesWord = word(k) === "times" || word(k) === "x";
  if (timesWord) k++;
  if (word(k) === "of" || word(k) === "to") k++;
  if (word(k) === "the" || word(k) === "a") k++;
  if (word(k) === "strained") k++;
  if (word(k) === "liquid") {
    if (n.high > 20)
      return fault(
        "TooMuch",
        "That is over twenty times the liquid. Write, say, “3/4 of liquid”.",
        [],
        "3/4 of liquid",
      );
    return { is: "amount", amount: { kind: "of-liquid", count: n }, next: k + 1 };
  }
  const full = word(i) === "full";
  if (full || word(k) === "jar" || word(k) === "jarful" || word(k) === "jars" || word(k) === "jarfuls") {
    const next = full ? i + 1 : k + 1;
    // “a jar of honey” is a bought jar as likely as the vessel: its size is asked.
    if (!full && n.low >= 1 && k === i && word(k) !== "jarful")
      return { is: "vague", word: "jar", count: n, next };
    if (n.high > 1)
      return fault(
        "TooMuch",
        "More than the whole jar does not go in. Write, say, “half the jar”.",
        [],
        "1/2 jar",
      );
    return { is: "amount", amount: { kind: "jar", count: n }, next };
  }
  return undefined;
}
