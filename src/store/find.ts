import type { PendingQuery, Row } from "postgres";
import type { PlaceClass } from "../core/journal/events";
import { type Sought, asFound, soughtIn } from "../core/journal/found-by";
import { MATERIALS } from "../core/material/catalogue";
import type { Place } from "../core/stores/settings";
import type { Sql } from "./db";
import { storedItems } from "./stores";

/** One thing that was found, and the page it stands on. */
export interface Found {
  readonly sort: "batch" | "bottle" | "store" | "recipe";
  readonly id: string;
  /** “SY-26-01·3”, “OX-26-02”, “hyssop”. */
  readonly called: string;
  readonly name: string;
  /** Where it stands or what became of it; a day where one belongs to it. */
  readonly place: PlaceClass | undefined;
  readonly at: string | undefined;
  readonly state: string;
  readonly day: string | undefined;
  /** A bottle whose day is behind it. */
  readonly past: boolean;
}
export interface Finding {
  readonly found: readonly Found[];
  /** How many more there are of each sort than are listed. */
  readonly more: number;
}

const MOST = 8;
/** A part of a statement. */
type Part = PendingQuery<Row[]>;

/** Words a place goes by besides its own name. */
const PLACE_SAID: Readonly<Record<PlaceClass, string>> = {
  cupboard: " cupboard shelf pantry ",
  "cool-dark": " cool dark cellar stairs ",
  fridge: " fridge refrigerator cold ",
  freezer: " freezer ice box icebox frozen ",
};

/** A condition that a text holds a word, at the beginning of one of its own: as typed, or as one of the thing. */
const begins = (sql: Sql, text: Part, { word, one }: Sought): Part =>
  // What begins with “hyssops” begins with “hyssop” too.
  word.startsWith(one)
    ? sql`strpos(${text}, ${` ${one}`}) > 0`
    : sql`(strpos(${text}, ${` ${word}`}) > 0 or strpos(${text}, ${` ${one}`}) > 0)`;
/** A condition that every word that is sought is held by one of some texts; the first that has it is the last that is read. */
const holding = (sql: Sql, sought: readonly Sought[], texts: readonly Part[]): Part =>
  sought.reduce<Part>(
    (all, s) => {
      const one = texts.reduce<Part>((any, text) => sql`${any} or ${begins(sql, text, s)}`, sql`false`);
      return sql`${all} and (${one})`;
    },
    sql`true`,
  );
/** How many of the words a batch or a recipe bears in its own name. */
const named = (sql: Sql, sought: readonly Sought[], name: Part): Part =>
  sought.reduce<Part>(
    (sum, { one }) => sql`${sum} + (strpos(' ' || replace(lower(${name}), '-', ' '), ${` ${one}`}) > 0)::int`,
    sql`0`,
  );

async function bottles(
  sql: Sql,
  sought: readonly Sought[],
  places: readonly Place[],
  today: string,
): Promise<Finding> {
  const named = Object.fromEntries(places.map((p) => [p.id, asFound([p.name])]));
  const own = sql`(' ' || lower(b.code) || '·' || x.number || (${sql.json(PLACE_SAID)}::jsonb ->> x.place)
    || coalesce(${sql.json(named)}::jsonb ->> x.at, '') || case when x.best_by < ${today}::date then ' past ' else '' end
    || case when x.opened_day is null then ' closed unopened ' else ' open opened ' end || x.by_people || x.state || ' bottle bottles ' || x.number || ' ')`;
  const rows = await sql<(Found & { n: number })[]>`
    select 'bottle' as sort, x.id, b.code || '·' || x.number as called, b.name, x.place, x.at, x.state, x.best_by as day, x.state = 'kept' and x.best_by < ${today}::date as past, count(*) over ()::int as n
    from bottle x join batch b on b.id = x.batch_id where ${holding(sql, sought, [sql`b.found_by`, own])}
    order by x.state <> 'kept', x.best_by, b.code, x.number limit ${MOST}`;
  return { found: rows.map(({ n: _, ...f }) => f), more: (rows[0]?.n ?? 0) - rows.length };
}

async function batches(sql: Sql, sought: readonly Sought[]): Promise<Finding> {
  const rows = await sql<(Found & { n: number })[]>`
    select 'batch' as sort, b.id, b.code as called, b.name, b.state, b.begun_day as day, false as past, count(*) over ()::int as n
    from batch b where ${holding(sql, sought, [sql`b.found_by`])}
    order by ${named(sql, sought, sql`b.name`)} desc, array_position(array['working', 'strained', 'bottled'], b.state) nulls last, b.begun_day desc, b.code desc limit ${MOST}`;
  return { found: rows.map(({ n: _, ...f }) => f), more: (rows[0]?.n ?? 0) - rows.length };
}

async function recipes(sql: Sql, sought: readonly Sought[]): Promise<Finding> {
  const rows = await sql<(Found & { n: number })[]>`
    select 'recipe' as sort, r.id, '' as called, r.name, 'recipe' as state, r.day, false as past, count(*) over ()::int as n
    from recipe r where not r.put_away and ${holding(sql, sought, [sql`r.found_by`])} order by ${named(sql, sought, sql`r.name`)} desc, lower(r.name), r.id limit ${MOST}`;
  return { found: rows.map(({ n: _, ...f }) => f), more: (rows[0]?.n ?? 0) - rows.length };
}

/** What of the stores a question means, by every name of it. */
async function stored(sql: Sql, sought: readonly Sought[]): Promise<Finding> {
  const all = (await storedItems(sql)).flatMap((s): Found[] => {
    if (s.gone || s.item.what !== "lot") return [];
    const names = MATERIALS.get(s.item.material)?.row.names ?? [
      s.item.material.replace(/^own-/, "").replace(/-/g, " "),
    ];
    const text = asFound([...names, s.item.form, s.item.from, "stores lot"]);
    if (!sought.every(({ word, one }) => text.includes(` ${word}`) || text.includes(` ${one}`))) return [];
    const state = `${Math.round(s.leftG)} g`;
    return [
      {
        sort: "store",
        id: s.id,
        called: "",
        name: names[0]!,
        place: undefined,
        at: undefined,
        state,
        day: s.item.got,
        past: false,
      },
    ];
  });
  return { found: all.slice(0, MOST), more: Math.max(0, all.length - MOST) };
}

/** Whether a question means bottles before batches: a bottle's number, a place, a state of bottles. */
const MEANS_BOTTLES =
  /·|^(?:bottles?|past|open(?:ed)?|closed|unopened|cupboard|fridge|freezer|ice|icebox|frozen|pantry)$/;

/** Everything a question finds: batches, bottles and what is in the stores, what is kept before what is gone. */
export async function find(
  sql: Sql,
  question: string,
  places: readonly Place[],
  today: string,
): Promise<Finding> {
  const sought = soughtIn(question);
  if (sought.length === 0) return { found: [], more: 0 };
  const [a, b, c, d] = await Promise.all([
    batches(sql, sought),
    bottles(sql, sought, places, today),
    stored(sql, sought),
    recipes(sql, sought),
  ]);
  const order = sought.some((s) => MEANS_BOTTLES.test(s.word)) ? [b, a, d, c] : [a, b, d, c];
  return { found: order.flatMap((f) => f.found), more: order.reduce((n, f) => n + f.more, 0) };
}
