import type { Amount, Term } from "../quantity/amount";
import type { Span } from "../estimate";
import { CM_PER_INCH, UNITS, type UnitId, type UnitSystem } from "../quantity/units";
import { writtenCount, writtenUnit } from "./unit-words";

/** Read on a scale or a jug, so written in figures; everything else in kitchen fractions. */
const DECIMAL: ReadonlySet<UnitId> = new Set(["g", "kg", "mg", "ml", "cl", "dl", "l", "cm", "mm"]);
// prettier-ignore
const GLYPH_FOR: ReadonlyArray<readonly [number, string]> = [
  [1 / 8, "⅛"], [1 / 4, "¼"], [1 / 3, "⅓"], [3 / 8, "⅜"], [1 / 2, "½"], [5 / 8, "⅝"], [2 / 3, "⅔"], [3 / 4, "¾"], [7 / 8, "⅞"],
];

/** A number in figures, to four that count: 0.05, 12.5, 1420. Never in powers of ten. */
export function printFigures(n: number): string {
  if (n === 0) return "0";
  const rounded = Number(n.toPrecision(4));
  const places = Math.max(0, 3 - Math.floor(Math.log10(Math.abs(rounded))));
  return String(Number(rounded.toFixed(Math.min(12, places))));
}

/** A count in kitchen fractions where it is one within 0.2 %, else in figures. */
export function printCount(n: number): string {
  const whole = Math.floor(n + 1e-9);
  const part = n - whole;
  const near = 0.002 * Math.max(1, n);
  if (part < near && whole > 0) return String(whole);
  if (1 - part < near) return String(whole + 1);
  const glyph = GLYPH_FOR.find(([v]) => Math.abs(part - v) < near);
  return glyph && n >= 0.1 ? `${whole === 0 ? "" : whole}${glyph[1]}` : printFigures(n);
}

/** Whether a count is whole or a fraction that spoons and cups are sold in. */
export const isFraction = (n: number): boolean => !/[.]/.test(printCount(n)) && n >= 0.1;

/** A count as a kitchen fraction where one lies within a share of it, else to three figures. */
export function nearCount(n: number, limit: number): string {
  const whole = Math.floor(n + 1e-9);
  // Nobody measures 23⅜ cups.
  const fractions = n < 20 ? GLYPH_FOR : [];
  const choices: ReadonlyArray<readonly [number, string]> = [[0, ""], ...fractions, [1, ""]];
  let best: string | undefined;
  let least = limit;
  for (const [v, glyph] of choices) {
    const m = whole + v;
    const off = m > 0 ? Math.abs(m - n) / n : 1;
    if (off >= least) continue;
    least = off;
    const figures = v === 1 ? whole + 1 : whole;
    best = `${figures === 0 ? "" : figures}${glyph}`;
  }
  return best ?? printFigures(Number(n.toPrecision(3)));
}

const isRange = (s: Span): boolean => s.high - s.low > 1e-9 * s.high;
const printSpan = (s: Span, one: (n: number) => string): string => {
  const [low, high] = [one(s.low), one(s.high)];
  return isRange(s) && low !== high ? `${low}–${high}` : one(s.value);
};
const manyOf = (s: Span): boolean => s.high > 1 + 1e-9;

function printTerm({ unit, count }: Term, system: UnitSystem): string {
  const n = printSpan(count, DECIMAL.has(unit.id) ? printFigures : printCount);
  return `${n} ${writtenUnit(unit.id, system, manyOf(count))}`;
}

/** How much of a thing, where nobody remembers. */
export const NOT_KNOWN = "not known";

/** An amount as a maker would write it; reading it again gives the same. */
export function printAmount(a: Amount, system: UnitSystem): string {
  switch (a.kind) {
    case "measure": {
      const terms = a.terms.map((t) => printTerm(t, system)).join(" + ");
      return `${a.hedge ? `${a.hedge} ` : ""}${terms}${a.packing ? ` ${a.packing}` : ""}`;
    }
    case "count": {
      const size = a.size ? `${a.size} ` : "";
      return `${a.hedge ? `${a.hedge} ` : ""}${printSpan(a.count, printCount)} ${size}${writtenCount(a.unit, manyOf(a.count))}`;
    }
    case "part":
      return `${printSpan(a.count, printCount)} ${manyOf(a.count) ? "parts" : "part"}`;
    case "jar":
      return `${printSpan(a.count, printCount)} ${a.count.low < 1 ? "jar" : "jarful"}`;
    case "of-liquid":
      return `${printSpan(a.count, printCount)} of liquid`;
    case "fill":
      return "fill";
    case "cover":
      return a.term ? `cover by ${printTerm(a.term, system)}` : "cover";
    case "ratio":
      return `1:${printFigures(a.mlPerG)}`;
    case "unknown":
      return NOT_KNOWN;
    case "goal":
      return printGoal(a.goal, a.target);
  }
}

function printGoal(goal: Extract<Amount, { kind: "goal" }>["goal"], target: number): string {
  const n = printFigures(target);
  switch (goal) {
    case "brix":
      return `to ${n} Bx`;
    case "abv":
      return `to ${n} % vol`;
    case "acid":
      return `to ${n} % acid`;
    case "ph":
      return `to pH ${n}`;
  }
}

export interface Printed {
  /** Kitchen words, e.g. `1¾ cups + 1 tbsp`. */
  readonly text: string;
  /** The same in millilitres or grams, e.g. `429 mL`. */
  readonly exact: string;
  /** Relative rounding error of `text`, signed. */
  readonly error: number;
}

