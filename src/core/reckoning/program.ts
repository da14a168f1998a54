import type { Upstream } from "./jug";
import type { Span } from "../estimate";
import type { Stuff } from "../material/material";
import type { Entry, Operation } from "../mixture/entry";
import type { Happened } from "../plan/happened";
import type { Line, Plan, SteepPlace } from "../plan/plan";
import type { ReadPlan } from "../plan/read-plan";
import type { Amount } from "../quantity/amount";
import type { Vessel } from "../vessel/vessel";

/** A line with its figures found and its weight solved. */
export interface Resolved {
  readonly line: Line;
  /** Where it stands in the plan: step, place within it. */
  readonly step: number;
  readonly place: number;
  readonly stuff: Stuff;
  /** The same in the other form it may have, where its form was taken for granted. */
  readonly otherwise: Stuff | undefined;
  readonly amount: Amount;
  readonly grams: number;
  /** Relative half-width of the mass. */
  readonly tolerance: number;
  readonly because: string;
  /** Before or after the first straining. */
  readonly stage: "jar" | "finish";
  /** Poured while the jar was being filled, before any soaking: only these share its room. A top-up is not. */
  readonly atOnce: boolean;
  /** Minutes it was over the heat before it came here, in a bottle or a marc of ours. */
  readonly heated?: number;
}

/** A time of standing with plant or liquid in it, and how far the ledger had got. */
export interface Standing {
  readonly step: string;
  /** Its place in the plan. */
  readonly index: number;
  readonly days: Span;
  readonly in: SteepPlace | undefined;
  /** Operations done when it began. */
  readonly at: number;
  /** Still hot from the pot. */
  readonly hot: boolean;
}

export interface Program {
  readonly plan: Plan;
  readonly read: ReadPlan;
  readonly happened: Happened;
  readonly vessel: Vessel | undefined;
  readonly lines: readonly Resolved[];
  readonly entries: readonly Entry[];
  readonly operations: readonly Operation[];
  /** Operations done when each step began, by its id. */
  readonly began: ReadonlyMap<string, number>;
  /** Days the herb stands, from the long steeps before the first straining. */
  readonly steep: Span | undefined;
  /** Every steep, in order. */
  readonly standings: readonly Standing[];
  /** mL of one part, where the plan speaks in parts. */
  readonly partMl: number | undefined;
  readonly measuredMl: number | undefined;
  /** How far what was boiled before a measured jug may still be off; nothing where nothing was, or it was not measured. */
  readonly upstream: Upstream | undefined;
  /** Minutes on the heat. */
  readonly heatMinutes: number;
  /** The same making at every end of what nobody remembers of it; none where all is known. */
  readonly ends: readonly Program[];
}

/** The making up to so many operations of it. */
export const upTo = (p: Program, at: number): Program => ({
  ...p,
  operations: p.operations.slice(0, at),
  ends: p.ends.map((e) => upTo(e, at)),
});
