import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { exactly } from "../estimate";
import { type Amount, counted, measure } from "../quantity/amount";
import { COUNT_UNITS, UNITS, type UnitId, type UnitSystem } from "../quantity/units";
import { readAmount } from "./amounts";
import { printDuration, readDuration } from "./durations";
import { readLength, writeLength } from "./lengths";
import { readLine } from "./line";
import { nearCount, printAmount, printCount, printMass, printVolume } from "./print";
import { readReduction } from "./reductions";
import { contextIn } from "./said";
import { readStrength } from "./strength";
import { readTemperature } from "./temperatures";

const si = (text: string, system: UnitSystem = "us") => {
  const a = readAmount(text, system);
  if (!a.ok) throw new Error(a.faults[0]!.message);
  return a.value.kind === "measure"
    ? a.value.si
    : a.value.kind === "count" || a.value.kind === "part"
      ? a.value.count
      : undefined;
};
const name = (text: string) => {
  const a = readAmount(text, "us");
  return a.ok ? "ok" : a.faults[0]!.name;
};

describe("amounts as people type them", () => {
  test.each([
    ["1½ c", 354.882],
    ["1 1/2 cups", 354.882],
    ["0.5 tsp", 2.46446],
    ["200g", 200],
    ["1 qt", 946.353],
    ["½ pint", 236.588],
    ["3 fl oz", 88.7205],
    ["1,000 ml", 1000],
    ["1.5 L", 1500],
    ["two cups", 473.176],
    ["half a cup", 118.294],
    ["¾ cup", 177.441],
    ["2 lbs", 907.184],
    ["3 in", 7.62],
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
    expect(readAmount("a third of the jar", "us")).toMatchObject({ value: { kind: "jar" } });
    expect(readAmount("3/4 of liquid", "us")).toMatchObject({
      value: { kind: "of-liquid", count: { value: 0.75 } },
    });
    expect(readAmount("2 parts", "us")).toMatchObject({ value: { kind: "part", count: { value: 2 } } });
    expect(readAmount("to 66 Bx", "us")).toMatchObject({
      value: { kind: "goal", goal: "brix", target: 66 },
    });
    expect(readAmount("cover by 1 in", "us")).toMatchObject({
      value: { kind: "cover", cm: { value: 2.54 } },
    });
    expect(readAmount("a handful", "us")).toMatchObject({ value: { kind: "count", unit: "handful" } });
  });

  test.each([
    ["-1 cup", "NegativeAmount"],
    ["1/0 tsp", "ZeroDenominator"],
    ["10,000 quarts", "TooMuch"],
    ["two handfulls", "UnknownUnit"],
    ["", "NotAnAmount"],
    ["lots", "HowMuch"],
    ["0 cups", "ZeroAmount"],
    ["3 jars", "TooMuch"],
    ["500 parts", "TooMuch"],
    ["to 99 Bx", "OutOfRange"],
    ["x".repeat(300), "TooLong"],
  ])("%s is a %s that says what would be right", (text, fault) => {
    expect(name(text)).toBe(fault);
    const a = readAmount(text, "us");
    if (!a.ok) expect(a.faults[0]!.message.length).toBeGreaterThan(20);
  });

  test("a misspelt unit comes with the text put right", () => {
    const a = readAmount("two handfulls", "us");
    expect(!a.ok && a.faults[0]!.suggestion).toBe("two handfuls");
    expect(name(!a.ok ? a.faults[0]!.suggestion! : "")).toBe("ok");
  });

  test("no text of any kind breaks the reader", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (t) => {
        const a = readAmount(t, "us");
        if (a.ok && a.value.kind === "measure")
          return a.value.si.value > 0 && a.value.si.low <= a.value.si.high;
        return a.ok || a.faults.length > 0;
      }),
      { numRuns: 3000 },
    );
  });
});

describe("strengths", () => {
  test("percent, grain and proof", () => {
    expect(readStrength("5 %")).toEqual({ ok: true, value: 5 });
    expect(readStrength("50 grain")).toEqual({ ok: true, value: 5 });
    expect(readStrength("80 US proof")).toEqual({ ok: true, value: 40 });
    expect(readStrength("70 UK proof")).toEqual({ ok: true, value: 40 });
  });
  test("a bare proof asks which", () =>
    expect(readStrength("80 proof")).toMatchObject({ ok: false, faults: [{ name: "WhichProof" }] }));
  test("no spirit is over a hundred per cent", () =>
    expect(readStrength("140 %")).toMatchObject({ ok: false, faults: [{ name: "ImpossibleStrength" }] }));
});

