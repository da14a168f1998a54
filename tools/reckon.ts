/** `./jolly reckon PLAN.json`: the numbers the Bench shows, as JSON, without a database or a build. Exit 2 with named errors on bad input. */
import { readFileSync } from "node:fs";
import { readPlanFile } from "../src/core/plan/file";
import { reckon } from "../src/core/reckoning/reckon";
import { type Fault, fault } from "../src/core/fault";

function refuse(faults: readonly Fault[]): never {
  process.stdout.write(`${JSON.stringify({ errors: faults }, null, 2)}\n`);
  process.exit(2);
}

const file = process.argv[2];
if (!file) refuse([fault("NoFile", "Name a plan: ./jolly reckon plan.json (or - for standard input).")]);
let text: string;
try {
  text = readFileSync(file === "-" ? 0 : file, "utf8");
} catch {
  refuse([fault("NoFile", `${file} cannot be read.`)]);
}
if (text.length > 1_000_000) refuse([fault("TooLong", "A plan is under a megabyte.")]);
let json: unknown;
try {
  json = JSON.parse(text);
} catch (e) {
  refuse([fault("NotJson", `${file} is not JSON: ${(e as Error).message}`)]);
}
const read = readPlanFile(json);
if (!read.ok) refuse(read.faults);
const r = reckon(read.value.plan, {}, read.value.happened);
if (!r.ok) refuse(r.faults);
process.stdout.write(`${JSON.stringify(r.value, null, 2)}\n`);
