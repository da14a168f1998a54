import { type RemedyPoured, poursOf } from "./facts";
import { greedy } from "./greedy";
import { wantedOn } from "./pour";
import { scalesOf } from "./weigh";
import type { Start, Wanted, Year } from "./year";

/** Why a wish is not met, the plainest reason first. */
export const REASONS = [
  "no-recipe",
  "no-place",
  "no-vessel",
  "no-herb",
  "nobody-home",
  "no-hours",
  "not-yet",
  "too-much",
] as const;
export type Reason = (typeof REASONS)[number];

/** A wish that a plan does not meet: the days it is short, and why. */
export interface Unmet {
  readonly remedy: string;
  readonly days: number;
  readonly first: number;
  readonly reason: Reason;
}

/** Less than this of a day is none. */
const A_DAY = 0.5;

/** Whether somebody is at home to strain what could be begun by a day. */
function canBeStrained(year: Year, m: NonNullable<Wanted["making"]>, first: number): boolean {
  const { steep } = m;
  if (!steep) return true;
  for (let d = 0; d <= first; d++) {
    if (!year.begins[d] || !m.herbs[d]) continue;
    for (let s = d + steep.earliest; s <= d + steep.latest && s < year.days; s++)
      if (year.strains[s]) return true;
  }
  return false;
}

/** Why nothing more could be begun of it, whatever else is. */
function reasonOf(year: Year, w: Wanted, first: number): Reason {
  const m = w.making;
  if (!m) return "no-recipe";
  if (m.keeps.length === 0) return "no-place";
  const fits = year.vessels.filter((v) => v.pot === m.pot);
  if (fits.length === 0) return "no-vessel";
  if (m.hours.begin > year.hours.day || m.hours.begin > year.hours.week) return "no-hours";
  const ready = m.steep?.earliest ?? 0;
  const before = (of: Uint8Array): boolean => of.slice(0, Math.max(1, first)).some((x) => x === 1);
  if (!m.herbs.some((x) => x === 1)) return "no-herb";
  if (!year.begins.some((x) => x === 1)) return "nobody-home";
  if (first < ready || !before(year.begins)) return "not-yet";
  if (!before(m.herbs)) return "no-herb";
  return canBeStrained(year, m, first) ? "too-much" : "nobody-home";
}

/** The wishes a plan leaves short, the longest first. @param poured each remedy of the year under it, in its order */
export function unmetIn(year: Year, poured: readonly RemedyPoured[]): Unmet[] {
  return year.wanted
    .flatMap((w, i): Unmet[] => {
      const { short, without } = poured[i]!.pour;
      if (without < A_DAY) return [];
      const first = short.findIndex((x) => x > 0);
      return [{ remedy: w.id, days: without, first, reason: reasonOf(year, w, first) }];
    })
    .sort((a, b) => b.days - a.days);
}
export const unmetBy = (year: Year, starts: readonly Start[]): Unmet[] =>
  unmetIn(year, poursOf(year)(starts));

/** The year without some of its wishes. */
const without = (year: Year, ids: ReadonlySet<string>): Year => ({
  ...year,
  wanted: year.wanted.filter((w) => !ids.has(w.id)),
});

/** Wishes whose want was not met for lack of what all share: another wish could make room for them. */
const SHARED: ReadonlySet<Reason> = new Set<Reason>(["too-much"]);

/**
 * The smallest wish to drop so that the others are met as far as they can be: of each single wish, whether without it a plan made at once leaves nothing
 * short for lack of room, hours or vessels. Undefined where nothing is short for that, or where no single one would do.
 */
export function smallestToDrop(year: Year, starts: readonly Start[]): string | undefined {
  const crowded = unmetBy(year, starts).filter((u) => SHARED.has(u.reason));
  if (crowded.length === 0) return undefined;
  const want = (w: Wanted): number => wantedOn(w).reduce((a, b) => a + b, 0) * (w.never ? 10 : w.weight);
  const bySize = [...year.wanted].sort((a, b) => want(a) - want(b));
  for (const w of bySize) {
    const rest = without(year, new Set([w.id]));
    const pinned = starts.filter((s) => s.pinned && s.remedy !== w.id);
    const plan = greedy(scalesOf(rest, pinned), pinned);
    if (!unmetBy(rest, plan).some((u) => SHARED.has(u.reason))) return w.id;
  }
  return undefined;
}
