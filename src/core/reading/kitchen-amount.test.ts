/** Amounts the app itself proposes, as a kitchen can measure them. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { UNITS } from "../quantity/units";
import { readAmount } from "./amounts";
import { kitchenMass, kitchenVolume } from "./kitchen-amount";

const siOf = (text: string, system: "us" | "metric" | "imperial"): number => {
  const a = readAmount(text, system);
  if (!a.ok || a.value.kind !== "measure") throw new Error(`not read: ${text}`);
  return a.value.si.value;
};
/** The finest a tablespoon is filled by, mL: the larger of the two there are. */
const HALF_SPOON = Math.max(UNITS["us-tbsp"].size, UNITS["metric-tbsp"].size) / 2 + 0.1;
/** What is in the drawer: cups by quarter and third, spoons by half and quarter. */
const DRAWER =
  /^(?:\d+|\d*[¼⅓½⅔¾]) (?:cups?|tbsp|tsp|pints?|quarts?|fl oz)(?: \+ (?:\d+|\d*[¼½¾⅛⅓⅔]) (?:tbsp|tsp|cups?|fl oz))?$/;

describe.each(["us", "imperial", "metric"] as const)("in a %s kitchen", (system) => {
  test("what is poured is read back as it was meant, never less than was asked, and hardly more", () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 4000, noNaN: true }), (ml) => {
        const text = kitchenVolume(ml, system, "up");
        const is = siOf(text, system);
        expect([ml, text, is >= ml * 0.999]).toEqual([ml, text, true]);
        expect([ml, text, is <= Math.max(ml * 1.13, ml + HALF_SPOON)]).toEqual([ml, text, true]);
        if (system !== "metric") expect(text).toMatch(DRAWER);
      }),
      { numRuns: 600 },
    );
  });
  test("and to the nearest it is as near as spoons come", () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 4000, noNaN: true }), (ml) => {
        const text = kitchenVolume(ml, system, "nearest");
        expect([
          ml,
          text,
          Math.abs(siOf(text, system) - ml) <= Math.max(ml * 0.12, HALF_SPOON / 2 + 0.1),
        ]).toEqual([ml, text, true]);
      }),
    );
  });
  test("grams are as a kitchen scale shows them", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5000, noNaN: true }), (g) => {
        const text = kitchenMass(g);
        expect(text).toMatch(/^\d+(?:\.5)? g$/);
        expect(Math.abs(siOf(text, system) - g)).toBeLessThanOrEqual(Math.max(0.26, g * 0.051));
      }),
    );
  });
});
