import type { Fault } from "../fault";
import type { Cut, Form } from "../material/classes";
import { type Amount, type Packing, measure } from "../quantity/amount";
import { FRESH_WORK } from "./line-words";
import type { By, Cursor, Quantity } from "./quantity";
import type { UnitSystem } from "../quantity/units";
import { PACKING_ADVERBS, PACKING_WORDS } from "./quantity-words";
import { type Token, says } from "./tokens";
import { unitWord } from "./unit-words";

/** What stands round the name in a typed line, sorted out. */
export interface Scan {
  /** Amounts, in the order they were said; the tokens each came from. */
  readonly amounts: { readonly q: Extract<Quantity, { is: "amount" | "vague" }>; readonly from: number }[];
  strength: Exclude<Quantity, { is: "amount" | "vague" }> | undefined;
  readonly forms: Form[];
  cut: Cut | undefined;
  /** Put to work that only the fresh plant takes. */
  worked: boolean;
  /** “by weight”, “by volume”, said apart from the amount. */
  by: By | undefined;
  /** “juiced”, “zested”: what is wanted is the juice, the zest. */
  made: "juice" | "peel" | undefined;
  packing: Packing | undefined;
  readonly notes: string[];
  optional: boolean;
  toTaste: boolean;
  each: boolean;
  either: boolean;
  /** Words nobody here knows. */
  readonly unknown: number[];
  fault: Fault | undefined;
}

export const nothingScanned = (): Scan => ({
  amounts: [], strength: undefined, forms: [], cut: undefined, worked: false, by: undefined, made: undefined, packing: undefined, notes: [],
  optional: false, toTaste: false, each: false, either: false, unknown: [], fault: undefined,
}); // prettier-ignore

/** What the named material lets a word mean. */
export interface About {
  /** Words for a part that it is: “leaf” beside nettle. */
  readonly parts: readonly string[];
  /** What it is counted by. */
  readonly pieces: readonly string[];
}
export const ABOUT_NOTHING: About = { parts: [], pieces: [] };

/** Marks that only part things. */
export const MARKS: ReadonlySet<string> = new Set([
  ",", ";", ".", ":", ")", "/", "*", "•", "-", "&", "+", "!", "?", "[", "]", "°", "'",
]); // prettier-ignore

/** Whether a word counts pieces of something: “leaf”, “sprig”, not a handful. */
export function isPieceWord(t: Token, system: UnitSystem): boolean {
  const u = t.kind === "word" ? unitWord(t.low, t.low, system) : undefined;
  return u !== undefined && "count" in u && u.count !== "handful" && u.count !== "pinch";
}

/** Whether a name stands before a token. */
export function isAfterName(c: Cursor, i: number): boolean {
  for (let k = 0; k < i; k++) if (c.named(k)) return true;
  return false;
}

/** Notes a form or a cut, and that it was work only the fresh plant takes. */
export function sayForm(scan: Scan, low: string, form: Form | undefined, cut: Cut | undefined): void {
  if (form && !scan.forms.includes(form)) scan.forms.push(form);
  if (cut) scan.cut ??= cut;
  if (FRESH_WORK.has(low)) scan.worked = true;
}

/** Tokens of a remark: up to the next comma, bracket or the end. */
export function remarkEnd(t: readonly Token[], i: number): number {
  let k = i;
  while (k < t.length && !(t[k]!.kind === "mark" && [",", ";", "(", ")"].includes(t[k]!.low))) k++;
  return k;
}

/** `by weight`, `by volume` at a token. */
export function byWhatAt(t: readonly Token[], i: number): By | undefined {
  if (says(t, i, "by", "weight")) return "weight";
  return says(t, i, "by", "volume") ? "volume" : undefined;
}

/** “(packed)”, “(loosely packed)”: how it lies, where the tokens say that and no more. */
export function packedIn(t: readonly Token[], from: number, to: number): Packing | undefined {
  const [first, second] = [t[from]?.low ?? "", t[from + 1]?.low ?? ""];
  if (to === from + 1) return PACKING_WORDS[first];
  return to === from + 2 && PACKING_WORDS[second] ? PACKING_ADVERBS[first] : undefined;
}

/** A measured amount as it lies when the line says “packed” somewhere else than beside it. */
export function packedAs(a: Amount, packing: Packing | undefined): Amount {
  if (!packing || a.kind !== "measure" || a.packing || a.dimension !== "volume") return a;
  return measure(a.terms, { packing, ...(a.hedge ? { hedge: a.hedge } : {}) });
}
