import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { parse } from "csv-parse/sync";
import { unzipSync, strFromU8 } from "fflate";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { differences } from "../../src/core/formulary/differences";
import { learnedFrom } from "../../src/core/formulary/learned";
import { planOf, present } from "../../src/core/formulary/recipe";
import { MATERIALS } from "../../src/core/material/catalogue";
import { linesOf, withAmount } from "../../src/core/plan/edit";
import { readStoreTable } from "../../src/exchange/store-rows";
import { COLUMNS, TABLES, type Table, toCsv } from "../../src/exchange/tables";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { everything } from "../../src/store/everything";
import { exportLines, importLines } from "../../src/store/exchange";
import { find } from "../../src/store/find";
import { batchOf } from "../../src/store/journal";
import { behind, rebuild } from "../../src/store/rebuild";
import { recipeOf, recipesIn, writeRecipe } from "../../src/store/recipes";
import { tableRows } from "../../src/store/tables";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
const PLAN = thymeOxymel("30 g", "400 mL", "400 mL");
const put = (home: Household, id: string, type: string, body: object, seen?: number) =>
  writeRecipe(home.sql, { id, key: randomUUID(), type, body, ...(seen === undefined ? {} : { seen }) });

describe("a recipe’s journal", () => {
  let home: Household;
  const id = randomUUID();
  beforeAll(async () => void (home = await newHousehold()));
  afterAll(() => home.drop());
  const standing = async () => (await recipeOf(home.sql, id))!;

  test("is written once, grows by versions, and keeps every one", async () => {
    expect((await put(home, id, "written", { plan: PLAN, note: "for winter" })).ok).toBe(true);
    expect(await put(home, id, "written", { plan: PLAN })).toMatchObject({
      ok: false,
      fault: { name: "NotNow" },
    });
    const line = linesOf(PLAN)[0]!.id;
    const more = withAmount(PLAN, line, "40 g");
    expect((await put(home, id, "changed", { plan: more, why: "too faint" }, 1)).ok).toBe(true);
    const r = await standing();
    expect(r.versions.map((v) => [v.n, v.why])).toEqual([
      [1, undefined],
      [2, "too faint"],
    ]);
    expect(differences(r.versions[0]!.plan, r.versions[1]!.plan).map((d) => d.words)).toEqual([
      "thyme 30 g → 40 g",
    ]);
    expect(present(r).n).toBe(2);
  });
  test("of two windows that change it at once, one is told; a note is no change", async () => {
    expect((await put(home, id, "noted", { text: "the neighbour liked it" })).ok).toBe(true);
    const both = await Promise.all(
      ["20 g", "50 g"].map((a) =>
        put(home, id, "changed", { plan: withAmount(PLAN, linesOf(PLAN)[0]!.id, a) }, 2),
      ),
    );
    expect(both.filter((w) => w.ok)).toHaveLength(1);
    expect(both.find((w) => !w.ok)).toMatchObject({ status: 409, fault: { name: "ChangedMeanwhile" } });
  });
  test("a version taken back keeps its number; the one before it stands", async () => {
    const third = present(await standing());
    expect(third.n).toBe(3);
    expect(
      (await put(home, id, "corrected", { seq: third.seq, body: null }, (await standing()).seq)).ok,
    ).toBe(true);
    expect(present(await standing()).n).toBe(2);
    await put(home, id, "changed", { plan: PLAN }, (await standing()).seq);
    expect(present(await standing()).n).toBe(4);
  });
  test("a plan that does not reckon, a newer one and no plan at all are refused with what would be right", async () => {
    const bad = {
      ...PLAN,
      steps: [{ ...PLAN.steps[0]!, what: [{ ...linesOf(PLAN)[0]!, amount: "75o g" }] }],
    };
    expect(await put(home, randomUUID(), "written", { plan: bad })).toMatchObject({ ok: false, status: 422 });
    expect(await put(home, randomUUID(), "written", { plan: { ...PLAN, version: 99 } })).toMatchObject({
      fault: { name: "NewerPlan" },
    });
    expect(await put(home, randomUUID(), "written", {})).toMatchObject({ fault: { name: "NotAPlan" } });
    expect(await put(home, randomUUID(), "baked", {})).toMatchObject({ fault: { name: "NotAnEntry" } });
  });
  test("put away it is out of the list, and taken out again it is in it", async () => {
    const seq = (await standing()).seq;
    await put(home, id, "put-away", { why: "nobody asks for it" }, seq);
    expect(await recipesIn(home.sql)).toEqual([]);
    expect(await put(home, id, "changed", { plan: PLAN }, seq + 1)).toMatchObject({
      ok: false,
      fault: { message: expect.stringContaining("put away") },
    });
    await put(home, id, "corrected", { seq: seq + 1, body: null }, seq + 1);
    expect((await recipesIn(home.sql)).map((r) => r.id)).toEqual([id]);
  });
  test("a batch keeps the recipe it was begun from, through a correction of its plan; what it taught is offered", async () => {
    const batch = randomUUID();
    const recipe = { id, version: 4 };
    expect(
      await begin(
        home.sql,
        { id: batch, key: randomUUID(), plan: PLAN, reasons: {}, recipe: { id, version: 9 } },
        PLAN,
      ),
    ).toMatchObject({ fault: { name: "NoSuchRecipe" } });
    expect(
      (await begin(home.sql, { id: batch, key: randomUUID(), plan: PLAN, reasons: {}, recipe }, PLAN)).ok,
    ).toBe(true);
    const herb = linesOf(PLAN)[0]!.id;
    await write(home.sql, batch, { key: randomUUID(), type: "added", body: { line: herb, amount: "45 g" } });
    const put = await write(home.sql, batch, {
      key: randomUUID(),
      type: "corrected",
      seen: 2,
      body: { seq: 1, body: { plan: { ...PLAN, shake: "daily" }, reasons: {} } },
    });
    expect(put.ok).toBe(true);
    const stands = (await batchOf(home.sql, batch))!;
    expect(stands.recipe).toEqual(recipe);
    const [learned] = learnedFrom(PLAN, [stands]);
    expect(learned!.words).toBe("thyme 30 g → 45 g");
    expect(linesOf(learned!.plan)[0]!.amount).toBe("45 g");
    expect((await recipesIn(home.sql))[0]!.batches).toBe(1);
  });
  test("read tables made anew say the same; a household carried out and in again has the same book", async () => {
    expect(await behind(home.sql)).toBe(false);
    const rows = await home.sql`select * from recipe order by id`;
    await rebuild(home.sql);
    expect(await home.sql`select * from recipe order by id`).toEqual(rows);
    const other = await newHousehold();
    await importLines(other.sql, await exportLines(home.sql));
    expect(await other.sql`select * from recipe order by id`).toEqual(rows);
    await other.drop();
  });
});

