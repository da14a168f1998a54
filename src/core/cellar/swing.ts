import type { Day } from "../day";

/** Where on the year's round a day stands. */
export type Round = readonly [cos: number, sin: number];

/** Where on the year's round it is so many days after a day: by mean months, since a thousand are asked for at a time. */
export function roundFrom(day: Day): (days: number) => Round {
  const begins = (Number(day.slice(5, 7)) - 1) * 30.44 + Number(day.slice(8));
  return (days) => {
    const angle = ((begins + days) / 365.25) * 2 * Math.PI;
    return [Math.cos(angle), Math.sin(angle)];
  };
}

/** A week of a remedy: when, in what share of it there was any, and the mL that were used. */
export interface Week {
  readonly round: Round;
  readonly there: number;
  readonly ml: number;
}

type Three = readonly [number, number, number];

/** A rate of use that swings with the year, as one wave. */
export interface Swing {
  /** mL a week in the mean; what the cosine and the sine of the year's round add to it. */
  readonly by: Three;
  /** Their covariances. */
  readonly cov: readonly [Three, Three, Three];
}

/** mL a week at a place of the year; never less than a tenth of the mean. */
export const rateAt = ({ by }: Swing, [cos, sin]: Round): number =>
  Math.max(0.1 * by[0], by[0] + by[1] * cos + by[2] * sin);

/** The same all year, and sure. */
export const flatSwing = (rate: number): Swing => ({
  by: [rate, 0, 0],
  cov: [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ],
});

/** The inverse of a symmetric three by three. */
function inverse([[a, b, c], [, e, f], [, , i]]: readonly [Three, Three, Three]): readonly [
  Three,
  Three,
  Three,
] {
  const [p, q, r] = [e * i - f * f, c * f - b * i, b * f - c * e];
  const det = a * p + b * q + c * r;
  const over = (x: number, y: number, z: number): Three => [x / det, y / det, z / det];
  return [over(p, q, r), over(q, a * i - c * c, b * c - a * f), over(r, b * c - a * f, a * e - b * b)];
}

/** How far a year's wave is looked for before anything is seen: its usual height, as a share of the mean. */
const USUAL_WAVE = 0.5;

/**
 * Weeks laid on one wave a year by least squares, the wave leaning to none while little is seen.
 * @param noise mL² of variance of a week's use
 * @param laid a rate known otherwise, and the weeks of seeing it is worth
 */
export function swingOf(
  weeks: readonly Week[],
  rate: number,
  noise: number,
  laid: { readonly weeks: number; readonly rate: number },
): Swing {
  const lean = 1 / (USUAL_WAVE * rate) ** 2;
  const sums = [laid.weeks / noise, 0, 0, lean, 0, lean];
  const seen = [(laid.weeks * laid.rate) / noise, 0, 0];
  for (const { there, ml, round } of weeks) {
    const x = [1, ...round] as const;
    let at = 0;
    for (let i = 0; i < 3; i++) {
      seen[i] = seen[i]! + (x[i]! * ml) / noise;
      for (let j = i; j < 3; j++, at++) sums[at] = sums[at]! + (x[i]! * x[j]! * there) / noise;
    }
  }
  const [a, b, c, e, f, i] = sums as unknown as readonly [number, number, number, number, number, number];
  const cov = inverse([
    [a, b, c],
    [b, e, f],
    [c, f, i],
  ]);
  const by = cov.map((row) => row.reduce((n, v, j) => n + v * seen[j]!, 0));
  return { by: by as unknown as Three, cov };
}

/** Variance of a sum of rates: of so many weeks, with the sums of their cosines and sines. mL² */
export function doubtOf({ cov }: Swing, x: Three): number {
  let sum = 0;
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) sum += x[i]! * cov[i]![j]! * x[j]!;
  return sum;
}
