import { type Filled, filledOf, foldBottle } from "../core/cellar/bottle";
import {
  type Pour,
  type PouredInto,
  type PutRight,
  fromBottles,
  pourChanges,
  poursOf,
} from "../core/cellar/pours";
import { dayAt } from "../core/day";
import { fault, isFault } from "../core/fault";
import type { Batch } from "../core/journal/fold";
import { reckonBatch, reckonMade } from "../core/journal/reckon";
import { bestByOfBottle } from "../core/label/clock";
import { heldBy } from "../core/label/held";
import type { Program } from "../core/reckoning/program";
import { type FromStores, movementsOf } from "../core/stores/movements";
import { RefusedAlong, type Write, appendWithin, eventsOf, followingKey } from "./append";
import { streamOf } from "./bottles";
import type { Tx } from "./db";
import { household } from "./household";
import { batchOf } from "./journal";
import { STORED, itemsWith, oneAtATime } from "./stores";

/*
 * What an entry of a batch causes elsewhere. There is one way for a beginning, a tick, a finishing, a bottling and whatever puts one of them right:
 * what the batch takes is asked of the batch as it now stands, what it holds is asked of the journals, and the difference is written, each entry
 * naming its cause.
 */
interface Cause {
  readonly key: string;
  readonly batch: Batch;
  readonly seq: number;
  /** When what is told happened: of a correction, when what it puts right did. */
  readonly at: string;
}

/** When an entry of a batch happened. */
function happenedAt(batch: Batch, seq: number): string {
  const entry = batch.diary.find((e) => e.seq === seq);
  const target = entry?.type === "corrected" ? (entry.body as { seq: number }).seq : seq;
  return batch.diary.find((e) => e.seq === target)?.at ?? batch.changedAt;
}

/** Makes the stores and the bottles of ours follow a batch, in the transaction of the entry that moved it; a refusal undoes both. */
export async function follow(tx: Tx, batch: Batch, key: string): Promise<void> {
  const made = batch.state === "undone" ? undefined : reckonMade(batch);
  // What cannot be reckoned leaves all as it is, until it is put right.
  if (made && !made.ok) return;
  const cause = { key, batch, seq: batch.seq, at: happenedAt(batch, batch.seq) };
  // Other batches' locks come before those of the stores.
  await followPours(tx, made?.value.program, cause);
  await followDay(tx, cause);
  await followStores(tx, made?.value.program, cause);
}

async function written<S extends { readonly seq: number }, E>(
  tx: Tx,
  stream: Parameters<typeof appendWithin<S, E>>[1],
  w: Write,
): Promise<void> {
  const done = await appendWithin(tx, stream, { ...w, along: true });
  if (!done.ok) throw new RefusedAlong(done.fault);
}

/** What a batch holds of the stores or the cellar that it does not take: nothing, where its journals are sound. */
export async function heldTooMuch(tx: Tx, batch: Batch): Promise<readonly string[]> {
  const made = batch.state === "undone" ? undefined : reckonMade(batch);
  if (made && !made.ok) return [];
  const program = made?.value.program;
  const holds = await fromStores(tx, batch.code);
  const items = await itemsWith(
    tx,
    holds.map((h) => h.id),
  );
  const moves = movementsOf(program, { bottles: batch.bottles, items, holds, today: "" });
  const pours = pourChanges(program ? poursOf(program) : [], await pouredInto(tx, batch.code));
  return [
    ...moves.flatMap((m) => (m.type === "returned" || m.type === "emptied" ? [m.id] : [])),
    ...pours.right.map((r) => r.pour.bottle),
  ];
}

/** What a batch holds of each thing in the stores: what it took less what it gave back. */
const fromStores = (tx: Tx, code: string): Promise<FromStores[]> => tx<FromStores[]>`
  select stream_id as id,
    sum(case type when 'drawn' then (body ->> 'grams')::float8 when 'returned' then -(body ->> 'grams')::float8 else 0 end) as grams,
    sum(case type when 'filled' then (body ->> 'count')::int when 'emptied' then -(body ->> 'count')::int else 0 end)::int as count
  from event where stream_kind = 'store' and body ->> 'by' = ${code} group by stream_id`;

async function followStores(tx: Tx, program: Program | undefined, c: Cause): Promise<void> {
  await oneAtATime(tx);
  const holds = await fromStores(tx, c.batch.code);
  const items = await itemsWith(
    tx,
    holds.map((h) => h.id),
  );
  const cause = { kind: "batch", stream: c.batch.id, seq: c.seq };
  const { bottles } = c.batch;
  const today = dayAt(c.at, (await household(tx)).zone);
  for (const { id, type, body } of movementsOf(program, { bottles, items, holds, today }))
    await written(tx, STORED, {
      ...{ streamId: id, key: followingKey(c.key, type, id), type, at: c.at },
      body: { ...body, by: c.batch.code, cause },
    });
}

