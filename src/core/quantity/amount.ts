import type { Span } from "../estimate";
import { exactly, scaled } from "../estimate";
import { type Result, fail, fault, ok } from "../fault";
import { leadingNumber } from "./number";
import { nearest } from "./near";
import { COUNT_UNITS, UNIT_WORDS, type CountUnit, type Household, type Unit, unitOf } from "./units";

/** What a maker may say about how much: measured, counted, as a share, or as a goal to be solved. */
export type Amount =
  /** `si` is in mL, g or cm by the unit's dimension. */
  | { readonly kind: "measure"; readonly unit: Unit; readonly count: Span; readonly si: Span }
  | { readonly kind: "count"; readonly unit: CountUnit; readonly count: Span }
  /** A share of the recipe's ratio, by volume. */
  | { readonly kind: "part"; readonly count: Span }
  /** A share of the vessel's filling, e.g. "half a jar". */
  | { readonly kind: "jar"; readonly count: Span }
  /** A multiple of the liquid's volume at that moment, e.g. "3/4 of liquid". */
  | { readonly kind: "of-liquid"; readonly count: Span }
  /** As much as fills the vessel to its headspace line. */
  | { readonly kind: "fill" }
  /** As much as stands this many cm above the herb. */
  | { readonly kind: "cover"; readonly cm: Span }
  /** mL of it for each g of herb: a tincture's 1:5. */
  | { readonly kind: "ratio"; readonly mlPerG: number }
  /** As much as brings the liquid to a figure. */
  | { readonly kind: "goal"; readonly goal: Goal; readonly target: number };

/** Figures an amount can be solved for: true sugars °Bx, % vol alcohol, titratable acid % w/v, pH. */
export type Goal = "brix" | "abv" | "acid" | "ph";

/** No home batch needs more than this of one thing: 500 L or 500 kg. */
export const MOST = 500_000;

export interface Typed {
  readonly text: string;
  readonly amount: Amount;
}

const GOALS: ReadonlyArray<readonly [RegExp, Goal, number, number]> = [
  [/^to\s+([\d.]+)\s*(?:°\s*)?(?:bx|brix)$/i, "brix", 1, 80],
  [/^to\s+([\d.]+)\s*%\s*(?:vol|abv|alcohol)$/i, "abv", 0.5, 95],
  [/^to\s+([\d.]+)\s*%\s*acid(?:ity)?$/i, "acid", 0.1, 20],
  [/^to\s+ph\s*([\d.]+)$/i, "ph", 2, 7],
];

function special(text: string): Result<Amount> | undefined {
  const t = text.trim();
  if (/^(?:to\s+)?fill(?:\s+(?:the\s+)?jar)?$|^to\s+the\s+(?:line|top)$/i.test(t)) return ok({ kind: "fill" });
  const cover = /^(?:to\s+)?cover(?:\s+by)?(?:\s+(?:the\s+herb\s+by\s+)?([\d.]+)\s*(cm|in|inch|inches|mm)?)?$/i.exec(t);
  if (cover) {
    const n = cover[1] === undefined ? 2 : Number(cover[1]);
    const size = cover[1] === undefined || cover[2] === undefined || cover[2] === "cm" ? 1 : cover[2] === "mm" ? 0.1 : 2.54;
    if (!(n > 0) || n * size > 50) return fail(fault("OutOfRange", "Cover the herb by a little, say “cover by 2 cm”.", [], "cover by 2 cm"));
    return ok({ kind: "cover", cm: exactly(n * size) });
  }
  const ratio = /^1\s*:\s*([\d.]+)(?:\s+of\s+(?:the\s+)?herb)?$/.exec(t);
  if (ratio) {
    const n = Number(ratio[1]);
    if (!(n >= 0.01 && n <= 100)) return fail(fault("OutOfRange", "A ratio of herb to liquid runs up to 1:100. Write “1:5”.", [], "1:5"));
    return ok({ kind: "ratio", mlPerG: n });
  }
  for (const [pattern, goal, least, most] of GOALS) {
    const m = pattern.exec(t);
    if (!m) continue;
    const target = Number(m[1]);
    if (!(target >= least && target <= most)) return fail(fault("OutOfRange", `A goal here runs from ${least} to ${most}.`));
    return ok({ kind: "goal", goal, target });
  }
  return undefined;
}

