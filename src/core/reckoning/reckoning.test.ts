import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { MATERIALS } from "../material/catalogue";
import { FIGURES } from "../mixture/figures";
import { VESSELS } from "../vessel/catalogue";
import { linesOf } from "../plan/edit";
import { readPlan } from "../plan/file";
import type { Happened } from "../plan/happened";
import { withIds } from "../plan/ids";
import { WAYS, cautiousWay } from "../plan/kinds";
import { KINDS, type Plan } from "../plan/plan";
import {
  made,
  type TrialLine,
  type TrialPlan,
  type TrialStep,
  line,
  measuredAs,
  trial,
  withSteps,
} from "../plan/trial";
import { PLAIN_BENCH, emptyPlan, madeBy } from "../plan/ways";
import { reckon, reckonProgram } from "./reckon";
import { resolve } from "./resolve";

const oxymel = (lines: TrialLine[], more: TrialPlan = {}): Plan =>
  trial(
    withIds({
      format: "jolly-crock/plan",
      version: 2,
      units: "us",
      name: "Hyssop oxymel",
      kind: "oxymel",
      vessel: "m-1000",
      steps: [
        { do: "add", what: lines },
        { do: "steep", for: "6 weeks", in: "dark-cupboard" },
        { do: "strain", how: "wrung" },
        { do: "bottle" },
      ],
    }),
    more,
  );
const HYSSOP = line("hyssop", "1½ cups", { form: "dried" });
const even = oxymel([HYSSOP, line("cider-vinegar", "1 part"), line("honey", "1 part")]);
const value = (p: Plan, happened?: Happened) => {
  const r = reckon(p, {}, happened);
  if (!r.ok)
    throw new Error(`${r.faults[0]!.name}: ${r.faults[0]!.message} at ${r.faults[0]!.path.join(".")}`);
  return r.value;
};
const faultsOf = (p: Plan, happened?: Happened) => {
  const r = reckon(p, {}, happened);
  return r.ok ? [] : r.faults.map((f) => [f.name, f.path.join(".")]);
};

describe("a cold oxymel", () => {
  test("fills the jar to its line and no further", () => {
    const r = value(even);
    expect(r.fit!.day0.ml).toBeCloseTo(VESSELS.get("m-1000")!.fillMl, 3);
    expect(r.fit!.marks.at(-1)!.cm).toBeCloseTo(15.5, 3);
  });
  test("even means as much honey as vinegar by volume; sweet means twice", () => {
    const [, v, h] = value(even).lines;
    expect(h!.ml.value / v!.ml.value).toBeCloseTo(1, 6);
    const [, v2, h2] = value(
      oxymel([HYSSOP, line("cider-vinegar", "1 part"), line("honey", "2 parts")]),
    ).lines;
    expect(h2!.ml.value / v2!.ml.value).toBeCloseTo(2, 6);
  });
  test("scores about 75 on the acid-sugar index and keeps half a year in a cupboard", () => {
    const r = value(even);
    expect(r.finished.index.value).toBeGreaterThan(70);
    expect(r.finished.index.value).toBeLessThan(80);
    expect(r.verdict).toMatchObject({
      place: "cupboard",
      row: { id: "sour-sweet" },
      life: { days: 180 },
      coolDark: true,
    });
    expect(r.working.place).toBe("room");
  });
  test("every figure comes with a spread that holds it", () => {
    const r = value(even);
    for (const set of [r.jar, r.strained, r.finished])
      for (const f of FIGURES) {
        expect(set[f].low).toBeLessThanOrEqual(set[f].value);
        expect(set[f].high).toBeGreaterThanOrEqual(set[f].value);
      }
    expect(r.finished.ml.low).toBeLessThan(r.finished.ml.value * 0.99);
  });
  test("the measured yield replaces the guess and narrows it", () => {
    const guess = value(even).finished.ml;
    const measured = value(even, measuredAs(even, "800 mL")).finished.ml;
    expect(measured.value).toBeCloseTo(800, 0);
    expect(measured.high - measured.low).toBeLessThan(guess.high - guess.low);
  });
  test("fresh herb brings water and weakens it", () => {
    const fresh = value(
      oxymel([
        line("hyssop", "1/2 jar", { form: "fresh" }),
        line("cider-vinegar", "1 part"),
        line("honey", "1 part"),
      ]),
    );
    const dried = value(
      oxymel([
        line("hyssop", "20 g", { form: "dried" }),
        line("cider-vinegar", "1 part"),
        line("honey", "1 part"),
      ]),
    );
    expect(fresh.jar.acid.value).toBeLessThan(dried.jar.acid.value);
  });
  test("pouring vinegar to two thirds of a jar full of herb is not two parts", () => {
    const r = value(
      oxymel([
        line("hyssop", "1/2 jar", { form: "fresh" }),
        line("cider-vinegar", "2/3 jar"),
        line("honey", "fill"),
      ]),
    );
    const [, v, h] = r.lines;
    expect(v!.ml.value / h!.ml.value).toBeLessThan(1.9);
  });
  test("a vinegar of unknown strength never earns a cupboard", () => {
    const r = value(oxymel([HYSSOP, line("home-vinegar", "1 part"), line("honey", "1 part")]));
    expect(r.verdict.place).toBe("fridge");
    expect(r.verdict.vetoes.map((v) => v.id)).toContain("vinegar-unknown");
    expect(
      value(oxymel([HYSSOP, line("home-vinegar", "1 part", { strength: "6 %" }), line("honey", "1 part")]))
        .verdict.place,
    ).toBe("cupboard");
  });
});

