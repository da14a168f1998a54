/** What a maker asks beside the verdict, against pots and ratios worked out by hand. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Plan } from "../plan/plan";
import { line, made, trial } from "../plan/trial";
import { levelDrops, smallRatio, spoonsIn } from "./plainly";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";

const made1 = (plan: Plan) => {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return { p: p.value, r: reckonProgram(p.value) };
};
/** A pan with straight sides, so that a level is a volume over an area. */
const pan = (diameterCm: number): Plan["vessel"] => ({
  id: "own",
  name: "a straight pan",
  sort: "pot",
  lid: "none",
  shape: { heightCm: 30, diameterCm },
});

describe("how far the level drops", () => {
  test("in a straight pan by what boils away over its area, whatever its width", () => {
    fc.assert(
      fc.property(fc.integer({ min: 14, max: 34 }), fc.integer({ min: 40, max: 80 }), (wide, percent) => {
        const plan = trial(made("syrup-half", [line("elderberry", "60 g", { form: "dried" })]), {
          vessel: pan(wide),
        });
        const reduced: Plan = {
          ...plan,
          steps: plan.steps.map((s) => (s.do === "reduce" ? { ...s, to: `${percent} %` } : s)),
        };
        const { p } = made1(reduced);
        const step = reduced.steps.find((s) => s.do === "reduce")!.id;
        const d = levelDrops(p).get(step)!;
        // What leaves is the share of the liquid that stood there; the berries stand in it before and after.
        const area = (Math.PI * wide * wide) / 4;
        const gone = (d.fromCm - d.toCm) * area;
        const stood = d.fromCm * area;
        expect(gone).toBeGreaterThan(0);
        expect(gone / stood).toBeLessThan(1 - percent / 100 + 0.02);
        expect(gone / stood).toBeGreaterThan(0.8 * (1 - percent / 100) - 0.02);
      }),
      { numRuns: 60 },
    );
  });
  test("none where nothing is boiled down, and none in a jar", () => {
    expect(levelDrops(made1(made("syrup-fridge", [line("thyme", "20 g", { form: "dried" })])).p).size).toBe(
      0,
    );
    expect(levelDrops(made1(made("oxymel-even", [line("thyme", "20 g", { form: "dried" })])).p).size).toBe(0);
  });
});

describe("a ratio in small numbers", () => {
  test("whatever is said in small numbers is said again in them", () => {
    for (let a = 1; a <= 6; a++)
      for (let b = 1; b <= 6; b++) {
        const said = smallRatio(a / b)!;
        expect(said[0] / said[1]).toBeCloseTo(a / b, 9);
        expect(Math.max(...said)).toBeLessThanOrEqual(Math.max(a, b));
      }
  });
  test("and is never farther from it than a measuring jug can be read", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 20, noNaN: true }), (x) => {
        const said = smallRatio(x);
        if (said) expect(Math.abs(said[0] / said[1] / x - 1)).toBeLessThanOrEqual(0.03);
      }),
    );
    expect(smallRatio(0)).toBeUndefined();
    expect(smallRatio(Number.POSITIVE_INFINITY)).toBeUndefined();
    expect(smallRatio(17.3)).toBeUndefined();
  });
});

test("the spoons in a batch are what it holds by the household’s own spoon, and so reach as far as the yield", () => {
  for (const plan of [
    made("oxymel-even", [line("thyme", "20 g", { form: "dried" })]),
    made("tincture-weighed", [line("hawthorn-berry", "100 g", { form: "dried" })]),
  ]) {
    const { r } = made1(plan);
    const spoons = spoonsIn(r);
    expect(spoons.value).toBeCloseTo(r.finished.ml.value / 4.92892159375, 2);
    expect(spoons.low * r.spoonMl).toBeCloseTo(r.finished.ml.low, 6);
    expect(spoons.high * r.spoonMl).toBeCloseTo(r.finished.ml.high, 6);
  }
});
