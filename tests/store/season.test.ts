import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { exportLines, importLines } from "../../src/store/exchange";
import { household } from "../../src/store/household";
import { season, writeSeason } from "../../src/store/season";
import { allFindings } from "../../src/store/soundness";
import { migrate } from "../../src/store/migrate";
import { type Household, MIGRATIONS, bareDatabase, newHousehold } from "../support";

let home: Household;
beforeAll(async () => {
  process.env["JOLLY_NOW_FROZEN"] = "2026-11-30T09:00:00Z";
  home = await newHousehold();
});
afterAll(() => home?.drop());

const use = { people: 4, ml: 15, said: "1 tbsp", times: 1, months: [11, 3] };
const wish = (more: object = {}) => ({
  ...{
    id: randomUUID(),
    remedy: "Fire cider",
    kind: "fire-cider",
    never: true,
    counts: "some",
    learned: true,
  },
  ...{ uses: [use], gifts: [], ...more },
});
const write = (type: string, body: unknown, seen?: number, key: string = randomUUID()) =>
  writeSeason(home.sql, { key, type, body, ...(seen === undefined ? {} : { seen }) });

describe("the season’s journal", () => {
  test("a wish is stated anew, whole, and dropped; what was said stays in the journal", async () => {
    const first = wish();
    expect((await write("wished", { wish: first })).ok).toBe(true);
    expect((await write("wished", { wish: { ...first, never: false } })).ok).toBe(true);
    expect((await season(home.sql)).wishes).toMatchObject([{ id: first.id, never: false }]);
    expect((await write("dropped", { wish: first.id, why: "" })).ok).toBe(true);
    const { wishes, dropped, seq } = await season(home.sql);
    expect(wishes).toEqual([]);
    expect([...dropped]).toEqual([first.id]);
    expect(seq).toBe(3);
  });

  test("the same press twice is one entry", async () => {
    const key = randomUUID();
    const w = wish({ remedy: "Twice" });
    const once = await write("wished", { wish: w }, undefined, key);
    const twice = await write("wished", { wish: w }, undefined, key);
    expect(once).toMatchObject({ ok: true, already: false });
    expect(twice).toMatchObject({ ok: true, already: true });
    expect((await season(home.sql)).wishes.filter((x) => x.remedy === "Twice")).toHaveLength(1);
  });

  test("a plan is kept by whoever saw the one before, and no other", async () => {
    const { seq } = await season(home.sql);
    const start = {
      ...{ id: "s1", wish: "w", remedy: "Fire cider", vessel: randomUUID(), fill: 1 },
      ...{ day: "2026-12-12", strain: "2027-01-09", in: "cupboard", pinned: false },
    };
    expect((await write("planned", { starts: [start] }, seq)).ok).toBe(true);
    const late = await write("planned", { starts: [] }, seq);
    expect(late).toMatchObject({ ok: false, status: 409 });
    expect((await season(home.sql)).plan?.starts).toMatchObject([{ id: "s1", day: "2026-12-12" }]);
  });

  test.each([
    ["no such remedy’s name", "wished", { wish: wish({ remedy: " " }) }, "Say which remedy."],
    ["a cup of ten litres", "wished", { wish: wish({ uses: [{ ...use, ml: 12_000 }] }) }, "over ten litres"],
    ["nobody", "wished", { wish: wish({ uses: [{ ...use, people: 0 }] }) }, "one or more"],
    [
      "a day there is none",
      "wished",
      { wish: wish({ gifts: [{ day: "2026-02-30", count: 1, ml: 100, said: "100 mL" }] }) },
      "calendar",
    ],
    [
      "hours a week has not",
      "settled",
      { terms: { hoursWeek: 200, hoursDay: 2, begins: [], fridgeL: 1, freezerL: 1, picked: [] } },
      "not so many hours",
    ],
    [
      "strained before it is begun",
      "planned",
      {
        starts: [
          {
            id: "s1",
            wish: "w",
            remedy: "x",
            vessel: "v",
            fill: 1,
            day: "2026-12-12",
            strain: "2026-12-01",
            in: "cupboard",
            pinned: false,
          },
        ],
      },
      "after it is begun",
    ],
    ["an entry there is none", "eaten", {}, "no such entry"],
  ])("%s is refused, and says what would be right", async (_, type, body, says) => {
    const before = (await season(home.sql)).seq;
    const w = await write(type, body, before);
    expect(w.ok).toBe(false);
    expect(w.ok ? "" : w.fault.message).toContain(says);
    expect((await season(home.sql)).seq).toBe(before);
  });

  test("it is carried out and in again, whole, and found sound", async () => {
    const said = await season(home.sql);
    const other = await bareDatabase();
    const there = other.sql;
    await migrate(there, MIGRATIONS);
    await importLines(there, await exportLines(home.sql));
    const back = await season(there);
    expect(back).toEqual(said);
    expect((await household(there)).id).toBe((await household(home.sql)).id);
    expect(await allFindings(there)).toEqual([]);
    await other.drop();
  });
});
