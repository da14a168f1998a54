import { type Fault, type Result, fail, fault, ok, under } from "../fault";
import { MATERIALS, type Catalogue, named, search } from "../material/catalogue";
import { type Material, type Stuff, stuffOf } from "../material/material";
import type { Mixture } from "../mixture/components";
import { type Entry, type Operation, run } from "../mixture/ledger";
import { volumeOf } from "../mixture/volume";
import { type Amount, parseAmount, parseStrength } from "../quantity/amount";
import { leadingNumber } from "../quantity/number";
import { VESSELS } from "../vessel/catalogue";
import { type Vessel, vesselOf } from "../vessel/vessel";
import { parseDuration } from "./duration";
import type { Line, Plan } from "./plan";
import { type Draft, fillJar } from "./fill-jar";
import { solveGoal } from "./goal";
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
