import { type Span, scaled } from "../estimate";
import { type Result, fail, fault, ok } from "../fault";
import { leadingNumber } from "../quantity/number";
import { nearest } from "../quantity/near";

const DAYS: Readonly<Record<string, number>> = { min: 1 / 1440, mins: 1 / 1440, minute: 1 / 1440, minutes: 1 / 1440, h: 1 / 24, hr: 1 / 24, hrs: 1 / 24, hour: 1 / 24, hours: 1 / 24, d: 1, day: 1, days: 1, night: 1, overnight: 0.5, w: 7, wk: 7, wks: 7, week: 7, weeks: 7, month: 30, months: 30 };

/** A length of time as typed (`4–6 weeks`, `20 min`, `overnight`), in days. Faults: NotADuration, UnknownUnit, TooLong. */
export function parseDuration(text: string): Result<Span> {
  const t = text.trim().toLowerCase();
  if (t === "overnight") return ok({ low: 1 / 3, value: 0.5, high: 1 });
  const lead = leadingNumber(t);
  if (!lead.ok) return lead;
  if (!lead.value || lead.value.negative || lead.value.span.high <= 0) return fail(fault("NotADuration", `“${text.trim()}” is not a length of time. Write “4 weeks”, “2–6 weeks” or “20 min”.`, [], "4 weeks"));
  const word = lead.value.rest.split(/\s+/)[0] ?? "";
  const size = DAYS[word];
  if (size === undefined) {
    const near = nearest(word, Object.keys(DAYS));
    return fail(fault("UnknownUnit", near ? `“${word}” is not a length of time. Did you mean “${near}”?` : "Say minutes, hours, days, weeks or months.", [], near ? `${t.slice(0, t.length - lead.value.rest.length)}${near}` : undefined));
  }
  const span = scaled(lead.value.span, size);
  if (span.high > 730) return fail(fault("TooLong", "Nothing here steeps for over two years. Is the unit right?"));
  return ok(span);
}

/** Days in kitchen words: `6 weeks`, `20 min`. */
export function printDays(days: number): string {
  if (days < 1 / 24) return `${Math.round(days * 1440)} min`;
  if (days < 1) return `${Math.round(days * 24)} h`;
  const d = Math.round(days);
  if (d % 7 === 0 && d >= 7) return d === 7 ? "1 week" : `${d / 7} weeks`;
  return d === 1 ? "1 day" : `${d} days`;
}
