import type { PlaceClass } from "../journal/events";
import type { BatchState } from "../journal/fold";
import type { BottleState } from "./bottle";

/** A bottle that what is recalled went into, and what became of it. */
export interface RecalledBottle {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly state: BottleState;
  readonly place: PlaceClass;
  readonly leftMl: number;
  /** To whom it was given, or why it was thrown out. */
  readonly goneWords: string | undefined;
  readonly goneDay: string | undefined;
}

/** A batch that what is recalled went into. */
export interface RecalledBatch {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly state: BatchState;
  readonly begun: string;
  /** g of the lot that went in, where a lot is recalled. */
  readonly grams: number | undefined;
  /** Codes of the batches whose bottles or marc it is made of. */
  readonly from?: readonly string[];
  readonly bottles: readonly RecalledBottle[];
}
