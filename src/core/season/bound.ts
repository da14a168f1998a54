import { type Formulated, formulate, optionsIn } from "./formulation";
import type { Option } from "./options";
import type { Solver } from "./programme";
import type { Scales } from "./weigh";
import type { Start } from "./year";

/** How near is near enough; seconds for a remedy without whole numbers, with them at first, and for those that are not near then. */
const GAP = 0.002;
const SECONDS = { relaxed: 2, first: 0.4, again: 1.5 };
/** Remedies that are looked at again. */
const MOST_AGAIN = 4;

interface Priced {
  readonly prices: Float64Array;
  readonly paid: number;
  readonly solve: Solver;
  /** Told of each remedy's plan that is found on the way. */
  readonly plan: (remedy: number, options: readonly Option[]) => void;
}

interface Part {
  readonly remedy: number;
  readonly formulated: Formulated;
  bound: number;
  /** What it is known to come to. */
  value: number;
}

/**
 * Points no plan by weeks can be under: each remedy is planned by itself, exactly, paying a price for what it takes of what all share (a Lagrangian
 * relaxation). Whatever the prices are, what comes of it is a bound; good prices make it a near one. Each step tells the bound so far.
 * @param paid what all limits together come to at their prices
 */
export function* boundOf(
  scales: Scales,
  pinned: readonly Start[],
  { prices, paid, solve, plan }: Priced,
): Generator<number, number> {
  const parts = scales.year.wanted.map((_, remedy): Part => {
    const formulated = formulate(scales, { remedies: [remedy], stand: pinned, prices });
    return { remedy, formulated, bound: 0, value: Infinity };
  });
  const sum = (): number =>
    Math.max(
      0,
      parts.reduce((n, p) => n + p.bound, -paid),
    );
  for (const p of parts) {
    p.bound = Math.max(
      0,
      solve(p.formulated.programme, { seconds: SECONDS.relaxed, gap: 0, relaxed: true }).bound,
    );
    yield 0;
  }
  yield sum();
  const nearer = (p: Part, seconds: number): void => {
    const { bound, value, x } = solve(p.formulated.programme, { seconds, gap: GAP });
    if (x && value < p.value) plan(p.remedy, optionsIn(p.formulated, x));
    p.bound = Math.max(p.bound, bound);
    p.value = Math.min(p.value, value);
  };
  for (const p of parts) {
    nearer(p, SECONDS.first);
    yield sum();
  }
  const off = (p: Part): number => p.value - p.bound;
  for (const p of [...parts].sort((a, b) => off(b) - off(a)).slice(0, MOST_AGAIN)) {
    if (off(p) <= GAP * Math.max(1, sum())) continue;
    nearer(p, SECONDS.again);
    yield sum();
  }
  return sum();
}
