import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "@/core/material/catalogue";
import { isLiquid, stuffOf } from "@/core/material/material";
import { volumeAt } from "@/core/vessel/profile";
import { standsIn } from "./stands-in";

const STUFFS = [...MATERIALS.values()].flatMap((m) => {
  const s = stuffOf(m, m.kind === "plant" ? { form: "dried" } : {});
  return s.ok ? [s.value] : [];
});

describe("a lot on its shelf", () => {
  test("what is drawn of everything in the catalogue is as many grams as are left", () => {
    expect(STUFFS.length).toBeGreaterThan(150);
    for (const s of STUFFS)
      for (const [bought, left] of [
        [120, 90],
        [1000, 1000],
        [2500, 40],
        [30, 0],
        [9000, 8000],
      ] as const) {
        const { vessel, toCm, behind } = standsIn(s, bought, left);
        const ml = behind * vessel.solid.brimMl + (toCm > 0 ? volumeAt(vessel.solid, toCm) : 0);
        const grams = ml * (isLiquid(s) ? s.density : s.bulkLoose);
        expect([s.id, bought, Math.abs(grams - left) <= 0.01 * left + 0.2]).toEqual([s.id, bought, true]);
        expect([s.id, vessel.sort]).toEqual([s.id, isLiquid(s) ? "bottle" : "jar"]);
      }
  });
  test("what was all of it fits into one vessel, the smallest that holds it, as far as there are such", () => {
    const honey = STUFFS.find((s) => s.id === "honey")!;
    expect([standsIn(honey, 1400, 700).vessel.id, standsIn(honey, 1400, 700).behind]).toEqual([
      "b-1000-swing",
      0,
    ]);
    expect(standsIn(honey, 300, 300).vessel.id).toBe("b-250");
  });
});
