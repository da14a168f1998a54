import type { Token } from "../../reading/tokens";

/** Whether one of some words stands within a few tokens. */
export const among = (t: readonly Token[], i: number, reach: number, words: readonly string[]): boolean => {
  for (let k = i; k < Math.min(t.length, i + reach); k++) if (words.includes(t[k]!.low)) return true;
  return false;
};
