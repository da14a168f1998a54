import type { BatchReckoning } from "../journal/reckon";
import type { Bottle, IssuedVerdict } from "../journal/events";
import { daysIn, issue } from "./label";

/** The promise a bottle stands under today. */
export interface Held {
  readonly verdict: IssuedVerdict;
  /** Today's rules or figures promise less than its label does: a new label is wanted. */
  readonly shortened: boolean;
}

const KEPT = { "do-not-keep": 0, fridge: 1, cupboard: 2 } as const;

/** Today's promise where it is less in one place and more in another: nowhere longer than what was issued. */
function noLonger(v: IssuedVerdict, than: IssuedVerdict): IssuedVerdict {
  const life = than.days < v.days ? than : v;
  const cold = than.fridgeDays < v.fridgeDays ? than : v;
  const opened = than.openedDays < v.openedDays ? than : v;
  return {
    ...v,
    // Of two versions the older counts its months shorter.
    rules: Math.min(v.rules, than.rules),
    ...{ days: life.days, lifeWords: life.lifeWords },
    ...{ fridgeDays: cold.fridgeDays, fridgeWords: cold.fridgeWords },
    ...{ openedDays: opened.openedDays, openedWords: opened.openedWords },
  };
}

/**
 * The shorter of what was issued at bottling and what is reckoned today, for a bottle in a place. It shortens at once; it lengthens only by
 * bottling or labelling anew. A batch that no longer reckons keeps what was issued.
 */
export function heldBy(issued: IssuedVerdict, now: BatchReckoning | undefined, place: Bottle["place"]): Held {
  if (!now) return { verdict: issued, shortened: false };
  const today = issue(now.reckoning.verdict);
  const days = (v: IssuedVerdict): number => (v.place === "do-not-keep" ? 0 : daysIn(v, place));
  const shorter = days(today) < days(issued) || KEPT[today.place] < KEPT[issued.place];
  return shorter
    ? { verdict: noLonger(today, issued), shortened: true }
    : { verdict: today.quick ? { ...issued, quick: true } : issued, shortened: false };
}
