import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { MATERIALS } from "../../src/core/material/catalogue";
import { KINDS, type Kind } from "../../src/core/plan/plan";
import { shorterVerdict } from "../../src/core/keeping/verdict";
import { reckonBatch } from "../../src/core/journal/reckon";
import { type Standing, planOfStanding } from "../../src/core/standing/standing";
import { reckon } from "../../src/core/reckoning/reckon";
import { bottleOf } from "../../src/store/bottles";
import { exportLines, importLines } from "../../src/store/exchange";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { keep, stores } from "../../src/store/stores";
import { allFindings } from "../../src/store/soundness";
import { stand } from "../../src/store/standing";
import { type Household, newHousehold } from "../support";

let home: Household;
const clock = (iso: string): void => void (process.env["JOLLY_NOW_FROZEN"] = iso);
beforeEach(async () => {
  clock("2026-11-30T09:00:00Z");
  home = await newHousehold();
});
afterEach(() => home.drop());

const garlic = { material: "garlic", form: "fresh" as const, amount: "not known" };
const JAR: Standing = {
  ...{ as: "jar", from: "made", name: "Fire cider", kind: "fire-cider", on: "2026-11-02", unnamed: false },
  ...{ contents: [garlic], vessel: "m-1000", bottles: [], note: "from the pantry, lid is metal" },
};
const bottle = (ml = 250, place: "fridge" | "cupboard" = "fridge") => ({
  ...{ id: randomUUID(), vessel: "b-250-swing", ml, place },
});
const BOTTLES = (): Standing => ({
  ...{
    as: "bottles",
    from: "bought",
    name: "Elderberry syrup",
    kind: "syrup",
    on: "2026-10-03",
    unnamed: true,
  },
  ...{ contents: [], bottles: [bottle(), bottle(), bottle(170)], opened: "2026-11-12", bestBy: "2027-05-01" },
});

const put = (standing: Standing, ids = { id: randomUUID(), key: randomUUID() }) =>
  stand(home.sql, { ...ids, standing });
const told = (w: Awaited<ReturnType<typeof put>>) =>
  w.ok ? "ok" : `${w.fault.name} ${w.fault.path.join(".")}`;

describe("a jar that stands already", () => {
  test("goes on from its own day, with what was said of it, and takes nothing from the stores", async () => {
    const lot = randomUUID();
    const item = { what: "lot", material: "garlic", form: "fresh", amount: "500 g", got: "2026-10-20" };
    const kept = await keep(home.sql, { id: lot, key: randomUUID(), type: "kept", body: { item } });
    expect(kept.ok).toBe(true);
    const w = await put(JAR);
    if (!w.ok) throw new Error(w.fault.message);
    const batch = (await batchOf(home.sql, w.state.id))!;
    expect(batch).toMatchObject({
      state: "working",
      begunDay: "2026-11-02",
      stood: "made",
      code: "FC-26-01",
    });
    expect(batch.diary.map((e) => [e.type, e.day])).toEqual([
      ["begun", "2026-11-02"],
      ["noted", "2026-11-02"],
    ]);
    expect((await stores(home.sql)).lots.find((l) => l.id === lot)!.leftG).toBe(500);
    expect(await allFindings(home.sql)).toEqual([]);
  });

  test("is written once, however often it is sent", async () => {
    const ids = { id: randomUUID(), key: randomUUID() };
    expect([told(await put(JAR, ids)), told(await put(JAR, ids))]).toEqual(["ok", "ok"]);
    const [{ n }] = (await home.sql`select count(*)::int as n from event`) as never as [{ n: number }];
    expect(n).toBe(2);
  });

  test("begun tomorrow is refused beside its day; one of ten years ago is taken", async () => {
    expect(told(await put({ ...JAR, on: "2026-12-01" }))).toBe("InTheFuture on");
    expect(told(await put({ ...JAR, on: "2016-11-02" }))).toBe("ok");
    expect(await allFindings(home.sql)).toEqual([]);
  });

  test("of which more is known than fits is refused beside the jar", async () => {
    const contents = [{ ...garlic, amount: "2 kg" }];
    expect(told(await put({ ...JAR, contents }))).toMatch(/DoesNotFit/);
  });
});

