import { describe, expect, test } from "@jest/globals";
import { line, made } from "../plan/trial";
import { VESSELS } from "../vessel/catalogue";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { overfullOf } from "../reckoning/overfull";
import { askedOfVessel } from "../reckoning/fullest";
import { cautionsOf } from "../cautions/rules";
import type { Plan } from "../plan/plan";
import { fixes } from "./fixes";

const FREE = [...VESSELS.values()].map((vessel) => ({ vessel, named: vessel.id }));
const pot = (vessel: string, water: string, step: object): Plan =>
  made("syrup-fridge", [], {
    vessel,
    steps: [
      { do: "add", what: [line("elderberry", "300 g", { form: "dried" }), line("water", water)] },
      step as never,
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
const program = (p: Plan) => {
  const r = resolve(p);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const isRaised = (p: Plan): boolean => {
  const is = program(p);
  const all = cautionsOf({
    program: is,
    reckoning: reckonProgram(is),
    meantFor: [],
    others: [],
    today: "2026-11-24",
  });
  return all.some((c) => c.id === "overflows");
};

describe("what could be done about a pan that is too full for its step", () => {
  test.each([
    ["it runs over", pot("p-1500", "1.6 L", { do: "simmer", for: "20 min", lid: "off" })],
    ["no room to rise", pot("p-1500", "1.3 L", { do: "simmer", for: "20 min", lid: "off" })],
    [
      "two thirds under pressure, half of what foams",
      pot("pp-6000", "3 L", { do: "pressure", for: "15 min" }),
    ],
  ])("%s: each fix leaves room at every step", (_, plan) => {
    if (!VESSELS.has(plan.vessel as string)) throw new Error(`no ${String(plan.vessel)}`);
    expect(isRaised(plan)).toBe(true);
    const offered = fixes(plan, FREE);
    expect(offered.length).toBeGreaterThan(0);
    for (const f of offered) expect([f.words, isRaised(f.plan)]).toEqual([f.words, false]);
  });
  test("the fullest is never over what is allowed it, once nothing is said", () => {
    const plan = pot("p-5000", "1.4 L", { do: "simmer", for: "20 min", lid: "off" });
    expect(overfullOf(program(plan))).toBeUndefined();
    const brim = VESSELS.get("p-5000")!.solid.brimMl;
    expect(Math.max(...askedOfVessel(program(plan)).map((a) => a.fullestMl))).toBeLessThan(0.9 * brim);
  });
});
