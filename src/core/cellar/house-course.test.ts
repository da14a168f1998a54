import { chance } from "@/../tests/chance";
import { addDays, daysBetween } from "../day";
import { type HouseCourse, HouseCourse as Schema, houseCourseStands, isOn } from "./house-course";
import type { SupplyBottle } from "./supply-bottle";

const TODAY = "2026-11-30";
const bottle = (leftMl: number, bestBy: string): SupplyBottle =>
  ({ filled: "2026-10-01", gone: null, bestBy, leftMl, taken: [] }) as unknown as SupplyBottle;

/** A household at its table, day by day and spoon by spoon, written apart. */
function lived(
  c: HouseCourse,
  bottles: readonly SupplyBottle[],
): { enough: string | undefined; lackMl: number } {
  const stock = bottles.map((b) => ({ ...b })).sort((a, b) => (a.bestBy < b.bestBy ? -1 : 1));
  let lack = 0;
  let first: string | undefined;
  for (let t = 0; t < 800; t++) {
    const day = addDays(TODAY, t);
    const since = daysBetween(c.from, day);
    const length = c.days ?? 9_999_999;
    const ended = c.days !== undefined && c.rest === 0 && since >= c.days;
    if (since < 0 || ended || since % (length + c.rest) >= length) continue;
    for (let time = 0; time < c.times; time++)
      for (const taker of c.takers) {
        let wants = taker.ml;
        for (const b of stock) {
          if (b.bestBy < day) continue;
          const some = Math.min(b.leftMl, wants);
          b.leftMl -= some;
          wants -= some;
        }
        if (wants > 1e-6) {
          first ??= addDays(day, -1);
          lack += taker.ml;
        }
      }
  }
  // What runs out within today is said to run out today.
  return { enough: first !== undefined && first < TODAY ? TODAY : first, lackMl: lack };
}

const courses = Array.from({ length: 200 }, (_, seed): readonly [HouseCourse, SupplyBottle[]] => {
  const c = chance(900 + seed);
  const whole = (low: number, high: number): number => Math.round(c.from(low, high));
  const takers = Array.from({ length: whole(1, 4) }, (_x, i) => ({
    who: `P${i}`,
    ml: c.pick([2.5, 5, 10, 15]),
    said: "1 tsp",
  }));
  const days = c.pick([undefined, undefined, whole(3, 60)]);
  const rest = days !== undefined && c.next() < 0.5 ? whole(1, 14) : 0;
  return [
    {
      ...{ remedy: "Fire cider", kind: "fire-cider", takers, times: whole(1, 3) },
      from: addDays(TODAY, whole(-20, 20)),
      rest,
      ...(days === undefined ? {} : { days }),
    },
    Array.from({ length: whole(1, 5) }, () => bottle(whole(50, 500), addDays(TODAY, whole(0, 200)))),
  ];
});

describe("a course of the household", () => {
  it("is enough to the very day a table that is laid day by day says", () => {
    const off = courses.flatMap(([c, b]) => {
      const is = houseCourseStands(c, b, { today: TODAY, per: undefined });
      const law = lived(c, b);
      // A stock that is never used up within the time looked at says nothing.
      if (law.enough === undefined || is.enough === undefined || is.over)
        return law.enough === undefined || is.over
          ? []
          : [`${JSON.stringify(c)} said nothing, ${law.enough}`];
      // Days of rest, and days before it begins, lie between the last day it is enough for and the first it is not.
      const between = daysBetween(is.enough, law.enough);
      const taken = Array.from({ length: Math.abs(between) }, (_, i) =>
        isOn(c, addDays(between > 0 ? is.enough! : law.enough!, i + 1)),
      ).some(Boolean);
      return taken ? [`${JSON.stringify(c)}: ${is.enough}, not ${law.enough}`] : [];
    });
    expect(off).toEqual([]);
  });

  it("lacks what the rest of it wants, where it has an end", () => {
    const ending = courses.filter(([c]) => c.days !== undefined && c.rest === 0 && c.from >= TODAY);
    expect(ending.length).toBeGreaterThan(5);
    for (const [c, b] of ending) {
      const is = houseCourseStands(c, b, { today: TODAY, per: undefined });
      const { lackMl } = lived(c, b);
      if (lackMl === 0) expect(is.lackMl).toBe(0);
      else expect(is.lackMl).toBeGreaterThanOrEqual(lackMl - 1e-6);
    }
  });

  it("is summed over all who take it", () => {
    const c: HouseCourse = {
      ...{ remedy: "Syrup", kind: "syrup", times: 2, from: TODAY, rest: 0 },
      takers: [
        { who: "the keeper", ml: 15, said: "1 tbsp" },
        { who: "the schoolchild", ml: 5, said: "1 tsp" },
      ],
    };
    const s = houseCourseStands(c, [bottle(200, "2027-03-01")], {
      today: TODAY,
      per: { sugar: 0.8, alcohol: 0.01, herb: 0 },
    });
    expect(s).toMatchObject({ dayMl: 40, sugar: 32, on: true, day: 1, bottles: 1, enough: "2026-12-04" });
  });

  it("refuses nobody, somebody twice, no measure, a day there is not, and one an hour and more", () => {
    const fine = {
      remedy: "Syrup",
      kind: "syrup",
      times: 1,
      from: TODAY,
      rest: 0,
      takers: [{ who: "A", ml: 5, said: "1 tsp" }],
    };
    expect(Schema.safeParse(fine).success).toBe(true);
    for (const wrong of [
      { takers: [] },
      { takers: [...fine.takers, { who: "a", ml: 5, said: "1 tsp" }] },
      { takers: [{ who: "A", ml: 0, said: "0 tsp" }] },
      { from: "2026-02-30" },
      { times: 25 },
      { times: 1.5 },
      { days: 0 },
      { rest: -1 },
    ])
      expect(Schema.safeParse({ ...fine, ...wrong }).success).toBe(false);
  });
});
