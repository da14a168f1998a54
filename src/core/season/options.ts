import { lotOf } from "./batch";
import { type Scales, type WeekLot, makingPoints, weekLot } from "./weigh";
import { type Takes, takesOf } from "./slots";
import { type PlanVessel, type Start, type StandsIn, fillsOf } from "./year";

/** Vessels that are alike: as large, of one sort, free from the same day. */
export interface Alike {
  readonly of: PlanVessel;
  readonly ids: readonly string[];
}
export function alikeOf(vessels: readonly PlanVessel[]): Alike[] {
  const by = new Map<string, { of: PlanVessel; ids: string[] }>();
  for (const v of vessels) {
    const key = `${v.ml} ${v.pot} ${v.free}`;
    const there = by.get(key);
    if (there) there.ids.push(v.id);
    else by.set(key, { of: v, ids: [v.id] });
  }
  return [...by.values()];
}

/** Something that could be begun. */
export interface Option {
  readonly remedy: number;
  readonly alike: number;
  readonly fill: number;
  readonly day: number;
  readonly strain: number;
  readonly in: StandsIn;
  readonly lot: WeekLot;
  readonly points: number;
  readonly takes: Takes;
}

/** The day a jar begun on a day is strained: of the days planned for it the nearest to its best. Nothing where none falls into its window. */
function strainOf(
  { year, weeks }: Pick<Scales, "year" | "weeks">,
  remedy: number,
  day: number,
): number | undefined {
  const steep = year.wanted[remedy]!.making!.steep;
  if (!steep) return day;
  const off = (s: number): number => Math.abs(s - day - steep.best);
  let best: number | undefined;
  for (let w = 0; w < weeks.count; w++) {
    const s = weeks.strain[w]!;
    if (s <= day || s < day + steep.earliest || s > day + steep.latest) continue;
    if (best === undefined || off(s) < off(best)) best = s;
  }
  return best;
}

/** Places worth standing in: one that keeps it no longer and wants room besides is none. */
const FREE: Readonly<Record<StandsIn, number>> = { cupboard: 0, freezer: 1, fridge: 2 };

/** Everything that could be begun of a remedy, on the days planned for it, that would be there within the year. */
export function optionsOf(scales: Omit<Scales, "options">, remedy: number): Option[] {
  const { year, weeks, alike } = scales;
  const wanted = year.wanted[remedy]!;
  const m = wanted.making;
  if (!m) return [];
  const places = m.keeps.filter(
    (k) => !m.keeps.some((o) => o !== k && o.days >= k.days && FREE[o.in] < FREE[k.in]),
  );
  const out: Option[] = [];
  for (let w = 0; w < weeks.count; w++) {
    const day = weeks.begin[w]!;
    if (day < 0 || !m.herbs[day]) continue;
    const strain = strainOf(scales, remedy, day);
    if (strain !== undefined)
      for (const k of places)
        alike.forEach(({ of }, a) => {
          if (of.pot !== m.pot || of.free > day) return;
          for (const fill of fillsOf(m)) {
            const start: Start = {
              ...{ id: "", remedy: wanted.id, vessel: of.id, fill, day, strain },
              in: k.in,
            };
            const lot = weekLot(lotOf(start, of, wanted), weeks);
            if (lot.until < lot.from) continue;
            const points = makingPoints(start, of, wanted);
            const asked = { remedy, alike: a, fill, day, strain };
            out.push({ ...asked, in: k.in, lot, points, takes: takesOf(scales, asked) });
          }
        });
  }
  return out;
}
