import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import sharp from "sharp";
import {
  type App,
  type Household,
  clickOn,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  standIn,
  tapOn,
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

const BOX = '[role="dialog"] input[role="combobox"]';
const offered = (page: Page): Promise<string[]> =>
  page.$$eval('[role="dialog"] [role="option"]', (all) => all.map((o) => (o as HTMLElement).innerText));

/** What stands in a picture of the first label’s code of a page of labels. */
async function pictureOfCode(page: Page): Promise<string> {
  const at = await page.$("svg.label path[data-code]");
  const file = join(mkdtempSync(join(tmpdir(), "jolly-find-")), "label.png");
  await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 4 });
  const box = (await at!.boundingBox())!;
  await page.screenshot({
    path: file as `${string}.png`,
    clip: { x: box.x - 8, y: box.y - 8, width: box.width + 16, height: box.height + 16 },
  });
  await page.setViewport({ width: 1280, height: 800 });
  return file;
}

describe("one box that finds anything", () => {
  test("by keyboard from anywhere: a bottle in the fridge, the second of them, in the hand", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/stores`);
    await page.keyboard.press("/");
    await page.waitForSelector(BOX);
    await page.keyboard.type("fridge");
    await page.waitForSelector('[role="option"]');
    const [, second] = await offered(page);
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => location.search.startsWith("?bottle="));
    await says(page, second!.match(/[A-Z]{2}-\d\d-\d\d·\d/)![0]);
    expect(await page.$(BOX)).toBeNull();
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("by finger on a phone: what has horehound in it; nothing found is said, and Escape leaves the page as it was", async () => {
    const page = await newPage(browser, 390, 844);
    await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await goTo(page, `${app.url}/`);
    await tapOn(page, "find", "header");
    await page.waitForSelector(BOX);
    await page.type(BOX, "flibbertigibbet");
    await says(page, "Nothing here goes by “flibbertigibbet”.");
    await page.keyboard.press("Escape");
    await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);
    expect(new URL(page.url()).pathname).toBe("/");
    await tapOn(page, "find", "header");
    await page.waitForSelector(BOX);
    await page.type(BOX, "what has horehound in it");
    await page.waitForSelector('[role="option"]');
    expect((await offered(page))[0]).toContain("SY-26-01");
    await (await page.$('[role="option"]'))!.tap();
    await page.waitForFunction(() => location.pathname.startsWith("/batch/"));
    await says(page, "Horehound syrup");
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("keys go to the views and are told on a sheet; in a field they are letters", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/`);
    for (const [letter, path] of [
      ["c", "/cellar"],
      ["t", "/stores"],
      ["b", "/bench"],
    ] as const) {
      await page.keyboard.press("g");
      await page.keyboard.press(letter);
      await page.waitForFunction((p) => location.pathname === p, {}, path);
    }
    await page.keyboard.press("?");
    await says(page, "find anything");
    expect(await page.$eval('[role="dialog"]', (d) => (d as HTMLElement).innerText)).toContain(
      "go to the Cellar",
    );
    await clickOn(page, "close", '[role="dialog"]');
    await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);
    await page.type('input[role="combobox"]', "1/2 cup g?");
    expect(await page.$eval('input[role="combobox"]', (e) => (e as HTMLInputElement).value)).toBe(
      "1/2 cup g?",
    );
    expect(new URL(page.url()).pathname).toBe("/bench");
    expect(await words(page)).not.toContain("find anything");
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("where it went", () => {
  test("from a lot to the batches it is in, and from a batch to the boat that has a bottle of it", async () => {
    const page = await newPage(browser);
    await goTo(
      page,
      `${app.url}/batch/${(await home.sql<{ id: string }[]>`select id from batch where code = 'HO-26-01'`)[0]!.id}`,
    );
    await clickOn(page, "where it went");
    await says(page, "Should it be wrong, stop using these");
    expect(await words(page)).toMatch(
      /1 bottle of it is here\.\s+Tell a passing boat: 1 bottle went there\./,
    );
    await goTo(page, `${app.url}/stores`);
    await clickOn(page, /^change the amount of\s+hyssop/);
    await clickOn(page, "where it went");
    await says(page, "Nothing was made of it yet.");
    // An address of nothing is a page that is not there.
    const r = await page.goto(`${app.url}/recall?lot=nowhere`);
    expect(r!.status()).toBe(404);
    await page.close();
  });
});

describe("side by side", () => {
  test("ticked in all batches by finger, two oxymels stand beside each other; what differs is marked", async () => {
    const page = await newPage(browser, 820, 1180);
    await page.setViewport({ width: 820, height: 1180, hasTouch: true });
    await goTo(page, `${app.url}/batches`);
    for (const code of ["OX-26-02", "OX-26-01"]) {
      const box = (await page.$(`[aria-label="Compare ${code}"]`))!;
      await box.scrollIntoView();
      await box.tap();
    }
    await says(page, "2 ticked.");
    await tapOn(page, "Side by side");
    await page.waitForFunction(
      () => location.pathname === "/compare" && document.querySelector('th[scope="row"]') !== null,
    );
    expect(new URL(page.url()).searchParams.getAll("b")).toHaveLength(2);
    const said = await words(page);
    expect(said).toMatch(/fennel seed/);
    expect(said).toMatch(/stood\s+28 days\s+not yet/);
    expect(await page.$$eval('th[scope="row"]', (all) => all.map((t) => t.textContent))).toContain(
      "hyssop (differs)",
    );
    await goTo(page, `${app.url}/compare?b=nowhere`);
    expect(await words(page)).toContain("Tick two to four batches");
    expect((page as unknown as { errors: string[] }).errors).toEqual([]);
    await page.close();
  });
});

describe("a label’s code", () => {
  test("photographed, it lands on the bottle; a picture of something else says so", async () => {
    const page = await newPage(browser);
    const [batch] = await home.sql<{ id: string }[]>`select id from batch where code = 'SY-26-01'`;
    await goTo(page, `${app.url}/batch/${batch!.id}/label`);
    const label = await pictureOfCode(page);
    await goTo(page, app.url);
    await clickOn(page, "find");
    const input = (await page.waitForSelector(
      '[role="dialog"] input[type="file"]',
    )) as ElementHandle<HTMLInputElement>;
    const sock = join(tmpdir(), "jolly-sock.png");
    writeFileSync(
      sock,
      await sharp({ create: { width: 200, height: 200, channels: 3, background: "#777777" } })
        .png()
        .toBuffer(),
    );
    await input.uploadFile(sock);
    await says(page, "There is no code to be made out");
    await input.uploadFile(label);
    await page.waitForFunction(() =>
      document.querySelector('[role="dialog"] [role="option"]')?.textContent?.startsWith("SY-26-01·1"),
    );
    await page.focus(BOX);
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => location.pathname === "/cellar");
    await page.close();
  });
  test("a jar that works has a label of its own, and a bottle one for its lid, its neck and to be given", async () => {
    const page = await newPage(browser);
    const ids = Object.fromEntries(
      (await home.sql<{ id: string; code: string }[]>`select id, code from batch`).map((r) => [r.code, r.id]),
    );
    await goTo(page, `${app.url}/batch/${ids["OX-26-02"]}`);
    await clickOn(page, "label the jar");
    await page.waitForSelector("svg.label");
    const jar = await page.$eval("svg.label", (e) => e.getAttribute("aria-label")!);
    expect(jar).toContain("Strain from");
    expect(jar).toContain("Still at work");
    await goTo(page, `${app.url}/batch/${ids["SY-26-01"]}/label`);
    for (const [sort, holds] of [
      ["its lid", "Best by"],
      ["its neck", "Keep"],
      ["a gift", "Put up at Lock Cottage No. 9"],
    ] as const) {
      await clickOn(page, sort, "nav");
      await page.waitForFunction(
        (x) => document.querySelector("svg.label")?.getAttribute("aria-label")?.includes(x),
        {},
        holds,
      );
    }
    expect(page.errors).toEqual([]);
    await page.close();
  });
  test("the label printer lays them in its tray; out of labels it says so and goes on from there", async () => {
    const printer = await standIn("printer");
    const other = await serve(home.url, "2026-11-24T09:00:00Z", undefined, undefined, {
      JOLLY_PRINTER: `127.0.0.1:${printer.port}`,
    });
    const page = await newPage(browser);
    const tray = await newPage(browser);
    const roll = async (n: string): Promise<void> => {
      await tray.bringToFront();
      await tray.goto(`http://127.0.0.1:${printer.port}/`);
      await tray.click("input[name=n]", { count: 3 });
      await tray.keyboard.type(n);
      await Promise.all([tray.waitForNavigation(), clickOn(tray, "put in a roll of")]);
      await page.bringToFront();
    };
    const [batch] = await home.sql<{ id: string }[]>`select id from batch where code = 'SY-26-01'`;
    await goTo(page, `${other.url}/batch/${batch!.id}/label`);
    const many = (await page.$$("svg.label")).length;
    expect(many).toBeGreaterThan(1);
    await roll("1");
    await clickOn(page, "print on the label printer");
    await says(page, `1 of ${many} lie in its tray: it is out of labels.`);
    await roll("20");
    await clickOn(page, "go on printing from label 2");
    await says(page, `${many} lie in its tray.`);
    await tray.goto(`http://127.0.0.1:${printer.port}/`);
    expect(await tray.$$eval("img", (all) => all.map((i) => [i.alt, i.naturalWidth > 0]))).toEqual(
      Array.from({ length: many }, (_, i) => [`SY-26-01 ${many - i}`, true]),
    );
    await printer.stop();
    await clickOn(page, "print on the label printer");
    await says(page, "it does not answer");
    expect(page.errors).toEqual([]);
    await Promise.all([page.close(), tray.close()]);
    await other.stop();
  });
});
