import { describe, expect, test } from "@jest/globals";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { DEMO_PLANS, PLANS_OF_WAYS } from "../../../tests/demo-plans";
import { toMarkdown, toText } from "./written";
import { readPasted } from "./pasted/pasted";
import { measuresIn } from "./pasted/stated";

function figures(plan: Plan): unknown {
  const r = resolve(plan);
  if (!r.ok) return r.faults.map((f) => f.message);
  const { finished, verdict } = reckonProgram(r.value);
  return [finished.ml, finished.brix, finished.acid, finished.abv]
    .map((e) => Number(e.value.toPrecision(6)))
    .concat(verdict.life.days);
}
describe.each([
  ["as Markdown", toMarkdown],
  ["as plain text", toText],
] as const)("a recipe written %s", (_, write) => {
  test.each([...DEMO_PLANS, ...PLANS_OF_WAYS].map((p) => [`${p.name}, ${p.way ?? ""}`, p] as const))(
    "%s: read again, comes to the same",
    (_n, plan) => {
      const text = write(plan);
      const again = readPasted(text, { system: measuresIn(text)! });
      expect(again.counts.asked).toBe(0);
      expect(again.kind).toBe(plan.kind);
      expect([text, figures(again.plan!)]).toEqual([text, figures(plan)]);
    },
  );
});
