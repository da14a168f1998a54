import { linesOf } from "./edit";
import { type Local, type Way, type WayStep, wayById } from "./kinds";
import type { Line, Plan, Step } from "./plan";
import { isLong } from "./read-plan";

/*
 * What the maker typed is not a way's to change: when a plan is made another way, what is not as its old way writes it goes along, and what finds
 * no place there is laid before the maker.
 */

const UNITS = ["us", "metric", "imperial"] as const;
const writes = (text: string | Local, is: string): boolean =>
  typeof text === "string" ? text === is : UNITS.some((u) => text[u] === is);

/** What was said of a line beside its bottle: of these a way writes nothing. */
const SAID = ["called", "note", "why", "optional", "cooked", "gathered"] as const;

/** Whether a line says what its plan's way would not have written. */
export function isOwn(line: Line, plan: Plan): boolean {
  if (SAID.some((k) => line[k] !== undefined)) return true;
  const pours = wayById(plan.way)?.steps.flatMap((s) => (s.do === "add" ? s.what : [])) ?? [];
  return !pours.some((w) => w.amount !== undefined && writes(w.amount, line.amount));
}

/** Steps that answer each other from one way to the next: the first boil is the first boil; an hour's steep is not six weeks of standing. */
const sortOf = (s: Bare): string => (s.do === "steep" && isLong(s) ? "stand" : s.do);
type Bare = WayStep | Step;

/** The step of a list that answers the `nth` of its sort. */
const nth = <S extends Bare>(steps: readonly S[], of: Bare, n: number): S | undefined =>
  steps.filter((s) => sortOf(s) === sortOf(of))[n];

type Fields = Readonly<Record<string, unknown>>;

/** What a step says that its way would not have written, by field; things that go in are lines and counted there. */
function ownFields(step: Step, by: WayStep | undefined): Fields {
  const written = (by ?? {}) as Fields;
  return Object.fromEntries(
    Object.entries(step).filter(
      ([k, v]) =>
        !["id", "do", "what"].includes(k) &&
        !(typeof v === "string" && written[k] !== undefined && writes(written[k] as string | Local, v)) &&
        v !== written[k],
    ),
  );
}

/** Each step of a plan beside the place it has among those of its sort, and what in it is the maker's own. */
function ownSteps(plan: Plan): { readonly step: Step; readonly n: number; readonly own: Fields }[] {
  const way = wayById(plan.way);
  return plan.steps.map((step, i) => {
    const n = plan.steps.slice(0, i).filter((s) => sortOf(s) === sortOf(step)).length;
    return { step, n, own: ownFields(step, way && nth(way.steps, step, n)) };
  });
}

/** What of the maker's own goes into a step of another way. @param at its place among the steps of the way */
export function ownInto(way: Way, at: number, plan: Plan): Fields {
  const step = way.steps[at]!;
  const n = way.steps.slice(0, at).filter((s) => sortOf(s) === sortOf(step)).length;
  return ownSteps(plan).find((s) => sortOf(s.step) === sortOf(step) && s.n === n)?.own ?? {};
}

export interface LeftOut {
  readonly lines: readonly Line[];
  readonly steps: readonly Step[];
}

const sameBut = (a: Line, b: Line): boolean => {
  const text = ({ id: _, ...l }: Line): string => JSON.stringify(Object.entries(l).sort());
  return text(a) === text(b);
};

/** What the maker said in a plan and finds no place in the one made of it another way. */
export function leftOut(was: Plan, is: Plan): LeftOut {
  const lines = linesOf(is);
  const has = (s: Step, own: Fields): boolean =>
    s.id !== "" && Object.entries(own).every(([k, v]) => (s as unknown as Fields)[k] === v);
  return {
    lines: linesOf(was).filter((l) => isOwn(l, was) && !lines.some((x) => sameBut(l, x))),
    steps: ownSteps(was)
      .filter(
        ({ step, own }) => !is.steps.some((s) => sortOf(s) === sortOf({ ...step, ...own }) && has(s, own)),
      )
      .filter(({ own }) => Object.keys(own).length > 0)
      .map(({ step }) => step),
  };
}
