/** A clock that runs or rings, and the batch it is of. Minutes; ISO instants. */
export interface KitchenClock {
  readonly batch: string;
  readonly code: string;
  readonly name: string;
  readonly clock: string;
  readonly words: string;
  readonly low: number;
  readonly high: number;
  readonly startedAt: string;
}
