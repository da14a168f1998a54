import { z } from "zod";
import { realDay } from "../core/real-day";
import { fault } from "../core/fault";
import { BODIES, DONE_ALIKE, ENTRIES, type EventType } from "../core/journal/events";
import { completed } from "./completions";
import { correction } from "./corrections";
import type { Batch } from "../core/journal/fold";
import { RefusedAlong, appendWithin, followingKey } from "./append";
import type { Sql, Tx } from "./db";
import { BATCHES, type Written, append, batchOf } from "./journal";
import { follow } from "./effects";
import { MOST_AGO } from "./times";

/** What the batch pages send: one event of a type, under a key. */
export const EventRequest = z.strictObject({
  key: z.uuid(),
  type: z.string().max(20),
  seen: z.number().int().min(0).optional(),
  /** It was asked whether an unlikely value is so, and it is. */
  sure: z.boolean().optional(),
  /** The maker's time, where it is not now. */
  at: z.iso.datetime({ offset: true }).optional(),
  /** How long ago it was done, ms, where it lay on a device that could not send it. */
  ago: z.number().int().min(0).max(MOST_AGO).optional(),
  /** The day it was done, where that is not today and no more is known; of a correction, the day of what it puts right. */
  on: realDay("Write the day as 2027-01-31.").optional(),
  /** It was done in every jar filled alike with it that still works. */
  alike: z.boolean().optional(),
  body: z.unknown(),
});
export type EventRequest = z.infer<typeof EventRequest>;

/** Writes one event of a batch that has begun, and what follows from it in the stores. */
export async function write(sql: Sql, id: string, r: EventRequest): Promise<Written> {
  if (r.type === "begun" || !Object.hasOwn(BODIES, r.type))
    return { ok: false, status: 422, fault: fault("NotAnEntry", "The journal has no such entry.") };
  const type = r.type as EventType;
  const sure = r.sure ?? false;
  return append(
    sql,
    { streamId: id, key: r.key, type, body: r.body, seen: r.seen, at: r.at, on: r.on, ago: r.ago },
    async (tx, batch, day, before) => {
      if (!batch) return fault("NoSuchBatch", "There is no such batch.");
      if (type !== "corrected") return completed(tx, type, { batch, day, sure, before }, r.body);
      return correction(tx, { before, day, sure, sent: r.body, on: r.on });
    },
    async (tx, batch) => {
      if (ENTRIES[type].moves) await follow(tx, batch, r.key);
      if (r.alike) await inAllOfThem(tx, batch, type, { ...r, sure });
    },
    r.alike ? ((await batchOf(sql, id))?.alike?.batches ?? []) : [],
  );
}

const ALIKE: ReadonlySet<string> = new Set(DONE_ALIKE);

/** The same in every other jar filled alike that still works: what went in went into each, and what is taken back is taken back in each. */
async function inAllOfThem(
  tx: Tx,
  first: Batch,
  type: EventType,
  r: EventRequest & { readonly sure: boolean },
): Promise<void> {
  for (const id of first.alike?.batches ?? []) {
    const batch = id === first.id ? undefined : await batchOf(tx, id);
    if (batch?.state !== "working") continue;
    const body = ALIKE.has(type) ? r.body : await sameTakenBack(tx, first.id, batch.id, type, r.body);
    if (body === undefined) continue;
    const key = followingKey(r.key, id);
    const done = await appendWithin(
      tx,
      BATCHES,
      { streamId: id, key, type, body, seen: batch.seq, at: r.at, on: r.on, ago: r.ago, along: true },
      async (_tx, is, day, before) => {
        if (!is) return fault("NoSuchBatch", "There is no such batch.");
        if (type !== "corrected") return completed(tx, type, { batch: is, day, sure: r.sure, before }, body);
        return correction(tx, { before, day, sure: r.sure, sent: body, on: r.on });
      },
    );
    if (!done.ok)
      throw new RefusedAlong({ ...done.fault, message: `In ${batch.code}: ${done.fault.message}` });
    if (ENTRIES[type].moves) await follow(tx, done.state, key);
  }
}

/** A taking back of an entry that was written in all of them, as it is said of another jar: its entry of the same press. */
async function sameTakenBack(
  tx: Tx,
  first: string,
  other: string,
  type: EventType,
  body: unknown,
): Promise<unknown> {
  if (type !== "corrected") return undefined;
  const { seq, ...rest } = body as { seq?: number };
  const [was] = await tx<{ key: string }[]>`
    select key from event where stream_kind = 'batch' and stream_id = ${first} and seq = ${seq ?? -1}`;
  if (!was) return undefined;
  const [its] = await tx<{ seq: number }[]>`
    select seq from event where stream_kind = 'batch' and stream_id = ${other} and key = ${followingKey(was.key, other)}`;
  return its ? { ...rest, seq: its.seq } : undefined;
}
