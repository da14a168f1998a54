import { type Span } from "../estimate";

import { type Amount } from "../quantity/amount";
import type { UnitSystem } from "../quantity/units";

import type { Token } from "./tokens";
import { type UnitWord, unitWord } from "./unit-words";

/** Something that says how much, found in the tokens. */
export type Quantity =
  /** `inContainer`: the size of a bought bottle or jar, where “oz” of a liquid is by volume. */
  | { readonly is: "amount"; readonly amount: Amount; readonly next: number; readonly inContainer?: boolean }
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
  return best;
}
