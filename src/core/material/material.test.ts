import { describe, expect, test } from "@jest/globals";
import { INSOLUBLE, MASSES, WATER } from "../mixture/components";
import { MATERIALS, named } from "./catalogue";
import { CUTS } from "./classes";
import { formsOf, stuffOf, type Asked } from "./material";
import { SOURCES } from "./rows";

const stuff = (id: string, asked: Asked = {}) => {
  const s = stuffOf(MATERIALS.get(id)!, asked);
  if (!s.ok) throw new Error(s.faults[0]!.message);
  return s.value;
};

describe("the materials", () => {
  test("number over a hundred and fifty, each with a source that is named", () => {
    expect(MATERIALS.size).toBeGreaterThanOrEqual(150);
    for (const m of MATERIALS.values()) expect(SOURCES[m.row.source]).toBeDefined();
  });
  test("every one resolves in every form and cut to a gram that adds up to a gram", () => {
    for (const m of MATERIALS.values()) {
      for (const form of m.kind === "plant" ? formsOf(m) : [undefined]) {
        for (const cut of m.kind === "plant" ? CUTS : [undefined]) {
          const s = stuffOf(m, { form, cut });
          if (!s.ok) throw new Error(`${m.row.id} ${form}: ${s.faults[0]!.message}`);
          const parts = s.value.composition.slice(0, MASSES);
          const sum = parts.reduce((all, part) => all + part, 0);
          const sound = Math.min(...parts) >= 0 && Math.abs(sum - 1) < 1e-3;
          expect([m.row.id, sound]).toEqual([m.row.id, true]);
          expect(s.value.bulkLoose).toBeLessThanOrEqual(s.value.bulkPressed + 1e-9);
          if (s.value.plant) expect(s.value.bulkPressed).toBeLessThanOrEqual(s.value.density + 1e-9);
        }
      }
    }
  });
  test("forms convert by dry matter: a gram of dried hyssop is four of fresh", () => {
    const dry = 1 - stuff("hyssop", { form: "dried" }).composition[WATER]!;
    const fresh = 1 - stuff("hyssop", { form: "fresh" }).composition[WATER]!;
    expect(dry / fresh).toBeCloseTo(0.91 / 0.22, 2);
  });
  test("the most dangerous mix-ups carry their Latin names", () => {
    for (const id of [
      "wild-ginger",
      "elderberry",
      "poke-root",
      "hemlock",
      "comfrey-leaf",
      "foxglove",
      "star-anise",
      "wild-garlic",
    ])
      expect(MATERIALS.get(id)).toMatchObject({ row: { latin: expect.stringMatching(/\w+ \w+/) } });
  });
  test("honey weighs what its water says", () =>
    expect(stuff("honey", { water: 18 }).density).toBeCloseTo(1.4457 - 0.00675 * 5, 4));
  test("a vinegar's strength is grams in a hundred millilitres, titratable", () => {
    const v = stuff("white-vinegar", { strength: 7 });
    expect(v.composition[3]! * v.density * 100).toBeCloseTo(7, 1);
  });
  test("solids are no part of a spirit", () => expect(stuff("vodka-40").composition[INSOLUBLE]).toBe(0));
  test.each([
    ["honey", { water: 60 }, "ImpossibleHoney"],
    ["vodka-40", { strength: 140 }, "ImpossibleStrength"],
    ["cider-vinegar", { strength: 45 }, "ImpossibleStrength"],
    ["hyssop", { strength: 5 }, "NoSuchFigure"],
    ["honey", { form: "dried" as const }, "NoSuchForm"],
    ["clove", { form: "fresh" as const }, "NoSuchForm"],
  ])("%s %j is a %s", (id, asked, fault) =>
    expect(stuffOf(MATERIALS.get(id)!, asked)).toMatchObject({ ok: false, faults: [{ name: fault }] }),
  );
});

describe("finding a material", () => {
  test.each([
    ["ACV", "cider-vinegar"],
    ["root ginger", "ginger"],
    ["linden", "lime-blossom"],
    ["licorice", "liquorice"],
    ["Jalapeno", "jalapeno"],
  ])("%s by its other name", (typed, id) => expect(named(typed)!.row.id).toBe(id));
});
