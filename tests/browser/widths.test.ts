/**
 * Every view of the work at six widths and with letters of twice the size: nothing overlaps, nothing leaves the page, what is drawn is what is seen
 * first, and what is touched is as large as a finger. What is measured is what stands on the screen, not what a style sheet says of it.
 */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import {
  type App,
  type Household,
  awake,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  serve,
  settled,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
/** Of a user who has set letters to twice their size. */
let large: Browser;
const ids: Record<string, string> = {};
beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
  large = await openBrowser(2);
  for (const r of await home.sql<{ id: string; code: string }[]>`select id, code from batch`)
    ids[r.code] = r.id;
});
afterAll(async () => {
  await browser?.close();
  await large?.close();
  await app?.stop();
  await home?.drop();
});

/** Window, the size of its letters, and the least share of it that is drawn. */
const WINDOWS = [
  ["320", 320, 640, 1, 0.3],
  ["390", 390, 844, 1, 0.3],
  ["768", 768, 1024, 1, 0.3],
  ["1024", 1024, 768, 1, 0.4],
  ["1280", 1280, 800, 1, 0.3],
  ["1920", 1920, 1080, 1, 0.3],
  ["1280, letters twice the size", 1280, 800, 2, 0],
  ["320, letters twice the size", 320, 640, 2, 0],
] as const;

const PATHS: Readonly<Record<string, () => string>> = {
  shelf: () => "/",
  bench: () => "/bench",
  make: () => `/batch/${ids["OX-26-03"]}/make`,
  strain: () => `/batch/${ids["FC-26-02"]}/strain`,
  finish: () => `/batch/${ids["VI-26-02"]}/finish`,
  bottle: () => `/batch/${ids["VI-26-02"]}/bottle`,
  cellar: () => "/cellar",
  season: () => "/season",
  batch: () => `/batch/${ids["OX-26-02"]}`,
  label: () => `/batch/${ids["OX-26-01"]}/label`,
  household: () => "/household",
  stores: () => "/stores",
  years: () => "/batches",
  book: () => "/formulary",
  ready: () => "/ready",
};
/** Beside the work itself: nothing overlaps or leaves the page there either, and how much is drawn is theirs to say. */
const BESIDE: ReadonlySet<string> = new Set(["label", "household", "stores", "years", "book", "ready"]);

async function opened(page: Page, view: string): Promise<void> {
  await goTo(page, app.url + PATHS[view]!());
  if (view !== "bench") return;
  await page.waitForSelector('[aria-busy="false"]');
  for (const t of ["1½ cups hyssop, dried", "3 tbsp fennel seed"]) {
    await page.focus('input[role="combobox"]');
    await page.keyboard.sendCharacter(t);
    await page.keyboard.press("Enter");
  }
  await page.waitForSelector('[role="slider"]');
}

/** What is wrong with the page as it stands: text on text, and text or a control beyond the page's side. */
const laidOut = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const wide = document.documentElement.clientWidth;
    const by = document.documentElement.scrollWidth - wide;
    if (by > 1) found.push(`the page is ${by} px too wide`);
    const boxes: { text: string; r: DOMRect; of: Element }[] = [];
    // Asked of one element once, whatever stands in it.
    const [known, shutters] = [new Map<Element, boolean>(), new Map<Element, Element | null>()];
    const isStill = (e: Element | null): boolean => {
      if (!e) return false;
      const is =
        known.get(e) ??
        (["fixed", "sticky"].includes(getComputedStyle(e).position) || isStill(e.parentElement));
      known.set(e, is);
      return is;
    };
    const hidesIt = (e: Element | null): Element | null => {
      if (!e) return null;
      if (!shutters.has(e))
        shutters.set(e, getComputedStyle(e).overflowX === "visible" ? hidesIt(e.parentElement) : e);
      return shutters.get(e)!;
    };
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n = walker.nextNode(); n; n = walker.nextNode()) {
      const of = n.parentElement!;
      if (!n.textContent!.trim() || !of.checkVisibility({ opacityProperty: true, visibilityProperty: true }))
        continue;
      // What only a screen reader is told, what stands still while the page goes by under it, and a list's own choices.
      if (of.closest(".sr-only, option, defs, noscript, script, style")) continue;
      if (isStill(of)) continue;
      const hides = hidesIt(of);
      const shut = hides && hides !== document.documentElement ? hides.getBoundingClientRect() : undefined;
      const range = document.createRange();
      range.selectNodeContents(n);
      for (const r of range.getClientRects()) {
        if (r.width < 2 || r.height < 2) continue;
        // What is cut off with dots is said whole elsewhere, and lies on nothing.
        if (shut && (r.right > shut.right + 1 || r.left < shut.left - 1 || r.top > shut.bottom)) continue;
        if (r.right > wide + 1 || r.left < -1)
          found.push(`“${n.textContent!.trim().slice(0, 30)}” leaves the page`);
        boxes.push({ text: n.textContent!.trim().slice(0, 30), r, of });
      }
    }
    boxes.sort((a, b) => a.r.top - b.r.top);
    for (let i = 0; i < boxes.length; i++)
      for (let j = i + 1; j < boxes.length && boxes[j]!.r.top < boxes[i]!.r.bottom; j++) {
        const [a, b] = [boxes[i]!, boxes[j]!];
        const across = Math.min(a.r.right, b.r.right) - Math.max(a.r.left, b.r.left);
        const down = Math.min(a.r.bottom, b.r.bottom) - Math.max(a.r.top, b.r.top);
        // Lines of type stand a little in each other's leading.
        if (across > 2 && down > 0.35 * Math.min(a.r.height, b.r.height) && a.of !== b.of)
          found.push(`“${a.text}” on “${b.text}”`);
      }
    return [...new Set(found)].slice(0, 8);
  });

