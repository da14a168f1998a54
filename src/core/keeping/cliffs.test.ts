import { describe, expect, test } from "@jest/globals";
import { type Chance, chance } from "../../../tests/chance";
import { share } from "../../../tests/share";
import { MATERIALS } from "../material/catalogue";
import { formsOf, isWet, stuffOf } from "../material/material";
import type { Plan } from "../plan/plan";
import { line, made, type TrialLine } from "../plan/trial";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { rungOf } from "./life";
import { SAFETY_LINES, crossed } from "../../../tests/safety-lines";

const reckoned = (plan: Plan): Reckoning | undefined => {
  const p = resolve(plan);
  return p.ok ? reckonProgram(p.value) : undefined;
};
/** The rung a liquid's life stands on: that of its place; a place where it may not be kept is below the ladder. */
const rung = (r: Reckoning): number => (r.verdict.place === "do-not-keep" ? -1 : rungOf(r.verdict.life));

/** Whether either place promises longer than it did. */
const grows = (before: Reckoning, after: Reckoning): boolean =>
  (["cupboard", "fridge"] as const).some((place) => {
    const of = (r: Reckoning): number => {
      const life = r.verdict.place === "do-not-keep" ? null : r.verdict[place];
      return life ? rungOf(life) : -1;
    };
    return of(after) > of(before);
  });

const HERBS = [
  "thyme",
  "sage",
  "elder-flower",
  "rose-petal",
  "ginger",
  "garlic",
  "damson",
  "rose-hip",
  "lemon-peel",
  "elderberry",
  "nettle",
  "horseradish",
];
/** What somebody types: a name, a unit and a number that can be moved a little. */
interface Typed {
  readonly id: string;
  readonly amount: number;
  readonly unit: "g" | "mL";
  readonly form?: "fresh" | "dried";
  readonly strength?: number;
  readonly water?: number;
}
const anyTyped = (c: Chance): Typed[] => {
  const herb = c.pick(HERBS);
  const m = MATERIALS.get(herb)!;
  const form = c.pick(formsOf(m).filter((f): f is "fresh" | "dried" => f === "fresh" || f === "dried"));
  const wet = form === "fresh";
  const liquids: Typed[] = [
    { id: "honey", amount: c.from(100, 700), unit: "mL", water: Number(c.from(16.5, 21).toFixed(2)) },
    { id: "cider-vinegar", amount: c.from(50, 600), unit: "mL", strength: Number(c.from(4, 8).toFixed(2)) },
    { id: "vodka-40", amount: c.from(50, 600), unit: "mL" },
    { id: "sugar", amount: c.from(50, 800), unit: "g" },
    { id: "water", amount: c.from(20, 600), unit: "mL" },
    { id: "lemon-juice", amount: c.from(10, 200), unit: "mL" },
    { id: "glycerin", amount: c.from(50, 600), unit: "mL" },
  ];
  const some = liquids.filter(() => c.next() < 0.35);
  return [
    { id: herb, amount: c.from(3, wet ? 250 : 40), unit: "g", form },
    ...(some.length > 0 ? some : [c.pick(liquids)]),
  ];
};
const asLine = (t: Typed): TrialLine =>
  line(t.id, `${t.amount.toFixed(3)} ${t.unit}`, {
    ...(t.form ? { form: t.form } : {}),
    ...(t.strength ? { strength: `${t.strength.toFixed(3)} %` } : {}),
    ...(t.water ? { water: t.water } : {}),
  });
