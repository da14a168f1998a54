import { type Span } from "../estimate";

import { type Amount } from "../quantity/amount";
import type { UnitSystem } from "../quantity/units";

import type { Token } from "./tokens";
import { type UnitWord, unitWord } from "./unit-words";

export type By = "weight" | "volume";

/** What a bottle is marked with. */
export type Strength = Exclude<Quantity, { readonly is: "amount" | "vague" }>;

/** Something that says how much, found in the tokens. */
export type Quantity =
  | {
      readonly is: "amount";
      readonly amount: Amount;
      readonly next: number;
      /** Said to be by weight, or by volume, as the size of a bought bottle is: an “oz” of a liquid may be either. */
      readonly by?: By;
      /** “up to 1 cup”: the most of it, not how much. */
      readonly most?: true;
      /** “half a jar of …”: of the vessel, or of a bought one. */
      readonly jarOf?: true;
    }
  | {
      readonly is: "percent";
      readonly value: number;
      readonly of: "acid" | "alcohol" | undefined;
      readonly next: number;
    }
  | {
      readonly is: "proof";
      readonly value: number;
      readonly by: "us" | "uk" | undefined;
      readonly next: number;
    }
  | { readonly is: "grain"; readonly value: number; readonly next: number }
  | { readonly is: "vague"; readonly word: string; readonly count: Span; readonly next: number };

export interface Cursor {
  readonly tokens: readonly Token[];
  readonly system: UnitSystem;
  /** Tokens that belong to a name, which no unit may take. */
  readonly named: (i: number) => boolean;
}

/** The unit word at a token, longest first, up to three words; points after abbreviations are passed. */
export function unitAt(c: Cursor, i: number): { readonly unit: UnitWord; readonly next: number } | undefined {
  let word = "";
  let best: { unit: UnitWord; next: number } | undefined;
  let k = i;
  for (let n = 0; n < 3 && k < c.tokens.length; n++) {
    const t = c.tokens[k]!;
    if (c.named(k) || t.kind === "number") break;
    if (t.kind === "mark" && t.low !== '"' && t.low !== "#") break;
    word = word === "" ? t.low : `${word} ${t.low}`;
    k++;
    if (c.tokens[k]?.low === "." && c.tokens[k]!.glued) k++;
    const unit = unitWord(word, n === 0 ? t.text : word, c.system);
    if (unit) best = { unit, next: k };
  }
  return best && "count" in best.unit ? { ...best, next: sizedAfter(c, best.next) } : best;
}

const SIZED: ReadonlySet<string> = new Set(["sized", "size", "length", "long"]);
/** “thumb-sized piece”, “thumb-size knob”: past what only says that it is the size of one. */
function sizedAfter(c: Cursor, i: number): number {
  const k = c.tokens[i]?.low === "-" ? i + 1 : i;
  if (!SIZED.has(c.tokens[k]?.low ?? "")) return i;
  const piece = c.tokens[k + 1];
  const unit = piece && !c.named(k + 1) ? unitWord(piece.low, piece.text, c.system) : undefined;
  return unit && "count" in unit ? k + 2 : k + 1;
}
