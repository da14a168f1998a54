/** Lines as home makers type them: what each must become, or that it must be asked about. */
import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { stuffOf } from "../material/material";
import type { Amount } from "../quantity/amount";
import { weigh } from "../reckoning/weigh";
import { readLine } from "./line";
import { type SaidLine, contextIn } from "./said";

const US = contextIn("us");
type Row = readonly [typed: string, material: string, form: string, amount: string];
const rowsOf = (file: string): Row[] =>
  readFileSync(join(__dirname, "../../../tests/phrases", file), "utf8")
    .split("\n")
    .filter((l) => l.trim() !== "" && !l.startsWith("#"))
    .map((l) => l.split("\t") as unknown as Row);

/** How much was said, as the tables count it: grams and mL of what is weighed or scooped, shares as they are. */
function howMuch(l: SaidLine, unit: string): number | undefined {
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

function mustBe([typed, material, form, amount]: Row): void {
  const r = readLine(typed, US);
  if (!/^(?:g|ml|part|jar|liquid|cover|fill|none)\b/.test(amount)) {
    if (amount === "ask")
      expect([typed, ["ask", "unknown", "lines"].includes(r.is) ? "ask" : r.is]).toEqual([typed, "ask"]);
    else expect([typed, r.is === "fault" ? r.fault.name : r.is]).toEqual([typed, amount]);
    return;
  }
  if (r.is !== "line") throw new Error(`“${typed}” came to ${JSON.stringify(r)}`);
  expect([typed, r.line.material.row.id]).toEqual([typed, material]);
  if (form !== "-") expect([typed, r.line.form]).toEqual([typed, form]);
  const [unit, low, high] = amount.split(" ");
  if (unit === "none") return expect([typed, r.line.amount]).toEqual([typed, undefined]);
  const n = howMuch(r.line, unit!);
  expect([typed, n !== undefined]).toEqual([typed, true]);
  if (low === undefined) return;
  expect([typed, n! >= Number(low) && n! <= Number(high) ? "within" : n]).toEqual([typed, "within"]);
}

describe.each(["given.tsv", "ours.tsv"])("the lines of %s", (file) => {
  const rows = rowsOf(file);
  test("are there", () => expect(rows.length).toBeGreaterThan(90));
  test.each(rows.map((r) => [r[0], r] as const))("%s", (_, row) => mustBe(row));
});
