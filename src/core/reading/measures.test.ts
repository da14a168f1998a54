import { describe, expect, test } from "@jest/globals";
import { UNITS, type UnitSystem } from "../quantity/units";
import { readMeasured } from "./amounts";
import { METRIC, inFingers, measuresIn, measuresOf } from "./measures";

/** mL of what is written, read back as the household reads it; drops are counted. */
function mlOf(text: string, system: UnitSystem): number {
  const drops = /^(\d+) drops?$/.exec(text);
  if (drops) return Number(drops[1]) * 0.05;
  const read = readMeasured(text, system);
  if (!read.ok) throw new Error(`“${text}”: ${read.faults[0]!.message}`);
  return read.value.si.value;
}
/** Volumes a kitchen meets, from a drop to a bucket, and what lies between them. */
const VOLUMES = Array.from({ length: 400 }, (_, i) => 0.05 * 1.035 ** i).filter((ml) => ml < 20_000);

describe.each(["us", "imperial", "metric"] as const)("volumes in %s measures", (system) => {
  const m = measuresOf({ units: system, degrees: "F", lengths: "in" });
  test.each([
    ["volume", 0.12],
    ["volumeExact", 0.12],
  ] as const)("%s reads back as what was meant", (how, most) => {
    for (const ml of VOLUMES) {
      const text = m[how](ml);
      // A drop is one drop, and a spoon's eighth is the least there is.
      const off = Math.abs(mlOf(text, system) - ml);
      expect([ml, text, off <= Math.max(0.35, ml * (ml < 5 ? 0.25 : most))]).toEqual([ml, text, true]);
    }
  });
  test("no other household's measure, and nothing no kitchen measures", () => {
    for (const ml of VOLUMES)
      for (const text of [m.volume(ml), m.volumeExact(ml), m.volumeBoth(ml)]) {
        if (system === "metric") expect(text).not.toMatch(/oz|cup|tsp|tbsp|pint/);
        else {
          expect(text).not.toMatch(/mL| L\b/);
          // Fractions a spoon or a jug has; a figure with a point is none.
          expect(text).not.toMatch(/\d\.\d/);
        }
      }
  });
});

test("what is written is said once where both ways say the same", () => {
  expect(METRIC.volumeBoth(250)).toBe("250 mL");
  const american = measuresOf({ units: "us", degrees: "F", lengths: "in" });
  expect(american.volumeBoth(2 * UNITS["us-cup"].size)).toBe("2 cups, 16 fl oz");
  expect(american.temperature(43)).toBe("109 °F");
  expect(american.length(2.54)).toBe("1 in");
  expect(american.market).toBe("us");
  expect([40, 60, 118, 25, 10].map(american.about)).toEqual([
    "2½ tbsp",
    "¼ cup",
    "½ cup",
    "1½ tbsp",
    "2 tsp",
  ]);
  // Less than nothing is no drop, and what is too little for a spoon stays in the household's measure.
  expect([-12, 0, 0.02].map(american.volumeExact)).toEqual(["−2½ tsp", "nothing", "1 drop"]);
  expect([0, 0.3, -12].map(american.about).join(" ")).not.toContain("mL");
  // Cups and centimetres: what is sold there is sold by the litre.
  const mixed = measuresIn("us");
  expect(mixed.volumeBoth(2 * UNITS["us-cup"].size)).toBe("2 cups, 473 mL");
  expect([mixed.market, mixed.jug.words]).toEqual(["metric", "mL"]);
  expect([0.5, 2, 5.7].map(inFingers)).toEqual([
    "less than a finger’s breadth",
    "a finger’s breadth",
    "3 fingers’ breadth",
  ]);
});
