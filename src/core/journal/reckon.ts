import { type Care, type Window, careOf } from "../care/care";
import type { Caution } from "../cautions/caution";
import { type Day, daysBetween } from "../day";
import { cautionsOf } from "../cautions/rules";
import { type Result, ok } from "../fault";
import { type Company, companyOf } from "../people/company";
import { shorterVerdict } from "../keeping/verdict";
import type { Happened } from "../plan/happened";
import type { Plan } from "../plan/plan";
import type { Vessel } from "../vessel/vessel";
import { vesselOfPlan } from "../reckoning/find";
import type { Program } from "../reckoning/program";
import { RULES_VERSION, type Reckoning, reckonProgram } from "../reckoning/reckon";
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

/** A making reckoned: as it was frozen, its verdict the shorter of then and today, and what its cautions are judged on. */
interface Made {
  readonly plan: Plan;
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly judged: { readonly program: Program; readonly reckoning: Reckoning };
}

/** The figures and the verdict alone, for what is tried many times over. */
export function reckonMade(batch: Batch, making: Making = batch.making): Result<Made> {
  const { plan, happened } = making === batch.making ? batch : asDone(batch.begunPlan, making);
  const present = vesselOfPlan(plan, {});
  const vessel = thawVessel(batch.frozen, present.ok ? present.value : undefined);
  const program = resolve(
    plan,
    { frozen: thawStuffs(batch.frozen), ...(vessel ? { vessel } : {}) },
    happened,
  );
  if (!program.ok) return program;
  const frozen = reckonProgram(program.value);
  const today = batch.frozen.rules < RULES_VERSION ? anew(plan, vessel, happened) : undefined;
  const verdict = today ? shorterVerdict(frozen.verdict, today.reckoning.verdict) : frozen.verdict;
  const reckoning = { ...frozen, verdict };
  return ok({
    ...{ plan, program: program.value, reckoning },
    judged: today ?? { program: program.value, reckoning },
  });
}

/**
 * A batch reckoned as it was really done, on the figures it began with. Where those are of older rules it is reckoned on today's as well: the
 * shorter of the two verdicts holds, and the cautions are today's.
 * @param making what was done; other than the batch's own where something is tried before it is written
 */
export function reckonBatch(
  batch: Batch,
  making: Making = batch.making,
  company: Company = { people: [], today: batch.begunDay, notAsked: true },
): Result<BatchReckoning> {
  const made = reckonMade(batch, asOf(making, batch, company));
  if (!made.ok) return made;
  const { plan, program, reckoning, judged } = made.value;
  return ok({
    program,
    reckoning,
    care: careOf(program, reckoning.fit, reckoning.working, movedWindow(batch)),
    cautions: cautionsOf({ ...judged, ...companyOf(plan, company) }),
  });
}

/** What stands strained and waits: so many days, as of today. What was done of it is known to the day already. */
export function asOf(
  making: Making,
  batch: Batch,
  { today, notAsked }: Pick<Company, "today" | "notAsked">,
): Making {
  if (notAsked || batch.state !== "strained" || making.waitedDays !== undefined || !batch.strainedDay)
    return making;
  const waitedDays = daysBetween(batch.strainedDay, today);
  return waitedDays > 0 ? { ...making, waitedDays } : making;
}

/** The batch with what it stands through unwritten: strained and waiting, it has waited until today. */
export function standingOn(batch: Batch, today: Day): Batch {
  const making = asOf(batch.making, batch, { today });
  return making === batch.making ? batch : { ...batch, making, ...asDone(batch.begunPlan, making) };
}

/** What a working jar wants, without the cautions: for lists of many. Nothing where it does not reckon. */
export function careOfBatch(batch: Batch): Care | undefined {
  const made = reckonMade(batch);
  if (!made.ok) return undefined;
  const { program, reckoning } = made.value;
  return careOf(program, reckoning.fit, reckoning.working, movedWindow(batch));
}

/** The window as the maker moved it, in days from the day begun. */
function movedWindow({ begunDay, stove }: Batch): Window | undefined {
  if (!stove.window) return undefined;
  const { earliest, best, latest } = stove.window;
  const from = (day: string): number => daysBetween(begunDay, day);
  return { earliest: from(earliest), best: from(best), latest: from(latest) };
}

/** The same making on today's figures; nothing where it no longer reckons on them. */
function anew(
  plan: Plan,
  vessel: Vessel | undefined,
  happened: Happened,
): { readonly program: Program; readonly reckoning: Reckoning } | undefined {
  const program = resolve(plan, vessel ? { vessel } : {}, happened);
  return program.ok ? { program: program.value, reckoning: reckonProgram(program.value) } : undefined;
}
