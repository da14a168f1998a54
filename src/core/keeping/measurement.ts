import { type Fault, fault } from "../fault";
import type { Ends, Facts } from "./rows";

/** A measurement made at the bench, with what it was made on. */
export type Measurement =
  | {
      readonly what: "ph";
      readonly by: "strip" | "meter";
      readonly value: number;
      readonly coloured?: boolean;
      /** Hours since it was last mixed. */ readonly hours: number;
      /** Something went in after it. */ readonly lapsed?: boolean;
    }
  | {
      readonly what: "brix";
      readonly by: "refractometer";
      readonly value: number;
      /** Herb solids it reads as sugar, °Bx, estimated. */ readonly herbSolids: number;
      readonly hours: number;
      readonly lapsed?: boolean;
    }
  | {
      readonly what: "gravity";
      readonly by: "hydrometer";
      readonly value: number;
      readonly hours: number;
      readonly lapsed?: boolean;
    };

/** Hours of standing mixed before a measurement counts. */
export const SETTLED_HOURS = 48;

const round = (value: number, error: number): Ends => ({ value, low: value - error, high: value + error });

/** °Bx of a sugar solution by its specific gravity at 20 °C. Source: ASBC cubic, 1.000 to 1.179. */
export const brixOfGravity = (sg: number): number =>
  -616.868 + 1111.14 * sg - 630.272 * sg * sg + 135.997 * sg * sg * sg;

/**
 * What a measurement puts in an estimate's place, with its own error, or why it does not count:
 * pH strip ±0.5 (coloured liquid ±0.7), calibrated meter ±0.1, refractometer ±0.5 °Bx beside the herb solids taken off, hydrometer ±1 °Bx.
 */
export function reading(
  m: Measurement,
  f: Pick<Facts, "abv" | "glycerol" | "acetic">,
): { readonly quantity: "ph" | "brix"; readonly ends: Ends } | Fault {
  if (m.lapsed)
    return fault(
      "Lapsed",
      "Something went in after this was measured. Mix, wait two days and measure again.",
    );
  if (m.hours < SETTLED_HOURS)
    return fault(
      "TooSoon",
      `Measure again when it has stood mixed for two days; this was after ${Math.round(m.hours)} hours.`,
    );
  if (m.what === "ph") {
    if (!(m.value >= 1 && m.value <= 12))
      return fault("ImpossibleReading", "A pH lies between 1 and 12 here.");
    if (f.abv.high > 15) return fault("NotOffered", "Above 15 % alcohol a pH says little; it is not used.");
    const strip = m.coloured ? 0.7 : 0.5;
    return { quantity: "ph", ends: round(m.value, m.by === "meter" ? 0.1 : strip) };
  }
  if (m.what === "brix") {
    if (!(m.value >= 0 && m.value <= 90))
      return fault("ImpossibleReading", "A refractometer reads from 0 to 90 °Bx.");
    if (f.abv.high > 0.5)
      return fault("Refused", "Alcohol bends a refractometer's light; its reading is not sugar.");
    if (f.glycerol.high > 1)
      return fault("Refused", "Glycerin bends a refractometer's light; its reading is not sugar.");
    if (f.acetic.high > 1) return fault("Refused", "Over 1 % acetic acid a refractometer reads too high.");
    const solids = Math.max(0, m.herbSolids);
    return { quantity: "brix", ends: round(Math.max(0, m.value - solids), 0.5 + solids * 0.5) };
  }
  if (!(m.value >= 0.98 && m.value <= 1.45))
    return fault("ImpossibleReading", "A specific gravity lies between 0.98 and 1.45.");
  if (f.abv.high > 0.5)
    return fault("Refused", "Alcohol is lighter than water, so a hydrometer cannot tell the sugar.");
  return { quantity: "brix", ends: round(Math.max(0, brixOfGravity(Math.min(m.value, 1.34))), 1) };
}

/** Facts with what was measured in place of what was estimated; the refusals beside them. */
export function withMeasured(
  f: Facts,
  measurements: readonly Measurement[],
): { readonly facts: Facts; readonly refused: readonly Fault[] } {
  let facts = f;
  const refused: Fault[] = [];
  for (const m of measurements) {
    const r = reading(m, f);
    if ("message" in r) refused.push(r);
    else facts = { ...facts, [r.quantity]: r.ends };
  }
  return { facts, refused };
}
