/**
 * Every control of every view is reached by a hand: by mouse, by keyboard and by finger. What a control is called decides what it must do;
 * one that is not in the table fails, so that a new one cannot come without its effect.
 */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import {
  HANDS,
  type Hand,
  SETS_OUT_ANEW,
  Turns,
  control,
  controls,
  effectOf,
  outOfReach,
  pageFor,
  state,
  use,
} from "../walker";
import {
  type App,
  type Household,
  awake,
  choose,
  clickOn,
  goTo,
  inSight,
  newHousehold,
  openBrowser,
  says,
  serve,
  settled,
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

const ADD = 'input[role="combobox"]';
async function planned(page: Page): Promise<void> {
  await goTo(page, `${app.url}/bench`);
  await page.waitForSelector('[aria-busy="false"]');
  for (const l of ["1½ cups hyssop", "6 cloves of garlic", "1 tbsp juniper, dried"]) {
    await page.type(ADD, l);
    await page.keyboard.press("Enter");
    await page.waitForFunction((q) => (document.querySelector(q) as HTMLInputElement).value === "", {}, ADD);
  }
  await page.waitForSelector('[role="slider"]');
}

/** The Bench as it was planned: left for another page by its own links, put back into what the browser keeps, and come back to. */
async function setOut(page: Page, kept: string): Promise<void> {
  const go = async (to: string): Promise<void> => {
    await page.click(`header a[href="${to}"]`);
    await page.waitForFunction((path) => location.pathname === path, {}, to);
  };
  // What lies over the page is shut first, as a hand would.
  await page.keyboard.press("Escape");
  await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);
  const away = new URL(page.url()).pathname === "/stores" ? "/cellar" : "/stores";
  if (new URL(page.url()).pathname === "/bench") await go(away);
  await page.evaluate((k) => {
    localStorage.clear();
    for (const [key, v] of Object.entries(JSON.parse(k) as Record<string, string>))
      localStorage.setItem(key, v);
  }, kept);
  await go("/bench");
  await page.waitForSelector('[role="slider"]');
}

/** What comes once for every line is one sort. */
const sortOf = (name: string): string =>
  name
    .replace(/hyssop|garlic|juniper berry/, "herb")
    .replace(/^(Move|Take out) .*/, "$1")
    .replace(/: \w+, not (?:fresh|dried)$/, ": another form");

/** A planned Bench in one hand. */
interface InHand {
  readonly page: Page;
  /** The plan, as the browser keeps it. */
  readonly kept: string;
  /** A control of each sort: one on the phone need not stand at a desk. */
  readonly sorts: ReadonlyMap<string, string>;
}
async function inHand(hand: Hand): Promise<InHand> {
  const page = await pageFor(browser, hand);
  await planned(page);
  // Kept once the hand has rested.
  await new Promise((r) => setTimeout(r, 400));
  const kept = await page.evaluate(() => JSON.stringify({ ...localStorage }));
  const sorts = new Map<string, string>();
  for (const name of await controls(page)) if (!sorts.has(sortOf(name))) sorts.set(sortOf(name), name);
  return { page, kept, sorts };
}

/** A control's neighbours: looked for on the page as it is, else on one that is set out anew. */
async function found(page: Page, name: string, kept: string, spoilt: boolean) {
  // There must be something to take back or to do again.
  const there = spoilt || /^undo|^redo/i.test(name) ? undefined : await control(page, name);
  if (there) return there;
  await setOut(page, kept);
  if (/^undo|^redo/i.test(name)) {
    await clickOn(page, "double it");
    if (/^redo/i.test(name)) await clickOn(page, "Undo");
  }
  return control(page, name);
}

const wentFrom = (page: Page, was: string): Promise<boolean> =>
  page
    .waitForFunction((b) => location.href !== b, {}, was)
    .then(() => true)
    .catch(() => false);

/** Uses one control of the Bench. @returns what is wrong with it */
async function tried(page: Page, name: string, one: ElementHandle, hand: Hand): Promise<string | undefined> {
  const effect = effectOf(name)!;
  const on = await one.evaluate((x) => x.getAttribute("aria-pressed") === "true");
  if (effect === "writes" || on) return undefined;
  const [before, was] = [await state(page), page.url()];
  await use(page, one, effect, hand);
  if (effect === "goes" && !/^(?:bench|skip)/i.test(name))
    return (await wentFrom(page, was)) ? undefined : "goes nowhere";
  await settled(page);
  // Where one is already: it stays, and comes to no other page.
  if (effect === "goes") return new URL(page.url()).pathname === "/bench" ? undefined : "leaves the Bench";
  return (await state(page)) === before ? `${effect} nothing` : undefined;
}

