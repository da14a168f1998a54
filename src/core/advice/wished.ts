import { tidied, withSaid } from "../plan/edit";
import type { Plan } from "../plan/plan";
import { type Amount, measured } from "../quantity/amount";
import type { Context } from "../reckoning/context";
import type { Program } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Change } from "./keep-longer";

/** The smallest changes that grant a wish, least first; or why there is nothing to do, or nothing that can be done. */
export interface Granted {
  readonly changes: readonly Change[];
  readonly says: string | undefined;
}

export const nothing = (says: string): Granted => ({ changes: [], says });
export const bySize = (changes: readonly Change[]): Change[] => [...changes].sort((a, b) => a.size - b.size);
export const grams = (g: number): Amount => measured(Number(g.toPrecision(3)), "g");

/** A plan that reckons, and a way to try others. */
export interface Wished {
  readonly plan: Plan;
  readonly program: Program;
  readonly now: Reckoning;
  readonly around: Context;
  /** A change re-assessed, where it reckons and fits; nothing otherwise. */
  readonly tried: (id: string, words: string, plan: Plan, size: number) => Change[];
}

export function wished(plan: Plan, around: Context): Wished | undefined {
  const program = resolve(plan, around);
  if (!program.ok) return undefined;
  return {
    plan,
    around,
    program: program.value,
    now: reckonProgram(program.value),
    tried: (id, words, q, size) => {
      const tidy = tidied(q);
      const p = resolve(tidy, around);
      if (!p.ok) return [];
      const after = reckonProgram(p.value);
      return after.fit && after.fit.overBrimMl > 0 ? [] : [{ id, words, plan: tidy, after, size }];
    },
  };
}

/** The plan with its herbs said in grams, so that another vessel or way takes the very same herbs; pieces stay pieces unless they too are to be weighed. */
export function herbsWeighed(plan: Plan, program: Program, pieces: "counted" | "weighed" = "counted"): Plan {
  return program.lines
    .filter((l) => l.stuff.plant && (pieces === "weighed" || l.amount.kind !== "count"))
    .reduce((p, l) => withSaid(p, l.line.id, grams(l.grams)), plan);
}