describe("printing", () => {
  test("kitchen words stay within three per cent, and read back to what they say", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.7, max: 8000, noNaN: true }),
        fc.constantFrom<UnitSystem>("us", "imperial", "metric"),
        (ml, system) => {
          const p = printVolume(ml, system);
          expect(Math.abs(p.error)).toBeLessThanOrEqual(0.0301);
          const back = p.text.split(" + ").reduce((sum, t) => sum + si(t, system)!.value, 0);
          expect(Math.abs(back - ml) / ml).toBeLessThan(0.05);
        },
      ),
      { numRuns: 2000 },
    );
  });
  test("words a kitchen uses", () => {
    expect(printVolume(429, "us").text).toBe("1¾ cups + 1 tbsp");
    expect(printVolume(429, "metric").text).toBe("429 mL");
    expect(printMass(34, "us").exact).toBe("34 g");
    expect(printCount(1.75)).toBe("1¾");
  });
  const any = fc.oneof(
    fc
      .tuple(fc.constantFrom(...(Object.keys(UNITS) as UnitId[])), fc.integer({ min: 1, max: 40 }))
      .map(([u, n]): Amount => measure([{ unit: UNITS[u], count: exactly(n / 4) }])),
    fc
      .tuple(fc.constantFrom(...COUNT_UNITS), fc.integer({ min: 1, max: 12 }))
      .map(([u, n]): Amount => counted(u, exactly(n))),
    fc.integer({ min: 1, max: 20 }).map((n): Amount => ({ kind: "part", count: exactly(n / 4) })),
    fc.integer({ min: 1, max: 4 }).map((n): Amount => ({ kind: "jar", count: exactly(n / 4) })),
    fc.integer({ min: 1, max: 16 }).map((n): Amount => ({ kind: "of-liquid", count: exactly(n / 8) })),
    fc.constant<Amount>({ kind: "fill" }),
    fc.integer({ min: 1, max: 80 }).map((n): Amount => ({ kind: "goal", goal: "brix", target: n })),
    fc.integer({ min: 1, max: 40 }).map((n): Amount => ({ kind: "ratio", mlPerG: n / 4 })),
  );
  test("whatever is printed is read back as what it was, in every household", () => {
    fc.assert(
      fc.property(any, fc.constantFrom<UnitSystem>("us", "imperial", "metric"), (a, system) => {
        const text = printAmount(a, system);
        const back = readAmount(text, system);
        if (!back.ok) throw new Error(`“${text}”: ${back.faults[0]!.message}`);
        expect(printAmount(back.value, system)).toBe(text);
        expect(back.value.kind).toBe(a.kind);
        if (a.kind === "measure" && back.value.kind === "measure")
          expect(Math.abs(back.value.si.value / a.si.value - 1)).toBeLessThan(0.01);
      }),
      { numRuns: 3000 },
    );
  });
  test.each([
    [1.49, "1½"],
    [0.334, "⅓"],
    [2.02, "2"],
    [1.18, "1.18"],
    [0.07, "0.07"],
    [123.4, "123"],
    [4.66, "4⅔"],
  ])("%p is said %s", (n, words) => expect(nearCount(n, 0.03)).toBe(words));
});

