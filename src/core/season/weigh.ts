import { givesMl, lotOf } from "./batch";
import { wantedOn } from "./pour";
import type { Lot, Start, Wanted, Year } from "./year";
import { type Alike, type Option, alikeOf, optionsOf } from "./options";
import { type Slots, slotsOf } from "./slots";
import { type Weeks, weekFrom, weekOf, weekUntil, weeksOf } from "./weeks";

/** What a plan's aims weigh, in points: their order is the order of the aims. Fewer points, a better plan. */
export const POINTS = {
  /** A day without something that is never to run out, weighed by how much of it is wanted on a mean day. */
  never: 100,
  /** A day without another, by its weight. */
  without: 10,
  /** A litre past its day. */
  thrown: 20,
  /** A batch to begin, and a jar to strain. */
  making: 3,
  /** A litre in the fridge, or the ice box, for a week. */
  fridge: 0.2,
  freezer: 0.05,
  /** One of the household's money. */
  cost: 0.1,
} as const;

/** A lot as the weeks see it: there for the whole of weeks `from` to `until`; what is past its day within the year and not used is thrown out. */
export interface WeekLot {
  readonly ml: number;
  readonly from: number;
  readonly until: number;
  readonly ends: boolean;
  readonly points: number;
  /** Weeks it takes room for, and points for each litre-week. */
  readonly stands: number;
}

/** A remedy as the weeks see it. */
export interface WeekNeed {
  readonly ml: Float64Array;
  /** Points for each mL that is not there. */
  readonly price: number;
}

const FIRMLY = { cupboard: 0, fridge: POINTS.fridge, freezer: POINTS.freezer } as const;

export function weekLot(lot: Lot, weeks: Weeks): WeekLot {
  const days = weeks.bounds[weeks.count]!;
  return {
    ml: lot.ml,
    from: weekFrom(weeks, lot.from),
    until: lot.until >= days ? weeks.count - 1 : weekUntil(weeks, lot.until),
    ends: lot.until < days,
    points: FIRMLY[lot.in],
    stands: weekOf(weeks, Math.max(0, lot.from)),
  };
}

export function weekNeed(wanted: Wanted, weeks: Weeks): WeekNeed {
  const want = wantedOn(wanted);
  const ml = new Float64Array(weeks.count);
  let [sum, on] = [0, 0];
  for (let w = 0; w < weeks.count; w++)
    for (let d = weeks.bounds[w]!; d < weeks.bounds[w + 1]!; d++) {
      ml[w]! += want[d]!;
      sum += want[d]!;
      if (wanted.need[d]! > 0) on += 1;
    }
  const aDay = sum / Math.max(1, on || 7 * wanted.gifts.length);
  const points = wanted.never ? POINTS.never : POINTS.without * wanted.weight;
  return { ml, price: aDay > 0 ? points / aDay : 0 };
}

/** Points of one remedy's lots poured over its weeks, the soonest to go first; and what is short in each week, where that is asked. */
export function weighPour(lots: readonly WeekLot[], need: WeekNeed, short?: Float64Array): number {
  const order = [...lots].sort((a, b) => a.until - b.until || Number(b.ends) - Number(a.ends));
  const left = order.map((l) => l.ml);
  const count = need.ml.length;
  let points = 0;
  for (let w = 0; w < count; w++) {
    let lacks = need.ml[w]!;
    for (let i = 0; i < order.length; i++) {
      const l = order[i]!;
      if (l.points > 0 && w >= l.stands && w <= l.until) points += (l.points * left[i]!) / 1000;
      if (l.from > w || l.until < w) continue;
      const some = Math.min(left[i]!, lacks);
      left[i]! -= some;
      lacks -= some;
    }
    if (short) short[w] = lacks;
    points += lacks * need.price;
  }
  order.forEach((l, i) => {
    if (l.ends) points += (POINTS.thrown * left[i]!) / 1000;
  });
  return points;
}

/** Points of making it: its work, and its money. */
export const makingPoints = (s: Pick<Start, "fill">, vessel: Year["vessels"][number], w: Wanted): number =>
  POINTS.making * (w.making?.steep ? 2 : 1) + POINTS.cost * (w.making?.cost ?? 0) * givesMl(s, vessel, w);

/** A year made ready to be weighed, over and over. */
export interface Scales {
  readonly year: Year;
  readonly weeks: Weeks;
  readonly needs: readonly WeekNeed[];
  readonly stock: readonly (readonly WeekLot[])[];
  readonly at: ReadonlyMap<string, number>;
  readonly vesselAt: ReadonlyMap<string, number>;
  readonly alike: readonly Alike[];
  /** Days on which something may be begun or strained, or is by what the maker set. */
  readonly days: readonly number[];
  readonly slots: Slots;
  /** Everything that could be begun of each remedy. */
  readonly options: readonly (readonly Option[])[];
}

/** @param set starts that stand already: their days are looked at too */
export function scalesOf(year: Year, set: readonly Start[] = []): Scales {
  const weeks = weeksOf(year);
  const alike = alikeOf(year.vessels);
  const days = new Set([...weeks.begin, ...weeks.strain, ...set.map((s) => s.day)]);
  const scales = {
    ...{ year, weeks, alike },
    needs: year.wanted.map((w) => weekNeed(w, weeks)),
    stock: year.wanted.map((w) => w.stock.map((l) => weekLot(l, weeks))),
    at: new Map(year.wanted.map((w, i) => [w.id, i])),
    vesselAt: new Map(year.vessels.map((v, i) => [v.id, i])),
    days: [...days].filter((d) => d >= 0 && d < year.days).sort((a, b) => a - b),
    slots: slotsOf(year.days, weeks.count, alike.length),
  };
  return { ...scales, options: year.wanted.map((_, i) => optionsOf(scales, i)) };
}

/** The starts of one remedy, as lots of the weeks; those nobody knows give none. */
export function lotsOfStarts(scales: Scales, remedy: number, starts: readonly Start[]): WeekLot[] {
  const { year, weeks } = scales;
  const w = year.wanted[remedy]!;
  return starts.flatMap((s) => {
    const v = scales.vesselAt.get(s.vessel);
    return s.remedy === w.id && v !== undefined ? [weekLot(lotOf(s, year.vessels[v]!, w), weeks)] : [];
  });
}

/** Points of one remedy under a plan. */
export function weighOne(scales: Scales, remedy: number, starts: readonly Start[]): number {
  const { year } = scales;
  const w = year.wanted[remedy]!;
  let points = weighPour(
    [...scales.stock[remedy]!, ...lotsOfStarts(scales, remedy, starts)],
    scales.needs[remedy]!,
  );
  for (const s of starts) {
    const v = scales.vesselAt.get(s.vessel);
    if (s.remedy === w.id && v !== undefined) points += makingPoints(s, year.vessels[v]!, w);
  }
  return points;
}

/** Points of a whole plan, by weeks. Fewer is better. */
export const weigh = (scales: Scales, starts: readonly Start[]): number =>
  scales.year.wanted.reduce((sum, _, i) => sum + weighOne(scales, i, starts), 0);
