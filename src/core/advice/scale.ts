import { ml as carriedMl } from "../quantity/carried";
import { type Result, fail, fault, ok } from "../fault";
import type { Plan, Step } from "../plan/plan";
import { type ReadLine, type ReadPlan, readTexts } from "../plan/read-plan";
import { scaled } from "../estimate";
import { type Amount, measure, measured, times } from "../quantity/amount";
import { UNITS } from "../quantity/units";
import { readAmount } from "../reading/amounts";
import { printAmount } from "../reading/print";
import { printReduction } from "../reading/reductions";
import { inSpoons } from "../reading/spoons";
import { isLiquid } from "../material/material";
import { type Context, vesselsIn } from "../reckoning/context";
import type { Program } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";

/** What a batch is to be scaled to. Volumes mL, masses g. */
export type ScaleGoal =
  | { readonly to: "factor"; readonly factor: number }
  | { readonly to: "vessel"; readonly vessel: string }
  | { readonly to: "liquid"; readonly material: string; readonly ml: number }
  | { readonly to: "herb"; readonly material: string; readonly grams: number }
  | { readonly to: "finished"; readonly ml: number }
  | { readonly to: "bottles"; readonly count: number; readonly ml: number };

export interface Scaled {
  readonly plan: Plan;
  readonly factor: number;
  /** What does not scale with it, to be told. */
  readonly tell: readonly string[];
}

/** Rests on the vessel, and is said in mL or g before it can be scaled freely. */
const BY_VESSEL: ReadonlySet<Amount["kind"]> = new Set(["fill", "cover", "jar", "ratio"]);
const to4 = (n: number): number => Number(n.toPrecision(4));
const inMl = (ml: number): Amount => measured(to4(ml), "ml");
const inG = (g: number): Amount => measured(to4(g), "g");

const withTexts = (plan: Plan, read: ReadPlan, f: (l: ReadLine) => Amount | undefined): Step[] =>
  plan.steps.map((s, i): Step => {
    const r = read.steps[i];
    if (s.do !== "add" || r?.do !== "add") return s;
    return {
      ...s,
      what: s.what.map((l) => {
        const line = r.lines.find((x) => x.line.id === l.id);
        const amount = line && f(line);
        return amount ? { ...l, amount: printAmount(amount, plan.units) } : l;
      }),
    };
  });

/**
 * The plan with every amount that rests on the vessel (parts, fillings, covers, jar shares) said in mL or g, so that it can be scaled freely.
 * A ratio stays a ratio: its part gets a size of its own.
 */
export function freed(plan: Plan, program: Program): Plan {
  const solved = new Map(program.lines.map((l) => [l.line.id, l]));
  const steps = withTexts(plan, program.read, ({ line, amount }) => {
    const r = solved.get(line.id);
    if (!r || !BY_VESSEL.has(amount.kind)) return undefined;
    return isLiquid(r.stuff) ? inMl(r.grams / r.stuff.density) : inG(r.grams);
  });
  const part = program.partMl === undefined ? {} : { part: printAmount(inMl(program.partMl), plan.units) };
  return { ...plan, steps, ...part };
}

/** An amount times a factor, as fine as can be written: grams and millilitres to four figures, pieces and cups to what a kitchen can count. */
function grown(a: Amount, by: number): Amount | undefined {
  if (a.kind !== "measure" && a.kind !== "count") return undefined;
  const next = times(a, by);
  if (next.kind !== "measure") return next;
  if (next.terms.length > 1) return next;
  const first = next.terms[0]!;
  const { packing, hedge } = next;
  const how = { ...(packing ? { packing } : {}), ...(hedge ? { hedge } : {}) };
  // Kilograms and litres shrink into grams and millilitres rather than lose their figures.
  if ((first.unit.id === "kg" || first.unit.id === "l") && first.count.value < 1) {
    const unit = first.unit.id === "kg" ? UNITS.g : UNITS.ml;
    return measure([{ unit, count: scaled(first.count, 1000) }], how);
  }
  const spoons = inSpoons(first);
  return spoons ? measure(spoons, how) : next;
}

/**
 * Every measured amount times a factor; times stay, and so do shares of the jar, shares of the liquid and goals.
 * @param partMl size of one part now, where a ratio is to grow too instead of filling its vessel
 */
