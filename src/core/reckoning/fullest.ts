import { type ReadStep, HEATS } from "../plan/read-plan";
import type { VesselSort } from "../vessel/vessel";
import { type InThePot, whenBegins, whenDone } from "./in-the-pot";
import type { Program } from "./program";

/** What a step asks of the vessel it is done in. mL; sugar as a share by weight. */
export interface Asked {
  readonly step: string;
  readonly index: number;
  readonly do: ReadStep["do"];
  /** Liquid and plants together at the step's fullest. */
  readonly fullestMl: number;
  /** Liquid left in the vessel as the step ends. */
  readonly endsMl: number;
  readonly sugar: number;
  /** Share of the water that was there which the step boils away. */
  readonly dries: number;
}

/** Liquid and what the plants in it take up, mL. */
const roomOf = (is: InThePot): number => is.ml + is.plantsMl;
const waterOf = (is: InThePot): number => is.grams - is.staysG;

/** Whether a step is done in the plan's own vessel: until the first cloth all are; after it what goes back on the heat, in a pot. */
function inVessel(steps: readonly ReadStep[], i: number, sort: VesselSort): boolean {
  const cloth = steps.findIndex((s) => s.do === "strain");
  if (cloth < 0 || i <= cloth) return steps[i]!.do !== "bottle" && steps[i]!.do !== "strain";
  if (sort !== "pot" && sort !== "pressure-pot") return false;
  const then = steps.slice(i).find((s) => s.do !== "add");
  return then !== undefined && HEATS.has(then.do);
}

/** Every step that is done in the plan's vessel, and what it asks of it. */
export function askedOfVessel(p: Program): readonly Asked[] {
  const { vessel, read } = p;
  if (!vessel) return [];
  return read.steps.flatMap((s, i): Asked[] => {
    if (!inVessel(read.steps, i, vessel.sort)) return [];
    const [before, after] = [whenBegins(p, s.id), whenDone(p, s.id)];
    return [
      {
        step: s.id,
        index: i,
        do: s.do,
        fullestMl: Math.max(roomOf(before), roomOf(after)),
        endsMl: after.ml,
        sugar: Math.max(before.sugar, after.sugar),
        dries: HEATS.has(s.do) ? 1 - waterOf(after) / Math.max(1e-9, waterOf(before)) : 0,
      },
    ];
  });
}
