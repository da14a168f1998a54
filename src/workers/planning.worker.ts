/** A thin shell: runs the searches of the core off the page's thread. */
import { expose } from "comlink";
import { type Choice, type Fix, fixes } from "@/core/advice/fixes";
import { type Wish, whatIf } from "@/core/advice/wishes";
import { careOf } from "@/core/care/care";
import type { Plan } from "@/core/plan/plan";
import { reckonProgram } from "@/core/reckoning/reckon";
import { resolve } from "@/core/reckoning/resolve";

/** A change as it is offered: what it is, and what would then be had. */
export interface Offer {
  readonly id: string;
  readonly words: string;
  readonly plan: Plan;
  readonly place: "cupboard" | "fridge" | "do-not-keep";
  readonly life: string;
  readonly ml: number;
  /** Best day to strain, in days from beginning; 0 for the same day. */
  readonly ready: number;
}
export interface Offered {
  readonly offers: readonly Offer[];
  readonly says: string | undefined;
}

const MOST_OFFERS = 5;

const planning = {
  "what-if": (plan: Plan, wish: Wish): Offered => {
    const granted = whatIf(plan, wish);
    return {
      says: granted.says,
      offers: granted.changes.slice(0, MOST_OFFERS).flatMap((c): Offer[] => {
        const p = resolve(c.plan);
        if (!p.ok) return [];
        const r = reckonProgram(p.value);
        const { place, life } = r.verdict;
        const ready = careOf(p.value, r.fit, r.working).window?.best ?? 0;
        return [
          { id: c.id, words: c.words, plan: c.plan, place, life: life.words, ml: r.finished.ml.value, ready },
        ];
      }),
    };
  },
  fixes: (plan: Plan, free: readonly Choice[]): Fix[] => fixes(plan, free),
};
export type Planning = typeof planning;

expose(planning);