const steeped = (typed: readonly Typed[]): Plan =>
  made("oxymel-even", [], {
    vessel: "m-5000",
    steps: [
      { do: "add", what: typed.map(asLine) },
      { do: "steep", for: "3 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
const boiled = (typed: readonly Typed[]): Plan =>
  made("syrup-cupboard", [], {
    vessel: "p-9000",
    steps: [
      { do: "add", what: [asLine(typed[0]!), line("water", "600 mL")] },
      { do: "simmer", for: "20 min", loses: "100 mL" },
      { do: "strain", how: "wrung" },
      { do: "add", what: typed.slice(1).map(asLine) },
      { do: "simmer", for: "3 min", loses: "5 mL" },
      { do: "bottle", hot: true },
    ],
  });
/** Every number typed, a hundredth more. */
const moved = (typed: readonly Typed[]): Typed[][] =>
  typed.flatMap((t, i) =>
    (["amount", "strength", "water"] as const)
      .filter((k) => t[k] !== undefined)
      .map((k) => typed.map((x, j) => (j === i ? { ...x, [k]: x[k]! * 1.01 } : x))),
  );
const TRIED = Number(process.env["JOLLY_CLIFFS"] ?? share(900));

describe("a hundredth of anything typed moves a life by one rung at most", () => {
  test("but at the lines of safety, of which there are eight at most", () => {
    expect(SAFETY_LINES.length).toBeLessThanOrEqual(8);
    let compared = 0;
    const cliffs: string[] = [];
    for (let i = 0; i < TRIED; i++) {
      const c = chance(i * 101 + 7);
      const typed = anyTyped(c);
      const make = c.next() < 0.75 ? steeped : boiled;
      const before = reckoned(make(typed));
      if (!before) continue;
      for (const next of moved(typed)) {
        const after = reckoned(make(next));
        if (!after) continue;
        compared++;
        if (Math.abs(rung(before) - rung(after)) <= 1 || crossed(before, after).length > 0) continue;
        cliffs.push(
          `${make.name} ${JSON.stringify(typed)}: ${before.verdict.row.id} ${before.verdict.life.words} ${before.verdict.vetoes.map((v) => v.id).join()} → ${after.verdict.row.id} ${after.verdict.life.words} ${after.verdict.vetoes.map((v) => v.id).join()}`,
        );
      }
    }
    expect(compared).toBeGreaterThan(TRIED);
    expect(cliffs).toEqual([]);
  });
});

describe("no life grows when water is added", () => {
  const dilutions = [1, 5, 20, 60, 150, 400];
  const honeys = [16.5, 17.5, 18.3, 18.6, 19.2, 19.9, 20.5];
  const PLANTS = [...MATERIALS.values()].filter((m) => m.kind === "plant" && m.row.names.length > 0);
  test("over honeys, with each plant of the catalogue, fresh and dried, much and little", () => {
    const grown: string[] = [];
    let [tried, falsely] = [0, 0];
    PLANTS.forEach((m, i) => {
      for (const form of formsOf(m).filter((f): f is "fresh" | "dried" => f === "fresh" || f === "dried")) {
        const c = chance(i * 7 + form.length);
        const stuff = stuffOf(m, { form });
        if (!stuff.ok) continue;
        const typed: Typed[] = [
          { id: m.row.id, amount: c.from(3, isWet(stuff.value) ? 150 : 40), unit: "g", form },
          { id: "honey", amount: 500, unit: "mL", water: c.pick(honeys) },
        ];
        const dry = reckoned(steeped(typed));
        if (!dry) continue;
        tried++;
        if (dry.finished.brix.low > 60 && /neither sour, sweet/.test(dry.verdict.row.words)) falsely++;
        let last = dry;
        for (const amount of dilutions) {
          const wet = reckoned(steeped([...typed, { id: "water", amount, unit: "mL" }]));
          if (!wet) continue;
          if (grows(last, wet)) grown.push(`${m.row.id} ${form} ${JSON.stringify(typed)} + ${amount} mL`);
          last = wet;
        }
      }
    });
    expect(tried).toBeGreaterThan(200);
    expect(falsely).toBe(0);
    expect(grown).toEqual([]);
  });
  // In spirit a pH is known worse than in water, so that water poured in may make it surer that it is sour: there the line of acid counts.
  test("over anything at all", () => {
    const grown: string[] = [];
    for (let i = 0; i < TRIED / 2; i++) {
      const c = chance(i * 211 + 3);
      const typed = anyTyped(c);
      const dry = reckoned(steeped(typed));
      const more = typed.some((t) => t.id === "water")
        ? typed.map((t) => (t.id === "water" ? { ...t, amount: t.amount * 1.5 } : t))
        : [...typed, { id: "water", amount: c.from(1, 300), unit: "mL" as const }];
      const wet = reckoned(steeped(more));
      if (dry && wet && grows(dry, wet) && !(crossed(dry, wet).length > 0 && dry.finished.abv.high >= 10))
        grown.push(
          `${JSON.stringify(more)}: ${dry.verdict.row.id} ${dry.verdict.life.words} → ${wet.verdict.row.id} ${wet.verdict.life.words} (${wet.verdict.vetoes.map((v) => v.id).join()})`,
        );
    }
    expect(grown).toEqual([]);
  });
});
