import type { Amount } from "../quantity/amount";
import { printAmount } from "../reading/print";
import { Ids, type Nameless } from "./ids";
import type { Line, Plan, Step } from "./plan";

/*
 * Editing: every function gives a new plan and leaves the old one as it was. Lines and steps are named by id.
 */
export const linesOf = (plan: Plan): readonly Line[] =>
  plan.steps.flatMap((s) => (s.do === "add" ? s.what : []));
export const lineOf = (plan: Plan, id: string): Line | undefined => linesOf(plan).find((l) => l.id === id);
export const stepOf = (plan: Plan, id: string): Step | undefined => plan.steps.find((s) => s.id === id);
export const stepOfLine = (plan: Plan, id: string): Step | undefined =>
  plan.steps.find((s) => s.do === "add" && s.what.some((l) => l.id === id));

const inAdds = (plan: Plan, f: (what: readonly Line[], step: Step) => Line[]): Plan => ({
  ...plan,
  steps: plan.steps.map((s): Step => (s.do === "add" ? { ...s, what: f(s.what, s) } : s)),
});

/** The steps that add to what was strained, in their order. */
export function addedAfterStraining({ steps }: Pick<Plan, "steps">): readonly Extract<Step, { do: "add" }>[] {
  const cut = steps.findIndex((s) => s.do === "strain");
  return steps.flatMap((s, i) => (s.do === "add" && i > cut ? [s] : []));
}

/** Gives ids to what has none, out of the plan's own count. */
export function naming<T>(plan: Plan, f: (ids: Ids) => T): { readonly made: T; readonly ids: number } {
  const ids = new Ids(plan.ids);
  return { made: f(ids), ids: ids.given };
}

export const withLine = (plan: Plan, id: string, f: (l: Line) => Line): Plan =>
  inAdds(plan, (what) => what.map((l) => (l.id === id ? f(l) : l)));
export const withAmount = (plan: Plan, id: string, amount: string): Plan =>
  withLine(plan, id, (l) => ({ ...l, amount }));
/** An amount as a value, in the plan’s own units. */
export const withSaid = (plan: Plan, id: string, amount: Amount): Plan =>
  withAmount(plan, id, printAmount(amount, plan.units));
export const without = (plan: Plan, id: string): Plan =>
  inAdds(plan, (what) => what.filter((l) => l.id !== id));

/** The plan with a new line after another, in the same step. */
export function withNext(plan: Plan, after: string, line: Nameless<Line>): Plan {
  const { made, ids } = naming(plan, (n): Line => ({ ...line, id: n.next() }));
  return {
    ...inAdds(plan, (what) => what.flatMap((l) => (l.id === after ? [l, made] : [l]))),
    ids,
  };
}

/** The plan with a new line at the end of a step that adds; where none is named, of the first. */
export function withAdded(plan: Plan, line: Nameless<Line>, step?: string): Plan {
  const into = plan.steps.find((s) => s.do === "add" && (step === undefined || s.id === step));
  const { made, ids } = naming(plan, (n): Line => ({ ...line, id: n.next() }));
  if (!into) {
    const named = naming({ ...plan, ids }, (n) => n.next());
    return { ...plan, ids: named.ids, steps: [{ id: named.made, do: "add", what: [made] }, ...plan.steps] };
  }
  return { ...inAdds(plan, (what, s) => (s.id === into.id ? [...what, made] : [...what])), ids };
}

/** A line moved to a place in a step that adds. */
export function moved(plan: Plan, id: string, toStep: string, place: number): Plan {
  const line = lineOf(plan, id);
  const target = stepOf(plan, toStep);
  if (!line || target?.do !== "add" || place < 0) return plan;
  return inAdds(without(plan, id), (what, s) =>
    s.id === toStep ? [...what.slice(0, place), line, ...what.slice(place)] : [...what],
  );
}

/** A line one place earlier or later; past the end of its step it goes into the next step that adds. */
export function nudged(plan: Plan, id: string, by: -1 | 1): Plan {
  const at = plan.steps.findIndex((s) => s.do === "add" && s.what.some((l) => l.id === id));
  const step = plan.steps[at];
  if (step?.do !== "add") return plan;
  const place = step.what.findIndex((l) => l.id === id) + by;
  if (place >= 0 && place < step.what.length) return moved(plan, id, step.id, place);
  const others = by < 0 ? plan.steps.slice(0, at).reverse() : plan.steps.slice(at + 1);
  const next = others.find((s) => s.do === "add");
  return next?.do === "add" ? moved(plan, id, next.id, by < 0 ? next.what.length : 0) : plan;
}

/** The plan with one thing more at its end: after the last straining, before bottling. */
export function withLast(plan: Plan, line: Nameless<Line>): Plan {
  const cut = plan.steps.map((s) => s.do).lastIndexOf("strain");
  const there = plan.steps.find((s, i) => i > cut && s.do === "add");
  if (cut >= 0 && there) return withAdded(plan, line, there.id);
  const before = plan.steps.findIndex((s, i) => i > cut && s.do === "bottle");
  const named = naming(plan, (n): Step => ({ id: n.next(), do: "add", what: [{ ...line, id: n.next() }] }));
  return {
    ...plan,
    ids: named.ids,
    steps: plan.steps.toSpliced(before < 0 ? plan.steps.length : before, 0, named.made),
  };
}

/** Steps that add nothing, left over when their last line went, taken out; the first is kept as the place to add to. */
export const tidied = (plan: Plan): Plan => {
  const first = plan.steps.findIndex((s) => s.do === "add");
  return { ...plan, steps: plan.steps.filter((s, i) => s.do !== "add" || s.what.length > 0 || i === first) };
};

export const withStep = (plan: Plan, id: string, f: (s: Step) => Step): Plan => ({
  ...plan,
  steps: plan.steps.map((s) => (s.id === id ? f(s) : s)),
});

/** A new step put after another; first of all where none is named. */
export function withStepAfter(plan: Plan, after: string | undefined, step: Nameless<Step>): Plan {
  const at = after === undefined ? 0 : plan.steps.findIndex((s) => s.id === after) + 1;
  const { made, ids } = naming(plan, (n) => ({ ...step, id: n.next() }) as Step);
  return { ...plan, ids, steps: plan.steps.toSpliced(at, 0, made) };
}

/** A step taken out, with the lines it adds. A plan keeps at least one step that adds. */
export function withoutStep(plan: Plan, id: string): Plan {
  const step = stepOf(plan, id);
  const adds = plan.steps.filter((s) => s.do === "add").length;
  if (!step) return plan;
  if (step.do === "add" && adds === 1)
    return withStep(plan, id, (s) => (s.do === "add" ? { ...s, what: [] } : s));
  return { ...plan, steps: plan.steps.filter((s) => s.id !== id) };
}

/** A step one place earlier or later. */
export function stepNudged(plan: Plan, id: string, by: -1 | 1): Plan {
  const at = plan.steps.findIndex((s) => s.id === id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= plan.steps.length) return plan;
  const step = plan.steps[at]!;
  return { ...plan, steps: plan.steps.toSpliced(at, 1).toSpliced(to, 0, step) };
}
