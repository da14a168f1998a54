/**
 * Kitchen units in SI. Volumes in mL, masses in g, lengths in cm.
 * Source: NIST Handbook 44, appendix C (US customary), UK Weights and Measures Act 1985 (imperial),
 * metric cup and spoons as sold in kitchen sets (250, 15, 5 mL).
 */
export type Household = "us" | "metric" | "imperial";
export type Dimension = "volume" | "mass" | "length";

export interface Unit {
  readonly id: string;
  readonly dimension: Dimension;
  /** mL, g or cm in one of these. */
  readonly size: number;
  /** How it is written after a number: one, many. */
  readonly one: string;
  readonly many: string;
  /** Share by which a filled one typically differs, when it is not a measuring tool. */
  readonly tolerance?: number;
}

const unit = (id: string, dimension: Dimension, size: number, one: string, many = one, tolerance?: number): Unit =>
  tolerance === undefined ? { id, dimension, size, one, many } : { id, dimension, size, one, many, tolerance };

export const UNITS: Readonly<Record<string, Unit>> = Object.fromEntries(
  [
    unit("us-cup", "volume", 236.588, "cup", "cups"),
    unit("us-floz", "volume", 29.5735, "fl oz"),
    unit("us-tbsp", "volume", 14.7868, "tbsp"),
    unit("us-tsp", "volume", 4.92892, "tsp"),
    unit("us-pint", "volume", 473.176, "pint", "pints"),
    unit("us-quart", "volume", 946.353, "quart", "quarts"),
    unit("us-gallon", "volume", 3785.41, "gallon", "gallons"),
    unit("metric-cup", "volume", 250, "metric cup", "metric cups"),
    unit("metric-tbsp", "volume", 15, "tbsp"),
    unit("metric-tsp", "volume", 5, "tsp"),
    unit("imp-floz", "volume", 28.4131, "imp fl oz"),
    unit("imp-cup", "volume", 284.131, "imp cup", "imp cups"),
    unit("imp-pint", "volume", 568.261, "imp pint", "imp pints"),
    unit("imp-quart", "volume", 1136.52, "imp quart", "imp quarts"),
    unit("imp-gallon", "volume", 4546.09, "imp gallon", "imp gallons"),
    unit("ml", "volume", 1, "mL"),
    unit("cl", "volume", 10, "cL"),
    unit("dl", "volume", 100, "dL"),
    unit("l", "volume", 1000, "L"),
    // 20 to the mL for watery liquids; spirit and droppers differ, so the tolerance is wide until calibrated.
    unit("drop", "volume", 0.05, "drop", "drops", 0.35),
    unit("dropper", "volume", 0.8, "dropper", "droppers", 0.25),
    unit("g", "mass", 1, "g"),
    unit("kg", "mass", 1000, "kg"),
    unit("mg", "mass", 0.001, "mg"),
    unit("oz", "mass", 28.3495, "oz"),
    unit("lb", "mass", 453.592, "lb"),
    unit("cm", "length", 1, "cm"),
    unit("mm", "length", 0.1, "mm"),
    unit("in", "length", 2.54, "in"),
  ].map((u) => [u.id, u]),
);

/** Things counted by the piece; their mass belongs to the material. */
export const COUNT_UNITS = [
  "clove", "head", "bulb", "sprig", "stick", "pod", "pepper", "fruit", "slice", "handful", "pinch", "leaf", "berry", "piece", "knob", "stalk", "flower", "star",
] as const;
export type CountUnit = (typeof COUNT_UNITS)[number];

