import type { Fault } from "../../fault";
import type { Material } from "../../material/material";
import type { Nameless } from "../../plan/ids";
import type { Plan, Step } from "../../plan/plan";
import type { Choice, SaidLine } from "../../reading/said";
import type { Claim } from "./claims";

export type SaidStep = Nameless<Exclude<Step, { do: "add" }>>;

/** What a part of a pasted text came to. Places are in the whole text. */
export type PastedPart = { readonly from: number; readonly to: number } & (
  | { readonly is: "name"; readonly name: string }
  | { readonly is: "heading" }
  | { readonly is: "line"; readonly line: SaidLine }
  /** Named again, where it goes in. */
  | { readonly is: "again"; readonly material: Material }
  | { readonly is: "step"; readonly step: SaidStep }
  | { readonly is: "shake"; readonly shake: NonNullable<Plan["shake"]> }
  | { readonly is: "taken" }
  | { readonly is: "claim"; readonly claim: Claim }
  | { readonly is: "ask"; readonly question: string; readonly choices: readonly Choice[] }
  | {
      readonly is: "unknown";
      readonly name: string;
      readonly near: readonly { readonly words: string; readonly text: string }[];
    }
  | { readonly is: "wrong"; readonly fault: Fault }
  /** Not understood; kept as a note. */
  | { readonly is: "note" }
);

export interface Place {
  readonly from: number;
  readonly to: number;
}
