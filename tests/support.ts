/** What store and browser tests stand on: a cloned database each, and a production server on it. Nothing is mocked. */
import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from "node:fs";
import { get } from "node:http";
import { createServer } from "node:net";
import { join } from "node:path";
import type { Browser, BrowserContext, ElementHandle, JSHandle, Page } from "puppeteer-core";
import { type Sql, connect } from "../src/store/db";
import { importFrom } from "../src/store/exchange";
import { launchChromium } from "../tools/chromium";
import { demoFiles } from "../tools/demo-files";
import { type Household as Settled, settle, usualHousehold } from "../src/store/household";
import { rebuild } from "../src/store/rebuild";
import { migrate } from "../src/store/migrate";
import { asApp, letAppIn } from "../src/store/role";

export const ROOT = join(__dirname, "..");
export const MIGRATIONS = join(ROOT, "src/store/migrations");
export const DEMO = join(ROOT, "demo/lock-cottage.jsonl");

/** URL of a database on the test cluster that `./jolly test` started. */
export function urlOf(database: string): string {
  const root = process.env["DATABASE_ROOT"];
  if (!root) throw new Error("run the tests through ./jolly test, which starts their database");
  return `${root}/${database}`;
}

/** A household with nothing in it: US cups, pounds, °C and cm. */
export const TEST_KITCHEN: Settled = {
  id: randomUUID(),
  name: "Test kitchen",
  zone: "Europe/London",
  ...usualHousehold("us"),
  currency: "£",
  degrees: "C",
  lengths: "cm",
};

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

/** Made once a run, by whichever worker comes first; the others wait for it. */
async function template(demo: boolean): Promise<string> {
  const name = demo ? "template_demo" : "template_empty";
  await admin(async (held) => {
    await held`select pg_advisory_lock(hashtext(${name}))`;
    const there = await held`select 1 from pg_database where datname = ${name}`;
    if (there.length > 0) return;
    await held.unsafe(`create database ${name} template template0 encoding 'UTF8'`);
    const sql = connect(urlOf(name), 2);
    await migrate(sql, MIGRATIONS);
    if (demo) await importFrom(sql, readFileSync(DEMO, "utf8").split("\n"), () => demoFiles(process.cwd()));
    else await settle(sql, TEST_KITCHEN);
    await rebuild(sql);
    await sql.end();
  });
  return name;
}

