import { UnreadableEvent } from "../core/envelope";
import { RULES_VERSION } from "../core/reckoning/reckon";
import { reckonBatch } from "../core/journal/reckon";
import { type Row, toEvent } from "./append";
import type { Sql, Tx } from "./db";
import { heldTooMuch } from "./effects";
import { STREAMS } from "./exchange";
import { misplaced } from "./follows";
import { BATCHES, batchOf } from "./journal";
import { remake } from "./rebuild";

/** Something that is not as it should be, and what would mend it. */
export interface Finding {
  readonly what: string;
  readonly mend: string;
  /** `--mend` mends it, and loses nothing by it. */
  readonly mendable: boolean;
}

const AT_A_TIME = 1000;

/** A journal entry that does not read, a gap in a stream, or a stream whose writing runs backward. */
async function journalFindings(sql: Sql): Promise<Finding[]> {
  const found: Finding[] = [];
  const say = (what: string): void => {
    if (found.length < 20)
      found.push({
        what,
        mend: "Restore the newest backup into a new household and compare; the journal is never changed in place.",
        mendable: false,
      });
  };
  let before: { stream: string; seq: number; recorded: string } | undefined;
  const rows = sql<(Row & { stream_kind: keyof typeof STREAMS })[]>`
    select stream_kind, stream_id, seq, key, type, version, at, recorded_at, day, body from event order by stream_kind, stream_id, seq`;
  for await (const some of rows.cursor(AT_A_TIME))
    for (const r of some) {
      const same = before?.stream === r.stream_id ? before : undefined;
      const entry = `Entry ${r.seq} of the ${r.stream_kind} ${r.stream_id}`;
      if (r.seq !== (same?.seq ?? 0) + 1) say(`${entry} follows ${same ? `entry ${same.seq}` : "nothing"}.`);
      const recorded = r.recorded_at.toISOString();
      if (same && recorded < same.recorded) say(`${entry} was written down before the one it follows.`);
      try {
        toEvent(STREAMS[r.stream_kind], r);
      } catch (e) {
        say(`${entry} cannot be read: ${(e as Error).message}.`);
      }
      before = { stream: r.stream_id, seq: r.seq, recorded };
    }
  return found;
}

/** The read tables, each with what its rows are known by. */
const TABLES = [
  ["household", ["one"]],
  ["batch", ["id"]],
  ["bottle", ["id"]],
  ["store_item", ["id"]],
  ["recipe", ["id"]],
  ["kept_back", ["batch_id"]],
  ["clock", ["batch_id", "clock"]],
] as const;
type Tables = ReadonlyMap<string, string>;

async function readTables(tx: Tx): Promise<Tables> {
  const all = new Map<string, string>();
  for (const [name, keys] of TABLES)
    for (const r of await tx<Record<string, string>[]>`select * from ${tx(name)}`)
      all.set(`${name} ${keys.map((k) => r[k]).join(" ")}`, JSON.stringify(r));
  return all;
}

class Undo extends Error {}

/** Rows of the read tables that the journal alone would make otherwise; nothing is changed. */
export async function tableDifferences(sql: Sql): Promise<string[]> {
  let differ: string[] = [];
  await sql
    .begin(async (tx) => {
      const was = await readTables(tx);
      await remake(tx);
      const is = await readTables(tx);
      differ = [...new Set([...was.keys(), ...is.keys()])].filter((k) => was.get(k) !== is.get(k));
      throw new Undo();
    })
    .catch((e: unknown) => {
      if (!(e instanceof Undo)) throw e;
    });
  return differ;
}

/** The database’s own word that two rows cannot be kept side by side, as two batches of one code. */
const cannotBeKept = (e: unknown): boolean => String((e as { code?: string }).code ?? "").startsWith("23");