/** Words people type for a unit that is the same in every household. */
const FIXED: Readonly<Record<string, string>> = {
  ml: "ml", millilitre: "ml", milliliter: "ml", millilitres: "ml", milliliters: "ml", mls: "ml", cc: "ml",
  cl: "cl", dl: "dl", l: "l", litre: "l", liter: "l", litres: "l", liters: "l", lt: "l",
  drop: "drop", drops: "drop", gtt: "drop", dropper: "dropper", droppers: "dropper", dropperful: "dropper", dropperfuls: "dropper",
  g: "g", gm: "g", gr: "g", gram: "g", grams: "g", gramme: "g", grammes: "g", kg: "kg", kilo: "kg", kilos: "kg", kilogram: "kg", kilograms: "kg", mg: "mg", milligram: "mg", milligrams: "mg",
  oz: "oz", ounce: "oz", ounces: "oz", lb: "lb", lbs: "lb", pound: "lb", pounds: "lb",
  cm: "cm", centimetre: "cm", centimeter: "cm", centimetres: "cm", centimeters: "cm", mm: "mm", in: "in", inch: "in", inches: "in", '"': "in", "″": "in",
  "us cup": "us-cup", "us cups": "us-cup", "metric cup": "metric-cup", "metric cups": "metric-cup", "imp cup": "imp-cup", "imp cups": "imp-cup",
  "imperial pint": "imp-pint", "imperial pints": "imp-pint", "imp pint": "imp-pint", "imp pints": "imp-pint", "uk pint": "imp-pint", "uk pints": "imp-pint", "us pint": "us-pint", "us pints": "us-pint",
  "imp fl oz": "imp-floz", "imperial fl oz": "imp-floz", "uk fl oz": "imp-floz", "us fl oz": "us-floz",
  "imp quart": "imp-quart", "imp quarts": "imp-quart", "imp gallon": "imp-gallon", "imp gallons": "imp-gallon", "us quart": "us-quart", "us quarts": "us-quart", "us gallon": "us-gallon", "us gallons": "us-gallon",
};

/** Words whose size depends on where the measuring cups were bought. */
const LOCAL: Readonly<Record<string, Readonly<Record<Household, string>>>> = {
  cup: { us: "us-cup", metric: "metric-cup", imperial: "imp-cup" },
  tbsp: { us: "us-tbsp", metric: "metric-tbsp", imperial: "metric-tbsp" },
  tsp: { us: "us-tsp", metric: "metric-tsp", imperial: "metric-tsp" },
  "fl oz": { us: "us-floz", metric: "us-floz", imperial: "imp-floz" },
  pint: { us: "us-pint", metric: "imp-pint", imperial: "imp-pint" },
  quart: { us: "us-quart", metric: "us-quart", imperial: "imp-quart" },
  gallon: { us: "us-gallon", metric: "us-gallon", imperial: "imp-gallon" },
};

const LOCAL_WORDS: Readonly<Record<string, keyof typeof LOCAL>> = {
  c: "cup", cup: "cup", cups: "cup", cupful: "cup", cupfuls: "cup",
  tbsp: "tbsp", tbsps: "tbsp", tbs: "tbsp", tb: "tbsp", tablespoon: "tbsp", tablespoons: "tbsp",
  tsp: "tsp", tsps: "tsp", teaspoon: "tsp", teaspoons: "tsp",
  "fl oz": "fl oz", floz: "fl oz", "fluid ounce": "fl oz", "fluid ounces": "fl oz", "fl. oz": "fl oz", "fl. oz.": "fl oz", "fl ozs": "fl oz",
  pt: "pint", pint: "pint", pints: "pint", pts: "pint", qt: "quart", qts: "quart", quart: "quart", quarts: "quart", gal: "gallon", gallon: "gallon", gallons: "gallon", gals: "gallon",
};

const COUNT_PLURALS: Readonly<Record<string, CountUnit>> = {
  ...(Object.fromEntries(COUNT_UNITS.flatMap((u) => [[u, u], [`${u}s`, u]])) as Record<string, CountUnit>),
  leaves: "leaf", berries: "berry", fruits: "fruit", "chillies": "pepper", chilli: "pepper", thumb: "knob", thumbs: "knob", pcs: "piece",
};

/** The unit id a word means in this household, or a count unit, or nothing. */
export function unitOf(word: string, household: Household): { unit: Unit } | { count: CountUnit } | undefined {
  const w = word.toLowerCase().replace(/\.$/, "");
  const fixed = FIXED[w];
  if (fixed) return { unit: UNITS[fixed]! };
  const local = LOCAL_WORDS[w];
  if (local) return { unit: UNITS[LOCAL[local]![household]]! };
  const count = COUNT_PLURALS[w];
  return count ? { count } : undefined;
}

/** Every word a unit can be typed as, for suggestions. */
export const UNIT_WORDS: readonly string[] = [...Object.keys(FIXED), ...Object.keys(LOCAL_WORDS), ...Object.keys(COUNT_PLURALS), "part", "parts", "jar"].filter((w) => w.length > 1);
