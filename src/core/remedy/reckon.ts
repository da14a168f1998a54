import { type Estimate, estimate } from "../estimate";
import { type Fault, type Result, ok } from "../fault";
import { type Measurement, withMeasured } from "../keeping/measurement";
import type { Facts } from "../keeping/rows";
import { type History, coolingHistory } from "../keeping/temperature";
import { type Verdict, type Veto, type WorkingVerdict, verdictOf, workingVerdict } from "../keeping/verdict";
import { massOf } from "../mixture/components";
import { FIGURES, type FigureName, type Moved, type Run, figuresInto, run, sameFiguresInto } from "../mixture/ledger";
import { type Fit, fitOf } from "../vessel/fit";
import type { Plan } from "./plan";
import { type Program, type Surroundings, resolve } from "./resolve";

/** Changes whenever a formula, constant or keeping row does; frozen into every batch begun. */
export const RULES_VERSION = 1;

export type Figures = Readonly<Record<FigureName, Estimate>>;

export interface ReckonedLine {
  readonly step: number;
  readonly place: number;
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
  readonly ledger: { readonly inG: number; readonly liquidG: number; readonly marcG: number; readonly plantsG: number; readonly steamG: number };
  /** Parts by volume the recipe ends with, of sweet to sour, where it has both. */
  readonly fit: Fit | undefined;
  readonly partMl: number | undefined;
  readonly working: WorkingVerdict;
  readonly verdict: Verdict;
  /** Measurements that do not count, and why. */
  readonly refused: readonly Fault[];
  /** The cooling it went through, where readings were given. */
  readonly cooling: History | undefined;
  /** Vinegar and honey as poured, mL; plain words on shares need them. */
  readonly shares: { readonly honeyOfLiquid: number; readonly honeyOfFinished: number; readonly sugarByWeight: number } | undefined;
}

const N = FIGURES.length;
const SIZE = 3 * N + 4;
const base = new Float64Array(SIZE);
const shifted = new Float64Array(SIZE);
const squares = new Float64Array(SIZE);

const PH = FIGURES.indexOf("ph");

function readRun(r: Run, into: Float64Array, herbDryG: number): void {
  // A moved run lies close to the base run, so its pH is looked for there first.
  const near = into === shifted;
  figuresInto(r.jar, into, 0, near ? base[PH] : undefined);
  if (r.strainedAsJar) sameFiguresInto(r.strained, into, N, 0);
  else figuresInto(r.strained, into, N, near ? base[N + PH] : undefined);
  if (r.finishedAsStrained) sameFiguresInto(r.account.liquid, into, 2 * N, N);
  else figuresInto(r.account.liquid, into, 2 * N, near ? base[2 * N + PH] : undefined);
  const strainedMl = into[N]!;
  const finishedMl = into[2 * N]!;
  // What the marc keeps is lost to the bottle in proportion.
  const all = massOf(r.account.marc) > 0 ? strainedMl / Math.max(strainedMl, into[0]!) : 1;
  into[3 * N] = finishedMl > 0 ? ((herbDryG / 0.92) * Math.min(1, all)) / finishedMl : 0;
  into[3 * N + 1] = massOf(r.account.marc);
  into[3 * N + 2] = massOf(r.account.plants);
  into[3 * N + 3] = r.account.steamG;
}

/** The laws the uncertainty pass moves, with the share it moves them by. */
const LAWS = { retention: 0.25, extraction: 0.2, alkalinity: 0.35, boiling: 0.4, measured: 0.015 } as const;

/** What the model itself may be off by, added to every figure's spread: relative for most, absolute for pH and °Bx. */
const MODEL: Readonly<Partial<Record<FigureName, { readonly rel?: number; readonly abs?: number }>>> = {
  ml: { rel: 0.005 }, brix: { abs: 0.3 }, acetic: { rel: 0.02 }, acid: { rel: 0.02 }, index: { rel: 0.01 }, aw: { abs: 0.005 }, abv: { rel: 0.005 }, delle: { rel: 0.005 }, ph: { abs: 0.1 },
};
const PH_WITH_PLANTS = 0.2;
const BOUNDS: Readonly<Partial<Record<FigureName, readonly [number, number]>>> = { aw: [0, 1], abv: [0, 100], water: [0, 100], glycerol: [0, 100], brix: [0, 100], mono: [0, 100], di: [0, 100], ph: [1, 12] };

