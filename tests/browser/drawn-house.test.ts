/** The house, its stores and its paper as what they are: touched where they are drawn, and their figures held against the core's. */
import type { Browser, Page } from "puppeteer-core";
import { notFor } from "../../src/core/cautions/not-for";
import { stuffOf } from "../../src/core/material/material";
import { MATERIALS } from "../../src/core/material/catalogue";
import { storesOf } from "../../src/core/stores/stores";
import { household } from "../../src/store/household";
import { batchOf } from "../../src/store/journal";
import { storedItems } from "../../src/store/stores";
import { standsIn } from "../../src/ui/stores/stands-in";
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
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
const ids: Record<string, string> = {};

beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
  for (const r of await home.sql<{ id: string; code: string }[]>`select id, code from batch`)
    ids[r.code] = r.id;
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

/** The first thing a selector finds that says a word, touched where it lies. */
async function touch(page: Page, selector: string, says_: RegExp): Promise<void> {
  for (const e of await page.$$(selector)) {
    if (
      !says_.test(
        await e.evaluate((x) => (x as HTMLElement).innerText || (x.getAttribute("aria-label") ?? "")),
      )
    )
      continue;
    await e.scrollIntoView();
    const box = (await e.boundingBox())!;
    return page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  }
  throw new Error(`no ${selector} that says ${says_}`);
}

test("the house: its cup is touched and is another cup; everybody's must-nots are the core's", async () => {
  const page = await newPage(browser, 390, 844);
  await goTo(page, `${app.url}/household`);
  await touch(page, "button", /^our cup/);
  await touch(page, "label", /^imperial pints/);
  await says(page, "Kept.");
  expect((await household(home.sql)).units).toBe("imperial");
  await says(page, "284 mL");
  await touch(page, "label", /^US cups and pints/);
  await page.waitForFunction(() => !document.body.innerText.includes("284 mL"));
  expect((await household(home.sql)).units).toBe("us");

  const { people, lots } = storesOf(await storedItems(home.sql));
  const stuffs = ["honey", "vodka-40", ...lots.map((l) => l.material)];
  expect(people.length).toBeGreaterThan(2);
  const text = await words(page);
  let told = 0;
  for (const p of people)
    for (const n of notFor(p, stuffs, "2026-11-24")) {
      // Every honey is honey there, and every spirit spirit.
      if (MATERIALS.get(n.material)?.kind !== "plant") continue;
      expect(text).toMatch(
        new RegExp(`${p.name}[\\s\\S]*${n.grave === "no" ? "no" : "ask first:"} ${n.name}`),
      );
      told++;
    }
  expect(told).toBeGreaterThan(2);
  const baby = people.find((p) => p.name === "the baby")!;
  expect(notFor(baby, ["honey"], "2026-11-24")).toHaveLength(1);
  expect(text).toMatch(/the baby[\s\S]{0,120}no honey/);
  expect(page.errors).toEqual([]);
  await page.close();
});

test("the stores: every lot stands as high as what is left of it, and opens by a touch", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/stores`);
  const { lots } = storesOf(await storedItems(home.sql));
  let drawn = 0;
  for (const l of lots) {
    const m = MATERIALS.get(l.material)!;
    const s = stuffOf(m, { form: l.form, cut: l.cut });
    if (!s.ok) continue;
    const is = standsIn(s.value, l.grams, l.leftG);
    // Where the glass is filled to, and where its inside begins and ends, as they are drawn.
    const drawnAt = await page.$eval(`#lot-${l.id} svg`, (svg) => {
      const level = [...svg.querySelectorAll("path")].flatMap(
        (p) => /^M[\d.]+ ([\d.]+)h/.exec(p.getAttribute("d") ?? "")?.[1] ?? [],
      );
      const shell = document.querySelector(svg.querySelector("use")!.getAttribute("href")!) as SVGPathElement;
      const inside = shell.getBBox();
      return { level: level.map(Number)[0], top: inside.y, foot: inside.y + inside.height };
    });
    if (is.toCm <= 0) {
      expect(drawnAt.level).toBeUndefined();
      continue;
    }
    const k = (drawnAt.foot - drawnAt.top) / is.vessel.solid.brimCm;
    const cm = (drawnAt.foot - drawnAt.level!) / k;
    expect([l.material, Math.abs(cm - is.toCm) < 0.05]).toEqual([l.material, true]);
    drawn++;
  }
  expect(drawn).toBeGreaterThan(15);
  await clickOn(page, /^change the amount of\s+hyssop/);
  await says(page, "there is now");
  expect(page.errors).toEqual([]);
  await page.close();
});

