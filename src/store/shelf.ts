import type { JournalEvent } from "../core/journal/events";
import type { Batch } from "../core/journal/fold";
import type { BatchState } from "../core/journal/fold";
import type { Course } from "../core/cellar/course";
import type { CellarBottle } from "../core/cellar/on-shelf";
import type { SupplyBottle } from "../core/cellar/supply";
import type { Kind } from "../core/plan/plan";
import type { Jar } from "../core/journal/jar";
import type { Busy } from "../core/stores/free";
import type { Sql } from "./db";
import { foldAll, toEvent } from "./journal";

/** The batches that still want something: working, or strained and not yet bottled. Reads only their own journals. */
export const live = async (sql: Sql): Promise<Batch[]> => foldAll(await liveRows(sql));

/** The entries of every working or strained batch. */
export const liveEvents = async (sql: Sql): Promise<readonly JournalEvent[]> =>
  (await liveRows(sql)).map(toEvent);

const liveRows = (sql: Sql): Promise<readonly Row[]> => sql<Row[]>`
    select e.stream_id, e.seq, e.key, e.type, e.version, e.at, e.recorded_at, e.day, e.body from event e
    join batch b on b.id = e.stream_id and b.state in ('working', 'strained')
    where e.stream_kind = 'batch' order by b.begun_day, b.code, e.seq`;
type Row = Parameters<typeof toEvent>[0];

