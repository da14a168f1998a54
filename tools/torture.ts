/**
 * Strikes and asks by the thousand, as `./jolly torture` does it: seeded, and taken up where it was left. What it finds is written to
 * `.jolly/torture.json` after every strike, so that hours of it are not lost to an evening's end.
 */
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { randomUUID } from "node:crypto";
import { type Sql, connect } from "../src/store/db";
import { linesOfFile, writeBackup } from "../src/store/container";
import { importFrom, importLines, journalLines } from "../src/store/exchange";
import { settle, usualHousehold } from "../src/store/household";
import { migrate } from "../src/store/migrate";
import { rebuild } from "../src/store/rebuild";
import { fuzz, pagesOf } from "../tests/torture/fuzz";
import { NOTHING_YET, type Tally, bundledWriter, strike } from "../tests/torture/strikes";
import { MIGRATIONS, root } from "./databases";

const SEED = 416;
const WANTED = { strikes: 3000, requests: 100_000, starts: 20, entries: 200_000 } as const;
type Part = keyof typeof WANTED;
const STATE = join(root, ".jolly/torture.json");

interface State {
  tally: Tally;
  requests: number;
  failed: string[];
  slow: string[];
}
const state: State = existsSync(STATE)
  ? (JSON.parse(readFileSync(STATE, "utf8")) as State)
  : { tally: NOTHING_YET, requests: 0, failed: [], slow: [] };
const keep = (): void => writeFileSync(STATE, JSON.stringify(state));
const say = (line: string): void => void process.stdout.write(`${line}\n`);

const demoLines = (): string[] => readFileSync(join(root, "demo/lock-cottage.jsonl"), "utf8").split("\n");

/** The demo as it was, in the place of whatever the requests made of it; the server that is asked runs on. */
async function asItWas(sql: Sql): Promise<void> {
  const tables = await sql<{ name: string }[]>`
    select quote_ident(tablename) as name from pg_tables where schemaname = 'public' and tablename <> 'migration'`;
  await sql.begin(async (tx) => {
    // The journal lets nothing be taken out; only a database that is thrown away may be told to look away.
    await tx`set local session_replication_role = 'replica'`;
    await tx.unsafe(`truncate ${tables.map((t) => t.name).join(", ")} cascade`);
  });
  await importLines(sql, demoLines());
  await rebuild(sql);
}

async function household(demo: boolean): Promise<{ sql: Sql; url: string }> {
  const name = `torture_${randomUUID().replace(/-/g, "")}`;
  const admin = connect(`${process.env["DATABASE_ROOT"]}/postgres`, 1);
  await admin.unsafe(`create database ${name} template template0 encoding 'UTF8'`);
  await admin.end();
  const url = `${process.env["DATABASE_ROOT"]}/${name}`;
  const sql = connect(url, 4);
  await migrate(sql, MIGRATIONS);
  if (demo) await importLines(sql, demoLines());
  else
    await settle(sql, { id: randomUUID(), name: "Struck", zone: "Europe/London", ...usualHousehold("us") });
  await rebuild(sql);
  return { sql, url };
}

/** How many strikes one household takes before a new one is begun, so that looking at it stays quick. */
const A_HOUSEHOLD = 250;

async function strikes(): Promise<void> {
  const writer = bundledWriter(root, mkdtempSync(join(tmpdir(), "jolly-writer-")));
  while (state.tally.strikes < WANTED.strikes) {
    const { sql, url } = await household(false);
    const before = state.tally;
    const from = before.strikes;
    const to = Math.min(WANTED.strikes, from + A_HOUSEHOLD);
    await strike({ sql, url, writer, seed: SEED }, from, to, (t, n) => {
      state.tally = {
        strikes: before.strikes + t.strikes,
        acknowledged: before.acknowledged + t.acknowledged,
        lost: before.lost + t.lost,
        doubled: before.doubled + t.doubled,
        gaps: before.gaps + t.gaps,
        differing: before.differing + t.differing,
      };
      keep();
      if ((n + 1) % 50 === 0) say(`  ${n + 1} strikes: ${JSON.stringify(state.tally)}`);
    });
    await sql.end();
  }
  say(`strikes: ${JSON.stringify(state.tally)}`);
}

