import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { MATERIALS } from "../material/catalogue";
import { type Stuff, stuffOf } from "../material/material";
import { VESSELS } from "./catalogue";
import { fitOf } from "./fit";
import { jarOn } from "./lives";
import { volumeAt } from "./profile";

const stuff = (id: string): Stuff => {
  const m = MATERIALS.get(id)!;
  const s = stuffOf(m, m.kind === "plant" ? { form: "dried" } : {});
  if (!s.ok) throw new Error(id);
  return s.value;
};
const HERBS = ["hyssop", "thyme", "fennel-seed", "hawthorn-berry", "horehound", "nettle", "juniper"];
const POURS = ["cider-vinegar", "honey", "vodka-40", "water"];

/** A jar of up to four herbs and two liquids, filled to no more than its brim. */
const jars = fc
  .record({
    vessel: fc.constantFrom("m-250", "m-500", "m-1000", "us-quart", "m-1000-bellied", "c-2000"),
    herbs: fc.uniqueArray(fc.tuple(fc.constantFrom(...HERBS), fc.integer({ min: 2, max: 12 })), {
      minLength: 1,
      maxLength: 4,
      selector: ([h]) => h,
    }),
    pours: fc.uniqueArray(fc.tuple(fc.constantFrom(...POURS), fc.integer({ min: 10, max: 45 })), {
      minLength: 1,
      maxLength: 2,
      selector: ([p]) => p,
    }),
    best: fc.integer({ min: 1, max: 90 }),
    weighted: fc.boolean(),
  })
  .map(({ vessel, herbs, pours, best, weighted }) => {
    const v = VESSELS.get(vessel)!;
    // Shares of the vessel in hundredths, so that every size is filled alike.
    const of = (id: string, share: number) => {
      const s = stuff(id);
      return { stuff: s, grams: ((v.fillMl * share) / 100) * (s.plant ? s.bulkPressed : s.density) };
    };
    const standing = [...herbs.map(([h, n]) => of(h, n)), ...pours.map(([p, n]) => of(p, n))];
    return { v, standing, fit: fitOf(v, standing), best, weighted };
  });

const DAYS = [0, 0.25, 0.5, 1, 2, 3, 5, 8, 14, 21, 42, 90, 400];

describe("a jar as it stands day by day", () => {
  test("on the day it is filled it is as it was filled, and after a day as the fit foretells", () => {
    fc.assert(
      fc.property(jars, ({ v, standing, fit, best, weighted }) => {
        const at0 = jarOn(0, v, standing, fit, { best, weighted });
        const at1 = jarOn(1, v, standing, fit, { best, weighted });
        expect(at0.colour).toBe(0);
        expect(at0.topCm).toBeCloseTo(Math.max(fit.day0.liquidCm, fit.day0.herbCm), 3);
        expect(at1.liquidCm).toBeCloseTo(fit.day1.liquidCm, 3);
      }),
      { numRuns: 200 },
    );
  });
  test("the level never rises, the colour never fades, what floats never rises again", () => {
    fc.assert(
      fc.property(jars, ({ v, standing, fit, best, weighted }) => {
        const days = DAYS.map((d) => jarOn(d, v, standing, fit, { best, weighted }));
        // A herb that swells more than it drinks may lift the level; else it only falls.
        const falls = fit.day1.liquidCm <= fit.day0.liquidCm;
        days.slice(1).forEach((d, i) => {
          const was = days[i]!;
          if (falls) expect(d.liquidCm).toBeLessThanOrEqual(was.liquidCm + 1e-9);
          expect(d.colour).toBeGreaterThanOrEqual(was.colour);
          expect(d.floating).toBeLessThanOrEqual(was.floating + 1e-12);
        });
        expect(days.every((d) => d.colour >= 0 && d.colour <= 1)).toBe(true);
        expect(jarOn(best, v, standing, fit, { best, weighted }).colour).toBeGreaterThanOrEqual(0.95);
      }),
      { numRuns: 200 },
    );
  });
  test("layers stand one on the other from the floor, within the brim, and hold as much herb as there is", () => {
    fc.assert(
      fc.property(jars, fc.constantFrom(...DAYS), ({ v, standing, fit, best, weighted }, day) => {
        const is = jarOn(day, v, standing, fit, { best, weighted });
        let at = 0;
        let herb = 0;
        for (const l of is.layers) {
          expect(l.fromCm).toBeCloseTo(at, 6);
          expect(l.toCm).toBeGreaterThanOrEqual(l.fromCm - 1e-9);
          at = l.toCm;
          if (l.sort !== "liquid") herb += volumeAt(v.solid, l.toCm) - volumeAt(v.solid, l.fromCm);
        }
        expect(at).toBeLessThanOrEqual(v.solid.brimCm + 1e-6);
        const least = volumeAt(v.solid, Math.min(fit.day0.herbCm, fit.day1.herbCm));
        const most = volumeAt(v.solid, Math.max(fit.day0.herbCm, fit.day1.herbCm));
        if (is.topCm < v.solid.brimCm - 1e-6) {
          expect(herb).toBeGreaterThanOrEqual(least - 0.5);
          expect(herb).toBeLessThanOrEqual(most + 0.5);
        }
      }),
      { numRuns: 300 },
    );
  });
  test("only what floats floats, nothing under a weight, and after three weeks next to nothing", () => {
    fc.assert(
      fc.property(jars, ({ v, standing, fit, best, weighted }) => {
        const floats = standing.some((s) => s.stuff.plant && s.stuff.floats);
        const is = jarOn(0.5, v, standing, fit, { best, weighted });
        expect(is.floating > 0).toBe(floats && !weighted);
        expect(is.layers.some((l) => l.sort === "raft")).toBe(
          is.floating > 0 && is.layers.some((l) => l.sort === "liquid"),
        );
        expect(jarOn(21, v, standing, fit, { best, weighted }).floating).toBeLessThan(0.05);
      }),
      { numRuns: 200 },
    );
  });
  test("twice as long a steep colours half as fast, whatever the jar", () => {
    const v = VESSELS.get("m-1000")!;
    const standing = [
      { stuff: stuff("hyssop"), grams: 30 },
      { stuff: stuff("cider-vinegar"), grams: 700 },
    ];
    const fit = fitOf(v, standing);
    for (const d of [1, 3, 7, 14]) {
      const slow = jarOn(2 * d, v, standing, fit, { best: 56, weighted: false }).colour;
      expect(slow).toBeCloseTo(jarOn(d, v, standing, fit, { best: 28, weighted: false }).colour, 9);
    }
  });
});
