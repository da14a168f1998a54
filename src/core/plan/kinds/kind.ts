import type { Form } from "../../material/classes";
import type { Kind, Plan, Step } from "../plan";

/** What a line is for; a way speaks of roles and leaves the herb to the maker. */
export type Role = "herb" | "vinegar" | "sweet" | "spirit" | "water" | "sour" | "glycerin";

/** A text of a way that is measured, as each kitchen measures. */
export type Local = Readonly<Record<Plan["units"], string>>;
export interface WayLine {
  readonly role: Role;
  readonly amount?: string | Local;
  readonly material?: string;
}
/** A step without its id. */
export type Bare<S> = S extends { id: string } ? Omit<S, "id"> : never;
type Localised<S> = S extends unknown
  ? { readonly [K in keyof S]: K extends "loses" | "to" ? S[K] | Local : S[K] }
  : never;
export type WayStep =
  { readonly do: "add"; readonly what: readonly WayLine[] } | Localised<Bare<Exclude<Step, { do: "add" }>>>;

/** A named way of making a kind: which steps, in which order, in which shares. One sentence on who prefers it and why. */
export interface Way {
  readonly id: string;
  readonly kind: Kind;
  readonly name: string;
  readonly why: string;
  /** The default of its kind, and the cautious one. */
  readonly cautious?: boolean;
  readonly vessel?: "pot";
  /** How it usually has its leaves and flowers, where that is not the kind's usual. */
  readonly usual?: Form;
  readonly steps: readonly WayStep[];
}

/** The questions makers disagree on, by id; the schools that answer them are in `advice/schools`. */
export type QuestionId =
  | "herb-share"
  | "order"
  | "vinegar"
  | "steep-time"
  | "simmer-time"
  | "plant-to-water"
  | "peel"
  | "shaking"
  | "place"
  | "lid"
  | "honey-at"
  | "which-sweetener"
  | "sweetener"
  | "garlic"
  | "plant-in-honey"
  | "taking";

/** All that one kind of remedy is. A new kind is a new file of these, its words and its docs. */
export interface KindSpec {
  readonly id: Kind;
  readonly name: string;
  /** What was poured over the plants of one that stands already, by material, where nobody says: all that it may be, since the careful end counts. */
  readonly holds: { readonly jar: readonly string[]; readonly bottle: readonly string[] };
  /** Two letters before its batches’ numbers. */
  readonly code: string;
  /** How it usually has its leaves and flowers. */
  readonly usual: Form;
  readonly ways: readonly Way[];
  /** Questions that may be asked of it, in order. */
  readonly questions: readonly QuestionId[];
  /** What its maker drags where parts are not said: strength of a menstruum, or the filling. */
  readonly rail: "strength" | "filling";
  /** What is done with the jar day by day. */
  readonly touch: "shake" | "turn";
  /** Sorts of vessel it is kept in, best first, and the one taken where none is counted. */
  readonly bottles: {
    readonly sorts: readonly ("jar" | "bottle" | "dropper")[];
    /** The usual size, by what is sold where the household is. */
    readonly usual: { readonly us: string; readonly metric: string };
  };
}

export const dark = (lasts: string): WayStep => ({ do: "steep", for: lasts, in: "dark-cupboard" });
export const strained = (how: "drained" | "wrung" | "pressed"): WayStep => ({ do: "strain", how });
export const wrung = strained("wrung");
export const bottled: WayStep = { do: "bottle" };
export const add = (...what: WayLine[]): WayStep => ({ do: "add", what });
export const herb: WayLine = { role: "herb" };
export const of = (role: Role, amount: string | Local, material?: string): WayLine =>
  material ? { role, amount, material } : { role, amount };
export const HONEY_WARM: WayStep = {
  do: "cool",
  to: { us: "110 °F", metric: "43 °C", imperial: "43 °C" },
};
export const LITRE: Local = { us: "1 quart", metric: "1 L", imperial: "1¾ pints" };
export const HALF_LITRE: Local = { us: "2 cups", metric: "500 mL", imperial: "¾ pint" };
export const SPOON: Local = { us: "1 tsp", metric: "5 mL", imperial: "1 tsp" };
