import type { Line, Plan } from "./plan";
import { emptyPlan, madeBy, wayById } from "./ways";

/** Small plans for the core's tests. */
export const line = (material: string, amount: string, more: Partial<Line> = {}): Line => ({ material, amount, ...more });

/** A plan in a way, on these herbs, in a 1 L jar. */
export function made(way: string, herbs: Line[], more: Partial<Plan> = {}): Plan {
  const w = wayById(way)!;
  return { ...madeBy(w, { ...emptyPlan(w.kind, "us", "m-1000"), name: "Trial", steps: [{ do: "add", what: herbs }] }, "m-1000"), ...more };
}
