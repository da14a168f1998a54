import { daysBetween } from "../day";
import type { Batch } from "../journal/fold";
import { linesOf, withAmount, withStep } from "../plan/edit";
import { type Plan, type Step } from "../plan/plan";
import { lasting, printDuration, readDuration } from "../reading/durations";
import { longSteep } from "../plan/read-plan";
import { differences } from "./differences";

/** Something the batches of a recipe taught: offered as a change, never applied by itself. */
export interface Learned {
  readonly words: string;
  readonly because: string;
  readonly plan: Plan;
}

const median = (xs: readonly number[]): number => {
  const s = [...xs].sort((a, b) => a - b);
  const m = s.length >> 1;
  return s.length % 2 === 1 ? s[m]! : (s[m - 1]! + s[m]!) / 2;
};

/** The last batch went in otherwise than the recipe says: its amounts are offered. */
function asLastTime(plan: Plan, newest: Batch): Learned | undefined {
  const done = new Map(linesOf(newest.plan).map((l) => [l.id, l]));
  let is = plan;
  for (const l of linesOf(plan)) {
    const was = done.get(l.id);
    if (was && was.material === l.material && was.amount !== l.amount) is = withAmount(is, l.id, was.amount);
  }
  const said = differences(plan, is).map((d) => d.words);
  if (said.length === 0) return undefined;
  return { words: said.join("; "), because: `So it went into ${newest.code}.`, plan: is };
}

/** How far apart the strained days and the steep must stand before it is worth saying. */
const WORTH_SAYING = 0.2;

/** The batches stood longer, or shorter, than the recipe says. */
function asItStood(plan: Plan, batches: readonly Batch[]): Learned | undefined {
  const steep = longSteep(plan);
  const said = steep && readDuration(steep.for);
  if (!steep || !said?.ok) return undefined;
  const stood = batches.flatMap((b) => (b.strainedDay ? [daysBetween(b.begunDay, b.strainedDay)] : []));
  if (stood.length < 2) return undefined;
  const days = median(stood);
  const { low, high } = said.value.days;
  if (days >= low * (1 - WORTH_SAYING) && days <= high * (1 + WORTH_SAYING)) return undefined;
  const weeks = Math.max(1, Math.round(days / 7));
  const text = printDuration(lasting({ low: weeks, value: weeks, high: weeks }, "week"));
  return {
    words: `steep ${steep.for} → ${text}`,
    because: `${stood.length} batches stood ${Math.round(days)} days in the middle.`,
    plan: withStep(plan, steep.id, (s): Step => (s.do === "steep" ? { ...s, for: text } : s)),
  };
}

/** What the batches made of a version taught. @param batches newest last, of this version */
export function learnedFrom(plan: Plan, batches: readonly Batch[]): readonly Learned[] {
  const newest = batches.findLast((b) => b.state !== "undone" && b.state !== "discarded");
  return [newest && asLastTime(plan, newest), asItStood(plan, batches)].flatMap((x) => x ?? []);
}
