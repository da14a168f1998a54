import { z } from "zod";
import { type Fault, fault } from "../core/fault";
import { NOT_YET } from "../outbox/letter";
import { askedBy } from "./asking";
import { writeBottle } from "./bottles";
import { now } from "./clock";
import type { Sql } from "./db";
import { EventRequest, write } from "./entries";
import { StoreRequest, keep } from "./stores";

/*
 * The last thing a device that was sent away may do: hand in what it wrote and could not send. See migration 0025.
 */

/** Days after it was sent away in which it may do so. */
const MAY_FOR_DAYS = 30;
/** Letters of one device that are held, and how long one may be. */
const [MOST, MOST_TEXT] = [400, 20_000];

const ID = "[0-9a-f-]{36}";
const HandedLetter = z.strictObject({
  key: z.uuid(),
  n: z.number().int().min(1).max(NOT_YET),
  url: z.string().regex(new RegExp(`^/api/(?:(?:batches|bottles)/${ID}|stores|batches|standing|recipes)$`)),
  stream: z.uuid(),
  body: z.record(z.string().max(40), z.unknown()),
  ago: z
    .number()
    .int()
    .min(0)
    .max(90 * 24 * 60 * 60_000),
});
export const HandIn = z.strictObject({ letters: z.array(HandedLetter).max(MOST) });
export type HandIn = z.infer<typeof HandIn>;

interface Away {
  readonly id: string;
  readonly name: string;
}

/** The device that held this token until it was sent away, not so long ago. @param token its SHA-256 */
export async function awayDevice(sql: Sql, token: Buffer): Promise<Away | undefined> {
  const [row] = await sql<Away[]>`
    select id, name from device where token = ${token} and ended_at > now() - make_interval(days => ${MAY_FOR_DAYS})`;
  return row;
}

/** Holds what a device hands in, as much as there is room for. @returns the keys of what is held */
export async function handIn(sql: Sql, device: string, { letters }: HandIn): Promise<readonly string[]> {
  return sql.begin(async (tx) => {
    await tx`select 1 from device where id = ${device} for update`;
    const held = await tx<{ key: string }[]>`select key from handed_in where device = ${device}`;
    const known = new Set(held.map((h) => h.key));
    let room = MOST - held.length;
    for (const l of letters) {
      if (known.has(l.key) || room <= 0 || JSON.stringify(l.body).length > MOST_TEXT) continue;
      const at = new Date(Date.parse(now()) - l.ago).toISOString();
      const done = await tx`
        insert into handed_in (key, device, n, url, stream, body, wrote_at)
        values (${l.key}, ${device}, ${l.n}, ${l.url}, ${l.stream}, ${tx.json(l.body as never)}, ${at})
        on conflict (key) do nothing returning key`;
      if (done.length > 0) known.add(l.key);
      room--;
    }
    return letters.map((l) => l.key).filter((k) => known.has(k));
  });
}

/** What waits for a keeper, as it was written. */
export interface Held {
  readonly key: string;
  readonly device: string;
  readonly by: string;
  readonly n: number;
  readonly url: string;
  readonly stream: string;
  readonly body: Readonly<Record<string, unknown>>;
  readonly wroteAt: string;
}
interface HeldRow extends Omit<Held, "wroteAt"> {
  readonly wrote_at: Date;
}
const heldOf = ({ wrote_at, ...row }: HeldRow): Held => ({
  ...row,
  n: Number(row.n),
  wroteAt: wrote_at.toISOString(),
});

/** What waits, device by device, in the order it was written. */
export async function heldNow(sql: Sql): Promise<readonly Held[]> {
  const rows = await sql<HeldRow[]>`
    select h.key, h.device, d.name as by, h.n, h.url, h.stream, h.body, h.wrote_at
    from handed_in h join device d on d.id = h.device
    where h.settled is null order by d.name, h.device, h.n limit 500`;
  return rows.map(heldOf);
}

const NOT_THERE = fault("NotThere", "It was settled already.");

/** Lets it be: it is not written. */
export async function letBe(sql: Sql, key: string): Promise<Fault | undefined> {
  const done = await sql`
    update handed_in set settled = 'dropped' where key = ${key} and settled is null returning key`;
  return done.length > 0 ? undefined : NOT_THERE;
}

/** Writes it down as it was written on the device, under its own key and in its name. */
export async function takeIn(sql: Sql, key: string): Promise<Fault | undefined> {
  const held = (await heldNow(sql)).find((h) => h.key === key);
  if (!held) return NOT_THERE;
  const by = { id: held.device, name: held.by };
  const refused = await askedBy({ role: "hand", by }, () => written(sql, held));
  if (refused) return refused;
  await sql`update handed_in set settled = 'taken' where key = ${key}`;
  return undefined;
}

/** An entry that stands where one of the device's own letters stood: its place in the journal, once that was taken in. */
async function placeOf(sql: Sql, held: Held, seq: unknown): Promise<number | undefined> {
  if (typeof seq !== "number" || seq < NOT_YET) return typeof seq === "number" ? seq : undefined;
  const [row] = await sql<{ seq: number }[]>`
    select e.seq from handed_in h join event e on e.key = h.key
    where h.device = ${held.device} and h.n = ${seq - NOT_YET}`;
  return row?.seq;
}

const NOT_WRITTEN = fault(
  "NeverWritten",
  "What this puts right was not taken in. Take that in first, or let this be.",
);
const BY_HAND = fault(
  "ByHand",
  "This cannot be taken in by a touch. It is shown as it was written: say it anew on its own page, and let it be here.",
);

async function written(sql: Sql, held: Held): Promise<Fault | undefined> {
  const { url, body, wroteAt, key } = held;
  const said = body["body"] as Readonly<Record<string, unknown>> | undefined;
  const of = await placeOf(sql, held, body["type"] === "corrected" ? said?.["seq"] : undefined);
  if (body["type"] === "corrected" && of === undefined) return NOT_WRITTEN;
  // A keeper takes it in as things stand now.
  const [is] = await sql<{ seq: number }[]>`
    select coalesce(max(seq), 0)::int as seq from event where stream_id = ${held.stream}`;
  const { seen: _, ...rest } = body;
  const now = {
    ...rest,
    key,
    ...(is!.seq > 0 ? { seen: is!.seq } : {}),
    ...(of ? { body: { ...said, seq: of } } : {}),
  };
  const timed = { at: wroteAt, ...now };
  if (url === "/api/stores") {
    const r = StoreRequest.safeParse(now);
    return r.success ? faultOf(await keep(sql, r.data)) : BY_HAND;
  }
  const r = EventRequest.safeParse(timed);
  if (!r.success) return BY_HAND;
  if (url === `/api/batches/${held.stream}`) return faultOf(await write(sql, held.stream, r.data));
  if (url === `/api/bottles/${held.stream}`) return faultOf(await writeBottle(sql, held.stream, r.data));
  return BY_HAND;
}

const faultOf = (
  w: { readonly ok: true } | { readonly ok: false; readonly fault: Fault },
): Fault | undefined => (w.ok ? undefined : w.fault);
