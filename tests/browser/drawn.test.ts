/** What is drawn is touched: the jug at its level, a bottle on its board; and what is printed or seen by night is what the core reckons and the eye can read. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
import { reckonBatch } from "../../src/core/journal/reckon";
import { isPot } from "../../src/core/vessel/vessel";
import { batchOf } from "../../src/store/journal";
import {
  type App,
  type Household,
  ROOT,
  clickOn,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  settled,
  text,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
const ids: Record<string, string> = {};
const AXE = readFileSync(join(ROOT, "node_modules/axe-core/axe.min.js"), "utf8");
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

const measured = (page: Page): Promise<string> =>
  page.$eval("#measured", (e) => (e as HTMLInputElement).value);

describe("the jug under the cloth", () => {
  test.each([
    ["the mouse", 1280, 800],
    ["a finger", 390, 844],
  ] as const)(
    "says by %s what stands at the level that is touched, and undo takes it back",
    async (_, width, height) => {
      const page = await newPage(browser, width, height);
      const touch = width < 500;
      if (touch) await page.setViewport({ width, height, hasTouch: true, isMobile: true });
      await goTo(page, `${app.url}/batch/${ids["FC-26-02"]}/strain`);
      const said: number[] = [];
      for (const share of [0.7, 0.45]) {
        const hand = (await page.$("[data-hand]"))!;
        await hand.scrollIntoView();
        const at = (await hand.boundingBox())!;
        const [x, y] = [at.x + at.width * 0.5, at.y + at.height * share];
        await (touch ? page.touchscreen.tap(x, y) : page.mouse.click(x, y));
        await page.waitForFunction(
          () => (document.querySelector("#measured") as HTMLInputElement).value !== "",
        );
        await settled(page);
        // What is drawn from what was said stands where it was touched, to half of the jug's least mark.
        const level = await page.$eval(
          '[data-drawing] svg[aria-label^="The jug"] path.vessel-level',
          (e) => e.getBoundingClientRect().top,
        );
        expect(Math.abs(level - y)).toBeLessThan(at.height / 30);
        expect(await text(page, "[data-bar]")).toContain(`It stands at ${await measured(page)}`);
        said.push(Number.parseFloat(await measured(page)));
      }
      // Higher up is more.
      expect(said[1]!).toBeGreaterThan(said[0]! * 1.4);
      await clickOn(page, "undo");
      await page.waitForFunction(
        () => (document.querySelector("#measured") as HTMLInputElement).value === "",
      );
      expect(page.errors).toEqual([]);
      await page.close();
    },
  );
});

test("less than was likely is told at once, with what to do; what is likely is not", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["FC-26-02"]}/strain`);
  const likely = /About (\d+) mL is likely, between (\d+) mL and (\d+) mL/.exec(await text(page, "main"))!;
  const [about, low] = [Number(likely[1]), Number(likely[2])];
  await page.type("#measured", `${low - 150} mL`);
  await page.waitForFunction(() => /less than likely/i.test(document.querySelector("h1")!.textContent!));
  await page.click("#measured", { count: 3 });
  await page.type("#measured", `${about} mL`);
  await page.waitForFunction(() => /strained/.test(document.querySelector("h1")!.textContent!));
  expect(await text(page, "h1")).not.toMatch(/less than likely/i);
  await page.close();
});

test("where all of it stays in there is neither cloth nor jug, and the jar stays as it is", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["HO-26-02"]}/strain`);
  const jugs = () => page.$$eval('[data-drawing] svg[aria-label^="The jug"]', (all) => all.length);
  const jars = () => page.$$eval('[data-drawing] svg[role="img"] path', (all) => all.length);
  expect(await jugs()).toBe(1);
  await clickOn(page, "all stay in");
  await page.waitForFunction(
    () => document.querySelector('[data-drawing] svg[aria-label^="The jug"]') === null,
  );
  expect(await jars()).toBeGreaterThan(3);
  expect(await text(page, "main")).not.toMatch(/^cloth$/m);
  await page.close();
});

test("what goes in is a step only where something does, and the bottles hold what the Cellar draws in them", async () => {
  const page = await newPage(browser);
  const steps = () =>
    page.$$eval('[aria-label="From the jar to the shelf"] li', (all) =>
      all.map((l) => (l as HTMLElement).innerText),
    );
  // An oxymel has its honey in the jar; a vinegar is sweetened after the cloth.
  await goTo(page, `${app.url}/batch/${ids["OX-26-02"]}/strain`);
  expect(await steps()).toEqual(["cloth", "level", "bottles", "labels"]);
  await goTo(page, `${app.url}/batch/${ids["VI-26-02"]}/finish`);
  expect(await steps()).toEqual(["cloth", "level", "what goes in", "bottles", "labels"]);
  await goTo(page, `${app.url}/batch/${ids["VI-26-02"]}/bottle`);
  await page.waitForSelector('ul[aria-label="Bottles"] li');
  const fills = (inside: string) =>
    page.$$eval(`${inside} svg [fill^="url(#substance"]`, (all) => [
      ...new Set(all.map((e) => e.getAttribute("fill"))),
    ]);
  const bottled = await fills('ul[aria-label="Bottles"]');
  await goTo(page, `${app.url}/cellar`);
  expect(bottled).toEqual(await fills('a[aria-label*="ettle vinegar"]'));
  await page.close();
});

test("a bottle on its board is poured back by a touch and filled by another, and the jug stands for the rest", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["VI-26-02"]}/bottle`);
  await page.waitForSelector('ul[aria-label="Bottles"] li');
  const inIt = () => page.$eval('[aria-label="Bottle 2: mL"]', (e) => Number((e as HTMLInputElement).value));
  const there = await inIt();
  expect(there).toBeGreaterThan(50);
  await clickOn(page, "Bottle 2: pour it back");
  await says(page, "left over for tonight");
  expect(await inIt()).toBe(0);
  expect(await text(page, "main")).toContain(`${there} mL left over`);
  await page.waitForFunction(() => document.querySelector('[aria-label^="The jug: in the jug"]') !== null);
  await clickOn(page, "Bottle 2: fill it");
  await says(page, "Nothing left over");
  expect(await inIt()).toBe(there);
  await clickOn(page, "undo");
  await says(page, "left over for tonight");
  await page.close();
});

test("a jar that wants three things is one stop, and one touch does what can be done there", async () => {
  const page = await newPage(browser);
  await goTo(page, app.url);
  const today = await text(page, '[aria-labelledby="today"]');
  expect(today.match(/HO-26-02/g)).toHaveLength(1);
  await clickOn(page, "all 3 done", '[aria-labelledby="today"]');
  await says(page, "Turned: HO-26-02");
  const written = await home.sql<{ what: string }[]>`
    select body->>'what' as what from event where stream_id = ${ids["HO-26-02"]!} and type = 'touched' order by seq desc limit 3`;
  expect(written.map((w) => w.what).sort()).toEqual(["let-out", "push-under", "turn"]);
  await page.close();
});

test("the strip of a jar is come to from its batch, and its lines stand where the core fills it to", async () => {
  const page = await newPage(browser);
  await goTo(page, `${app.url}/batch/${ids["OX-26-02"]}`);
  await clickOn(page, "label the jar");
  await says(page, "A strip for the glass");
  const svg = await (await fetch(`${app.url}/batch/${ids["OX-26-02"]}/strip.svg`)).text();
  const batch = (await batchOf(home.sql, ids["OX-26-02"]!))!;
  const r = reckonBatch(batch, batch.making);
  if (!r.ok || !r.value.program.vessel || isPot(r.value.program.vessel))
    throw new Error("it stands in a jar");
  const rules = [...svg.matchAll(/<path d="M([\d.]+) ([\d.]+)H([\d.]+)"/g)].map((m) =>
    m.slice(1).map(Number),
  );
  const floor = rules.find(([from, , to]) => from === 0 && to === 42)![1]!;
  const marks = r.value.reckoning.fit!.marks.filter((m) => m.sort === "liquid");
  expect(marks.length).toBeGreaterThan(1);
  for (const m of marks)
    expect(Math.min(...rules.map(([, y]) => Math.abs(floor - y! - 10 * m.cm)))).toBeLessThan(0.3);
  const pdf = await fetch(`${app.url}/batch/${ids["OX-26-02"]}/strip.pdf`);
  expect(pdf.headers.get("content-type")).toBe("application/pdf");
  // A batch in bottles stands in no jar.
  expect((await fetch(`${app.url}/batch/${ids["SY-26-01"]}/strip.pdf`)).status).toBe(404);
  await page.close();
});

test("by night every view can be read as by day, and the look that is chosen stays", async () => {
  const page = await newPage(browser);
  await page.emulateMediaFeatures([{ name: "prefers-color-scheme", value: "dark" }]);
  const dark: string[] = [];
  const paths = [
    "/",
    "/bench",
    "/cellar",
    "/stores",
    "/household",
    "/formulary",
    ...["make", "strain", "finish", "bottle", ""].map(
      (p) => `/batch/${ids[{ make: "OX-26-03", strain: "FC-26-02" }[p] ?? "VI-26-02"]}/${p}`,
    ),
  ];
  for (const path of paths) {
    await goTo(page, `${app.url}${path}`);
    await page.evaluate(AXE);
    const wrong = await page.evaluate(async () => {
      const r = await (
        window as unknown as {
          axe: { run: (o: unknown) => Promise<{ violations: { nodes: { html: string }[] }[] }> };
        }
      ).axe.run({ runOnly: { type: "rule", values: ["color-contrast"] } });
      return r.violations.flatMap((v) => v.nodes.map((n) => n.html.slice(0, 140)));
    });
    dark.push(...wrong.map((w) => `${path}: ${w}`));
  }
  expect(dark).toEqual([]);
  const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  const night = await ground();
  await goTo(page, app.url);
  await page.focus('[aria-label="How the pages look"]');
  await page.keyboard.press("ArrowDown");
  await page.waitForFunction(
    (was) => getComputedStyle(document.documentElement).backgroundColor !== was,
    {},
    night,
  );
  const day = await ground();
  await goTo(page, `${app.url}/cellar`);
  expect(await ground()).toBe(day);
  await page.close();
});
