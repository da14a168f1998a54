import { z } from "zod";
import type { Sql, Tx } from "./db";
import { ByDevice } from "../core/envelope";
import { isZone } from "../core/day";
import { realDay } from "../core/real-day";
import { Place, Weeks } from "../core/stores/settings";
import { type Household, household, settle, usualHousehold } from "./household";
import { type Row, type Stream, sentHash, toEvent } from "./append";
import { BOTTLES } from "./bottles";
import { BATCHES } from "./journal";
import { type HouseFile, putBackFile } from "./pictures";
import { RECIPES } from "./recipes";
import { remake } from "./rebuild";
import { SEASON } from "./season";
import { SETTINGS } from "./settings";
import { STORED } from "./stores";

/**
 * The open journal format: one JSON object a line. The first line is the household, every other an event, in order of writing.
 * It is what `backup` writes, `restore` reads and the demo is kept in; see docs/formats.md.
 */
export const JOURNAL_FORMAT = "jolly-crock/journal";
/** Version 2 added the stores and the household's money, version 3 its scales and places, version 4 its recipes, version 5 the device an entry was written on, version 6 the season; older ones are read for ever. */
export const JOURNAL_VERSION = 6;

export const Head = z.strictObject({
  format: z.literal(JOURNAL_FORMAT),
  version: z
    .number()
    .int()
    .min(1)
    .max(
      JOURNAL_VERSION,
      `is newer than this build reads, which is ${JOURNAL_VERSION}; start the newer build`,
    ),
  household: z.strictObject({
    id: z.uuid(),
    name: z.string().min(1).max(80),
    zone: z.string().min(1).max(60).refine(isZone, "is not a time zone like Europe/London"),
    units: z.enum(["us", "metric", "imperial"]),
    currency: z.string().max(4).optional(),
    degrees: z.enum(["C", "F"]).optional(),
    lengths: z.enum(["cm", "in"]).optional(),
    places: z.array(Place).min(1).max(20).optional(),
    weeks: Weeks.optional(),
  }),
});

export const EventLine = z.strictObject({
  /** What the stream is of; a batch where it is not said. */
  kind: z.enum(["batch", "bottle", "store", "household", "recipe", "season"]).default("batch"),
  stream: z.uuid(),
  seq: z.number().int().min(1),
  key: z.uuid(),
  sent: z.string().max(80).optional(),
  type: z.string().min(1).max(40),
  version: z.number().int().min(1),
  at: z.iso.datetime({ offset: true }),
  recordedAt: z.iso.datetime({ offset: true }).optional(),
  day: realDay("is not a day the calendar has"),
  by: ByDevice.optional(),
  body: z.unknown(),
});

/** How many entries are held at a time, going out or coming in. */
const AT_A_TIME = 1000;

/** The household and its whole journal, a line at a time, as it stands at one moment. */
export async function* journalLines(sql: Sql): AsyncGenerator<string> {
  // Whatever columns it has: a household is copied out before it is brought up to this build, too.
  const [row] = await sql<
    { home: Record<string, unknown> }[]
  >`select to_jsonb(h) - 'one' as home from household h`;
  if (!row) throw new Error("this database holds no household; open it with ./jolly start");
  const { id, name, zone, units, ...more } = row.home;
  const home = { id, name, zone, units, ...more };
  yield JSON.stringify({ format: JOURNAL_FORMAT, version: JOURNAL_VERSION, household: home });
  // One statement sees one moment, however long it is read.
  const rows = sql<(Row & { stream_kind: string; sent: string; recorded_at: Date })[]>`
    select stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body, to_jsonb(event) -> 'by_device' as by_device from event order by recorded_at, stream_id, seq`;
  for await (const some of rows.cursor(AT_A_TIME))
    for (const r of some)
      yield JSON.stringify({
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
        ...(r.by_device ? { by: r.by_device } : {}),
        body: r.body,
      });
}

/** All of them, for a household that is small enough to hold. */
export async function exportLines(sql: Sql): Promise<string[]> {
  const lines: string[] = [];
  for await (const line of journalLines(sql)) lines.push(line);
  return lines;
}

export class BadJournal extends Error {
  override name = "BadJournal";
}

const wordsOf = (e: unknown): string =>
  e instanceof z.ZodError ? `${e.issues[0]!.path.join(".")} ${e.issues[0]!.message}` : (e as Error).message;

/** A line through its schema. Throws `BadJournal` with its number. */
function parsed<T>(schema: z.ZodType<T>, text: string, line: number): T {
  try {
    return schema.parse(JSON.parse(text));
  } catch (e) {
    throw new BadJournal(`line ${line}: ${wordsOf(e)}`);
  }
}

/** Any stream, for what is asked of all of them. */
type AnyStream = Pick<Stream<{ readonly seq: number }, unknown>, "readBody">;
export const STREAMS: Readonly<Record<z.infer<typeof EventLine>["kind"], AnyStream>> = {
  batch: BATCHES as unknown as AnyStream,
  bottle: BOTTLES as unknown as AnyStream,
  store: STORED as unknown as AnyStream,
  household: SETTINGS as unknown as AnyStream,
  recipe: RECIPES as unknown as AnyStream,
  season: SEASON as unknown as AnyStream,
};

