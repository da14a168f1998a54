import { z } from "zod";
import { realDay } from "../core/real-day";
import { fault } from "../core/fault";
import { BODIES, ENTRIES, type EventType } from "../core/journal/events";
import { completed } from "./completions";
import { correction } from "./corrections";
import type { Sql } from "./db";
import { type Written, append } from "./journal";
import { follow } from "./effects";

/** What the batch pages send: one event of a type, under a key. */
export const EventRequest = z.strictObject({
  key: z.uuid(),
  type: z.string().max(20),
  seen: z.number().int().min(0).optional(),
  /** It was asked whether an unlikely value is so, and it is. */
  sure: z.boolean().optional(),
  /** The maker's time, where it is not now. */
  at: z.iso.datetime({ offset: true }).optional(),
  /** The day it was done, where that is not today and no more is known; of a correction, the day of what it puts right. */
  on: realDay("Write the day as 2027-01-31.").optional(),
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
    { streamId: id, key: r.key, type, body: r.body, seen: r.seen, at: r.at, on: r.on },
    async (tx, batch, day, before) => {
      if (!batch) return fault("NoSuchBatch", "There is no such batch.");
      if (type !== "corrected") return completed(tx, type, { batch, day, sure, before }, r.body);
      return correction(tx, { before, day, sure, sent: r.body, on: r.on });
    },
    async (tx, batch) => {
      if (ENTRIES[type].moves) await follow(tx, batch, r.key);
    },
  );
}
