import { describe, expect, test } from "@jest/globals";
import type { Condition } from "./rows";
import { MARGIN_WORDS, marginOf, plainNames } from "./margins";

const QUANTITIES: readonly Condition["quantity"][] = ["abv", "delle", "brix", "aw", "dryness", "acetic", "ph", "index", "water", "glycerol"]; // prettier-ignore
const of = (quantity: Condition["quantity"], is: "at least" | "at most", line: number): Condition => ({
  quantity,
  is,
  line,
});

describe("how far a thing is past its line, in plain words", () => {
  test("a bar ends at its line exactly when the line is met, whichever way it runs", () => {
    let seen = 0;
    for (const q of QUANTITIES)
      for (const is of ["at least", "at most"] as const)
        for (const share of [0.3, 0.8, 0.97, 1, 1.02, 1.2, 1.6, 3]) {
          const line = 4.2;
          const at = is === "at least" ? line * share : line / share;
          const met = is === "at least" ? at >= line : at <= line;
          const m = marginOf({ condition: of(q, is, line), at, met });
          expect([q, is, share, m.share >= 1 - 1e-9]).toEqual([q, is, share, met]);
          expect(m.words === MARGIN_WORDS.short).toBe(!met);
          seen++;
        }
    expect(seen).toBe(160);
  });
  test("every quantity has a name that asks for no term", () => {
    for (const q of QUANTITIES)
      expect(plainNames(of(q, "at least", 1))).not.toMatch(/index|delle|brix|pH|activity|acetic/i);
  });
});