describe("the demo’s book, carried out", () => {
  let home: Household;
  beforeAll(async () => void (home = await newHousehold("demo")));
  afterAll(() => home.drop());

  test("holds a dozen recipes, several with ways and batches behind them", async () => {
    const all = await recipesIn(home.sql);
    expect(all.length).toBeGreaterThanOrEqual(12);
    expect(all.filter((r) => r.versions > 1).length).toBeGreaterThanOrEqual(3);
    expect(all.find((r) => r.name.startsWith("Hyssop"))).toMatchObject({ versions: 3, batches: 3 });
    expect((await recipesIn(home.sql, { find: "linden" })).map((r) => r.name)).toEqual([
      "Lime-blossom honey",
      "Meadowsweet & lime-blossom oxymel",
    ]);
    const found = (await find(home.sql, "mustard vinegar", [], "2026-11-24")).found;
    expect(found.find((f) => f.sort === "recipe")).toMatchObject({ name: "Boatman’s mustard vinegar" });
  });

  test.each(Object.keys(TABLES) as Table[])(
    "the table of %s is read by an independent parser, cell for cell",
    async (table) => {
      const rows = await tableRows(home.sql, table);
      expect(rows.length).toBeGreaterThan(0);
      const read = parse(toCsv(table, rows), { columns: true, bom: true }) as Record<string, string>[];
      expect(Object.keys(read[0]!)).toEqual([...COLUMNS[table]]);
      expect(read).toHaveLength(rows.length);
      rows.forEach((row, i) => {
        for (const c of COLUMNS[table])
          expect([c, read[i]![c]!.replace(/^'(?=[=+\-@])/, "")]).toEqual([c, String(row[c] ?? "")]);
      });
    },
  );

  test("the stores go out and in again: each lot is known for the one that is there, and would be the same", async () => {
    const rows = await tableRows(home.sql, "stores");
    const read = readStoreTable(toCsv("stores", rows), "us", MATERIALS, "2026-11-24");
    const all = read.ok ? read.value : [];
    expect(all.map((r) => r.id)).toEqual(rows.map((r) => r["id"]));
    for (const [i, r] of all.entries())
      expect([r.said, r.becomes]).toEqual([
        r.said,
        expect.objectContaining({
          is: "lot",
          lot: expect.objectContaining({
            material: rows[i]!["material"],
            amount: rows[i]!["amount"],
            got: rows[i]!["got"],
          }),
        }),
      ]);
  });
  test.each([
    ["amount;name\n1 cup;hyssop", "lot"],
    ["name,amount\ngoldenrodd,2 cups", "UnknownName"],
    ["name,amount\nhyssop,", "NoAmount"],
    ["name,amount,got\nhyssop,20 g,2026-13-40", "NotADay"],
    ["name,amount,price\nhyssop,20 g,cheap", "NotAPrice"],
    ["name,amount\n=HYPERLINK(1),2 cups", "UnknownName"],
  ])("a row of %j becomes %s", (text, what) => {
    const read = readStoreTable(text, "us", MATERIALS, "2026-11-24");
    const [row] = read.ok ? read.value : [];
    expect(row!.becomes.is === "lot" ? "lot" : row!.becomes.fault.name).toBe(what);
  });
  test("a table of something else is named", async () => {
    const read = readStoreTable(
      toCsv("tastings", await tableRows(home.sql, "tastings")),
      "us",
      MATERIALS,
      "2026-11-24",
    );
    expect(read).toMatchObject({
      ok: false,
      faults: [{ name: "WrongTable", message: expect.stringContaining("tastings") }],
    });
  });

  test("one archive holds the journal, the book, the tables and a page that says what is what", async () => {
    const chunks: Uint8Array[] = [];
    for await (const c of everything(home.sql) as unknown as AsyncIterable<Uint8Array>) chunks.push(c);
    const files = unzipSync(Buffer.concat(chunks));
    expect(Object.keys(files).every((n) => !n.includes("..") && !n.startsWith("/"))).toBe(true);
    expect(strFromU8(files["journal.jsonl"]!).trim().split("\n")).toEqual(await exportLines(home.sql));
    expect(Object.keys(files).filter((n) => n.startsWith("formulary/"))).toHaveLength(
      (await recipesIn(home.sql)).length,
    );
    expect(strFromU8(files["README.txt"]!)).toContain("Lock Cottage No. 9");
    expect(Object.keys(files).filter((n) => n.startsWith("tables/"))).toHaveLength(
      Object.keys(TABLES).length,
    );
    const [first] = await recipesIn(home.sql);
    const r = (await recipeOf(home.sql, first!.id))!;
    expect(
      Object.entries(files).some(
        ([n, f]) => n.startsWith("formulary/") && strFromU8(f).startsWith(`# ${planOf(r, present(r)).name}`),
      ),
    ).toBe(true);
  });
});

test("a journal of the third version is read for ever", async () => {
  const home = await newHousehold();
  const lines = readFileSync(join(__dirname, "journal-3.jsonl"), "utf8").trim().split("\n");
  expect(JSON.parse(lines[0]!)).toMatchObject({ version: 3 });
  const { events } = await importLines(home.sql, lines);
  expect(events).toBe(lines.length - 1);
  expect((await home.sql<{ n: number }[]>`select count(*)::int as n from batch`)[0]!.n).toBe(11);
  expect(
    (await home.sql<{ version: number }[]>`select distinct version from event where type = 'begun'`).map(
      (x) => x.version,
    ),
  ).toEqual([2]);
  await home.drop();
});
