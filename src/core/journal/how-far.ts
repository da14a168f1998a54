import { type Day, daysBetween } from "../day";
import type { Batch } from "./fold";
import type { BatchReckoning } from "./reckon";
import { walkOf } from "./walk";

/** How far a making has come, for all who say what is next of it. */
export interface HowFar {
  readonly stands: "to-make" | "being-made" | "made";
  /** Moves of the first sitting that are done or passed over, and how many there are. */
  readonly done: number;
  readonly of: number;
}

/**
 * Begun is not made: a plan that was written down wants making until its moves are ticked. What stands for weeks counts as made once it has stood
 * overnight, since a jar is filled on the day it is begun, ticked or not.
 */
export function howFar(b: Batch, r: Pick<BatchReckoning, "program" | "care">, today: Day): HowFar {
  // Only what is ticked counts here, and no clock.
  const { moves } = walkOf(b, r.program, 0);
  const end = moves.findIndex((m) => m.sort === "strain" || m.sitting > 0);
  const first = end < 0 ? moves : moves.slice(0, end);
  const done = first.filter((m) => m.state !== "open").length;
  const counts = { done, of: first.length };
  const stood = r.care.window !== undefined && daysBetween(b.begunDay, today) > 0;
  if (b.state !== "working" || stood || done === first.length) return { stands: "made", ...counts };
  return { stands: done === 0 ? "to-make" : "being-made", ...counts };
}
