import { describe, expect, test } from "@jest/globals";
import { VESSELS } from "@/core/vessel/catalogue";
import { solidOf, diameterAt } from "@/core/vessel/profile";
import { girthFor, slicesOf } from "./round";

const BOTTLES = [...VESSELS.values()].filter((v) => v.sort === "bottle" || v.sort === "jar");

describe("a label round a bottle", () => {
  test("it lies on a wall that is nearly upright, within the bottle, wherever it is said to lie", () => {
    let lain = 0;
    for (const v of BOTTLES)
      for (const heightMm of [30, 36, 50, 60]) {
        const g = girthFor(v.solid.profile, heightMm);
        if (!g) continue;
        lain++;
        const solid = solidOf(v.solid.profile);
        expect([v.id, heightMm, g.topMm / 10 <= solid.brimCm, g.topMm - heightMm >= 0]).toEqual([
          v.id,
          heightMm,
          true,
          true,
        ]);
        for (let y = g.topMm - heightMm; y <= g.topMm; y += 5) {
          const off = Math.abs((10 * diameterAt(solid, y / 10)) / 2 + 3 - g.radiusMm);
          expect([v.id, heightMm, y, off < 3.2]).toEqual([v.id, heightMm, y, true]);
        }
      }
    expect(lain).toBeGreaterThan(60);
  });
  test("its slices are the whole of what is in front, side by side, and paper is never drawn wider than it is", () => {
    for (const [w, r] of [
      [80, 30],
      [50, 40],
      [200, 25],
      [70, 70],
    ] as const) {
      const all = slicesOf(w, r);
      const front = Math.min(w, Math.PI * r);
      expect(all[0]!.fromMm).toBeCloseTo((w - front) / 2, 6);
      expect(all.at(-1)!.toMm).toBeCloseTo((w + front) / 2, 6);
      all.forEach((s, i) => {
        if (i > 0) expect([s.fromMm, s.seenFrom]).toEqual([all[i - 1]!.toMm, all[i - 1]!.seenTo]);
        expect(s.seenTo - s.seenFrom).toBeGreaterThan(0);
        expect(s.seenTo - s.seenFrom).toBeLessThanOrEqual(s.toMm - s.fromMm + 1e-9);
        expect(Math.abs(s.seenTo)).toBeLessThanOrEqual(r + 1e-9);
      });
    }
  });
  test("what is too high for any straight wall has no place", () =>
    expect(girthFor(VESSELS.get("b-100")!.solid.profile, 250)).toBeUndefined());
});
