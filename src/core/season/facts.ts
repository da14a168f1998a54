import { lotOf } from "./batch";
import { type Pour, pourOut, wantedOn } from "./pour";
import type { Lot, Start, Wanted, Year } from "./year";

/** A remedy under a plan, day by day. */
export interface RemedyPoured {
  readonly pour: Pour;
  readonly lots: readonly Lot[];
  /** How many of the lots, from the first, stand there or are working already. */
  readonly there: number;
  readonly want: Float64Array;
}

/** What becomes of one remedy. */
export function pouredOf(
  year: Pick<Year, "vessels">,
  wanted: Wanted,
  starts: readonly Start[],
): RemedyPoured {
  const planned = starts.flatMap((s): Lot[] => {
    const v = s.remedy === wanted.id ? year.vessels.find((x) => x.id === s.vessel) : undefined;
    return v && wanted.making ? [lotOf(s, v, wanted)] : [];
  });
  const lots = [...wanted.stock, ...planned];
  const want = wantedOn(wanted);
  return { pour: pourOut(lots, want), lots, there: wanted.stock.length, want };
}

const same = (a: readonly Start[], b: readonly Start[]): boolean =>
  a.length === b.length && a.every((s, i) => s === b[i]);

/**
 * The remedies of a year under one plan after another. One whose starts are the same is the same object as before: what follows a hand reckons and draws
 * what moved.
 */
export function poursOf(
  year: Pick<Year, "vessels" | "wanted">,
): (starts: readonly Start[]) => readonly RemedyPoured[] {
  let last: readonly { readonly mine: readonly Start[]; readonly is: RemedyPoured }[] = [];
  return (starts) => {
    last = year.wanted.map((w, i) => {
      const mine = starts.filter((s) => s.remedy === w.id);
      const before = last[i];
      return before && same(before.mine, mine) ? before : { mine, is: pouredOf(year, w, mine) };
    });
    return last.map((x) => x.is);
  };
}

/** A plan in a few figures. */
export interface PlanFacts {
  /** Days without what is never to run out, and without the others: shares of days summed. */
  readonly never: number;
  readonly others: number;
  /** mL past their day. */
  readonly thrown: number;
  /** Days on which anything is begun or strained, and batches begun. */
  readonly days: number;
  readonly batches: number;
}

/** @param poured each remedy of the year, in its order */
export function factsIn(year: Year, poured: readonly RemedyPoured[], starts: readonly Start[]): PlanFacts {
  let [never, others, thrown] = [0, 0, 0];
  year.wanted.forEach((w, i) => {
    const { pour } = poured[i]!;
    if (w.never) never += pour.without;
    else others += pour.without;
    thrown += pour.thrown;
  });
  const busy = new Set<number>();
  for (const s of starts) {
    busy.add(s.day);
    if (s.strain < year.days) busy.add(s.strain);
  }
  return { never, others, thrown, days: busy.size, batches: starts.length };
}
export const factsOf = (year: Year, starts: readonly Start[]): PlanFacts =>
  factsIn(year, poursOf(year)(starts), starts);