describe("bad plans are told at the field", () => {
  test.each<[string, Plan, string, string]>([
    [
      "nonsense amount",
      oxymel([line("hyssop", "two handfulls"), line("cider-vinegar", "1 part")]),
      "UnknownUnit",
      "steps.0.what.0.amount",
    ],
    [
      "negative",
      oxymel([line("hyssop", "-1 cup"), line("cider-vinegar", "1 part")]),
      "NegativeAmount",
      "steps.0.what.0.amount",
    ],
    [
      "divides by nothing",
      oxymel([line("hyssop", "1/0 tsp"), line("cider-vinegar", "1 part")]),
      "ZeroDenominator",
      "steps.0.what.0.amount",
    ],
    [
      "ten thousand quarts",
      oxymel([HYSSOP, line("cider-vinegar", "10,000 quarts")]),
      "TooMuch",
      "steps.0.what.1.amount",
    ],
    [
      "too much herb",
      oxymel([line("hyssop", "2 kg", { form: "fresh" }), line("cider-vinegar", "1 part")]),
      "DoesNotFit",
      "steps.0.what.1.amount",
    ],
    [
      "unknown herb",
      oxymel([line("unobtainium", "1 cup"), line("cider-vinegar", "1 part")]),
      "UnknownMaterial",
      "steps.0.what.0.material",
    ],
    [
      "sprigs of vinegar",
      oxymel([HYSSOP, line("cider-vinegar", "3 sprigs")]),
      "WrongUnit",
      "steps.0.what.1.amount",
    ],
    [
      "a bare ounce of vinegar",
      oxymel([HYSSOP, line("cider-vinegar", "8 oz")]),
      "BareOunce",
      "steps.0.what.1.amount",
    ],
    [
      "parts with no jar",
      oxymel([HYSSOP, line("cider-vinegar", "1 part")], { vessel: undefined }),
      "NeedsVessel",
      "vessel",
    ],
    [
      "a jar of no height",
      oxymel([HYSSOP, line("cider-vinegar", "1 part")], {
        vessel: { id: "o", name: "own", sort: "jar", lid: "glass", shape: { heightCm: 0, diameterCm: 9 } },
      }),
      "ImpossibleVessel",
      "vessel.shape.heightCm",
    ],
    ["nothing at all", oxymel([]), "NothingGoesIn", "steps"],
    [
      "strained before anything",
      oxymel([], {
        steps: [
          { do: "strain", how: "wrung" },
          { do: "add", what: [HYSSOP, line("water", "1 cup")] },
        ],
      }),
      "StrainBeforeInfusion",
      "steps.0",
    ],
    [
      "a steep of no length",
      { ...even, steps: even.steps.map((s) => (s.do === "steep" ? { ...s, for: "ages" } : s)) },
      "NotADuration",
      "steps.1.for",
    ],
    [
      "a sweetness no honey reaches",
      oxymel([HYSSOP, line("cider-vinegar", "fill")], {
        steps: [
          { do: "add", what: [HYSSOP, line("cider-vinegar", "fill")] },
          { do: "steep", for: "2 weeks" },
          { do: "strain", how: "wrung" },
          { do: "add", what: [line("simple-syrup", "to 60 Bx")] },
        ],
      }),
      "NotReachable",
      "steps.3.what.0.amount",
    ],
  ])("%s", (_, plan, fault, path) => expect(faultsOf(plan)).toContainEqual([fault, path]));

  test("more strained than went in is told at the measure", () =>
    expect(faultsOf(even, measuredAs(even, "3 L"))).toContainEqual(["MoreThanWentIn", "steps.2.measured"]));

  test("a file with a stray key, or none of the keys, says which", () => {
    expect(readPlan({ ...even, colour: "blue" })).toMatchObject({
      ok: false,
      faults: [{ name: "UnknownKey" }],
    });
    const bare = readPlan({ format: "jolly-crock/plan", version: 2 });
    expect(bare.ok ? [] : bare.faults.map((f) => f.path.join("."))).toEqual(
      expect.arrayContaining(["units", "kind", "steps"]),
    );
  });
});

