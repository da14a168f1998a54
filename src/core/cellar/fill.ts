import type { Vessel } from "../vessel/vessel";

export interface Fill {
  readonly vessel: Vessel;
  readonly ml: number;
}

/**
 * Bottles for a volume: full ones first, then the last one part-full if no smaller one takes it; least left over, then fewest bottles.
 * @param ml volume to bottle, mL
 * @param sizes sizes on hand, each as many as wanted
 * @returns fills whose sum is `ml` to within what no bottle would hold sensibly (under a tenth of the smallest), and that rest
 */
export function fillPlan(ml: number, sizes: readonly Vessel[], most = 24): { readonly fills: readonly Fill[]; readonly leftMl: number } {
  const usable = [...sizes].sort((a, b) => b.fillMl - a.fillMl);
  if (usable.length === 0 || !(ml > 0)) return { fills: [], leftMl: Math.max(0, ml) };
  const smallest = usable[usable.length - 1]!;
  let best: { fills: Fill[]; left: number; partFull: number } | undefined;
  const consider = (fills: Fill[], left: number, partFull: number): void => {
    const better = !best || left < best.left - 1 || (Math.abs(left - best.left) <= 1 && (partFull < best.partFull || (partFull === best.partFull && fills.length < best.fills.length)));
    if (better) best = { fills, left, partFull };
  };
  // Every count of one size, with the rest in one other size, is enough for a kitchen.
  for (const a of usable) {
    const whole = Math.min(most, Math.floor(ml / a.fillMl));
    for (let n = whole; n >= Math.max(0, whole - 2); n--) {
      const fills: Fill[] = Array.from({ length: n }, () => ({ vessel: a, ml: a.fillMl }));
      const rest = ml - n * a.fillMl;
      if (rest <= 0.1 * smallest.fillMl) {
        consider(fills, Math.max(0, rest), 0);
        continue;
      }
      for (const b of usable) {
        if (rest <= b.fillMl * 1.001) consider([...fills, { vessel: b, ml: Math.min(rest, b.fillMl) }], 0, rest < 0.85 * b.fillMl ? 1 : 0);
      }
    }
  }
  return best ? { fills: best.fills, leftMl: best.left } : { fills: [], leftMl: ml };
}
