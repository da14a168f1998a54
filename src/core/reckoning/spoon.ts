import type { Estimate } from "../estimate";
import { ETHANOL_DENSITY } from "../mixture/alcohol";
import type { Reckoning } from "./reckon";

/** mL of a teaspoon, the serving a remedy is spoken of in. */
export const SPOON_ML = 5;

const times = (e: Estimate, k: number): Estimate => ({
  value: e.value * k,
  low: e.low * k,
  high: e.high * k,
  because: e.because,
});

/** g of herb, sugar and alcohol in a teaspoon of the finished remedy. Alcohol by the OIML density of ethanol. */
export const spoonOf = (
  r: Reckoning,
): { readonly herb: Estimate; readonly sugar: Estimate; readonly alcohol: Estimate } => ({
  herb: times(r.herbPerMl, SPOON_ML),
  sugar: times(r.finished.sugar100, SPOON_ML / 100),
  alcohol: times(r.finished.abv, (SPOON_ML * ETHANOL_DENSITY) / 100),
});
