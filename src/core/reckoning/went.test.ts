import { describe, expect, test } from "@jest/globals";
import { type TrialLine, line, made, measuredAs } from "../plan/trial";
import type { Plan } from "../plan/plan";
import type { Happened } from "../plan/happened";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";
import { type Went, whereItWent } from "./went";

const went = (plan: Plan, happened?: Happened): Went => {
  const p = resolve(plan, {}, happened);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return whereItWent(p.value, reckonProgram(p.value));
};
const on = (how: "drained" | "wrung" | "pressed", herb: TrialLine): Plan =>
  made("oxymel-even", [], {
    steps: [
      { do: "add", what: [herb, line("cider-vinegar", "400 mL"), line("honey", "400 mL")] },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how },
    ],
  });
const HYSSOP = line("hyssop", "40 g", { form: "dried" });
const NETTLE = line("nettle", "200 g", { form: "fresh" });

describe("where the liquid went", () => {
  test.each([
    ["dried", on("wrung", HYSSOP)],
    ["fresh", on("pressed", NETTLE)],
    ["boiled", made("syrup-fridge", [line("horehound", "40 g", { form: "dried" })])],
    ["spirit", made("tincture-jarful", [line("thyme", "1/3 jar", { form: "dried" })])],
  ])("the account adds up to what comes out: %s", (_, plan) => {
    const w = went(plan);
    expect(w.poured + w.fromPlants - w.closedUp - w.boiledOff - w.held - w.onCloth).toBeCloseTo(w.out, 6);
    expect(w.poured).toBeGreaterThan(0);
  });
  test("fresh nettle gives its water, dried hyssop holds the liquid back", () => {
    expect(went(on("wrung", NETTLE)).fromPlants).toBeGreaterThan(120);
    expect(went(on("wrung", HYSSOP)).held).toBeGreaterThan(60);
    expect(went(on("pressed", HYSSOP)).held).toBeLessThan(went(on("drained", HYSSOP)).held);
  });
  test("wring once more where it pays, and not where it does not", () => {
    expect(went(on("drained", HYSSOP)).wringMore).toMatchObject({ how: "pressed" });
    expect(went(on("pressed", HYSSOP)).wringMore).toBeUndefined();
    expect(went(on("drained", line("hyssop", "2 g", { form: "dried" }))).wringMore).toBeUndefined();
  });
  test("what was measured is what came out, and the marc held the rest", () => {
    const plan = on("wrung", HYSSOP);
    const w = went(plan, measuredAs(plan, "700 mL"));
    expect(w.out).toBeCloseTo(700, 0);
    expect(w.held + w.onCloth).toBeGreaterThan(went(plan).held + went(plan).onCloth);
  });
  test("a marc that was weighed tells what it holds; what is in neither is on the cloth, or spilt", () => {
    const plan = on("wrung", HYSSOP);
    const p = resolve(plan, {}, measuredAs(plan, "700 mL"));
    if (!p.ok) throw new Error(p.faults[0]!.message);
    const r = reckonProgram(p.value);
    const stayed = r.ledger.marcG;
    const [all, some] = [whereItWent(p.value, r, stayed), whereItWent(p.value, r, stayed - 52)];
    expect([all.weighed, all.onCloth]).toEqual([true, 0]);
    // A millilitre of it weighs a little over a gram.
    expect(some.onCloth).toBeGreaterThan(40);
    expect(some.onCloth).toBeLessThan(52);
    expect(some.held).toBeCloseTo(all.held - some.onCloth, 6);
    expect(whereItWent(p.value, r, 1).held).toBeGreaterThanOrEqual(0);
  });
});
