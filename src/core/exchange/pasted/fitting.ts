import { PRESSURE_POT } from "../../plan/ways";
import type { Catalogue } from "../../material/catalogue";
import type { Plan } from "../../plan/plan";
import type { UnitSystem } from "../../quantity/units";
import { reckonProgram } from "../../reckoning/reckon";
import { resolve } from "../../reckoning/resolve";
import { VESSELS } from "../../vessel/catalogue";
import { vesselWords } from "../../vessel/vessel";
import { wantsPot } from "./lay";

/** What a pasted recipe may be laid into. */
export interface Fittings {
  readonly system: UnitSystem;
  readonly catalogue?: Catalogue | undefined;
  /** Vessels it is laid into where none is said. */
  readonly jar?: string | undefined;
  readonly pot?: string | undefined;
}

/** Vessels tried in turn where none is said, by size. */
const JARS: Readonly<Record<UnitSystem, readonly string[]>> = {
  us: ["us-half-pint", "us-pint", "us-quart", "us-half-gallon", "us-gallon"],
  metric: ["m-250", "m-500", "m-1000", "m-2000", "m-5000"],
  imperial: ["m-250", "m-500", "m-1000", "m-2000", "m-5000"],
};
const POTS: Readonly<Record<UnitSystem, readonly string[]>> = {
  us: ["us-p-2", "us-p-3", "us-p-6", "us-p-8"],
  metric: ["p-1500", "p-3000", "p-5000", "p-9000"],
  imperial: ["p-1500", "p-3000", "p-5000", "p-9000"],
};

function tried(said: string | undefined, pot: boolean, pressure: boolean, c: Fittings): string[] {
  const isPot = VESSELS.get(said ?? "")?.sort.includes("pot") ?? false;
  if (pressure) {
    const holds = VESSELS.get(said ?? "")?.sort === "pressure-pot";
    return [...(said && holds ? [said] : []), c.system === "us" ? "us-pp-6" : PRESSURE_POT];
  }
  if (pot) return [...(said && isPot ? [said] : []), c.pot ?? POTS[c.system][1]!, ...POTS[c.system]];
  const usual = c.jar ?? (c.system === "us" ? "us-quart" : "m-1000");
  return [...(said && !isPot ? [said] : []), usual, ...JARS[c.system]];
}

/** Shares of the jar grow with the vessel, so what is over one brim is no sure figure for the next: half of it is. */
const FITS_FOR_SURE = 0.5;

export interface Fitted {
  readonly plan: Plan;
  /** What was taken for granted of its vessel, where the one that was said does not hold it. */
  readonly took?: string;
}

/** The plan in the vessel that was said; else in the household’s own, or the next one it fits into. */
export function fitting(plan: Plan, said: string | undefined, c: Fittings): Fitted {
  const vessels = tried(
    said,
    wantsPot(plan.steps),
    plan.steps.some((s) => s.do === "pressure"),
    c,
  );
  // What one vessel could not hold, no smaller one will.
  let least = 0;
  for (const vessel of vessels) {
    const brim = VESSELS.get(vessel)?.solid.brimMl ?? Infinity;
    if (brim < least) continue;
    const at = { ...plan, vessel };
    const resolved = resolve(at, c.catalogue ? { materials: c.catalogue } : undefined);
    if (!resolved.ok) break;
    const { fit } = reckonProgram(resolved.value);
    if (!fit || fit.overBrimMl <= 0) return told(at, said, vessel);
    least = Math.max(least, brim + FITS_FOR_SURE * fit.overBrimMl);
  }
  return { plan: { ...plan, vessel: vessels[0]! } };
}

function told(plan: Plan, said: string | undefined, vessel: string): Fitted {
  const [wanted, is] = [VESSELS.get(said ?? ""), VESSELS.get(vessel)];
  if (!wanted || !is || said === vessel || wanted.sort !== is.sort) return { plan };
  return {
    plan,
    took: `It does not fit the ${vesselWords(wanted)} that is said: the ${vesselWords(is)} is taken.`,
  };
}
