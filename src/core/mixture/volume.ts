import { ethanolWaterDensity } from "./alcohol";
import {
  ACETIC,
  CITRIC,
  DI,
  ETHANOL,
  GLUCONIC,
  GLYCEROL,
  INSOLUBLE,
  MALIC,
  type Mixture,
  MONO,
  SALT,
  SOLUBLE,
  WATER,
} from "./components";

/**
 * Specific volume of dissolved sugar, mL/g, at sugar mass share w of the solution.
 * Source: linear fit to the ICUMSA sucrose density table at 20 °C, within 0.3 % from 0 to 70 % w/w.
 */
export const sugarSpecificVolume = (w: number): number => 0.6155 + 0.0205 * w;

/**
 * Mono-sugars take a little more room in very strong solutions: w⁴ term fitted so that honey of 16–20 % water
 * has its published density (see `honeyDensity`) to 0.3 %; under 50 % w/w it stays below 0.1 %.
 */
const monoExcess = (w: number): number => 0.0245 * w * w * w * w;

/** mL per g of other dissolved things: acetic from the CRC density of 5 % acetic acid; glycerol and salt from their handbook densities in dilute solution; the rest 0.62. */
const ACETIC_ML = 0.862;
const OTHER_ML = 0.62;
const GLYCEROL_ML = 0.789;
const SALT_ML = 0.33;
/** Wet plant solids, should any stand in the liquid. */
const SOLID_ML = 0.68;

/** Volume in mL at 20 °C of a liquid mixture: ethanol–water by the table for the two alone, plus what is dissolved in it. Error about 0.5 %, 1.5 % near pure honey. */
export function volumeOf(m: Mixture): number {
  const water = m[WATER]!;
  const ethanol = m[ETHANOL]!;
  const ew = water + ethanol;
  const mono = m[MONO]!;
  const sugar = mono + m[DI]!;
  const others = m[CITRIC]! + m[MALIC]! + m[GLUCONIC]! + m[SOLUBLE]!;
  let v = ew > 0 ? ew / ethanolWaterDensity(ethanol / ew) : 0;
  if (sugar > 0) {
    const w = sugar / (sugar + ew + others + m[ACETIC]! + m[GLYCEROL]!);
    v += sugar * sugarSpecificVolume(w) + mono * monoExcess(w);
  }
  return (
    v +
    m[ACETIC]! * ACETIC_ML +
    others * OTHER_ML +
    m[GLYCEROL]! * GLYCEROL_ML +
    m[SALT]! * SALT_ML +
    m[INSOLUBLE]! * SOLID_ML
  );
}

/** g/mL of honey at 20 °C by its water, % w/w. Source: linear form of the honey density table used by the trade, 13–21 % water. */
export const honeyDensity = (waterPercent: number): number => 1.4457 - 0.00675 * (waterPercent - 13);
