import { fault, type Fault, isFault } from "../fault";
import { type Described, describedAt, howSaid } from "./described";
import { type Span, exactly, scaled } from "../estimate";
import type { Unit } from "../quantity/units";
import { type Hedge, type Measure, type Term, counted, measure } from "../quantity/amount";

import { type Found, type NumberAt, andShare, numberAt, oneAt } from "./numbers";
import { nameWord } from "./name-word";
import { type HedgeAt, hedgeAt, hedgeBehind } from "./hedges";
import { sensesOf } from "./lexicon";
import { type Token, says } from "./tokens";

import { containerAt, shareAt, strengthAt } from "./after-number";
import { type Cursor, type Quantity, unitAt } from "./quantity";

/** Further terms of a measured amount: `+ 1 tsp`, `plus 2 tsp`, `and 1 tbsp`, `1 lb 4 oz`. */
function moreTerms(
  c: Cursor,
  first: Term,
  i: number,
): { readonly terms: readonly Term[]; readonly next: number } {
  const terms = [first];
  let next = i;
  for (;;) {
    const joint = c.tokens[next]?.low;
    const said = joint === "+" || joint === "plus" || joint === "and" || joint === "&";
    const n = numberAt(c.tokens, said ? next + 1 : next);
    if (!n || isFault(n) || (n.article && !said)) return { terms, next };
    const u = unitAt(c, n.next);
    const last = terms.at(-1)!;
    if (!u || !("unit" in u.unit) || u.unit.unit.dimension !== last.unit.dimension) return { terms, next };
    // What follows a larger unit bare must be smaller: “1 lb 4 oz”, never “1 cup 2 cups”.
    if (!said && u.unit.unit.size >= last.unit.size) return { terms, next };
    terms.push({ unit: u.unit.unit, count: n.span });
    next = u.next;
  }
}

/** “1 cup less 1 tbsp”, “1 cup minus 2 tbsp”: what is left, in the larger unit. */
function lessAt(c: Cursor, from: Term, i: number): ReturnType<typeof moreTerms> | undefined {
  const t = c.tokens;
  if (t[i]?.low !== "less" && t[i]?.low !== "minus") return undefined;
  const n = numberAt(t, i + 1);
  const u = n && !isFault(n) ? unitAt(c, n.next) : undefined;
  if (!n || isFault(n) || !u || !("unit" in u.unit)) return undefined;
  const { unit } = u.unit;
  const by = unit.size / from.unit.size;
  if (unit.dimension !== from.unit.dimension || n.span.high * by >= from.count.low) return undefined;
  const count = {
    low: from.count.low - n.span.high * by,
    value: from.count.value - n.span.value * by,
    high: from.count.high - n.span.low * by,
  };
  return { terms: [{ ...from, count }], next: u.next };
}

/** A number, and the token after an “or two” behind its unit. */
type OrTwo = NumberAt & { readonly orNext?: number };

/** “a pinch or two”, “1 cup or two”: one, or the number said behind the unit. */
function orTwo(c: Cursor, n: NumberAt, d: Described): OrTwo {
  const u = n.span.low === 1 && n.span.high === 1 ? unitAt(c, d.next) : undefined;
  if (!u || c.tokens[u.next]?.low !== "or") return n;
  const other = oneAt(c.tokens, u.next + 1);
  if (!other || isFault(other) || other.article || other.span.low <= 1 || unitAt(c, other.next)) return n;
  const { high } = other.span;
  return { ...n, span: { low: 1, value: (1 + high) / 2, high }, orNext: other.next };
}

/** A measured amount from its unit on: further terms, what is taken off, packing and hedge behind it. @param i the token after the unit */
function measuredAt(
  c: Cursor,
  n: OrTwo,
  d: Described,
  hedge: Hedge | undefined,
  unit: Unit,
  i: number,
): Quantity {
  const t = c.tokens;
  const extra = andShare(t, i);
  const add = extra?.add ?? 0;
  const count = { low: n.span.low + add, value: n.span.value + add, high: n.span.high + add };
  const after = n.orNext ?? extra?.next ?? i;
  const holds = !n.orNext && sensesOf(t[after]?.low ?? "").container === true && !c.named(after);
  const share = holds ? fullAt(t, after + 1) : undefined;
  // “a quart jar half full of sage” is half a quart.
  if (share)
    return {
      is: "amount",
      amount: measure([{ unit, count: scaled(count, share.share) }]),
      next: share.next,
      by: "volume",
    };
  const more = lessAt(c, { unit, count }, after) ?? moreTerms(c, { unit, count }, holds ? after + 1 : after);
  const behind = describedAt(c, more.next);
  const lies = behind.packing ? behind.next : more.next;
  const wide = hedgeBehind(t, lies);
  const packing = d.packing ?? behind.packing;
  const amount = measure(more.terms, howSaid({ hedge: hedge ?? wide?.hedge, packing }));
  const next = wide?.next ?? lies;
  // “8 ounces by weight honey”.
  if (amount.dimension === "mass" && says(t, next, "by", "weight"))
    return { is: "amount", amount, next: next + 2, by: "weight" };
  return { is: "amount", amount, next, ...(holds ? { by: "volume" as const } : {}) };
}

