import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { VESSELS } from "./catalogue";
import { diameterAt, heightAt, solidOf, volumeAt } from "./profile";
import { VesselSpec, vesselOf } from "./vessel";

const vessels = [...VESSELS.values()];

describe("profiles", () => {
  test("a cylinder holds what geometry says", () => {
    const s = solidOf([
      [0, 10],
      [20, 10],
    ]);
    expect(s.brimMl).toBeCloseTo(Math.PI * 25 * 20, 9);
    expect(volumeAt(s, 8)).toBeCloseTo(Math.PI * 25 * 8, 9);
  });
  test("a cone holds a third of its cylinder", () =>
    expect(
      solidOf([
        [0, 1e-9],
        [12, 6],
      ]).brimMl,
    ).toBeCloseTo((Math.PI * 9 * 12) / 3, 6));
  test("height is the inverse of volume in every vessel", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...vessels),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        (v, share) => {
          const ml = share * v.solid.brimMl;
          expect(volumeAt(v.solid, heightAt(v.solid, ml))).toBeCloseTo(ml, 6);
        },
      ),
    );
  });
  test("more liquid never stands lower", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...vessels),
        fc.double({ min: 0, max: 1.2, noNaN: true }),
        fc.double({ min: 0, max: 1.2, noNaN: true }),
        (v, a, b) => {
          const [less, more] = a < b ? [a, b] : [b, a];
          return heightAt(v.solid, less * v.solid.brimMl) <= heightAt(v.solid, more * v.solid.brimMl) + 1e-9;
        },
      ),
    );
  });
});

describe("the catalogue", () => {
  test("has forty plain sizes and more, each holding its nominal size under the brim", () => {
    expect(vessels.length).toBeGreaterThanOrEqual(40);
    for (const v of vessels) {
      expect(v.fillMl).toBeLessThan(v.solid.brimMl);
      expect(v.fillMl).toBeGreaterThan(0.6 * v.solid.brimMl);
      expect(diameterAt(v.solid, v.solid.brimCm / 2)).toBeGreaterThan(1);
    }
  });
});

describe("vessels of one's own", () => {
  const spec = (shape: unknown) => vesselOf(VesselSpec.parse({ id: "own", name: "jar", shape }));
  test("two measurements make a cylinder", () => {
    const v = spec({ heightCm: 15, diameterCm: 8 });
    expect(v.ok && v.value.solid.brimMl / (Math.PI * 16 * 15)).toBeCloseTo(1, 1);
  });
  test("weighed empty and full of water", () => {
    const v = spec({ emptyG: 400, fullOfWaterG: 1398.2, heightCm: 17, mouthCm: 7 });
    expect(v.ok && v.value.solid.brimMl).toBeCloseTo(1000, 0);
    expect(v.ok && v.value.tolerance).toBe(0.01);
  });
  test.each([
    [{ heightCm: 0, diameterCm: 8 }, "heightCm"],
    [{ heightCm: 10, diameterCm: 0 }, "diameterCm"],
    [{ emptyG: 500, fullOfWaterG: 400, heightCm: 10, mouthCm: 6 }, "fullOfWaterG"],
    [
      {
        profile: [
          [0, 5],
          [0, 6],
        ],
      },
      "profile",
    ],
    [
      {
        profile: [
          [1, 5],
          [2, 6],
        ],
      },
      "profile",
    ],
    [{ heightCm: 140, diameterCm: 140 }, "heightCm"],
  ])("%j is told at the measurement", (shape, field) => {
    const v = spec(shape);
    expect(v).toMatchObject({ ok: false, faults: [{ name: "ImpossibleVessel", path: ["shape", field] }] });
  });
});