/** So many requests begin some hundred batches, as many as a household has in years; then it is the demo again. */
const A_DEMO = 4000;

/** Where a server that is told to writes what it still holds once all that can go is gone, in bytes. */
const HELD = join(tmpdir(), `jolly-held-${process.pid}`);
const TELLS_WHAT_IT_HOLDS = `data:text/javascript,import{writeFileSync}from"node:fs";process.on("SIGUSR2",()=>{gc();gc();writeFileSync(${JSON.stringify(HELD)},String(process.memoryUsage().heapUsed))})`;

/** MB a server holds that nothing could take from it: what it merely has not given back yet is not counted. */
async function heldBy(pid: number): Promise<number> {
  rmSync(HELD, { force: true });
  process.kill(pid, "SIGUSR2");
  while (!existsSync(HELD) || readFileSync(HELD, "utf8") === "") await new Promise((r) => setTimeout(r, 50));
  return Number(readFileSync(HELD, "utf8")) / 1024 / 1024;
}

async function requests(): Promise<void> {
  const { sql, url } = await household(true);
  const port = 20_000 + (process.pid % 20_000);
  const child = spawn(
    process.execPath,
    [
      ...["--expose-gc", "--import", TELLS_WHAT_IT_HOLDS, join(root, "node_modules/next/dist/bin/next")],
      ...["start", "-H", "127.0.0.1", "-p", String(port)],
    ],
    {
      cwd: root,
      stdio: "ignore",
      env: {
        ...process.env,
        NODE_ENV: "production",
        DATABASE_URL: url,
        JOLLY_PORT: String(port),
        JOLLY_NOW_FROZEN: "2026-11-24T09:00:00Z",
      },
    },
  );
  try {
    await new Promise((r) => setTimeout(r, 4000));
    const batches = async (): Promise<string[]> =>
      (await sql<{ id: string }[]>`select id from batch order by begun_day desc, id`).map((r) => r.id);
    const ids = async (): Promise<string[]> => [
      ...(await batches()).slice(0, 28),
      ...(await sql<{ id: string }[]>`select id from bottle order by id limit 12`).map((r) => r.id),
    ];
    // Warm first: what a server holds after its first thousand answers is where it begins.
    await fuzz(port, SEED + 1, 0, 2000, ids);
    const began = await heldBy(child.pid!);
    while (state.requests < WANTED.requests) {
      const to = Math.min(WANTED.requests, state.requests + 1000);
      const r = await fuzz(port, SEED, state.requests, to, ids);
      state.requests = to;
      state.failed.push(...r.failed);
      state.slow.push(...r.slow);
      keep();
      if (to % A_DEMO === 0) await asItWas(sql);
      if (to % 5000 === 0)
        say(
          `  ${to} requests, ${state.failed.length} failed, ${state.slow.length} slow, ${Math.round(await heldBy(child.pid!))} MB held`,
        );
    }
    const broken = (await pagesOf(port, await batches())).filter(([, status]) => status !== 200);
    say(
      `requests: ${state.requests}, ${state.failed.length} of 500 and above, ${state.slow.length} over 5 s, ${broken.length} pages broken after`,
    );
    say(`  holds ${Math.round(began)} MB before, ${Math.round(await heldBy(child.pid!))} MB after`);
    for (const f of [...state.failed.slice(0, 10), ...state.slow.slice(0, 10)]) say(`  ${f}`);
  } finally {
    child.kill("SIGKILL");
    await sql.end();
  }
}

