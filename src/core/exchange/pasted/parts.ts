import type { Fault } from "../../fault";
import type { Material } from "../../material/material";
import type { Nameless } from "../../plan/ids";
import type { Plan, Step } from "../../plan/plan";
import type { Choice, SaidLine, Unknown } from "../../reading/said";
import type { Form } from "../../material/classes";
import type { Claim } from "./claims";

export type SaidStep = Nameless<Exclude<Step, { do: "add" }>>;

export interface Place {
  readonly from: number;
  readonly to: number;
}

/** What was answered about some words of a text: which choices, one after the other; the form of it; or that it stays out. */
export interface Answer {
  readonly path?: readonly number[];
  readonly form?: Form;
  readonly out?: true;
}
/** By the words asked about, as they stand in the text. */
export type Answers = Readonly<Record<string, Answer>>;

/** What a part of a pasted text came to. Places are in the whole text. */
export type PastedPart = Place & (
  | { readonly is: "name"; readonly name: string }
  | { readonly is: "heading" }
  /** Something about the recipe: how long it takes, how much it makes. */
  | { readonly is: "fact" }
  | { readonly is: "line"; readonly line: SaidLine; readonly key: string; readonly answered: boolean }
  /** Named again, where it goes in. */
  | { readonly is: "again"; readonly material: Material }
  | { readonly is: "step"; readonly step: SaidStep }
  | { readonly is: "shake"; readonly shake: NonNullable<Plan["shake"]> }
  | { readonly is: "taken" }
  | { readonly is: "claim"; readonly claim: Claim }
  | { readonly is: "ask"; readonly question: string; readonly choices: readonly Choice[]; readonly key: string }
  | { readonly is: "unknown"; readonly unknown: Unknown; readonly key: string }
  | { readonly is: "wrong"; readonly fault: Fault }
  /** An amount or a name that is in nothing that was understood. */
  | { readonly is: "left"; readonly words: string; readonly key: string }
  /** Struck out by the maker. */
  | { readonly is: "struck"; readonly key: string }
  /** Something to do that is no step known here: kept in its words, at its place. */
  | { readonly is: "own" }
  /** Not understood; kept as a note. */
  | { readonly is: "note" }
); // prettier-ignore
