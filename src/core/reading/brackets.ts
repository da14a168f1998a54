import type { Amount } from "../quantity/amount";
import { CUT_WORDS, FORM_WORDS } from "./line-words";
import { isFault } from "./numbers";
import { quantityAt } from "./quantities";
import type { Cursor, Quantity } from "./quantity";
import { type Scan, byWhatAt, isAfterName, packedIn, sayForm } from "./scanned";

/** In brackets a measure is an amount, and a number is one where no other was said: “lemon (1), juiced”. */
const mayCount = (scan: Scan, c: Cursor, a: Amount, open: number): boolean =>
  a.kind === "measure" || (a.kind === "count" && scan.amounts.length === 0 && isAfterName(c, open));

/** An amount or a strength that is all of a bracket, or stands first in it: “(about 1 cup, warmed)”. @returns the token after it */
function firstIn(scan: Scan, c: Cursor, q: Quantity, open: number, close: number): number | undefined {
  const comma = c.tokens[q.next]?.low === "," && q.next < close;
  if (q.is === "vague" || (q.next !== close && !comma)) return undefined;
  if (q.is === "amount") {
    if (!mayCount(scan, c, q.amount, open) || (comma && scan.amounts.length > 0)) return undefined;
    scan.amounts.push({ q, from: open });
  } else if (comma) return undefined;
  else scan.strength ??= q;
  return comma ? q.next + 1 : close;
}

/** What a bracket says beside an amount: that it is optional, how it was measured, its form, or a note. */
function aside(scan: Scan, c: Cursor, text: string, from: number, close: number): void {
  const t = c.tokens;
  const inside = close > from ? text.slice(t[from]!.from, t[close - 1]!.to) : "";
  const by = byWhatAt(t, from);
  const packing = packedIn(t, from, close);
  const alone = close === from + 1 ? t[from]!.low : "";
  if (alone === "optional") scan.optional = true;
  else if (by && close === from + 2) scan.by = by;
  else if (packing) scan.packing = packing;
  else if (FORM_WORDS[alone] || CUT_WORDS[alone]) sayForm(scan, alone, FORM_WORDS[alone], CUT_WORDS[alone]);
  else if (inside !== "") scan.notes.push(inside);
}

/** “(300 ml)” is another amount; anything else in brackets is a note, but for a name, which is read on. @returns the token to read on at */
export function bracketAt(scan: Scan, c: Cursor, text: string, i: number): number {
  const t = c.tokens;
  const open = i + 1;
  let close = open;
  while (close < t.length && t[close]!.low !== ")") close++;
  const q = quantityAt(c, open);
  const after = q && !isFault(q) ? firstIn(scan, c, q, open, close) : undefined;
  const holdsName = t.some((_, k) => k >= open && k < close && c.named(k));
  if (after === undefined && holdsName) return open;
  if (after !== close) aside(scan, c, text, after ?? open, close);
  return close + 1;
}
