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

/** By the word they begin with, since every word of a line is asked. */
const BEGUN = new Map<string, typeof PHRASES>();
for (const phrase of PHRASES) {
  const first = phrase[0][0]!;
  BEGUN.set(first, [...(BEGUN.get(first) ?? []), phrase]);
}

/** A hedge at a token, and the token after it; the point of an “approx.” is passed. */
export function hedgeAt(
  t: readonly Token[],
  i: number,
): { readonly hedge: Hedge; readonly next: number } | undefined {
  const phrases = BEGUN.get(t[i]?.low ?? "");
  if (!phrases) return undefined;
  for (const [words, hedge] of phrases) {
    if (!standsAt(t, i, words)) continue;
    const next = i + words.length;
    return { hedge, next: t[next]?.low === "." ? next + 1 : next };
  }
  return undefined;
}
