/*
 * A linear programme with whole numbers in it, as plain arrays: built here, solved by whoever is handed in. The core knows no solver.
 */

export interface Programme {
  readonly cost: number[];
  readonly lower: number[];
  readonly upper: number[];
  readonly whole: boolean[];
  readonly rows: Row[];
  offset: number;
}
interface Row {
  readonly lower: number;
  readonly upper: number;
  readonly at: readonly number[];
  readonly by: readonly number[];
}

/** What a solver gives back. */
export interface Solved {
  /** Values of the columns; nothing where it found none. */
  readonly x: Float64Array | undefined;
  readonly value: number;
  /** No solution is better than this. */
  readonly bound: number;
  /** What one more of each row's limit would save, where it was solved without whole numbers. */
  readonly prices: Float64Array | undefined;
}
export interface How {
  readonly seconds: number;
  /** Shares of the value within which it need not look further. */
  readonly gap: number;
  /** Whole numbers need not be whole. */
  readonly relaxed?: boolean;
  /** Whole numbers of some columns, of a solution that is known already. */
  readonly from?: { readonly at: readonly number[]; readonly values: readonly number[] };
}
export type Solver = (p: Programme, how: How) => Solved;

export const emptyProgramme = (): Programme => ({
  ...{ cost: [], lower: [], upper: [], whole: [], rows: [] },
  offset: 0,
});

/** Adds a column. @returns where it stands */
export function column(p: Programme, cost: number, upper: number, whole = false): number {
  p.cost.push(cost);
  p.lower.push(0);
  p.upper.push(upper);
  p.whole.push(whole);
  return p.cost.length - 1;
}

/** Adds a row. @returns where it stands */
export function row(
  p: Programme,
  lower: number,
  upper: number,
  at: readonly number[],
  by: readonly number[],
): number {
  p.rows.push({ lower, upper, at, by });
  return p.rows.length - 1;
}
