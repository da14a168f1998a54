import { share } from "../share";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { spawn } from "node:child_process";
import { cpSync, mkdtempSync, readFileSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { linesOfFile, writeBackup } from "../../src/store/container";
import { exportLines, journalLines } from "../../src/store/exchange";
import { migrate } from "../../src/store/migrate";
import { tableDifferences } from "../../src/store/soundness";
import { chance } from "../chance";
import { DEMO, type Household, MIGRATIONS, ROOT, bareDatabase, newHousehold, serve } from "../support";
import { fuzz, pagesOf } from "../torture/fuzz";
import { bundled } from "../../tools/bundled";
import { bundledWriter, strike } from "../torture/strikes";

/** The same strikes each run; `./jolly torture` goes on to thousands. */
const SEED = 416;

describe("struck at random", () => {
  let home: Household;
  beforeAll(async () => void (home = await newHousehold()));
  afterAll(() => home.drop());

  test("while it writes: nothing acknowledged is lost, doubled or gapped, and the lists are what the journal says", async () => {
    const writer = bundledWriter(ROOT, mkdtempSync(join(tmpdir(), "jolly-writer-")));
    const tally = await strike({ sql: home.sql, url: home.url, writer, seed: SEED }, 0, 12);
    expect(tally).toMatchObject({ strikes: 12, lost: 0, doubled: 0, gaps: 0, differing: 0 });
    // Struck so soon that nothing was written would prove nothing.
    expect(tally.acknowledged).toBeGreaterThan(12);
  });
});

/** Runs the household's tool and strikes it after some ms; nothing is struck where no ms are given. */
const tool = (args: readonly string[], url: string, ms?: number): Promise<number | null> =>
  new Promise((done) => {
    const child = spawn(process.execPath, [household, ...args], {
      env: { ...process.env, DATABASE_URL: url, JOLLY_BACKUPS: tmpdir() },
      stdio: "ignore",
    });
    if (ms !== undefined) setTimeout(() => child.kill("SIGKILL"), ms);
    child.once("exit", (code) => done(code));
  });
let household = "";
beforeAll(() => {
  household = bundled(ROOT, "tools/household.ts", mkdtempSync(join(tmpdir(), "jolly-tool-")));
});

describe("cut off half way", () => {
  const c = chance(SEED);
  // The first part of a second is the program's own start; the rest is spread over its work.
  const times = Array.from({ length: 1 }, () => Math.round(c.from(250, 900)));

  test("a first start cut off between two steps of the database has nothing to back up, and goes on", async () => {
    const steps = readdirSync(MIGRATIONS).sort();
    for (const done of [1, 4, steps.length - 1]) {
      const part = mkdtempSync(join(tmpdir(), "jolly-part-"));
      for (const f of steps.slice(0, done)) cpSync(join(MIGRATIONS, f), join(part, f));
      const bare = await bareDatabase();
      await migrate(bare.sql, part);
      expect(await tool(["open", "demo"], bare.url)).toBe(0);
      expect((await exportLines(bare.sql)).length).toBeGreaterThan(REQUESTS / 7);
      await bare.drop();
    }
  });

  test.each(times)("a first start of the demo, struck after %d ms, is whole at the next", async (ms) => {
    const bare = await bareDatabase();
    await tool(["open", "demo"], bare.url, ms);
    expect(await tool(["open", "demo"], bare.url)).toBe(0);
    expect((await exportLines(bare.sql)).length).toBeGreaterThan(REQUESTS / 7);
    expect(await tableDifferences(bare.sql)).toEqual([]);
    await bare.drop();
  });

  test.each(times)(
    "a restore, struck after %d ms, leaves nothing or all, and can be tried again",
    async (ms) => {
      const demo = await newHousehold("demo");
      const file = join(mkdtempSync(join(tmpdir(), "jolly-back-")), "demo.jolly");
      await writeBackup(file, journalLines(demo.sql));
      const want: string[] = [];
      for await (const line of linesOfFile(file)) want.push(line);
      const bare = await bareDatabase();
      await tool(["restore", file, "--household", "copy"], bare.url, ms);
      const code = await tool(["restore", file, "--household", "copy"], bare.url);
      // Where the first was through before it was struck, the second is refused, and all of it is there.
      expect([0, 2]).toContain(code);
      expect(await exportLines(bare.sql)).toEqual(want);
      expect(await tableDifferences(bare.sql)).toEqual([]);
      await bare.drop();
      await demo.drop();
    },
  );

  test.each(times)(
    "a household of an older build, struck after %d ms while it is brought up, comes up whole",
    async (ms) => {
      const steps = readdirSync(MIGRATIONS).sort();
      const old = mkdtempSync(join(tmpdir(), "jolly-old-"));
      for (const f of steps.slice(0, 5)) cpSync(join(MIGRATIONS, f), join(old, f));
      const bare = await bareDatabase();
      await migrate(bare.sql, old);
      const lines = readFileSync(DEMO, "utf8").trim().split("\n");
      for (const text of lines.slice(1)) {
        const e = JSON.parse(text) as Record<string, string>;
        await bare.sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body)
        values (${e["kind"] ?? "batch"}, ${e["stream"]!}, ${e["seq"]!}, ${e["key"]!}, '', ${e["type"]!}, ${e["version"]!}, ${e["at"]!}, ${e["recordedAt"] ?? e["at"]!}, ${e["day"]!}, ${bare.sql.json(e["body"] as never)})`;
      }
      await bare.sql`insert into household (one, id, name, zone, units, currency, degrees, lengths) values (true, gen_random_uuid(), 'Old', 'Europe/London', 'metric', '£', 'C', 'cm')`;
      await tool(["open", "old"], bare.url, ms);
      expect(await tool(["open", "old"], bare.url)).toBe(0);
      const [n] = await bare.sql<{ n: number }[]>`select count(*)::int as n from event`;
      expect(n!.n).toBe(lines.length - 1);
      expect(await tableDifferences(bare.sql)).toEqual([]);
      await bare.drop();
    },
  );
});

const REQUESTS = share(900);

describe("asked for anything", () => {
  test(`${REQUESTS} requests of all sorts: none fails, none hangs, and every page opens after them`, async () => {
    const demo = await newHousehold("demo");
    const app = await serve(demo.url, "2026-11-24T09:00:00Z");
    try {
      const batches = async (): Promise<string[]> =>
        (await demo.sql<{ id: string }[]>`select id from batch order by begun_day desc, id`).map((r) => r.id);
      const ids = async (): Promise<string[]> => [
        ...(await batches()).slice(0, 28),
        ...(await demo.sql<{ id: string }[]>`select id from bottle order by id limit 12`).map((r) => r.id),
      ];
      const r = await fuzz(app.port, SEED, 0, REQUESTS, ids, 3);
      expect(r.failed).toEqual([]);
      // Some were right, some were refused: it reached both.
      expect(r.answers["201"] ?? 0).toBeGreaterThan(REQUESTS / 50);
      expect(r.answers["422"] ?? 0).toBeGreaterThan(REQUESTS / 7);
      const broken = (await pagesOf(app.port, await batches())).filter(([, status]) => status !== 200);
      expect(broken).toEqual([]);
      expect(await tableDifferences(demo.sql)).toEqual([]);
    } finally {
      await app.stop();
      await demo.drop();
    }
  });
});