/** A household of its own, cloned from a template: the demo, or an empty one. */
export async function newHousehold(of: "demo" | "empty" = "empty"): Promise<Household> {
  const from = await template(of === "demo");
  const name = `t_${randomUUID().replace(/-/g, "")}`;
  await admin(async (sql) => {
    // One clone at a time: a template may not be read while another reads it.
    await sql`select pg_advisory_lock(hashtext(${from}))`;
    await sql.unsafe(`create database ${name} template ${from}`);
  });
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

const WORKER = Number(process.env["JEST_WORKER_ID"] ?? 1);
let served = 0;
/** A port of this worker's own: the same in every file, so that what the browser compiled of a page serves the next. */
async function ownPort(): Promise<number> {
  for (; ; served++) {
    const port = 21_000 + 100 * WORKER + (served % 100);
    if (await isFree(port)) return (served++, port);
  }
}
const isFree = (port: number): Promise<boolean> =>
  new Promise((done) => {
    const s = createServer()
      .once("error", () => done(false))
      .listen(port, "127.0.0.1", () => s.close(() => done(true)));
  });

function scratch(): string {
  const folder = process.env["JOLLY_TEST_SCRATCH"];
  if (!folder) throw new Error("run the tests through ./jolly test, which gives them a folder");
  return folder;
}

export interface App {
  readonly url: string;
  readonly port: number;
  readonly stop: (signal?: NodeJS.Signals) => Promise<void>;
}

/** Whether the app answers, asked under the name it answers to. */
const healthy = (port: number, name: string): Promise<boolean> =>
  new Promise((done) =>
    get({ host: "127.0.0.1", port, path: "/api/health", headers: { host: name }, timeout: 2000 }, (r) => {
      r.resume();
      done(r.statusCode === 200);
    })
      .on("error", () => done(false))
      .on("timeout", () => done(false)),
  );

/** Every server under test works under the app's own role, as one that is started does. */
const APP_PASSWORD = "5".repeat(32);

/**
 * The production server on a household, its clock stopped at `now`.
 * @param answersTo port the browser knows it by, where something stands between
 * @param more of its surroundings: where instruments are, a clock that ticks
 */
export async function serve(
  url: string,
  now: string,
  port?: number,
  answersTo?: number,
  more: Readonly<Record<string, string>> = {},
): Promise<App> {
  const on = port ?? (await ownPort());
  const known = answersTo ?? on;
  const tools = connect(url, 1);
  await letAppIn(tools, APP_PASSWORD);
  await tools.end();
  const child: ChildProcess = spawn(
    process.execPath,
    [join(ROOT, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", String(on)],
    {
      cwd: ROOT,
      env: {
        ...process.env,
        NODE_ENV: "production",
        NODE_OPTIONS: "",
        DATABASE_URL: asApp(url, APP_PASSWORD),
        JOLLY_PORT: String(known),
        NEXT_TELEMETRY_DISABLED: "1",
        JOLLY_NOW: "",
        JOLLY_NOW_FROZEN: now,
        ...more,
      },
      stdio: ["ignore", "ignore", "pipe"],
    },
  );
  let said = "";
  child.stderr!.on("data", (d: Buffer) => (said = `${said}${d.toString()}`.slice(-4000)));
  const stop = (signal: NodeJS.Signals = "SIGKILL"): Promise<void> =>
    new Promise((done) =>
      child.exitCode !== null || child.signalCode !== null
        ? done()
        : (child.once("exit", () => done()), void child.kill(signal)),
    );
  for (let i = 0; i < 900; i++) {
    if (child.exitCode !== null) throw new Error(`the app did not start: ${said}`);
    if (await healthy(on, `127.0.0.1:${known}`)) return { url: `http://127.0.0.1:${on}`, port: on, stop };
    await new Promise((r) => setTimeout(r, 100));
  }
  await stop();
  throw new Error(`the app did not answer: ${said}`);
}

/** A stand-in of an instrument, as its own program. */
export interface StandIn {
  readonly port: number;
  readonly stop: () => Promise<void>;
}

/** Starts a stand-in and waits until its page answers. @param quick how much quicker time runs in its kitchen */
export async function standIn(what: "scale" | "probe" | "mail" | "printer", quick = 1): Promise<StandIn> {
  const port = await freePort();
  const child = spawn(
    process.execPath,
    [
      "--no-warnings",
      "--import",
      "tsx",
      join(ROOT, "src/standins/main.ts"),
      what,
      String(port),
      "7",
      String(quick),
    ],
    { cwd: ROOT, stdio: "ignore", env: { ...process.env, NODE_OPTIONS: "" } },
  );
  const stop = (): Promise<void> =>
    new Promise((done) =>
      child.exitCode !== null ? done() : (child.once("exit", () => done()), void child.kill("SIGKILL")),
    );
  const shown = what === "mail" ? port + 1 : port;
  for (let i = 0; i < 900; i++) {
    if (
      await fetch(`http://127.0.0.1:${shown}/`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return { port, stop };
    await new Promise((r) => setTimeout(r, 100));
  }
  await stop();
  throw new Error(`the stand-in ${what} did not answer`);
}

/** The browser's folders that hold what it fetched and compiled, and nothing of any household. */
const CACHES: ReadonlySet<string> = new Set(["Cache", "Code Cache"]);
/** Whether a browser of this file stands on the worker's own folder already. */
let profileInUse = false;

/** The folder a browser stands on: the worker's own, emptied of all but what was fetched and compiled; a fresh one beside another browser. */
function profile(): string {
  if (profileInUse) return mkdtempSync(join(scratch(), "browser-"));
  profileInUse = true;
  const own = join(scratch(), `browser-of-${WORKER}`);
  const inside = join(own, "Default");
  if (existsSync(inside))
    for (const name of readdirSync(inside))
      if (!CACHES.has(name)) rmSync(join(inside, name), { recursive: true, force: true });
  return own;
}

/** @param letters how much larger than usual its user has set letters to be */
export async function openBrowser(letters = 1): Promise<Browser> {
  const browser = await launchChromium({
    userDataDir: profile(),
    args: letters === 1 ? [] : [`--blink-settings=defaultFontSize=${16 * letters}`],
  });
  browser.once("disconnected", () => (profileInUse = false));
  return browser;
}

/**
 * Asks a page, soon at first and then ten times a second, until what is asked holds. Each time it is asked anew: a question that is left in a page is lost now and then
 * when the page is left, and one asked at every frame is never answered by a page that draws none.
 */
async function asked(
  page: Page,
  f: () => unknown,
  patience: number,
  given: readonly unknown[],
): Promise<unknown> {
  const until = Date.now() + patience;
  for (let pause = 10; ; pause = Math.min(100, 2 * pause)) {
    let why = "it did not hold";
    try {
      const answer: JSHandle = await page.evaluateHandle(f as (...all: unknown[]) => unknown, ...given);
      const { type, subtype, value } = answer.remoteObject();
      if (type === "object" ? subtype !== "null" : type === "function" || value) return answer;
    } catch (e) {
      // The page is on its way to another, or what is asked for is not there yet.
      why = (e as Error).message;
    }
    if (Date.now() > until || page.isClosed()) throw new Error(`waited ${patience} ms: ${why}`);
    await new Promise((r) => setTimeout(r, pause));
  }
}

/** A page that fails the test when the browser reports an error. */
export async function newPage(
  browser: Browser | BrowserContext,
  width = 1280,
  height = 800,
): Promise<Page & { errors: string[] }> {
  const page = (await browser.newPage()) as Page & { errors: string[] };
  page.errors = [];
  page.on("pageerror", (e) => page.errors.push(String(e)));
  page.on(
    "console",
    (m) => m.type() === "error" && !/Failed to load resource/.test(m.text()) && page.errors.push(m.text()),
  );
  await page.setViewport({ width, height });
  // What moves for the eye alone is drawn thirty times for nothing here.
  await page.emulateMediaFeatures([{ name: "prefers-reduced-motion", value: "reduce" }]);
  page.setDefaultTimeout(90_000);
  page.waitForFunction = ((f: () => unknown, options: { timeout?: number } = {}, ...given: unknown[]) =>
    asked(page, f, options.timeout ?? page.getDefaultTimeout(), given)) as typeof page.waitForFunction;
  return page;
}

/** Goes to an address and waits until the page answers. */
export async function goTo(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await awake(page);
}
export const awake = (page: Page): Promise<unknown> => page.waitForSelector('html[data-awake="yes"]');

export const text = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (e) => (e as HTMLElement).innerText);
export const words = (page: Page): Promise<string> => text(page, "main");
/** Waits until the page says something; where it does not, what it says instead is told. */
export const says = (page: Page, what: string): Promise<unknown> =>
  page
    .waitForFunction((w) => document.body.innerText.includes(w), {}, what)
    .catch(async () => {
      const instead = await text(page, "body").catch(String);
      throw new Error(`no “${what}” on ${page.url()}, which says: ${instead.slice(0, 1500)}`);
    });
/** Waits until what the last input led to is drawn: pointer moves are reckoned in the frame after they come. */
export const settled = (page: Page): Promise<unknown> =>
  page.evaluate(
    () =>
      new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 30)))),
  );
