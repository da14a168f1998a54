import type { Form } from "../material/classes";
import type { Plan } from "../plan/plan";
import type { Context } from "../reckoning/context";
import type { Program, Resolved } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";

/** What the verdict would be were a form that nobody said the other one. */
export interface Doubt {
  readonly line: string;
  readonly name: string;
  readonly form: Form;
  readonly place: Reckoning["verdict"]["place"];
  readonly life: string;
}

const WORSE = { cupboard: 2, fridge: 1, "do-not-keep": 0 } as const;
/** A life shorter by less than this share is the same life. */
const SHORTER = 0.99;

const worse = (is: Reckoning["verdict"], was: Reckoning["verdict"]): boolean =>
  WORSE[is.place] < WORSE[was.place] || (is.place === was.place && is.life.days < SHORTER * was.life.days);

/** The plan with one line in another form, said. */
const withForm = (plan: Plan, line: string, form: Form): Plan => ({
  ...plan,
  steps: plan.steps.map((s) =>
    s.do === "add" ? { ...s, what: s.what.map((l) => (l.id === line ? { ...l, form, took: [] } : l)) } : s,
  ),
});

function doubtOf(l: Resolved, p: Program, was: Reckoning, context: Context): Doubt | undefined {
  const form = l.otherwise?.form;
  if (!form) return undefined;
  const other = resolve(withForm(p.plan, l.line.id, form), context);
  if (!other.ok) return undefined;
  const { verdict } = reckonProgram(other.value);
  if (!worse(verdict, was.verdict)) return undefined;
  return { line: l.line.id, name: l.stuff.name, form, place: verdict.place, life: verdict.life.words };
}

/** Forms that were taken for granted, tried the other way round: those that would keep less well, a whole reckoning each. */
export const otherForms = (p: Program, was: Reckoning, context: Context): readonly Doubt[] =>
  p.lines.flatMap((l) => doubtOf(l, p, was, context) ?? []);
