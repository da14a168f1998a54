import type { Stage } from "../core/cautions/caution";
import { cautionsAt } from "../core/cautions/rules";
import { type Fault, type Result, fault } from "../core/fault";
import type { Making } from "../core/journal/as-done";
import type { Body, EventType, JournalEvent } from "../core/journal/events";
import type { Batch } from "../core/journal/fold";
import type { Line } from "../core/plan/plan";
import type { BatchReckoning } from "../core/journal/reckon";
import { forbidden, given } from "./commands";

/** A batch at the moment something is written to it, and how it would be reckoned with that. */
export interface Moment {
  readonly batch: Batch;
  readonly day: string;
  /** Its entries so far. */
  readonly before: readonly JournalEvent[];
  /** An unlikely value was asked about already. */
  readonly sure: boolean;
  /** The household's own plants among these lines that the batch does not have yet. */
  readonly ownOf: (lines: readonly Line[]) => NonNullable<Body<"finished">["materials"]>;
  /** The batch reckoned with something tried before it is written. */
  readonly reckon: (tried?: Partial<Making>) => Promise<Result<BatchReckoning>>;
}
export type Completion<T extends EventType> = (m: Moment, body: unknown) => Promise<Body<T> | Fault>;

/** What is tried with plants of the household's own that come in with it. */
export const tried = (m: Moment, own: ReturnType<Moment["ownOf"]>): Partial<Making> =>
  own.length > 0 ? { materials: [...(m.batch.making.materials ?? []), ...own] } : {};

export const withReasons = <T extends object>(
  body: T,
  reasons: Record<string, string> | undefined,
): T & { reasons?: Record<string, string> } => {
  const kept = given(reasons ?? {});
  return Object.keys(kept).length > 0 ? { ...body, reasons: kept } : body;
};

/** Cautions run again on what was really done; a stop that has no reason from before wants one now. */
export function stopped(
  m: Moment,
  r: BatchReckoning,
  stage: Stage,
  reasons: Readonly<Record<string, string>> | undefined,
): Fault | undefined {
  return forbidden(cautionsAt(stage, r.cautions), { ...m.batch.reasons, ...reasons });
}

/** Where in the sent body a fault of the reckoned plan belongs: the field of the line it is about. */
export const fieldOf = (f: Fault): string => String(f.path[4] ?? "amount");

/** A question about an unlikely value, unless it was answered. */
export const asked = (m: Moment, field: string, question: string | undefined): Fault | undefined =>
  question !== undefined && !m.sure ? fault("Odd", question, [field]) : undefined;

/** What may never go in is refused whenever it would, not only at *Begin*. */
export function neverIn(r: BatchReckoning): Fault | undefined {
  const never = r.cautions.find((c) => c.severity === "never" && c.about.what === "line");
  return never && fault("Never", `${never.says} ${never.todo}`, ["line", "material"]);
}
