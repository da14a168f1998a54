import type { PlaceClass } from "../journal/events";
import type { Kind } from "../plan/plan";
import type { BottleState } from "./bottle";

/** A bottle as the Cellar shows it. */
export interface CellarBottle {
  readonly id: string;
  readonly batch_id: string;
  readonly code: string;
  readonly name: string;
  readonly kind: Kind;
  readonly number: number;
  readonly vessel: string;
  readonly place: PlaceClass;
  readonly at: string | null;
  readonly ml: number;
  readonly left_ml: number;
  readonly best_by: string;
  readonly opened_day: string | null;
  readonly shortened: boolean;
  readonly state: BottleState;
}
