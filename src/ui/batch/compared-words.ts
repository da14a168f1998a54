import type { Estimate } from "@/core/estimate";
import { type Compared as Row, type Side, comparedOf } from "@/core/journal/compare";
import { SWEETNESS, counted } from "@/core/words";
import type { Measures } from "@/core/reading/measures";
import { verdictHead } from "../plan/verdict-words";

export const ROW_WORDS: Readonly<Record<Row, string>> = {
  yield: "yield",
  days: "stood",
  sweetness: "sweetness",
  sharpness: "sharpness",
  strength: "strength",
  keeping: "keeping",
  herb: "herb a spoon",
  sugar: "sugar a spoon",
  alcohol: "alcohol a spoon",
};

/** A figure with half its spread: “812 mL ± 15”. */
function withSpread({ value, low, high }: Estimate, unit: string, places = 0): string {
  const half = (high - low) / 2;
  const spread = half < 0.5 * 10 ** -places ? "" : ` ± ${half.toFixed(places)}`;
  return `${value.toFixed(places)}${spread} ${unit}`;
}

/** A volume as the household's jug is marked, so that two of them are compared at a glance. */
function volume({ value, low, high, ...e }: Estimate, { jug }: Measures): string {
  const is = { ...e, value: value / jug.ml, low: low / jug.ml, high: high / jug.ml };
  return withSpread(is, jug.words, jug.ml === 1 ? 0 : 1);
}
export const amount = (a: Estimate, liquid: boolean, units: Measures): string =>
  liquid ? volume(a, units) : withSpread(a, "g", a.value < 10 ? 1 : 0);

/** A figure of a batch, in words. */
export function said(side: Side, row: Row, units: Measures): string {
  const f = comparedOf(side, row);
  if (!f) return "not yet";
  switch (row) {
    case "yield":
      return volume(f, units);
    case "days":
      return f.value === 0 ? "made in a day" : counted(f.value, "day");
    case "sweetness":
      return withSpread(f, SWEETNESS);
    case "sharpness":
      return f.value < 0.05 ? "none" : withSpread(f, "% acid", 1);
    case "strength":
      return f.value < 0.5 ? "none" : withSpread(f, "% vol");
    case "keeping": {
      const head = verdictHead(side.reckoned.reckoning.verdict);
      return `${head.place} ${head.life}`;
    }
    case "herb":
      return withSpread(f, "g", 2);
    case "sugar":
      return withSpread(f, "g", 1);
    case "alcohol":
      return f.value < 0.01 ? "none" : withSpread(f, "g", 2);
  }
}
