import { z } from "zod";
import { Plan } from "../remedy/plan";

/** JSON Schema of the plan format, made from the very schema it is read by; docs/plan.schema.json is kept equal by a test. */
export function planSchema(): unknown {
  return JSON.parse(JSON.stringify({ title: "Jolly Crock plan, version 1", ...z.toJSONSchema(Plan, { io: "input", target: "draft-2020-12" }) }));
}
