import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { line, made } from "../plan/trial";
import { allot } from "./allot";
import { againstShop, costOf, printMoney } from "./cost";
import { type StoreEvent, foldStored, mayFollowStored, readStoreBody } from "./events";
import { free, freeInstead, standing } from "./free";
import { type StoreItem, StoreItem as Item } from "./item";
import { needOf } from "./need";
import { EMPTY_STORES, type LotOnHand, gramsOf, storesOf, vesselOfOwn } from "./stores";

const reckoned = (plan: Plan) => {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return { p: p.value, r: reckonProgram(p.value) };
};
const lot = (material: string, grams: number, more: Partial<LotOnHand> = {}): LotOnHand => ({
  what: "lot",
  id: `${material} ${more.got ?? ""} ${more.form ?? ""}`,
  material,
  amount: `${grams} g`,
  grams,
  leftG: grams,
  got: "2026-09-01",
  ...more,
});
const OXYMEL = made("oxymel-even", [line("hyssop", "40 g", { form: "dried" })]);

let n = 0;
const event = (type: StoreEvent["type"], body: unknown, when?: string): StoreEvent => {
  n++;
  const at = when ?? `2026-01-0${n}T10:00:00Z`;
  return {
    type,
    version: 1,
    streamId: "s",
    seq: n,
    key: `k${n}`,
    at,
    day: at.slice(0, 10),
    body: readStoreBody(type, 1, body),
  } as StoreEvent;
};
const jarOf = (grams: number): StoreItem => ({
  what: "lot",
  material: "hyssop",
  form: "dried",
  amount: `${grams} g`,
  grams,
  got: "2026-01-01",
});

describe("the journal of a thing", () => {
  test("a lot is drawn down, weighed anew and put away; nothing goes under nothing", () => {
    n = 0;
    const all = [
      event("kept", { item: jarOf(100) }),
      event("drawn", { grams: 34, by: "OX-26-01" }),
      event("drawn", { grams: 90, by: "OX-26-02" }),
      event("kept", { item: jarOf(12) }),
      event("gone", { why: "moth" }),
    ];
    expect(all.map((_, i) => foldStored(all.slice(0, i + 1))!.leftG)).toEqual([100, 66, 0, 12, 12]);
    expect(foldStored(all)!.gone).toBe(true);
    expect(storesOf([foldStored(all)!])).toEqual(EMPTY_STORES);
    expect(foldStored([])).toBeUndefined();
  });
  test("what is so goes by order of writing; what was taken before it was last weighed is in that weight already", () => {
    n = 0;
    const counted = event("kept", { item: jarOf(50) }, "2026-03-01T10:00:00Z");
    const before = event("drawn", { grams: 10, by: "OX-26-01" }, "2026-02-01T10:00:00Z");
    const after = event("drawn", { grams: 15, by: "OX-26-02" }, "2026-03-02T10:00:00Z");
    expect(foldStored([after, before, counted])!.leftG).toBe(35);
  });
  test("what may follow what", () => {
    n = 0;
    const s = foldStored([event("kept", { item: jarOf(100) })])!;
    expect(mayFollowStored(undefined, "drawn")).toMatch(/no such thing/);
    expect(mayFollowStored(s, "kept", { what: "empties", vessel: "b-100", count: 3 })).toMatch(
      /stays what it is/,
    );
    expect(mayFollowStored({ ...s, gone: true }, "drawn")).toMatch(/put away/);
    expect(mayFollowStored(s, "kept", jarOf(3))).toBeUndefined();
  });
  test("a newer entry, an unknown one and a body that is none are refused, never skipped", () => {
    expect(() => readStoreBody("kept", 9, { item: jarOf(1) })).toThrow(/newer/);
    expect(() => readStoreBody("borrowed", 1, {})).toThrow(/does not know/);
    expect(() => readStoreBody("drawn", 1, { grams: -3, by: "x" })).toThrow(/cannot be read/);
  });
  test.each<[string, unknown]>([
    ["a month that is none", { what: "person", name: "the baby", born: "2026-13", flags: [], allergies: [] }],
    ["nobody's name", { what: "person", name: " ", flags: [], allergies: [] }],
    ["a day that is none", { ...jarOf(3), got: "2026-02-30" }],
    ["half a bottle", { what: "empties", vessel: "b-100", count: 1.5 }],
  ])("%s is refused", (_, item) => expect(Item.safeParse(item).success).toBe(false));
});

