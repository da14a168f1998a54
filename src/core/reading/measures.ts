import { written } from "../quantity/carried";
import { CM_PER_INCH, UNITS, type UnitSystem } from "../quantity/units";
import {
  nearCount,
  printAbout,
  printG,
  printLength,
  printMass,
  printMl,
  printTemperature,
  printVolume,
} from "./print";

/** How a household writes what it measures. */
export interface Scales {
  readonly units: UnitSystem;
  readonly degrees: "C" | "F";
  readonly lengths: "cm" | "in";
}

/** A quantity as it is written at last: everything that is shown of one goes through here, so that no page writes a measure of its own. */
export interface Measures extends Scales {
  readonly market: Market;
  /** In the household's cups and spoons, mL. */
  readonly volume: (ml: number) => string;
  /** What is only known about, in one tool. */
  readonly about: (ml: number) => string;
  /** As a jug or a bottle is marked: fluid ounces, or millilitres. */
  readonly volumeExact: (ml: number) => string;
  /** Cups and spoons first, the jug's mark after where it says something else. */
  readonly volumeBoth: (ml: number) => string;
  /** In pounds and ounces, or grams. */
  readonly mass: (g: number) => string;
  /** As a kitchen scale shows it, in grams. */
  readonly massExact: (g: number) => string;
  readonly length: (cm: number) => string;
  readonly temperature: (celsius: number) => string;
  /** A sentence of the core's, the quantities it carries written so. */
  readonly told: (sentence: string) => string;
  /** Two volumes as they are added up in a field, and one alone: examples of what may be typed. */
  readonly examples: { readonly parts: string; readonly volume: string };
  /** A jar and a bottle as they are called where the household buys them: examples too. */
  readonly calls: {
    readonly jar: string;
    readonly bottle: string;
    readonly herb: string;
    readonly liquid: string;
  };
  /** What a ruler for paper is marked in, for a field that takes bare numbers. */
  readonly ruler: { readonly words: string; readonly mm: number };
  /** What a jug and a bottle are marked in, for a field that takes a bare number. */
  readonly jug: { readonly words: string; readonly ml: number };
  /** How much of a liquid is priced and compared by. */
  readonly pricedBy: { readonly words: string; readonly ml: number };
}

const OUNCE: Readonly<Record<Exclude<UnitSystem, "metric">, number>> = {
  us: UNITS["us-floz"].size,
  imperial: UNITS["imp-floz"].size,
};
/** Off by so much at most, for a quarter or a third of an ounce. */
const NEAR = 0.02;

/** A drop of a watery liquid from a dropper, mL; general knowledge, and only ever an estimate. */
const DROP_ML = 0.05;
/** Below a quarter of a teaspoon nothing but drops is counted, mL. */
const LEAST_SPOON_ML = 1.2;

/** How near a spoon is asked to be, nearest first: the last one always finds one. */
const NEAR_ENOUGH = [0.03, 0.06, 0.1, 0.2, 0.3];

/** Spoons and cups, as near as they come. */
function inSpoons(ml: number, system: UnitSystem): string {
  const tried = NEAR_ENOUGH.map((limit) => printVolume(ml, system, limit));
  return (tried.find((p) => p.text !== p.exact) ?? tried[0]!).text;
}

/** Fluid ounces to a quarter, as jugs are marked; less than an ounce in spoons, and less than a spoon in drops. */
function printOunces(ml: number, system: Exclude<UnitSystem, "metric">): string {
  if (ml === 0) return "nothing";
  if (ml < 0) return `−${printOunces(-ml, system)}`;
  if (ml < LEAST_SPOON_ML) {
    const drops = Math.max(1, Math.round(ml / DROP_ML));
    return drops === 1 ? "1 drop" : `${drops} drops`;
  }
  const n = ml / OUNCE[system];
  if (n < 1) return inSpoons(ml, system);
  return `${n < 20 ? nearCount(Math.round(n * 4) / 4, NEAR) : Math.round(n)} fl oz`;
}

const both = (text: string, exact: string): string => (text === exact ? exact : `${text}, ${exact}`);

/** What glass, jugs and paper a household's shops have: ounces and quarts where it measures in cups and inches, else millilitres. */
export type Market = "us" | "metric";
export const marketOf = ({ units, lengths }: Pick<Scales, "units" | "lengths">): Market =>
  units === "us" && lengths === "in" ? "us" : "metric";

/** The measures of a household. One of cups and centimetres has cups in its drawer and millilitres on its jug. */
export function measuresOf({ units, degrees, lengths }: Scales): Measures {
  const ounces = units !== "metric" && lengths === "in";
  const exact = (ml: number): string => (ounces ? printOunces(ml, units) : printMl(ml));
  const volume = (ml: number): string => {
    const { text, exact: metric } = printVolume(ml, units);
    // What no spoon measures is told as the jug marks it.
    return text === metric ? exact(ml) : text;
  };
  const length = (cm: number): string => printLength(cm, lengths);
  const temperature = (celsius: number): string => printTemperature(celsius, degrees);
  return {
    ...{ units, degrees, lengths },
    told: (sentence) => written(sentence, { mL: exact, g: printG, cm: length, "°C": temperature }),
    market: marketOf({ units, lengths }),
    volume,
    about: (ml) => printAbout(ml, units) ?? volume(ml),
    volumeExact: exact,
    volumeBoth: (ml) => both(volume(ml), exact(ml)),
    mass: (g) => printMass(g, units).text,
    massExact: printG,
    length,
    temperature,
    examples:
      units === "metric"
        ? { parts: "500 mL + 260 mL", volume: "750 mL" }
        : { parts: "2 cups + 1 cup", volume: "3¼ cups" },
    calls:
      marketOf({ units, lengths }) === "us"
        ? { jar: "quart jar", bottle: "8 oz", herb: "1 lb", liquid: "1 quart" }
        : { jar: "1 L jar", bottle: "250 mL", herb: "500 g", liquid: "2 L" },
    ruler: lengths === "cm" ? { words: "mm", mm: 1 } : { words: "inches", mm: 10 * CM_PER_INCH },
    jug: ounces ? { words: "fl oz", ml: OUNCE[units] } : { words: "mL", ml: 1 },
    pricedBy: ounces ? { words: "8 fl oz", ml: 8 * OUNCE[units] } : { words: "100 mL", ml: 100 },
  };
}

/** Millilitres, grams, °C and centimetres, whatever the household's own are. */
export const METRIC: Measures = measuresOf({ units: "metric", degrees: "C", lengths: "cm" });
/** The cups of a plan, where no more is known of who reads it. */
export const measuresIn = (units: UnitSystem): Measures => measuresOf({ units, degrees: "C", lengths: "cm" });

/** A finger's breadth, cm; a measure of every household. */
const FINGER_CM = 1.9;
export function inFingers(cm: number): string {
  const n = cm / FINGER_CM;
  if (n < 0.75) return "less than a finger’s breadth";
  return n < 1.5 ? "a finger’s breadth" : `${Math.round(n)} fingers’ breadth`;
}
