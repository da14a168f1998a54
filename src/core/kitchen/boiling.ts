import { counted } from "../words";
import { type Estimate, FOUR_IN_FIVE, estimate } from "../estimate";
import { heightAt, type Solid, volumeAt } from "../vessel/profile";
import { type Fitted, type Known, fitOf, spreadOf } from "./fit";
import { surfaceCm2 } from "./pan";

/** How it boils. */
export const BOILS = ["simmer", "rolling"] as const;
export type Boils = (typeof BOILS)[number];
/** How it is covered; under pressure nothing leaves. */
export const COVERS = ["open", "lid", "pressure"] as const;
export type Cover = (typeof COVERS)[number];

/** Water a minute from each cm² of surface, g; ± 40 %, found by readings. Measured in home pans of many widths. */
export const LEAVES: Readonly<Record<Boils, number>> = { simmer: 0.045, rolling: 0.1 };
/** What a cover lets go of that. */
export const LETS_GO: Readonly<Record<Cover, number>> = { open: 1, lid: 0.15, pressure: 0 };

/** What was read of a pan: the depth by a dipstick, cm, or the weight of what is in it, g. */
export interface PanReading {
  readonly minute: number;
  readonly what: "depth" | "weight";
  readonly value: number;
  readonly sd: number;
}

export interface Boiling {
  readonly solid: Solid;
  /** mL when it began to boil, and how sure that is. */
  readonly startMl: Known;
  /** mL that plants in the pot take up. */
  readonly displacedMl: number;
  /** g of everything that does not boil away, for weights: the liquid's mass less its water, with what stands in it. */
  readonly staysG: number;
  /** mL of the liquid that does not boil away. */
  readonly staysMl: number;
  /** g of sugar dissolved in it. */
  readonly sugarG: number;
  readonly boils: Boils;
  readonly cover: Cover;
  readonly beganMinute: number;
  readonly readings: readonly PanReading[];
}

/** ± 40 % as the logarithm's standard deviation. */
const RATE_SD = 0.27;
/** The flame is turned, the pan is stirred: share of the time still to come that no fit of two unknowns sees. */
const UNSEEN = 0.04;
/** g of water in a mL near its boil. */
const HOT_WATER = 0.96;

/** Unknowns: log of the rate against the usual, mL when it began. */
type Unknowns = readonly number[];

const rateOf = (b: Boiling, [log]: Unknowns): number => LEAVES[b.boils] * LETS_GO[b.cover] * Math.exp(log!);

/** mL a minute that leave, at so many mL in the pan. */
const leaves = (b: Boiling, x: Unknowns, ml: number): number =>
  (rateOf(b, x) * surfaceCm2(b.solid, ml + b.displacedMl)) / HOT_WATER;

/** mL left at each minute; minutes rise. Two steps between readings follow a pan's slope well enough. */
function left(b: Boiling, x: Unknowns, minutes: readonly number[]): number[] {
  let at = b.beganMinute;
  let ml = x[1]!;
  return minutes.map((m) => {
    while (at < m - 1e-9) {
      const step = Math.min(5, m - at);
      const half = ml - (step / 2) * leaves(b, x, ml);
      ml = Math.max(b.staysMl, ml - step * leaves(b, x, Math.max(0, half)));
      at += step;
    }
    return ml;
  });
}

/** What a reading would show at so many mL of liquid. */
function shows(b: Boiling, what: PanReading["what"], ml: number): number {
  if (what === "depth") return heightAt(b.solid, ml + b.displacedMl);
  return b.staysG + (ml - b.staysMl) * HOT_WATER;
}

export interface BoilingLearned {
  readonly boiling: Boiling;
  readonly fitted: Fitted;
  readonly known: readonly Known[];
  /** Why these readings cannot be of this pan; nothing where they can. */
  readonly wrong: string | undefined;
}

/** A rate so many times over or under what pans do is the pan's width, not the flame. */
const NO_PAN_DOES = 3.5;

function implausible(b: Boiling, readings: readonly PanReading[]): string | undefined {
  if (readings.length < 2) return undefined;
  // By readings alone, believing nothing beforehand.
  const free = [
    { mean: 0, sd: 5 },
    { mean: b.startMl.mean, sd: b.startMl.mean },
  ];
  const f = fitOf(free, observed(readings), predicting(b, readings));
  const sure = Math.sqrt(f.covariance[0]![0]!) < 0.5;
  const times = Math.exp(f.at[0]!);
  if (sure && (times > NO_PAN_DOES || times < 1 / NO_PAN_DOES))
    return "No pan boils like that: check the pot’s width, and where the dipstick stands.";
  const [first, last] = [readings[0]!, readings.at(-1)!];
  const rose = first.what === last.what && last.value - first.value > 3 * Math.hypot(first.sd, last.sd);
  return rose
    ? "It rose while it boiled: was something poured in? Write that down, then read again."
    : undefined;
}

