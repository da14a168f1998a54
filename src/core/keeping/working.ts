import type { Facts } from "./rows";

export interface WorkingVerdict {
  readonly place: "room" | "fridge";
  readonly because: "spirit" | "weak-spirit" | "acid" | "acid-and-sugar" | "glycerin" | "honey" | "none";
  readonly words: string;
  /** Longest stay at room temperature, days, where there is one. */
  readonly mostDays?: number;
}

/** A liquid with herb in it: its figures with plant water counted, and how it came to be. */
export type WorkingJar = Pick<Facts, "abv" | "ph" | "water" | "acetic" | "index" | "glycerol"> & {
  /** Honey and dried herb alone. */
  readonly dryHoney: boolean;
  readonly unknownVinegar: boolean;
  /** What was poured in layers was never stirred through. */
  readonly unmixed: boolean;
};

/** Acid that keeps a jar by itself, % titratable acetic; and with sugar: the acetic-sauce stability rule. */
export const WORKING_LINES = {
  abv: 25,
  weakAbv: 20,
  weakDays: 14,
  acetic: 2,
  sweetAcetic: 1.2,
  index: 63,
  ph: 4.2,
  glycerol: 60,
  honeyWater: 20,
  ripeWater: 18.6,
} as const;

/** Where a jar with the herb still in it may stand. Every figure is read at the end that hurts. */
export function workingVerdict(jar: WorkingJar): WorkingVerdict {
  const l = WORKING_LINES;
  const room = (because: WorkingVerdict["because"], words: string, mostDays?: number): WorkingVerdict => ({
    place: "room",
    because,
    words,
    ...(mostDays === undefined ? {} : { mostDays }),
  });
  if (jar.abv.low >= l.abv) return room("spirit", "strong enough to work at room temperature");
  const sour = jar.ph.high <= l.ph && !jar.unmixed;
  if (sour && jar.acetic.low >= l.acetic)
    return room("acid", "sour enough to work at room temperature, plant water counted");
  if (sour && jar.acetic.low >= l.sweetAcetic && jar.index.low >= l.index)
    return room("acid-and-sugar", "acid and sugar together hold it, once it is stirred through the same day");
  if (jar.glycerol.low >= l.glycerol)
    return room("glycerin", "glycerin enough to work at room temperature, plant water counted");
  if (jar.dryHoney && jar.water.high <= l.honeyWater)
    return room(
      "honey",
      jar.water.high <= l.ripeWater
        ? "ripe honey on dried herb may work at room temperature"
        : "honey on dried herb may work at room temperature; it is a little moist, so watch for fizz",
    );
  if (jar.abv.low >= l.weakAbv)
    return room("weak-spirit", "strong enough for two weeks at room temperature, not longer", l.weakDays);
  return {
    place: "fridge",
    because: "none",
    words: jar.unknownVinegar
      ? "the vinegar's strength is not known, so it works in the fridge"
      : "not sour, strong or dry enough to stand at room temperature; let it work in the fridge, or change the plan",
  };
}
