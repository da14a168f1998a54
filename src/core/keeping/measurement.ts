import { type Fault, fault } from "../fault";
import { undissociatedShare } from "../mixture/acidity";
import { activityOfSugars } from "../mixture/activity";
import type { Ends, Facts } from "./rows";

/** A measurement made at the bench, with what it was made on. */
export type Measurement =
  | {
      readonly what: "ph";
      readonly by: "strip" | "meter";
      readonly value: number;
      readonly coloured?: boolean;
      /** Hours since it was last mixed. */ readonly hours: number;
      /** Something went in after it. */ readonly lapsed?: boolean;
    }
  | {
      readonly what: "brix";
      readonly by: "refractometer";
      readonly value: number;
      /** Herb solids it reads as sugar, °Bx, estimated. */ readonly herbSolids: number;
      readonly hours: number;
      readonly lapsed?: boolean;
    }
  | {
      readonly what: "gravity";
      readonly by: "hydrometer";
      readonly value: number;
      readonly hours: number;
      readonly lapsed?: boolean;
    };

/** Hours of standing mixed before a reading better than the estimate counts. A worse one counts at once. */
export const SETTLED_HOURS = 48;

const round = (value: number, error: number): Ends => ({ value, low: value - error, high: value + error });

/**
 * °Bx of a sugar solution by its specific gravity at 20 °C. Source: ASBC cubic, 1.000 to 1.179. Beyond that it falls short of sucrose by about 1 °Bx
 * at 1.30 and 2 at 1.34 (general knowledge, unchecked): it calls a thick syrup thinner than it is, which is the careful side.
 */
export const brixOfGravity = (sg: number): number =>
  -616.868 + 1111.14 * sg - 630.272 * sg * sg + 135.997 * sg * sg * sg;

/**
 * What a measurement says, with its own error, or why it cannot be believed at any age:
 * pH strip ±0.5 (coloured liquid ±0.7), calibrated meter ±0.1, refractometer ±0.5 °Bx beside the herb solids taken off, hydrometer ±1 °Bx.
 */
export function reading(
  m: Measurement,
  f: Pick<Facts, "abv" | "glycerol" | "acetic">,
): { readonly quantity: "ph" | "brix"; readonly ends: Ends } | Fault {
  if (m.lapsed)
    return fault(
      "Lapsed",
      "Something went in after this was measured. Mix, wait two days and measure again.",
    );
  if (m.what === "ph") {
    if (!(m.value >= 1 && m.value <= 12))
      return fault("ImpossibleReading", "A pH lies between 1 and 12 here.");
    if (f.abv.high > 15) return fault("NotOffered", "Above 15 % alcohol a pH says little; it is not used.");
    const strip = m.coloured ? 0.7 : 0.5;
    return { quantity: "ph", ends: round(m.value, m.by === "meter" ? 0.1 : strip) };
  }
  if (m.what === "brix") {
    if (!(m.value >= 0 && m.value <= 90))
      return fault("ImpossibleReading", "A refractometer reads from 0 to 90 °Bx.");
    if (f.abv.high > 0.5)
      return fault("Refused", "Alcohol bends a refractometer's light; its reading is not sugar.");
    if (f.glycerol.high > 1)
      return fault("Refused", "Glycerin bends a refractometer's light; its reading is not sugar.");
    if (f.acetic.high > 1) return fault("Refused", "Over 1 % acetic acid a refractometer reads too high.");
    const solids = Math.max(0, m.herbSolids);
    return { quantity: "brix", ends: round(Math.max(0, m.value - solids), 0.5 + solids * 0.5) };
  }
  if (!(m.value >= 0.98 && m.value <= 1.45))
    return fault("ImpossibleReading", "A specific gravity lies between 0.98 and 1.45.");
  if (f.abv.high > 0.5)
    return fault("Refused", "Alcohol is lighter than water, so a hydrometer cannot tell the sugar.");
  return { quantity: "brix", ends: round(Math.max(0, brixOfGravity(Math.min(m.value, 1.34))), 1) };
}

/** Sugars of the liquid the estimate was made of, % w/w: what a reading of its sweetness changes with it. */
export interface Sugars {
  readonly mono: number;
  readonly di: number;
}

const map = (e: Ends, f: (x: number) => number): Ends => {
  const [value, a, b] = [f(e.value), f(e.low), f(e.high)];
  return { value, low: Math.min(value, a, b), high: Math.max(value, a, b) };
};
/** As far as the higher of two spreads, and no better than either. */
const worse = (a: Ends, b: Ends): Ends => ({
  value: (a.value + b.value) / 2,
  low: Math.min(a.low, b.low),
  high: Math.max(a.high, b.high),
});
const plus = (a: Ends, b: Ends): Ends => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
});

/** Facts with another sweetness: water activity, index, Delle number and water go with it. */
function withBrix(f: Facts, brix: Ends, sugars: Sugars): Facts {
  const was = f.brix.value;
  if (!(was > 0)) return { ...f, brix };
  const share = map(brix, (x) => x / was);
  const more = map(share, (k) => (k - 1) * (sugars.mono + sugars.di));
  const water = map(more, (g) => Math.min(100, Math.max(0, f.water.value - g)));
  const at = (k: number): number =>
    activityOfSugars(
      sugars.mono * k,
      sugars.di * k,
      Math.max(1, f.water.value - (k - 1) * (sugars.mono + sugars.di)),
    );
  // The estimate of another sweetness, moved by what the reading moved it: its own spread stays.
  const [now, then] = [map(share, at), at(1)];
  const moved = (e: Ends): Ends =>
    plus(
      e,
      map(now, (x) => x - then),
    );
  return {
    ...f,
    brix,
    water,
    aw: moved(f.aw),
    dryness: moved(f.dryness),
    index: plus(
      f.index,
      map(share, (k) => (k - 1) * (sugars.mono + sugars.di / 2)),
    ),
    delle: plus(f.delle, more),
  };
}

/** Facts with another pH: the undissociated acid of the index goes with it. */
function withPh(f: Facts, ph: Ends, sugars: Sugars): Facts {
  const sour = Math.max(0, f.index.value - sugars.mono - sugars.di / 2);
  const was = undissociatedShare(f.ph.value);
  const by = map(ph, (x) => sour * (undissociatedShare(x) / was - 1));
  return { ...f, ph, index: plus(f.index, by) };
}

const tooSoon = (hours: number): Fault =>
  fault(
    "TooSoon",
    `It reads better than it was reckoned, but only after ${Math.round(hours)} hours. Measure again when it has stood mixed for two days; until then the estimate counts.`,
  );

/**
 * Facts with what was measured in place of what was estimated, and all that depends on it; the refusals beside them.
 * A reading worse than the estimate counts at once, whatever its age; a better one when it has stood two days.
 */
export function withMeasured(
  f: Facts,
  measurements: readonly Measurement[],
  sugars: Sugars,
): { readonly facts: Facts; readonly refused: readonly Fault[] } {
  let facts = f;
  const refused: Fault[] = [];
  for (const m of measurements) {
    const r = reading(m, f);
    if ("message" in r) {
      refused.push(r);
      continue;
    }
    const was = facts[r.quantity];
    const isWorse = r.quantity === "ph" ? r.ends.high > was.high : r.ends.low < was.low;
    const settled = m.hours >= SETTLED_HOURS;
    if (!settled && !isWorse) {
      refused.push(tooSoon(m.hours));
      continue;
    }
    const ends = settled ? r.ends : worse(was, r.ends);
    facts = r.quantity === "ph" ? withPh(facts, ends, sugars) : withBrix(facts, ends, sugars);
  }
  return { facts, refused };
}
