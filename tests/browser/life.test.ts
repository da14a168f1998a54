import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import { bottleOf } from "../../src/store/bottles";
import { batchOf } from "../../src/store/journal";
import {
  type App,
  type Household,
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

type Watched = Page & { errors: string[] };
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

const idOf = async (code: string): Promise<string> =>
  (await home.sql<{ id: string }[]>`select id from batch where code = ${code}`)[0]!.id;
const noSideways = async (page: Watched): Promise<void> =>
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBe(0);

/** How a width is handled: what presses, and the batch that is taken through. */
const HANDS = [
  { by: "mouse", width: 1280, height: 800, press: clickOn, code: "FC-26-02", jug: "1380 mL" },
  { by: "finger", width: 390, height: 844, press: tapOn, code: "OX-26-02", jug: "" },
] as const;

describe.each(HANDS)(
  "the whole life of a bottle, by $by at $width px",
  ({ width, height, press, code, jug }) => {
    let page: Watched;
    let id: string;
    let bottle: string;
    const inHand = async () => (await bottleOf(home.sql, bottle))!.bottle;
    const go = async (to: string): Promise<void> => {
      await goTo(page, `${app.url}${to}`);
      await noSideways(page);
    };
    beforeAll(async () => {
      page = await newPage(browser, width, height);
      if (width < 500) await page.setViewport({ width, height, hasTouch: true, isMobile: true });
      id = await idOf(code);
    });
    afterAll(() => page.close());

    test("is it sound, then the cloth, and what the jug shows", async () => {
      await go(`/batch/${id}/strain`);
      await press(page, "Mould or a film");
      await says(page, "Do not taste it, and do not strain it");
      expect(await page.$("#measured")).toBeNull();
      await press(page, "Mould or a film");
      await page.waitForSelector("#measured");
      const likely = /About (\d+) mL is likely/.exec(await words(page))![1]!;
      await fill(page, "#measured", jug === "" ? `${likely} mL` : jug);
      await says(page, "That is");
      // The marc on the scale: two cups are no weight, and four kilos never stayed in it.
      await fill(page, "#marc", "2 cups");
      await says(page, "Write what the scale shows");
      await fill(page, "#marc", "4 kg");
      await press(page, /^It stands at/);
      await says(page, "weighed with its cloth or bowl");
      await fill(page, "#marc", "180 g");
      await says(page, "held in what is left of the herb, as weighed");
      await press(page, /^It stands at/);
      await page.waitForFunction(() => !location.pathname.endsWith("/strain"));
      const batch = (await batchOf(home.sql, id))!;
      expect([batch.state, batch.making.strained?.marc]).toEqual(["strained", "180 g"]);
    });

    test("dialled, tasted and mixed through, and into bottles", async () => {
      await go(`/batch/${id}/finish`);
      const slider = await page.$("[role=slider]");
      if (slider) {
        await slider.focus();
        await page.keyboard.press("ArrowRight");
        await page.keyboard.press("ArrowRight");
        await says(page, "of the liquid");
      }
      const bar = slider ? "Mixed through" : "Nothing more goes in";
      await press(page, bar);
      await page.waitForFunction(() => location.pathname.endsWith("/bottle"));
      await says(page, "to bottle");
      await noSideways(page);
      await press(page, "Bottled");
      await page.waitForFunction(() => !location.pathname.endsWith("/bottle"));
      const batch = (await batchOf(home.sql, id))!;
      expect(batch.state).toBe("bottled");
      bottle = batch.bottles[0]!.id;
    });

    test("opened by a spoon, poured, and one pour that was none taken back", async () => {
      await go(`/cellar?bottle=${bottle}`);
      const full = (await inHand()).leftMl;
      await press(page, "Pour a spoonful");
      await says(page, "Poured a spoonful.");
      await press(page, "Take back: Poured a spoonful.");
      await page.waitForSelector("del");
      expect((await inHand()).leftMl).toBeCloseTo(full, 6);
      await fill(page, "#pour", `${Math.ceil(full * 0.2)} mL`);
      await page.keyboard.press("Enter");
      await says(page, `Poured ${Math.ceil(full * 0.2)} mL.`);
      expect((await inHand()).leftMl).toBeLessThan(full * 0.85);
    });

    test("frozen, its clock stands; thawed in the fridge it goes on, and it is not frozen again", async () => {
      await press(page, "move it");
      await press(page, "to the ice box");
      await says(page, "Moved to the ice box.");
      expect((await inHand()).place).toBe("freezer");
      await press(page, "move it");
      await press(page, "to the fridge");
      await says(page, "Moved to the fridge.");
      expect((await inHand()).place).toBe("fridge");
      await press(page, "move it");
      await press(page, "to the ice box");
      await page.waitForSelector("[role=alert]");
      expect((await inHand()).place).toBe("fridge");
    });

    test("a meter in the bottle that shows it weaker than was reckoned shortens what is promised at once", async () => {
      const bestBy = async () =>
        (await home.sql`select best_by from bottle where id = ${bottle}`)[0]!.best_by;
      const promised = String(await bestBy());
      await go(`/batch/${id}`);
      await says(page, "Measured from a bottle");
      await page.select('select[aria-label="with a"]', "meter");
      const shows = await page.waitForSelector('[aria-label="Measure it"] input');
      await shows!.type("strong");
      await page.keyboard.press("Enter");
      await says(page, "Write the number it shows");
      await fill(page, '[aria-label="Measure it"] input', "4.9");
      await page.keyboard.press("Enter");
      await says(page, "pH 4.9, by meter");
      await noSideways(page);
      expect(String(await bestBy()) < promised).toBe(true);
    });

    test("looked at, given, given back, and finished to the last spoonful", async () => {
      await go(`/cellar?bottle=${bottle}`);
      await press(page, "look at it");
      await press(page, "It is fine");
      await says(page, "Looked at: nothing amiss; fine.");
      await press(page, "give it away");
      await page.waitForSelector("#give");
      await fill(page, "#give", "the coal boat");
      await page.keyboard.press("Enter");
      await says(page, "Given to the coal boat");
      await press(page, "Take back: Given to the coal boat.");
      await says(page, "Pour a spoonful");
      await press(page, "it is empty");
      await says(page, "Emptied");
      expect((await inHand()).state).toBe("emptied");
      await noSideways(page);
      expect(page.errors).toEqual([]);
    });
  },
);

describe("what was ours goes into another", () => {
  test("a second run of the marc is set out and begun; both pages lead to each other", async () => {
    const page = await newPage(browser);
    const id = await idOf("FC-26-02");
    await goTo(page, `${app.url}/batch/${id}`);
    await clickOn(page, "a second run of its marc");
    await says(page, "weaker than the first");
    await page.waitForSelector('[aria-busy="false"]');
    for (const field of await page.$$('textarea, input[aria-label^="Why"]')) await field.type("trial");
    await clickOn(page, "Begin this batch");
    await page.waitForFunction(() => !location.pathname.startsWith("/bench"));
    await goTo(page, `${app.url}/batch/${id}`);
    await says(page, "Went on into FC-26-");
    expect(page.errors).toEqual([]);
    await page.close();
  });

  test("a bottle is poured into a plan by finger; begun, so much less is in it, and the recall goes on", async () => {
    const page = await newPage(browser, 390, 844);
    await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await fill(page, "input[role=combobox]", "1½ cups hyssop, dried");
    await page.keyboard.press("Enter");
    await page.waitForSelector('input[aria-label="hyssop: amount"]');
    await tapOn(page, "pour in a bottle of our own");
    const [source] = await home.sql<{ id: string; code: string; left: number }[]>`
      select b.id, b.code, sum(x.left_ml)::float8 as left from bottle x join batch b on b.id = x.batch_id
      where x.state = 'kept' and x.best_by > '2027-01-01' group by b.id, b.code order by b.code limit 1`;
    await tapOn(page, new RegExp(`^${source!.code}`), "ul[aria-label='Bottles of our own']");
    await says(page, `${source!.code} added.`);
    await page.waitForSelector(`input[aria-label^="${source!.code}"][aria-label$=": amount"]`);
    await fill(page, `input[aria-label^="${source!.code}"][aria-label$=": amount"]`, "60 mL");
    await tapOn(page, "Begin this batch");
    await page.waitForFunction(() => location.pathname !== "/bench");
    const [after] = await home.sql<{ left: number }[]>`
      select sum(left_ml)::float8 as left from bottle where batch_id = ${source!.id} and state = 'kept'`;
    expect(source!.left - after!.left).toBeCloseTo(60, 1);
    await goTo(page, `${app.url}/recall?batch=${source!.id}`);
    await says(page, `made with ${source!.code}`);
    await noSideways(page);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});
