/**
 * Kitchen units in SI. Volumes in mL, masses in g, lengths in cm.
 * Source: NIST Handbook 44, appendix C (US customary), UK Weights and Measures Act 1985 (imperial),
 * metric cup and spoons as sold in kitchen sets (250, 15, 5 mL).
 */

/** Whose cups, spoons and pints a household measures by. */
export type UnitSystem = "us" | "metric" | "imperial";
export type Dimension = "volume" | "mass" | "length";

export interface Unit {
  readonly id: UnitId;
  readonly dimension: Dimension;
  /** mL, g or cm in one of these. */
  readonly size: number;
  /** Share by which a filled one typically differs, when it is not a measuring tool. */
  readonly tolerance?: number;
}

type Row = readonly [size: number, dimension: Dimension, tolerance?: number];

// prettier-ignore
const ROWS = {
  "us-cup": [236.588, "volume"], "us-floz": [29.5735, "volume"], "us-tbsp": [14.7868, "volume"], "us-tsp": [4.92892, "volume"],
  "us-pint": [473.176, "volume"], "us-quart": [946.353, "volume"], "us-gallon": [3785.41, "volume"],
  "metric-cup": [250, "volume"], "metric-tbsp": [15, "volume"], "metric-tsp": [5, "volume"],
  "imp-cup": [284.131, "volume"], "imp-floz": [28.4131, "volume"], "imp-pint": [568.261, "volume"],
  "imp-quart": [1136.52, "volume"], "imp-gallon": [4546.09, "volume"],
  ml: [1, "volume"], cl: [10, "volume"], dl: [100, "volume"], l: [1000, "volume"],
  // 20 to the mL for watery liquids; spirit and droppers differ, so the tolerance is wide until calibrated.
  drop: [0.05, "volume", 0.35], dropper: [0.8, "volume", 0.25],
  // A bar measure of 1½ US fl oz; a dash is an eighth of a teaspoon by most spoon sets.
  // A dessertspoon is two teaspoons by kitchen custom; it is cutlery, not a measure, so it differs.
  dsp: [10, "volume", 0.15],
  shot: [44.36, "volume", 0.05], dash: [0.62, "volume", 0.4],
  g: [1, "mass"], kg: [1000, "mass"], mg: [0.001, "mass"], oz: [28.3495, "mass"], lb: [453.592, "mass"], stone: [6350.29, "mass"],
  cm: [1, "length"], mm: [0.1, "length"], in: [2.54, "length"],
} as const satisfies Readonly<Record<string, Row>>;

export type UnitId = keyof typeof ROWS;

export const UNITS: Readonly<Record<UnitId, Unit>> = Object.fromEntries(
  Object.entries(ROWS as Readonly<Record<string, Row>>).map(([id, [size, dimension, tolerance]]) => [
    id,
    { id, dimension, size, ...(tolerance === undefined ? {} : { tolerance }) },
  ]),
) as unknown as Readonly<Record<UnitId, Unit>>;

/** Things counted by the piece; their mass belongs to the material. */
export const COUNT_UNITS = [
  "clove", "head", "bulb", "sprig", "stick", "pod", "pepper", "fruit", "slice", "handful", "pinch", "leaf", "berry", "piece", "knob",
  "stalk", "flower", "star",
] as const; // prettier-ignore
export type CountUnit = (typeof COUNT_UNITS)[number];

/** mL of the teaspoon that a household's drawer holds. */
export const TEASPOON_ML: Readonly<Record<UnitSystem, number>> = {
  us: ROWS["us-tsp"][0],
  imperial: ROWS["metric-tsp"][0],
  metric: ROWS["metric-tsp"][0],
};

export const CM_PER_INCH = 2.54;
