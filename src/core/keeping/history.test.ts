import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { type Measurement, brixOfGravity, reading, withMeasured } from "./measurement";
import { KEEPS_NOTHING, exactly } from "../../../tests/facts";
import type { Facts } from "./rows";
import { type Reading, coolingHistory } from "./temperature";

const at = exactly;
const facts: Facts = {
  ...KEEPS_NOTHING,
  brix: at(30),
  aw: at(0.95),
  dryness: at(0.95),
  ph: { value: 4.4, low: 4, high: 4.8 },
  water: at(60),
};
/** The sugars the °Bx of the estimate was made of, % by weight. */
const sugars = { mono: 20, di: 10 };
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
    expect(withMeasured(facts, [ph({ value: 4.05 })], sugars).facts.ph).toEqual({
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
    const { facts: after, refused } = withMeasured({ ...facts, ...more }, [m], sugars);
    expect(refused[0]).toMatchObject({ name });
    expect(after.ph).toEqual(facts.ph);
    expect(after.brix).toEqual(facts.brix);
  });
  test.each<[string, Measurement, number | undefined]>([
    ["a better pH waits two days", ph({ value: 4.2, hours: 47.9 }), undefined],
    ["and counts then", ph({ value: 4.2, hours: 48 }), 4.3],
    ["a worse one counts at once", ph({ value: 5.2, hours: 1 }), 5.3],
    ["a worse one counts later too", ph({ value: 5.2, hours: 90 }), 5.3],
  ])("%s", (_, m, high) => {
    const after = withMeasured(facts, [m], sugars);
    expect(after.facts.ph.high).toBeCloseTo(high ?? 4.8, 9);
    expect(after.refused.map((f) => f.name)).toEqual(high === undefined ? ["TooSoon"] : []);
  });
  const bx = (value: number, hours: number): Measurement => ({
    what: "brix",
    by: "refractometer",
    value,
    herbSolids: 0,
    hours,
  });
  test("a sweeter reading waits; a thinner one counts at once, and what hangs on it goes with it", () => {
    const early = withMeasured(facts, [bx(40, 5)], sugars);
    expect([early.facts.brix.low, early.refused[0]?.name]).toEqual([30, "TooSoon"]);
    const thin = withMeasured(facts, [bx(20, 5)], sugars).facts;
    expect(thin.brix.low).toBeCloseTo(19.5, 9);
    expect(thin.aw.high).toBeGreaterThan(facts.aw.high);
    expect(thin.dryness.high).toBeGreaterThan(facts.dryness.high);
    expect(thin.water.high).toBeGreaterThan(facts.water.high);
    expect(thin.index.low).toBeLessThan(facts.index.low);
    expect(thin.delle.low).toBeLessThan(facts.delle.low);
  });
  test("water activity after a reading is that of the sugars it says", () => {
    const syrup = { ...facts, brix: at(80), aw: at(0.7), dryness: at(0.7), water: at(20) };
    const { aw } = withMeasured(syrup, [bx(60, 60)], { mono: 0, di: 80 }).facts;
    // Norrish by hand: 60 g sucrose in 40 g water 0.90; 80 in 20 0.72.
    expect(aw.value - 0.7).toBeCloseTo(0.9 - 0.717, 1);
  });
  test("a worse pH takes the undissociated acid of the index with it", () => {
    const sour = { ...facts, ph: at(3.6), index: at(70) };
    const after = withMeasured(sour, [ph({ value: 4.6, hours: 1 })], sugars).facts;
    // Of 45 points of acid, a share of 0.935 undissociated becomes 0.534 at pH 4.7.
    expect(after.index.low).toBeCloseTo(25 + 45 * (0.534 / 0.935), 0);
  });
  test.each<[Measurement, string | undefined]>([
    [ph({ value: 0.9 }), "ImpossibleReading"],
    [ph({ value: 1 }), undefined],
    [ph({ value: 12 }), undefined],
    [ph({ value: 12.1 }), "ImpossibleReading"],
    [bx(-0.1, 60), "ImpossibleReading"],
    [bx(90, 60), undefined],
    [bx(90.1, 60), "ImpossibleReading"],
    [{ what: "gravity", by: "hydrometer", value: 0.97, hours: 60 }, "ImpossibleReading"],
    [{ what: "gravity", by: "hydrometer", value: 0.98, hours: 60 }, undefined],
    [{ what: "gravity", by: "hydrometer", value: 1.45, hours: 60 }, undefined],
    [{ what: "gravity", by: "hydrometer", value: 1.46, hours: 60 }, "ImpossibleReading"],
  ])("%j, just inside and just past what can be: %p", (m, name) => {
    const r = reading(m, facts);
    expect("message" in r ? r.name : undefined).toBe(name);
  });
  test.each<[Partial<Facts>, Measurement, string | undefined]>([
    [{ abv: at(15) }, ph(), undefined],
    [{ abv: at(15.1) }, ph(), "NotOffered"],
    [{ abv: at(0.5) }, bx(20, 60), undefined],
    [{ abv: at(0.6) }, bx(20, 60), "Refused"],
    [{ glycerol: at(1) }, bx(20, 60), undefined],
    [{ glycerol: at(1.1) }, bx(20, 60), "Refused"],
    [{ acetic: at(1) }, bx(20, 60), undefined],
    [{ acetic: at(1.1) }, bx(20, 60), "Refused"],
    [{ abv: at(0.5) }, { what: "gravity", by: "hydrometer", value: 1.1, hours: 60 }, undefined],
    [{ abv: at(0.6) }, { what: "gravity", by: "hydrometer", value: 1.1, hours: 60 }, "Refused"],
  ])("in %j, %j: %p", (more, m, name) => {
    const r = reading(m, { ...facts, ...more });
    expect("message" in r ? r.name : undefined).toBe(name);
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
  test.each<[string, [number, number][], string]>([
    ["two hours to 21 °C", [[0, 60], [120, 21], [300, 5]], "well"],
    ["a minute over two hours", [[0, 60], [121, 21], [300, 5]], "boil-once-more"],
    ["four hours to 21 °C", [[0, 60], [240, 21], [350, 5]], "boil-once-more"],
    ["a minute over four hours", [[0, 60], [241, 21], [350, 5]], "do-not-keep"],
    ["six hours in all", [[0, 60], [100, 21], [360, 5]], "well"],
    ["a minute over six hours in all", [[0, 60], [100, 21], [361, 5]], "do-not-keep"],
    ["boiled again after a slow cooling, and quick then", [[0, 60], [150, 21], [170, 95], [190, 60], [280, 21], [400, 5]], "well"],
    ["slow a second time", [[0, 60], [150, 21], [170, 95], [190, 60], [350, 21], [400, 5]], "do-not-keep"],
    ["boiling mends no lost one", [[0, 60], [250, 21], [270, 95], [290, 60], [380, 21], [500, 5]], "do-not-keep"],
  ])("%s", (_, points, outcome) =>
    expect(coolingHistory(run(...points), syrup).outcome).toBe(outcome)); // prettier-ignore
  test.each<[{ phHigh: number; aw: number }, boolean]>([
    [{ phHigh: 4.6, aw: 0.97 }, false],
    [{ phHigh: 4.61, aw: 0.97 }, true],
    [{ phHigh: 5, aw: 0.92 }, false],
    [{ phHigh: 5, aw: 0.921 }, true],
  ])("%j is asked: %p", (liquid, asked) =>
    expect(coolingHistory(run([0, 60], [300, 21]), liquid).outcome).toBe(asked ? "do-not-keep" : "not-asked"),
  );
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