describe("solved amounts", () => {
  const after = (l: TrialLine): Plan =>
    trial(even, {
      kind: "syrup",
      vessel: "p-3000",
      steps: [
        { do: "add", what: [line("horehound", "1 cup", { form: "dried" }), line("water", "1 L")] },
        { do: "simmer", for: "20 min" },
        { do: "strain", how: "wrung" },
        { do: "add", what: [l] },
      ],
    });
  test.each([
    ["honey", "to 50 Bx", "brix", 50],
    ["sugar", "to 67 Bx", "brix", 67],
    ["spirit-50", "to 20 % vol", "abv", 20],
    ["citric-acid", "to 2 % acid", "acid", 2],
    ["lemon-juice", "to pH 4.0", "ph", 4],
  ] as const)("%s %s, re-assessed, meets it", (material, amount, figure, goal) => {
    const got = value(after(line(material, amount))).finished[figure].value;
    expect(Math.abs(got / goal - 1)).toBeLessThan(0.005);
  });
  test("any reachable sweetness is met to half a per cent", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 78 }),
        (bx) => Math.abs(value(after(line("honey", `to ${bx} Bx`))).finished.brix.value / bx - 1) < 0.005,
      ),
      { numRuns: 40 },
    );
  });
});

describe("the ways", () => {
  const herb = line("hyssop", "1 cup", { form: "dried" });
  const ONE_LITRE = { ...PLAIN_BENCH, jar: "m-1000" };
  test("every kind has a cautious way and every way reckons", () => {
    for (const kind of KINDS) expect(cautiousWay(kind).cautious).toBe(true);
    for (const way of WAYS) {
      const plan = madeBy(
        way,
        withSteps(emptyPlan(way.kind, "us", ONE_LITRE), [{ do: "add", what: [herb] }]),
        ONE_LITRE,
      );
      const r = reckon(plan);
      expect([way.id, r.ok ? "reckons" : r.faults[0]!.message]).toEqual([way.id, "reckons"]);
    }
  });
  test("changing the way keeps the herb and the bottle of vinegar chosen", () => {
    const start = oxymel([
      herb,
      line("red-wine-vinegar", "1 part", { strength: "7 %" }),
      line("heather-honey", "1 part"),
    ]);
    const sharp = madeBy(
      WAYS.find((w) => w.id === "oxymel-sharp")!,
      start,
    );
    const [was, is] = [linesOf(start), linesOf(sharp)];
    expect(is.map((l) => l.id)).toEqual(was.map((l) => l.id));
    expect(is).toMatchObject([
      herb,
      line("red-wine-vinegar", "2 parts", { strength: "7 %" }),
      line("heather-honey", "1 part"),
    ]);
  });
  test("the cupboard syrup is strong enough for the cupboard, the fridge one is not", () => {
    const by = (id: string) =>
      value(
        madeBy(
          WAYS.find((w) => w.id === id)!,
          withSteps(emptyPlan("syrup", "us"), [{ do: "add", what: [herb] }]),
        ),
      );
    expect(by("syrup-cupboard").verdict).toMatchObject({ place: "cupboard", row: { id: "sugar-cupboard" } });
    expect(by("syrup-fridge").verdict.place).toBe("fridge");
  });
});

