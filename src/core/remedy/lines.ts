import type { Line, Plan, Step } from "./plan";

/** Where a line stands in a plan. */
export interface Spot {
  readonly step: number;
  readonly place: number;
}

export const lineAt = (plan: Plan, { step, place }: Spot): Line | undefined => {
  const s = plan.steps[step];
  return s?.do === "add" ? s.what[place] : undefined;
};

export const linesOf = (plan: Plan): readonly Line[] => plan.steps.flatMap((s) => (s.do === "add" ? s.what : []));

const inStep = (plan: Plan, step: number, f: (what: readonly Line[]) => Line[]): Plan => ({ ...plan, steps: plan.steps.map((s, i): Step => (i === step && s.do === "add" ? { ...s, what: f(s.what) } : s)) });

export const withLine = (plan: Plan, spot: Spot, f: (l: Line) => Line): Plan => inStep(plan, spot.step, (what) => what.map((l, i) => (i === spot.place ? f(l) : l)));
export const withAmount = (plan: Plan, spot: Spot, amount: string): Plan => withLine(plan, spot, (l) => ({ ...l, amount }));
export const without = (plan: Plan, spot: Spot): Plan => inStep(plan, spot.step, (what) => what.filter((_, i) => i !== spot.place));
export const withNext = (plan: Plan, spot: Spot, line: Line): Plan => inStep(plan, spot.step, (what) => [...what.slice(0, spot.place + 1), line, ...what.slice(spot.place + 1)]);

/** A line moved to another place among those that go in with it, or into another step. */
export function moved(plan: Plan, from: Spot, to: Spot): Plan {
  const line = lineAt(plan, from);
  if (!line || plan.steps[to.step]?.do !== "add" || to.place < 0) return plan;
  return inStep(without(plan, from), to.step, (what) => [...what.slice(0, to.place), line, ...what.slice(to.place)]);
}

/** The plan with one thing more at its end: after the last straining, before bottling. */
export function withLast(plan: Plan, line: Line): Plan {
  const steps = [...plan.steps];
  const cut = steps.map((s) => s.do).lastIndexOf("strain");
  const at = steps.findIndex((s, i) => i > cut && s.do === "add");
  if (cut >= 0 && at >= 0) steps[at] = { do: "add", what: [...(steps[at] as Extract<Step, { do: "add" }>).what, line] };
  else {
    const before = steps.findIndex((s, i) => i > cut && s.do === "bottle");
    steps.splice(before < 0 ? steps.length : before, 0, { do: "add", what: [line] });
  }
  return { ...plan, steps };
}

/** Steps that add nothing, left over when their last line went, taken out; the first is kept as the place to add to. */
export const tidied = (plan: Plan): Plan => {
  const first = plan.steps.findIndex((s) => s.do === "add");
  return { ...plan, steps: plan.steps.filter((s, i) => s.do !== "add" || s.what.length > 0 || i === first) };
};
