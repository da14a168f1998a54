import type { Fault } from "../fault";
import type { Cut, Form } from "../material/classes";
import type { Packing } from "../quantity/amount";
import type { Range } from "./anchors";
import type { NameSpan } from "./names";
import type { By, Quantity, Strength } from "./quantity";
import type { Claim } from "./said";

export type AmountSaid = Extract<Quantity, { is: "amount" | "vague" }>;

/** All that is said of one thing beside its name. */
export interface Gathered {
  amounts: { q: AmountSaid; readonly at: Range }[];
  /** What is taken off: “1 cup honey less 2 tbsp”. */
  less?: AmountSaid;
  forms: Form[];
  cut?: Cut;
  /** Put to work that only the fresh plant takes. */
  work: boolean;
  packing?: Packing;
  by?: By;
  strength?: Strength;
  water?: number;
  made: ("juice" | "peel")[];
  parts: string[];
  optional: boolean;
  taste: boolean;
  each: boolean;
  equal: boolean;
  /** Said to stay out. */
  not: boolean;
  /** Two forms or amounts, of which one goes in. */
  either: boolean;
  asMuch?: number;
  against?: { readonly span: NameSpan | undefined };
  /** mL of the liquid that the amount is for. */
  per?: number;
  /** Words that change no figure, as typed. */
  notes: string[];
  /** Words that are neither of it nor a remark for sure. */
  doubts: Range[];
  claims: Claim[];
  fault?: Fault;
}
export const nothingGathered = (): Gathered => ({
  amounts: [], forms: [], work: false, made: [], parts: [], optional: false, taste: false, each: false, equal: false, not: false, either: false,
  notes: [], doubts: [], claims: [],
}); // prettier-ignore
