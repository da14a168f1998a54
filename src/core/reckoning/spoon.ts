import type { Estimate } from "../estimate";
import { ETHANOL_DENSITY } from "../mixture/alcohol";
import type { Reckoning } from "./reckon";

const times = (e: Estimate, k: number): Estimate => ({
  value: e.value * k,
  low: e.low * k,
  high: e.high * k,
  because: e.because,
});

/** g of herb, sugar and alcohol in a teaspoon of the finished remedy, as the plan's household has it. Alcohol by the OIML density of ethanol. */
export function spoonOf(r: Reckoning): {
  readonly herb: Estimate;
  readonly sugar: Estimate;
  readonly alcohol: Estimate;
} {
  const ml = r.spoonMl;
  return {
    herb: times(r.herbPerMl, ml),
    sugar: times(r.finished.sugar100, ml / 100),
    alcohol: times(r.finished.abv, (ml * ETHANOL_DENSITY) / 100),
  };
}
