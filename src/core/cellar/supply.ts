import { type Day, addDays, daysBetween } from "../day";
import { FOUR_IN_FIVE } from "../estimate";
import { HORIZON, type LaidDown, byCourse, daysAway, isKept } from "./by-course";
import type { SupplyBottle } from "./supply-bottle";

export type { SupplyBottle, Taken } from "./supply-bottle";

export interface Supply {
  /** mL there is that is not past its day. */
  readonly stockMl: number;
  /** mL of it that will be past its day before it is used, at this rate. */
  readonly lateMl: number;
  /** mL used a week, over the weeks there was any. */
  readonly perWeekMl: number;
  /** Weeks it was learned from. */
  readonly weeks: number;
  /** The day is counted by a course that was laid down, not learned from what was used. */
  readonly counted?: true;
  /** The day it runs out: an even chance by `likely`, four in five between `early` and `late`; undefined later than it can be said. */
  readonly out:
    { readonly early: Day; readonly likely: Day | undefined; readonly late: Day | undefined } | undefined;
}

/** Weeks looked back over: two winters. */
const MOST_WEEKS = 104;
/** Fewer weeks, or fewer times, than these say nothing yet. */
const LEAST_WEEKS = 4;
const LEAST_TIMES = 3;
/** A month leans towards the whole year's rate as by so many weeks of it. */
const MONTH_PRIOR = 10;
/** Weeks in a group: colds come in runs, so single weeks would look steadier than months are. */
const RUN = 4;
/** Groups the usual unsteadiness counts as, until the household's own is known. */
const RUN_PRIOR = 1.5;
/** Share by which the rate of the months to come differs from that of the months seen, for reasons nobody wrote down. */
const DRIFT = 0.45;

interface Week {
  readonly month: number;
  /** Share of it in which there was any. */
  readonly there: number;
  readonly ml: number;
}

const monthOf = (day: Day): number => Number(day.slice(5, 7)) - 1;
/** The month so many days after a day, to a day or two: by mean months, since a thousand are asked for at a time. */
function monthsFrom(day: Day): (days: number) => number {
  const at = monthOf(day) + (Number(day.slice(8)) - 0.5) / 30.44;
  return (days) => ((Math.floor(at + days / 30.44) % 12) + 12) % 12;
}

/** mL of each day back from yesterday, and whether there was any that day. */
function daysBack(
  bottles: readonly SupplyBottle[],
  today: Day,
  days: number,
): { ml: Float64Array; there: Uint8Array } {
  const ml = new Float64Array(days);
  const there = new Uint8Array(days);
  for (const b of bottles) {
    const first = Math.min(days - 1, daysBetween(b.filled, today) - 1);
    const last = b.gone ? daysBetween(b.gone, today) : 0;
    for (let back = last; back <= first; back++) there[back] = 1;
    for (const t of b.taken) {
      const n = daysBetween(t.from, t.to) + 1;
      const begun = daysBetween(t.from, today) - 1;
      for (let k = 0; k < n; k++) {
        const back = begun - k;
        if (back < 0 || back >= days) continue;
        ml[back] = ml[back]! + t.ml / n;
        there[back] = 1;
      }
    }
  }
  return { ml, there };
}

/** Weeks in which there was any, newest first; those with less than two days of it tell nothing. */
function weeksOf(bottles: readonly SupplyBottle[], today: Day, away: NonNullable<Around["away"]>): Week[] {
  const first = bottles.reduce((d, b) => (b.filled < d ? b.filled : d), today);
  const weeks = Math.min(MOST_WEEKS, Math.floor(daysBetween(first, today) / 7));
  const { ml, there } = daysBack(bottles, today, weeks * 7);
  // Only the days away are gone through: there are few, and a cellar has many remedies.
  for (const a of away) {
    const last = Math.min(there.length - 1, daysBetween(a.from, today) - 1);
    for (let back = Math.max(0, daysBetween(a.to, today) - 1); back <= last; back++)
      if (ml[back] === 0) there[back] = 0;
  }
  const month = monthsFrom(today);
  return Array.from({ length: weeks }, (_, w): Week => {
    const days = [0, 1, 2, 3, 4, 5, 6].map((d) => w * 7 + d);
    return {
      month: month(-(w * 7 + 4)),
      there: days.reduce((n, d) => n + there[d]!, 0) / 7,
      ml: days.reduce((n, d) => n + ml[d]!, 0),
    };
  }).filter((w) => w.there > 0.2);
}

const total = (weeks: readonly Week[], of: (w: Week) => number): number =>
  weeks.reduce((n, w) => n + of(w), 0);

/** How many times the year's rate each month has, each leaning towards one while little is known of it; one all year before a year is seen. */
function monthsOf(weeks: readonly Week[], rate: number): readonly number[] {
  const seen = total(weeks, (w) => w.there) >= 50;
  return Array.from({ length: 12 }, (_, m) => {
    if (!seen) return 1;
    const near = weeks.filter((w) => Math.min((w.month - m + 12) % 12, (m - w.month + 12) % 12) <= 1);
    return (
      (total(near, (w) => w.ml) + MONTH_PRIOR * rate) / (rate * (total(near, (w) => w.there) + MONTH_PRIOR))
    );
  });
}