const observed = (readings: readonly PanReading[]) => readings.map(({ value, sd }) => ({ value, sd }));

const predicting = (b: Boiling, readings: readonly PanReading[]) => {
  const minutes = readings.map((r) => r.minute);
  return (x: Unknowns): number[] => left(b, x, minutes).map((ml, i) => shows(b, readings[i]!.what, ml));
};

/** What was learned of a pan that boils down. */
export function learnBoiling(boiling: Boiling): BoilingLearned {
  const readings = boiling.readings
    .filter((r) => r.minute >= boiling.beganMinute - 1e-9)
    .sort((a, b) => a.minute - b.minute);
  const b = { ...boiling, readings };
  const known = [{ mean: 0, sd: RATE_SD }, b.startMl];
  const fitted = fitOf(known, observed(readings), predicting(b, readings));
  return { boiling: b, fitted, known, wrong: implausible(b, readings) };
}

/** mL of liquid in it at a minute. */
export function leftAt(l: BoilingLearned, minute: number): Estimate {
  const of = (x: Unknowns): number => left(l.boiling, x, [minute])[0]!;
  const ml = of(l.fitted.at);
  const half = FOUR_IN_FIVE * spreadOf(l.fitted, of, l.known);
  return estimate(ml, Math.max(l.boiling.staysMl, ml - half), ml + half, ["by this pan’s own readings"]);
}

/** Never longer than this ahead, minutes. */
const FAR = 12 * 60;

function timeTo(l: BoilingLearned, x: Unknowns, targetMl: number, now: number): number {
  const b = l.boiling;
  let ml = left(b, x, [now])[0]!;
  let t = now;
  while (t - now < FAR) {
    if (ml <= targetMl) return t;
    const is = leaves(b, x, ml);
    if (is <= 1e-6) break;
    const step = Math.min(5, (ml - targetMl) / is);
    const half = ml - (step / 2) * is;
    ml -= step * leaves(b, x, Math.max(targetMl, half));
    t += step;
    if (ml - targetMl < 0.05) return t;
  }
  return now + FAR;
}

/** When to stop boiling, and where the dipstick stands then. */
export interface BoilsDown {
  /** Minute on the readings' clock; nothing where nothing leaves it. */
  readonly minute: Estimate | undefined;
  /** cm from the base to stop at, now, and where it began. */
  readonly stopCm: number;
  readonly nowCm: number;
  readonly startCm: number;
  readonly leftMl: Estimate;
  /** What to look out for. */
  readonly warns: readonly string[];
}

/** So little on the base catches; sugar past this does too. */
const [THIN_CM, CATCHES_BRIX] = [1.2, 60];

function warnings(b: Boiling, targetMl: number, stopCm: number): string[] {
  const out: string[] = [];
  if (stopCm < THIN_CM)
    out.push(`Only ${Math.round(stopCm * 10)} mm will stand on the base: it catches. Take a narrower pan.`);
  const brix = (100 * b.sugarG) / Math.max(1e-9, b.staysG + Math.max(0, targetMl - b.staysMl) * HOT_WATER);
  if (brix > CATCHES_BRIX) out.push("So much sugar catches and browns: low heat, and stir without stopping.");
  if (targetMl <= b.staysMl * 1.02) out.push("It cannot boil down so far: that little is not water.");
  return out;
}

/** How a pan boils down to a volume, in mL, by what has been read of it. @param now minute on the readings' clock */
export function boilsDown(l: BoilingLearned, targetMl: number, now: number): BoilsDown {
  const b = l.boiling;
  const leftMl = leftAt(l, now);
  const cm = (ml: number): number => heightAt(b.solid, ml + b.displacedMl);
  const at = timeTo(l, l.fitted.at, targetMl, now);
  const leftMin = at - now;
  const sd = Math.hypot(
    spreadOf(l.fitted, (x) => timeTo(l, x, targetMl, now), l.known),
    UNSEEN * leftMin,
  );
  const by = leftMin > 0 ? Math.exp((FOUR_IN_FIVE * sd) / leftMin) : 1;
  const never = LETS_GO[b.cover] === 0 || leftMin >= FAR;
  const n = b.readings.length;
  const because = [
    n === 0 ? "nothing read yet: by the pan’s width alone" : `from ${counted(n, "reading")} of this pan`,
  ];
  const stopCm = cm(targetMl);
  return {
    minute: never ? undefined : estimate(at, now + leftMin / by, now + leftMin * by, because),
    stopCm,
    nowCm: cm(leftMl.value),
    startCm: cm(l.fitted.at[1]!),
    leftMl,
    warns: warnings(b, targetMl, stopCm),
  };
}

/** mL of liquid that a depth shows, the plants in it taken off. */
export const mlAtDepth = (solid: Solid, cm: number, displacedMl: number): number =>
  Math.max(0, volumeAt(solid, cm) - displacedMl);
