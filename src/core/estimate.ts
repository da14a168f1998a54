/** A figure from the reckoning, in the unit its field name states, with its spread and what it rests on. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** What the figure rests on, one short sentence each. */
  readonly because: readonly string[];
}

/** A number and its spread, as typed or measured; `low <= value <= high`. */
export interface Span {
  readonly low: number;
  readonly value: number;
  readonly high: number;
}

export const exactly = (value: number): Span => ({ low: value, value, high: value });

export const between = (low: number, high: number): Span => ({ low, value: (low + high) / 2, high });

export const scaled = (s: Span, by: number): Span => ({
  low: s.low * by,
  value: s.value * by,
  high: s.high * by,
});

export function estimate(value: number, low: number, high: number, because: readonly string[]): Estimate {
  return { value, low: Math.min(low, value), high: Math.max(high, value), because };
}

/** Whether two of some figures differ by more than their spreads: the high of one lies under the low of another. */
export const standApart = (figures: readonly Pick<Estimate, "low" | "high">[]): boolean =>
  figures.some((a, i) => figures.slice(i + 1).some((b) => a.high < b.low - 1e-9 || b.high < a.low - 1e-9));

/** Standard deviations either side that hold four times in five. */
export const FOUR_IN_FIVE = 1.2816;
