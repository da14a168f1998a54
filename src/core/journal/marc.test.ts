import { describe, expect, test } from "@jest/globals";
import { line, made, measuredAs } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { oddMarc, readMarc } from "./marc";

describe("the marc on the scale", () => {
  test.each([
    ["320 g", 320],
    ["0.4 kg", 400],
    ["11 oz", 311.8],
  ])("%s is read", (text, grams) => {
    const read = readMarc(text, "us");
    expect(read.ok && read.value).toBeCloseTo(grams, 0);
  });
  test.each(["2 cups", "half of the jar", "3", "heavy", ""])(
    "“%s” is no weight, and its own field says so",
    (text) => {
      const read = readMarc(text, "us");
      expect(read.ok ? [] : read.faults.map((f) => f.path[0])).toEqual(["marc"]);
    },
  );
  test("more than can have stayed in it is asked about; less is spilt, and no question", () => {
    const plan = made("oxymel-even", [
      line("hyssop", "40 g", { form: "dried" }),
      line("honey", "400 mL"),
      line("cider-vinegar", "400 mL"),
    ]);
    const p = resolve(plan, {}, measuredAs(plan, "700 mL"));
    if (!p.ok) throw new Error(p.faults[0]!.message);
    const r = reckonProgram(p.value);
    const stayed = r.ledger.marcG;
    expect(stayed).toBeGreaterThan(50);
    expect(oddMarc(stayed, r)).toBeUndefined();
    expect(oddMarc(stayed / 3, r)).toBeUndefined();
    expect(oddMarc(stayed * 1.3 + 60, r)).toMatch(/weighed with its cloth or bowl/);
  });
});
