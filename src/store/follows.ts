import { bottleOutOfOrder } from "../core/cellar/in-order";
import { filledOf, foldBottle } from "../core/cellar/bottle";
import { canPour } from "../core/cellar/pours";
import { type Row, type Stream, eventsOf, toEvent } from "./append";
import type { Bare } from "./may-append";
import { streamOf } from "./bottles";
import type { Sql } from "./db";
import { BATCHES, batchOf } from "./journal";
import { RECIPES } from "./recipes";
import { SEASON } from "./season";
import { STORED } from "./stores";

/**
 * What stands in a stream and could not have been written: an entry that may not follow on what was there, a correction of nothing.
 * @returns a sentence an entry, the first of each stream, which the later ones may hang on
 */
function mayNotFollow<S extends { readonly seq: number }, E>(
  stream: Stream<S, E>,
  id: string,
  events: readonly E[],
): string | undefined {
  const all = events as readonly (E & Bare)[];
  let [state, upTo]: [S | undefined, number] = [undefined, 0];
  for (const [i, e] of all.entries()) {
    const entry = `Entry ${e.seq} of the ${stream.kind} ${id}`;
    if (e.type === "corrected") {
      const { seq } = e.body as { seq: number };
      const target = all.find((x) => x.seq === seq);
      if (!target || target.type === "corrected" || seq >= e.seq)
        return `${entry} puts entry ${seq} right, which cannot be put right.`;
    }
    // Folded anew only where something came between that decides.
    const decided = all.slice(upTo, i).some((x) => x.type === "corrected" || stream.entries[x.type]?.decides);
    if (i === 0 || decided) [state, upTo] = [stream.fold(all.slice(0, i)), i];
    const not = stream.mayFollow(state, e.type, e.body);
    if (not) return `${entry} may not follow there. ${not}`;
  }
  const disorder = stream.outOfOrder?.(events);
  return disorder && `The ${stream.kind} ${id}: ${disorder}`;
}

/** A journal that does not read is told as that; here it is passed over. */
const readable = <T>(work: () => T): T | undefined => {
  try {
    return work();
  } catch {
    return undefined;
  }
};

const AT_A_TIME = 500;
/** Every stream of a kind, one at a time. */
async function* streamsOf<S extends { readonly seq: number }, E>(
  sql: Sql,
  stream: Stream<S, E>,
): AsyncGenerator<readonly [string, readonly E[]]> {
  const ids = await sql<
    { id: string }[]
  >`select distinct stream_id as id from event where stream_kind = ${stream.kind} order by 1`;
  for (let at = 0; at < ids.length; at += AT_A_TIME) {
    const some = ids.slice(at, at + AT_A_TIME).map((r) => r.id);
    const rows = await sql<Row[]>`
      select stream_id, seq, key, type, version, at, recorded_at, day, body from event
      where stream_kind = ${stream.kind} and stream_id = any(${some}::uuid[]) order by stream_id, seq`;
    for (const id of some) {
      const events = readable(() =>
        rows.filter((r) => r.stream_id === id).map((r): E => toEvent<S, E>(stream, r)),
      );
      if (events) yield [id, events];
    }
  }
}

async function ofStreams<S extends { readonly seq: number }, E>(
  sql: Sql,
  stream: Stream<S, E>,
): Promise<string[]> {
  const found: string[] = [];
  for await (const [id, events] of streamsOf(sql, stream)) {
    const not = readable(() => mayNotFollow(stream, id, events));
    if (not) found.push(not);
  }
  return found;
}

/** What befell bottles that could not have. */
async function ofBottles(sql: Sql): Promise<string[]> {
  const found: string[] = [];
  for (const { id } of await sql<{ id: string }[]>`
    select distinct b.id from batch b join bottle x on x.batch_id = b.id join event e on e.stream_id = x.id order by 1`) {
    const batch = await batchOf(sql, id).catch(() => undefined);
    for (const filled of batch ? filledOf(batch) : []) {
      const stream = streamOf(batch!, filled);
      const events = await eventsOf(sql, stream, filled.id).catch(() => []);
      if (events.length === 0) continue;
      const poured = foldBottle(filled, events).diary.reduce(
        (sum, e) => sum + (e.type === "poured" && !e.undone ? (e.body as { ml: number }).ml : 0),
        0,
      );
      const called = `${batch!.code}·${filled.number}`;
      const not =
        mayNotFollow({ ...stream, outOfOrder: () => undefined }, filled.id, events) ??
        bottleOutOfOrder(filled, events);
      if (not) found.push(`${called}: ${not}`);
      else if (!canPour(poured, filled.ml))
        found.push(`${called}: more came out of it, ${Math.round(poured)} mL, than was in it.`);
    }
  }
  return found;
}

/** Entries that no page could have written where they stand. */
export const misplaced = async (sql: Sql): Promise<string[]> => [
  ...(await ofStreams(sql, BATCHES)),
  ...(await ofStreams(sql, STORED)),
  ...(await ofStreams(sql, SEASON)),
  ...(await ofStreams(sql, RECIPES)),
  ...(await ofBottles(sql)),
];
