import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser } from "puppeteer-core";
import {
  type App,
  type Household,
  choose,
  clickOn,
  fill,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  text,
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
const BEGUN = "2026-11-24T09:00:00Z";

beforeAll(async () => {
  home = await newHousehold();
  app = await serve(home.url, BEGUN);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

const later = async (now: string): Promise<void> => {
  await app.stop();
  app = await serve(home.url, now);
};
const events = (): Promise<{ type: string; n: number }[]> =>
  home.sql<
    { type: string; n: number }[]
  >`select type, count(*)::int as n from event group by type order by type`;
const ADD = 'input[role="combobox"]';

describe("one oxymel, from the jar in hand to the label on the bottle", () => {
  test("an empty shelf says how to begin", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    expect(await words(page)).toContain("Herbs, and no plan");
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("planned and begun in three interactions, once however often the button is hit", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    // 1: type what goes in; 2: Enter; 3: Begin.
    await page.type(ADD, "1½ cups hyssop, dried");
    await page.keyboard.press("Enter");
    await page.waitForSelector('[data-testid="verdict"]');
    expect(await text(page, '[data-testid="verdict"]')).toBe("Cupboard, cool and dark: six months.");
    expect(await text(page, '[data-testid="ready"]')).toBe("5 Jan");
    const ml = Number(/(\d+) mL, between/.exec(await words(page))![1]);
    expect(ml).toBeGreaterThan(700);
    expect(ml).toBeLessThan(900);
    await page.click("button[data-begin]", { count: 3 });
    await says(page, "OX-26-01, Hyssop oxymel, has begun");
    expect(await events()).toEqual([{ type: "begun", n: 1 }]);
    expect(await words(page)).toContain("day 0 of 42");
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("the next day the herb has drunk, and one touch says it is seen to", async () => {
    await later("2026-11-25T09:00:00Z");
    const page = await newPage(browser);
    await goTo(page, app.url);
    expect(await words(page)).toMatch(
      /OX-26-01\s+Hyssop oxymel[\s\S]*Top up, the herb drinks about [\d½]+ tbsp;/,
    );
    await clickOn(page, "Shake OX-26-01, Hyssop oxymel: done");
    await page.waitForFunction(() => !/Shake(?!n)/.test(document.body.innerText));
    await goTo(page, `${app.url}`);
    expect(await words(page)).not.toContain("Shake");
    await page.close();
  });

  test("too early it may be strained only on asking; at its day it is due", async () => {
    await later("2027-01-05T09:00:00Z");
    const page = await newPage(browser);
    await goTo(page, app.url);
    expect(await words(page)).toContain("strain now");
    await page.close();
  });

  test("more than went in cannot come out, and what was typed stays", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    await page.click('section[aria-labelledby="today"] a[href$="/strain"]');
    await fill(page, "#measured", "3 L");
    await says(page, "cannot come out");
    await page.reload();
    await page.waitForFunction(
      () => (document.querySelector("#measured") as HTMLInputElement).value === "3 L",
    );
    await fill(page, "#measured", "two jugs");
    await says(page, "How much is a jug?");
    expect(await events()).toContainEqual({ type: "begun", n: 1 });
    await page.close();
  });

  test("strained in one window, the other is told, and nothing is written twice", async () => {
    const two = await newPage(browser);
    const one = await newPage(browser);
    await goTo(one, app.url);
    const href = await one.$eval(
      'section[aria-labelledby="today"] a[href$="/strain"]',
      (a) => (a as HTMLAnchorElement).href,
    );
    await Promise.all([goTo(one, href), goTo(two, href)]);
    await two.bringToFront();
    await fill(two, "#measured", "700 mL");
    await one.bringToFront();
    await fill(one, "#measured", "3¼ cups");
    await says(one, "That is 769 mL");
    await clickOn(one, /^It stands at/);
    await says(one, "About 769 mL to bottle");
    // The other is told at once, and what it typed stands there still.
    await says(two, "This batch was changed elsewhere.");
    expect(await two.$eval("#measured", (e) => (e as HTMLInputElement).value)).toBe("700 mL");
    await clickOn(two, /^It stands at/);
    await two.waitForFunction(() =>
      /changed in another window|is strained already/.test(document.body.innerText),
    );
    expect(await events()).toContainEqual({ type: "strained", n: 1 });
    await Promise.all([one.close(), two.close()]);
  });

  test("bottled from a fill plan, and the label says what, when, where and for whom not", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    expect(await words(page)).toContain("Finish and bottle");
    await page.click(`section[aria-labelledby="shelf"] a`);
    await clickOn(page, "bottle as it is");
    await says(page, "to bottle");
    await page.waitForSelector('ul[aria-label="Bottles"] li');
    await clickOn(page, "Bottled");
    await page.waitForSelector(".label");
    const label = await page.$eval(".label", (e) => e.getAttribute("aria-label")!);
    expect(label).toContain("Hyssop oxymel");
    expect(label).toContain("OX-26-01");
    expect(label).toContain("honey, cider vinegar, hyssop. ");
    expect(label).toContain("Made 24 November 2026, strained 5 January 2027");
    expect(label).toContain("Best by 5 July 2027");
    expect(label).toContain("Keep cool and dark. Once opened: fridge, one year at most.");
    expect(label).toContain("never for a child under 12 months");
    // Real size: 80 by 50 mm at 96 px to the inch.
    const box = (await (await page.$(".label"))!.boundingBox())!;
    expect(box.width / (80 * (96 / 25.4))).toBeCloseTo(1, 2);
    expect(box.height / (50 * (96 / 25.4))).toBeCloseTo(1, 2);
    await goTo(page, `${app.url}/cellar`);
    expect(await words(page)).toMatch(/Cupboard[\s\S]*OX-26-01[\s\S]*by 5 July/);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("bad input at the Bench", () => {
  test.each([
    ["two handfulls thyme", "Did you mean “handfuls”?"],
    ["-1 cup thyme", "cannot be less than nothing"],
    ["1/0 tsp thyme", "divides by nothing"],
    ["10,000 quarts vinegar", "over 500 litres"],
    ["1 cup flibbertigibbet", "is not known here"],
  ])("%s", async (typed, said) => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await page.type(ADD, typed);
    await page.keyboard.press("Enter");
    await says(page, said);
    expect(await page.$eval(ADD, (e) => (e as HTMLInputElement).value)).toBe(typed);
    await page.close();
  });

  test("an empty ratio and a jar of no height are told at their fields, and a reload keeps them", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await page.evaluate(() => localStorage.clear());
    await page.reload();
    await page.waitForSelector('[aria-busy="false"]');
    await page.type(ADD, "1 cup thyme");
    await page.keyboard.press("Enter");
    await fill(page, 'input[aria-label="honey: amount"]', " ");
    await says(page, "Say how much: ");
    expect(await page.$eval('input[aria-label="honey: amount"]', (e) => e.getAttribute("aria-invalid"))).toBe(
      "true",
    );
    await page.reload();
    await says(page, "Say how much: ");
    await fill(page, 'input[aria-label="honey: amount"]', "2 parts");
    await choose(page, "#vessel-choice", "own");
    await fill(page, "#own-heightCm", "0");
    await says(page, "Measure the inside");
    expect(await page.$eval("#own-heightCm", (e) => e.getAttribute("aria-invalid"))).toBe("true");
    await fill(page, "#own-heightCm", "14");
    await page.waitForFunction(() => !document.body.innerText.includes("Measure the inside"));
    await page.close();
  });

  test("nothing that is sent wrong gets a 500, and nothing foreign is carried out", async () => {
    const post = (path: string, body: string, headers: Record<string, string> = {}) =>
      fetch(`${app.url}${path}`, {
        method: "POST",
        body,
        headers: { "content-type": "application/json", origin: app.url, ...headers },
      });
    const before = await events();
    expect((await post("/api/batches", "not json")).status).toBe(400);
    expect((await post("/api/batches", "{}")).status).toBe(422);
    expect(
      (
        await post(
          "/api/batches",
          JSON.stringify({ id: crypto.randomUUID(), key: crypto.randomUUID(), plan: { format: "x" } }),
        )
      ).status,
    ).toBe(422);
    expect((await post("/api/batches", "x".repeat(300_000))).status).toBe(413);
    expect((await post("/api/batches/nope", "{}")).status).toBe(404);
    expect(
      (
        await post(
          `/api/batches/${crypto.randomUUID()}`,
          JSON.stringify({ key: crypto.randomUUID(), type: "strained", seen: 1, body: {} }),
        )
      ).status,
    ).toBe(409);
    expect(
      (
        await post(
          `/api/batches/${crypto.randomUUID()}`,
          JSON.stringify({ key: crypto.randomUUID(), type: "exploded", body: {} }),
        )
      ).status,
    ).toBe(422);
    expect((await post("/api/batches", "{}", { origin: "http://elsewhere.example" })).status).toBe(403);
    expect((await fetch(`${app.url}/batch/not-a-batch`)).status).toBe(404);
    expect(await events()).toEqual(before);
  });
});
