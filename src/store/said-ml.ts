import { readMeasured } from "../core/reading/amounts";
import type { UnitSystem } from "../core/quantity/units";

/** No course here is more than this a day for one, mL; what may be taken is judged elsewhere, far below it. */
export const MOST_A_DAY_ML = 1000;
/** Spoons differ by so much from country to country. */
const BY_SPOON = 0.35;

/** mL that some words say, where those are not the mL that stand beside them; words that are no volume say none. */
export function saysOtherwise(ml: number, said: string, units: UnitSystem): number | undefined {
  const read = readMeasured(said, units);
  if (!read.ok || read.value.dimension !== "volume") return undefined;
  const is = read.value.si.value;
  return Math.abs(is - ml) > ml * BY_SPOON + 0.5 ? is : undefined;
}
