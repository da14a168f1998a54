import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import {
  type App,
  type Household,
  type StandIn,
  choose,
  chooseVessel,
  clickOn,
  fill,
  freePort,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  text,
  serve,
  standIn,
  tapOn,
  words,
} from "../support";

/** In the probe's kitchen an hour passes in ten seconds: what boils and cools does so while the test looks on. */
const QUICK = 360;

let home: Household;
let app: App;
let port: number;
let browser: Browser;
let [probe, scale]: [StandIn, StandIn] = [undefined as never, undefined as never];

const start = async (): Promise<void> => {
  app = await serve(home.url, "", port, undefined, {
    // The clock on the wall: instruments want time to pass, and a restart must not turn it back.
    JOLLY_NOW_FROZEN: "",
    JOLLY_READ_EVERY: "1",
    JOLLY_PROBE: `127.0.0.1:${probe.port}`,
    JOLLY_SCALE: `127.0.0.1:${scale.port}`,
  });
};

beforeAll(async () => {
  [home, probe, scale, port] = await Promise.all([
    newHousehold(),
    standIn("probe", QUICK),
    standIn("scale"),
    freePort(),
  ]);
  await start();
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await Promise.all([probe?.stop(), scale?.stop()]);
  await home?.drop();
});

/** Drives a stand-in as its own page does: one button, one form. What is under test is the app, not the page of what stands in. */
async function onStandIn(s: StandIn, button: "put" | "heat" | "drop" | "cool"): Promise<void> {
  const form = new URLSearchParams({ do: button, ...(button === "put" ? { g: "40" } : {}) });
  const at = `http://127.0.0.1:${s.port}`;
  const headers = { origin: at };
  const r = await fetch(`${at}/`, { method: "POST", body: form, redirect: "manual", headers });
  expect(r.status).toBe(303);
}

const head = (page: Page): Promise<string> => page.$eval("h1", (e) => (e as HTMLElement).innerText);
const headed = (page: Page, what: RegExp): Promise<unknown> =>
  page
    .waitForFunction(
      (re) => new RegExp(re).test(document.querySelector("h1")?.innerText ?? ""),
      {},
      what.source,
    )
    .catch(async () => {
      throw new Error(
        `no head like ${what.source} on ${page.url()}, which says: ${await text(page, "body")}`,
      );
    });
/** The bar, by the space bar; and what stands there then. */
async function bar(page: Page, then: RegExp): Promise<void> {
  await page.bringToFront();
  await page.keyboard.press("Space");
  await headed(page, then);
}
/** What the drawn thermometer shows, °C. */
const shown = (page: Page): Promise<unknown> =>
  page.waitForFunction(() =>
    [...document.querySelectorAll("svg text")].some((t) => /^(?:9[5-9]|10\d) °C$/.test(t.textContent ?? "")),
  );

