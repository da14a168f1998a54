import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "../material/catalogue";
import { convert } from "../material/convert";
import { VESSELS } from "../vessel/catalogue";
import { smallestChanges } from "./keep-longer";
import type { Plan } from "../plan/plan";
import { reckon } from "../reckoning/reckon";
import { largestIn, scaleTo } from "./scale";
import { type Happened, NOTHING_HAPPENED } from "../plan/happened";
import { line, made as way, trial, withMaterial } from "../plan/trial";

const value = (p: Plan, happened: Partial<Happened> = {}) => {
  const r = reckon(p, {}, { ...NOTHING_HAPPENED, ...happened });
  if (!r.ok) throw new Error(`${r.faults[0]!.name}: ${r.faults[0]!.message}`);
  return r.value;
};
const got = <T>(
  r: { ok: true; value: T } | { ok: false; faults: readonly { name: string; message: string }[] },
): T => {
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const HYSSOP = line("hyssop", "34 g", { form: "dried" });
const SYRUP = way("syrup-half", [line("horehound", "40 g", { form: "dried" })]);

describe("scaling", () => {
  test("by a factor, everything measured grows alike and the ratio stays", () => {
    const p = way("oxymel-even", [HYSSOP], { vessel: "m-5000" });
    const before = value(p);
    const twice = value(got(scaleTo(p, { to: "factor", factor: 0.5 })).plan);
    expect(twice.finished.ml.value / before.finished.ml.value).toBeCloseTo(0.5, 2);
    expect(twice.finished.brix.value).toBeCloseTo(before.finished.brix.value, 1);
  });
  test.each<[string, Plan, number]>([
    ["an oxymel that fills its jar", way("oxymel-even", [HYSSOP]), 500],
    [
      "a fire cider sweetened after",
      way("cider-after", [line("horseradish", "80 g", { form: "fresh" })]),
      600,
    ],
    ["a syrup boiled down", SYRUP, 800],
    ["a folk tincture", way("tincture-jarful", [line("hawthorn-berry", "80 g", { form: "dried" })]), 300],
  ])("%s, to a finished volume, re-assesses to it", (_, plan, ml) => {
    const s = got(scaleTo(plan, { to: "finished", ml }));
    expect(Math.abs(value(s.plan).finished.ml.value / ml - 1)).toBeLessThan(0.005);
  });
  test("to bottles wanted", () =>
    expect(
      value(got(scaleTo(SYRUP, { to: "bottles", count: 3, ml: 250 })).plan).finished.ml.value,
    ).toBeCloseTo(750, -1));
  test("to the vinegar in hand and to the herb in hand", () => {
    const p = way("oxymel-even", [HYSSOP]);
    const v = value(got(scaleTo(p, { to: "liquid", material: "cider-vinegar", ml: 300 })).plan);
    expect(v.lines.find((l) => l.material === "cider-vinegar")!.ml.value).toBeCloseTo(300, 0);
    const h = value(got(scaleTo(p, { to: "herb", material: "hyssop", grams: 20 })).plan);
    expect(h.lines.find((l) => l.material === "hyssop")!.grams.value).toBeCloseTo(20, 1);
  });
  test("to another jar: the herb goes with it and the liquids fill it", () => {
    const s = got(scaleTo(way("oxymel-even", [HYSSOP]), { to: "vessel", vessel: "m-500" }));
    const r = value(s.plan);
    expect(r.fit!.day0.ml).toBeCloseTo(VESSELS.get("m-500")!.fillMl, 0);
    expect(r.lines[0]!.grams.value).toBeCloseTo(
      34 * (VESSELS.get("m-500")!.fillMl / VESSELS.get("m-1000")!.fillMl),
      0,
    );
  });
  test("times do not scale, and it is said", () => {
    const s = got(scaleTo(SYRUP, { to: "factor", factor: 2 }));
    expect(s.plan.steps.filter((x) => x.do === "simmer")).toEqual(
      SYRUP.steps.filter((x) => x.do === "simmer"),
    );
    expect(s.tell.join(" ")).toMatch(/stay as long.*Reducing takes longer/);
  });
  test("what cannot be is told", () => {
    expect(scaleTo(SYRUP, { to: "herb", material: "garlic", grams: 10 })).toMatchObject({
      ok: false,
      faults: [{ name: "NothingToScale" }],
    });
    expect(scaleTo(SYRUP, { to: "factor", factor: 100_000 })).toMatchObject({
      ok: false,
      faults: [{ name: "OutOfRange" }],
    });
    expect(scaleTo(SYRUP, { to: "vessel", vessel: "thimble" })).toMatchObject({
      ok: false,
      faults: [{ name: "UnknownVessel" }],
    });
  });
  test("the largest batch of a vessel stands at its line", () => {
    const measured: Plan = way("vinegar-plain", [], {
      steps: [
        { do: "add", what: [line("nettle", "100 g", { form: "fresh" }), line("cider-vinegar", "400 mL")] },
        { do: "steep", for: "4 weeks" },
        { do: "strain", how: "wrung" },
      ],
    });
    for (const v of ["us-pint", "m-750", "m-3000"]) {
      const s = got(largestIn(measured, v));
      expect(value(s.plan).fit!.day0.ml / VESSELS.get(v)!.fillMl).toBeCloseTo(1, 2);
    }
  });
});

describe("tinctures by weight", () => {
  test("half a litre of 95 % spirit taken down to 40 % takes 720 g of water and makes 1187.5 mL", () => {
    const r = value(
      way("tincture-weighed", [], {
        steps: [
          {
            do: "add",
            what: [line("spirit-95", "500 mL"), line("water", "to 40 % vol")],
          },
        ],
      }),
    );
    expect(r.lines[1]!.grams.value).toBeCloseTo(720.1, 0);
    expect(r.finished.ml.value).toBeCloseTo(1187.5, 0);
  });
  test("the ratio as an amount pours five for one", () => {
    const r = value(way("tincture-weighed", [line("hawthorn-berry", "60 g", { form: "dried" })]));
    const spirit = r.lines.find((l) => l.material === "spirit-50")!;
    expect(spirit.ml.value).toBeCloseTo(300, 3);
    expect(reckon(way("tincture-weighed", []))).toMatchObject({
      ok: false,
      faults: [{ name: "NothingToMeasureBy" }],
    });
  });
});

describe("forms by dry matter", () => {
  test("there and back is where one began", () => {
    for (const id of ["nettle", "thyme", "elderberry", "ginger"]) {
      const m = MATERIALS.get(id)!;
      const there = got(convert(m, { form: "fresh" }, { form: "dried" }));
      const back = got(convert(m, { form: "dried" }, { form: "fresh" }));
      expect(there.byMass * back.byMass).toBeCloseTo(1, 9);
      expect(there.byMass).toBeLessThan(1);
    }
  });
  test("it is no fixed doubling: nettle loses more than thyme", () => {
    const by = (id: string) => got(convert(MATERIALS.get(id)!, { form: "dried" }, { form: "fresh" })).byMass;
    expect(by("nettle") / by("thyme")).toBeGreaterThan(1.5);
  });
  test("wilting a day lies between", () => {
    const m = MATERIALS.get("nettle")!;
    const wilted = got(convert(m, { form: "fresh" }, { form: "wilted" })).byMass;
    expect(wilted).toBeGreaterThan(got(convert(m, { form: "fresh" }, { form: "dried" })).byMass);
    expect(wilted).toBeLessThan(1);
  });
});

describe("the smallest changes", () => {
  const SWEETER = way("oxymel-sweet", [line("nettle", "250 g", { form: "fresh" })]);
  test("a two-to-one oxymel on fresh nettle may work in the cupboard with a stronger vinegar, and that vinegar is the least", () => {
    const found = smallestChanges(SWEETER, "room-while-working");
    const strong = found.find((c) => c.id === "stronger-vinegar")!;
    expect(value(strong.plan).working.place).toBe("room");
    const pct = Number(/of ([\d.]+) %/.exec(strong.words)![1]);
    const under = {
      ...strong.plan,
      steps: strong.plan.steps.map((s) =>
        s.do === "add"
          ? { ...s, what: s.what.map((l) => (l.strength ? { ...l, strength: `${pct - 0.4} %` } : l)) }
          : s,
      ),
    };
    expect(value(under).working.place).toBe("fridge");
    expect(found.map((c) => c.id)).toContain("work-in-fridge");
  });
  test("every change offered does what it says, re-assessed", () => {
    const plans = [
      way("syrup-fridge", [line("horehound", "30 g", { form: "dried" })]),
      way("oxymel-sharp", [line("beetroot", "500 g", { form: "fresh" })]),
      way("oxymel-even", [HYSSOP, line("thyme", "1 cup", { form: "fresh" })], {
        steps: [
          {
            do: "add",
            what: [
              line("nettle", "300 g", { form: "fresh" }),
              line("home-vinegar", "1 part"),
              line("honey", "1 part"),
            ],
          },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
          { do: "bottle" },
        ],
      }),
    ];
    for (const p of plans) {
      for (const c of smallestChanges(p, "cupboard"))
        expect([c.id, value(c.plan).verdict.cupboard !== null]).toEqual([c.id, true]);
      const before = value(p).verdict;
      for (const c of smallestChanges(p, "longer")) {
        const after = value(c.plan).verdict;
        expect((after.cupboard?.days ?? 0) * 10_000 + after.fridge.days).toBeGreaterThan(
          (before.cupboard?.days ?? 0) * 10_000 + before.fridge.days,
        );
      }
    }
  });
  test("sweetener for the cupboard is far more than folk wisdom says, or not to be had from honey at all", () => {
    const syrup = way("syrup-cupboard", [line("horehound", "30 g", { form: "dried" })]);
    const thin = withMaterial(syrup, "sugar", { amount: "0.75 of liquid" });
    expect(value(thin).verdict.place).toBe("fridge");
    const c = smallestChanges(thin, "cupboard").find((x) => x.id === "more-sweet")!;
    expect(value(c.plan).verdict.row.id).toBe("sugar-cupboard");
    expect(value(c.plan).finished.brix.low).toBeGreaterThanOrEqual(66);
  });
  test("a plan that is there already is offered nothing", () =>
    expect(smallestChanges(way("oxymel-even", [HYSSOP]), "cupboard")).toEqual([]));
});

describe("raw honey", () => {
  test("stirred into a cooled decoction it earns no cupboard by its dryness, however much of it", () => {
    const syrup = way("syrup-fridge", [line("horehound", "30 g", { form: "dried" })]);
    for (const n of ["2", "4", "6", "10"]) {
      expect([n, value(withMaterial(syrup, "honey", { amount: `${n} of liquid` })).verdict.place]).toEqual([
        n,
        "fridge",
      ]);
    }
  });
});

describe("a household's own figures", () => {
  test("its own weighing of a herb replaces the shipped one, and its own material is known by name", () => {
    const p = way("oxymel-even", [line("hyssop", "1 cup", { form: "dried" })]);
    const was = value(p).lines[0]!.grams.value;
    const own = value({
      ...p,
      materials: [{ id: "hyssop", names: ["hyssop"], class: "leaf", bulkFactor: 1.5, source: "own" }],
    }).lines[0]!.grams.value;
    expect(own / was).toBeCloseTo(1.5, 2);
    const towpath = way("oxymel-even", [], {
      materials: [{ id: "towpath-mint", names: ["towpath mint"], class: "leaf", water: 0.84, source: "own" }],
      steps: [
        {
          do: "add",
          what: [
            line("towpath mint", "1 cup", { form: "dried" }),
            line("cider-vinegar", "1 part"),
            line("honey", "1 part"),
          ],
        },
      ],
    });
    expect(value(towpath).lines[0]!.name).toBe("towpath mint");
  });
});

describe("what was measured and what befell it", () => {
  const syrup = way("syrup-fridge", [line("horehound", "30 g", { form: "dried" })]);
  test("a meter's pH narrows the verdict's, a reading too soon is refused and told", () => {
    const sour = trial(syrup, {
      steps: syrup.steps.map((s) =>
        s.do === "add" && s.what.some((l) => l.material === "honey")
          ? { ...s, what: [line("honey", "0.3 of liquid"), line("lemon-juice", "0.1 of liquid")] }
          : s,
      ),
    });
    const guess = value(sour).verdict;
    const metered = value(sour, { readings: [{ what: "ph", by: "meter", value: 3.6, hours: 72 }] });
    expect(metered.verdict.fridge.days).toBeGreaterThanOrEqual(guess.fridge.days);
    expect(metered.refused).toEqual([]);
    expect(
      value(sour, { readings: [{ what: "ph", by: "meter", value: 2.6, hours: 3 }] }).refused,
    ).toMatchObject([{ name: "TooSoon" }]);
  });
  test("left on the stove overnight it is not kept; half an hour too long it is boiled once more", () => {
    const tea: Plan = {
      ...syrup,
      steps: syrup.steps.filter((s) => !(s.do === "add" && s.what.some((l) => l.material === "honey"))),
    };
    expect(
      value(tea, {
        cooling: [
          [0, 95],
          [30, 60],
          [700, 19],
        ],
      }).verdict.place,
    ).toBe("do-not-keep");
    expect(
      value(tea, {
        cooling: [
          [0, 95],
          [30, 60],
          [200, 20],
          [380, 4],
        ],
      }).verdict.vetoes.map((v) => v.id),
    ).toEqual(["temperature-fault"]);
    expect(
      value(tea, {
        cooling: [
          [0, 95],
          [10, 60],
          [60, 20],
          [200, 4],
        ],
      }).verdict.vetoes,
    ).toEqual([]);
  });
  test("layers never mixed, herb that stood above: no cupboard", () => {
    const p = way("oxymel-even", [HYSSOP]);
    expect(value(p).verdict.place).toBe("cupboard");
    expect(value(p, { layersUnmixed: true }).verdict.place).toBe("fridge");
    expect(value(p, { herbStoodAbove: true }).verdict.place).toBe("fridge");
  });
});
