import { ml as carriedMl } from "../quantity/carried";
import { volumeAt } from "../vessel/profile";
import type { Reckoning } from "../reckoning/reckon";
import type { BatchReckoning } from "./reckon";

/*
 * What is possible and yet unlikely is asked about once, before it stands in the journal: a slip of the hand is caught while the jug is still
 * there. Nothing here forbids.
 */

const whole = carriedMl;

/** A measured jug far from what was foreseen. mL. */
export function oddMeasure(measuredMl: number, foreseen: Reckoning["strained"]["ml"]): string | undefined {
  const little = measuredMl < foreseen.low * 0.6;
  if (!little && measuredMl < foreseen.high * 1.3) return undefined;
  const between = `between ${whole(foreseen.low)} and ${whole(foreseen.high)}`;
  return `${whole(measuredMl)} came out, and ${between} was likely. Is that what the jug shows?`;
}

/** More poured on than an open jar could take up: over a quarter of what it holds. mL. */
export function oddTopUp(pouredMl: number, { program }: BatchReckoning): string | undefined {
  const { vessel } = program;
  if (!vessel || pouredMl <= vessel.solid.brimMl / 4) return undefined;
  const full = volumeAt(vessel.solid, vessel.solid.brimCm);
  return `${whole(pouredMl)} into a ${vessel.size} ${vessel.sort} that holds ${whole(full)} to the brim: is that what was poured on?`;
}

/** What went in of a line, far from what was planned of it. g. */
export function oddAmount(name: string, inG: number, plannedG: number): string | undefined {
  if (plannedG <= 0 || (inG <= plannedG * 3 && inG >= plannedG / 3)) return undefined;
  const times = inG > plannedG ? inG / plannedG : plannedG / inG;
  const how = inG > plannedG ? "times what was planned" : "times less than was planned";
  return `That is ${times >= 10 ? Math.round(times) : times.toFixed(1)} ${how} of ${name}. Is it so?`;
}

/** Much less bottled than there is. mL. */
export function oddBottling(bottledMl: number, there: Reckoning["finished"]["ml"]): string | undefined {
  if (bottledMl >= there.low * 0.6) return undefined;
  return `The bottles hold ${whole(bottledMl)}, and about ${whole(there.value)} is there. Was the rest used up?`;
}

/** Share of a vessel that ice wants left empty: water swells by a eleventh as it freezes, and glass does not. */
export const ICE_WANTS = 0.1;
/** % vol from which a home ice box freezes nothing. */
const NEVER_FREEZES = 25;

/** A glass filled so far that ice would break it. mL, mL to the brim, % vol. */
export function oddFreezing(ml: number, brimMl: number, abv: number): string | undefined {
  const most = brimMl * (1 - ICE_WANTS);
  if (ml <= most || abv >= NEVER_FREEZES) return undefined;
  return `Ice swells, and ${whole(ml)} leaves it no room: pour off down to ${whole(most)}, or the glass may break. Freeze it as full as it is?`;
}
