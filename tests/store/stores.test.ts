import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import type { Plan } from "../../src/core/plan/plan";
import { writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { exportLines, importLines } from "../../src/store/exchange";
import { household } from "../../src/store/household";
import { recallOfBatch, recallOfLot } from "../../src/store/recall";
import { rebuild } from "../../src/store/rebuild";
import { USUAL_PLACES, readHouseholdBody } from "../../src/core/stores/settings";
import { settleAnew } from "../../src/store/settings";
import { keep, storedItems, stores } from "../../src/store/stores";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

const put = (item: object, id = randomUUID(), seen?: number, key = randomUUID()) =>
  keep(home.sql, { id, key, type: "kept", body: { item }, ...(seen === undefined ? {} : { seen }) });
const lot = (material: string, amount: string, more: object = {}) =>
  put({ what: "lot", material, amount, got: "2026-10-01", ...more });
const PLAN = thymeOxymel("30 g", "400 mL", "400 mL");
const left = async (material: string): Promise<number[]> =>
  (await stores(home.sql)).lots.filter((l) => l.material === material).map((l) => Math.round(l.leftG));

describe("keeping things", () => {
  test("the grams of a lot are reckoned from what is typed", async () => {
    await lot("cider-vinegar", "2 L");
    expect((await left("cider-vinegar"))[0]).toBeGreaterThan(2000);
  });
  test("the same key with the same body is one entry; with another it is refused", async () => {
    const [id, key] = [randomUUID(), randomUUID()];
    const item = { what: "empties", vessel: "b-100", count: 3 };
    const all = await Promise.all(Array.from({ length: 5 }, () => put(item, id, undefined, key)));
    expect(all.filter((w) => w.ok && !w.already).length).toBe(1);
    expect(await put({ ...item, count: 4 }, id, undefined, key)).toMatchObject({
      ok: false,
      fault: { name: "KeyReused" },
    });
    expect((await stores(home.sql)).empties).toEqual([item]);
  });
  test("of two windows that count at once, one is told", async () => {
    const id = randomUUID();
    await put({ what: "empties", vessel: "b-100", count: 3 }, id);
    const both = await Promise.all(
      [4, 5].map((count) => put({ what: "empties", vessel: "b-100", count }, id, 1)),
    );
    expect(both.filter((w) => w.ok).length).toBe(1);
    expect(both.find((w) => !w.ok)).toMatchObject({
      status: 409,
      fault: { name: "ChangedMeanwhile" },
      state: { seq: 2 },
    });
  });
  test.each<[string, object, string, string]>([
    [
      "a part of a herb",
      { what: "lot", material: "hyssop", amount: "1 part", got: "2026-10-01" },
      "WrongUnit",
      "amount",
    ],
    [
      "less than nothing",
      { what: "lot", material: "hyssop", amount: "-3 g", got: "2026-10-01" },
      "NegativeAmount",
      "amount",
    ],
    [
      "a day that is none",
      { what: "lot", material: "hyssop", amount: "3 g", got: "2026-02-31" },
      "NotAnItem",
      "item",
    ],
    ["an unknown bottle", { what: "empties", vessel: "thimble", count: 3 }, "UnknownVessel", "vessel"],
    [
      "a jar of no height",
      {
        what: "vessel",
        vessel: { id: "o", name: "o", sort: "jar", lid: "glass", shape: { heightCm: 0, diameterCm: 9 } },
      },
      "ImpossibleVessel",
      "heightCm",
    ],
    ["nobody", { what: "person", name: "", flags: [], allergies: [] }, "NotAnItem", "name"],
    ["a thing that is no thing", { what: "ghost" }, "NotAnItem", "what"],
  ])("%s is refused at its field, and nothing is written", async (_, item, name, field) => {
    const w = await put(item);
    expect(w).toMatchObject({ ok: false, status: 422, fault: { name } });
    if (field !== "item") expect(w.ok ? [] : w.fault.path.map(String)).toContain(field);
    expect(await storedItems(home.sql)).toEqual([]);
  });
  test("two people want two names", async () => {
    const baby = { what: "person", name: "the baby", born: "2026-03", flags: [], allergies: [] };
    const id = randomUUID();
    expect((await put(baby, id)).ok).toBe(true);
    expect(await put({ ...baby, name: "The Baby" })).toMatchObject({
      ok: false,
      fault: { name: "NameTaken", path: ["name"] },
    });
    expect((await put({ ...baby, flags: ["reflux"] }, id, 1)).ok).toBe(true);
  });
  test("what is put away is out of sight, and stays in the journal", async () => {
    const id = randomUUID();
    await put({ what: "empties", vessel: "b-100", count: 3 }, id);
    expect(
      (await keep(home.sql, { id, key: randomUUID(), seen: 1, type: "gone", body: { why: "broken" } })).ok,
    ).toBe(true);
    expect(await storedItems(home.sql)).toEqual([]);
    expect((await home.sql`select * from event where stream_id = ${id}`).length).toBe(2);
  });
});

describe("what a batch takes", () => {
  test("is drawn from the oldest lot when it begins, once however often it is sent", async () => {
    await lot("thyme", "20 g", { form: "dried", got: "2026-01-01" });
    await lot("thyme", "50 g", { form: "dried", got: "2026-09-01" });
    const r = { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} };
    for (let i = 0; i < 3; i++) expect((await begin(home.sql, r, PLAN)).ok).toBe(true);
    expect(await left("thyme")).toEqual([0, 40]);
  });
  test("two begun at once take no gram twice", async () => {
    await lot("thyme", "100 g", { form: "dried" });
    await lot("honey", "3 kg");
    await Promise.all(
      Array.from({ length: 3 }, () =>
        begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} }, PLAN),
      ),
    );
    expect(await left("thyme")).toEqual([10]);
    expect((await left("honey"))[0]).toBeLessThan(3000 - 3 * 550);
  });
  test("empties are counted down when it is bottled", async () => {
    await put({ what: "empties", vessel: "b-250-swing", count: 5 });
    const b = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} }, PLAN);
    if (!b.ok) throw new Error();
    await write(home.sql, b.state.id, {
      key: randomUUID(),
      type: "strained",
      seen: 1,
      body: { measured: "700 mL", how: "wrung" },
    });
    const bottles = [1, 2].map(() => ({
      id: randomUUID(),
      vessel: "b-250-swing",
      name: "250 mL swing-top bottle",
      ml: 240,
      place: "cupboard",
    }));
    expect(
      (
        await write(home.sql, b.state.id, {
          key: randomUUID(),
          type: "bottled",
          seen: 2,
          body: { bottles, own: null },
        })
      ).ok,
    ).toBe(true);
    expect((await stores(home.sql)).empties).toEqual([{ what: "empties", vessel: "b-250-swing", count: 3 }]);
  });
});

