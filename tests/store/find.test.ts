import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { find } from "../../src/store/find";
import { type Household, newHousehold } from "../support";

const TODAY = "2026-11-24";
const PLACES = [
  { id: "under-the-stairs", name: "Under the stairs", class: "cool-dark" as const },
  { id: "fridge", name: "Fridge", class: "fridge" as const },
];
let home: Household;
beforeAll(async () => void (home = await newHousehold("demo")));
afterAll(() => home.drop());

const asked = async (question: string) => (await find(home.sql, question, PLACES, TODAY)).found;
const called = async (question: string): Promise<string[]> =>
  (await asked(question)).map((f) => f.called || f.name);

describe("one box finds", () => {
  test.each([
    // A batch by its code, however it is written; its bottles after it.
    ["OX-26-02", "OX-26-02"],
    ["ox-26-02", "OX-26-02"],
    // A bottle by its number.
    ["VI-26-01·2", "VI-26-01·2"],
    // What went in, by another of its names, by its Latin name, in the plural, and as a question.
    ["linden flowers in honey", "HO-26-01"],
    ["lime blossoms", "OX-26-03"],
    ["what has horehound in it", "SY-26-01"],
    ["Marrubium", "SY-26-01"],
    // Whom it is for, and what becomes of it.
    ["boatwright hyssop", "OX-26-02"],
    ["discarded", "FC-26-01"],
    // When it was begun.
    ["april oxymel", "OX-26-01"],
  ])("“%s”: %s", async (question, first) => expect((await called(question))[0]).toBe(first));

  test("bottles by where they stand and by their day", async () => {
    const fridge = await asked("fridge");
    expect(fridge.length).toBeGreaterThan(0);
    expect(fridge.filter((f) => f.sort === "bottle").map((f) => f.place)).toEqual(
      expect.arrayContaining(["fridge"]),
    );
    expect(fridge[0]!.sort).toBe("bottle");
    const past = (await asked("past")).filter((f) => f.sort === "bottle");
    expect(past.length).toBeGreaterThan(0);
    expect(past.filter((f) => f.day! >= TODAY && f.state === "kept")).toEqual([]);
    // Every word counts.
    expect(await called("past horehound ice box")).toEqual([]);
  });
  test("what is in the stores, with what is left of it", async () => {
    const [lot] = (await asked("hyssop stores")).filter((f) => f.sort === "store");
    expect(lot).toMatchObject({ name: "hyssop", state: expect.stringMatching(/^\d+ g$/) });
  });
  test("more than is listed is counted, and nothing is found by nothing", async () => {
    const [n] = await home.sql<
      { n: number }[]
    >`select count(*)::int as n from batch where begun_day >= '2026-01-01'`;
    const dated = await find(home.sql, "2026", PLACES, TODAY);
    expect(n!.n).toBeGreaterThan(8);
    expect(dated.found.filter((f) => f.sort === "batch")).toHaveLength(8);
    const bottles =
      await home.sql`select 1 from bottle where batch_id in (select id from batch where begun_day >= '2026-01-01')`;
    const listed = dated.found.filter((f) => f.sort === "bottle").length;
    expect(dated.more).toBe(n!.n - 8 + bottles.length - listed);
    for (const empty of ["", "   ", "what is in the", "--", "%", "_"]) expect(await asked(empty)).toEqual([]);
    expect(await asked("flibbertigibbet")).toEqual([]);
  });
  test("signs of the database's own mean themselves", async () => {
    for (const q of ["'; drop table batch; --", "\\", "100%", "a_b", "{}", "\u202e"]) {
      const r = await find(home.sql, q, PLACES, TODAY);
      expect(Array.isArray(r.found)).toBe(true);
    }
    const [n] = await home.sql<{ n: number }[]>`select count(*)::int as n from batch`;
    expect(n!.n).toBeGreaterThan(5);
  });
});
