import { type Day, addDays, daysBetween } from "../day";
import { FOUR_IN_FIVE } from "../estimate";
import { type Swing, type Week, doubtOf, flatSwing, rateAt, roundFrom, swingOf } from "./swing";
import { HORIZON, type LaidDown, byCourse, courseUse, daysAway, isKept } from "./by-course";
import type { SupplyBottle, Taken } from "./supply-bottle";

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
/** Weeks in a run: colds come in runs, so single weeks would look steadier than months are; and in a long one, over which what was much evens out. */
const [RUN, LONG_RUN] = [4, 10];
/** How many times a week's unsteadiness a run's is, and a run's a long one's, until the household's own is known; and the runs that is worth. */
const USUAL_RUN = { times: 1.2, worth: 2 };
const USUAL_LONG_RUN = { times: 0.6, worth: 1 };
/** Doses a week's unsteadiness is looked for, before a week is seen. */
const USUAL_DOSES = 2;

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
  const round = roundFrom(today);
  return Array.from({ length: weeks }, (_, w): Week => {
    const days = [0, 1, 2, 3, 4, 5, 6].map((d) => w * 7 + d);
    return {
      round: round(-(w * 7 + 4)),
      there: days.reduce((n, d) => n + there[d]!, 0) / 7,
      ml: days.reduce((n, d) => n + ml[d]!, 0),
    };
  }).filter((w) => w.there > 0.2);
}

const total = (weeks: readonly Week[], of: (w: Week) => number): number =>
  weeks.reduce((n, w) => n + of(w), 0);

/** Of runs of so many weeks: their misses squared, each over what was looked for, and how many runs there were. */
function missesOf(weeks: readonly Week[], length: number, swing: Swing): { sum: number; runs: number } {
  let [sum, runs] = [0, 0];
  for (let i = 0; i + length <= weeks.length; i += length) {
    const run = weeks.slice(i, i + length);
    const expected = total(run, (w) => w.there * rateAt(swing, w.round));
    if (expected <= 0) continue;
    sum += (total(run, (w) => w.ml) - expected) ** 2 / expected;
    runs += 1;
  }
  return { sum, runs };
}

/** mL of variance for each mL of use: of weeks, of runs and of long runs, each leaning towards what the shorter ones say of it. */
function unsteadiness(weeks: readonly Week[], swing: Swing, dose: number): number {
  const leant = (length: number, towards: number, worth: number): number => {
    const { sum, runs } = missesOf(weeks, length, swing);
    return (sum + worth * towards) / (Math.max(0, runs - 1) + worth);
  };
  const ofWeeks = leant(1, USUAL_DOSES * dose, 1);
  const ofRuns = leant(RUN, USUAL_RUN.times * ofWeeks, USUAL_RUN.worth);
  return leant(LONG_RUN, USUAL_LONG_RUN.times * ofRuns, USUAL_LONG_RUN.worth);
}

/** What is looked for of the days to come: mL used up to each of them, and the variance of that. */
interface Ahead {
  readonly mean: Float64Array;
  readonly variance: Float64Array;
}
function aheadOf(
  swing: Swing,
  d: number,
  more: number,
  today: Day,
  away: NonNullable<Around["away"]>,
): Ahead {
  const mean = new Float64Array(HORIZON + 1);
  const variance = new Float64Array(HORIZON + 1);
  const round = roundFrom(today);
  const gone = daysAway(away, today);
  const x: [number, number, number] = [0, 0, 0];
  for (let t = 1; t <= HORIZON; t++) {
    const at = round(t - 1);
    const home = gone[t] ? 0 : 1 / 7;
    mean[t] = mean[t - 1]! + home * (rateAt(swing, at) + more);
    [x[0], x[1], x[2]] = [x[0] + home, x[1] + home * at[0], x[2] + home * at[1]];
    variance[t] = d * mean[t]! + doubtOf(swing, x);
  }
  return { mean, variance };
}

/** Runs that must be made up for by a wider word: how steady a household is, is itself guessed from few (Student's law, near enough). */
const widened = (runs: number): number => FOUR_IN_FIVE * (1 + 5 / (3 + runs));
/** Of few runs seen, it is likelier that one was missed than that one was lent: so many more are looked for. */
const MISSED = 3.5;

