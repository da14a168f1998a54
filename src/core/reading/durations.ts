import { fail, fault, isFault, ok, type Result } from "../fault";
import { dictionary } from "../words";
import { type Span, exactly, scaled } from "../estimate";
import { nearest } from "../quantity/near";
import type { Hedge } from "../quantity/amount";
import { andShare, numberAt, oneAt } from "./numbers";
import { printCount } from "./print";
import { type HedgeAt, hedgeAt, hedgeBehind } from "./hedges";
import { type Token, says, tokensOf } from "./tokens";

export const TIME_UNITS = ["min", "h", "day", "week", "month", "year"] as const;
export type TimeUnit = (typeof TIME_UNITS)[number];
const DAYS: Readonly<Record<TimeUnit, number>> = {
  min: 1 / 1440,
  h: 1 / 24,
  day: 1,
  week: 7,
  month: 30,
  year: 365,
};
const PRINTED: Readonly<Record<TimeUnit, readonly [one: string, many: string]>> = {
  min: ["min", "min"],
  h: ["h", "h"],
  day: ["day", "days"],
  week: ["week", "weeks"],
  month: ["month", "months"],
  year: ["year", "years"],
};
const WORDS = dictionary<TimeUnit>({
  min: "min", mins: "min", minute: "min", minutes: "min", m: "min", h: "h", hr: "h", hrs: "h", hour: "h", hours: "h", d: "day", day: "day", days: "day",
  night: "day", nights: "day", w: "week", wk: "week", wks: "week", week: "week", weeks: "week", mo: "month", mos: "month", month: "month", months: "month",
  moon: "month", moons: "month", lunar: "month", year: "year", years: "year", yr: "year", yrs: "year",
}); // prettier-ignore

/** Whether a word says a time, or stands in one: “weeks”, “overnight”. */
export const isTimeWord = (low: string): boolean => WORDS[low] !== undefined || SPOKEN[low] !== undefined;

/** A length of time as said. A month is reckoned as 30 days where it is added to other days; dates count calendar months. */
export interface Duration {
  readonly count: Span;
  readonly unit: TimeUnit;
  /** `1 h 30 min` has more than one. */
  readonly more: readonly { readonly count: Span; readonly unit: TimeUnit }[];
  readonly days: Span;
}

const duration = (parts: readonly { count: Span; unit: TimeUnit }[], widen = exactly(1)): Duration => {
  const days = { low: 0, value: 0, high: 0 };
  for (const { count, unit } of parts) {
    days.low += count.low * DAYS[unit] * widen.low;
    days.value += count.value * DAYS[unit] * widen.value;
    days.high += count.high * DAYS[unit] * widen.high;
  }
  return { ...parts[0]!, more: parts.slice(1), days };
};
export const lasting = (count: Span, unit: TimeUnit): Duration => duration([{ count, unit }]);

/** Words that are lengths of time by themselves. “Overnight” is eight hours to a day. */
const SPOKEN = dictionary<Duration>({
  overnight: { ...lasting(exactly(12), "h"), days: { low: 1 / 3, value: 0.5, high: 1 } },
  fortnight: lasting(exactly(2), "week"),
});
/** Lengths nobody can count: what to say instead. */
const ASKED = dictionary<string>({
  season: "A season is some three months. Say how long: “3 months”.",
  while: "Say how long: “20 min”, “4 weeks”.",
  till: "Say how long it takes, rather than until when: “2 h”.",
  until: "Say how long it takes, rather than until when: “2 h”.",
  awhile: "Say how long: “20 min”, “4 weeks”.",
});
const EXAMPLE = "Write “4 weeks”, “2–6 weeks” or “20 min”.";
const wrong = (shown: string): Result<never> =>
  fail(fault("NotADuration", `“${shown}” is not a length of time. ${EXAMPLE}`, [], "4 weeks"));

interface At {
  readonly parts: { count: Span; unit: TimeUnit }[];
  readonly next: number;
}

