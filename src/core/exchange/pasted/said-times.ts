import { type Result, ok } from "../../fault";
import type { Plan } from "../../plan/plan";
import { type Duration, durationAt, lasting, printDuration } from "../../reading/durations";
import { isFault, numberAt } from "../../reading/numbers";
import { readTemperature } from "../../reading/temperatures";
import { type Token, says } from "../../reading/tokens";

/** “twice a day”, “every few days”, “daily”: how often, and the token after it. */
export function oftenAt(
  t: readonly Token[],
  i: number,
): { readonly shake: NonNullable<Plan["shake"]>; readonly next: number } | undefined {
  const a = (k: number): boolean => ["a", "per", "each", "every"].includes(t[k]?.low ?? "");
  if (says(t, i, "twice", "daily")) return { shake: "twice-daily", next: i + 2 };
  if (says(t, i, "twice") && a(i + 1) && t[i + 2]?.low === "day")
    return { shake: "twice-daily", next: i + 3 };
  if (says(t, i, "once") && a(i + 1) && t[i + 2]?.low === "day") return { shake: "daily", next: i + 3 };
  if (says(t, i, "daily")) return { shake: "daily", next: i + 1 };
  if (
    (says(t, i, "every") || says(t, i, "each")) &&
    ["day", "morning", "evening"].includes(t[i + 1]?.low ?? "")
  )
    return { shake: "daily", next: i + 2 };
  if (says(t, i, "every", "other", "day")) return { shake: "every-few-days", next: i + 3 };
  if (says(t, i, "every", "few", "days")) return { shake: "every-few-days", next: i + 3 };
  if (says(t, i, "every", "so", "often")) return { shake: "when-remembered", next: i + 3 };
  if (says(t, i, "every")) {
    const n = numberAt(t, i + 1);
    if (n && !isFault(n) && (t[n.next]?.low === "days" || t[n.next]?.low === "day"))
      return { shake: "every-few-days", next: n.next + 1 };
  }
  if (says(t, i, "once") && a(i + 1) && t[i + 2]?.low === "week")
    return { shake: "every-few-days", next: i + 3 };
  if (
    says(t, i, "now", "and", "then") ||
    says(t, i, "when", "you", "remember") ||
    says(t, i, "from", "time", "to")
  )
    return { shake: "when-remembered", next: i + 3 };
  return undefined;
}

/** A temperature with its mark, in °C, as typed. */
export function temperatureAt(
  t: readonly Token[],
  i: number,
  text: string,
  degrees: "C" | "F",
): { readonly c: number; readonly text: string; readonly next: number } | undefined {
  if (t[i]?.kind !== "number") return undefined;
  let next = i + 1;
  let marked = false;
  while (["°", "º", "degrees", "deg", "degree"].includes(t[next]?.low ?? "")) {
    marked = true;
    next++;
  }
  const unit =
    ["c", "f", "celsius", "fahrenheit"].includes(t[next]?.low ?? "") &&
    (marked || t[next]!.text === t[next]!.text.toUpperCase());
  if (!marked && !unit) return undefined;
  if (unit) next++;
  const said = text.slice(t[i]!.from, t[next - 1]!.to);
  const read = readTemperature(said, degrees);
  return read.ok ? { c: read.value, text: said, next } : undefined;
}

/** A length of time; “45 minutes to 1 hour” is one, printed as it can be read. */
export function lastingAt(
  t: readonly Token[],
  i: number,
): Result<{ readonly duration: Duration; readonly next: number; readonly printed?: string }> | undefined {
  const one = durationAt(t, i);
  if (!one?.ok || !["to", "-", "or"].includes(t[one.value.next]?.low ?? "")) return one;
  const two = durationAt(t, one.value.next + 1);
  if (!two?.ok || two.value.duration.days.value <= one.value.duration.days.value) return one;
  const [low, high] = [one.value.duration.days.value, two.value.duration.days.value];
  const unit = high < 1 ? "min" : "day";
  const by = unit === "min" ? 1440 : 1;
  const duration = lasting({ low: low * by, value: ((low + high) / 2) * by, high: high * by }, unit);
  return ok({ duration, next: two.value.next, printed: printDuration(duration) });
}

/** Words for how warm a thing is, °C. */
export const WARMTH: readonly (readonly [readonly string[], number])[] = [
  [["room", "temperature"], 22],
  [["body", "temperature"], 37],
  [["body", "heat"], 37],
  [["blood", "heat"], 37],
  [["blood", "warm"], 37],
  [["hand", "warm"], 40],
  [["hand", "-", "warm"], 40],
  [["hand", "hot"], 43],
  [["lukewarm"], 38],
  [["tepid"], 35],
];
