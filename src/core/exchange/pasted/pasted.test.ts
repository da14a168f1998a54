import { describe, expect, test } from "@jest/globals";
import { recipesIn, scoreOf } from "../../../../tests/phrases/score-recipes";

describe("recipes as people write them", () => {
  const cases = recipesIn("../../src/core/exchange/pasted/texts.txt");
  test("are there", () => expect(cases.length).toBeGreaterThan(50));
  test.each(cases.map((c) => [c.title, c] as const))("%s", (_, c) => {
    const { missed, more } = scoreOf(c);
    // Nothing stands in the plan that nobody wrote.
    expect({ missed, more }).toEqual({ missed: [], more: [] });
  });
});
