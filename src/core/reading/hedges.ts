import type { Hedge } from "../quantity/amount";
import { type Token, standsAt } from "./tokens";

/** Words before an amount that widen it. Longer ones are tried first. */
const PHRASES: ReadonlyArray<readonly [words: readonly string[], hedge: Hedge]> = [
  [["just", "under"], "just under"],
  [["just", "over"], "just over"],
  [["not", "quite"], "just under"],
  [["a", "little", "over"], "just over"],
  [["a", "bit", "over"], "just over"],
  [["a", "little", "under"], "just under"],
  [["a", "little", "more", "than"], "just over"],
  [["a", "little", "less", "than"], "just under"],
  [["more", "or", "less"], "about"],
  [["just", "shy", "of"], "just under"],
  [["a", "touch", "under"], "just under"],
  [["a", "touch", "over"], "just over"],
  [["slightly", "under"], "just under"],
  [["slightly", "over"], "just over"],
  [["slightly", "less", "than"], "just under"],
  [["slightly", "more", "than"], "just over"],
  [["close", "to"], "about"],
  [["at", "least"], "just over"],
  [["at", "most"], "just under"],
  [["no", "more", "than"], "just under"],
  [["not", "more", "than"], "just under"],
  [["about"], "about"],
  [["around"], "about"],
  [["roughly"], "about"],
  [["approximately"], "about"],
  [["approx"], "about"],
  [["circa"], "about"],
  [["maybe"], "about"],
  [["perhaps"], "about"],
  [["~"], "about"],
  [["almost"], "just under"],
  [["nearly"], "just under"],
  [["barely"], "just under"],
  [["scant"], "scant"],
  [["heaping"], "heaped"],
  [["heaped"], "heaped"],
  [["rounded"], "rounded"],
  [["generous"], "generous"],
];

/** Words behind an amount that widen it. */
const BEHIND: typeof PHRASES = [
  [["or", "so"], "about"],
  [["or", "thereabouts"], "about"],
  [["give", "or", "take"], "about"],
  [["more", "or", "less"], "about"],
  [["and", "a", "bit"], "just over"],
  [["plus", "a", "bit"], "just over"],
  [["and", "a", "little"], "just over"],
  [["or", "more"], "just over"],
];

type Begun = ReadonlyMap<string, typeof PHRASES>;
/** By the word they begin with, since every word of a line is asked. */
function begunBy(phrases: typeof PHRASES): Begun {
  const by = new Map<string, typeof PHRASES>();
  for (const phrase of phrases) by.set(phrase[0][0]!, [...(by.get(phrase[0][0]!) ?? []), phrase]);
  return by;
}
const BEFORE = begunBy(PHRASES);
const AFTER = begunBy(BEHIND);

/** Whether a hedge may begin with a word. */
export const opensHedge = (low: string): boolean => BEFORE.has(low);

/** A hedge, and the token after it. */
export interface HedgeAt {
  readonly hedge: Hedge;
  readonly next: number;
}

/** A hedge at a token; the point of an “approx.” is passed. */
export const hedgeAt = (t: readonly Token[], i: number): HedgeAt | undefined => among(BEFORE, t, i);
/** A hedge behind an amount: “4 cups or so”, “3 cups and a bit”. */
export const hedgeBehind = (t: readonly Token[], i: number): HedgeAt | undefined => among(AFTER, t, i);

function among(begun: Begun, t: readonly Token[], i: number): HedgeAt | undefined {
  const phrases = begun.get(t[i]?.low ?? "");
  if (!phrases) return undefined;
  for (const [words, hedge] of phrases) {
    if (!standsAt(t, i, words)) continue;
    const next = i + words.length;
    return { hedge, next: t[next]?.low === "." ? next + 1 : next };
  }
  return undefined;
}
