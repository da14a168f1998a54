import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { linesOf } from "../../src/core/plan/edit";
import type { Plan } from "../../src/core/plan/plan";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { appendWithin } from "../../src/store/append";
import { BATCHES, batchOf } from "../../src/store/journal";
import { type Tx, connect } from "../../src/store/db";
import { behind, rebuild } from "../../src/store/rebuild";
import { busyVessels, live } from "../../src/store/shelf";
import { keep, stores } from "../../src/store/stores";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

const PLAN = thymeOxymel("30 g", "400 mL", "400 mL");
const put = (item: object, id = randomUUID()) =>
  keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
const lot = (material: string, amount: string, more: object = {}) =>
  put({ what: "lot", material, amount, got: "2026-10-01", ...more });
const left = async (material: string): Promise<number> =>
  Math.round(
    (await stores(home.sql)).lots.filter((l) => l.material === material).reduce((s, l) => s + l.leftG, 0),
  );
const empties = async (): Promise<number> =>
  (await stores(home.sql)).empties.reduce((s, e) => s + e.count, 0);

const begun = async (plan: Plan = PLAN) => {
  const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan, reasons: {} }, plan);
  if (!w.ok) throw new Error(w.fault.message);
  return w.state;
};
/** Writes an entry on what stands now. */
const put_ = async (id: string, type: string, body: unknown, more: object = {}) =>
  write(home.sql, id, { key: randomUUID(), type, seen: (await batchOf(home.sql, id))!.seq, body, ...more });
const done = async (id: string, type: string, body: unknown, more: object = {}) => {
  const w = await put_(id, type, body, more);
  if (!w.ok) throw new Error(`${type}: ${w.fault.message}`);
  return w;
};
const bottle = (ml: number, id = randomUUID()) => ({
  id,
  vessel: "b-250-swing",
  name: "250 mL",
  ml,
  place: "fridge",
});
/** The plan with one line's amount said otherwise. */
const withAmount = (plan: Plan, material: string, amount: string): Plan => ({
  ...plan,
  steps: plan.steps.map((s) =>
    s.do === "add" ? { ...s, what: s.what.map((l) => (l.material === material ? { ...l, amount } : l)) } : s,
  ),
});
/** The read tables as they stand, and as the journal alone makes them. */
const tables = async () => ({
  batches: await home.sql`select * from batch order by id`,
  bottles: await home.sql`select * from bottle order by id`,
  stores: await home.sql`select * from store_item order by id`,
});
const expectRebuilt = async (): Promise<void> => {
  const was = await tables();
  expect(await behind(home.sql)).toBe(false);
  await rebuild(home.sql);
  expect(await tables()).toEqual(was);
};

describe("the plan, put right while the jar works", () => {
  test("changes the amounts, draws the lots anew and keeps its code", async () => {
    await lot("thyme", "100 g", { form: "dried" });
    const b = await begun();
    expect(await left("thyme")).toBe(70);
    const plan = withAmount(b.begunPlan, "thyme", "20 g");
    const w = await done(b.id, "corrected", { seq: 1, body: { plan }, why: "read it wrong" });
    expect(w.state.code).toBe(b.code);
    expect(linesOf(w.state.plan)[0]!.amount).toBe("20 g");
    expect(w.state.diary[0]).toMatchObject({ correctedBy: { why: "read it wrong", undone: false } });
    expect(await left("thyme")).toBe(80);
    await expectRebuilt();
  });
  test("is checked as it was at Begin: what does not fit, or may never go in, is refused at its field", async () => {
    const b = await begun();
    const much = withAmount(b.begunPlan, "cider-vinegar", "9 L");
    expect(await put_(b.id, "corrected", { seq: 1, body: { plan: much } })).toMatchObject({
      ok: false,
      fault: { name: "DoesNotFit", path: ["body", "vessel"] },
    });
    const unsaid = withAmount(b.begunPlan, "thyme", "some");
    expect(await put_(b.id, "corrected", { seq: 1, body: { plan: unsaid } })).toMatchObject({
      ok: false,
      status: 422,
    });
    expect((await batchOf(home.sql, b.id))!.seq).toBe(1);
  });
  test("moves the batch to another jar, which is then the busy one", async () => {
    const b = await begun();
    const { vessel: _, ...plan } = b.begunPlan;
    await done(b.id, "corrected", { seq: 1, body: { plan: { ...plan, vessel: "m-1500" } } });
    expect((await busyVessels(home.sql)).map((x) => x.vessel)).toEqual(["m-1500"]);
    await expectRebuilt();
  });
  test("is closed once it is strained", async () => {
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    expect(await put_(b.id, "corrected", { seq: 1, body: null })).toMatchObject({
      ok: false,
      fault: { name: "NotNow" },
    });
  });
});

