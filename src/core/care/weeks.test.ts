import { addDays } from "../day";
import { ALWAYS_HOME, type DayWindow, type Weeks, strainDayOf, strainTogether, weekdayOf } from "./weeks";

const window = (best: string, before = 5, after = 9): DayWindow => ({
  earliest: addDays(best, -before),
  best,
  latest: addDays(best, after),
});
const away = (from: string, to: string): Weeks => ({ strainDays: [], away: [{ from, to, why: "" }] });

test.each([
  ["1970-01-01", "thu"],
  ["2026-11-24", "tue"],
  ["1969-12-29", "mon"],
  ["2028-02-29", "tue"],
])("%s is a %s", (day, weekday) => expect(weekdayOf(day)).toBe(weekday));

test("at home any day the best day is the day", () => {
  expect(strainDayOf(window("2027-01-12"), ALWAYS_HOME)).toEqual({ day: "2027-01-12", fits: "suits" });
});

test("days away push it to the nearest day at home, later before earlier", () => {
  expect(strainDayOf(window("2027-01-12"), away("2027-01-10", "2027-01-14")).day).toBe("2027-01-15");
  expect(strainDayOf(window("2027-01-12"), away("2027-01-12", "2027-01-30")).day).toBe("2027-01-11");
});

test("a window that lies all in days away says so", () => {
  expect(strainDayOf(window("2027-01-12"), away("2027-01-01", "2027-02-01"))).toEqual({
    day: "2027-01-12",
    fits: "away",
  });
});

test("on straining days only, and off them only where none falls in the window", () => {
  const saturdays: Weeks = { strainDays: ["sat"], away: [] };
  expect(strainDayOf(window("2027-01-12"), saturdays)).toEqual({ day: "2027-01-09", fits: "suits" });
  expect(strainDayOf(window("2027-01-12", 1, 1), saturdays)).toEqual({ day: "2027-01-12", fits: "off-day" });
});

test("jars due in one week are strained on one day that suits them all; a later one stays by itself", () => {
  const jars = [
    { id: "a", window: window("2027-01-11") },
    { id: "b", window: window("2027-01-14") },
    { id: "c", window: window("2027-03-01") },
  ];
  const days = strainTogether(jars, { strainDays: ["wed"], away: [] });
  expect(days.get("a")).toEqual({ day: "2027-01-13", fits: "suits", others: 1 });
  expect(days.get("b")).toEqual({ day: "2027-01-13", fits: "suits", others: 1 });
  expect(days.get("c")).toEqual({ day: "2027-03-03", fits: "suits", others: 0 });
});

test("jars whose windows do not meet keep their own days, each in its window", () => {
  const jars = [
    { id: "a", window: window("2027-01-11", 1, 1) },
    { id: "b", window: window("2027-01-15", 1, 1) },
  ];
  const days = strainTogether(jars, ALWAYS_HOME);
  expect([days.get("a")!.day, days.get("b")!.day]).toEqual(["2027-01-11", "2027-01-15"]);
});
