import { z } from "zod";
import { type JournalEvent, VERSIONS, readBody, EVENT_TYPES } from "../core/journal/events";
import { fold } from "../core/journal/fold";
import type { Sql, Tx } from "./db";
import { type Household, household, settle } from "./household";
import { sentHash } from "./journal";
import { rebuild } from "./projection";

/**
 * The open journal format: one JSON object a line. The first line is the household, every other an event, in order of writing.
 * It is what `backup` writes, `restore` reads and the demo is kept in; see docs/formats.md.
 */
export const JOURNAL_FORMAT = "jolly-crock/journal";

export const Head = z.strictObject({
  format: z.literal(JOURNAL_FORMAT),
  version: z.literal(1),
  household: z.strictObject({ id: z.uuid(), name: z.string().min(1).max(80), zone: z.string().min(1).max(60), units: z.enum(["us", "metric", "imperial"]) }),
});

export const EventLine = z.strictObject({
  stream: z.uuid(),
  seq: z.number().int().min(1),
  key: z.uuid(),
  sent: z.string().max(80).optional(),
  type: z.enum(EVENT_TYPES as [string, ...string[]]),
  version: z.number().int().min(1),
  at: z.iso.datetime({ offset: true }),
  recordedAt: z.iso.datetime({ offset: true }).optional(),
  day: z.string().regex(/^\d{4}-\d{2}-\d{2}$/),
  body: z.unknown(),
});

/** The household and its whole journal, as lines. */
export async function exportLines(sql: Sql): Promise<string[]> {
  const home = await household(sql);
  const rows = await sql<{ stream_id: string; seq: number; key: string; sent: string; type: string; version: number; at: Date; recorded_at: Date; day: string; body: unknown }[]>`
    select stream_id, seq, key, sent, type, version, at, recorded_at, day, body from event where stream_kind = 'batch' order by recorded_at, stream_id, seq`;
  return [
    JSON.stringify({ format: JOURNAL_FORMAT, version: 1, household: home }),
    ...rows.map((r) => JSON.stringify({ stream: r.stream_id, seq: r.seq, key: r.key, sent: r.sent, type: r.type, version: r.version, at: r.at.toISOString(), recordedAt: r.recorded_at.toISOString(), day: r.day, body: r.body })),
  ];
}

export class BadJournal extends Error {
  override name = "BadJournal";
}

/**
 * Reads a journal into an empty database, all of it or nothing. Every line is parsed and every batch folded before the first is written.
 * Throws `BadJournal` naming the line.
 */
export async function importLines(sql: Sql, lines: readonly string[]): Promise<{ household: Household; events: number }> {
  const parse = <T>(schema: z.ZodType<T>, i: number): T => {
    try {
      return schema.parse(JSON.parse(lines[i]!));
    } catch (e) {
      throw new BadJournal(`line ${i + 1}: ${e instanceof z.ZodError ? `${e.issues[0]!.path.join(".")} ${e.issues[0]!.message}` : (e as Error).message}`);
    }
  };
  if (lines.length === 0) throw new BadJournal("the file is empty");
  const head = parse(Head, 0);
  const events = lines.slice(1).flatMap((l, i) => (l.trim() === "" ? [] : [{ ...parse(EventLine, i + 1), line: i + 2 }]));
  const streams = new Map<string, JournalEvent[]>();
  for (const e of events) {
    try {
      const event = { type: e.type, version: e.version, streamId: e.stream, seq: e.seq, key: e.key, at: e.at, day: e.day, body: readBody(e.type, e.version, e.body) } as JournalEvent;
      streams.set(e.stream, [...(streams.get(e.stream) ?? []), event]);
    } catch (x) {
      throw new BadJournal(`line ${e.line}: ${(x as Error).message}`);
    }
  }
  for (const s of streams.values()) fold(s);
  await sql.begin(async (tx: Tx) => {
    const [held] = await tx<{ n: number }[]>`select count(*)::int as n from event`;
    if (held!.n > 0) throw new BadJournal("this household already has a journal; restore into a new one");
    await settle(tx, head.household);
    for (const e of events) {
      await tx`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body, recorded_at)
        values ('batch', ${e.stream}, ${e.seq}, ${e.key}, ${e.sent ?? sentHash(e.type, e.body)}, ${e.type}, ${e.version}, ${e.at}, ${e.day}, ${tx.json(e.body as never)}, ${e.recordedAt ?? e.at})`;
    }
    // Codes go on from the highest ever given.
    for (const s of streams.values()) {
      const code = fold(s)?.code;
      const m = code ? /^([A-Z]{2})-(\d{2})-(\d+)$/.exec(code) : null;
      if (m) await tx`insert into code_counter (kind, year, last) values (${m[1]!}, ${2000 + Number(m[2])}, ${Number(m[3])}) on conflict (kind, year) do update set last = greatest(code_counter.last, excluded.last)`;
    }
  });
  await rebuild(sql);
  return { household: head.household, events: events.length };
}

export { VERSIONS };