/** Reads entries one by one: each as what its type says, each next in its stream. Throws `BadJournal` with the line. */
class Reader {
  private readonly last = new Map<string, number>();

  read(text: string, line: number): { readonly entry: z.infer<typeof EventLine>; readonly row: Row } {
    const entry = parsed(EventLine, text, line);
    const before = this.last.get(entry.stream) ?? 0;
    if (entry.seq !== before + 1)
      throw new BadJournal(
        `line ${line}: entry ${entry.seq} of its stream follows ${before === 0 ? "nothing" : `entry ${before}`}; the journal was cut or put in another order`,
      );
    this.last.set(entry.stream, entry.seq);
    const row: Row = {
      stream_id: entry.stream,
      seq: entry.seq,
      key: entry.key,
      type: entry.type,
      version: entry.version,
      at: new Date(entry.at),
      recorded_at: new Date(entry.recordedAt ?? entry.at),
      day: entry.day,
      body: entry.body,
      by_device: entry.by ?? null,
    };
    try {
      toEvent(STREAMS[entry.kind], row);
    } catch (x) {
      throw new BadJournal(`line ${line}: ${(x as Error).message}`);
    }
    return { entry, row };
  }
}

type Writable = Record<string, unknown>;

async function write(tx: Tx, rows: readonly Writable[]): Promise<void> {
  if (rows.length === 0) return;
  try {
    await tx`insert into event ${tx(rows as never)}`;
  } catch (e) {
    if ((e as { code?: string }).code === "23505")
      throw new BadJournal("two entries of the file have one key or one place");
    throw e;
  }
}

/** What the read tables forbid of a whole journal, in words. */
function clash(e: unknown): unknown {
  const { code, constraint_name: name, detail } = e as Record<string, string | undefined>;
  if (code !== "23505") return e;
  const what = name?.startsWith("bottle") ? "two bottles have one id" : "two batches have one code";
  return new BadJournal(`${what} (${detail ?? ""}); the journal does not hold together`);
}

/**
 * Reads a journal into an empty database, all of it or nothing: entries, read tables and running numbers are one transaction. Lines are read as
 * they come, so that a large one is never held whole. Throws `BadJournal` naming the line.
 */
export async function importFrom(
  sql: Sql,
  lines: AsyncIterable<string> | Iterable<string>,
  files: () => AsyncIterable<HouseFile> | Iterable<HouseFile> = () => [],
): Promise<{ household: Household; events: number }> {
  const events = (await sql.begin(async (tx: Tx) => {
    const [held] = await tx<{ n: number }[]>`select count(*)::int as n from event`;
    if (held!.n > 0) throw new BadJournal("this household already has a journal; restore into a new one");
    const reader = new Reader();
    let [line, count, headed] = [0, 0, false];
    let waiting: Writable[] = [];
    for await (const text of lines) {
      line += 1;
      if (!headed) {
        headed = true;
        const { household: said } = parsed(Head, text, line);
        const { weeks, ...more } = said;
        const known = Object.fromEntries(Object.entries(more).filter(([, v]) => v !== undefined));
        await settle(tx, { ...usualHousehold(said.units), ...known, ...weeks } as Household);
        continue;
      }
      if (text.trim() === "") continue;
      const { entry: e, row } = reader.read(text, line);
      const { stream_id, seq, key, type, version, at, recorded_at, day } = row;
      const sent = e.sent ?? sentHash(e.type, e.body);
      const body = tx.json(e.body as never);
      waiting.push({
        stream_kind: e.kind,
        ...{ stream_id, seq, key, sent, type, version, at, recorded_at, day, body },
        by_device: e.by ? tx.json(e.by) : null,
      });
      count += 1;
      if (waiting.length < AT_A_TIME) continue;
      await write(tx, waiting);
      waiting = [];
    }
    if (!headed) throw new BadJournal("the file is empty");
    await write(tx, waiting);
    try {
      await remake(tx);
    } catch (e) {
      throw clash(e);
    }
    for await (const f of files())
      if (!(await putBackFile(tx, f)))
        throw new BadJournal(`${f.name} in the backup is no photograph of a batch`);
    // Codes go on from the highest ever given.
    await tx`insert into code_counter (kind, year, last)
      select split_part(code, '-', 1), 2000 + split_part(code, '-', 2)::int, max(split_part(code, '-', 3)::int) from batch group by 1, 2
      on conflict (kind, year) do update set last = greatest(code_counter.last, excluded.last)`;
    return count;
  })) as number;
  return { household: await household(sql), events };
}

/** The same from lines that are held already. */
export const importLines = (
  sql: Sql,
  lines: readonly string[],
): Promise<{ household: Household; events: number }> => importFrom(sql, lines);