/** mL of variance for each mL of use: how unsteady the household is over runs of four weeks, beside what is usual. */
function unsteadiness(weeks: readonly Week[], rate: number, months: readonly number[], dose: number): number {
  const usual = 6 * dose + 2 * rate;
  let [sum, groups] = [0, 0];
  for (let i = 0; i + RUN <= weeks.length; i += RUN) {
    const run = weeks.slice(i, i + RUN);
    const expected = total(run, (w) => w.there * rate * months[w.month]!);
    if (expected <= 0) continue;
    sum += (total(run, (w) => w.ml) - expected) ** 2 / expected;
    groups += 1;
  }
  return (sum + RUN_PRIOR * usual) / (Math.max(0, groups - 1) + RUN_PRIOR);
}

/** What of the stock will be past its day before it is used, first to go used first. */
function lateOf(bottles: readonly SupplyBottle[], today: Day, usedBy: (day: number) => number): number {
  let [before, late] = [0, 0];
  for (const b of [...bottles].sort((a, c) => (a.bestBy < c.bestBy ? -1 : 1))) {
    const days = Math.min(HORIZON, daysBetween(today, b.bestBy));
    const couldUse = Math.max(0, usedBy(days) - before);
    const used = Math.min(b.leftMl, couldUse);
    late += b.leftMl - used;
    before += used;
  }
  return late;
}

/** What is known of a household beside what it used. */
export interface Around {
  /** mL a week by the course as it is laid down: worth four weeks of seeing, until the weeks themselves tell. */
  readonly courseMl?: number | undefined;
  /** The courses laid down for what stands there: arithmetic to the day, until what is poured tells otherwise. */
  readonly courses?: readonly LaidDown[];
  /** Days nobody is at home: nothing is used on them, and nothing learned. */
  readonly away?: readonly { readonly from: Day; readonly to: Day }[];
}
/** Weeks of seeing a course is worth. */
const COURSE_WEEKS = 4;

/**
 * How long what there is of a remedy lasts: use a week is learned from what was poured and emptied while there was any (gamma–Poisson, by
 * month once a year is seen), and the days to come are spread by how unsteady the household has been. mL and days.
 * @returns undefined where nothing was ever used of it
 */
export function supplyOf(
  bottles: readonly SupplyBottle[],
  today: Day,
  { courseMl, courses = [], away = [] }: Around = {},
): Supply | undefined {
  const weeks = weeksOf(bottles, today, away);
  const times = bottles.flatMap((b) => b.taken).filter((t) => t.to < today);
  const n = total(weeks, (w) => w.there);
  const used = total(weeks, (w) => w.ml);
  const good = bottles.filter((b) => !b.gone && b.leftMl > 0 && b.bestBy >= today);
  const stockMl = good.reduce((sum, b) => sum + b.leftMl, 0);
  const laid = courseMl ? COURSE_WEEKS : 0;
  if (courses.length > 0 && isKept(courses, bottles, today)) {
    const { out, lateMl } = byCourse(courses, good, today, away);
    const perWeekMl = courses.reduce((ml, c) => ml + (7 * c.ml * c.times * c.days) / (c.days + c.rest), 0);
    const exactly = out === undefined ? undefined : { early: out, likely: out, late: out };
    return { stockMl, perWeekMl, weeks: 0, lateMl, counted: true, out: exactly };
  }
  if ((times.length === 0 || used <= 0) && laid === 0) return undefined;
  const rate = (used + laid * (courseMl ?? 0)) / (n + laid);
  const known = { stockMl, perWeekMl: rate, weeks: Math.round(n) };
  if (laid === 0 && (n < LEAST_WEEKS || times.length < LEAST_TIMES))
    return { ...known, lateMl: 0, out: undefined };
  const months = monthsOf(weeks, rate);
  const doses = times.reduce((sum, t) => sum + t.ml / (daysBetween(t.from, t.to) + 1), 0);
  const dose = times.length > 0 ? doses / times.length : rate / 14;
  const d = unsteadiness(weeks, rate, months, dose);
  // Of few runs seen, it is likelier that one was missed than that one was lent: one run more is looked for.
  const ahead = rate + d / (n + laid);
  const mean = new Float64Array(HORIZON + 1);
  const month = monthsFrom(today);
  const gone = daysAway(away, today);
  for (let t = 1; t <= HORIZON; t++)
    mean[t] = mean[t - 1]! + (gone[t] ? 0 : (ahead * months[month(t - 1)]!) / 7);
  const lateMl = lateOf(good, today, (t) => mean[t]!);
  const lasts = stockMl - lateMl;
  const last = good.reduce((day, b) => (b.bestBy > day ? b.bestBy : day), today);
  /** The first day by which it is used up, at a standard normal; no day can be said where that lies past the horizon. */
  const dayAt = (z: number): Day | undefined => {
    for (let t = 1; t <= HORIZON; t++) {
      const mu = mean[t]!;
      if (mu <= 0) continue;
      const v = d * mu * (1 + t / 7 / (n + laid)) + (DRIFT * mu) ** 2;
      const k = (mu * mu) / v;
      // A gamma's place on the normal scale (Wilson and Hilferty, 1931).
      const at = (Math.cbrt(lasts / mu) - 1 + 1 / (9 * k)) * 3 * Math.sqrt(k);
      if (at > z) continue;
      const day = addDays(today, t);
      return day < last ? day : last;
    }
    return undefined;
  };
  const early = lasts <= 0 ? today : dayAt(FOUR_IN_FIVE);
  return {
    ...known,
    lateMl,
    out: early === undefined ? undefined : { early, likely: dayAt(0), late: dayAt(-FOUR_IN_FIVE) },
  };
}

/** The last day to start a new one, so that it is ready when this may run out: a week is kept in hand. */
export const startBy = (early: Day, daysToReady: number): Day => addDays(early, -(daysToReady + 7));
