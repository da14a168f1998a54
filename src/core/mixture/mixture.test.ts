import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { phOf, titratableMol } from "./acidity";
import { activityOf, honeyActivity } from "./activity";
import { abvOfMassShare, ethanolWaterDensity, massShareOfAbv } from "./alcohol";
import { ACETIC, ALKALINITY, CITRIC, DI, ETHANOL, MONO, WATER, addTo, massOf, nothing } from "./components";
import type { Entry, Operation } from "./entry";
import { run } from "./ledger";
import { honeyDensity, volumeOf } from "./volume";

const sugar = (w: number) => {
  const m = nothing();
  m[WATER] = 100 * (1 - w);
  m[DI] = 100 * w;
  return m;
};

describe("published densities and activities", () => {
  // ICUMSA sucrose solutions, 20 °C, g/mL.
  test.each([
    [0, 0.9982],
    [0.1, 1.0381],
    [0.2, 1.081],
    [0.3, 1.127],
    [0.4, 1.1764],
    [0.5, 1.2296],
    [0.6, 1.2865],
    [0.65, 1.3163],
    [0.7, 1.3472],
  ])("sucrose %p", (w, rho) =>
    expect(Math.abs(100 / volumeOf(sugar(w)) / rho - 1)).toBeLessThan(w <= 0.5 ? 0.002 : 0.003),
  );
  // OIML table at 20 °C, by volume.
  test.each([
    [0, 998.2],
    [0.1, 984.71],
    [0.2, 973.56],
    [0.3, 962.21],
    [0.4, 948.05],
    [0.5, 930.14],
    [0.6, 909.11],
    [0.7, 885.56],
    [0.8, 859.27],
    [0.9, 829.18],
    [0.95, 811.38],
    [1, 789.24],
  ])("alcohol %p", (q, rho) =>
    expect(Math.abs((ethanolWaterDensity(massShareOfAbv(q)) * 1000) / rho - 1)).toBeLessThan(1e-4),
  );
  test("strength by volume and by mass are inverse", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (q) =>
        expect(abvOfMassShare(massShareOfAbv(q))).toBeCloseTo(q, 9),
      ),
    );
  });
  test("sucrose water activity", () => {
    expect(activityOf(sugar(0.67))).toBeCloseTo(0.85, 2);
    expect(activityOf(sugar(0.65))).toBeCloseTo(0.865, 2);
  });
  test("honey of 17 % water lies at 0.54 to 0.60", () => {
    expect(honeyActivity(17)).toBeGreaterThan(0.54);
    expect(honeyActivity(17)).toBeLessThan(0.6);
    expect(honeyDensity(17.5)).toBeCloseTo(1.4153, 3);
  });
  test("a five per cent vinegar has pH 2.4, and bases raise it", () => {
    const m = nothing();
    m[WATER] = 95;
    m[ACETIC] = 5;
    const ph = phOf(m, volumeOf(m));
    expect(ph).toBeCloseTo(2.41, 1);
    m[ALKALINITY] = 20;
    expect(phOf(m, volumeOf(m))).toBeGreaterThan(ph);
    expect(titratableMol(m)).toBeCloseTo(5 / 60.052 - 0.02, 6);
  });
  test("a guess at the pH changes the work, never the answer", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 1.5, max: 11, noNaN: true }),
        (acetic, citric, alk, near) => {
          const m = nothing();
          m[WATER] = 100;
          m[ACETIC] = acetic;
          m[CITRIC] = citric;
          m[ALKALINITY] = alk;
          expect(Math.abs(phOf(m, 100, near) - phOf(m, 100))).toBeLessThan(3e-4);
        },
      ),
    );
  });
});

const part = fc.double({ min: 0.001, max: 1, noNaN: true });
const composition = fc.tuple(part, part, part, part, part, part).map(([w, mono, di, ac, sol, ins]) => {
  const m = nothing();
  const sum = w + mono + di + ac + sol + ins;
  [m[WATER], m[MONO], m[DI], m[ACETIC], m[10], m[11]] = [
    w / sum,
    mono / sum,
    di / sum,
    ac / sum,
    sol / sum,
    ins / sum,
  ];
  m[ALKALINITY] = 0.1;
  return m;
});
const entry: fc.Arbitrary<Entry> = fc.record({
  composition,
  grams: fc.double({ min: 0.1, max: 2000, noNaN: true }),
  plant: fc.boolean(),
  extraction: fc.double({ min: 0, max: 1, noNaN: true }),
  retention: fc.constant({ drained: 4, wrung: 2.5, pressed: 1.6 }),
});
const step: fc.Arbitrary<Operation> = fc.oneof(
  fc.constant<Operation>({ op: "soak" }),
  fc.double({ min: 0, max: 500, noNaN: true }).map((grams): Operation => ({ op: "boil-off", grams })),
  fc.double({ min: 0.2, max: 0.95, noNaN: true }).map((toShare): Operation => ({ op: "reduce", toShare })),
  fc.constantFrom<Operation>({ op: "strain", how: "wrung" }, { op: "strain", how: "drained" }),
);

describe("the ledger", () => {
  test("whatever is done, mass is neither made nor lost", () => {
    fc.assert(
      fc.property(
        fc.array(entry, { minLength: 1, maxLength: 8 }),
        fc.array(step, { maxLength: 8 }),
        (entries, steps) => {
          const r = run(entries, [
            ...entries.map((_, i): Operation => ({ op: "add", entry: i })),
            ...steps,
            { op: "soak" },
          ]);
          const a = r.account;
          const out = massOf(a.liquid) + massOf(a.plants) + massOf(a.marc) + a.steamG;
          expect(Math.abs(out - a.inG)).toBeLessThan(1e-9 * Math.max(1, a.inG) * 10);
          for (const x of [...a.liquid, ...a.plants, ...a.marc]) expect(x).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
      { numRuns: 600 },
    );
  });
  test("adding what is drier than the mixture never raises its water activity", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.8, noNaN: true }),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (w, g) => {
          const m = sugar(w);
          const before = activityOf(m);
          const pure = nothing();
          pure[DI] = 1;
          addTo(m, pure, g);
          expect(activityOf(m)).toBeLessThanOrEqual(before + 1e-12);
        },
      ),
    );
  });
  test("a simmered vinegar is never credited with more strength than it began with", () => {
    const m = nothing();
    m[WATER] = 0.95;
    m[ACETIC] = 0.05;
    const entries: Entry[] = [
      {
        composition: m,
        grams: 1000,
        plant: false,
        extraction: 1,
        retention: { drained: 0, wrung: 0, pressed: 0 },
      },
    ];
    const after = run(entries, [
      { op: "add", entry: 0 },
      { op: "boil-off", grams: 400 },
    ]).account.liquid;
    expect(after[ACETIC]! / massOf(after)).toBeLessThanOrEqual(0.05 + 1e-12);
  });
  test("spirit on the heat loses its alcohol first", () => {
    const m = nothing();
    m[WATER] = 0.6;
    m[ETHANOL] = 0.4;
    const entries: Entry[] = [
      {
        composition: m,
        grams: 100,
        plant: false,
        extraction: 1,
        retention: { drained: 0, wrung: 0, pressed: 0 },
      },
    ];
    expect(
      run(entries, [
        { op: "add", entry: 0 },
        { op: "boil-off", grams: 41 },
      ]).account.liquid[ETHANOL],
    ).toBe(0);
  });
});
