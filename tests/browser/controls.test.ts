/**
 * Every control of every view is reached by a hand: by mouse, by keyboard and by finger. What a control is called decides what it must do;
 * one that is not in the table fails, so that a new one cannot come without its effect.
 */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import {
  type App,
  type Household,
  awake,
  clickOn,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  serve,
  settled,
} from "../support";

/** What must come of using it. `writes`: it writes a journal, which the other tests do; here it must only be reachable. */
type Effect = "goes" | "changes" | "types" | "chooses" | "slides" | "drags" | "writes";
const CONTROLS: readonly (readonly [RegExp, Effect])[] = [
  // The head of every page.
  [/^(?:jolly crock|shelf|bench|cellar|stores|skip to the page|lock cottage no\. 9)$/i, "goes"],
  [/^(?:cups and spoons|mL and grams|find|Keys)$/, "changes"],
  // The Bench.
  [/^Name of the batch$/, "types"],
  [/^How it is taken/, "types"],
  [/^(?:Kind|Way|Vessel|Lid|What the vessel is made of)$/, "chooses"],
  [/^(?:start over|undo|redo)/i, "changes"],
  [/^meant for/i, "changes"],
  [/^Add what goes in$/, "types"],
  [/: amount$/, "types"],
  [/: strength$/, "types"],
  [/: (?:form|cut|change the unit)$/, "chooses"],
  [/: .*, not .*$|: .* is right$/, "changes"],
  [/^Move .*: drag, or space and the arrow keys$/, "drags"],
  [/^(?:Take out |.* (?:earlier|later)$)/, "changes"],
  [/^(?:Stand|Simmer|Pressure): how long$|^Cool: to what$|^Boil: down to$/, "types"],
  [/^Stand: where$|^Strain: how$|^Bottle: how warm$|^Simmer: lid$/, "chooses"],
  [/^Add a step$/, "chooses"],
  [/^(?:double it|halve it|compare ways)$/, "changes"],
  [/^Begin this batch$/, "writes"],
  [/ against /, "slides"],
  [/^(?:Ways side by side|Where makers disagree|What if|Make the most of|Gather and buy|Cost)$/, "changes"],
  [/^Do this: /, "changes"],
];

/** After these the Bench is another: it is put back before the next is tried. */
const SETS_OUT_ANEW = /^(?:find|Keys|Kind|Way|Vessel|start over|Undo|Redo|Meant for|Add )/i;

const effectOf = (name: string): Effect | undefined => CONTROLS.find(([re]) => re.test(name))?.[1];

const USED = "a[href], button, input, select, textarea, summary, [role=slider]";

/** Teaches a page what its controls are called, as the ear has it; nothing for what no eye sees. */
async function teachNames(page: Page): Promise<void> {
  await page.evaluateOnNewDocument((used) => {
    const called = (x: Element): string | undefined => {
      const b = x.getBoundingClientRect();
      const seen = (x as HTMLElement).checkVisibility({ visibilityProperty: true });
      if (!seen || b.width <= 1 || b.height <= 1) return undefined;
      const said = x.getAttribute("aria-label") ?? x.getAttribute("title");
      const labelled = (x.getAttribute("aria-labelledby") ?? "")
        .split(" ")
        .map((id) => (id ? (document.getElementById(id)?.textContent ?? "") : ""))
        .join(" ")
        .trim();
      const label = (x as HTMLInputElement).labels?.[0]?.textContent ?? "";
      return (said ?? (labelled || label || (x as HTMLElement).innerText || "")).trim().replace(/\s+/g, " ");
    };
    Object.assign(window, {
      controlsSeen: () => [...document.querySelectorAll(used)].map(called).filter((n) => n !== undefined),
      controlCalled: (name: string) => [...document.querySelectorAll(used)].find((x) => called(x) === name),
    });
  }, USED);
}
interface Taught {
  readonly controlsSeen: () => string[];
  readonly controlCalled: (name: string) => Element | undefined;
}

/** What the controls a person sees are called. */
const controls = (page: Page): Promise<string[]> =>
  page.evaluate(() => (window as unknown as Taught).controlsSeen());
const control = async (page: Page, name: string): Promise<ElementHandle | undefined> =>
  (await page.evaluateHandle((n) => (window as unknown as Taught).controlCalled(n), name)).asElement() as
    ElementHandle | undefined;

