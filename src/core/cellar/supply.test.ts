import { describe, expect, test } from "@jest/globals";
import { chance, type Chance } from "../../../tests/chance";
import { type Day, addDays, daysBetween } from "../day";
import { courseStands } from "./course";
import { type SupplyBottle, type Taken, startBy, supplyOf } from "./supply";

const TODAY = "2026-11-24";
const bottle = (b: Partial<SupplyBottle>): SupplyBottle => ({
  filled: "2026-06-01",
  gone: undefined,
  leftMl: 250,
  bestBy: "2028-01-01",
  taken: [],
  ...b,
});
/** Days around a day, each reckoned once: the thousand households share them. */
const CALENDAR = Array.from({ length: 365 + 600 }, (_, i) => addDays("2024-05-01", i));
const on = (day: Day, ml: number): Taken => ({ from: day, to: day, ml });
/** So much a day, for so many days up to yesterday. */
const steady = (ml: number, days: number): Taken[] =>
  Array.from({ length: days }, (_, i) => on(addDays(TODAY, -1 - i), ml));

/** A household of colds: most weeks nothing, then days of spoons by one or more people; a habit beneath it; more of both in winter. */
function household(c: Chance) {
  const [colds, winter] = [c.from(0.04, 0.3), c.from(0, 0.8)];
  const [habit, spoon, people] = [c.from(0, 0.35), c.from(5, 18), 1 + Math.floor(c.next() * 3)];
  let [ill, much] = [0, 0];
  /** mL on a day of the year, in order. */
  return (day: number): number => {
    const season = 1 + winter * Math.cos(((day - 15) / 365.25) * 2 * Math.PI);
    if (ill === 0 && c.next() < (colds * season) / 7)
      [ill, much] = [3 + Math.floor(c.next() * 10), c.from(0.5, 3)];
    const spoons =
      (ill > 0 ? Math.round(much * people * c.from(0.3, 1.7)) : 0) + (c.next() < habit * season ? 1 : 0);
    if (ill > 0) ill -= 1;
    return Array.from({ length: spoons }, () => spoon * c.from(0.6, 1.5)).reduce((n, x) => n + x, 0);
  };
}

