import { type Day, dayAt, instantOf } from "../core/day";
import { type Fault, fault } from "../core/fault";
import type { Stream, Write } from "./append";
import type { Bare } from "./may-append";
import { now } from "./clock";

/** What lay longer than this on a device, ms, says its day itself. */
export const MOST_AGO = 90 * 24 * 60 * 60_000;
/** How far a maker's clock may run ahead. */
const GRACE_MS = 5 * 60_000;

/**
 * When an entry was written down, which never goes backward in its stream, and the maker's time of it: earlier is right ("yesterday"), the future
 * is not, nor before the stream began. Where the maker says none it is now, or where a clock was put back, as late as the last entry.
 */
export function times(
  before: readonly Bare[],
  { at: exact, on, ago, along, type }: Write,
  {
    zone,
    notBefore = "",
    begins,
  }: Pick<Stream<never, never>, "notBefore" | "begins"> & { readonly zone: string },
): { at: string; recordedAt: string } | Fault {
  const recordedAt = [notBefore, before.at(-1)?.recordedAt ?? "", now()].sort().at(-1)!;
  const today = dayAt(recordedAt, zone);
  // The day of a correction is the day of what it puts right; it is itself written now.
  const day = on === today || type === "corrected" ? undefined : on;
  if (day !== undefined && day > today) return NOT_YET;
  const said = exact ?? (day && onDay(before, day, zone)) ?? (ago ? agoOf(before, ago, begins) : undefined);
  if (said === undefined) return { at: recordedAt, recordedAt };
  const at = new Date(said).toISOString();
  if (along) return { at: before[0] && at < before[0].at ? before[0].at : at, recordedAt };
  if (Date.parse(at) > Date.parse(recordedAt) + GRACE_MS) return NOT_YET;
  if (before[0]?.type === begins && at < before[0].at)
    return fault("BeforeItBegan", "That is before it was begun. Give a later day.", ["on"]);
  return { at, recordedAt };
}
/** So long ago by the house's clock; what a device wrote of a stream it wrote after that began. */
function agoOf(before: readonly Bare[], ago: number, begins: string): string {
  const at = new Date(Date.parse(now()) - ago).toISOString();
  const [first] = before;
  return first?.type === begins && at < first.at ? first.at : at;
}
const NOT_YET = fault("InTheFuture", "That has not happened yet. Give the day it was done.", ["on"]);

/** The instant of a thing of which the day alone is known: noon, or after what is known to have happened that day. */
export function onDay(before: readonly { readonly at: string }[], day: Day, zone: string): string {
  const noon = new Date(instantOf(day, "12:00", zone)).toISOString();
  return before.reduce((at, e) => (e.at > at && dayAt(e.at, zone) === day ? e.at : at), noon);
}

/** The instant of an entry that is moved to a day: noon, or as near to it as keeps what was written of that day in its order. */
export function amongDay(
  events: readonly { readonly at: string; readonly seq: number; readonly type: string }[],
  { day, seq, zone }: { readonly day: Day; readonly seq: number; readonly zone: string },
): string {
  const its = events.filter((e) => e.type !== "corrected" && e.seq !== seq && dayAt(e.at, zone) === day);
  const after = onDay(
    its.filter((e) => e.seq < seq),
    day,
    zone,
  );
  return its.reduce((at, e) => (e.seq > seq && e.at < at ? e.at : at), after);
}
