import { printDay } from "../day";
import { standing } from "../envelope";
import { type BottleEvent, type Filled, foldBottle } from "./bottle";
import { mayFollowBottle } from "./may-befall";

/** What of a bottle cannot have happened on these days, and what would be right. Nothing where all may have. */
export function bottleOutOfOrder(filled: Filled, events: readonly BottleEvent[]): string | undefined {
  const all = standing(events);
  if (all.some((e) => e.day < filled.filled))
    return `It was filled on ${printDay(filled.filled, "year")}; nothing can have been done with it before that.`;
  // What was written in the order it happened was asked at its writing.
  if (all.every((e, i) => i === 0 || e.seq > all[i - 1]!.seq)) return undefined;
  for (const [i, e] of all.entries()) {
    const before = foldBottle(filled, all.slice(0, i));
    // A pour opens a bottle too: that it was said to be opened later is no contradiction.
    const held = e.type === "opened" ? { ...before, openedDay: undefined } : before;
    const not = mayFollowBottle(held, e.type, e.body);
    if (not)
      return `Something was done with it on ${printDay(e.day, "year")}, and by then: ${not} Give a day that fits, or take the other back first.`;
  }
  return undefined;
}