/** The working jars as far as dates go. */
export async function jars(sql: Sql): Promise<Jar[]> {
  const rows = await sql<{ jar: Jar }[]>`
    select jar from batch where state = 'working' and jar is not null order by begun_day, code`;
  return rows.map((r) => r.jar);
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

/** Bottles by batch, place and day, first to go first: all of them, or those whose day comes by `until`. */
export async function cellar(sql: Sql, until?: string): Promise<CellarLine[]> {
  return sql<CellarLine[]>`
    select b.id as batch_id, b.code, b.name, b.kind, count(*)::int as bottles, sum(x.left_ml)::float8 as ml, x.place, x.best_by, bool_or(x.shortened) as shortened
    from bottle x join batch b on b.id = x.batch_id
    where x.state = 'kept' and x.best_by <= coalesce(${until ?? null}::date, 'infinity'::date)
    group by b.id, b.code, b.name, b.kind, x.place, x.best_by order by x.best_by, b.code`;
}

/** How many bottles there are. */
export async function bottlesKept(sql: Sql): Promise<number> {
  const [row] = await sql<{ n: number }[]>`select count(*)::int as n from bottle where state = 'kept'`;
  return row!.n;
}

/** Vessels that hold a working batch: their catalogue id or own id, and the batch that stands in them. */
export async function busyVessels(sql: Sql): Promise<Busy[]> {
  return sql<
    Busy[]
  >`select vessel, code from batch where state = 'working' and vessel is not null order by begun_day, code`;
}

/** Batches begun on a day or since, whatever became of them, but for those that never were. */
export const batchesBegunSince = (
  sql: Sql,
  since: string,
): Promise<{ name: string; kind: Kind; day: string }[]> =>
  sql`select name, kind, begun_day as day from batch where begun_day >= ${since} and state <> 'undone' order by begun_day, code`;

export interface BatchLine {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly kind: Kind;
  readonly state: BatchState;
  readonly begun_day: string;
  /** Its bottles in order: what stands in each, mL; nothing in what is gone. */
  readonly bottles: readonly { readonly vessel: string; readonly left: number; readonly open: boolean }[];
}

/** The years in which something was begun, newest first, with how many batches. */
export const batchYears = (sql: Sql): Promise<{ year: number; batches: number }[]> =>
  sql<{ year: number; batches: number }[]>`
    select extract(year from begun_day)::int as year, count(*)::int as batches from batch group by 1 order by 1 desc`;

/** Every batch begun in a year, whatever became of it, newest first. */
export const batchesOf = (sql: Sql, year: number): Promise<BatchLine[]> =>
  sql<BatchLine[]>`
    select id, code, name, kind, state, begun_day, coalesce((
        select json_agg(json_build_object('vessel', x.vessel, 'left', case when x.state = 'kept' then x.left_ml else 0 end,
          'open', x.opened_day is not null) order by x.number)
        from bottle x where x.batch_id = batch.id), '[]') as bottles
    from batch where begun_day >= make_date(${year}, 1, 1) and begun_day < make_date(${year + 1}, 1, 1) order by begun_day desc, code desc`;

/** Batches that stood in a year: begun, strained or bottled, and the last day any bottle of it was good for. */
export const standingIn = (
  sql: Sql,
  year: number,
): Promise<
  { id: string; code: string; name: string; begun: string; ready: string | null; until: string | null }[]
> =>
  sql`
    select b.id, b.code, b.name, b.begun_day as begun, coalesce(b.bottled_day, b.strained_day) as ready,
      (select max(x.best_by) from bottle x where x.batch_id = b.id) as until
    from batch b
    where b.state in ('working', 'strained', 'bottled') and b.begun_day < make_date(${year + 1}, 1, 1)
      and b.begun_day >= make_date(${year - 4}, 1, 1)
    order by b.begun_day, b.code`;

/** Every bottle that stands somewhere, first to use first: by its day, an opened one before a closed one, then the oldest. */
export const cellarBottles = (sql: Sql): Promise<CellarBottle[]> =>
  sql<CellarBottle[]>`
    select x.id, x.batch_id, b.code, b.name, b.kind, x.number, x.vessel, x.place, x.at, x.ml, x.left_ml, x.best_by, x.opened_day, x.shortened, x.state
    from bottle x join batch b on b.id = x.batch_id where x.state = 'kept'
    order by x.best_by, x.opened_day is null, b.begun_day, b.code, x.number`;

/** How far back use is learned from. */
const LOOKED_BACK = "2 years";

/** A remedy the household makes, and how far its bottles' journals had come. */
export interface Remedy {
  readonly name: string;
  readonly kind: Kind;
  /** The courses laid down for what stands there, in the order of its bottles. */
  readonly courses: readonly Course[] | null;
  /** The batch it would be made after. */
  readonly newest: string;
  /** Moves with every entry of its batches and bottles. */
  readonly stamp: string;
}

const LATELY = (sql: Sql, today: string) =>
  sql`(x.gone_day is null or x.gone_day > ${today}::date - ${LOOKED_BACK}::interval)`;

/** Remedies that are or were in the cellar these two years, by name. */
export async function remedies(sql: Sql, today: string): Promise<Remedy[]> {
  return sql<Remedy[]>`
    select min(b.name) as name, b.kind, (array_agg(b.id order by b.begun_day desc, b.code desc))[1] as newest,
      json_agg(x.course order by x.course->>'from', x.number) filter (where x.state = 'kept' and x.course is not null) as "courses",
      count(*) || '.' || sum(x.seq) || '.' || sum(b.seq) as stamp
    from bottle x join batch b on b.id = x.batch_id where ${LATELY(sql, today)}
    group by lower(b.name), b.kind order by 1`;
}

/** Every bottle of a remedy that tells how long it lasts. */
export async function bottlesOfRemedy(
  sql: Sql,
  r: Pick<Remedy, "name" | "kind">,
  today: string,
): Promise<SupplyBottle[]> {
  return sql<SupplyBottle[]>`
    select x.filled_day as filled, x.gone_day as gone, x.best_by as "bestBy", x.taken,
      case when x.state = 'kept' then x.left_ml else 0 end as "leftMl"
    from bottle x join batch b on b.id = x.batch_id
    where lower(b.name) = lower(${r.name}) and b.kind = ${r.kind} and ${LATELY(sql, today)}
    order by x.filled_day, x.id`;
}

/** A day on which bottles of a batch in one place are past their best, and when anything of them was last changed. */
export interface BottleDates {
  readonly batch_id: string;
  readonly code: string;
  readonly name: string;
  readonly place: string;
  readonly best_by: string;
  readonly bottles: number;
  readonly changes: number;
  readonly changed_at: Date;
}

/** Best-by days of every bottle that stands somewhere, by batch and place. */
export const bottleDates = (sql: Sql): Promise<BottleDates[]> =>
  sql<BottleDates[]>`
    select b.id as batch_id, b.code, b.name, x.place, x.best_by, count(*)::int as bottles, (b.seq + sum(x.seq))::int as changes,
      greatest(max(c.at), (select max(recorded_at) from event where stream_id = b.id)) as changed_at
    from bottle x join batch b on b.id = x.batch_id
    left join lateral (select max(recorded_at) as at from event where stream_id = x.id) c on true
    where x.state = 'kept'
    group by b.id, b.code, b.name, x.place, x.best_by order by x.best_by, b.code, x.place`;
