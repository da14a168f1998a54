import { shorterVerdict } from "../keeping/verdict";
import type { Verdict } from "../keeping/verdict";
import { cautionsOf } from "../cautions/rules";
import { NOTHING_DONE, asDone } from "../journal/as-done";
import { withIds } from "../plan/ids";
import type { Kind, Plan } from "../plan/plan";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";

/*
 * An end without a cloth: what was in the jar stays in it, all or some. Nothing that stays in makes a remedy keep longer; what may stay by its own
 * acid, sugar or spirit keeps as long as it would have.
 */
const PLANTS = [
  ["garlic", "fresh", "60 g"],
  ["ginger", "fresh", "80 g"],
  ["thyme", "dried", "15 g"],
  ["thyme", "fresh", "40 g"],
  ["elderberry", "fresh", "200 g"],
  ["rose-hip", "dried", "60 g"],
  ["chilli", "dried", "10 g"],
] as const;
const LIQUIDS: readonly (readonly [Kind, readonly string[]])[] = [
  ["honey", ["honey"]],
  ["vinegar", ["cider-vinegar"]],
  ["oxymel", ["honey", "cider-vinegar"]],
  ["tincture", ["vodka-40"]],
  ["tincture", ["spirit-50"]],
];

const plan = (kind: Kind, plant: (typeof PLANTS)[number], liquids: readonly string[]): Plan =>
  withIds({
    format: "jolly-crock/plan",
    version: 2,
    units: "metric",
    name: "Left as it is",
    kind,
    vessel: "m-1000",
    steps: [
      {
        do: "add",
        what: [
          { material: plant[0], form: plant[1], amount: plant[2] },
          ...liquids.map((material) => ({ material, amount: "1 part" })),
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "drained" },
      { do: "bottle" },
    ],
  });

function ended(p: Plan, stays: "all" | "some" | undefined) {
  const strained =
    stays === "all"
      ? { measured: "", how: "drained" as const, stays }
      : { measured: "650 mL", how: "drained" as const, ...(stays ? { stays } : {}) };
  const { plan: made, happened } = asDone(p, { ...NOTHING_DONE, strained });
  const program = resolve(made, {}, happened);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const reckoning = reckonProgram(program.value);
  const cautions = cautionsOf({
    ...{ program: program.value, reckoning },
    ...{ meantFor: [], others: [], today: "2026-11-30" },
  });
  return { verdict: reckoning.verdict, reckoning, cautions };
}
const CASES = LIQUIDS.flatMap(([kind, liquids]) =>
  PLANTS.map(
    (plant) => [`${plant[1]} ${plant[0]} in ${liquids.join(" and ")}`, plan(kind, plant, liquids)] as const,
  ),
);
const promise = (v: Verdict): readonly unknown[] => [v.place, v.life.days, v.fridge.days, v.opened.days];

describe.each(CASES)("%s", (_, p) => {
  it("that stays in keeps no longer than it would off the cloth", () => {
    const off = ended(p, undefined).verdict;
    for (const stays of ["all", "some"] as const) {
      const { verdict } = ended(p, stays);
      expect(promise(shorterVerdict(verdict, off))).toEqual(promise(verdict));
    }
  });

  it("that stays in wholly is all there, and the bottle says that it is in it", () => {
    const all = ended(p, "all");
    expect(all.reckoning.ledger.marcG).toBe(0);
    expect(all.reckoning.ledger.plantsG).toBeGreaterThan(0);
    expect(all.cautions.find((c) => c.id === "plants-stay")?.label).toMatch(/under/);
    expect(ended(p, undefined).cautions.some((c) => c.id === "plants-stay")).toBe(false);
  });
});

it("what its spirit, its acid or ripe honey keeps may stay as long", () => {
  const may = [plan("tincture", PLANTS[2], ["spirit-50"]), plan("honey", PLANTS[2], ["honey"])];
  for (const p of may) {
    const [off, on] = [ended(p, undefined), ended(p, "all")];
    expect(on.verdict.vetoes.map((v) => v.id)).toEqual(off.verdict.vetoes.map((v) => v.id));
    expect(on.verdict.life.days).toBe(off.verdict.life.days);
  }
});

it("fresh garlic left in honey is for the fridge, whatever was thought of it", () => {
  const { verdict } = ended(plan("honey", PLANTS[0], ["honey"]), "all");
  expect(verdict.place).toBe("fridge");
  expect(verdict.vetoes.map((v) => v.id)).toContain("solids-left");
});
