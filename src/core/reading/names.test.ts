import { describe, expect, test } from "@jest/globals";
import { readLine } from "./line";
import { materialNamed, nearNames } from "./names";
import { contextIn } from "./said";

describe("names near one that is none", () => {
  test.each([
    ["hysop", "hyssop"],
    ["meadowsweat", "meadowsweet"],
    ["horsradish", "horseradish"],
    ["elderbery", "elderberry"],
    ["marshmalow root", "marshmallow-root"],
  ])("%s is a slip of the pen: %s is offered first, and never taken", (typed, id) => {
    expect(materialNamed(typed)).toBeUndefined();
    expect(nearNames(typed)[0]!.row.id).toBe(id);
  });
  test.each([
    ["blackberries", "blackberry"],
    ["lemons", "lemon"],
    ["root ginger", "ginger"],
    ["St. John’s-wort", "st-johns-wort"],
  ])("%s is one of its own names", (typed, id) => expect(materialNamed(typed)!.row.id).toBe(id));
  test("nonsense is near nothing", () => expect(nearNames("qqqqqqqqqq")).toEqual([]));
  test("no more are offered than asked for", () => {
    expect(nearNames("mint", undefined, 1).length).toBe(1);
    expect(nearNames("mint", undefined, 50).length).toBeGreaterThan(1);
  });
  test("a part of a plant by itself names nothing", () => expect(nearNames("berry")).toEqual([]));
});

test.each([
  "ice plant leaves",
  "sea kale",
  "water pepper leaves",
  "kitchen zorbel",
  "ice lettuce",
  "morning glory",
])("a name nobody knows is asked about whole, whatever its first word is elsewhere: %s", (name) => {
  const r = readLine(`1 cup ${name}`, contextIn("us"));
  expect([r.is, r.is === "unknown" && r.name]).toEqual(["unknown", name]);
});
