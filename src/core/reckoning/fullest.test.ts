import { describe, expect, test } from "@jest/globals";
import { type Chance, chance } from "../../../tests/chance";
import type { Caution } from "../cautions/caution";
import { cautionsOf } from "../cautions/rules";
import { scaledBy } from "../advice/scale";
import type { Plan } from "../plan/plan";
import { line, made } from "../plan/trial";
import { VESSELS } from "../vessel/catalogue";
import { askedOfVessel } from "./fullest";
import { NOTHING_HAPPENED as NOTHING } from "../plan/happened";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";

const judged = (plan: Plan): readonly Caution[] => {
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  return cautionsOf({
    program: program.value,
    reckoning: reckonProgram(program.value),
    meantFor: [],
    others: [],
    today: "2026-11-24",
  });
};
const pots = [...VESSELS.values()].filter((v) => v.sort === "pot");
const pressurePots = [...VESSELS.values()].filter((v) => v.sort === "pressure-pot");
const nearest = (ml: number): string =>
  [...pots].sort((a, b) => Math.abs(a.solid.brimMl - ml) - Math.abs(b.solid.brimMl - ml))[0]!.id;
const severity = (plan: Plan, id: string): string | undefined =>
  judged(plan).find((c) => c.id === id)?.severity;

/** A pot by another hand: grams and densities added up, and what was said to boil off taken away. */
interface Pot {
  readonly waterMl: number;
  readonly sugarG: number;
  readonly losesMl: number;
  readonly herbG: number;
}
const potPlan = (p: Pot, vessel: string): Plan =>
  made("syrup-fridge", [], {
    vessel,
    steps: [
      {
        do: "add",
        what: [line("thyme", `${p.herbG} g`, { form: "dried" }), line("water", `${p.waterMl} mL`)],
      },
      { do: "simmer", for: "20 min", loses: `${p.losesMl} mL` },
      { do: "strain", how: "wrung" },
      { do: "add", what: [line("sugar", `${p.sugarG} g`)] },
      { do: "simmer", for: "3 min", loses: "5 mL" },
      { do: "bottle", hot: true },
    ],
  });
/** mL of a gram of sugar dissolved, and of a gram of soaked herb's own fibre. */
const [SUGAR_ML, FIBRE_ML] = [0.62, 0.5];
const before = (p: Pot): number => p.waterMl + p.herbG * FIBRE_ML;
/** Dried herb keeps some three times its weight in the cloth. */
const after = (p: Pot): number => p.waterMl - p.losesMl - p.herbG * 2 + p.sugarG * SUGAR_ML;
const anyPot = (c: Chance): Pot => {
  const waterMl = Math.round(c.from(200, 4000));
  return {
    waterMl,
    sugarG: Math.round(c.from(50, 2 * waterMl)),
    losesMl: Math.round(c.from(5, waterMl * 0.4)),
    herbG: Math.round(c.from(2, 60)),
  };
};

