import { type Result, fail, fault, ok } from "../fault";
import type { Stuff } from "../material/material";
import type { Amount } from "../quantity/amount";
import { heightAt, volumeAt } from "../vessel/profile";
import type { Vessel } from "../vessel/vessel";
import type { Line } from "./plan";

/** mL of one gram as it stands in the jar on the first day: a piece with its air, a liquid, or dissolved crystals. */
export function roomOf(stuff: Stuff): number {
  if (stuff.plant) return 1 / stuff.density;
  return stuff.bulkLoose === stuff.density ? 1 / stuff.density : 1 / stuff.trueDensity;
}

/** A line on its way to a weight. */
export interface Draft {
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
export function fillJar(drafts: Draft[], vessel: Vessel | undefined, partMl: number | undefined): Result<number | undefined> {
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
