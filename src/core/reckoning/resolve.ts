import { kitchenVolume } from "../reading/kitchen-amount";
import { ml } from "../quantity/carried";
import { type Fault, type Result, fail, fault, ok, under } from "../fault";
import type { Catalogue } from "../material/catalogue";
import { run } from "../mixture/ledger";
import { WATER } from "../mixture/components";
import { volumeOf } from "../mixture/volume";
import { type Happened, NOTHING_HAPPENED } from "../plan/happened";
import type { Plan } from "../plan/plan";
import { type ReadLine, type ReadPlan, readTexts } from "../plan/read-plan";
import { type Context, materialsOf } from "./context";
import { type Draft, fillJar } from "./fill-jar";
import { stuffOfLine, vesselOfPlan } from "./find";
import type { Program } from "./program";
import { CRAMMED, LIKELY, type Supposal, endsOf, suppose } from "./unknown";
import { Walk } from "./walk";
import { weigh } from "./weigh";

/** Shares of a jar that is being filled; none after it was left to stand. */
const FILLS_A_JAR = new Set(["fill", "cover", "jar", "ratio"]);
/** Amounts that measure a liquid; a herb has none of them. */
const OF_LIQUID = new Set(["of-liquid", "goal", "ratio"]);

/** Whether an amount may be said of this line where it stands. */
function misplaced(d: Draft): Fault | undefined {
  const { kind } = d.amount;
  if (!d.atOnce && FILLS_A_JAR.has(kind))
    return fault(
      "WrongUnit",
      "After straining there is no herb to cover. Write “3/4 of liquid”, “to 66 Bx” or an amount.",
      [],
      "3/4 of liquid",
    );
  if (d.stage === "jar" && d.stuff.plant && OF_LIQUID.has(kind))
    return fault("WrongUnit", "A herb is measured in cups, grams, pieces, parts or a share of the jar.");
  return undefined;
}

interface Where {
  readonly stage: Draft["stage"];
  readonly atOnce: boolean;
}

function drafted(l: ReadLine, where: Where, catalogue: Catalogue, around: Context): Result<Draft> {
  const found = stuffOfLine(l, catalogue, around);
  if (!found.ok) return found;
  const { line, step, place, amount } = l;
  const d: Draft = {
    line,
    step,
    place,
    amount,
    ...found.value,
    ...where,
    grams: undefined,
    tolerance: 0,
    because: "",
  };
  if (amount.kind === "measure" || amount.kind === "count") {
    const w = weigh(amount, d.stuff);
    if (!w.ok) return fail(...under(["amount"], w.faults));
    return ok({ ...d, ...w.value });
  }
  const wrong = misplaced(d);
  return wrong ? fail(...under(["amount"], [wrong])) : ok(d);
}

/** Every line of the plan with its stuff found, measured ones weighed; every fault there is. */
function draftsOf(read: ReadPlan, around: Context): Result<Draft[]> {
  const catalogue = materialsOf(read.plan, around);
  const firstStrain = read.steps.findIndex((s) => s.do === "strain");
  const firstWait = read.steps.findIndex((s) => s.do !== "add");
  const faults: Fault[] = [];
  const drafts = read.steps.flatMap((step, s) => {
    if (step.do !== "add") return [];
    const where: Where = {
      stage: firstStrain >= 0 && s > firstStrain ? "finish" : "jar",
      atOnce: firstWait < 0 || s < firstWait,
    };
    return step.lines.flatMap((l) => {
      const d = drafted(l, where, catalogue, around);
      if (d.ok) return [d.value];
      faults.push(...under(["steps", s, "what", l.place], d.faults));
      return [];
    });
  });
  return faults.length > 0 ? fail(...faults) : ok(drafts);
}

/** Parts said after the jar was filled are of the same size as those that filled it. */
function laterParts(drafts: readonly Draft[], partMl: number | undefined): Result<undefined> {
  for (const d of drafts) {
    if (d.grams !== undefined || d.amount.kind !== "part") continue;
    if (partMl === undefined)
      return fail(
        fault("NeedsVessel", "Parts need a jar to fill, or the size of one part. Choose a jar.", ["vessel"]),
      );
    d.grams = d.amount.count.value * partMl * d.stuff.bulkLoose;
    d.tolerance = 0.02;
    d.because = `${d.line.amount} of ${Math.round(partMl)} mL`;
  }
  return ok(undefined);
}

/** A pot stops at this much over what is asked of it before it is a miss. */
const NEAR_ENOUGH = 1.03;

/** What may boil away of the water that is there before the pan scorches. */
const MOST_OF_WATER = 0.95;
/** A loss somebody said that is more than the water in the pan. */
function boiledDry({ entries, operations, began, read }: Walk, at: number, grams: number): Fault | undefined {
  const i = [...began.values()].findLastIndex((b) => b <= at);
  const step = read.steps[i];
  if (step?.do !== "simmer" || step.losesMl === undefined) return undefined;
  const water = run(entries, operations.slice(0, at)).account.liquid[WATER]!;
  if (grams <= water * MOST_OF_WATER) return undefined;
  const most = Math.floor((water * MOST_OF_WATER) / 10) * 10;
  return fault(
    "BoilsDry",
    `${ml(step.losesMl)} cannot boil away: only about ${ml(water)} of water is in the pan, and it would burn dry. Say ${ml(most)} or less.`,
    ["steps", i, "loses"],
    kitchenVolume(most, read.plan.units, "down"),
  );
}

