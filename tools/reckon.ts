/**
 * `./jolly reckon PLAN.json`: the numbers the Bench shows, the verdict's reasons and every caution, as JSON, without a database or a build.
 * Exit 0 where nothing stands against the plan, 1 where a stop or caution does, 2 on bad input with named errors, 3 on a never.
 */
import { bare } from "../src/core/quantity/carried";
import { readFileSync } from "node:fs";
import { cautionsOf } from "../src/core/cautions/rules";
import type { Caution } from "../src/core/cautions/caution";
import { type Fault, fault } from "../src/core/fault";
import { companyOf } from "../src/core/people/company";
import { readPlanFile } from "../src/core/plan/file";
import { reckonProgram } from "../src/core/reckoning/reckon";
import { resolve } from "../src/core/reckoning/resolve";
import { distanceWords, reasonsOf } from "../src/core/keeping/reasons";

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
const { plan, happened } = read.value;
const program = resolve(plan, {}, happened);
if (!program.ok) refuse(program.faults);
const reckoning = reckonProgram(program.value);
// No household is looked up here; whoever it is meant for is unknown, and the rules say so.
const today = new Date().toISOString().slice(0, 10);
const cautions = cautionsOf({
  program: program.value,
  reckoning,
  ...companyOf(plan, { people: [], today }),
});

function exitOf(all: readonly Caution[]): 0 | 1 | 3 {
  if (all.some((c) => c.severity === "never")) return 3;
  return all.some((c) => c.severity === "stop" || c.severity === "caution") ? 1 : 0;
}

const { verdict } = reckoning;
const because = [...reasonsOf(verdict), ...verdict.distances.map(distanceWords)];
process.stdout.write(bare(`${JSON.stringify({ ...reckoning, because, cautions }, null, 2)}\n`));
process.exit(exitOf(cautions));
