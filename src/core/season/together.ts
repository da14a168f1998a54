import { planOne } from "./one-remedy";
import type { Option } from "./options";
import { type Programme, type Solver, column, emptyProgramme, row } from "./programme";
import { leftBy, standingBy } from "./slots";
import { POINTS, type Scales, lotsOfStarts, weighPour } from "./weigh";
import type { Start } from "./year";

/*
 * Whole plans of single remedies, put together: each remedy has a handful of plans, each with what it takes of what all share; one of each is to be
 * chosen so that they fit (Dantzig and Wolfe, 1960). Without whole numbers that gives each limit its price, by which more plans are made; with them,
 * a plan of the year.
 */

interface Column {
  readonly remedy: number;
  readonly options: readonly Option[];
  readonly points: number;
  /** What it takes of each limit. */
  readonly takes: ReadonlyMap<number, number>;
}

/** How much shorter a step gets that led nowhere; and how far new prices lean to the best there were: farther each time that was no better. */
const SLOWER = 0.85;
const [LEANS, LESS, MOST_LEANS, LEAST_LEANS] = [0.5, 0.6, 0.97, 0.05];

export class Together {
  private readonly columns: Column[] = [];
  private readonly known = new Map<string, Column>();
  private readonly left: Float64Array;
  /** What a limit is counted in where limits of many sorts are held against each other. */
  private readonly unit: Float64Array;
  /** The plan that was kept last, as the plans it is made of. */
  private stands: readonly Column[] = [];
  /** Points for each of a limit: those that made the best bound, as far as the beam sees. */
  prices: Float64Array;
  private most = -Infinity;
  private leans: number = LEANS;

  constructor(
    private readonly scales: Scales,
    private readonly pinned: readonly Start[],
    private readonly solve: Solver,
  ) {
    this.left = leftBy(scales, pinned);
    this.prices = new Float64Array(scales.slots.size);
    this.unit = this.left.map((l) => Math.max(l, 1e-6));
    scales.year.wanted.forEach((_, remedy) => this.add(remedy, []));
  }

  /** Keeps a plan of a remedy. @returns it, and whether it was new */
  add(remedy: number, options: readonly Option[]): readonly [Column, boolean] {
    const key = `${remedy}: ${options
      .map((o) => `${o.alike} ${o.fill} ${o.day} ${o.in}`)
      .sort()
      .join(", ")}`;
    const known = this.known.get(key);
    if (known) return [known, false];
    const { scales } = this;
    const need = scales.needs[remedy]!;
    const fixed = [...scales.stock[remedy]!, ...lotsOfStarts(scales, remedy, this.pinned)];
    const lots = [...fixed, ...options.map((o) => o.lot)];
    const takes = new Map<number, number>();
    const take = (at: number, by: number): void =>
      void (by > 1e-9 && takes.set(at, (takes.get(at) ?? 0) + by));
    for (const o of options) o.takes.at.forEach((at, i) => take(at, o.takes.by[i]!));
    for (const place of ["fridge", "freezer"] as const) {
      if (!options.some((o) => o.in === place)) continue;
      const all = standingBy(lots, need, POINTS[place]);
      const theirs = standingBy(fixed, need, POINTS[place]);
      all.forEach((ml, w) => take(scales.slots.room(place, w), ml - theirs[w]!));
    }
    const points = weighPour(lots, need) + options.reduce((n, o) => n + o.points, 0);
    const made: Column = { remedy, options, points, takes };
    this.columns.push(made);
    this.known.set(key, made);
    return [made, true];
  }

  /** Keeps what a plan of the year does of each remedy, so that no bound is looked for under less than is had. */
  addPlan(starts: readonly Start[]): void {
    const { year, alike, options } = this.scales;
    const stands: Column[] = [];
    year.wanted.forEach((w, remedy) => {
      const mine = starts.filter((s) => s.remedy === w.id && !s.pinned);
      const are = mine.map((s) =>
        options[remedy]!.find(
          (o) =>
            o.day === s.day &&
            o.strain === s.strain &&
            o.fill === s.fill &&
            o.in === s.in &&
            alike[o.alike]!.ids.includes(s.vessel),
        ),
      );
      if (are.every((o) => o !== undefined)) stands.push(this.add(remedy, are)[0]);
    });
    if (stands.length === year.wanted.length) this.stands = stands;
  }

