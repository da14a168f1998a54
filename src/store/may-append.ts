import { type Fault, fault } from "../core/fault";
import type { ByDevice, EntryRows } from "../core/envelope";
import type { Stream, Write } from "./append";
import { whoAsks } from "./asking";

/*
 * Why an entry may not be added to a journal: who writes it, and what they had seen.
 */
/** An event as it stands before it is numbered: what every journal's entries share. */
export interface Bare {
  readonly type: string;
  readonly seq: number;
  readonly at: string;
  readonly recordedAt: string;
  readonly by?: ByDevice | undefined;
  readonly body: unknown;
}

const ANOTHER_WINDOW =
  "was changed in another window since you opened this. Look at it again, then repeat this if it is still right.";

/** A hand puts right what was written on its own device; the rest is a keeper's. */
export function othersOwn(w: Write, before: readonly Bare[]): Fault | undefined {
  const { role, by } = whoAsks();
  if (w.type !== "corrected" || role === "keeper") return undefined;
  const of = before.find((e) => e.seq === (w.body as { seq?: number } | null)?.seq);
  if (!of || of.by?.id === by?.id) return undefined;
  const whose = of.by ? `on “${of.by.name}”` : "on the house’s own machine";
  return fault("KeepersOnly", `That was written ${whose}. Put it right there, or ask a keeper.`);
}

/** What the house writes along with an entry elsewhere is written and put right there alone. */
export function byHand<S extends { readonly seq: number }, E>(
  stream: Stream<S, E>,
  w: Write,
  before: readonly Bare[],
): Fault | undefined {
  if (w.along) return undefined;
  const { seq } = (w.type === "corrected" ? (w.body as { seq?: number } | null) : null) ?? {};
  const type = before.find((e) => e.seq === seq)?.type ?? w.type;
  return stream.entries[type]?.byHouse
    ? fault("NotByHand", "This follows from what a batch says. Put that right, and this follows.", ["seq"])
    : undefined;
}
/** Whether a writer saw the last entry that it could decide by. */
function sawEnough(entries: EntryRows<string>, seen: number | undefined, before: readonly Bare[]): boolean {
  if (seen === undefined || seen > (before.at(-1)?.seq ?? 0)) return false;
  return before.every((e) => e.seq <= seen || !entries[e.type]!.noticed);
}

/** Why a type that does not commute is refused: it began already, or another window came between. */
export function stale<S extends { readonly seq: number }, E>(
  stream: Stream<S, E>,
  w: Write,
  state: S | undefined,
  before: readonly Bare[],
): Fault | undefined {
  if (stream.entries[w.type]!.commutes) return undefined;
  const begins = w.type === stream.begins && w.seen === undefined;
  if ((begins && !state) || sawEnough(stream.entries, w.seen, before)) return undefined;
  // A second beginning is told by what may follow, in its own words.
  const twice = begins ? stream.mayFollow(state, w.type, w.body) : undefined;
  if (twice) return fault("NotNow", twice);
  return fault("ChangedMeanwhile", state ? `${stream.called(state)} ${ANOTHER_WINDOW}` : "It is not there.");
}
