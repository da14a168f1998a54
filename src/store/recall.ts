import { neverAtTheDoor } from "../core/cautions/door";
import { filledOf, foldBottle } from "../core/cellar/bottle";
import { type RecalledBatch, type RecalledNever, whoHad } from "../core/cellar/recall";
import { type Day, dayAt } from "../core/day";
import { reckonBatch } from "../core/journal/reckon";
import type { Person } from "../core/people/person";
import { drawnBy } from "../core/stores/events";
import type { Lot } from "../core/stores/item";
import { eventsOf } from "./append";
import { streamOf } from "./bottles";
import { now } from "./clock";
import type { Sql } from "./db";
import { household } from "./household";
import { batchOf } from "./journal";
import { STORED, stores } from "./stores";

type Row = Omit<RecalledBatch, "bottles" | "grams" | "nevers">;

/** A batch's bottles, and what those who had some of them should never have had. */
async function withBottle(
  sql: Sql,
  row: Row,
  grams: number | undefined,
  { people, today }: { readonly people: readonly Person[]; readonly today: Day },
): Promise<RecalledBatch> {
  const batch = (await batchOf(sql, row.id))!;
  const bottles = await Promise.all(
    filledOf(batch).map(async (f) => {
      const events = await eventsOf(sql, streamOf(batch, f), f.id);
      return { f, b: foldBottle(f, events), had: whoHad(events) };
    }),
  );
  const had = [...new Set(bottles.flatMap((x) => x.had))];
  const made = had.length > 0 ? reckonBatch(batch) : undefined;
  const nevers = had.flatMap((who): RecalledNever[] => {
    const never = made?.ok
      ? neverAtTheDoor(made.value, { who, meantFor: undefined, people, today })
      : undefined;
    return never ? [{ who, says: never.says }] : [];
  });
  return {
    ...row,
    grams,
    nevers,
    bottles: bottles.map(({ f, b }) => ({
      ...{ id: f.id, number: f.number, state: b.state, place: b.place },
      ...{ leftMl: b.leftMl, goneDay: b.goneDay, goneWords: b.goneWords },
    })),
  };
}

const withBottles = async (
  sql: Sql,
  rows: readonly Row[],
  grams: ReadonlyMap<string, number>,
): Promise<RecalledBatch[]> => {
  const [{ people }, { zone }] = await Promise.all([stores(sql), household(sql)]);
  const around = { people, today: dayAt(now(), zone) };
  return Promise.all(rows.map((row) => withBottle(sql, row, grams.get(row.code), around)));
};

/** How far a batch is followed on: a bottle of a bottle of a bottle. */
const GENERATIONS = 8;

/** The batches that any of these went into, one after another, by bottle or marc. */
async function followedOn(
  sql: Sql,
  ids: readonly string[],
): Promise<readonly (Row & { readonly from: readonly string[] })[]> {
  const found = new Map<string, Row & { readonly from: readonly string[] }>();
  let front = [...ids];
  for (let n = 0; n < GENERATIONS && front.length > 0; n++) {
    const rows = await sql<(Row & { from: string[] })[]>`
      select id, code, name, state, begun_day as begun,
        (select array_agg(c.code order by c.code) from batch c where c.id = any(batch.comes_from)) as "from"
      from batch where comes_from && ${front}::uuid[] and state <> 'undone' order by begun_day, code`;
    front = rows.filter((r) => !found.has(r.id) && !ids.includes(r.id)).map((r) => r.id);
    for (const r of rows) if (!ids.includes(r.id)) found.set(r.id, found.get(r.id) ?? r);
  }
  return [...found.values()];
}

/** Batches, and after them whatever they went into. */
async function withFollowing(
  sql: Sql,
  rows: readonly Row[],
  grams: ReadonlyMap<string, number>,
): Promise<RecalledBatch[]> {
  const on = await followedOn(
    sql,
    rows.map((r) => r.id),
  );
  return withBottles(sql, [...rows, ...on], grams);
}

/** Where one batch went, into other batches too. */
export const recallOfBatch = async (sql: Sql, id: string): Promise<RecalledBatch[]> =>
  withFollowing(
    sql,
    await sql<Row[]>`select id, code, name, state, begun_day as begun from batch where id = ${id}`,
    new Map(),
  );

/** The batches whose bottles or marc a batch was made of, and those its own went into. */
export const kinOfBatch = async (
  sql: Sql,
  id: string,
): Promise<{ readonly madeOf: readonly BatchName[]; readonly wentInto: readonly BatchName[] }> => ({
  madeOf: await sql<BatchName[]>`
    select id, code, name from batch where id = any(select unnest(comes_from) from batch where id = ${id}) order by code`,
  wentInto: await sql<BatchName[]>`
    select id, code, name from batch where comes_from && array[${id}]::uuid[] and state <> 'undone' order by begun_day, code`,
});
export interface BatchName {
  readonly id: string;
  readonly code: string;
  readonly name: string;
}

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
  return { lot: item, batches: await withFollowing(sql, rows, grams) };
}
