/** A fixed run of chance, so that a failure can be found again. */
export interface Chance {
  /** From 0 up to 1. */
  readonly next: () => number;
  readonly from: (low: number, high: number) => number;
  readonly pick: <T>(among: readonly T[]) => T;
}

export function chance(seed: number): Chance {
  let at = seed >>> 0;
  const next = (): number => {
    at = (Math.imul(at, 1_664_525) + 1_013_904_223) >>> 0;
    return at / 2 ** 32;
  };
  // The first draws of neighbouring seeds are alike; these are thrown away.
  for (let i = 0; i < 8; i++) next();
  return {
    next,
    from: (low, high) => low + (high - low) * next(),
    pick: (among) => among[Math.floor(next() * among.length)]!,
  };
}
