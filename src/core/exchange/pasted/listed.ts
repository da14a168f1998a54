import { isFault } from "../../fault";
import { readThings } from "../../reading/line";
import { quantityAt } from "../../reading/quantities";

import { exactly } from "../../estimate";
import type { Reading, ReadingContext } from "../../reading/said";
import { settleWith } from "../../reading/settle";
import type { Thing, Things } from "../../reading/things";
import type { Token } from "../../reading/tokens";
import type { Act } from "./acts";
import { type SourceRow, sentencesOf } from "./rows";
import { deedOf } from "./verbs";

/** A row taken apart once, as a line of a list. */
export interface RowRead {
  readonly row: SourceRow;
  readonly things: Things;
  readonly acts: readonly Act[];
}

/** Whether the words begin by saying how much: “2 cups”, “a handful”, “about 1 lb”. */
export const startsWithAmount = (t: readonly Token[], ctx: ReadingContext): boolean => {
  const [first] = t;
  if (!first) return false;
  if (first.kind === "number") return true;
  if (deedOf(first.low) === "cover" || deedOf(first.low) === "fill") return false;
  const q = quantityAt({ tokens: t, system: ctx.system, named: () => false }, 0);
  return q !== undefined && !isFault(q) && (q.is !== "vague" || q.word !== "some" || first.low === "some");
};

/** Whether an amount is said of it in more than an article: “a coffee” says none. */
export const saysHowMuch = (x: Thing, t: readonly Token[]): boolean =>
  x.amounts.some(({ q, at }) => {
    const a = q.is === "amount" ? q.amount : undefined;
    return !(a?.kind === "count" && a.unit === "piece" && ["a", "an", "one"].includes(t[at.from]!.low));
  });

/** Whether a row is one of a list of what goes in, rather than a sentence that does something. */
export function isListed({ row, things, acts }: RowRead, ctx: ReadingContext): boolean {
  // A list has no end that is told: the method begins where something is done.
  const first = acts[0];
  if (row.section === "lines") return first?.at !== 0 || ["fill", "cover"].includes(first.deed);
  if (row.section !== undefined || sentencesOf(row.text).length > 1) return false;
  return startsWithAmount(things.tokens, ctx) || acts.length === 0;
}

/** “2:1 vinegar to honey”, “vinegar and honey, 2 to 1”: a line of parts for each. */
function ratioIn({ things, tokens: t }: Things, from: Things, ctx: ReadingContext): Reading | undefined {
  if (things.length !== 2) return undefined;
  const at = t.findIndex(
    (x, k) =>
      x.kind === "number" && (t[k + 1]?.low === ":" || t[k + 1]?.low === "to") && t[k + 2]?.kind === "number",
  );
  if (at < 0) return undefined;
  const between = t.slice(things[0]!.name.to, things[1]!.name.from).map((x) => x.low);
  if (between.length !== 1 || !["to", "and", ":", "&"].includes(between[0]!)) return undefined;
  const parts = [t[at]!.value, t[at + 2]!.value];
  const reads = things.map((x, i) =>
    settleWith(from, { ...x, amounts: [], doubts: [] }, ctx, { kind: "part", count: exactly(parts[i]!) }),
  );
  const lines = reads.flatMap((r) => (r.is === "line" ? [r.line] : []));
  return lines.length === 2 ? { is: "lines", lines } : undefined;
}

/** Reads a row as a line of a list. Nothing where it is a sentence after all. */
export function readListed(r: RowRead, ctx: ReadingContext): Reading | undefined {
  const reading = ratioIn(r.things, r.things, ctx) ?? readThings(r.things, ctx);
  if (reading.is === "line" || reading.is === "lines" || r.row.section === "lines") return reading;
  const does = r.acts.some((a) => a.for || a.reduce || a.toC !== undefined || a.deed === "strain");
  const amount = startsWithAmount(r.things.tokens, ctx);
  const names = r.things.things.some((x) => x.names.length > 0 || saysHowMuch(x, r.things.tokens));
  if (does || (!amount && !names)) return undefined;
  if (reading.is === "fault" && reading.fault.name === "NotAMaterial") return undefined;
  // Without an amount, a sentence that happens to name a plant is a story.
  if (!amount && reading.is !== "fault" && r.things.tokens.length > 8) return undefined;
  return reading;
}
