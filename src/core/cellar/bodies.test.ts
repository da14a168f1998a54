import { describe, expect, test } from "@jest/globals";
import { BOTTLE_BODIES, BOTTLE_ENTRIES, type BottleEventType, readBottleBody } from "./bottle";

const COURSE = { ml: 5, said: "1 tsp", times: 3, days: 10, rest: 4, from: "2026-11-20" };
const letters = (n: number): string => "x".repeat(n);

/** The last body that is taken, and the first that is not. */
const EDGES: readonly (readonly [BottleEventType, what: string, taken: object, not: object])[] = [
  ["poured", "how much", { ml: 20_000, said: "all" }, { ml: 20_001, said: "all" }],
  ["poured", "nothing", { ml: 0.01, said: "a drop" }, { ml: 0, said: "a drop" }],
  ["poured", "as it was typed", { ml: 5, said: letters(60) }, { ml: 5, said: letters(61) }],
  ["poured", "said in no words", { ml: 5, said: "x" }, { ml: 5, said: "" }],
  ["poured", "for whom", { ml: 5, said: "x", for: letters(60) }, { ml: 5, said: "x", for: letters(61) }],
  ["poured", "for nobody", { ml: 5, said: "x", for: "k" }, { ml: 5, said: "x", for: " " }],
  ["poured", "into what", { ml: 5, said: "x", into: letters(20) }, { ml: 5, said: "x", into: letters(21) }],
  ["coursed", "at a time", { ...COURSE, ml: 250 }, { ...COURSE, ml: 251 }],
  ["coursed", "times a day", { ...COURSE, times: 24 }, { ...COURSE, times: 25 }],
  ["coursed", "once a day", { ...COURSE, times: 1 }, { ...COURSE, times: 0 }],
  ["coursed", "days", { ...COURSE, days: 90 }, { ...COURSE, days: 91 }],
  ["coursed", "one day", { ...COURSE, days: 1 }, { ...COURSE, days: 0 }],
  ["coursed", "days of rest", { ...COURSE, rest: 365 }, { ...COURSE, rest: 366 }],
  ["coursed", "no rest", { ...COURSE, rest: 0 }, { ...COURSE, rest: -1 }],
  ["coursed", "as it was typed", { ...COURSE, said: letters(60) }, { ...COURSE, said: letters(61) }],
  ["coursed", "said in no words", { ...COURSE, said: "x" }, { ...COURSE, said: "" }],
  ["coursed", "for nobody", { ...COURSE, for: "k" }, { ...COURSE, for: "" }],
  ["coursed", "a day there is", { ...COURSE, from: "2028-02-29" }, { ...COURSE, from: "2027-02-29" }],
  ["moved", "to a shelf", { place: "fridge", at: letters(40) }, { place: "fridge", at: letters(41) }],
  ["moved", "to a shelf without a name", { place: "fridge", at: "s" }, { place: "fridge", at: "" }],
  ["moved", "to a sort of place", { place: "cool-dark" }, { place: "attic" }],
  ["given", "to whom", { to: letters(60) }, { to: letters(61) }],
  ["given", "to nobody", { to: "b" }, { to: " " }],
  ["discarded", "why", { why: letters(300) }, { why: letters(301) }],
  ["discarded", "no reason", { why: "x" }, { why: " " }],
  ["corrected", "why", { seq: 1, body: null, why: letters(300) }, { seq: 1, body: null, why: letters(301) }],
  ["corrected", "which", { seq: 1, body: null }, { seq: 0, body: null }],
  ["opened", "nothing more", {}, { by: "me" }],
  ["emptied", "nothing more", {}, { ml: 5 }],
];

describe("what a bottle's journal takes", () => {
  test.each(EDGES)("%s, %s", (type, _, taken, not) => {
    expect(BOTTLE_BODIES[type].safeParse(taken).success).toBe(true);
    expect(BOTTLE_BODIES[type].safeParse(not).success).toBe(false);
  });
  test("every entry is read in the version it is written in, and no later one is", () => {
    const types = Object.keys(BOTTLE_BODIES) as BottleEventType[];
    expect(types.length).toBeGreaterThan(8);
    const body: Readonly<Record<BottleEventType, unknown>> = {
      opened: {},
      poured: { ml: 5, said: "1 tsp" },
      coursed: COURSE,
      moved: { place: "fridge" },
      inspected: { signs: [], outcome: "fine" },
      given: { to: "a boat" },
      emptied: {},
      discarded: { why: "mould" },
      corrected: { seq: 1, body: null },
    };
    // Journals of today have these numbers on them: they are read for ever.
    for (const t of types) {
      expect(readBottleBody(t, 1, body[t])).toEqual(body[t]);
      expect([t, BOTTLE_ENTRIES[t].version]).toEqual([t, t === "corrected" ? 2 : 1]);
      expect(() => readBottleBody(t, BOTTLE_ENTRIES[t].version + 1, body[t])).toThrow();
    }
  });
});
