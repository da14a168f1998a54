import type { Day } from "../day";

/** Liquid that was used: on one day, or spread evenly over the days from an opening to the bottle's end, both counted. */
export interface Taken {
  readonly from: Day;
  readonly to: Day;
  readonly ml: number;
}

/** A bottle as far as supply asks: when it was there, what is left in it, and what was used of it. Gifts and discards are no use. */
export interface SupplyBottle {
  readonly filled: Day;
  /** The day it left, however it left. */
  readonly gone: Day | null | undefined;
  /** mL still there; nothing of a bottle that is gone. */
  readonly leftMl: number;
  readonly bestBy: Day;
  readonly taken: readonly Taken[];
}
