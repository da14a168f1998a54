/** A length of keeping; months are counted as 30 days so that no calendar lengthens a promise. */
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
  y4: life(1461, "four years"),
} as const;
/** The shorter of two lives; none where one is none. */
export function shorter(a: Life | null, b: Life | null): Life | null {
  if (a === null || b === null) return null;
  return a.days <= b.days ? a : b;
}