describe("a syrup, from the Bench to the bottle, with instruments at hand", () => {
  let page: Page & { errors: string[] };
  let id = "";
  const journal = (): Promise<{ type: string; body: Record<string, unknown> }[]> =>
    home.sql<{ type: string; body: Record<string, unknown> }[]>`
      select type, body from event where stream_kind = 'batch' and stream_id = ${id} order by seq`;

  beforeAll(async () => {
    page = await newPage(browser);
  });
  afterAll(() => page.close());

  test("planned in a pot and begun; before it starts it says how long it takes", async () => {
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await choose(page, "#kind", "syrup");
    await choose(page, "#way", "syrup-half");
    await chooseVessel(page, "p-5000");
    await page.type('input[role="combobox"]', "900 g damson, fresh");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => document.body.innerText.includes("mL, between"));
    await clickOn(page, "Begin this batch");
    await says(page, "has begun. Label the jar");
    await clickOn(page, "Make it, step by step");
    await headed(page, /Get everything to hand/);
    id = /batch\/([0-9a-f-]{36})\/make/.exec(page.url())![1]!;
    expect(await words(page)).toMatch(/min of work, .* of waiting; in the bottle at about \d\d:\d\d/);
  });

  test("what lies on the scale goes in as it is; planned stands beside actual", async () => {
    await bar(page, /Wash damson/);
    await bar(page, /^Damson/);
    await page.waitForFunction(() => document.body.innerText.includes("The scale shows"));
    await onStandIn(scale, "put");
    await page.bringToFront();
    await says(page, "40 g went in");
    await page.waitForFunction(() =>
      [...document.querySelectorAll("button")].some((b) => b.innerText === "40 g went in" && !b.disabled),
    );
    await clickOn(page, "40 g went in");
    // So little of so much is asked about once.
    await says(page, "times less than was planned");
    await clickOn(page, "another amount");
    await fill(page, 'form input[maxlength="100"]', "850 g");
    await clickOn(page, "it went in");
    await headed(page, /^Water/);
    expect((await journal()).at(-1)).toMatchObject({ type: "added", body: { amount: "850 g" } });
  });

  test("a tick is undone and done again", async () => {
    await clickOn(page, /undo the last tick/i);
    await headed(page, /^Damson/);
    // What stands typed in the open field is what the bar writes, whatever was planned.
    await clickOn(page, "another amount");
    await fill(page, 'form input[maxlength="100"]', "870 g");
    await page.waitForFunction(() =>
      document.querySelector("[data-bar]")!.textContent!.startsWith("It went in"),
    );
    await page.click("[data-bar]");
    await headed(page, /^Water/);
    expect((await journal()).at(-1)).toMatchObject({ type: "added", body: { amount: "870 g" } });
    await bar(page, /Bring it to the boil/);
  });

  test("the thermometer stands in the pan and shows it boil", async () => {
    await clickOn(page, "put the thermometer in this pan");
    await says(page, "take the thermometer out");
    await onStandIn(probe, "heat");
    await page.bringToFront();
    await shown(page);
    await bar(page, /Simmer it 20 min/);
  });

  test("a clock is set; a line that drops is told and comes back by itself", async () => {
    await page.keyboard.press("Space");
    await page.waitForSelector('[role="timer"]');
    await clickOn(page, "the whole walk");
    await onStandIn(probe, "drop");
    await page.bringToFront();
    await page.waitForFunction(() =>
      [...document.querySelectorAll("svg text")].some((t) => t.textContent === "last seen"),
    );
    // Another page shows the clock, too.
    const other = await newPage(browser);
    await goTo(other, `${app.url}/cellar`);
    await says(other, "simmers");
    await other.close();
  });

  test("after a reload it stands where it stood", async () => {
    await page.bringToFront();
    await page.reload();
    await headed(page, /Simmer it 20 min/);
    await page.waitForSelector('[role="timer"]');
  });

  test("asked for, it is read aloud as it comes, and said again by a key", async () => {
    // There is no voice here to listen to: what is handed to the browser's own is written down on its way.
    await page.evaluate(() => {
      const own = speechSynthesis.speak.bind(speechSynthesis);
      const heard: string[] = [];
      Object.assign(window, { heard });
      speechSynthesis.speak = (u) => {
        heard.push(u.text);
        own(u);
      };
    });
    const heard = (): Promise<string[]> =>
      page.evaluate(() => (window as unknown as { heard: string[] }).heard);
    await clickOn(page, "read it aloud");
    await page.waitForFunction(() => (window as unknown as { heard: string[] }).heard.length === 1);
    await page.keyboard.press("r");
    await page.waitForFunction(() => (window as unknown as { heard: string[] }).heard.length === 2);
    const [first, second] = await heard();
    expect(first).toMatch(/^Simmer it 20 minutes/);
    expect(second).toBe(first);
    await clickOn(page, "be quiet");
    await page.keyboard.press("r");
    expect((await heard()).length).toBe(2);
  });

  test("a second window ticks, and the first follows", async () => {
    const two = await newPage(browser, 390, 844);
    await two.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await goTo(two, page.url());
    await headed(two, /Simmer it/);
    await tapOn(two, "It is done");
    await headed(two, /Mash the fruit/);
    await page.bringToFront();
    await headed(page, /Mash the fruit/);
    expect(await head(page)).toMatch(/Mash the fruit/);
    await two.close();
  });

  test("the server is killed and comes back; nothing is lost, and the making goes on", async () => {
    const before = (await journal()).length;
    await app.stop("SIGKILL");
    await start();
    expect((await journal()).length).toBeGreaterThanOrEqual(before);
    await bar(page, /Simmer it down to the \d\.\d cm mark/);
  });

  test("the dipstick is read; what cannot be is told beside the field and stays", async () => {
    await fill(page, 'form input[inputmode="decimal"]', "400");
    await clickOn(page, "write it down");
    await says(page, "not between 0 and 60 cm");
    await fill(page, 'form input[inputmode="decimal"]', "3.1");
    await clickOn(page, "write it down");
    await page.waitForFunction(
      () => (document.querySelector('form input[inputmode="decimal"]') as HTMLInputElement).value === "",
    );
    await bar(page, /Strain it, and measure/);
  });

  test("strained, it goes on at the stove: cooled by the thermometer, then the honey", async () => {
    await clickOn(page, "Strain it");
    await says(page, "The jug shows, or the scale");
    const likely = /between (\d+) and (\d+)/.exec(await words(page));
    await fill(
      page,
      "#measured",
      `${likely ? Math.round((Number(likely[1]) + Number(likely[2])) / 2) : 500} mL`,
    );
    await clickOn(page, /^It stands at/);
    await headed(page, /Let it cool to 43 °C/);
    // The line was down and the server too: the driver comes back in its own time.
    await onStandIn(probe, "cool");
    await page.bringToFront();
    await page.waitForFunction(() =>
      [...document.querySelectorAll("svg text")].some((t) =>
        /^(?:2\d|3\d|4[0-3]) °C$/.test(t.textContent ?? ""),
      ),
    );
    await bar(page, /to the measure/);
  });

  test("sweetened and bottled; the journal is right, each reading once and in order", async () => {
    await clickOn(page, "Measure it in");
    await clickOn(page, "Mixed through");
    await clickOn(page, "Bottled");
    await says(page, "Labels");
    const events = await journal();
    const types = events.map((e) => e.type);
    expect(
      types.filter((t) => t === "begun" || t === "strained" || t === "finished" || t === "bottled"),
    ).toEqual(["begun", "strained", "finished", "bottled"]);
    const added = events.filter((e) => e.type === "added").map((e) => e.body["amount"]);
    expect(added).toContain("850 g");
    const temperatures = events.filter((e) => e.type === "read" && e.body["what"] === "temperature");
    expect(temperatures.length).toBeGreaterThan(1);
    const keys = await home.sql<{ n: number; k: number }[]>`
      select count(*)::int as n, count(distinct key)::int as k from event where stream_id = ${id}`;
    expect(keys[0]!.n).toBe(keys[0]!.k);
    const [row] = await home.sql<
      { state: string; probe: string | null }[]
    >`select state, probe from batch where id = ${id}`;
    expect(row).toEqual({ state: "bottled", probe: null });
    expect(page.errors).toEqual([]);
  });
});
