import type { z } from "zod";
import { type Fault, type Result, fail, fault, ok } from "../fault";
import { type Happened, NOTHING_HAPPENED } from "./happened";
import { withIds } from "./ids";
import { Plan1, fromVersion1 } from "./old";
import { PLAN_FORMAT, PLAN_VERSION, type Plan, PlanFile } from "./plan";

export interface ReadFile {
  readonly plan: Plan;
  readonly happened: Happened;
}

function faultsOf(error: z.ZodError): Fault[] {
  return error.issues.map((issue) => {
    const path = issue.path.filter((p): p is string | number => typeof p !== "symbol");
    if (issue.code === "unrecognized_keys")
      return fault(
        "UnknownKey",
        `“${issue.keys.join("”, “")}” is not a key of a plan. docs/formats.md lists them.`,
        path,
      );
    if (issue.code === "invalid_type" && issue.input === undefined)
      return fault("MissingKey", `“${path.join(".")}” is missing.`, path);
    return fault("NotAPlan", `${path.join(".")}: ${issue.message}`, path);
  });
}

/**
 * Reads a plan from JSON already parsed; every version there ever was is read and brought up to the present one.
 * Faults carry the path: `NotAPlan`, `NewerPlan`, `UnknownKey`, `MissingKey`.
 */
export function readPlanFile(json: unknown): Result<ReadFile> {
  const head =
    typeof json === "object" && json !== null ? (json as { format?: unknown; version?: unknown }) : {};
  if (head.format !== PLAN_FORMAT)
    return fail(fault("NotAPlan", `A plan begins with "format": "${PLAN_FORMAT}".`, ["format"]));
  if (typeof head.version === "number" && head.version > PLAN_VERSION)
    return fail(
      fault(
        "NewerPlan",
        `This plan is of version ${head.version}; this build reads up to ${PLAN_VERSION}. Take a newer build.`,
        ["version"],
      ),
    );
  if (head.version === 1) {
    const read = Plan1.safeParse(json, { reportInput: true });
    return read.success ? ok(fromVersion1(read.data)) : fail(...faultsOf(read.error));
  }
  const read = PlanFile.safeParse(json, { reportInput: true });
  return read.success
    ? ok({ plan: withIds(read.data), happened: NOTHING_HAPPENED })
    : fail(...faultsOf(read.error));
}

/** The intent of a plan file alone. Faults: as `readPlanFile`. */
export function readPlan(json: unknown): Result<Plan> {
  const read = readPlanFile(json);
  return read.ok ? ok(read.value.plan) : read;
}
