import { dictionary } from "../words";
import {
  COUNT_UNITS,
  type CountUnit,
  UNITS,
  type Unit,
  type UnitId,
  type UnitSystem,
} from "../quantity/units";

/** Words whose size depends on where the measuring cups were bought. */
// prettier-ignore
const LOCAL = {
  cup: { us: "us-cup", metric: "metric-cup", imperial: "imp-cup" },
  tbsp: { us: "us-tbsp", metric: "metric-tbsp", imperial: "metric-tbsp" },
  tsp: { us: "us-tsp", metric: "metric-tsp", imperial: "metric-tsp" },
  "fl oz": { us: "us-floz", metric: "us-floz", imperial: "imp-floz" },
  pint: { us: "us-pint", metric: "imp-pint", imperial: "imp-pint" },
  quart: { us: "us-quart", metric: "us-quart", imperial: "imp-quart" },
  gallon: { us: "us-gallon", metric: "us-gallon", imperial: "imp-gallon" },
} as const satisfies Readonly<Record<string, Readonly<Record<UnitSystem, UnitId>>>>;
type LocalWord = keyof typeof LOCAL;

/** How people write a local word; the first is how it is printed, one and many. */
// prettier-ignore
const LOCAL_WORDS: Readonly<Record<LocalWord, readonly string[]>> = {
  cup: ["cup", "cups", "c", "cupful", "cupfuls", "cupsful", "cupfull", "cupfulls"],
  tbsp: ["tbsp", "tbsp", "tbsps", "tbs", "tb", "tbl", "tblsp", "tblspn", "tbspn", "tbspns", "tablesp", "tablespn", "tablespoon", "tablespoons", "tablespoonful", "tablespoonfuls"],
  tsp: ["tsp", "tsp", "tsps", "teasp", "tspn", "tspns", "teaspn", "teaspoon", "teaspoons", "teaspoonful", "teaspoonfuls"],
  "fl oz": ["fl oz", "fl oz", "fl ozs", "floz", "fluid ounce", "fluid ounces", "fluid oz", "fl ounce", "fl ounces"],
  pint: ["pint", "pints", "pt", "pts"],
  quart: ["quart", "quarts", "qt", "qts"],
  gallon: ["gallon", "gallons", "gal", "gals"],
};
const ORIGIN = dictionary<readonly string[]>({
  us: ["us"],
  metric: ["metric"],
  imp: ["imp", "imperial", "uk"],
});

/** Units that are the same everywhere: printed as one, as many, and otherwise written. */
// prettier-ignore
const FIXED: Readonly<Partial<Record<UnitId, readonly string[]>>> = {
  ml: ["mL", "mL", "ml", "mls", "millilitre", "milliliter", "millilitres", "milliliters", "cc", "ccs"],
  cl: ["cL", "cL", "cl", "centilitre", "centiliter", "centilitres"], dl: ["dL", "dL", "dl", "decilitre", "deciliter", "decilitres"],
  l: ["L", "L", "l", "litre", "liter", "litres", "liters", "lt", "ltr", "ltrs"],
  drop: ["drop", "drops", "gtt"], dropper: ["dropper", "droppers", "dropperful", "dropperfuls"],
  shot: ["shot", "shots", "jigger", "jiggers"], dash: ["dash", "dashes"],
  dsp: ["dessertspoon", "dessertspoons", "dsp", "dsps", "dspn", "dstspn", "dstsp", "dessertspoonful", "dessertspoonfuls"],
  g: ["g", "g", "gm", "gms", "gr", "grs", "gram", "grams", "gramme", "grammes"],
  kg: ["kg", "kg", "kgs", "kilo", "kilos", "kilogram", "kilograms", "kilogramme", "kilogrammes"], mg: ["mg", "mg", "milligram", "milligrams"],
  oz: ["oz", "oz", "ozs", "ounce", "ounces"], lb: ["lb", "lb", "lbs", "pound", "pounds", "#"], stone: ["stone", "stone"],
  cm: ["cm", "cm", "cms", "centimetre", "centimeter", "centimetres", "centimeters"], mm: ["mm", "mm", "millimetre", "millimeter", "millimetres"],
  in: ["in", "in", "inch", "inches", '"'],
};

