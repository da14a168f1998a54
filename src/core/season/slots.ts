import { freeAgain } from "./batch";
import type { Option } from "./options";
import { POINTS, type Scales, type WeekLot, type WeekNeed, lotsOfStarts } from "./weigh";
import type { Start } from "./year";

/*
 * What remedies share, each limit with a place of its own in one row of numbers: hours of a day, hours of a week, room by the week, and vessels of a
 * size by the day.
 */

export interface Slots {
  readonly size: number;
  readonly day: (day: number) => number;
  readonly week: (day: number) => number;
  readonly room: (place: "fridge" | "freezer", week: number) => number;
  readonly vessel: (alike: number, day: number) => number;
}

export function slotsOf(days: number, weeks: number, alike: number): Slots {
  const sevens = Math.ceil(days / 7);
  const rooms = days + sevens;
  const vessels = rooms + 2 * weeks;
  return {
    size: vessels + alike * days,
    day: (d) => d,
    week: (d) => days + Math.floor(d / 7),
    room: (place, w) => rooms + (place === "fridge" ? 0 : weeks) + w,
    vessel: (a, d) => vessels + a * days + d,
  };
}

/** What something takes: places in the row, and how much of each. */
export interface Takes {
  readonly at: readonly number[];
  readonly by: readonly number[];
}

type Asked = Pick<Option, "remedy" | "alike" | "fill" | "day" | "strain">;

/** What beginning something takes, but for the room its bottles want. */
export function takesOf(scales: Omit<Scales, "options">, o: Asked): Takes {
  const { year, weeks, slots, alike, days } = scales;
  const m = year.wanted[o.remedy]!.making!;
  const sum = new Map<number, number>();
  const take = (at: number, by: number): void => void sum.set(at, (sum.get(at) ?? 0) + by);
  take(slots.day(o.day), m.hours.begin);
  take(slots.week(o.day), m.hours.begin);
  if (m.steep && o.strain < year.days) {
    take(slots.day(o.strain), m.hours.strain);
    take(slots.week(o.strain), m.hours.strain);
  }
  const end = freeAgain(o);
  for (const d of days) if (d >= o.day && d < end) take(slots.vessel(o.alike, d), 1);
  if (m.worksCold)
    for (let w = 0; w < weeks.count; w++)
      if (weeks.bounds[w + 1]! > o.day && weeks.bounds[w]! < o.strain)
        take(slots.room("fridge", w), alike[o.alike]!.of.ml * o.fill);
  return { at: [...sum.keys()], by: [...sum.values()] };
}

/** mL of lots in a place at the beginning of each week, poured the soonest to go first. */
export function standingBy(lots: readonly WeekLot[], need: WeekNeed, points: number): Float64Array {
  const out = new Float64Array(need.ml.length);
  const order = [...lots].sort((a, b) => a.until - b.until);
  const left = order.map((l) => l.ml);
  for (let w = 0; w < out.length; w++) {
    let lacks = need.ml[w]!;
    order.forEach((l, i) => {
      if (l.points === points && w >= l.stands && w <= l.until) out[w]! += left[i]!;
      if (l.from > w || l.until < w) return;
      const some = Math.min(left[i]!, lacks);
      left[i]! -= some;
      lacks -= some;
    });
  }
  return out;
}

const ROOMS = ["fridge", "freezer"] as const;

/** All limits of a household. */
export function limitsOf({ year, weeks, slots, alike }: Scales): Float64Array {
  const out = new Float64Array(slots.size);
  for (let d = 0; d < year.days; d++) {
    out[slots.day(d)] = year.hours.day;
    out[slots.week(d)] = year.hours.week;
    alike.forEach(({ ids }, a) => (out[slots.vessel(a, d)] = ids.length));
  }
  for (const place of ROOMS)
    for (let w = 0; w < weeks.count; w++) out[slots.room(place, w)] = year.room[place];
  return out;
}

/** What starts that stand, and the bottles there are, leave of the limits; never less than nothing. */
export function leftBy(scales: Scales, stand: readonly Start[]): Float64Array {
  const { year, slots, alike } = scales;
  const out = limitsOf(scales);
  for (const s of stand) {
    const remedy = scales.at.get(s.remedy);
    const a = alike.findIndex((k) => k.ids.includes(s.vessel));
    if (remedy === undefined || a < 0 || !year.wanted[remedy]!.making) continue;
    const takes = takesOf(scales, { ...s, remedy, alike: a });
    takes.at.forEach((at, i) => (out[at]! -= takes.by[i]!));
  }
  year.wanted.forEach((_, remedy) => {
    const lots = [...scales.stock[remedy]!, ...lotsOfStarts(scales, remedy, stand)];
    for (const place of ROOMS)
      if (lots.some((l) => l.points === POINTS[place]))
        standingBy(lots, scales.needs[remedy]!, POINTS[place]).forEach(
          (ml, w) => (out[slots.room(place, w)]! -= ml),
        );
  });
  return out.map((x) => Math.max(0, x));
}
