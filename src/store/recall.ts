import type { RecalledBatch, RecalledBottle } from "../core/cellar/recall";
import { drawnBy } from "../core/stores/events";
import type { Lot } from "../core/stores/item";
import { eventsOf } from "./append";
import { bottleOf } from "./bottles";
import type { Sql } from "./db";
import { STORED } from "./stores";

type Row = Omit<RecalledBatch, "bottles" | "grams">;

async function bottlesOf(sql: Sql, batchId: string): Promise<RecalledBottle[]> {
  const rows = await sql<Omit<RecalledBottle, "goneWords">[]>`
    select id, number, name, state, place, left_ml as "leftMl", gone_day as "goneDay" from bottle where batch_id = ${batchId} order by number`;
  return Promise.all(
    rows.map(async (b) => ({
      ...b,
      goneWords: b.state === "kept" ? undefined : (await bottleOf(sql, b.id))?.bottle.goneWords,
    })),
  );
}

const withBottles = (
  sql: Sql,
  rows: readonly Row[],
  grams: ReadonlyMap<string, number>,
): Promise<RecalledBatch[]> =>
  Promise.all(
    rows.map(async (b) => ({ ...b, grams: grams.get(b.code), bottles: await bottlesOf(sql, b.id) })),
  );

/** Where one batch went. */
export const recallOfBatch = async (sql: Sql, id: string): Promise<RecalledBatch[]> =>
  withBottles(
    sql,
    await sql<Row[]>`select id, code, name, state, begun_day as begun from batch where id = ${id}`,
    new Map(),
  );

/** A lot and every batch that took of it, with its bottles; nothing where there is no such lot. */
export async function recallOfLot(
  sql: Sql,
  id: string,
): Promise<{ readonly lot: Lot; readonly batches: readonly RecalledBatch[] } | undefined> {
  const events = await eventsOf(sql, STORED, id);
  const item = STORED.fold(events)?.item;
  if (item?.what !== "lot") return undefined;
  const grams = drawnBy(events);
  const rows = await sql<Row[]>`
    select id, code, name, state, begun_day as begun from batch where code = any(${[...grams.keys()]}) and state <> 'undone' order by begun_day, code`;
  return { lot: item, batches: await withBottles(sql, rows, grams) };
}
