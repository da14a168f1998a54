import { z } from "zod";
import { type Day, addDays, daysBetween } from "../day";
import { realDay } from "../real-day";

export const WEEKDAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
export type Weekday = (typeof WEEKDAYS)[number];
export const WEEKDAY_WORDS: Readonly<Record<Weekday, string>> = {
  mon: "Monday",
  tue: "Tuesday",
  wed: "Wednesday",
  thu: "Thursday",
  fri: "Friday",
  sat: "Saturday",
  sun: "Sunday",
};

const awayDay = realDay("Write a day the calendar has, like 2027-01-31.");
/** Days nobody is at home to strain, both ends counted. */
export const Away = z
  .strictObject({ from: awayDay, to: awayDay, why: z.string().trim().max(80).default("") })
  .refine((a) => a.from <= a.to, { message: "The last day away comes after the first.", path: ["to"] });
export type Away = z.infer<typeof Away>;

/** When a household is at home, and on which days of the week it strains; any, where none is named. */
export interface Weeks {
  readonly strainDays: readonly Weekday[];
  readonly away: readonly Away[];
}
export const ALWAYS_HOME: Weeks = { strainDays: [], away: [] };

/** The first of 1970 was a Thursday. */
export const weekdayOf = (day: Day): Weekday =>
  WEEKDAYS[(((daysBetween("1970-01-01", day) + 3) % 7) + 7) % 7]!;

export const isAway = (day: Day, { away }: Weeks): boolean => away.some((a) => a.from <= day && day <= a.to);

/** Whether jars are strained on such a day. */
const isFor = (day: Day, weeks: Weeks): boolean =>
  !isAway(day, weeks) && (weeks.strainDays.length === 0 || weeks.strainDays.includes(weekdayOf(day)));

/** A straining window as days of the calendar. */
export interface DayWindow {
  readonly earliest: Day;
  readonly best: Day;
  readonly latest: Day;
}

/** The day to strain on, as near the best as the household allows. */
export interface StrainDay {
  readonly day: Day;
  /** `suits`; `off-day`: somebody is home, but not on a straining day; `away`: nobody is home in the whole window. */
  readonly fits: "suits" | "off-day" | "away";
}

/** Days of a window from the best outward, later before earlier: a day over harms a jar less than a day short. */
function* outward({ earliest, best, latest }: DayWindow): Generator<Day> {
  for (let n = 0; n <= Math.max(daysBetween(earliest, best), daysBetween(best, latest)); n++) {
    if (addDays(best, n) <= latest) yield addDays(best, n);
    if (n > 0 && addDays(best, -n) >= earliest) yield addDays(best, -n);
  }
}

/** The day of a window that suits the household best. */
export function strainDayOf(w: DayWindow, weeks: Weeks): StrainDay {
  const days = [...outward(w)];
  const suits = days.find((d) => isFor(d, weeks));
  if (suits) return { day: suits, fits: "suits" };
  const home = days.find((d) => !isAway(d, weeks));
  return home ? { day: home, fits: "off-day" } : { day: w.best, fits: "away" };
}

/** Jars whose days come so near each other are strained in one go. */
const ONE_WEEK = 7;

/**
 * One day for jars that come due in one week, where a day suits them all; each by itself where none does.
 * @returns for each jar the day and how many others share it
 */
export function strainTogether(
  jars: readonly { readonly id: string; readonly window: DayWindow }[],
  weeks: Weeks,
): ReadonlyMap<string, StrainDay & { readonly others: number }> {
  const out = new Map<string, StrainDay & { readonly others: number }>();
  const waiting = [...jars].sort((a, b) => (a.window.best < b.window.best ? -1 : 1));
  while (waiting.length > 0) {
    const group = [waiting.shift()!];
    let shared = group[0]!.window;
    let day = strainDayOf(shared, weeks);
    for (const next of [...waiting]) {
      if (daysBetween(group[0]!.window.best, next.window.best) >= ONE_WEEK) break;
      const both = meet(shared, next.window);
      const on = both && strainDayOf(both, weeks);
      if (!both || on?.fits !== "suits") continue;
      group.push(next);
      waiting.splice(waiting.indexOf(next), 1);
      [shared, day] = [both, on];
    }
    for (const jar of group) out.set(jar.id, { ...day, others: group.length - 1 });
  }
  return out;
}

/** Where two windows meet, best between their bests; nothing where they do not. */
function meet(a: DayWindow, b: DayWindow): DayWindow | undefined {
  const earliest = a.earliest > b.earliest ? a.earliest : b.earliest;
  const latest = a.latest < b.latest ? a.latest : b.latest;
  if (earliest > latest) return undefined;
  const between = addDays(a.best, Math.round(daysBetween(a.best, b.best) / 2));
  const within = between < earliest ? earliest : between;
  return { earliest, latest, best: within > latest ? latest : within };
}
