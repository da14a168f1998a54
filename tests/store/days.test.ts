import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { bottleOf, writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { exportLines, importLines } from "../../src/store/exchange";
import { batchOf } from "../../src/store/journal";
import { tableDifferences } from "../../src/store/soundness";
import { keep, stores } from "../../src/store/stores";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

let home: Household;
const clock = (iso: string): void => void (process.env["JOLLY_NOW_FROZEN"] = iso);
beforeEach(async () => {
  clock("2026-11-20T09:00:00Z");
  home = await newHousehold();
});
afterEach(() => home.drop());

const PLAN = thymeOxymel("30 g", "400 mL", "400 mL");
const begun = async (): Promise<string> => {
  const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} }, PLAN);
  if (!w.ok) throw new Error(w.fault.message);
  return w.state.id;
};
const say = async (id: string, type: string, body: unknown, on?: string) => {
  const seen = (await batchOf(home.sql, id))!.seq;
  return write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body, on });
};
const told = (w: { ok: boolean; fault?: { name: string; path: readonly unknown[] } }) =>
  w.ok ? "ok" : `${w.fault!.name} ${w.fault!.path.join(".")}`;
const bottles = () =>
  [0, 1].map(() => ({
    ...{ id: randomUUID(), vessel: "b-330-swing", name: "330 mL" },
    ...{ ml: 330, place: "fridge" },
  }));
async function bottled(): Promise<{ id: string; bottle: string }> {
  const id = await begun();
  clock("2026-11-24T09:00:00Z");
  expect(told(await say(id, "strained", { measured: "700 mL", how: "wrung" }))).toBe("ok");
  const its = bottles();
  expect(told(await say(id, "bottled", { bottles: its, own: null }))).toBe("ok");
  return { id, bottle: its[0]!.id };
}
const toBottle = async (id: string, type: string, body: unknown, on?: string) =>
  writeBottle(home.sql, id, {
    ...{ key: randomUUID(), type, body, on, sure: true, seen: (await bottleOf(home.sql, id))!.bottle.seq },
  });

