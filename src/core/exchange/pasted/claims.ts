import type { SteepPlace } from "../../plan/plan";
import type { UnitSystem } from "../../quantity/units";
import { tokensOf } from "../../reading/tokens";
import { type Act, actsOf } from "./acts";

/** How long a writer says it keeps, and where; set beside the verdict, never believed. */
export interface Claim {
  readonly words: string;
  /** Days it is said to keep, where that was said. */
  readonly days: number | undefined;
  readonly place: SteepPlace | undefined;
}

const FULL_STOP = /[.\s]+$/;

/** How it is taken: so much, so often, or when. */
export function isTaken(text: string, acts: readonly Act[]): boolean {
  if (acts[0]?.deed !== "take" && !/^(?:adults?|children|dos(?:e|age)|standard dose)\b/i.test(text))
    return false;
  return /\b(?:daily|times|day|hours?|needed|morning|night|spoon\w*|tsp|tbsp|drops?|sign|cold|dropper\w*|shot)\b/i.test(
    text,
  );
}

const LASTS =
  /\b(?:will keep|keeps|lasts|shelf[- ]stable|good for|use (?:it )?(?:within|up)|best (?:within|by)|shelf life)\b/i;

/**
 * Whether a sentence says how long and where it keeps. Kept in the dark for weeks before the cloth is a steep; after it, it is a claim.
 * @param strained whether the cloth has been; `willStrain` whether it ever is
 */
export function isClaim(text: string, acts: readonly Act[], strained: boolean, willStrain: boolean): boolean {
  if (LASTS.test(text)) return strained || !willStrain || /\b(?:will keep|lasts|shelf)\b/i.test(text);
  const keep = acts.find((a) => a.deed === "keep");
  if (!keep || (!keep.for && !keep.place && !/\b(?:cool|dark|dry)\b/i.test(text))) return false;
  const done = acts.some((a) => ["add", "cover", "shake", "strain"].includes(a.deed));
  return !done && (strained || !willStrain);
}

/** What is claimed in a sentence, whatever it begins with. */
export function claimIn(text: string, acts: readonly Act[], system: UnitSystem): Claim {
  const kept = `keep ${text}`;
  const again = actsOf(kept, tokensOf(kept), () => false, system, "C");
  const lasts = acts.find((a) => a.for)?.for ?? again.find((a) => a.for)?.for;
  const place = acts.find((a) => a.place)?.place ?? again.find((a) => a.place)?.place;
  return { words: text.replace(FULL_STOP, ""), days: lasts?.days.value, place };
}

export const claimOf = (text: string, act: Act): Claim => ({
  words: text.replace(FULL_STOP, ""),
  days: act.for?.days.value,
  place: act.place,
});
