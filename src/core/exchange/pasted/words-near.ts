import type { Token } from "../../reading/tokens";

/** Whether words stand one after another from a token on. */
export const says = (t: readonly Token[], i: number, ...words: readonly string[]): boolean =>
  words.every((w, k) => t[i + k]?.low === w);

/** Whether one of some words stands within a few tokens. */
export const among = (t: readonly Token[], i: number, reach: number, words: readonly string[]): boolean => {
  for (let k = i; k < Math.min(t.length, i + reach); k++) if (words.includes(t[k]!.low)) return true;
  return false;
};
