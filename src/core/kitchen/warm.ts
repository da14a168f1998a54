import { celsius } from "../quantity/carried";
import { BOTH_STAGES, FIRST_STAGE } from "../keeping/temperature";
import { type Cooling, type Learned, type Stands, learn, reaches } from "./cooling";

/** A way to cool a pan that would otherwise stand warm too long, and the minutes from now it would take. */
export interface Mend {
  readonly how: "lid-off" | "iced-sink" | "two-pans" | "fridge-at-21";
  readonly to21: number | undefined;
  readonly to5: number | undefined;
  /** Whether it is in time so. */
  readonly inTime: boolean;
}

export const MEND_WORDS: Readonly<Record<Mend["how"], string>> = {
  "lid-off": "Take the lid off",
  "iced-sink": "Stand the pan in a sink of iced water and stir",
  "two-pans": "Pour it into two shallow pans, lids off",
  "fridge-at-21": `Into the fridge as soon as it is under ${celsius(21)}`,
};

/** How long what could grow something has stood warm, and will. Minutes. */
export interface StandingWarm {
  /** Since it fell below 60 °C; nothing while it is hotter. */
  readonly warmSince: number | undefined;
  /** Minutes from 60 °C to 21 °C and to 5 °C as it stands now; nothing where it never gets there. */
  readonly to21: number | undefined;
  readonly to5: number | undefined;
  /** As it stands it will be too slow. */
  readonly tooSlow: boolean;
  readonly mends: readonly Mend[];
}

/** Only this can grow the worst: pH over 4.6 at its upper end and a_w over 0.92. */
export const mattersHow = (phHigh: number, aw: number): boolean => phHigh > 4.6 && aw > 0.92;

const HOT = 60;
const WARM = 21;
const COLD = 5;

const minuteOf = (l: Learned, target: number, now: number, as?: Stands): number | undefined => {
  const r = reaches(l, target, now, as);
  return r.comes ? r.minute.value : undefined;
};

/** The same liquid split over two wide pans: half the heat each, and the surface of both. */
const inTwoPans = (c: Cooling): Cooling => ({
  ...c,
  pan: { skin: c.pan.skin * 1.1, surface: c.pan.surface * 1.5, heat: c.pan.heat / 2 },
});

/** Minute of 60 °C by the readings, or by what comes. */
function hotUntil(l: Learned, now: number): number | undefined {
  const { readings } = l.cooling;
  const i = readings.findIndex((r) => r.celsius <= HOT);
  if (i === 0) return readings[0]!.minute;
  if (i > 0) {
    const [a, b] = [readings[i - 1]!, readings[i]!];
    return a.minute + ((a.celsius - HOT) / (a.celsius - b.celsius)) * (b.minute - a.minute);
  }
  return minuteOf(l, HOT, now);
}

/**
 * What standing warm comes to, and what would mend it.
 * @param now minute on the clock of the readings
 */
export function standingWarm(l: Learned, now: number): StandingWarm {
  const at60 = hotUntil(l, now);
  if (at60 === undefined)
    return { warmSince: undefined, to21: undefined, to5: undefined, tooSlow: false, mends: [] };
  const from = (minute: number | undefined): number | undefined =>
    minute === undefined ? undefined : minute - at60;
  const at21 = minuteOf(l, WARM, now);
  const chilled = (at: number | undefined, as: Stands): number | undefined =>
    at === undefined ? undefined : minuteOf(l, COLD, at, as);
  const judge = (how: Mend["how"], a: number | undefined, b: number | undefined): Mend => ({
    how,
    to21: from(a),
    to5: from(b),
    inTime: a !== undefined && a - at60 <= FIRST_STAGE && (b === undefined || b - at60 <= BOTH_STAGES),
  });
  const iced = minuteOf(l, WARM, now, "iced");
  const open = minuteOf(l, WARM, now, "open");
  const two = learn(inTwoPans(l.cooling));
  const shallow = minuteOf(two, WARM, now, "open");
  const mends = [
    judge("iced-sink", iced, chilled(iced, "iced")),
    judge("two-pans", shallow, undefined),
    judge("lid-off", open, undefined),
    judge("fridge-at-21", at21, chilled(at21, "fridge")),
  ];
  const to21 = from(at21);
  return {
    warmSince: at60 <= now ? at60 : undefined,
    to21,
    to5: from(chilled(at21, "fridge")),
    tooSlow: to21 === undefined || to21 > FIRST_STAGE,
    mends,
  };
}