describe("cautions hold on the server too", () => {
  test("honey meant for the baby is not begun, whatever is sent", async () => {
    await put({ what: "person", name: "the baby", born: "2026-03", flags: [], allergies: [] });
    const forBaby: Plan = { ...PLAN, meantFor: ["The baby"] };
    expect(
      await begin(
        home.sql,
        {
          id: randomUUID(),
          key: randomUUID(),
          plan: forBaby,
          reasons: { "honey-for-an-infant": "only a little" },
        },
        forBaby,
      ),
    ).toMatchObject({ ok: false, fault: { name: "Never" } });
  });
  test("a stop that comes up after it began wants a reason at the step, and the journal keeps it", async () => {
    const stranger = await begin(
      home.sql,
      { id: randomUUID(), key: randomUUID(), plan: { ...PLAN, meantFor: ["the keeper"] }, reasons: {} },
      { ...PLAN, meantFor: ["the keeper"] },
    );
    expect(stranger).toMatchObject({ ok: false, fault: { name: "Never" } });
    const keeper = randomUUID();
    await put({ what: "person", name: "the keeper", flags: [], allergies: [] }, keeper);
    const b = await begin(
      home.sql,
      { id: randomUUID(), key: randomUUID(), plan: { ...PLAN, meantFor: ["the keeper"] }, reasons: {} },
      { ...PLAN, meantFor: ["the keeper"] },
    );
    if (!b.ok) throw new Error();
    // Since then the keeper has written down an allergy.
    await put({ what: "person", name: "the keeper", flags: [], allergies: ["thyme"] }, keeper, 1);
    const strain = (reasons?: Record<string, string>) =>
      write(home.sql, b.state.id, {
        key: randomUUID(),
        type: "strained",
        seen: 1,
        body: { measured: "700 mL", how: "wrung", ...(reasons ? { reasons } : {}) },
      });
    expect(await strain()).toMatchObject({
      ok: false,
      status: 422,
      fault: { name: "ReasonWanted", path: ["reasons", "allergy"] },
    });
    expect(await strain({ allergy: "for the boatwright after all" })).toMatchObject({
      ok: true,
      state: { state: "strained", reasons: { allergy: "for the boatwright after all" } },
    });
  });
});