/** What a person could press: buttons, links, labels and summaries, by the words on them or the name they are called by. */
async function named(page: Page, name: string | RegExp, within = "body"): Promise<ElementHandle<Element>> {
  const source = typeof name === "string" ? `^${name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}` : name.source;
  const found = await page
    .waitForFunction(
      (re, inside) =>
        [...document.querySelectorAll(`${inside} :is(button, a, label, summary)`)].find(
          (x) =>
            (x as HTMLElement).checkVisibility() &&
            (new RegExp(re).test(((x as HTMLElement).innerText ?? "").trim()) ||
              new RegExp(re).test(x.getAttribute("aria-label") ?? "")),
        ),
      {},
      source,
      within,
    )
    .catch(async () => {
      const instead = await text(page, "body").catch(String);
      throw new Error(
        `nothing to press called ${source} on ${page.url()}, which says: ${instead.slice(0, 1500)}`,
      );
    });
  return found.asElement() as ElementHandle<Element>;
}

/** Scrolls as a hand does: until it is seen, and out from under what stands still at the head or the foot. */
export const inSight = (target: ElementHandle<Element>): Promise<void> =>
  target.evaluate((e) => {
    const covered = (): boolean => {
      const r = e.getBoundingClientRect();
      const at = document.elementFromPoint(r.x + r.width / 2, r.y + Math.min(r.height / 2, 20));
      const labels = (e as HTMLInputElement).labels;
      return at === null || !(e.contains(at) || at.contains(e) || labels?.[0]?.contains(at));
    };
    if (covered()) e.scrollIntoView({ block: "center", behavior: "instant" });
  });

/**
 * Presses what bears this name as a hand does that looks: it waits for what is busy, and where the thing moved away under it (a list that
 * shrinks above it) it presses once more where the thing is now. A page in the background draws no frames.
 */
