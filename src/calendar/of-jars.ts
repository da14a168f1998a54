import { TOUCH_WORDS, type TouchRule } from "../core/care/care";
import type { Away, StrainDay } from "../core/care/weeks";
import { type Day, addDays, daysBetween, printDay } from "../core/day";
import type { Jar } from "../core/journal/jar";
import { capital } from "../core/words";
import type { CalendarItem } from "./item";

/** Minutes before a day to strain begins that it rings: seven the evening before. */
const EVENING_BEFORE = 5 * 60;

type Base = Pick<CalendarItem, "sequence" | "modified">;

const baseOf = (b: Jar): Base => ({ sequence: b.seq, modified: b.changedAt });

/** Days on which a touch was done. */
const doneDays = (b: Jar, sort: TouchRule["sort"]): readonly Day[] =>
  b.touched.filter((t) => t.sort === sort).map((t) => t.day);

/** Every day from one to another; none where they are the wrong way round. */
const daysFromTo = (from: Day, to: Day): Day[] =>
  Array.from({ length: Math.max(0, daysBetween(from, to) + 1) }, (_, i) => addDays(from, i));

/** The second time of a day: twelve hours on, or at eight in the evening. */
const laterThat = (at: string): string => {
  const hour = Number(at.slice(0, 2)) + 12;
  return hour < 24 ? `${hour}${at.slice(2)}` : "20:00";
};

/** A touch that is done twice a day has two series; what was done once leaves the evening's. */
function seriesOf(b: Jar, r: TouchRule, at: string, away: readonly Away[]): CalendarItem[] {
  const first = series(b, r, at, away, doneDays(b, r.sort));
  if (!r.twice) return [first];
  const days = doneDays(b, r.sort);
  const twice = days.filter((d, i) => days.indexOf(d) !== i);
  const second = series(b, r, laterThat(at), away, twice);
  return [first, { ...second, uid: `${b.id}-${r.sort}-again@jolly-crock` }];
}

function series(b: Jar, r: TouchRule, at: string, away: readonly Away[], done: readonly Day[]): CalendarItem {
  const from = addDays(b.begunDay, r.from);
  const until = addDays(b.begunDay, r.to);
  // Only days of the series itself can fall away from it.
  const mine = (d: Day): boolean => d >= from && d <= until && daysBetween(from, d) % r.every === 0;
  const gone = away.flatMap((a) => daysFromTo(a.from > from ? a.from : from, a.to < until ? a.to : until));
  const except = [...new Set([...done, ...gone])].filter(mine);
  return {
    ...baseOf(b),
    uid: `${b.id}-${r.sort}@jolly-crock`,
    summary: `${TOUCH_WORDS[r.sort]}: ${b.code} ${b.name}`,
    details: `${capital(r.why)}.`,
    when: { what: "series", from, at, everyDays: r.every, until, except: except.sort() },
  };
}

/** Looks of the first days are one item over those days. */
const firstDays = (b: Jar, r: TouchRule): CalendarItem => ({
  ...baseOf(b),
  uid: `${b.id}-${r.sort}@jolly-crock`,
  summary: `${TOUCH_WORDS[r.sort]}: ${b.code} ${b.name}`,
  details: `${capital(r.why)}.`,
  when: { what: "days", from: addDays(b.begunDay, r.from), to: addDays(b.begunDay, r.to) },
});

/** What a working jar puts into the calendar: its touches on the days somebody is home, its window, and the day it is to be strained. */
export function itemsOfJar(
  b: Jar,
  strain: StrainDay | undefined,
  at: string,
  away: readonly Away[] = [],
): CalendarItem[] {
  const touches = b.care.rules.flatMap((r) =>
    r.sort === "top-up" || r.sort === "look" ? [firstDays(b, r)] : seriesOf(b, r, at, away),
  );
  const w = b.care.window;
  if (!w || !strain) return touches;
  const [earliest, latest] = [addDays(b.begunDay, w.earliest), addDays(b.begunDay, w.latest)];
  return [
    ...touches,
    {
      ...baseOf(b),
      uid: `${b.id}-window@jolly-crock`,
      summary: `May be strained: ${b.code} ${b.name}`,
      details: `Best ${printDay(addDays(b.begunDay, w.best), "long", b.begunDay)}.`,
      when: { what: "days", from: earliest, to: latest },
    },
    {
      ...baseOf(b),
      uid: `${b.id}-strain@jolly-crock`,
      summary: `Strain ${b.code} ${b.name}`,
      details: strain.fits === "away" ? "Nobody is home in all of its window: move it, or ask somebody." : "",
      when: { what: "days", from: strain.day, to: strain.day },
      alarm: EVENING_BEFORE,
    },
  ];
}
