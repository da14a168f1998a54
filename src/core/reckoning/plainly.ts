import { type Estimate } from "../estimate";
import { isPot } from "../vessel/vessel";
import { heightAt } from "../vessel/profile";
import { type InThePot, whenBegins, whenDone } from "./in-the-pot";
import type { Program } from "./program";
import type { Reckoning } from "./reckon";

/*
 * What a maker asks of a plan that no verdict rests on.
 */

/** Where the level stands in the pot before a step boils it down, and after, cm over the base. */
export interface LevelDrop {
  readonly fromCm: number;
  readonly toCm: number;
}
/** Steps at which the level is watched, by id; none where the plan stands in no pot. */
export function levelDrops(p: Program): ReadonlyMap<string, LevelDrop> {
  const out = new Map<string, LevelDrop>();
  const v = p.vessel;
  if (!v || !isPot(v)) return out;
  const cm = (x: InThePot): number => heightAt(v.solid, x.ml + x.plantsMl);
  for (const s of p.read.steps)
    if (s.do === "reduce") out.set(s.id, { fromCm: cm(whenBegins(p, s.id)), toCm: cm(whenDone(p, s.id)) });
  return out;
}

/** As near as a measuring jug is read. */
const NEAR = 0.03;
const MOST = 6;
/** A ratio in small whole numbers, smallest first; nothing where no small ones come near enough to be true. */
export function smallRatio(x: number): readonly [number, number] | undefined {
  if (!(x > 0)) return undefined;
  let best: readonly [number, number] | undefined;
  let off = NEAR;
  for (let b = 1; b <= MOST; b++) {
    const a = Math.round(x * b);
    if (a < 1 || a > Math.max(MOST, 12 / b)) continue;
    const by = Math.abs(a / b / x - 1);
    // A larger pair must be truer by more than a rounding.
    if (by < off - 1e-9) [best, off] = [[a, b], by];
  }
  return best;
}

/** Spoons in the whole of it, by the plan's own teaspoon. */
export function spoonsIn(r: Reckoning): Estimate {
  const { value, low, high, because } = r.finished.ml;
  return { value: value / r.spoonMl, low: low / r.spoonMl, high: high / r.spoonMl, because };
}
