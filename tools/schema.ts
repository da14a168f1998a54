/** Writes docs/plan.schema.json from the schema in the code: `node --import tsx tools/schema.ts`. */
import { writeFileSync } from "node:fs";
import { planSchema } from "../src/core/exchange/schema";

writeFileSync("docs/plan.schema.json", `${JSON.stringify(planSchema(), null, 2)}\n`);
