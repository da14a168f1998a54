import type { EventType } from "./events";
import type { Batch } from "./fold";

/** How far a batch has come, with the days of it as far as they are to be said. */
export type Stage = Pick<Batch, "code" | "state"> &
  Partial<Pick<Batch, "strainedDay" | "bottledDay" | "discardedDay">>;

/** Whether an event may follow; the message says what would be right. */
export function mayFollow(batch: Stage | undefined, type: EventType): string | undefined {
  if (!batch) return type === "begun" ? undefined : "This batch has not begun.";
  const { code, state } = batch;
  switch (type) {
    case "begun":
      return "This batch has begun already.";
    case "corrected":
    case "tasted":
    case "pictured":
      return state === "undone" ? closed(batch) : undefined;
    case "noted":
      return undefined;
    case "discarded":
      return state === "discarded" || state === "undone" ? closed(batch) : undefined;
    case "strained":
      if (state === "strained")
        return `${code} was strained on ${batch.strainedDay} already. Correct that entry if the measure was wrong.`;
      return closed(batch);
    case "added":
    case "left-out":
    case "swapped":
    case "extra":
    case "touched":
    case "topped-up":
      return state === "strained" ? `${code} is strained; there is nothing to shake.` : closed(batch);
    case "finished":
    case "bottled":
      return state === "working" ? `Strain ${code} first and measure what comes out.` : closed(batch);
    case "rewindowed":
      return state === "strained" ? `${code} is strained; its window is over.` : closed(batch);
    case "read":
      // A strip may be dipped into a bottle too; what the store takes of readings then it says itself.
      return state === "bottled" ? undefined : closed(batch);
    case "stepped":
    case "timed":
    case "stood":
    case "probed":
      return closed(batch);
  }
}

const gone = (b: Stage): string =>
  `${b.code} was discarded on ${b.discardedDay}; nothing more happens to it.`;
function closed(b: Stage): string | undefined {
  if (b.state === "undone") return `${b.code} was taken back; its plan can be set on the Bench again.`;
  if (b.state === "discarded") return gone(b);
  return b.state === "bottled" ? `${b.code} was bottled on ${b.bottledDay} already.` : undefined;
}
