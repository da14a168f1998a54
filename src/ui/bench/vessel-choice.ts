import { free, standing, type Busy, type Standing } from "@/core/stores/free";
import type { VesselOnHand } from "@/core/stores/stores";
import type { Choice } from "@/core/advice/fixes";
import type { Plan } from "@/core/plan/plan";

/** A vessel the household owns as a plan would name it: its catalogue id, or its own measurements. */
export const choiceOf = (v: VesselOnHand): Choice => ({
  vessel: v.vessel,
  named: v.own.vessel,
  ...(v.own.lid ? { lid: v.own.lid } : {}),
  ...(v.own.ware ? { ware: v.own.ware } : {}),
});

export const freeChoices = (vessels: readonly VesselOnHand[], busy: readonly Busy[]): Choice[] =>
  free(standing(vessels, busy)).map((s) => choiceOf(s.own));

/** Vessels alike, taken together: how many there are, and what stands in them. */
export interface Alike {
  /** Stands for them in a list. */
  readonly id: string;
  readonly choice: Choice;
  readonly count: number;
  readonly holds: readonly string[];
}

const idOf = (named: NonNullable<Plan["vessel"]>): string => (typeof named === "string" ? named : named.id);
const sameAs = (c: Choice): string => `${idOf(c.named)}|${c.lid ?? ""}|${c.ware ?? ""}`;

/** The household's vessels with those alike as one, smallest first. */
export function alike(vessels: readonly VesselOnHand[], busy: readonly Busy[]): Alike[] {
  const groups = new Map<string, Standing[]>();
  for (const s of standing(vessels, busy)) {
    const key = sameAs(choiceOf(s.own));
    groups.set(key, [...(groups.get(key) ?? []), s]);
  }
  return [...groups.entries()]
    .map(([id, all]) => ({
      id,
      choice: choiceOf(all[0]!.own),
      count: all.length,
      holds: all.flatMap((s) => s.holds ?? []),
    }))
    .sort((a, b) => a.choice.vessel.fillMl - b.choice.vessel.fillMl);
}

/** Which of them a plan stands in, if any. */
export const chosenAmong = (
  all: readonly Alike[],
  plan: Pick<Plan, "vessel" | "lid" | "ware">,
): Alike | undefined =>
  plan.vessel === undefined
    ? undefined
    : (all.find(
        (a) =>
          a.id === sameAs({ vessel: a.choice.vessel, named: plan.vessel!, lid: plan.lid, ware: plan.ware }),
      ) ?? all.find((a) => idOf(a.choice.named) === idOf(plan.vessel!)));
