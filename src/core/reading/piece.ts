import type { Fault } from "../fault";
import type { Cut, Form } from "../material/classes";
import type { Packing } from "../quantity/amount";
import type { CountUnit } from "../quantity/units";
import type { Deed } from "./deeds";
import type { Senses } from "./lexicon";
import type { NameSpan } from "./names";
import type { By, Quantity, Strength } from "./quantity";

/** What stands at a place of a text, of one sort each; `from` and `to` are tokens, and every token is in exactly one piece. */
export type Piece = { readonly from: number; readonly to: number; readonly senses: Senses } & (
  | { readonly is: "amount"; readonly q: Exclude<Quantity, Strength> }
  | { readonly is: "strength"; readonly q: Strength }
  | { readonly is: "water"; readonly percent: number }
  | { readonly is: "name"; readonly span: NameSpan }
  | { readonly is: "part"; readonly part: string; readonly count: CountUnit | undefined }
  | { readonly is: "made"; readonly made: "juice" | "peel" }
  | {
      readonly is: "form";
      readonly form: Form | undefined;
      readonly cut: Cut | undefined;
      readonly work: boolean;
    }
  | { readonly is: "packing"; readonly packing: Packing }
  | { readonly is: "by"; readonly by: By }
  /** “half as much”, “the same amount of”. */
  | { readonly is: "asmuch"; readonly by: number }
  /** “as the vinegar”: what it is measured against; nothing where it is the strained liquid. */
  | { readonly is: "against"; readonly span: NameSpan | undefined }
  /** “for every cup of liquid”. */
  | { readonly is: "per"; readonly ml: number }
  | { readonly is: "equal" | "taste" | "optional" | "each" | "or" | "and" | "comma" | "slash" | "colon" }
  | { readonly is: "not" | "less" | "open" | "close" | "mark" }
  | { readonly is: "time" }
  | { readonly is: "warmth"; readonly celsius: number }
  | { readonly is: "deed"; readonly deed: Deed }
  | { readonly is: "kept" | "idle" | "opens" | "everyday" | "container" }
  /** Nobody knows it, or it is a noun that names too many things. */
  | { readonly is: "word" }
  | { readonly is: "fault"; readonly fault: Fault }
);
export type PieceSort = Piece["is"];
