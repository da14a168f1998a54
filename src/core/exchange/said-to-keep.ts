import type { Verdict } from "../keeping/verdict";
import type { UnitSystem } from "../quantity/units";
import { readDuration } from "../reading/durations";
import { tokensOf } from "../reading/tokens";
import { actsOf } from "./pasted/acts";

/** What others say of its keeping, beside ours: the place they mean, and whether they promise more than is reckoned here. */
export interface SaidToKeep {
  readonly is: "longer" | "shorter" | "as ours" | "unsaid";
  readonly place: "cupboard" | "fridge" | "freezer" | undefined;
  /** Days they say, where they say them. */
  readonly days: number | undefined;
}

const SHELF =
  /\b(?:cup-?board|shelf|pantry|larder|counter|room temperature|cellar|cool,? (?:and )?dark|dark,? (?:and )?cool|unrefrigerated|out of the fridge)\b/i;
const COLD = /\b(?:fridge|refrigerat\w*|cold box|icebox)\b/i;
/** No end to it, or one that no length of days stands for. */
const EVER =
  /\b(?:for ?ever|indefinite(?:ly)?|shelf[- ]stable|years|until (?:spring|summer|autumn|fall|winter|next year)|never (?:spoils?|goes off)|(?:all|the whole) (?:winter|season|year)|ages)\b/i;
const EVER_DAYS = 3650;
/** Nearer than this is the same: nobody counts a half year to the day. */
const SAME = 0.1;

function daysIn(text: string, system: UnitSystem): number | undefined {
  const whole = readDuration(text);
  if (whole.ok) return whole.value.days.high;
  const kept = `keep for ${text}`;
  const act = actsOf(kept, tokensOf(kept), () => false, system).acts.find((a) => a.for);
  if (act?.for) return act.for.days.high;
  const said =
    /(?:\d+|an?|one|two|three|four|five|six|eight|nine|ten|twelve|eighteen)\s+(?:day|week|month|year)s?/i.exec(
      text,
    );
  const read = said && readDuration(said[0]);
  if (read?.ok) return read.value.days.high;
  if (/\b(?:within|in) (?:the|a) week\b/i.test(text)) return 7;
  return EVER.test(text) ? EVER_DAYS : undefined;
}

/**
 * How another's word on keeping stands beside the verdict. Where they name no place, the one the verdict gives is meant; where they promise a
 * place that the verdict forbids, that is longer whatever they say. Never believed: only set beside.
 */
export function saidToKeep(said: string, verdict: Verdict, system: UnitSystem): SaidToKeep {
  const words = said.replace(/\bm(?:n?ths|nth|os)\b\.?/gi, "months").replace(/\bwks?\b\.?/gi, "weeks");
  const place = placeIn(words);
  const days = daysIn(words, system);
  if (days === undefined) return { is: "unsaid", place, days };
  const ours = oursThere(verdict, place);
  if (days > ours * (1 + SAME)) return { is: "longer", place, days };
  return { is: days < ours * (1 - SAME) ? "shorter" : "as ours", place, days };
}

const FROZEN = /\b(?:freez(?:e|er|ing)|frozen|ice box)\b/i;
/** Frozen it uses none of its life, a year at the most: as a bottle's clock has it. */
const FROZEN_DAYS = 365;

function placeIn(words: string): SaidToKeep["place"] {
  if (FROZEN.test(words) && !COLD.test(words)) return "freezer";
  if (COLD.test(words) && !/out of the fridge/i.test(words)) return "fridge";
  return SHELF.test(words) ? "cupboard" : undefined;
}

/** Days the verdict gives in a place; its own where none is named. */
function oursThere(v: Verdict, place: SaidToKeep["place"]): number {
  if (v.place === "do-not-keep") return 0;
  if (place === "freezer") return FROZEN_DAYS;
  if (place === "fridge") return v.fridge.days;
  if (place === "cupboard") return v.cupboard?.days ?? 0;
  return v.life.days;
}