/** What a batch has poured out of our bottles and not given back, in the order it was poured. */
const pouredInto = (tx: Tx, code: string): Promise<(PouredInto & { readonly key: string })[]> => tx<
  (PouredInto & { readonly key: string })[]
>`
  select e.stream_id as bottle, x.batch_id as batch, e.seq, e.key, (coalesce(c.body -> 'body', e.body) ->> 'ml')::float8 as ml
  from event e join bottle x on x.id = e.stream_id left join lateral (
    select body from event where stream_kind = 'bottle' and stream_id = e.stream_id and type = 'corrected' and (body ->> 'seq')::int = e.seq
    order by seq desc limit 1) c on true
  where e.stream_kind = 'bottle' and e.type = 'poured' and e.body ->> 'into' = ${code} and jsonb_typeof(coalesce(c.body -> 'body', e.body)) = 'object'
  order by x.batch_id, e.recorded_at, e.stream_id, e.seq`;

async function followPours(tx: Tx, program: Program | undefined, c: Cause): Promise<void> {
  const changes = pourChanges(program ? poursOf(program) : [], await pouredInto(tx, c.batch.code));
  for (const p of changes.right) await putRight(tx, p, c);
  for (const p of changes.pour) await pourFrom(tx, p, c);
}

const held = (tx: Tx, batch: string): Promise<unknown> =>
  tx`select pg_advisory_xact_lock(hashtextextended(${batch}, 0))`;

/** Puts one pour out of a bottle of ours right. */
async function putRight(
  tx: Tx,
  { pour: { batch: id, bottle, seq }, ml }: PutRight,
  c: Cause,
  on: { readonly at?: string; readonly day?: string } = {},
): Promise<void> {
  await held(tx, id);
  const batch = await batchOf(tx, id);
  const filled = batch && filledOf(batch).find((f) => f.id === bottle);
  if (!batch || !filled) return;
  const stream = streamOf(batch, filled);
  await written(tx, stream, {
    ...{
      streamId: bottle,
      key: followingKey(c.key, on.day ? "moved" : "corrected", bottle, String(seq)),
      type: "corrected",
    },
    ...{
      body: { seq, body: ml > 0 ? pouredBody(ml, c) : null, ...on },
      seen: (await eventsOf(tx, stream, bottle)).at(-1)?.seq,
    },
  });
}

/** Where an entry's day was put right, what it poured out of bottles of ours was poured on that day too. */
async function followDay(tx: Tx, c: Cause): Promise<void> {
  const said = c.batch.diary.find((e) => e.seq === c.seq && e.type === "corrected");
  const { seq: target, at, day } = (said?.body ?? {}) as { seq?: number; at?: string; day?: string };
  if (target === undefined || !at || !day) return;
  const keys = await tx<{ key: string }[]>`
    select key from event where stream_kind = 'batch' and stream_id = ${c.batch.id}
      and (seq = ${target} or (type = 'corrected' and (body ->> 'seq')::int = ${target}))`;
  for (const pour of await pouredInto(tx, c.batch.code)) {
    if (!keys.some(({ key }) => followingKey(key, "poured", pour.bottle) === pour.key)) continue;
    await putRight(tx, { pour, ml: pour.ml }, c, { at, day });
  }
}

const pouredBody = (ml: number, c: Cause): object => ({
  ml,
  said: `${Math.round(ml)} mL`,
  into: c.batch.code,
});

/** Pours from the bottles of one batch. */
async function pourFrom(tx: Tx, pour: Pour, c: Cause): Promise<void> {
  await held(tx, pour.batch);
  const batch = await batchOf(tx, pour.batch);
  if (!batch?.verdict)
    throw new RefusedAlong(
      fault("NoSuchBottle", "That batch has no bottles to pour from.", ["lines", pour.line]),
    );
  const { verdict, own } = batch;
  const made = reckonBatch(batch);
  const filled = new Map(filledOf(batch).map((f): [string, Filled] => [f.id, f]));
  const bottles = [];
  for (const f of filled.values()) {
    const is = foldBottle(f, await eventsOf(tx, streamOf(batch, f), f.id));
    const bestBy = bestByOfBottle(
      is,
      (place) => heldBy(verdict, made.ok ? made.value : undefined, place).verdict,
      own?.bestBy,
    );
    bottles.push({ is, bestBy });
  }
  const from = fromBottles(pour, batch.code, bottles);
  if (isFault(from)) throw new RefusedAlong(from);
  for (const { bottle, ml } of from)
    await written(tx, streamOf(batch, filled.get(bottle)!), {
      ...{ streamId: bottle, key: followingKey(c.key, "poured", bottle), type: "poured", at: c.at },
      body: pouredBody(ml, c),
    });
}
