import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { fridgeLeft } from "./freezer";
import { type Measurement, brixOfGravity, reading, withMeasured } from "./measurement";
import type { Facts } from "./rows";
import { type Reading, coolingHistory } from "./temperature";

const at = (value: number) => ({ value, low: value, high: value });
const facts: Facts = {
  abv: at(0),
  delle: at(0),
  brix: at(30),
  aw: at(0.95),
  acetic: at(0),
  ph: { value: 4.4, low: 4, high: 4.8 },
  index: at(0),
  water: at(60),
  glycerol: at(0),
  honeyShare: 0,
  boiledAndBottledHot: false,
  heated: true,
  freshFruit: false,
  fresh: "none",
  phOffered: true,
};
const ph = (more: Partial<Extract<Measurement, { what: "ph" }>> = {}): Measurement => ({
  what: "ph",
  by: "meter",
  value: 4,
  hours: 60,
  ...more,
});

describe("measurements carry their own error", () => {
  test.each<[Measurement, number]>([
    [ph(), 0.1],
    [ph({ by: "strip" }), 0.5],
    [ph({ by: "strip", coloured: true }), 0.7],
  ])("%j", (m, error) => {
    const r = reading(m, facts);
    expect("ends" in r && r.ends.high - r.ends.value).toBeCloseTo(error, 9);
  });
  test("a meter's reading replaces the estimate", () =>
    expect(withMeasured(facts, [ph({ value: 4.05 })]).facts.ph).toEqual({
      value: 4.05,
      low: 3.9499999999999997,
      high: 4.1499999999999995,
    }));
  test.each<[string, Measurement, Partial<Facts>]>([
    ["Lapsed", ph({ lapsed: true }), {}],
    ["TooSoon", ph({ hours: 20 }), {}],
    ["ImpossibleReading", ph({ value: 40 }), {}],
    ["NotOffered", ph(), { abv: at(20) }],
    ["Refused", { what: "brix", by: "refractometer", value: 40, herbSolids: 2, hours: 60 }, { abv: at(5) }],
    [
      "Refused",
      { what: "brix", by: "refractometer", value: 40, herbSolids: 2, hours: 60 },
      { glycerol: at(5) },
    ],
    [
      "Refused",
      { what: "brix", by: "refractometer", value: 40, herbSolids: 2, hours: 60 },
      { acetic: at(2) },
    ],
    ["Refused", { what: "gravity", by: "hydrometer", value: 1.1, hours: 60 }, { abv: at(5) }],
    ["ImpossibleReading", { what: "gravity", by: "hydrometer", value: 3, hours: 60 }, {}],
  ])("%s: %j", (name, m, more) => {
    const { facts: after, refused } = withMeasured({ ...facts, ...more }, [m]);
    expect(refused[0]).toMatchObject({ name });
    expect(after.ph).toEqual(facts.ph);
    expect(after.brix).toEqual(facts.brix);
  });
  test("a refractometer reads herb as sugar; it is taken off, with its doubt", () => {
    const r = reading({ what: "brix", by: "refractometer", value: 40, herbSolids: 3, hours: 60 }, facts);
    expect("ends" in r && [r.ends.value, r.ends.high - r.ends.low]).toEqual([37, 4]);
  });
  test("specific gravity to °Bx by the table", () => {
    expect(brixOfGravity(1.04)).toBeCloseTo(9.99, 1);
    expect(brixOfGravity(1.083)).toBeCloseTo(20.0, 0);
  });
});

const syrup = { phHigh: 5.2, aw: 0.97 };
const run = (...points: [minute: number, celsius: number][]): Reading[] =>
  points.map(([minute, celsius]) => ({ minute, celsius }));

describe("the time spent between 60 and 5 °C", () => {
  test("cooled in time", () =>
    expect(coolingHistory(run([0, 95], [20, 60], [120, 21], [300, 5]), syrup)).toMatchObject({
      to21: 100,
      to5: 280,
      outcome: "well",
    }));
  test("a little too long is boiled once more", () =>
    expect(coolingHistory(run([0, 60], [200, 21], [400, 5]), syrup).outcome).toBe("boil-once-more"));
  test("left on the stove overnight is not kept, whatever is boiled", () =>
    expect(coolingHistory(run([0, 95], [30, 60], [200, 30], [640, 20]), syrup).outcome).toBe("do-not-keep"));
  test("what is still going on is counted to now", () => {
    expect(coolingHistory(run([0, 60], [30, 45]), syrup, 60).outcome).toBe("going");
    expect(coolingHistory(run([0, 60], [30, 45]), syrup, 700).outcome).toBe("do-not-keep");
  });
  test("sour or sweet enough, nobody asks", () => {
    expect(coolingHistory(run([0, 60], [900, 20]), { phHigh: 3.9, aw: 0.97 }).outcome).toBe("not-asked");
    expect(coolingHistory(run([0, 60], [900, 20]), { phHigh: 5.5, aw: 0.85 }).outcome).toBe("not-asked");
  });
  test("hot, it may wait", () =>
    expect(coolingHistory(run([0, 95], [200, 70]), syrup)).toMatchObject({ between: 0, outcome: "going" }));
  const rank = { "not-asked": 0, well: 0, going: 0, "boil-once-more": 1, "do-not-keep": 2 };
  test("slower is never judged kinder", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 400 }),
        fc.integer({ min: 5, max: 600 }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (a, b, slower) => {
          const fast = coolingHistory(run([0, 61], [a, 21], [a + b, 4]), syrup);
          const slow = coolingHistory(run([0, 61], [a * slower, 21], [(a + b) * slower, 4]), syrup);
          return rank[slow.outcome] >= rank[fast.outcome];
        },
      ),
    );
  });
});

describe("the freezer's clock", () => {
  test("freezing pauses it, thawing starts it again, opening caps it", () => {
    const t = [
      { day: "2026-11-07", what: "strained" },
      { day: "2026-11-10", what: "frozen" },
      { day: "2027-01-10", what: "thawed" },
    ] as const;
    expect(fridgeLeft(t, 14, 14, "2026-12-25")).toEqual({ left: 11, paused: true });
    expect(fridgeLeft(t, 14, 14, "2027-01-12")).toEqual({ left: 9, paused: false });
    expect(fridgeLeft([...t, { day: "2027-01-12", what: "opened" }], 14, 5, "2027-01-14")).toEqual({
      left: 3,
      paused: false,
    });
    expect(fridgeLeft(t, 14, 14, "2027-02-20").left).toBeLessThan(0);
  });
});
