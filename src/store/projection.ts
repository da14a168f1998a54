import { reckonBatch } from "../core/journal/reckon";
import { heldBy } from "../core/label/held";
import { bestByOf } from "../core/label/label";
import type { Batch } from "../core/journal/fold";
import type { Stored } from "../core/stores/events";
import type { Tx } from "./db";

/** Writes a batch's rows in the read tables, in the transaction of the event that changed it. */
export async function projectBatch(tx: Tx, b: Batch): Promise<void> {
  await tx`insert into batch (id, code, name, kind, state, begun_day, strained_day, bottled_day, vessel, seq)
    values (${b.id}, ${b.code}, ${b.name}, ${b.plan.kind}, ${b.state}, ${b.begunDay}, ${b.strainedDay ?? null}, ${b.bottledDay ?? null}, ${b.frozen.vessel?.id ?? null}, ${b.seq})
    on conflict (id) do update set name = excluded.name, kind = excluded.kind, state = excluded.state, vessel = excluded.vessel, begun_day = excluded.begun_day, strained_day = excluded.strained_day, bottled_day = excluded.bottled_day, seq = excluded.seq`;
  await tx`delete from bottle where batch_id = ${b.id}`;
  if (b.state !== "bottled" || !b.verdict) return;
  const now = reckonBatch(b);
  for (const x of b.bottles) {
    const held = heldBy(b.verdict, now.ok ? now.value : undefined, x.place);
    const bestBy = b.own?.bestBy ?? bestByOf(held.verdict, b.strainedDay ?? b.begunDay, x.place);
    await tx`insert into bottle (id, batch_id, place, at, vessel, name, ml, best_by, shortened) values (${x.id}, ${b.id}, ${x.place}, ${x.at ?? null}, ${x.vessel}, ${x.name}, ${x.ml}, ${bestBy}, ${held.shortened})`;
  }
}

/** Writes a thing of the stores in its read table, in the transaction of the event that changed it. */
export async function projectStored(tx: Tx, s: Stored): Promise<void> {
  await tx`insert into store_item (id, what, item, left_g, bought_g, gone, seq) values (${s.id}, ${s.item.what}, ${tx.json(s.item as never)}, ${s.leftG}, ${s.boughtG}, ${s.gone}, ${s.seq})
    on conflict (id) do update set item = excluded.item, left_g = excluded.left_g, bought_g = excluded.bought_g, gone = excluded.gone, seq = excluded.seq`;
}
