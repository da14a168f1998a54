import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import { bottleOf } from "../../src/store/bottles";
import { batchOf } from "../../src/store/journal";
import { household } from "../../src/store/household";
import { allFindings } from "../../src/store/soundness";
import {
  type App,
  type Household,
  awake,
  choose,
  clickOn,
  fill,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  tapOn,
  typeDay,
  words,
} from "../support";

type Watched = Page & { errors: string[] };
const NOW = "2026-11-30T09:00:00Z";
process.env["JOLLY_NOW_FROZEN"] = NOW;
let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold();
  app = await serve(home.url, NOW);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
  await app.stop();
  await home.drop();
});

const named = async (name: string) =>
  (await home.sql<{ id: string }[]>`select id from batch where name = ${name}`)[0]!.id;
const noSideways = async (page: Watched): Promise<void> =>
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBe(0);

describe("the first hour of an empty household", () => {
  test("shows three ways in, what will be there, and where a day's work will stand", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    const shelf = await words(page);
    for (const way of ["A recipe of mine", "A jar already working", "Herbs, and no plan"])
      expect(shelf).toContain(way);
    expect(shelf).toContain("Here will stand what does");
    expect(shelf).toContain("Ice box");
    await clickOn(page, "Herbs, and no plan");
    await says(page, "How does this kitchen measure?");
    await clickOn(page, "US cups");
    await page.waitForFunction(() => !document.body.innerText.includes("How does this kitchen measure?"));
    expect((await household(home.sql)).units).toBe("us");
    await clickOn(page, "Cellar");
    await says(page, "And below, in time");
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("a first oxymel is begun by keys alone, in sixty at the most", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    let keys = 0;
    const press = async (...all: Parameters<Page["keyboard"]["press"]>[0][]): Promise<void> => {
      for (const key of all) {
        await page.keyboard.press(key);
        keys++;
      }
    };
    const type = async (words: string): Promise<void> => {
      await page.keyboard.type(words);
      keys += words.length;
    };
    await press("g", "b");
    await page.waitForSelector("input[data-add-line]");
    await page.waitForSelector('[aria-busy="false"]');
    await press("n");
    await type("1 cup dried hyssop");
    await press("Enter");
    await says(page, "hyssop");
    await page.keyboard.down("Control");
    await press("Enter");
    await page.keyboard.up("Control");
    await says(page, "has begun");
    expect(keys).toBeLessThanOrEqual(60);
    const [batch] = await home.sql<{ id: string }[]>`select id from batch where state = 'working'`;
    expect((await batchOf(home.sql, batch!.id))!.plan.kind).toBe("oxymel");
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("what stands already", () => {
  test("is written as a list with the mouse: asked what is not known, and written down all at once", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    await clickOn(page, "one stands already");
    await says(page, "What stands already");
    // Who has measured already is not asked how.
    expect(await words(page)).not.toContain("How does this kitchen measure?");
    await fill(page, "#stands-list", "fire cider, quart jar, since 2 November, garlic, behind the milk");
    await page.keyboard.press("Enter");
    await page.keyboard.type(
      "2 bottles of hawthorn syrup, 8 oz, made in October, fridge, opened 12 November",
    );
    await says(page, "which part?");
    await clickOn(page, /^Hawthorn syrup/);
    await says(page, "Say which part of hawthorn it was.");
    await choose(page, "#stands-part-0", "hawthorn-berry");
    await says(page, "Write all 2 down");
    await noSideways(page);
    await clickOn(page, "Write all 2 down");
    await says(page, "Written down");
    await says(page, "FC-26-01 Fire cider");
    await says(page, "SY-26-01 Hawthorn syrup");
    const jar = (await batchOf(home.sql, await named("Fire cider")))!;
    expect(jar).toMatchObject({ begunDay: "2026-11-02", state: "working", stood: "made" });
    expect(jar.diary.map((e) => (e.body as { text?: string }).text)).toContain("behind the milk");
    const syrup = (await batchOf(home.sql, await named("Hawthorn syrup")))!;
    expect(syrup.bottles).toHaveLength(2);
    expect((await bottleOf(home.sql, syrup.bottles[0]!.id))!.bottle.openedDay).toBe("2026-11-12");
    // The list holds nothing of what is written down; the Shelf and the Cellar do.
    expect(await page.$eval("#stands-list", (e) => (e as HTMLTextAreaElement).value)).toBe("");
    await clickOn(page, "Shelf");
    await says(page, "FC-26-01");
    await clickOn(page, "Cellar");
    await says(page, "Hawthorn syrup");
    expect(await allFindings(home.sql)).toEqual([]);
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("by finger, one by hand: a refusal stands beside its field, and nothing typed is lost", async () => {
    const page = await newPage(browser, 390, 844);
    await goTo(page, `${app.url}/standing`);
    await tapOn(page, "Another");
    await fill(page, "#stands-name", "Sage honey");
    await choose(page, "#stands-kind", "honey");
    await choose(page, "#stands-as", "jar");
    await says(page, "Say since when");
    await typeDay(page, "#stands-on", "2026-11-08");
    await choose(page, "#stands-jar", "us-pint");
    await fill(page, "#stands-contents", "1/2 cup fresh sage, honey, moonwort");
    await says(page, "“moonwort” is nothing known here");
    await noSideways(page);
    await page.reload();
    await awake(page);
    expect(await page.$eval("#stands-name", (e) => (e as HTMLInputElement).value)).toBe("Sage honey");
    await tapOn(page, "Write it down");
    await says(page, "Written down");
    const batch = (await batchOf(home.sql, await named("Sage honey")))!;
    expect(batch.begunDay).toBe("2026-11-08");
    expect(batch.plan.steps[0]).toMatchObject({
      what: [
        { material: "sage", form: "fresh", amount: "1/2 cup" },
        { material: "own-unnamed", amount: "not known" },
        { material: "honey", amount: "not known" },
      ],
    });
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("a batch on the Bench may be begun on another day", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await page.focus("input[data-add-line]");
    await page.keyboard.type("20 g dried thyme");
    await page.keyboard.press("Enter");
    await says(page, "thyme");
    await clickOn(page, "not today?");
    await typeDay(page, 'input[type="date"]', "2026-11-21");
    await clickOn(page, "Begin this batch");
    await says(page, "has begun");
    await says(page, "21 November");
    const days = await home.sql`select day from event where type = 'begun' and day = '2026-11-21'`;
    expect(days).toHaveLength(1);
    await page.close();
  });
});
