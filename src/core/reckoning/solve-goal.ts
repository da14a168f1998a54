import { type Result, fail, fault, ok } from "../fault";
import type { Stuff } from "../material/material";
import { type Mixture, addTo, nothing } from "../mixture/components";
import { FIGURES, figuresInto } from "../mixture/figures";
import type { Goal } from "../quantity/amount";

const GOAL_AT: Readonly<Record<Goal, number>> = {
  brix: FIGURES.indexOf("brix"),
  abv: FIGURES.indexOf("abv"),
  acid: FIGURES.indexOf("acid"),
  ph: FIGURES.indexOf("ph"),
};
const GOAL_WORDS: Readonly<Record<Goal, string>> = {
  brix: "% sugar",
  abv: "% alcohol",
  acid: "% acid",
  ph: "pH",
};
/** More than so many times the liquid is no seasoning of it any more: another recipe is wanted. */
const MOST_TIMES = 60;
const scratch = new Float64Array(FIGURES.length);

/** Grams of a stuff that bring a liquid to a figure, by bisection to 1e-9 of the goal; a fault where no amount does (`NotReachable`). */
export function solveGoal(liquid: Mixture, stuff: Stuff, goal: Goal, target: number): Result<number> {
  const at = GOAL_AT[goal];
  const mix = nothing();
  const figure = (grams: number): number => {
    mix.set(liquid);
    addTo(mix, stuff.composition, grams);
    figuresInto(mix, scratch, 0);
    return scratch[at]!;
  };
  const now = figure(0);
  // Compare with a thousandfold of it rather than the pure stuff, whose figures may be undefined (dry sugar has no pH).
  let mass = 0;
  for (let i = 0; i < 12; i++) mass += liquid[i]!;
  const much = Math.max(1, mass) * 1000;
  const most = figure(much);
  const toward = Math.sign(most - now);
  if (Math.abs(now - target) < 1e-9) return ok(0);
  if (toward === 0 || Math.sign(target - now) !== toward)
    return fail(
      fault(
        "NotReachable",
        `The liquid is already at ${now.toFixed(1)} ${GOAL_WORDS[goal]}; adding ${stuff.name} moves it ${toward > 0 ? "up" : "down"}, away from ${target}.`,
      ),
    );
  if ((most - target) * toward <= 0)
    return fail(
      fault(
        "NotReachable",
        `No amount of ${stuff.name} brings the liquid to ${target} ${GOAL_WORDS[goal]}; pure, it would be ${most.toFixed(1)}. Choose a stronger one or a lower goal.`,
      ),
    );
  if ((figure(Math.max(1, mass) * MOST_TIMES) - target) * toward < 0)
    return fail(
      fault(
        "NotReachable",
        `It would take more than ${MOST_TIMES} times as much ${stuff.name} as there is liquid to bring it to ${target} ${GOAL_WORDS[goal]}. Choose a stronger one or a goal nearer to ${now.toFixed(1)}.`,
      ),
    );
  let low = 0;
  let high = much;
  for (let i = 0; i < 200 && high - low > 1e-10 * high; i++) {
    const mid = (low + high) / 2;
    if ((figure(mid) - target) * toward < 0) low = mid;
    else high = mid;
  }
  return ok((low + high) / 2);
}
