/** Times, strengths, jugs, reductions and temperatures as they are said, in fields of their own. */
import { describe, expect, test } from "@jest/globals";
import type { Result } from "../fault";
import { readAmount, readMeasured } from "./amounts";
import { readDuration } from "./durations";
import { type Reduction, readReduction } from "./reductions";
import { readStrength } from "./strength";
import { readTemperature } from "./temperatures";

function valueOf<T>(r: Result<T>): T {
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
}
function faultOf(r: Result<unknown>) {
  if (r.ok) throw new Error(`that was read as ${JSON.stringify(r.value)}`);
  return r.faults[0]!;
}

describe("a time", () => {
  test.each([
    ["a week or two", 7, 14],
    ["2 or 3 weeks", 14, 21],
    ["at least 4 weeks", 28, 30.8],
    ["minimum 4 weeks", 28, 30.8],
    ["4 weeks or more", 28, 30.8],
    ["6+ weeks", 42, 42],
    ["a day or so", 0.9, 1.1],
    ["a moon cycle", 30, 30],
    ["1h30", 1.5 / 24, 1.5 / 24],
  ])("%s", (text, low, high) => {
    const { days } = valueOf(readDuration(text));
    expect(days.low).toBeCloseTo(low, 6);
    expect(days.high).toBeCloseTo(high, 6);
  });
  test.each(["up to 6 weeks", "1 hour or 90 min", "4 weeks please", "a week or a month"])(
    "%s is asked about",
    (text) => expect(faultOf(readDuration(text)).message).not.toContain("Did you mean"),
  );
  test("up to a time offers that time, to be meant or not", () =>
    expect(faultOf(readDuration("up to 6 weeks")).suggestion).toBe("6 weeks"));
});

describe("a strength", () => {
  test.each([
    ["40°", 40],
    ["ABV 40 %", 40],
    ["40 % alcohol by volume", 40],
    ["40 vol", 40],
    ["5 % acidity", 5],
  ])("%s", (text, percent) => expect(valueOf(readStrength(text))).toBe(percent));
  test("in degrees of proof it still asks whose", () =>
    expect(faultOf(readStrength("80° proof")).name).toBe("WhichProof"));
});

describe("what a jug shows", () => {
  test.each([
    ["3 cups and a bit", 1, 1.12],
    ["4 cups or so", 0.9, 1.1],
    ["just shy of 4 cups", 0.88, 1],
    ["700 ml give or take", 0.9, 1.1],
  ])("%s", (text, low, high) => {
    const { si, terms } = valueOf(readMeasured(text, "us"));
    const said = terms[0]!.count.value * terms[0]!.unit.size;
    expect([si.low / said, si.high / said].map((x) => Number(x.toFixed(3)))).toEqual([low, high]);
  });
  test("a bare figure is offered as what it most likely is, and not taken for it", () => {
    expect(faultOf(readMeasured("750", "us")).suggestion).toBe("750 mL");
    expect(faultOf(readMeasured("3", "us")).suggestion).toBe("3 cups");
    expect(faultOf(readMeasured("3", "metric")).suggestion).toBe("3 mL");
  });
});

describe("an amount in its field", () => {
  test("up to so much says where to stop: it is asked, and offered as it is", () => {
    const { name, suggestion } = faultOf(readAmount("up to 1 cup", "us"));
    expect([name, suggestion]).toEqual(["HowMuch", "1 cup"]);
  });
});

describe("a reduction", () => {
  test.each<[string, Reduction]>([
    ["down by half", { toShare: 0.5 }],
    ["until halved", { toShare: 0.5 }],
    ["reduced by a quarter", { toShare: 0.75 }],
    ["to a quarter of what it was", { toShare: 0.25 }],
    ["until a quarter is gone", { toShare: 0.75 }],
    ["until half is left", { toShare: 0.5 }],
    ["boil down to 500 ml", { toMl: 500 }],
  ])("%s", (text, is) => expect(valueOf(readReduction(text, "us"))).toEqual(is));
  test("by a volume says what goes, and is not taken for what stays", () =>
    expect(faultOf(readReduction("by 500 mL", "us")).message).toContain("what stays"));
});

describe("a temperature", () => {
  test.each([
    ["under 40 °C", 40],
    ["below 104 F", 40],
    ["about 43 °C", 43],
  ])("%s", (text, celsius) => expect(valueOf(readTemperature(text, "C"))).toBeCloseTo(celsius, 6));
  test.each([
    ["lukewarm", "38 °C"],
    ["body temperature", "37 °C"],
  ])("%s is not one, and is told what it usually is", (text, shown) =>
    expect(faultOf(readTemperature(text, "C")).suggestion).toBe(shown),
  );
});
