import { createHash } from "node:crypto";
import { dayAt } from "../core/care/day";
import { type Fault, fault } from "../core/fault";
import { now } from "./clock";
import type { Sql, Tx } from "./db";
import { household } from "./household";

/** A row of the journal as the database gives it. */
export interface Row {
  readonly stream_id: string;
  readonly seq: number;
  readonly key: string;
  readonly type: string;
  readonly version: number;
  readonly at: Date;
  readonly day: string;
  readonly body: unknown;
}

export interface Written<S> {
  readonly ok: true;
  readonly state: S;
  readonly seq: number;
  /** The same key had been written before; nothing was added. */
  readonly already: boolean;
}
export interface Refused<S> {
  readonly ok: false;
  readonly status: 409 | 422;
  readonly fault: Fault;
  readonly state?: S;
}

/** What sets one kind of stream apart from another: its types, its fold and its read table. */
export interface Stream<S extends { readonly seq: number }, E> {
  readonly kind: string;
  readonly versions: Readonly<Record<string, number>>;
  /** Types taken whatever the writer had seen, and the one that begins a stream. */
  readonly commutes: ReadonlySet<string>;
  readonly begins: string;
  readonly readBody: (type: string, version: number, body: unknown) => unknown;
  readonly fold: (events: readonly E[]) => S | undefined;
  /** Why an event may not follow, in words that say what would be right. */
  readonly mayFollow: (state: S | undefined, type: string, body: unknown) => string | undefined;
  readonly project: (tx: Tx, state: S) => Promise<void>;
  /** How a state is called when another window changed it. */
  readonly called: (state: S) => string;
}

/** What a writer sends: one event under its own key. */
export interface Write {
  readonly streamId: string;
  readonly key: string;
  readonly type: string;
  readonly body: unknown;
  /** The version the writer had seen; needed for types that do not commute. */
  readonly seen?: number | undefined;
  /** The maker's time, when it is not now. */
  readonly at?: string | undefined;
}

const ordered = (x: unknown): unknown => (Array.isArray(x) ? x.map(ordered) : x && typeof x === "object" ? Object.fromEntries(Object.entries(x).sort(([a], [b]) => (a < b ? -1 : 1)).map(([k, v]) => [k, ordered(v)])) : x);

/** A body's hash with its keys in order, so that the same thing sent twice is known for the same. */
export const sentHash = (type: string, body: unknown): string => createHash("sha256").update(`${type} ${JSON.stringify(ordered(body))}`).digest("hex");

/** A key that follows from others, for what is written along with an entry: the same again when that is sent again. */
export function followingKey(...from: readonly string[]): string {
  const h = createHash("sha256").update(from.join(" ")).digest("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-5${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** A journal row as an event of its stream, its body parsed and brought up to the present version. */
export const toEvent = <S extends { readonly seq: number }, E>(stream: Stream<S, E>, r: Row): E => ({ type: r.type, version: r.version, streamId: r.stream_id, seq: r.seq, key: r.key, at: r.at.toISOString(), day: r.day, body: stream.readBody(r.type, r.version, r.body) }) as E;

/** The events of one stream, in order of writing. */
export async function eventsOf<S extends { readonly seq: number }, E>(sql: Sql | Tx, stream: Stream<S, E>, id: string): Promise<E[]> {
  const rows = await sql<Row[]>`select stream_id, seq, key, type, version, at, day, body from event where stream_kind = ${stream.kind} and stream_id = ${id} order by seq`;
  return rows.map((r) => toEvent(stream, r));
}

const isFault = (x: unknown): x is Fault => typeof x === "object" && x !== null && "message" in x && "name" in x && "path" in x;

/**
 * Appends one event to a stream within a transaction. The same key with the same body answers what was written the first time; with another body it is refused.
 * Types that do not commute need the version the writer saw, and are refused with the present state when something came between.
 * @param complete makes the stored body from what was sent, inside the transaction (a code to be given, figures to be frozen)
 */
export async function appendWithin<S extends { readonly seq: number }, E>(tx: Tx, stream: Stream<S, E>, w: Write, complete?: (tx: Tx, state: S | undefined, day: string, events: readonly E[]) => Promise<unknown | Fault>): Promise<Written<S> | Refused<S>> {
  await tx`select pg_advisory_xact_lock(hashtextextended(${w.streamId}, 0))`;
  const sent = sentHash(w.type, w.body);
  const [same] = await tx<{ sent: string; stream_id: string; seq: number }[]>`select sent, stream_id, seq from event where key = ${w.key}`;
  const before = await eventsOf(tx, stream, w.streamId);
  const state = stream.fold(before);
  const at409 = (name: string, message: string): Refused<S> => ({ ok: false, status: 409, fault: fault(name, message), ...(state ? { state } : {}) });
  if (same) {
    if (same.sent !== sent || same.stream_id !== w.streamId) return { ok: false, status: 422, fault: fault("KeyReused", "This was sent before under the same key with other contents. Reload the page and try again.") };
    return { ok: true, state: state!, seq: same.seq, already: true };
  }
  if (!stream.commutes.has(w.type) && !(w.type === stream.begins && !state && w.seen === undefined) && w.seen !== state?.seq) {
    // A second beginning is told by what may follow, in its own words.
    const twice = w.type === stream.begins && w.seen === undefined ? stream.mayFollow(state, w.type, w.body) : undefined;
    return twice ? at409("NotNow", twice) : at409("ChangedMeanwhile", state ? `${stream.called(state)} was changed in another window since you opened this. Look at it again, then repeat this if it is still right.` : "It is not there.");
  }
  const not = stream.mayFollow(state, w.type, w.body);
  if (not) return at409("NotNow", not);
  const home = await household(tx);
  const at = w.at ?? now();
  const day = dayAt(at, home.zone);
  const completed = complete ? await complete(tx, state, day, before) : w.body;
  if (isFault(completed)) return { ok: false, status: 422, fault: completed };
  const version = stream.versions[w.type]!;
  const body = stream.readBody(w.type, version, completed);
  const seq = (state?.seq ?? 0) + 1;
  await tx`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body)
    values (${stream.kind}, ${w.streamId}, ${seq}, ${w.key}, ${sent}, ${w.type}, ${version}, ${at}, ${day}, ${tx.json(body as never)})`;
  const after = stream.fold([...before, { type: w.type, version, streamId: w.streamId, seq, key: w.key, at, day, body } as E])!;
  await stream.project(tx, after);
  return { ok: true, state: after, seq, already: false };
}
