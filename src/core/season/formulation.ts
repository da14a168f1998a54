import { freeAgain } from "./batch";
import type { Option } from "./options";
import { type Programme, column, emptyProgramme, row } from "./programme";
import { leftBy } from "./slots";
import { POINTS, type Scales, type WeekLot, lotsOfStarts, makingPoints } from "./weigh";
import type { Start } from "./year";

/*
 * The year as a programme, by weeks: a start serves given weeks of want (each a column of mL), which no more of it can than is wanted there and
 * none where it is not begun. That form leaves far less between it and its relaxation than a balance of the stock would.
 */

export interface Formulated {
  readonly programme: Programme;
  readonly options: readonly Option[];
  /** Columns of the options, in their order. */
  readonly at: readonly number[];
}

/** What is free to be planned anew. */
export interface Free {
  readonly remedies: readonly number[];
  /** Options that may be chosen; all where it is not said. */
  readonly allows?: (o: Option) => boolean;
  /** Starts that stand. */
  readonly stand: readonly Start[];
  /** What sharing costs, by what is shared, where each remedy is looked at by itself. */
  readonly prices?: Float64Array;
}

interface Group {
  readonly lot: WeekLot;
  readonly columns: number[];
  readonly ml: number[];
}

/** What columns take of each thing that is shared. */
type Taking = Map<number, Map<number, number>>;
const take = (taking: Taking, what: number, at: number, by: number): void => {
  const of = taking.get(what) ?? new Map<number, number>();
  of.set(at, (of.get(at) ?? 0) + by);
  taking.set(what, of);
};

/** Builds the programme of what is free. What stands serves too, and has taken what it takes. */
export function formulate(scales: Scales, free: Free): Formulated {
  const { year, alike } = scales;
  const p = emptyProgramme();
  const taking: Taking = new Map();
  const options: Option[] = [];
  const at: number[] = [];
  const left = leftBy(scales, free.stand);
  for (const remedy of free.remedies) {
    const wanted = year.wanted[remedy]!;
    const groups = new Map<string, Group>();
    for (const o of scales.options[remedy]!) {
      if (free.allows && !free.allows(o)) continue;
      const most = Math.min(alike[o.alike]!.ids.length, roomFor(scales, remedy, o.lot, left));
      if (most < 1) continue;
      const x = column(p, o.points, most, true);
      options.push(o);
      at.push(x);
      o.takes.at.forEach((what, i) => take(taking, what, x, o.takes.by[i]!));
      const key = `${o.strain} ${o.in}`;
      const g = groups.get(key) ?? { lot: o.lot, columns: [], ml: [] };
      g.columns.push(x);
      g.ml.push(o.lot.ml);
      groups.set(key, g);
    }
    serve(p, scales, remedy, free.stand, [...groups.values()], taking);
    for (const s of free.stand) {
      const v = scales.vesselAt.get(s.vessel);
      if (s.remedy === wanted.id && v !== undefined) p.offset += makingPoints(s, year.vessels[v]!, wanted);
    }
  }
  for (const [what, by] of taking) {
    const price = free.prices?.[what] ?? 0;
    if (price > 0) for (const [c, n] of by) p.cost[c]! += price * n;
    row(p, -Infinity, left[what]!, [...by.keys()], [...by.values()]);
  }
  return { programme: p, options, at };
}

const ENOUGH = 1e-9;

/**
 * How many batches there is room for, whatever is used of them: in each week no more of one can be gone than was wanted till then. A share of a batch
 * would fit nearly anywhere, so without this the relaxation says of what cannot be at all that it costs nothing.
 */
function roomFor(scales: Scales, remedy: number, lot: WeekLot, left: Float64Array): number {
  if (lot.points === 0) return Infinity;
  const place = lot.points === POINTS.fridge ? "fridge" : "freezer";
  const need = scales.needs[remedy]!.ml;
  let [gone, most] = [0, Infinity];
  for (let w = lot.stands; w <= lot.until; w++) {
    const room = left[scales.slots.room(place, w)]! + gone;
    most = Math.min(most, Math.floor(room / lot.ml + 1e-6));
    if (w >= lot.from) gone += need[w]!;
  }
  return most;
}