describe("begun by accident", () => {
  test("gives back what it drew, leaves the Shelf, and keeps its code spent and its plan", async () => {
    await lot("thyme", "100 g", { form: "dried" });
    const b = await begun();
    await done(b.id, "touched", { what: "shake" });
    const w = await done(b.id, "corrected", { seq: 1, body: null });
    expect(w.state).toMatchObject({ state: "undone", code: b.code });
    expect(linesOf(w.state.begunPlan).length).toBe(3);
    expect(await left("thyme")).toBe(100);
    expect(await live(home.sql)).toEqual([]);
    expect(await busyVessels(home.sql)).toEqual([]);
    expect((await begun()).code).not.toBe(b.code);
    expect(await put_(b.id, "touched", { what: "shake" })).toMatchObject({ fault: { name: "NotNow" } });
    expect(await put_(b.id, "corrected", { seq: 1, body: null })).toMatchObject({ ok: false });
    await expectRebuilt();
  });
});

describe("what was written wrong", () => {
  test("a correction passes the same checks as the entry, and a bad one leaves all as it was", async () => {
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    for (const measured of ["720", "lots", "9 L", "75o mL"])
      expect(await put_(b.id, "corrected", { seq: 2, body: { measured, how: "wrung" } })).toMatchObject({
        ok: false,
        status: 422,
        fault: { path: ["body", "measured"] },
      });
    expect((await batchOf(home.sql, b.id))!.measured).toBe("700 mL");
  });
  test("a touch that did not happen is taken back, and the day it was last done with it", async () => {
    const b = await begun();
    await done(b.id, "touched", { what: "shake" });
    const w = await done(b.id, "corrected", { seq: 2, body: null });
    expect(w.state.done).toEqual({});
    expect(w.state.diary[1]).toMatchObject({ correctedBy: { undone: true } });
  });
  test("what rests on an entry is put right first", async () => {
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    await done(b.id, "finished", { lines: [] });
    expect(await put_(b.id, "corrected", { seq: 2, body: null })).toMatchObject({
      ok: false,
      fault: { name: "ComesAfter" },
    });
    await done(b.id, "corrected", { seq: 3, body: null });
    expect((await done(b.id, "corrected", { seq: 2, body: null })).state.state).toBe("working");
  });
  test("a bottling put right takes its own verdict from no one, and counts the empties again", async () => {
    await put({ what: "empties", vessel: "b-250-swing", count: 6 });
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    const first = await done(b.id, "bottled", {
      bottles: [bottle(230), bottle(230), bottle(230)],
      own: null,
    });
    expect(await empties()).toBe(3);
    const seq = first.seq;
    const mine = { ...first.state.verdict!, days: 36_500 };
    expect(
      await put_(b.id, "corrected", {
        seq,
        body: { bottles: [bottle(230)], own: null, verdict: mine },
      }),
    ).toMatchObject({ ok: false, status: 422 });
    const w = await done(
      b.id,
      "corrected",
      { seq, body: { bottles: [bottle(230), bottle(230)], own: null } },
      { sure: true },
    );
    expect(w.state.bottles.length).toBe(2);
    expect(w.state.verdict!.days).toBe(first.state.verdict!.days);
    expect(await empties()).toBe(4);
    const none = await done(b.id, "corrected", { seq, body: null });
    expect(none.state.state).toBe("strained");
    expect(await empties()).toBe(6);
    await expectRebuilt();
  });
  test("discarded by mistake, it stands where it stood", async () => {
    const b = await begun();
    await done(b.id, "discarded", { why: "wrong jar" });
    expect((await done(b.id, "corrected", { seq: 2, body: null })).state.state).toBe("working");
  });
  test("a correction from an older build that does not read leaves the batch standing, and says so", async () => {
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    await home.sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body)
      values ('batch', ${b.id}, 3, ${randomUUID()}, '', 'corrected', 2, now(), '2026-11-24', ${home.sql.json({ seq: 2, body: { measured: 7 } } as never)})`;
    const is = (await batchOf(home.sql, b.id))!;
    expect(is.state).toBe("strained");
    expect(is.measured).toBe("700 mL");
    expect(is.unreadable.map((u) => u.seq)).toEqual([2]);
    const w = await done(b.id, "corrected", { seq: 2, body: { measured: "650 mL", how: "wrung" } });
    expect(w.state.unreadable).toEqual([]);
  });
});

describe("odd values are asked about once", () => {
  const odd = { ok: false, status: 422, fault: { name: "Odd" } };
  test("a jug far from what was foreseen", async () => {
    const b = await begun();
    const little = { measured: "20 mL", how: "wrung" };
    expect(await put_(b.id, "strained", little)).toMatchObject({ ...odd, fault: { path: ["measured"] } });
    expect((await done(b.id, "strained", little, { sure: true })).state.measured).toBe("20 mL");
  });
  test("more poured on than a jar could take up, and what is no food at all", async () => {
    const b = await begun();
    const poured = (material: string, amount: string) => ({ line: { id: "poured", material, amount } });
    expect(await put_(b.id, "topped-up", poured("cider-vinegar", "9 L"))).toMatchObject(odd);
    await done(b.id, "topped-up", poured("cider-vinegar", "3 tbsp"));
    expect(await put_(b.id, "topped-up", poured("isopropyl", "3 tbsp"))).toMatchObject({
      ok: false,
      fault: { name: "Never" },
    });
  });
  test("ten times what was planned of a line", async () => {
    const b = await begun();
    const line = linesOf(b.begunPlan)[0]!.id;
    expect(await put_(b.id, "added", { line, amount: "95 g" })).toMatchObject(odd);
    await done(b.id, "added", { line, amount: "28 g" });
  });
  test("half of it bottled", async () => {
    const b = await begun();
    await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    expect(await put_(b.id, "bottled", { bottles: [bottle(200)], own: null })).toMatchObject(odd);
  });
});

/**
 * Lets many start while something they all need is held, so that all have looked before the first may write; then lets go.
 * @param hold takes what is held, in a transaction of its own
 */
async function atOnce<T>(hold: (tx: Tx) => Promise<unknown>, start: () => Promise<T>[]): Promise<T[]> {
  const holder = connect(home.url, 1);
  const many = connect(home.url, 30);
  const own = home.sql;
  home = { ...home, sql: many };
  let started: Promise<T[]> | undefined;
  await holder.begin(async (tx) => {
    await hold(tx);
    started = Promise.all(start());
    await new Promise((done) => setTimeout(done, 2000));
  });
  const all = await started!;
  home = { ...home, sql: own };
  await Promise.all([holder.end(), many.end()]);
  return all;
}

describe("races", () => {
  // Batches of one kind wait for each other's running number already; of two kinds nothing but the stores' own lock makes them wait.
  test("batches of four kinds begun at once never take more of a lot than there is", async () => {
    await lot("thyme", "60 g", { form: "dried" });
    const { id } = (await stores(home.sql)).lots[0]!;
    const kinds = ["oxymel", "vinegar", "honey", "tincture"] as const;
    await atOnce(
      (tx) => tx`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`,
      () => kinds.map((kind) => begun({ ...PLAN, kind })),
    );
    const taken = await home.sql<
      { g: number }[]
    >`select sum((body ->> 'grams')::float8) as g from event where type = 'drawn'`;
    expect(Math.round(taken[0]!.g)).toBe(60);
    expect(await left("thyme")).toBe(0);
  });
  test("bottlings at once never fill a bottle that is not there", async () => {
    await put({ what: "empties", vessel: "b-250-swing", count: 5 });
    const all = await Promise.all(Array.from({ length: 8 }, () => begun()));
    for (const b of all) await done(b.id, "strained", { measured: "700 mL", how: "wrung" });
    await Promise.all(
      all.map((b) => done(b.id, "bottled", { bottles: [bottle(240)], own: null }, { sure: true })),
    );
    const [filled] = await home.sql<
      { n: number }[]
    >`select sum((body ->> 'count')::int)::int as n from event where type = 'filled'`;
    expect(filled!.n).toBe(5);
    expect(await empties()).toBe(0);
  });
  test("of two dozen people of one name, one is written down", async () => {
    const person = { what: "person", name: "the keeper", flags: [], allergies: [] };
    const all = await atOnce(
      (tx) => tx`lock table store_item in share mode`,
      () => Array.from({ length: 24 }, () => put(person)),
    );
    expect(all.filter((w) => w.ok).length).toBe(1);
    expect((await stores(home.sql)).people.length).toBe(1);
  });
  test("one key sent to two batches at once is written once, and the other is told", async () => {
    const [a, b] = [await begun(), await begun()];
    const key = randomUUID();
    const both = await Promise.allSettled(
      [a, b].map((x) => write(home.sql, x.id, { key, type: "noted", body: { text: "smells of hay" } })),
    );
    const ok = both.filter((x) => x.status === "fulfilled" && x.value.ok);
    expect(ok.length).toBe(1);
    const [n] = await home.sql<{ n: number }[]>`select count(*)::int as n from event where key = ${key}`;
    expect(n!.n).toBe(1);
  });
});

test("weighing a lot anew leaves the price of a gram as it was paid; a new price is a new one", async () => {
  const id = randomUUID();
  const item = {
    what: "lot",
    material: "thyme",
    form: "dried",
    amount: "500 g",
    got: "2026-10-01",
    price: 5,
  };
  await put(item, id);
  const weighed = await keep(home.sql, {
    id,
    key: randomUUID(),
    seen: 1,
    type: "kept",
    body: { item: { ...item, amount: "250 g" } },
  });
  expect(weighed.ok).toBe(true);
  const [one] = (await stores(home.sql)).lots;
  expect(one).toMatchObject({ leftG: 250, boughtG: 500 });
  await keep(home.sql, {
    id,
    key: randomUUID(),
    seen: 2,
    type: "kept",
    body: { item: { ...item, amount: "250 g", price: 4 } },
  });
  expect((await stores(home.sql)).lots[0]).toMatchObject({ boughtG: 250 });
  await expectRebuilt();
});

describe("behind very many readings", () => {
  /** A batch with so many readings of a thermometer behind its beginning, written straight into the journal. */
  const readALot = async (n: number): Promise<string> => {
    const { id } = await begun();
    await home.sql`
      insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body)
      select 'batch', ${id}, g + 1, gen_random_uuid(), 'x' || g, 'read', 2, '2026-11-24T09:00:00Z', '2026-11-24T09:00:00Z', '2026-11-24',
        jsonb_build_object('what', 'room', 'value', 18 + (g % 7)) from generate_series(1, ${n}) g`;
    return id;
  };
  test("an entry is put right without the journal being gone through once for each of them", async () => {
    const id = await readALot(2000);
    let folds = 0;
    const counting = {
      ...BATCHES,
      fold: (events: Parameters<typeof BATCHES.fold>[0]) => {
        folds += 1;
        return BATCHES.fold(events);
      },
    };
    const body = { seq: 5, body: { what: "room", value: 21.5 } };
    const key = randomUUID();
    const w = await home.sql.begin((tx) =>
      appendWithin(tx, counting, { streamId: id, key, type: "corrected", body, seen: 2001 }),
    );
    expect(w).toMatchObject({ ok: true, already: false });
    expect(folds).toBeLessThan(6);
    expect((await batchOf(home.sql, id))!.stove.readings.find((r) => r.seq === 5)!.value).toBe(21.5);
  });
  test("what would no longer hold is still refused behind them", async () => {
    const id = await readALot(300);
    await done(id, "strained", { measured: "700 mL", how: "wrung" });
    await done(id, "bottled", { bottles: [bottle(250)], own: null }, { sure: true });
    const strained = (await batchOf(home.sql, id))!.diary.find((e) => e.type === "strained")!;
    const w = await put_(id, "corrected", { seq: strained.seq, body: null });
    expect(w).toMatchObject({ ok: false, fault: { name: "ComesAfter" } });
  });
});
