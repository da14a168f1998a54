"use client";
import { useUnits } from "../../kit/units";
import { printTemperature } from "@/core/reading/print";
import { useMemo } from "react";
import type { Cut, Form } from "@/core/material/classes";
import {
  moved,
  nudged,
  stepNudged,
  stepOfLine,
  tidied,
  withLine,
  withStep,
  withStepAfter,
  without,
  withoutStep,
} from "@/core/plan/edit";
import type { Nameless } from "@/core/plan/ids";
import type { Line, Plan, Step } from "@/core/plan/plan";
import type { Taken } from "@/core/reading/said";
import { type Saying, reformed, sayIn } from "@/core/reckoning/restate";
import type { Stuff } from "@/core/material/material";
import type { BenchActions } from "../use-bench";
import type { Made } from "../made";

/** What may be done with a line or a step; the same functions from one drawing to the next. */
export interface LineActions {
  readonly change: (id: string, change: (l: Line) => Line, about: string) => void;
  /** In another form or cut, as much by dry matter. */
  readonly reform: (id: string, to: { readonly form?: Form; readonly cut?: Cut }) => void;
  /** What was taken for granted is right. */
  readonly confirm: (id: string, what: Taken) => void;
  /** The same grams in another unit. */
  readonly sayIn: (id: string, as: Saying, stuff: Stuff) => void;
  readonly remove: (id: string) => void;
  readonly nudge: (id: string, by: -1 | 1) => void;
  readonly drop: (id: string, beside: string) => void;
  readonly changeStep: (id: string, change: (s: Step) => Step, about?: string) => void;
  readonly nudgeStep: (id: string, by: -1 | 1) => void;
  readonly removeStep: (id: string) => void;
  readonly addStep: (sort: Step["do"]) => void;
}

const gramsOf = (made: Made, id: string): number | undefined =>
  made.now?.reckoning.lines.find((l) => l.id === id)?.grams.value;
const measuresOf = (made: Made) => ({
  partMl: made.now?.program.partMl,
  vessel: made.now?.program.vessel ?? made.vessel,
});

/** The line dropped on another takes its place. */
function dropped(plan: Plan, id: string, beside: string): Plan {
  const step = stepOfLine(plan, beside);
  if (step?.do !== "add") return plan;
  const from = step.what.findIndex((l) => l.id === id);
  const to = step.what.findIndex((l) => l.id === beside);
  return tidied(moved(plan, id, step.id, from >= 0 && from < to ? to : Math.max(0, to)));
}

/** Blood warm, °C. */
const WARM = 43;
/** To the warmth of a hand, as the plan's thermometer shows it. */
const cooled = (degrees: "C" | "F"): Nameless<Step> => ({ do: "cool", to: printTemperature(WARM, degrees) });

const NEW: Readonly<Record<Step["do"], Nameless<Step>>> = {
  add: { do: "add", what: [] },
  simmer: { do: "simmer", for: "20 min" },
  reduce: { do: "reduce", to: "½" },
  pressure: { do: "pressure", for: "15 min" },
  steep: { do: "steep", for: "1 h" },
  cool: cooled("C"),
  strain: { do: "strain", how: "wrung" },
  bottle: { do: "bottle", hot: true },
};

/** Where a new step most likely belongs: heat and steeps before the cloth, cooling and adding after it, bottling last. */
function placeFor(plan: Plan, sort: Step["do"]): string | undefined {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  const before = cut < 0 ? plan.steps : plan.steps.slice(0, cut);
  switch (sort) {
    case "simmer":
    case "reduce":
    case "pressure":
      return (before.findLast((s) => s.do !== "steep" && s.do !== "bottle") ?? plan.steps[0])?.id;
    case "steep":
    case "strain":
      return (before.findLast((s) => s.do !== "bottle") ?? plan.steps[0])?.id;
    case "cool":
    case "add":
      return (plan.steps.findLast((s) => s.do !== "bottle") ?? plan.steps.at(-1))?.id;
    case "bottle":
      return plan.steps.at(-1)?.id;
  }
}

export function useLineActions({ edit, reform }: BenchActions): LineActions {
  const { degrees } = useUnits();
  return useMemo<LineActions>(
    () => ({
      change: (id, change, about) => edit((p) => withLine(p, id, change), about),
      reform: (id, to) =>
        reform((p, made) =>
          withLine(p, id, (was) => {
            const next = reformed(was, to, p.units, measuresOf(made), gramsOf(made, id));
            return next.ok ? next.value : { ...was, ...to };
          }),
        ),
      confirm: (id, what) =>
        edit((p) =>
          withLine(p, id, ({ took = [], ...l }) => {
            const left = took.filter((t) => t !== what);
            return left.length > 0 ? { ...l, took: left } : l;
          }),
        ),
      sayIn: (id, as, stuff) =>
        edit((p, made) => {
          const g = gramsOf(made, id);
          const words = g === undefined ? undefined : sayIn(g, stuff, as, p.units, measuresOf(made));
          return words?.ok ? withLine(p, id, (l) => ({ ...l, amount: words.value })) : p;
        }),
      remove: (id) => edit((p) => tidied(without(p, id))),
      nudge: (id, by) => edit((p) => nudged(p, id, by)),
      drop: (id, beside) => edit((p) => dropped(p, id, beside)),
      changeStep: (id, change, about) => edit((p) => withStep(p, id, change), about),
      nudgeStep: (id, by) => edit((p) => stepNudged(p, id, by)),
      removeStep: (id) => edit((p) => withoutStep(p, id)),
      addStep: (sort) =>
        edit((p) => withStepAfter(p, placeFor(p, sort), sort === "cool" ? cooled(degrees) : NEW[sort])),
    }),
    [edit, reform, degrees],
  );
}
