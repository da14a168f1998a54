import { type Result, fail, fault, ok } from "../fault";
import { VESSELS } from "../vessel/catalogue";
import type { Vessel } from "../vessel/vessel";
import { parseAmount } from "../quantity/amount";
import { scaleText } from "./ingredient";
import type { Plan, Step } from "./plan";
import { type Reckoning, reckonProgram } from "./reckon";
import { type Program, type Surroundings, resolve } from "./resolve";

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

const amountOf = (n: number, unit: string): string => `${Number(n.toPrecision(4))} ${unit}`;

/**
 * The plan with every amount that rests on the vessel (parts, fillings, covers, jar shares) said in mL or g, so that it can be scaled freely.
 * A ratio stays a ratio: its part gets a size of its own.
 */
export function measured(plan: Plan, program: Program): Plan {
  const steps = plan.steps.map((s, i): Step => {
    if (s.do !== "add") return s;
    return {
      ...s,
      what: s.what.map((l, place) => {
        const r = program.lines.find((x) => x.step === i && x.place === place);
        if (!r || (r.amount.kind !== "fill" && r.amount.kind !== "cover" && r.amount.kind !== "jar" && r.amount.kind !== "ratio")) return l;
        return { ...l, amount: r.stuff.plant || r.stuff.bulkLoose !== r.stuff.density ? amountOf(r.grams, "g") : amountOf(r.grams / r.stuff.density, "mL") };
      }),
    };
  });
  return { ...plan, steps, ...(program.partMl === undefined ? {} : { part: amountOf(program.partMl, "mL") }) };
}

/**
 * Every measured amount times a factor; times stay, and so do shares of the jar, shares of the liquid and goals.
 * @param partMl size of one part now, where a ratio is to grow too instead of filling its vessel
 */
export function scaledBy(plan: Plan, factor: number, partMl?: number): Plan {
  const steps = plan.steps.map((s): Step => {
    if (s.do === "reduce" && !/^\s*(?:by half|half|\d+\s*\/\s*\d+|[½⅓⅔¼¾]|0?\.\d+)\s*$/i.test(s.to)) {
      const m = /([\d.]+)\s*(\D+)/.exec(s.to);
      return m ? { ...s, to: amountOf(Number(m[1]) * factor, m[2]!.trim()) } : s;
    }
    if (s.do === "strain" && s.measured !== undefined) {
      const { measured: _, ...rest } = s;
      return rest;
    }
    if (s.do !== "add") return s;
    return {
      ...s,
      what: s.what.map((l) => {
        const amount = parseAmount(l.amount, plan.units);
        if (!amount.ok || (amount.value.kind !== "measure" && amount.value.kind !== "count")) return l;
        const a = amount.value;
        // Fine enough that solved goals re-assess: grams and millilitres to four figures, kitchen units as fractions or two decimals.
        if (a.kind === "measure" && (a.unit.id === "g" || a.unit.id === "ml")) return { ...l, amount: amountOf(a.count.value * factor, a.unit.one) };
        return { ...l, amount: scaleText(l.amount, a, factor) };
      }),
    };
  });
  return { ...plan, ...(partMl === undefined ? {} : { part: amountOf(partMl * factor, "mL") }), steps };
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
    default:
      return undefined;
  }
}

/**
 * The plan scaled to a vessel, to the liquid or the herb in hand, to a finished volume, to bottles, or by a factor.
 * Amounts scale; simmering and steeping do not, and what boils away depends on the pot, so a finished volume is solved by re-reckoning.
 * Faults: `NothingToScale`, `OutOfRange`, `UnknownVessel`, and whatever the scaled plan raises.
 */
