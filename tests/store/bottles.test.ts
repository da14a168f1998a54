import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { begin } from "../../src/store/commands";
import { bottleOf, writeBottle } from "../../src/store/bottles";
import { write } from "../../src/store/entries";
import { exportLines, importLines } from "../../src/store/exchange";
import { batchOf } from "../../src/store/journal";
import { behind } from "../../src/store/rebuild";
import { cellar, bottlesOfRemedy, remedies } from "../../src/store/shelf";
import { tableDifferences } from "../../src/store/soundness";
import { type Household, bareDatabase, newHousehold } from "../support";
import { migrate } from "../../src/store/migrate";
import { MIGRATIONS } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

const PLAN = thymeOxymel("30 g", "400 mL", "400 mL");
/** A batch in two bottles of the cupboard. */
const bottled = async (): Promise<{ id: string; bottles: string[] }> => {
  const id = randomUUID();
  const w = await begin(home.sql, { id, key: randomUUID(), plan: PLAN, reasons: {} }, PLAN);
  if (!w.ok) throw new Error(w.fault.message);
  const put = async (type: string, body: unknown, seen: number): Promise<void> => {
    const e = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
    if (!e.ok) throw new Error(e.fault.message);
  };
  await put("strained", { measured: "700 mL", how: "wrung" }, 1);
  const bottles = [0, 1].map(() => ({
    ...{ id: randomUUID(), vessel: "b-330-swing", name: "330 mL" },
    ...{ ml: 330, place: "cupboard" },
  }));
  await put("bottled", { bottles, own: null }, 2);
  return { id, bottles: bottles.map((b) => b.id) };
};
const put = async (id: string, type: string, body: unknown, more: object = {}) =>
  writeBottle(home.sql, id, {
    key: randomUUID(),
    type,
    body,
    seen: (await bottleOf(home.sql, id))!.bottle.seq,
    ...more,
  });
const row = async (id: string) =>
  (
    await home.sql<{ state: string; left_ml: number; best_by: string; place: string; seq: number }[]>`
    select state, left_ml, best_by, place, seq from bottle where id = ${id}`
  )[0]!;

