import type { Option } from "./options";
import { POINTS, type Scales, type WeekLot, lotsOfStarts } from "./weigh";
import type { Start } from "./year";

/*
 * One remedy planned by itself: week by week the best so many beginnings are kept (a beam), each with what stands of it then.
 */

/** What it is planned within. */
export interface Within {
  /** Starts of it that stand. */
  readonly stand: readonly Start[];
  /** What may be taken of each limit. */
  readonly left: Float64Array;
  /** Points for each of a limit that is taken, beside its own. */
  readonly prices?: Float64Array | undefined;
  /** How many beginnings are kept from week to week. */
  readonly kept: number;
  /** Draws how much dearer or cheaper each beginning is made to look, so that another plan is found than the last time. */
  readonly shake?: (() => number) | undefined;
}

interface Standing {
  readonly lot: WeekLot;
  readonly ml: number;
  readonly ours: boolean;
}
interface Picked {
  readonly option: Option;
  readonly before: Picked | undefined;
}
interface Branch {
  readonly points: number;
  readonly lots: readonly Standing[];
  readonly picked: Picked | undefined;
  /** What it would come to: what stands is worth what making it again would cost. */
  readonly worth: number;
}

/** Batches of one week, at the most. */
const MOST_AT_ONCE = 6;
const SPECK = 1e-6;
/** How much more what stands may be worth than what could be made instead. */
const STANDS = [0, 0.3, 4] as const;

class Beam {
  private readonly weeks: number;
  private readonly ml: Float64Array;
  private readonly price: number;
  private readonly byWeek: Option[][];
  private readonly value: Float64Array;
  /** Points of an option with the prices of what it takes. */
  private readonly costs = new Map<Option, number>();
  private readonly used: Float64Array;
  /** Of each place, points for a mL that has stood there till the beginning of each week; of what is planned with the price of its room. */
  private readonly stood: Readonly<
    Record<"fridge" | "freezer", { ours: Float64Array; theirs: Float64Array }>
  >;

  constructor(
    private readonly scales: Scales,
    remedy: number,
    private readonly within: Within,
  ) {
    const need = scales.needs[remedy]!;
    this.weeks = scales.weeks.count;
    this.ml = need.ml;
    this.price = need.price;
    this.used = new Float64Array(scales.slots.size);
    this.byWeek = Array.from({ length: this.weeks }, () => []);
    const { left, prices, shake } = within;
    for (const o of scales.options[remedy]!) {
      const { at, by } = o.takes;
      if (!at.every((slot, i) => by[i]! <= left[slot]! + SPECK)) continue;
      const cost = prices ? at.reduce((n, slot, i) => n + prices[slot]! * by[i]!, o.points) : o.points;
      this.costs.set(o, shake ? cost * (0.6 + 0.8 * shake()) : cost);
      this.byWeek[o.lot.from]?.push(o);
    }
    this.stood = { fridge: this.standingIn("fridge"), freezer: this.standingIn("freezer") };
    this.value = this.values();
  }

  private standingIn(place: "fridge" | "freezer"): { ours: Float64Array; theirs: Float64Array } {
    const [ours, theirs] = [new Float64Array(this.weeks + 1), new Float64Array(this.weeks + 1)];
    for (let w = 0; w < this.weeks; w++) {
      theirs[w + 1] = theirs[w]! + POINTS[place] / 1000;
      ours[w + 1] =
        ours[w]! + POINTS[place] / 1000 + (this.within.prices?.[this.scales.slots.room(place, w)] ?? 0);
    }
    return { ours, theirs };
  }
  /** Points for a mL of a lot that stands from the beginning of one week to the end of another. */
  private standing(lot: WeekLot, ours: boolean, from: number, to: number): number {
    if (lot.points === 0) return 0;
    const { ours: mine, theirs } = this.stood[lot.points === POINTS.fridge ? "fridge" : "freezer"];
    const stood = ours ? mine : theirs;
    return stood[Math.min(this.weeks, to + 1)]! - stood[from]!;
  }

