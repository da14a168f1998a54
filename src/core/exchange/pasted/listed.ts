import { readLine } from "../../reading/line";
import { quantityAt } from "../../reading/quantities";
import type { Reading, ReadingContext } from "../../reading/said";
import { type Token, tokensOf } from "../../reading/tokens";
import type { NameSpan } from "../../reading/names";
import type { Act } from "./acts";
import { mentionsOf, spansOf } from "./mentions";
import { type SourceRow, sentencesOf } from "./rows";

/** A row taken apart once. */
export interface RowRead {
  readonly row: SourceRow;
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly spans: readonly NameSpan[];
  readonly acts: readonly Act[];
}

/** A reading and where its words stand in the row. */
export interface ReadAt {
  readonly reading: Reading;
  readonly from: number;
  readonly to: number;
}

export const startsWithAmount = (t: readonly Token[], ctx: ReadingContext): boolean =>
  t[0]?.kind === "number" ||
  quantityAt({ tokens: t, system: ctx.system, named: () => false }, 0) !== undefined;

/** Whether a row is one of a list of what goes in, rather than a sentence that does something. */
export function isListed({ row, text, tokens, acts }: RowRead, ctx: ReadingContext): boolean {
  // A list has no end that is told: the method begins where something is done.
  if (row.section === "lines") return acts[0]?.at !== 0 || ["fill", "cover"].includes(acts[0].deed);
  if (row.section !== undefined || sentencesOf(text).length > 1) return false;
  return startsWithAmount(tokens, ctx) || acts.length === 0;
}

/** “2:1 vinegar to honey”, “vinegar and honey, 2 to 1”: a line of parts for each. */
function ratioIn(text: string, ctx: ReadingContext): Reading | undefined {
  const found = /(\d+(?:\.\d+)?)\s*(?::|\bto\b)\s*(\d+(?:\.\d+)?)/.exec(text);
  if (!found) return undefined;
  const t = tokensOf(text);
  const spans = spansOf(t, ctx);
  if (spans.length !== 2) return undefined;
  const wordsOf = (s: NameSpan): string =>
    text.slice(t[Math.min(...s.tokens)]!.from, t[Math.max(...s.tokens)]!.to);
  const between = text
    .slice(t[Math.max(...spans[0]!.tokens)]!.to, t[Math.min(...spans[1]!.tokens)]!.from)
    .trim();
  if (!["to", "and", ":", "&"].includes(between)) return undefined;
  const parts = [found[1]!, found[2]!];
  const reads = spans.map((s, i) =>
    readLine(`${parts[i]} ${parts[i] === "1" ? "part" : "parts"} ${wordsOf(s)}`, ctx),
  );
  const lines = reads.flatMap((r) => (r.is === "line" ? [r.line] : []));
  return lines.length === 2 ? { is: "lines", lines } : undefined;
}

/** Two names in one row: a line for each that has its amount, or a question where it says “or”. */
function several(r: RowRead, text: string, ctx: ReadingContext): readonly ReadAt[] | undefined {
  const { tokens: t, spans } = r;
  if (spans.length < 2) return undefined;
  const found = mentionsOf(text, t, spans, [], ctx);
  if (!found.every((m) => m.reading.is === "line")) return undefined;
  const [first, last] = [Math.min(...spans[0]!.tokens), Math.min(...spans.at(-1)!.tokens)];
  if (t.some((x, k) => x.low === "or" && k > first && k < last)) {
    const choices = found
      .map((m) => text.slice(m.from, m.to).trim())
      .map((words) => ({ words, text: words }));
    return [
      { reading: { is: "ask", question: "Which of them goes in?", choices }, from: 0, to: text.length },
    ];
  }
  return found.every((m) => m.reading.is === "line" && m.reading.line.amount) ? found : undefined;
}

/** Reads a row as a line of a list, or as several. Nothing where it is a sentence after all. */
export function readListed(r: RowRead, ctx: ReadingContext): readonly ReadAt[] | undefined {
  const text = r.text.replace(/[.;,]+$/, "");
  const whole = { from: 0, to: text.length };
  const reading = ratioIn(text, ctx) ?? readLine(text, ctx);
  if (reading.is === "line" || reading.is === "lines") return [{ reading, ...whole }];
  const parts = several(r, text, ctx);
  if (parts) return parts;
  if (r.row.section !== "lines") {
    const does = r.acts.some((a) => a.for || a.reduce || a.toC !== undefined || a.deed === "strain");
    const amount = startsWithAmount(r.tokens, ctx);
    if (does || (r.spans.length === 0 && !amount)) return undefined;
    if (reading.is === "fault" && reading.fault.name === "NotAMaterial") return undefined;
    // A sentence that happens to name a plant is a story, not a line.
    if (reading.is === "unknown" && !reading.amount && r.tokens.length > 6) return undefined;
  }
  return [{ reading, ...whole }];
}
