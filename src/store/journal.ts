import { createHash } from "node:crypto";
import { dayAt } from "../core/care/day";
import { COMMUTES, type Body, type EventType, type JournalEvent, VERSIONS, readBody } from "../core/journal/events";
import { type Batch, fold, mayFollow } from "../core/journal/fold";
import { type Fault, fault } from "../core/fault";
import { now } from "./clock";
import type { Sql, Tx } from "./db";
import { household } from "./household";
import { project } from "./projection";

/** What a writer sends: one event under its own key. */
export interface Write<T extends EventType = EventType> {
  readonly streamId: string;
  readonly key: string;
  readonly type: T;
  readonly body: unknown;
  /** The version the writer had seen; needed for types that do not commute. */
  readonly seen?: number | undefined;
  /** The maker's time, when it is not now. */
  readonly at?: string | undefined;
}

export type Written = { readonly ok: true; readonly batch: Batch; readonly seq: number; readonly already: boolean } | { readonly ok: false; readonly status: 409 | 422; readonly fault: Fault; readonly batch?: Batch };

interface Row {
  stream_id: string;
  seq: number;
  key: string;
  type: string;
  version: number;
  at: Date;
  day: string;
  body: unknown;
}

export const toEvent = (r: Row): JournalEvent => ({ type: r.type, version: r.version, streamId: r.stream_id, seq: r.seq, key: r.key, at: r.at.toISOString(), day: r.day, body: readBody(r.type, r.version, r.body) }) as JournalEvent;

/** The events of one batch, in order of writing. */
export async function eventsOf(sql: Sql | Tx, id: string): Promise<JournalEvent[]> {
  const rows = await sql<Row[]>`select stream_id, seq, key, type, version, at, day, body from event where stream_kind = 'batch' and stream_id = ${id} order by seq`;
  return rows.map(toEvent);
}

export async function batchOf(sql: Sql | Tx, id: string): Promise<Batch | undefined> {
  return fold(await eventsOf(sql, id));
}

/** A body's hash with its keys in order, so that the same thing sent twice is known for the same. */
export function sentHash(type: string, body: unknown): string {
  const ordered = (x: unknown): unknown => (Array.isArray(x) ? x.map(ordered) : x && typeof x === "object" ? Object.fromEntries(Object.entries(x).sort(([a], [b]) => (a < b ? -1 : 1)).map(([k, v]) => [k, ordered(v)])) : x);
  return createHash("sha256").update(`${type} ${JSON.stringify(ordered(body))}`).digest("hex");
}

/** The next code of a kind, e.g. `OX-26-11`; the number is spent even if nothing comes of it. */
export async function nextCode(tx: Tx, kind: string, year: number): Promise<string> {
  const [row] = await tx<{ last: number }[]>`insert into code_counter (kind, year, last) values (${kind}, ${year}, 1) on conflict (kind, year) do update set last = code_counter.last + 1 returning last`;
  return `${kind}-${String(year % 100).padStart(2, "0")}-${String(row!.last).padStart(2, "0")}`;
}

/**
 * Appends one event to a batch. The same key with the same body answers what was written the first time; with another body it is refused.
 * Types that do not commute need the version the writer saw, and are refused with the present batch when something came between.
 * @param complete makes the stored body from what was sent, inside the transaction (a code to be given, figures to be frozen)
 */
export async function append(sql: Sql, w: Write, complete?: (tx: Tx, batch: Batch | undefined, day: string) => Promise<unknown | Fault>): Promise<Written> {
  return (await sql.begin(async (tx): Promise<Written> => {
    await tx`select pg_advisory_xact_lock(hashtextextended(${w.streamId}, 0))`;
    const sent = sentHash(w.type, w.body);
    const [same] = await tx<{ sent: string; stream_id: string; seq: number }[]>`select sent, stream_id, seq from event where key = ${w.key}`;
    const before = await eventsOf(tx, w.streamId);
    const batch = fold(before);
    if (same) {
      if (same.sent !== sent || same.stream_id !== w.streamId) return { ok: false, status: 422, fault: fault("KeyReused", "This was sent before under the same key with other contents. Reload the page and try again.") };
      return { ok: true, batch: batch!, seq: same.seq, already: true };
    }
    if (!COMMUTES.has(w.type) && w.type !== "begun" && w.seen !== batch?.seq) {
      return { ok: false, status: 409, fault: fault("ChangedMeanwhile", batch ? `${batch.code} was changed in another window since you opened this. Look at it again, then repeat this if it is still right.` : "There is no such batch."), ...(batch ? { batch } : {}) };
    }
    const not = mayFollow(batch, w.type);
    if (not) return { ok: false, status: 409, fault: fault("NotNow", not), ...(batch ? { batch } : {}) };
    const home = await household(tx);
    const at = w.at ?? now();
    const day = dayAt(at, home.zone);
    const completed = complete ? await complete(tx, batch, day) : w.body;
    if (completed && typeof completed === "object" && "message" in completed && "name" in completed && "path" in completed) return { ok: false, status: 422, fault: completed as Fault };
    if (w.type === "corrected") {
      const target = before.find((e) => e.seq === (completed as Body<"corrected">).seq);
      if (!target || target.type === "corrected") return { ok: false, status: 422, fault: fault("NoSuchEntry", "There is no such entry to correct.") };
      readBody(target.type, VERSIONS[target.type], (completed as Body<"corrected">).body);
    }
    const body = readBody(w.type, VERSIONS[w.type], completed);
    const seq = (batch?.seq ?? 0) + 1;
    await tx`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body)
      values ('batch', ${w.streamId}, ${seq}, ${w.key}, ${sent}, ${w.type}, ${VERSIONS[w.type]}, ${at}, ${day}, ${tx.json(body as never)})`;
    const event = { type: w.type, version: VERSIONS[w.type], streamId: w.streamId, seq, key: w.key, at, day, body } as JournalEvent;
    const after = fold([...before, event])!;
    await project(tx, after);
    return { ok: true, batch: after, seq, already: false };
  })) as Written;
}
