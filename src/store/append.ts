import { fault, type Fault, isFault } from "../core/fault";
import { createHash } from "node:crypto";
import { type Day, dayAt } from "../core/day";
import { type ByDevice, type EntryRows, correctionsOf } from "../core/envelope";
import { whoAsks } from "./asking";
import { type Bare, byHand, othersOwn, stale } from "./may-append";
import type { Sql, Tx } from "./db";
import { household } from "./household";
import { tell } from "./live";
import { times } from "./times";

/** A row of the journal as the database gives it. */
export interface Row {
  readonly stream_id: string;
  readonly seq: number;
  readonly key: string;
  readonly type: string;
  readonly version: number;
  readonly at: Date;
  readonly recorded_at: Date;
  readonly day: string;
  readonly body: unknown;
  /** Asked for where it is shown or decides. */
  readonly by_device?: ByDevice | null;
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

/** Something that had to be written along with an entry was refused: the whole is undone. */
export class RefusedAlong extends Error {
  override name = "RefusedAlong";
  constructor(readonly fault: Fault) {
    super(fault.message);
  }
}

/** What sets one kind of stream apart from another: its types, its fold and its read table. */
export interface Stream<S extends { readonly seq: number }, E> {
  readonly kind: string;
  /** One row a type. */
  readonly entries: EntryRows<string>;
  /** The type that begins a stream. */
  readonly begins: string;
  readonly readBody: (type: string, version: number, body: unknown) => unknown;
  readonly fold: (events: readonly E[]) => S | undefined;
  /** Why an event may not follow, in words that say what would be right. */
  readonly mayFollow: (state: S | undefined, type: string, body: unknown) => string | undefined;
  readonly project: (tx: Tx, state: S) => Promise<void>;
  /** The instant before which nothing here can have been written: when what it begins with was. */
  readonly notBefore?: string;
  /** What cannot have happened in this order, in words that say what would be right; days are compared as the entries now stand. */
  readonly outOfOrder?: (events: readonly E[]) => string | undefined;
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
  /** The maker's time, when it is not now; or the day, where no more is known of it. */
  readonly at?: string | undefined;
  readonly on?: Day | undefined;
  /** How long ago it was done, ms, where the device that says so has a clock nobody trusts. */
  readonly ago?: number | undefined;
  /** The house writes it because of an entry elsewhere; it counts from then, or from when the stream began where that is later. */
  readonly along?: boolean;
}

/** With the keys of every object in one order, so that the same thing sent twice is the same text. */
function ordered(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(ordered);
  if (!x || typeof x !== "object") return x;
  const entries = Object.entries(x).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([k, v]) => [k, ordered(v)]));
}

/** A body's hash with its keys in order, so that the same thing sent twice is known for the same. */
export const sentHash = (type: string, body: unknown): string =>
  createHash("sha256")
    .update(`${type} ${JSON.stringify(ordered(body))}`)
    .digest("hex");

