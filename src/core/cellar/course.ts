import { type Day, addDays, daysBetween } from "../day";
import type { Reckoning } from "../reckoning/reckon";
import { spoonOf } from "../reckoning/spoon";
import type { Taken } from "./supply";

/** A course as its maker lays it down: so much, so often, for so many days, then days of rest. The tool does arithmetic on it and nothing more. */
export interface Course {
  /** mL at a time, and how it was said. */
  readonly ml: number;
  readonly said: string;
  readonly times: number;
  readonly days: number;
  readonly rest: number;
  readonly for: string | undefined;
  /** Its first day. */
  readonly from: Day;
}

/** What a mL of the remedy holds: g of sugar, of alcohol, of dried herb. */
export interface PerMl {
  readonly sugar: number;
  readonly alcohol: number;
  readonly herb: number;
  /** What it cost, in the household's money, where its prices are known. */
  readonly money?: number;
}

/** What a mL of a remedy holds, by its reckoning. */
export function perMlOf(r: Reckoning): PerMl {
  const spoon = spoonOf(r);
  const of = (e: { readonly value: number }): number => e.value / r.spoonMl;
  return { sugar: of(spoon.sugar), alcohol: of(spoon.alcohol), herb: of(spoon.herb) };
}

export interface CourseStands {
  readonly dayMl: number;
  readonly wholeMl: number;
  /** Of a day of it: g. */
  readonly sugar: number;
  readonly alcohol: number;
  readonly herb: number;
  /** Whole courses in what is left, and mL over. */
  readonly courses: number;
  readonly overMl: number;
  /** Days of it that what is left is enough for. */
  readonly daysLeft: number;
  readonly last: Day;
  /** The first day a next course may begin. */
  readonly restUntil: Day;
  readonly stage: "to come" | "running" | "rest" | "done";
  /** Day of the course, from 1, while it runs. */
  readonly day: number;
  /** Times taken today, and how many times more were than the course says. */
  readonly today: number;
  readonly more: number;
}

/** Two pours are one taking where they come to one: half a spoon is half a time. */
const timesOf = (taken: readonly Taken[], on: Day, ml: number): number =>
  Math.round((taken.filter((t) => t.from === on && t.to === on).reduce((n, t) => n + t.ml, 0) / ml) * 10) /
  10;

/** Whole times of something in something: spoons and ounces agree to some millionths, and no day is lost to that. */
const whole = (times: number): number => Math.floor(times + 1e-4);

/** mL a week that a course takes over its own days and its rest. */
export const weeklyMl = (c: Pick<Course, "ml" | "times" | "days" | "rest">): number =>
  (7 * c.ml * c.times * c.days) / (c.days + c.rest);

/** How a course stands on a day, with so much left in its bottle. */
export function courseStands(
  c: Course,
  leftMl: number,
  per: PerMl,
  taken: readonly Taken[],
  today: Day,
): CourseStands {
  const dayMl = c.ml * c.times;
  const wholeMl = dayMl * c.days;
  const last = addDays(c.from, c.days - 1);
  const restUntil = addDays(last, c.rest + 1);
  const courses = whole(leftMl / wholeMl);
  const day = daysBetween(c.from, today) + 1;
  const times = timesOf(taken, today, c.ml);
  return {
    dayMl,
    wholeMl,
    sugar: per.sugar * dayMl,
    alcohol: per.alcohol * dayMl,
    herb: per.herb * dayMl,
    courses,
    overMl: Math.max(0, leftMl - courses * wholeMl),
    daysLeft: whole(leftMl / dayMl),
    last,
    restUntil,
    stage: stageOf(c, today, last, restUntil),
    day,
    today: times,
    more: Math.max(0, Math.round((times - c.times) * 10) / 10),
  };
}

function stageOf(c: Course, today: Day, last: Day, restUntil: Day): CourseStands["stage"] {
  if (today < c.from) return "to come";
  if (today <= last) return "running";
  return today < restUntil ? "rest" : "done";
}