describe("stores in the journal", () => {
  test("copied out and read back they are the same, and so is what was drawn", async () => {
    await lot("thyme", "100 g", { form: "dried", price: 3 });
    await put({ what: "vessel", vessel: "p-3000", ware: "copper" });
    await settleAnew(home.sql, {
      key: randomUUID(),
      settings: { name: "Wharf End", units: "imperial", currency: "kr" },
    });
    await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} }, PLAN);
    const lines = await exportLines(home.sql);
    const other = await newHousehold();
    await importLines(other.sql, lines);
    expect(await exportLines(other.sql)).toEqual(lines);
    expect(await stores(other.sql)).toEqual(await stores(home.sql));
    expect(await household(other.sql)).toMatchObject({
      name: "Wharf End",
      units: "imperial",
      currency: "kr",
    });
    await other.drop();
  });
  test("the household's settings are only added to, and rebuilt from the journal", async () => {
    for (const name of ["First", "Second"])
      await settleAnew(home.sql, { key: randomUUID(), settings: { name, units: "metric", currency: "€" } });
    await home.sql`update household set name = 'spoiled'`;
    await rebuild(home.sql);
    expect((await household(home.sql)).name).toBe("Second");
    expect((await home.sql`select * from event where stream_kind = 'household'`).length).toBe(2);
  });
  test("of two things said at once neither is lost", async () => {
    for (let i = 0; i < 12; i++) {
      await Promise.all([
        settleAnew(home.sql, { key: randomUUID(), settings: { name: `House ${i}` } }),
        settleAnew(home.sql, { key: randomUUID(), settings: { heightM: i } }),
        settleAnew(home.sql, { key: randomUUID(), settings: { knows: [`rule-${i}`] } }),
      ]);
      expect(await household(home.sql)).toMatchObject({
        name: `House ${i}`,
        heightM: i,
        knows: [`rule-${i}`],
      });
    }
  });
  test("settings of version 3 had learned nothing", () => {
    const third = {
      ...{ name: "Lock", units: "us", currency: "£", degrees: "C", lengths: "cm", places: [...USUAL_PLACES] },
      ...{
        heightM: 40,
        strainDays: ["sat"],
        away: [],
        morning: { on: false, to: "", at: "07:00" },
        feed: "",
      },
    };
    expect(readHouseholdBody("settled", 3, third)).toEqual({ ...third, knows: [] });
  });
});