  /**
   * Points, less what would have to be paid for what stands if it did not: each week of want it serves would cost what is cheapest to have made by
   * then, or be short.
   */
  private worthOf(points: number, lots: readonly Standing[], w: number): number {
    let worth = points;
    const left = lots.map((l) => l.ml);
    let first = 0;
    for (let u = w; u < this.weeks && first < lots.length; u++) {
      let lacks = this.ml[u]!;
      for (let i = first; i < lots.length && lacks > SPECK; i++) {
        if (lots[i]!.lot.until < u) continue;
        const some = Math.min(left[i]!, lacks);
        left[i]! -= some;
        lacks -= some;
        const { lot, ours } = lots[i]!;
        worth -= some * (this.value[w * this.weeks + u]! - this.standing(lot, ours, w, u));
      }
      while (first < lots.length && (left[first]! <= SPECK || lots[first]!.lot.until <= u)) first++;
    }
    lots.forEach(({ lot, ours }, i) => {
      worth += left[i]! * this.standing(lot, ours, w, lot.until);
      if (lot.ends) worth += (left[i]! * POINTS.thrown) / 1000;
    });
    return worth;
  }

  /** For each week, of each week after it: points for a mL that is there then, made after the first. */
  private values(): Float64Array {
    const n = this.weeks;
    const out = new Float64Array((n + 1) * n).fill(this.price);
    for (let w = n - 1; w >= 0; w--) {
      for (let u = 0; u < n; u++) out[w * n + u] = out[(w + 1) * n + u]!;
      for (const o of this.byWeek[w]!) {
        const each = this.costs.get(o)! / o.lot.ml;
        for (let u = w; u <= o.lot.until; u++)
          out[w * n + u] = Math.min(out[w * n + u]!, each + this.standing(o.lot, true, w, u));
      }
    }
    return out;
  }

  private fits(lots: readonly Standing[], { points, ml, from, stands }: WeekLot): boolean {
    if (points === 0) return true;
    const place = points === POINTS.fridge ? "fridge" : "freezer";
    const there = lots.reduce((n, l) => (l.ours && l.lot.points === points ? n + l.ml : n), ml);
    const room = (w: number): number =>
      this.within.left[this.scales.slots.room(place, Math.min(w, this.weeks - 1))]!;
    return there <= room(stands) + SPECK && there <= room(from) + SPECK;
  }

  private mark(picked: Picked | undefined, by: 1 | -1): void {
    for (let p = picked; p; p = p.before) {
      const { at, by: mine } = p.option.takes;
      for (let i = 0; i < at.length; i++) this.used[at[i]!]! += by * mine[i]!;
    }
  }

  private may({ takes: { at, by } }: Option): boolean {
    for (let i = 0; i < at.length; i++)
      if (this.used[at[i]!]! + by[i]! > this.within.left[at[i]!]! + SPECK) return false;
    return true;
  }

  /** Everything that one more batch of a week makes of some branches. */
  private withOneMore(branches: readonly Branch[], w: number): Branch[] {
    const out: Branch[] = [];
    for (const b of branches) {
      this.mark(b.picked, 1);
      for (const o of this.byWeek[w]!) {
        if (!this.fits(b.lots, o.lot) || !this.may(o)) continue;
        const lots = insert(b.lots, { lot: o.lot, ml: o.lot.ml, ours: true });
        const points = b.points + this.costs.get(o)!;
        out.push({
          points,
          lots,
          picked: { option: o, before: b.picked },
          worth: this.worthOf(points, lots, w),
        });
      }
      this.mark(b.picked, -1);
    }
    return this.best(out);
  }

