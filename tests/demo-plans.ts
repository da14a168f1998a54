import { readFileSync } from "node:fs";
import { join } from "node:path";
import { WAYS } from "../src/core/plan/kinds";
import { readPlan } from "../src/core/plan/file";
import type { Plan } from "../src/core/plan/plan";
import { emptyPlan, madeBy } from "../src/core/plan/ways";

/** The plans of the demo’s batches. */
export const DEMO_PLANS: readonly Plan[] = readFileSync(
  join(process.cwd(), "demo/lock-cottage.jsonl"),
  "utf8",
)
  .trim()
  .split("\n")
  .map((l) => JSON.parse(l) as { type?: string; kind?: string; body?: { plan?: unknown } })
  .filter((e) => e.kind === "batch" && e.type === "begun")
  .flatMap((e) => {
    const p = readPlan(e.body!.plan);
    return p.ok ? [p.value] : [];
  });

/** One plan of every way there is. */
export const PLANS_OF_WAYS: readonly Plan[] = WAYS.flatMap((w) => {
  const empty = emptyPlan(w.kind, "metric");
  const hyssop = { id: "h", material: "hyssop", form: "dried" as const, amount: "30 g" };
  const steps = empty.steps.map((s, i) =>
    s.do === "add" && i === 0 ? { ...s, what: [hyssop, ...s.what] } : s,
  );
  const read = readPlan({ ...madeBy(w, { ...empty, steps }), name: `Hyssop ${w.kind}` });
  return read.ok ? [read.value] : [];
});
