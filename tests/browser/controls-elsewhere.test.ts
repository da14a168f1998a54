/** The walk over every control goes on from the Bench to all other pages; each sort of control is tried once by each hand, and must be in the table and within reach on every page. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import {
  type App,
  type Household,
  awake,
  goTo,
  newHousehold,
  openBrowser,
  serve,
  settled,
  inSight,
} from "../support";
import {
  CONTROLS,
  HANDS,
  type Hand,
  Turns,
  control,
  controls,
  effectOf,
  outOfReach,
  pageFor,
  state,
  use,
} from "../walker";

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
  ids["book"] = (await home.sql<{ id: string }[]>`select id from recipe where name like 'Hyssop%'`)[0]!.id;
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

const PAGES: readonly (readonly [name: string, path: () => string, least: number])[] = [
  ["the Shelf", () => "/", 4],
  ["the Cellar", () => "/cellar", 2],
  ["the Season", () => "/season", 12],
  ["the Stores", () => "/stores", 10],
  ["the household", () => "/household", 7],
  ["all batches", () => "/batches", 3],
  ["a batch that works", () => `/batch/${ids["OX-26-02"]}`, 9],
  ["a batch in bottles", () => `/batch/${ids["SY-26-01"]}`, 7],
  ["Make", () => `/batch/${ids["OX-26-03"]}/make`, 3],
  ["Strain", () => `/batch/${ids["FC-26-02"]}/strain`, 4],
  ["Finish", () => `/batch/${ids["VI-26-02"]}/finish`, 4],
  ["Bottle", () => `/batch/${ids["VI-26-02"]}/bottle`, 5],
  ["Labels", () => `/batch/${ids["SY-26-01"]}/label`, 4],
  ["the book", () => "/formulary", 6],
  ["a recipe", () => `/formulary/${ids["book"]}`, 8],
  ["what is carried out", () => "/export", 3],
  ["what stands already", () => "/standing", 4],
  ["the list", () => "/list", 1],
  ["where it went", () => `/recall?batch=${ids["HO-26-01"]}`, 3],
];
/** What every page has at its head and foot is walked on the Bench. */
const HEAD =
  /^(?:jolly crock|shelf|bench|cellar|season|formulary|stores|skip to the page|lock cottage no\. 9|find|keys|cups and spoons|ml and grams)$/i;

/** What a page has many of: codes and batches by name. They are one sort; of what begins alike there is one, too. */
const sortOf = (name: string): string => {
  const row = CONTROLS.findIndex(([re]) => re.test(name));
  const named = /^[A-Z]{2}-\d\d-\d\d|(?:vinegar|oxymel|syrup|honey|tincture|cider)$/.test(name);
  const plain = name.replace(/[A-Z]{2}-\d\d-\d\d(?:·\d)?/, "").replace(/\d/, "n");
  return effectOf(name) === "goes" && named
    ? String(row)
    : `${row} ${plain.split(" ").slice(0, 2).join(" ")}`;
};

/** One control of each sort a page has. */
function oneOfEachSort(names: readonly string[]): ReadonlyMap<string, string> {
  const here = new Map<string, string>();
  for (const name of names) if (!HEAD.test(name) && !here.has(sortOf(name))) here.set(sortOf(name), name);
  return here;
}

const leadsHere = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => x instanceof HTMLAnchorElement && x.href === location.href);
const isChosen = (e: ElementHandle): Promise<boolean> =>
  e.evaluate(
    (x) =>
      ((x as HTMLInputElement).type === "radio" && (x as HTMLInputElement).checked) ||
      x.getAttribute("aria-current") === "true",
  );
const isSingle = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => x instanceof HTMLSelectElement && [...x.options].filter((o) => !o.disabled).length < 2);

/**
 * Uses one control; what does nothing is tried once more on a page just opened, without what another hand left in it, since what stands there may rule
 * it out. @returns what is wrong with it
 */
