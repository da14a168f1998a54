/** A scaled recipe in what a kitchen can measure. */
import { describe, expect, test } from "@jest/globals";
import { linesOf } from "../plan/edit";
import type { Plan } from "../plan/plan";
import { line, made } from "../plan/trial";
import { readAmount } from "../reading/amounts";
import { kitchenable } from "./kitchenable";
import { multiplied, scaledBy } from "./scale";

const PLAN = made("syrup-fridge", [
  line("garlic", "6 cloves", { form: "fresh" }),
  line("elderberry", "⅓ cup", { form: "dried" }),
  line("ginger", "2 inches", { form: "fresh" }),
  line("cinnamon", "2 sticks"),
  line("thyme", "30 g", { form: "dried" }),
  line("lemon-juice", "3 tbsp"),
]);
const SI = (text: string, units: Plan["units"]): number => {
  const a = readAmount(text, units);
  if (!a.ok) throw new Error(text);
  if (a.value.kind === "measure") return a.value.si.value;
  return a.value.kind === "count" ? a.value.count.value : Number.NaN;
};
/** Figures nobody can measure: “5.218 cloves”, “0.1667 cup”, “1.271 cups”. */
const UNMEASURABLE = /\d\.\d{2,}|\d\.\d+ (?:cups?|tbsp|tsp|cloves?|sticks?)/;

describe.each([0.37, 0.8697, 1.271, 1.63, 2, 2.45, 3.1])("times %s", (by) => {
  const raw = scaledBy(PLAN, by);
  const { plan, told } = kitchenable(raw);
  test("every amount can be measured, and is as near as a spoon, a piece or the scale comes", () => {
    expect(linesOf(plan).length).toBe(linesOf(PLAN).length);
    for (const [i, l] of linesOf(plan).entries()) {
      expect(l.amount).not.toMatch(UNMEASURABLE);
      const was = linesOf(raw)[i]!;
      const [is, asked] = [SI(l.amount, plan.units), SI(was.amount, plan.units)];
      if (Number.isNaN(asked)) expect(l.amount).toBe(was.amount);
      else
        expect([l.material, l.amount, Math.abs(is - asked) <= Math.max(0.2 * asked, 0.5)]).toEqual([
          l.material,
          l.amount,
          true,
        ]);
    }
  });
  test("what was changed by more than a twentieth is told, and nothing else", () => {
    for (const [i, l] of linesOf(plan).entries()) {
      const asked = SI(linesOf(raw)[i]!.amount, plan.units);
      const off = Math.abs(SI(l.amount, plan.units) / asked - 1);
      const named = told.some((t) => t.startsWith(l.material.replace("-", " ")));
      if (!Number.isNaN(asked))
        expect([l.material, off > 0.05, named]).toEqual([l.material, off > 0.05, off > 0.05]);
    }
  });
});
test("doubled, nothing need be told; and what can be measured already stays letter for letter", () => {
  const twice = multiplied(PLAN, 2);
  expect(twice.ok && kitchenable(twice.value.plan).told).toEqual([]);
  expect(kitchenable(PLAN)).toEqual({ plan: PLAN, told: [] });
});
