import type { Care } from "@/core/care/care";

/** How many days the line of a batch is long: to the end of its window, or to today where that is past; and one more. */
export const bandDays = (care: Pick<Care, "window">, now: number): number =>
  Math.max(care.window?.latest ?? now, now) + 1;
