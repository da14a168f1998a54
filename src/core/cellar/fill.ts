import { KIND } from "../plan/kinds";
import type { Kind } from "../plan/plan";
import { type Closing, canBeClosed } from "../keeping/closing";
import type { Market } from "../reading/measures";
import { VESSELS } from "../vessel/catalogue";
import type { Vessel } from "../vessel/vessel";

export interface Fill {
  readonly vessel: Vessel;
  readonly ml: number;
}

export interface OnHand {
  readonly vessel: Vessel;
  /** How many of it there are; as many as wanted where it is not said. */
  readonly count?: number;
}

/** Bottles on hand that suit a kind, as the kind says, and can be closed as it must be; a usual size, as many as wanted, where none are counted. */
export function bottlesFor(
  kind: Kind,
  empties: readonly { readonly vessel: string; readonly count: number }[],
  market: Market,
  closing: Closing,
): OnHand[] {
  const { sorts } = KIND[kind].bottles;
  const counted = empties.flatMap((e) => {
    const vessel = VESSELS.get(e.vessel);
    const suits = vessel && e.count > 0 && (sorts as readonly string[]).includes(vessel.sort);
    return suits && canBeClosed(vessel, closing) ? [{ vessel, count: e.count }] : [];
  });
  return counted.length > 0 ? counted : [{ vessel: usualBottle(kind, market, closing) }];
}

/** Of a like size, with a lid that can be left loose. */
const SCREWED: Readonly<Record<Market, string>> = { us: "us-b-8", metric: "b-250" };
/** The usual bottle of a kind where the household is. */
export function usualBottle(kind: Kind, market: Market, closing: Closing): Vessel {
  const usual = VESSELS.get(KIND[kind].bottles.usual[market])!;
  return canBeClosed(usual, closing) ? usual : VESSELS.get(SCREWED[market])!;
}

/** The smallest vessel that takes what is left over, of those that are offered; the largest where none does. */
export function vesselForTheRest(ml: number, offered: readonly Vessel[]): Vessel {
  const bySize = offered.filter((v) => v.fillMl > 0).sort((a, b) => a.fillMl - b.fillMl);
  return bySize.find((v) => v.fillMl >= ml) ?? bySize.at(-1)!;
}

/** Part-full is under this share of a bottle's filling: more air than a bottle should hold for long. */
const FULL_ENOUGH = 0.85;
/** No bottle is fetched for less than this share of the smallest. */
const SENSIBLE = 0.1;
const MOST_BOTTLES = 24;
/** Sizes tried at a time; a kitchen rarely has more in use, and the search stays a fraction of a millisecond. */
const MOST_SIZES = 6;

/**
 * Bottles for a volume, from those on hand: the set that leaves least over, then has fewest part-full, then fewest bottles.
 * Every one but at most one is full to its line.
 * @param ml volume to bottle, mL
 * @returns fills and the mL that found no bottle (or were too little to fetch one for)
 */
export function fillPlan(
  ml: number,
  onHand: readonly OnHand[],
): { readonly fills: readonly Fill[]; readonly leftMl: number } {
  const sizes = onHand
    .filter((s) => s.vessel.fillMl > 0 && (s.count ?? 1) > 0)
    .sort((a, b) => b.vessel.fillMl - a.vessel.fillMl)
    .slice(0, MOST_SIZES);
  if (sizes.length === 0 || !(ml > 0)) return { fills: [], leftMl: Math.max(0, ml) };
  const smallest = sizes[sizes.length - 1]!.vessel.fillMl;
  /** Bottles filled to the line by size, and the last one with what they leave, if it went into one. */
  let best:
    | {
        full: number[];
        last: { size: number; ml: number } | undefined;
        left: number;
        partFull: number;
        bottles: number;
      }
    | undefined;
  const full = sizes.map(() => 0);
  const consider = (last: { size: number; ml: number } | undefined, left: number, bottles: number): void => {
    const partFull = last && last.ml < FULL_ENOUGH * sizes[last.size]!.vessel.fillMl ? 1 : 0;
    const better =
      !best ||
      left < best.left - 1 ||
      (Math.abs(left - best.left) <= 1 &&
        (partFull < best.partFull || (partFull === best.partFull && bottles < best.bottles)));
    if (better) best = { full: [...full], last, left, partFull, bottles };
  };
  const walk = (i: number, rest: number, bottles: number): void => {
    if (i < sizes.length) {
      const { vessel, count } = sizes[i]!;
      const most = Math.min(
        Math.floor((rest + 1e-9) / vessel.fillMl),
        count ?? Infinity,
        MOST_BOTTLES - bottles,
      );
      // As many as go, and one or two fewer, in case smaller ones then come out even.
      for (let n = most; n >= Math.max(0, most - 2); n--) {
        full[i] = n;
        walk(i + 1, rest - n * vessel.fillMl, bottles + n);
      }
      full[i] = 0;
      return;
    }
    if (rest <= SENSIBLE * smallest || bottles >= MOST_BOTTLES)
      return consider(undefined, Math.max(0, rest), bottles);
    // What is left goes into the smallest bottle that takes it.
    for (let size = sizes.length - 1; size >= 0; size--) {
      const { vessel, count } = sizes[size]!;
      if (vessel.fillMl * 1.001 >= rest && full[size]! < (count ?? Infinity))
        return consider({ size, ml: Math.min(rest, vessel.fillMl) }, 0, bottles + 1);
    }
    consider(undefined, rest, bottles);
  };
  walk(0, ml, 0);
  const { full: counts, last, left } = best!;
  const fills = sizes.flatMap(({ vessel }, i) =>
    Array.from({ length: counts[i]! }, () => ({ vessel, ml: vessel.fillMl })),
  );
  return {
    fills: last ? [...fills, { vessel: sizes[last.size]!.vessel, ml: last.ml }] : fills,
    leftMl: left,
  };
}

/** Bottles for a volume, and which of them the household does not have. */
export interface Wanted {
  readonly fills: readonly Fill[];
  /** Of the usual size, where those on hand are counted and do not take it all. */
  readonly lacking: readonly Fill[];
  readonly leftMl: number;
}

/** Bottles for a volume: what is on hand first, where it is counted, and the usual size for the rest. mL */
export function bottlesWanted(
  kind: Kind,
  ml: number,
  empties: Parameters<typeof bottlesFor>[1],
  market: Market,
  closing: Closing,
): Wanted {
  const counted = bottlesFor(kind, empties, market, closing).filter((b) => b.count !== undefined);
  const have = fillPlan(ml, counted);
  const more = fillPlan(have.leftMl, bottlesFor(kind, [], market, closing));
  return { fills: [...have.fills, ...more.fills], lacking: more.fills, leftMl: more.leftMl };
}