describe("bottles that stand already", () => {
  test("stand in the cellar with their own day, the open one open, and go out and in again whole", async () => {
    const said = BOTTLES();
    const w = await put(said);
    if (!w.ok) throw new Error(w.fault.message);
    const batch = (await batchOf(home.sql, w.state.id))!;
    expect(batch).toMatchObject({ state: "bottled", stood: "bought", own: { bestBy: "2027-05-01" } });
    expect(batch.bottles.map((b) => [b.ml, b.number])).toEqual([
      [250, 1],
      [250, 2],
      [170, 3],
    ]);
    const open = await Promise.all(said.bottles.map(async (b) => (await bottleOf(home.sql, b.id))!.bottle));
    expect(open.map((b) => b.openedDay)).toEqual(["2026-11-12", undefined, undefined]);
    expect(await allFindings(home.sql)).toEqual([]);
    const lines = await exportLines(home.sql);
    const other = await newHousehold();
    try {
      await importLines(other.sql, lines);
      expect((await batchOf(other.sql, w.state.id))!.stood).toBe("bought");
      expect(await allFindings(other.sql)).toEqual([]);
    } finally {
      await other.drop();
    }
  });

  test("can be put right like any other, a jar by its plan and bottles by their bottling, and stay what they were", async () => {
    const right = async (id: string, seq: number, body: object) => {
      const seen = (await batchOf(home.sql, id))!.seq;
      const sent = { key: randomUUID(), type: "corrected", seen, sure: true, body: { seq, body } };
      const done = await write(home.sql, id, sent);
      return done.ok ? "ok" : `${done.fault.name} ${done.fault.path.join(".")} ${done.fault.message}`;
    };
    const entered = async (s: Standing) => {
      const w = await put(s);
      if (!w.ok) throw new Error(w.fault.message);
      return (await batchOf(home.sql, w.state.id))!;
    };
    const jar = await entered(JAR);
    const plan = { ...jar.begunPlan, name: "Winter cider", toldBy: "the neighbour" };
    expect(await right(jar.id, 1, { plan, reasons: {} })).toBe("ok");
    expect(await batchOf(home.sql, jar.id)).toMatchObject({ name: "Winter cider", stood: "made" });
    const was = await entered({ ...BOTTLES(), opened: undefined });
    const bottled = was.diary.find((e) => e.type === "bottled")!;
    const bottles = was.bottles.map((b) => ({ ...b, place: "cupboard" as const }));
    const own = { bestBy: "2026-11-10", reason: "as its label says" };
    expect(await right(was.id, bottled.seq, { bottles, own })).toBe("ok");
    expect(await batchOf(home.sql, was.id)).toMatchObject({ own: { bestBy: "2026-11-10" }, stood: "bought" });
    expect(await allFindings(home.sql)).toEqual([]);
  });

  test("of which nobody knows what is in them are promised no more than whatever they may be", async () => {
    const w = await put({ ...BOTTLES(), bestBy: undefined, opened: undefined });
    if (!w.ok) throw new Error(w.fault.message);
    const r = reckonBatch((await batchOf(home.sql, w.state.id))!);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    expect(r.value.reckoning.verdict.place).toBe("fridge");
    expect(r.value.cautions.some((c) => /nobody named/i.test(c.says))).toBe(true);
    // Sugar may be honey: nobody under a year old.
    expect(r.value.cautions.some((c) => c.id === "honey-under-twelve-months")).toBe(true);
  });

  test("cannot be opened before they were made, hold more than they hold, or be none", async () => {
    expect(told(await put({ ...BOTTLES(), opened: "2026-10-01" }))).toMatch(/ opened$/);
    expect(told(await put({ ...BOTTLES(), bottles: [bottle(900)] }))).toBe("DoesNotFit bottles.0.ml");
    expect(told(await put({ ...BOTTLES(), bottles: [] }))).toBe("NoBottles bottles");
    expect(told(await put({ ...BOTTLES(), bestBy: "2026-09-01" }))).toBe("NotADay bestBy");
    const [{ n }] = (await home.sql`select count(*)::int as n from event`) as never as [{ n: number }];
    expect(n).toBe(0);
  });
});

test("a syrup that was over the heat is promised no less for it, and boiled no less than simmered", () => {
  const verdictOf = (heated: Standing["heated"]) => {
    const contents = [
      { material: "elderberry", form: "dried" as const, amount: "100 g" },
      { material: "water", amount: "500 mL" },
      { material: "sugar", amount: "800 g" },
    ];
    const s = { ...BOTTLES(), contents, unnamed: false, heated };
    const r = reckon(planOfStanding(s, "metric", MATERIALS));
    if (!r.ok) throw new Error(r.faults[0]!.message);
    return r.value.verdict;
  };
  const [cold, simmered, boiled] = [undefined, "simmered" as const, "boiled" as const].map(verdictOf);
  expect(shorterVerdict(cold!, simmered!)).toBe(cold);
  expect(shorterVerdict(simmered!, boiled!)).toBe(simmered);
});

describe("what of a kind is not known", () => {
  test.each(KINDS.flatMap((k) => (["jar", "bottles"] as const).map((as) => [k, as] as const)))(
    "%s in %s is reckoned, and what is known of it promises no less",
    (kind: Kind, as) => {
      const plan = (contents: Standing["contents"]) =>
        planOfStanding(
          { ...(as === "jar" ? JAR : BOTTLES()), kind, contents, unnamed: contents.length === 0 },
          "metric",
          MATERIALS,
        );
      const verdictOf = (contents: Standing["contents"]) => {
        const r = reckon(plan(contents));
        if (!r.ok) throw new Error(r.faults[0]!.message);
        return r.value.verdict;
      };
      const dried = { material: "thyme", form: "dried" as const, amount: "10 g" };
      const [nothing, something] = [verdictOf([]), verdictOf([dried])];
      expect(shorterVerdict(nothing, something)).toBe(nothing);
    },
  );
});
