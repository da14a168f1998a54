import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { trial, withSteps } from "../../src/core/plan/trial";
import { oursId, secondRun } from "../../src/core/journal/ours";
import { reckonBatch } from "../../src/core/journal/reckon";
import type { Plan } from "../../src/core/plan/plan";
import { bottleOf } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { exportLines, importLines } from "../../src/store/exchange";
import { batchOf } from "../../src/store/journal";
import { oursKept, oursOf } from "../../src/store/ours";
import { kinOfBatch, recallOfBatch } from "../../src/store/recall";
import { bottlesOfRemedy, remedies } from "../../src/store/shelf";
import { keep, storedItems, stores } from "../../src/store/stores";
import { CLASSES } from "../../src/core/material/classes";
import { stuffOf } from "../../src/core/material/material";
import type { StoreItem } from "../../src/core/stores/item";
import { tableDifferences } from "../../src/store/soundness";
import { thymeOxymel } from "../plans";
import { type Household, newHousehold } from "../support";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

const begun = (plan: Plan, id = randomUUID()) =>
  begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan).then((w) => ({ id, w }));
const put = async (id: string, type: string, body: unknown, seen: number): Promise<void> => {
  const e = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
  if (!e.ok) throw new Error(`${type}: ${e.fault.message}`);
};
/** An oxymel in two bottles of the cupboard, 330 mL each. */
async function oxymel(): Promise<{ id: string; bottles: string[] }> {
  const { id, w } = await begun(thymeOxymel("30 g", "400 mL", "400 mL"));
  if (!w.ok) throw new Error(w.fault.message);
  await put(id, "strained", { measured: "700 mL", how: "wrung" }, 1);
  const bottles = [0, 1].map(() => ({
    ...{ id: randomUUID(), vessel: "b-330-swing", name: "330 mL", ml: 330, place: "cupboard" },
  }));
  await put(id, "bottled", { bottles, own: null }, 2);
  return { id, bottles: bottles.map((b) => b.id) };
}
/** A plan that pours so much of it in. */
async function elixir(id: string, amount: string): Promise<Plan> {
  const plan = thymeOxymel("10 g", "100 mL", "100 mL");
  return trial(
    withSteps(plan, [
      { do: "add", what: [{ material: oursId(id), amount, from: { batch: id } }] },
      ...plan.steps,
    ]),
    { materials: [...(await oursOf(home.sql, id))!] },
  );
}
const left = async (id: string): Promise<number> => (await bottleOf(home.sql, id))!.bottle.leftMl;

