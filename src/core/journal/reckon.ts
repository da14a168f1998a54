import { type Care, careOf } from "../care/care";
import type { Caution } from "../cautions/caution";
import { cautionsOf } from "../cautions/rules";
import { type Result, ok } from "../fault";
import { type Reckoning, reckonProgram } from "../remedy/reckon";
import { type Program, resolve } from "../remedy/resolve";
import { type Company, companyOf } from "../people/company";
import { VESSELS } from "../vessel/catalogue";
import { thawStuffs, thawVessel } from "./freeze";
import type { Batch } from "./fold";

export interface BatchReckoning {
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly care: Care;
  readonly cautions: readonly Caution[];
}

/** A batch reckoned as it was really done, on the figures it began with. */
export function reckonBatch(batch: Batch, plan = batch.plan, company: Company = { people: [], today: batch.begunDay }): Result<BatchReckoning> {
  const present = typeof plan.vessel === "string" ? VESSELS.get(plan.vessel) : undefined;
  const vessel = thawVessel(batch.frozen, present);
  const program = resolve(plan, { frozen: thawStuffs(batch.frozen), ...(vessel ? { vessel } : {}) });
  if (!program.ok) return program;
  const reckoning = reckonProgram(program.value);
  const care = careOf(program.value, reckoning.fit, reckoning.working);
  return ok({ program: program.value, reckoning, care, cautions: cautionsOf({ program: program.value, reckoning, ...companyOf(plan, company) }) });
}