/** Lists that are behind the journal, running numbers below those given, batches that do not reckon. */
async function tableFindings(sql: Sql): Promise<Finding[]> {
  const found: Finding[] = [];
  const differ = await tableDifferences(sql).catch((e: unknown) => {
    if (e instanceof UnreadableEvent || cannotBeKept(e)) return e as Error;
    throw e;
  });
  if (differ instanceof Error)
    found.push({
      what: `The lists cannot be held against the journal: ${differ.message}.`,
      mend: "See to the entry that does not read first; the lists stay as they are.",
      mendable: false,
    });
  else if (differ.length > 0)
    found.push({
      what: `${differ.length} rows of the lists are not what the journal says (${differ.slice(0, 3).join(", ")}).`,
      mend: "The lists are made anew from the journal.",
      mendable: true,
    });
  const low = await sql<{ kind: string }[]>`
    select b.kind from (select split_part(code, '-', 1) as kind, 2000 + split_part(code, '-', 2)::int as year, max(split_part(code, '-', 3)::int) as last from batch group by 1, 2) b
    left join code_counter c using (kind, year) where c.last is null or c.last < b.last`;
  if (low.length > 0)
    found.push({
      what: `The running numbers of ${low.map((r) => r.kind).join(", ")} are below codes that were given.`,
      mend: "They go on from the highest code.",
      mendable: true,
    });
  return found;
}

/** Batches that cannot be reckoned as their journals stand, and corrections that do not read. */
async function batchFindings(sql: Sql): Promise<Finding[]> {
  const found: Finding[] = [];
  for (const { id, code } of await sql<
    { id: string; code: string }[]
  >`select id, code from batch order by code`) {
    const batch = await batchOf(sql, id).catch(() => undefined);
    if (!batch) continue;
    const r = reckonBatch(batch);
    const mend = `Open it and put the entry right: /batch/${id}`;
    if (!r.ok)
      found.push({ what: `${code} cannot be reckoned: ${r.faults[0]!.message}`, mend, mendable: false });
    for (const u of batch.unreadable)
      found.push({
        what: `${code}: the correction of entry ${u.seq} is passed over: ${u.message}.`,
        mend,
        mendable: false,
      });
  }
  return found;
}

/** What hangs in the air: bottles’ journals of no batch, drawings and pours by a batch there is not, two bottles under one number, things held that are not taken. */
async function effectFindings(sql: Sql): Promise<Finding[]> {
  const orphans = await sql<{ id: string }[]>`
    select distinct stream_id as id from event e where stream_kind = 'bottle' and not exists (
      select 1 from event b where b.stream_kind = 'batch' and b.type in ('bottled', 'corrected') and b.body::text like '%' || e.stream_id || '%')`;
  const causeless = await sql<{ id: string; by: string }[]>`
    select distinct stream_id as id, coalesce(body ->> 'by', body ->> 'into') as by from event
    where ((stream_kind = 'store' and type in ('drawn', 'returned', 'filled', 'emptied')) or (stream_kind = 'bottle' and body ? 'into'))
      and coalesce(body ->> 'by', body ->> 'into') not in (select code from batch)`;
  const twice = await sql<{ code: string; number: number }[]>`
    select b.code, x.number from bottle x join batch b on b.id = x.batch_id group by b.code, x.number having count(*) > 1`;
  const byHand = "Nothing is changed by itself. Look at it in the Cellar and the Stores, and say what is so.";
  const found = [
    ...orphans.map((o) => `The bottle ${o.id} has a journal, and no batch ever filled it.`),
    ...causeless.map((c) => `${c.id} was drawn from or poured by ${c.by}, and there is no such batch.`),
    ...twice.map((t) => `${t.code} has two bottles of the number ${t.number}.`),
  ].map((what) => ({ what, mend: byHand, mendable: false }));
  for (const { id, code } of await sql<
    { id: string; code: string }[]
  >`select id, code from batch order by code`) {
    const held = (await sql.begin(async (tx) => {
      const batch = await batchOf(tx, id).catch(() => undefined);
      return batch ? heldTooMuch(tx, batch) : [];
    })) as readonly string[];
    if (held.length > 0)
      found.push({
        what: `${code} holds more than it takes of ${held.join(", ")}.`,
        mend: `Put any of its lines right, and what it holds follows: /batch/${id}`,
        mendable: false,
      });
  }
  return found;
}