describe("a bottle of ours in another batch", () => {
  test("is poured from as the batch begins, is no use of anybody's, and is there again when the beginning is taken back", async () => {
    const { id, bottles } = await oxymel();
    const made = await begun(await elixir(id, "400 mL"));
    expect(made.w.ok).toBe(true);
    // The first is emptied before the second is opened.
    expect(await Promise.all(bottles.map(left))).toEqual([0, 260]);
    const all = await remedies(home.sql, "2026-11-24");
    const its = await Promise.all(all.map((r) => bottlesOfRemedy(home.sql, r, "2026-11-24")));
    expect(its.flat().length).toBeGreaterThan(0);
    expect(its.flat().flatMap((b) => b.taken)).toEqual([]);
    await put(made.id, "corrected", { seq: 1, body: null }, 1);
    expect(await Promise.all(bottles.map(left))).toEqual([330, 330]);
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("more than is left is refused beside its line, and nothing is begun or poured", async () => {
    const { id, bottles } = await oxymel();
    const plan = await elixir(id, "800 mL");
    expect((await begun(plan)).w).toMatchObject({
      ok: false,
      fault: { name: "MoreThanIsLeft", path: ["lines", expect.any(String)] },
    });
    expect(await home.sql`select 1 from batch where id <> ${id}`).toHaveLength(0);
    expect(await Promise.all(bottles.map(left))).toEqual([330, 330]);
  });
  test("what really goes in is what comes out of the bottle", async () => {
    const { id, bottles } = await oxymel();
    const made = await begun(await elixir(id, "100 mL"));
    const ours = (await batchOf(home.sql, made.id))!.begunPlan.steps.flatMap((s) =>
      s.do === "add" ? s.what : [],
    )[0]!;
    await put(made.id, "added", { line: ours.id, amount: "150 mL" }, 1);
    expect(await left(bottles[0]!)).toBeCloseTo(180, 3);
    await put(made.id, "left-out", { line: ours.id }, 2);
    expect(await left(bottles[0]!)).toBeCloseTo(330, 3);
  });
  test("a promise ends with the bottle it was made of, and the recall goes on into what it went into", async () => {
    const { id } = await oxymel();
    const [closed] = await home.sql<{ best_by: string }[]>`select min(best_by) as best_by from bottle`;
    const one = await begun(await elixir(id, "100 mL"));
    await put(one.id, "strained", { measured: "280 mL", how: "wrung" }, 1);
    const bottle = { id: randomUUID(), vessel: "b-330-swing", name: "330 mL", ml: 280, place: "fridge" };
    await put(one.id, "bottled", { bottles: [bottle], own: null }, 2);
    const two = await begun(await elixir(one.id, "50 mL"));
    const { code } = (await batchOf(home.sql, one.id))!;
    expect((await recallOfBatch(home.sql, id)).map((b) => [b.id, b.from ?? null])).toEqual([
      [id, null],
      [one.id, ["OX-26-01"]],
      [two.id, [code]],
    ]);
    const [is] = await home.sql<{ best_by: string }[]>`select best_by from bottle where batch_id = ${one.id}`;
    expect(is!.best_by).toBe(closed!.best_by);
    expect(await kinOfBatch(home.sql, one.id)).toMatchObject({
      madeOf: [{ code: "OX-26-01" }],
      wentInto: [{ id: two.id }],
    });
  });
  test("the cellar's list has what is left, and an empty cellar has nothing to pour", async () => {
    expect(await oursKept(home.sql)).toEqual([]);
    const { id } = await oxymel();
    expect(await oursKept(home.sql)).toMatchObject([{ batch: id, code: "OX-26-01", leftMl: 660 }]);
    expect(await oursOf(home.sql, randomUUID())).toBeUndefined();
  });
  test("all of it goes out in a file and comes back in", async () => {
    const { id } = await oxymel();
    await begun(await elixir(id, "100 mL"));
    const lines = await exportLines(home.sql);
    const other = await newHousehold();
    await importLines(other.sql, lines);
    expect((await recallOfBatch(other.sql, id)).length).toBe(2);
    await other.drop();
  });
});

test("a second run descends from the first", async () => {
  const { id } = await oxymel();
  const batch = (await batchOf(home.sql, id))!;
  const r = reckonBatch(batch);
  const plan = r.ok ? secondRun(batch, r.value.program) : undefined;
  const { id: second, w } = await begun(plan!);
  expect(w.ok).toBe(true);
  expect((await kinOfBatch(home.sql, id)).wentInto.map((b) => b.id)).toEqual([second]);
});

test("what a straining kept is learned, taken back it is forgotten, and all of it at the household's word", async () => {
  const learned = async () =>
    (await storedItems(home.sql)).flatMap((s) => (s.item.what === "learned" ? [s.item] : []));
  expect(await learned()).toEqual([]);
  const { w, id } = await begun(thymeOxymel("60 g", "400 mL", "400 mL"));
  expect(w.ok).toBe(true);
  await put(id, "strained", { measured: "560 mL", how: "wrung" }, 1);
  const [one, ...others] = await learned();
  expect(others).toEqual([]);
  expect(one).toMatchObject({ class: "leaf", how: "wrung", batches: 1 });
  expect(one!.share).not.toBeCloseTo(1, 2);
  const thyme = async () => {
    const s = stuffOf((await stores(home.sql)).catalogue.get("thyme")!, { form: "dried" });
    return s.ok ? s.value.retention.wrung : 0;
  };
  expect(await thyme()).toBeCloseTo(CLASSES.leaf.retention.wrung * one!.share, 6);
  const say = (item: StoreItem) =>
    keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item } });
  expect((await say(one!)).ok).toBe(false);
  expect((await say({ what: "cloth", since: "2026-11-25" })).ok).toBe(true);
  expect(await learned()).toEqual([]);
  await put(id, "corrected", { seq: 2, body: null }, 2);
  expect(await home.sql`select 1 from kept_back`).toHaveLength(0);
  expect(await tableDifferences(home.sql)).toEqual([]);
});

test("a plant of the household's own goes in after the batch began, and stays readable wherever the batch goes", async () => {
  const row = { id: "own-towpath-mint", names: ["towpath mint"], class: "leaf" as const, source: "own" };
  await keep(home.sql, {
    id: randomUUID(),
    key: randomUUID(),
    type: "kept",
    body: { item: { what: "material", row } },
  });
  const { id } = await begun(thymeOxymel("30 g", "400 mL", "400 mL"));
  const line = { id: "said", material: row.id, form: "dried", amount: "10 g" };
  await put(id, "extra", { line }, 1);
  const thyme = (await batchOf(home.sql, id))!.begunPlan.steps.flatMap((s) =>
    s.do === "add" ? s.what : [],
  )[0]!;
  await put(id, "swapped", { line: thyme.id, for: { ...line, amount: "25 g" } }, 2);
  const b = (await batchOf(home.sql, id))!;
  expect(b.plan.materials).toMatchObject([row]);
  const r = reckonBatch(b);
  expect(r.ok && r.value.program.lines.map((l) => l.stuff.name)).toEqual([
    "towpath mint",
    "cider vinegar",
    "honey",
    "towpath mint",
  ]);
  const other = await newHousehold();
  await importLines(other.sql, await exportLines(home.sql));
  expect((await batchOf(other.sql, id))!.plan.materials).toMatchObject([row]);
  await other.drop();
});
