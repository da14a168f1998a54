/**
 * `./jolly bench`: how fast it is, as ratios against a baseline measured in the same run. Times are medians unless they say p95; the two
 * households of a ratio are asked by turns, so that a machine that slows down slows both.
 */
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect } from "../../src/store/db";
import { importLines } from "../../src/store/exchange";
import { migrate } from "../../src/store/migrate";
import { bench, opening, press, withPage } from "./browser";
import { bundled } from "../bundled";
import type { CoreTimes } from "./core";
import { manyJars, toldAgain } from "./households";
import { baseline, median, p95, print, say, sayHead, sayRatio } from "./rows";
import { seasons } from "./season";
import { NOW, type Served, serve } from "./served";

const ROOT = join(import.meta.dirname, "../..");
const TODAY = NOW.slice(0, 10);
/** Pages asked of both households, and how many times the demo's time is allowed over ten years of records. */
const PATHS: readonly (readonly [path: string, most: number])[] = [
  ["/", 1.2],
  ["/bench", 1.2],
  ["/cellar", 1.3],
  ["/stores", 1.3],
  ["/season", 1.3],
  ["/formulary", 1.3],
  ["/batches", 1.3],
];
const QUESTIONS = ["hyssop", "ox", "fridge", "fire cider", "past"];
const ROUNDS = 48;
const WARM = 8;

async function asked(app: Served, path: string): Promise<number> {
  const t = performance.now();
  const answer = await fetch(app.url + path);
  await answer.text();
  if (!answer.ok) throw new Error(`${path} answers ${answer.status}`);
  return performance.now() - t;
}

/** ms each of some apps takes for a path, asked by turns. */
async function byTurns(apps: readonly Served[], path: string): Promise<number[]> {
  const times = apps.map((): number[] => []);
  for (let i = 0; i < ROUNDS; i++)
    for (const [k, app] of apps.entries()) {
      const ms = await asked(app, path);
      if (i >= WARM) times[k]!.push(ms);
    }
  return times.map(median);
}

const demoLines = (): string[] =>
  readFileSync(join(ROOT, "demo/lock-cottage.jsonl"), "utf8").trim().split("\n");

/** A database with a household in it; its address. */
async function household(root: string, name: string, lines: readonly string[]): Promise<string> {
  const admin = connect(`${root}/postgres`, 1);
  await admin.unsafe(`create database ${name}`);
  await admin.end();
  const sql = connect(`${root}/${name}`, 2);
  await migrate(sql, join(ROOT, "src/store/migrations"));
  await importLines(sql, lines);
  await sql.unsafe("analyze");
  const [n] = await sql<{ e: number; b: number; x: number; s: number }[]>`
    select (select count(*) from event)::int as e, (select count(*) from batch)::int as b,
      (select count(*) from bottle)::int as x, (select count(*) from bottle where state = 'kept')::int as s`;
  sayHead(`${name}: ${n!.e} entries, ${n!.b} batches, ${n!.x} bottles of which ${n!.s} stand`);
  await sql.end();
  return `${root}/${name}`;
}

/** What ten years of records cost beside the demo. */
async function pages(apps: readonly Served[], base: number): Promise<void> {
  const row = async (path: string, most: number): Promise<void> => {
    const [demo, ten] = await byTurns(apps, path);
    say(`${path}, demo`, demo!, base);
    const wants = `${(ten! - demo!).toFixed(1)} ms more; wants at most ${most} times`;
    sayRatio(`${path}, ten years over demo`, ten! / demo!, wants);
  };
  for (const [path, most] of PATHS) await row(path, most);
  for (const q of QUESTIONS) {
    const path = `/api/find?q=${encodeURIComponent(q)}`;
    const [, ten] = await byTurns(apps, path);
    say(`finding “${q}”, ten years`, ten!, base, "wants at most 50 ms");
  }
}

/** The feed of a household with more jars than any has, asked for the first time of an app that has shown a page. */
async function calendar(app: Served, base: number): Promise<void> {
  await asked(app, "/stores");
  const t = performance.now();
  const text = await (await fetch(`${app.url}/calendar.ics`)).text();
  const ms = performance.now() - t;
  const events = text.match(/BEGIN:VEVENT/g)?.length ?? 0;
  say(`a calendar of ${events} events, first asked`, ms, base, "wants under 400 ms for 2000");
  const again: number[] = [];
  for (let i = 0; i < 9; i++) again.push(await asked(app, "/calendar.ics"));
  say("the same, after", median(again), base);
}

/** The core, as the app’s own build has it. */
function core(base: number): void {
  const typed = readFileSync(join(ROOT, "tests/phrases/given.tsv"), "utf8")
    .split("\n")
    .filter((l) => l.trim() !== "" && !l.startsWith("#"))
    .map((l) => l.split("\t")[0]!);
  const folder = mkdtempSync(join(tmpdir(), "jolly-bench-"));
  const built = createRequire(import.meta.url)(bundled(ROOT, "tools/bench/core.ts", folder)) as {
    coreTimes: (typed: readonly string[]) => CoreTimes;
  };
  rmSync(folder, { recursive: true });
  const { reading, listed, prose, of25, of60 } = built.coreTimes(typed);
  say("reading a line as it is typed, median", median(reading), base, "wants at most 15 µs");
  say("the same, p95", p95(reading), base, "wants at most 100 µs");
  say("a pasted list of 60 lines", median(listed), base, "wants at most 10 ms");
  say("a pasted page of 60 sentences", median(prose), base, "wants at most 25 ms");
  say("reckoning, 25 lines, with its spread", median(of25), base, "wants under 1 ms");
  say("the same, p95", p95(of25), base);
  say("reckoning, 60 lines", median(of60), base);
  sayRatio("60 lines over 25", median(of60) / median(of25), "2.4 times the lines");
}

async function main(): Promise<void> {
  const base = baseline();
  say("baseline", base, base);
  core(base);
  await seasons(base);
  const root = process.env["DATABASE_ROOT"];
  if (!root) throw new Error("run it as ./jolly bench");
  const demo = demoLines();
  const ten = toldAgain(demo, TODAY, { rounds: 500, every: 7, usedUp: true });
  const year = toldAgain(demo, TODAY, { rounds: 70, every: 5, usedUp: false });
  const apps: Served[] = [];
  try {
    const lists = { demo, ten_years: ten, full_shelves: year, many_jars: manyJars(demo, 73) };
    for (const [name, lines] of Object.entries(lists))
      apps.push(await serve(await household(root, name, lines)));
    const [atDemo, atTen, atFull, atMany] = apps;
    await calendar(atMany!, base);
    say("the app starts (server only)", atDemo!.startMs, base);
    await pages([atDemo!, atTen!], base);
    await withPage(async (page) => {
      await bench(page, atDemo!.url, base);
      const seen = await press(page, atDemo!.url);
      say(
        "a press until it is seen to be seen, the house silent, p95",
        p95(seen),
        base,
        "wants at most 50 ms",
      );
      say("the demo's cellar opened, script", await opening(page, `${atDemo!.url}/cellar`), base);
      const full = await opening(page, `${atFull!.url}/cellar`);
      say("the cellar with full shelves opened, script", full, base, "wants under 100 ms");
    });
  } finally {
    for (const app of apps) app.stop();
  }
  print();
}

void main().catch((e: Error) => {
  process.stderr.write(`bench: ${e.stack ?? e.message}\n`);
  process.exit(1);
});