describe("what a lot weighs", () => {
  test.each<[string, Parameters<typeof gramsOf>[0], number, number]>([
    ["a litre of vinegar", { material: "cider-vinegar", amount: "1 L" }, 1005, 1015],
    ["a pound of dried hyssop", { material: "hyssop", form: "dried", amount: "1 lb" }, 453, 454],
    ["twenty cloves of garlic", { material: "garlic", form: "fresh", amount: "20 cloves" }, 60, 160],
  ])("%s", (_, l, low, high) => {
    const g = gramsOf(l, "us");
    expect(g.ok && g.value).toBeGreaterThan(low);
    expect(g.ok && g.value).toBeLessThan(high);
  });
  test.each<[string, Parameters<typeof gramsOf>[0], string, string]>([
    ["a part of it", { material: "hyssop", amount: "1 part" }, "WrongUnit", "amount"],
    ["a bare ounce of vinegar", { material: "cider-vinegar", amount: "8 oz" }, "BareOunce", "amount"],
    [
      "a spirit of 140 %",
      { material: "spirit-95", amount: "1 L", strength: "140 %" },
      "ImpossibleStrength",
      "strength",
    ],
    ["unknown", { material: "unobtainium", amount: "1 g" }, "UnknownMaterial", "material"],
  ])("%s is told at its field", (_, l, name, path) =>
    expect(gramsOf(l, "us")).toMatchObject({ ok: false, faults: [{ name, path: [path] }] }),
  );
});

