/** A temperature of a cooling liquid: minutes from any zero, °C. */
export interface Reading {
  readonly minute: number;
  readonly celsius: number;
}

export interface History {
  /** Minutes from 60 to 21 °C and from 60 to 5 °C; missing where the readings do not reach so far. */
  readonly to21: number | undefined;
  readonly to5: number | undefined;
  /** Minutes between 60 and 5 °C so far. */
  readonly between: number;
  readonly outcome: "not-asked" | "well" | "going" | "boil-once-more" | "do-not-keep";
  readonly words: string;
}

const HOT = 60;
const WARM = 21;
const COLD = 5;
/** Minutes allowed: 60 to 21 °C, and 60 to 5 °C in all. Source: two-stage cooling of the FDA Food Code, rounded to the cautious side. */
const FIRST = 120;
const ALL = 360;
/** Missed by less than this in all, one more boiling mends it. */
const MENDABLE = 240;

/** Minute at which a cooling liquid passes a temperature for the last time, between readings by straight lines; `undefined` if it has not. */
function passes(readings: readonly Reading[], celsius: number): number | undefined {
  for (let i = readings.length - 1; i > 0; i--) {
    const [a, b] = [readings[i - 1]!, readings[i]!];
    if (a.celsius > celsius && b.celsius <= celsius)
      return a.minute + ((a.celsius - celsius) / (a.celsius - b.celsius)) * (b.minute - a.minute);
  }
  return readings[0] && readings[0].celsius <= celsius ? readings[0].minute : undefined;
}

/**
 * The temperature history of a liquid that could grow something: pH over 4.6 at its upper end and a_w over 0.92. Steeping counts.
 * From 60 to 21 °C within 2 h and to 5 °C within 6 h; missed by under 4 h in all, boil once more and cool in ice;
 * by more, or overnight, do not keep it: boiling again does not remove toxin.
 * @param nowMinute minutes on the same clock, to count a cooling still going on
 */
export function coolingHistory(
  readings: readonly Reading[],
  liquid: { readonly phHigh: number; readonly aw: number },
  nowMinute?: number,
): History {
  const r = [...readings]
    .filter((x) => Number.isFinite(x.minute) && Number.isFinite(x.celsius))
    .sort((a, b) => a.minute - b.minute);
  const asked = liquid.phHigh > 4.6 && liquid.aw > 0.92;
  const last = r[r.length - 1];
  const at60 = passes(r, HOT);
  if (!last || at60 === undefined)
    return {
      to21: undefined,
      to5: undefined,
      between: 0,
      outcome: asked ? "going" : "not-asked",
      words: asked
        ? "Hot still; nothing grows above 60 °C."
        : "Sour or sweet enough that cooling slowly does it no harm.",
    };
  const at21 = passes(r, WARM);
  const at5 = passes(r, COLD);
  const until = Math.max(last.minute, nowMinute ?? last.minute);
  const to21 = at21 === undefined ? undefined : at21 - at60;
  const to5 = at5 === undefined ? undefined : at5 - at60;
  const between = (at5 ?? until) - at60;
  if (!asked)
    return {
      to21,
      to5,
      between,
      outcome: "not-asked",
      words: "Sour or sweet enough that cooling slowly does it no harm.",
    };
  const first = (to21 ?? until - at60) - FIRST;
  const second = (to5 ?? until - at60) - ALL;
  const over = Math.max(0, first, second);
  const hours = (m: number): string => (m < 90 ? `${Math.round(m)} min` : `${(m / 60).toFixed(1)} h`);
  if (over === 0)
    return {
      to21,
      to5,
      between,
      outcome: at5 === undefined ? "going" : "well",
      words:
        at5 === undefined
          ? `${hours(between)} since 60 °C. It wants to be at 21 °C within 2 h and at 5 °C within 6 h.`
          : "Cooled in time.",
    };
  if (over < MENDABLE)
    return {
      to21,
      to5,
      between,
      outcome: "boil-once-more",
      words: `${hours(over)} too long between 60 and 5 °C. Boil it once more, then cool it in ice.`,
    };
  return {
    to21,
    to5,
    between,
    outcome: "do-not-keep",
    words: `${hours(between)} between 60 and 5 °C. Do not keep it; boiling again does not remove what may have formed.`,
  };
}
