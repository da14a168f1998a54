import { DI, ETHANOL, GLYCEROL, type Mixture, MONO, WATER, massOf } from "./components";

const M_WATER = 18.015;
const M_MONO = 180.156;
const M_DI = 342.296;
const M_GLYCEROL = 92.094;
/** Norrish constants, natural-log form. Source: Norrish 1966, as tabulated by Chirife and Favetto. */
const K_MONO = 2.25;
const K_DI = 6.47;
const K_GLYCEROL = 1.16;

/** Norrish water activity of a mixture, 0 to 1; ethanol and plant solids are left out, which errs high. */
export function norrish(m: Mixture): number {
  const water = m[WATER]! / M_WATER;
  if (water <= 0) return 0;
  const mono = m[MONO]! / M_MONO;
  const di = m[DI]! / M_DI;
  const glycerol = m[GLYCEROL]! / M_GLYCEROL;
  const all = water + mono + di + glycerol;
  const pull = (Math.sqrt(K_MONO) * mono + Math.sqrt(K_DI) * di + Math.sqrt(K_GLYCEROL) * glycerol) / all;
  return (water / all) * Math.exp(-pull * pull);
}

/** Water activity of honey by its water, % w/w: linear fit to published measurements, 15–21 % water. */
export const honeyActivity = (waterPercent: number): number => Math.min(1, 0.267 + 0.0177 * waterPercent);

/** Honey-like: two thirds sugar and over, most of it mono-sugars, hardly any alcohol. */
export function honeyLike(m: Mixture): boolean {
  const g = massOf(m);
  return g > 0 && m[MONO]! + m[DI]! >= 0.65 * g && m[MONO]! >= 2 * m[DI]! && m[ETHANOL]! < 0.01 * g;
}

/** Water activity, the higher of the two laws where both apply. */
export function activityOf(m: Mixture): number {
  const a = norrish(m);
  return honeyLike(m) ? Math.max(a, honeyActivity((100 * m[WATER]!) / massOf(m))) : a;
}
