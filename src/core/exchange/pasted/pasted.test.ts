import { describe, expect, test } from "@jest/globals";
import { recipesIn, scoreOf } from "../../../../tests/phrases/score-recipes";
import { MATERIALS } from "../../material/catalogue";
import { readPasted } from "./pasted";
import { rowsOf } from "./rows";

describe("recipes as people write them", () => {
  const cases = recipesIn("../../src/core/exchange/pasted/texts.txt");
  test("are there", () => expect(cases.length).toBeGreaterThan(50));
  test.each(cases.map((c) => [c.title, c] as const))("%s", (_, c) => {
    const { missed, more } = scoreOf(c);
    // Nothing stands in the plan that nobody wrote.
    expect({ missed, more }).toEqual({ missed: [], more: [] });
  });
});

describe("what is pasted by mistake", () => {
  const ctx = { system: "us", catalogue: MATERIALS } as const;
  const odd = [
    ...[
      "a",
      "1",
      "1 ",
      "(",
      ",",
      "1/2",
      "½",
      "½ ",
      "a½",
      "a-",
      "a1",
      ".",
      "a.b.",
      "é",
      "(1 ",
      "2-3-",
      ":",
      "1:",
    ],
    ...[
      "honey,",
      "honey ",
      "2 cups honey, ",
      "and ",
      "thyme or sage or ",
      "then strain ",
      "up to ",
      "about a ",
    ],
    ...["simmer the elderberries in water until soft then ", "½ of ½ "],
  ];
  test.each(odd)("“%s”, for six thousand letters, is read to its end", (part) => {
    const text = part.repeat(Math.ceil(6000 / part.length));
    expect(readPasted(text, ctx as never).rows.length).toBeGreaterThan(0);
  });
  test("no letter of a line that is too long is passed over", () => {
    const words = Array.from({ length: 900 }, (_, i) => `word${i}`).join(" ");
    for (const text of [words, words.replaceAll(" ", ""), `one\n${words}\ntwo`]) {
      const rows = rowsOf(text);
      for (const r of rows) expect(text.slice(r.from, r.to)).toBe(r.text);
      expect(
        rows
          .map((r) => r.text)
          .join("")
          .replace(/\s/g, ""),
      ).toBe(text.replace(/\s/g, ""));
      expect(rows.length).toBeGreaterThan(3);
    }
  });
});
