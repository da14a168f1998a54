import { Temporal } from "temporal-polyfill";

/** A plain calendar day in the household's zone, `YYYY-MM-DD`. Care falls on days, so no clock change moves it. */
export type Day = string;

const FIRST = Temporal.PlainDate.from("1970-01-01");
/** Days asked for once are asked for again and again: each is counted once. */
const NUMBERS = new Map<Day, number>();
const DAYS = new Map<number, Day>();
const MOST_KEPT = 20_000;

/** Days since the first of 1970. Throws on what is no day. */
function numberOf(day: Day): number {
  const known = NUMBERS.get(day);
  if (known !== undefined) return known;
  const n = FIRST.until(Temporal.PlainDate.from(day), { largestUnit: "days" }).days;
  if (NUMBERS.size > MOST_KEPT) NUMBERS.clear();
  NUMBERS.set(day, n);
  return n;
}

export function addDays(day: Day, n: number): Day {
  const at = numberOf(day) + Math.round(n);
  const known = DAYS.get(at);
  if (known !== undefined) return known;
  const is = FIRST.add({ days: at }).toString();
  if (DAYS.size > MOST_KEPT) DAYS.clear();
  DAYS.set(at, is);
  return is;
}

/** The same day of a month so many months on; the last of a shorter month. */
export const addMonths = (day: Day, n: number): Day =>
  Temporal.PlainDate.from(day).add({ months: n }).toString();

/** Whole days from one day to another; negative when `to` lies before `from`. */
export const daysBetween = (from: Day, to: Day): number => numberOf(to) - numberOf(from);

/** The household's calendar day at an instant. */
export const dayAt = (iso: string, zone: string): Day =>
  Temporal.Instant.from(iso).toZonedDateTimeISO(zone).toPlainDate().toString();

/** Whether a clock can be set by it, like Europe/London. */
export function isZone(zone: string): boolean {
  try {
    return /^[A-Za-z][\w+-]*(?:\/[\w+-]+)*$/.test(zone) && dayAt("2026-01-01T12:00:00Z", zone) !== "";
  } catch {
    return false;
  }
}

/** An ISO instant as milliseconds since the first of 1970. Throws on what is none. */
export const msOf = (iso: string): number => Temporal.Instant.from(iso).epochMilliseconds;

/** The instant at which a household's clock shows this time on this day. */
export const instantOf = (day: Day, time: string, zone: string): string =>
  Temporal.PlainDate.from(day).toZonedDateTime({ timeZone: zone, plainTime: time }).toInstant().toString();

const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];
const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** Further off than this a day and month alone would be taken for another year's. */
const HALF_A_YEAR = 182;

/**
 * `24 November`, `24 Nov`, `Tuesday 24 November`: with its year where, read on the day it is beside, it might be taken for another year's.
 * `year` says it always.
 */
export function printDay(day: Day, how: "year"): string;
export function printDay(day: Day, how: "long" | "short" | "weekday", beside: Day): string;
export function printDay(day: Day, how: "long" | "short" | "weekday" | "year", beside?: Day): string {
  const d = Temporal.PlainDate.from(day);
  const month = MONTHS[d.month - 1]!;
  const far = beside === undefined || Math.abs(daysBetween(beside, day)) > HALF_A_YEAR;
  const year = far ? ` ${d.year}` : "";
  if (how === "short") return `${d.day} ${month.slice(0, 3)}${year}`;
  if (how === "weekday") return `${WEEKDAYS[d.dayOfWeek - 1]} ${d.day} ${month}${year}`;
  return `${d.day} ${month}${year}`;
}

export const isDay = (text: string): boolean => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  try {
    Temporal.PlainDate.from(text, { overflow: "reject" });
    return true;
  } catch {
    return false;
  }
};
