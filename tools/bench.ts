/**
 * `./jolly bench`: how fast it is, as ratios against a baseline measured in the same run, so that a slower machine does not look like a slower product.
 * The baseline is a fixed piece of arithmetic (a million square roots and a sort of 100 000 numbers). Times are medians unless they say p95.
 */
import { spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import puppeteer, { type Page } from "puppeteer-core";
import { addDays, daysBetween } from "../src/core/day";
import { readPlan } from "../src/core/plan/file";
import { reckon } from "../src/core/reckoning/reckon";
import { connect } from "../src/store/db";
import { importLines } from "../src/store/exchange";
import { migrate } from "../src/store/migrate";

const ROOT = join(import.meta.dirname, "..");
const PATHS = ["/", "/bench", "/cellar", "/stores"] as const;
const rows: string[][] = [];
const say = (what: string, ms: number, base: number, note = ""): void =>
  void rows.push([what, `${ms < 10 ? ms.toFixed(3) : ms.toFixed(1)} ms`, (ms / base).toFixed(3), note]);
const median = (x: readonly number[]): number => [...x].sort((a, b) => a - b)[Math.floor(x.length / 2)]!;
const p95 = (x: readonly number[]): number => [...x].sort((a, b) => a - b)[Math.floor(x.length * 0.95)]!;

function baseline(): number {
  const times: number[] = [];
  for (let k = 0; k < 9; k++) {
    const t = performance.now();
    let s = 0;
    for (let i = 0; i < 1_000_000; i++) s += Math.sqrt(i);
    const a = Float64Array.from({ length: 100_000 }, (_, i) => (i * 7919) % 100_003);
    a.sort();
    if (s + a[0]! < 0) throw new Error();
    times.push(performance.now() - t);
  }
  return median(times);
}

/** A reckoning of 25 ingredients, from the parsed plan to the verdict. */
function reckoning(base: number): void {
  const herbs = [
    "thyme",
    "sage",
    "nettle",
    "garlic",
    "ginger",
    "onion",
    "lemon",
    "chilli",
    "horseradish",
    "rosemary",
    "fennel seed",
    "caraway",
    "juniper",
    "hawthorn berry",
    "rose hip",
    "turmeric",
    "lemon balm",
    "peppermint",
    "meadowsweet",
    "mustard seed",
    "cinnamon",
    "hyssop",
    "coriander seed",
  ];
  const plan = readPlan({
    format: "jolly-crock/plan",
    version: 1,
    units: "us",
    name: "Twenty-five",
    kind: "fire-cider",
    vessel: "m-5000",
    steps: [
      {
        do: "add",
        what: [
          ...herbs.map((material) => ({ material, amount: "2 tbsp" })),
          { material: "cider vinegar", amount: "2 parts" },
          { material: "honey", amount: "1 part" },
        ],
      },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
  if (!plan.ok) throw new Error(plan.faults[0]!.message);
  for (let i = 0; i < 1500; i++) reckon(plan.value);
  const times: number[] = [];
  for (let i = 0; i < 1500; i++) {
    const t = performance.now();
    const r = reckon(plan.value);
    times.push(performance.now() - t);
    if (!r.ok) throw new Error(r.faults[0]!.message);
  }
  say("reckoning, 25 ingredients, with its spread", median(times), base, "wants under 1 ms");
  say("the same, p95", p95(times), base);
}

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const s = createServer().listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

async function serve(url: string): Promise<{ url: string; stop: () => void; startMs: number }> {
  const port = await freePort();
  const t = performance.now();
  const child = spawn(
    process.execPath,
    [join(ROOT, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      cwd: ROOT,
      stdio: "ignore",
      env: {
        ...process.env,
        NODE_OPTIONS: "",
        NODE_ENV: "production",
        DATABASE_URL: url,
        JOLLY_PORT: String(port),
        JOLLY_NOW_FROZEN: "2026-11-24T09:00:00Z",
      },
    },
  );
  for (;;) {
    try {
      if ((await fetch(`http://127.0.0.1:${port}/api/health`)).ok)
        return {
          url: `http://127.0.0.1:${port}`,
          stop: () => void child.kill("SIGKILL"),
          startMs: performance.now() - t,
        };
    } catch {
      await new Promise((r) => setTimeout(r, 20));
    }
  }
}

/** Waits until a frame is drawn. A key is answered at once, in the frame it falls in; a moved pointer in the frame after. */
const DRAWN = {
  key: () => new Promise((r) => requestAnimationFrame(() => setTimeout(r, 0))),
  pointer: () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))),
} as const;

/** Script plus layout of the frame that an input leads to, measured by the browser itself, ms. The first few are left out. */
async function frames(
  page: Page,
  throttle: number,
  times: number,
  drawn: keyof typeof DRAWN,
  input: (i: number) => Promise<unknown>,
): Promise<number[]> {
  const client = await page.createCDPSession();
  await client.send("Emulation.setCPUThrottlingRate", { rate: throttle });
  await client.send("Performance.enable");
  const metric = async (): Promise<number> => {
    const { metrics } = await client.send("Performance.getMetrics");
    const of = (name: string): number => metrics.find((m) => m.name === name)!.value;
    return (of("ScriptDuration") + of("LayoutDuration") + of("RecalcStyleDuration")) * 1000;
  };
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    const before = await metric();
    await input(i);
    await page.evaluate(DRAWN[drawn]);
    if (i >= 10) out.push((await metric()) - before);
  }
  await client.send("Emulation.setCPUThrottlingRate", { rate: 1 });
  await client.detach();
  return out;
}

/** A frame in which the rail is dragged. */
async function drag(page: Page, throttle: number): Promise<number[]> {
  const box = (await (await page.$('[aria-label="cider vinegar against heather honey"]'))!.boundingBox())!;
  await page.mouse.move(box.x + 12, box.y + 20);
  await page.mouse.down();
  const times = await frames(page, throttle, 90, "pointer", (i) =>
    page.mouse.move(box.x + 12 - 70 * Math.sin(i / 9), box.y + 20),
  );
  await page.mouse.up();
  return times;
}

/** A keystroke in an amount, and everything that follows from it. */
async function typing(page: Page, throttle: number): Promise<number[]> {
  await page.focus('input[aria-label="hyssop: amount"]');
  // From “1½ cups” to “½ cups” and back.
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowRight");
  return frames(page, throttle, 70, "key", (i) => page.keyboard.press(i % 2 === 0 ? "Backspace" : "1"));
}

async function pageTimes(url: string, path: string, times = 40): Promise<number> {
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    const t = performance.now();
    await (await fetch(url + path)).text();
    if (i >= 8) out.push(performance.now() - t);
  }
  return median(out);
}

