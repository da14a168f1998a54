/** Writes what docs/ holds of the code itself: the plan's JSON Schema and the basis of every caution. `node --import tsx tools/schema.ts` */
import { readFileSync, writeFileSync } from "node:fs";
import { basisTable } from "../src/core/cautions/basis";
import { planSchema } from "../src/core/exchange/schema";

writeFileSync("docs/plan.schema.json", `${JSON.stringify(planSchema(), null, 2)}\n`);

const CAUTIONS = "docs/cautions.md";
const [BEGIN, END] = ["<!-- made by tools/schema.ts -->\n", "<!-- to here -->"];
const doc = readFileSync(CAUTIONS, "utf8");
const from = doc.indexOf(BEGIN);
const to = doc.indexOf(END);
if (from < 0 || to < from) throw new Error(`${CAUTIONS} has lost its markers`);
writeFileSync(CAUTIONS, `${doc.slice(0, from + BEGIN.length)}${basisTable()}${doc.slice(to)}`);
