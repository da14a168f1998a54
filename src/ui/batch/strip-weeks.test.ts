import { describe, expect, test } from "@jest/globals";
import { addDays, daysBetween } from "@/core/day";
import { saidOf, stripWeeks } from "./strip-weeks";

const BEGUN = "2026-10-18";

describe("the weeks of a strip", () => {
  test("every day of the steep falls into one week, and a tick is written in its own week, never after today", () => {
    for (let now = 0; now < 60; now++) {
      const today = addDays(BEGUN, now);
      const weeks = stripWeeks(BEGUN, 8, today, []);
      for (const w of weeks.filter((x) => x.come)) {
        expect(Math.floor(daysBetween(BEGUN, w.day) / 7) + 1).toBe(w.n);
        expect(w.day <= today).toBe(true);
      }
      expect(weeks.filter((w) => w.come).length).toBe(Math.min(8, Math.floor(now / 7) + 1));
    }
  });
  test("what was written already is known, in whichever day of the week it was", () => {
    for (let d = 0; d < 28; d++) {
      const known = stripWeeks(BEGUN, 4, addDays(BEGUN, 30), [addDays(BEGUN, d)]).map((w) => w.known);
      expect(known).toEqual([0, 1, 2, 3].map((i) => Math.floor(d / 7) === i));
    }
  });
  test("what is not sure is asked, and so is a tick before its time", () => {
    const [first, , , last] = stripWeeks(BEGUN, 4, addDays(BEGUN, 8), []);
    expect([
      saidOf(first!, "ticked"),
      saidOf(first!, "empty"),
      saidOf(first!, "unsure"),
      saidOf(first!, undefined),
      saidOf(last!, "ticked"),
      saidOf(last!, "empty"),
      saidOf({ ...first!, known: true }, "empty"),
    ]).toEqual(["ticked", "empty", "ask", "ask", "ask", "not-yet", "known"]);
  });
});
