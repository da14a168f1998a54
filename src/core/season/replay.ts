import { lotOf } from "./batch";
import { drawnFrom } from "./drawn";
import { wantedOn } from "./pour";
import type { Lot, Start, Wanted, Year } from "./year";

/** How unsure the use of a remedy is: its mean, as a share of what is planned with; how far a whole year, and a run of weeks, may lie from that. */
export interface Unsure {
  readonly mean: number;
  readonly year: number;
  readonly run: number;
}

/** What became of one remedy in all replays. */
export interface Replayed {
  readonly remedy: string;
  /** In how many of them it ran out. */
  readonly ranOut: number;
  /** For each day, in how many of them it was not there. */
  readonly outOn: Uint16Array;
  /** mL there on each day, of which a tenth, a half and nine tenths of the replays had less. */
  readonly low: Float32Array;
  readonly mid: Float32Array;
  readonly high: Float32Array;
}

/** Days of a run: colds come in runs. */
const RUN = 28;
/** Days between two of those the fan is drawn at. */
export const FAN_STEP = 7;

/** A normal number (Box and Muller, 1958). */
const normal = (draw: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());
/** A factor about one, never under nought, whose spread is a share of it: log-normal. */
function factor(draw: () => number, spread: number): number {
  const s2 = Math.log(1 + spread * spread);
  return Math.exp(Math.sqrt(s2) * normal(draw) - s2 / 2);
}

/** A batch as it might go: strained on another day of its window, giving less or more. */
function drawnLot(s: Start, vessel: Year["vessels"][number], w: Wanted, draw: () => number): Lot {
  const lot = lotOf(s, vessel, w);
  const m = w.making!;
  const low = m.gives.value > 0 ? m.gives.low / m.gives.value : 1;
  const ml = lot.ml * (low + (2 - 2 * low) * draw());
  if (!m.steep) return { ...lot, ml };
  // Nearer its planned day than not, and inside its window.
  const off = Math.round((draw() + draw() - 1) * 7);
  const strain = Math.min(s.day + m.steep.latest, Math.max(s.day + m.steep.earliest, s.strain + off));
  return { ...lot, ml, from: strain, until: lot.until + strain - s.strain };
}

interface Kept {
  readonly at: Float32Array[];
  ranOut: number;
  readonly outOn: Uint16Array;
}

/** One remedy, once: pours what is used and writes down what stands. */
function once(lots: readonly Lot[], use: Float64Array, kept: Kept, n: number): void {
  const order = [...lots].sort((a, b) => a.until - b.until);
  const left = order.map((l) => l.ml);
  let out = false;
  for (let d = 0; d < use.length; d++) {
    let [lacks, there] = [use[d]!, 0];
    for (let i = 0; i < order.length; i++) {
      const l = order[i]!;
      if (l.from > d || l.until < d) continue;
      there += left[i]!;
      const some = Math.min(left[i]!, lacks);
      left[i]! -= some;
      lacks -= some;
    }
    if (d % FAN_STEP === 0) kept.at[d / FAN_STEP]![n] = there;
    if (lacks <= 1e-6) continue;
    out = true;
    kept.outOn[d]! += 1;
  }
  if (out) kept.ranOut += 1;
}

/**
 * A plan lived through many times, with drawn use, yields and straining days: in how many it ran out, and when. Each step is some of the replays, so
 * that whoever runs it stays free.
 */
export function* replay(
  year: Year,
  starts: readonly Start[],
  unsure: readonly Unsure[],
  { times = 500, seed = 1, each = 25 }: { times?: number; seed?: number; each?: number } = {},
): Generator<number, readonly Replayed[]> {
  const draw = drawnFrom(seed);
  const wants = year.wanted.map(wantedOn);
  const steps = Math.ceil(year.days / FAN_STEP);
  const kept = year.wanted.map((): Kept => ({
    at: Array.from({ length: steps }, () => new Float32Array(times)),
    ranOut: 0,
    outOn: new Uint16Array(year.days),
  }));
  const vessels = new Map(year.vessels.map((v) => [v.id, v]));
  const use = new Float64Array(year.days);
  for (let n = 0; n < times; n++) {
    year.wanted.forEach((w, i) => {
      const { mean, year: level, run } = unsure[i]!;
      const whole = mean * factor(draw, level);
      for (let d = 0, f = 1; d < year.days; d++) {
        if (d % RUN === 0) f = whole * factor(draw, run);
        const gift = wants[i]![d]! - w.need[d]!;
        use[d] = w.need[d]! * f + gift;
      }
      const mine = starts.filter((s) => s.remedy === w.id && w.making && vessels.has(s.vessel));
      once([...w.stock, ...mine.map((s) => drawnLot(s, vessels.get(s.vessel)!, w, draw))], use, kept[i]!, n);
    });
    if ((n + 1) % each === 0) yield n + 1;
  }
  return year.wanted.map((w, i): Replayed => {
    const share = (of: number): Float32Array =>
      Float32Array.from(kept[i]!.at, (all) => [...all].sort((a, b) => a - b)[Math.floor(of * (times - 1))]!);
    const { ranOut, outOn } = kept[i]!;
    return { remedy: w.id, ranOut, outOn, low: share(0.1), mid: share(0.5), high: share(0.9) };
  });
}
