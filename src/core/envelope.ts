import { z } from "zod";
import { realDay } from "./real-day";

/** A journal entry that cannot be read: a type from a newer build, or a body that is not what its type says. */
export class UnreadableEvent extends Error {
  override name = "UnreadableEvent";
}

/** The device of the house an entry was written on, as it was called then. */
export const ByDevice = z.strictObject({ id: z.uuid(), name: z.string().min(1).max(60) });
export type ByDevice = z.infer<typeof ByDevice>;

/** What every entry of every journal carries round its body. */
export interface Envelope<T extends string, B> {
  readonly type: T;
  readonly version: number;
  readonly streamId: string;
  readonly seq: number;
  /** The writer's idempotency key. */
  readonly key: string;
  /** The maker's time, ISO instant: may be earlier than it was written down, never before the stream began. */
  readonly at: string;
  /** When it was written down, ISO instant: never goes backward in a stream. */
  readonly recordedAt: string;
  /** The household's calendar day of `at`. */
  readonly day: string;
  /** Nothing where it was written on the machine itself. */
  readonly by?: ByDevice | undefined;
  readonly body: B;
}

/** What is known of one type of entry of a journal, beside its body and what it makes of the state. */
export interface EntryRow {
  /** Its present version; older ones are brought up on reading. */
  readonly version: number;
  /** It is taken whatever the writer had seen; the others need the version the writer saw. */
  readonly commutes: boolean;
  /** Whoever decides must have seen it: a thermometer that goes on reading is no other window. */
  readonly noticed: boolean;
  /** What may follow hangs on it. */
  readonly decides: boolean;
  /** The house writes it along with an entry elsewhere, and no hand writes it or puts it right. */
  readonly byHouse: boolean;
  /** The stores and the bottles of ours follow it: what it takes of them is written along with it. */
  readonly moves: boolean;
}
export type EntryRows<T extends string> = Readonly<Record<T, EntryRow>>;
export const entryRow = (
  version: number,
  ...is: readonly Exclude<keyof EntryRow, "version">[]
): EntryRow => ({
  version,
  commutes: is.includes("commutes"),
  noticed: is.includes("noticed"),
  decides: is.includes("decides"),
  byHouse: is.includes("byHouse"),
  moves: is.includes("moves"),
});

/** How a body of one version becomes one of the next. */
export type Upcasts = Readonly<Record<string, Readonly<Record<number, (body: unknown) => unknown>>>>;

/**
 * Reads stored bodies of one kind of journal: brought up from whatever version they are, parsed, refused where the type is not known or the
 * version newer, never skipped. Throws `UnreadableEvent`.
 * @param journal how the journal is called in what is said, e.g. "the stores"
 */
export function bodyReader(
  journal: string,
  bodies: Readonly<Record<string, z.ZodType>>,
  rows: EntryRows<string>,
  upcasts: Upcasts = {},
): (type: string, version: number, body: unknown) => unknown {
  return (type, version, body) => {
    const schema = Object.hasOwn(bodies, type) ? bodies[type] : undefined;
    if (!schema)
      throw new UnreadableEvent(
        `${journal} holds an entry of type “${type}”, which this build does not know; start the newer build`,
      );
    const newest = rows[type]!.version;
    if (version > newest)
      throw new UnreadableEvent(
        `${journal} holds “${type}” in version ${version}, newer than this build reads`,
      );
    let is = body;
    try {
      for (let v = version; v < newest; v++) is = upcasts[type]?.[v]?.(is) ?? is;
    } catch (e) {
      throw new UnreadableEvent(`an entry “${type}” of ${journal} cannot be read: ${(e as Error).message}`);
    }
    const parsed = schema.safeParse(is);
    if (!parsed.success)
      throw new UnreadableEvent(
        `an entry “${type}” of ${journal} cannot be read: ${parsed.error.issues[0]?.message ?? "unknown"}`,
      );
    return parsed.data;
  };
}

/** What happened, in the order it happened: by the maker's time, then by order of writing. */
export const asHappened = <E extends { readonly at: string; readonly seq: number }>(
  events: readonly E[],
): E[] => [...events].sort((a, b) => inTime(a.at, b.at) || a.seq - b.seq);
/** What is so, in the order it was said: by order of writing alone, whatever the clock showed. */
export const asWritten = <E extends { readonly seq: number }>(events: readonly E[]): E[] =>
  [...events].sort((a, b) => a.seq - b.seq);

/** ISO instants of one form compare as text. */
const inTime = (a: string, b: string): number => {
  if (a === b) return 0;
  return a < b ? -1 : 1;
};

/** A correction of an entry: what it should have said, or nothing where it did not happen. */
export interface Correction {
  readonly seq: number;
  readonly body: unknown;
  readonly why: string | undefined;
  /** The correction's own place in the stream. */
  readonly by: number;
  /** When it really happened, where that was wrong too. */
  readonly on: { readonly at: string; readonly day: string } | undefined;
}

/** The body of a correction: which entry, what it should have said, and when it really happened where that is said. */
export const correctedBody = {
  seq: z.number().int().min(1),
  body: z.unknown(),
  why: z.string().max(300).optional(),
  at: z.iso.datetime({ offset: true }).optional(),
  day: realDay("Write a day the calendar has, like 2027-01-31.").optional(),
} as const;

/** Entries at the times they really happened: of one whose day was put right, the last that was said. */
export function asTimed<E extends Envelope<string, unknown>>(
  events: readonly E[],
  corrections: ReadonlyMap<number, Correction>,
): readonly E[] {
  if (corrections.size === 0) return events;
  return events.map((e) => {
    const on = corrections.get(e.seq)?.on;
    return on ? { ...e, ...on } : e;
  });
}

/** What stands of a stream, each entry when it really happened and in that order; what was taken back is not in it. */
export function standing<E extends Envelope<string, unknown>>(events: readonly E[]): readonly E[] {
  const corrections = correctionsOf(events);
  return asHappened(asTimed(events, corrections)).filter(
    (e) => e.type !== "corrected" && corrections.get(e.seq)?.body !== null,
  );
}

interface CorrectedBody {
  readonly seq: number;
  readonly body: unknown;
  readonly why?: string;
  readonly at?: string;
  readonly day?: string;
}

/** The last correction of each entry, by order of writing. */
export function correctionsOf(
  events: readonly { readonly type: string; readonly seq: number; readonly body: unknown }[],
): ReadonlyMap<number, Correction> {
  const out = new Map<number, Correction>();
  for (const e of asWritten(events)) {
    if (e.type !== "corrected") continue;
    const { seq, body, why, at, day } = e.body as CorrectedBody;
    // A day that was put right stays so where only the words are put right later.
    const on = at && day ? { at, day } : out.get(seq)?.on;
    out.set(seq, { seq, body, why, by: e.seq, on });
  }
  return out;
}
