import type { Fault, Result } from "@/core/fault";
import { readAmount, readMeasured } from "@/core/reading/amounts";
import type { Plan } from "@/core/plan/plan";
import type { Program } from "@/core/reckoning/program";
import { kitchenable } from "@/core/advice/kitchenable";
import { type ScaleGoal, type Scaled, largestIn, scaleTo } from "@/core/advice/scale";
import { weigh } from "@/core/reckoning/weigh";
import { VESSELS } from "@/core/vessel/catalogue";
import { capital } from "@/core/words";

/** What is made the most of, as it was said. */
export interface Wanted {
  /** `jar`, `bottles`, or `line-` and the number of a line. */
  readonly of: string;
  readonly amount: string;
  readonly size: string;
  readonly count: string;
  /** For so many people: how many, how much each takes in a day, and for how many days. */
  readonly people: string;
  readonly each: string;
  readonly days: string;
}
export type Tried = { readonly done: Scaled } | { readonly wrong: Fault } | undefined;

/** What was scaled, in what a kitchen can measure; what that changes is told. */
function settle(was: Plan, r: Result<Scaled>): Tried {
  if (!r.ok) return { wrong: r.faults[0]! };
  const { plan, told } = kitchenable(r.value.plan, was);
  return { done: { ...r.value, plan, tell: [...r.value.tell, ...told.map((t) => `${capital(t)}.`)] } };
}
const refuse = (name: string, message: string): Tried => ({ wrong: { name, message, path: [] } });

/** A whole number in bounds; nothing where it is none. */
function wholeOf(text: string, most: number): number | undefined {
  const n = Number(text);
  return text.trim() !== "" && Number.isInteger(n) && n >= 1 && n <= most ? n : undefined;
}

/** Enough for so many people. */
function forPeople(plan: Plan, { people, each, days }: Wanted): Tried {
  const [n, d] = [wholeOf(people, MOST_PEOPLE), wholeOf(days, MOST_DAYS)];
  if (n === undefined) return refuse("OutOfRange", "Say how many people, from 1 to 500.");
  if (d === undefined) return refuse("OutOfRange", "Say for how many days, from 1 to 730; 1 for a tasting.");
  const a = readMeasured(each, plan.units);
  if (!a.ok || a.value.dimension !== "volume")
    return refuse("WrongUnit", "Say how much one takes in a day, like “1 tsp” or “2 tbsp”.");
  return settle(plan, scaleTo(plan, { to: "finished", ml: n * d * a.value.si.value }));
}
const [MOST_PEOPLE, MOST_DAYS] = [500, 730];

/** Grams of a typed amount of a line's stuff, or what is wrong with it. */
function gramsFor(text: string, plan: Plan, program: Program, at: number): Result<number> {
  const l = program.lines[at]!;
  const a = readAmount(text, plan.units);
  if (!a.ok) return a;
  if (a.value.kind !== "measure" && a.value.kind !== "count")
    return {
      ok: false,
      faults: [
        { name: "WrongUnit", message: "Say how much is in hand, like “200 g” or “3 cups”.", path: [] },
      ],
    };
  const w = weigh(a.value, l.stuff);
  return w.ok ? { ok: true, value: w.value.grams } : w;
}

export const lineAt = (program: Program, of: string) =>
  of.startsWith("line-") ? program.lines[Number(of.slice(5))] : undefined;

/** The plan scaled to what is wanted; nothing yet where too little is said. */
export function scaledTo(plan: Plan, program: Program, wanted: Wanted): Tried {
  const { of, amount, size, count } = wanted;
  if (of === "jar")
    return typeof plan.vessel === "string"
      ? settle(plan, largestIn(plan, plan.vessel))
      : refuse("NeedsVessel", "Choose a jar of a known size first.");
  if (of === "bottles") {
    const n = Number(count);
    const v = VESSELS.get(size);
    if (!Number.isInteger(n) || n < 1 || n > 99)
      return refuse("OutOfRange", "Say how many bottles, from 1 to 99.");
    return v ? settle(plan, scaleTo(plan, { to: "bottles", count: n, ml: v.fillMl })) : undefined;
  }
  if (of === "people") return forPeople(plan, wanted);
  const l = lineAt(program, of);
  if (!l || amount.trim() === "") return undefined;
  const g = gramsFor(amount, plan, program, program.lines.indexOf(l));
  if (!g.ok) return { wrong: g.faults[0]! };
  const goal: ScaleGoal = l.stuff.plant
    ? { to: "herb", material: l.stuff.id, grams: g.value }
    : { to: "liquid", material: l.stuff.id, ml: g.value / l.stuff.density };
  return settle(plan, scaleTo(plan, goal));
}
