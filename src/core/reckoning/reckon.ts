import { type Estimate, estimate } from "../estimate";
import { type Fault, type Result, ok } from "../fault";
import { withMeasured } from "../keeping/measurement";
import type { Life } from "../keeping/life";
import { type History, coolingHistory } from "../keeping/temperature";
import { type Verdict, type Veto, verdictOf } from "../keeping/verdict";
import type { WorkingVerdict } from "../keeping/working";
import { isSweet } from "../material/material";
import type { Happened, Reading } from "../plan/happened";
import type { Plan } from "../plan/plan";
import { TEASPOON_ML } from "../quantity/units";
import { type Fit, fitOf } from "../vessel/fit";
import type { Context } from "./context";
import { factsOf, hasUnknownVinegar, plantsStay, vetoesOf } from "./facts";
import { type Figures, type Reckoned, figuresOf } from "./figures";
import type { Program, Resolved } from "./program";
import { resolve } from "./resolve";
import { type JudgedStanding, judgeStandings, workingOf } from "./standing";

export type { Figures } from "./figures";

/** Changes whenever a formula, constant or keeping row does; frozen into every batch begun. */
export const RULES_VERSION = 6;

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
  /** mL of the teaspoon that the plan's household has. */
  readonly spoonMl: number;
  readonly working: WorkingVerdict;
  /** Every steep of the plan, in order, and whether it may stand as planned. */
  readonly standings: readonly JudgedStanding[];
  readonly verdict: Verdict;
  /** Everything in it boiled after the last thing went in, and bottled from that heat. */
  readonly bottledHot: boolean;
  /** Honey and plants, nothing else. */
  readonly honeyAlone: boolean;
  /** A vinegar whose strength nobody knows went in. */
  readonly unknownVinegar: boolean;
  /** Measurements that do not count, and why. */
  readonly refused: readonly Fault[];
  /** The cooling it went through, where readings were given. */
  readonly cooling: History | undefined;
  /** Vinegar and honey as poured, mL; plain words on shares need them. */
  readonly shares:
    | { readonly honeyOfLiquid: number; readonly honeyOfFinished: number; readonly sugarByWeight: number }
    | undefined;
}

function reckonedLine(l: Resolved, ends: readonly Resolved[]): ReckonedLine {
  const low = Math.min(l.grams * Math.max(0, 1 - l.tolerance), ...ends.map((e) => e.grams));
  const high = Math.max(l.grams * (1 + l.tolerance), ...ends.map((e) => e.grams));
  const spread = (value: number): Estimate => {
    const per = l.grams > 0 ? value / l.grams : 0;
    return estimate(value, low * per, high * per, [l.because]);
  };
  return {
    id: l.line.id,
    material: l.stuff.id,
    name: l.stuff.name,
    grams: spread(l.grams),
    ml: spread(l.grams / l.stuff.bulkLoose),
    dryG: l.stuff.plant ? l.grams * (1 - l.stuff.composition[0]!) : 0,
  };
}

/** How long the strained liquid keeps in the fridge as it left the cloth, before anything is done of it. */
export function asItLeftTheCloth(p: Program, strained: Figures): Life {
  const facts = { ...factsOf(p, strained), honeyAlone: false, rawHoney: false, boiledAndBottledHot: false };
  return verdictOf(facts, []).fridge;
}
/** Whether it waited for its sweetening, its boiling down or its bottle longer than it keeps. */
function stoodTooLong(p: Program, strained: Figures): boolean {
  const { waitedDays } = p.happened;
  return waitedDays !== undefined && waitedDays > asItLeftTheCloth(p, strained).days;
}

/** What befell it, as vetoes, and the history its cooling amounts to. */
function befallen(
  p: Program,
  strained: Figures,
): { readonly vetoes: Veto["id"][]; readonly cooling: History | undefined } {
  const h = p.happened;
  const vetoes: Veto["id"][] = [];
  if (stoodTooLong(p, strained)) vetoes.push("stood-too-long");
  if (h.layersUnmixed) vetoes.push("layers-unmixed");
  if (h.herbStoodAbove) vetoes.push(h.lookedOver ? "herb-above-inspected" : "herb-above");
  const readings = h.cooling.map(([minute, celsius]) => ({ minute, celsius }));
  const cooling =
    readings.length > 0
      ? coolingHistory(readings, { phHigh: strained.ph.high, aw: strained.aw.value }, h.stoodUntil)
      : undefined;
  if (cooling?.outcome === "boil-once-more") vetoes.push("temperature-fault");
  if (cooling?.outcome === "do-not-keep") vetoes.push("left-warm");
  return { vetoes, cooling };
}

