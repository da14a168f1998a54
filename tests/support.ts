/** What store and browser tests stand on: a cloned database each, and a production server on it. Nothing is mocked. */
import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { get } from "node:http";
import { createServer } from "node:net";
import { join } from "node:path";
import puppeteer, { type Browser, type Page } from "puppeteer-core";
import { type Sql, connect } from "../src/store/db";
import { importLines } from "../src/store/exchange";
import { settle } from "../src/store/household";
import { migrate } from "../src/store/migrate";

export const ROOT = join(__dirname, "..");
export const MIGRATIONS = join(ROOT, "src/store/migrations");
export const DEMO = join(ROOT, "demo/lock-cottage.jsonl");

/** URL of a database on the test cluster that `./jolly test` started. */
export function urlOf(database: string): string {
  const root = process.env["DATABASE_ROOT"];
  if (!root) throw new Error("run the tests through ./jolly test, which starts their database");
  return `${root}/${database}`;
}

export interface Household {
  readonly url: string;
  readonly sql: Sql;
  readonly drop: () => Promise<void>;
}

async function admin<T>(work: (sql: Sql) => Promise<T>): Promise<T> {
  const sql = connect(urlOf("postgres"), 1);
  try {
    return await work(sql);
  } finally {
    await sql.end();
  }
}

async function template(demo: boolean): Promise<string> {
  const name = demo ? "template_demo" : "template_empty";
  const there = await admin((sql) => sql`select 1 from pg_database where datname = ${name}`);
  if (there.length > 0) return name;
  await admin((sql) => sql.unsafe(`create database ${name} template template0 encoding 'UTF8'`));
  const sql = connect(urlOf(name), 2);
  await migrate(sql, MIGRATIONS);
  if (demo) await importLines(sql, readFileSync(DEMO, "utf8").split("\n"));
  else await settle(sql, { id: randomUUID(), name: "Test kitchen", zone: "Europe/London", units: "us", currency: "£" });
  await sql.end();
  return name;
}

/** A household of its own, cloned from a template: the demo, or an empty one. */
export async function newHousehold(of: "demo" | "empty" = "empty"): Promise<Household> {
  const from = await template(of === "demo");
  const name = `t_${randomUUID().replace(/-/g, "")}`;
  await admin((sql) => sql.unsafe(`create database ${name} template ${from}`));
  return held(name);
}

function held(name: string): Household {
  const sql = connect(urlOf(name), 4);
  return {
    url: urlOf(name),
    sql,
    drop: async () => {
      await sql.end({ timeout: 1 });
      await admin((s) => s.unsafe(`drop database if exists ${name} with (force)`));
    },
  };
}

/** A database with nothing in it, not even tables. */
export async function bareDatabase(): Promise<Household> {
  const name = `t_${randomUUID().replace(/-/g, "")}`;
  await admin((sql) => sql.unsafe(`create database ${name} template template0 encoding 'UTF8'`));
  return held(name);
}

export const freePort = (): Promise<number> =>
  new Promise((done) => {
    const s = createServer().listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

export interface App {
  readonly url: string;
  readonly port: number;
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
}

/** Whether the app answers, asked under the name it answers to. */
const healthy = (port: number, name: string): Promise<boolean> => new Promise((done) => get({ host: "127.0.0.1", port, path: "/api/health", headers: { host: name }, timeout: 2000 }, (r) => { r.resume(); done(r.statusCode === 200); }).on("error", () => done(false)).on("timeout", () => done(false)));

/**
 * The production server on a household, its clock stopped at `now`.
 * @param answersTo port the browser knows it by, where something stands between
 */
export async function serve(url: string, now: string, port?: number, answersTo?: number): Promise<App> {
  const on = port ?? (await freePort());
  const known = answersTo ?? on;
  const child: ChildProcess = spawn(process.execPath, [join(ROOT, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", String(on)], {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: "production", NODE_OPTIONS: "", DATABASE_URL: url, JOLLY_PORT: String(known), NEXT_TELEMETRY_DISABLED: "1", JOLLY_NOW: "", JOLLY_NOW_FROZEN: now },
    stdio: ["ignore", "ignore", "pipe"],
  });
  let said = "";
  child.stderr!.on("data", (d: Buffer) => (said = `${said}${d.toString()}`.slice(-4000)));
  const stop = (signal: NodeJS.Signals = "SIGKILL"): Promise<void> => new Promise((done) => (child.exitCode !== null || child.signalCode !== null ? done() : (child.once("exit", () => done()), void child.kill(signal))));
  for (let i = 0; i < 150; i++) {
    if (child.exitCode !== null) throw new Error(`the app did not start: ${said}`);
    if (await healthy(on, `127.0.0.1:${known}`)) return { url: `http://127.0.0.1:${on}`, port: on, stop };
    await new Promise((r) => setTimeout(r, 100));
  }
  await stop();
  throw new Error(`the app did not answer: ${said}`);
}

export const openBrowser = (): Promise<Browser> =>
  puppeteer.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync"] });

/** A page that fails the test when the browser reports an error. */
export async function newPage(browser: Browser, width = 1280, height = 800): Promise<Page & { errors: string[] }> {
  const page = (await browser.newPage()) as Page & { errors: string[] };
  page.errors = [];
  page.on("pageerror", (e) => page.errors.push(String(e)));
  page.on("console", (m) => m.type() === "error" && !/Failed to load resource/.test(m.text()) && page.errors.push(m.text()));
  await page.setViewport({ width, height });
  page.setDefaultTimeout(15_000);
  return page;
}

/** Goes to an address and waits until the page answers. */
export async function goTo(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await awake(page);
}
export const awake = (page: Page): Promise<unknown> => page.waitForSelector('html[data-awake="yes"]');

export const text = (page: Page, selector: string): Promise<string> => page.$eval(selector, (e) => (e as HTMLElement).innerText);
export const words = (page: Page): Promise<string> => text(page, "main");
/** Waits until the page says something. */
export const says = (page: Page, what: string): Promise<unknown> => page.waitForFunction((w) => document.body.innerText.includes(w), {}, what);
/** Waits until what the last input led to is drawn: pointer moves are reckoned in the frame after they come. */
export const settled = (page: Page): Promise<unknown> => page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 30)))));
/** Clicks what is named so. A page in the background draws no frames, so it is brought to the front first. */
export async function clickOn(page: Page, name: string): Promise<void> {
  await page.bringToFront();
  await page.locator(`::-p-aria([name="${name}"])`).click();
}
/** Empties a field and types into it. */
export async function fill(page: Page, selector: string, value: string): Promise<void> {
  await awake(page);
  await page.waitForSelector(selector);
  await page.focus(selector);
  await page.$eval(selector, (e) => (e as HTMLInputElement).select?.());
  await page.keyboard.press("Backspace");
  await page.type(selector, value);
}