/** All that a person could see or hear of the page. */
const state = (page: Page): Promise<string> =>
  page.evaluate(() =>
    [
      location.href,
      document.body.innerText,
      ...[
        ...document.querySelectorAll(
          "input, select, textarea, [role=slider], [aria-expanded], [aria-pressed]",
        ),
      ].map((x) =>
        [
          (x as HTMLInputElement).value,
          (x as HTMLInputElement).checked,
          x.getAttribute("aria-valuenow"),
          x.getAttribute("aria-expanded"),
          x.getAttribute("aria-pressed"),
        ].join(),
      ),
      [...document.querySelectorAll("[data-line]")].map((x) => x.getAttribute("data-line")).join(),
    ].join("|"),
  );

type Hand = "mouse" | "keyboard" | "finger";

/** Whether a hand that reaches for its middle touches it, and nothing that lies over it. */
const isReached = (e: ElementHandle): Promise<boolean> =>
  e.evaluate((x) => {
    const b = x.getBoundingClientRect();
    const at = document.elementFromPoint(b.x + b.width / 2, b.y + Math.min(b.height / 2, 20));
    return (
      at !== null &&
      (x === at || x.contains(at) || ((x as HTMLInputElement).labels?.[0]?.contains(at) ?? false))
    );
  });

/** Uses a control as a hand would, by what it is. */
async function use(page: Page, e: ElementHandle, effect: Effect, hand: Hand): Promise<void> {
  const press = async (): Promise<void> => {
    if (hand === "mouse") return e.click();
    if (hand === "finger") return e.tap();
    await e.focus();
    await page.keyboard.press("Enter");
  };
  switch (effect) {
    case "types":
      if (hand === "keyboard") await e.focus();
      else await press();
      await page.keyboard.press("End");
      return page.keyboard.type("1");
    case "chooses":
      // The list itself is the system's; from the field on the arrow keys choose, whichever hand came to it.
      await e.focus();
      return page.keyboard.press(
        (await e.evaluate(
          (x) => (x as HTMLSelectElement).selectedIndex + 1 === (x as HTMLSelectElement).options.length,
        ))
          ? "ArrowUp"
          : "ArrowDown",
      );
    case "slides":
      if (hand === "keyboard") {
        await e.focus();
        return page.keyboard.press("ArrowRight");
      }
      return slide(page, e, hand, -24, 0);
    case "drags":
      if (hand === "keyboard") {
        await e.focus();
        for (const key of ["Space", "ArrowDown", "ArrowUp", "ArrowUp", "Space"] as const) {
          await page.keyboard.press(key);
          await settled(page);
        }
        return;
      }
      return slide(page, e, hand, 0, 130);
    case "goes":
    case "changes":
    case "writes":
      return press();
  }
}

async function slide(page: Page, e: ElementHandle, hand: Hand, dx: number, dy: number): Promise<void> {
  const b = (await e.boundingBox())!;
  const [x, y] = [b.x + b.width / 2, b.y + b.height / 2];
  const steps = [0.2, 0.5, 0.8, 1];
  if (hand === "mouse") {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (const k of steps) await page.mouse.move(x + dx * k, y + dy * k, { steps: 3 });
    await settled(page);
    return page.mouse.up();
  }
  const finger = await page.touchscreen.touchStart(x, y);
  // A line is taken up when the finger rests on it a moment.
  await new Promise((r) => setTimeout(r, 350));
  for (const k of steps) await finger.move(x + dx * k, y + dy * k);
  await settled(page);
  return finger.end();
}

let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
}, 90_000);
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

/** A page with a finger where the finger is the hand. */
async function pageFor(hand: Hand): Promise<Page> {
  const context = await browser.createBrowserContext();
  const page = await newPage(context, hand === "finger" ? 390 : 1280, hand === "finger" ? 844 : 800);
  await teachNames(page);
  if (hand === "finger") await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
  return page;
}

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

/** Names that come once for every line are tried on one line; the others say what is done with theirs. */
const once = (all: readonly string[]): Set<string> => {
  const sorts = new Map<string, string>();
  for (const name of all) {
    const sort = name
      .replace(/hyssop|garlic|juniper berry/, "herb")
      .replace(/^(Move|Take out) .*/, "$1")
      .replace(/: \w+, not (?:fresh|dried)$/, ": another form");
    if (!sorts.has(sort)) sorts.set(sort, name);
  }
  return new Set(sorts.values());
};

