import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { chance } from "../../../tests/chance";
import { MATERIALS } from "../material/catalogue";
import { formsOf } from "../material/material";
import { KIND, wayById } from "../plan/kinds";
import { line, made } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Caution, Severity } from "./caution";
import { LEARNABLE, isLearnable, quiet } from "./quiet";
import { RULES, cautionsAt, cautionsOf } from "./rules";

const COMMON = readFileSync(join(__dirname, "../../../tests/common-herbs.txt"), "utf8").trim().split("\n");
const WAYS = Object.values(KIND)
  .flatMap((k) => k.ways.map((w) => w.id))
  .filter((id) => id !== "honey-sill");
const PLANS = Number(process.env["JOLLY_PLANS"] ?? 500);

const caution = (id: string, severity: Severity, says = id): Caution => ({
  ...{ id, severity, says, todo: "Do it.", stages: ["plan"] },
  about: { what: "whole" },
});

test("no never, stop or caution of any rule is ever folded", () => {
  const grave = RULES.flatMap((r) =>
    (["never", "stop", "caution"] as const).map((s) => caution(r.id, s, `${r.id} ${s}`)),
  );
  expect(quiet(grave).folded).toEqual([]);
  expect(
    quiet(grave.filter((c) => c.id !== "honey-under-twelve-months" && c.id !== "narrow-margin-poison")).told
      .length,
  ).toBe(grave.length - 6);
});

test("nothing is said twice, and nothing that is said once is lost", () => {
  const all = [
    caution("a", "note"),
    caution("a", "note"),
    caution("b", "caution", "the same"),
    caution("c", "stop", "the same"),
  ];
  const { told, folded } = quiet(all);
  expect([...told, ...folded].map((c) => c.says)).toEqual(["the same", "a"]);
});

test("a note that names somebody of the household is told", () => {
  const plan = made("cider-after", [line("garlic", "30 g", { form: "fresh" })]);
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const lodger = { name: "the lodger", flags: ["blood-thinner" as const], allergies: ["garlic"] };
  const asked = {
    program: program.value,
    reckoning: reckonProgram(program.value),
    meantFor: [],
    others: [lodger],
  };
  const { told, folded } = quiet(cautionsOf({ ...asked, today: "2026-11-24" }));
  expect(told.some((c) => c.id === "blood" && c.says.includes("the lodger"))).toBe(true);
  expect(folded.filter((c) => c.says.includes("the lodger"))).toEqual([]);
});

describe("ordinary plans of common herbs, bought", () => {
  const seen: { told: number; way: string; id: string }[] = [];
  for (let i = 0; seen.length < PLANS && i < PLANS * 4; i++) {
    const c = chance(i * 104_729 + 5);
    const way = wayById(c.pick(WAYS))!;
    const id = c.pick(COMMON);
    const form =
      way.kind === "honey" && way.id !== "honey-fresh" ? "dried" : c.pick(["fresh", "dried"] as const);
    if (!formsOf(MATERIALS.get(id)!).includes(form)) continue;
    const grams = c.from(3, form === "fresh" ? 60 : 25).toFixed(1);
    const program = resolve(made(way.id, [line(id, `${grams} g`, { form, gathered: false })]));
    if (!program.ok) continue;
    const reckoning = reckonProgram(program.value);
    const all = cautionsOf({
      program: program.value,
      reckoning,
      meantFor: [],
      others: [],
      today: "2026-11-24",
    });
    seen.push({ told: quiet(cautionsAt("plan", all)).told.length, way: way.id, id });
  }
  test("at the median two lines stand unfolded at most, and hardly any plan has more than three", () => {
    expect(seen.length).toBe(PLANS);
    const sorted = seen.map((s) => s.told).sort((a, b) => a - b);
    expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThanOrEqual(2);
    expect(sorted.filter((n) => n > 3).length / sorted.length).toBeLessThan(0.02);
  });
});

test("a house may say that it knows how the work is done, and nothing else", () => {
  const note: Caution = {
    ...{ id: "marc", severity: "note", says: "The marc is spent.", todo: "Compost it." },
    ...{ about: { what: "whole" }, stages: ["make"] },
  };
  const c = (more: Partial<Caution>): boolean => isLearnable({ ...note, ...more });
  expect(c({})).toBe(true);
  expect(c({ label: "Never for a child under 12 months." })).toBe(false);
  for (const severity of ["never", "stop", "caution"] as const) expect(c({ severity })).toBe(false);
  // Every id is a rule's; of nothing that is said of a plant that goes in, on any plant there is, may it be said.
  const ids = new Set(RULES.map((r) => r.id));
  expect([...LEARNABLE].filter((id) => !ids.has(id))).toEqual([]);
  const ofPlants = [...MATERIALS.keys()].flatMap((id) => {
    const r = resolve(made("oxymel-even", [line(id, "20 g")]));
    if (!r.ok) return [];
    const situation = { program: r.value, reckoning: reckonProgram(r.value), meantFor: [], others: [] };
    return cautionsOf({ ...situation, today: "2026-11-24" })
      .filter((x) => x.about.what === "line" && isLearnable(x))
      .map((x) => `${id}: ${x.id}`);
  });
  expect(ofPlants).toEqual([]);
});
