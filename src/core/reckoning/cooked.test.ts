/** What was cooked before it goes in: over every material that must be, at every length, in every cold kind. */
import { describe, expect, test } from "@jest/globals";
import { cautionsOf } from "../cautions/rules";
import { MATERIALS } from "../material/catalogue";
import type { Line, Plan } from "../plan/plan";
import { line, made } from "../plan/trial";
import { companyOf } from "../people/company";
import { movesOf } from "../make/moves";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";

const MUST_BE = [...MATERIALS.values()].filter(
  (m) => m.kind === "plant" && m.row.tags?.some((t) => t === "raw-toxic" || t === "cook-first"),
);
const COLD = ["oxymel-even", "cider-after", "vinegar-plain", "honey-dried", "tincture-jarful"];
const RULES = ["raw-elder", "raw-elder-eaten", "cook-first"];

function raised(plan: Plan): string[] {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  const company = companyOf(plan, { people: [], today: "2026-11-30" });
  const all = cautionsOf({ program: p.value, reckoning: reckonProgram(p.value), ...company });
  return all.filter((c) => RULES.includes(c.id)).map((c) => c.id);
}
const of = (way: string, material: string, cooked?: Line["cooked"]) =>
  made(way, [line(material, "30 g", { form: "dried", ...(cooked ? { cooked } : {}) })]);

describe("a plant that must be cooked", () => {
  expect(MUST_BE.length).toBeGreaterThan(3);
  const cases = MUST_BE.flatMap((m) => COLD.map((way) => [m.row.id, way] as const));
  test.each(cases)("%s in %s", (id, way) => {
    expect(raised(of(way, id))).not.toEqual([]);
    for (const [how, lasts, enough] of [
      ["simmered", "20 min", true],
      ["simmered", "15 min", true],
      ["simmered", "15–30 min", true],
      ["simmered", "10–30 min", false],
      ["simmered", "14 min", false],
      ["steamed", "1 hour", true],
      ["blanched", "2 min", false],
      // Dry heat is not what takes it out.
      ["roasted", "40 min", false],
    ] as const)
      expect([how, lasts, raised(of(way, id, { how, for: lasts })).length === 0]).toEqual([
        how,
        lasts,
        enough,
      ]);
  });
});

test("it has a move of its own before anything goes in, as long as it takes, in a pan of its own", () => {
  const p = resolve(of("oxymel-even", "elderberry", { how: "simmered", for: "20 min" }));
  if (!p.ok) throw new Error(p.faults[0]!.message);
  const moves = movesOf(p.value);
  const at = moves.findIndex((m) => m.sort === "cook-first");
  expect(moves[at]).toMatchObject({ lines: [expect.any(String)], clock: { value: 20 } });
  expect(at).toBeLessThan(moves.findIndex((m) => m.sort === "add"));
});

test("a length nobody can read is said beside it, and figures are what they were", () => {
  const bad = resolve(of("oxymel-even", "elderberry", { how: "simmered", for: "a good while" }));
  expect(bad.ok ? [] : bad.faults.map((f) => [f.path.slice(2), f.message !== ""])).toEqual([
    [["what", 0, "cooked", "for"], true],
  ]);
  const [raw, cooked] = [
    of("oxymel-even", "elderberry"),
    of("oxymel-even", "elderberry", { how: "simmered", for: "20 min" }),
  ].map((plan) => {
    const p = resolve(plan);
    if (!p.ok) throw new Error(p.faults[0]!.message);
    return reckonProgram(p.value).finished.ml.value;
  });
  expect(cooked).toBe(raw);
});
