import { type Day, addDays, daysBetween } from "../core/day";

/** Copies that are kept: so many of the last days, of the last weeks, of the last months. */
const [DAYS, WEEKS, MONTHS] = [7, 4, 12];

/** The Monday of a day's week. 1970 began on a Thursday. */
const weekOf = (day: Day): Day => addDays(day, -((daysBetween("1970-01-01", day) + 3) % 7));
const monthOf = (day: Day): string => day.slice(0, 7);

/** The first of each group, groups the newest first, as far as they are kept. */
function firsts(days: readonly Day[], of: (d: Day) => string, most: number): Day[] {
  const by = new Map<string, Day>();
  for (const d of days) by.set(of(d), d);
  return [...by.values()].slice(0, most);
}

/**
 * Of dated copies, those that stay: the last seven, the first of each of the last four weeks that have one, and of the last twelve months.
 * @param days days of which there is a copy, in any order
 */
export function copiesKept(days: readonly Day[]): ReadonlySet<Day> {
  const newest = [...new Set(days)].sort().reverse();
  return new Set([
    ...newest.slice(0, DAYS),
    ...firsts(newest, weekOf, WEEKS),
    ...firsts(newest, monthOf, MONTHS),
  ]);
}
