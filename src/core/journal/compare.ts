import { daysBetween } from "../day";
import { type Estimate, standApart } from "../estimate";
import { isLiquid } from "../material/material";
import { comparedFigure, known } from "../reckoning/compared";
import type { Batch } from "./fold";
import type { BatchReckoning } from "./reckon";

/** A batch with what it came to. */
export interface Side {
  readonly batch: Batch;
  readonly reckoned: BatchReckoning;
}

export const COMPARED = [
  "yield",
  "days",
  "sweetness",
  "sharpness",
  "strength",
  "keeping",
  "herb",
  "sugar",
  "alcohol",
] as const;
export type Compared = (typeof COMPARED)[number];

/** A figure of a batch, with its spread: mL, days from beginning to straining, °Bx, %, days of keeping, g a spoon. */
export function comparedOf({ batch, reckoned }: Side, row: Compared): Estimate | undefined {
  if (row !== "days") return comparedFigure(reckoned.reckoning, row);
  return batch.strainedDay ? known(daysBetween(batch.begunDay, batch.strainedDay)) : undefined;
}

/** Rows in which batches truly differ: two figures' spreads stand apart. */
export const comparedApart = (sides: readonly Side[]): ReadonlySet<Compared> =>
  new Set(COMPARED.filter((row) => standApart(sides.flatMap((s) => comparedOf(s, row) ?? []))));

/** One thing that went into any of them: how much into each, and whether that differs by more than its measuring. */
export interface ComparedLine {
  readonly material: string;
  readonly name: string;
  readonly liquid: boolean;
  /** g, or mL of a liquid, into each; nothing where it went into none of it. */
  readonly amounts: readonly (Estimate | undefined)[];
  readonly apart: boolean;
}

const summed = (of: readonly Estimate[]): Estimate | undefined =>
  of.length === 0
    ? undefined
    : {
        value: of.reduce((n, e) => n + e.value, 0),
        low: of.reduce((n, e) => n + e.low, 0),
        high: of.reduce((n, e) => n + e.high, 0),
        because: [],
      };

/** What went into each, by material, in the order it first comes. */
export function linesCompared(sides: readonly Side[]): ComparedLine[] {
  const materials = new Map<string, { name: string; liquid: boolean }>();
  for (const { reckoned } of sides)
    for (const l of reckoned.program.lines)
      if (!materials.has(l.stuff.id))
        materials.set(l.stuff.id, { name: l.stuff.name, liquid: isLiquid(l.stuff) });
  return [...materials].map(([material, { name, liquid }]) => {
    const amounts = sides.map(({ reckoned: { program, reckoning } }) => {
      const ids = new Set(program.lines.filter((l) => l.stuff.id === material).map((l) => l.line.id));
      return summed(reckoning.lines.filter((l) => ids.has(l.id)).map((l) => (liquid ? l.ml : l.grams)));
    });
    const there = amounts.flatMap((a) => a ?? []);
    return { material, name, liquid, amounts, apart: there.length < sides.length || standApart(there) };
  });
}
