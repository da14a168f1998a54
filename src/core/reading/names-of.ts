import type { Material } from "../material/material";
import { type NameSpan, firstOf, lastOf, meantBy, nameWord, namesIn } from "./names";
import type { ReadingContext } from "./said";
import type { Token } from "./tokens";
import { unitWord } from "./unit-words";

/** A name of one word that is also a way to count: “cloves” beside garlic counts it. */
const COUNTING = new Set(["clove", "star", "leaf", "berry", "pepper", "fruit", "flower", "stick", "chilli"]);
const isCounter = (t: readonly Token[], s: NameSpan): boolean =>
  s.tokens.length === 1 && COUNTING.has(nameWord(t[firstOf(s)]!.low));

/** Pieces of a material by the units they are counted in. */
export type PiecesOf = (m: Material) => readonly string[];

/** Whether a count word counts another name of the line: “6 garlic cloves”, “garlic, 6 cloves”, “1 head garlic, cloves peeled”. */
function countsAnother(
  t: readonly Token[],
  s: NameSpan,
  others: readonly NameSpan[],
  piecesOf: PiecesOf,
): boolean {
  const at = firstOf(s);
  const word = nameWord(t[at]!.low);
  const counted = others.filter((o) => meantBy(o.names).some((n) => piecesOf(n.material).includes(word)));
  if (counted.length === 0) return false;
  const before = t[at - 1];
  if (before?.kind === "number") return true;
  const ends = (k: number): boolean => counted.some((o) => lastOf(o) === k);
  const begins = (k: number): boolean => counted.some((o) => firstOf(o) === k);
  let of = t[at + 1]?.low === "of" ? at + 2 : at + 1;
  while (["the", "fresh", "peeled"].includes(t[of]?.low ?? "")) of++;
  if (ends(at - 1) || begins(of)) return true;
  // “1 tsp each cloves, allspice, garlic” names the spice; a measure before it does so too.
  if (t.some((x) => x.low === "each")) return false;
  return !(before?.kind === "word" && unitWord(before.low, before.text, "us") !== undefined);
}

/** The names of a line, without those that only count another. */
export function namesOf(t: readonly Token[], ctx: ReadingContext, piecesOf: PiecesOf): readonly NameSpan[] {
  const all = namesIn(t, ctx.catalogue);
  if (all.length < 2) return all;
  // “vodka, 40 % alcohol” names vodka.
  const strength = all.findIndex((s) => t[firstOf(s)]!.low === "alcohol" && t[firstOf(s) - 1]?.low === "%");
  if (strength >= 0) all.splice(strength, 1);
  const others = all.filter((s) => !isCounter(t, s));
  if (others.length === 0 || others.length === all.length) return all;
  return all.filter((s) => !isCounter(t, s) || !countsAnother(t, s, others, piecesOf));
}
