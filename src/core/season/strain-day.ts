import type { Making, Year } from "./year";

/** The day a batch begun on a day is strained: the nearest to its best that suits; its best itself where none of its window does. */
export function strainDayOf(
  year: Pick<Year, "strains" | "days">,
  making: Making | undefined,
  day: number,
): number {
  const steep = making?.steep;
  if (!steep) return day;
  for (let off = 0; off <= steep.latest - steep.earliest; off++)
    for (const s of [day + steep.best + off, day + steep.best - off]) {
      if (s < day + steep.earliest || s > day + steep.latest) continue;
      if (s >= year.days || year.strains[s]) return s;
    }
  return day + steep.best;
}
