import type { Day } from "../day";
import { addDays, printDay } from "../day";
import { type BatchReckoning, reckonBatch } from "./reckon";
import type { JournalEvent } from "./events";
import { type Batch, fold } from "./fold";

/** A figure of a batch before a correction and after it, as words. */
export interface Change {
  readonly what: "it makes" | "it keeps" | "best strained" | "stands";
  readonly was: string;
  readonly is: string;
}

/** How a volume is said, from mL; how a verdict is. */
export interface ChangeWords {
  readonly ml: (ml: number) => string;
  readonly verdict: (r: BatchReckoning) => string;
}

const bestDay = (b: Batch, r: BatchReckoning): Day | undefined =>
  r.care.window && b.state === "working" ? addDays(b.begunDay, r.care.window.best) : undefined;

const NOT_RECKONED = "not reckoned";

function figures(b: Batch, words: ChangeWords): Readonly<Record<Change["what"], string>> {
  const r = reckonBatch(b);
  const best = r.ok ? bestDay(b, r.value) : undefined;
  return {
    stands: b.state,
    "it makes": r.ok ? words.ml(r.value.reckoning.finished.ml.value) : NOT_RECKONED,
    "best strained": best === undefined ? "" : printDay(best, "year"),
    "it keeps": r.ok ? words.verdict(r.value) : NOT_RECKONED,
  };
}

/**
 * What the last thing put right changed, old beside new; empty where the last entry is no correction.
 */
export function lastChanges(events: readonly JournalEvent[], words: ChangeWords): readonly Change[] {
  const last = events.at(-1);
  if (last?.type !== "corrected") return [];
  const [before, after] = [fold(events.slice(0, -1)), fold(events)];
  if (!before || !after) return [];
  const [was, is] = [figures(before, words), figures(after, words)];
  return (["stands", "it makes", "best strained", "it keeps"] as const).flatMap((what) =>
    was[what] === is[what] || was[what] === "" || is[what] === ""
      ? []
      : [{ what, was: was[what], is: is[what] }],
  );
}