function sharesOf(p: Program, jar: Figures, strained: Figures, finished: Figures): Reckoning["shares"] {
  const liquids = p.lines.filter((l) => !l.stuff.plant);
  const ml = (lines: readonly Resolved[]): number => lines.reduce((s, l) => s + l.grams / l.stuff.density, 0);
  const honeyMl = ml(liquids.filter((l) => isSweet(l.stuff)));
  const sweetenedAfter = liquids.some((l) => l.stage === "finish" && isSweet(l.stuff));
  const against = sweetenedAfter ? strained.ml.value : ml(liquids.filter((l) => !isSweet(l.stuff)));
  if (!(honeyMl > 0 && against > 0)) return undefined;
  const passed = Math.min(1, strained.ml.value / Math.max(1, jar.ml.value));
  return {
    honeyOfLiquid: honeyMl / against,
    // Of what was poured before the cloth the marc keeps its share.
    honeyOfFinished: (honeyMl * (sweetenedAfter ? 1 : passed)) / Math.max(finished.ml.value, 1),
    sugarByWeight: finished.brix.value / 100,
  };
}

/**
 * The whole reckoning of a resolved plan: levels, yield, sweetness, sharpness, strength, water activity, the working verdict and the
 * finished one, each figure with its spread.
 */
export function reckonProgram(p: Program): Reckoning {
  const { jar, strained, finished, herbPerMl, solidsLeft, ledger } = figuresOf(p);
  const estimated = factsOf(p, finished);
  const { readings } = p.happened;
  const { facts, refused } =
    readings.length > 0
      ? withMeasured(estimated, readings.map(withHerbSolids(finished)), {
          mono: finished.mono.value,
          di: finished.di.value,
        })
      : { facts: estimated, refused: [] };
  const { vetoes: befell, cooling } = befallen(p, strained);
  const standing = p.lines.filter((l) => l.atOnce).map((l) => ({ stuff: l.stuff, grams: l.grams }));
  return {
    rules: RULES_VERSION,
    lines: p.lines.map((l, i) =>
      reckonedLine(
        l,
        p.ends.map((e) => e.lines[i]!),
      ),
    ),
    ...{ jar, strained, finished, herbPerMl, ledger },
    fit: p.vessel ? fitOf(p.vessel, standing) : undefined,
    partMl: p.partMl,
    spoonMl: TEASPOON_ML[p.plan.units],
    working: workingOf(p, jar, firstStrain(p)),
    standings: judgeStandings(p, jar),
    bottledHot: facts.boiledAndBottledHot,
    honeyAlone: facts.honeyAlone,
    unknownVinegar: hasUnknownVinegar(p),
    verdict: verdictOf(facts, [...vetoesOf(p, facts, solidsLeft || plantsStay(p)), ...befell]),
    refused,
    cooling,
    shares: sharesOf(p, jar, strained, finished),
  };
}

/** A refractometer takes whatever is dissolved for sugar: what the plants gave is taken off, as it was reckoned. % by weight. */
const withHerbSolids =
  ({ water, mono, di, abv, glycerol, acid }: Figures) =>
  (r: Reading): Reading => {
    if (r.what !== "brix" || r.herbSolids > 0 || abv.value > 0) return r;
    const rest = 100 - water.value - mono.value - di.value - glycerol.value - acid.value;
    return { ...r, herbSolids: Math.max(0, rest) };
  };

/** The place of the first straining among the steps; past the last where nothing is strained. */
function firstStrain(p: Program): number {
  const at = p.read.steps.findIndex((s) => s.do === "strain");
  return at < 0 ? p.read.steps.length : at;
}

/** From a parsed plan to the verdict; faults carry the path of the offending field. */
export function reckon(plan: Plan, around: Context = {}, happened?: Happened): Result<Reckoning> {
  const program = resolve(plan, around, happened);
  if (!program.ok) return program;
  return ok(reckonProgram(program.value));
}
