import { jarOf } from "../core/journal/jar";
import { keptBackOf } from "../core/journal/kept-back";
import { reckonBatch, reckonMade } from "../core/journal/reckon";
import { heldBy } from "../core/label/held";
import { bestByOfBottle } from "../core/label/clock";
import {
  type BottleEvent,
  type BottleNow,
  filledOf,
  foldBottle,
  readBottleBody,
} from "../core/cellar/bottle";
import type { PlaceClass } from "../core/journal/events";
import type { Batch } from "../core/journal/fold";
import { comesFrom } from "../core/journal/ours";
import { whoHad } from "../core/cellar/recall";
import { asFound, foundBy } from "../core/journal/found-by";
import type { Stored } from "../core/stores/events";
import { type Row, type Stream, toEvent } from "./append";
import type { Tx } from "./db";

/** Writes a batch's rows in the read tables, in the transaction of the event that changed it. */
export async function projectBatch(tx: Tx, b: Batch): Promise<void> {
  const open = b.state === "working" || b.state === "strained";
  const probe = open ? (b.stove.probe ?? null) : null;
  const jar = jarOf(b);
  const moved = b.stove.window ? tx.json(b.stove.window as never) : null;
  await tx`insert into batch (id, code, name, kind, state, begun_day, strained_day, bottled_day, vessel, found_by, probe, moved_window, recipe, recipe_version, comes_from, jar, seq)
    values (${b.id}, ${b.code}, ${b.name}, ${b.plan.kind}, ${b.state}, ${b.begunDay}, ${b.strainedDay ?? null}, ${b.bottledDay ?? null}, ${b.frozen.vessel?.id ?? null}, ${foundBy(b)}, ${probe}, ${moved}, ${b.recipe?.id ?? null}, ${b.recipe?.version ?? null}, ${[...comesFrom(b.plan)]}::uuid[], ${jar ? tx.json(jar as never) : null}, ${b.seq})
    on conflict (id) do update set name = excluded.name, kind = excluded.kind, state = excluded.state, vessel = excluded.vessel, found_by = excluded.found_by, begun_day = excluded.begun_day, strained_day = excluded.strained_day, bottled_day = excluded.bottled_day,
      probe = excluded.probe, moved_window = excluded.moved_window, recipe = excluded.recipe, recipe_version = excluded.recipe_version, comes_from = excluded.comes_from, jar = excluded.jar, seq = excluded.seq`;
  await projectClocks(tx, b, open);
  await projectKeptBack(tx, b);
  await tx`delete from bottle where batch_id = ${b.id}`;
  if (b.state !== "bottled" || !b.verdict) return;
  const now = reckonBatch(b);
  const reckoning = now.ok ? now.value : undefined;
  const { verdict: issued, own } = b;
  const events = await bottleEvents(tx, b);
  for (const [i, f] of filledOf(b).entries()) {
    const x = b.bottles[i]!;
    const is = foldBottle(f, events.get(x.id) ?? []);
    const held = (place: PlaceClass) => heldBy(issued, reckoning, place);
    const bestBy = bestByOfBottle(is, (place) => held(place).verdict, own?.bestBy);
    await tx`insert into bottle (id, batch_id, place, at, vessel, name, ml, best_by, shortened, number, state, left_ml, opened_day, filled_day, gone_day, taken, course, by_people, seq)
      values (${x.id}, ${b.id}, ${is.place}, ${is.at ?? null}, ${x.vessel}, ${x.name}, ${x.ml}, ${bestBy}, ${held(is.place).shortened},
        ${is.number}, ${is.state}, ${is.leftMl}, ${is.openedDay ?? null}, ${f.filled}, ${is.goneDay ?? null}, ${tx.json(is.taken as never)}, ${is.course ? tx.json(is.course as never) : null}, ${namesIn(events.get(x.id) ?? [])}, ${is.seq})`;
  }
}

/** Everybody a bottle's journal names, as they are sought. */
const namesIn = (events: readonly BottleEvent[]): string => asFound([...whoHad(events)]);

/** What its straining kept in the cloth, where it was measured. */
async function projectKeptBack(tx: Tx, b: Batch): Promise<void> {
  await tx`delete from kept_back where batch_id = ${b.id}`;
  if (b.strainedDay === undefined || b.state === "undone") return;
  const r = reckonMade(b);
  const is = r.ok ? keptBackOf(r.value.program) : undefined;
  if (is)
    await tx`insert into kept_back (batch_id, class, how, share, day) values (${b.id}, ${is.class}, ${is.how}, ${is.share}, ${b.strainedDay})`;
}

/** Clocks that run, or rang and were not stopped. */
async function projectClocks(tx: Tx, b: Batch, open: boolean): Promise<void> {
  await tx`delete from clock where batch_id = ${b.id}`;
  if (!open) return;
  for (const c of b.stove.clocks)
    if (c.stoppedAt === undefined)
      await tx`insert into clock (batch_id, clock, words, low_min, high_min, started_at)
        values (${b.id}, ${c.id}, ${c.words}, ${c.low}, ${c.high}, ${c.startedAt})`;
}

/** Entries of a batch's bottles, by bottle. */
async function bottleEvents(tx: Tx, b: Batch): Promise<ReadonlyMap<string, BottleEvent[]>> {
  const rows = await tx<Row[]>`
    select stream_id, seq, key, type, version, at, recorded_at, day, body from event
    where stream_kind = 'bottle' and stream_id = any(${b.bottles.map((x) => x.id)}::uuid[]) order by stream_id, seq`;
  const by = new Map<string, BottleEvent[]>();
  for (const r of rows) {
    const e = toEvent({ readBody: readBottleBody } as Pick<Stream<BottleNow, BottleEvent>, "readBody">, r);
    by.set(r.stream_id, [...(by.get(r.stream_id) ?? []), e]);
  }
  return by;
}

/** Writes a thing of the stores in its read table, in the transaction of the event that changed it. */
export async function projectStored(tx: Tx, s: Stored): Promise<void> {
  await tx`insert into store_item (id, what, item, left_g, bought_g, gone, seq) values (${s.id}, ${s.item.what}, ${tx.json(s.item as never)}, ${s.leftG}, ${s.boughtG}, ${s.gone}, ${s.seq})
    on conflict (id) do update set item = excluded.item, left_g = excluded.left_g, bought_g = excluded.bought_g, gone = excluded.gone, seq = excluded.seq`;
}
