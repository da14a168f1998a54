import { drawnYear } from "../../../tests/season/households";
import { greedy } from "./greedy";
import { smallestToDrop, unmetBy } from "./unmet";
import { scalesOf } from "./weigh";
import type { Making, Wanted, Year } from "./year";

const DAYS = 182;
const always = (): Uint8Array => new Uint8Array(DAYS).fill(1);
const making = (more: Partial<Making> = {}): Making => ({
  ...{ pot: false, steep: { earliest: 20, best: 28, latest: 36 }, gives: { value: 0.8, low: 0.7 } },
  ...{
    hours: { begin: 1, strain: 0.5 },
    keeps: [{ in: "cupboard", days: 200 }],
    herbs: always(),
    cost: 0,
    worksCold: false,
  },
  ...more,
});
const wanted = (id: string, aDay: number, more: Partial<Wanted> = {}): Wanted => ({
  ...{ id, never: false, weight: 1, need: new Float64Array(DAYS).fill(aDay), gifts: [] },
  stock: [{ ml: 40 * aDay, from: 0, until: 100, in: "cupboard" }],
  making: making(),
  ...more,
});
const year = (all: readonly Wanted[], more: Partial<Year> = {}): Year => ({
  ...{ days: DAYS, wanted: all, vessels: [{ id: "jar", ml: 1000, pot: false, free: 0 }] },
  ...{
    room: { fridge: 2000, freezer: 1000 },
    hours: { week: 4, day: 4 },
    begins: always(),
    strains: always(),
    ...more,
  },
});
const why = (y: Year): Readonly<Record<string, string>> =>
  Object.fromEntries(unmetBy(y, greedy(scalesOf(y))).map((u) => [u.remedy, u.reason]));
/** Days suit until one, and from another. */
const but = (from: number, to: number): Uint8Array => always().fill(0, from, to);

test("what can be met is met", () => {
  expect(why(year([wanted("a", 4)]))).toEqual({});
});

test.each<readonly [what: string, y: Year, says: string]>([
  ["nobody knows how it is made", year([wanted("a", 4, { making: undefined })]), "no-recipe"],
  ["it keeps nowhere", year([wanted("a", 4, { making: making({ keeps: [] }) })]), "no-place"],
  ["there is no jar", year([wanted("a", 4)], { vessels: [] }), "no-vessel"],
  [
    "only a pot, for what stands in a jar",
    year([wanted("a", 4)], { vessels: [{ id: "p", ml: 3000, pot: true, free: 0 }] }),
    "no-vessel",
  ],
  [
    "its herb has no month left",
    year([wanted("a", 4, { making: making({ herbs: new Uint8Array(DAYS) }) })]),
    "no-herb",
  ],
  ["its herb comes too late", year([wanted("a", 4, { making: making({ herbs: but(0, 120) }) })]), "no-herb"],
  [
    "nobody is ever at home",
    year([wanted("a", 4)], { begins: new Uint8Array(DAYS), strains: new Uint8Array(DAYS) }),
    "nobody-home",
  ],
  [
    "nobody is at home in the whole of any window",
    year([wanted("a", 4)], { strains: but(0, 170) }),
    "nobody-home",
  ],
  [
    "it takes more hours than a day has",
    year([wanted("a", 4)], { hours: { week: 0.5, day: 0.5 } }),
    "no-hours",
  ],
  ["it is wanted today, and there is none", year([wanted("a", 4, { stock: [] })]), "not-yet"],
  [
    "ten litres a day",
    year([wanted("a", 10_000, { stock: [{ ml: 400_000, from: 0, until: 100, in: "cupboard" }] })]),
    "too-much",
  ],
])("%s: it says so", (_, y, says) => {
  expect(why(y)).toEqual({ a: says });
});

test("of two that want one jar the smaller is named, and the other is met without it", () => {
  const both = year([wanted("much", 20), wanted("little", 9)], {
    vessels: [{ id: "jar", ml: 1000, pot: false, free: 0 }],
  });
  const plan = greedy(scalesOf(both));
  expect(unmetBy(both, plan).some((u) => u.reason === "too-much")).toBe(true);
  expect(smallestToDrop(both, plan)).toBe("little");
  const rest = year([wanted("much", 20)]);
  expect(why(rest)).toEqual({});
});

test("a year of sixty remedies is planned, and says what cannot be", () => {
  const y = drawnYear(60, { remedies: [60, 60], vessels: [12, 12], odd: true });
  const plan = greedy(scalesOf(y));
  const short = unmetBy(y, plan);
  expect(plan.length).toBeGreaterThan(10);
  expect(short.length).toBeGreaterThan(0);
  expect(short.every((u) => u.days > 0)).toBe(true);
});
