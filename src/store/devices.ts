import { createHash, randomBytes, randomUUID } from "node:crypto";
import { z } from "zod";
import type { Sql, Tx } from "./db";

/*
 * Devices that are let into the house, and how its door stands. See migration 0021.
 */
export const ROLES = ["keeper", "hand"] as const;
export type Role = (typeof ROLES)[number];

export interface Device {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly madeAt: string;
  readonly seenAt: string;
  readonly until: string | undefined;
}

/** Days without a visit after which a device is a stranger again. */
export const UNUSED_DAYS = 90;
/** A visit is written down at most so often, s: a page is many requests. */
const SEEN_EVERY = 60;

interface Row {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly made_at: Date;
  readonly seen_at: Date;
  readonly until: Date | null;
}
const deviceOfRow = (r: Row): Device => ({
  id: r.id,
  name: r.name,
  role: r.role,
  madeAt: r.made_at.toISOString(),
  seenAt: r.seen_at.toISOString(),
  until: r.until?.toISOString(),
});

export const hashed = (token: string): Buffer => createHash("sha256").update(token).digest();

/** Lets a device in. @returns its token, which is told once and kept nowhere */
export async function admit(
  sql: Sql,
  d: { readonly name: string; readonly role: Role; readonly days?: number | undefined },
): Promise<{ readonly token: string; readonly id: string }> {
  const token = randomBytes(32).toString("base64url");
  const id = randomUUID();
  await sql`
    insert into device (id, name, role, token, until)
    values (${id}, ${d.name}, ${d.role}, ${hashed(token)},
            ${d.days === undefined ? null : sql`now() + make_interval(days => ${d.days})`})`;
  return { token, id };
}

/** The device that holds a token, as long as it is kept; being seen keeps it. */
export async function deviceOf(sql: Sql, token: string): Promise<Device | undefined> {
  if (!/^[A-Za-z0-9_-]{43}$/.test(token)) return undefined;
  const [row] = await sql<(Row & { stale: boolean })[]>`
    select id, name, role, made_at, seen_at, until, seen_at < now() - make_interval(secs => ${SEEN_EVERY}) as stale
    from device
    where token = ${hashed(token)} and ended_at is null and (until is null or until > now())
      and seen_at > now() - make_interval(days => ${UNUSED_DAYS})`;
  if (!row) return undefined;
  if (row.stale) await sql`update device set seen_at = now() where id = ${row.id}`;
  return deviceOfRow(row);
}

/** Devices that are kept, the last seen first. */
export async function devicesKept(sql: Sql): Promise<Device[]> {
  const rows = await sql<Row[]>`
    select id, name, role, made_at, seen_at, until from device
    where ended_at is null and (until is null or until > now())
      and seen_at > now() - make_interval(days => ${UNUSED_DAYS})
    order by seen_at desc, name`;
  return rows.map(deviceOfRow);
}

/** Sends one away, or all; from the next request on it is a stranger. @returns how many went */
export async function sendAway(sql: Sql | Tx, id: string | "all"): Promise<number> {
  const which = id === "all" ? sql`true` : sql`id = ${id}`;
  const gone = await sql`update device set ended_at = now() where ended_at is null and ${which} returning id`;
  return gone.length;
}

/** What the front says of itself. */
export const Front = z.object({
  at: z.array(z.string()),
  names: z.array(z.string()),
  refused: z.array(z.string()),
  port: z.number().int(),
  certificatePort: z.number().int(),
  fingerprint: z.string(),
});
export type Front = z.infer<typeof Front>;

export interface House {
  readonly opens: boolean;
  readonly phrase: string | undefined;
  readonly phraseAt: string | undefined;
  /** Minutes the door stands open still; none where it is shut. */
  readonly door:
    { readonly minutes: number; readonly role: Role; readonly days: number | undefined } | undefined;
  readonly certificateMinutes: number;
  readonly wrong: number;
  readonly wrongAt: string | undefined;
  readonly front: Front | undefined;
}

export async function houseOf(sql: Sql): Promise<House> {
  const [h] = await sql<
    {
      opens: boolean;
      phrase: string | null;
      phrase_at: Date | null;
      door: number | null;
      door_role: Role;
      door_days: number | null;
      certificate: number | null;
      wrong: number;
      wrong_at: Date | null;
      front: unknown;
    }[]
  >`
    select opens, phrase, phrase_at, door_role, door_days, wrong, wrong_at, front,
           extract(epoch from door_until - now())::float8 / 60 as door,
           extract(epoch from certificate_until - now())::float8 / 60 as certificate
    from house`;
  const front = Front.safeParse(h!.front);
  return {
    opens: h!.opens,
    phrase: h!.phrase ?? undefined,
    phraseAt: h!.phrase_at?.toISOString(),
    door:
      h!.door !== null && h!.door > 0
        ? { minutes: h!.door, role: h!.door_role, days: h!.door_days ?? undefined }
        : undefined,
    certificateMinutes: Math.max(0, h!.certificate ?? 0),
    wrong: h!.wrong,
    wrongAt: h!.wrong_at?.toISOString(),
    front: front.success ? front.data : undefined,
  };
}

/** Minutes the door stands open for a device to be let in, and the certificate to be taken. */
export const DOOR_MINUTES = 10;
export const CERTIFICATE_MINUTES = 15;
/** The door shuts itself after so many wrong phrases. */
export const MOST_WRONG = 20;

export async function openDoor(sql: Sql, role: Role, days: number | undefined): Promise<void> {
  await sql`
    update house set door_until = now() + make_interval(mins => ${DOOR_MINUTES}), door_role = ${role},
                     door_days = ${days ?? null}, wrong = 0`;
}
export const shutDoor = async (sql: Sql): Promise<void> =>
  void (await sql`update house set door_until = null`);
export const offerCertificate = async (sql: Sql): Promise<void> =>
  void (await sql`update house set certificate_until = now() + make_interval(mins => ${CERTIFICATE_MINUTES})`);
export const opensAgain = async (sql: Sql, opens: boolean): Promise<void> =>
  void (await sql`update house set opens = ${opens}`);
export const frontSays = async (sql: Sql, front: Front | undefined): Promise<void> =>
  void (await sql`update house set front = ${front ? sql.json(front as never) : null}`);

/** A new phrase sends all away: whoever knew the old one is a stranger. */
export async function changePhrase(sql: Sql, hash: string): Promise<void> {
  await sql.begin(async (tx) => {
    await tx`update house set phrase = ${hash}, phrase_at = now(), wrong = 0, door_until = null`;
    await sendAway(tx as unknown as Sql, "all");
  });
}

/** A wrong phrase is counted for the keeper to see; too many shut the door. */
export async function wrongPhrase(sql: Sql): Promise<void> {
  await sql`
    update house set wrong = wrong + 1, wrong_at = now(),
                     door_until = case when wrong + 1 >= ${MOST_WRONG} then null else door_until end`;
}