/** What of the stock will be past its day before it is used, first to go used first. */
function lateOf(bottles: readonly SupplyBottle[], today: Day, usedBy: (day: number) => number): number {
  let [before, late] = [0, 0];
  for (const b of [...bottles].sort((a, c) => (a.bestBy < c.bestBy ? -1 : 1))) {
    const days = daysBetween(today, b.bestBy);
    // Of a day farther off than is looked ahead, nothing can be called late.
    if (days > HORIZON) break;
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

/** What the weeks tell: the year's wave of use, and mL of variance for each mL. */
function learnedOf(
  weeks: readonly Week[],
  times: readonly Taken[],
  {
    rate,
    laid,
    courseMl,
  }: { readonly rate: number; readonly laid: number; readonly courseMl: number | undefined },
): { readonly swing: Swing; readonly d: number } {
  const doses = times.reduce((sum, t) => sum + t.ml / (daysBetween(t.from, t.to) + 1), 0);
  const dose = times.length > 0 ? doses / times.length : rate / 14;
  const swingAt = (d: number): Swing => swingOf(weeks, rate, d * rate, { weeks: laid, rate: courseMl ?? 0 });
  const swing = swingAt(unsteadiness(weeks, swingAt(unsteadiness(weeks, flatSwing(rate), dose)), dose));
  return { swing, d: unsteadiness(weeks, swing, dose) };
}

/** What is looked for of each day to come, mL; and how far a year, and a run of four weeks, may lie from it, as shares. */
export interface UseAhead {
  readonly perDay: Float64Array;
  readonly year: number;
  readonly run: number;
}

/**
 * Use of a remedy as it is looked for on so many days from a day on: by its courses to the day, or as it was learned from what was poured.
 * @returns undefined where nothing was ever used of it, or too little to tell
 */
export function expectedUse(
  bottles: readonly SupplyBottle[],
  today: Day,
  days: number,
  { courseMl, courses = [], away = [] }: Around = {},
): UseAhead | undefined {
  const gone = daysAway(away, today);
  if (courses.length > 0 && isKept(courses, bottles, today)) {
    const perDay = courseUse(courses, today, days).map((ml, t) => (gone[t] ? 0 : ml));
    return { perDay, year: 0, run: 0 };
  }
  const weeks = weeksOf(bottles, today, away);
  const times = bottles.flatMap((b) => b.taken).filter((t) => t.to < today);
  const laid = courseMl ? COURSE_WEEKS : 0;
  const n = total(weeks, (w) => w.there);
  const rate = (total(weeks, (w) => w.ml) + laid * (courseMl ?? 0)) / (n + laid);
  if (!(rate > 0) || (laid === 0 && (n < LEAST_WEEKS || times.length < LEAST_TIMES))) return undefined;
  const { swing, d } = learnedOf(weeks, times, { rate, laid, courseMl });
  const round = roundFrom(today);
  const perDay = Float64Array.from({ length: days }, (_, t) => (gone[t] ? 0 : rateAt(swing, round(t)) / 7));
  const yearMl = 52 * rate;
  const doubt = Math.sqrt(doubtOf(swing, [52, 0, 0])) / yearMl;
  return {
    perDay,
    year: Math.min(1, doubt),
    run: Math.min(1.5, Math.sqrt((d * RUN * rate) / (RUN * rate) ** 2)),
  };
}

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
  const { swing, d } = learnedOf(weeks, times, { rate, laid, courseMl });
  const { mean, variance } = aheadOf(swing, d, (MISSED * d) / (n + laid), today, away);
  const lateMl = lateOf(good, today, (t) => mean[t]!);
  const lasts = stockMl - lateMl;
  const last = good.reduce((day, b) => (b.bestBy > day ? b.bestBy : day), today);
  /** The first day by which it is used up, at a standard normal; no day can be said where that lies past the horizon. */
  const dayAt = (z: number): Day | undefined => {
    for (let t = 1; t <= HORIZON; t++) {
      const mu = mean[t]!;
      if (mu <= 0) continue;
      const k = (mu * mu) / variance[t]!;
      // A gamma's place on the normal scale (Wilson and Hilferty, 1931).
      const at = (Math.cbrt(lasts / mu) - 1 + 1 / (9 * k)) * 3 * Math.sqrt(k);
      if (at > z) continue;
      const day = addDays(today, t);
      return day < last ? day : last;
    }
    return undefined;
  };
  const z = widened(n / RUN);
  const early = lasts <= 0 ? today : dayAt(z);
  return {
    ...known,
    lateMl,
    out: early === undefined ? undefined : { early, likely: dayAt(0), late: dayAt(-z) },
  };
}

/** The last day to start a new one, so that it is ready when this may run out: a week is kept in hand. */
export const startBy = (early: Day, daysToReady: number): Day => addDays(early, -(daysToReady + 7));
