import type { Batch } from "../core/journal/fold";
import { fold } from "../core/journal/fold";
import type { JournalEvent } from "../core/journal/events";
import type { Busy } from "../core/stores/free";
import type { Sql } from "./db";
import { toEvent } from "./journal";

/** The batches that still want something: working, or strained and not yet bottled. Reads only their own journals. */
export async function live(sql: Sql): Promise<Batch[]> {
  const rows = await sql<Parameters<typeof toEvent>[0][]>`
    select e.stream_id, e.seq, e.key, e.type, e.version, e.at, e.recorded_at, e.day, e.body from event e
    join batch b on b.id = e.stream_id and b.state in ('working', 'strained')
    where e.stream_kind = 'batch' order by b.begun_day, b.code, e.seq`;
  const streams = new Map<string, JournalEvent[]>();
  for (const r of rows) {
    const e = toEvent(r);
    streams.set(e.streamId, [...(streams.get(e.streamId) ?? []), e]);
  }
  return [...streams.values()].flatMap((events) => fold(events) ?? []);
}

export interface CellarLine {
  readonly batch_id: string;
  readonly code: string;
  readonly name: string;
  readonly kind: string;
  readonly bottles: number;
  readonly ml: number;
  readonly place: string;
  readonly best_by: string;
  /** Today's rules promise less than its label: a new one is wanted. */
  readonly shortened: boolean;
}

/** Bottles by batch and place, first to go first; `most` of them. */
export async function cellar(sql: Sql, most = 60): Promise<CellarLine[]> {
  return sql<CellarLine[]>`
    select b.id as batch_id, b.code, b.name, b.kind, count(*)::int as bottles, sum(x.ml)::float8 as ml, x.place, x.best_by, bool_or(x.shortened) as shortened
    from bottle x join batch b on b.id = x.batch_id
    group by b.id, b.code, b.name, b.kind, x.place, x.best_by order by x.best_by, b.code limit ${most}`;
}

/** Vessels that hold a working batch: their catalogue id or own id, and the batch that stands in them. */
export async function busyVessels(sql: Sql): Promise<Busy[]> {
  return sql<
    Busy[]
  >`select vessel, code from batch where state = 'working' and vessel is not null order by begun_day, code`;
}
