import { z } from "zod";
import type { Sql, Tx } from "./db";
import { realDay } from "../core/day";
import type { JournalEvent } from "../core/journal/events";
import { Place } from "../core/stores/settings";
import { type Household, household, settle, usualHousehold } from "./household";
import { type Row, sentHash, toEvent } from "./append";
import { BATCHES } from "./journal";
import { rebuild } from "./rebuild";
import { SETTINGS } from "./settings";
import { STORED } from "./stores";

/**
 * The open journal format: one JSON object a line. The first line is the household, every other an event, in order of writing.
 * It is what `backup` writes, `restore` reads and the demo is kept in; see docs/formats.md.
 */
export const JOURNAL_FORMAT = "jolly-crock/journal";
/** Version 2 added the stores and the household's money, version 3 its scales and places; older ones are read for ever. */
export const JOURNAL_VERSION = 3;

export const Head = z.strictObject({
  format: z.literal(JOURNAL_FORMAT),
  version: z.union([z.literal(1), z.literal(2), z.literal(JOURNAL_VERSION)]),
  household: z.strictObject({
    id: z.uuid(),
    name: z.string().min(1).max(80),
    zone: z.string().min(1).max(60),
    units: z.enum(["us", "metric", "imperial"]),
    currency: z.string().max(4).optional(),
    degrees: z.enum(["C", "F"]).optional(),
    lengths: z.enum(["cm", "in"]).optional(),
    places: z.array(Place).min(1).max(20).optional(),
  }),
});

export const EventLine = z.strictObject({
  /** What the stream is of; a batch where it is not said. */
  kind: z.enum(["batch", "store", "household"]).default("batch"),
  stream: z.uuid(),
  seq: z.number().int().min(1),
  key: z.uuid(),
  sent: z.string().max(80).optional(),
  type: z.string().min(1).max(40),
  version: z.number().int().min(1),
  at: z.iso.datetime({ offset: true }),
  recordedAt: z.iso.datetime({ offset: true }).optional(),
  day: realDay("is not a day the calendar has"),
  body: z.unknown(),
});

/** The household and its whole journal, as lines. */
export async function exportLines(sql: Sql): Promise<string[]> {
  // Whatever columns it has: a household is copied out before it is brought up to this build, too.
  const [row] = await sql<
    { home: Record<string, unknown> }[]
  >`select to_jsonb(h) - 'one' as home from household h`;
  if (!row) throw new Error("this database holds no household; open it with ./jolly start");
  const { id, name, zone, units, ...more } = row.home;
  const rows = await sql<(Row & { stream_kind: string; sent: string; recorded_at: Date })[]>`
    select stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body from event order by recorded_at, stream_id, seq`;
  return [
    JSON.stringify({
      format: JOURNAL_FORMAT,
      version: JOURNAL_VERSION,
      household: { id, name, zone, units, ...more },
    }),
    ...rows.map((r) =>
      JSON.stringify({
        kind: r.stream_kind,
        stream: r.stream_id,
        seq: r.seq,
        key: r.key,
        sent: r.sent,
        type: r.type,
        version: r.version,
        at: r.at.toISOString(),
        recordedAt: r.recorded_at.toISOString(),
        day: r.day,
        body: r.body,
      }),
    ),
  ];
}

export class BadJournal extends Error {
  override name = "BadJournal";
}

/**
 * Reads a journal into an empty database, all of it or nothing. Every line is parsed and every batch folded before the first is written.
 * Throws `BadJournal` naming the line.
 */
export async function importLines(
  sql: Sql,
  lines: readonly string[],
): Promise<{ household: Household; events: number }> {
  const parse = <T>(schema: z.ZodType<T>, i: number): T => {
    try {
      return schema.parse(JSON.parse(lines[i]!));
    } catch (e) {
      throw new BadJournal(
        `line ${i + 1}: ${e instanceof z.ZodError ? `${e.issues[0]!.path.join(".")} ${e.issues[0]!.message}` : (e as Error).message}`,
      );
    }
  };
  if (lines.length === 0) throw new BadJournal("the file is empty");
  const head = parse(Head, 0);
  const events = lines
    .slice(1)
    .flatMap((l, i) => (l.trim() === "" ? [] : [{ ...parse(EventLine, i + 1), line: i + 2 }]));
  // Every entry is read and every batch folded before the first is written.
  const batchStreams = new Map<string, JournalEvent[]>();
  const readers = {
    batch: (row: Row) =>
      void batchStreams.set(row.stream_id, [
        ...(batchStreams.get(row.stream_id) ?? []),
        toEvent(BATCHES, row),
      ]),
    store: (row: Row) => void toEvent(STORED, row),
    household: (row: Row) => void toEvent(SETTINGS, row),
  };
  for (const e of events) {
    const row: Row = {
      stream_id: e.stream,
      seq: e.seq,
      key: e.key,
      type: e.type,
      version: e.version,
      at: new Date(e.at),
      recorded_at: new Date(e.recordedAt ?? e.at),
      day: e.day,
      body: e.body,
    };
    try {
      readers[e.kind](row);
    } catch (x) {
      throw new BadJournal(`line ${e.line}: ${(x as Error).message}`);
    }
  }
  const batches = [...batchStreams.values()].map(BATCHES.fold);
  await sql.begin(async (tx: Tx) => {
    const [held] = await tx<{ n: number }[]>`select count(*)::int as n from event`;
    if (held!.n > 0) throw new BadJournal("this household already has a journal; restore into a new one");
    const said = Object.fromEntries(Object.entries(head.household).filter(([, v]) => v !== undefined));
    await settle(tx, { ...usualHousehold(head.household.units), ...said } as Household);
    for (const e of events) {
      await tx`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body, recorded_at)
        values (${e.kind}, ${e.stream}, ${e.seq}, ${e.key}, ${e.sent ?? sentHash(e.type, e.body)}, ${e.type}, ${e.version}, ${e.at}, ${e.day}, ${tx.json(e.body as never)}, ${e.recordedAt ?? e.at})`;
    }
    // Codes go on from the highest ever given.
    for (const b of batches) {
      const m = b ? /^([A-Z]{2})-(\d{2})-(\d+)$/.exec(b.code) : null;
      if (m)
        await tx`insert into code_counter (kind, year, last) values (${m[1]!}, ${2000 + Number(m[2])}, ${Number(m[3])}) on conflict (kind, year) do update set last = greatest(code_counter.last, excluded.last)`;
    }
  });
  await rebuild(sql);
  return { household: await household(sql), events: events.length };
}
