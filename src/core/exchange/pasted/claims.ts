import type { SteepPlace } from "../../plan/plan";
import type { ReadingContext } from "../../reading/said";
import type { Things } from "../../reading/things";
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

const DOSES: ReadonlySet<string> = new Set([
  "us-tsp",
  "us-tbsp",
  "metric-tsp",
  "metric-tbsp",
  "dsp",
  "drop",
  "dropper",
  "shot",
  "ml",
  "dash",
]);
const BY_PERSON =
  /^(?:adults?|children|child|kids?|babies|toddlers|elders|dos(?:e|age)|standard dose|usual dose)\b/i;
const OFTEN =
  /\b(?:daily|times|a day|every \w+ hours?|hourly|needed|morning|night|bed|meals?|first sign|a cold|dropper\w*|shot|glass|cup|tea|water)\b/i;
const SPOON = /\b(?:tsp|tbsp|spoons?|spoonful\w*|teaspoon\w*|tablespoon\w*|drops?|droppers?\w*|shot|ml)\b/i;

/** How it is taken: so much, so often, or when. A pound of currants is no dose. */
export function isTaken(text: string, acts: readonly Act[], { things }: Things): boolean {
  const plants = things.some((x) =>
    x.amounts.some(({ q }) => {
      const a = q.is === "amount" ? q.amount : undefined;
      if (a?.kind === "measure")
        return a.terms.some((t) => !DOSES.has(t.unit.id)) && x.names[0]?.material.kind === "plant";
      return x.names[0]?.material.kind === "plant";
    }),
  );
  if (plants) return false;
  if (BY_PERSON.test(text)) return true;
  return acts[0]?.deed === "take" && (OFTEN.test(text) || SPOON.test(text));
}

const LASTS =
  /\b(?:(?:will|should|it) keeps?|keeps|lasts|shelf[- ]stable|stays? (?:good|fresh)|good for|use (?:it )?(?:within|up)|best (?:within|by|before)|shelf life|keeping time)\b/i;
const FIRM = /\b(?:will keep|lasts|shelf|stays? good|use (?:it )?within|best (?:within|by|before))\b/i;

/**
 * Whether a sentence says how long and where it keeps. Kept in the dark for weeks before the cloth is a steep; after it, it is a claim.
 * @param strained whether the cloth has been; `willStrain` whether it ever is
 */
export function isClaim(text: string, acts: readonly Act[], strained: boolean, willStrain: boolean): boolean {
  if (LASTS.test(text)) return strained || !willStrain || FIRM.test(text);
  const keep = acts.find((a) => a.deed === "keep");
  if (!keep || (!keep.for && !keep.place && !/\b(?:cool|dark|dry)\b/i.test(text))) return false;
  const done = acts.some((a) => ["add", "cover", "shake", "strain"].includes(a.deed));
  return !done && (strained || !willStrain);
}

/** What is claimed in a sentence, whatever it begins with. */
export function claimIn(text: string, acts: readonly Act[], { system }: ReadingContext): Claim {
  const kept = `keep ${text}`;
  const { acts: again } = actsOf(kept, tokensOf(kept), () => false, system);
  const lasts = acts.find((a) => a.for)?.for ?? again.find((a) => a.for)?.for;
  const place = acts.find((a) => a.place)?.place ?? again.find((a) => a.place)?.place;
  return { words: text.replace(FULL_STOP, ""), days: lasts?.days.value, place };
}

export const claimOf = (text: string, act: Act): Claim => ({
  words: text.replace(FULL_STOP, ""),
  days: act.for?.days.value,
  place: act.place,
});

/** The reason behind a thing: nothing in it goes in. */
export const REASON =
  /[\s,;(–—-]\s*(?:because|since (?:the|it|they|you)|otherwise|or else|so that|so (?:it|they|the)|in order to|as (?:it|they|this) (?:is|are|will|would|makes?))\b/i;
/** A bracket of words that says who told it or why: nothing in it goes in. */
export const TOLD = /\b(?:says|said|swears|told me|taught me|showed me|recipe from|handed down)\b/i;

/** “Time: 8 weeks”, “Steep: a month”: a label for how long it stands. */
export const STEEPS =
  /^(?:time|steep|steeping time|infus(?:e|ion|ing)(?: time)?|macerat(?:e|ion)(?: time)?|standing time|rest)\s*:\s*/i;
