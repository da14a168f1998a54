import { batchOf } from "../../../tests/trial-journal";
import { cautionsOf } from "../cautions/rules";
import { upTo, contentsOf, issue, lastDayOf } from "../label/label";
import { COMPONENT_NAMES } from "../mixture/components";
import type { Line, Plan } from "../plan/plan";
import { type TrialLine, line, made, trial, withSteps } from "../plan/trial";
import { factsOf } from "../reckoning/facts";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Batch } from "./fold";
import { comesFrom, isSecondRun, marcOf, oursId, oursRow, secondRun } from "./ours";
import { reckonBatch } from "./reckon";

const DAY = 60 * 24;
const ID = "0b8c9e3e-6b1f-4c6e-9f5e-5a4b3c2d1e0f";

/** A batch of these things, steeped and strained to so much. */
function strained(lines: readonly TrialLine[], measured: string, simmer?: string): Batch {
  const plan = withSteps(trial(made("oxymel-even", []), { vessel: simmer ? "p-3000" : "m-1000" }), [
    { do: "add", what: lines },
    ...(simmer ? ([{ do: "simmer", for: simmer }] as const) : ([{ do: "steep", for: "4 weeks" }] as const)),
    { do: "strain", how: "wrung" },
    { do: "bottle" },
  ]);
  return { ...batchOf(plan, [28 * DAY, "strained", { measured, how: "wrung" }]), id: ID };
}
const reckoned = (b: Batch) => {
  const r = reckonBatch(b);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const rowOf = (b: Batch, bestBy?: string) => oursRow(b, reckoned(b).program, reckoned(b).reckoning, bestBy);

/** A plan with so much of a batch's bottles and what else goes in. */
function withOurs(
  b: Batch,
  amount: string,
  more: readonly TrialLine[] = [],
  bestBy?: string,
  plan?: Partial<Plan>,
): Plan {
  const ours = line(oursId(b.id), amount, { from: { batch: b.id } });
  return trial(withSteps(made("oxymel-even", []), [{ do: "add", what: [ours, ...more] }, { do: "bottle" }]), {
    materials: [rowOf(b, bestBy)],
    ...plan,
  });
}
function run(plan: Plan, born?: string) {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  const reckoning = reckonProgram(p.value);
  const baby = {
    id: "b",
    name: "the baby",
    flags: [],
    allergies: "",
    medicines: "",
    notes: "",
    born,
  } as never;
  const cautions = cautionsOf({
    ...{ program: p.value, reckoning, today: "2026-11-24", others: [] },
    meantFor: born ? [baby] : [],
  });
  return { program: p.value, reckoning, facts: factsOf(p.value, reckoning.finished), cautions };
}

const OXYMEL = strained(
  [
    line("hyssop", "30 g", { form: "dried" }),
    line("cider-vinegar", "400 mL", { strength: "5 %" }),
    line("honey", "400 mL"),
  ],
  "760 mL",
);

describe("a bottle of ours as a line", () => {
  test("poured alone it is the liquid it was, figure by figure", () => {
    const was = reckoned(OXYMEL).reckoning.finished;
    const is = run(withOurs(OXYMEL, "300 mL")).reckoning.finished;
    for (const f of ["brix", "acetic", "acid", "abv", "water"] as const)
      expect(Math.abs(is[f].value - was[f].value)).toBeLessThan(0.02 * Math.max(1, was[f].value));
    expect(Math.abs(is.ph.value - was.ph.value)).toBeLessThan(0.05);
    expect(is.ml.value).toBeCloseTo(300, 0);
  });
  test("its row's make-up adds up to one gram", () => {
    const { composition } = rowOf(OXYMEL);
    const sum = COMPONENT_NAMES.reduce((g, n) => g + (composition[n] ?? 0), 0);
    expect(sum).toBeCloseTo(1, 3);
  });
  test("what it holds is said on the label and asked of people: honey in it is never for a baby", () => {
    const plan = withOurs(OXYMEL, "300 mL");
    const r = run(plan, "2026-06");
    expect(contentsOf(r.program)).toBe("honey, cider vinegar, hyssop");
    expect(r.cautions.some((c) => c.severity === "never")).toBe(true);
    expect(run(plan).cautions.some((c) => c.severity === "never")).toBe(false);
  });
  test("grams of a plant are those that came with what was poured", () => {
    const sage = (amount: string): Batch =>
      strained([line("hyssop", amount, { form: "dried" }), line("vodka-40", "600 mL")], "500 mL");
    const held = (b: Batch, ml: string): number => {
      const { program } = run(withOurs(b, ml));
      const l = program.lines[0]!;
      return l.grams * l.stuff.holds!.find((h) => h.material === "hyssop")!.share;
    };
    expect(held(sage("40 g"), "100 mL")).toBeCloseTo(2 * held(sage("40 g"), "50 mL"), 2);
    expect(held(sage("40 g"), "500 mL")).toBeGreaterThan(30);
    expect(held(sage("40 g"), "500 mL")).toBeLessThanOrEqual(40.01);
  });
  test("fresh garlic in honey is no less a hazard out of a bottle", () => {
    const garlic = strained([line("garlic", "60 g", { form: "fresh" }), line("honey", "500 mL")], "480 mL");
    expect(rowOf(garlic).tags).toEqual(expect.arrayContaining(["holds-low-acid", "holds-raw-honey"]));
    const r = run(withOurs(garlic, "100 mL", [line("honey", "400 mL")]));
    expect(r.facts).toMatchObject({ fresh: "low-acid", rawHoney: true });
    expect(r.reckoning.verdict.vetoes.map((v) => v.id)).toContain("low-acid-fresh");
    expect(r.reckoning.verdict.cupboard).toBeNull();
  });
  test("what was cooked stays cooked; what was raw is told", () => {
    const elder = (simmer: string | undefined): Batch =>
      strained(
        [line("elderberry", "100 g", { form: "fresh" }), line(simmer ? "water" : "vodka-40", "700 mL")],
        "600 mL",
        simmer,
      );
    const ids = (b: Batch): string[] => run(withOurs(b, "200 mL")).cautions.map((c) => c.id);
    const raw = ids(elder(undefined)).filter((id) => /elder|raw/.test(id));
    expect(raw.length).toBeGreaterThan(0);
    expect(ids(elder("45 min")).filter((id) => raw.includes(id))).toEqual([]);
  });
  test("nothing made of it is promised past its own day; a day that is past is a caution", () => {
    const r = run(withOurs(OXYMEL, "300 mL", [], "2026-12-24"));
    expect(lastDayOf(r.program)).toBe("2026-12-24");
    const v = issue(r.reckoning.verdict);
    expect(v.days).toBeGreaterThan(30);
    const cut = upTo(v, "2026-11-24", "2026-12-24");
    expect([cut.days, cut.fridgeDays, cut.openedDays].every((d) => d <= 30)).toBe(true);
    expect(cut.lifeWords).toBe("4 weeks");
    expect(upTo(v, "2026-11-24", undefined)).toEqual(v);
    expect(upTo(v, "2026-11-24", "2036-11-24")).toEqual(v);
    const severity = (day: string) =>
      run(withOurs(OXYMEL, "300 mL", [], day)).cautions.find((c) => c.id === "ours-best-by")!.severity;
    expect(severity("2026-12-24")).toBe("note");
    expect(severity("2026-11-01")).toBe("caution");
  });
  test("a bottle of a bottle holds what the first held", () => {
    const first = run(withOurs(OXYMEL, "300 mL"));
    const second: Batch = {
      ...batchOf(withOurs(OXYMEL, "300 mL"), [DAY, "strained", { measured: "300 mL", how: "drained" }]),
      id: "1b8c9e3e-6b1f-4c6e-9f5e-5a4b3c2d1e0f",
    };
    const row = oursRow(second, first.program, first.reckoning, undefined);
    expect(row.holds!.map((h) => h.material).sort()).toEqual(["cider-vinegar", "honey", "hyssop"]);
    expect(comesFrom(withOurs(OXYMEL, "300 mL"))).toEqual([ID]);
  });
});

describe("a second run of a marc", () => {
  const r = reckoned(OXYMEL);
  test("the marc weighs what the plants did not give up and the liquid they keep", () => {
    const m = marcOf(OXYMEL, r.program)!;
    const kept = r.reckoning.jar.g.value - r.reckoning.strained.g.value;
    expect(m.grams).toBeGreaterThan(kept);
    expect(m.grams).toBeLessThan(kept + 30);
    expect(m.row.holds).toMatchObject([{ material: "hyssop", form: "dried" }]);
  });
  test("it is planned with the same liquids and steps, and gives less herb than the first", () => {
    const plan = secondRun(OXYMEL, r.program)!;
    expect(plan.name).toMatch(/, second run$/);
    expect(isSecondRun(plan)).toBe(true);
    expect(isSecondRun(OXYMEL.begunPlan)).toBe(false);
    expect(comesFrom(plan)).toEqual([ID]);
    const what = plan.steps.flatMap((s) => (s.do === "add" ? s.what.map((l: Line) => l.material) : []));
    expect(what).toEqual([`marc-${ID}`, "cider-vinegar", "honey"]);
    expect(plan.steps.map((s) => s.do)).toEqual(OXYMEL.begunPlan.steps.map((s) => s.do));
    const again = run(plan);
    const solids = (x: typeof again.reckoning): number => x.ledger.plantsG + x.ledger.marcG;
    expect(solids(again.reckoning)).toBeGreaterThan(0);
    const held = again.program.lines[0]!;
    const hyssop = held.grams * held.stuff.holds![0]!.share;
    expect(hyssop).toBeLessThan(30 * 0.9);
    expect(hyssop).toBeGreaterThan(1);
  });
  test("a marc of fresh garlic is fresh and low in acid, whatever it stood in", () => {
    const garlic = strained(
      [
        line("garlic", "80 g", { form: "fresh" }),
        line("sage", "20 g", { form: "fresh" }),
        line("cider-vinegar", "600 mL"),
      ],
      "560 mL",
    );
    const plan = secondRun(garlic, reckoned(garlic).program)!;
    expect(run(plan).facts.fresh).toBe("low-acid");
  });
  test("no plant, no straining: no marc", () => {
    const none = strained([line("water", "300 mL"), line("honey", "300 mL")], "590 mL");
    expect(secondRun(none, reckoned(none).program)).toBeUndefined();
  });
});
