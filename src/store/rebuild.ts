import { type Row, type Stream, toEvent } from "./append";
import type { Sql, Tx } from "./db";
import { BATCHES } from "./journal";
import { RECIPES } from "./recipes";
import { SETTINGS } from "./settings";
import { RULES_VERSION } from "../core/reckoning/reckon";
import { STORED } from "./stores";

/** How many rows of the journal are held at a time. */
const AT_A_TIME = 2000;
/** Before every stream there is. */
const NO_STREAM = "00000000-0000-0000-0000-000000000000";

/** Folds every stream of a kind, one after the other, and writes its read rows. @returns how many streams there are */
async function project<S extends { readonly seq: number }, E>(tx: Tx, stream: Stream<S, E>): Promise<number> {
  let streams = 0;
  let open: { readonly id: string; readonly events: E[] } | undefined;
  const close = async (): Promise<void> => {
    const state = open && stream.fold(open.events);
    if (state) await stream.project(tx, state);
  };
  // Row by row after the last one read: a cursor would hold the connection that the read rows are written on.
  let [id, seq] = [NO_STREAM, 0];
  for (;;) {
    const rows = await tx<Row[]>`
      select stream_id, seq, key, type, version, at, recorded_at, day, body from event
      where stream_kind = ${stream.kind} and (stream_id, seq) > (${id}, ${seq}) order by stream_id, seq limit ${AT_A_TIME}`;
    for (const r of rows) {
      if (open?.id !== r.stream_id) {
        await close();
        open = { id: r.stream_id, events: [] };
        streams += 1;
      }
      open.events.push(toEvent(stream, r));
    }
    const last = rows.at(-1);
    if (!last) break;
    [id, seq] = [last.stream_id, last.seq];
  }
  await close();
  return streams;
}

/** Makes the read tables anew from the journal alone. @returns how many streams it holds */
export async function rebuild(sql: Sql): Promise<number> {
  return (await sql.begin(async (tx) => {
    await tx`lock table batch, bottle, store_item, recipe in exclusive mode`;
    return remake(tx);
  })) as number;
}

/** The same within a transaction that holds the tables. */
export async function remake(tx: Tx): Promise<number> {
  await tx`delete from kept_back`;
  await tx`delete from bottle`;
  await tx`delete from batch`;
  await tx`delete from store_item`;
  await tx`delete from recipe`;
  await tx`insert into read_rules (rules) values (${RULES_VERSION}) on conflict (one) do update set rules = excluded.rules`;
  let streams = 0;
  for (const stream of [BATCHES, STORED, SETTINGS, RECIPES] as const)
    streams += await project(tx, stream as unknown as Stream<{ readonly seq: number }, unknown>);
  return streams;
}

/** Whether the read tables say what the journal says: each stream up to its last entry, under today's rules. */
export async function behind(sql: Sql | Tx): Promise<boolean> {
  const [held] = await sql<{ rules: number }[]>`select rules from read_rules`;
  if (held?.rules !== RULES_VERSION) return true;
  const off = await sql<{ n: number }[]>`
    select count(*)::int as n from (
      select stream_id as id, max(seq) as seq from event where stream_kind in ('batch', 'store', 'recipe') group by stream_id
    ) said full join (select id, seq from batch union all select id, seq from store_item union all select id, seq from recipe) held using (id)
    where said.seq is distinct from held.seq
    union all
    select count(*)::int from bottle b where b.seq <> coalesce((select max(seq) from event where stream_kind = 'bottle' and stream_id = b.id), 0)`;
  return off.some((r) => r.n > 0);
}

/** Makes the read tables anew where they are behind the journal, or written under other rules. @returns whether they were */
export async function rebuildIfBehind(sql: Sql): Promise<boolean> {
  if (!(await behind(sql))) return false;
  await rebuild(sql);
  return true;
}