export function scaleTo(plan: Plan, goal: ScaleGoal, around: Surroundings = {}): Result<Scaled> {
  const first = resolve(plan, around);
  if (!first.ok) return first;
  if (goal.to === "vessel") {
    const v = (around.vessels ?? VESSELS).get(goal.vessel);
    if (!v) return fail(fault("UnknownVessel", "There is no such vessel. Choose one from the list.", ["vessel"]));
    const was = first.value.vessel;
    const fixed = first.value.lines.some((l) => l.atOnce && !l.stuff.plant && (l.amount.kind === "measure" || l.amount.kind === "count"));
    // Where the vessel decides what is poured, only the measured herb is scaled; where all is measured, everything to the line.
    const by = was ? (fixed ? v.fillMl / Math.max(1, reckonProgram(first.value).fit!.day0.ml) : v.fillMl / was.fillMl) : 1;
    const scaled = scaledBy(plan, by, plan.part === undefined ? undefined : first.value.partMl);
    return ok({ plan: { ...scaled, vessel: goal.vessel }, factor: by, tell: tell(first.value, by) });
  }
  const base = measured(plan, first.value);
  const program = resolve(base, around);
  if (!program.ok) return program;
  let factor: number;
  if (goal.to === "factor") factor = goal.factor;
  else {
    const target = goal.to === "bottles" ? goal.count * goal.ml : goal.to === "herb" ? goal.grams : goal.ml;
    const now = figure(goal, program.value, reckonProgram(program.value));
    if (now === undefined || !(now > 0)) return fail(fault("NothingToScale", "That is not in the plan, so it cannot be scaled by it."));
    factor = target / now;
    // What boils away does not scale; two or three secant steps settle it.
    for (let i = 0; i < 8 && (goal.to === "finished" || goal.to === "bottles"); i++) {
      const again = resolve(scaledBy(base, factor, program.value.partMl), around);
      if (!again.ok) return again;
      const got = figure(goal, again.value, reckonProgram(again.value))!;
      if (Math.abs(got / target - 1) < 5e-4) break;
      factor *= target / got;
    }
  }
  if (!(factor >= 0.01 && factor <= 100)) return fail(fault("OutOfRange", `That is ${factor < 1 ? "under a hundredth" : "over a hundred times"} the plan. Scale between a hundredth and a hundredfold.`));
  const made = scaledBy(base, factor, program.value.partMl);
  const check = resolve(made, around);
  if (!check.ok) return check;
  return ok({ plan: made, factor, tell: tell(check.value, factor) });
}

function tell(p: Program, factor: number): string[] {
  const out: string[] = [];
  if (p.heatMinutes > 0) out.push("Simmering and steeping stay as long as they were.");
  if (p.plan.steps.some((s) => s.do === "reduce") && factor > 1.2) out.push("Reducing takes longer: the same pot lets off no more steam.");
  const fit = p.vessel ? reckonProgram(p).fit : undefined;
  if (fit && fit.overLineMl > 1) out.push(`It no longer fits the ${p.vessel!.name}: ${Math.round(fit.overLineMl)} mL over its line.`);
  if (p.vessel?.sort === "pressure-pot" && fit && fit.filled > 1) out.push("A pressure pot is filled two thirds at most, half for foaming berries.");
  return out;
}

/** The largest batch of this plan a vessel takes, as a factor of it: everything to the headspace line, herb included. */
export function largestIn(plan: Plan, vessel: string, around: Surroundings = {}): Result<Scaled> {
  const first = resolve(plan, around);
  if (!first.ok) return first;
  const base: Plan = { ...measured(plan, first.value), vessel };
  const program = resolve(base, around);
  if (!program.ok) return program;
  let low = 0.001;
  let high = 200;
  for (let i = 0; i < 50; i++) {
    const mid = Math.sqrt(low * high);
    const r = resolve(scaledBy(base, mid, program.value.partMl), around);
    if (r.ok && reckonProgram(r.value).fit!.day0.ml <= r.value.vessel!.fillMl) low = mid;
    else high = mid;
  }
  return ok({ plan: scaledBy(base, low, program.value.partMl), factor: low, tell: [] });
}

export interface Split {
  /** Vessel and the share of the batch it takes. */
  readonly into: readonly { readonly vessel: Vessel; readonly share: number }[];
  /** mL of the jar's filling that found no vessel. */
  readonly leftMl: number;
}

/**
 * Splits a batch over free vessels: the fewest that take it, and of those the set with least air left over. Each is filled to its line but the last.
 * @param needMl what the batch fills on the first day, mL
 */
export function splitOver(needMl: number, free: readonly Vessel[]): Split {
  const sizes = [...free].sort((a, b) => b.fillMl - a.fillMl).slice(0, 16);
  let best: Vessel[] | undefined;
  const total = (v: readonly Vessel[]): number => v.reduce((s, x) => s + x.fillMl, 0);
  const walk = (from: number, taken: Vessel[], sum: number): void => {
    if (sum >= needMl - 0.5) {
      if (!best || taken.length < best.length || (taken.length === best.length && sum < total(best))) best = [...taken];
      return;
    }
    if (best && taken.length >= best.length) return;
    for (let i = from; i < sizes.length; i++) walk(i + 1, [...taken, sizes[i]!], sum + sizes[i]!.fillMl);
  };
  walk(0, [], 0);
  const used = best ?? sizes;
  let left = needMl;
  const into = used.map((vessel) => {
    const ml = Math.min(left, vessel.fillMl);
    left -= ml;
    return { vessel, share: ml / needMl };
  });
  return { into: into.filter((x) => x.share > 1e-9), leftMl: Math.max(0, left) };
}
