import { INSOLUBLE, MONO, DI, WATER, massOf } from "../mixture/components";
import { run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import { type ReadStep, HEATS } from "../plan/read-plan";
import type { VesselSort } from "../vessel/vessel";
import type { Program } from "./program";

/** g/mL of plant matter soaked through: near what all classes have. */
const SOAKED_DENSITY = 1.45;

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

interface Contents {
  readonly liquidMl: number;
  readonly roomMl: number;
  readonly sugar: number;
  readonly waterG: number;
}
function contents(p: Program, operations: number): Contents {
  const { liquid, plants } = run(p.entries, [...p.operations.slice(0, operations), { op: "soak" }]).account;
  const liquidMl = volumeOf(liquid);
  return {
    liquidMl,
    // Soaked through, what a plant brought in water and juice is liquid; what is left of it takes the room of its fibre.
    roomMl: liquidMl + plants[INSOLUBLE]! / SOAKED_DENSITY,
    sugar: (liquid[MONO]! + liquid[DI]!) / Math.max(1e-9, massOf(liquid)),
    waterG: liquid[WATER]!,
  };
}

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
  const ends = read.steps.map((s, i) => {
    const next = read.steps[i + 1];
    return next === undefined ? p.operations.length : p.began.get(next.id)!;
  });
  return read.steps.flatMap((s, i): Asked[] => {
    if (!inVessel(read.steps, i, vessel.sort)) return [];
    const from = p.began.get(s.id)!;
    const before = contents(p, from);
    const after = contents(p, ends[i]!);
    return [
      {
        step: s.id,
        index: i,
        do: s.do,
        fullestMl: Math.max(before.roomMl, after.roomMl),
        endsMl: after.liquidMl,
        sugar: Math.max(before.sugar, after.sugar),
        dries: HEATS.has(s.do) ? 1 - after.waterG / Math.max(1e-9, before.waterG) : 0,
      },
    ];
  });
}
