import { expect, test } from "@jest/globals";
import { type Day, addDays } from "../core/day";
import { copiesKept } from "./kept-copies";

/** Copies made night by night, each time with those put away that are not kept. */
function over(nights: number, skip: (n: number) => boolean = () => false): Day[] {
  let have: Day[] = [];
  for (let n = 0; n < nights; n++) {
    if (skip(n)) continue;
    have = [...copiesKept([...have, addDays("2026-01-01", n)])];
  }
  return have.sort();
}

test("over two years of nights the last seven stay, one of each of four weeks, one of each of twelve months", () => {
  const have = over(730);
  const last = addDays("2026-01-01", 729);
  for (let n = 0; n < 7; n++) expect(have).toContain(addDays(last, -n));
  const months = new Set(have.map((d) => d.slice(0, 7)));
  expect(months.size).toBe(12);
  expect(have.length).toBeLessThanOrEqual(7 + 4 + 12);
  // There is always one a week old or a little more, and one a month old or more.
  const ages = have.map((d) => (Date.parse(last) - Date.parse(d)) / 86_400_000);
  expect(ages.some((a) => a >= 7 && a <= 21)).toBe(true);
  expect(ages.some((a) => a >= 28 && a <= 70)).toBe(true);
});

test("whatever nights are missed, the newest stays, and a night's copy is never the last thing put away", () => {
  for (let seed = 1; seed <= 60; seed++) {
    let x = seed;
    const have = over(300, () => (x = (x * 48_271) % 2_147_483_647) % 3 > 0);
    const again = [...copiesKept(have)].sort();
    expect(again).toEqual(have);
    expect(have.length).toBeGreaterThan(8);
  }
  expect([...copiesKept([])]).toEqual([]);
  expect([...copiesKept(["2026-03-01"])]).toEqual(["2026-03-01"]);
});