describe("where it went", () => {
  const lotId = async (): Promise<string> =>
    (
      await home.sql<
        { id: string }[]
      >`select id from store_item where what = 'lot' and item ->> 'material' = 'thyme'`
    )[0]!.id;
  const begun = async (amount = "30 g"): Promise<string> => {
    const plan = thymeOxymel(amount, "400 mL", "400 mL");
    const id = randomUUID();
    const w = await begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan);
    if (!w.ok) throw new Error(w.fault.message);
    return id;
  };
  const entry = async (id: string, type: string, body: unknown, seen: number): Promise<void> => {
    const w = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
    if (!w.ok) throw new Error(w.fault.message);
  };

  test("a lot leads to every batch it went into, with its grams, its bottles and to whom they were given", async () => {
    await lot("thyme", "200 g", { form: "dried", from: "the towpath" });
    const [one, two] = [await begun(), await begun("20 g")];
    await entry(one, "strained", { measured: "700 mL", how: "wrung" }, 1);
    const bottles = [0, 1].map(() => ({
      ...{ id: randomUUID(), vessel: "b-330-swing", name: "330 mL" },
      ...{ ml: 330, place: "cupboard" },
    }));
    await entry(one, "bottled", { bottles, own: null }, 2);
    const given = { key: randomUUID(), type: "given", body: { to: "a passing boat" }, seen: 0 };
    expect((await writeBottle(home.sql, bottles[1]!.id, given)).ok).toBe(true);
    const found = (await recallOfLot(home.sql, await lotId()))!;
    expect(found.lot.from).toBe("the towpath");
    expect(found.batches.map((b) => [b.id, Math.round(b.grams!), b.state])).toEqual([
      [one, 30, "bottled"],
      [two, 20, "working"],
    ]);
    expect(found.batches[0]!.bottles.map((b) => [b.number, b.state, b.goneWords])).toEqual([
      [1, "kept", undefined],
      [2, "given", "a passing boat"],
    ]);
    expect((await recallOfBatch(home.sql, one))[0]!.bottles).toEqual(found.batches[0]!.bottles);
  });
  test("what took nothing in the end is not named: a beginning taken back, a plan put right", async () => {
    await lot("thyme", "200 g", { form: "dried" });
    const [one, two] = [await begun(), await begun()];
    await entry(one, "corrected", { seq: 1, body: null }, 1);
    const plan = thymeOxymel("12 g", "400 mL", "400 mL");
    await entry(two, "corrected", { seq: 1, body: { plan } }, 1);
    const found = (await recallOfLot(home.sql, await lotId()))!;
    expect(found.batches.map((b) => [b.id, Math.round(b.grams!)])).toEqual([[two, 12]]);
  });
  test("who had some of what they should never have is named, once they are known", async () => {
    const id = randomUUID();
    const plan = thymeOxymel("10 g", "300 mL", "300 mL");
    expect((await begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan)).ok).toBe(true);
    await entry(id, "strained", { measured: "500 mL", how: "wrung" }, 1);
    const bottle = randomUUID();
    const one = { id: bottle, vessel: "b-330-swing", name: "330 mL", ml: 330, place: "cupboard" };
    await entry(id, "bottled", { bottles: [one], own: null }, 2);
    const poured = async (whom: string, seen: number): Promise<void> => {
      const body = { ml: 5, said: "1 tsp", for: whom };
      const w = await writeBottle(home.sql, bottle, { key: randomUUID(), type: "poured", body, seen });
      expect(w.ok).toBe(true);
    };
    await poured("Pim", 0);
    await poured("the neighbour", 1);
    expect((await recallOfBatch(home.sql, id))[0]!.nevers).toEqual([]);
    // Honey was in it, and only now somebody writes down that Pim is not a year old.
    await put({ what: "person", name: "Pim", born: "2026-06", flags: [], allergies: [] });
    const [never, ...others] = (await recallOfBatch(home.sql, id))[0]!.nevers;
    expect(others).toEqual([]);
    expect(never!.who).toBe("Pim");
    expect(never!.says).toMatch(/twelve months|honey/i);
  });
  test("what is no lot leads nowhere", async () => {
    expect(await recallOfLot(home.sql, randomUUID())).toBeUndefined();
    const id = randomUUID();
    await put({ what: "empties", vessel: "b-100", count: 3 }, id);
    expect(await recallOfLot(home.sql, id)).toBeUndefined();
    expect(await recallOfBatch(home.sql, id)).toEqual([]);
  });
});
