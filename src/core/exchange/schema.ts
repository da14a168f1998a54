import { z } from "zod";
import { PLAN_VERSION, PlanFile } from "../plan/plan";

/** JSON Schema of the plan format, made from the very schema it is read by; docs/plan.schema.json is kept equal by a test. */
export function planSchema(): unknown {
  return JSON.parse(
    JSON.stringify({
      title: `Jolly Crock plan, version ${PLAN_VERSION}`,
      ...z.toJSONSchema(PlanFile, { io: "input", target: "draft-2020-12" }),
    }),
  );
}