describe("how long it lasts", () => {
  test("four in five of a thousand households that come down in runs run out between the days that are said", () => {
    let [inside, said, before, after] = [0, 0, 0, 0];
    for (let seed = 0; seed < 1000; seed++) {
      const c = chance(seed * 7919 + 5);
      const use = household(c);
      const days = Math.round(c.from(8, 80)) * 7;
      const at = 600 + Math.floor(c.next() * 365);
      const today = CALENDAR[at]!;
      // Days into a year, for the season: the calendar begins on the first of May.
      const ofYear = at + 120;
      const taken = Array.from({ length: days }, (_, i) => i - days).flatMap((back) => {
        const ml = use(ofYear + back);
        return ml > 0 ? [on(CALENDAR[at + back]!, ml)] : [];
      });
      const stock = c.from(100, 700);
      const s = supplyOf(
        [
          bottle({ filled: CALENDAR[at - days]!, gone: today, leftMl: 0, taken }),
          bottle({ filled: today, leftMl: stock, bestBy: "2040-01-01" }),
        ],
        today,
      );
      if (!s?.out) continue;
      let [left, t] = [stock, 0];
      while (left > 0 && t < 3000) left -= use(ofYear + t++);
      const truth = addDays(today, t);
      said += 1;
      if (truth < s.out.early) before += 1;
      else if (s.out.late !== undefined && truth > s.out.late) after += 1;
      else inside += 1;
    }
    expect(said).toBeGreaterThan(800);
    const share = (100 * inside) / said;
    // Neither side takes nearly all of what is missed.
    expect(Math.min(before, after) / Math.max(before, after)).toBeGreaterThan(0.4);
    expect(share).toBeGreaterThanOrEqual(75);
    expect(share).toBeLessThanOrEqual(88);
  });
  test("a steady spoon a day is a steady day to run out on", () => {
    const s = supplyOf(
      [bottle({ filled: addDays(TODAY, -280), leftMl: 300, taken: steady(10, 280) })],
      TODAY,
    )!;
    expect([s.stockMl, Math.round(s.perWeekMl), s.weeks, s.lateMl]).toEqual([300, 70, 40, 0]);
    expect(Math.abs(daysBetween(addDays(TODAY, 30), s.out!.likely!))).toBeLessThanOrEqual(5);
    // What never changed is said to the day or two.
    expect(daysBetween(s.out!.early, s.out!.late!)).toBeLessThanOrEqual(4);
  });
  test("weeks without any are no weeks of little use, and what was given or thrown out is no use", () => {
    const there = bottle({ filled: addDays(TODAY, -70), leftMl: 300, taken: steady(10, 70) });
    const before = bottle({
      filled: addDays(TODAY, -300),
      gone: addDays(TODAY, -250),
      leftMl: 0,
      taken: Array.from({ length: 50 }, (_, i) => on(addDays(TODAY, -300 + i), 10)),
    });
    const given = bottle({ filled: addDays(TODAY, -70), gone: addDays(TODAY, -20), leftMl: 0 });
    expect(Math.round(supplyOf([there, before], TODAY)!.perWeekMl)).toBe(70);
    expect(supplyOf([there, before], TODAY)!.weeks).toBe(16);
    expect(supplyOf([there, given], TODAY)!.stockMl).toBe(300);
    expect(Math.round(supplyOf([there, given], TODAY)!.perWeekMl)).toBe(70);
  });
  test("what is past its day is no stock, and what will be before it is used is told", () => {
    const used = { filled: addDays(TODAY, -70), leftMl: 0, gone: TODAY, taken: steady(10, 70) };
    const s = supplyOf(
      [
        bottle(used),
        bottle({ filled: "2026-10-01", bestBy: addDays(TODAY, -1) }),
        bottle({ filled: "2026-10-01", leftMl: 500, bestBy: addDays(TODAY, 14) }),
      ],
      TODAY,
    )!;
    expect(s.stockMl).toBe(500);
    expect(s.lateMl).toBeGreaterThan(250);
    expect(s.out!.late! <= addDays(TODAY, 14)).toBe(true);
  });
  test("what is used so slowly, or by nobody at home, that its end is not in sight is not called late", () => {
    const drops = [bottle({ filled: addDays(TODAY, -140), bestBy: "2040-01-01", taken: steady(0.05, 100) })];
    const slow = supplyOf(drops, TODAY)!;
    expect([slow.lateMl, slow.out]).toEqual([0, undefined]);
    const away = [{ from: addDays(TODAY, 1), to: addDays(TODAY, 1200) }];
    const gone = [bottle({ filled: addDays(TODAY, -140), bestBy: "2040-01-01", taken: steady(5, 100) })];
    expect(supplyOf(gone, TODAY, { away })!.lateMl).toBe(0);
    expect(supplyOf(gone, TODAY, { away })!.out).toBeUndefined();
  });
  test("more in the cellar never runs out sooner, and more use never later", () => {
    const out = (left: number, ml: number): number =>
      daysBetween(
        TODAY,
        supplyOf([bottle({ filled: addDays(TODAY, -140), leftMl: left, taken: steady(ml, 140) })], TODAY)!
          .out!.early,
      );
    const byStock = [50, 100, 200, 400, 800].map((left) => out(left, 10));
    const byUse = [2, 5, 10, 20, 40].map((ml) => out(300, ml));
    expect(byStock).toEqual([...byStock].sort((a, b) => a - b));
    expect(byUse).toEqual([...byUse].sort((a, b) => b - a));
    expect(new Set([...byStock, ...byUse]).size).toBeGreaterThan(6);
  });
  test("nothing used says nothing; a few spoons in a week or two say a rate and no day", () => {
    expect(supplyOf([bottle({})], TODAY)).toBeUndefined();
    const young = supplyOf([bottle({ filled: addDays(TODAY, -14), taken: steady(10, 14) })], TODAY)!;
    expect([Math.round(young.perWeekMl), young.out]).toEqual([70, undefined]);
  });
  test("a bottle emptied without a word was used evenly since it was opened", () => {
    const whole: Taken = { from: addDays(TODAY, -56), to: addDays(TODAY, -1), ml: 280 };
    const three = [0, 1, 2].map((i) =>
      bottle({
        filled: addDays(TODAY, -56),
        gone: addDays(TODAY, -i),
        leftMl: 0,
        taken: [{ ...whole, ml: 280 / 3 }],
      }),
    );
    expect(Math.round(supplyOf([...three, bottle({ filled: TODAY })], TODAY)!.perWeekMl)).toBe(35);
  });
  test("the last day to start a new one keeps a week in hand", () =>
    expect(startBy("2027-01-28", 42)).toBe("2026-12-10"));
});

describe("what is known beside what was used", () => {
  const stock = bottle({ filled: TODAY, leftMl: 300, bestBy: "2040-01-01" });
  test("a course that is laid down says how long a bottle lasts before any of it was used", () => {
    expect(supplyOf([stock], TODAY)).toBeUndefined();
    const s = supplyOf([stock], TODAY, { courseMl: 70 })!;
    expect(s.perWeekMl).toBe(70);
    const likely = daysBetween(TODAY, s.out!.likely!);
    expect(likely).toBeGreaterThan(20);
    expect(likely).toBeLessThan(40);
    expect(s.out!.early < s.out!.likely!).toBe(true);
  });
  test("it is worth four weeks of seeing, and the weeks outweigh it as they come", () => {
    const seen = (weeks: number): number =>
      supplyOf(
        [bottle({ filled: addDays(TODAY, -7 * weeks), leftMl: 100, taken: steady(5, 7 * weeks) })],
        TODAY,
        {
          courseMl: 105,
        },
      )!.perWeekMl;
    expect(seen(4)).toBeCloseTo((4 * 35 + 4 * 105) / 8, 6);
    expect(seen(20)).toBeCloseTo((20 * 35 + 4 * 105) / 24, 6);
  });
  test("days away use nothing: what there is lasts so much longer", () => {
    const taken = [
      bottle({ filled: addDays(TODAY, -140), leftMl: 200, bestBy: "2040-01-01", taken: steady(10, 140) }),
    ];
    const home = supplyOf(taken, TODAY)!;
    const gone = supplyOf(taken, TODAY, { away: [{ from: addDays(TODAY, 1), to: addDays(TODAY, 14) }] })!;
    const later = daysBetween(home.out!.likely!, gone.out!.likely!);
    expect(later).toBeGreaterThanOrEqual(12);
    expect(later).toBeLessThanOrEqual(16);
  });
  test("weeks away teach nothing about the weeks at home", () => {
    const days = steady(10, 140).filter((t) => t.from < addDays(TODAY, -28));
    const b = [bottle({ filled: addDays(TODAY, -140), leftMl: 200, taken: days })];
    const away = [{ from: addDays(TODAY, -28), to: addDays(TODAY, -1) }];
    expect(supplyOf(b, TODAY, { away })!.perWeekMl).toBeCloseTo(70, 0);
    expect(supplyOf(b, TODAY)!.perWeekMl).toBeLessThan(60);
  });
});

