/** Every line that is read may be typed in many other ways: each reads the same, or asks; none is silently something else. */
import { describe, expect, test } from "@jest/globals";
import { WAYS, compare, rewordings } from "../../../tests/phrases/rewordings";
import { linesIn } from "../../../tests/phrases/score";
import { readLine } from "./line";
import { contextIn, sayReading } from "./said";

const US = contextIn("us");
const FILES = ["given.tsv", "ours.tsv", "blind/lines-a.tsv", "blind/lines-b.tsv"];
/** Slips of the pen may ask; whatever else is only worded anew should read. */
const SLIP = /letter/;

describe("rewordings of every line that is read", () => {
  const tried = FILES.flatMap(linesIn).flatMap((row) => {
    const first = readLine(row.typed, US);
    if (first.is !== "line") return [];
    return rewordings(row.typed, first.line).map((r) => {
      const again = readLine(r.text, US);
      return { ...r, of: row.typed, came: compare(first.line, again), to: sayReading(again) };
    });
  });
  test("there are over twenty ways, and many thousands of lines", () => {
    expect(Object.keys(WAYS).length).toBeGreaterThan(20);
    expect(tried.length).toBeGreaterThan(10_000);
    const used = new Set(tried.map((t) => t.how));
    expect(Object.keys(WAYS).filter((w) => !used.has(w))).toEqual([]);
  });
  test("none is silently something else", () => expect(tried.filter((t) => t.came === "other")).toEqual([]));
  test("without a slip of the pen, 98 of a hundred read the same", () => {
    const plain = tried.filter((t) => !SLIP.test(t.how));
    const same = plain.filter((t) => t.came === "same").length;
    expect(plain.length).toBeGreaterThan(8000);
    expect(same / plain.length).toBeGreaterThan(0.98);
  });
});
