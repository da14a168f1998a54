/** Nothing typed is lost: what no part of a reading accounts for is asked about. */
import { describe, expect, test } from "@jest/globals";
import { linesIn } from "../../../tests/phrases/score";
import { counted, measured } from "../quantity/amount";
import { exactly } from "../estimate";
import { explains, unaccounted } from "./accounted";
import { readLine } from "./line";
import { type Reading, type SaidLine, contextIn, sayReading } from "./said";
import { tokensOf } from "./tokens";

const US = contextIn("us");
function lineOf(text: string): SaidLine {
  const r = readLine(text, US);
  if (r.is !== "line") throw new Error(`“${text}” came to ${sayReading(r)}`);
  return r.line;
}
const left = (text: string, line: SaidLine): string[] =>
  unaccounted(tokensOf(text), line.claims).map((t) => t.text);

describe("the check", () => {
  const text = "3 dozen cloves garlic, crushed";
  test("finds nothing where all is accounted for", () => expect(left(text, lineOf(text))).toEqual([]));
  test.each(["amount", "form", "name"] as const)(
    "finds the words of a reading that forgot its %s",
    (role) => {
      const line = lineOf(text);
      const forgot = { ...line, claims: line.claims.filter((c) => c.role !== role) };
      expect(left(text, forgot).length).toBeGreaterThan(0);
    },
  );
  test("a number in a name or a form is lost there", () => {
    const line = lineOf(text);
    const claims = line.claims.map((c) => (c.role === "amount" ? { ...c, role: "form" as const } : c));
    expect(left(text, { ...line, claims })).toContain("3");
  });
  test("a number that has no hand in the amount is noticed", () => {
    const line = lineOf(text);
    const three = { ...line, amount: { text: "3 cloves", amount: counted("clove", exactly(3)) } };
    expect(explains(line, tokensOf(text))).toBe(true);
    expect(explains(three, tokensOf(text))).toBe(false);
  });
  test("so is one that was read as half of it", () => {
    const half = "1/2 a tsp cayenne";
    const line = lineOf(half);
    expect(line.amount!.amount).toMatchObject({ si: measured(0.5, "us-tsp").si });
    const wrong = { ...line, amount: { text: "1 tsp", amount: measured(1, "us-tsp") } };
    expect(explains(wrong, tokensOf(half))).toBe(false);
  });
});

/** Every line that a reading may lead to, by any chain of answers. */
function ends(r: Reading, depth = 0): SaidLine[] {
  switch (r.is) {
    case "line":
      return [r.line];
    case "lines":
      return [...r.lines];
    case "ask":
      return depth > 4 ? [] : r.choices.flatMap((c) => ends(c.reading, depth + 1));
    case "unknown":
    case "fault":
      return [];
  }
}
const ALL = ["given.tsv", "ours.tsv", "blind/lines-a.tsv", "blind/lines-b.tsv"].flatMap(linesIn);

describe("answers are whole readings", () => {
  const asked = ALL.map((row) => [row.typed, readLine(row.typed, US)] as const).filter(
    ([, r]) => r.is === "ask",
  );
  test("there are many questions, and most can be answered by a touch", () => {
    expect(asked.length).toBeGreaterThanOrEqual(80);
    expect(asked.filter(([, r]) => r.is === "ask" && r.choices.length > 0).length).toBeGreaterThan(70);
  });
  test.each([
    ["300 ml of 70 % alcohol", "ml"],
    ["sloes, 450 g pricked", "g"],
    ["Crataegus monogyna leaf & flower 40 g", "g"],
    ["2 parts elecampane by weight", "parts"],
  ])("%s keeps its amount through every answer", (text, unit) => {
    const all = ends(readLine(text, US));
    expect(all.length).toBeGreaterThan(0);
    for (const l of all) expect(l.amount?.text).toContain(unit);
  });
  test("no answer leads to a line that forgets the amount that was typed", () => {
    const forgets = asked.flatMap(([typed, r]) =>
      // Of several things each has its own amount, and none is given another's.
      /\d/.test(typed) && !(r.is === "ask" && r.question.includes("several things"))
        ? ends(r)
            .filter((l) => !l.amount)
            .map((l) => `${typed} → ${sayReading({ is: "line", line: l })}`)
        : [],
    );
    expect(forgets).toEqual([]);
  });
});

describe("what is not understood", () => {
  test.each([
    ["1 cup honey florbit", "unknown"],
    ["1 cup ground elder leaves", "unknown"],
    ["2 tsp lemon myrtle", "unknown"],
    ["1 tsp dill seed", "unknown"],
    ["thyme, from Zorby's wall", "ask"],
    ["no sugar", "ask"],
    ["1 pint (20 fl oz) water", "ask"],
    ["dandelion", "ask"],
  ])("%s is %s", (text, is) => expect(readLine(text, US).is).toBe(is));
  test("a remark of everyday words is a remark, and is shown", () =>
    expect(lineOf("2 cups thyme, picked in the morning for the jar").notes.join(" ")).toContain("morning"));
  test("half a quart jar is no whole one", () =>
    expect(lineOf("quart jar half full of fresh sage").amount!.amount).toMatchObject({
      si: { value: 473.1765 },
    }));
});
