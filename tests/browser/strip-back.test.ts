/** The strip taped to a jar, photographed: what is ticked on it is read, shown, and written by a touch; each week once. */
import { mkdtempSync } from "node:fs";
import { join } from "node:path";
import { tmpdir } from "node:os";
import sharp from "sharp";
import type { Browser, Page } from "puppeteer-core";
import { batchOf } from "../../src/store/journal";
import { type App, type Household, awake, goTo, newHousehold, newPage, openBrowser, serve } from "../support";

let home: Household;
let app: App;
let browser: Browser;
let id = "";
const files = mkdtempSync(join(tmpdir(), "jolly-strip-"));

beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
  id = (await home.sql<{ id: string }[]>`select id from batch where code = 'OX-26-02'`)[0]!.id;
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

/** The strip as it is printed, ticked by a pen in some of its weeks, laid down crooked and photographed. */
async function photographed(weeks: readonly number[]): Promise<string> {
  const svg = await (await fetch(`${app.url}/batch/${id}/strip.svg`)).text();
  const boxes = [
    ...svg.matchAll(/<rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)" fill="none"/g),
  ].map((m) => m.slice(1).map(Number));
  expect(boxes.length).toBe(6);
  const ticks = weeks.map((i) => {
    const [x, y] = boxes[i]! as [number, number];
    return `<path d="M${x + 1} ${y + 2.6}L${x + 2.4} ${y + 4.4}L${x + 5.2} ${y + 0.4}" fill="none" stroke="#20398f" stroke-width="0.5"/>`;
  });
  const file = join(files, `${weeks.join("-")}.jpg`);
  const ground = "#777777";
  await sharp(Buffer.from(svg.replace("</svg>", `${ticks.join("")}</svg>`)), { density: 254 })
    .rotate(8, { background: ground })
    .extend({ top: 60, bottom: 60, left: 60, right: 60, background: ground })
    .flatten({ background: ground })
    .jpeg({ quality: 80 })
    .toFile(file);
  return file;
}

const STRIP = '[aria-label="The strip"]';
const told = (page: Page): Promise<string> => page.$eval(STRIP, (e) => (e as HTMLElement).innerText);
const shaken = async (): Promise<number> =>
  (await batchOf(home.sql, id))!.diary.filter((e) => e.type === "touched").length;

async function choose(page: Page, file: string): Promise<void> {
  const ask = (await page.waitForSelector(`${STRIP} button`))!;
  await ask.scrollIntoView();
  const [chooser] = await Promise.all([page.waitForFileChooser(), ask.tap()]);
  await chooser.accept([file]);
}

test("a week that was ticked on the glass is written by a finger, and never twice", async () => {
  const page = await newPage(browser, 390, 844);
  await goTo(page, `${app.url}/batch/${id}`);
  await awake(page);
  const before = await shaken();
  await choose(page, await photographed([3, 4]));
  await page.waitForSelector(`${STRIP} button[type=submit]`);
  const words = await told(page);
  expect(words).toMatch(/week 4\nwritten already/);
  expect(words).toMatch(/in one week|in 1 week/);
  expect(await shaken()).toBe(before);
  const write = (await page.$(`${STRIP} button[type=submit]`))!;
  await write.scrollIntoView();
  await write.tap();
  await page.waitForFunction((s) => !document.querySelector(`${s} button[type=submit]`), {}, STRIP);
  expect(await shaken()).toBe(before + 1);
  // The same photograph again brings nothing: each of its weeks is written.
  await choose(page, await photographed([3, 4]));
  await page.waitForFunction(
    (s) => /Nothing new/.test((document.querySelector(s) as HTMLElement).innerText),
    {},
    STRIP,
  );
  expect(await shaken()).toBe(before + 1);
  await page.close();
});

test("what is no strip is said to be none, and nothing is written", async () => {
  const page = await newPage(browser, 390, 844);
  await goTo(page, `${app.url}/batch/${id}`);
  await awake(page);
  const before = await shaken();
  const file = join(files, "a-wall.jpg");
  await sharp({ create: { width: 600, height: 800, channels: 3, background: "#a08060" } })
    .jpeg()
    .toFile(file);
  await choose(page, file);
  await page.waitForSelector(`${STRIP} .wrong`);
  expect(await told(page)).toMatch(/strip/i);
  expect(await shaken()).toBe(before);
  await page.close();
});
