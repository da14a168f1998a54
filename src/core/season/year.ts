/*
 * A year as it is planned: what is wanted of each remedy, what stands there, what may be begun in which vessel on which day. Days are counted from
 * the plan's first, 0; amounts are mL of the finished remedy.
 */

export const STANDS_IN = ["cupboard", "fridge", "freezer"] as const;
export type StandsIn = (typeof STANDS_IN)[number];

/** Bottles, or a jar that will be some: so much, from a day on, good to the end of a day. */
export interface Lot {
  readonly ml: number;
  readonly from: number;
  readonly until: number;
  readonly in: StandsIn;
}

/** When a jar may be strained, in days from its beginning. */
export interface Steep {
  readonly earliest: number;
  readonly best: number;
  readonly latest: number;
}

/** How a remedy is made, as far as a plan asks. */
export interface Making {
  /** It is cooked in a pot and had the same day; otherwise it stands in a jar. */
  readonly pot: boolean;
  readonly steep: Steep | undefined;
  /** mL it gives for each mL its vessel is filled: as foreseen, and at the least. */
  readonly gives: { readonly value: number; readonly low: number };
  /** Hours of work on the day it is begun, and on the day it is strained. */
  readonly hours: { readonly begin: number; readonly strain: number };
  /** Where it may stand, and the days it is good there. */
  readonly keeps: readonly { readonly in: StandsIn; readonly days: number }[];
  /** 1 for each day on which its herbs can be had. */
  readonly herbs: Uint8Array;
  /** In the household's money, for each mL. */
  readonly cost: number;
  /** It works in the fridge, and takes room there. */
  readonly worksCold: boolean;
}

export interface Wanted {
  readonly id: string;
  /** Never to run out. */
  readonly never: boolean;
  /** How much a day without it counts, where it may run out. */
  readonly weight: number;
  /** mL that leave the shelf each day, at the use that four years in five stay under. */
  readonly need: Float64Array;
  readonly gifts: readonly { readonly day: number; readonly ml: number }[];
  readonly stock: readonly Lot[];
  /** Nothing where nobody knows how it is made. */
  readonly making: Making | undefined;
}

export interface PlanVessel {
  readonly id: string;
  readonly ml: number;
  readonly pot: boolean;
  /** The first day it is free. */
  readonly free: number;
}

export interface Year {
  readonly days: number;
  readonly wanted: readonly Wanted[];
  readonly vessels: readonly PlanVessel[];
  /** mL of room for bottles, and for jars that work in the cold. */
  readonly room: { readonly fridge: number; readonly freezer: number };
  readonly hours: { readonly week: number; readonly day: number };
  /** 1 for each day that suits beginning, and straining. */
  readonly begins: Uint8Array;
  readonly strains: Uint8Array;
}

/** One batch of a plan. What is cooked is strained on the day it is begun. */
export interface Start {
  readonly id: string;
  readonly remedy: string;
  readonly vessel: string;
  /** Share of the vessel that is filled. */
  readonly fill: number;
  readonly day: number;
  readonly strain: number;
  readonly in: StandsIn;
  /** The maker set it there, and nothing moves it. */
  readonly pinned?: boolean;
}

/** Shares a vessel may be filled to: a jar is filled whole, since air over the herb spoils it; a pot may be a quarter full. */
export const fillsOf = (m: Pick<Making, "pot">): readonly number[] => (m.pot ? [1, 0.5, 0.25] : [1]);
