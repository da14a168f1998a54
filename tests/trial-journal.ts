import type { Plan } from "../src/core/plan/plan";
import { resolve } from "../src/core/reckoning/resolve";
import { ENTRIES, type EventType, type JournalEvent } from "../src/core/journal/events";
import { type Batch, fold } from "../src/core/journal/fold";
import { freeze } from "../src/core/journal/freeze";

/*
 * Small journals for the core's tests: what was said of a batch, by the minute.
 */
const START = Date.parse("2026-11-24T09:00:00Z");
export const startMs = START;

/** An entry: the minute after the beginning, its type and its body. */
export type Said = readonly [minute: number, type: EventType, body: unknown];

/** The entries of a batch begun by a plan, with what was said of it after. Throws where the plan cannot be reckoned. */
export function journalOf(plan: Plan, ...said: readonly Said[]): JournalEvent[] {
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const begun = { code: "SY-26-01", plan, frozen: freeze(program.value) };
  const all: readonly Said[] = [[0, "begun", begun], ...said];
  return all.map(([minute, type, body], i) => {
    const at = new Date(START + minute * 60_000).toISOString();
    return {
      ...{ type, version: ENTRIES[type].version, streamId: "s", seq: i + 1, key: `k${i}` },
      ...{ at, recordedAt: at, day: at.slice(0, 10), body },
    } as JournalEvent;
  });
}

export const batchOf = (plan: Plan, ...said: readonly Said[]): Batch => fold(journalOf(plan, ...said))!;
