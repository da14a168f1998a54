import { shorterVerdict } from "../keeping/verdict";
import { withIds } from "../plan/ids";
import type { Kind, Plan } from "../plan/plan";
import { readAmount } from "../reading/amounts";
import { printAmount } from "../reading/print";
import { allot } from "../stores/allot";
import { chance } from "@/../tests/chance";
import { type HalfKnown, asItMayBe, halfKnown } from "@/../tests/not-known";
import { type Reckoning, reckon } from "./reckon";
import { resolve } from "./resolve";

const KIND_OF: Readonly<Record<string, Kind>> = {
  "cider-vinegar": "vinegar",
  honey: "honey",
  "honey,cider-vinegar": "oxymel",
  "vodka-40": "tincture",
  "vodka-40,water": "tincture",
};

const planOf = (h: HalfKnown, amounts: { plants: string[]; liquids: string[] }): Plan =>
  withIds({
    format: "jolly-crock/plan",
    version: 2,
    units: "metric",
    name: "What stands",
    kind: KIND_OF[h.liquids.map((l) => l.material).join(",")]!,
    vessel: h.vessel,
    steps: [
      {
        do: "add",
        what: [
          ...h.plants.map((p, i) => ({
            material: p.material,
            form: p.form as "fresh",
            amount: amounts.plants[i]!,
          })),
          ...h.liquids.map((l, i) => ({ material: l.material, amount: amounts.liquids[i]! })),
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });

const said = (h: HalfKnown): Plan =>
  planOf(h, {
    plants: h.plants.map((p) => (p.ml === undefined ? "not known" : `${Math.round(p.ml)} mL`)),
    liquids: h.liquids.map((_, i) => (i === h.liquids.length - 1 ? "fill" : "not known")),
  });
const really = (h: HalfKnown, is: ReturnType<typeof asItMayBe>): Plan =>
  planOf(h, {
    plants: is.plants.map((ml) => `${Math.max(1, Math.round(ml))} mL`),
    liquids: is.liquidShares.map((s) => `${s.toFixed(3)} parts`),
  });

const reckoned = (plan: Plan): Reckoning | undefined => {
  const r = reckon(plan);
  return r.ok ? r.value : undefined;
};

/** What may be made of each seed: the jar as it is known, and one that it may be. */
function pairs(seeds: number): { h: HalfKnown; known: Reckoning; is: Reckoning; plan: Plan }[] {
  return Array.from({ length: seeds }, (_, seed) => {
    const c = chance(4100 + seed);
    const h = halfKnown(c);
    const known = reckoned(said(h));
    if (!known) throw new Error(`not reckoned: ${JSON.stringify(h)}`);
    return Array.from({ length: 12 }, () => really(h, asItMayBe(h, c))).flatMap((plan) => {
      const is = reckoned(plan);
      return is ? [{ h, known, is, plan }] : [];
    });
  }).flat();
}
const PAIRS = pairs(60);

describe("a jar of which not everything is known", () => {
  it("is promised no more than whatever it may turn out to be", () => {
    expect(PAIRS.length).toBeGreaterThan(500);
    const over = PAIRS.filter(({ known, is }) => shorterVerdict(is.verdict, known.verdict) !== known.verdict);
    const better = over.filter(({ known, is }) => {
      const promise = (r: Reckoning) => [r.verdict.cupboard?.days ?? 0, r.verdict.fridge.days];
      return String(promise(known)) !== String(promise(is));
    });
    expect(better.map((x) => JSON.stringify(x.plan.steps[0]))).toEqual([]);
  });

  it("may stand at room temperature only where it may whatever is in it", () => {
    const wrong = PAIRS.filter(
      ({ known, is }) => known.working.place === "room" && is.working.place === "fridge",
    );
    expect(wrong.map((x) => JSON.stringify(x.plan.steps[0]))).toEqual([]);
  });

  it("says of each figure all that it may be", () => {
    const out = PAIRS.filter(
      ({ known, is }) =>
        is.finished.abv.value < known.finished.abv.low - 0.01 ||
        is.finished.abv.value > known.finished.abv.high + 0.01 ||
        is.finished.acetic.value < known.finished.acetic.low - 0.01 ||
        is.finished.acetic.value > known.finished.acetic.high + 0.01,
    );
    expect(out.map((x) => JSON.stringify(x.plan.steps[0]))).toEqual([]);
  });

  it("promises a known jar what it did before, and reckons it once", () => {
    const plan = really(PAIRS[0]!.h, { plants: [100, 100, 100], liquidShares: [0.5, 0.5] });
    const p = resolve(plan);
    expect(p.ok && p.value.ends).toEqual([]);
  });

  it("draws nothing from the stores for what nobody remembers", () => {
    const h: HalfKnown = {
      vessel: "m-500",
      plants: [{ material: "garlic", form: "fresh" }],
      liquids: [{ material: "honey" }],
    };
    const p = resolve(said(h));
    if (!p.ok) throw new Error(p.faults[0]!.message);
    const [garlic, honey] = allot(p.value, []);
    expect(garlic).toMatchObject({ takes: [], lackG: 0 });
    expect(honey!.lackG).toBeGreaterThan(0);
  });

  it("is written as it is read", () => {
    for (const words of ["not known", "unknown", "amount not known", "not remembered"]) {
      const a = readAmount(words, "us");
      expect(a).toEqual({ ok: true, value: { kind: "unknown" } });
      expect(a.ok && printAmount(a.value, "us")).toBe("not known");
    }
  });
});
