import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import type { HouseCourse } from "../../src/core/cellar/house-course";
import type { Standing } from "../../src/core/standing/standing";
import { bottleOf, writeBottle } from "../../src/store/bottles";
import { coursesNow } from "../../src/store/courses";
import { exportLines, importLines } from "../../src/store/exchange";
import { keep, storedItems } from "../../src/store/stores";
import { allFindings } from "../../src/store/soundness";
import { stand } from "../../src/store/standing";
import { type Household, newHousehold } from "../support";

let home: Household;
const TODAY = "2026-11-30";
beforeEach(async () => {
  process.env["JOLLY_NOW_FROZEN"] = `${TODAY}T09:00:00Z`;
  home = await newHousehold();
});
afterEach(() => home.drop());

const ids = [randomUUID(), randomUUID()];
const OXYMEL = (): Standing => ({
  ...{ as: "bottles", from: "made", name: "Thyme oxymel", kind: "oxymel", on: "2026-11-20", unnamed: false },
  contents: [
    { material: "thyme", form: "dried", amount: "20 g" },
    { material: "honey", amount: "250 mL" },
    { material: "cider-vinegar", amount: "250 mL" },
  ],
  bottles: ids.map((id) => ({ id, vessel: "b-250-swing", ml: 240, place: "fridge" as const })),
});
const lay = async (c: Partial<HouseCourse>) => {
  const item = {
    ...{ what: "course", remedy: "Thyme oxymel", kind: "oxymel", times: 1, from: TODAY, rest: 0 },
    takers: [{ who: "the keeper", ml: 15, said: "1 tbsp" }],
    ...c,
  };
  const w = await keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item } });
  return w.ok ? "ok" : `${w.fault.name} ${w.fault.path.join(".")}`;
};
const person = (name: string, more: object = {}) =>
  keep(home.sql, {
    ...{ id: randomUUID(), key: randomUUID(), type: "kept" },
    body: { item: { what: "person", name, flags: [], allergies: [], ...more } },
  });
const now = async (sql = home.sql) => coursesNow(sql, await storedItems(sql), { today: TODAY, away: [] });
const stood = async (): Promise<void> => {
  const w = await stand(home.sql, { id: randomUUID(), key: randomUUID(), standing: OXYMEL() });
  if (!w.ok) throw new Error(`${w.fault.message} ${w.fault.path.join(".")}`);
};

describe("a course of the household", () => {
  test("stands over all bottles of its remedy, is counted by who takes it, and goes out and in with the rest", async () => {
    await stood();
    const takers = [
      { who: "the keeper", ml: 15, said: "1 tbsp" },
      { who: "the schoolchild", ml: 5, said: "1 tsp" },
    ];
    expect(await lay({ takers })).toBe("ok");
    const [c] = await now();
    expect(c!.stands).toMatchObject({ dayMl: 20, stockMl: 480, bottles: 2, on: true });
    expect(c!.from.map((b) => b.left)).toEqual([240, 240]);
    expect(c!.takes.map((t) => [t.who, t.taken])).toEqual([
      ["the keeper", 0],
      ["the schoolchild", 0],
    ]);
    const w = await writeBottle(home.sql, c!.from[0]!.id, {
      ...{ key: randomUUID(), type: "poured", body: { ml: 15, said: "1 tbsp", for: "the keeper" } },
    });
    expect(w.ok).toBe(true);
    const [after] = await now();
    expect(after!.takes.map((t) => t.taken)).toEqual([1, 0]);
    // The open one is poured from first.
    expect(after!.from[0]).toMatchObject({ id: c!.from[0]!.id, open: true, left: 225 });
    const seq = (await bottleOf(home.sql, c!.from[0]!.id))!.bottle.seq;
    const back = { key: randomUUID(), type: "corrected", seen: seq, body: { seq, body: null } };
    expect((await writeBottle(home.sql, c!.from[0]!.id, back)).ok).toBe(true);
    expect((await now())[0]!.takes.map((t) => t.taken)).toEqual([0, 0]);
    expect(await allFindings(home.sql)).toEqual([]);
    const other = await newHousehold();
    try {
      await importLines(other.sql, await exportLines(home.sql));
      expect((await now(other.sql))[0]!.course.takers).toEqual(takers);
    } finally {
      await other.drop();
    }
  });

  test("is refused beside the name of whoever may never have it", async () => {
    await stood();
    await person("the baby", { born: "2026-03" });
    await person("the keeper");
    const takers = [
      { who: "the keeper", ml: 15, said: "1 tbsp" },
      { who: "the baby", ml: 2.5, said: "½ tsp" },
    ];
    expect(await lay({ takers })).toBe("NeverForThem takers.1.who");
    expect(await lay({ takers: takers.slice(0, 1) })).toBe("ok");
  });

  test("of what does not stand here, of a litre a day, or of a spoon that is none is refused beside its field", async () => {
    expect(await lay({})).toBe("NoSuchRemedy remedy");
    await stood();
    expect(await lay({ takers: [{ who: "A", ml: 250, said: "250 mL" }], times: 5 })).toBe(
      "TooMuch takers.0.said",
    );
    expect(await lay({ takers: [{ who: "A", ml: 200, said: "1 tsp" }] })).toBe("SaidOtherwise takers.0.said");
    expect(await lay({ takers: [] })).toMatch(/takers$/);
    expect(await lay({ days: 0 })).toMatch(/days$/);
  });

  test("that is over is not on Today, one to come is not taken yet", async () => {
    await stood();
    expect(await lay({ from: "2026-11-01", days: 10 })).toBe("ok");
    expect(await lay({ from: "2026-12-10" })).toBe("ok");
    const all = await now();
    expect(all).toHaveLength(1);
    expect(all[0]!.takes).toEqual([]);
  });
});
