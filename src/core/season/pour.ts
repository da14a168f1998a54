import type { Lot, Wanted } from "./year";

/** What becomes of a remedy day by day: the soonest to go is used first. */
export interface Pour {
  /** mL there at the beginning of each day. */
  readonly there: Float64Array;
  /** The share of each day's want that was not there. */
  readonly short: Float32Array;
  /** Days without, shares summed. */
  readonly without: number;
  /** mL past their day within the year. */
  readonly thrown: number;
  /** mL of each lot at the beginning of each of its days, from its first; one row a lot, in the order given. */
  readonly lots: readonly Float64Array[];
}

const SPECK = 1e-6;

/** What is wanted on a day: its use, and what is given away. */
export function wantedOn(wanted: Pick<Wanted, "need" | "gifts">): Float64Array {
  const out = Float64Array.from(wanted.need);
  for (const g of wanted.gifts) if (g.day >= 0 && g.day < out.length) out[g.day]! += g.ml;
  return out;
}

/**
 * Pours a remedy's lots out over a year of wants.
 * @param want mL of each day
 */
export function pourOut(lots: readonly Lot[], want: Float64Array): Pour {
  const days = want.length;
  const there = new Float64Array(days);
  const short = new Float32Array(days);
  const order = lots.map((_, i) => i).sort((a, b) => lots[a]!.until - lots[b]!.until);
  const left = lots.map((l) => l.ml);
  const rows = lots.map(
    (l) => new Float64Array(Math.max(0, Math.min(days - 1, l.until) - Math.max(0, l.from) + 1)),
  );
  let [without, thrown] = [0, 0];
  for (const l of lots) if (l.until < Math.max(0, l.from)) thrown += l.ml;
  for (let d = 0; d < days; d++) {
    let lacks = want[d]!;
    for (const i of order) {
      const l = lots[i]!;
      if (l.from > d || l.until < d) continue;
      const has = left[i]!;
      there[d]! += has;
      rows[i]![d - Math.max(0, l.from)] = has;
      const some = Math.min(has, lacks);
      left[i] = has - some;
      lacks -= some;
      if (l.until === d) thrown += left[i]!;
    }
    if (lacks <= SPECK) continue;
    short[d] = lacks / want[d]!;
    without += short[d]!;
  }
  return { there, short, without, thrown, lots: rows };
}
