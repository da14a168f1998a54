/** Lines that were written before the reader was: two sets, kept aside until it was done. */
import { describe, expect, test } from "@jest/globals";
import { linesIn, outcomeOf } from "../../../tests/phrases/score";

describe.each(["blind/lines-a.tsv", "blind/lines-b.tsv"])("%s", (file) => {
  const rows = linesIn(file);
  const outcomes = rows.map((r) => [r.typed, outcomeOf(r)] as const);
  const count = (o: string): number => outcomes.filter(([, x]) => x === o).length;
  test("is whole", () => expect(rows.length).toBeGreaterThanOrEqual(150));
  test("nothing is silently something else, and nothing is refused that can be read", () =>
    expect(outcomes.filter(([, o]) => o === "other" || o === "refused")).toEqual([]));
  test("97 of a hundred are right, the rest well asked", () =>
    expect(count("right") / rows.length).toBeGreaterThanOrEqual(0.97));
});