describe("times, temperatures, lengths and boiling down", () => {
  const days = (text: string) => {
    const d = readDuration(text);
    return d.ok ? d.value.days.value : d.faults[0]!.name;
  };
  test.each([
    ["6 weeks", 42],
    ["four weeks", 28],
    ["a fortnight", 14],
    ["10 days", 10],
    ["2–4 weeks", 21],
    ["1½ weeks", 10.5],
    ["a month", 30],
  ])("%s is about %p days", (text, n) => expect(Math.abs((days(text) as number) - n)).toBeLessThan(1));
  test.each(["ages", "constructor", "", "-3 days", "0 weeks", "6"])("“%s” is told", (text) =>
    expect(typeof days(text)).toBe("string"),
  );
  test("a duration printed reads back", () => {
    for (const text of ["20 min", "1½ h", "3 days", "6 weeks", "2–4 weeks"]) {
      const d = readDuration(text);
      if (!d.ok) throw new Error(d.faults[0]!.message);
      expect(days(printDuration(d.value))).toBe(d.value.days.value);
    }
  });
  test("a bare temperature is by the household’s thermometer", () => {
    const c = (text: string, by: "C" | "F") => {
      const t = readTemperature(text, by);
      return t.ok ? t.value : t.faults[0]!.name;
    };
    expect(c("110 °F", "C")).toBeCloseTo(43.33, 1);
    expect(c("43 °C", "F")).toBe(43);
    expect(c("43", "C")).toBe(43);
    expect(c("110", "F")).toBeCloseTo(43.33, 1);
    expect(typeof c("warm", "C")).toBe("string");
  });
  test("a length is by the household’s ruler, and is written as it is read", () => {
    for (const [text, ruler, cm] of [
      ["15", "cm", 15],
      ["6", "in", 15.24],
      ["6 in", "cm", 15.24],
    ] as const) {
      expect(readLength(text, ruler)).toEqual({ ok: true, value: expect.closeTo(cm, 2) });
      const again = readLength(writeLength(cm, ruler), ruler);
      expect(again.ok && again.value).toBeCloseTo(cm, 1);
    }
    expect(readLength("tall", "cm")).toMatchObject({ ok: false, faults: [{ name: "NotALength" }] });
  });
  test("boiled down to a share or to a measure", () => {
    expect(readReduction("1/2", "us")).toMatchObject({ value: { toShare: 0.5 } });
    expect(readReduction("half", "us")).toMatchObject({ value: { toShare: 0.5 } });
    expect(readReduction("500 mL", "us")).toMatchObject({ value: { toMl: 500 } });
    expect(readReduction("3/2", "us").ok).toBe(false);
  });
});

describe("what may be typed at a line", () => {
  const US = contextIn("us");
  test.each([
    "", " ", "½", "1/0", "((((", ")))", "1 (", "'", "\u0000", "∞ cups honey", "1e9 cups honey", "NaN cups", "-½", "½½½ cup", "1 cup 2 cup 3 cup",
    "of of of", "and", "juice of", "zest and", "equal parts", "as much as", "cover", "fill", "to taste", "1–", "–1", "1 to", "a a a", "<script>", "💧💧 honey",
    "constructor", "1 constructor", "2 toString honey", "__proto__", "hasOwnProperty of honey", "honey".repeat(60), "1 cup ".repeat(50), "٣ أكواب عسل", "1\u00a0cup\u00a0honey", "ONE CUP HONEY", "1 cup\nhoney",
  ])("%j is answered, not thrown", (text) => {
    const r = readLine(text, US);
    expect(["line", "lines", "ask", "unknown", "fault"]).toContain(r.is);
    if (r.is === "fault") expect(r.fault.message.length).toBeGreaterThan(20);
  }); // prettier-ignore
  /** By hand: JOLLY_LINES=100000. */
  const LINES = Number(process.env["JOLLY_LINES"] ?? 25_000);
  test("lines by the ten thousand made of kitchen words are all answered, and what is understood is of the right size", () => {
    const words = [
      "1", "2", "½", "1½", "1/2", "-", "a", "half", "dozen", "cup", "cups", "tbsp", "T", "oz", "fl oz", "g", "ml", "handful", "sprigs", "clove", "cloves",
      "part", "jar", "of", "and", "or", "fresh", "dried", "grated", "honey", "garlic", "mint", "vinegar", "vodka", "elderberries", "(", ")", ",", "%", "proof",
      "to", "taste", "cover", "fill", "juice", "large", "packed", "about", "each", "parts", "equal", "bunch", "stick", "cinnamon", "xyzzy", "as", "much",
    ]; // prettier-ignore
    const seen = new Map<string, number>();
    // One fixed sequence, so that a failure can be found again.
    let seed = 20_261_125;
    const next = (): number => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return seed / 2 ** 32;
    };
    for (let i = 0; i < LINES; i++) {
      const text = Array.from(
        { length: 1 + Math.floor(next() * 7) },
        () => words[Math.floor(next() * words.length)],
      ).join(" ");
      const r = readLine(text, US);
      seen.set(r.is, (seen.get(r.is) ?? 0) + 1);
      if (r.is !== "line" || !r.line.amount) continue;
      const a = r.line.amount.amount;
      if (a.kind === "measure" && !(a.si.low > 0 && a.si.low <= a.si.high)) throw new Error(text);
      const again = readAmount(r.line.amount.text, "us");
      if (!again.ok) throw new Error(`“${text}” gave an amount that is not one: “${r.line.amount.text}”`);
    }
    for (const is of ["line", "ask", "unknown", "fault"]) expect(seen.get(is) ?? 0).toBeGreaterThan(200);
  }, 120_000);
});
