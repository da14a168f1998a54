import { describe, expect, test } from "@jest/globals";
import { line, made } from "../plan/trial";
import type { Plan } from "../plan/plan";
import { whereItWent } from "../reckoning/went";
import { beforeFinish } from "../reckoning/in-the-pot";
import { reckonProgram, asItLeftTheCloth } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { reasonsOf } from "../keeping/reasons";
import { addDays } from "../day";
import { reckonBatch, standingOn } from "./reckon";
import { type Said, batchOf, startMs } from "../../../tests/trial-journal";

const DECOCTION = made("syrup-fridge", [], {
  vessel: "p-3000",
  steps: [
    { do: "add", what: [line("horehound", "30 g", { form: "dried" }), line("water", "1 L")] },
    { do: "simmer", for: "20 min", loses: "100 mL" },
    { do: "strain", how: "wrung" },
    { do: "add", what: [line("honey", "300 mL")] },
    { do: "bottle" },
  ],
});
/** Strained on the day begun, and sweetened and bottled so many days later. */
const waited = (plan: Plan, days: number) => {
  const strained = batchOf(plan, [120, "strained", { measured: "600 mL", how: "wrung" }]);
  const later = addDays(strained.strainedDay!, days);
  return { batch: standingOn(strained, later), later };
};
const judged = (plan: Plan, days: number) => {
  const { batch, later } = waited(plan, days);
  const r = reckonBatch(batch, batch.making, { people: [], today: later });
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value.reckoning;
};

describe("days between the cloth and the honey", () => {
  test("a decoction keeps as long as it does, then nothing that is made of it is to be kept", () => {
    const fresh = judged(DECOCTION, 0);
    expect(fresh.verdict.place).not.toBe("do-not-keep");
    const r = resolve(DECOCTION);
    if (!r.ok) throw new Error("no plan");
    const keeps = asItLeftTheCloth(r.value, reckonProgram(r.value).strained).days;
    expect(judged(DECOCTION, keeps).verdict.place).not.toBe("do-not-keep");
    expect(judged(DECOCTION, keeps + 1).verdict).toMatchObject({ place: "do-not-keep" });
    expect(judged(DECOCTION, 10).verdict.vetoes.map((v) => v.id)).toContain("stood-too-long");
  });
  test("it is said with its days where it is next touched, as what no reason passes, and alone among the reasons", () => {
    const { batch, later } = waited(DECOCTION, 10);
    const r = reckonBatch(batch, batch.making, { people: [], today: later });
    if (!r.ok) throw new Error(r.faults[0]!.message);
    const told = r.value.cautions.find((c) => c.id === "stood-too-long")!;
    expect([told.severity, told.says]).toEqual([
      "never",
      expect.stringMatching(/^It has stood 10 days since the cloth, .* it keeps three days in the fridge\.$/),
    ]);
    expect(reasonsOf(r.value.reckoning.verdict)).toHaveLength(1);
    const fresh = waited(DECOCTION, 1);
    const ok = reckonBatch(fresh.batch, fresh.batch.making, { people: [], today: fresh.later });
    expect(ok.ok && ok.value.cautions.some((c) => c.id === "stood-too-long")).toBe(false);
  });
  test("what keeps itself may wait: a tincture, a vinegar", () => {
    const tincture = made("tincture-jarful", [line("thyme", "40 g", { form: "dried" })]);
    expect(judged(tincture, 60).verdict.vetoes).toEqual([]);
    expect(judged(tincture, 60).verdict.life).toEqual(judged(tincture, 0).verdict.life);
  });
});

describe("left warm, and read no more", () => {
  const at48 = (hours: number, more: readonly Said[] = []) => {
    const read = (minute: number, celsius: number): Said => [
      minute,
      "read",
      {
        what: "temperature",
        value: celsius,
        by: "hand",
        at: new Date(startMs + minute * 60_000).toISOString(),
      },
    ];
    const batch = batchOf(
      DECOCTION,
      read(30, 90),
      [40, "strained", { measured: "600 mL", how: "wrung" }],
      read(75, 48),
      ...more,
      [75 + hours * 60, "finished", { lines: [{ material: "honey", amount: "300 mL" }] }],
    );
    const r = reckonBatch(batch);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    return r.value.reckoning.verdict.place;
  };
  test("overnight at 48 °C is not to be kept; an hour is nothing", () => {
    expect(at48(1)).not.toBe("do-not-keep");
    expect(at48(12)).toBe("do-not-keep");
  });
  test("put into the fridge it is not taken to have stood warm", () =>
    expect(at48(12, [[76, "stood", { as: "fridge" }]])).not.toBe("do-not-keep"));
});

describe("boiled down after the cloth", () => {
  const reduced = (share: string): Plan =>
    made("syrup-pressure", [], {
      vessel: "pp-6000",
      steps: [
        { do: "add", what: [line("elecampane", "100 g", { form: "dried" }), line("water", "1.2 L")] },
        { do: "pressure", for: "30 min" },
        { do: "strain", how: "wrung" },
        { do: "reduce", to: share },
        { do: "add", what: [line("honey", "300 mL")] },
        { do: "bottle" },
      ],
    });
  test.each(["1/2", "2/3", "3/4"])(
    "to %s: the account of the jar has none of its steam, and the plants give no more than they weigh",
    (share) => {
      const plan = reduced(share);
      const p = resolve(plan);
      if (!p.ok) throw new Error(p.faults[0]!.message);
      const r = reckonProgram(p.value);
      const went = whereItWent(p.value, r);
      expect(went.fromPlants).toBeLessThan(100);
      expect(went.boiledOff).toBeLessThan(1);
      const [top, bottom] = share.split("/").map(Number) as [number, number];
      const left = r.strained.ml.value * (top / bottom);
      expect(Math.abs(went.boiledAfter - (r.strained.ml.value - left))).toBeLessThan(
        0.05 * r.strained.ml.value,
      );
      expect(
        went.poured + went.fromPlants - went.closedUp - went.boiledOff - went.held - went.onCloth,
      ).toBeCloseTo(went.out, 0);
    },
  );
  test("what stands before the honey is what was boiled down to, not what came out of the cloth", () => {
    const plan = reduced("1/2");
    const batch = batchOf(plan, [120, "strained", { measured: "474 mL", how: "wrung" }]);
    const tried = { ...batch.making, finished: [{ id: "x1", material: "honey", amount: "1 of liquid" }] };
    const r = reckonBatch(batch, tried);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    expect(beforeFinish(r.value.program).ml).toBeCloseTo(237, 0);
    const honey = r.value.reckoning.lines.find((l) => l.material === "honey")!;
    expect(honey.ml.value).toBeCloseTo(237, 0);
  });
});

test("the maker's own word for a thing is said once, however often the batch is reckoned", () => {
  const plan = made("oxymel-even", [
    { ...line("rosehip", "20 g", { form: "dried" }), called: "our hedge hips" },
  ]);
  const batch = batchOf(plan);
  const r = reckonBatch(batch);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  const names = r.value.program.lines.map((l) => l.stuff.name).filter((n) => n.includes("hedge hips"));
  expect(names).toEqual([expect.stringMatching(/^our hedge hips \([^()]*\)$/)]);
});
