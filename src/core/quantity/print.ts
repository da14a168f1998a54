import { printCount } from "./number";
import { UNITS, type Household } from "./units";

export interface Printed {
  /** Kitchen words, e.g. `1¾ cups + 1 tbsp`. */
  readonly text: string;
  /** The same in millilitres or grams, e.g. `429 mL`. */
  readonly exact: string;
  /** Relative rounding error of `text`, signed. */
  readonly error: number;
}

const LADDER: Readonly<Record<Household, readonly string[]>> = {
  us: ["us-cup", "us-tbsp", "us-tsp"],
  metric: ["ml"],
  imperial: ["imp-pint", "imp-floz", "metric-tbsp", "metric-tsp"],
};
const FRACTIONS = [0, 1 / 8, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];
const COARSE = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];

function snap(n: number, to: readonly number[]): number {
  const whole = Math.floor(n);
  let best = whole;
  for (const f of [...to, 1]) if (Math.abs(whole + f - n) < Math.abs(best - n)) best = whole + f;
  return best;
}

const written = (id: string, n: number): string => `${printCount(n)} ${n > 1 + 1e-9 ? UNITS[id]!.many : UNITS[id]!.one}`;

/** mL rounded to what a jug can show, within 1 %. */
export function printMl(ml: number): string {
  if (ml >= 2000) return `${Number((ml / 1000).toFixed(2))} L`;
  return `${ml < 10 ? Number(ml.toPrecision(2)) : Math.round(ml)} mL`;
}

/** g rounded to what a kitchen scale can show, within 1 %. */
export function printG(g: number): string {
  if (g >= 2000) return `${Number((g / 1000).toFixed(2))} kg`;
  return `${g < 10 ? Number(g.toPrecision(2)) : Math.round(g)} g`;
}

/**
 * A volume in the household's measuring tools, at most two of them, within `limit` of the true value where the tools allow it
 * (below an eighth of a teaspoon the exact millilitres are shown).
 */
export function printVolume(ml: number, household: Household, limit = 0.03): Printed {
  const exact = printMl(ml);
  if (household === "metric" || ml < UNITS["us-tsp"]!.size / 8) return { text: exact, exact, error: 0 };
  const ladder = LADDER[household];
  for (let i = 0; i < ladder.length; i++) {
    const id = ladder[i]!;
    const size = UNITS[id]!.size;
    const n = ml / size;
    // A quarter of the tool is the least it can measure; only the teaspoon goes down to an eighth.
    const last = i === ladder.length - 1;
    if (!last && n < (id === "us-cup" || id === "imp-pint" ? 0.245 : 0.97)) continue;
    const single = snap(n, last ? FRACTIONS : COARSE);
    const error = (single * size - ml) / ml;
    if (single > 0 && Math.abs(error) <= limit / 2) return { text: written(id, single), exact, error };
    const whole = Math.floor(n * 4 + 1e-9) / 4;
    for (const small of ladder.slice(i + 1)) {
      const left = ml - whole * size;
      const s = UNITS[small]!.size;
      if (whole <= 0 || left < 0.2 * s) continue;
      const k = snap(left / s, small.endsWith("tsp") ? FRACTIONS : [0, 1 / 3, 1 / 2, 2 / 3]);
      const e = (whole * size + k * s - ml) / ml;
      if (k > 0 && Math.abs(e) <= limit) return { text: `${written(id, whole)} + ${written(small, k)}`, exact, error: e };
    }
    if (single > 0 && Math.abs(error) <= limit) return { text: written(id, single), exact, error };
  }
  return { text: exact, exact, error: 0 };
}

/** A mass: grams for metric, ounces and pounds beside grams elsewhere. */
export function printMass(g: number, household: Household): Printed {
  const exact = printG(g);
  if (household === "metric" || g < 3) return { text: exact, exact, error: 0 };
  const oz = g / UNITS["oz"]!.size;
  const n = oz < 1 ? Math.round(oz * 20) / 20 : Math.round(oz * 4) / 4;
  const error = (n * UNITS["oz"]!.size - g) / g;
  return Math.abs(error) <= 0.03 ? { text: `${printCount(n)} oz`, exact, error } : { text: exact, exact, error: 0 };
}
