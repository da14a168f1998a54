import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { parseAmount, parseHead, parseStrength } from "./amount";
import { printCount } from "./number";
import { printMass, printVolume } from "./print";
import { UNITS, type Household } from "./units";

const si = (text: string, household: Household = "us") => {
  const a = parseAmount(text, household);
  if (!a.ok) throw new Error(a.faults[0]!.message);
  return a.value.kind === "measure" ? a.value.si : a.value.kind === "count" || a.value.kind === "part" ? a.value.count : undefined;
};
const name = (text: string) => {
  const a = parseAmount(text, "us");
  return a.ok ? "ok" : a.faults[0]!.name;
};

describe("amounts as people type them", () => {
  test.each([
    ["1½ c", 354.882], ["1 1/2 cups", 354.882], ["0.5 tsp", 2.46446], ["200g", 200], ["1 qt", 946.353], ["½ pint", 236.588], ["3 fl oz", 88.7205], ["1,000 ml", 1000], ["1.5 L", 1500], ["two cups", 473.176], ["half a cup", 118.294], ["¾ cup", 177.441], ["2 lbs", 907.184], ["3 in", 7.62],
  ])("%s", (text, value) => expect(si(text)!.value).toBeCloseTo(value, 2));

  test("a range keeps both ends", () => {
    expect(si("2–3 cloves")).toEqual({ low: 2, value: 2.5, high: 3 });
    expect(si("2 to 3 cups")!.high).toBeCloseTo(709.764, 2);
    expect(si("a few sprigs")).toEqual({ low: 2, value: 3, high: 4 });
  });

  test("cups and pints are the household's own", () => {
    expect(si("1 cup", "metric")!.value).toBe(250);
    expect(si("1 cup", "imperial")!.value).toBeCloseTo(284.131);
    expect(si("1 pint", "imperial")!.value).toBeCloseTo(568.261);
    expect(si("1 metric cup", "us")!.value).toBe(250);
  });

  test("shares and goals", () => {
    expect(parseAmount("a third of the jar", "us")).toMatchObject({ value: { kind: "jar" } });
    expect(parseAmount("3/4 of liquid", "us")).toMatchObject({ value: { kind: "of-liquid", count: { value: 0.75 } } });
    expect(parseAmount("2 parts", "us")).toMatchObject({ value: { kind: "part", count: { value: 2 } } });
    expect(parseAmount("to 66 Bx", "us")).toMatchObject({ value: { kind: "goal", goal: "brix", target: 66 } });
    expect(parseAmount("cover by 1 in", "us")).toMatchObject({ value: { kind: "cover", cm: { value: 2.54 } } });
    expect(parseAmount("a handful", "us")).toMatchObject({ value: { kind: "count", unit: "handful" } });
  });

  test("a line gives the amount and the words after it", () => {
    expect(parseHead("2 cups grated ginger, fresh", "us")).toMatchObject({ ok: true, value: { rest: "grated ginger, fresh" } });
    expect(parseHead("half a jar of mint", "us")).toMatchObject({ ok: true, value: { rest: "mint" } });
  });

  test.each([
    ["-1 cup", "NegativeAmount"], ["1/0 tsp", "ZeroDenominator"], ["10,000 quarts", "TooMuch"], ["two handfulls", "UnknownUnit"], ["", "NotAnAmount"], ["lots", "NotAnAmount"], ["0 cups", "ZeroAmount"], ["3 jars", "TooMuch"], ["500 parts", "TooMuch"], ["to 99 Bx", "OutOfRange"], ["x".repeat(300), "TooLong"],
  ])("%s is a %s that says what would be right", (text, fault) => {
    expect(name(text)).toBe(fault);
    const a = parseAmount(text, "us");
    if (!a.ok) expect(a.faults[0]!.message.length).toBeGreaterThan(20);
  });

  test("a misspelt unit comes with the text put right", () => {
    const a = parseAmount("two handfulls", "us");
    expect(!a.ok && a.faults[0]!.suggestion).toBe("two handfuls");
    expect(name(!a.ok ? a.faults[0]!.suggestion! : "")).toBe("ok");
  });

  test("no text of any kind breaks the reader", () => {
    fc.assert(fc.property(fc.string({ maxLength: 60 }), (t) => {
      const a = parseAmount(t, "us");
      if (a.ok && a.value.kind === "measure") return a.value.si.value > 0 && a.value.si.low <= a.value.si.high;
      return a.ok || a.faults.length > 0;
    }), { numRuns: 3000 });
  });
});

describe("strengths", () => {
  test("percent, grain and proof", () => {
    expect(parseStrength("5 %")).toEqual({ ok: true, value: 5 });
    expect(parseStrength("50 grain")).toEqual({ ok: true, value: 5 });
    expect(parseStrength("80 US proof")).toEqual({ ok: true, value: 40 });
    expect(parseStrength("70 UK proof")).toEqual({ ok: true, value: 40 });
  });
  test("a bare proof asks which", () => expect(parseStrength("80 proof")).toMatchObject({ ok: false, faults: [{ name: "WhichProof" }] }));
  test("no spirit is over a hundred per cent", () => expect(parseStrength("140 %")).toMatchObject({ ok: false, faults: [{ name: "ImpossibleStrength" }] }));
});

describe("printing", () => {
  test("kitchen words stay within three per cent, and read back to what they say", () => {
    fc.assert(fc.property(fc.double({ min: 0.7, max: 8000, noNaN: true }), fc.constantFrom<Household>("us", "imperial", "metric"), (ml, household) => {
      const p = printVolume(ml, household);
      expect(Math.abs(p.error)).toBeLessThanOrEqual(0.0301);
      const back = p.text.split(" + ").reduce((sum, t) => sum + si(t, household)!.value, 0);
      expect(Math.abs(back - ml) / ml).toBeLessThan(0.05);
    }), { numRuns: 2000 });
  });
  test("words a kitchen uses", () => {
    expect(printVolume(429, "us").text).toBe("1¾ cups + 1 tbsp");
    expect(printVolume(429, "metric").text).toBe("429 mL");
    expect(printMass(34, "us").exact).toBe("34 g");
    expect(printCount(1.75)).toBe("1¾");
  });
  test("every unit goes in and comes out the same", () => {
    for (const u of Object.values(UNITS)) if (u.dimension === "volume" && !u.tolerance && !u.id.startsWith("metric")) expect(si(`3 ${u.many}`, u.id.startsWith("imp") ? "imperial" : "us")!.value).toBeCloseTo(3 * u.size, 6);
  });
});
