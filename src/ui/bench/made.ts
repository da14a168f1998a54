import { type Rail, railOf } from "@/core/advice/rail";
import { type Care, careOf } from "@/core/care/care";
import type { Caution } from "@/core/cautions/caution";
import { cautionsAt, cautionsOf } from "@/core/cautions/rules";
import type { Fault } from "@/core/fault";
import { type Company, companyOf } from "@/core/people/company";
import { linesOf } from "@/core/plan/edit";
import { type Plan, SAYING_NAMES } from "@/core/plan/plan";
import { roleOf } from "@/core/plan/ways";
import type { Context } from "@/core/reckoning/context";
import { vesselOfPlan } from "@/core/reckoning/find";
import { type LevelDrop, levelDrops } from "@/core/reckoning/plainly";
import type { Program } from "@/core/reckoning/program";
import { type Reckoning, reckonProgram } from "@/core/reckoning/reckon";
import { type Went, whereItWent } from "@/core/reckoning/went";
import { resolve } from "@/core/reckoning/resolve";
import { type Cost, costOf } from "@/core/stores/cost";
import type { LotOnHand } from "@/core/stores/stores";
import type { Vessel } from "@/core/vessel/vessel";

/** What the Bench reckons with, besides the plan. */
export interface Around {
  readonly context: Context;
  readonly company: Company;
  readonly lots: readonly LotOnHand[];
}

/** A plan that reckoned. */
export interface Reckoned {
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly care: Care;
  readonly went: Went;
  /** How far the level sinks at each step that boils it down. */
  readonly levels: ReadonlyMap<string, LevelDrop>;
  readonly cost: Cost;
}

/** Everything that follows from the plan on the Bench, reckoned once for each change of it. */
export interface Made {
  readonly plan: Plan;
  readonly faults: readonly Fault[];
  /** The plan as it stands, where it reckons. */
  readonly now: Reckoned | undefined;
  /** The last that reckoned: shown, paled, while something is wrong. */
  readonly shown: Reckoned | undefined;
  readonly vessel: Vessel | undefined;
  readonly rail: Rail | undefined;
  readonly grave: readonly Caution[];
  readonly notes: readonly Caution[];
}

const NONE: readonly never[] = [];

/** Fields that are only said of a plan and change no figure. */
const SAID: ReadonlySet<string> = new Set(["name", "meantFor", "ids", ...SAYING_NAMES]);
const samePhysically = (a: Plan, b: Plan): boolean =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].every(
    (k) => SAID.has(k) || a[k as keyof Plan] === b[k as keyof Plan],
  );

/** The one before where it says the same, so that what rests on it is not drawn again. */
function kept<T>(was: readonly T[], is: readonly T[]): readonly T[] {
  if (is.length === 0) return NONE;
  if (was.length !== is.length)
    return is.map((x) => was.find((y) => JSON.stringify(x) === JSON.stringify(y)) ?? x);
  const same = is.map((x, i) => (JSON.stringify(x) === JSON.stringify(was[i]) ? was[i]! : x));
  return same.every((x, i) => x === was[i]) ? was : same;
}

/** Before the first herb is in, what waits for one is no fault of the plan: the Bench asks for a herb anyway. */
function asIsYet(plan: Plan, faults: readonly Fault[]): readonly Fault[] {
  if (linesOf(plan).some((l) => roleOf(l) === "herb")) return faults;
  const left = faults.filter((f) => f.name !== "NothingToMeasureBy");
  return left.length > 0 ? left : NONE;
}

function reckoned(plan: Plan, around: Around): Pick<Made, "faults" | "now"> {
  const program = resolve(plan, around.context);
  if (!program.ok) return { faults: asIsYet(plan, program.faults), now: undefined };
  const reckoning = reckonProgram(program.value);
  const care = careOf(program.value, reckoning.fit, reckoning.working);
  const cost = costOf(program.value, reckoning, around.lots);
  const went = whereItWent(program.value, reckoning);
  return {
    faults: NONE,
    now: { program: program.value, reckoning, care, went, cost, levels: levelDrops(program.value) },
  };
}

/**
 * All that follows from a plan. What is only said of it (its name, for whom, how it is taken) moves no figure; what says the same as before is
 * the same object, so that a page draws again only what changed.
 */
export function make(plan: Plan, around: Around, was?: Made): Made {
  const same = was && samePhysically(plan, was.plan) && was.faults.length === 0;
  const { faults, now } = same && was.now ? { faults: NONE, now: was.now } : reckoned(plan, around);
  const cautions = now
    ? cautionsAt(
        "plan",
        cautionsOf({
          program: { ...now.program, plan },
          reckoning: now.reckoning,
          ...companyOf(plan, around.company),
        }),
      )
    : NONE;
  const named = same && was.vessel ? undefined : vesselOfPlan(plan, around.context);
  return {
    plan,
    faults,
    now,
    // What another kind would have come to says nothing of this one.
    shown: now ?? (was?.plan.kind === plan.kind ? was.shown : undefined),
    vessel: named?.ok ? named.value : was?.vessel,
    rail: now && (same ? was.rail : railOf(plan, now.program, now.reckoning, around.context)),
    grave: kept(
      was?.grave ?? NONE,
      cautions.filter((c) => c.severity !== "note"),
    ),
    notes: kept(
      was?.notes ?? NONE,
      cautions.filter((c) => c.severity === "note"),
    ),
  };
}
