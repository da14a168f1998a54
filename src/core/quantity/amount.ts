import { type Span, exactly, scaled } from "../estimate";
import { type CountUnit, type Dimension, type Unit, UNITS } from "./units";

/** So much of one unit. */
export interface Term {
  readonly unit: Unit;
  readonly count: Span;
}

/** How it lies in the cup. */
export type Packing = "packed" | "loose";

/** A word that widens what was said and is kept with it. */
export const HEDGES = [
  "about",
  "just under",
  "just over",
  "scant",
  "rounded",
  "heaped",
  "generous",
  "small",
] as const;
export type Hedge = (typeof HEDGES)[number];

/** What a hedge makes of one: low, likely, high. Kitchen judgement; a heaped spoon holds a tenth to a half more than a level one. */
const HEDGED: Readonly<Record<Hedge, Span>> = {
  about: { low: 0.9, value: 1, high: 1.1 },
  "just under": { low: 0.88, value: 0.95, high: 1 },
  "just over": { low: 1, value: 1.05, high: 1.12 },
  scant: { low: 0.85, value: 0.93, high: 1 },
  rounded: { low: 1.05, value: 1.15, high: 1.3 },
  heaped: { low: 1.1, value: 1.3, high: 1.5 },
  generous: { low: 1, value: 1.15, high: 1.35 },
  small: { low: 0.5, value: 0.7, high: 0.9 },
};

export const SIZES = ["small", "medium", "large"] as const;
export type Size = (typeof SIZES)[number];
/** A piece's mass over the usual one's, by the size said of it. */
export const SIZE_FACTOR: Readonly<Record<Size, number>> = { small: 0.65, medium: 1, large: 1.45 };

/** What a maker may say about how much: measured, counted, as a share, or as a goal to be solved. */
export type Amount = Measure | Count | Share;

export interface Measure {
  readonly kind: "measure";
  /** `2 tbsp + 1 tsp` has two; all of one dimension. */
  readonly terms: readonly Term[];
  readonly packing?: Packing;
  readonly hedge?: Hedge;
  readonly dimension: Dimension;
  /** mL, g or cm, with hedge and tolerance in it. */
  readonly si: Span;
}
export interface Count {
  readonly kind: "count";
  readonly unit: CountUnit;
  /** As said. */
  readonly count: Span;
  readonly size?: Size;
  readonly hedge?: Hedge;
  /** How many, with the hedge in it. */
  readonly many: Span;
}
export type Share =
  /** A share of the recipe's ratio, by volume. */
  | { readonly kind: "part"; readonly count: Span }
  /** A share of the vessel's filling, e.g. "half a jar". */
  | { readonly kind: "jar"; readonly count: Span }
  /** A multiple of the liquid's volume at that moment, e.g. "3/4 of liquid". */
  | { readonly kind: "of-liquid"; readonly count: Span }
  /** As much as fills the vessel to its headspace line. */
  | { readonly kind: "fill" }
  /** As much as stands this many cm above the herb. */
  | { readonly kind: "cover"; readonly term: Term | undefined; readonly cm: Span }
  /** mL of it for each g of herb: a tincture's 1:5. */
  | { readonly kind: "ratio"; readonly mlPerG: number }
  /** Nobody remembers: of what stands already. It is reckoned at all its ends, and never taken for a guess. */
  | { readonly kind: "unknown" }
  /** As much as brings the liquid to a figure. */
  | { readonly kind: "goal"; readonly goal: Goal; readonly target: number };

/** Figures an amount can be solved for: true sugars °Bx, % vol alcohol, titratable acid % w/v, pH. */
export type Goal = "brix" | "abv" | "acid" | "ph";
export const GOAL_RANGE: Readonly<Record<Goal, readonly [least: number, most: number]>> = {
  brix: [1, 80],
  abv: [0.5, 95],
  acid: [0.1, 20],
  ph: [2, 7],
};

/** No home batch needs more than this of one thing: 500 L or 500 kg. */
export const MOST = 500_000;

