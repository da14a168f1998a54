import type { Mixture } from "./components";

/**
 * The one ledger: what goes in by weight, and what each step does to it. Grams and millilitres at 20 °C.
 * A step moves mass between liquid, plants, marc and steam and never makes any.
 */
export interface Entry {
  /** Shares of one gram. */
  readonly composition: Mixture;
  readonly grams: number;
  /** Set where the maker measures against the liquid in the jug: then it follows that volume, g per mL. */
  readonly perMl?: number;
  readonly plant: boolean;
  /** Share of solubles that passes into the liquid in a full steep. */
  readonly extraction: number;
  /** mL kept back per g dry matter, by wringing. */
  readonly retention: { readonly drained: number; readonly wrung: number; readonly pressed: number };
}

export type Operation =
  | { readonly op: "add"; readonly entry: number }
  /** Plant water and solubles pass into the liquid. */
  | { readonly op: "soak" }
  /** Boils away this many g of water (with its share of acetic acid; alcohol goes first). */
  /** `said`: the maker gave the loss; otherwise the clock and the pan did, which are known far less well. */
  | { readonly op: "boil-off"; readonly grams: number; readonly said?: boolean }
  /** Boils down to a volume in mL, or to a share of what is there. */
  | { readonly op: "reduce"; readonly toMl?: number; readonly toShare?: number }
  | { readonly op: "strain"; readonly how: "drained" | "wrung" | "pressed"; readonly measuredMl?: number };

export interface Account {
  /** What is liquid now. */
  readonly liquid: Mixture;
  /** Plant matter standing in it, after what it gave up. */
  readonly plants: Mixture;
  readonly marc: Mixture;
  /** Entries of plant matter not yet soaked. */
  readonly dry: number[];
  /** mL the standing plants would keep back. */
  readonly kept: { drained: number; wrung: number; pressed: number };
  steamG: number;
  inG: number;
  /** mL of the liquid before anything was poured into it since it last soaked, boiled or was strained: what “half of the liquid” is half of. */
  plainMl: number;
}

/** What the uncertainty pass moves: one entry's mass, water or form, or one law of the kitchen. */
export type Moved =
  | {
      readonly entry: number;
      readonly mass?: number;
      readonly water?: number;
      /** Relative: all acids of the entry but honey's own. */
      readonly acids?: number;
      readonly as?: Entry;
    }
  | { readonly law: LawName; readonly by: number };

/** The laws of the kitchen that are known only so well. `mark`: boiling down to a volume that is seen. */
export type LawName = "retention" | "extraction" | "alkalinity" | "boiling" | "mark" | "measured";

export interface Run {
  /** Liquid before the first straining, with the plants in it. */
  readonly jar: Mixture;
  /** Liquid as it left the cloth the last time; equals the finished where nothing is strained. */
  readonly strained: Mixture;
  readonly account: Account;
  /** Whether plant matter still stands in it at the end. */
  readonly solidsLeft: boolean;
  /** The strained liquid has the jar's composition, and the finished one the strained's: only the amount differs. */
  readonly strainedAsJar: boolean;
  readonly finishedAsStrained: boolean;
}
