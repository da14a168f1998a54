import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import type { Browser, Page } from "puppeteer-core";
import type { Standing } from "../../src/core/standing/standing";
import { coursesNow } from "../../src/store/courses";
import { batchOf } from "../../src/store/journal";
import { bottleOf } from "../../src/store/bottles";
import { keep, storedItems, stores } from "../../src/store/stores";
import { allFindings } from "../../src/store/soundness";
import { stand } from "../../src/store/standing";
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
  text,
  typeDay,
} from "../support";

type Watched = Page & { errors: string[] };
const TODAY = "2026-11-30";
const NOW = `${TODAY}T09:00:00Z`;
process.env["JOLLY_NOW_FROZEN"] = NOW;
let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold();
  for (const [name, born] of [
    ["the keeper"],
    ["the boatwright"],
    ["the schoolchild", "2017-05"],
    ["the baby", "2026-03"],
  ])
    await kept({ what: "person", name, flags: [], allergies: [], ...(born ? { born } : {}) });
  app = await serve(home.url, NOW);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
  await app.stop();
  await home.drop();
});

const kept = async (item: object): Promise<string> => {
  const id = randomUUID();
  const w = await keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
  if (!w.ok) throw new Error(w.fault.message);
  return id;
};
const stood = async (s: Partial<Standing>): Promise<string> => {
  const standing: Standing = {
    ...{
      as: "bottles",
      from: "made",
      name: "Fire cider",
      kind: "fire-cider",
      on: "2026-11-20",
      unnamed: false,
    },
    contents: [
      { material: "ginger", form: "fresh", amount: "60 g" },
      { material: "cider-vinegar", amount: "700 mL" },
    ],
    bottles: [1, 2].map(() => ({
      id: randomUUID(),
      vessel: "b-250-swing",
      ml: 240,
      place: "fridge" as const,
    })),
    ...s,
  };
  const w = await stand(home.sql, { id: randomUUID(), key: randomUUID(), standing });
  if (!w.ok) throw new Error(`${w.fault.message} ${w.fault.path.join(".")}`);
  return w.state.id;
};
const noSideways = async (page: Watched): Promise<void> =>
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBe(0);

const CARD = `Fire cider

80 g ginger, fresh, grated
60 g horseradish, fresh, grated
6 cloves garlic, chopped
600 mL cider vinegar
120 mL honey

Put everything but the honey into a quart jar. Let it stand three weeks in a dark cupboard. Strain it. Stir in the honey and bottle it.`;

/** Pasted in, begun in the week it was begun in, strained and bottled today: all by keyboard and mouse. */
async function fromACard(page: Watched): Promise<void> {
  await goTo(page, `${app.url}/formulary`);
  await page.click("#recipe-text");
  await page.keyboard.type(CARD);
  await says(page, "none asks");
  await clickOn(page, "Lay it on the Bench");
  await says(page, "A plan from outside stands on the Bench: Fire cider");
  await clickOn(page, "not today?");
  await typeDay(page, 'input[type="date"]', "2026-11-06");
  await clickOn(page, "Begin this batch");
  await says(page, "has begun");
  const [row] = await home.sql<
    { id: string }[]
  >`select id from batch where name = 'Fire cider' and state = 'working'`;
  await goTo(page, `${app.url}/batch/${row!.id}/strain`);
  await fill(page, "#measured", "540 mL");
  await clickOn(page, /^It stands at/);
  await page.waitForFunction(() => !location.pathname.endsWith("/strain"));
  await goTo(page, `${app.url}/batch/${row!.id}/bottle`);
  await page.waitForSelector('ul[aria-label="Bottles"] li');
  await clickOn(page, "Bottled");
  await page.waitForSelector(".label");
}

