import { ENTRIES, type JournalEvent, readBody } from "../core/journal/events";
import { mayFollow } from "../core/journal/may-follow";
import { type Batch, fold } from "../core/journal/fold";
import type { EventType } from "../core/journal/events";
import { outOfOrder } from "../core/journal/in-order";
import type { Fault } from "../core/fault";
import {
  type Refused,
  RefusedAlong,
  type Stream,
  type Write,
  type Written as Done,
  appendWithin,
  lockStream,
  eventsOf,
  toEvent as toEventOf,
  type Row,
} from "./append";
import type { Sql, Tx } from "./db";
import { projectBatch } from "./projection";

export const BATCHES: Stream<Batch, JournalEvent> = {
  kind: "batch",
  entries: ENTRIES,
  begins: "begun",
  readBody,
  fold,
  mayFollow: (batch, type) => mayFollow(batch, type as EventType),
  project: projectBatch,
  outOfOrder,
  called: (b) => b.code,
};

/** The answer to a write to a batch's journal. */
export type Written = Done<Batch> | Refused<Batch>;

export const toEvent = (r: Row): JournalEvent => toEventOf(BATCHES, r);

export const batchOf = async (sql: Sql | Tx, id: string): Promise<Batch | undefined> =>
  fold(await eventsOf(sql, BATCHES, id));

/** Batches by id, in one asking. */
export async function batchesById(sql: Sql, ids: readonly string[]): Promise<ReadonlyMap<string, Batch>> {
  if (ids.length === 0) return new Map();
  const rows = await sql<Row[]>`
    select stream_id, seq, key, type, version, at, recorded_at, day, body from event
    where stream_kind = 'batch' and stream_id in ${sql(ids)} order by seq`;
  return new Map(foldAll(rows).map((b) => [b.id, b]));
}

/** Batches of the rows of their journals, in the order their first rows come. */
export function foldAll(rows: readonly Row[]): Batch[] {
  const streams = new Map<string, JournalEvent[]>();
  for (const r of rows) {
    const e = toEvent(r);
    const mine = streams.get(e.streamId);
    if (mine) mine.push(e);
    else streams.set(e.streamId, [e]);
  }
  return [...streams.values()].flatMap((events) => fold(events) ?? []);
}

/** The next code of a kind, e.g. `OX-26-11`; the number is spent even if nothing comes of it. */
export async function nextCode(tx: Tx, kind: string, year: number): Promise<string> {
  const [row] = await tx<
    { last: number }[]
  >`insert into code_counter (kind, year, last) values (${kind}, ${year}, 1) on conflict (kind, year) do update set last = code_counter.last + 1 returning last`;
  return `${kind}-${String(year % 100).padStart(2, "0")}-${String(row!.last).padStart(2, "0")}`;
}

/**
 * Appends one event to a batch, in a transaction of its own; see `appendWithin`.
 * @param also what else is written in the same transaction once the event stands
 * @param along every stream that is written to in it, where there are several
 */
export async function append(
  sql: Sql,
  w: Write,
  complete: (
    tx: Tx,
    batch: Batch | undefined,
    day: string,
    before: readonly JournalEvent[],
  ) => Promise<unknown | Fault>,
  also?: (tx: Tx, batch: Batch) => Promise<void>,
  along: readonly string[] = [],
): Promise<Written> {
  const done = sql.begin(async (tx): Promise<Written> => {
    // In one order, whichever of them it is written to first: two hands at two jars would wait for each other.
    for (const id of [...along].sort()) await lockStream(tx, id);
    const written = await appendWithin(tx, BATCHES, w, complete);
    if (written.ok && !written.already) await also?.(tx, written.state);
    return written;
  }) as Promise<Written>;
  return done.catch((e: unknown): Written => {
    if (!(e instanceof RefusedAlong)) throw e;
    return { ok: false, status: 409, fault: e.fault };
  });
}
