import { type Day, addDays, addMonths, daysBetween } from "../day";

/** A length of keeping. Its days compare it with others, a month as thirty of them; its end is a day of the calendar. */
export interface Life {
  readonly days: number;
  readonly words: string;
}
const life = (days: number, words: string): Life => ({ days, words });
/** Lives that are counted by the calendar's months, by the days they are compared by. A word may be changed; no date hangs on it. */
const MONTHS: ReadonlyMap<number, number> = new Map([
  [30, 1],
  [60, 2],
  [90, 3],
  [180, 6],
  [240, 8],
  [365, 12],
  [730, 24],
  [1461, 48],
]);
export const LIVES = {
  d3: life(3, "three days"),
  w1: life(7, "one week"),
  w2: life(14, "two weeks"),
  w4: life(28, "four weeks"),
  m1: life(30, "one month"),
  m2: life(60, "two months"),
  m3: life(90, "three months"),
  m6: life(180, "six months"),
  m8: life(240, "eight months"),
  y1: life(365, "one year"),
  y2: life(730, "two years"),
  y4: life(1461, "four years"),
} as const;
/** The lives there are, one rung above another; four weeks stand on the rung of a month. */
export const LADDER: readonly Life[] = [
  LIVES.d3, LIVES.w1, LIVES.w2, LIVES.m1, LIVES.m2, LIVES.m3, LIVES.m6, LIVES.m8, LIVES.y1, LIVES.y2, LIVES.y4,
]; // prettier-ignore
/** The rung a life stands on. */
export const rungOf = (l: Pick<Life, "days">): number =>
  l.days === LIVES.w4.days ? LADDER.indexOf(LIVES.m1) : LADDER.findLastIndex((x) => x.days <= l.days);

/** The shorter of two lives; none where one is none. */
export function shorter(a: Life | null, b: Life | null): Life | null {
  if (a === null || b === null) return null;
  return a.days <= b.days ? a : b;
}

/** So many days and no more: a life that is cut to a day, which no calendar month may stretch. */
export const cutTo = (days: number): number => (MONTHS.has(days) ? days - 1 : days);

/** The last day of a life that begins on a day: six months from 29 November are up on 29 May. */
export function endOf(l: Pick<Life, "days">, from: Day): Day {
  const months = MONTHS.get(l.days);
  return months === undefined ? addDays(from, l.days) : addMonths(from, months);
}
/** Days from a day to the end of a life that begins on it. */
export const daysFrom = (l: Pick<Life, "days">, from: Day): number => daysBetween(from, endOf(l, from));
