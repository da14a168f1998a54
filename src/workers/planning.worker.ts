/** A thin shell: runs the searches of the core off the page's thread. */
import { type Choice, type Fix, fixes } from "@/core/remedy/fitting";
import type { Plan } from "@/core/remedy/plan";
import { careOf } from "@/core/care/care";
import { reckonProgram } from "@/core/remedy/reckon";
import { resolve } from "@/core/remedy/resolve";
import { type Wish, whatIf } from "@/core/remedy/whatif";

/** A change as it is offered: what it is, and what would then be had. */
export interface Offer {
  readonly id: string;
  readonly words: string;
  readonly plan: Plan;
  readonly place: string;
  readonly life: string;
  readonly ml: number;
  /** Best day to strain, in days from beginning; 0 for the same day. */
  readonly ready: number;
  readonly brix: number;
  readonly abv: number;
}
export type Question = { readonly ask: "what-if"; readonly plan: Plan; readonly wish: Wish } | { readonly ask: "fixes"; readonly plan: Plan; readonly free: readonly Choice[] };
export interface Answers {
  readonly "what-if": { readonly offers: readonly Offer[]; readonly says: string | undefined };
  readonly fixes: readonly Fix[];
}

function answer(q: Question): Answers[keyof Answers] {
  if (q.ask === "fixes") return fixes(q.plan, q.free);
  const granted = whatIf(q.plan, q.wish);
  return {
    says: granted.says,
    offers: granted.changes.slice(0, 5).flatMap((c) => {
      const p = resolve(c.plan);
      if (!p.ok) return [];
      const r = reckonProgram(p.value);
      return [{ id: c.id, words: c.words, plan: c.plan, place: r.verdict.place, life: r.verdict.life.words, ml: r.finished.ml.value, ready: careOf(p.value, r.fit, r.working).window?.best ?? 0, brix: r.finished.brix.value, abv: r.finished.abv.value }];
    }),
  };
}

addEventListener("message", (e: MessageEvent<{ n: number; question: Question }>) => postMessage({ n: e.data.n, answer: answer(e.data.question) }));