test("a taste: spoons filled by finger and by key, written down as they stand", async () => {
  const page = await newPage(browser, 390, 844);
  await goTo(page, `${app.url}/batch/${ids["TI-26-01"]}`);
  await touch(page, "summary", /^write down how it tastes/);
  const spoon = (taste: string) => page.$(`[role="slider"][aria-label="${taste}"]`);
  const bitter = (await spoon("bitter"))!;
  await bitter.scrollIntoView();
  const box = (await bitter.boundingBox())!;
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height * 0.5);
  const how = await bitter.evaluate((e) => e.getAttribute("aria-valuetext"));
  expect(["some", "much"]).toContain(how);
  // The same touch again takes it back.
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height * 0.5);
  expect(await bitter.evaluate((e) => e.getAttribute("aria-valuetext"))).toBe("not said");
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height * 0.5);
  await (await spoon("sweet"))!.focus();
  await page.keyboard.press("End");
  await touch(page, "button", /^Write down the taste/);
  await says(page, `sweet very, bitter ${how}`);
  const batch = (await batchOf(home.sql, ids["TI-26-01"]!))!;
  expect(batch.stove.tastings.at(-1)).toMatchObject({ sweet: 4, bitter: how === "some" ? 2 : 3 });
  await page.close();
});

test("a gift: whom it is for and a word with it stand on its label and in its PDF’s address; a claim is told", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["SY-26-01"]}/label?sort=gift`);
  await page.type("#gift-for", "the lock above");
  await page.type("#gift-word", "It heals everything");
  await clickOn(page, "write it on");
  await says(page, "is a health claim");
  const label = () => page.$eval("svg.label", (e) => e.getAttribute("aria-label")!);
  expect(await label()).toContain("For the lock above");
  expect(await label()).toContain("It heals everything");
  expect(await page.$eval('a[href*="label.pdf"]', (a) => a.getAttribute("href"))).toContain(
    "for=the%20lock%20above",
  );
  // The sheet: its fifth label is the first that is free.
  await clickOn(page, "first free: 5");
  expect(await page.$eval("#start", (e) => (e as HTMLInputElement).value)).toBe("5");
  await page.close();
});

test("photographs stand at their days and open in the page; the arrows go on, and Escape goes back", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["OX-26-02"]}`);
  const small = await page.$$('[aria-label="Photographs, small"] button');
  expect(small.length).toBeGreaterThan(1);
  await small[0]!.click();
  await page.waitForSelector('[role="dialog"] img');
  const first = await page.$eval('[role="dialog"] img', (e) => e.getAttribute("src"));
  await page.keyboard.press("ArrowRight");
  await page.waitForFunction(
    (was) => document.querySelector('[role="dialog"] img')?.getAttribute("src") !== was,
    {},
    first,
  );
  await page.keyboard.press("Escape");
  await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);
  expect(new URL(page.url()).pathname).toBe(`/batch/${ids["OX-26-02"]}`);
  expect(page.errors).toEqual([]);
  await page.close();
});

test("the years, the book, ready by and side by side are drawn; the year is one page", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batches`);
  const year = (
    await home.sql<{ n: number }[]>`select count(*)::int as n from batch where begun_day >= '2026-01-01'`
  )[0]!.n;
  expect((await page.$$('[aria-label^="Compare "]')).length).toBe(year);
  const pdf = await fetch(`${app.url}/batches/year.pdf?year=2026`);
  expect([pdf.status, pdf.headers.get("content-type")]).toEqual([200, "application/pdf"]);
  expect((await fetch(`${app.url}/batches/year.pdf?year=soon`)).status).toBe(422);
  const svg = await (await fetch(`${app.url}/batches/year.svg?year=2026`)).text();
  expect(svg).toContain("The year at Lock Cottage No. 9, 2026");
  await goTo(page, `${app.url}/formulary`);
  const spines = await page.$$eval('a[href^="/formulary/"]', (all) =>
    all.map((a) => a.getAttribute("aria-label")!),
  );
  expect(spines.some((s) => s.startsWith("Hyssop & fennel oxymel: oxymel"))).toBe(true);
  await goTo(page, `${app.url}/compare?b=${ids["OX-26-02"]}&b=${ids["FC-26-02"]}`);
  const jars = await page.$$eval("main [data-drawing] svg[role=img]", (all) =>
    all.map((s) => s.getAttribute("aria-label")!),
  );
  expect(jars).toHaveLength(2);
  expect(jars[1]).toContain("dashed, FC-26-02");
  await goTo(page, `${app.url}/ready?by=2027-01-23`);
  await says(page, "begin 26 Dec");
  expect(page.errors).toEqual([]);
  await page.close();
});