  private programme(whole: boolean): { p: Programme; slots: number[] } {
    const p = emptyProgramme();
    const { wanted } = this.scales.year;
    const at = this.columns.map((c) => column(p, c.points, 1, whole));
    const of = wanted.map((): number[] => []);
    const by = new Map<number, { at: number[]; by: number[] }>();
    this.columns.forEach((c, i) => {
      of[c.remedy]!.push(at[i]!);
      for (const [slot, n] of c.takes) {
        const r = by.get(slot) ?? { at: [], by: [] };
        r.at.push(at[i]!);
        r.by.push(n);
        by.set(slot, r);
      }
    });
    const slots: number[] = [];
    for (const [slot, r] of by) {
      row(p, -Infinity, this.left[slot]!, r.at, r.by);
      slots.push(slot);
    }
    for (const one of of)
      row(
        p,
        1,
        1,
        one,
        one.map(() => 1),
      );
    return { p, slots };
  }

  /** Plans each remedy by some prices. @returns whether a plan was new, the bound there could be by them, and what is taken of each limit */
  private by(tried: Float64Array, kept: number): { some: boolean; sum: number; takes: Float64Array } {
    const takes = new Float64Array(tried.length);
    let some = false;
    let sum = -this.paid(tried);
    this.scales.year.wanted.forEach((w, remedy) => {
      const stand = this.pinned.filter((s) => s.remedy === w.id);
      const options = planOne(this.scales, remedy, { stand, left: this.left, prices: tried, kept });
      const [column, fresh] = this.add(remedy, options);
      if (fresh) some = true;
      sum += column.points;
      for (const [slot, by] of column.takes) {
        sum += tried[slot]! * by;
        takes[slot]! += by;
      }
    });
    return { some, sum, takes };
  }

  /**
   * Steps up from the best prices there were: what more is taken of than there is gets dearer, what is left over cheaper, by as much as would come to a
   * plan that is known (Polyak 1969), and less each time that it was no better. While there are few plans the prices they give swing from one limit to
   * the next; this does not. Each step gives the best bound there could be so far.
   * @param top points of a plan that is known
   */
  *climb(kept: number, top: number, steps: number): Generator<number> {
    let at = this.prices;
    let pace = 1;
    for (let n = 0; n < steps; n++) {
      const { sum, takes } = this.by(at, kept);
      if (sum > this.most) [this.most, this.prices] = [sum, at];
      else pace *= SLOWER;
      yield this.most;
      // A litre and an hour are not alike: each limit is taken as a share of what there is of it.
      const over = takes.map((t, slot) =>
        at[slot]! > 0 || t > this.left[slot]! ? (t - this.left[slot]!) / this.unit[slot]! : 0,
      );
      const long = over.reduce((m, x) => m + x * x, 0);
      if (long < 1e-12 || sum >= top) return;
      const step = (pace * (top - sum)) / long;
      at = at.map((p, slot) => Math.max(0, p + (step * over[slot]!) / this.unit[slot]!));
    }
  }

  /**
   * Prices what is shared anew and plans each remedy by those prices. New prices are taken half way only, from the best there were (Wentges 1997):
   * whole ones swing. @returns how far the best bound there could be lies under the plans there are, as a share; nothing where no new plan came of it
   */
  again(kept: number): number | undefined {
    const { p, slots } = this.programme(false);
    const { prices, value } = this.solve(p, { seconds: 1, gap: 0, relaxed: true });
    const { leans } = this;
    const tried = this.prices.map((x) => x * leans);
    slots.forEach((slot, i) => (tried[slot]! += (1 - leans) * Math.max(0, -(prices?.[i] ?? 0))));
    const { some, sum } = this.by(tried, kept);
    this.leans = sum > this.most ? LEANS : Math.min(MOST_LEANS, 1 - (1 - leans) * LESS);
    // Where no new plan came of prices that lean, those that lean less are tried before it is enough.
    if (!some) this.leans = leans * LESS;
    if (sum > this.most) [this.most, this.prices] = [sum, tried];
    return some || leans > LEAST_LEANS ? (value - this.most) / Math.max(1, value) : undefined;
  }

  /** What all limits together come to, at their prices. */
  paid(prices = this.prices): number {
    return prices.reduce((n, price, slot) => n + price * this.left[slot]!, 0);
  }

  /** The plans that fit together best, of those there are. */
  best(seconds: number): readonly Option[] | undefined {
    const { p } = this.programme(true);
    const from = {
      at: this.columns.map((_, i) => i),
      values: this.columns.map((c) => (this.stands.includes(c) ? 1 : 0)),
    };
    const { x } = this.solve(p, { seconds, gap: 1e-4, ...(this.stands.length > 0 ? { from } : {}) });
    return x && this.columns.flatMap((c, i) => (x[i]! > 0.5 ? c.options : []));
  }
}
