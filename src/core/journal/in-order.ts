import { printDay } from "../day";
import { standing } from "../envelope";
import type { EventType, JournalEvent } from "./events";
import type { BatchState } from "./fold";
import { type Stage, mayFollow } from "./may-follow";

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
  return tooLate(all);
}

const BECOMES: Readonly<Partial<Record<EventType, BatchState>>> = {
  begun: "working",
  strained: "strained",
  bottled: "bottled",
  discarded: "discarded",
};

/** What may not follow on what went before it, gone through as it happened: by the same rule as at its writing. */
function tooLate(all: readonly JournalEvent[]): string | undefined {
  let stage: (Stage & { readonly by: JournalEvent }) | undefined;
  for (const e of all) {
    if (stage && mayFollow(stage, e.type))
      return `It was ${stage.state} on ${printDay(stage.by.day, "year")}, and something was done with it on ${printDay(e.day, "year")} that can only be done before that. Give a day up to then, or put the other right first.`;
    const state = BECOMES[e.type];
    if (state) stage = { code: "", state, by: e };
  }
  return undefined;
}
