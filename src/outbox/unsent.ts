import { dayAt } from "../core/day";
import { type Envelope, UnreadableEvent } from "../core/envelope";
import { type Letter, NOT_YET } from "./letter";
import { bodyNow } from "./resolved";

/** What a letter says of one stream, as an entry of its journal. */
type Entered = Envelope<string, unknown>;
/** What of a kind of journal has to be known to fold a letter into it. */
export interface StreamOf<S> {
  readonly entries: Readonly<Record<string, { readonly version: number }>>;
  readonly readBody: (type: string, version: number, body: unknown) => unknown;
  readonly fold: (events: readonly never[]) => S | undefined;
  readonly mayFollow: (state: S, type: string, body: unknown) => string | undefined;
}

/** A letter's entry; nothing where it is none, or where the house has to complete it. */
function entered<S>(
  letters: readonly Letter[],
  l: Letter,
  stream: StreamOf<S>,
  of: EnteredAt,
): Entered | undefined {
  const { type, at: said } = l.body;
  const row = typeof type === "string" ? stream.entries[type] : undefined;
  const body = bodyNow(letters, l);
  if (typeof type !== "string" || !row) return undefined;
  const at = typeof said === "string" ? said : new Date(of.timeOf(l.wroteAt)).toISOString();
  try {
    return {
      type,
      version: row.version,
      streamId: l.stream,
      seq: l.answer?.entry ?? NOT_YET + l.n,
      key: l.key,
      at,
      recordedAt: at,
      day: dayAt(at, of.zone),
      body: stream.readBody(type, row.version, body),
    };
  } catch (e) {
    if (e instanceof UnreadableEvent) return undefined;
    throw e;
  }
}

/** A letter whose reply was lost, and which stands in the journal all the same. */
function placed(l: Letter, seq: number | undefined): Letter {
  if (l.answer || seq === undefined) return l;
  return { ...l, answer: { seq, entry: seq, id: l.stream, already: true } };
}

interface EnteredAt {
  readonly zone: string;
  /** The house's time of an instant of this device, ms. */
  readonly timeOf: (wroteAtMs: number) => number;
}

/**
 * The entries of a journal as this device knows them: those it was told, and behind them what it wrote itself that they do not hold yet, sent or not.
 * What the house would not take after them is left out, and stands in the outbox alone.
 */
export function withUnsent<S, E extends { readonly key: string; readonly seq: number; readonly at: string }>(
  events: readonly E[],
  id: string,
  letters: readonly Letter[],
  stream: StreamOf<S>,
  of: EnteredAt,
): readonly E[] {
  const told = new Map(events.map((e) => [e.key, e.seq]));
  const known = letters.map((l) => placed(l, told.get(l.key)));
  const own = letters.filter(
    (l) => l.stream === id && (l.state === "waiting" || l.state === "written") && !told.has(l.key),
  );
  if (own.length === 0) return events;
  const begun = events[0]?.at ?? "";
  let all = events;
  for (const l of own) {
    const e = entered(known, l, stream, of);
    const state = e && stream.fold(all as readonly never[]);
    if (!e || !state || stream.mayFollow(state, e.type, e.body) !== undefined) continue;
    const at = e.at < begun ? begun : e.at;
    all = [...all, { ...e, at } as unknown as E];
  }
  return all;
}