function figures(at: number, plants: boolean, because: readonly string[]): Figures {
  const out = {} as Record<FigureName, Estimate>;
  for (let i = 0; i < N; i++) {
    const name = FIGURES[i]!;
    const value = base[at + i]!;
    const m = MODEL[name];
    const model = name === "ph" && plants ? PH_WITH_PLANTS : (m?.abs ?? 0) + (m?.rel ?? 0) * value;
    const half = Math.sqrt(squares[at + i]! + model * model);
    const [least, most] = BOUNDS[name] ?? [0, Infinity];
    // A figure that is nothing (no alcohol, no acid) is exactly nothing.
    const none = value === 0 && squares[at + i] === 0;
    out[name] = none ? estimate(0, 0, 0, because) : estimate(value, Math.max(least, value - half), Math.min(most, value + half), because);
  }
  return out;
}

const single = (i: number, because: readonly string[]): Estimate => {
  const half = Math.sqrt(squares[i]!);
  return estimate(base[i]!, Math.max(0, base[i]! - half), base[i]! + half, because);
};

const MILD_FRESH = new Set(["leaf", "flower"]);

function factsOf(p: Program, fin: Figures): { facts: Facts; vetoes: Veto["id"][]; unknownVinegar: boolean } {
  let honeyG = 0;
  let inG = 0;
  let fresh: Facts["fresh"] = "none";
  let freshFruit = false;
  const vetoes: Veto["id"][] = [];
  let unknownVinegar = false;
  let base = false;
  let acid = false;
  for (const l of p.lines) {
    inG += l.stuff.plant ? l.grams * l.stuff.composition[0]! : l.grams;
    if (l.stuff.class === "honey") honeyG += l.grams;
    if (l.stuff.class === "vinegar") acid = true;
    if (l.stuff.tags.includes("acetic-unknown")) unknownVinegar = true;
    if (l.stuff.tags.includes("base")) base = true;
    if (!l.stuff.plant || !(l.stuff.form === "fresh" || l.stuff.form === "frozen" || l.stuff.form === "wilted")) continue;
    const sour = l.stuff.tags.includes("sour");
    if (sour && (l.stuff.class === "berry" || l.stuff.class === "fruit")) freshFruit = true;
    const mild = (MILD_FRESH.has(l.stuff.class) && !l.stuff.tags.includes("low-acid-herb")) || sour;
    if (!mild) fresh = "low-acid";
    else if (fresh === "none") fresh = "mild";
  }
  const hot = p.plan.steps.some((s) => s.do === "bottle" && s.hot === true);
  // Honey stirred in after the pot has cooled is raw, whatever the herb went through.
  const steps = p.plan.steps;
  const boiledAfter = (step: number): boolean => steps.some((s, i) => i > step && (s.do === "simmer" || s.do === "reduce" || s.do === "pressure"));
  const heated = p.heatMinutes > 0 && p.lines.every((l) => l.stuff.class !== "honey" || boiledAfter(l.step));
  const facts: Facts = {
    abv: fin.abv, delle: fin.delle, brix: fin.brix, aw: fin.aw, acetic: fin.acetic, ph: fin.ph, index: fin.index, water: fin.water, glycerol: fin.glycerol,
    honeyShare: inG > 0 ? honeyG / inG : 0, boiledAndBottledHot: hot && p.heatMinutes > 0 && heated, heated, freshFruit, fresh, phOffered: fin.abv.high <= 15,
  };
  if (unknownVinegar) vetoes.push("vinegar-unknown");
  if (base && acid) vetoes.push("base-in-vinegar");
  if (facts.honeyShare >= 0.8 && fresh === "low-acid") vetoes.push("low-acid-fresh-in-honey");
  const sill = p.plan.steps.some((s) => s.do === "steep" && s.in === "sunny-sill");
  if (sill && facts.honeyShare < 0.8) vetoes.push("sunny-sill");
  return { facts, vetoes, unknownVinegar };
}

/**
 * The whole reckoning of a resolved plan: levels, yield, sweetness, sharpness, strength, water activity, the working verdict and the
 * finished one, each figure with its spread. Every toleranced input is moved once and the effects are added as root of squares.
 */
