import type { Care, TouchRule } from "../care/care";
import type { Day } from "../day";
import type { Batch } from "./fold";
import { careOfBatch } from "./reckon";

/** A working jar as far as dates go: what it wants, and what was done of it. Kept beside its batch, so that nothing is reckoned to ask for a date. */
export interface Jar {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly begunDay: Day;
  /** How far its journal had come. */
  readonly seq: number;
  readonly changedAt: string;
  readonly care: Care;
  /** Days on which a touch was done, as its entries say. */
  readonly touched: readonly { readonly sort: TouchRule["sort"]; readonly day: Day }[];
}

/** Nothing of a batch that does not work any more, or does not reckon. */
export function jarOf(b: Batch): Jar | undefined {
  const care = b.state === "working" ? careOfBatch(b) : undefined;
  if (!care) return undefined;
  const touched = b.diary.flatMap((e) =>
    e.type === "touched" && !e.correctedBy?.undone
      ? [{ sort: (e.body as { what: TouchRule["sort"] }).what, day: e.day }]
      : [],
  );
  const { id, code, name, begunDay, seq, changedAt } = b;
  return { id, code, name, begunDay, seq, changedAt, care, touched };
}
