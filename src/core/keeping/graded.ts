import type { Condition, Facts, Row } from "./rows";
import { LADDER, type Life, rungOf } from "./life";

/**
 * A line is where a promise ends, not where a liquid becomes another: who falls short of a row by a hair is a hair from what it promises. Short of it
 * by so much, the fridge still has the row's life less one rung of the ladder; by as much again, less two; until what holds by itself promises more.
 * pH is left out: 4.6 and 4.2 are lines of safety, and hold as they stand.
 */
const STEP = 0.012;
/** Water activities are counted by what is missing to 1, where a hundredth of anything typed moves more. */
const STEP_OF_DRYNESS = 0.04;

const scaleOf = (c: Condition): number =>
  c.quantity === "aw" || c.quantity === "dryness" ? 1 - c.line : Math.abs(c.line);

/** How many rungs short of a condition; 0 where it holds, nothing where it is none to be short of. */
function rungsShort(f: Facts, c: Condition): number | undefined {
  const at = c.is === "at least" ? f[c.quantity].low : f[c.quantity].high;
  const short = (c.is === "at least" ? c.line - at : at - c.line) / scaleOf(c);
  if (short <= 0) return 0;
  if (c.quantity === "ph") return undefined;
  return 1 + Math.floor(short / (c.quantity === "aw" || c.quantity === "dryness" ? STEP_OF_DRYNESS : STEP));
}

/** What a row that is missed still leaves of its life, in the fridge; nothing where it is missed by too much. */
export function leftOf(f: Facts, row: Row): Life | undefined {
  if (row.also && !row.also(f)) return undefined;
  let short = 0;
  for (const c of row.conditions) {
    const rungs = rungsShort(f, c);
    if (rungs === undefined) return undefined;
    short = Math.max(short, rungs);
  }
  const rung = rungOf(row.cupboard ?? row.fridge) - short;
  return short > 0 && rung > 0 ? LADDER[rung] : undefined;
}
