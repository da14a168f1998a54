/** Lines that name more than one thing, or one thing twice. */
import { describe, expect, test } from "@jest/globals";
import { readLine } from "./line";
import { type Reading, contextIn, sayReading } from "./said";

const read = (text: string): Reading => readLine(text, contextIn("us"));
/** Each line as its amount and what it is of. */
function linesOf(text: string): string[] {
  const r = read(text);
  if (r.is !== "lines") throw new Error(`“${text}” came to ${JSON.stringify(r)}`);
  return r.lines.map((l) => `${l.amount?.text} ${l.material.row.id}`);
}
function choicesOf(text: string): readonly string[] {
  const r = read(text);
  if (r.is !== "ask") throw new Error(`“${text}” came to ${JSON.stringify(r)}`);
  return r.choices.map((c) => sayReading(c.reading));
}

describe("several things in one line", () => {
  test.each([
    ["2 cups cider vinegar and 1 cup honey", ["2 cups cider-vinegar", "1 cup honey"]],
    ["1 cup honey + 1½ cups white vinegar", ["1 cup honey", "1½ cups white-vinegar"]],
    ["1 part honey to 2 parts cider vinegar", ["1 part honey", "2 parts cider-vinegar"]],
    ["3 parts glycerin 1 part water", ["3 parts glycerin", "1 part water"]],
    ["1 part thyme : 5 parts white vinegar", ["1 part thyme", "5 parts white-vinegar"]],
    ["honey, 1 cup, cider vinegar, 2 cups", ["1 cup honey", "2 cups cider-vinegar"]],
    [
      "3 sprigs rosemary, 2 sprigs thyme, 1 cup honey",
      ["3 sprigs rosemary", "2 sprigs thyme", "1 cup honey"],
    ],
    [
      "1 and 1/2 cups honey and 1 to 2 cups white vinegar",
      ["1 and 1/2 cups honey", "1 to 2 cups white-vinegar"],
    ],
  ])("each with its own amount, are a line each: %s", (text, lines) => {
    expect(linesOf(text)).toEqual(lines);
  });
  test("of each the same, the spice that is also a way to count among them", () => {
    expect(linesOf("1 tsp each: cloves, allspice, star anise")).toEqual([
      "1 tsp clove",
      "1 tsp allspice",
      "1 tsp star-anise",
    ]);
  });
  test("where one says no amount they are asked about, and none is given the other’s", () => {
    expect(choicesOf("2 cups cider vinegar and honey")).toEqual(["2 cups cider vinegar", "honey"]);
  });
  test("cloves count garlic, and are a spice beside what has none", () => {
    const garlic = read("1 head garlic, cloves peeled");
    expect(garlic.is === "line" && garlic.line.material.row.id).toBe("garlic");
    expect(choicesOf("cloves and cinnamon")).toHaveLength(2);
  });
  test("two names with nothing between are one that is not known, never the first of them", () => {
    const r = read("2 drops oregano oil");
    expect([r.is, r.is === "unknown" && r.name]).toEqual(["unknown", "oregano oil"]);
  });
});

describe("one thing said twice", () => {
  test("in two forms, each with its amount: whole lines to choose from", () => {
    expect(choicesOf("1/2 cup dried elderberries or 1 cup fresh")).toEqual([
      "1/2 cup elderberry, dried",
      "1 cup elderberry, fresh",
    ]);
  });
  test("in two numbers that are not the same: asked", () => {
    expect(choicesOf("1 onion, half of it")).toHaveLength(2);
  });
  test("up to an amount says where to stop, not how much", () => {
    expect(choicesOf("up to 1 cup honey")).toEqual(["1 cup honey", "½ cup honey"]);
  });
});

describe("a measure nobody can weigh", () => {
  test("said several times, is asked about as one, and what is chosen counts for all of them", () => {
    const r = read("2 splashes honey");
    if (r.is !== "ask") throw new Error(JSON.stringify(r));
    expect(r.question).toBe("How much honey is a splash?");
    expect(r.choices.map((c) => [c.words, sayReading(c.reading)])).toEqual([
      ["1 tbsp each, 2 tbsp in all", "2 tbsp honey"],
      ["2 tbsp each, 4 tbsp in all", "4 tbsp honey"],
    ]);
  });
  test("is not a unit it has nothing in common with", () => {
    const r = read("2 zzzzzzzzzzzz honey");
    expect([r.is, JSON.stringify(r)]).not.toEqual(["fault", expect.stringContaining("Did you mean")]);
  });
});
