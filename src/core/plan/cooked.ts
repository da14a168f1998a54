import { readDuration } from "../reading/durations";
import type { Cooked, Line } from "./plan";

/** Ways that cook a plant through in water or steam; dry heat browns what is outside and may leave the inside raw. */
const MOIST: ReadonlySet<Cooked> = new Set<Cooked>(["simmered", "steamed", "blanched"]);

/** Minutes a line was in wet heat before it goes in: the least that is said. */
export function cookedMinutes({ cooked }: Pick<Line, "cooked">): number {
  if (!cooked || !MOIST.has(cooked.how)) return 0;
  const lasts = readDuration(cooked.for);
  return lasts.ok ? Math.round(lasts.value.days.low * 1440) : 0;
}

export const COOKED_WORDS: Readonly<Record<Cooked, string>> = {
  simmered: "simmered first",
  steamed: "steamed first",
  blanched: "blanched first",
  roasted: "roasted first",
};
