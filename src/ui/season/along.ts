import { type Day, addDays, daysBetween } from "@/core/day";

/** The days that are drawn, from left to right, and where. Pixels. */
export interface Along {
  readonly today: Day;
  /** The first day and the last, counted from today. */
  readonly from: number;
  readonly to: number;
  /** How large letters are set, over the usual. */
  readonly k: number;
  /** Where the days begin and end. */
  readonly x0: number;
  readonly x1: number;
}

/** Days before today that are drawn: what works already began then. */
export const BEFORE = 45;
/** Under this width the year is drawn in pieces of so many days. */
const [NARROW, PIECE] = [640, 112];
/** Room at the left for today’s stroke, where names stand over the boards. */
const EDGE = 10;
/** Room for names at the left. */
const NAMES = 176;

export function alongOf(
  width: number,
  { today, days, first, k }: { today: Day; days: number; first: number; k: number },
): Along {
  if (width < NARROW * k)
    return { today, k, from: first, to: Math.min(days, first + PIECE), x0: EDGE, x1: width };
  return { today, k, from: -BEFORE, to: days, x0: NAMES * k, x1: width };
}
export const isNarrow = (a: Along): boolean => a.x0 === EDGE;
/** How far the next piece lies from one. */
export const NEXT_PIECE = 84;

export const xOf = (a: Along, day: number): number =>
  a.x0 + ((Math.min(a.to, Math.max(a.from, day)) - a.from) / (a.to - a.from)) * (a.x1 - a.x0);
/** The day under a place, rounded. */
export const dayAtX = (a: Along, x: number): number =>
  Math.round(a.from + ((x - a.x0) / (a.x1 - a.x0)) * (a.to - a.from));
export const isDrawn = (a: Along, from: number, to = from): boolean => to >= a.from && from <= a.to;

/** The firsts of the months that are drawn. */
export function firstsOf(a: Along): { readonly day: number; readonly name: string; readonly year: string }[] {
  const out: { day: number; name: string; year: string }[] = [];
  const begins = addDays(a.today, a.from);
  for (let d = `${begins.slice(0, 7)}-01`, n = 0; n < 16; n++) {
    const day = daysBetween(a.today, d);
    if (day > a.to) break;
    if (day >= a.from) out.push({ day, name: MONTH[Number(d.slice(5, 7)) - 1]!, year: d.slice(0, 4) });
    d = `${addDays(d, 32).slice(0, 7)}-01`;
  }
  return out;
}
export const MONTH = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"] as const; // prettier-ignore
