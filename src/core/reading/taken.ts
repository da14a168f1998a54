import { isFault } from "../fault";
import { dictionary } from "../words";
import { numberAt } from "./numbers";
import { type Token, tokensOf } from "./tokens";

/** mL of what a dose is told in; a teaspoon, `t`, is the household's. What may hold more or less counts as the more. */
const MEASURES: Readonly<Record<string, (t: number) => number>> = {
  teaspoon: (t) => t, tsp: (t) => t, dessertspoon: (t) => 2 * t, dsp: (t) => 2 * t, tablespoon: (t) => 3 * t, tbsp: (t) => 3 * t, spoon: (t) => 3 * t,
  ml: () => 1, millilitre: () => 1, milliliter: () => 1, cl: () => 10, dl: () => 100, litre: () => 1000, liter: () => 1000, l: () => 1000, drop: () => 0.05, dropper: () => 1, squeeze: () => 1, squirt: () => 1,
  cap: (t) => t, thimble: () => 5, sip: () => 15, mouth: () => 15, swig: () => 30, dram: () => 4, shot: () => 30, jigger: () => 45, oz: () => 30, ounce: () => 30, glass: () => 240, tumbler: () => 240, cup: () => 240,
  mug: () => 300, pint: () => 570, bottle: () => 500, jar: () => 500,
}; // prettier-ignore
const DOSES = dictionary(MEASURES);
/** “capful”, “droppersful”, “glasses”: the measure in them. */
const measureOf = (word: string): ((t: number) => number) | undefined =>
  [word, word.replace(/s?fuls?$/, ""), word.replace(/es$/, ""), word.replace(/s$/, "")]
    .map((w) => DOSES[w])
    .find((m) => m !== undefined);
const measureMl = (word: string, spoonMl: number): number | undefined => measureOf(word)?.(spoonMl);

const TIMES: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };
const WAKING_HOURS = 16;
/** “Before meals.” */
const MEALS = 3;
/** Times of day that are one time each. */
const MOMENTS: ReadonlySet<string> = new Set([
  "morning",
  "noon",
  "evening",
  "night",
  "bedtime",
  "breakfast",
  "lunch",
  "supper",
  "dinner",
]);

const numberOf = (t: readonly Token[], i: number) => {
  const n = numberAt(t, i);
  return isFault(n) ? undefined : n;
};
/** The first amount said: how much at a time. */
function atATime(t: readonly Token[], spoonMl: number): number | undefined {
  for (let i = 0; i < t.length; i++) {
    const ml = t[i]!.kind === "word" ? measureMl(t[i]!.low, spoonMl) : undefined;
    if (ml === undefined) continue;
    for (let k = Math.max(0, i - 3); k < i; k++) {
      const n = numberOf(t, k);
      if (n && n.next <= i) return n.span.high * ml;
    }
    return (/^hal[fv]/.test(t[i - 1]?.low ?? "") || /^hal[fv]/.test(t[i - 2]?.low ?? "") ? 0.5 : 1) * ml;
  }
  return undefined;
}

/** Times a day: said in figures, by the hour, or by the times of day named. */
function timesADay(t: readonly Token[]): number {
  for (let i = 0; i < t.length; i++) {
    const low = t[i]!.low;
    if (TIMES[low]) return TIMES[low];
    if (low === "hourly") return WAKING_HOURS;
    if ((low === "times" || low === "time" || low === "x") && i > 0) {
      const n = numberOf(t, i - 1);
      if (n) return n.span.high;
    }
    if (low === "every" || low === "each") {
      const half = t[i + 1]?.low === "half";
      const n = numberOf(t, i + 1);
      const unit = t.slice(i + 1, i + 5).find((x) => /^(?:hour|hr|minute|min)s?$/.test(x.low))?.low;
      if (unit) {
        const every = (half ? 0.5 : (n?.span.low ?? 1)) * (unit.startsWith("m") ? 1 / 60 : 1);
        return WAKING_HOURS / every;
      }
    }
  }
  if (t.some((x) => /^meals?$/.test(x.low))) return MEALS;
  return Math.max(1, new Set(t.map((x) => x.low.replace(/s$/, "")).filter((w) => MOMENTS.has(w))).size);
}

/** mL a day of a remedy as its maker says it is taken: “1 tsp three times a day”. Of a range the upper end. Nothing where no amount is said. */
export function takenADay(text: string, spoonMl: number): number | undefined {
  const t = tokensOf(text);
  const ml = atATime(t, spoonMl);
  return ml === undefined ? undefined : ml * timesADay(t);
}
