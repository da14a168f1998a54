import { MATERIALS } from "../../material/catalogue";
import type { Form } from "../../material/classes";
import { stuffOf } from "../../material/material";
import type { QuestionId } from "../../plan/kinds";
import type { Line, Plan, Step } from "../../plan/plan";
import { isLong } from "../../plan/read-plan";
import { readDuration } from "../../reading/durations";
import { roleOf } from "../../plan/ways";

/** One answer to a question makers disagree on: who holds with it and why, in one sentence. */
export interface School {
  readonly id: string;
  /** A temperature is given in both, each a round figure, and written as the household reads its thermometer. */
  readonly name: string | { readonly celsius: number; readonly fahrenheit: number };
  readonly why: string;
  /** The one taken unless the maker says otherwise. */
  readonly cautious?: boolean;
  /** Whether it can be said of this plan at all. */
  readonly fits?: (plan: Plan) => boolean;
  readonly holds: (plan: Plan) => boolean;
  readonly make: (plan: Plan) => Plan;
}

export interface Question {
  readonly id: QuestionId;
  readonly asks: string;
  /** Whether it makes a difference to this plan. */
  readonly when?: (plan: Plan) => boolean;
  readonly schools: readonly School[];
}

/** A school's name and reason, and whether it is the cautious one. */
export interface Said {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  readonly cautious?: boolean;
}

export const classOf = (l: Line): string => MATERIALS.get(l.material)?.row.class ?? "";
export const isHerb = (l: Line): boolean => roleOf(l) === "herb";
export const mapSteps = (plan: Plan, f: (s: Step) => Step): Plan => ({ ...plan, steps: plan.steps.map(f) });
export const mapLines = (plan: Plan, f: (l: Line) => Line): Plan =>
  mapSteps(plan, (s) => (s.do === "add" ? { ...s, what: s.what.map(f) } : s));
export const hasStep = (plan: Plan, test: (s: Step) => boolean): boolean => plan.steps.some(test);
export const longSteep = (s: Step): s is Extract<Step, { do: "steep" }> => s.do === "steep" && isLong(s);

export function formOf(l: Line): Form | undefined {
  const m = MATERIALS.get(l.material);
  const s = m ? stuffOf(m, { form: l.form, cut: l.cut }) : undefined;
  return s?.ok ? s.value.form : undefined;
}
export const isFresh = (l: Line): boolean => formOf(l) === "fresh" || formOf(l) === "frozen";

/** Sets one thing that every long steep of the plan has. */
export const ofSteep = <K extends "for" | "in">(
  said: Said,
  key: K,
  value: NonNullable<Extract<Step, { do: "steep" }>[K]>,
  unsaid?: string,
): School => ({
  ...said,
  holds: (p) => hasStep(p, (s) => longSteep(s) && (s[key] ?? unsaid) === value),
  make: (p) => mapSteps(p, (s) => (longSteep(s) ? { ...s, [key]: value } : s)),
});

/** Whether two lengths of time are the same, however they are said: two weeks are fourteen days. */
export function lastsAs(a: string | undefined, b: string): boolean {
  if (a === undefined) return false;
  const [x, y] = [readDuration(a), readDuration(b)];
  return x.ok && y.ok && x.value.days.low === y.value.days.low && x.value.days.high === y.value.days.high;
}
