import type { Window } from "../care/care";
import { movesOf } from "../make/moves";
import { type Hemisphere, monthsOf } from "../material/months";
import type { Program } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import type { Making } from "./year";
import { type Terms, inMonths } from "./wish";

/** A bottle stands frozen a year at most. */
const FROZEN_DAYS = 365;
/** Of a plan without a vessel: so much comes out of what is filled. General knowledge, unchecked. */
const USUAL_GIVES = 0.7;
/** Nothing is begun or strained in less, hours. Ours. */
const LEAST_HOURS = 0.25;

export interface MadeHow {
  readonly program: Program;
  readonly reckoning: Reckoning;
  readonly window: Window | undefined;
  /** In the household's money, for each mL. */
  readonly cost: number;
}

/** Months in which every fresh plant of it can be had, by the book and by the household's own notes; what is dried is had all year. */
export function herbMonths(program: Program, where: Hemisphere, picked: Terms["picked"]): boolean[] {
  const out = new Array<boolean>(12).fill(true);
  for (const l of program.lines) {
    const { plant, form, id } = l.stuff;
    if (!plant || form !== "fresh" || l.line.from) continue;
    const months = picked.find((p) => p.material === id)?.months ?? monthsOf(id, where);
    if (months) out.forEach((_, m) => (out[m] = out[m]! && inMonths([...months], m + 1)));
  }
  return out;
}

/** Where it may stand, and for how long: where the cupboard will do, that; frozen, what only the fridge keeps. */
function keepsOf({ verdict }: Reckoning): Making["keeps"] {
  if (verdict.place === "do-not-keep") return [];
  const fridge = { in: "fridge" as const, days: verdict.fridge.days };
  if (verdict.cupboard) return [{ in: "cupboard", days: verdict.cupboard.days }, fridge];
  return [fridge, { in: "freezer", days: FROZEN_DAYS }];
}

/** A remedy as a plan of the year asks of it. @param monthOf month, 1 to 12, of each day of the year that is planned */
export function makingOf(how: MadeHow, herbs: readonly boolean[], monthOf: readonly number[]): Making {
  const { program, reckoning, window } = how;
  const steep = window && window.best >= 1 ? window : undefined;
  const { fit, finished } = reckoning;
  const filled = fit && fit.filled > 0.05 ? program.vessel!.fillMl * fit.filled : undefined;
  const moves = movesOf(program);
  const hoursOf = (of: (sitting: number) => boolean): number =>
    Math.max(LEAST_HOURS, moves.reduce((n, m) => (of(m.sitting) ? n + m.active : n), 0) / 60);
  const value = filled ? finished.ml.value / filled : USUAL_GIVES;
  return {
    pot: !steep,
    steep,
    gives: { value, low: value * Math.min(1, finished.ml.low / Math.max(1, finished.ml.value)) },
    hours: { begin: hoursOf((s) => s === 0 || !steep), strain: steep ? hoursOf((s) => s > 0) : 0 },
    keeps: keepsOf(reckoning),
    herbs: Uint8Array.from(monthOf, (m) => Number(herbs[m - 1])),
    cost: how.cost,
    worksCold: program.plan.steps.some((s) => s.do === "steep" && s.in === "fridge"),
  };
}
