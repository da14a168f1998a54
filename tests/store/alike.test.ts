/** Jars filled alike: begun at once, filled at once where it is said so, and each its own from then on. */
import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { withIds } from "../../src/core/plan/ids";
import type { Plan } from "../../src/core/plan/plan";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { keep, stores } from "../../src/store/stores";
import { allFindings } from "../../src/store/soundness";
import { type Household, newHousehold } from "../support";

let home: Household;
const clock = (iso: string): void => void (process.env["JOLLY_NOW_FROZEN"] = iso);
beforeEach(async () => {
  clock("2026-11-02T09:00:00Z");
  home = await newHousehold();
});
afterEach(() => home.drop());

const PLAN: Plan = withIds({
  format: "jolly-crock/plan",
  version: 2,
  units: "us",
  name: "Winter cider",
  kind: "fire-cider",
  vessel: "us-quart",
  steps: [
    {
      do: "add",
      what: [
        { material: "horseradish", form: "fresh", amount: "100 g" },
        { material: "cider-vinegar", amount: "fill" },
      ],
    },
    { do: "steep", for: "4 weeks", in: "dark-cupboard" },
    { do: "strain", how: "wrung" },
    { do: "bottle" },
  ],
});
const ROOT = "1";
const got = async (grams: number): Promise<string> => {
  const id = randomUUID();
  const item = {
    what: "lot",
    material: "horseradish",
    form: "fresh",
    amount: `${grams} g`,
    got: "2026-11-01",
  };
  const w = await keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
  if (!w.ok) throw new Error(w.fault.message);
  return id;
};
async function twoQuarts(also = [randomUUID()]) {
  const id = randomUUID();
  const key = randomUUID();
  const sent = { id, key, plan: PLAN, reasons: {}, also };
  const w = await begin(home.sql, sent, PLAN);
  return { id, also, sent, w };
}
const line = (p: Plan): string => {
  const s = p.steps[0]!;
  return s.do === "add" ? s.what[0]!.id : ROOT;
};
async function say(id: string, type: string, body: object, more: object = {}) {
  const seen = (await batchOf(home.sql, id))!.seq;
  return write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body, ...more });
}
const left = async (lot: string) => (await stores(home.sql)).lots.find((l) => l.id === lot)?.leftG;

test("two quarts are two batches with codes of their own, drawn for twice; the same press again is the same two", async () => {
  const lot = await got(500);
  const { id, also, sent, w } = await twoQuarts();
  expect(w.ok).toBe(true);
  const [first, second] = [(await batchOf(home.sql, id))!, (await batchOf(home.sql, also[0]!))!];
  expect([first.code, second.code]).toEqual(["FC-26-01", "FC-26-02"]);
  expect([first.alike, second.alike]).toEqual([
    { batches: [id, also[0]], nth: 1 },
    { batches: [id, also[0]], nth: 2 },
  ]);
  expect(await left(lot)).toBeCloseTo(300, 6);
  const again = await begin(home.sql, sent, PLAN);
  expect(again).toMatchObject({ ok: true, already: true });
  expect(await home.sql`select 1 from batch`).toHaveLength(2);
  expect(await left(lot)).toBeCloseTo(300, 6);
});

test("what went in and what is taken back is so in both; said of one alone it is so in one", async () => {
  const lot = await got(500);
  const { id, also } = await twoQuarts();
  const other = also[0]!;
  const l = line(PLAN);
  expect((await say(id, "added", { line: l, amount: "80 g" }, { alike: true })).ok).toBe(true);
  const amounts = async () =>
    Promise.all([id, other].map(async (b) => (await batchOf(home.sql, b))!.making.lines.get(l)));
  expect(await amounts()).toMatchObject([{ amount: "80 g" }, { amount: "80 g" }]);
  expect(await left(lot)).toBeCloseTo(340, 6);
  const { seq } = (await batchOf(home.sql, id))!;
  const w = await say(id, "corrected", { seq, body: null }, { alike: true });
  expect(w.ok ? "ok" : w.fault).toBe("ok");
  expect(await amounts()).toEqual([undefined, undefined]);
  expect(await left(lot)).toBeCloseTo(300, 6);
  expect((await say(id, "added", { line: l, amount: "90 g" })).ok).toBe(true);
  expect(await amounts()).toMatchObject([{ amount: "90 g" }, undefined]);
  expect(await allFindings(home.sql)).toEqual([]);
});

test("one is strained early; the other works on, and nothing said of one is done to a jar that is strained", async () => {
  await got(500);
  const { id, also } = await twoQuarts();
  const other = also[0]!;
  clock("2026-11-16T09:00:00Z");
  expect((await say(id, "strained", { measured: "2 cups", how: "wrung" })).ok).toBe(true);
  const [first, second] = [(await batchOf(home.sql, id))!, (await batchOf(home.sql, other))!];
  expect([first.state, second.state]).toEqual(["strained", "working"]);
  const before = first.seq;
  expect((await say(other, "added", { line: line(PLAN), amount: "85 g" }, { alike: true })).ok).toBe(true);
  expect((await batchOf(home.sql, id))!.seq).toBe(before);
});

test("what stands in the way of one begins none of them, and a jar is sent once", async () => {
  const id = randomUUID();
  const twice = await begin(home.sql, { id, key: randomUUID(), plan: PLAN, reasons: {}, also: [id] }, PLAN);
  expect(twice).toMatchObject({ ok: false, fault: { path: ["also"] } });
  const { also } = await twoQuarts();
  const taken = await twoQuarts(also);
  expect(taken.w.ok).toBe(false);
  expect(await home.sql`select 1 from batch`).toHaveLength(2);
});

test("a plan put right keeps which jar it is", async () => {
  const { id } = await twoQuarts();
  const renamed = { ...PLAN, name: "Winter cider with bite" };
  const seq = (await batchOf(home.sql, id))!.seq;
  expect(seq).toBeGreaterThan(0);
  const w = await say(id, "corrected", { seq: 1, body: { plan: renamed, reasons: {} } });
  expect(w.ok ? "ok" : w.fault).toBe("ok");
  expect((await batchOf(home.sql, id))!.alike?.nth).toBe(1);
});

test("two hands at two of the jars at one moment: both are written in both, and nothing is lost", async () => {
  await got(5000);
  const { id, also } = await twoQuarts();
  const pair = [id, also[0]!];
  for (let round = 0; round < 8; round++) {
    const note = (n: number) => ({
      clock: `own-${round}-${n}`,
      did: "started",
      words: "jars",
      low: 1,
      high: 2,
    });
    const done = await Promise.all(
      pair.map((b, n) => say(b, "timed", note(n), { alike: true }).catch((e: unknown) => String(e))),
    );
    expect(done.map((w) => (typeof w === "string" ? w : w.ok))).toEqual([true, true]);
  }
  const clocks = await Promise.all(pair.map(async (b) => (await batchOf(home.sql, b))!.stove.clocks.length));
  expect(clocks).toEqual([16, 16]);
});
