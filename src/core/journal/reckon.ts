import { type Care, careOf } from "../care/care";
import type { Caution } from "../cautions/caution";
import { cautionsOf } from "../cautions/rules";
import { type Result, ok } from "../fault";
import { type Company, companyOf } from "../people/company";
import { vesselOfPlan } from "../reckoning/find";
import type { Program } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type Making, asDone } from "./as-done";
import type { Batch } from "./fold";
import { thawStuffs, thawVessel } from "./freeze";

export interface BatchReckoning {
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly care: Care;
  readonly cautions: readonly Caution[];
}

/**
 * A batch reckoned as it was really done, on the figures it began with.
 * @param making what was done; other than the batch's own where something is tried before it is written
 */
export function reckonBatch(
  batch: Batch,
  making: Making = batch.making,
  company: Company = { people: [], today: batch.begunDay },
): Result<BatchReckoning> {
  const { plan, happened } = making === batch.making ? batch : asDone(batch.begunPlan, making);
  const present = vesselOfPlan(plan, {});
  const vessel = thawVessel(batch.frozen, present.ok ? present.value : undefined);
  const program = resolve(
    plan,
    { frozen: thawStuffs(batch.frozen), ...(vessel ? { vessel } : {}) },
    happened,
  );
  if (!program.ok) return program;
  const reckoning = reckonProgram(program.value);
  return ok({
    program: program.value,
    reckoning,
    care: careOf(program.value, reckoning.fit, reckoning.working),
    cautions: cautionsOf({ program: program.value, reckoning, ...companyOf(plan, company) }),
  });
}
