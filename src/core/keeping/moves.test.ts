import { describe, expect, test } from "@jest/globals";
import { type Chance, chance } from "../../../tests/chance";
import { share } from "../../../tests/share";
import { cautionsOf } from "../cautions/rules";
import { RANK } from "../cautions/rank";
import type { Plan } from "../plan/plan";
import { type TrialLine, line, made } from "../plan/trial";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Verdict } from "./verdict";

/** A making by weight alone, so that one amount can be moved and nothing else follows it. */
interface Sort {
  readonly pours: readonly (readonly [material: string, grams: number])[];
  readonly boiled?: true;
}
const SORTS: readonly Sort[] = [
  { pours: [["cider-vinegar", 400], ["honey", 500]] },
  { pours: [["cider-vinegar", 300], ["sugar", 250]] },
  { pours: [["cider-vinegar", 600]] },
  { pours: [["honey", 600]] },
  { pours: [["honey", 500], ["lemon-juice", 60]] },
  { pours: [["vodka-40", 500]] },
  { pours: [["spirit-50", 300], ["sugar", 200], ["water", 100]] },
  { pours: [["port", 400], ["honey", 100]] },
  { pours: [["glycerin", 400], ["water", 150]] },
  { pours: [["water", 400], ["sugar", 900]], boiled: true },
  { pours: [["water", 500], ["honey", 450]] },
]; // prettier-ignore
const HERBS = [
  "thyme",
  "nettle",
  "garlic",
  "ginger",
  "rose-hip",
  "blackcurrant",
  "hyssop",
  "beetroot",
  "lime-blossom",
];

interface Mix {
  readonly sort: Sort;
  readonly herb: TrialLine;
  readonly poured: readonly number[];
}
function mixOf(c: Chance): Mix {
  const sort = c.pick(SORTS);
  const form = c.pick(["fresh", "dried"] as const);
  const herb = line(c.pick(HERBS), `${c.from(2, form === "fresh" ? 150 : 40).toFixed(1)} g`, { form });
  return { sort, herb, poured: sort.pours.map(([, g]) => g * c.from(0.4, 1.6)) };
}
function planOf({ sort, herb, poured }: Mix): Plan {
  const lines = sort.pours.map(([m], i) => line(m, `${poured[i]!.toFixed(3)} g`));
  return made("oxymel-even", [], {
    vessel: undefined,
    steps: sort.boiled
      ? [
          { do: "add", what: [herb, lines[0]!] },
          { do: "simmer", for: "20 min", loses: "20 mL" },
          { do: "strain", how: "wrung" },
          { do: "add", what: lines.slice(1) },
          { do: "simmer", for: "3 min", loses: "5 mL" },
          { do: "bottle", hot: true },
        ]
      : [
          { do: "add", what: [herb, ...lines] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
  });
}
function reckoned(plan: Plan): Reckoning | undefined {
  const p = resolve(plan);
  return p.ok ? reckonProgram(p.value) : undefined;
}
const promise = (v: Verdict): number =>
  v.place === "do-not-keep" ? 0 : (v.cupboard?.days ?? 0) * 10_000 + v.fridge.days;

/** Whether nothing that keeps a liquid is more in the second than in the first, at the end that hurts. */
function keepsLess(a: Reckoning, b: Reckoning): boolean {
  const [x, y] = [a.finished, b.finished];
  const dust = 1e-9;
  return (
    y.acetic.low <= x.acetic.low + dust &&
    y.acid.low <= x.acid.low + dust &&
    y.brix.low <= x.brix.low + dust &&
    y.abv.low <= x.abv.low + dust &&
    y.delle.low <= x.delle.low + dust &&
    y.glycerol.low <= x.glycerol.low + dust &&
    y.index.low <= x.index.low + dust &&
    y.ph.high >= x.ph.high - dust &&
    y.aw.high >= x.aw.high - dust &&
    y.dryness.high >= x.dryness.high - dust &&
    y.water.high >= x.water.high - dust
  );
}

describe("how a verdict moves", () => {
  const MIXES = share(45);
  test("no amount, moved by a hundredth at a time from nothing to twice, makes a life longer while what keeps it gets less", () => {
    const wrong: string[] = [];
    let [compared, fell] = [0, 0];
    for (let i = 0; i < MIXES; i++) {
      const mix = mixOf(chance(i * 613 + 17));
      const which = i % mix.poured.length;
      let last: Reckoning | undefined;
      for (let step = 0; step <= 200; step++) {
        const poured = mix.poured.map((g, k) => (k === which ? (g * Math.max(0.5, step)) / 100 : g));
        const now = reckoned(planOf({ ...mix, poured }));
        if (now && last) {
          for (const [a, b] of [[last, now], [now, last]] as const) {
            if (!keepsLess(a, b)) continue;
            compared++;
            if (promise(b.verdict) < promise(a.verdict)) fell++;
            if (promise(b.verdict) > promise(a.verdict))
              wrong.push(`${mix.sort.pours[which]![0]} at ${step} % over ${mix.herb.material}: ${a.verdict.row.id} to ${b.verdict.row.id}`);
          }
        }
        last = now ?? last;
      }
    }
    expect(wrong.slice(0, 5)).toEqual([]);
    // The sweep crosses lines: else it says nothing.
    expect(compared).toBeGreaterThan(300);
    expect(fell).toBeGreaterThan(3);
  }, 120_000); // prettier-ignore

  test("more of a hazard never lessens a warning", () => {
    const wrong: string[] = [];
    let stopped = 0;
    for (let i = 0; i < 30; i++) {
      const c = chance(i * 97 + 3);
      const mix = mixOf(c);
      const hazard = c.pick(["garlic", "ginger", "horseradish", "elderberry", "beetroot"]);
      let gravest = RANK.note as number;
      for (let g = 5; g <= 400; g += 15) {
        const herb = line(hazard, `${g} g`, { form: "fresh" });
        const p = resolve(planOf({ ...mix, herb }));
        if (!p.ok) continue;
        const cautions = cautionsOf({
          program: p.value,
          reckoning: reckonProgram(p.value),
          meantFor: [],
          others: [],
          today: "2026-11-24",
        });
        const now = Math.min(...cautions.map((x) => RANK[x.severity]));
        if (now > gravest) wrong.push(`${hazard} ${g} g in ${mix.sort.pours.map(([m]) => m).join(" and ")}`);
        gravest = Math.min(gravest, now);
      }
      if (gravest <= RANK.stop) stopped++;
    }
    expect(wrong).toEqual([]);
    expect(stopped).toBeGreaterThan(8);
  });

  test("a figure known less well never lengthens a life", () => {
    const wrong: string[] = [];
    for (let i = 0; i < 60; i++) {
      const mix = mixOf(chance(i * 41 + 9));
      if (mix.sort.boiled) continue;
      const firm = planOf(mix);
      const vague = {
        ...firm,
        steps: firm.steps.map((s) =>
          s.do === "add"
            ? { ...s, what: s.what.map((l) => ({ ...l, amount: `${(parseFloat(l.amount) * 0.8).toFixed(2)}–${(parseFloat(l.amount) * 1.2).toFixed(2)} g` })) }
            : s,
        ),
      };
      const [a, b] = [reckoned(firm), reckoned(vague)];
      if (!a || !b) continue;
      if (promise(b.verdict) > promise(a.verdict)) wrong.push(JSON.stringify(mix.herb));
    }
    expect(wrong).toEqual([]);
  }); // prettier-ignore
});