function unitIn(t: readonly Token[], i: number): TimeUnit | undefined {
  return t[i]?.kind === "word" ? WORDS[t[i]!.low] : undefined;
}

/** A number and its unit, with “and a half” behind it: `an hour and a half`, `1½ h`. */
function oneTime(t: readonly Token[], i: number): Result<At> | undefined {
  const n = numberAt(t, i);
  if (!n) return undefined;
  if (isFault(n)) return fail(n);
  const at = t[n.next]?.low === "-" || t[n.next]?.low === "+" ? n.next + 1 : n.next;
  const unit = unitIn(t, at);
  if (!unit) return undefined;
  let next = at + 1;
  if (t[next]?.low === "." && t[next]!.glued) next++;
  if (CYCLE.has(t[next]?.low ?? "") && unit === "month") next++;
  // “a week or two”.
  const other = t[next]?.low === "or" && n.span.high === n.span.low ? oneAt(t, next + 1) : undefined;
  if (other && !isFault(other) && other.span.low > n.span.high && !unitIn(t, other.next)) {
    const [low, high] = [n.span.low, other.span.high];
    return ok({ parts: [{ count: { low, value: (low + high) / 2, high }, unit }], next: other.next });
  }
  const extra = andShare(t, next);
  const add = extra?.add ?? 0;
  const count = { low: n.span.low + add, value: n.span.value + add, high: n.span.high + add };
  const minutes = unit === "h" && t[next]?.kind === "number" && t[next]!.glued ? t[next]!.value : undefined;
  // “1h30”: what is glued to the hours are minutes.
  if (minutes !== undefined && minutes < 60 && t[next + 1] === undefined)
    return ok({
      parts: [
        { count, unit },
        { count: exactly(minutes), unit: "min" },
      ],
      next: next + 1,
    });
  return ok({ parts: [{ count, unit }], next: extra?.next ?? next });
}
const MINIMUM: HedgeAt = { hedge: "just over", next: 1 };
/** What may follow a month of the moon. */
const CYCLE: ReadonlySet<string> = new Set(["cycle", "cycles", "month", "months"]);

/** What a hedge makes of a time: the least that is said of “at least” is the least. */
function widenedBy(hedge: Hedge | undefined): Span {
  if (!hedge) return exactly(1);
  if (hedge === "just over") return { low: 1, value: 1, high: 1.1 };
  return hedge === "just under" ? { low: 0.9, value: 1, high: 1 } : { low: 0.9, value: 1, high: 1.1 };
}
/** Words behind a time that say it is the least. */
const LEAST: ReadonlySet<string> = new Set(["minimum", "longer", "more"]);

/** A length of time at the head of the tokens, and the token after it. Nothing where none stands there. */
export function durationAt(
  t: readonly Token[],
  i: number,
): Result<{ readonly duration: Duration; readonly next: number }> | undefined {
  const rest = t.slice(i);
  const hedged = rest[0]?.low === "minimum" ? MINIMUM : hedgeAt(rest, 0);
  const from = hedged?.next ?? 0;
  const word = rest[from]?.low === "a" ? from + 1 : from;
  const spoken = SPOKEN[rest[word]?.low ?? ""];
  if (spoken) return ok({ duration: spoken, next: i + word + 1 });
  const first = oneTime(rest, from);
  if (!first) return undefined;
  if (!first.ok) return first;
  const { parts } = first.value;
  let next = first.value.next;
  for (;;) {
    const joint =
      rest[next]?.low === "and" || rest[next]?.low === "," || rest[next]?.low === "+" ? next + 1 : next;
    const more = oneTime(rest, joint);
    if (!more?.ok || DAYS[more.value.parts[0]!.unit] >= DAYS[parts.at(-1)!.unit]) break;
    parts.push(...more.value.parts);
    next = more.value.next;
  }
  const behind = hedgeBehind(rest, next);
  if (behind) next = behind.next;
  const longer = rest[next]?.low === "or" ? next + 1 : next;
  const least = LEAST.has(rest[longer]?.low ?? "");
  const hedge = least ? "just over" : (hedged?.hedge ?? behind?.hedge);
  return ok({ duration: duration(parts, widenedBy(hedge)), next: i + (least ? longer + 1 : next) });
}