export function reckonProgram(p: Program): Reckoning {
  let herbDryG = 0;
  let anyPlant = false;
  for (const l of p.lines) {
    if (!l.stuff.plant) continue;
    anyPlant = true;
    if (l.stage === "jar") herbDryG += l.grams * (1 - l.stuff.composition[0]!);
  }
  const r0 = run(p.entries, p.operations);
  // The run is scratch: what is wanted of it is read before the next one.
  const solidsLeft = r0.solidsLeft;
  const inG = r0.account.inG;
  readRun(r0, base, herbDryG);
  squares.fill(0);
  const move = (m: Moved, dryG = herbDryG): void => {
    readRun(run(p.entries, p.operations, m), shifted, dryG);
    for (let i = 0; i < SIZE; i++) {
      const d = shifted[i]! - base[i]!;
      squares[i] = squares[i]! + d * d;
    }
  };
  p.lines.forEach((l, entry) => {
    if (l.tolerance > 0) move({ entry, mass: l.tolerance }, l.stuff.plant && l.stage === "jar" ? herbDryG + l.tolerance * l.grams * (1 - l.stuff.composition[0]!) : herbDryG);
    if (l.stuff.waterTolerance > 0) move({ entry, water: l.stuff.waterTolerance });
  });
  if (anyPlant) {
    if (p.measuredMl === undefined) move({ law: "retention", by: LAWS.retention });
    move({ law: "extraction", by: LAWS.extraction });
    move({ law: "alkalinity", by: LAWS.alkalinity });
  }
  if (p.heatMinutes > 0 || p.operations.some((o) => o.op === "reduce")) move({ law: "boiling", by: LAWS.boiling });
  if (p.measuredMl !== undefined) move({ law: "measured", by: LAWS.measured });

  const because = [p.measuredMl === undefined ? "what the marc keeps back is a typical value" : "strained volume as measured", ...(anyPlant ? ["what the herb gives up is a typical value"] : [])];
  const jar = figures(0, anyPlant, because.slice(1));
  const strained = figures(N, anyPlant, because);
  const finished = figures(2 * N, anyPlant, because);
  const { facts: estimated, vetoes, unknownVinegar } = factsOf(p, finished);
  const { facts, refused } = p.plan.measured ? withMeasured(estimated, p.plan.measured as readonly Measurement[]) : { facts: estimated, refused: [] };
  // Dried herb that a passing honey keeps in it is the one solid that may stay.
  if (solidsLeft && !(facts.honeyShare >= 0.8 && facts.fresh === "none")) vetoes.push("solids-left");
  const happened = p.plan.happened;
  if (happened?.layersUnmixed) vetoes.push("layers-unmixed");
  if (happened?.herbStoodAbove) vetoes.push("herb-above");
  const cooling = happened?.cooling ? coolingHistory(happened.cooling.map(([minute, celsius]) => ({ minute, celsius })), { phHigh: strained.ph.high, aw: strained.aw.value }) : undefined;
  if (cooling?.outcome === "boil-once-more") vetoes.push("temperature-fault");
  if (cooling?.outcome === "do-not-keep") vetoes.push("left-warm");

  let honeyMl = 0;
  let otherMl = 0;
  for (const l of p.lines) {
    if (l.stuff.plant) continue;
    if (l.stuff.class === "honey" || l.stuff.class === "sugar" || l.stuff.class === "syrup") honeyMl += l.grams / l.stuff.density;
    else otherMl += l.grams / l.stuff.density;
  }
  const finishOnly = p.lines.some((l) => l.stage === "finish" && (l.stuff.class === "honey" || l.stuff.class === "sugar" || l.stuff.class === "syrup"));
  const against = finishOnly ? strained.ml.value : otherMl;
  const standing = p.lines.filter((l) => l.atOnce).map((l) => ({ stuff: l.stuff, grams: l.grams }));
  return {
    rules: RULES_VERSION,
    lines: p.lines.map((l) => ({
      step: l.step, place: l.place, material: l.stuff.id, name: l.stuff.name,
      grams: estimate(l.grams, l.grams * (1 - l.tolerance), l.grams * (1 + l.tolerance), [l.because]),
      ml: estimate(l.grams / l.stuff.bulkLoose, (l.grams / l.stuff.bulkLoose) * (1 - l.tolerance), (l.grams / l.stuff.bulkLoose) * (1 + l.tolerance), [l.because]),
      dryG: l.stuff.plant ? l.grams * (1 - l.stuff.composition[0]!) : 0,
    })),
    jar, strained, finished,
    herbPerMl: single(3 * N, because),
    ledger: { inG, liquidG: base[2 * N + 1]!, marcG: base[3 * N + 1]!, plantsG: base[3 * N + 2]!, steamG: base[3 * N + 3]! },
    fit: p.vessel ? fitOf(p.vessel, standing) : undefined,
    partMl: p.partMl,
    working: workingVerdict({ abv: jar.abv, ph: jar.ph, water: jar.water, acid: jar.acetic }, facts, unknownVinegar),
    verdict: verdictOf(facts, vetoes),
    refused,
    cooling,
    shares: honeyMl > 0 && against > 0 ? { honeyOfLiquid: honeyMl / against, honeyOfFinished: honeyMl / Math.max(finished.ml.value, honeyMl), sugarByWeight: finished.brix.value / 100 } : undefined,
  };
}

/** From a parsed plan to the verdict; faults carry the path of the offending field. */
export function reckon(plan: Plan, around: Surroundings = {}): Result<Reckoning> {
  const program = resolve(plan, around);
  if (!program.ok) return program;
  return ok(reckonProgram(program.value));
}
