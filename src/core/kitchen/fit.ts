/*
 * What is known beforehand and what was read, brought together: the likeliest few unknowns, and how sure of them one may be.
 * Least squares with priors by the Gauss–Newton–Levenberg way; readings far off pull less (Huber).
 */

export interface Known {
  /** Before anything is read, and its standard deviation. */
  readonly mean: number;
  readonly sd: number;
}

export interface Observed {
  readonly value: number;
  readonly sd: number;
}

export interface Fitted {
  readonly at: readonly number[];
  /** Covariance of `at`, row by row. */
  readonly covariance: readonly (readonly number[])[];
  /** Root of the mean square of what readings miss by, in their own standard deviations. */
  readonly misfit: number;
}

/** Standard deviations beyond which a reading pulls only in proportion. */
const HUBER = 2;
const ROUNDS = 12;
/** A step so small, in prior deviations, is the end. */
const SETTLED = 1e-4;

/** Solves a·x = b for a small symmetric positive matrix; the inverse where b is left out. */
export function inverseOf(a: readonly (readonly number[])[]): number[][] {
  const n = a.length;
  const m = a.map((row, i) => [...row, ...row.map((_, j) => Number(i === j))]);
  for (let c = 0; c < n; c++) {
    let best = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r]![c]!) > Math.abs(m[best]![c]!)) best = r;
    [m[c], m[best]] = [m[best]!, m[c]!];
    const p = m[c]![c]!;
    for (let k = 0; k < 2 * n; k++) m[c]![k] = m[c]![k]! / p;
    for (let r = 0; r < n; r++) {
      const f = m[r]![c]!;
      if (r === c || f === 0) continue;
      for (let k = 0; k < 2 * n; k++) m[r]![k] = m[r]![k]! - f * m[c]![k]!;
    }
  }
  return m.map((row) => row.slice(n));
}

interface Normal {
  readonly h: number[][];
  readonly g: number[];
  readonly cost: number;
}

/** Slopes by small steps of every unknown. */
function slopes(
  predict: (x: readonly number[]) => readonly number[],
  x: readonly number[],
  at: readonly number[],
  known: readonly Known[],
): number[][] {
  return known.map(({ sd }, k) => {
    const step = sd * 1e-3;
    const moved = predict(x.map((v, i) => (i === k ? v + step : v)));
    return moved.map((v, i) => (v - at[i]!) / step);
  });
}

const pull = (z: number): number => (Math.abs(z) <= HUBER ? 1 : HUBER / Math.abs(z));
const loss = (z: number): number => {
  const a = Math.abs(z);
  return a <= HUBER ? a * a : 2 * HUBER * a - HUBER * HUBER;
};

const costOf = (
  at: readonly number[],
  x: readonly number[],
  read: readonly Observed[],
  known: readonly Known[],
): number =>
  read.reduce((s, o, i) => s + loss((o.value - at[i]!) / o.sd), 0) +
  known.reduce((s, k, i) => s + ((x[i]! - k.mean) / k.sd) ** 2, 0);

function normalOf(
  predict: (x: readonly number[]) => readonly number[],
  x: readonly number[],
  read: readonly Observed[],
  known: readonly Known[],
): Normal {
  const at = predict(x);
  const d = slopes(predict, x, at, known);
  const n = known.length;
  const h = known.map((k, i) => known.map((_, j) => (i === j ? 1 / k.sd ** 2 : 0)));
  const g = known.map((k, i) => (k.mean - x[i]!) / k.sd ** 2);
  for (const [r, o] of read.entries()) {
    const miss = o.value - at[r]!;
    const w = pull(miss / o.sd) / o.sd ** 2;
    for (let i = 0; i < n; i++) {
      g[i] = g[i]! + w * d[i]![r]! * miss;
      for (let j = 0; j < n; j++) h[i]![j] = h[i]![j]! + w * d[i]![r]! * d[j]![r]!;
    }
  }
  return { h, g, cost: costOf(at, x, read, known) };
}

/**
 * The likeliest values of a few unknowns, given what was known of each and what was read.
 * @param predict what each reading would show if the unknowns were these; as many as `read`, in its order
 */
export function fitOf(
  known: readonly Known[],
  read: readonly Observed[],
  predict: (x: readonly number[]) => readonly number[],
): Fitted {
  let x = known.map((k) => k.mean);
  let damping = 1e-3;
  let is = normalOf(predict, x, read, known);
  for (let round = 0; round < ROUNDS; round++) {
    const damped = is.h.map((row, i) => row.map((v, j) => (i === j ? v * (1 + damping) : v)));
    const inv = inverseOf(damped);
    const step = inv.map((row) => row.reduce((s, v, j) => s + v * is.g[j]!, 0));
    const next = x.map((v, i) => v + step[i]!);
    if (costOf(predict(next), next, read, known) > is.cost + 1e-9) {
      damping *= 10;
      if (damping > 1e6) break;
      continue;
    }
    x = next;
    damping = Math.max(1e-6, damping / 5);
    is = normalOf(predict, x, read, known);
    if (step.every((s, i) => Math.abs(s) < SETTLED * known[i]!.sd)) break;
  }
  const at = predict(x);
  const squares = read.reduce((s, o, i) => s + Math.min(25, ((o.value - at[i]!) / o.sd) ** 2), 0);
  return { at: x, covariance: inverseOf(is.h), misfit: Math.sqrt(squares / Math.max(1, read.length)) };
}

/** Standard deviation of something that follows from the unknowns, by its slopes against them. */
export function spreadOf(f: Fitted, of: (x: readonly number[]) => number, known: readonly Known[]): number {
  const here = of(f.at);
  const d = known.map((_, k) => {
    // A step as wide as the unknown still is: what follows is seldom straight.
    const step = 0.5 * Math.sqrt(f.covariance[k]![k]!);
    return (of(f.at.map((v, i) => (i === k ? v + step : v))) - here) / step;
  });
  const v = d.reduce((s, di, i) => s + d.reduce((t, dj, j) => t + di * dj * f.covariance[i]![j]!, 0), 0);
  return Math.sqrt(Math.max(0, v));
}
