import { DI, ETHANOL, GLYCEROL, type Mixture, MONO, WATER, massOf } from "./components";

const M_WATER = 18.015;
const M_MONO = 180.156;
const M_DI = 342.296;
const M_GLYCEROL = 92.094;
/** Norrish constants, natural-log form. Source: Norrish 1966, as tabulated by Chirife and Favetto. */
const K_MONO = 2.25;
const K_DI = 6.47;
const K_GLYCEROL = 1.16;

/** The law itself, from grams of water, mono-sugars, di-sugars and glycerol. */
function law(waterG: number, monoG: number, diG: number, glycerolG: number): number {
  const water = waterG / M_WATER;
  if (water <= 0) return 0;
  const mono = monoG / M_MONO;
  const di = diG / M_DI;
  const glycerol = glycerolG / M_GLYCEROL;
  const all = water + mono + di + glycerol;
  const pull = (Math.sqrt(K_MONO) * mono + Math.sqrt(K_DI) * di + Math.sqrt(K_GLYCEROL) * glycerol) / all;
  return (water / all) * Math.exp(-pull * pull);
}

/** Norrish water activity of a mixture, 0 to 1; ethanol and plant solids are left out, which errs high. */
export const norrish = (m: Mixture): number => law(m[WATER]!, m[MONO]!, m[DI]!, m[GLYCEROL]!);

/** The same of sugars and water by weight: grams of mono-sugars and di-sugars in grams of water. */
export const activityOfSugars = (monoG: number, diG: number, waterG: number): number =>
  law(waterG, monoG, diG, 0);

/** Water activity of honey by its water, % w/w: linear fit to published measurements, 15–21 % water. */
export const honeyActivity = (waterPercent: number): number => Math.min(1, 0.267 + 0.0177 * waterPercent);

/** Sugar shares of the liquid between which the honey law fades in (its own data end at 25 % water), and alcohol's share at which it has faded out. */
const HONEY_FROM = 0.62;
const HONEY_FULL = 0.75;
const HONEY_NOT = 0.01;

const clamp = (x: number): number => Math.min(1, Math.max(0, x));

/** How far a liquid is honey: mostly mono-sugars, twice the di-sugars or more, hardly any alcohol. 0 to 1, without a step. */
export function honeyLikeness(m: Mixture): number {
  const g = massOf(m);
  if (!(g > 0)) return 0;
  const sweet = clamp(((m[MONO]! + m[DI]!) / g - HONEY_FROM) / (HONEY_FULL - HONEY_FROM));
  const mono = m[MONO]! > 0 ? clamp(3 - (2 * m[DI]!) / m[MONO]!) : 0;
  return sweet * mono * clamp(1 - m[ETHANOL]! / g / HONEY_NOT);
}

/** Water activity: the higher of the two laws as far as the liquid is honey. */
function blended(m: Mixture, a: number): number {
  const honey = honeyLikeness(m);
  if (honey === 0) return a;
  const higher = Math.max(a, honeyActivity((100 * m[WATER]!) / massOf(m)));
  return a + honey * (higher - a);
}

export const activityOf = (m: Mixture): number => blended(m, norrish(m));
/** The same with any glycerin left out: what the sugars alone hold. */
export const drynessOf = (m: Mixture): number => blended(m, activityOfSugars(m[MONO]!, m[DI]!, m[WATER]!));