const widened = (s: Span, hedge: Hedge | undefined): Span => {
  if (!hedge) return s;
  const h = HEDGED[hedge];
  return { low: s.low * h.low, value: s.value * h.value, high: s.high * h.high };
};

/** A measured amount from its terms; the spread of the words and of the tools is worked out here, once. */
export function measure(
  terms: readonly Term[],
  how: { readonly packing?: Packing; readonly hedge?: Hedge } = {},
): Measure {
  const sum = { low: 0, value: 0, high: 0 };
  for (const { unit, count } of terms) {
    const t = unit.tolerance ?? 0;
    sum.low += count.low * unit.size * (1 - t);
    sum.value += count.value * unit.size;
    sum.high += count.high * unit.size * (1 + t);
  }
  return { kind: "measure", terms, dimension: terms[0]!.unit.dimension, si: widened(sum, how.hedge), ...how };
}

/** So many of a unit of measure, exactly. */
export const measured = (count: number, unit: keyof typeof UNITS): Measure =>
  measure([{ unit: UNITS[unit], count: exactly(count) }]);

/** A counted amount. */
export const counted = (
  unit: CountUnit,
  count: Span,
  how: { readonly size?: Size; readonly hedge?: Hedge } = {},
): Count => ({ kind: "count", unit, count, many: widened(count, how.hedge), ...how });

/** The default standing of a liquid over the herb where only “to cover” is said, cm. */
export const COVER_CM: Span = { low: 1, value: 2, high: 3 };

/**
 * An amount times a factor. Measures, counts, parts and shares of the jar grow; a share of the liquid, a ratio, a goal and a filling mean
 * the same in any size of batch and stay.
 */
export function times(a: Amount, by: number): Amount {
  switch (a.kind) {
    case "measure": {
      const { packing, hedge } = a;
      const terms = a.terms.map((t) => ({ ...t, count: scaled(t.count, by) }));
      return measure(terms, { ...(packing ? { packing } : {}), ...(hedge ? { hedge } : {}) });
    }
    case "count": {
      const { size, hedge } = a;
      return counted(a.unit, scaled(a.count, by), { ...(size ? { size } : {}), ...(hedge ? { hedge } : {}) });
    }
    case "part":
      return { kind: "part", count: scaled(a.count, by) };
    case "jar": {
      const s = scaled(a.count, by);
      return {
        kind: "jar",
        count: { low: Math.min(1, s.low), value: Math.min(1, s.value), high: Math.min(1, s.high) },
      };
    }
    case "of-liquid":
    case "fill":
    case "cover":
    case "ratio":
    case "unknown":
    case "goal":
      return a;
  }
}

const sameSpan = (a: Span, b: Span): boolean => a.low === b.low && a.value === b.value && a.high === b.high;
/** Whether two amounts say the same, to the unit and the spread. */
export function sameAmount(a: Amount, b: Amount): boolean {
  switch (a.kind) {
    case "measure":
      return (
        b.kind === "measure" &&
        a.packing === b.packing &&
        a.hedge === b.hedge &&
        a.terms[0]!.unit === b.terms[0]!.unit &&
        sameSpan(a.si, b.si)
      );
    case "count":
      return (
        b.kind === "count" &&
        a.unit === b.unit &&
        a.size === b.size &&
        a.hedge === b.hedge &&
        sameSpan(a.many, b.many)
      );
    case "part":
    case "jar":
    case "of-liquid":
      return a.kind === b.kind && sameSpan(a.count, b.count);
    case "fill":
    case "unknown":
      return b.kind === a.kind;
    case "cover":
      return b.kind === "cover" && (a.term === undefined) === (b.term === undefined) && sameSpan(a.cm, b.cm);
    case "ratio":
      return b.kind === "ratio" && a.mlPerG === b.mlPerG;
    case "goal":
      return b.kind === "goal" && a.goal === b.goal && a.target === b.target;
  }
}
