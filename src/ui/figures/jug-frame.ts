import type { UnitSystem } from "@/core/quantity/units";
import type { Measures } from "@/core/reading/measures";
import { UNITS } from "@/core/quantity/units";
import { type Solid, diameterAt, heightAt, solidOf } from "@/core/vessel/profile";

/** Jugs as they are sold: what they hold, and every how much they are marked and named, in mL or in cups. */
const METRIC = [
  [250, 25, 100],
  [500, 50, 100],
  [1000, 50, 250],
  [2000, 100, 500],
  [3000, 250, 500],
  [5000, 250, 1000],
  [10_000, 500, 2000],
] as const;
const IN_CUPS = [
  [1, 0.125, 0.5],
  [2, 0.25, 0.5],
  [4, 0.25, 1],
  [8, 0.5, 1],
  [16, 1, 2],
  [32, 2, 4],
  [64, 4, 8],
] as const;

export interface Marked {
  readonly solid: Solid;
  /** From one mark to the next, mL. */
  readonly each: number;
  readonly ticks: readonly { readonly ml: number; readonly name: string | undefined }[];
}

const metricName = (ml: number): string => (ml >= 1000 ? `${ml / 1000} L` : String(ml));
const cupName = (cups: number): string => {
  const words = { 0.5: "½", 1.5: "1½", 2.5: "2½" }[cups] ?? String(cups);
  return cups <= 1 ? `${words} cup` : words;
};

/** The smallest jug that holds it, with the scale it bears. */
export function jugFor(ml: number, system: UnitSystem): Marked {
  const cup = system === "us" ? UNITS["us-cup"].size : 1;
  const sizes: readonly (readonly [number, number, number])[] = system === "us" ? IN_CUPS : METRIC;
  const last = sizes.at(-1)!;
  const [holds, each, named] = sizes.find(([s]) => s * cup >= ml) ?? [
    Math.ceil(ml / cup),
    last[1] * 4,
    last[2] * 4,
  ];
  // A jug is near as wide as two thirds of its height, and a little wider above; its brim a tenth over its last mark.
  const unit = solidOf([
    [0, 0.62],
    [1, 0.74],
  ]);
  const k = Math.cbrt((holds * cup * 1.12) / unit.brimMl);
  const solid = solidOf(unit.profile.map(([h, d]) => [h * k, d * k] as const));
  const n = Math.floor(holds / each + 1e-9);
  const ticks = Array.from({ length: n }, (_, i) => (i + 1) * each).map((at) => ({
    ml: at * cup,
    name: Math.abs(at / named - Math.round(at / named)) < 1e-6 ? nameOf(at, system) : undefined,
  }));
  return { solid, each: each * cup, ticks };
}

/** Whose marks the household's jug bears: mL and litres, or its cups. */
export const jugSystem = (
  u: Measures & { readonly display: string; readonly household: UnitSystem },
): UnitSystem => (u.display === "metric" || u.jug.ml === 1 ? "metric" : u.household);

/** How high and how wide a jug is, cm. */
export function jugSize(holds: number, system: UnitSystem) {
  const { solid } = jugFor(holds, system);
  return { tall: solid.brimCm, wide: solid.profile[1]![1] };
}
const nameOf = (at: number, system: UnitSystem): string => (system === "us" ? cupName(at) : metricName(at));

export const [TOP, BASE] = [26, 12];
/** Px over and under a jug in its drawing. */
export const JUG_OVER = TOP + BASE;

/** Room beside a jug, px: for its levels' words at the left, for its lip, for its handle at the right. */
type Room = readonly [words: number, lip: number, handle: number];
const ALONE: Room = [178, 24, 56];
const AMONG_OTHERS: Room = [118, 24, 56];
const IN_LITTLE_ROOM: Room = [90, 14, 46];
const roomFor = (little: boolean, among: boolean): Room => {
  if (little) return IN_LITTLE_ROOM;
  return among ? AMONG_OTHERS : ALONE;
};
/** Px a jug wants beside its own width, where it stands among other vessels. */
export const besideJug = (little: boolean): number => roomFor(little, true).reduce((a, b) => a + b, 0);
/** What is narrower is little room, px. */
export const LITTLE_ROOM = 480;

/** Where the jug stands in its drawing, px. */
export interface JugFrame extends Marked {
  readonly width: number;
  readonly k: number;
  /** Room for the levels' words. */
  readonly words: number;
  /** Words are smaller where there is little of it. */
  readonly small: boolean;
  readonly middle: number;
  readonly bottom: number;
  readonly y: (ml: number) => number;
  /** Half of the inside's width at a level. */
  readonly half: (ml: number) => number;
}

/** @param scale pixels for a centimetre, where it stands among others @param little whether there is little room there @param tall how tall it may be where it stands alone, px */
export function jugFrame(
  marked: Marked,
  width: number,
  scale: number | undefined,
  little: boolean,
  tall: number,
): JugFrame {
  const { solid } = marked;
  const small = scale === undefined ? width < LITTLE_ROOM : little;
  const [words, lip, handle] = roomFor(small, scale !== undefined);
  const wide = solid.profile[1]![1];
  const k =
    scale ?? Math.max(4, Math.min((tall - JUG_OVER) / solid.brimCm, (width - words - handle - lip) / wide));
  return {
    ...marked,
    ...{ width, words, k, small },
    middle: words + lip - 10 + (wide / 2) * k,
    bottom: TOP + solid.brimCm * k,
    y: (ml) => TOP + (solid.brimCm - heightAt(solid, ml)) * k,
    half: (ml) => (diameterAt(solid, heightAt(solid, ml)) / 2) * k,
  };
}
