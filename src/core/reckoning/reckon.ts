import { type Estimate, estimate } from "../estimate";
import { type Fault, type Result, ok } from "../fault";
import { withMeasured } from "../keeping/measurement";
import type { Facts } from "../keeping/rows";
import { type History, coolingHistory } from "../keeping/temperature";
import { type Verdict, type Veto, type WorkingVerdict, verdictOf, workingVerdict } from "../keeping/verdict";
import { isSweet } from "../material/material";
import type { Happened } from "../plan/happened";
import type { Plan } from "../plan/plan";
import { type Fit, fitOf } from "../vessel/fit";
import type { Context } from "./context";
import { factsOf } from "./facts";
import { type Figures, type Reckoned, figuresOf } from "./figures";
import type { Program, Resolved } from "./program";
import { resolve } from "./resolve";

export type { Figures } from "./figures";

/** Changes whenever a formula, constant or keeping row does; frozen into every batch begun. */
export const RULES_VERSION = 2;

export interface ReckonedLine {
  readonly id: string;
  readonly material: string;
  readonly name: string;
  readonly grams: Estimate;
  /** As measured: a loose heap, or a liquid, mL. */
  readonly ml: Estimate;
  /** Dry matter, g. */
  readonly dryG: number;
}

export interface Reckoning {
  readonly rules: number;
  readonly lines: readonly ReckonedLine[];
  /** The liquid while the herb stands in it, as it leaves the cloth, and as it is bottled. */
  readonly jar: Figures;
  readonly strained: Figures;
  readonly finished: Figures;
  /** g of dried-herb equivalent (8 % water) in a mL of the finished liquid. */
  readonly herbPerMl: Estimate;
  readonly ledger: Reckoned["ledger"];
  readonly fit: Fit | undefined;
  readonly partMl: number | undefined;
  readonly working: WorkingVerdict;
  readonly verdict: Verdict;
  /** Measurements that do not count, and why. */
  readonly refused: readonly Fault[];
  /** The cooling it went through, where readings were given. */
  readonly cooling: History | undefined;
  /** Vinegar and honey as poured, mL; plain words on shares need them. */
  readonly shares:
    | { readonly honeyOfLiquid: number; readonly honeyOfFinished: number; readonly sugarByWeight: number }
    | undefined;
}

function reckonedLine(l: Resolved): ReckonedLine {
  const spread = (value: number): Estimate =>
    estimate(value, value * (1 - l.tolerance), value * (1 + l.tolerance), [l.because]);
  return {
    id: l.line.id,
    material: l.stuff.id,
    name: l.stuff.name,
    grams: spread(l.grams),
    ml: spread(l.grams / l.stuff.bulkLoose),
    dryG: l.stuff.plant ? l.grams * (1 - l.stuff.composition[0]!) : 0,
  };
}

/** What befell it, as vetoes, and the history its cooling amounts to. */
function befallen(
  h: Happened,
  strained: Figures,
): { readonly vetoes: Veto["id"][]; readonly cooling: History | undefined } {
  const vetoes: Veto["id"][] = [];
  if (h.layersUnmixed) vetoes.push("layers-unmixed");
  if (h.herbStoodAbove) vetoes.push("herb-above");
  const readings = h.cooling.map(([minute, celsius]) => ({ minute, celsius }));
  const cooling =
    readings.length > 0
      ? coolingHistory(readings, { phHigh: strained.ph.high, aw: strained.aw.value })
      : undefined;
  if (cooling?.outcome === "boil-once-more") vetoes.push("temperature-fault");
  if (cooling?.outcome === "do-not-keep") vetoes.push("left-warm");
  return { vetoes, cooling };
}

function sharesOf(p: Program, strained: Figures, finished: Figures): Reckoning["shares"] {
  const liquids = p.lines.filter((l) => !l.stuff.plant);
  const ml = (lines: readonly Resolved[]): number => lines.reduce((s, l) => s + l.grams / l.stuff.density, 0);
  const honeyMl = ml(liquids.filter((l) => isSweet(l.stuff)));
  const sweetenedAfter = liquids.some((l) => l.stage === "finish" && isSweet(l.stuff));
  const against = sweetenedAfter ? strained.ml.value : ml(liquids.filter((l) => !isSweet(l.stuff)));
  if (!(honeyMl > 0 && against > 0)) return undefined;
  return {
    honeyOfLiquid: honeyMl / against,
    honeyOfFinished: honeyMl / Math.max(finished.ml.value, honeyMl),
    sugarByWeight: finished.brix.value / 100,
  };
}

/** Dried herb that a passing honey keeps in it is the one solid that may stay. */
const mayStay = (facts: Facts): boolean => facts.honeyShare >= 0.8 && facts.fresh === "none";

/**
 * The whole reckoning of a resolved plan: levels, yield, sweetness, sharpness, strength, water activity, the working verdict and the
 * finished one, each figure with its spread.
 */
export function reckonProgram(p: Program): Reckoning {
  const { jar, strained, finished, herbPerMl, solidsLeft, ledger } = figuresOf(p);
  const found = factsOf(p, finished);
  const { readings } = p.happened;
  const { facts, refused } =
    readings.length > 0 ? withMeasured(found.facts, readings) : { facts: found.facts, refused: [] };
  const { vetoes: befell, cooling } = befallen(p.happened, strained);
  const left: Veto["id"][] = solidsLeft && !mayStay(facts) ? ["solids-left"] : [];
  const standing = p.lines.filter((l) => l.atOnce).map((l) => ({ stuff: l.stuff, grams: l.grams }));
  const { abv, ph, water, acetic: acid } = jar;
  return {
    rules: RULES_VERSION,
    lines: p.lines.map(reckonedLine),
    ...{ jar, strained, finished, herbPerMl, ledger },
    fit: p.vessel ? fitOf(p.vessel, standing) : undefined,
    partMl: p.partMl,
    working: workingVerdict({ abv, ph, water, acid }, facts, found.unknownVinegar),
    verdict: verdictOf(facts, [...found.vetoes, ...left, ...befell]),
    refused,
    cooling,
    shares: sharesOf(p, strained, finished),
  };
}

/** From a parsed plan to the verdict; faults carry the path of the offending field. */
export function reckon(plan: Plan, around: Context = {}, happened?: Happened): Result<Reckoning> {
  const program = resolve(plan, around, happened);
  if (!program.ok) return program;
  return ok(reckonProgram(program.value));
}