describe("a bottle", () => {
  test("opened, poured from and emptied; the lists follow, and a rebuild says the same", async () => {
    const { bottles } = await bottled();
    const [one] = bottles as [string, string];
    const closed = (await row(one)).best_by;
    expect((await put(one, "poured", { ml: 10, said: "2 tsp", for: "the keeper" })).ok).toBe(true);
    expect(await row(one)).toMatchObject({ state: "kept", left_ml: 320, seq: 1 });
    expect((await bottleOf(home.sql, one))!.bottle.openedDay).toBe("2026-11-24");
    expect((await row(one)).best_by <= closed || closed > "2027-11-24").toBe(true);
    expect((await put(one, "emptied", {})).ok).toBe(true);
    expect((await cellar(home.sql)).reduce((n, l) => n + l.bottles, 0)).toBe(1);
    expect(await behind(home.sql)).toBe(false);
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("what was used of it is kept by day, an emptied rest since it was opened; a gift is no use, and what is taken back is not", async () => {
    const { bottles } = await bottled();
    const [one, two] = bottles as [string, string];
    const [untouched] = await remedies(home.sql, "2026-11-24");
    const at = (day: string) => ({ at: `${day}T08:00:00Z`, sure: true });
    await put(one, "poured", { ml: 15, said: "1 tbsp" }, at("2026-11-24"));
    await put(one, "poured", { ml: 15, said: "1 tbsp" }, at("2026-11-24"));
    await put(one, "corrected", { seq: 2, body: null });
    await put(one, "emptied", {}, at("2026-11-24"));
    await put(two, "given", { to: "the lock at the top" });
    const day = "2026-11-24";
    const [remedy, ...others] = await remedies(home.sql, day);
    expect(others).toEqual([]);
    // What is told of a remedy is kept only as long as its stamp.
    expect(remedy!.stamp).not.toBe(untouched!.stamp);
    const its = await bottlesOfRemedy(home.sql, remedy!, day);
    expect(its.flatMap((b) => b.taken)).toEqual([
      { from: day, to: day, ml: 15 },
      { from: day, to: day, ml: 315 },
    ]);
    expect(its.map((b) => [b.leftMl, b.gone])).toEqual([
      [0, day],
      [0, day],
    ]);
    // A bottle that left two years ago teaches nothing any more.
    expect(await remedies(home.sql, "2029-01-01")).toEqual([]);
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("more than is left cannot come out, and a second open one is asked about", async () => {
    const { bottles } = await bottled();
    const [one, two] = bottles as [string, string];
    expect(await put(one, "poured", { ml: 900, said: "900 mL" })).toMatchObject({
      ok: false,
      fault: { name: "MoreThanIsLeft", path: ["said"] },
    });
    // What is said and what is counted are one amount.
    for (const [type, more] of [
      ["poured", {}],
      ["coursed", { times: 1, days: 5, rest: 0, from: "2026-11-24" }],
    ] as const)
      expect(await put(one, type, { ml: 200, said: "1 tsp", ...more })).toMatchObject({
        ok: false,
        fault: { name: "SaidOtherwise", path: ["said"] },
      });
    await put(one, "opened", {});
    expect(await put(two, "opened", {})).toMatchObject({ ok: false, fault: { name: "Odd" } });
    expect((await put(two, "opened", {}, { sure: true })).ok).toBe(true);
  });
  test("moved, it stands there, and taken back it stands where it stood", async () => {
    const { bottles } = await bottled();
    const [one] = bottles as [string, string];
    await put(one, "moved", { place: "fridge" });
    expect((await row(one)).place).toBe("fridge");
    expect((await cellar(home.sql)).map((l) => l.place).sort()).toEqual(["cupboard", "fridge"]);
    await put(one, "corrected", { seq: 1, body: null });
    expect((await row(one)).place).toBe("cupboard");
  });
  test("one too full for the ice is asked about once; with room in it, it freezes", async () => {
    const { bottles } = await bottled();
    const [one, two] = bottles as [string, string];
    const ice = { place: "freezer" };
    expect(await put(one, "moved", ice)).toMatchObject({
      ok: false,
      fault: { name: "Odd", path: ["place"], message: expect.stringContaining("the glass may break") },
    });
    expect((await row(one)).place).toBe("cupboard");
    expect((await put(one, "moved", ice, { sure: true })).ok).toBe(true);
    await put(two, "poured", { ml: 20, said: "20 mL" });
    expect((await put(two, "moved", ice)).ok).toBe(true);
    expect((await row(two)).place).toBe("freezer");
  });
  test("what is no bottle, no entry or no body is told at its field", async () => {
    const { bottles } = await bottled();
    const [one] = bottles as [string, string];
    const r = (type: string, body: unknown) => ({ key: randomUUID(), type, body, seen: 0 });
    expect(await writeBottle(home.sql, randomUUID(), r("opened", {}))).toMatchObject({
      fault: { name: "NoSuchBottle" },
    });
    expect(await writeBottle(home.sql, one, r("constructor", {}))).toMatchObject({ status: 422 });
    expect(await writeBottle(home.sql, one, r("given", { to: "" }))).toMatchObject({
      fault: { message: "Say to whom it went.", path: ["to"] },
    });
    expect(
      await writeBottle(home.sql, one, r("inspected", { signs: [], outcome: "use-up", useBy: "2026-02-31" })),
    ).toMatchObject({
      fault: { path: ["useBy"] },
    });
  });
  test("a course is laid down, stands until another, and a thousand spoons of it are told at their field", async () => {
    const { bottles } = await bottled();
    const [one] = bottles as [string, string];
    const course = { ml: 15, said: "1 tbsp", times: 3, days: 10, rest: 7, from: "2026-11-24" };
    expect((await put(one, "coursed", course)).ok).toBe(true);
    expect((await put(one, "coursed", { ...course, times: 2, for: "the keeper" })).ok).toBe(true);
    expect((await bottleOf(home.sql, one))!.bottle.course).toEqual({
      ...course,
      times: 2,
      for: "the keeper",
    });
    for (const [field, value, said] of [
      ["times", 1000, "24 times a day at most"],
      ["days", 91, "90 days at most"],
      ["ml", 251, "over a cup"],
      ["rest", -1, "nought or more"],
    ] as const)
      expect(await put(one, "coursed", { ...course, [field]: value })).toMatchObject({
        fault: { path: [field], message: expect.stringContaining(said) },
      });
    const seq = (await bottleOf(home.sql, one))!.bottle.seq;
    expect((await put(one, "corrected", { seq, body: null })).ok).toBe(true);
    expect((await bottleOf(home.sql, one))!.bottle.course).toEqual({ ...course, for: undefined });
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("what is never for somebody is refused at every door where they and a bottle meet", async () => {
    const { bottles } = await bottled();
    const [one] = bottles as [string, string];
    const course = { ml: 5, said: "1 tsp", times: 1, days: 5, rest: 0, from: "2026-11-24" };
    for (const [type, body, path] of [
      ["coursed", { ...course, for: "the baby" }, "for"],
      ["poured", { ml: 5, said: "1 tsp", for: "the baby" }, "for"],
      ["given", { to: "my sister’s baby" }, "to"],
    ] as const)
      expect(await put(one, type, body)).toMatchObject({
        ok: false,
        fault: {
          name: "NeverForThem",
          path: [path],
          message: expect.stringContaining("Honey is never given to"),
        },
      });
    expect((await bottleOf(home.sql, one))!.bottle).toMatchObject({
      state: "kept",
      taken: [],
      course: undefined,
    });
    expect((await put(one, "given", { to: "the boatwright" })).ok).toBe(true);
  });
  test("two bottles written to at once are both written, and neither row is lost", async () => {
    const { bottles } = await bottled();
    const all = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        writeBottle(home.sql, bottles[i % 2]!, {
          key: randomUUID(),
          type: "poured",
          body: { ml: 5, said: "1 tsp" },
        }),
      ),
    );
    expect(all.every((w) => w.ok)).toBe(true);
    expect([(await row(bottles[0]!)).left_ml, (await row(bottles[1]!)).left_ml]).toEqual([300, 300]);
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
  test("its journal goes out and in again with the rest", async () => {
    const { bottles } = await bottled();
    await put(bottles[0]!, "poured", { ml: 10, said: "2 tsp" });
    await put(bottles[1]!, "given", { to: "the neighbour" });
    const lines = await exportLines(home.sql);
    const other = await bareDatabase();
    await migrate(other.sql, MIGRATIONS);
    await importLines(other.sql, lines);
    expect(await exportLines(other.sql)).toEqual(lines);
    expect((await bottleOf(other.sql, bottles[0]!))!.bottle.leftMl).toBe(320);
    await other.drop();
  });
  test("where its batch is bottled otherwise, it goes with the entry that filled it, once nothing hangs on it", async () => {
    const { id, bottles } = await bottled();
    await put(bottles[0]!, "opened", {});
    const unbottled = async () => {
      const seen = (await batchOf(home.sql, id))!.seq;
      const body = { seq: 3, body: null };
      return write(home.sql, id, { key: randomUUID(), type: "corrected", seen, body });
    };
    const told = expect.stringMatching(
      /·1 was opened on 24 November 2026\. Take that back in the Cellar first/,
    );
    expect(await unbottled()).toMatchObject({ ok: false, fault: { name: "LeftHanging", message: told } });
    await put(bottles[0]!, "corrected", { seq: 1, body: null });
    expect((await unbottled()).ok).toBe(true);
    expect(await bottleOf(home.sql, bottles[0]!)).toBeUndefined();
    expect(await tableDifferences(home.sql)).toEqual([]);
  });
});
