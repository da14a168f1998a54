import { bestByOf } from "../core/label/label";
import { type Batch, fold } from "../core/journal/fold";
import type { Sql, Tx } from "./db";
import { type JournalEvent } from "../core/journal/events";
import { toEvent } from "./journal";

/** Writes a batch's rows in the read tables, in the transaction of the event that changed it. */
export async function project(tx: Tx, b: Batch): Promise<void> {
  await tx`insert into batch (id, code, name, kind, state, begun_day, strained_day, bottled_day, vessel, seq)
    values (${b.id}, ${b.code}, ${b.name}, ${b.plan.kind}, ${b.state}, ${b.begunDay}, ${b.strainedDay ?? null}, ${b.bottledDay ?? null}, ${b.frozen.vessel?.id ?? null}, ${b.seq})
    on conflict (id) do update set name = excluded.name, kind = excluded.kind, state = excluded.state, begun_day = excluded.begun_day, strained_day = excluded.strained_day, bottled_day = excluded.bottled_day, seq = excluded.seq`;
  await tx`delete from bottle where batch_id = ${b.id}`;
  if (b.state !== "bottled" || !b.verdict) return;
  for (const x of b.bottles) {
    const bestBy = b.own?.bestBy ?? bestByOf(b.verdict, b.strainedDay ?? b.begunDay, x.place);
    await tx`insert into bottle (id, batch_id, place, vessel, name, ml, best_by) values (${x.id}, ${b.id}, ${x.place}, ${x.vessel}, ${x.name}, ${x.ml}, ${bestBy})`;
  }
}

/** Makes the read tables anew from the journal alone. */
export async function rebuild(sql: Sql): Promise<number> {
  return (await sql.begin(async (tx) => {
    await tx`lock table batch, bottle in exclusive mode`;
    await tx`delete from bottle`;
    await tx`delete from batch`;
    const rows = await tx<Parameters<typeof toEvent>[0][]>`select stream_id, seq, key, type, version, at, day, body from event where stream_kind = 'batch' order by stream_id, seq`;
    const streams = new Map<string, JournalEvent[]>();
    for (const r of rows) {
      const e = toEvent(r);
      const mine = streams.get(e.streamId);
      if (mine) mine.push(e);
      else streams.set(e.streamId, [e]);
    }
    for (const events of streams.values()) {
      const b = fold(events);
      if (b) await project(tx, b);
    }
    return streams.size;
  })) as number;
}