/** A boiling down that cannot come to what is asked: what is dissolved stays, and the pan would burn. */
function tooFar(walk: Walk): Fault | undefined {
  const { entries, operations, began } = walk;
  for (const [i, o] of operations.entries()) {
    if (o.op === "boil-off") {
      const gone = boiledDry(walk, i, o.grams);
      if (gone) return gone;
    }
    if (o.op !== "reduce") continue;
    const before = volumeOf(run(entries, operations.slice(0, i)).account.liquid);
    const after = volumeOf(run(entries, operations.slice(0, i + 1)).account.liquid);
    const target = o.toMl ?? before * o.toShare!;
    if (after <= Math.max(target, 1) * NEAR_ENOUGH) continue;
    const step = [...began].findLast(([, at]) => at <= i);
    const at = step ? [...began.keys()].indexOf(step[0]) : 0;
    const least = Math.ceil((after * 1.1) / 10) * 10;
    return fault(
      "NotReachable",
      `It cannot be boiled down to ${ml(target)}: with hardly any water left it is still ${ml(after)}, and burns. Stop at ${ml(least)} or more.`,
      ["steps", at, "to"],
      kitchenVolume(least, walk.read.plan.units, "up"),
    );
  }
  return undefined;
}

/** Something that cannot stand so because the jar would be fuller than full. */
const TOO_FULL: ReadonlySet<string> = new Set(["DoesNotFit", "NoLiquid"]);

/** The making at one end of what is not known: as far toward it as the jar holds. */
function atEnd(
  end: Omit<Supposal, "crammed">,
  resolved: (s: Supposal) => Result<Program>,
): readonly Program[] {
  for (const crammed of CRAMMED) {
    const p = resolved({ ...end, crammed });
    if (p.ok) return [p.value];
    if (!p.faults.some((f) => TOO_FULL.has(f.name))) return [];
  }
  return [];
}

/**
 * Finds every material, weighs what is measured and solves what is not, in the order of the plan.
 * @param happened what befell the making: a measured straining replaces the estimate
 * What nobody remembers is resolved as it likely was, with the same making at every end of it beside.
 * @returns a program for the ledger, or every fault found with its path into the plan.
 */
export function resolve(
  plan: Plan,
  around: Context = {},
  happened: Happened = NOTHING_HAPPENED,
): Result<Program> {
  const likely = supposed(plan, around, { happened, as: LIKELY });
  if (!likely.ok || likely.value.open.length === 0) return likely.ok ? ok(likely.value.program) : likely;
  const ends = likely.value.open.flatMap((end) =>
    atEnd(end, (as) => {
      const p = supposed(plan, around, { happened, as });
      return p.ok ? ok(p.value.program) : p;
    }),
  );
  return ok({ ...likely.value.program, ends });
}

/** A plan with what is not known in it supposed to be so, and the ends of that. */
interface Supposed {
  readonly program: Program;
  readonly open: readonly Omit<Supposal, "crammed">[];
}

function supposed(
  plan: Plan,
  around: Context,
  { happened, as }: { readonly happened: Happened; readonly as: Supposal },
): Result<Supposed> {
  const vessel = vesselOfPlan(plan, around);
  const read = readTexts(plan);
  const found = read.ok ? draftsOf(read.value, around) : undefined;
  const faults = [
    ...(vessel.ok ? [] : vessel.faults),
    ...(read.ok ? [] : read.faults),
    ...(found?.ok === false ? found.faults : []),
  ];
  if (faults.length > 0 || !vessel.ok || !read.ok || !found?.ok) return fail(...faults);
  const drafts = found.value;
  if (drafts.length === 0)
    return fail(fault("NothingGoesIn", "Nothing goes in yet. Add a herb and what it stands in.", ["steps"]));
  const open = endsOf(drafts);
  if (open.length > 0) suppose(drafts, vessel.value, as);
  const filled = fillJar(drafts, vessel.value, read.value.partMl);
  if (!filled.ok) return filled;
  const parts = laterParts(drafts, filled.value);
  if (!parts.ok) return parts;
  const walk = new Walk(read.value, drafts, vessel.value, happened);
  const walked = walk.steps();
  if (!walked.ok) return walked;
  const { lines, entries, operations, began, steep, standings, measuredMl, upstream, heatMinutes } = walk;
  // What was begun so stays readable; only what is still a plan is told.
  const dry = around.frozen ? undefined : tooFar(walk);
  if (dry) return fail(dry);
  const program: Program = {
    ...{ plan, read: read.value, happened, vessel: vessel.value, lines, entries, operations, began, steep },
    ...{ standings, partMl: filled.value, measuredMl, upstream, heatMinutes, ends: [] },
  };
  return ok({ program, open });
}
