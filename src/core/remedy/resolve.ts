import { type Fault, type Result, fail, fault, ok, under } from "../fault";
import { MATERIALS, type Catalogue, named, search } from "../material/catalogue";
import { type Material, type Stuff, stuffOf } from "../material/material";
import { type Mixture, addTo, nothing } from "../mixture/components";
import { type Entry, type Operation, figuresInto, FIGURES, run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import { type Amount, type Goal, parseAmount, parseStrength } from "../quantity/amount";
import { leadingNumber } from "../quantity/number";
import { VESSELS } from "../vessel/catalogue";
import { heightAt, volumeAt } from "../vessel/profile";
import { type Vessel, vesselOf } from "../vessel/vessel";
import { parseDuration } from "./duration";
import type { Line, Plan } from "./plan";
import { weigh } from "./mass";
import type { Span } from "../estimate";

/** A line with its figures found and its weight solved. */
export interface Resolved {
  readonly line: Line;
  /** Where it stands in the plan: step, place within it. */
  readonly step: number;
  readonly place: number;
  readonly stuff: Stuff;
  readonly amount: Amount;
  readonly grams: number;
  /** Relative half-width of the mass. */
  readonly tolerance: number;
  readonly because: string;
  /** Before or after the first straining. */
  readonly stage: "jar" | "finish";
  /** Poured while the jar was being filled, before any soaking: only these share its room. A top-up is not. */
  readonly atOnce: boolean;
}

export interface Program {
  readonly plan: Plan;
  readonly vessel: Vessel | undefined;
  readonly lines: readonly Resolved[];
  readonly entries: readonly Entry[];
  readonly operations: readonly Operation[];
  /** Days the herb stands, from the long steeps before the first straining. */
  readonly steep: Span | undefined;
  /** mL of one part, where the plan speaks in parts. */
  readonly partMl: number | undefined;
  readonly measuredMl: number | undefined;
  /** Minutes on the heat. */
  readonly heatMinutes: number;
}

export interface Surroundings {
  readonly materials?: Catalogue;
  /** Figures frozen at *Begin*, by line key; they win over today's. */
  readonly frozen?: ReadonlyMap<string, Stuff>;
  /** The vessel as it was, where the plan was begun. */
  readonly vessel?: Vessel;
  readonly vessels?: ReadonlyMap<string, Vessel>;
}

/** What tells one resolved material from another. */
export const lineKey = (l: Pick<Line, "material" | "form" | "cut" | "strength" | "water">): string => [l.material, l.form ?? "", l.cut ?? "", l.strength ?? "", l.water ?? ""].join("|");

/** mL of one gram as it stands in the jar on the first day: a piece with its air, a liquid, or dissolved crystals. */
export function roomOf(stuff: Stuff): number {
  if (stuff.plant) return 1 / stuff.density;
  return stuff.bulkLoose === stuff.density ? 1 / stuff.density : 1 / stuff.trueDensity;
}

/** Water a minute from an open simmer, g per cm² of surface; typical for a gentle simmer, ±40 %. */
const SIMMER_G_PER_MIN_CM2 = 0.045;
/** What a closed lid lets go of that. */
const LID_SHARE = 0.15;

function findMaterial(id: string, catalogue: Catalogue): Result<Material> {
  const exact = named(id, catalogue);
  if (exact) return ok(exact);
  const found = search(id, catalogue, 3);
  if (found[0] && found[0].score < 1) return ok(found[0].material);
  const names = found.map((f) => f.material.row.names[0]);
  return fail(fault("UnknownMaterial", names.length > 0 ? `“${id}” is not among the materials. Did you mean ${names.join(", ")}?` : `“${id}” is not among the materials. Add it to your stores with its water and density, or pick another name.`, ["material"], found[0]?.material.row.id));
}

interface Draft {
  line: Line;
  step: number;
  place: number;
  stuff: Stuff;
  amount: Amount;
  grams: number | undefined;
  tolerance: number;
  because: string;
  stage: "jar" | "finish";
  atOnce: boolean;
}

/**
 * Solves the amounts that fill the vessel: parts, shares of the jar, “fill” and “cover”.
 * The sum of the rooms of all that goes in equals the vessel's filling. Volumes are unmixed, as poured.
 */
function fillJar(drafts: Draft[], vessel: Vessel | undefined, partMl: number | undefined): Result<number | undefined> {
  const jar = drafts.filter((d) => d.atOnce);
  const needs = jar.find((d) => d.grams === undefined && (d.amount.kind === "jar" || d.amount.kind === "fill" || d.amount.kind === "cover"));
  if (needs && !vessel) return fail(fault("NeedsVessel", `“${needs.line.amount}” needs a jar to be measured by. Choose one, or write an amount in cups or millilitres.`, ["steps", needs.step, "what", needs.place, "amount"]));
  // Herbs by the share of the jar are heaps, loosely filled.
  for (const d of jar) {
    if (d.grams !== undefined || d.amount.kind !== "jar" || !(d.stuff.plant || d.stuff.bulkLoose !== d.stuff.density)) continue;
    d.grams = d.amount.count.value * vessel!.fillMl * d.stuff.bulkLoose;
    d.tolerance = Math.max(d.stuff.volumeTolerance, d.amount.count.value > 0 ? (d.amount.count.high - d.amount.count.low) / 2 / d.amount.count.value : 0);
    d.because = `${d.line.amount} of the ${vessel!.name} is ${Math.round(d.amount.count.value * vessel!.fillMl)} mL loose, at ${d.stuff.bulkLoose.toFixed(2)} g/mL, typical`;
  }
  // A ratio by weight and volume: so many mL for each g of herb.
  for (const d of jar) {
    if (d.grams !== undefined || d.amount.kind !== "ratio") continue;
    const herb = jar.reduce((sum, e) => sum + (e.stuff.plant && e.grams !== undefined ? e.grams : 0), 0);
    if (!(herb > 0)) return fail(fault("NothingToMeasureBy", "A ratio counts the herb's weight, and no herb has one yet. Give the herb in grams or cups.", ["steps", d.step, "what", d.place, "amount"]));
    d.grams = herb * d.amount.mlPerG * d.stuff.density;
    d.tolerance = 0.015;
    d.because = `${d.amount.mlPerG} mL for each of ${Math.round(herb)} g of herb`;
  }
  const partLines = jar.filter((d) => d.grams === undefined && d.amount.kind === "part");
  const fills = jar.filter((d) => d.grams === undefined && d.amount.kind === "fill");
  let part = partMl;
  const taken = () => jar.reduce((sum, d) => sum + (d.grams === undefined ? 0 : d.grams * roomOf(d.stuff)), 0);
  const doesNotFit = (d: Draft): Result<never> =>
    fail(fault("DoesNotFit", `What is measured already fills the ${vessel!.name} (${Math.round(vessel!.fillMl)} mL to its line). Take less herb or a larger jar, and the rest is poured to fit.`, ["steps", d.step, "what", d.place, "amount"]));
  // Liquids poured to a line on the jar, one after another, round the herb that stands there.
  for (const d of jar) {
    if (d.grams !== undefined || d.amount.kind !== "jar") continue;
    const room = d.amount.count.value * vessel!.fillMl - taken();
    if (room <= 0) return doesNotFit(d);
    d.grams = room * d.stuff.density;
    d.tolerance = 0.05;
    d.because = `poured to ${d.line.amount} by the line, ${Math.round(room)} mL round the herb`;
  }
  if (partLines.length > 0) {
    if (fills.length > 0) return fail(fault("TwoFillers", "Parts already fill the jar. Give this one a number of parts too.", ["steps", fills[0]!.step, "what", fills[0]!.place, "amount"], "1 part"));
    if (part === undefined) {
      if (!vessel) return fail(fault("NeedsVessel", "Parts need a jar to fill, or the size of one part. Choose a jar.", ["vessel"]));
      let weight = 0;
      for (const d of partLines) {
        const count = d.amount.kind === "part" ? d.amount.count.value : 0;
        weight += count * (d.stuff.plant || d.stuff.bulkLoose !== d.stuff.density ? d.stuff.bulkLoose * roomOf(d.stuff) : 1);
      }
      const room = vessel.fillMl - taken();
      if (room < 0.02 * vessel.fillMl) return doesNotFit(partLines[0]!);
      part = room / weight;
    }
    for (const d of partLines) {
      const count = d.amount.kind === "part" ? d.amount.count.value : 0;
      d.grams = count * part * d.stuff.bulkLoose;
      d.tolerance = d.stuff.plant ? d.stuff.volumeTolerance : 0.02;
      d.because = `${d.line.amount} of ${Math.round(part)} mL`;
    }
  }
  const covers = jar.filter((d) => d.grams === undefined && d.amount.kind === "cover");
  for (const d of covers) {
    const bed = jar.reduce((sum, e) => sum + (e.stuff.plant && e.grams !== undefined ? e.grams / e.stuff.bulkPressed : 0), 0);
    const cm = d.amount.kind === "cover" ? d.amount.cm.value : 0;
    const top = heightAt(vessel!.solid, bed) + cm;
    if (top > vessel!.solid.brimCm) return fail(fault("DoesNotFit", `The herb stands ${heightAt(vessel!.solid, bed).toFixed(1)} cm high and the ${vessel!.name} only ${vessel!.solid.brimCm.toFixed(1)} cm. Take less herb or a larger jar.`, ["steps", d.step, "what", d.place, "amount"]));
    const room = (volumeAt(vessel!.solid, top) - taken()) / covers.length;
    if (room <= 0) return doesNotFit(d);
    d.grams = room * d.stuff.density;
    d.tolerance = 0.1;
    d.because = `covers the herb by ${cm} cm`;
  }
  for (const d of fills) {
    const room = (vessel!.fillMl - taken()) / (fills.length - fills.indexOf(d));
    if (room < 0.02 * vessel!.fillMl) return doesNotFit(d);
    d.grams = room * d.stuff.density;
    d.tolerance = 0.04;
    d.because = `fills the ${vessel!.name} to its line`;
  }
  return ok(part);
}

const GOAL_AT: Readonly<Record<Goal, number>> = { brix: FIGURES.indexOf("brix"), abv: FIGURES.indexOf("abv"), acid: FIGURES.indexOf("acid"), ph: FIGURES.indexOf("ph") };
const GOAL_WORDS: Readonly<Record<Goal, string>> = { brix: "°Bx", abv: "% alcohol", acid: "% acid", ph: "pH" };
const scratch = new Float64Array(FIGURES.length);

/** Grams of a stuff that bring a liquid to a figure, by bisection to 1e-9 of the goal; a fault where no amount does (`NotReachable`). */
export function solveGoal(liquid: Mixture, stuff: Stuff, goal: Goal, target: number): Result<number> {
  const at = GOAL_AT[goal];
  const mix = nothing();
  const figure = (grams: number): number => {
    mix.set(liquid);
    addTo(mix, stuff.composition, grams);
    figuresInto(mix, scratch, 0);
    return scratch[at]!;
  };
  const now = figure(0);
  // Compare with a thousandfold of it rather than the pure stuff, whose figures may be undefined (dry sugar has no pH).
  let mass = 0;
  for (let i = 0; i < 12; i++) mass += liquid[i]!;
  const much = Math.max(1, mass) * 1000;
  const most = figure(much);
  const toward = Math.sign(most - now);
  if (Math.abs(now - target) < 1e-9) return ok(0);
  if (toward === 0 || Math.sign(target - now) !== toward) return fail(fault("NotReachable", `The liquid is already at ${now.toFixed(1)} ${GOAL_WORDS[goal]}; adding ${stuff.name} moves it ${toward > 0 ? "up" : "down"}, away from ${target}.`));
  if ((most - target) * toward <= 0) return fail(fault("NotReachable", `No amount of ${stuff.name} brings the liquid to ${target} ${GOAL_WORDS[goal]}; pure, it would be ${most.toFixed(1)}. Choose a stronger one or a lower goal.`));
  let low = 0;
  let high = much;
  for (let i = 0; i < 200 && high - low > 1e-10 * high; i++) {
    const mid = (low + high) / 2;
    if ((figure(mid) - target) * toward < 0) low = mid;
    else high = mid;
  }
  return ok((low + high) / 2);
}

/** A volume written alone, in mL; a fault otherwise. */
export function parseVolume(text: string, units: Plan["units"]): Result<number> {
  const a = parseAmount(text, units);
  if (!a.ok) return a;
  if (a.value.kind === "measure" && a.value.unit.dimension === "volume") return ok(a.value.si.value);
  return fail(fault("NotAVolume", `“${text}” is not a volume. Write it like “750 mL” or “3 cups”.`));
}

/**
 * Finds every material, reads every amount and solves what is not weighed, in the order of the plan.
 * @returns a program for the ledger, or every fault found with its path into the plan.
 */
export function resolve(plan: Plan, around: Surroundings = {}): Result<Program> {
  const base = around.materials ?? MATERIALS;
  const catalogue = plan.materials?.length ? new Map([...base, ...withOwnRows(plan.materials)]) : base;
  const faults: Fault[] = [];

  let vessel: Vessel | undefined = around.vessel;
  if (vessel) {
    // frozen with the batch
  } else if (typeof plan.vessel === "string") {
    vessel = (around.vessels ?? VESSELS).get(plan.vessel);
    if (!vessel) faults.push(fault("UnknownVessel", `“${plan.vessel}” is not a vessel here. Choose one from the list, or give its measurements.`, ["vessel"]));
  } else if (plan.vessel) {
    const made = vesselOf(plan.vessel);
    if (made.ok) vessel = made.value;
    else faults.push(...under(["vessel"], made.faults));
  }

  if (vessel && plan.lid && vessel.lid !== plan.lid) vessel = { ...vessel, lid: plan.lid };
  if (vessel && plan.ware && vessel.ware !== plan.ware) vessel = { ...vessel, ware: plan.ware };

  let partMl: number | undefined;
  if (plan.part !== undefined) {
    const p = parseVolume(plan.part, plan.units);
    if (p.ok) partMl = p.value;
    else faults.push(...under(["part"], p.faults));
  }

  const firstStrain = plan.steps.findIndex((s) => s.do === "strain");
  const firstWait = plan.steps.findIndex((s) => s.do !== "add");
  const drafts: Draft[] = [];
  plan.steps.forEach((step, s) => {
    if (step.do !== "add") return;
    step.what.forEach((line, place) => {
      const path = ["steps", s, "what", place];
      const kept = around.frozen?.get(lineKey(line));
      const material = kept ? undefined : findMaterial(line.material, catalogue);
      if (material && !material.ok) return void faults.push(...under(path, material.faults));
      let strength: number | undefined;
      if (line.strength !== undefined && line.strength.trim() !== "") {
        const read = parseStrength(line.strength);
        if (!read.ok) return void faults.push(...under([...path, "strength"], read.faults));
        strength = read.value;
      }
      const stuff = kept ? ok(kept) : stuffOf(material!.value, { form: line.form, cut: line.cut, strength, water: line.water });
      if (!stuff.ok) faults.push(...under(path, stuff.faults));
      const amount = parseAmount(line.amount, plan.units);
      if (!amount.ok) faults.push(...under([...path, "amount"], amount.faults));
      if (!stuff.ok || !amount.ok) return;
      const stage = firstStrain >= 0 && s > firstStrain ? "finish" : "jar";
      const d: Draft = { line, step: s, place, stuff: stuff.value, amount: amount.value, grams: undefined, tolerance: 0, because: "", stage, atOnce: firstWait < 0 || s < firstWait };
      if (amount.value.kind === "measure" || amount.value.kind === "count") {
        const w = weigh(amount.value, stuff.value);
        if (!w.ok) return void faults.push(...under([...path, "amount"], w.faults));
        d.grams = w.value.grams;
        d.tolerance = w.value.tolerance;
        d.because = w.value.because;
      } else if (!d.atOnce && (amount.value.kind === "fill" || amount.value.kind === "cover" || amount.value.kind === "jar" || amount.value.kind === "ratio")) {
        return void faults.push(fault("WrongUnit", "After straining there is no herb to cover. Write “3/4 of liquid”, “to 66 Bx” or an amount.", [...path, "amount"], "3/4 of liquid"));
      } else if (stage === "jar" && (amount.value.kind === "of-liquid" || amount.value.kind === "goal" || amount.value.kind === "ratio") && stuff.value.plant) {
        return void faults.push(fault("WrongUnit", "A herb is measured in cups, grams, pieces, parts or a share of the jar.", [...path, "amount"]));
      }
      drafts.push(d);
    });
  });
  if (faults.length > 0) return fail(...faults);
  if (drafts.length === 0) return fail(fault("NothingGoesIn", "Nothing goes in yet. Add a herb and what it stands in.", ["steps"]));

  const filled = fillJar(drafts, vessel, partMl);
  if (!filled.ok) return filled;
  partMl = filled.value;
  for (const d of drafts) {
    if (d.grams !== undefined || d.amount.kind !== "part") continue;
    if (partMl === undefined) return fail(fault("NeedsVessel", "Parts need a jar to fill, or the size of one part. Choose a jar.", ["vessel"]));
    d.grams = d.amount.count.value * partMl * d.stuff.bulkLoose;
    d.tolerance = 0.02;
    d.because = `${d.line.amount} of ${Math.round(partMl)} mL`;
  }

  // Walk the steps; amounts that depend on the liquid of the moment are solved when their turn comes.
  const entries: Entry[] = [];
  const operations: Operation[] = [];
  const ordered: Resolved[] = [];
  let steep: Span | undefined;
  let measuredMl: number | undefined;
  let heatMinutes = 0;
  let strained = 0;
  const liquidNow = (): Mixture => {
    const r = run(entries, operations);
    return Float64Array.from(r.account.liquid);
  };
  for (const [s, step] of plan.steps.entries()) {
    switch (step.do) {
      case "add":
        for (const d of drafts.filter((x) => x.step === s)) {
          let perMl: number | undefined;
          if (d.grams === undefined) {
            const path = ["steps", s, "what", d.place, "amount"];
            const liquid = liquidNow();
            if (d.amount.kind === "of-liquid") {
              const ml = volumeOf(liquid);
              if (!(ml > 0)) return fail(fault("NoLiquidYet", "There is no liquid yet to measure against. Give an amount in cups or millilitres.", path));
              d.grams = d.amount.count.value * ml * d.stuff.bulkLoose;
              d.tolerance = 0.02;
              d.because = `${d.line.amount}, of ${Math.round(ml)} mL`;
            } else if (d.amount.kind === "goal") {
              const solved = solveGoal(liquid, d.stuff, d.amount.goal, d.amount.target);
              if (!solved.ok) return fail(...under(path, solved.faults));
              d.grams = solved.value;
              d.tolerance = 0.01;
              d.because = `solved: ${d.line.amount}`;
            }
            const ml = volumeOf(liquid);
            if (d.grams !== undefined && ml > 0) perMl = d.grams / ml;
          }
          if (!(d.grams !== undefined && d.grams >= 0 && d.grams < 1e6)) return fail(fault("OutOfRange", "That amount cannot be reckoned.", ["steps", s, "what", d.place, "amount"]));
          operations.push({ op: "add", entry: entries.length });
          entries.push({ composition: d.stuff.composition, grams: d.grams, ...(perMl === undefined ? {} : { perMl }), plant: d.stuff.plant, extraction: d.stuff.extraction, retention: d.stuff.retention });
          ordered.push({ line: d.line, step: s, place: d.place, stuff: d.stuff, amount: d.amount, grams: d.grams, tolerance: d.tolerance, because: d.because, stage: d.stage, atOnce: d.atOnce });
        }
        break;
      case "steep":
      case "simmer":
      case "pressure": {
        const span = parseDuration(step.for);
        if (!span.ok) return fail(...under(["steps", s, "for"], span.faults));
        operations.push({ op: "soak" });
        if (step.do === "steep") {
          if (strained === 0 && span.value.value >= 1) steep = steep ? { low: steep.low + span.value.low, value: steep.value + span.value.value, high: steep.high + span.value.high } : span.value;
          break;
        }
        heatMinutes += span.value.value * 1440;
        if (step.do === "pressure") break;
        let grams: number;
        if (step.loses !== undefined) {
          const ml = parseVolume(step.loses, plan.units);
          if (!ml.ok) return fail(...under(["steps", s, "loses"], ml.faults));
          grams = ml.value * 0.998;
        } else {
          const across = vessel && vessel.sort !== "jar" ? vessel.mouthCm : 18;
          grams = span.value.value * 1440 * SIMMER_G_PER_MIN_CM2 * LID_SHARE * (Math.PI / 4) * across * across;
        }
        operations.push({ op: "boil-off", grams });
        break;
      }
      case "reduce": {
        operations.push({ op: "soak" });
        const t = step.to.trim().toLowerCase().replace(/^by half$/, "1/2").replace(/^half$/, "1/2");
        const share = leadingNumber(t);
        if (share.ok && share.value && /^(?:of (?:the )?liquid)?$/.test(share.value.rest) && share.value.span.value < 1 && !share.value.negative && share.value.span.value > 0.05) {
          operations.push({ op: "reduce", toShare: share.value.span.value });
        } else {
          const ml = parseVolume(step.to, plan.units);
          if (!ml.ok) return fail(fault("NotAReduction", `“${step.to}” is not a reduction. Write “1/2” or the volume to stop at, like “500 mL”.`, ["steps", s, "to"], "1/2"));
          operations.push({ op: "reduce", toMl: ml.value });
        }
        break;
      }
      case "strain": {
        strained++;
        // A strain with no steep before it still soaks: the herb has stood in the liquid.
        operations.push({ op: "soak" });
        let ml: number | undefined;
        if (step.measured !== undefined) {
          const m = parseVolume(step.measured, plan.units);
          if (!m.ok) return fail(...under(["steps", s, "measured"], m.faults));
          ml = m.value;
          const liquid = liquidNow();
          const there = volumeOf(liquid);
          if (!(there > 0)) return fail(fault("StrainBeforeInfusion", "Nothing has been poured yet, so there is nothing to strain.", ["steps", s]));
          if (ml > there * 1.08) return fail(fault("MoreThanWentIn", `Only about ${Math.round(there)} mL of liquid stands in the jar, so ${Math.round(ml)} mL cannot come out. Check the jug and the unit.`, ["steps", s, "measured"]));
          if (ml < there * 0.02) return fail(fault("TooLittle", `That is under a fiftieth of the ${Math.round(there)} mL in the jar. Check the jug and the unit.`, ["steps", s, "measured"]));
          measuredMl = ml;
        }
        if (entries.length === 0) return fail(fault("StrainBeforeInfusion", "Nothing has gone in yet, so there is nothing to strain. Put what goes in first.", ["steps", s]));
        operations.push(ml === undefined ? { op: "strain", how: step.how } : { op: "strain", how: step.how, measuredMl: ml });
        break;
      }
      case "cool":
      case "bottle":
        break;
    }
  }
  // Whatever still stands in it at the end has soaked too.
  operations.push({ op: "soak" });
  const end = liquidNow();
  if (volumeOf(end) < 1) return fail(fault("NoLiquid", "There is nothing for the herb to stand in. Add vinegar, honey, spirit or water.", ["steps"]));
  return ok({ plan, vessel, lines: ordered, entries, operations, steep, partMl, measuredMl, heatMinutes });
}

function withOwnRows(rows: NonNullable<Plan["materials"]>): Catalogue {
  const own = rows.map((row): Material => ("composition" in row ? { kind: "stuff", row } : { kind: "plant", row }));
  return new Map(own.map((m) => [m.row.id, m]));
}
