import type { Day } from "../core/day";
import { counted } from "../core/words";
import type { CalendarItem } from "./item";

/** Bottles of a batch in one place that are past their best on one day. */
export interface BottlesDue {
  readonly batch_id: string;
  readonly code: string;
  readonly name: string;
  readonly place: string;
  readonly best_by: Day;
  readonly bottles: number;
  readonly changes: number;
  readonly changed_at: Date;
}

/**
 * The days bottles are past their best. Bottles of a batch in one place may have two days: the first goes by the place alone, those after it by their
 * number too, so that no two are one thing.
 */
export function itemsOfBottles(all: readonly BottlesDue[]): CalendarItem[] {
  const seen = new Map<string, number>();
  return all.map((b) => {
    const where = `${b.batch_id}-${b.place}-best-by`;
    const n = (seen.get(where) ?? 0) + 1;
    seen.set(where, n);
    return {
      uid: `${where}${n === 1 ? "" : `-${n}`}@jolly-crock`,
      sequence: b.changes,
      modified: b.changed_at.toISOString(),
      summary: `Best by today: ${b.code} ${b.name}, ${counted(b.bottles, "bottle")}`,
      details: "Look, smell, and when in doubt discard.",
      when: { what: "days", from: b.best_by, to: b.best_by },
    };
  });
}
