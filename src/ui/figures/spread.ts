/**
 * Heights spread so that no two labels stand closer than `gap`, each as near its own as can be, none outside `least`–`most` while there is room.
 * Least squares by pooling neighbours: with i·gap taken off, the order must only not fall.
 */
export function spread(heights: readonly number[], gap: number, least: number, most: number): number[] {
  const order = heights.map((h, i) => ({ h, i })).sort((a, b) => a.h - b.h || a.i - b.i);
  const pools: { sum: number; n: number }[] = [];
  const mean = (back: number): number => pools.at(-back)!.sum / pools.at(-back)!.n;
  order.forEach((o, k) => {
    pools.push({ sum: o.h - k * gap, n: 1 });
    while (pools.length > 1 && mean(2) > mean(1)) {
      const top = pools.pop()!;
      const under = pools.at(-1)!;
      under.sum += top.sum;
      under.n += top.n;
    }
  });
  const out = new Array<number>(heights.length);
  const highest = most - (heights.length - 1) * gap;
  let k = 0;
  for (const p of pools)
    for (let j = 0; j < p.n; j++, k++)
      out[order[k]!.i] = Math.max(least, Math.min(highest, p.sum / p.n)) + k * gap;
  return out;
}