/** Splits the unit word off the head of `rest`, longest match first. */
function unitAt(rest: string, household: Household): { found: { unit: Unit } | { count: CountUnit }; after: string } | undefined {
  const words = rest.split(/\s+/);
  for (let n = Math.min(3, words.length); n >= 1; n--) {
    const word = words.slice(0, n).join(" ").replace(/,$/, "");
    const found = unitOf(word, household);
    if (found) return { found, after: words.slice(n).join(" ").replace(/^of\s+/i, "").trim() };
  }
  return undefined;
}

/**
 * Reads an amount at the head of a text as people type it: `1½ c`, `2–3 cloves`, `a handful`, `1 part`, `a third of the jar`,
 * `3/4 of liquid`, `cover by 2 cm`, `to 66 Bx`. Returns the amount and the words after it.
 * Faults: NotAnAmount, NegativeAmount, ZeroAmount, ZeroDenominator, UnknownUnit, TooMuch.
 */
export function parseHead(text: string, household: Household): Result<{ amount: Amount; rest: string }> {
  const t = text.trim();
  if (t.length > 200) return fail(fault("TooLong", "Keep an amount under 200 letters."));
  const goal = special(t);
  if (goal) return goal.ok ? ok({ amount: goal.value, rest: "" }) : goal;
  const bareCount = unitAt(t.replace(/^(?:small|large|good|big)\s+/i, ""), household);
  const lead = leadingNumber(t);
  if (!lead.ok) return lead;
  if (!lead.value) {
    if (bareCount && "count" in bareCount.found && bareCount.after === "") return ok({ amount: { kind: "count", unit: bareCount.found.count, count: exactly(1) }, rest: "" });
    return fail(fault("NotAnAmount", t === "" ? "Say how much: “1½ cups”, “40 g”, “1 part”." : `“${t}” does not begin with a number. Write it like “1½ cups”, “40 g” or “2–3 cloves”.`));
  }
  const { span, negative } = lead.value;
  const rest = lead.value.rest.replace(/^(?:good|large|big|small|heaped|level|rounded|packed|scant)\s+/i, "");
  if (negative) return fail(fault("NegativeAmount", "An amount cannot be less than nothing. Leave the minus sign off.", [], t.replace(/[-−]\s*/, "")));
  if (span.high <= 0) return fail(fault("ZeroAmount", "Nothing of it goes in. Write an amount above zero, or take the line out."));

  const parts = /^parts?\b\s*/i.exec(rest);
  if (parts) return span.high > 100 ? fail(fault("TooMuch", "A ratio of more than 100 parts is not a ratio. Write, say, “2 parts”.")) : ok({ amount: { kind: "part", count: span }, rest: rest.slice(parts[0].length) });
  const jar = /^(?:of\s+)?(?:the\s+|a\s+)?(?:jar(?:ful|s|fuls)?)\b\s*(?:of\s+)?/i.exec(rest);
  if (jar) return span.high > 1 ? fail(fault("TooMuch", "More than the whole jar does not go in. Write, say, “half the jar”.", [], "1/2 jar")) : ok({ amount: { kind: "jar", count: span }, rest: rest.slice(jar[0].length) });
  const liquid = /^(?:x\s+|times\s+)?(?:of\s+|to\s+)?(?:the\s+|a\s+)?(?:strained\s+)?liquid\b\s*/i.exec(rest);
  if (liquid) return span.high > 20 ? fail(fault("TooMuch", "That is over twenty times the liquid. Write, say, “3/4 of liquid”.", [], "3/4 of liquid")) : ok({ amount: { kind: "of-liquid", count: span }, rest: rest.slice(liquid[0].length) });

  const hit = unitAt(rest, household);
  if (!hit) {
    const word = rest.split(/\s+/)[0]!.toLowerCase().replace(/[.,]$/, "");
    if (word === "") return ok({ amount: { kind: "count", unit: "piece", count: span }, rest: "" });
    const near = nearest(word, UNIT_WORDS);
    if (near) return fail(fault("UnknownUnit", `“${word}” is not a unit here. Did you mean “${near}”?`, [], t.replace(new RegExp(word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"), "i"), near)));
    return ok({ amount: { kind: "count", unit: "piece", count: span }, rest });
  }
  if ("count" in hit.found) {
    if (span.high > 10_000) return fail(fault("TooMuch", "That is more pieces than a kitchen counts. Weigh them instead."));
    return ok({ amount: { kind: "count", unit: hit.found.count, count: span }, rest: hit.after });
  }
  const unit = hit.found.unit;
  const si = scaled(span, unit.size);
  if (si.high > MOST) return fail(fault("TooMuch", `That is ${Math.round(si.high / 1000).toString().replace(/\B(?=(\d{3})+$)/g, " ")} ${unit.dimension === "mass" ? "kg" : "litres"}. A home batch stays under 500 of them; is the unit right?`));
  const wide = unit.tolerance ? { low: si.low * (1 - unit.tolerance), value: si.value, high: si.high * (1 + unit.tolerance) } : si;
  return ok({ amount: { kind: "measure", unit, count: span, si: wide }, rest: hit.after });
}

const read = new Map<string, Result<Amount>>();

/** An amount standing alone; words left over are a fault (`UnknownUnit`). Remembered, since a plan is read again at every keystroke. */
export function parseAmount(text: string, household: Household): Result<Amount> {
  const key = `${household}|${text}`;
  let amount = read.get(key);
  if (!amount) {
    amount = readAmount(text, household);
    if (read.size > 2000) read.clear();
    read.set(key, amount);
  }
  return amount;
}

function readAmount(text: string, household: Household): Result<Amount> {
  const head = parseHead(text, household);
  if (!head.ok) return head;
  if (head.value.rest === "") return ok(head.value.amount);
  const word = head.value.rest.split(/\s+/)[0]!.toLowerCase();
  const near = nearest(word, UNIT_WORDS);
  return fail(fault("UnknownUnit", near ? `“${word}” is not a unit here. Did you mean “${near}”?` : `“${head.value.rest}” is not a unit. Use cups, tbsp, tsp, mL, g, oz, ${COUNT_UNITS.slice(0, 3).join("s, ")}s, parts …`, [], near ? text.replace(word, near) : undefined));
}

/**
 * A strength as typed, in %: `5 %`, `50 grain` (a tenth, for vinegar), `80 US proof` (half), `70 UK proof` (÷ 1.75).
 * A bare “proof” is a fault (`WhichProof`), since the two scales differ.
 */
export function parseStrength(text: string): Result<number> {
  const m = /^\s*(\d+(?:[.,]\d+)?)\s*(%|percent|% ?vol|% ?abv|abv|grain|us proof|uk proof|proof)?\s*$/i.exec(text);
  if (!m) return fail(fault("NotAStrength", "Write a strength like “5 %”, “50 grain” or “80 US proof”."));
  const n = Number(m[1]!.replace(",", "."));
  const unit = (m[2] ?? "%").toLowerCase();
  if (unit === "proof") return fail(fault("WhichProof", `US proof is twice the percentage, UK proof 1.75 times. Write “${m[1]} US proof” or “${m[1]} UK proof”.`, [], `${m[1]} US proof`));
  const value = unit === "grain" ? n / 10 : unit === "us proof" ? n / 2 : unit === "uk proof" ? n / 1.75 : n;
  if (!(value > 0 && value <= 100)) return fail(fault("ImpossibleStrength", `${Number(value.toFixed(1))} % cannot be. A strength lies above 0 and up to 100 %.`));
  return ok(value);
}