/** “half full”, “⅓ full”, behind a vessel: how full it is. */
function fullAt(
  t: readonly Token[],
  i: number,
): { readonly share: number; readonly next: number } | undefined {
  const n = oneAt(t, i);
  if (!n || isFault(n) || n.span.high >= 1 || t[n.next]?.low !== "full") return undefined;
  return { share: n.span.value, next: n.next + 1 };
}

/** A measured or counted amount once its number and words of size are read. */
function unitedAt(c: Cursor, n: OrTwo, d: Described, hedge: Hedge | undefined): Quantity | undefined {
  const t = c.tokens;
  const at = t[d.next]?.low === "-" && t[d.next]!.glued ? d.next + 1 : d.next;
  const u = unitAt(c, at);
  if (!u) return undefined;
  // “about 3 heaping spoons” are heaping ones.
  const said = hedge === "about" ? (d.hedge ?? hedge) : (hedge ?? d.hedge);
  if ("unit" in u.unit) return measuredAt(c, n, d, said, u.unit.unit, u.next);
  const size = u.unit.count === "handful" || u.unit.count === "pinch" ? undefined : d.size;
  const widened = { ...(size ? { size } : {}), ...(said && !size ? { hedge: said } : {}) };
  return { is: "amount", amount: counted(u.unit.count, n.span, widened), next: n.orNext ?? u.next };
}

const TOO_MUCH_OF: Readonly<Record<Measure["dimension"], string>> = {
  volume: "That is over 500 litres. A home batch stays under that; is the unit right?",
  mass: "That is over 500 kg. A home batch stays under that; is the unit right?",
  length: "That is longer than a kitchen. Is the unit right?",
};
function checked(q: Quantity): Quantity | Fault {
  if (q.is !== "amount") return q;
  const a = q.amount;
  if (a.kind === "measure") {
    if (!(a.si.high > 0))
      return fault("ZeroAmount", "Nothing of it goes in. Write an amount above zero, or take the line out.");
    const most = a.dimension === "length" ? 500 : 500_000;
    if (a.si.high > most) return fault("TooMuch", TOO_MUCH_OF[a.dimension]);
  }
  if (a.kind === "count" && a.count.high > 10_000)
    return fault("TooMuch", "That is more pieces than a kitchen counts. Weigh them instead.");
  return q;
}

/** So many of a length: three inches, twice. */
const timesCount = (a: Measure, count: Span): Measure =>
  measure(a.terms.map((x) => ({ ...x, count: scaled(x.count, count.value) })));

/**
 * What says how much at a token: a hedge, a number, words of size, a unit. Faults: `NegativeAmount`, `ZeroAmount`, `ZeroDenominator`, `TooMuch`.
 * Nothing where no amount begins.
 */
export function quantityAt(c: Cursor, i: number): Found<Quantity> {
  const known = BEHIND.get(c);
  if (known?.has(i)) return known.get(i);
  const t = c.tokens;
  if (t[i]?.low === "∞")
    return fault("NotAnAmount", "No pot holds that much. Write a number, like “1½ cups”.");
  if (says(t, i, "up", "to")) {
    const most = numberAt(t, i + 2) ? quantityAt(c, i + 2) : undefined;
    return most && !isFault(most) && most.is === "amount" ? { ...most, most: true } : undefined;
  }
  return hedgedAt(c, i, hedgeAt(t, i));
}

/** What is said by a number right behind another: asked for by every number before it, in a row of them, and again by itself. */
const BEHIND = new WeakMap<Cursor, Map<number, Found<Quantity>>>();
function behind(c: Cursor, i: number): Found<Quantity> {
  const is = quantityAt(c, i);
  const known = BEHIND.get(c) ?? new Map<number, Found<Quantity>>();
  BEHIND.set(c, known.set(i, is));
  return is;
}

/** Whether one number stands there, whole or mixed, and not a row of them, which say nothing. */
const isOneNumber = (t: readonly Token[], i: number): boolean =>
  t[i]?.kind === "number" &&
  (t[i + 1]?.kind !== "number" || (t[i + 1]!.glyph && !t[i]!.glyph) || t[i + 2]?.low === "/");

