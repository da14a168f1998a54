import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import { bottleOf } from "../../src/store/bottles";
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
  tapOn,
  words,
} from "../support";

const NOW = "2026-11-24T09:00:00Z";
process.env["JOLLY_NOW_FROZEN"] = NOW;
let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, NOW);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
  await app.stop();
  await home.drop();
});

/** Takes the first bottle of a batch in the hand, as it stands on its shelf. @returns its id */
async function take(page: Page, code: string): Promise<string> {
  await goTo(page, `${app.url}/cellar`);
  await clickOn(page, `${code}·`);
  await page.waitForFunction(() => location.search.startsWith("?bottle="));
  await says(page, "Pour a spoonful");
  return page.evaluate(() => new URLSearchParams(location.search).get("bottle")!);
}
const bottle = async (id: string) => (await bottleOf(home.sql, id))!.bottle;

describe("a bottle in the hand", () => {
  test("poured from by a spoon and by what is typed: it is open, and so much less is left; taken back, it is there again", async () => {
    const page = await newPage(browser);
    const id = await take(page, "OX-26-01");
    const full = (await bottle(id)).leftMl;
    await clickOn(page, "Pour a spoonful");
    await says(page, "Poured a spoonful.");
    await fill(page, "#pour", "2 tbsp");
    await page.keyboard.press("Enter");
    await says(page, "Poured 2 tbsp.");
    expect(Math.round(full - (await bottle(id)).leftMl)).toBe(35);
    expect((await bottle(id)).openedDay).toBe("2026-11-24");
    await clickOn(page, "Take back: Poured 2 tbsp.");
    await page.waitForSelector("del");
    expect(Math.round(full - (await bottle(id)).leftMl)).toBe(5);
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("what cannot be poured is told at its field and kept there", async () => {
    const page = await newPage(browser);
    await take(page, "HO-26-01");
    for (const [typed, said] of [
      ["a jugful", "jug"],
      ["30 g", "Say it as spoons, cups or mL"],
      ["2 L", "cannot come out"],
    ] as const) {
      await fill(page, "#pour", typed);
      await page.keyboard.press("Enter");
      await says(page, said);
      expect(await page.$eval("#pour", (e) => (e as HTMLInputElement).value)).toBe(typed);
    }
    await page.close();
  });

  test("moved by finger on a phone: it stands on the other shelf", async () => {
    const page = await newPage(browser, 390, 844);
    await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await goTo(page, `${app.url}/cellar`);
    await tapOn(page, "OX-26-01·1");
    await says(page, "Pour a spoonful");
    const id = await page.evaluate(() => new URLSearchParams(location.search).get("bottle")!);
    await tapOn(page, "move it");
    await tapOn(page, "to the fridge");
    await says(page, "Moved to the fridge.");
    expect((await bottle(id)).place).toBe("fridge");
    expect(await page.$eval('section[aria-label="fridge"]', (e) => (e as HTMLElement).innerText)).toContain(
      "OX-26-01",
    );
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.close();
  });

  test("looked at: a grave sign leaves only one way, an ordinary one a day to use it up by", async () => {
    const page = await newPage(browser);
    const id = await take(page, "HO-26-01");
    await clickOn(page, "look at it");
    await clickOn(page, "mould or a film");
    await says(page, "Do not taste it.");
    expect(await words(page)).not.toContain("It is fine");
    await clickOn(page, "mould or a film");
    await clickOn(page, "cloudy");
    await clickOn(page, "It is fine");
    await says(page, "Looked at: cloudy; fine.");
    expect((await bottle(id)).state).toBe("kept");
    await page.close();
  });

  test("given away by keyboard alone, and taken back", async () => {
    const page = await newPage(browser);
    const id = await take(page, "HO-26-01");
    await page.focus('button[aria-expanded="false"]');
    const press = async (name: string): Promise<void> => {
      for (let i = 0; i < 60; i++) {
        const on = await page.evaluate(() => (document.activeElement as HTMLElement).innerText);
        if (on === name) return void (await page.keyboard.press("Enter"));
        await page.keyboard.press("Tab");
      }
      throw new Error(`no key reaches “${name}”`);
    };
    await press("give it away");
    await page.waitForSelector("#give");
    await fill(page, "#give", "the coal boat");
    await page.keyboard.press("Enter");
    await says(page, "Given to the coal boat");
    expect((await bottle(id)).state).toBe("given");
    await clickOn(page, "Take back: Given to the coal boat.");
    await says(page, "Pour a spoonful");
    expect((await bottle(id)).state).toBe("kept");
    await page.close();
  });

  test("emptied, it leaves the shelves; its batch still leads to it", async () => {
    const page = await newPage(browser);
    const id = await take(page, "VI-26-01");
    await clickOn(page, "it is empty");
    await says(page, "Emptied");
    const batch = (await bottleOf(home.sql, id))!.batch;
    await goTo(page, `${app.url}/batch/${batch.id}`);
    await clickOn(page, `${batch.code}·`);
    await says(page, "Emptied");
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("a course", () => {
  test("is set in the maker’s own measure, reckoned, counted by one touch; more than it says is said once", async () => {
    const page = await newPage(browser, 390, 844);
    const [row] = await home.sql<{ id: string }[]>`
      select id from bottle where state = 'kept' and place <> 'freezer' order by left_ml desc, id limit 1`;
    await goTo(page, `${app.url}/cellar?bottle=${row!.id}`);
    await clickOn(page, "set a course");
    await fill(page, "#course-amount", "a lot");
    await clickOn(page, "Keep the course");
    await page.waitForSelector("#course-wrong");
    await fill(page, "#course-amount", "1 tbsp");
    await fill(page, "#course-times", "1000");
    await fill(page, "#course-days", "10");
    await clickOn(page, "Keep the course");
    await says(page, "24 times a day at most");
    expect(await page.$eval("#course-amount", (e) => (e as HTMLInputElement).value)).toBe("1 tbsp");
    await fill(page, "#course-times", "2");
    await fill(page, "#course-rest", "7");
    await clickOn(page, "Keep the course");
    await says(page, "1 tbsp twice a day for 10 days, then 7 days of rest");
    await says(page, "Its last day is 3 December, rest until 11 December.");
    expect(await words(page)).toMatch(/In this bottle: \d+ (?:whole course|day)/);
    await says(page, "0 of 2 today");
    for (const n of [1, 2]) {
      await clickOn(page, "Taken");
      await says(page, `${n} of 2 today`);
    }
    await clickOn(page, "Taken");
    await says(page, "3 of 2 today: 1 more than the course says");
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
    ).toBe(0);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("where a bottle and somebody meet", () => {
  /** The first bottle of the honey, which no baby may have. */
  const honey = async (): Promise<string> => {
    const [row] = await home.sql<{ id: string }[]>`
      select x.id from bottle x join batch b on b.id = x.batch_id where b.kind = 'honey' and x.state = 'kept' order by x.number limit 1`;
    return row!.id;
  };
  test("a course, a spoon and a gift for the baby are refused where they are typed, and nothing typed is lost", async () => {
    const page = await newPage(browser, 390, 844);
    const id = await honey();
    await goTo(page, `${app.url}/cellar?bottle=${id}`);
    await choose(page, "#pour-for", "the baby");
    await tapOn(page, "Pour a spoonful");
    await says(page, "Honey is never given to the baby");
    await tapOn(page, "set a course");
    await fill(page, "#course-amount", "1 tsp");
    await fill(page, "#course-times", "1");
    await fill(page, "#course-days", "5");
    await choose(page, "#course-for", "the baby");
    await tapOn(page, "Keep the course");
    await page.waitForSelector("#course-wrong");
    expect(await page.$eval("#course-wrong", (e) => (e as HTMLElement).innerText)).toMatch(
      /Honey is never given/,
    );
    expect(await page.$eval("#course-amount", (e) => (e as HTMLInputElement).value)).toBe("1 tsp");
    const is = await bottle(id);
    expect([is.course, is.taken.filter((t) => t.from === "2026-11-24")]).toEqual([undefined, []]);
    expect(page.errors).toEqual([]);
    await page.close();
  });
  test("opened where an opened one does not keep, it says so and goes into the fridge at a touch", async () => {
    const page = await newPage(browser);
    // It was opened above, and stands in the fridge: put where it does not keep, it says what it wants.
    const id = await take(page, "OX-26-01");
    await clickOn(page, "move it");
    await clickOn(page, "to the cupboard");
    await says(page, "Opened, it wants the fridge");
    await clickOn(page, "it stands in the");
    await page.waitForFunction(() => !document.body.innerText.includes("Opened, it wants the fridge"));
    expect((await bottle(id)).place).toBe("fridge");
    await page.close();
  });
});

describe("how long it lasts", () => {
  test("a remedy that is used runs out about a day, the next is to be begun by another, and one touch plans it", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/cellar`);
    const [line] = await page.$$eval('[aria-labelledby="lasts"] li', (all) =>
      all.map((li) => (li as HTMLElement).innerText).filter((t) => t.startsWith("Lime-blossom honey")),
    );
    expect(line).toMatch(/about \d+(\.\d)? mL a week, by 16 weeks of it/);
    // Four weeks of standing and a week in hand before the earliest day it may be used up; where that is past, it is to be begun now.
    const days =
      /Runs out about (\d+ [A-Z]\w+(?: \d{4})?) \((\d+ [A-Z]\w+(?: \d{4})?) – (\d+ [A-Z]\w+(?: \d{4})?)\)\. A new one wants 4 weeks: (?:start it by (\d+ \w+)|begin it now, to have no gap)\./.exec(
        line!.replace(/\s+/g, " "),
      );
    expect([line, days]).not.toEqual([line, null]);
    const [, likely, early, late, by] = days!;
    const day = (text: string): number =>
      Date.parse(/\d{4}$/.test(text) ? text : `${text} ${/(Nov|Dec)/.test(text) ? 2026 : 2027}`);
    expect([day(early!), day(likely!), day(late!)]).toEqual(
      [day(early!), day(likely!), day(late!)].sort((x, y) => x - y),
    );
    const startBy = day(early!) - (28 + 7) * 86_400_000;
    if (by) expect(day(by)).toBe(startBy);
    else expect(startBy).toBeLessThan(Date.parse("2026-11-24"));
    const nth = await page.$$eval('[aria-labelledby="lasts"] li', (all) =>
      all.findIndex((li) => (li as HTMLElement).innerText.startsWith("Lime-blossom honey")),
    );
    await clickOn(page, "Plan it again", `[aria-labelledby="lasts"] li:nth-child(${nth + 1})`);
    await page.waitForFunction(() => location.pathname === "/bench");
    await page.waitForSelector('input[aria-label="lime blossom: amount"]');
    expect(page.errors).toEqual([]);
    await page.close();
  });
});
