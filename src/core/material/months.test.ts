/** Months of picking, by what must hold of any such table. */
import { expect, test } from "@jest/globals";
import { MATERIALS } from "./catalogue";
import { KNOWN_MONTHS, hemisphereOf, isIn, monthsOf, monthsWords } from "./months";

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);

test("every plant in it is one of the catalogue, and stands there once", () => {
  expect(KNOWN_MONTHS.length).toBeGreaterThan(90);
  expect(KNOWN_MONTHS.filter((id) => !MATERIALS.has(id))).toEqual([]);
});
test("south of the equator it is the same plant half a year later, for as many months", () => {
  for (const id of KNOWN_MONTHS) {
    const [north, south] = [monthsOf(id, "north")!, monthsOf(id, "south")!];
    for (const m of MONTHS) expect([id, m, isIn(south, ((m + 5) % 12) + 1)]).toEqual([id, m, isIn(north, m)]);
  }
});
test("what everybody knows: elder flowers before its berries, roots in the dormant months, haws and hips in autumn", () => {
  const picked = (id: string, month: number) => isIn(monthsOf(id, "north")!, month);
  expect([picked("elder-flower", 6), picked("elder-flower", 9)]).toEqual([true, false]);
  expect([picked("elderberry", 9), picked("elderberry", 6)]).toEqual([true, false]);
  expect([picked("dandelion-root", 11), picked("dandelion-root", 1), picked("dandelion-root", 7)]).toEqual([
    true,
    true,
    false,
  ]);
  expect([picked("rose-hip", 10), picked("hawthorn-berry", 9)]).toEqual([true, true]);
  expect(monthsOf("kava", "north")).toBeUndefined();
});
test("a household is north or south by its clock", () => {
  expect(
    ["Europe/London", "America/New_York", "Asia/Kolkata", "Pacific/Honolulu", "UTC"].map(hemisphereOf),
  ).toEqual(Array(5).fill("north"));
  expect(
    ["Australia/Sydney", "Pacific/Auckland", "Africa/Johannesburg", "America/Argentina/Cordoba"].map(
      hemisphereOf,
    ),
  ).toEqual(Array(4).fill("south"));
});
test("they are said as a span, whatever the turn of the year", () => {
  expect([monthsWords([10, 3]), monthsWords([6, 6]), monthsWords([1, 12])]).toEqual([
    "October to March",
    "June",
    "all year",
  ]);
});