const LADDER: Readonly<Record<UnitSystem, readonly UnitId[]>> = {
  us: ["us-cup", "us-tbsp", "us-tsp"],
  metric: ["ml"],
  imperial: ["imp-pint", "imp-floz", "metric-tbsp", "metric-tsp"],
};
const FRACTIONS = [0, 1 / 8, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];
const COARSE = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];
/** Spoons are sold whole and halved; a third of a tablespoon is a teaspoon, and is said so. */
const SPOONS = [0, 1 / 2];
function fractionsOf(id: UnitId, last: boolean): readonly number[] {
  if (last) return FRACTIONS;
  return id.endsWith("tbsp") ? SPOONS : COARSE;
}
function snap(n: number, to: readonly number[]): number {
  const whole = Math.floor(n);
  let best = whole;
  for (const f of [...to, 1]) if (Math.abs(whole + f - n) < Math.abs(best - n)) best = whole + f;
  return best;
}

const written = (id: UnitId, n: number, system: UnitSystem): string =>
  `${printCount(n)} ${writtenUnit(id, system, n > 1 + 1e-9)}`;

/** mL rounded to what a jug can show, within 1 %. */
export function printMl(ml: number): string {
  if (ml >= 2000) return `${Number((ml / 1000).toFixed(2))} L`;
  return `${ml < 10 ? printFigures(Number(ml.toPrecision(2))) : Math.round(ml)} mL`;
}

/** g rounded to what a kitchen scale can show, within 1 %. */
export function printG(g: number): string {
  if (g >= 2000) return `${Number((g / 1000).toFixed(2))} kg`;
  return `${g < 10 ? printFigures(Number(g.toPrecision(2))) : Math.round(g)} g`;
}

/**
 * A volume in the household's measuring tools, at most two of them, within `limit` of the true value where the tools allow it
 * (below an eighth of a teaspoon the exact millilitres are shown).
 */
export function printVolume(ml: number, system: UnitSystem, limit = 0.03): Printed {
  const exact = printMl(ml);
  if (system === "metric" || ml < UNITS["us-tsp"].size / 8) return { text: exact, exact, error: 0 };
  const ladder = LADDER[system];
  for (let i = 0; i < ladder.length; i++) {
    const id = ladder[i]!;
    const size = UNITS[id].size;
    const n = ml / size;
    // A quarter of the tool is the least it can measure; only the teaspoon goes down to an eighth.
    const last = i === ladder.length - 1;
    if (!last && n < (id === "us-cup" || id === "imp-pint" ? 0.245 : 0.97)) continue;
    const single = snap(n, fractionsOf(id, last));
    const error = (single * size - ml) / ml;
    if (single > 0 && Math.abs(error) <= limit / 2)
      return { text: written(id, single, system), exact, error };
    // Cups come in quarters, spoons in halves.
    const parts = id.endsWith("tbsp") ? 2 : 4;
    const whole = Math.floor(n * parts + 1e-9) / parts;
    for (const small of ladder.slice(i + 1)) {
      const left = ml - whole * size;
      const s = UNITS[small].size;
      if (whole <= 0 || left < 0.2 * s) continue;
      const k = snap(left / s, small.endsWith("tsp") ? FRACTIONS : SPOONS);
      const e = (whole * size + k * s - ml) / ml;
      if (k > 0 && Math.abs(e) <= limit)
        return { text: `${written(id, whole, system)} + ${written(small, k, system)}`, exact, error: e };
    }
    if (single > 0 && Math.abs(error) <= limit) return { text: written(id, single, system), exact, error };
  }
  return { text: exact, exact, error: 0 };
}

/** A volume that is only known about: in one tool, within an eighth; nothing where none is so near. */
export function printAbout(ml: number, system: UnitSystem): string | undefined {
  const near = 1 / 8;
  for (const id of system === "metric" ? [] : LADDER[system]) {
    const n = snap(ml / UNITS[id].size, fractionsOf(id, id.endsWith("tsp")));
    const least = id.endsWith("cup") || id.endsWith("pint") ? 0.25 : 0.5;
    if (n >= least && Math.abs(n * UNITS[id].size - ml) <= near * ml) return written(id, n, system);
  }
  return undefined;
}

/** A mass: grams for metric, ounces and pounds beside grams elsewhere. */
export function printMass(g: number, system: UnitSystem): Printed {
  const exact = printG(g);
  if (system === "metric" || g < 3) return { text: exact, exact, error: 0 };
  const oz = g / UNITS.oz.size;
  const n = oz < 1 ? Math.round(oz * 20) / 20 : Math.round(oz * 4) / 4;
  const error = (n * UNITS.oz.size - g) / g;
  return Math.abs(error) <= 0.03
    ? { text: written("oz", n, system), exact, error }
    : { text: exact, exact, error: 0 };
}

/** A length: centimetres, or inches where the household measures so. */
export function printLength(cm: number, unit: "cm" | "in"): string {
  return unit === "cm"
    ? `${cm.toFixed(1)} cm`
    : `${printFigures(Math.round((cm / CM_PER_INCH) * 10) / 10)} in`;
}

/** A temperature, °C inside, as the household reads its thermometer. */
export const printTemperature = (celsius: number, unit: "C" | "F"): string =>
  unit === "C" ? `${printFigures(Math.round(celsius))} °C` : `${Math.round((celsius * 9) / 5 + 32)} °F`;
