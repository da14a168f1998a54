/** Lines as home makers type them: what each must become, or that it must be asked about. */
import { describe, expect, test } from "@jest/globals";
import { linesIn, outcomeOf } from "../../../tests/phrases/score";
import { readLine } from "./line";
import { contextIn, sayReading } from "./said";

describe.each(["given.tsv", "ours.tsv"])("the lines of %s", (file) => {
  const rows = linesIn(file);
  test("are there", () => expect(rows.length).toBeGreaterThan(90));
  test.each(rows.map((r) => [r.typed, r] as const))("%s", (typed, row) => {
    const reading = readLine(typed, contextIn("us"));
    expect([typed, sayReading(reading), outcomeOf(row, reading)]).toEqual([
      typed,
      sayReading(reading),
      "right",
    ]);
    // What must be unknown is no other question.
    if (row.amount === "unknown" || row.amount === "lines") expect(reading.is).toBe(row.amount);
  });
});
