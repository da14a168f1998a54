/** How lines and pasted recipes of the tables came out: right, asked, refused, or silently something else. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { stuffOf } from "../../src/core/material/material";
import type { Amount } from "../../src/core/quantity/amount";
import { weigh } from "../../src/core/reckoning/weigh";
import { readLine } from "../../src/core/reading/line";
import { type Reading, type SaidLine, contextIn } from "../../src/core/reading/said";

/** A line of a table: what is typed, and what it must become. */
export interface LineRow {
  readonly typed: string;
  readonly material: string;
  readonly form: string;
  readonly amount: string;
}
export type Outcome = "right" | "asked" | "refused" | "other";

export const linesIn = (file: string): LineRow[] =>
  readFileSync(join(__dirname, file), "utf8")
    .split("\n")
    .filter((l) => l.trim() !== "" && !l.startsWith("#"))
    .map((l) => {
      const [typed, material, form, amount] = l.split("\t");
      return { typed: typed!, material: material!, form: form!, amount: amount! };
    });

const KIND_OF: Readonly<Record<string, Amount["kind"]>> = {
  part: "part",
  jar: "jar",
  liquid: "of-liquid",
  cover: "cover",
  fill: "fill",
};
function shareOf(a: Amount, unit: string): number | undefined {
  if (a.kind !== KIND_OF[unit]) return undefined;
  switch (a.kind) {
    case "part":
    case "jar":
    case "of-liquid":
      return a.count.value;
    case "cover":
      return a.cm.value;
    default:
      return 1;
  }
}
/** How much was said, as the tables count it: grams and mL of what is weighed or scooped, shares as they are. */
export function howMuch(l: SaidLine, unit: string): number | undefined {
  const a = l.amount?.amount;
  if (!a) return undefined;
  const s = stuffOf(l.material, { form: l.form, cut: l.cut });
  if (unit === "ml" && a.kind === "measure" && a.dimension === "volume") return a.si.value;
  if ((unit === "g" || unit === "ml") && s.ok && (a.kind === "measure" || a.kind === "count")) {
    const w = weigh(a, s.value);
    if (!w.ok) return undefined;
    return unit === "g" ? w.value.grams : w.value.grams / s.value.bulkLoose;
  }
  return shareOf(a, unit);
}

const SAYS_HOW_MUCH = /^(?:g|ml|part|jar|liquid|cover|fill|none)\b/;

/** Whether a line is what a row says it must become. */
export function isAs(l: SaidLine, row: LineRow): boolean {
  if (row.material !== "-" && l.material.row.id !== row.material) return false;
  if (row.form !== "-" && l.form !== row.form) return false;
  const [unit, low, high] = row.amount.split(" ");
  if (unit === "none") return l.amount === undefined;
  const n = howMuch(l, unit!);
  return n !== undefined && (low === undefined || (n >= Number(low) && n <= Number(high)));
}

/** What came of a row. A question is right where one is wanted; where a line is, it is “asked”. */
export function outcomeOf(row: LineRow, reading: Reading = readLine(row.typed, contextIn("us"))): Outcome {
  const wantsLine = SAYS_HOW_MUCH.test(row.amount);
  if (!wantsLine && row.amount !== "ask" && row.amount !== "unknown" && row.amount !== "lines")
    return reading.is === "fault" && reading.fault.name === row.amount ? "right" : "refused";
  switch (reading.is) {
    case "line":
      return wantsLine && isAs(reading.line, row) ? "right" : "other";
    case "lines":
      return wantsLine ? "other" : "right";
    case "ask":
    case "unknown":
      return wantsLine ? "asked" : "right";
    case "fault":
      return wantsLine ? "refused" : "right";
  }
}
