import { COUNT_UNITS } from "../quantity/units";
import { counted } from "../quantity/amount";
import { piecesOf } from "./fit-amount";
import { type NameSpan, type Named, countedBare, meantBy, nameWord } from "./names";
import { type Reading, type ReadingContext, sayAmount, sayLine } from "./said";
import type { Scan } from "./scanned";
import type { Token } from "./tokens";
import { unitWord } from "./unit-words";

/** A name of one word that is also a way to count: “cloves” beside garlic counts it. */
const isCountWord = (tokens: readonly Token[], s: NameSpan): boolean =>
  s.tokens.length === 1 && (COUNT_UNITS as readonly string[]).includes(nameWord(tokens[s.tokens[0]!]!.low));

/** Whether a count word counts another name of the line: “6 garlic cloves”, “garlic, 6 cloves”, “1 head garlic, cloves peeled”. */
function countsAnother(tokens: readonly Token[], s: NameSpan, others: readonly NameSpan[]): boolean {
  const at = s.tokens[0]!;
  const word = nameWord(tokens[at]!.low);
  const counted = others.filter((o) => piecesOf(meantBy(o.names)[0]!.material).includes(word));
  if (counted.length === 0) return false;
  const before = tokens[at - 1];
  if (before?.kind === "number") return true;
  const ends = (k: number): boolean => counted.some((o) => Math.max(...o.tokens) === k);
  const begins = (k: number): boolean => counted.some((o) => Math.min(...o.tokens) === k);
  const of = tokens[at + 1]?.low === "of" ? at + 2 : at + 1;
  if (ends(at - 1) || begins(of) || begins(tokens[of]?.low === "the" ? of + 1 : of)) return true;
  // “1 tsp each cloves, allspice, garlic” names the spice; a measure before it does so too.
  const each = tokens.some((t) => t.low === "each");
  return !each && !(before?.kind === "word" && unitWord(before.low, before.text, "us") !== undefined);
}

const ASIDE: ReadonlySet<string> = new Set([
  "about",
  "from",
  "roughly",
  "approx",
  "approximately",
  "~",
  "around",
]);

/** Whether a name stands in a bracket that only says where it came from: “lemon juice (about 2 lemons)”. */
function isAside(t: readonly Token[], s: NameSpan): boolean {
  const [first, last] = [Math.min(...s.tokens), Math.max(...s.tokens)];
  let open = first - 1;
  while (open >= 0 && t[open]!.low !== "(" && t[open]!.low !== ")" && t[open]!.low !== "or") open--;
  if (t[open]?.low !== "(" || !t.some((x, k) => k > last && x.low === ")")) return false;
  return t[open + 1]!.kind === "number" || ASIDE.has(t[open + 1]!.low);
}

/** The names of a line, without those in brackets that say where another came from. */
export function withoutAsides(t: readonly Token[], all: readonly NameSpan[]): readonly NameSpan[] {
  if (!t.some((x) => x.low === "(")) return all;
  const said = all.filter((s) => !isAside(t, s));
  return said.length > 0 ? said : all;
}

/** The names of a line, without those that only count another. */
export function withoutCounters(tokens: readonly Token[], all: readonly NameSpan[]): readonly NameSpan[] {
  const others = all.filter((s) => !isCountWord(tokens, s));
  if (others.length === 0 || others.length === all.length) return all;
  return all.filter((s) => !isCountWord(tokens, s) || !countsAnother(tokens, s, others));
}

/** Several materials bear this name: which is meant? */
export function whichOf(names: readonly Named[], scan: Scan, ctx: ReadingContext, name: string): Reading {
  const q = scan.amounts[0]?.q;
  const amount = q?.is === "amount" ? sayAmount(q.amount, ctx.system) : undefined;
  return {
    is: "ask",
    question: `Which ${name} is it?`,
    choices: names.map(({ material }) => ({
      words: material.row.names[0]!,
      text: sayLine({ amount, material, form: scan.forms[0] }),
    })),
  };
}

/** Bare “6 cloves” may be garlic or the spice; a spoon of them, or whole or ground ones, are the spice. */
export function cloveOrGarlic(
  span: NameSpan,
  scan: Scan,
  tokens: readonly Token[],
  ctx: ReadingContext,
): Reading | undefined {
  if (!isCountWord(tokens, span)) return undefined;
  const q = scan.amounts[0]?.q;
  if (q?.is !== "amount" || q.amount.kind !== "count" || scan.cut === "whole" || scan.forms.length > 0)
    return undefined;
  const word = nameWord(tokens[span.tokens[0]!]!.low);
  const holders = countedBare(word, ctx.catalogue);
  if (holders.length === 0) return undefined;
  const spice = meantBy(span.names)[0]!.material;
  const amount = q.amount;
  return {
    is: "ask",
    question: `${sayAmount(counted("clove", amount.count), ctx.system)} of garlic, or the spice?`,
    choices: [
      ...holders.map((m) => ({
        words: m.row.names[0]!,
        text: sayLine({
          amount: sayAmount(counted("clove", amount.count), ctx.system),
          material: m,
          form: "fresh" as const,
        }),
      })),
      {
        words: `${spice.row.names[0]!}, the spice`,
        text: sayLine({ amount: sayAmount(amount, ctx.system), material: spice, cut: "whole" as const }),
      },
    ],
  };
}