/**
 * A length of time as typed: `4–6 weeks`, `20 min`, `an hour and a half`, `a fortnight`, `overnight`.
 * Faults: `NotADuration`, `WhichUnit`, `UnknownUnit`, `HowLong`, `TooLong`, `ZeroDenominator`.
 */
export function readDuration(text: string): Result<Duration> {
  const shown = text.trim();
  if (shown.length > 100) return fail(fault("TooLong", "Keep a length of time under 100 letters."));
  const t = tokensOf(shown);
  if (t.length === 0) return fail(fault("NotADuration", `How long? ${EXAMPLE}`, [], "4 weeks"));
  if (says(t, 0, "up", "to")) {
    const most = shown.slice(t[2]?.from ?? shown.length);
    return fail(
      fault("HowLong", `“${shown}” says where to stop. Write how long it is meant to stand.`, [], most),
    );
  }
  for (const x of t) if (ASKED[x.low]) return fail(fault("HowLong", ASKED[x.low]!));
  const found = durationAt(t, 0);
  if (found && !found.ok) return found;
  if (found && found.value.next === t.length) {
    const { days } = found.value.duration;
    if (!(days.high > 0)) return wrong(shown);
    return days.high > 731
      ? fail(fault("TooLong", "Nothing here steeps for over two years. Is the unit right?"))
      : ok(found.value.duration);
  }
  const n = numberAt(t, 0);
  if (isFault(n)) return fail(n);
  if (!n) return wrong(shown);
  if (n.next === t.length)
    return fail(
      fault(
        "WhichUnit",
        `${shown} of what? Write “${shown} weeks”, “${shown} days” or “${shown} min”.`,
        [],
        `${shown} weeks`,
      ),
    );
  if (found) {
    const left = shown.slice(t[found.value.next]!.from);
    return fail(fault("NotADuration", `“${left}” is more than a length of time. ${EXAMPLE}`));
  }
  const word = t[n.next]!;
  const near = word.low.length > 2 ? nearest(word.low, Object.keys(WORDS)) : undefined;
  if (!near) return fail(fault("UnknownUnit", `“${word.text}” is not a length of time. ${EXAMPLE}`));
  return fail(
    fault(
      "UnknownUnit",
      `“${word.text}” is not a length of time. Did you mean “${near}”?`,
      [],
      `${shown.slice(0, word.from)}${near}${shown.slice(word.to)}`,
    ),
  );
}

/** A length of time as a maker writes it; reading it again gives the same. */
export function printDuration(d: Duration): string {
  const overnight = SPOKEN["overnight"]!;
  if (d.days.low === overnight.days.low && d.days.high === overnight.days.high) return "overnight";
  return [{ count: d.count, unit: d.unit }, ...d.more]
    .map(({ count, unit }) => {
      const range =
        count.low === count.high
          ? printCount(count.value)
          : `${printCount(count.low)}–${printCount(count.high)}`;
      return `${range} ${PRINTED[unit][count.high > 1 ? 1 : 0]}`;
    })
    .join(" ");
}

/** Days in kitchen words: `6 weeks`, `20 min`. */
export function printDays(days: number): string {
  if (days < 1 / 24) return printDuration(lasting(exactly(Math.round(days * 1440)), "min"));
  if (days < 1) return printDuration(lasting(exactly(Math.round(days * 24)), "h"));
  const d = Math.round(days);
  return d % 7 === 0 && d >= 7
    ? printDuration(lasting(exactly(d / 7), "week"))
    : printDuration(lasting(exactly(d), "day"));
}

/** Of minutes or hours, rather than days: what happens at the stove, not in the cupboard. */
export const isShort = (d: Duration): boolean => d.days.value < 1;
export const scaledDuration = (d: Duration, by: number): Duration => lasting(scaled(d.count, by), d.unit);