async function pressed(
  page: Page,
  target: ElementHandle<Element>,
  press: () => Promise<void>,
): Promise<void> {
  await page.bringToFront();
  const busy = async () => target.evaluate((e) => e instanceof HTMLButtonElement && e.disabled);
  for (let i = 0; i < 50 && (await busy().catch(() => false)); i++) {
    await new Promise((r) => setTimeout(r, 100));
  }
  for (let tries = 0; tries < 5; tries++) {
    await target.scrollIntoView();
    await inSight(target);
    const top = await target.evaluate((e) => {
      delete document.documentElement.dataset["pressed"];
      const told = (at: Event) => {
        document.documentElement.dataset["pressed"] = e.contains(at.target as Node) ? "yes" : "no";
      };
      document.addEventListener("click", told, { capture: true, once: true });
      return e.getBoundingClientRect().top;
    });
    await press();
    // Where the press led to another page, or took the thing away, it was met.
    const missed = await target
      .evaluate(
        (e, was) =>
          e.isConnected &&
          document.documentElement.dataset["pressed"] === "no" &&
          Math.abs(e.getBoundingClientRect().top - was) > 2,
        top,
      )
      .catch(() => false);
    if (!missed) return;
  }
}
/** A page that is made anew while a hand comes down puts another thing of the same name there: that one is pressed. */
async function pressedAt(
  page: Page,
  find: () => Promise<ElementHandle<Element>>,
  press: (on: ElementHandle<Element>) => Promise<void>,
): Promise<void> {
  for (let tries = 1; ; tries++) {
    const target = await find();
    try {
      return await pressed(page, target, () => press(target));
    } catch (e) {
      if (tries === 3 || !/detached/.test((e as Error).message)) throw e;
    }
  }
}
/** Presses with the mouse what bears this name, wherever it stands on the page. */
export const clickOn = (page: Page, name: string | RegExp, within?: string): Promise<void> =>
  pressedAt(
    page,
    () => named(page, name, within),
    (on) => on.click(),
  );
/** The same with a finger. */
export const tapOn = (page: Page, name: string | RegExp, within?: string): Promise<void> =>
  pressedAt(
    page,
    () => named(page, name, within),
    (on) => on.tap(),
  );
/** Empties a field and types into it. */
export async function fill(page: Page, selector: string, value: string): Promise<void> {
  await awake(page);
  await page.waitForSelector(selector);
  await page.focus(selector);
  await page.keyboard.down("Control");
  await page.keyboard.press("KeyA");
  await page.keyboard.up("Control");
  await page.keyboard.press("Backspace");
  await page.type(selector, value);
}

/** Chooses in a list with the arrow keys, as the keyboard does it. */
export async function choose(page: Page, selector: string, value: string): Promise<void> {
  await awake(page);
  await page.waitForSelector(selector);
  await page.focus(selector);
  const steps = await page.$eval(
    selector,
    (e, v) => {
      const open = [...(e as HTMLSelectElement).options].filter((o) => !o.disabled);
      const at = (x: string): number => open.findIndex((o) => o.value === x);
      return at(v) < 0 ? undefined : at(v) - at((e as HTMLSelectElement).value);
    },
    value,
  );
  if (steps === undefined) throw new Error(`${selector} offers no “${value}”`);
  for (let i = 0; i < Math.abs(steps); i++) await page.keyboard.press(steps > 0 ? "ArrowDown" : "ArrowUp");
  await page.waitForFunction(
    (q, v) => {
      const e = document.querySelector(q) as HTMLSelectElement | null;
      // A list of things to add goes back to its head once one is chosen.
      return e === null || e.value === v || e.selectedIndex === 0;
    },
    {},
    selector,
    value,
  );
}
/** A day typed into a date field, in the order this browser has it; where what is typed is lost, that is told. */
export async function typeDay(page: Page, selector: string, day: string): Promise<void> {
  const [y, m, d] = day.split("-");
  await awake(page);
  await page.focus(selector);
  for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowLeft");
  await page.keyboard.type(`${m}${d}${y}`);
  const stands = await page.$eval(selector, (e) => (e as HTMLInputElement).value);
  if (stands !== day) throw new Error(`${day} was typed into ${selector}, and ${stands} stands in it`);
}

/** Chooses a size of vessel on the Bench: the household's own where it has one. */
export async function chooseVessel(page: Page, id: string): Promise<void> {
  await awake(page);
  const value = await page.$eval(
    "#vessel-choice",
    (e, x) =>
      [...(e as HTMLSelectElement).options].find((o) => o.value === x || o.value.startsWith(`yours ${x}|`))
        ?.value,
    id,
  );
  if (value === undefined) throw new Error(`no ${id} in the list`);
  await choose(page, "#vessel-choice", value);
}
