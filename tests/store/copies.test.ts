/** Copies that make themselves: once a day where something was written, read back whole before they count, and into a second place. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { linesOfFile } from "../../src/store/container";
import { copiesOf, copyAlsoTo, wrongFolder } from "../../src/store/copies";
import { exportLines, importLines } from "../../src/store/exchange";
import { copyByItself } from "../../tools/copies";
import { type Household, newHousehold } from "../support";

let home: Household;
let other: Household;
const base = mkdtempSync(join(tmpdir(), "jolly-copies-"));
const [folder, second] = [join(base, "one"), join(base, "stick/two")];
const was = process.env["DATABASE_URL"];
beforeAll(async () => {
  [home, other] = [await newHousehold("demo"), await newHousehold()];
  process.env["DATABASE_URL"] = home.url;
});
afterAll(async () => {
  if (was === undefined) delete process.env["DATABASE_URL"];
  else process.env["DATABASE_URL"] = was;
  await home?.drop();
  await other?.drop();
  rmSync(base, { recursive: true, force: true });
});

const linesIn = async (file: string): Promise<string[]> => {
  const lines: string[] = [];
  for await (const l of linesOfFile(file, () => undefined)) if (l !== "") lines.push(l);
  return lines;
};
const tried: string[] = [];
const restore = async (file: string): Promise<void> => {
  tried.push(file);
  expect((await linesIn(file)).length).toBeGreaterThan(20);
};
const intoAnother = async (file: string): Promise<void> => {
  await importLines(other.sql, await linesIn(file));
  await restore(file);
};
const write = (): Promise<unknown> =>
  home.sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body)
    select stream_kind, stream_id, (select max(seq) + 1 from event x where x.stream_id = e.stream_id), gen_random_uuid(), 'x', 'noted', 1, now(), '2026-12-01', '{"text": "one more"}'
    from event e where type = 'begun' limit 1`;

test("the first is made whole and read back; a second the same day, or where nothing was written, is not", async () => {
  const made = await copyByItself("lock", folder, intoAnother, "2026-12-01");
  expect(made).toBe(join(folder, "lock-2026-12-01.jolly"));
  expect(tried.length).toBe(1);
  expect((await linesIn(made!)).slice(1)).toEqual((await exportLines(home.sql)).slice(1));
  const c = await copiesOf(home.sql);
  expect([c.to, c.problem, c.behindDays, c.at !== undefined, c.triedAt !== undefined]).toEqual([
    folder,
    undefined,
    undefined,
    true,
    true,
  ]);
  expect(await copyByItself("lock", folder, restore, "2026-12-01")).toBeUndefined();
  expect(await copyByItself("lock", folder, restore, "2026-12-02")).toBeUndefined();
  await write();
  expect((await copiesOf(home.sql)).behindDays).toBe(0);
  expect(await copyByItself("lock", folder, restore, "2026-12-01")).toBeUndefined();
  expect(await copyByItself("lock", folder, restore, "2026-12-02")).toBeDefined();
});

test("a copy that cannot be read back is none, and it is said", async () => {
  await write();
  const broken = copyByItself(
    "lock",
    folder,
    () => Promise.reject(new Error("line 7: cut off")),
    "2026-12-03",
  );
  await expect(broken).rejects.toThrow("cut off");
  expect(readdirSync(folder).filter((f) => f.endsWith(".jolly"))).toEqual([
    "lock-2026-12-01.jolly",
    "lock-2026-12-02.jolly",
  ]);
  expect((await copiesOf(home.sql)).problem).toMatch(/could not be made: line 7/);
});

test("it goes to a second folder too; nothing there but our own dated copies is ever put away", async () => {
  mkdirSync(second, { recursive: true });
  await copyAlsoTo(home.sql, second);
  await copyByItself("lock", folder, restore, "2026-12-04");
  writeFileSync(join(second, "holiday.jpg"), "x");
  writeFileSync(join(second, "lock-old-2020-01-01.jolly"), "of another household");
  for (let day = 5; day < 29; day++) {
    await write();
    await copyByItself("lock", folder, restore, `2026-12-${String(day).padStart(2, "0")}`);
  }
  const there = readdirSync(second);
  expect(there).toEqual(
    expect.arrayContaining(["holiday.jpg", "lock-old-2020-01-01.jolly", "lock-2026-12-28.jolly"]),
  );
  expect(readdirSync(folder).filter((f) => f.endsWith(".jolly")).length).toBeLessThanOrEqual(12);
  // A second folder that cannot be written to is told; the first copy stands.
  await copyAlsoTo(home.sql, join(base, "not-in"));
  await write();
  expect(await copyByItself("lock", folder, restore, "2026-12-29")).toBeDefined();
  expect((await copiesOf(home.sql)).problem).toMatch(/could not be put into .*not-in: it is not there/);
  expect(["relative", "/", "/a/../b", "~/x"].filter((x) => wrongFolder(x) === undefined)).toEqual([]);
  expect([wrongFolder(""), wrongFolder("/media/stick/copies/")]).toEqual([undefined, undefined]);
});