async function tried(page: Page, name: string, hand: Hand, path: string): Promise<string | undefined> {
  const wrong = await triedOnce(page, name, hand, path);
  if (!wrong?.endsWith(" nothing")) return wrong;
  await page.evaluate(() => {
    localStorage.clear();
    sessionStorage.clear();
  });
  await goTo(page, app.url + path);
  await settled(page);
  return triedOnce(page, name, hand, path);
}

async function triedOnce(page: Page, name: string, hand: Hand, path: string): Promise<string | undefined> {
  const effect = effectOf(name)!;
  let found = await control(page, name);
  if (!found) {
    // What was begun on it is kept in the browser; it is tried anew without.
    await page.evaluate(() => {
      localStorage.clear();
      sessionStorage.clear();
    });
    await goTo(page, app.url + path);
    await settled(page);
    found = await control(page, name);
  }
  if (!found) return "was there and is gone";
  await inSight(found as ElementHandle<Element>);
  await settled(page);
  if (await leadsHere(found)) return undefined;
  if (effect === "writes" || (await isChosen(found)) || (effect === "chooses" && (await isSingle(found))))
    return undefined;
  const [before, was] = [await state(page), page.url()];
  await use(page, found, effect, hand);
  if (effect !== "goes") {
    await settled(page);
    return (await state(page)) === before ? `${effect} nothing` : undefined;
  }
  const went = await page
    .waitForFunction((b) => location.href !== b, {}, was)
    .then(() => true)
    .catch(() => false);
  await page.goBack();
  await awake(page);
  return went ? undefined : "goes nowhere";
}

describe("by mouse, by keyboard and by finger", () => {
  const pages = new Map<Hand, Page & { errors?: string[] }>();
  const turns = new Turns();
  beforeAll(async () => {
    for (const hand of HANDS)
      // Keys and the mouse are hands of one desk, at one page.
      pages.set(hand, hand === "keyboard" ? pages.get("mouse")! : await pageFor(browser, hand));
  });
  afterAll(() => Promise.all([...new Set(pages.values())].map((p) => p.close())));

  test.each(PAGES)("every control of %s is within reach and does what it says", async (_, path, least) => {
    const sorts = new Map<Hand, ReadonlyMap<string, string>>();
    for (const [hand, page] of pages) {
      if (hand === "keyboard") {
        sorts.set(hand, sorts.get("mouse")!);
        continue;
      }
      await page.bringToFront();
      await goTo(page, app.url + path());
      // Lists that are laid out once the page is awake stand by then.
      await settled(page);
      const seen = await controls(page);
      expect(seen.filter((n) => !HEAD.test(n)).length).toBeGreaterThanOrEqual(least);
      sorts.set(hand, oneOfEachSort(seen));
    }
    const failed: string[] = [];
    const whose = new Map<string, readonly Hand[]>();
    for (const sort of new Set([...sorts.values()].flatMap((s) => [...s.keys()])))
      whose.set(
        sort,
        turns.of(
          sort,
          HANDS.filter((h) => sorts.get(h)!.has(sort)),
        ),
      );
    for (const [hand, page] of pages) {
      await page.bringToFront();
      const here = [...sorts.get(hand)!];
      const told = (name: string, wrong: string): unknown => failed.push(`by ${hand} “${name}” ${wrong}`);
      for (const [, name] of here) if (!effectOf(name)) told(name, "is not in the table");
      const names = here.map(([, name]) => name);
      // What the mouse has tried is changed by now; whether keys reach it is tried where it is their turn.
      if (hand !== "keyboard")
        failed.push(...(await outOfReach(page, names, hand)).map((wrong) => `by ${hand} ${wrong}`));
      for (const [sort, name] of here) {
        if (!effectOf(name) || !whose.get(sort)!.includes(hand)) continue;
        const wrong = await tried(page, name, hand, path());
        if (wrong) told(name, wrong);
      }
      expect(page.errors).toEqual([]);
    }
    expect(failed).toEqual([]);
  });
});