// prettier-ignore
const COUNTS: Readonly<Partial<Record<CountUnit, readonly string[]>>> = {
  leaf: ["leaf", "leaves"], berry: ["berry", "berries"], slice: ["slice", "slices", "round", "rounds", "coin", "coins"],
  pepper: ["pepper", "peppers", "chilli", "chillies"], pinch: ["pinch", "pinches"],
  knob: ["knob", "knobs", "knuckle", "knuckles", "thumb", "thumbs", "finger", "fingers", "nub", "nubs"], head: ["head", "heads", "hd", "hds", "umbel", "umbels", "flowerhead", "flowerheads"],
  piece: ["piece", "pieces", "pc", "pcs", "nos", "chunk", "chunks"], stick: ["stick", "sticks", "quill", "quills"],
  stalk: ["stalk", "stalks", "rib", "ribs"], handful: ["handful", "handfuls", "handsful"], clove: ["clove", "cloves"],
  fruit: ["fruit", "fruits"], star: ["star", "stars"], sprig: ["sprig", "sprigs", "branch", "branches"],
};
const countWords = (u: CountUnit): readonly string[] => COUNTS[u] ?? [u, `${u}s`];

export type UnitWord = { readonly unit: Unit } | { readonly count: CountUnit };

const BY_SYSTEM = new Map<UnitSystem, Map<string, UnitWord>>();
function wordsIn(system: UnitSystem): Map<string, UnitWord> {
  const words = new Map<string, UnitWord>();
  for (const [id, written] of Object.entries(FIXED))
    for (const w of written) words.set(w.toLowerCase(), { unit: UNITS[id as UnitId] });
  for (const [word, written] of Object.entries(LOCAL_WORDS) as [LocalWord, readonly string[]][]) {
    for (const w of written) words.set(w, { unit: UNITS[LOCAL[word][system]] });
    for (const id of new Set(Object.values(LOCAL[word])))
      for (const origin of ORIGIN[id.split("-")[0]!]!)
        for (const w of written) words.set(`${origin} ${w}`, { unit: UNITS[id] });
  }
  for (const u of COUNT_UNITS) for (const w of countWords(u)) words.set(w, { count: u });
  return words;
}
for (const system of ["us", "metric", "imperial"] as const) BY_SYSTEM.set(system, wordsIn(system));

/** A capital T is a tablespoon and a small t a teaspoon, the one place where letter case tells. */
const SPOONS = dictionary<LocalWord>({ T: "tbsp", t: "tsp", Tb: "tbsp", Ts: "tsp", EL: "tbsp", TL: "tsp" });

/** The unit a word means in this household; `written` is as typed, for T and t. */
export function unitWord(word: string, written: string, system: UnitSystem): UnitWord | undefined {
  const spoon = written.length < 3 ? SPOONS[written] : undefined;
  if (spoon) return { unit: UNITS[LOCAL[spoon][system]] };
  return BY_SYSTEM.get(system)!.get(word);
}

const FIRST = new Map(
  [...BY_SYSTEM].map(
    ([system, words]) => [system, new Set([...words.keys()].map((w) => w.split(" ")[0]!))] as const,
  ),
);
/** Whether a unit's words may begin with this one. */
export const opensUnit = (low: string, system: UnitSystem): boolean => FIRST.get(system)!.has(low);

/** One and many of a unit, as this household writes it. */
function oneAndMany(id: UnitId, system: UnitSystem): readonly [one: string, many: string] {
  const fixed = FIXED[id];
  if (fixed) return [fixed[0]!, fixed[1]!];
  const [origin, ...rest] = id.split("-");
  const bare = rest.join(" ").replace("floz", "fl oz") as LocalWord;
  const [one, many] = LOCAL_WORDS[bare] as [string, string];
  if (LOCAL[bare][system] === id) return [one, many];
  const whose = origin === "us" ? "US" : origin;
  return [`${whose} ${one}`, `${whose} ${many}`];
}
const WRITTEN = new Map(
  (["us", "metric", "imperial"] as const).map((system) => [
    system,
    new Map((Object.keys(UNITS) as UnitId[]).map((id) => [id, oneAndMany(id, system)])),
  ]),
);
/** How a unit is written in this household, one and many: `cups`, or `imp cups` where a bare cup is another. */
export const writtenUnit = (id: UnitId, system: UnitSystem, many: boolean): string =>
  WRITTEN.get(system)!.get(id)![many ? 1 : 0];
export const writtenCount = (u: CountUnit, many: boolean): string => countWords(u)[many ? 1 : 0]!;

/** Every word a unit can be typed as, for suggestions. */
export const UNIT_WORDS: readonly string[] = [...BY_SYSTEM.get("us")!.keys(), "part", "parts", "jar"].filter(
  (w) => w.length > 1,
);