describe("what was done yesterday", () => {
  test("is written with its day, in the order it was done, and a day that cannot be is refused beside it", async () => {
    const id = await begun();
    clock("2026-11-24T09:00:00Z");
    expect(told(await say(id, "touched", { what: "shake" }, "2026-11-22"))).toBe("ok");
    expect((await batchOf(home.sql, id))!.done.shake).toBe("2026-11-22");
    expect(told(await say(id, "strained", { measured: "700 mL", how: "wrung" }, "2026-11-23"))).toBe("ok");
    expect((await batchOf(home.sql, id))!.strainedDay).toBe("2026-11-23");
    const its = bottles();
    const put = (on?: string) => say(id, "bottled", { bottles: its, own: null }, on);
    expect(told(await put("2026-11-25"))).toBe("InTheFuture on");
    expect(told(await put("2026-11-19"))).toBe("BeforeItBegan on");
    expect(told(await put("2026-11-22"))).toBe("OutOfOrder on");
    expect(told(await put("2026-11-23"))).toBe("ok");
    expect((await batchOf(home.sql, id))!.bottledDay).toBe("2026-11-23");
    expect(told(await say(id, "discarded", { why: "cloudy" }, "2026-11-22"))).toBe("OutOfOrder on");
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("a bottle: the day it was poured, never before it was filled, nor after it was gone", async () => {
    const { bottle } = await bottled();
    clock("2026-12-01T09:00:00Z");
    expect(told(await toBottle(bottle, "poured", { ml: 5, said: "1 tsp" }, "2026-11-23"))).toBe(
      "OutOfOrder on",
    );
    expect(told(await toBottle(bottle, "poured", { ml: 5, said: "1 tsp" }, "2026-11-28"))).toBe("ok");
    expect((await bottleOf(home.sql, bottle))!.bottle.openedDay).toBe("2026-11-28");
    expect(told(await toBottle(bottle, "given", { to: "Maro" }, "2026-11-27"))).toBe("OutOfOrder on");
    expect(told(await toBottle(bottle, "given", { to: "Maro" }, "2026-11-29"))).toBe("ok");
    expect((await bottleOf(home.sql, bottle))!.bottle.goneDay).toBe("2026-11-29");
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
});

describe("a day put right", () => {
  test("moves what hangs on it, keeps what was said beside it, and stays when the words are put right later", async () => {
    const { id } = await bottled();
    const before = (await home.sql<{ best_by: string }[]>`select best_by from bottle limit 1`)[0]!.best_by;
    const strained = { measured: "700 mL", how: "wrung" };
    expect(told(await say(id, "corrected", { seq: 2, body: strained }, "2026-11-22"))).toBe("ok");
    const put = (await batchOf(home.sql, id))!;
    expect([put.strainedDay, put.measured]).toEqual(["2026-11-22", "700 mL"]);
    expect(put.diary.find((e) => e.seq === 2)!.correctedBy).toMatchObject({
      wasDay: "2026-11-24",
      undone: false,
    });
    const after = (await home.sql<{ best_by: string }[]>`select best_by from bottle limit 1`)[0]!.best_by;
    expect(after < before).toBe(true);
    expect(told(await say(id, "corrected", { seq: 2, body: { ...strained, measured: "690 mL" } }))).toBe(
      "ok",
    );
    const again = (await batchOf(home.sql, id))!;
    expect([again.strainedDay, again.measured]).toEqual(["2026-11-22", "690 mL"]);
    expect(await tableDifferences(home.sql)).toEqual([]);
    const lines = await exportLines(home.sql);
    const other = await newHousehold();
    await importLines(other.sql, lines);
    expect((await batchOf(other.sql, id))!.strainedDay).toBe("2026-11-22");
    await other.drop();
  });
  test("that cannot be is refused: before the batch, in the future, after what came after it", async () => {
    const { id } = await bottled();
    const strained = { measured: "700 mL", how: "wrung" };
    const put = async (on: string) => told(await say(id, "corrected", { seq: 2, body: strained }, on));
    clock("2026-11-30T09:00:00Z");
    expect(await put("2026-11-19")).toBe("OutOfOrder on");
    expect(await put("2026-11-26")).toBe("OutOfOrder on");
    expect(await put("2026-12-01")).toBe("InTheFuture on");
    expect((await batchOf(home.sql, id))!.strainedDay).toBe("2026-11-24");
  });
});

describe("a clock that goes back", () => {
  test("a bottle is poured all the same, and nothing is written before what it stands on", async () => {
    const { id, bottle } = await bottled();
    clock("2026-11-21T09:00:00Z");
    expect(told(await toBottle(bottle, "poured", { ml: 5, said: "1 tsp" }))).toBe("ok");
    expect((await bottleOf(home.sql, bottle))!.bottle.openedDay).toBe("2026-11-24");
    expect(told(await say(id, "noted", { text: "the clock is wrong" }))).toBe("ok");
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
});

describe("a lot and the days", () => {
  const lot = (amount: string, id: string = randomUUID(), seen?: number) =>
    keep(home.sql, {
      ...{ id, key: randomUUID(), type: "kept", seen },
      body: { item: { what: "lot", material: "thyme", form: "dried", amount, got: "2026-10-01" } },
    });
  test("what a batch took before it was weighed again is in that weight; what is put right of it then moves nothing now", async () => {
    const w = await lot("100 g");
    if (!w.ok) throw new Error(w.fault.message);
    const id = await begun();
    const left = async () => Math.round((await stores(home.sql)).lots[0]!.leftG);
    expect(await left()).toBe(70);
    clock("2026-11-22T09:00:00Z");
    expect((await lot("60 g", w.state.id, 2)).ok).toBe(true);
    const plan = {
      ...PLAN,
      steps: PLAN.steps.map((s) =>
        s.do === "add"
          ? { ...s, what: s.what.map((l) => (l.material === "thyme" ? { ...l, amount: "20 g" } : l)) }
          : s,
      ),
    };
    expect(told(await say(id, "corrected", { seq: 1, body: { plan } }))).toBe("ok");
    expect(await left()).toBe(60);
    expect(told(await say(id, "corrected", { seq: 1, body: null }))).toBe("ok");
    expect(await left()).toBe(60);
  });
  test("a lot that was bought after the batch began gives what it has", async () => {
    const id = await begun();
    clock("2026-11-22T09:00:00Z");
    expect((await lot("100 g")).ok).toBe(true);
    const thyme = (await batchOf(home.sql, id))!.plan.steps.flatMap((s) =>
      s.do === "add" ? s.what : [],
    )[0]!;
    expect(told(await say(id, "added", { line: thyme.id, amount: "25 g" }, "2026-11-21"))).toBe("ok");
    expect(Math.round((await stores(home.sql)).lots[0]!.leftG)).toBe(75);
  });
});

describe("a day that something else hangs on", () => {
  const put = async (id: string, seq: number, body: unknown, on: string) =>
    told(await say(id, "corrected", { seq, body }, on));
  test("what is done with a working jar stays before its straining, whichever of the two is moved", async () => {
    const { id } = await bottled();
    clock("2026-11-20T10:00:00Z");
    const other = await begun();
    expect(told(await say(other, "touched", { what: "shake" }))).toBe("ok");
    clock("2026-11-28T09:00:00Z");
    expect(told(await say(other, "strained", { measured: "700 mL", how: "wrung" }, "2026-11-26"))).toBe("ok");
    expect(await put(other, 2, { what: "shake" }, "2026-11-27")).toBe("OutOfOrder on");
    expect(await put(other, 2, { what: "shake" }, "2026-11-26")).toBe("ok");
    expect(await put(id, 2, { measured: "700 mL", how: "wrung" }, "2026-11-20")).toBe("ok");
  });
  test("a bottle is not filled after what was done with it", async () => {
    const { id, bottle } = await bottled();
    clock("2026-11-30T09:00:00Z");
    expect(told(await toBottle(bottle, "given", { to: "Maro" }, "2026-11-26"))).toBe("ok");
    const { bottles: its } = (await batchOf(home.sql, id))!;
    const body = { bottles: its.map(({ number: _n, ...x }) => x), own: null };
    expect(await put(id, 3, body, "2026-11-27")).toBe("OutOfOrder on");
    expect(await put(id, 3, body, "2026-11-25")).toBe("ok");
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
});
