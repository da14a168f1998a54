import type { Day } from "../core/day";

/** A thing with a date that is carried out of the app. Days are the household's. */
export interface CalendarItem {
  /** The same for the same thing for ever. */
  readonly uid: string;
  /** Rises whenever the thing was changed, and when that was (ISO). */
  readonly sequence: number;
  readonly modified: string;
  readonly summary: string;
  readonly details: string;
  readonly when:
    | { readonly what: "days"; readonly from: Day; /** Its last day. */ readonly to: Day }
    | {
        readonly what: "series";
        readonly from: Day;
        /** The household's time of day, `07:30`. */
        readonly at: string;
        readonly everyDays: number;
        readonly until: Day;
        /** Days it was done, or falls away. */
        readonly except: readonly Day[];
      };
  /** Rings so many minutes before it begins. */
  readonly alarm?: number | undefined;
}
