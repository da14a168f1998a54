import { DI, INSOLUBLE, MONO, WATER, massOf } from "../mixture/components";
import { run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import type { Program } from "./program";

/** What stands in the pot as a step begins, and as it ends. mL and g; sugar as a share by weight. */
export interface InThePot {
  readonly ml: number;
  readonly grams: number;
  readonly sugar: number;
  /** mL that plants in it take up. */
  readonly plantsMl: number;
  readonly plantsG: number;
  /** Of the liquid, what does not boil away: g and mL. */
  readonly staysG: number;
  readonly staysMl: number;
}

/** g/mL of plant matter soaked through: near what all classes have. */
const SOAKED_DENSITY = 1.45;
/** g/mL of what is dissolved. */
const DISSOLVED_DENSITY = 1.6;

/** What stands in the pot after so many operations of the ledger. */
function after(p: Program, operations: number): InThePot {
  const done = p.operations.slice(0, operations);
  const { liquid, plants } = run(p.entries, [...done, { op: "soak" }]).account;
  const grams = massOf(liquid);
  const staysG = grams - liquid[WATER]!;
  const plantsG = massOf(plants);
  return {
    ml: volumeOf(liquid),
    grams,
    sugar: (liquid[MONO]! + liquid[DI]!) / Math.max(1e-9, grams),
    plantsMl: plants[INSOLUBLE]! / SOAKED_DENSITY,
    plantsG,
    staysG,
    staysMl: staysG / DISSOLVED_DENSITY,
  };
}

/** What stands in the pot as a step begins. */
export const whenBegins = (p: Program, step: string): InThePot => after(p, p.began.get(step) ?? 0);

/** What stands there before it is finished: off the cloth, and boiled down since where it was. */
export const beforeFinish = (p: Program): InThePot =>
  after(p, p.began.get("finished") ?? p.operations.length);

/** What stands in it once a step is done. */
export function whenDone(p: Program, step: string): InThePot {
  const ids = p.read.steps.map((s) => s.id);
  const next = ids[ids.indexOf(step) + 1];
  return after(p, next === undefined ? p.operations.length : p.began.get(next)!);
}
