/**
 * The ledger's columns. A mixture is a Float64Array of grams by component, with the acid-soluble alkalinity (mEq) as its last column.
 * Acids stand in total: free acid and what the plant's own bases hold, so that alkalinity is subtracted once.
 */
export const WATER = 0;
export const MONO = 1;
export const DI = 2;
export const ACETIC = 3;
export const CITRIC = 4;
export const MALIC = 5;
export const GLUCONIC = 6;
export const ETHANOL = 7;
export const GLYCEROL = 8;
export const SALT = 9;
export const SOLUBLE = 10;
export const INSOLUBLE = 11;
/** Columns that are masses. */
export const MASSES = 12;
export const ALKALINITY = 12;
export const COLUMNS = 13;

export type Mixture = Float64Array;

export const nothing = (): Mixture => new Float64Array(COLUMNS);

/** Grams in a mixture, alkalinity left out. */
export function massOf(m: Mixture): number {
  let g = 0;
  for (let i = 0; i < MASSES; i++) g += m[i]!;
  return g;
}

/** Adds `grams` of a composition (shares of one gram) to a mixture in place. */
export function addTo(m: Mixture, composition: Mixture, grams: number): void {
  for (let i = 0; i < COLUMNS; i++) m[i] = m[i]! + composition[i]! * grams;
}

export const COMPONENT_NAMES = [
  "water",
  "mono",
  "di",
  "acetic",
  "citric",
  "malic",
  "gluconic",
  "ethanol",
  "glycerol",
  "salt",
  "soluble",
  "insoluble",
] as const;
export type ComponentName = (typeof COMPONENT_NAMES)[number];
