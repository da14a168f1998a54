import { z } from "zod";
import { type Day, addDays, daysBetween } from "../day";
import { KINDS } from "../plan/plan";
import { realDay } from "../real-day";
import { type LaidDown, byCourse } from "./by-course";
import type { PerMl } from "./course";
import type { SupplyBottle } from "./supply-bottle";

/** How much one of the household takes at a time, as it was said. */
const Taker = z.strictObject({
  who: z.string().trim().min(1, "Say who takes it.").max(60, "Keep the name under 60 letters."),
  ml: z
    .number()
    .positive("Say how much at a time, like “1 tsp”.")
    .max(250, "That is over a cup at a time. Say it as spoons or mL."),
  said: z.string().min(1, "Say how much at a time, like “1 tsp”.").max(60),
});
export type Taker = z.infer<typeof Taker>;

/** A remedy as the household takes it: several at once, each by their own measure, out of whichever bottle of it is to be used next. */
export const HouseCourse = z.strictObject({
  remedy: z.string().trim().min(1, "Say which remedy.").max(80),
  kind: z.enum(KINDS),
  takers: z
    .array(Taker)
    .min(1, "Say who takes it, and how much at a time.")
    .max(20, "Twenty at one table is the most here.")
    .refine(
      (all) => new Set(all.map((t) => t.who.toLowerCase())).size === all.length,
      "Somebody stands in it twice. Say their measure once.",
    ),
  times: z
    .number("Say how many times a day, like 1.")
    .int("Say how many times a day, like 1.")
    .min(1, "Say how many times a day: once or more.")
    .max(24, "That is more than once an hour. Say 24 times a day at most."),
  from: realDay("Write a day the calendar has, like 2026-12-01."),
  /** For so many days; until it is ended, where none is said. */
  days: z
    .number("Say for how many days, or leave it empty.")
    .int("Say for how many days, or leave it empty.")
    .min(1, "Say for how many days: one or more, or leave it empty.")
    .max(730, "Two years is the most here. Leave it empty for a course without an end.")
    .optional(),
  /** Days of rest after them, before it begins again. */
  rest: z.number().int().min(0, "Days of rest are nought or more.").max(365, "Say a year of rest at most."),
});
export type HouseCourse = z.infer<typeof HouseCourse>;

/** A course without an end, in days: longer than any stock lasts. */
const ENDLESS = 10_000;

/** Its last day, where it has one: a course with a rest begins again after it. */
export const lastDayOfCourse = ({ from, days, rest }: HouseCourse): Day | undefined =>
  days !== undefined && rest === 0 ? addDays(from, days - 1) : undefined;

/** The course of each who takes it, as far as days go. */
export const laidDown = (c: HouseCourse): LaidDown[] =>
  c.takers.map((t) => {
    const until = lastDayOfCourse(c);
    const { times, from, rest } = c;
    return { ml: t.ml, times, days: c.days ?? ENDLESS, rest, from, ...(until ? { until } : {}) };
  });

/** Whether it is taken on a day. */
export function isOn(c: HouseCourse, day: Day): boolean {
  const at = daysBetween(c.from, day);
  const last = lastDayOfCourse(c);
  if (at < 0 || (last !== undefined && day > last)) return false;
  return at % ((c.days ?? ENDLESS) + c.rest) < (c.days ?? ENDLESS);
}

export interface Whole {
  readonly days: number;
  readonly ml: number;
  readonly sugar: number;
  readonly alcohol: number;
  readonly bottles: number | undefined;
  readonly money: number | undefined;
}
export interface HouseCourseStands {
  /** mL a day, by all. */
  readonly dayMl: number;
  /** Of a day of it, by all: g. */
  readonly sugar: number;
  readonly alcohol: number;
  /** What a day of it cost, where that is known. */
  readonly money: number | undefined;
  /** The whole of a course with an end, by all: days it is taken, mL, g of sugar, bottles as large as those that stand there, money. */
  readonly whole: Whole | undefined;
  readonly on: boolean;
  readonly over: boolean;
  /** Day of it, from 1; of one that has not begun nought or less. */
  readonly day: number;
  readonly last: Day | undefined;
  /** The last day what stands there is enough for; nothing where it is enough to the end, or for longer than can be counted. */
  readonly enough: Day | undefined;
  /** Bottles that are not past their day, and mL in them. */
  readonly bottles: number;
  readonly stockMl: number;
  /** mL that is past its day before it is taken. */
  readonly lateMl: number;
  /** mL of a course with an end that nothing stands there for. */
  readonly lackMl: number;
}

/** All days of a course together. Bottles are counted as large as those that stand there; none where none do. */
function wholeOf(days: number, dayMl: number, per: PerMl | undefined, good: readonly SupplyBottle[]): Whole {
  const ml = days * dayMl;
  const each =
    good.reduce((sum, b) => sum + b.taken.reduce((ml, t) => ml + t.ml, b.leftMl), 0) /
    Math.max(1, good.length);
  return {
    days,
    ml,
    sugar: (per?.sugar ?? 0) * ml,
    alcohol: (per?.alcohol ?? 0) * ml,
    bottles: good.length > 0 ? Math.ceil(ml / each - 1e-6) : undefined,
    money: per?.money === undefined ? undefined : per.money * ml,
  };
}

/** How a course of the household stands on a day, over all bottles of its remedy. */
export function houseCourseStands(
  c: HouseCourse,
  bottles: readonly SupplyBottle[],
  {
    today,
    per,
    away = [],
  }: { readonly today: Day; readonly per: PerMl | undefined; readonly away?: Parameters<typeof byCourse>[3] },
): HouseCourseStands {
  const dayMl = c.takers.reduce((ml, t) => ml + t.ml, 0) * c.times;
  const last = lastDayOfCourse(c);
  const over = last !== undefined && today > last;
  const good = bottles.filter((b) => b.leftMl > 0 && b.bestBy >= today);
  const { out, lateMl } = over ? { out: undefined, lateMl: 0 } : byCourse(laidDown(c), good, today, away);
  const enough = last !== undefined && out !== undefined && out >= last ? undefined : out;
  const short =
    last === undefined || enough === undefined
      ? 0
      : daysBetween(enough < today ? addDays(today, -1) : enough, last);
  return {
    dayMl,
    sugar: (per?.sugar ?? 0) * dayMl,
    alcohol: (per?.alcohol ?? 0) * dayMl,
    money: per?.money === undefined ? undefined : per.money * dayMl,
    whole: c.days === undefined ? undefined : wholeOf(c.days, dayMl, per, good),
    on: isOn(c, today),
    over,
    day: daysBetween(c.from, today) + 1,
    last,
    enough,
    bottles: good.length,
    stockMl: good.reduce((ml, b) => ml + b.leftMl, 0),
    lateMl,
    lackMl: Math.max(0, short) * dayMl,
  };
}

/** One who takes it today, and how often they have. */
export interface TakesToday {
  readonly who: string;
  readonly ml: number;
  readonly said: string;
  readonly taken: number;
}
/** A course of the household as it stands today. */
export interface CourseNow {
  readonly id: string;
  readonly seq: number;
  readonly course: HouseCourse;
  readonly stands: HouseCourseStands;
  /** Today's, where it is taken today. */
  readonly takes: readonly TakesToday[];
  /** Bottles to pour from, the one to use next first. */
  readonly from: readonly {
    readonly id: string;
    readonly code: string;
    readonly left: number;
    readonly open: boolean;
  }[];
}
