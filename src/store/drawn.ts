import type { Batch } from "../core/journal/fold";
import type { Program } from "../core/reckoning/program";
import { allot } from "../core/stores/allot";
import type { StoreEventType } from "../core/stores/events";
import { RefusedAlong, appendWithin, followingKey } from "./append";
import type { Tx } from "./db";
import { STORED, oneAtATime, storedItems, stores } from "./stores";

/** The entry of a batch that something in the stores is written because of. */
export interface Because {
  readonly key: string;
  readonly batch: { readonly id: string; readonly code: string; readonly bottles: Batch["bottles"] };
  readonly seq: number;
}

/** Writes to the stores along with an entry of a batch; a refusal undoes both. */
async function along(tx: Tx, id: string, type: StoreEventType, much: object, b: Because): Promise<void> {
  const cause = { kind: "batch", stream: b.batch.id, seq: b.seq };
  const w = await appendWithin(tx, STORED, {
    streamId: id,
    key: followingKey(b.key, type, id),
    type,
    body: { ...much, by: b.batch.code, cause },
  });
  if (!w.ok) throw new RefusedAlong(w.fault);
}

/** Counts down the empty bottles that were filled, in the transaction that bottles a batch. */
export async function fillEmpties(tx: Tx, b: Because): Promise<void> {
  await oneAtATime(tx);
  const wanted = new Map<string, number>();
  for (const x of b.batch.bottles) wanted.set(x.vessel, (wanted.get(x.vessel) ?? 0) + 1);
  for (const s of await storedItems(tx)) {
    if (s.item.what !== "empties") continue;
    const want = wanted.get(s.item.vessel) ?? 0;
    const count = Math.min(want, s.item.count);
    if (count === 0) continue;
    wanted.set(s.item.vessel, want - count);
    await along(tx, s.id, "filled", { count }, b);
  }
}

/** Takes what a batch uses out of the lots, oldest first, in the transaction that begins it. */
export async function draw(tx: Tx, p: Program, b: Because): Promise<void> {
  await oneAtATime(tx);
  const { lots } = await stores(tx);
  const taken = new Map<string, number>();
  for (const a of allot(p, lots))
    for (const t of a.takes) taken.set(t.lot.id, (taken.get(t.lot.id) ?? 0) + t.grams);
  // Always in one order, so that two batches begun at once cannot wait for each other.
  for (const [id, grams] of [...taken].sort(([a], [b]) => (a < b ? -1 : 1)))
    await along(tx, id, "drawn", { grams }, b);
}

/** Less than this either way is the scale's doing, g. */
const NEXT_TO_NOTHING = 0.01;

/**
 * What a batch has drawn is made to follow what really goes in: more where more went in, the rest given back where less did, or nothing.
 * Lots it drew from already are thought full again first, so that what stays as it was moves nothing.
 */
export async function drawAnew(tx: Tx, p: Program, b: Because): Promise<void> {
  await oneAtATime(tx);
  const drawn = new Map((await heldFromStores(tx, b)).map((r) => [r.stream_id, r.grams]));
  const { lots } = await stores(tx);
  const wanted = new Map<string, number>();
  for (const a of allot(
    p,
    lots.map((l) => ({ ...l, leftG: l.leftG + (drawn.get(l.id) ?? 0) })),
  ))
    for (const t of a.takes) wanted.set(t.lot.id, (wanted.get(t.lot.id) ?? 0) + t.grams);
  const there = new Set(lots.map((l) => l.id));
  const ids = [...new Set([...drawn.keys(), ...wanted.keys()])].filter((id) => there.has(id)).sort();
  for (const id of ids) {
    const more = (wanted.get(id) ?? 0) - (drawn.get(id) ?? 0);
    if (more > NEXT_TO_NOTHING) await along(tx, id, "drawn", { grams: more }, b);
    if (more < -NEXT_TO_NOTHING) await along(tx, id, "returned", { grams: -more }, b);
  }
}

/** Gives back what a batch took and has not given back yet: grams to their lots, bottles to the empties. */
export async function giveBack(tx: Tx, b: Because): Promise<void> {
  await oneAtATime(tx);
  const rows = await heldFromStores(tx, b);
  for (const { stream_id: id, grams, count } of rows) {
    if (grams > 1e-9) await along(tx, id, "returned", { grams }, b);
    if (count > 0) await along(tx, id, "emptied", { count }, b);
  }
}

/** What a batch holds of each thing in the stores: what it took less what it gave back. */
const heldFromStores = (
  tx: Tx,
  b: Because,
): Promise<readonly { readonly stream_id: string; readonly grams: number; readonly count: number }[]> => tx`
    select stream_id,
      sum(case type when 'drawn' then (body ->> 'grams')::float8 when 'returned' then -(body ->> 'grams')::float8 else 0 end) as grams,
      sum(case type when 'filled' then (body ->> 'count')::int when 'emptied' then -(body ->> 'count')::int else 0 end)::int as count
    from event where stream_kind = 'store' and body ->> 'by' = ${b.batch.code}
    group by stream_id order by stream_id`;
