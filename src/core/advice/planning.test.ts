/** The Bench's choices, without the Bench: restating amounts, fitting a vessel, ways side by side, schools, what-if and the rail. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { MATERIALS } from "../material/catalogue";
import { type Stuff, stuffOf } from "../material/material";
import { readAmount } from "../reading/amounts";
import type { LotOnHand } from "../stores/stores";
import { VESSELS } from "../vessel/catalogue";
import { compareWays, differing, figureOf } from "./ways-side-by-side";
import { type Choice, fixes, stands } from "./fixes";
import { scaledBy } from "./scale";
import { linesOf, moved, withAmount } from "../plan/edit";
import { weigh } from "../reckoning/weigh";
import { KINDS, type Line, type Plan } from "../plan/plan";
import { railOf } from "./rail";
import { reckon, reckonProgram } from "../reckoning/reckon";
import type { Program } from "../reckoning/program";
import { resolve } from "../reckoning/resolve";
import { reformed, sayIn, sayingNow, sayingsOf } from "../reckoning/restate";
import { QUESTIONS, questionsFor, schoolOf } from "./schools";
import { line, lineNamed, made, trial, withMaterial } from "../plan/trial";
import { wayById, waysOf } from "../plan/kinds";
import { type Wish, whatIf } from "./wishes";

const value = (p: Plan) => {
  const r = reckon(p);
  if (!r.ok) throw new Error(`${r.faults[0]!.name}: ${r.faults[0]!.message}`);
  return r.value;
};
const program = (p: Plan): Program => {
  const r = resolve(p);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const stuff = (id: string, more: Partial<Line> = {}) => {
  const s = stuffOf(MATERIALS.get(id)!, { form: more.form, cut: more.cut });
  if (!s.ok) throw new Error(s.faults[0]!.message);
  return s.value;
};
const HYSSOP = line("hyssop", "1½ cups", { form: "dried" });
const OXYMEL = made("oxymel-even", [HYSSOP]);
const BY = { partMl: 400, vessel: VESSELS.get("m-1000") };
const TODAY = "2026-11-24";
const lot = (material: string, grams: number, more: Partial<LotOnHand> = {}): LotOnHand => ({
  what: "lot",
  id: `${material}-${more.form ?? ""}-${more.got ?? ""}`,
  material,
  amount: `${grams} g`,
  grams,
  leftG: grams,
  got: "2026-09-01",
  ...more,
});

const nowSaid = (text: string, s: Stuff) => {
  const a = readAmount(text, "us");
  if (!a.ok) throw new Error(a.faults[0]!.message);
  return sayingNow(a.value, s);
};

describe("an amount said another way", () => {
  const liquid = stuff("cider-vinegar");
  const herb = stuff("hyssop", { form: "dried" });
  const garlic = stuff("garlic", { form: "fresh" });
  test("offers what the stuff can be measured by, and no more", () => {
    expect(sayingsOf(garlic, "us")).toEqual(
      expect.arrayContaining(["clove", "head", "us-cup", "g", "part", "jar"]),
    );
    expect(sayingsOf(liquid, "us")).not.toContain("oz");
    expect(sayingsOf(stuff("ginger", { form: "fresh" }), "us")).toContain("in");
  });
  test.each<[string, string]>([
    ["1½ cups", "us-cup"],
    ["40 g", "g"],
    ["2–3 cloves", "clove"],
    ["1 part", "part"],
    ["a third of the jar", "jar"],
  ])("%s is said in %s", (amount, saying) => expect(nowSaid(amount, garlic)).toBe(saying));
  test("“fill” and goals are said in nothing", () =>
    expect([nowSaid("fill", liquid), nowSaid("to 66 Bx", liquid)]).toEqual([undefined, undefined]));
  test("any unit, any weight: read back it is the same within three per cent", () => {
    const all = [
      liquid,
      herb,
      garlic,
      stuff("honey"),
      stuff("ginger", { form: "fresh", cut: "grated" }),
      stuff("sugar"),
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.constantFrom("us", "metric", "imperial"),
        fc.double({ min: 20, max: 600, noNaN: true }),
        fc.nat(30),
        (s, household, grams, pick) => {
          const units = sayingsOf(s, household as "us").filter((u) => u !== "part" && u !== "jar");
          const words = sayIn(grams, s, units[pick % units.length]!, household as "us", BY);
          if (!words.ok) return false;
          const back = readAmount(words.value, household as "us");
          if (!back.ok || (back.value.kind !== "measure" && back.value.kind !== "count")) return false;
          const w = weigh(back.value, s);
          // A count of one or two pieces cannot say a weight between them.
          const count = back.value.kind === "count" ? back.value.count.value : 10;
          return w.ok && Math.abs(w.value.grams / grams - 1) <= (count < 3 ? 0.6 : 0.031);
        },
      ),
      { numRuns: 800 },
    );
  });
  test("dried for fresh goes by dry matter, in the unit it was said in", () => {
    const fresh = lineNamed("nettle", "4 cups", { form: "fresh", cut: "chopped" });
    const r = reformed(fresh, { form: "dried" }, "us", BY);
    expect(r).toMatchObject({ ok: true, value: { form: "dried" } });
    if (!r.ok) throw new Error();
    const g = (l: Line) => {
      const a = readAmount(l.amount, "us");
      const w = a.ok && a.value.kind === "measure" ? weigh(a.value, stuff("nettle", l)) : undefined;
      return w?.ok ? w.value.grams : 0;
    };
    const dry = (l: Line) => g(l) * (1 - stuff("nettle", l).composition[0]!);
    expect(dry(r.value) / dry(fresh)).toBeGreaterThan(0.96);
    expect(dry(r.value) / dry(fresh)).toBeLessThan(1.04);
    expect(r.value.amount).toMatch(/cup/);
  });
  test("a finer cut is the same herb in a smaller heap; a clove stays a clove", () => {
    expect(
      reformed(lineNamed("onion", "1 cup", { form: "fresh", cut: "sliced" }), { cut: "grated" }, "us", BY),
    ).toMatchObject({ ok: true, value: { cut: "grated", amount: expect.not.stringMatching(/^1 cup$/) } });
    expect(
      reformed(lineNamed("garlic", "6 cloves", { form: "fresh" }), { form: "dried" }, "us", BY),
    ).toMatchObject({ ok: true, value: { amount: "6 cloves", form: "dried" } });
  });
  test("what cannot be is told", () => {
    expect(sayIn(100, herb, "part", "us", { partMl: undefined, vessel: undefined })).toMatchObject({
      ok: false,
      faults: [{ name: "WrongUnit" }],
    });
    expect(sayIn(100, herb, "jar", "us", { partMl: undefined, vessel: undefined })).toMatchObject({
      ok: false,
      faults: [{ name: "NeedsVessel" }],
    });
  });
});

describe("a plan that does not fit", () => {
  const of = (...ids: string[]): Choice[] => ids.map((id) => ({ vessel: VESSELS.get(id)!, named: id }));
  const tooMuch = made("vinegar-plain", [], {
    vessel: "m-500",
    steps: [
      { do: "add", what: [line("nettle", "300 g", { form: "fresh" }), line("cider-vinegar", "700 mL")] },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
    ],
  });
  const HERBY = made("oxymel-even", [line("nettle", "400 g", { form: "fresh" })], { vessel: "m-750" });
  test("one that fits wants nothing", () => expect(fixes(OXYMEL, of("m-2000"))).toEqual([]));
  test.each<[string, Plan]>([
    ["all of it measured", tooMuch],
    ["too much herb for the ratio to fill", HERBY],
  ])("%s: every fix stands when it is done", (_, plan) => {
    const found = fixes(plan, of("m-500", "m-750", "m-1000", "m-1500", "m-2000", "us-pint"));
    expect(found.map((f) => f.id)).toEqual(expect.arrayContaining(["next-size", "two-jars", "smaller"]));
    for (const f of found) {
      expect([f.id, stands(value(f.plan))]).toEqual([f.id, true]);
      if (f.rest) expect(stands(value(f.rest))).toBe(true);
    }
  });
  test("the next size is the smallest that takes it", () =>
    expect(
      fixes(tooMuch, of("m-5000", "m-1500", "m-2000")).find((f) => f.id === "next-size")!.plan.vessel,
    ).toBe("m-1500"));
  test("two jars hold all of the herb between them", () => {
    const pair = fixes(HERBY, of("m-750", "m-1000", "m-500")).find((f) => f.id === "two-jars")!;
    const herb = (p: Plan) => value(p).lines[0]!.grams.value;
    expect(herb(pair.plan) + herb(pair.rest!)).toBeCloseTo(400, 0);
  });
  test("leaves cut finer pack closer and come under the liquid", () => {
    const bulky = made("vinegar-plain", [], {
      vessel: "m-1000",
      steps: [
        {
          do: "add",
          what: [line("sage", "200 g", { form: "fresh", cut: "whole" }), line("cider-vinegar", "600 mL")],
        },
        { do: "steep", for: "4 weeks" },
        { do: "strain", how: "wrung" },
      ],
    });
    const f = fixes(bulky, []).find((x) => x.id === "cut-finer")!;
    expect(linesOf(f.plan)[0]).toMatchObject({ cut: "chopped", amount: "200 g" });
    expect(value(f.plan).lines[0]!.grams.value).toBeCloseTo(200, 3);
  });
  test("no free vessel, no such offer", () =>
    expect(fixes(tooMuch, []).map((f) => f.id)).not.toContain("next-size"));
});

describe("ways side by side", () => {
  const ways = ["oxymel-even", "oxymel-sharp", "oxymel-heated"].map((id) => wayById(id)!);
  const columns = compareWays(OXYMEL, ways, [], { people: [], today: TODAY });
  test("take the very same herbs by weight", () => {
    for (const c of columns)
      expect(c.made!.program.lines.find((l) => l.stuff.id === "hyssop")!.grams).toBeCloseTo(
        value(OXYMEL).lines[0]!.grams.value,
        0,
      );
  });
  test("differ where their spreads stand apart, and not where they overlap", () => {
    const d = differing(columns);
    expect([...d]).toEqual(expect.arrayContaining(["ready", "sharpness"]));
    expect([...differing([columns[0]!, columns[0]!])]).toEqual([]);
    expect(d.has("alcohol")).toBe(false);
  });
  test("every way of every kind makes a column", () => {
    for (const kind of KINDS) {
      const start = made(waysOf(kind)[0]!.id, [line("thyme", "30 g", { form: "dried" })]);
      for (const c of compareWays(start, waysOf(kind), [], { people: [], today: TODAY })) {
        expect([c.way.id, c.cannot]).toEqual([c.way.id, undefined]);
        expect(Number.isFinite(figureOf(c, "yield")!.value)).toBe(true);
      }
    }
  });
  test("a way that cannot take it says why", () => {
    const full = made("oxymel-even", [line("nettle", "520 g", { form: "fresh" })]);
    const [c] = compareWays({ ...full, vessel: "us-half-pint" }, [wayById("oxymel-sharp")!], [], {
      people: [],
      today: TODAY,
    });
    expect(c).toMatchObject({ made: undefined, cannot: expect.stringContaining("fills the") });
  });
});

describe("the schools", () => {
  const BY_KIND: Record<string, Plan> = {
    oxymel: OXYMEL,
    syrup: made("syrup-fridge", [
      line("horehound", "2 cups", { form: "dried" }),
      line("garlic", "4 cloves", { form: "fresh" }),
    ]),
    "fire-cider": made("cider-after", [
      line("garlic", "6 cloves", { form: "fresh" }),
      line("horseradish", "6 cm", { form: "fresh" }),
    ]),
    honey: made("honey-dried", [line("lime-blossom", "1 cup", { form: "dried" })]),
    vinegar: made("vinegar-plain", [line("nettle", "1/2 jar", { form: "fresh" })]),
    tincture: made("tincture-jarful", [line("hawthorn-berry", "1/2 jar", { form: "dried" })]),
  };
  test("every question has one cautious default, and every school a reason", () => {
    for (const q of Object.values(QUESTIONS)) {
      expect([q.id, q.schools.filter((s) => s.cautious).length]).toEqual([q.id, 1]);
      for (const s of q.schools) expect(s.why.length).toBeGreaterThan(12);
    }
  });
  test.each(Object.entries(BY_KIND))(
    "%s: a school taken is the school it then follows, and it still reckons",
    (_, plan) => {
      for (const q of questionsFor(plan))
        for (const s of q.schools) {
          const then = s.make(plan);
          if (!questionsFor(then).some((x) => x.id === q.id)) continue;
          expect([q.id, s.id, s.holds(then)]).toEqual([q.id, s.id, true]);
          const r = reckon(then);
          expect([q.id, s.id, r.ok ? "reckons" : r.faults[0]!.message]).toEqual([
            q.id,
            s.id,
            r.ok ? "reckons" : expect.stringMatching(/fills the|herb/),
          ]);
        }
    },
  );
  test("honey in first or vinegar in first is the order of the lines", () => {
    const q = QUESTIONS.order;
    const honeyFirst = q.schools.find((s) => s.id === "honey-then-vinegar")!.make(OXYMEL);
    expect(linesOf(honeyFirst).map((l) => l.material)).toEqual(["hyssop", "honey", "cider-vinegar"]);
    expect(schoolOf(q, honeyFirst)!.id).toBe("honey-then-vinegar");
  });
  test("a sunny sill takes the cupboard from an oxymel", () =>
    expect(
      value(QUESTIONS.place.schools.find((s) => s.id === "sunny-sill")!.make(OXYMEL)).verdict.vetoes.map(
        (v) => v.id,
      ),
    ).toContain("sunny-sill"));
  test("sugar to cupboard strength still wants boiling and hot bottling", () => {
    const to = QUESTIONS.sweetener.schools.find((s) => s.id === "cupboard")!.make(BY_KIND["syrup"]!);
    expect(value(to).finished.brix.value).toBeGreaterThan(66);
    expect(value(to).verdict.place).toBe("fridge");
  });
});

describe("what if", () => {
  const grant = (plan: Plan, wish: Wish) => whatIf(plan, wish);
  test("it kept in the cupboard: each offer, done, does", () => {
    const fridge = made("syrup-fridge", [line("horehound", "2 cups", { form: "dried" })]);
    const g = grant(fridge, { for: "cupboard" });
    for (const c of g.changes) expect(value(c.plan).verdict.cupboard).not.toBeNull();
    expect(grant(OXYMEL, { for: "cupboard" })).toMatchObject({
      changes: [],
      says: expect.stringContaining("as it is"),
    });
  });
  test("no alcohol: the spirit is gone, and what stands in for it fills the jar", () => {
    const t = made("tincture-jarful", [line("hawthorn-berry", "80 g", { form: "dried" })]);
    const g = grant(t, { for: "no-alcohol" });
    expect(g.changes.map((c) => c.id)).toEqual(["glycerin-for-spirit", "vinegar-for-spirit"]);
    for (const c of g.changes) expect(value(c.plan).finished.abv.value).toBe(0);
    const weighed = grant(made("tincture-weighed", [line("hawthorn-berry", "60 g", { form: "dried" })]), {
      for: "no-alcohol",
    });
    expect(value(weighed.changes[0]!.plan).finished.glycerol.value).toBeGreaterThan(50);
    const syrup = grant(made("syrup-spirit", [line("horehound", "2 cups", { form: "dried" })]), {
      for: "no-alcohol",
    });
    expect(syrup.changes[0]).toMatchObject({ id: "leave-out-spirit" });
    expect(grant(OXYMEL, { for: "no-alcohol" }).says).toMatch(/no alcohol/);
  });
  test("less sweet: as long a life as now first, then a third less", () => {
    const g = grant(made("oxymel-sweet", [HYSSOP]), { for: "less-sweet" });
    const now = value(made("oxymel-sweet", [HYSSOP]));
    const same = g.changes.find((c) => c.id === "less-sweet-same-life")!;
    expect(value(same.plan).verdict.life.days).toBeGreaterThanOrEqual(now.verdict.life.days);
    for (const c of g.changes)
      expect(value(c.plan).finished.brix.value).toBeLessThan(now.finished.brix.value);
    expect(grant(made("vinegar-plain", [HYSSOP]), { for: "less-sweet" }).says).toMatch(/no sweetener/);
  });
  test("ready by a day: in time already, sooner with a shorter stand or on the heat, or not at all", () => {
    expect(grant(OXYMEL, { for: "ready-by", today: TODAY, by: "2027-03-01" }).says).toMatch(/in time/);
    const soon = grant(OXYMEL, { for: "ready-by", today: TODAY, by: "2026-12-12" });
    expect(soon.changes.map((c) => c.id)).toEqual(["shorter-steep", "heated-way"]);
    expect(soon.changes[0]!.words).toMatch(/18 days/);
    expect(
      grant(OXYMEL, { for: "ready-by", today: TODAY, by: "2026-11-26" }).changes.map((c) => c.id),
    ).toEqual(["heated-way"]);
    expect(
      grant(made("vinegar-plain", [HYSSOP]), { for: "ready-by", today: TODAY, by: "2026-11-26" }).says,
    ).toMatch(/No way/);
  });
  test("only what I have: everything offered is there, whatever is offered", () => {
    const lots = [lot("hyssop", 20, { form: "dried" }), lot("cider-vinegar", 2000), lot("late-honey", 900)];
    const g = grant(OXYMEL, { for: "only-what-i-have", lots });
    expect(g.changes.length).toBe(0);
    const more = [...lots, lot("honey", 500)];
    const s = grant(OXYMEL, { for: "only-what-i-have", lots: more });
    expect(s.changes.map((c) => c.id)).toContain("smaller");
    for (const c of s.changes)
      for (const l of program(c.plan).lines)
        expect(l.grams).toBeLessThanOrEqual(
          (more.find((x) => x.material === l.stuff.id)?.leftG ?? 0) * 1.011,
        );
    expect(
      grant(OXYMEL, {
        for: "only-what-i-have",
        lots: [lot("hyssop", 90, { form: "dried" }), lot("cider-vinegar", 2000), lot("honey", 2000)],
      }).says,
    ).toMatch(/All of it/);
  });
  test("dried in the stores stands in for fresh", () => {
    const plan = made("vinegar-plain", [line("nettle", "200 g", { form: "fresh" })]);
    const g = grant(plan, {
      for: "only-what-i-have",
      lots: [lot("nettle", 100, { form: "dried" }), lot("cider-vinegar", 2000)],
    });
    expect(g.changes[0]).toMatchObject({ id: "stand-ins", words: "nettle dried for fresh." });
  });
});

describe("the rail", () => {
  const rail = (p: Plan) => railOf(p, program(p), value(p));
  const jointOf = (p: Plan, name: RegExp) => rail(p)!.joints.find((j) => name.test(j.name))!;
  const CASES: [string, Plan][] = [
    ["an oxymel", OXYMEL],
    ["a fire cider sweetened after", made("cider-after", [line("horseradish", "80 g", { form: "fresh" })])],
    ["a honey", made("honey-dried", [line("lime-blossom", "1 cup", { form: "dried" })])],
    ["a vinegar", made("vinegar-plain", [line("nettle", "1/2 jar", { form: "fresh" })])],
    ["a jarful tincture", made("tincture-jarful", [line("hawthorn-berry", "1/2 jar", { form: "dried" })])],
    ["a weighed tincture", made("tincture-weighed", [line("hawthorn-berry", "60 g", { form: "dried" })])],
    ["a syrup", made("syrup-fridge", [line("horehound", "2 cups", { form: "dried" })])],
    ["a reduced syrup", made("syrup-half", [line("horehound", "2 cups", { form: "dried" })])],
    ["a cupboard syrup", made("syrup-cupboard", [line("horehound", "2 cups", { form: "dried" })])],
  ];
  test.each(CASES)(
    "%s has one, and every joint moved to any share still reckons and lands there",
    (_, plan) => {
      const r = rail(plan)!;
      expect(r.joints.length).toBeGreaterThan(0);
      r.joints.forEach((j, i) => {
        for (const share of [0.3, 0.45, 0.6, ...j.notches.map((n) => n.share)].filter(
          (s) => s >= (j.least ?? 0.03) && s <= (j.most ?? 0.97),
        )) {
          const next = j.moved(share);
          const again = resolve(next);
          if (!again.ok) {
            // A jar so full of herb that nothing else goes in is told, not guessed.
            expect(again.faults[0]!.name).toBe("DoesNotFit");
            continue;
          }
          const after = railOf(next, again.value, reckonProgram(again.value))!;
          const k = after.joints[i]!;
          const [a, b] = [after.parts[k.left]!.parts, after.parts[k.left + 1]!.parts];
          if (j.name.startsWith("Herb against what")) continue;
          expect([j.name, share, Math.abs(b / (a + b) - share) < 0.03]).toEqual([j.name, share, true]);
        }
      });
    },
  );
  test("a tincture's strength is by mass, and neat takes the water out again", () => {
    const p = made("tincture-jarful", [line("hawthorn-berry", "60 g", { form: "dried" })]);
    const strong = withMaterial(p, "vodka-40", { material: "spirit-95" });
    const j = jointOf(strong, /^Strength/);
    const fifty = j.moved(j.notches.find((n) => n.name === "50 %")!.share);
    const [, spirit, water] = value(fifty).lines;
    const g = spirit!.grams.value + water!.grams.value;
    expect(g).toBeGreaterThan(0);
    // The berries' own water is beside the menstruum: reckon the two liquids alone.
    const alone = value(
      trial(fifty, {
        vessel: undefined,
        steps: [
          {
            do: "add",
            what: [line("spirit-95", `${spirit!.ml.value} mL`), line("water", `${water!.ml.value} mL`)],
          },
        ],
      }),
    );
    expect(alone.finished.abv.value).toBeCloseTo(50, 0);
    expect(linesOf(jointOf(fifty, /^Strength/).moved(0)).map((l) => [l.material, l.amount])).toEqual([
      ["hawthorn-berry", "60 g"],
      ["spirit-95", "fill"],
    ]);
  });
  test("a syrup's reduction comes and goes with its joint", () => {
    const p = made("syrup-fridge", [line("horehound", "2 cups", { form: "dried" })]);
    const half = jointOf(p, /^Boiled/).moved(0.5);
    expect(half.steps.map((s) => s.do)).toEqual([
      "add",
      "simmer",
      "reduce",
      "steep",
      "strain",
      "cool",
      "add",
      "bottle",
    ]);
    expect(value(half).strained.ml.value).toBeLessThan(0.6 * value(p).strained.ml.value);
    expect(jointOf(half, /^Boiled/).moved(1).steps).toEqual(p.steps);
  });
});

describe("lines moved about", () => {
  test("to another place, and into another step", () => {
    const p = made("cider-after", [line("garlic", "4 cloves"), line("ginger", "3 cm")]);
    const [first, late] = [p.steps[0]!.id, p.steps[3]!.id];
    const [garlic, ginger] = linesOf(p).map((l) => l.id);
    expect(linesOf(moved(p, garlic!, first, 1)).map((l) => l.material)).toEqual([
      "ginger",
      "garlic",
      "cider-vinegar",
      "honey",
    ]);
    expect(moved(p, ginger!, late, 0).steps[3]).toMatchObject({
      what: [{ material: "ginger" }, { material: "honey" }],
    });
    expect(moved(p, garlic!, p.steps[1]!.id, 0)).toBe(p);
  });
  test("an amount set leaves the rest as it was", () =>
    expect(linesOf(withAmount(OXYMEL, linesOf(OXYMEL)[0]!.id, "2 cups"))).toEqual(
      linesOf(OXYMEL).map((l, i) => (i === 0 ? { ...l, amount: "2 cups" } : l)),
    ));
});

describe("a scaled spoon or cup is one a kitchen can measure", () => {
  const scaledTo = (amount: string, factor: number): string =>
    linesOf(scaledBy(made("oxymel-even", [line("thyme", amount, { form: "dried" })]), factor)).find(
      (l) => l.material === "thyme",
    )!.amount;
  test.each([
    ["⅓ cup", 0.5, "2 tbsp + 2 tsp"],
    ["½ cup", 1 / 3, "2 tbsp + 2 tsp"],
    ["⅓ cup", 0.25, "1 tbsp + 1 tsp"],
    ["1 cup", 1 / 6, "2 tbsp + 2 tsp"],
    ["1 tbsp", 1 / 3, "1 tsp"],
    ["2 tbsp", 1 / 3, "2 tsp"],
    ["½ cup", 0.5, "¼ cup"],
    ["1 tsp", 0.5, "½ tsp"],
    ["1 cup", 1 / 16, "1 tbsp"],
    ["1 fl oz", 0.25, "1½ tsp"],
    ["1 pint", 1 / 8, "4 tbsp"],
    ["1 kg", 0.25, "250 g"],
    ["1 L", 0.05, "50 mL"],
  ])("%s times %p is %s", (amount, factor, reads) => expect(scaledTo(amount, factor)).toBe(reads));
  test("whatever it is scaled by, nothing of it is lost", () => {
    for (const amount of ["1 cup", "½ cup", "⅓ cup", "¾ cup", "1 tbsp", "2 tbsp", "1½ tsp", "1¼ cups"])
      for (let k = 1; k <= 60; k++) {
        const factor = k / 24;
        const [was, is] = [readAmount(amount, "us"), readAmount(scaledTo(amount, factor), "us")];
        if (!was.ok || !is.ok || was.value.kind !== "measure" || is.value.kind !== "measure")
          throw new Error(`${amount} times ${factor}`);
        expect(is.value.si.value / (was.value.si.value * factor)).toBeCloseTo(1, 2);
      }
  });
});
