import { type Row, type Stream, toEvent } from "./append";
import type { Sql, Tx } from "./db";
import { BATCHES } from "./journal";
import { SETTINGS } from "./settings";
import { RULES_VERSION } from "../core/reckoning/reckon";
import { STORED } from "./stores";

/** Folds every stream of a kind and writes its read rows. @returns how many streams there are */
async function project<S extends { readonly seq: number }, E>(tx: Tx, stream: Stream<S, E>): Promise<number> {
  const rows = await tx<
    Row[]
  >`select stream_id, seq, key, type, version, at, recorded_at, day, body from event where stream_kind = ${stream.kind} order by stream_id, seq`;
  const streams = new Map<string, E[]>();
  for (const r of rows) streams.set(r.stream_id, [...(streams.get(r.stream_id) ?? []), toEvent(stream, r)]);
  for (const events of streams.values()) {
    const state = stream.fold(events);
    if (state) await stream.project(tx, state);
  }
  return streams.size;
}

/** Makes the read tables anew from the journal alone. @returns how many streams it holds */
export async function rebuild(sql: Sql): Promise<number> {
  return (await sql.begin(async (tx) => {
    await tx`lock table batch, bottle, store_item in exclusive mode`;
    await tx`delete from bottle`;
    await tx`delete from batch`;
    await tx`delete from store_item`;
    await tx`insert into read_rules (rules) values (${RULES_VERSION}) on conflict (one) do update set rules = excluded.rules`;
    return (await project(tx, BATCHES)) + (await project(tx, STORED)) + (await project(tx, SETTINGS));
  })) as number;
}

/** Makes the read tables anew where they were written under other rules than today's. */
export async function rebuildIfRulesChanged(sql: Sql): Promise<void> {
  const [held] = await sql<{ rules: number }[]>`select rules from read_rules`;
  if (held?.rules !== RULES_VERSION) await rebuild(sql);
}