/** The share of the first screen over which something is drawn: the extent of the ink of each thing the page calls a drawing. */
const drawn = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const [w, h] = [document.documentElement.clientWidth, window.innerHeight];
    let all = 0;
    for (const drawing of document.querySelectorAll("[data-drawing]")) {
      let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
      for (const one of drawing.querySelectorAll("svg :is(path, rect, text, circle, ellipse, line, use)")) {
        if (one.closest("defs") || !one.checkVisibility()) continue;
        const r = one.getBoundingClientRect();
        if (r.width + r.height === 0) continue;
        left = Math.min(left, r.left);
        top = Math.min(top, r.top);
        right = Math.max(right, r.right);
        bottom = Math.max(bottom, r.bottom);
      }
      // The board a thing stands on is drawn with it.
      for (const board of [drawing, ...drawing.querySelectorAll("*")]) {
        const r = board.getBoundingClientRect();
        if (parseFloat(getComputedStyle(board).borderBottomWidth) < 5 && !board.matches(".board")) continue;
        left = Math.min(left, r.left);
        right = Math.max(right, r.right);
        bottom = Math.max(bottom, r.bottom);
      }
      const across = Math.min(right, w) - Math.max(left, 0);
      const down = Math.min(bottom, h) - Math.max(top, 0);
      if (across > 0 && down > 0) all += across * down;
    }
    return all / (w * h);
  });

/** What a finger cannot well meet: a control less than 44 px high or wide, unless it stands among the words of a sentence. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const small: string[] = [];
    for (const e of document.querySelectorAll<HTMLElement>(
      "a[href], button, select, input:not([type=hidden]), textarea, summary, [role=slider], [role=button]",
    )) {
      if (!e.checkVisibility({ visibilityProperty: true }) || e.closest(".sr-only")) continue;
      const label = e instanceof HTMLInputElement ? e.closest("label") : null;
      const r = (label ?? e).getBoundingClientRect();
      if (r.width < 2 || r.height < 2) continue;
      const among =
        getComputedStyle(e).display === "inline" &&
        [...e.parentElement!.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim().length > 1);
      if (!among && (r.height < 43.5 || r.width < 43.5))
        small.push(
          `${(e.getAttribute("aria-label") ?? e.innerText ?? e.id).trim().slice(0, 30)} ${r.width.toFixed(0)}×${r.height.toFixed(0)}`,
        );
    }
    return small;
  });

describe.each(Object.keys(PATHS))("%s", (view) => {
  test("at every width nothing overlaps or leaves the page, and the drawing is what is seen first", async () => {
    const pages = [await newPage(browser), await newPage(large)] as const;
    for (const page of pages) await opened(page, view);
    const wrong: string[] = [];
    const windows = BESIDE.has(view) ? WINDOWS.filter(([name]) => !/^(?:768|1920)$/.test(name)) : WINDOWS;
    for (const [name, width, height, times, share] of windows) {
      const page = pages[times - 1]!;
      await page.bringToFront();
      await page.setViewport({ width, height });
      await page.evaluate(() => window.scrollTo(0, 0));
      await settled(page);
      for (const w of await laidOut(page)) wrong.push(`${name}: ${w}`);
      const is = await drawn(page);
      if (is < share && !BESIDE.has(view)) wrong.push(`${name}: ${(100 * is).toFixed(0)} % drawn`);
    }
    const size = await pages[1].evaluate(() => getComputedStyle(document.documentElement).fontSize);
    for (const page of pages) await page.close();
    expect(size).toBe("32px");
    expect(wrong).toEqual([]);
  });

  test("on a telephone everything is as large as a finger", async () => {
    const page = await newPage(browser);
    await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await opened(page, view);
    await awake(page);
    expect(await tooSmall(page)).toEqual([]);
    await page.close();
  });
});

test("from a line to Begin are twelve tabs at most", async () => {
  const page = await newPage(browser);
  await opened(page, "bench");
  await page.focus('input[role="combobox"]');
  let tabs = 0;
  const at = () => page.evaluate(() => (document.activeElement as HTMLElement).innerText ?? "");
  while (!/^Begin this batch/.test(await at()) && tabs < 60) {
    // Whoever works by keys takes the way past the lines where one is offered.
    await page.keyboard.press(/^Skip to Begin/.test(await at()) ? "Enter" : "Tab");
    tabs++;
  }
  await page.close();
  expect(tabs).toBeLessThanOrEqual(12);
});

// Last: what stands on the Bench is kept in this browser.
test("forty lines on the Bench stay on the page, at a desk and at the least width, and Begin is in sight", async () => {
  const page = await newPage(browser);
  await opened(page, "bench");
  await page.focus('input[role="combobox"]');
  for (let i = 1; i <= 36; i++) {
    await page.keyboard.sendCharacter(`${i} g ${["thyme", "sage", "hyssop", "nettle"][i % 4]}, dried`);
    await page.keyboard.press("Enter");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[role="combobox"]')!.value === "",
    );
  }
  await page.waitForFunction(
    () => document.querySelectorAll('main button[aria-label^="Take out"]').length >= 40,
  );
  const wrong: string[] = [];
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
    [320, 640],
  ] as const) {
    await page.setViewport({ width, height });
    await settled(page);
    for (const w of await laidOut(page)) wrong.push(`${width}: ${w}`);
    const begin = await page.$$eval("button", (all) =>
      all.some((b) => {
        const r = b.getBoundingClientRect();
        return /^Begin this batch/.test(b.innerText) && r.bottom <= innerHeight + 1 && r.top >= 0;
      }),
    );
    if (!begin) wrong.push(`${width}: Begin is out of sight`);
  }
  await page.close();
  expect(wrong).toEqual([]);
});
