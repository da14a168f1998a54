import type { BoxRead } from "@/core/label/read-strip";
import { type Day, addDays, daysBetween } from "@/core/day";

const A_WEEK = 7;

/** A week of a jar’s strip: its number, the day a tick in it is written on, and whether something was written in it already. */
export interface StripWeek {
  readonly n: number;
  readonly day: Day;
  readonly known: boolean;
  /** It has begun by today. */
  readonly come: boolean;
}

/**
 * The weeks of a strip. A tick says that it was done in that week: it is written on the week’s last day, or today where that has not come.
 * @param doneDays days on which the same was written already
 */
export function stripWeeks(begun: Day, weeks: number, today: Day, doneDays: readonly Day[]): StripWeek[] {
  return Array.from({ length: weeks }, (_, i) => {
    const [from, to] = [addDays(begun, A_WEEK * i), addDays(begun, A_WEEK * (i + 1) - 1)];
    return {
      n: i + 1,
      day: to > today ? today : to,
      known: doneDays.some((d) => d >= from && d <= to),
      come: daysBetween(from, today) >= 0,
    };
  });
}

/** What is asked of each week once its strip is read: known, ticked, empty, to be asked, or not come yet. */
export type WeekSaid = "known" | "ticked" | "empty" | "ask" | "not-yet";
export function saidOf(w: StripWeek, read: BoxRead | undefined): WeekSaid {
  if (w.known) return "known";
  // A tick in a week that has not come is asked about, never written by itself.
  if (!w.come) return read === "empty" ? "not-yet" : "ask";
  switch (read) {
    case "ticked":
      return "ticked";
    case "empty":
      return "empty";
    case "unsure":
    case undefined:
      return "ask";
  }
}
