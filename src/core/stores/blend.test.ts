import { chance } from "@/../tests/chance";
import { cautionsOf } from "../cautions/rules";
import { contentsOf } from "../label/label";
import { MATERIALS } from "../material/catalogue";
import { withIds } from "../plan/ids";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type TypedBlend, blendOf } from "./blend";
import { catalogueWith } from "./own";

const HERBS = ["thyme", "sage", "liquorice", "chamomile", "yarrow", "elderberry", "peppermint", "fennel-seed", "hyssop", "rose-hip", "st-johns-wort", "valerian"]; // prettier-ignore
const name = (id: string): string => MATERIALS.get(id)!.row.names[0]!;

const blended = (t: Partial<TypedBlend>, catalogue = MATERIALS) =>
  blendOf({ name: "Winter tea", form: "dried", parts: "", ...t }, catalogue);
const faultOf = (t: Partial<TypedBlend>, catalogue = MATERIALS): string => {
  const b = blended(t, catalogue);
  return b.ok ? "ok" : `${b.faults[0]!.name} ${b.faults[0]!.path.join(".")}`;
};

/** What is raised of a syrup of these lines. */
function raised(lines: readonly { material: string; amount: string }[], materials?: Plan["materials"]) {
  const plan = withIds({
    format: "jolly-crock/plan",
    version: 2,
    units: "metric",
    name: "Syrup",
    kind: "syrup",
    vessel: "p-3000",
    ...(materials ? { materials } : {}),
    taken: "1 tbsp three times a day",
    steps: [
      {
        do: "add",
        what: [...lines.map((l) => ({ ...l, form: "dried" as const })), { material: "water", amount: "1 L" }],
      },
      { do: "simmer", for: "20 min" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [{ material: "sugar", amount: "800 g" }] },
      { do: "bottle", hot: true },
    ],
  });
  const p = resolve(plan, { materials: catalogueWith([], []) });
  if (!p.ok) throw new Error(p.faults[0]!.message);
  const reckoning = reckonProgram(p.value);
  const people = [
    { name: "Maro", flags: ["pregnant", "warfarin", "blood-pressure"] as never, allergies: ["daisies"] },
  ];
  const cautions = cautionsOf({
    program: p.value,
    reckoning,
    meantFor: people,
    others: [],
    today: "2026-11-30",
  });
  return { cautions, contents: contentsOf(p.value) };
}

describe("a blend of the household's own", () => {
  it("raises whatever its parts would raise, in the same amounts, and the label names them", () => {
    const c = chance(5);
    let asked = 0;
    for (let n = 0; n < 60; n++) {
      const ids = [...HERBS].sort(() => c.next() - 0.5).slice(0, 3);
      const parts = ids.map((id) => [id, Math.round(c.from(1, 5))] as const);
      const all = parts.reduce((s, [, p]) => s + p, 0);
      const b = blended({ parts: parts.map(([id, p]) => `${p} parts ${name(id)}`).join("\n") });
      if (!b.ok) throw new Error(b.faults[0]!.message);
      const apart = raised(
        parts.map(([id, p]) => ({ material: id, amount: `${((90 * p) / all).toFixed(3)} g` })),
      );
      const together = raised([{ material: b.value.id, amount: "90 g" }], [b.value]);
      // What is asked of hands and cloths is asked of the plant itself; who takes it is asked of what is in it.
      const grave = (x: typeof apart) =>
        new Set(x.cautions.filter((y) => y.severity !== "note").map((y) => y.id));
      const lost = [...grave(apart)].filter((id) => !grave(together).has(id));
      expect({ ids, lost }).toEqual({ ids, lost: [] });
      asked += grave(apart).size;
      for (const id of ids) expect(together.contents).toContain(name(id));
    }
    expect(asked).toBeGreaterThan(100);
  });

  it("is read from parts, per cents and weights alike", () => {
    const shares = (parts: string) => {
      const b = blended({ parts });
      return b.ok
        ? b.value.holds!.map((h) => [h.material, Number(h.share.toFixed(3))])
        : b.faults[0]!.message;
    };
    const want = [
      ["thyme", 0.5],
      ["sage", 0.3],
      ["peppermint", 0.2],
    ];
    expect(shares("5 parts thyme\n3 parts sage\n2 parts peppermint")).toEqual(want);
    expect(shares("50 % thyme\n30% sage\n20 percent peppermint")).toEqual(want);
    expect(shares("100 g thyme; 60 g sage; 40 g peppermint")).toEqual(want);
  });

  it("may be a part of another, and never of itself", () => {
    const tea = blended({ parts: "1 part thyme\n1 part sage" });
    if (!tea.ok) throw new Error(tea.faults[0]!.message);
    const own = catalogueWith([{ what: "material", row: tea.value }], []);
    const more = blendOf(
      { name: "Strong tea", form: "dried", parts: "1 part winter tea\n1 part peppermint" },
      own,
    );
    expect(more.ok && more.value.holds!.map((h) => [h.material, h.share])).toEqual([
      ["peppermint", 0.5],
      ["thyme", 0.25],
      ["sage", 0.25],
    ]);
    expect(faultOf({ parts: "1 part winter tea\n1 part peppermint" }, own)).toBe("HoldsItself parts");
  });

  it.each([
    ["of 130 %", "60 % thyme\n70 % sage", "NotAHundred parts"],
    ["of one thing", "2 parts thyme", "TooFewParts parts"],
    ["in two measures", "2 parts thyme\n20 g sage", "MixedMeasures parts"],
    ["of so many, and nobody knows of what", "2 thyme\n1 sage", "HowMuch parts"],
    ["without how much", "thyme\n2 parts sage", "HowMuch parts"],
    ["with honey in it", "2 parts thyme\n1 part honey", "NotAPlant parts"],
    ["of what nobody knows", "2 parts thyme\n1 part blorpwort", "NotAPart parts"],
    ["of thirty-one parts", Array.from({ length: 31 }, () => "1 part thyme").join("\n"), "TooMany parts"],
  ])("%s is refused beside its parts", (_, parts, fault) => expect(faultOf({ parts })).toBe(fault));

  it("wants a name", () =>
    expect(faultOf({ name: " ?", parts: "1 part thyme\n1 part sage" })).toBe("NotAMaterial name"));
});
