import { addDays } from "../day";
import { WAYS } from "../plan/kinds";
import { readyBy } from "./ready-by";

const TODAY = "2026-11-24";
const made = [
  { name: "Hyssop oxymel", kind: "oxymel", batch: "b1", days: { low: 28, value: 42, high: 56 } },
] as const;

test("a six-week jar must stand six weeks before its day; what is simmered can be begun on it", () => {
  const all = readyBy("2027-02-01", TODAY, made);
  const hyssop = all.find((r) => "batch" in r.from)!;
  expect(hyssop).toMatchObject({ best: "2026-12-21", last: "2027-01-04", late: "no" });
  const syrup = all.find((r) => "way" in r.from && r.from.way === "syrup-fridge")!;
  expect(syrup).toMatchObject({ best: "2027-02-01", late: "no" });
  expect(all).toHaveLength(WAYS.length + 1);
});

test("past its best day it wants hurry, past its last it is too late", () => {
  const late = (by: string) => readyBy(by, TODAY, made).find((r) => "batch" in r.from)!.late;
  expect(late(addDays(TODAY, 42))).toBe("no");
  expect(late(addDays(TODAY, 41))).toBe("hurry");
  expect(late(addDays(TODAY, 28))).toBe("hurry");
  expect(late(addDays(TODAY, 27))).toBe("too-late");
});

test("a day that is past is too late for everything", () => {
  const all = readyBy(addDays(TODAY, -1), TODAY, made);
  expect(all.every((r) => r.late === "too-late")).toBe(true);
});

test("what must be begun first stands first", () => {
  const days = readyBy("2027-03-01", TODAY, made).map((r) => r.best);
  expect(days).toEqual([...days].sort());
});
