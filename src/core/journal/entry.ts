import type { Day } from "../day";
import type { ByDevice } from "../envelope";
import type { EventType } from "./events";

/** An entry that this build cannot read, and why. */
export interface Unreadable {
  readonly seq: number;
  readonly message: string;
}

export interface Entry {
  readonly seq: number;
  readonly type: EventType;
  readonly at: string;
  readonly day: Day;
  readonly by?: ByDevice | undefined;
  readonly body: unknown;
  /** Set where a later entry put this one right; `undone` where it did not happen. */
  readonly correctedBy?: {
    readonly seq: number;
    readonly why: string | undefined;
    readonly was: unknown;
    /** The day it was said to be, where that was put right. */
    readonly wasDay: Day | undefined;
    readonly undone: boolean;
  };
}