/** The demo's finished batches, told again for ten years back, and every month two lots bought, drawn from and put away. */
function tenYears(lines: readonly string[]): string[] {
  const [head, ...rest] = lines;
  const events = rest
    .filter((l) => l !== "")
    .map(
      (l) =>
        JSON.parse(l) as {
          kind: string;
          stream: string;
          key: string;
          at: string;
          recordedAt: string;
          day: string;
          body: { code?: string; bottles?: { id: string }[] };
        },
    );
  const done = new Set(
    events
      .filter(
        (e) =>
          JSON.stringify(e).includes('"type":"bottled"') || JSON.stringify(e).includes('"type":"discarded"'),
      )
      .map((e) => e.stream),
  );
  const out = [head!, ...events.map((e) => JSON.stringify(e))];
  let n = 100;
  for (let round = 0; round < 120; round++) {
    const shift = 30 * (round + 1);
    for (const e of events
      .filter((x) => x.kind === "store" && JSON.stringify(x).includes('"what":"lot"'))
      .slice(round % 20, (round % 20) + 2)) {
      const stream = randomUUID();
      const at = new Date(Date.parse(e.at) - 86_400_000 * shift).toISOString();
      const entry = (seq: number, type: string, body: unknown): string =>
        JSON.stringify({
          ...e,
          stream,
          seq,
          key: randomUUID(),
          type,
          at,
          recordedAt: at,
          day: at.slice(0, 10),
          body,
        });
      out.push(
        entry(1, "kept", e.body),
        entry(2, "drawn", { grams: 20, by: "OX-16-01" }),
        entry(3, "gone", { why: "used up" }),
      );
    }
    for (const stream of done) {
      const id = randomUUID();
      n++;
      for (const e of events.filter((x) => x.stream === stream)) {
        const day = addDays(e.day, -shift);
        const at = new Date(Date.parse(e.at) + 86_400_000 * daysBetween(e.day, day)).toISOString();
        const body = JSON.parse(JSON.stringify(e.body)) as { code?: string; bottles?: { id: string }[] };
        if (body.code) body.code = `${body.code.slice(0, 2)}-${day.slice(2, 4)}-${n}`;
        for (const b of body.bottles ?? []) b.id = randomUUID();
        out.push(JSON.stringify({ ...e, stream: id, key: randomUUID(), at, recordedAt: at, day, body }));
      }
    }
  }
  return out;
}

