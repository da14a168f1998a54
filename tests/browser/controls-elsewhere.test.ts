/** The walk over every control goes on from the Bench to all other pages; each sort of control is tried once by each hand, and must be in the table and within reach on every page. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { type App, type Household, awake, goTo, newHousehold, openBrowser, serve, settled } from "../support";
import { CONTROLS, type Hand, control, controls, effectOf, isReached, pageFor, state, use } from "../walker";

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
  ["where it went", () => `/recall?batch=${ids["HO-26-01"]}`, 3],
];
/** What every page has at its head and foot is walked on the Bench. */
const HEAD =
  /^(?:jolly crock|shelf|bench|cellar|formulary|stores|skip to the page|lock cottage no\. 9|find|keys|cups and spoons|ml and grams)$/i;

/** What a page has many of: codes and batches by name. They are one sort; of what begins alike there is one, too. */
const sortOf = (name: string): string => {
  const row = CONTROLS.findIndex(([re]) => re.test(name));
  const named = /^[A-Z]{2}-\d\d-\d\d|(?:vinegar|oxymel|syrup|honey|tincture|cider)$/.test(name);
  const plain = name.replace(/[A-Z]{2}-\d\d-\d\d(?:·\d)?/, "").replace(/\d/, "n");
  return effectOf(name) === "goes" && named
    ? String(row)
    : `${row} ${plain.split(" ").slice(0, 2).join(" ")}`;
};

/** One control of each sort a page has; and whether its sort was tried on another page by this hand, so that it is only reached for. */
function oneOfEachSort(
  names: readonly string[],
  tried: Set<string>,
): readonly { name: string; known: boolean }[] {
  const here = new Set<string>();
  return names.flatMap((name) => {
    const sort = sortOf(name);
    if (HEAD.test(name) || here.has(sort)) return [];
    here.add(sort);
    const known = tried.has(sort);
    tried.add(sort);
    return [{ name, known }];
  });
}

const leadsHere = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => x instanceof HTMLAnchorElement && x.href === location.href);
const isChosen = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => (x as HTMLInputElement).type === "radio" && (x as HTMLInputElement).checked);
const isSingle = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => x instanceof HTMLSelectElement && [...x.options].filter((o) => !o.disabled).length < 2);

/** Uses one control. @returns what is wrong with it */
async function tried(
  page: Page,
  { name, known }: { name: string; known: boolean },
  hand: Hand,
  path: string,
): Promise<string | undefined> {
  const effect = effectOf(name);
  if (!effect) return "is not in the table";
  let found = await control(page, name);
  if (!found) {
    // What was begun on it is kept in the browser; it is tried anew without.
    await page.evaluate(() => localStorage.clear());
    await goTo(page, app.url + path);
    await settled(page);
    found = await control(page, name);
  }
  if (!found) return "was there and is gone";
  await found.scrollIntoView();
  if (!known) await settled(page);
  if (hand !== "keyboard" && !(await isReached(found))) return "lies under something";
  if (known) return undefined;
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

describe.each<Hand>(["mouse", "keyboard", "finger"])("by %s", (hand) => {
  let page: Page;
  const done = new Set<string>();
  beforeAll(async () => void (page = await pageFor(browser, hand)));
  afterAll(() => page.close());

  test.each(PAGES)(
    "every control of %s does what it says",
    async (_, path, least) => {
      await goTo(page, app.url + path());
      // Lists that are laid out once the page is awake stand by then.
      await settled(page);
      const seen = await controls(page);
      const names = oneOfEachSort(seen, done);
      const failed: string[] = [];
      for (const name of names) {
        const wrong = await tried(page, name, hand, path());
        if (wrong) failed.push(`“${name.name}” ${wrong}`);
      }
      expect(seen.filter((n) => !HEAD.test(n)).length).toBeGreaterThanOrEqual(least);
      expect(failed).toEqual([]);
      expect((page as unknown as { errors: string[] }).errors).toEqual([]);
    },
    90_000,
  );
});
