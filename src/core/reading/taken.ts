import { isFault, numberAt } from "./numbers";
import { type Token, tokensOf } from "./tokens";

/** mL of what a dose is told in; a teaspoon is the household's. */
const measureMl = (word: string, spoonMl: number): number | undefined => {
  switch (word.replace(/s$/, "")) {
    case "teaspoon":
    case "tsp":
    case "teaspoonful":
      return spoonMl;
    case "dessertspoon":
    case "dsp":
      return 2 * spoonMl;
    case "tablespoon":
    case "tbsp":
    case "tablespoonful":
      return 3 * spoonMl;
    case "ml":
    case "millilitre":
    case "milliliter":
      return 1;
    case "cl":
      return 10;
    case "drop":
      return 0.05;
    case "dropper":
    case "dropperful":
    case "squeeze":
      return 1;
    case "spoon":
    case "spoonful":
      return 3 * spoonMl;
    case "shot":
    case "oz":
    case "ounce":
      return 30;
    case "glas":
    case "glass":
    case "glasse":
    case "cup":
    case "mug":
    case "tumbler":
    case "cupful":
      return 240;
    case "pint":
      return 500;
    case "bottle":
      return 500;
    default:
      return undefined;
  }
};
const TIMES: Readonly<Record<string, number>> = { once: 1, twice: 2, thrice: 3 };
const WAKING_HOURS = 16;
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
    if ((low === "times" || low === "time") && i > 0) {
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
  return Math.max(1, new Set(t.map((x) => x.low.replace(/s$/, "")).filter((w) => MOMENTS.has(w))).size);
}

/** mL a day of a remedy as its maker says it is taken: “1 tsp three times a day”. Of a range the upper end. Nothing where no amount is said. */
export function takenADay(text: string, spoonMl: number): number | undefined {
  const t = tokensOf(text);
  const ml = atATime(t, spoonMl);
  return ml === undefined ? undefined : ml * timesADay(t);
}
