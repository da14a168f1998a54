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
test("a trace of what is hot is not made four times as much, and a filling is said in the kitchen's cups", () => {
  const plan = made("cider-after", [
    line("horseradish", "1 cup", { form: "fresh", cut: "grated" }),
    line("cayenne", "⅛ tsp", { form: "powdered" }),
  ]);
  for (const by of [1 / 3, 0.5, 2, 3]) {
    const scaled = multiplied(plan, by);
    if (!scaled.ok) throw new Error(scaled.faults[0]!.message);
    const amount = (p: Plan, material: string) => linesOf(p).find((l) => l.material === material)!.amount;
    const { plan: then } = kitchenable(scaled.value.plan, plan);
    const ratio = SI(amount(then, "cayenne"), "us") / SI("⅛ tsp", "us");
    expect([by, Math.abs(ratio / by - 1) <= 0.2]).toEqual([by, true]);
    expect(amount(then, "cider-vinegar")).toMatch(/cups?/);
  }
  // What was typed in millilitres stays in them.
  const typed = made("syrup-fridge", [line("thyme", "20 g", { form: "dried" })]);
  const twice = multiplied(typed, 2);
  expect(twice.ok && linesOf(kitchenable(twice.value.plan, typed).plan).map((l) => l.amount)).toContain(
    "2 L",
  );
});
