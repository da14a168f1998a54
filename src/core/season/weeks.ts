import type { Year } from "./year";

/**
 * The weeks a year is planned in. They begin on the weekday that suits straining first, so that what is strained then is there for the whole of its
 * week; the first may be shorter. Of each, the one day planned for beginning and the one for straining: the first that suits, so that work falls
 * together. −1 where none does.
 */
export interface Weeks {
  readonly count: number;
  /** The first day of each, and the day after the last. */
  readonly bounds: Int32Array;
  readonly begin: Int32Array;
  readonly strain: Int32Array;
}

const firstIn = (suits: Uint8Array, from: number, to: number): number => {
  for (let d = from; d < to; d++) if (suits[d]) return d;
  return -1;
};

export function weeksOf({ days, begins, strains }: Year): Weeks {
  const first = strains.indexOf(1);
  const shift = first < 0 ? 0 : first % 7;
  const bounds: number[] = [];
  for (let d = shift === 0 ? 0 : shift - 7; d < days; d += 7) bounds.push(Math.max(0, d));
  bounds.push(days);
  const count = bounds.length - 1;
  const of = (suits: Uint8Array): Int32Array =>
    Int32Array.from({ length: count }, (_, w) => firstIn(suits, bounds[w]!, bounds[w + 1]!));
  return { count, bounds: Int32Array.from(bounds), begin: of(begins), strain: of(strains) };
}

/** The first week that begins on a day or after it; as many as there are where none does. */
export function weekFrom({ bounds, count }: Weeks, day: number): number {
  for (let w = 0; w < count; w++) if (bounds[w]! >= day) return w;
  return count;
}

/** The last week that ends by a day; −1 where none does. */
export function weekUntil({ bounds, count }: Weeks, day: number): number {
  for (let w = count - 1; w >= 0; w--) if (bounds[w + 1]! - 1 <= day) return w;
  return -1;
}

/** The week a day lies in. */
export function weekOf({ bounds, count }: Weeks, day: number): number {
  for (let w = count - 1; w > 0; w--) if (bounds[w]! <= day) return w;
  return 0;
}
