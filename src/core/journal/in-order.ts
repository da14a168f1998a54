import { printDay } from "../day";
import { asTimed, asWritten, correctionsOf } from "../envelope";
import type { EventType, JournalEvent } from "./events";

/** What stands of a batch, each entry when it really happened; what was taken back is not in it. */
function standing(events: readonly JournalEvent[]): readonly JournalEvent[] {
  const corrections = correctionsOf(events);
  return asWritten(asTimed(events, corrections)).filter(
    (e) => e.type !== "corrected" && corrections.get(e.seq)?.body !== null,
  );
}

/** What comes after what in the making of a batch, with its words. */
const STAGES: Readonly<Partial<Record<EventType, { readonly at: number; readonly words: string }>>> = {
  begun: { at: 0, words: "begun" },
  strained: { at: 1, words: "strained" },
  finished: { at: 2, words: "finished" },
  bottled: { at: 3, words: "bottled" },
  discarded: { at: 4, words: "discarded" },
};

/** What of a batch cannot have happened on these days, and what would be right. Nothing where all may have. */
export function outOfOrder(events: readonly JournalEvent[]): string | undefined {
  const all = standing(events);
  const begun = all.find((e) => e.type === "begun");
  const early = begun && all.find((e) => e.at < begun.at);
  if (early)
    return `It was begun on ${printDay(begun.day, "year")}; nothing of it can have been done before that.`;
  const stages = all.flatMap((e) => (STAGES[e.type] ? [{ ...STAGES[e.type]!, e }] : []));
  for (const a of stages)
    for (const b of stages)
      if (a.at < b.at && b.e.at < a.e.at)
        return `It was ${a.words} on ${printDay(a.e.day, "year")} and cannot have been ${b.words} before that. Give a day from then on, or put the other right first.`;
  return undefined;
}