/** A key that follows from others, for what is written along with an entry: the same again when that is sent again. */
export function followingKey(...from: readonly string[]): string {
  const h = createHash("sha256").update(from.join(" ")).digest("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-5${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** A journal row as an event of its stream, its body parsed and brought up to the present version. */
export const toEvent = <S extends { readonly seq: number }, E>(
  stream: Pick<Stream<S, E>, "readBody">,
  r: Row,
): E =>
  ({
    type: r.type,
    version: r.version,
    streamId: r.stream_id,
    seq: r.seq,
    key: r.key,
    at: r.at.toISOString(),
    recordedAt: r.recorded_at.toISOString(),
    day: r.day,
    ...(r.by_device ? { by: r.by_device } : {}),
    body: stream.readBody(r.type, r.version, r.body),
  }) as E;

/** The events of one stream, in order of writing. */
export async function eventsOf<S extends { readonly seq: number }, E>(
  sql: Sql | Tx,
  stream: Stream<S, E>,
  id: string,
): Promise<E[]> {
  const rows = await sql<
    Row[]
  >`select stream_id, seq, key, type, version, at, recorded_at, day, body, by_device from event where stream_kind = ${stream.kind} and stream_id = ${id} order by seq`;
  return rows.map((r) => toEvent(stream, r));
}

/**
 * Whether what came after an entry still holds once it is corrected: every later entry is asked again whether it may follow.
 * The body itself is checked by `complete`, exactly as the entry's own was.
 */
function upsets<S extends { readonly seq: number }, E>(
  stream: Stream<S, E>,
  before: readonly E[],
  correction: E,
): Fault | undefined {
  const target = (before as readonly Bare[]).find(
    (e) => e.seq === (correction as Bare & { body: { seq: number } }).body.seq,
  );
  if (!target || target.type === "corrected")
    return fault("NoSuchEntry", "There is no such entry to correct.", ["seq"]);
  const { body } = (correction as Bare).body as { body: unknown };
  // What never began has nothing after it that could fail to hold.
  if (body === null && target.type === stream.begins) return undefined;
  const all = [...before, correction];
  const undone = new Set(
    [...correctionsOf(all as readonly Bare[])].flatMap(([seq, c]) => (c.body === null ? [seq] : [])),
  );
  const deciding = all.filter((e) => stream.entries[(e as Bare).type]!.decides) as readonly (E & Bare)[];
  // Folded anew only where something stands between that decides: six hundred readings ask the same of one state.
  let [state, counted]: [S | undefined, number] = [undefined, -1];
  for (const later of before as readonly Bare[]) {
    if (later.seq <= target.seq || later.type === "corrected" || undone.has(later.seq)) continue;
    const before = deciding.filter((e) => e.type === "corrected" || e.seq < later.seq);
    if (before.length !== counted) [state, counted] = [stream.fold(before), before.length];
    const not = stream.mayFollow(state, later.type, later.body);
    if (not)
      return fault(
        "ComesAfter",
        `What came after would no longer hold. ${not} Correct the later entry first.`,
        ["seq"],
      );
  }
  return undefined;
}

/** The answer to a key that was written before: what it wrote, or a refusal where it now says something else. */
async function answered<S extends { readonly seq: number }>(
  tx: Tx,
  w: Write,
  sent: string,
  state: S | undefined,
): Promise<Written<S> | Refused<S> | undefined> {
  const [same] = await tx<
    { sent: string; stream_id: string; seq: number }[]
  >`select sent, stream_id, seq from event where key = ${w.key}`;
  if (!same) return undefined;
  if (same.sent === sent && same.stream_id === w.streamId)
    return { ok: true, state: state!, seq: same.seq, already: true };
  const message =
    "This was sent before under the same key with other contents. Reload the page and try again.";
  return { ok: false, status: 422, fault: fault("KeyReused", message) };
}

/** Holds a stream until the transaction ends; held once more it is still held once. */
export const lockStream = async (tx: Tx, id: string): Promise<void> =>
  void (await tx`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`);

/**
 * Appends one event to a stream within a transaction. The same key with the same body answers what was written the first time; with another body it is refused.
 * Types that do not commute need the version the writer saw, and are refused with the present state when something came between.
 * @param complete makes the stored body from what was sent, inside the transaction (a code to be given, figures to be frozen)
 */
export async function appendWithin<S extends { readonly seq: number }, E>(
  tx: Tx,
  stream: Stream<S, E>,
  w: Write,
  complete?: (tx: Tx, state: S | undefined, day: string, events: readonly E[]) => Promise<unknown | Fault>,
): Promise<Written<S> | Refused<S>> {
  await lockStream(tx, w.streamId);
  const sent = sentHash(w.type, w.body);
  const before = await eventsOf(tx, stream, w.streamId);
  const state = stream.fold(before);
  const refused = (status: 409 | 422, f: Fault): Refused<S> => ({
    ok: false,
    status,
    fault: f,
    ...(state ? { state } : {}),
  });
  const already = await answered(tx, w, sent, state);
  if (already) return already;
  const notByHand = byHand(stream, w, before as readonly Bare[]);
  if (notByHand) return refused(422, notByHand);
  const notYours = othersOwn(w, before as readonly Bare[]);
  if (notYours) return refused(422, notYours);
  const old = stale(stream, w, state, before as readonly Bare[]);
  if (old) return refused(409, old);
  const not = stream.mayFollow(state, w.type, w.body);
  if (not) return refused(409, fault("NotNow", not));
  const { zone } = await household(tx);
  const when = times(before as readonly Bare[], w, { ...stream, zone });
  if (isFault(when)) return refused(422, when);
  const { at, recordedAt } = when;
  const day = dayAt(at, zone);
  const completed = complete ? await complete(tx, state, day, before) : w.body;
  if (isFault(completed)) return { ok: false, status: 422, fault: completed };
  const { version } = stream.entries[w.type]!;
  const body = stream.readBody(w.type, version, completed);
  const seq = ((before as readonly Bare[]).at(-1)?.seq ?? 0) + 1;
  const { by } = whoAsks();
  const event = {
    type: w.type,
    version,
    streamId: w.streamId,
    seq,
    key: w.key,
    at,
    recordedAt,
    day,
    ...(by ? { by } : {}),
    body,
  } as E;
  const upset = w.type === "corrected" ? upsets(stream, before, event) : undefined;
  if (upset) return refused(422, upset);
  const disorder = stream.outOfOrder?.([...before, event]);
  // What stood so before, of an older build, is no reason to take nothing more.
  if (disorder && disorder !== stream.outOfOrder?.(before))
    return refused(422, fault("OutOfOrder", disorder, ["on"]));
  await tx`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body, by_device)
    values (${stream.kind}, ${w.streamId}, ${seq}, ${w.key}, ${sent}, ${w.type}, ${version}, ${at}, ${recordedAt}, ${day}, ${tx.json(body as never)}, ${by ? tx.json(by as never) : null})`;
  // What is written along with an entry is told by that one.
  if (w.along !== true) await tell(tx, w.key, w.streamId);
  const after = stream.fold([...before, event])!;
  await stream.project(tx, after);
  return { ok: true, state: after, seq, already: false };
}
