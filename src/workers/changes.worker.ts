/** A thin shell: runs the search for smallest changes off the page's thread. */
import { type KeepingGoal, smallestChanges } from "@/core/remedy/changes";
import type { Plan } from "@/core/remedy/plan";

addEventListener("message", (e: MessageEvent<{ n: number; plan: Plan; goal: KeepingGoal }>) => {
  const { n, plan, goal } = e.data;
  postMessage({ n, changes: smallestChanges(plan, goal).map(({ id, words, plan: q, after, size }) => ({ id, words, plan: q, size, place: after.verdict.place, life: after.verdict.life.words })) });
});
