import type { Span } from "../estimate";

/** Everything a making may ask of the hands. */
export const MOVE_SORTS = [
  "gather",
  "wash",
  "peel",
  "strip",
  "zest",
  "crush",
  "chop",
  "grate",
  /** Over the heat in a pan of its own, before it goes in. */
  "cook-first",
  "add",
  "cover",
  "lid",
  "shake",
  "label",
  "put-by",
  "heat",
  "simmer",
  "mash",
  "reduce",
  "pressure",
  "steep",
  "strain",
  "cool",
  "finish",
  "bottle",
  /** What else the recipe says to do there, in its own words. */
  "own",
] as const;
export type MoveSort = (typeof MOVE_SORTS)[number];

/** How hands come out of it. */
export type Hands = "clean" | "wet" | "gloved" | "hot";

/** What a move waits to be read. */
export type Wants =
  | { readonly what: "boil" }
  | { readonly what: "temperature"; readonly celsius: number }
  | { readonly what: "depth"; readonly stopCm: number; readonly startCm: number; readonly toMl: number };

/** One thing to do, and how long it takes. Minutes. */
export interface Move {
  readonly id: string;
  readonly sort: MoveSort;
  readonly step: string | undefined;
  /** The plan's lines it is about. */
  readonly lines: readonly string[];
  readonly hands: Hands;
  readonly active: number;
  readonly wait: Span;
  /** Its clock: a range gives two bells. */
  readonly clock: Span | undefined;
  readonly wants: Wants | undefined;
  /** A jar that is left for days is one sitting, what follows another. */
  readonly sitting: number;
}
