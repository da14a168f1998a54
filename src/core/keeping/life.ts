import { type Day, addDays, addMonths, daysBetween } from "../day";

/** A length of keeping. Its days compare it with others, a month as thirty of them; its end is a day of the calendar. */
export interface Life {
  readonly days: number;
  readonly words: string;
}
const life = (days: number, words: string): Life => ({ days, words });
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

const MONTHS: Readonly<Record<string, number>> = {
  [LIVES.m1.words]: 1,
  [LIVES.m2.words]: 2,
  [LIVES.m3.words]: 3,
  [LIVES.m6.words]: 6,
  [LIVES.m8.words]: 8,
  [LIVES.y1.words]: 12,
  [LIVES.y2.words]: 24,
  [LIVES.y4.words]: 48,
};

/** The last day of a life that begins on a day: six months from 29 November are up on 29 May. */
export function endOf(l: Life, from: Day): Day {
  const months = MONTHS[l.words];
  return months === undefined ? addDays(from, l.days) : addMonths(from, months);
}
/** Days from a day to the end of a life that begins on it. */
export const daysFrom = (l: Life, from: Day): number => daysBetween(from, endOf(l, from));
