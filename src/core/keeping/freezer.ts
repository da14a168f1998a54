import { type Day, daysBetween } from "../day";

/** What befell a bottle, in order. */
export type Turn = { readonly day: Day; readonly what: "strained" | "frozen" | "thawed" | "opened" };

/**
 * Days of fridge life left on a day: freezing pauses the clock, thawing starts it again, opening caps it with the opened life.
 * @param fridgeDays whole fridge life, from straining
 * @param openedDays longest life once opened
 * @returns days left (negative when past), and whether the clock stands
 */
export function fridgeLeft(
  turns: readonly Turn[],
  fridgeDays: number,
  openedDays: number,
  today: Day,
): { readonly left: number; readonly paused: boolean } {
  const ordered = [...turns].sort((a, b) => Number(a.day > b.day) - Number(a.day < b.day));
  let used = 0;
  let since: Day | undefined;
  let paused = false;
  let openedAt: number | undefined;
  for (const t of ordered) {
    if (t.day > today) break;
    if (since !== undefined && !paused) used += daysBetween(since, t.day);
    since = t.day;
    if (t.what === "frozen") paused = true;
    if (t.what === "thawed") paused = false;
    if (t.what === "opened") openedAt = used;
  }
  if (since !== undefined && !paused) used += daysBetween(since, today);
  const whole = fridgeDays - used;
  const opened = openedAt === undefined ? Infinity : openedDays - (used - openedAt);
  return { left: Math.min(whole, opened), paused };
}