/** The same, behind a hedge where one was said. */
function hedgedAt(c: Cursor, i: number, hedged: HedgeAt | undefined): Found<Quantity> {
  const t = c.tokens;
  const start = hedged?.next ?? i;
  const n = numberAt(t, start);
  if (isFault(n)) return n;
  if (!n) return hedged || !c.named(start) ? unnumbered(c, start, hedged?.hedge) : undefined;
  if (n.span.high <= 0)
    return fault("ZeroAmount", "Nothing of it goes in. Write an amount above zero, or take the line out.");
  if (t[n.next]?.low === ":" && t[n.next + 1]?.kind === "number" && n.span.value === 1) {
    const per = t[n.next + 1]!.value;
    if (!(per >= 0.01 && per <= 100))
      return fault("OutOfRange", "A ratio of herb to liquid runs up to 1:100. Write “1:5”.", [], "1:5");
    return { is: "amount", amount: { kind: "ratio", mlPerG: per }, next: n.next + 2 };
  }
  // “2:1 syrup” says how it is made, not how much of it there is.
  if (t[n.next]?.low === ":" && t[n.next + 1]?.kind === "number")
    return { is: "vague", word: "some", count: exactly(1), next: n.next + 2 };
  // “a 2-inch piece”: the article counts nothing.
  const inner = isOneNumber(t, n.next) ? behind(c, n.next) : undefined;
  if (inner && !isFault(inner) && inner.is === "amount" && !containerAt(c, n.span, n.next)) {
    if (n.article) return inner;
    if (inner.amount.kind === "measure" && inner.amount.dimension === "length")
      return { ...inner, amount: timesCount(inner.amount, n.span) };
  }
  const first = strengthAt(c, n.span, n.next) ?? containerAt(c, n.span, n.next) ?? shareAt(c, n.span, n.next);
  if (first) return isFault(first) ? first : checked(first);
  const d = describedAt(c, n.next);
  // “a generous ½ cup”: the article counts nothing here either.
  if (n.article && d.hedge && numberAt(t, d.next))
    return hedgedAt(c, d.next, { hedge: hedged?.hedge ?? d.hedge, next: d.next });
  const united = unitedAt(c, orTwo(c, n, d), d, hedged?.hedge);
  if (united) return checked(united);
  const sized = containerAt(c, n.span, d.next) ?? shareAt(c, n.span, d.next);
  if (sized) return isFault(sized) ? sized : checked(sized);
  const word = t[d.next];
  const vague = word && !c.named(d.next) ? sensesOf(word.low) : undefined;
  if (word && (vague?.vague || vague?.container))
    return { is: "vague", word: word.low, count: n.span, next: d.next + 1 };
  // A bare number counts pieces; a bare “a” before a name does so too.
  return checked({
    is: "amount",
    amount: counted("piece", n.span, {
      ...(d.size ? { size: d.size } : {}),
      ...(hedged ? { hedge: hedged.hedge } : {}),
    }),
    next: d.next,
  });
}

/** “handful of sage”, “big handful parsley”, “pinch of salt”, “a splash”: one of it. */
function unnumbered(c: Cursor, i: number, hedge: Hedge | undefined): Quantity | undefined {
  const d = describedAt(c, i);
  const t = c.tokens[d.next];
  if (!t || c.named(d.next)) return undefined;
  const is = sensesOf(t.low);
  if (is.vague || (is.container && c.tokens[d.next + 1]?.low === "of"))
    return { is: "vague", word: t.low, count: exactly(1), next: d.next + 1 };
  if (t.low.length < 3 && t.low !== '"') return undefined;
  const u = unitAt(c, d.next);
  // Stones are more often out of the fruit than a weight.
  if (!u || ("unit" in u.unit && u.unit.unit.id === "stone")) return undefined;
  // “cups of honey” does not say how many.
  if (nameWord(t.low) !== t.low) return { is: "vague", word: "some", count: exactly(1), next: u.next };
  const said = hedge ?? d.hedge;
  if ("unit" in u.unit)
    return {
      is: "amount",
      amount: measure([{ unit: u.unit.unit, count: exactly(1) }], howSaid({ ...d, hedge: said })),
      next: u.next,
    };
  return {
    is: "amount",
    amount: counted(u.unit.count, exactly(1), {
      ...(d.size && u.unit.count !== "handful" ? { size: d.size } : {}),
      ...(said && (u.unit.count === "handful" || !d.size) ? { hedge: said } : {}),
    }),
    next: u.next,
  };
}
