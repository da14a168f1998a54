import type { Catalogue } from "../material/catalogue";
import type { Plan } from "../plan/plan";
import type { Program } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";

/** A version with its figures. */
export interface Reckoned {
  readonly program: Program;
  readonly reckoning: Reckoning;
}

/** A plan reckoned on today’s figures; nothing where it no longer reckons. */
export function reckonedPlan(plan: Plan, catalogue: Catalogue): Reckoned | undefined {
  const r = resolve(plan, { materials: catalogue });
  return r.ok ? { program: r.value, reckoning: reckonProgram(r.value) } : undefined;
}

/** Figures of two versions that are told apart: mL, °Bx, % acid, days of keeping. */
export const BESIDE = ["makes", "sweet", "sharp", "keeps"] as const;
export type Beside = (typeof BESIDE)[number];
export function besideOf({ reckoning: r }: Reckoned, what: Beside): number {
  switch (what) {
    case "makes":
      return r.finished.ml.value;
    case "sweet":
      return r.finished.brix.value;
    case "sharp":
      return r.finished.acid.value;
    case "keeps":
      return r.verdict.life.days;
  }
}
