import { unknownName } from "./naming";
import { type NameSpan, meantBy } from "./names";
import { type Choice, type Reading, type ReadingContext, type SaidLine, sayAmount, sayLine } from "./said";
import type { Scan } from "./scanned";
import type { Token } from "./tokens";

type ReadLine = (text: string, ctx: ReadingContext) => Reading;

/** What may stand between two things said in one line. */
const JOINS: ReadonlySet<string> = new Set([
  ",",
  ";",
  "/",
  "+",
  "&",
  "and",
  "plus",
  "to",
  "with",
  "then",
  "or",
  ":",
]);

const inOrder = (spans: readonly NameSpan[]): readonly NameSpan[] =>
  [...spans].sort((a, b) => a.tokens[0]! - b.tokens[0]!);

/** Where the line may be cut between two names that follow one another: at what joins them, or before the amount of the second. */
function cutsBetween(t: readonly Token[], scan: Scan, a: NameSpan, b: NameSpan): readonly Cut[] {
  const cuts: Cut[] = [];
  for (let k = Math.max(...a.tokens) + 1; k < Math.min(...b.tokens); k++)
    if (JOINS.has(t[k]!.low)) cuts.push({ end: k, next: k + 1 });
    else if (scan.amounts.some((x) => x.from === k)) cuts.push({ end: k, next: k });
  return cuts;
}
interface Cut {
  /** The token that is no longer of the first, and the one the next begins at. */
  readonly end: number;
  readonly next: number;
}

/** Two names side by side with nothing between: one name that is not known here, not two things. */
const isOneName = (t: readonly Token[], a: NameSpan, b: NameSpan): boolean =>
  Math.min(...b.tokens) === Math.max(...a.tokens) + 1 && t[Math.min(...b.tokens)]!.kind === "word";

/** The text between two tokens, without a joining word at its head. */
const textOf = (text: string, t: readonly Token[], from: number, to: number): string =>
  text.slice(t[from]?.from ?? text.length, t[to]?.from ?? text.length).trim();

/**
 * The line cut where one thing ends and the next begins, so that each part says a thing and how much of it: “3 sprigs rosemary and 1 cup
 * honey”. Nothing where a part says no amount of its own, or is not understood.
 */
function eachForItself(
  spans: readonly NameSpan[],
  scan: Scan,
  t: readonly Token[],
  text: string,
  ctx: ReadingContext,
  read: ReadLine,
): Reading | undefined {
  const lines: SaidLine[] = [];
  let from = 0;
  for (const [i, s] of spans.entries()) {
    const next = spans[i + 1];
    const cuts = next ? cutsBetween(t, scan, s, next) : [{ end: t.length, next: t.length }];
    const cut = cuts.find(({ end }) => {
      const r = read(textOf(text, t, from, end), ctx);
      if (r.is !== "line" || !r.line.amount) return false;
      lines.push(r.line);
      return true;
    });
    if (cut === undefined) return undefined;
    from = cut.next;
  }
  return { is: "lines", lines };
}

/** What each name would be as a line of its own: with its own amount where one stands before it, and no other’s. */
function choicesOf(
  spans: readonly NameSpan[],
  t: readonly Token[],
  scan: Scan,
  ctx: ReadingContext,
): Choice[] {
  return spans.map((s, i) => {
    const { material } = meantBy(s.names)[0]!;
    const after = i === 0 ? -1 : Math.max(...spans[i - 1]!.tokens);
    const own = scan.amounts.find((a) => a.from > after && a.from < Math.min(...s.tokens))?.q;
    const shared = scan.each || scan.either ? scan.amounts[0]?.q : undefined;
    const q = own ?? shared;
    const amount = q?.is === "amount" ? sayAmount(q.amount, ctx.system) : undefined;
    return { words: material.row.names[0]!, text: sayLine({ amount, material }) };
  });
}

/** Several names in one line: a line for each where each says its own amount, one of them, or one name that is not known. */
export function severalNamed(
  named: readonly NameSpan[],
  scan: Scan,
  t: readonly Token[],
  text: string,
  ctx: ReadingContext,
  read: ReadLine,
): Reading {
  const spans = inOrder(named);
  const choices = choicesOf(spans, t, scan, ctx);
  if (scan.each) {
    const lines = choices.map((c) => read(c.text, ctx)).flatMap((r) => (r.is === "line" ? [r.line] : []));
    if (lines.length === choices.length) return { is: "lines", lines };
  }
  const [first, second] = spans;
  if (spans.length === 2 && isOneName(t, first!, second!)) {
    const name = textOf(text, t, Math.min(...first!.tokens), Math.max(...second!.tokens) + 1);
    return unknownName(name, ctx, scan, meantBy(first!.names)[0]!.material);
  }
  const lines = scan.either ? undefined : eachForItself(spans, scan, t, text, ctx, read);
  if (lines) return lines;
  return {
    is: "ask",
    question: scan.either
      ? "Which of them goes in?"
      : `“${text.trim()}” names several things. Which is it? Give each a line of its own.`,
    choices,
  };
}

/** “½ cup dried elderberries or 1 cup fresh”: two ways to have one thing, each with its own amount. */
export function eitherAmount(
  span: NameSpan,
  scan: Scan,
  t: readonly Token[],
  text: string,
): Reading | undefined {
  const or = t.findIndex((x) => x.low === "or");
  if (!scan.either || or < 1) return undefined;
  const before = scan.amounts.filter((a) => a.from < or && a.q.next <= or);
  const after = scan.amounts.filter((a) => a.from > or);
  if (before.length === 0 || after.length === 0) return undefined;
  const name = textOf(text, t, Math.min(...span.tokens), Math.max(...span.tokens) + 1);
  const holdsName = (from: number, to: number): boolean => span.tokens.every((k) => k >= from && k < to);
  const whole = (from: number, to: number): string => {
    const said = textOf(text, t, from, to).replace(/[\s,;]+$/, "");
    return holdsName(from, to) ? said : `${said} ${name}`;
  };
  const texts = [whole(0, or), whole(or + 1, t.length)];
  return {
    is: "ask",
    question: "Which of them goes in?",
    choices: texts.map((x) => ({ words: x, text: x })),
  };
}
