import { describe, expect, test } from "@jest/globals";
import { type Course, courseStands } from "./course";

const COURSE: Course = {
  ml: 15,
  said: "1 tbsp",
  times: 3,
  days: 10,
  rest: 7,
  for: "the keeper",
  from: "2026-11-26",
};
const PER = { sugar: 0.6, alcohol: 0.1, herb: 0.02 };
const NONE: never[] = [];

describe("a course", () => {
  test("sums of a day, whole courses in the bottle and what is over", () => {
    const s = courseStands(COURSE, 1000, PER, NONE, "2026-11-26");
    expect(s).toMatchObject({ dayMl: 45, wholeMl: 450, courses: 2, daysLeft: 22 });
    expect(s.overMl).toBeCloseTo(100);
    expect([s.sugar, s.alcohol, s.herb].map((x) => Math.round(x * 100) / 100)).toEqual([27, 4.5, 0.9]);
  });
  test("a bottle that holds just two courses holds two, and nothing over", () => {
    const s = courseStands(COURSE, 900, PER, NONE, "2026-11-26");
    expect([s.courses, s.overMl, s.daysLeft]).toEqual([2, 0, 20]);
    expect(courseStands(COURSE, 449, PER, NONE, "2026-11-26").courses).toBe(0);
  });
  test.each([
    ["2026-11-25", "to come", 0],
    ["2026-11-26", "running", 1],
    ["2026-12-05", "running", 10],
    ["2026-12-06", "rest", 11],
    ["2026-12-12", "rest", 17],
    ["2026-12-13", "done", 18],
  ])("on %s it is %s, day %d", (today, stage, day) => {
    const s = courseStands(COURSE, 500, PER, NONE, today);
    expect([s.stage, s.day, s.last, s.restUntil]).toEqual([stage, day, "2026-12-05", "2026-12-13"]);
  });
  test("what was taken today is counted, and what is more than the course says; yesterday’s and what was spread over days is not", () => {
    const on = (day: string, ml: number) => ({ from: day, to: day, ml });
    const taken = [
      on("2026-11-26", 15),
      on("2026-11-26", 7.5),
      on("2026-11-25", 60),
      { from: "2026-11-20", to: "2026-11-26", ml: 90 },
    ];
    expect(courseStands(COURSE, 500, PER, taken, "2026-11-26")).toMatchObject({ today: 1.5, more: 0 });
    expect(courseStands(COURSE, 500, PER, [...taken, on("2026-11-26", 45)], "2026-11-26")).toMatchObject({
      today: 4.5,
      more: 1.5,
    });
  });
});
