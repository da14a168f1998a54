import { coolingOf, temperaturesOf } from "@/core/journal/forecast";
import type { Batch } from "@/core/journal/fold";
import { ahead } from "@/core/kitchen/cooling";
import type { Program } from "@/core/reckoning/program";

/** A point of a course that is foreseen: minute since 1970, °C. */
export interface Foreseen {
  readonly minute: number;
  readonly ahead: number;
}

/** A pan that was read so lately still cools, minutes; how far ahead it is foreseen, and in how many points. */
const [STILL, AHEAD, POINTS] = [45, 180, 30];

/** The course a pan that cools will take; none where it was read long ago, or nothing waits for it. */
export function foreseenCourse(batch: Batch, program: Program, nowMs: number): readonly Foreseen[] {
  const cool = program.read.steps.find((s) => s.do === "cool");
  const last = temperaturesOf(batch).at(-1);
  const open = batch.state === "working" || batch.state === "strained";
  const now = nowMs / 60_000;
  if (!cool || !open || !last || now - last.minute > STILL || last.celsius < 30) return [];
  const l = coolingOf(batch, program, cool.id, nowMs);
  if (!l || l.cooling.readings.length === 0) return [];
  return ahead(l, now, now + AHEAD, AHEAD / POINTS).map((a) => ({ minute: a.minute, ahead: a.celsius }));
}
