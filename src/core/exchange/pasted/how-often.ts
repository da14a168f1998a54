import type { Plan } from "../../plan/plan";
import { numberAt } from "../../reading/numbers";
import type { Token } from "../../reading/tokens";

export type Often = NonNullable<Plan["shake"]>;
/** How often, by its words; `#` stands for a number. */
const OFTEN: readonly (readonly [words: string, often: Often])[] = [
  ["twice daily", "twice-daily"], ["twice a day", "twice-daily"], ["twice each day", "twice-daily"], ["twice per day", "twice-daily"], ["twice every day", "twice-daily"],
  ["morning and evening", "twice-daily"], ["morning and night", "twice-daily"], ["once a day", "daily"], ["once each day", "daily"], ["once every day", "daily"], ["once daily", "daily"],
  ["every other day", "every-few-days"], ["every second day", "every-few-days"], ["every few days", "every-few-days"], ["every couple of days", "every-few-days"], ["every # days", "every-few-days"],
  ["every # day", "every-few-days"], ["once a week", "every-few-days"], ["every week", "every-few-days"], ["weekly", "every-few-days"], ["twice a week", "every-few-days"],
  ["every so often", "when-remembered"], ["now and then", "when-remembered"], ["now and again", "when-remembered"], ["from time to time", "when-remembered"],
  ["when you remember", "when-remembered"], ["whenever you remember", "when-remembered"], ["occasionally", "when-remembered"], ["whenever", "when-remembered"], ["# times a day", "daily"],
  ["# times daily", "daily"], ["every day", "daily"], ["each day", "daily"], ["every morning", "daily"], ["each morning", "daily"], ["every evening", "daily"], ["daily", "daily"], ["a day", "daily"],
]; // prettier-ignore
const OFTEN_BY = new Map<string, (readonly [words: readonly string[], often: Often])[]>();
for (const [words, often] of OFTEN) {
  const all = words.split(" ");
  OFTEN_BY.set(all[0]!, [...(OFTEN_BY.get(all[0]!) ?? []), [all, often]]);
}

export function oftenAt(
  t: readonly Token[],
  i: number,
): { readonly shake: Often; readonly next: number } | undefined {
  const n = t[i]!.kind === "number" ? "#" : t[i]!.low;
  for (const [words, shake] of OFTEN_BY.get(n) ?? []) {
    const fits = words.every((w, k) => {
      const x = t[i + k];
      return w === "#"
        ? x !== undefined && (x.kind === "number" || numberAt(t, i + k) !== undefined)
        : x?.low === w;
    });
    if (fits && words[0] !== "a") return { shake, next: i + words.length };
  }
  return undefined;
}
