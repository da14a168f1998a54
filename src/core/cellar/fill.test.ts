import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { VESSELS } from "../vessel/catalogue";
import { bottlesWanted, fillPlan, vesselForTheRest } from "./fill";

const of = (...rows: (string | [string, number])[]) =>
  rows.map((r) =>
    typeof r === "string" ? { vessel: VESSELS.get(r)! } : { vessel: VESSELS.get(r[0])!, count: r[1] },
  );
const SIZES = of("b-500-swing", "b-250-swing", "b-100");
const names = (ml: number, on: ReturnType<typeof of>) => fillPlan(ml, on).fills.map((f) => f.vessel.id);

describe("bottles", () => {
  test.each([120, 500, 777, 1234, 2600])("%p mL goes into bottles with nothing lost", (ml) => {
    const p = fillPlan(ml, SIZES);
    expect(p.fills.reduce((s, f) => s + f.ml, 0) + p.leftMl).toBeCloseTo(ml, 6);
    for (const f of p.fills) expect(f.ml).toBeLessThanOrEqual(f.vessel.fillMl + 1e-6);
    expect(p.leftMl).toBeLessThan(15);
  });
  test("no bottles, no plan", () => expect(fillPlan(500, [])).toEqual({ fills: [], leftMl: 500 }));
  test("no more are filled than there are, and the rest is told", () => {
    const p = fillPlan(1200, of(["b-500-swing", 1], ["b-250-swing", 1]));
    expect(p.fills.map((f) => f.vessel.id)).toEqual(["b-500-swing", "b-250-swing"]);
    expect(p.leftMl).toBeCloseTo(
      1200 - VESSELS.get("b-500-swing")!.fillMl - VESSELS.get("b-250-swing")!.fillMl,
      6,
    );
  });
  test("two that come out even beat a large one half empty", () => {
    const small = VESSELS.get("b-330-swing")!.fillMl;
    expect(names(2 * small, of(["b-1000-swing", 9], ["b-330-swing", 9]))).toEqual([
      "b-330-swing",
      "b-330-swing",
    ]);
  });
  test("what is on hand is filled first, and the usual size takes the rest: one answer for the Bench and for what to gather", () => {
    const none = bottlesWanted("syrup", 780, [], "metric", "shut");
    expect(none.lacking).toEqual(none.fills);
    expect(none.fills.length).toBeGreaterThan(0);
    const one = none.fills[0]!.vessel;
    const some = bottlesWanted("syrup", 780, [{ vessel: one.id, count: 1 }], "metric", "shut");
    expect([some.fills.length, some.lacking.length]).toEqual([none.fills.length, none.fills.length - 1]);
    const all = bottlesWanted("syrup", 780, [{ vessel: one.id, count: 40 }], "metric", "shut");
    expect([all.fills.length, all.lacking.length]).toEqual([none.fills.length, 0]);
  });
  test("what is left over goes into the smallest that takes it, or the largest there is", () => {
    const offered = ["b-500-swing", "d-50", "b-100"].map((id) => VESSELS.get(id)!);
    expect(vesselForTheRest(40, offered).id).toBe("d-50");
    expect(vesselForTheRest(90, offered).id).toBe("b-100");
    expect(vesselForTheRest(900, offered).id).toBe("b-500-swing");
  });
  test("any volume, any bottles: nothing lost, nothing overfilled, no more than there are, at most one part-full", () => {
    const hand = fc.array(
      fc.tuple(
        fc.constantFrom(
          "b-100",
          "b-200",
          "b-250-swing",
          "b-330-swing",
          "b-500-swing",
          "b-750",
          "d-100",
          "d-30",
        ),
        fc.integer({ min: 0, max: 9 }),
      ),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 6000, noNaN: true }), hand, (ml, rows) => {
        const on = of(...new Map(rows));
        const p = fillPlan(ml, on);
        const poured = p.fills.reduce((s, f) => s + f.ml, 0);
        const counts = new Map(on.map((o) => [o.vessel.id, o.count!]));
        for (const f of p.fills) counts.set(f.vessel.id, counts.get(f.vessel.id)! - 1);
        return (
          Math.abs(poured + p.leftMl - ml) < 1e-6 &&
          p.leftMl >= 0 &&
          p.fills.every((f) => f.ml > 0 && f.ml <= f.vessel.fillMl + 1e-6) &&
          [...counts.values()].every((n) => n >= 0) &&
          p.fills.filter((f) => f.ml < f.vessel.fillMl - 1e-6).length <= 1
        );
      }),
      { numRuns: 500 },
    );
  });
});
