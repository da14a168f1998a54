/**
 * What holds for a whole class of plant matter, where a material does not say otherwise.
 *
 * Sources of each figure class (tolerances are the ones the uncertainty pass moves them by):
 * - water, sugars and acids of fresh foods: USDA FoodData Central, SR Legacy, rounded; ±4 points of water.
 * - dried herb water 8–10 %: limits of common pharmacopoeial monographs on loss on drying.
 * - alkalinity: ash alkalinity of vegetables and fruit after McCance & Widdowson's mineral tables
 *   (K, Na, Ca, Mg less P, Cl, S as acid), rounded up to be cautious; ±35 %.
 * - bulk and envelope densities, swelling, retention, extraction: typical kitchen values by weighing; ±15 to ±25 %.
 */
export const FORMS = ["fresh", "wilted", "dried", "frozen", "powdered"] as const;
export type Form = (typeof FORMS)[number];
export const CUTS = ["whole", "chopped", "grated", "crushed", "sliced"] as const;
export type Cut = (typeof CUTS)[number];

export const PLANT_CLASSES = [
  "leaf",
  "flower",
  "root",
  "bark",
  "berry",
  "fruit",
  "peel",
  "bulb",
  "pepper",
  "seed",
  "mushroom",
  "resin",
  "vegetable",
] as const;
export type PlantClass = (typeof PLANT_CLASSES)[number];

type Pair = readonly [loose: number, pressed: number];

export interface ClassFigures {
  /** Water, share of fresh mass; and of dried mass. */
  readonly freshWater: number;
  readonly driedWater: number;
  /** Shares of dry matter. The rest is insoluble. */
  readonly dry: {
    readonly mono: number;
    readonly di: number;
    readonly citric: number;
    readonly malic: number;
    readonly soluble: number;
  };
  /** Acid-soluble alkalinity, mEq per 100 g of dry matter. */
  readonly alk: number;
  /** g/mL of the heap, by form and cut: loose, and pressed with the fingers. */
  readonly bulk: {
    readonly fresh: Readonly<Record<Cut, Pair>>;
    readonly dried: Readonly<Record<Cut, Pair>>;
    readonly powdered: Pair;
  };
  /** g/mL of one piece with the air inside it. */
  readonly envelope: { readonly fresh: number; readonly dried: number };
  /** g/mL of the solids once soaked through. */
  readonly trueDensity: number;
  /** Heap volume after a day's soak over before. */
  readonly swelling: { readonly fresh: number; readonly dried: number };
  /** mL of liquid kept back per g of dry matter, its own water included: left to drip, wrung in a cloth, pressed. */
  readonly retention: { readonly drained: number; readonly wrung: number; readonly pressed: number };
  /** Share of the solubles that passes into the liquid in a full steep, by form. */
  readonly extraction: { readonly fresh: number; readonly dried: number };
  /** g/mL of a pinch or handful is the loose bulk; these are whole pieces. */
  readonly floats: boolean;
  /** g of one piece, low and high, that any of the class has; typical, wide. */
  readonly pieces: Readonly<Record<string, Pair>>;
}

const every = (
  whole: Pair,
  chopped: Pair,
  grated = chopped,
  crushed = chopped,
  sliced = chopped,
): Record<Cut, Pair> => ({ whole, chopped, grated, crushed, sliced });

