import { type Estimate, estimate } from "../estimate";
import { plantsStay } from "../reckoning/facts";
import type { BatchReckoning } from "./reckon";

/** g to the mL of soaked plants, near enough for the room they take in a bottle. */
const SOAKED = 1.02;

/** What there is to be put into bottles: the liquid, and the plants where they stay in it. mL */
export function thereIs({ program, reckoning }: Pick<BatchReckoning, "program" | "reckoning">): Estimate {
  const { ml } = reckoning.finished;
  if (!plantsStay(program) || reckoning.ledger.marcG > 0) return ml;
  const plants = reckoning.ledger.plantsG / SOAKED;
  return estimate(ml.value + plants, ml.low + plants, ml.high + plants, ml.because);
}