describe("a family's fire cider, as courses for four", () => {
  test("comes from a pasted card, is bottled, and is laid down in the Cellar with the mouse, refused beside the name of whoever may never have it, taken on Today", async () => {
    const page = await newPage(browser);
    await fromACard(page);
    await goTo(page, `${app.url}/cellar`);
    await clickOn(page, "lay down a course");
    const fieldOf = async (name: string): Promise<string> =>
      page.evaluate(
        (n) => `#${[...document.querySelectorAll("label")].find((l) => l.innerText.trim() === n)!.htmlFor}`,
        name,
      );
    for (const [who, said] of [
      ["the keeper", "1 tbsp"],
      ["the boatwright", "1 tbsp"],
      ["the schoolchild", "1 tsp"],
      ["the baby", "½ tsp"],
    ])
      await fill(page, await fieldOf(who!), said!);
    await clickOn(page, "Lay it down");
    await says(page, "Leave the baby out of it.");
    await fill(page, await fieldOf("the baby"), " ");
    await page.keyboard.press("Backspace");
    await fill(page, await fieldOf("or somebody else"), "the neighbour");
    await fill(page, await fieldOf("the neighbour"), "2 tsp");
    await clickOn(page, "Lay it down");
    await says(page, "Together");
    const now = async () =>
      (await coursesNow(home.sql, await storedItems(home.sql), { today: TODAY, away: [] }))[0]!;
    const [{ takes, stands }] = [await now()];
    expect(takes.map((t) => t.who).sort()).toEqual([
      "the boatwright",
      "the keeper",
      "the neighbour",
      "the schoolchild",
    ]);
    // The page's figures are the core's.
    await says(page, `${stands.bottles} bottles with`);
    await clickOn(page, "Shelf");
    await says(page, "Take Fire cider");
    await clickOn(page, "all 4 have");
    await says(page, "Taken:");
    await page.waitForFunction(() => !document.body.innerText.includes("all 4 have"));
    expect((await now()).takes.map((t) => t.taken)).toEqual([1, 1, 1, 1]);
    await clickOn(page, "undo");
    await page.waitForFunction(
      () => document.querySelectorAll('[aria-label="To be taken"] svg').length === 3,
    );
    expect((await now()).takes.map((t) => t.taken).sort()).toEqual([0, 1, 1, 1]);
    expect(await allFindings(home.sql)).toEqual([]);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("an infused honey eaten with its fruit", () => {
  test("by finger: it stays in, the jar is its bottle, and the label says to keep it under", async () => {
    const id = await stood({
      ...{ as: "jar", name: "Plums in honey", kind: "honey", on: "2026-11-01", vessel: "m-500", bottles: [] },
      contents: [
        { material: "plum", form: "fresh", amount: "200 g" },
        { material: "honey", amount: "fill" },
      ],
    });
    const page = await newPage(browser, 390, 844);
    await goTo(page, `${app.url}/batch/${id}/strain`);
    await tapOn(page, "all stay in");
    await says(page, "Kept so:");
    expect(await page.$("#measured")).toBeNull();
    await noSideways(page);
    await tapOn(page, "It stays in");
    await says(page, "The jar it was made in.");
    await noSideways(page);
    await tapOn(page, "Bottled");
    await says(page, "keep them under");
    const batch = (await batchOf(home.sql, id))!;
    expect(batch).toMatchObject({ state: "bottled", making: { strained: { stays: "all" } } });
    expect(batch.bottles).toHaveLength(1);
    expect(batch.bottles[0]).toMatchObject({ vessel: "m-500", same: true });
    expect((await bottleOf(home.sql, batch.bottles[0]!.id))!.bottle.state).toBe("kept");
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("a dried blend's syrup", () => {
  test("a herb is hung up and weighed dry, the blend written down, and the label of its syrup names the parts", async () => {
    await kept({ what: "lot", material: "thyme", form: "fresh", amount: "200 g", got: "2026-11-20" });
    const page = await newPage(browser);
    await goTo(page, `${app.url}/stores`);
    await clickOn(page, /^change the amount/);
    await clickOn(page, "hang it up to dry");
    await says(page, "drying since 30 Nov");
    await clickOn(page, /^change the amount/);
    const dry = await page.$eval('[id$="-dry"]', (e) => `[id="${e.id}"]`);
    await fill(page, dry, "44 g");
    await clickOn(page, "It has dried");
    await says(page, "thyme, dried");
    const lot = (await stores(home.sql)).lots.find((l) => l.material === "thyme")!;
    expect(lot).toMatchObject({ form: "dried", leftG: 44, was: { form: "fresh", grams: 200 } });
    await clickOn(page, "write down a blend");
    await fill(page, "#blend-name", "winter tea");
    await fill(page, "#blend-parts", "60 % thyme");
    await page.keyboard.press("Enter");
    await page.keyboard.type("70 % sage");
    await clickOn(page, "Keep the blend");
    await says(page, "130 %");
    await fill(page, "#blend-parts", "2 parts thyme");
    await page.keyboard.press("Enter");
    await page.keyboard.type("1 part sage");
    await says(page, "thyme 67 %");
    await clickOn(page, "Keep the blend");
    await says(page, "a blend of thyme 67 %");
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await choose(page, "#kind", "syrup");
    await page.focus("input[data-add-line]");
    await page.keyboard.type("60 g winter tea");
    await page.keyboard.press("Enter");
    await says(page, "winter tea");
    await clickOn(page, "Begin this batch");
    await says(page, "has begun");
    const [row] = await home.sql<
      { id: string }[]
    >`select id from batch where state = 'working' and kind = 'syrup'`;
    await goTo(page, `${app.url}/batch/${row!.id}`);
    const said = await text(page, "main");
    for (const part of ["thyme", "sage"]) expect(said).toContain(part);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

describe("the list to gather and buy", () => {
  test("takes what a plan lacks in the words it was said in, and is ticked off into the stores with its price", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/bench`);
    await page.waitForSelector('[aria-busy="false"]');
    await page.focus("input[data-add-line]");
    for (const line of ["10 cloves garlic", "3 inches ginger, fresh"]) {
      await page.keyboard.type(line);
      await page.keyboard.press("Enter");
    }
    await says(page, "ginger");
    await clickOn(page, "say more of it");
    await fill(page, "#purpose", "the cold months");
    await clickOn(page, "Gather and buy");
    await clickOn(page, "put it on the list");
    await says(page, "On the list.");
    await page.keyboard.press("Escape");
    await goTo(page, `${app.url}/list`);
    await says(page, "10 cloves garlic");
    await says(page, "3 inches ginger");
    await clickOn(page, "Ginger: got it");
    const price = await page.$eval('[id$="-price"]', (e) => `[id="${e.id}"]`);
    await fill(page, price, "$2.40");
    await clickOn(page, "Into the stores");
    await says(page, "That is in $");
    await fill(page, price, "2.40");
    await clickOn(page, "Into the stores");
    await page.waitForFunction(
      () => ![...document.querySelectorAll("main li")].some((l) => l.textContent!.includes("3 inches")),
    );
    const ginger = (await stores(home.sql)).lots.find((l) => l.material === "ginger")!;
    expect(ginger).toMatchObject({ amount: "3 inches", price: 2.4, got: TODAY });
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

/** Much less than was likely is asked about; it is so. */
async function asItSays(page: Watched): Promise<void> {
  const asked = await page
    .waitForFunction(
      () => !location.pathname.endsWith("/strain") || document.body.innerText.includes("Yes, it is so"),
    )
    .then(() => page.evaluate(() => document.body.innerText.includes("Yes, it is so")));
  if (asked) await clickOn(page, "Yes, it is so");
}

describe("two quarts, filled alike", () => {
  test.each([
    ["a desk", 1280, 800],
    ["a telephone", 390, 844],
  ] as const)("on %s: planned once, filled at once, one strained early", async (_, width, height) => {
    const page = await newPage(browser, width, height);
    const touch = width < 500;
    const press = (words: string | RegExp) => (touch ? tapOn(page, words) : clickOn(page, words));
    await goTo(page, `${app.url}/bench`);
    const name = `Two quarts ${width}`;
    await fill(page, "#name", name);
    await choose(page, "#kind", "fire-cider");
    const add = 'input[placeholder^="add: type"]';
    await fill(page, add, "1 cup horseradish, fresh, grated");
    await page.keyboard.press("Enter");
    await says(page, "horseradish");
    await choose(page, "#jars-alike", "2");
    await press("Begin this batch");
    await page.waitForFunction(() => location.search.includes("begun="));
    const rows = await home.sql<{ id: string }[]>`select id from batch where name = ${name} order by code`;
    expect(rows).toHaveLength(2);
    const [first, second] = rows.map((r) => r.id) as [string, string];
    await goTo(page, `${app.url}/batch/${first}/make`);
    await says(page, "Jar 1 of 2");
    await noSideways(page);
    const BAR = ".fixed button:last-of-type";
    const entries = async (id: string) =>
      (await home.sql<{ type: string }[]>`select type from event where stream_id = ${id} order by seq`).map(
        (r) => r.type,
      );
    const bar = () => page.$eval(BAR, (b) => (b as HTMLElement).innerText.trim());
    const pressed = await bar();
    await (touch ? page.tap(BAR) : page.click(BAR));
    await page.waitForFunction(
      (sel, was) => document.querySelector<HTMLElement>(sel)?.innerText.trim() !== was,
      {},
      BAR,
      pressed,
    );
    // What was done in the one was done in the other.
    expect(await entries(second)).toEqual(await entries(first));
    expect((await entries(first)).length).toBeGreaterThan(1);
    await goTo(page, `${app.url}/batch/${first}`);
    await says(page, "filled alike");
    await press("jar 2");
    await says(page, "Jar 2 of 2");
    // One is strained before its day; the other works on.
    await goTo(page, `${app.url}/batch/${second}/strain`);
    await fill(page, "#measured", "2 cups");
    await press(/^It stands at/);
    await asItSays(page);
    await page.waitForFunction(() => !location.pathname.endsWith("/strain"));
    const states = await Promise.all([first, second].map(async (id) => (await batchOf(home.sql, id))!.state));
    expect(states).toEqual(["working", "strained"]);
    expect(page.errors).toEqual([]);
    await page.close();
  });
});

test("a press is seen at once while the house is silent, on the control itself, and once", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/list`);
  await fill(page, "#list-another", "a new sieve");
  await page.setRequestInterception(true);
  let answer = (): void => undefined;
  const held = new Promise<void>((r) => (answer = r));
  page.on("request", (r) => void (r.method() === "POST" ? held.then(() => r.continue()) : r.continue()));
  await clickOn(page, "Put it on");
  const marked = () => page.$$eval("[data-on-its-way]", (all) => all.length);
  expect(await marked()).toBe(1);
  answer();
  await says(page, "a new sieve");
  await page.waitForFunction(() => document.querySelectorAll("[data-on-its-way]").length === 0);
  await page.close();
});
