import type { PlaceClass } from "../journal/events";
import type { BatchState } from "../journal/fold";
import { correctionsOf } from "../envelope";
import type { BottleEvent, BottleState } from "./bottle";

/** A bottle that what is recalled went into, and what became of it. */
export interface RecalledBottle {
  readonly id: string;
  readonly number: number;
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
  /** What must never be swallowed, or never by one who was given some: said first, since it is graver than any recall. */
  readonly nevers: readonly RecalledNever[];
}

/** Somebody who had some of what they should never have. */
export interface RecalledNever {
  readonly who: string;
  readonly says: string;
}

/** Everybody who had some of a bottle, or was to, as far as anybody wrote it down and did not take it back. */
export function whoHad(events: readonly BottleEvent[]): readonly string[] {
  const corrections = correctionsOf(events);
  const named = events.flatMap((e) => {
    if (corrections.get(e.seq)?.body === null) return [];
    if (e.type === "given") return [e.body.to];
    return e.type === "poured" || e.type === "coursed" ? [e.body.for ?? ""] : [];
  });
  return [...new Set(named)].filter((who) => who !== "");
}
