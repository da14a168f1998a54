import { type Happened, NOTHING_HAPPENED } from "./happened";
import { type Nameless, withIds } from "./ids";
import { wayById } from "./kinds";
import type { Line, Plan, Step } from "./plan";
import { PLAIN_BENCH, emptyPlan, madeBy } from "./ways";

/*
 * Small plans for the core's tests.
 */
export type TrialLine = Nameless<Line>;
export type TrialStep =
  Nameless<Exclude<Step, { do: "add" }>> | { readonly do: "add"; readonly what: readonly TrialLine[] };

export const line = (material: string, amount: string, more: Partial<Line> = {}): TrialLine => ({
  material,
  amount,
  ...more,
});

export type TrialSteps = readonly (TrialStep | Step)[];
export type TrialPlan = Partial<Omit<Plan, "steps">> & { readonly steps?: TrialSteps | undefined };

/** One that stands in no plan. */
export const lineNamed = (material: string, amount: string, more: Partial<Line> = {}): Line => ({
  ...line(material, amount, more),
  id: "1",
});

/** A plan with something else in it; what has no id is given one. */
export const trial = (plan: Plan, more: TrialPlan): Plan => withIds({ ...plan, ...more } as Plan);

/** A plan with these steps; ids are given. */
export const withSteps = (plan: Plan, steps: TrialSteps): Plan => trial(plan, { steps });

/** The plan with every line of a material changed. */
export const withMaterial = (plan: Plan, material: string, to: Partial<Line>): Plan => ({
  ...plan,
  steps: plan.steps.map((s) =>
    s.do === "add" ? { ...s, what: s.what.map((l) => (l.material === material ? { ...l, ...to } : l)) } : s,
  ),
});

/** What befell a plan whose first straining was measured. */
export function measuredAs(plan: Plan, measured: string, more: Partial<Happened> = {}): Happened {
  const cut = plan.steps.find((s) => s.do === "strain")!;
  return { ...NOTHING_HAPPENED, ...more, strained: [{ step: cut.id, measured }] };
}

/** A plan in a way, on these herbs, in a 1 L jar. */
export function made(way: string, herbs: readonly TrialLine[], more: TrialPlan = {}): Plan {
  const w = wayById(way)!;
  const bench = { ...PLAIN_BENCH, jar: "m-1000" };
  const bare = withSteps({ ...emptyPlan(w.kind, "us", bench), name: "Trial" }, [{ do: "add", what: herbs }]);
  // Poured by the litre, whatever the kitchen: the figures of these tests are worked out from it.
  return trial({ ...madeBy(w, { ...bare, units: "metric" }, bench), units: "us" }, more);
}
