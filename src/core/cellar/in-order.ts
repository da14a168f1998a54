import { printDay } from "../day";
import { asTimed, asWritten, correctionsOf } from "../envelope";
import type { BottleEvent, BottleEventType, Filled } from "./bottle";

const ENDS: ReadonlySet<BottleEventType> = new Set<BottleEventType>(["given", "emptied", "discarded"]);

/** What of a bottle cannot have happened on these days, and what would be right. Nothing where all may have. */
export function bottleOutOfOrder(filled: Filled, events: readonly BottleEvent[]): string | undefined {
  const corrections = correctionsOf(events);
  const all = asWritten(asTimed(events, corrections)).filter(
    (e) => e.type !== "corrected" && corrections.get(e.seq)?.body !== null,
  );
  if (all.some((e) => e.day < filled.filled))
    return `It was filled on ${printDay(filled.filled, "year")}; nothing can have been done with it before that.`;
  const end = all.find((e) => ENDS.has(e.type));
  const later = end && all.find((e) => e !== end && e.day > end.day);
  return later
    ? `Something was done with it on ${printDay(later.day, "year")}, so it was not gone before that. Give a day from then on.`
    : undefined;
}