export function scaledBy(plan: Plan, factor: number, partMl?: number): Plan {
  const read = readTexts(plan);
  if (!read.ok) return plan;
  const steps = withTexts(plan, read.value, ({ amount }) => grown(amount, factor)).map((s, i): Step => {
    const r = read.value.steps[i];
    // What boils away grows with what is in the pan, or a recipe halved boils dry.
    if (s.do === "simmer" && s.loses !== undefined) {
      const said = readAmount(s.loses, plan.units);
      const loses = said.ok ? grown(said.value, factor) : undefined;
      return loses ? { ...s, loses: printAmount(loses, plan.units) } : s;
    }
    if (s.do !== "reduce" || r?.do !== "reduce" || !("toMl" in r.to)) return s;
    return { ...s, to: printReduction({ toMl: to4(r.to.toMl * factor) }) };
  });
  const part = partMl === undefined ? {} : { part: printAmount(inMl(partMl * factor), plan.units) };
  return { ...plan, steps, ...part };
}

function figure(goal: ScaleGoal, p: Program, r: Reckoning): number | undefined {
  switch (goal.to) {
    case "finished":
    case "bottles":
      return r.finished.ml.value;
    case "liquid": {
      const mine = p.lines.filter((l) => l.stuff.id === goal.material && l.stage === "jar");
      return mine.length > 0 ? mine.reduce((s, l) => s + l.grams / l.stuff.density, 0) : undefined;
    }
    case "herb": {
      const mine = p.lines.filter((l) => l.stuff.id === goal.material);
      return mine.length > 0 ? mine.reduce((s, l) => s + l.grams, 0) : undefined;
    }
    case "factor":
    case "vessel":
      return undefined;
  }
}

function target(goal: Exclude<ScaleGoal, { to: "factor" | "vessel" }>): number {
  switch (goal.to) {
    case "bottles":
      return goal.count * goal.ml;
    case "herb":
      return goal.grams;
    case "finished":
    case "liquid":
      return goal.ml;
  }
}

const OUT_OF_RANGE = (factor: number): Result<never> =>
  fail(
    fault(
      "OutOfRange",
      `That is ${factor < 1 ? "under a hundredth" : "over a hundred times"} the plan. Scale between a hundredth and a hundredfold.`,
    ),
  );

/** How near a scaled figure comes to what was asked. */
const CLOSE = 2e-3;

/**
 * The factor at which a figure reaches its target, by bisection on the logarithm between a hundredth and a hundredfold; what boils away does not
 * scale, so the figure need not go in proportion. Faults: `NotReachable` with the least and most that can be had.
 */
function solveFactor(
  make: (factor: number) => number | undefined,
  want: number,
  guess: number,
): Result<number> {
  if (!(guess >= 0.01 && guess <= 100)) return OUT_OF_RANGE(guess);
  const at = (f: number): number => make(f) ?? NaN;
  if (Math.abs(at(guess) / want - 1) < CLOSE / 4) return ok(guess);
  let [low, high] = [Math.max(0.01, guess / 8), Math.min(100, guess * 8)];
  for (let i = 0; i < 40; i++) {
    const mid = Math.sqrt(low * high);
    if (!(at(mid) >= want)) low = mid;
    else high = mid;
  }
  const got = at(high);
  if (Math.abs(got / want - 1) < CLOSE) return ok(high);
  return fail(
    fault(
      "NotReachable",
      `It cannot be made to come to ${carriedMl(want)}: what boils off takes too much of it. Take a smaller pan, a shorter simmer or a lid.`,
    ),
  );
}

function toVessel(plan: Plan, p: Program, id: string, around: Context): Result<Scaled> {
  const v = vesselsIn(around).get(id);
  if (!v)
    return fail(fault("UnknownVessel", "There is no such vessel. Choose one from the list.", ["vessel"]));
  const was = p.vessel;
  const fixed = p.lines.some(
    (l) => l.atOnce && !l.stuff.plant && (l.amount.kind === "measure" || l.amount.kind === "count"),
  );
  // Where the vessel decides what is poured, only the measured herb is scaled; where all is measured, everything to the line.
  const now = was && fixed ? Math.max(1, reckonProgram(p).fit!.day0.ml) : was?.fillMl;
  const by = now === undefined ? 1 : v.fillMl / now;
  const scaled = scaledBy(plan, by, plan.part === undefined ? undefined : p.partMl);
  return ok({ plan: { ...scaled, vessel: id }, factor: by, tell: tell(p, by) });
}

