import type { Condition } from "./rows";
import type { Distance } from "./verdict";

/** What a quantity is for the maker, in words that ask for no term. */
const PLAIN: Readonly<Record<Condition["quantity"], string>> = {
  abv: "strong",
  delle: "strong and sweet together",
  brix: "sweet",
  aw: "dry for what lives in it",
  dryness: "dry for what lives in it",
  acetic: "sour of vinegar",
  ph: "sharp",
  index: "sour and sweet together",
  water: "thick",
  glycerol: "thick of glycerin",
};
export const plainNames = (c: Condition): string => PLAIN[c.quantity];

export const MARGIN_WORDS = {
  short: "not enough",
  just: "just enough",
  enough: "enough",
  well: "well enough",
} as const;

export interface Margin {
  /** Of what is wanted: 1 is the line; what must be little is turned over, so that more is always better. */
  readonly share: number;
  readonly words: (typeof MARGIN_WORDS)[keyof typeof MARGIN_WORDS];
}

/** From so much over its line it is enough, and well enough. */
const [ENOUGH, WELL] = [1.04, 1.25];

/** How far a quantity is past its line, or short of it. */
export function marginOf({ condition, at, met }: Distance): Margin {
  const share = condition.is === "at least" ? at / condition.line : condition.line / at;
  if (!met) return { share: Math.min(share, 0.995), words: MARGIN_WORDS.short };
  if (share < ENOUGH) return { share: Math.max(1, share), words: MARGIN_WORDS.just };
  return { share, words: share < WELL ? MARGIN_WORDS.enough : MARGIN_WORDS.well };
}
