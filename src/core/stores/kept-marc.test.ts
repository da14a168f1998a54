/** A marc that is dried and kept: what may be, and what it then is. */
import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "../material/catalogue";
import { line, made } from "../plan/trial";
import { resolve } from "../reckoning/resolve";
import { keptMarc } from "./kept-marc";
import { catalogueWith } from "./own";

const of = (way: string, ...herbs: Parameters<typeof made>[1]) => {
  const p = resolve(made(way, herbs));
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return keptMarc(p.value, "FC-26-01");
};
const GINGER = line("ginger", "100 g", { form: "fresh" });
const THYME = line("thyme", "20 g", { form: "dried" });

describe("a marc of our own", () => {
  test("is a plant of the house's own that says what it holds, in shares that make a whole, by what is dry in it", () => {
    const marc = of("cider-after", GINGER, THYME);
    if (!marc.ok) throw new Error(marc.faults[0]!.message);
    const { names, holds, forms } = marc.value;
    expect([names[0], forms]).toEqual(["marc of FC-26-01", ["dried"]]);
    expect(holds!.map((h) => h.material).sort()).toEqual(["ginger", "thyme"]);
    expect(holds!.reduce((n, h) => n + h.share, 0)).toBeCloseTo(1, 9);
    // 100 g of fresh ginger hold some 20 g that is dry, about as much as 20 g of dried thyme.
    const thyme = holds!.find((h) => h.material === "thyme")!.share;
    expect(thyme).toBeGreaterThan(0.4);
    expect(thyme).toBeLessThan(0.6);
    expect(catalogueWith([{ what: "material", row: marc.value }], []).get(marc.value.id)).toBeDefined();
  });
  test("of what is not to be eaten or ground there is none, and it is said why", () => {
    const not = [...MATERIALS.values()].flatMap((m) =>
      m.kind === "plant" &&
      m.row.tags?.some((t) => ["raw-toxic", "kernel", "not-food", "pyrrolizidine"].includes(t))
        ? [m.row.id]
        : [],
    );
    expect(not.length).toBeGreaterThan(4);
    for (const id of not) {
      const marc = of("vinegar-plain", GINGER, line(id, "30 g", { form: "dried" }));
      expect([id, marc.ok]).toEqual([id, false]);
      expect([id, !marc.ok && marc.faults[0]!.message.length > 20]).toEqual([id, true]);
    }
  });
  test("where no plant was in it there is none", () => expect(of("vinegar-plain").ok).toBe(false));
});
