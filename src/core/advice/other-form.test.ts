/** Forms nobody said, tried the other way round. */
import { describe, expect, test } from "@jest/globals";
import { line, made, withMaterial } from "../plan/trial";
import type { Line, Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { otherForms } from "./other-form";

const program = (p: Plan) => {
  const r = resolve(p);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const doubtsIn = (plan: Plan) => {
  const p = program(plan);
  return otherForms(p, reckonProgram(p), {});
};
const TAKEN: Partial<Line> = { form: "dried", took: ["form"] };
/** Thyme in honey, taken as dried: fresh it would bring water into it. */
const HONEY = made("honey-dried", [line("thyme", "1 cup", TAKEN), line("sage", "1 tbsp", { form: "dried" })]);

describe("a form that was taken for granted", () => {
  test("is asked about where the other would keep less well, with what that would come to", () => {
    const [thyme, ...more] = doubtsIn(HONEY);
    expect(more).toEqual([]);
    expect(thyme).toMatchObject({ name: "thyme", form: "fresh" });
    const said = reckonProgram(program(withMaterial(HONEY, "thyme", { form: "fresh", took: [] }))).verdict;
    expect([thyme!.place, thyme!.life]).toEqual([said.place, said.life.words]);
    expect(said.life.days).toBeLessThan(reckonProgram(program(HONEY)).verdict.life.days);
  });
  test("is not asked about once it was said", () => {
    expect(doubtsIn(withMaterial(HONEY, "thyme", { took: [] }))).toEqual([]);
  });
  test("nor where the other form keeps as well", () => {
    const tincture = made("tincture-weighed", [line("thyme", "50 g", TAKEN)]);
    expect(program(tincture).lines.some((l) => l.otherwise)).toBe(true);
    expect(doubtsIn(tincture)).toEqual([]);
  });
});