describe("on the Bench", () => {
  test.each<Hand>(["mouse", "keyboard", "finger"])(
    "every control does what it says, by %s",
    async (hand) => {
      const page = await pageFor(hand);
      await planned(page);
      // Kept once the hand has rested.
      await new Promise((r) => setTimeout(r, 400));
      const kept = await page.evaluate(() => JSON.stringify({ ...localStorage }));
      const tried = once(await controls(page));
      const failed: string[] = [];
      let spoilt = true;
      for (const name of tried) {
        const effect = effectOf(name);
        if (!effect) {
          failed.push(`“${name}” is not in the table`);
          continue;
        }
        if (!spoilt) await settled(page);
        let found = spoilt ? undefined : await control(page, name);
        if (!found) {
          await setOut(page, kept);
          if (/^undo|^redo/i.test(name)) {
            await clickOn(page, "double it");
            if (/^redo/i.test(name)) await clickOn(page, "Undo");
          }
          found = await control(page, name);
        }
        if (!found) {
          failed.push(`“${name}” was there and is gone`);
          continue;
        }
        // What most controls do leaves the others where they were; one that is gone by then is looked for on a fresh Bench.
        spoilt = effect === "goes" || effect === "drags" || SETS_OUT_ANEW.test(name);
        await found.scrollIntoView();
        if (hand !== "keyboard" && !(await isReached(found))) {
          failed.push(`“${name}” lies under something`);
          continue;
        }
        const on = await found.evaluate((x) => x.getAttribute("aria-pressed") === "true");
        if (effect === "writes" || on) continue;
        const [before, was] = [await state(page), page.url()];
        await use(page, found, effect, hand);
        if (effect === "goes" && /^(?:bench|skip)/i.test(name)) {
          // Where one is already: it stays, and comes to no other page.
          await settled(page);
          if (new URL(page.url()).pathname !== "/bench") failed.push(`“${name}” leaves the Bench`);
          continue;
        }
        if (effect === "goes") {
          const went = await page
            .waitForFunction((b) => location.href !== b, { timeout: 15_000 }, was)
            .then(() => true)
            .catch(() => false);
          if (!went) failed.push(`“${name}” goes nowhere`);
          continue;
        }
        await settled(page);
        if ((await state(page)) === before) failed.push(`“${name}” ${effect} nothing`);
      }
      expect(tried.size).toBeGreaterThan(30);
      expect(failed).toEqual([]);
      expect((page as unknown as { errors: string[] }).errors).toEqual([]);
      await page.close();
    },
    240_000,
  );

  test.each<Hand>(["mouse", "keyboard", "finger"])("every drawer opens and shuts, by %s", async (hand) => {
    const page = await pageFor(hand);
    await planned(page);
    const names = await page.$$eval("#drawers h3 button", (all) => all.map((b) => b.textContent!));
    expect(names).toHaveLength(6);
    for (const name of names) {
      const one = async (): Promise<ElementHandle> => (await control(page, name))!;
      const says = async (): Promise<string> =>
        (await one()).evaluate((b) => b.getAttribute("aria-expanded")!);
      await (await one()).scrollIntoView();
      await use(page, await one(), "changes", hand);
      await page.waitForFunction(() => {
        const open = document.querySelector<HTMLElement>('#drawers [role="region"][data-state="open"]');
        return open !== null && open.innerText.trim().length > 20;
      });
      expect([name, await says()]).toEqual([name, "true"]);
      await (await one()).scrollIntoView();
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
    const page = await pageFor("mouse");
    for (const path of ["/", "/cellar", "/stores", "/household"]) {
      await page.goto(own.url + path);
      await awake(page);
      expect((await page.$eval("main", (m) => m.innerText)).length).toBeGreaterThan(20);
    }
    await page.goto(`${own.url}/bench`);
    await awake(page);
    await page.type(ADD, "2 cups towpath mint, dried");
    await page.keyboard.press("Enter");
    // Nobody here knows it: it is written down there and then.
    await clickOn(page, "write it down as new");
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
  }, 90_000);
});
