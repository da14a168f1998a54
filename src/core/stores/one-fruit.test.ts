/** Juice and zest of one fruit are one fruit to buy. Counted by hand. */
import { describe, expect, test } from "@jest/globals";
import { withAdded } from "../plan/edit";
import { line, made } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { needOf } from "./need";
import { EMPTY_STORES } from "./stores";

const fruits = (...herbs: Parameters<typeof made>[1]) => {
  const jar = made("cider-after", [line("horseradish", "60 g", { form: "fresh" })]);
  const p = resolve(herbs.reduce((plan, l) => withAdded(plan, l), jar));
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return needOf(p.value, reckonProgram(p.value), EMPTY_STORES, "us").fruit.map((f) => [
    f.fruit,
    f.count,
    f.for,
  ]);
};

describe("a fruit that gives its juice and its zest", () => {
  test.each([
    // A lemon gives about 45 mL and about 6 g of zest.
    [["lemon-juice", "3 tbsp"], ["lemon-peel", "12 g"], [["lemon", 2, "zest and juice"]]],
    [["lemon-juice", "½ cup"], ["lemon-peel", "6 g"], [["lemon", 3, "zest and juice"]]],
    [["orange-juice", "80 mL"], ["orange-peel", "10 g"], [["orange", 1, "zest and juice"]]],
  ] as const)("%j and %j", (juice, peel, want) =>
    expect(fruits(line(juice[0], juice[1]), line(peel[0], peel[1], { form: "fresh" }))).toEqual(want),
  );
  test("juice alone and zest alone are so many of their own; dried peel and what is of another fruit are none", () => {
    expect(fruits(line("lime-juice", "60 mL"))).toEqual([["lime", 2, "juice"]]);
    expect(fruits(line("orange-peel", "15 g", { form: "fresh" }))).toEqual([["orange", 2, "zest"]]);
    expect(fruits(line("orange-peel", "15 g", { form: "dried" }))).toEqual([]);
    expect(fruits(line("lemon-juice", "45 mL"), line("orange-peel", "10 g", { form: "fresh" }))).toEqual([
      ["lemon", 1, "juice"],
      ["orange", 1, "zest"],
    ]);
  });
  test("as many as were said, where they were counted", () =>
    expect(
      fruits(line("lemon-juice", "2 fruits"), line("lemon-peel", "2 fruits", { form: "fresh" })),
    ).toEqual([["lemon", 2, "zest and juice"]]));
  test("whole fruit that goes in as well is as many more", () =>
    expect(fruits(line("lemon", "1"), line("lemon-juice", "45 mL"))).toEqual([["lemon", 1, "juice"]]));
});