/** Entries that could not have been written where they stand, codes given twice, days that are not those of their times. */
async function orderFindings(sql: Sql): Promise<Finding[]> {
  const codes = await sql<{ code: string }[]>`
    select body ->> 'code' as code from event where stream_kind = 'batch' and type = 'begun'
    group by 1 having count(distinct stream_id) > 1 order by 1`;
  const days = await sql<{ id: string; seq: number }[]>`
    select stream_id as id, seq from event where abs(day - (at at time zone 'UTC')::date) > 1 order by 1, 2 limit 5`;
  const mend =
    "Restore the newest backup into a new household and compare; the journal is never changed in place.";
  return [
    ...codes.map((c) => `There are two batches of the code ${c.code}.`),
    ...days.map((d) => `Entry ${d.seq} of ${d.id} bears a day that is not the day of its time.`),
    ...(await misplaced(sql)),
  ].map((what) => ({ what, mend, mendable: false }));
}

/** Photographs the journal names and the house has not, has and no entry names, or that are not what was kept. */
async function pictureFindings(sql: Sql): Promise<Finding[]> {
  const named = sql`select (body ->> 'picture')::uuid as id from event where stream_kind = 'batch' and type = 'pictured' and body ->> 'picture' is not null`;
  const gone = await sql<{ id: string }[]>`${named} except select id from picture`;
  const stray = await sql<{ id: string }[]>`select id from picture where id not in (${named})`;
  const other = await sql<
    { id: string }[]
  >`select id from picture where encode(sha256(bytes), 'hex') <> sha256`;
  const mend = "Restore the newest backup into a new household; the photographs are in it.";
  return [
    ...gone.map((p) => `The photograph ${p.id} is named in the journal and is not there.`),
    ...stray.map((p) => `The photograph ${p.id} is there and no entry names it.`),
    ...other.map((p) => `The photograph ${p.id} is not what was kept.`),
  ].map((what) => ({ what, mend, mendable: false }));
}

/** Everything that is not as it should be. */
export async function allFindings(sql: Sql): Promise<Finding[]> {
  const [there] = await sql`select 1 from household`;
  if (!there)
    return [
      {
        what: "This database holds no household: its restoring was cut off, or it never began.",
        mend: "Restore it under another name from its backup.",
        mendable: false,
      },
    ];
  return [
    ...(await journalFindings(sql)),
    ...(await tableFindings(sql)),
    ...(await batchFindings(sql)),
    ...(await effectFindings(sql)),
    ...(await orderFindings(sql)),
    ...(await pictureFindings(sql)),
  ];
}

/** Mends what loses nothing: lists and running numbers, from the journal. */
export async function mendTables(sql: Sql): Promise<void> {
  await sql.begin(async (tx) => {
    await tx`lock table batch, bottle, store_item in exclusive mode`;
    await remake(tx);
    await tx`insert into code_counter (kind, year, last)
      select split_part(code, '-', 1), 2000 + split_part(code, '-', 2)::int, max(split_part(code, '-', 3)::int) from batch group by 1, 2
      on conflict (kind, year) do update set last = greatest(code_counter.last, excluded.last)`;
  });
}

/** The rules this build judges by, and how many entries the journal holds. */
export async function summary(sql: Sql): Promise<string> {
  const [n] = await sql<{ entries: number; batches: number; last: Date | null }[]>`
    select (select count(*)::int from event) as entries, (select count(*)::int from event where stream_kind = ${BATCHES.kind} and seq = 1) as batches,
      (select max(recorded_at) from event) as last`;
  return `${n!.entries} entries, ${n!.batches} batches; rules of version ${RULES_VERSION}`;
}