async function main(): Promise<void> {
  const base = baseline();
  say("baseline", base, base);
  reckoning(base);
  const root = process.env["DATABASE_ROOT"];
  if (!root) throw new Error("run it as ./jolly bench");
  const demo = readFileSync(join(ROOT, "demo/lock-cottage.jsonl"), "utf8").trim().split("\n");
  const admin = connect(`${root}/postgres`, 1);
  const households: Record<string, string> = {};
  for (const [name, lines] of [
    ["demo", demo],
    ["ten years", tenYears(demo)],
  ] as const) {
    const db = `bench_${name.replace(" ", "_")}`;
    await admin.unsafe(`drop database if exists ${db} with (force)`);
    await admin.unsafe(`create database ${db}`);
    const sql = connect(`${root}/${db}`, 2);
    await migrate(sql, join(ROOT, "src/store/migrations"));
    await importLines(sql, lines);
    const [n] = await sql<
      { e: number; b: number }[]
    >`select (select count(*) from event)::int as e, (select count(*) from batch)::int as b`;
    households[name] = `${root}/${db}`;
    rows.push([`${name}: ${n!.e} entries, ${n!.b} batches`, "", "", ""]);
    await sql.unsafe("analyze");
    await sql.end();
  }
  const served: Record<string, Record<string, number>> = {};
  for (const name of Object.keys(households)) {
    const app = await serve(households[name]!);
    if (name === "demo") say("the app starts (server only)", app.startMs, base);
    served[name] = {};
    for (const path of PATHS) served[name][path] = await pageTimes(app.url, path);
    if (name === "demo") {
      const browser = await puppeteer.launch({
        executablePath: "/usr/bin/chromium",
        args: [
          "--no-sandbox",
          "--disable-gpu",
          "--disable-quic",
          "--no-first-run",
          "--disable-background-networking",
          "--disable-component-update",
          "--disable-sync",
        ],
      });
      const page = await browser.newPage();
      await page.setViewport({ width: 1280, height: 800 });
      await page.goto(`${app.url}/bench`);
      await page.waitForSelector('[aria-busy="false"]');
      for (const t of [
        "1½ cups hyssop, dried",
        "3 tbsp fennel seed",
        "1 tbsp thyme",
        "2 tbsp caraway",
        "1 tsp juniper",
      ]) {
        await page.type('input[role="combobox"]', t);
        await page.keyboard.press("Enter");
      }
      await page.waitForSelector('[role="slider"]');
      for (const [rate, most] of [
        [1, 16],
        [4, 50],
      ] as const) {
        const t = await drag(page, rate);
        say(
          `a drag frame, script and layout, ${rate}× throttle, p95`,
          p95(t),
          base,
          `wants at most ${most} ms`,
        );
        say("the same, median", median(t), base);
        // Rising levels take frames of their own; here the frame of the keystroke alone is wanted.
        await page.evaluate(() => void (document.documentElement.dataset["dragging"] = "yes"));
        const k = await typing(page, rate);
        await page.evaluate(() => void delete document.documentElement.dataset["dragging"]);
        say(`a keystroke in an amount, ${rate}× throttle, p95`, p95(k), base, `wants at most ${most} ms`);
        say("the same, median", median(k), base);
      }
      await browser.close();
    }
    app.stop();
  }
  for (const path of PATHS) {
    say(`page ${path}, demo`, served["demo"]![path]!, base);
    rows.push([
      `page ${path}, ten years over demo`,
      "",
      (served["ten years"]![path]! / served["demo"]![path]!).toFixed(2),
      path === "/" ? "wants at most 1.5 times" : "",
    ]);
  }
  for (const name of Object.keys(households))
    await admin.unsafe(`drop database if exists bench_${name.replace(" ", "_")} with (force)`);
  await admin.end();
  const widths = [0, 1, 2, 3].map((i) =>
    Math.max(...[["what", "time", "× baseline", ""], ...rows].map((r) => r[i]!.length)),
  );
  for (const r of [["what", "time", "× baseline", ""], ...rows])
    process.stdout.write(
      `${r
        .map((c, i) => (i === 1 || i === 2 ? c.padStart(widths[i]!) : c.padEnd(widths[i]!)))
        .join("  ")
        .trimEnd()}\n`,
    );
}

void main().catch((e: Error) => {
  process.stderr.write(`bench: ${e.stack ?? e.message}\n`);
  process.exit(1);
});
