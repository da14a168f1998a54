import type { Stuff } from "../material/material";
import { heightAt } from "./profile";
import type { Vessel } from "./vessel";

/** What stands in a vessel, in the order it went in: grams of each stuff. */
export interface Standing {
  readonly stuff: Stuff;
  readonly grams: number;
}

export interface Layer {
  /** Index into what went in. */
  readonly of: number;
  readonly sort: "herb" | "liquid";
  readonly fromCm: number;
  readonly toCm: number;
}

export interface Mark {
  readonly of: number;
  /** cm from the inside of the base to the top of this one once it is in. */
  readonly cm: number;
  readonly sort: "herb" | "liquid";
  /** The liquid's surface lies inside the herb: part of it is hidden in the heap. */
  readonly hidden: boolean;
}

export interface Fit {
  readonly layers: readonly Layer[];
  readonly marks: readonly Mark[];
  /** cm of the liquid's surface and of the herb's top, on the day and a day later. */
  readonly day0: { readonly liquidCm: number; readonly herbCm: number; readonly ml: number };
  readonly day1: { readonly liquidCm: number; readonly herbCm: number; readonly ml: number };
  /** How much lower the filling stands once the herb has drunk, mL. */
  readonly drinksMl: number;
  /** Liquid wanted a day later: to cover the herb again, or to come back to the mark, mL. */
  readonly topUpMl: number;
  /** Cover over the herb, cm; negative where herb stands clear. */
  readonly coverCm: number;
  readonly coverDay1Cm: number;
  /** mL over the headspace line, or over the brim; zero where it fits. */
  readonly overLineMl: number;
  readonly overBrimMl: number;
  /** Share of the filling used, 0 to 1 and over. */
  readonly filled: number;
  /** Names of the plants that float and want a weight. */
  readonly floaters: readonly string[];
}

const roomAt = (s: Stuff): number =>
  s.plant || s.bulkLoose === s.density ? 1 / s.density : 1 / s.trueDensity;

/** Surface height of liquid round a heap: it fills the voids first, then covers. */
function surface(
  v: Vessel,
  bedMl: number,
  solidMl: number,
  liquidMl: number,
): { cm: number; hidden: boolean } {
  const voids = Math.max(0, bedMl - solidMl);
  if (liquidMl < voids && bedMl > 0)
    return { cm: heightAt(v.solid, (liquidMl * bedMl) / voids), hidden: true };
  return { cm: heightAt(v.solid, solidMl + liquidMl), hidden: false };
}

/**
 * Levels of what stands in a vessel, cm from the base, as poured and after a day's soak.
 * Plant matter is pressed lightly; on the first day it displaces its envelope volume, once soaked its true solid volume.
 */
export function fitOf(vessel: Vessel, standing: readonly Standing[]): Fit {
  let bed = 0;
  let solid = 0;
  let liquid = 0;
  let soakedBed = 0;
  let soakedSolid = 0;
  let plantWater = 0;
  const layers: Layer[] = [];
  const marks: Mark[] = [];
  const floaters: string[] = [];
  const herbs: { of: number; ml: number }[] = [];
  let top = 0;
  standing.forEach(({ stuff, grams }, of) => {
    if (stuff.plant) {
      const b = grams / stuff.bulkPressed;
      bed += b;
      solid += Math.min(b, grams * roomAt(stuff));
      const water = stuff.composition[0]! * grams;
      plantWater += water;
      soakedBed += b * stuff.swelling;
      soakedSolid += (grams - water) / stuff.trueDensity;
      if (stuff.floats && !floaters.includes(stuff.name)) floaters.push(stuff.name);
      herbs.push({ of, ml: b });
      marks.push({ of, cm: heightAt(vessel.solid, bed), sort: "herb", hidden: false });
    } else {
      liquid += grams * roomAt(stuff);
      const s = surface(vessel, bed, solid, liquid);
      marks.push({ of, cm: s.cm, sort: "liquid", hidden: s.hidden });
    }
  });
  // Draw herb at the foot whatever the order, since liquids run through it; then each liquid's own share above.
  let under = 0;
  for (const h of herbs) {
    const from = heightAt(vessel.solid, under);
    under += h.ml;
    layers.push({ of: h.of, sort: "herb", fromCm: from, toCm: heightAt(vessel.solid, under) });
  }
  top = heightAt(vessel.solid, bed);
  let poured = 0;
  standing.forEach(({ stuff, grams }, of) => {
    if (stuff.plant) return;
    poured += grams * roomAt(stuff);
    const s = surface(vessel, bed, solid, poured);
    if (s.cm > top + 1e-6) {
      layers.push({ of, sort: "liquid", fromCm: top, toCm: s.cm });
      top = s.cm;
    }
  });
  const s0 = surface(vessel, bed, solid, liquid);
  const herb0 = heightAt(vessel.solid, bed);
  const ml0 = Math.max(solid + liquid, s0.hidden ? bed : 0);
  const ml1 = soakedSolid + plantWater + liquid;
  const s1 = surface(vessel, soakedBed, soakedSolid, liquid + plantWater);
  const herb1 = heightAt(vessel.solid, soakedBed);
  const drinks = Math.max(0, solid + liquid - ml1);
  const clear = herb1 - s1.cm;
  const coverMl = clear > 0 ? Math.max(0, soakedBed - (liquid + plantWater + soakedSolid)) : 0;
  return {
    layers,
    marks,
    day0: { liquidCm: s0.cm, herbCm: herb0, ml: ml0 },
    day1: { liquidCm: s1.cm, herbCm: herb1, ml: ml1 },
    drinksMl: drinks,
    topUpMl: Math.max(drinks, coverMl),
    coverCm: s0.cm - herb0,
    coverDay1Cm: s1.cm - herb1,
    overLineMl: Math.max(0, ml0 - vessel.fillMl),
    overBrimMl: Math.max(0, ml0 - vessel.solid.brimMl),
    filled: ml0 / vessel.fillMl,
    floaters,
  };
}
