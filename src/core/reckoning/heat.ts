import type { ReadStep } from "../plan/read-plan";

/** Boiling a pot down to a share of itself takes at least this long, min; cautious for any kitchen pot. */
const REDUCING_MINUTES = 15;

/** Minutes on the heat that a line goes through, from the step it goes in at to the next straining, by the plan: the least it says. */
export function minutesOver(steps: readonly ReadStep[], from: number): number {
  let minutes = 0;
  for (const step of steps.slice(from + 1)) {
    if (step.do === "strain") break;
    if (step.do === "reduce") minutes += REDUCING_MINUTES;
    if (step.do === "simmer" || step.do === "pressure") minutes += step.for.days.low * 1440;
  }
  return Math.round(minutes);
}
