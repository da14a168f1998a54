import { z } from "zod";
import type { Stays, Wringing } from "./plan";

/** A reading of the finished liquid, made at the bench; it replaces an estimate, with its own error. */
export const Reading = z.discriminatedUnion("what", [
  z.strictObject({
    what: z.literal("ph"),
    by: z.enum(["strip", "meter"]),
    value: z.number(),
    coloured: z.boolean().optional(),
    hours: z.number().min(0),
    lapsed: z.boolean().optional(),
  }),
  z.strictObject({
    what: z.literal("brix"),
    by: z.literal("refractometer"),
    value: z.number(),
    herbSolids: z.number().min(0),
    hours: z.number().min(0),
    lapsed: z.boolean().optional(),
  }),
  z.strictObject({
    what: z.literal("gravity"),
    by: z.literal("hydrometer"),
    value: z.number(),
    hours: z.number().min(0),
    lapsed: z.boolean().optional(),
  }),
]);
export type Reading = z.infer<typeof Reading>;

/** What befell a making that no plan says. Folded from a journal's entries, or brought up from a plan of version 1. */
export interface Happened {
  /** Strainings as they were measured, by the id of their step; the measure as typed. */
  readonly strained: readonly {
    readonly step: string;
    readonly measured: string;
    readonly how?: Wringing;
    /** Plants that stay in; where all do, nothing is measured. */
    readonly stays?: Stays;
  }[];
  readonly readings: readonly Reading[];
  readonly layersUnmixed: boolean;
  readonly herbStoodAbove: boolean;
  /** Herb that stood above was looked over at straining and found sound. */
  readonly lookedOver: boolean;
  /** Minutes and °C while it cooled. */
  readonly cooling: readonly (readonly [minute: number, celsius: number])[];
  /** Minute on the same clock up to which it stood as it was last read, where nothing says otherwise. */
  readonly stoodUntil?: number | undefined;
  /** Whole days between the first cloth and what was done of it next: sweetened, or bottled. */
  readonly waitedDays?: number | undefined;
}

export const NOTHING_HAPPENED: Happened = {
  strained: [],
  readings: [],
  layersUnmixed: false,
  herbStoodAbove: false,
  lookedOver: false,
  cooling: [],
};