  /** The best: some as they are worth, others with what stands valued higher, since that more can be made later is not sure. */
  private best(all: Branch[]): Branch[] {
    const { kept } = this.within;
    if (all.length <= kept) return all;
    const out: Branch[] = [];
    let rest = all;
    STANDS.forEach((more, n) => {
      const sure = (b: Branch): number => b.worth - more * (b.points - b.worth);
      rest = rest.sort((a, b) => sure(a) - sure(b));
      const share = Math.ceil((kept - out.length) / (STANDS.length - n));
      out.push(...rest.slice(0, share));
      rest = rest.slice(share);
    });
    return out;
  }

  /** Whether there is room in a week for what stands of its own. */
  private hasRoom(lots: readonly Standing[], w: number): boolean {
    let [fridge, freezer] = [0, 0];
    for (const { ours, lot, ml } of lots) {
      if (!ours || lot.points === 0) continue;
      if (lot.points === POINTS.fridge) fridge += ml;
      else freezer += ml;
    }
    const { left } = this.within;
    const { room } = this.scales.slots;
    return fridge <= left[room("fridge", w)]! + SPECK && freezer <= left[room("freezer", w)]! + SPECK;
  }

  /** A week gone by; nothing where there was no room in it. */
  private poured(b: Branch, w: number): Branch | undefined {
    if (!this.hasRoom(b.lots, w)) return undefined;
    let lacks = this.ml[w]!;
    let { points } = b;
    const lots: Standing[] = [];
    for (const l of b.lots) {
      const { lot } = l;
      if (lot.points > 0) points += (lot.points / 1000 + (l.ours ? this.roomPrice(lot, w) : 0)) * l.ml;
      const some = Math.min(l.ml, lacks);
      lacks -= some;
      const ml = l.ml - some;
      if (lot.until > w && ml > 1e-9) lots.push({ ...l, ml });
      else if (lot.ends) points += (POINTS.thrown * ml) / 1000;
    }
    points += lacks * this.price;
    return { points, lots, picked: b.picked, worth: this.worthOf(points, lots, w + 1) };
  }

  private roomPrice(lot: WeekLot, w: number): number {
    const place = lot.points === POINTS.fridge ? "fridge" : "freezer";
    return this.within.prices?.[this.scales.slots.room(place, w)] ?? 0;
  }

  run(fixed: readonly WeekLot[]): Option[] {
    let branches: Branch[] = [{ points: 0, lots: [], picked: undefined, worth: 0 }];
    for (let w = 0; w < this.weeks; w++) {
      const here = fixed.filter((l) => l.from === w && l.until >= w);
      let fresh = branches.map((b): Branch => {
        const lots = here.reduce((all, lot) => insert(all, { lot, ml: lot.ml, ours: false }), b.lots);
        return { ...b, lots };
      });
      const grown = [...fresh];
      for (let n = 0; n < MOST_AT_ONCE && fresh.length > 0; n++) {
        fresh = this.withOneMore(fresh, w);
        grown.push(...fresh);
      }
      const poured = grown.flatMap((b) => this.poured(b, w) ?? []);
      // Beginning nothing can always be done, whatever becomes of the others.
      const nothing = poured.find((b) => b.picked === undefined)!;
      branches = this.best(poured);
      if (!branches.includes(nothing)) branches.push(nothing);
    }
    const best = branches.reduce((a, b) => (b.points < a.points ? b : a));
    const out: Option[] = [];
    for (let p = best.picked; p; p = p.before) out.push(p.option);
    return out.reverse();
  }
}

/** Lots stand in the order they go. */
function insert(lots: readonly Standing[], one: Standing): Standing[] {
  const out = lots.slice();
  let i = out.length;
  while (i > 0 && out[i - 1]!.lot.until > one.lot.until) i--;
  out.splice(i, 0, one);
  return out;
}

/** The best that could be begun of one remedy, as far as the beam sees. */
export const planOne = (scales: Scales, remedy: number, within: Within): Option[] =>
  new Beam(scales, remedy, within).run([
    ...scales.stock[remedy]!,
    ...lotsOfStarts(scales, remedy, within.stand),
  ]);