/** First starts cut off at every stage of them; the next start must serve. */
async function starts(): Promise<void> {
  let recovered = 0;
  for (let n = 0; n < WANTED.starts; n++) {
    const data = mkdtempSync(join(tmpdir(), "jolly-first-"));
    const env = { ...process.env, JOLLY_DATA: data, DATABASE_URL: "", DATABASE_ROOT: "" };
    const port = String(21_000 + n);
    const child = spawn(join(root, "jolly"), ["start", "--port", port], {
      env,
      detached: true,
      stdio: "ignore",
    });
    const ms = 150 + n * 350;
    await new Promise((r) => setTimeout(r, ms));
    try {
      process.kill(-child.pid!, "SIGKILL");
    } catch {
      // It ended before it was struck.
    }
    const again = spawn(join(root, "jolly"), ["start", "--port", port], {
      env,
      detached: true,
      stdio: ["ignore", "pipe", "ignore"],
    });
    const served = await new Promise<boolean>((done) => {
      again.stdout.on("data", () => done(true));
      again.once("exit", () => done(false));
      setTimeout(() => done(false), 90_000).unref();
    });
    if (served) recovered += 1;
    say(`  first start cut after ${ms} ms: ${served ? "serves" : "DOES NOT SERVE"}`);
    process.kill(-again.pid!, "SIGTERM");
    await new Promise((r) => setTimeout(r, 2500));
    spawnSync("pkill", ["-9", "-f", data]);
    rmSync(data, { recursive: true, force: true });
  }
  say(`first starts: ${recovered} of ${WANTED.starts} recovered`);
}

/** A journal of so many entries, backed up, restored and backed up again: time, memory, and the same bytes. */
async function large(): Promise<void> {
  const { sql } = await household(true);
  const [n] = await sql<{ n: number }[]>`select count(*)::int as n from event`;
  // Touches and notes of the batches there are: what a household writes most.
  const batches = await sql<{ id: string; seq: number }[]>`select id, seq from batch where state = 'working'`;
  const each = Math.ceil((WANTED.entries - n!.n) / batches.length);
  for (const b of batches)
    await sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body)
      select 'batch', ${b.id}, ${b.seq} + i, gen_random_uuid(), md5(i::text), 'noted', 1, '2026-11-24T10:00:00Z'::timestamptz + i * interval '1 second', '2026-11-24T10:00:00Z'::timestamptz + i * interval '1 second', '2026-11-24', jsonb_build_object('text', 'smells of hay, ' || i)
      from generate_series(1, ${each}) i`;
  await rebuild(sql);
  const [a, b] = ["a", "b"].map((x) => join(tmpdir(), `jolly-large-${process.pid}-${x}.jolly`)) as [
    string,
    string,
  ];
  const timed = async (what: string, work: () => Promise<unknown>): Promise<void> => {
    const began = performance.now();
    let most = 0;
    const looking = setInterval(() => (most = Math.max(most, process.memoryUsage.rss())), 50);
    await work();
    clearInterval(looking);
    say(
      `  ${what}: ${((performance.now() - began) / 1000).toFixed(1)} s, at most ${Math.round(most / 1e6)} MB`,
    );
  };
  await timed("backed up", () => writeBackup(a, journalLines(sql)));
  const other = await household(false);
  await other.sql`truncate household`;
  await timed("restored", () => importFrom(other.sql, linesOfFile(a)));
  await writeBackup(b, journalLines(other.sql));
  say(`  ${readFileSync(a).equals(readFileSync(b)) ? "the same to the byte" : "NOT THE SAME"}`);
  for (const f of [a, b]) rmSync(f, { force: true });
  await sql.end();
  await other.sql.end();
}

const PARTS: Readonly<Record<Part, () => Promise<void>>> = { entries: large, starts, strikes, requests };

async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  if (asked.includes("anew")) rmSync(STATE, { force: true });
  const parts = (Object.keys(PARTS) as Part[]).filter((p) => asked.length === 0 || asked.includes(p));
  if (parts.length === 0) throw new Error(`torture knows ${Object.keys(PARTS).join(", ")}`);
  for (const part of parts) {
    say(`${part}, ${WANTED[part]}`);
    await PARTS[part]();
  }
}

main().then(
  () => process.exit(0),
  (e: Error) => {
    process.stderr.write(`jolly: ${e.stack ?? e.message}\n`);
    process.exit(1);
  },
);