describe("a course that was laid down is arithmetic", () => {
  /** Day by day and spoon by spoon, by nobody's formula. */
  const plainly = (
    ml: number,
    c: { ml: number; times: number; days: number; rest: number; from: Day },
  ): Day => {
    let left = ml;
    let last = addDays(TODAY, -1);
    for (let day = TODAY, n = 0; n < 3000; n++, day = addDays(day, 1)) {
      const since = daysBetween(c.from, day);
      const takes = since >= 0 && since % (c.days + c.rest) < c.days ? c.ml * c.times : 0;
      if (takes > left + 1e-3) return last;
      left -= takes;
      last = day;
      if (left <= 1e-3) return day;
    }
    throw new Error("it never ends");
  };
  test("to the day, for a thousand of them, with rests, begun and to come", () => {
    for (let seed = 0; seed < 1000; seed++) {
      const c = chance(seed * 31 + 9);
      const course = {
        ml: c.pick([2.5, 4.928921875, 5, 14.78676, 15]),
        times: 1 + Math.floor(c.next() * 4),
        days: 3 + Math.floor(c.next() * 30),
        rest: c.pick([0, 0, 3, 7, 14]),
        from: addDays(TODAY, Math.floor(c.from(-8, 20))),
      };
      const doses = 1 + Math.floor(c.next() * 60);
      const stock = course.ml * course.times * doses * (1 + c.from(-5e-7, 5e-7));
      const s = supplyOf([bottle({ filled: TODAY, leftMl: stock, bestBy: "2040-01-01" })], TODAY, {
        courses: [course],
      })!;
      const should = plainly(stock, course);
      expect([seed, s.out?.early, s.out?.late]).toEqual([seed, should, should]);
    }
  });
  test("twenty fluid ounces at a hundred and twenty spoons are forty days at three a day, and no day is lost", () => {
    const stands = courseStands(
      { ml: 4.92892, said: "1 tsp", times: 3, days: 40, rest: 0, for: undefined, from: TODAY },
      591.4705,
      { sugar: 0, alcohol: 0, herb: 0 },
      [],
      TODAY,
    );
    expect(stands.daysLeft).toBe(40);
    expect(stands.courses).toBe(1);
  });
  test("what is poured quite otherwise is what is done, and it is learned again", () => {
    const course = { ml: 5, times: 3, days: 90, rest: 0, from: addDays(TODAY, -30) };
    const other = bottle({
      filled: addDays(TODAY, -60),
      leftMl: 200,
      bestBy: "2040-01-01",
      taken: steady(3, 60),
    });
    const s = supplyOf([other], TODAY, { courseMl: 105, courses: [course] })!;
    expect(s.out!.early < s.out!.likely!).toBe(true);
    const kept = bottle({
      filled: addDays(TODAY, -60),
      leftMl: 150,
      bestBy: "2040-01-01",
      taken: steady(15, 30),
    });
    expect(supplyOf([kept], TODAY, { courseMl: 105, courses: [course] })!.out!.late).toBe(addDays(TODAY, 9));
  });
  test("what is past its day before the course comes to it is told in mL", () => {
    const course = { ml: 5, times: 1, days: 90, rest: 0, from: TODAY };
    const s = supplyOf([bottle({ filled: TODAY, leftMl: 500, bestBy: addDays(TODAY, 9) })], TODAY, {
      courses: [course],
    })!;
    expect(s.lateMl).toBeCloseTo(450, 6);
    expect(s.out!.early).toBe(addDays(TODAY, 9));
  });
  test("nobody takes it while nobody is at home", () => {
    const course = { ml: 10, times: 1, days: 90, rest: 0, from: TODAY };
    const at = (away: { from: Day; to: Day }[]) =>
      supplyOf([bottle({ filled: TODAY, leftMl: 100, bestBy: "2040-01-01" })], TODAY, {
        courses: [course],
        away,
      })!.out!.early;
    expect(at([])).toBe(addDays(TODAY, 9));
    expect(at([{ from: addDays(TODAY, 3), to: addDays(TODAY, 5) }])).toBe(addDays(TODAY, 12));
  });
});