describe("what the stores give", () => {
  const { p } = reckoned(OXYMEL);
  test("the oldest first, and no gram twice", () => {
    const a = allot(p, [
      lot("hyssop", 30, { form: "dried", got: "2026-01-01" }),
      lot("hyssop", 30, { form: "dried", got: "2026-06-01" }),
    ])[0]!;
    expect(a.takes.map((t) => [t.lot.got, t.grams])).toEqual([
      ["2026-01-01", 30],
      ["2026-06-01", 10],
    ]);
    expect(a.lackG).toBe(0);
  });
  test("two lines of one lot share it", () => {
    const two = reckoned(
      made("oxymel-even", [
        line("hyssop", "40 g", { form: "dried" }),
        line("hyssop", "10 g", { form: "dried", cut: "crushed" }),
      ]),
    ).p;
    const [a, b] = allot(two, [lot("hyssop", 45, { form: "dried" })]);
    expect([a!.lackG, Math.round(b!.lackG)]).toEqual([0, 5]);
  });
  test("another form does not suit, but is told by its dry matter", () => {
    const fresh = reckoned(made("vinegar-plain", [line("nettle", "200 g", { form: "fresh" })])).p;
    const a = allot(fresh, [lot("nettle", 100, { form: "dried" })])[0]!;
    expect(a.takes).toEqual([]);
    expect(a.instead!.standsFor).toBeCloseTo(200, 0);
    expect(a.instead!.grams).toBeLessThan(50);
  });
  test("a vinegar of another strength does not suit a line that asks for one", () => {
    const six = reckoned({
      ...OXYMEL,
      steps: OXYMEL.steps.map((s) =>
        s.do === "add"
          ? {
              ...s,
              what: s.what.map((l) => (l.material === "cider-vinegar" ? { ...l, strength: "6 %" } : l)),
            }
          : s,
      ),
    }).p;
    const v = (lots: LotOnHand[]) =>
      allot(six, lots).find((a) => a.line.stuff.id === "cider-vinegar")!.takes.length;
    expect([
      v([lot("cider-vinegar", 900, { strength: "5 %" })]),
      v([lot("cider-vinegar", 900, { strength: "60 grain" })]),
    ]).toEqual([0, 1]);
  });
  test("never more than there is, never more than is wanted", () => {
    const lots = fc.array(
      fc.record({
        g: fc.double({ min: 0, max: 400, noNaN: true }),
        what: fc.constantFrom("hyssop", "cider-vinegar", "honey"),
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(lots, (rows) => {
        const on = rows.map((x, i) =>
          lot(x.what, Math.max(x.g, 0.001), {
            id: String(i),
            ...(x.what === "hyssop" ? { form: "dried" as const } : {}),
          }),
        );
        const used = new Map<string, number>();
        for (const a of allot(p, on)) {
          const sum = a.takes.reduce((s, t) => s + t.grams, 0);
          if (sum > a.line.grams + 1e-6) return false;
          for (const t of a.takes) used.set(t.lot.id, (used.get(t.lot.id) ?? 0) + t.grams);
        }
        return on.every((l) => (used.get(l.id) ?? 0) <= l.leftG + 1e-9);
      }),
      { numRuns: 300 },
    );
  });
});

describe("cost", () => {
  const { p, r } = reckoned(OXYMEL);
  const priced = [
    lot("hyssop", 100, { form: "dried", price: 5 }),
    lot("cider-vinegar", 1000, { price: 2 }),
    lot("honey", 500, { price: 6 }),
  ];
  test("each gram at its own lot's price, what lacks at the last price known", () => {
    const c = costOf(p, r, priced);
    const [h, v, s] = p.lines.map((l) => l.grams);
    expect(c.batch.value).toBeCloseTo(h! * 0.05 + v! * 0.002 + s! * 0.012, 6);
    expect(c.per100.value).toBeCloseTo((100 * c.batch.value) / r.finished.ml.value, 6);
    expect(c.perSpoon.value).toBeCloseTo((c.per100.value * 4.92892) / 100, 6);
    expect(c.unpriced).toEqual([]);
    expect(c.per100.low).toBeLessThan(c.per100.value);
  });
  test("what has no price is named and left out", () =>
    expect(costOf(p, r, priced.slice(0, 2))).toMatchObject({
      unpriced: ["honey"],
      lines: [{}, {}, { price: undefined }],
    }));
  test("gathered costs nothing, tap water neither", () => {
    const syrup = reckoned(made("syrup-fridge", [line("horehound", "50 g", { form: "dried" })]));
    expect(
      costOf(syrup.p, syrup.r, [
        lot("horehound", 100, { form: "dried", price: 0 }),
        lot("honey", 2000, { price: 0 }),
      ]),
    ).toMatchObject({ batch: { value: 0 }, unpriced: [] });
  });
  test("where no price is known, none is said: free water is no price", () => {
    const syrup = reckoned(made("syrup-fridge", [line("horehound", "50 g", { form: "dried" })]));
    expect(costOf(syrup.p, syrup.r, [lot("horehound", 100, { form: "dried" })]).priced).toBe("none");
    expect(costOf(p, r, priced.slice(0, 2)).priced).toBe("some");
    expect(costOf(p, r, priced).priced).toBe("all");
  });
  test("against a shop's bottle", () => {
    const c = costOf(p, r, priced);
    expect(againstShop(c, c.per100.value * 2.5 * 4, 250)).toBeCloseTo(0.25, 6);
    expect(againstShop(c, 0, 250)).toBeUndefined();
  });
  test.each([
    [0.09, "£", "9 p"],
    [0.004, "£", "1 p"],
    [3.5, "£", "£3.50"],
    [0.5, "$", "50 c"],
    [0.5, "kr", "kr0.50"],
    [0.999, "£", "£1.00"],
    [0, "£", "nothing"],
  ])("%p is said %s%s", (x, currency, words) => expect(printMoney(x, currency)).toBe(words));
});

describe("need and gather", () => {
  test("oranges and ginger are bought, thyme is picked; each in the words it was said in", () => {
    const plan = made("oxymel-even", [
      line("ginger", "3 inches", { form: "fresh" }),
      line("garlic", "10 cloves", { form: "fresh" }),
      line("thyme", "1 cup", { form: "fresh" }),
      line("orange-peel", "20 g", { form: "fresh" }),
    ]);
    const { p, r } = reckoned(plan);
    const need = needOf(p, r, EMPTY_STORES, "us");
    expect(need.gather.map((w) => [w.name, w.said])).toEqual([
      ["garlic", "10 cloves"],
      ["thyme", "1 cup"],
    ]);
    // What fills the jar has no measure of its own: it is printed in the household’s.
    expect(need.buy.map((w) => [w.name, w.said])).toEqual([
      ["ginger", "3 inches"],
      ["orange peel", "20 g"],
      ["cider vinegar", undefined],
      ["honey", undefined],
    ]);
  });
  test("fresh is gathered, the rest is bought, and what is there is said", () => {
    const { p, r } = reckoned(
      made("cider-after", [
        line("nettle", "100 g", { form: "fresh" }),
        line("horseradish", "6 cm", { form: "fresh" }),
        line("mustard-seed", "2 tbsp", { form: "dried" }),
      ]),
    );
    const need = needOf(
      p,
      r,
      {
        ...EMPTY_STORES,
        lots: [lot("mustard-seed", 100, { form: "dried" }), lot("cider-vinegar", 200)],
        empties: [{ what: "empties", vessel: "b-250-swing", count: 1 }],
      },
      "metric",
    );
    expect(need.gather.map((w) => w.name)).toEqual(["nettle", "horseradish"]);
    expect(need.buy.map((w) => w.name)).toEqual(["cider vinegar", "honey"]);
    expect(need.have.map((w) => w.name)).toEqual(["mustard seed"]);
    expect(need.buy[0]!.haveG).toBeCloseTo(200, 6);
    expect(need.bottles[0]!.count).toBeGreaterThan(1);
    expect(need.gear.join(" ")).toMatch(/gloves/);
  });
  test("with all at hand the list is empty", () => {
    const { p, r } = reckoned(OXYMEL);
    const need = needOf(
      p,
      r,
      {
        ...EMPTY_STORES,
        lots: [lot("hyssop", 100, { form: "dried" }), lot("cider-vinegar", 2000), lot("honey", 2000)],
        empties: [{ what: "empties", vessel: "b-250-swing", count: 9 }],
      },
      "metric",
    );
    expect([need.gather, need.buy, need.bottles]).toEqual([[], [], []]);
  });
});

describe("vessels", () => {
  const own = (id: string, vessel: string) => ({
    id,
    own: { what: "vessel" as const, vessel },
    vessel: vesselOfOwn({ what: "vessel", vessel })!,
  });
  test("of two alike one is free while a batch stands in the other", () => {
    const all = standing(
      [own("a", "m-1000"), own("b", "m-1000"), own("c", "m-500")],
      [
        { vessel: "m-1000", code: "OX-26-02" },
        { vessel: "m-2000", code: "FC-26-01" },
      ],
    );
    expect(all.map((s) => s.holds)).toEqual(["OX-26-02", undefined, undefined]);
    expect(free(all).map((s) => s.own.id)).toEqual(["c", "b"]);
  });
  test("a plan whose jar is taken is set out in the next that holds as much; where its own is free, or no other would do, nowhere else", () => {
    const busy = [{ vessel: "m-1000", code: "OX-26-02" }];
    const jars = [
      own("a", "m-1000"),
      own("b", "m-500"),
      own("c", "m-2000"),
      own("d", "m-1500"),
      own("e", "p-3000"),
    ];
    const instead = freeInstead("m-1000", standing(jars, busy));
    expect([instead!.to.own.id, instead!.holds]).toEqual(["d", "OX-26-02"]);
    expect(freeInstead("m-1000", standing(jars, []))).toBeUndefined();
    expect(freeInstead("m-1000", standing([...jars, own("f", "m-1000")], busy))).toBeUndefined();
    expect(freeInstead("m-3000", standing(jars, busy))).toBeUndefined();
    expect(
      freeInstead("m-1000", standing([own("a", "m-1000"), own("b", "m-500"), own("e", "p-3000")], busy)),
    ).toBeUndefined();
  });
  test("its own lid, ware and name", () =>
    expect(vesselOfOwn({ what: "vessel", vessel: "p-3000", ware: "copper", name: "jam pan" })).toMatchObject({
      ware: "copper",
      name: "jam pan",
      size: "3 L",
    }));
  test("a size that is none is none", () =>
    expect(vesselOfOwn({ what: "vessel", vessel: "bathtub" })).toBeUndefined());
});