describe("ten thousand random plans", () => {
  test("no figure is anything but a number, mass is conserved, and nothing is thrown", () => {
    const ids = [...MATERIALS.keys()];
    const amount = fc.oneof(
      { weight: 12, arbitrary: fc.constantFrom("1 cup", "2 tbsp", "40 g", "5 g", "0.001 g") },
      {
        weight: 3,
        arbitrary: fc.constantFrom(
          "1 part",
          "1/4 jar",
          "fill",
          "cover by 2 cm",
          "a handful",
          "3 cloves",
          "1 of liquid",
          "to 50 Bx",
          "to 15 % vol",
          "20 L",
        ),
      },
      { weight: 1, arbitrary: fc.string({ maxLength: 8 }) },
    );
    const anyLine = fc.record({ material: fc.constantFrom(...ids), amount });
    const liquid = fc.record({
      material: fc.constantFrom(
        "cider-vinegar",
        "honey",
        "water",
        "vodka-40",
        "spirit-95",
        "glycerin",
        "sugar",
      ),
      amount: fc.constantFrom("300 mL", "2 cups", "900 g", "1 part"),
    });
    const wait = fc.constantFrom<TrialStep>(
      { do: "steep", for: "4 weeks" },
      { do: "simmer", for: "20 min" },
      { do: "reduce", to: "1/2" },
      { do: "pressure", for: "10 min" },
      { do: "cool", to: "40 °C" },
      { do: "strain", how: "drained" },
      { do: "bottle" },
    );
    const plan = fc.record({
      first: fc.array(anyLine, { minLength: 0, maxLength: 4 }),
      base: fc.array(liquid, { minLength: 1, maxLength: 2 }),
      waits: fc.array(wait, { maxLength: 4 }),
      last: fc.array(anyLine, { maxLength: 2 }),
      vessel: fc.constantFrom(...VESSELS.keys()),
    });
    let reckoned = 0;
    fc.assert(
      fc.property(plan, (p) => {
        const r = resolve(
          trial(even, {
            vessel: p.vessel,
            steps: [{ do: "add", what: [...p.first, ...p.base] }, ...p.waits, { do: "add", what: p.last }],
          }),
        );
        if (!r.ok) return r.faults.every((f) => f.message.length > 10);
        reckoned++;
        const k = reckonProgram(r.value);
        const out = k.ledger.liquidG + k.ledger.marcG + k.ledger.plantsG + k.ledger.steamG;
        if (Math.abs(out - k.ledger.inG) > 1e-9 * Math.max(1, k.ledger.inG)) return false;
        return [k.jar, k.strained, k.finished].every((set) =>
          FIGURES.every(
            (f) => Number.isFinite(set[f].low) && Number.isFinite(set[f].high) && set[f].value >= 0,
          ),
        );
      }),
      { numRuns: 10_000 },
    );
    expect(reckoned).toBeGreaterThan(3000);
  }, 120_000);
});

describe("what cannot be done is told", () => {
  const inPot = (what: readonly TrialLine[], to: string): Plan =>
    trial(withSteps(made("oxymel-even", []), [{ do: "add", what }, { do: "reduce", to }, { do: "bottle" }]), {
      vessel: "p-3000",
    });
  const faults = (p: Plan, around = {}) => {
    const r = reckon(p, around);
    return r.ok ? [] : r.faults;
  };
  test.each([
    ["honey has no water to lose", [line("honey", "500 mL")], "200 mL"],
    ["a syrup keeps its sugar", [line("water", "500 mL"), line("sugar", "400 g")], "100 mL"],
    ["nor to a tenth", [line("water", "300 mL"), line("honey", "300 mL")], "1/10"],
  ])("%s: boiled down farther than it goes, the step is told, with what would be right", (_, what, to) => {
    const [f, ...others] = faults(inPot(what, to));
    expect(others).toEqual([]);
    expect(f).toMatchObject({ name: "NotReachable", path: ["steps", 1, "to"] });
    // What is suggested can be done.
    expect(faults(inPot(what, f!.suggestion!))).toEqual([]);
  });
  test("a decoction goes as far as it is asked", () =>
    expect(
      faults(inPot([line("nettle", "50 g", { form: "dried" }), line("water", "1.5 L")], "250 mL")),
    ).toEqual([]));
  test("a batch that was begun so stays readable", () => {
    const plan = inPot([line("honey", "500 mL")], "200 mL");
    expect(faults(plan, { frozen: new Map() })).toEqual([]);
  });
  test("no goal pours sixty times what there is", () => {
    const plan = withSteps(made("oxymel-even", []), [
      {
        do: "add",
        what: [
          line("water", "500 mL"),
          line("nettle", "50 g", { form: "dried" }),
          line("lemon-juice", "to pH 2.3"),
        ],
      },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ]);
    expect(faults(plan)[0]).toMatchObject({ name: "NotReachable" });
  });
  test("a row that leaves half of itself unsaid loses no mass", () => {
    const own = {
      id: "own-s",
      names: ["boiled must"],
      class: "syrup" as const,
      composition: { water: 0.2, mono: 0.3 },
      source: "own",
    };
    const r = reckon(
      trial(
        withSteps(made("oxymel-even", []), [{ do: "add", what: [line("own-s", "200 g")] }, { do: "bottle" }]),
        { materials: [own] },
      ),
    );
    expect(r.ok && r.value.finished.g.value).toBeCloseTo(200, 1);
  });
  test("few drops may be none, never less", () => {
    const r = reckon(
      withSteps(made("oxymel-even", []), [
        { do: "add", what: [line("vodka-40", "1-3 drops"), line("honey", "200 mL")] },
        { do: "bottle" },
      ]),
    );
    expect(r.ok && r.value.lines[0]!.grams.low).toBeGreaterThanOrEqual(0);
  });
  test.each([
    ["olive-oil", "200 mL"],
    ["salt", "100 g"],
  ])("%s alone is no dry sugar: it has no cupboard", (material, amount) => {
    const r = reckon(
      withSteps(made("oxymel-even", []), [{ do: "add", what: [line(material, amount)] }, { do: "bottle" }]),
    );
    expect(r.ok && r.value.verdict.cupboard).toBeNull();
  });
});
