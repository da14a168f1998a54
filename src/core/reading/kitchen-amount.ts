import { type UnitId, type UnitSystem, UNITS } from "../quantity/units";
import { printCount } from "./print";

/*
 * Amounts the app proposes by itself, in what a kitchen has to measure with. They are read back as any amount is.
 */

type Way = "up" | "nearest" | "down";
function rounded(n: number, way: Way): number {
  if (way === "nearest") return Math.round(n);
  return way === "up" ? Math.ceil(n - 1e-6) : Math.floor(n + 1e-6);
}

/** A step of a tool: from so many mL on, this unit in such parts. */
interface Tool {
  readonly from: number;
  readonly unit: UnitId;
  readonly parts: number;
}
const TOOLS: Readonly<Record<Exclude<UnitSystem, "metric">, readonly Tool[]>> = {
  us: [
    { from: 470, unit: "us-cup", parts: 4 },
    { from: 110, unit: "us-tbsp", parts: 1 },
    { from: 14, unit: "us-tbsp", parts: 2 },
    { from: 2.4, unit: "us-tsp", parts: 4 },
    { from: 0, unit: "us-tsp", parts: 8 },
  ],
  imperial: [
    { from: 1200, unit: "imp-pint", parts: 4 },
    { from: 110, unit: "imp-floz", parts: 2 },
    { from: 55, unit: "imp-floz", parts: 4 },
    { from: 14, unit: "metric-tbsp", parts: 2 },
    { from: 2.4, unit: "metric-tsp", parts: 4 },
    { from: 0, unit: "metric-tsp", parts: 8 },
  ],
};
/** Tablespoons to a cup; from a quarter of it on they are poured as cups and spoons. */
const [TO_A_CUP, QUARTER] = [16, 4];

function inUs(tbsp: number): string {
  if (tbsp < QUARTER) return `${printCount(tbsp)} tbsp`;
  const quarters = Math.floor(tbsp / QUARTER);
  const left = tbsp - quarters * QUARTER;
  const cups = quarters / (TO_A_CUP / QUARTER);
  const said = `${printCount(cups)} ${cups > 1 ? "cups" : "cup"}`;
  return left > 0 ? `${said} + ${printCount(left)} tbsp` : said;
}

/** A fineness a metric kitchen pours by: to the mL by the spoon, to five by the jug, to ten by the litre. */
function metricStep(ml: number): number {
  if (ml < 50) return 1;
  return ml < 500 ? 5 : 10;
}

const NAMES: Readonly<Partial<Record<UnitId, readonly [one: string, many: string]>>> = {
  "us-cup": ["cup", "cups"],
  "us-tbsp": ["tbsp", "tbsp"],
  "us-tsp": ["tsp", "tsp"],
  "imp-pint": ["pint", "pints"],
  "imp-floz": ["fl oz", "fl oz"],
  "metric-tbsp": ["tbsp", "tbsp"],
  "metric-tsp": ["tsp", "tsp"],
};

/** mL as cups and spoons, ounces and pints, or millilitres: up or down to the next, or to the nearest, that can be measured. */
export function kitchenVolume(ml: number, system: UnitSystem, way: Way): string {
  if (system === "metric") {
    const step = metricStep(ml);
    return `${rounded(ml / step, way) * step} mL`;
  }
  const { unit, parts } = TOOLS[system].find((t) => ml >= t.from)!;
  const n = Math.max(1, rounded((ml / UNITS[unit].size) * parts, way)) / parts;
  if (unit === "us-tbsp") return inUs(n);
  const [one, many] = NAMES[unit]!;
  return `${printCount(n)} ${n > 1 ? many : one}`;
}

/** g as a kitchen scale shows them: by the half under ten, by the gram under a hundred, then by five. */
export function kitchenMass(g: number): string {
  if (g < 10) return `${Math.max(0.5, Math.round(g * 2) / 2)} g`;
  return g < 100 ? `${Math.round(g)} g` : `${Math.round(g / 5) * 5} g`;
}