/** What is served of a remedy: each week of want by what is there then, or short. */
function serve(
  p: Programme,
  scales: Scales,
  remedy: number,
  stand: readonly Start[],
  groups: readonly Group[],
  taking: Taking,
): void {
  const need = scales.needs[remedy]!;
  const lots = [...scales.stock[remedy]!, ...lotsOfStarts(scales, remedy, stand)];
  const want: number[][] = Array.from({ length: scales.weeks.count }, () => []);
  const all: Group[] = [...lots.map((lot) => ({ lot, columns: [], ml: [] })), ...groups];
  for (const g of all) {
    const fixed = g.columns.length === 0;
    const served: { readonly w: number; readonly z: number }[] = [];
    for (let w = g.lot.from; w <= g.lot.until; w++) {
      const ml = need.ml[w]!;
      if (ml < ENOUGH) continue;
      const z = column(p, 0, fixed ? Math.min(ml, g.lot.ml) : ml);
      served.push({ w, z });
      want[w]!.push(z);
      if (!fixed) row(p, -Infinity, 0, [z, ...g.columns], [1, ...g.ml.map((has) => -Math.min(ml, has))]);
    }
    const zs = served.map((s) => s.z);
    const most = fixed ? g.lot.ml : 0;
    const less = g.ml.map((ml) => -ml);
    if (g.lot.ends) {
      const waste = column(p, POINTS.thrown / 1000, Infinity);
      row(p, most, most, [...zs, waste, ...g.columns], [...zs.map(() => 1), 1, ...less]);
    } else row(p, -Infinity, most, [...zs, ...g.columns], [...zs.map(() => 1), ...less]);
    if (g.lot.points > 0) standing(p, scales, g, served, taking);
  }
  want.forEach((at, w) => {
    const ml = need.ml[w]!;
    if (ml < ENOUGH) return;
    const short = column(p, need.price, ml);
    row(p, ml, ml, [...at, short], [...at.map(() => 1), 1]);
  });
}

/** Points of the room a lot takes, week by week, less what was served before; and of what is begun, the room itself. */
function standing(
  p: Programme,
  scales: Scales,
  g: Group,
  served: readonly { readonly w: number; readonly z: number }[],
  taking: Taking,
): void {
  const fixed = g.columns.length === 0;
  const place = g.lot.points === POINTS.fridge ? "fridge" : "freezer";
  const each = g.lot.points / 1000;
  for (let w = g.lot.stands; w <= g.lot.until; w++) {
    if (fixed) p.offset += each * g.lot.ml;
    g.columns.forEach((c, i) => {
      p.cost[c]! += each * g.ml[i]!;
      take(taking, scales.slots.room(place, w), c, g.ml[i]!);
    });
    for (const s of served) {
      if (s.w >= w) break;
      p.cost[s.z]! -= each;
      if (!fixed) take(taking, scales.slots.room(place, w), s.z, -1);
    }
  }
}

/** The options a solution chooses, each as often as it does. */
export function optionsIn({ options, at }: Pick<Formulated, "options" | "at">, x: Float64Array): Option[] {
  return options.flatMap((o, i) => new Array<Option>(Math.max(0, Math.round(x[at[i]!]!))).fill(o));
}

/** Options as starts beside those that stand, each in a vessel that is free for it. */
export function inVessels(
  picked: readonly Option[],
  stand: readonly Start[],
  { year, alike }: Scales,
): Start[] | undefined {
  const out = [...stand];
  const ids = new Set(stand.map((s) => s.id));
  let n = 0;
  for (const o of [...picked].sort((a, b) => a.day - b.day)) {
    const until = freeAgain(o);
    const vessel = alike[o.alike]!.ids.find((id) =>
      out.every((s) => s.vessel !== id || freeAgain(s) <= o.day || s.day >= until),
    );
    if (vessel === undefined) return undefined;
    do n++;
    while (ids.has(`s${n}`));
    const remedy = year.wanted[o.remedy]!.id;
    out.push({ id: `s${n}`, remedy, vessel, fill: o.fill, day: o.day, strain: o.strain, in: o.in });
  }
  return out;
}
