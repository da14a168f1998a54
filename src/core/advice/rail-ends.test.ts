import { describe, expect, test } from "@jest/globals";
import { DEMO_PLANS, PLANS_OF_WAYS } from "../../../tests/demo-plans";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type Rail, railOf } from "./rail";

function railFor(plan: Plan): Rail | undefined {
  const p = resolve(plan);
  return p.ok ? railOf(plan, p.value, reckonProgram(p.value)) : undefined;
}
const joints = [...DEMO_PLANS, ...PLANS_OF_WAYS].flatMap((plan) => {
  const rail = railFor(plan);
  return (rail?.joints ?? []).map((joint) => ({ plan, rail: rail!, joint }));
});
/** The share of its right-hand neighbour a joint stands at. */
const shareOf = (rail: Rail, left: number): number => {
  const [a, b] = [rail.parts[left]!.parts, rail.parts[left + 1]!.parts];
  return b / (a + b);
};

describe("an end of a rail is where it still works", () => {
  test("there are joints of every sort to pull at", () => {
    expect(joints.length).toBeGreaterThan(40);
    expect(new Set(joints.map((j) => j.rail.title)).size).toBeGreaterThan(3);
  });
  test.each(joints.map((j, i) => [`${i + 1} ${j.plan.name}, ${j.joint.name}`, j] as const))(
    "%s",
    (_, { plan, rail, joint }) => {
      for (const end of [joint.least ?? 0.03, joint.most ?? 0.97]) {
        const pulled = joint.moved(end);
        expect(resolve(pulled).ok).toBe(true);
        // Where the plan itself says as much as is asked, it is not pulled back.
        const now = shareOf(rail, joint.left);
        const then = railFor(pulled);
        const same = then?.joints.find((j) => j.name === joint.name);
        if (!same || Math.abs(now - end) < 0.02) continue;
        const at = shareOf(then!, same.left);
        expect([plan.name, Math.sign(end - now) * (at - now) >= -0.02]).toEqual([plan.name, true]);
      }
    },
  );
});