describe("a vessel at its fullest", () => {
  test("what would run over is stopped and what does not is not, by a sum of another hand, 600 pots", () => {
    const wrong: string[] = [];
    let [over, under] = [0, 0];
    for (let i = 0; i < 600; i++) {
      const c = chance(i * 37 + 5);
      const p = anyPot(c);
      const vessel = c.pick(pots);
      const most = Math.max(before(p), after(p)) / vessel.solid.brimMl;
      const stopped = severity(potPlan(p, vessel.id), "overflows") === "stop";
      if (most > 1.06) over++;
      if (most < 0.94) under++;
      if ((most > 1.06 && !stopped) || (most < 0.94 && stopped))
        wrong.push(`${vessel.id} ${JSON.stringify(p)} ${most}`);
    }
    expect([over > 50, under > 50]).toEqual([true, true]);
    expect(wrong).toEqual([]);
  });
  test("sugar to a goal in a litre of water overflows a small pan; the figures told are those of the pot", () => {
    const plan = made("syrup-fridge", [], {
      vessel: nearest(1500),
      steps: [
        { do: "add", what: [line("thyme", "20 g", { form: "dried" }), line("water", "1 L")] },
        { do: "simmer", for: "20 min" },
        { do: "strain", how: "wrung" },
        { do: "add", what: [line("sugar", "to 67 Bx")] },
        { do: "simmer", for: "3 min" },
        { do: "bottle", hot: true },
      ],
    });
    const told = judged(plan).find((c) => c.id === "overflows")!;
    expect(told.severity).toBe("stop");
    const [fullest] = /[\d]+/.exec(told.says)!;
    const program = resolve(plan);
    if (!program.ok) throw new Error("no plan");
    const most = Math.max(...askedOfVessel(program.value).map((a) => a.fullestMl));
    expect(Math.abs(Number(fullest) - most)).toBeLessThan(most * 0.02);
    expect(told.about).toMatchObject({ what: "step" });
  });
  test("a boiling syrup wants a quarter of the pan to rise in; a simmer of water a tenth", () => {
    const big = VESSELS.get(nearest(3000))!;
    const at = (waterMl: number, sugarG: number) =>
      severity(potPlan({ waterMl, sugarG, losesMl: 10, herbG: 10 }, big.id), "overflows");
    expect(at(big.solid.brimMl * 0.5, 20)).toBeUndefined();
    expect(at(big.solid.brimMl * 0.95, 20)).toBe("caution");
    expect(at(big.solid.brimMl * 0.5, big.solid.brimMl * 0.45)).toBe("caution");
  });
  test("pressure wants what holds it, two thirds full, half for what foams", () => {
    const plan = (vessel: string, herb: string, ml: number): Plan =>
      made("syrup-fridge", [], {
        vessel,
        steps: [
          { do: "add", what: [line(herb, "30 g", { form: "dried" }), line("water", `${Math.round(ml)} mL`)] },
          { do: "pressure", for: "20 min" },
          { do: "strain", how: "wrung" },
          { do: "add", what: [line("honey", "300 mL")] },
          { do: "bottle" },
        ],
      });
    const pot = pressurePots[0]!;
    expect(severity(plan(nearest(3000), "thyme", 900), "pressure")).toBe("stop");
    expect(severity(plan(pot.id, "thyme", pot.solid.brimMl * 0.6), "overflows")).toBeUndefined();
    expect(severity(plan(pot.id, "thyme", pot.solid.brimMl * 0.72), "overflows")).toBe("stop");
    expect(severity(plan(pot.id, "elderberry", pot.solid.brimMl * 0.6), "overflows")).toBe("stop");
    expect(severity(plan(pot.id, "elderberry", pot.solid.brimMl * 0.4), "overflows")).toBeUndefined();
  });
});

describe("a pan that boils dry", () => {
  const losing = (waterMl: number, loses: string): Plan =>
    made("syrup-fridge", [], {
      vessel: nearest(3000),
      steps: [
        { do: "add", what: [line("thyme", "10 g", { form: "dried" }), line("water", `${waterMl} mL`)] },
        { do: "simmer", for: "20 min", loses },
        { do: "strain", how: "wrung" },
        { do: "add", what: [line("honey", "300 mL")] },
        { do: "bottle" },
      ],
    });
  test("more than is there cannot be said to boil away: told at its field, with what would be right", () => {
    const r = resolve(losing(500, "600 mL"));
    expect(r.ok ? "let pass" : r.faults[0]).toMatchObject({ name: "BoilsDry", path: ["steps", 1, "loses"] });
    expect(resolve(losing(500, "300 mL")).ok).toBe(true);
  });
  test("by the clock: three hours without a lid over half a litre", () => {
    const plan = made("syrup-fridge", [], {
      vessel: nearest(3000),
      steps: [
        { do: "add", what: [line("thyme", "10 g", { form: "dried" }), line("water", "500 mL")] },
        { do: "simmer", for: "3 hours", lid: "off" },
        { do: "strain", how: "wrung" },
        { do: "add", what: [line("honey", "300 mL")] },
        { do: "bottle" },
      ],
    });
    expect(severity(plan, "boils-dry")).toBe("stop");
    expect(
      severity(
        { ...plan, steps: plan.steps.map((s) => (s.do === "simmer" ? { ...s, for: "20 min" } : s)) },
        "boils-dry",
      ),
    ).toBeUndefined();
  });
  test("what boils away grows with the batch: halved, doubled, ten times", () => {
    for (const by of [0.5, 2, 10]) {
      const scaled = scaledBy(losing(500, "300 mL"), by);
      const [one, other] = [resolve(losing(500, "300 mL")), resolve(scaled)];
      if (!one.ok || !other.ok) throw new Error("no plan");
      const ml = [one, other].map((r) => reckonProgram(r.value).strained.ml.value);
      expect(ml[1]! / ml[0]!).toBeCloseTo(by, 1);
    }
  });
  test("what was said to boil away is believed: a jug that differs does not multiply it", () => {
    const plan = losing(1000, "590 mL");
    const happened = {
      ...NOTHING,
      strained: [{ step: plan.steps[2]!.id, measured: "380 mL", how: "wrung" as const }],
    };
    const r = resolve(plan, {}, happened);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    const off = r.value.operations.find((o) => o.op === "boil-off")!;
    expect(off.op === "boil-off" && Math.abs(off.grams / 590 - 1)).toBeLessThan(0.16);
  });
});