/**
 * The plan scaled to a vessel, to the liquid or the herb in hand, to a finished volume, to bottles, or by a factor.
 * Amounts scale; simmering and steeping do not, and what boils away depends on the pot, so a finished volume is solved by re-reckoning.
 * Faults: `NothingToScale`, `OutOfRange`, `NotReachable`, `UnknownVessel`, and whatever the scaled plan raises.
 */
export function scaleTo(plan: Plan, goal: ScaleGoal, around: Context = {}): Result<Scaled> {
  const first = resolve(plan, around);
  if (!first.ok) return first;
  if (goal.to === "vessel") return toVessel(plan, first.value, goal.vessel, around);
  const base = freed(plan, first.value);
  const program = resolve(base, around);
  if (!program.ok) return program;
  const factor = goal.to === "factor" ? ok(goal.factor) : factorFor(goal, base, program.value, around);
  if (!factor.ok) return factor;
  if (!(factor.value >= 0.01 && factor.value <= 100)) return OUT_OF_RANGE(factor.value);
  const made = scaledBy(base, factor.value, program.value.partMl);
  const check = resolve(made, around);
  return check.ok ? ok({ plan: made, factor: factor.value, tell: tell(check.value, factor.value) }) : check;
}

function factorFor(
  goal: Exclude<ScaleGoal, { to: "factor" | "vessel" }>,
  base: Plan,
  p: Program,
  around: Context,
): Result<number> {
  const want = target(goal);
  const now = figure(goal, p, reckonProgram(p));
  if (now === undefined || !(now > 0))
    return fail(fault("NothingToScale", "That is not in the plan, so it cannot be scaled by it."));
  if (goal.to === "liquid" || goal.to === "herb") return ok(want / now);
  return solveFactor(
    (f) => {
      const again = resolve(scaledBy(base, f, p.partMl), around);
      return again.ok ? figure(goal, again.value, reckonProgram(again.value)) : undefined;
    },
    want,
    want / now,
  );
}

function tell(p: Program, factor: number): string[] {
  const out: string[] = [];
  if (p.heatMinutes > 0) out.push("Simmering and steeping stay as long as they were.");
  if (p.plan.steps.some((s) => s.do === "reduce") && factor > 1.2)
    out.push("Reducing takes longer: the same pot lets off no more steam.");
  const fit = p.vessel ? reckonProgram(p).fit : undefined;
  if (fit && fit.overLineMl > 1)
    out.push(`It no longer fits the ${p.vessel!.name}: ${carriedMl(fit.overLineMl)} over its line.`);
  if (p.vessel?.sort === "pressure-pot" && fit && fit.filled > 1)
    out.push("A pressure pot is filled two thirds at most, half for foaming berries.");
  return out;
}

/**
 * The largest batch of this plan a vessel takes, as a factor of it: everything to the headspace line, herb included.
 * Faults: `TooBig` where even a thousandth of it overflows.
 */
export function largestIn(plan: Plan, vessel: string, around: Context = {}): Result<Scaled> {
  const first = resolve(plan, around);
  if (!first.ok) return first;
  const base: Plan = { ...freed(plan, first.value), vessel };
  const program = resolve(base, around);
  if (!program.ok) return program;
  const fits = (f: number): boolean | undefined => {
    const r = resolve(scaledBy(base, f, program.value.partMl), around);
    // What can no longer be reckoned is too small to write down, not too big for the jar.
    return r.ok ? reckonProgram(r.value).fit!.day0.ml <= r.value.vessel!.fillMl : undefined;
  };
  let low = 0.001;
  let high = 200;
  for (let i = 0; i < 50; i++) {
    const mid = Math.sqrt(low * high);
    if (fits(mid) === false) high = mid;
    else low = mid;
  }
  if (fits(low) !== true)
    return fail(
      fault("TooBig", "Even a little of it does not stand in that vessel. Choose a larger one.", ["vessel"]),
    );
  return ok({ plan: scaledBy(base, low, program.value.partMl), factor: low, tell: [] });
}

/** Twice as much or half as much of all that is measured; the vessel stays, and is checked again. */
export const multiplied = (plan: Plan, by: number, around: Context = {}): Result<Scaled> =>
  scaleTo(plan, { to: "factor", factor: by }, around);
