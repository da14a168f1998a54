import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { Line } from "@/core/plan/plan";
import type { UnitSystem } from "@/core/quantity/units";
import type { Hint } from "../state";
import type { LineActions } from "./line-actions";

export interface LineProps {
  readonly line: Line;
  readonly first: boolean;
  readonly last: boolean;
  readonly system: UnitSystem;
  readonly catalogue: Catalogue;
  /** Grams and millilitres it comes to; missing while the plan does not reckon. */
  readonly grams: number | undefined;
  readonly millilitres: number | undefined;
  readonly stale: boolean;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly hint: Hint | undefined;
  readonly actions: LineActions;
  readonly giveReason: (id: string, why: string) => void;
}
