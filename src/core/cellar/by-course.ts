import { type Day, addDays, daysBetween } from "../day";
import type { SupplyBottle } from "./supply-bottle";

/** Days looked ahead. */
export const HORIZON = 900;
/** Days nobody is at home. */
interface Away {
  readonly from: Day;
  readonly to: Day;
}

/** A course as far as days go: so much a day, for so many days, then rest, over and over from its first day. */
export interface LaidDown {
  readonly ml: number;
  readonly times: number;
  readonly days: number;
  readonly rest: number;
  readonly from: Day;
  /** Its last day, where it has one and does not begin again. */
  readonly until?: Day;
}
/** mL a course takes so many days after a day; nothing before it begins, nor in its rest. */
function courseOn(c: LaidDown, today: Day): (days: number) => number {
  const before = daysBetween(c.from, today);
  const last = c.until === undefined ? Infinity : daysBetween(c.from, c.until);
  return (days) => {
    const at = before + days;
    if (at < 0 || at > last) return 0;
    return at % (c.days + c.rest) < c.days ? c.ml * c.times : 0;
  };
}

/** mL that courses take on each of so many days from a day on. */
export function courseUse(courses: readonly LaidDown[], today: Day, days: number): Float64Array {
  const uses = courses.map((c) => courseOn(c, today));
  return Float64Array.from({ length: days }, (_, t) => uses.reduce((ml, of) => ml + of(t), 0));
}

/** What was poured against a course that was laid down: this far from it, over so many days of it, it is no longer what is done. */
const [FAR_FROM_IT, DAYS_TO_TELL] = [0.25, 10];
export function isKept(courses: readonly LaidDown[], bottles: readonly SupplyBottle[], today: Day): boolean {
  const from = courses.map((c) => c.from).sort()[0]!;
  const run = daysBetween(from, today);
  if (run < DAYS_TO_TELL) return true;
  let expected = 0;
  for (const c of courses) {
    const on = courseOn(c, from);
    for (let t = 0; t < run; t++) expected += on(t);
  }
  const poured = bottles
    .flatMap((b) => b.taken)
    .filter((t) => t.from >= from && t.to < today)
    .reduce((ml, t) => ml + t.ml, 0);
  return expected > 0 && Math.abs(poured / expected - 1) <= FAR_FROM_IT;
}

/** When what stands there is used up by its courses, and what of it is past its day before it is: no likelihood, days are counted. */
export function byCourse(
  courses: readonly LaidDown[],
  good: readonly SupplyBottle[],
  today: Day,
  away: readonly Away[],
): { readonly out: Day | undefined; readonly lateMl: number } {
  const uses = courses.map((c) => courseOn(c, today));
  const gone = daysAway(away, today);
  const left = [...good]
    .sort((a, b) => (a.bestBy < b.bestBy ? -1 : 1))
    .map((b) => ({ ml: b.leftMl, by: b.bestBy }));
  let lateMl = 0;
  // What was poured today already is out of the bottle; what is still to come today is not known, so the count begins with today.
  for (let t = 0; t <= HORIZON; t++) {
    const day = addDays(today, t);
    for (const b of left) if (b.by < day && b.ml > 0) [lateMl, b.ml] = [lateMl + b.ml, 0];
    let wants = gone[t] ? 0 : uses.reduce((ml, of) => ml + of(t), 0);
    for (const b of left) {
      const some = Math.min(b.ml, wants);
      b.ml -= some;
      wants -= some;
    }
    if (wants > 1e-3 || left.every((b) => b.ml <= 1e-3)) {
      const last = wants > 1e-3 ? addDays(today, t - 1) : day;
      return { out: last < today ? today : last, lateMl };
    }
  }
  return { out: undefined, lateMl };
}

/** Which of the days ahead nobody is at home, from tomorrow as 1. */
export function daysAway(away: readonly Away[], today: Day): Uint8Array {
  const gone = new Uint8Array(HORIZON + 1);
  for (const a of away)
    for (
      let t = Math.max(1, daysBetween(today, a.from));
      t <= Math.min(HORIZON, daysBetween(today, a.to));
      t++
    )
      gone[t] = 1;
  return gone;
}
