import type { Condition } from "./rows";
import type { Distance, Verdict } from "./verdict";

/*
 * Why a verdict is what it is, in words and numbers.
 */

const NAMES: Readonly<Record<Condition["quantity"], string>> = {
  abv: "alcohol",
  delle: "Delle number",
  brix: "sweetness",
  aw: "water activity",
  dryness: "water activity of the sugars",
  acetic: "acetic acid",
  ph: "pH",
  index: "acid and sugar index",
  water: "water",
  glycerol: "glycerin",
};
const SUFFIX: Readonly<Record<Condition["quantity"], string>> = {
  abv: " % vol",
  delle: "",
  brix: " % sugar",
  aw: "",
  dryness: "",
  acetic: " %",
  ph: "",
  index: "",
  water: " %",
  glycerol: " %",
};
function places(q: Condition["quantity"]): number {
  if (q === "aw" || q === "dryness") return 2;
  return q === "index" || q === "delle" || q === "brix" ? 0 : 1;
}

/** Digits enough that a gap is seen: never “63, would need 63”. */
function told(at: number, line: number, least: number): number {
  let digits = least;
  while (digits < 4 && at !== line && at.toFixed(digits) === line.toFixed(digits)) digits++;
  return digits;
}

/** “pH at most 4.0, wants 4.2 or less”: a quantity at the end that hurts, against its line. */
export function distanceWords(d: Distance): string {
  const q = d.condition.quantity;
  const digits = told(d.at, d.condition.line, places(q));
  const n = (x: number): string => x.toFixed(digits) + SUFFIX[q];
  const least = d.condition.is === "at least";
  return `${NAMES[q]} ${least ? "at least" : "at most"} ${n(d.at)}, ${d.met ? "needs" : "would need"} ${n(d.condition.line)} ${least ? "or more" : "or less"}`;
}

/** A first letter made large, except where it is a sign: pH stays pH. */
export const headed = (words: string): string =>
  words.startsWith("pH") ? words : `${words[0]!.toUpperCase()}${words.slice(1)}`;

/** The row that decided, and what takes the cupboard away; of what is not to be kept, that which forbids it and nothing else. */
export function reasonsOf(v: Verdict): string[] {
  if (v.place === "do-not-keep")
    return v.vetoes.filter((x) => x.fridge === null).map((x) => `${headed(x.words)}.`);
  return [`${headed(v.row.words)}.`, ...v.vetoes.map((x) => `No cupboard: ${x.words}.`)];
}