describe("on the Bench", () => {
  const hands = new Map<Hand, InHand>();
  const turns = new Map<string, readonly Hand[]>();
  beforeAll(async () => {
    for (const hand of HANDS) hands.set(hand, await inHand(hand));
    const all = new Set([...hands.values()].flatMap((h) => [...h.sorts.keys()]));
    const turn = new Turns();
    for (const sort of all)
      turns.set(
        sort,
        turn.of(
          sort,
          HANDS.filter((h) => hands.get(h)!.sorts.has(sort)),
        ),
      );
  });
  afterAll(() => Promise.all([...hands.values()].map((h) => h.page.close())));

  test.each(HANDS)("every control is within reach and does what it says, by %s", async (hand) => {
    const { page, kept, sorts } = hands.get(hand)!;
    await page.bringToFront();
    const failed: string[] = [];
    let spoilt = false;
    let used = 0;
    for (const [, name] of sorts) if (!effectOf(name)) failed.push(`“${name}” is not in the table`);
    failed.push(...(await outOfReach(page, [...sorts.values()], hand)));
    for (const [sort, name] of sorts) {
      if (!effectOf(name) || !turns.get(sort)!.includes(hand)) continue;
      if (!spoilt) await settled(page);
      const one = await found(page, name, kept, spoilt);
      spoilt = false;
      if (!one) {
        failed.push(`“${name}” was there and is gone`);
        continue;
      }
      await inSight(one as ElementHandle<Element>);
      used++;
      const wrong = await tried(page, name, one, hand);
      if (wrong) failed.push(`“${name}” ${wrong}`);
      // What most controls do leaves the others where they were; one that is gone by then is looked for on a fresh Bench.
      spoilt = ["goes", "drags"].includes(effectOf(name)!) || SETS_OUT_ANEW.test(name);
    }
    expect(sorts.size).toBeGreaterThan(30);
    expect(used).toBeGreaterThan(10);
    expect(failed).toEqual([]);
    expect((page as unknown as { errors: string[] }).errors).toEqual([]);
  });

  test.each(HANDS)("every drawer opens and shuts, by %s", async (hand) => {
    const page = await pageFor(browser, hand);
    await planned(page);
    const names = await page.$$eval("#drawers h3 button", (all) => all.map((b) => b.textContent!));
    expect(names).toHaveLength(6);
    for (const name of names) {
      const one = async (): Promise<ElementHandle> => (await control(page, name))!;
      const says = async (): Promise<string> =>
        (await one()).evaluate((b) => b.getAttribute("aria-expanded")!);
      await inSight((await one()) as ElementHandle<Element>);
      await use(page, await one(), "changes", hand);
      await page.waitForFunction(() => {
        const open = document.querySelector<HTMLElement>('#drawers [role="region"][data-state="open"]');
        return open !== null && open.innerText.trim().length > 20;
      });
      expect([name, await says()]).toEqual([name, "true"]);
      await inSight((await one()) as ElementHandle<Element>);
      await use(page, await one(), "changes", hand);
      await settled(page);
      expect([name, await says()]).toEqual([name, "false"]);
    }
    await page.close();
  });
});

describe("an empty household", () => {
  test("plans its first batch with what the Bench offers, and every view answers", async () => {
    const empty = await newHousehold("empty");
    const own = await serve(empty.url, "2026-11-24T09:00:00Z");
    const page = await pageFor(browser, "mouse");
    for (const path of ["/", "/cellar", "/stores", "/household"]) {
      await page.goto(own.url + path);
      await awake(page);
      expect((await page.$eval("main", (m) => m.innerText)).length).toBeGreaterThan(20);
    }
    await page.goto(`${own.url}/bench`);
    await awake(page);
    // A name that hurts is said the moment it is read; of two plants of one name the Latin tells which.
    await page.type(ADD, "30 g hemlock root");
    await says(page, "acts on nerve and heart");
    await page.click(ADD, { count: 3 });
    await page.type(ADD, "5 drops lavender oil");
    await says(page, "distilled, a few drops of it kilos of the plant");
    await page.click(ADD, { count: 3 });
    await page.type(ADD, "2 cups towpath mint, dried");
    await page.keyboard.press("Enter");
    // Nobody here knows it: it is written down there and then.
    await clickOn(page, "write it down as new");
    // What it is like is asked, and a leaf is nobody's guess.
    await clickOn(page, "Keep it, and add it");
    await says(page, "Say what it is like");
    await choose(page, 'form[aria-label="Write down a plant"] select', "leaf");
    await clickOn(page, "Keep it, and add it");
    await page.waitForSelector('input[aria-label="towpath mint: amount"]');
    expect(await page.$eval('input[aria-label="towpath mint: amount"]', (e) => e.value)).toBe("2 cups");
    await page.waitForSelector('[data-testid="verdict"]');
    await clickOn(page, "Begin this batch");
    await page.waitForFunction(() => document.body.innerText.includes("has begun"));
    expect(await empty.sql`select item->'row'->>'id' as id from store_item where what = 'material'`).toEqual([
      { id: "own-towpath-mint" },
    ]);
    // A cup of it weighed counts from then on.
    await page.goto(`${own.url}/stores`);
    await awake(page);
    await page.type("#cup-name", "towpath mint");
    await page.type("#cup-grams", "40");
    await clickOn(page, "Keep it", '[aria-label="Weigh your own cup"]');
    await page.waitForFunction(() => document.body.innerText.includes("is reckoned by your own 1 cup now"));
    await page.goto(`${own.url}/bench`);
    await awake(page);
    await page.type(ADD, "2 cups towpath mint, dried");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => /80 g/.test(document.querySelector("[data-line]")?.textContent ?? ""));
    expect((page as unknown as { errors: string[] }).errors).toEqual([]);
    await page.close();
    await own.stop();
    await empty.drop();
  });
});
