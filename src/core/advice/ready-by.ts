import { type Day, addDays } from "../day";
import type { Span } from "../estimate";
import { KIND, WAYS, type Way } from "../plan/kinds";
import type { Kind } from "../plan/plan";
import { readDuration } from "../reading/durations";

/** What could be begun so that it is ready by a day. */
export interface ReadyBy {
  readonly name: string;
  readonly kind: Kind;
  /** A way by its id, a batch that was made so, or a recipe of the book, by theirs. */
  readonly from: { readonly way: string } | { readonly batch: string } | { readonly recipe: string };
  /** Days from beginning to having it: at the least, as it is best, and at the most. */
  readonly days: Span;
  /** The last day to begin, for its best and at the very latest; past days are told as too late. */
  readonly best: Day;
  readonly last: Day;
  readonly late: "no" | "hurry" | "too-late";
}

/** Days a way takes: its long steeps; what is done in an afternoon takes none. */
function daysOf(way: Way): Span {
  const spans = way.steps.flatMap((s) => {
    if (s.do !== "steep") return [];
    const d = readDuration(s.for);
    return d.ok && d.value.days.value >= 1 ? [d.value.days] : [];
  });
  const sum = (of: (s: Span) => number): number => Math.ceil(spans.reduce((n, s) => n + of(s), 0));
  const value = sum((s) => s.value);
  // A steep said as one figure is strained from five sixths of it on.
  const low = Math.min(
    sum((s) => s.low),
    Math.round((value * 5) / 6),
  );
  return { low, value, high: sum((s) => s.high) };
}

function judged(name: string, kind: Kind, from: ReadyBy["from"], days: Span, by: Day, today: Day): ReadyBy {
  const best = addDays(by, -days.value);
  const last = addDays(by, -days.low);
  const late = (): ReadyBy["late"] => {
    if (last < today) return "too-late";
    return best < today ? "hurry" : "no";
  };
  return { name, kind, from, days, best, last, late: late() };
}

/** A remedy made before: its name, its newest batch, and the days its best straining took. */
export interface MadeBefore {
  readonly name: string;
  readonly kind: Kind;
  readonly batch: string;
  readonly days: Span;
}

/** A recipe of the book, and the days its straining window gives. */
export interface InTheBook {
  readonly name: string;
  readonly kind: Kind;
  readonly recipe: string;
  readonly days: Span;
}

/** Every way of every kind, everything made before and every recipe of the book, by when it must be begun to be ready by a day; soonest first. */
export function readyBy(
  by: Day,
  today: Day,
  made: readonly MadeBefore[],
  book: readonly InTheBook[] = [],
): ReadyBy[] {
  const ways = WAYS.map((w) =>
    judged(`${KIND[w.kind].name}: ${w.name}`, w.kind, { way: w.id }, daysOf(w), by, today),
  );
  const before = made.map((m) => judged(m.name, m.kind, { batch: m.batch }, m.days, by, today));
  const recipes = book.map((m) => judged(m.name, m.kind, { recipe: m.recipe }, m.days, by, today));
  return [...before, ...recipes, ...ways].sort((a, b) => (a.best < b.best ? -1 : Number(a.best > b.best)));
}