export const CLASSES: Readonly<Record<PlantClass, ClassFigures>> = {
  leaf: {
    freshWater: 0.8,
    driedWater: 0.09,
    dry: { mono: 0.05, di: 0.02, citric: 0.01, malic: 0.02, soluble: 0.2 },
    alk: 150,
    bulk: {
      fresh: every([0.08, 0.2], [0.2, 0.36]),
      dried: every([0.05, 0.1], [0.096, 0.17], [0.096, 0.17], [0.12, 0.2]),
      powdered: [0.38, 0.52],
    },
    envelope: { fresh: 0.78, dried: 0.52 },
    trueDensity: 1.45,
    swelling: { fresh: 0.85, dried: 1.25 },
    retention: { drained: 4.6, wrung: 2.6, pressed: 1.7 },
    extraction: { fresh: 0.6, dried: 0.75 },
    floats: true,
    pieces: { leaf: [0.08, 0.5], sprig: [0.5, 3] },
  },
  flower: {
    freshWater: 0.82,
    driedWater: 0.1,
    dry: { mono: 0.08, di: 0.03, citric: 0.01, malic: 0.02, soluble: 0.22 },
    alk: 80,
    bulk: {
      fresh: every([0.07, 0.16], [0.15, 0.28]),
      dried: every([0.05, 0.09], [0.08, 0.14]),
      powdered: [0.35, 0.5],
    },
    envelope: { fresh: 0.7, dried: 0.42 },
    trueDensity: 1.45,
    swelling: { fresh: 0.8, dried: 1.3 },
    retention: { drained: 5, wrung: 2.9, pressed: 1.9 },
    extraction: { fresh: 0.6, dried: 0.75 },
    floats: true,
    pieces: { flower: [0.05, 0.4], head: [0.1, 0.5] },
  },
  root: {
    freshWater: 0.76,
    driedWater: 0.09,
    dry: { mono: 0.05, di: 0.08, citric: 0.01, malic: 0.02, soluble: 0.18 },
    alk: 45,
    bulk: {
      fresh: every([0.55, 0.62], [0.55, 0.68], [0.5, 0.78], [0.58, 0.75], [0.5, 0.62]),
      dried: every([0.3, 0.36], [0.36, 0.44], [0.34, 0.45]),
      powdered: [0.48, 0.62],
    },
    envelope: { fresh: 1.03, dried: 0.95 },
    trueDensity: 1.5,
    swelling: { fresh: 0.98, dried: 1.6 },
    retention: { drained: 3.6, wrung: 2.3, pressed: 1.6 },
    extraction: { fresh: 0.55, dried: 0.6 },
    floats: false,
    pieces: {},
  },
  bark: {
    freshWater: 0.55,
    driedWater: 0.1,
    dry: { mono: 0.03, di: 0.02, citric: 0.005, malic: 0.01, soluble: 0.16 },
    alk: 40,
    bulk: {
      fresh: every([0.3, 0.36], [0.35, 0.42]),
      dried: every([0.22, 0.28], [0.3, 0.36]),
      powdered: [0.45, 0.58],
    },
    envelope: { fresh: 0.95, dried: 0.75 },
    trueDensity: 1.48,
    swelling: { fresh: 1, dried: 1.25 },
    retention: { drained: 2.6, wrung: 1.9, pressed: 1.4 },
    extraction: { fresh: 0.5, dried: 0.55 },
    floats: true,
    pieces: {},
  },
  berry: {
    freshWater: 0.84,
    driedWater: 0.13,
    dry: { mono: 0.5, di: 0.03, citric: 0.1, malic: 0.03, soluble: 0.08 },
    alk: 30,
    bulk: {
      fresh: every([0.6, 0.68], [0.75, 0.9], [0.8, 0.95], [0.9, 0.98]),
      dried: every([0.5, 0.58], [0.5, 0.6]),
      powdered: [0.5, 0.65],
    },
    envelope: { fresh: 0.98, dried: 1.1 },
    trueDensity: 1.45,
    swelling: { fresh: 0.9, dried: 1.7 },
    retention: { drained: 2.8, wrung: 1.9, pressed: 1.3 },
    extraction: { fresh: 0.85, dried: 0.85 },
    floats: true,
    pieces: {},
  },
  fruit: {
    freshWater: 0.85,
    driedWater: 0.18,
    dry: { mono: 0.45, di: 0.18, citric: 0.04, malic: 0.06, soluble: 0.06 },
    alk: 28,
    bulk: {
      fresh: every([0.6, 0.62], [0.62, 0.75], [0.75, 0.92], [0.85, 0.95], [0.55, 0.68]),
      dried: every([0.5, 0.6], [0.55, 0.65]),
      powdered: [0.5, 0.62],
    },
    envelope: { fresh: 0.95, dried: 1.15 },
    trueDensity: 1.5,
    swelling: { fresh: 0.92, dried: 1.5 },
    retention: { drained: 2.8, wrung: 1.9, pressed: 1.3 },
    extraction: { fresh: 0.85, dried: 0.85 },
    floats: true,
    pieces: {},
  },
  peel: {
    freshWater: 0.74,
    driedWater: 0.1,
    dry: { mono: 0.2, di: 0.08, citric: 0.02, malic: 0.02, soluble: 0.15 },
    alk: 50,
    bulk: {
      fresh: every([0.3, 0.4], [0.4, 0.52], [0.38, 0.5]),
      dried: every([0.2, 0.26], [0.3, 0.38]),
      powdered: [0.48, 0.6],
    },
    envelope: { fresh: 0.9, dried: 0.8 },
    trueDensity: 1.48,
    swelling: { fresh: 1, dried: 1.5 },
    retention: { drained: 3.6, wrung: 2.4, pressed: 1.7 },
    extraction: { fresh: 0.65, dried: 0.7 },
    floats: true,
    pieces: {},
  },
  bulb: {
    freshWater: 0.8,
    driedWater: 0.07,
    dry: { mono: 0.15, di: 0.12, citric: 0.01, malic: 0.02, soluble: 0.35 },
    alk: 22,
    bulk: {
      fresh: every([0.6, 0.64], [0.58, 0.7], [0.8, 0.95], [0.7, 0.85], [0.48, 0.6]),
      dried: every([0.35, 0.42], [0.38, 0.46]),
      powdered: [0.55, 0.68],
    },
    envelope: { fresh: 1.04, dried: 1.05 },
    trueDensity: 1.5,
    swelling: { fresh: 0.95, dried: 1.7 },
    retention: { drained: 3, wrung: 2, pressed: 1.4 },
    extraction: { fresh: 0.6, dried: 0.65 },
    floats: false,
    pieces: {},
  },
  pepper: {
    freshWater: 0.88,
    driedWater: 0.1,
    dry: { mono: 0.4, di: 0.02, citric: 0.015, malic: 0.015, soluble: 0.12 },
    alk: 45,
    bulk: {
      fresh: every([0.3, 0.34], [0.5, 0.62], [0.6, 0.8]),
      dried: every([0.1, 0.14], [0.3, 0.38], [0.3, 0.38], [0.38, 0.45]),
      powdered: [0.45, 0.58],
    },
    envelope: { fresh: 0.8, dried: 0.5 },
    trueDensity: 1.45,
    swelling: { fresh: 0.95, dried: 1.4 },
    retention: { drained: 3.2, wrung: 2.2, pressed: 1.5 },
    extraction: { fresh: 0.65, dried: 0.7 },
    floats: true,
    pieces: {},
  },
  seed: {
    freshWater: 0.5,
    driedWater: 0.09,
    dry: { mono: 0.02, di: 0.03, citric: 0.005, malic: 0.01, soluble: 0.12 },
    alk: 40,
    bulk: {
      fresh: every([0.55, 0.6], [0.52, 0.6]),
      dried: every([0.44, 0.48], [0.42, 0.48], [0.42, 0.48], [0.42, 0.5]),
      powdered: [0.46, 0.58],
    },
    envelope: { fresh: 1.02, dried: 1.02 },
    trueDensity: 1.3,
    swelling: { fresh: 1, dried: 1.3 },
    retention: { drained: 2, wrung: 1.5, pressed: 1.1 },
    extraction: { fresh: 0.4, dried: 0.5 },
    floats: false,
    pieces: {},
  },
  mushroom: {
    freshWater: 0.9,
    driedWater: 0.1,
    dry: { mono: 0.04, di: 0.06, citric: 0.01, malic: 0.03, soluble: 0.25 },
    alk: 25,
    bulk: {
      fresh: every([0.25, 0.32], [0.35, 0.48]),
      dried: every([0.1, 0.14], [0.14, 0.2]),
      powdered: [0.32, 0.45],
    },
    envelope: { fresh: 0.72, dried: 0.35 },
    trueDensity: 1.45,
    swelling: { fresh: 0.8, dried: 2 },
    retention: { drained: 4.5, wrung: 2.8, pressed: 1.8 },
    extraction: { fresh: 0.5, dried: 0.5 },
    floats: true,
    pieces: {},
  },
  resin: {
    freshWater: 0.08,
    driedWater: 0.08,
    dry: { mono: 0.01, di: 0.01, citric: 0, malic: 0, soluble: 0.25 },
    alk: 10,
    bulk: {
      fresh: every([0.6, 0.66], [0.62, 0.7]),
      dried: every([0.6, 0.66], [0.62, 0.7]),
      powdered: [0.6, 0.72],
    },
    envelope: { fresh: 1.08, dried: 1.08 },
    trueDensity: 1.15,
    swelling: { fresh: 1, dried: 1 },
    retention: { drained: 0.8, wrung: 0.6, pressed: 0.5 },
    extraction: { fresh: 0.5, dried: 0.5 },
    floats: false,
    pieces: {},
  },
  vegetable: {
    freshWater: 0.89,
    driedWater: 0.08,
    dry: { mono: 0.22, di: 0.22, citric: 0.02, malic: 0.02, soluble: 0.12 },
    alk: 60,
    bulk: {
      fresh: every([0.6, 0.64], [0.56, 0.68], [0.46, 0.8], [0.65, 0.8], [0.5, 0.62]),
      dried: every([0.2, 0.28], [0.3, 0.4]),
      powdered: [0.5, 0.6],
    },
    envelope: { fresh: 1.0, dried: 0.7 },
    trueDensity: 1.5,
    swelling: { fresh: 0.95, dried: 1.8 },
    retention: { drained: 4, wrung: 2.6, pressed: 1.8 },
    extraction: { fresh: 0.75, dried: 0.75 },
    floats: false,
    pieces: {},
  },
};
