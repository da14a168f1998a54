import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { create as codeOf } from "qrcode";
import sharp from "sharp";
import { planDigits } from "../../src/exchange/plan-code";
import { DEMO_PLANS } from "../demo-plans";
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
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
beforeAll(async () => {
  home = await newHousehold();
  app = await serve(home.url, "2026-11-24T09:00:00Z");
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

const TEXT = `Ginger oxymel, from the quay
60 g fresh ginger, sliced
2 tbsp pokeberries
1 cup vinegar
honey to taste
Leave it for three weeks in the dark, shaking every day. Strain.
Keeps for ever in the pantry.
and a word to the heron`;
const BOX = "#recipe-text";
const boxed = (page: Page): Promise<string> => page.$eval(BOX, (e) => (e as HTMLTextAreaElement).value);
const folder = mkdtempSync(join(tmpdir(), "jolly-formulary-"));

async function give(page: Page, name: string, bytes: string | Uint8Array): Promise<void> {
  const file = join(folder, name);
  writeFileSync(file, bytes);
  await (
    (await page.$(
      'input[aria-label="a recipe file, or a picture of a card"]',
    )) as ElementHandle<HTMLInputElement>
  ).uploadFile(file);
}

describe("a recipe from words to its second version", () => {
  let page: Page & { errors: string[] };
  beforeAll(async () => void (page = await newPage(browser)));
  afterAll(() => page.close());

  test("an empty book says what belongs in it; what is typed is read as it is typed", async () => {
    await goTo(page, `${app.url}/formulary`);
    expect(await words(page)).toContain("Nothing is in it yet");
    await page.click(BOX);
    await page.keyboard.type(TEXT);
    // A name that hurts is said as such the moment it is read.
    await says(page, "“pokeberries” is a name of pokeweed, which poisons");
    const said = await words(page);
    expect(said).toContain("its name: Ginger oxymel");
    expect(said).toContain("60 g ginger, fresh, sliced");
    expect(said).toContain("Let it stand three weeks in a dark cupboard.");
    expect(said).toContain("shaken every day");
    expect(said).toContain("The writer says: “Keeps for ever in the pantry”.");
    expect(said).toMatch(/\d+ things read, 2 ask, 1 note\./);
    expect(said).toContain("kept in its own words, at this place in the making");
    expect(
      await page.$eval('select[aria-label="Kind of the recipe"]', (e) => (e as HTMLSelectElement).value),
    ).toBe("oxymel");
  });
  test("two lines are mended with one touch each, and outlive a reload", async () => {
    await clickOn(page, "a little: 1–2 tbsp");
    await says(page, "1–2 tbsp honey");
    await clickOn(page, "leave it out");
    await says(page, "stays out");
    await clickOn(page, "take it back");
    await clickOn(page, "aronia");
    await says(page, "2 tbsp aronia, fresh (taken as fresh)");
    await clickOn(page, "dried");
    await says(page, "2 tbsp aronia, dried");
    await says(page, "none asks");
    await page.reload();
    await says(page, "none asks");
    await says(page, "2 tbsp aronia, dried");
    // An answer leaves the maker's words as they were.
    expect(await boxed(page)).toBe(TEXT);
  });
  test("it lies on the Bench, is kept in the book there, and begins from it", async () => {
    await clickOn(page, "Lay it on the Bench");
    await says(page, "A plan from outside stands on the Bench: Ginger oxymel");
    await clickOn(page, "keep it in the book");
    await says(page, "It is in the book.");
    await clickOn(page, "Begin this batch");
    await says(page, "has begun");
    const [row] = await home.sql<{ name: string; recipe_version: number; held: string }[]>`
      select b.name, b.recipe_version, r.name as held from batch b join recipe r on r.id = b.recipe`;
    expect(row).toEqual({ name: "Ginger oxymel", recipe_version: 1, held: "Ginger oxymel" });
  });
  test("strained and bottled, it stands in what came of it", async () => {
    await goTo(page, app.url);
    await page.click('section[aria-labelledby="shelf"] a[href^="/batch/"]');
    await clickOn(page, "Make it, step by step");
    await page.waitForFunction(() => location.pathname.endsWith("/make"));
    await goTo(page, page.url().replace("/make", "/strain"));
    await fill(page, "#measured", "240 mL");
    await clickOn(page, /^It stands at/);
    await page.waitForFunction(
      () => /\/finish|\/bottle|\/batch\//.test(location.pathname) && !location.pathname.endsWith("/strain"),
    );
    await goTo(page, page.url().replace(/\/(?:finish|make)$/, "/bottle"));
    await page.waitForSelector('ul[aria-label="Bottles"] li');
    await clickOn(page, "Bottled");
    await page.waitForSelector(".label");
    await goTo(page, `${app.url}/formulary`);
    await clickOn(page, "Ginger oxymel");
    await says(page, "What came of it");
    expect(await words(page)).toMatch(/OX-26-01\s*version 1, bottled/);
    expect(await page.$eval('svg[aria-label^="came out"]', (e) => e.getAttribute("aria-label")!)).toMatch(
      /OX-26-01, version 1: \d+ % of what was foreseen/,
    );
  });
  test("changed on the Bench it is the next version; what changed is said in words and drawn", async () => {
    await clickOn(page, "Make it again");
    await says(page, "the first way, stands on the Bench");
    await fill(page, 'input[aria-label="ginger: amount"]', "90 g");
    await page.keyboard.press("Tab");
    await clickOn(page, "keep as the next version");
    await page.type("#grown-why", "too mild");
    await clickOn(page, "keep the next version");
    await says(page, "That is version 2 of it.");
    await clickOn(page, "Ginger oxymel", "main");
    await says(page, "the second way, 24 November 2026: too mild");
    expect(await words(page)).toContain("ginger 60 g → 90 g");
    expect(await words(page)).toContain("was 60 g");
    expect(await page.$("[data-ghost]")).not.toBeNull();
    await clickOn(page, "version 1");
    await says(page, "the first way");
    expect(page.errors).toEqual([]);
  });
  test("a note, another name, a slip taken back, put away and taken out again", async () => {
    await clickOn(page, "version 2");
    await says(page, "the second way");
    await clickOn(page, "write a note");
    await page.type("#recipe-says", "the boatwright wants it hotter");
    await clickOn(page, "write it in");
    await says(page, "the boatwright wants it hotter");
    await clickOn(page, "another name");
    await fill(page, "#recipe-says", "Quay oxymel");
    await clickOn(page, "call it that");
    await page.waitForFunction(() => document.querySelector("h1")?.innerText === "Quay oxymel");
    await clickOn(page, "take version 2 back");
    await says(page, "(taken back)");
    await clickOn(page, "put it away");
    await clickOn(page, "put it away", "form");
    await says(page, "It is put away");
    await clickOn(page, "take it out again");
    await page.waitForFunction(() => !document.body.innerText.includes("It is put away"));
  });
});

describe("files, codes and cards", () => {
  let page: Page & { errors: string[] };
  beforeAll(async () => {
    page = await newPage(browser);
    await goTo(page, `${app.url}/formulary`);
    await page.evaluate(() => localStorage.removeItem("jolly-write-in"));
    await page.reload();
  });
  afterAll(() => page.close());
  const plan = DEMO_PLANS[0]!;

  test("a picture of a card’s code is the recipe; kept twice it is known, never doubled nor overwritten", async () => {
    const { modules } = codeOf([{ data: planDigits(plan), mode: "numeric" }], { errorCorrectionLevel: "L" });
    const side = modules.size + 8;
    const dots = Buffer.alloc(side * side, 255);
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) dots[(y + 4) * side + x + 4] = 0;
    const png = await sharp(dots, { raw: { width: side, height: side, channels: 1 } })
      .resize(side * 6, side * 6, { kernel: "nearest" })
      .png()
      .toBuffer();
    await give(page, "card.png", png);
    await says(page, "a whole plan, which says");
    await clickOn(page, "keep it in the book");
    await page.waitForFunction(() => /^\/formulary\/[0-9a-f-]{36}$/.test(location.pathname));
    await says(page, plan.name);
    await goTo(page, `${app.url}/formulary`);
    await give(page, "plan.json", JSON.stringify(plan));
    await says(page, "a whole plan, which says");
    await clickOn(page, "keep it in the book");
    await says(page, "already, and it says the same");
    await give(page, "plan2.json", JSON.stringify({ ...plan, shake: "daily" }));
    // What was said of the first file goes when the second is read.
    await page.waitForFunction(() => !document.body.innerText.includes("it says the same"));
    await says(page, "a whole plan, which says");
    await clickOn(page, "keep it in the book");
    await says(page, "This differs: shake unsaid → daily");
    await clickOn(page, "keep it as its next version");
    await says(page, "the second way");
    expect((await home.sql`select 1 from recipe where name = ${plan.name}`).length).toBe(1);
  });
  test.each([
    [
      "page.html",
      "<html><body><script>document.title='ran'</script><h1>Thyme honey</h1><ul><li>1 cup dried thyme<li>2 cups honey</ul><p>Steep 3 weeks, strain.</p>",
      "its name: Thyme honey",
    ],
    ["person.jsonld", '{"@context":"https://schema.org","@type":"Person"}', "There is no recipe in it"],
    ["cut.json", '{"format":"jolly-crock/plan","version":2,', "It may be cut short"],
    ["newer.json", '{"format":"jolly-crock/plan","version":99}', "Take a newer build"],
    ["latin.txt", new Uint8Array([0x46, 0xfc, 0x72, 0xff]), "is not text in UTF-8"],
    ["long.txt", "1 cup honey\n".repeat(20_000), "which is no recipe"],
  ])("%s is read, or named", async (name, bytes, said) => {
    await goTo(page, `${app.url}/formulary`);
    await give(page, name, bytes);
    await says(page, said);
    expect(await page.title()).not.toBe("ran");
  });
  test("a photograph without a code says so; a code cut short on a link says so on the Bench", async () => {
    await give(
      page,
      "cat.png",
      await sharp({ create: { width: 300, height: 300, channels: 3, background: "#a0522d" } })
        .png()
        .toBuffer(),
    );
    await says(page, "There is no code to be made out");
    await goTo(page, `${app.url}/bench?plan=${planDigits(plan).slice(0, -9)}`);
    await says(page, "The code is cut short");
    expect(page.errors).toEqual([]);
  });
  test("a card is a PDF of two sides with its fonts in it; every form is served as what it is", async () => {
    const [{ id } = { id: "" }] = await home.sql<
      { id: string }[]
    >`select id from recipe where name = ${plan.name}`;
    const get = (path: string): Promise<Response> => fetch(`${app.url}/formulary/${id}/${path}`);
    const card = await get("card?size=a6");
    expect(card.headers.get("content-type")).toBe("application/pdf");
    const pdf = Buffer.from(await card.arrayBuffer()).toString("latin1");
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(2);
    expect(pdf).toContain("/FontFile");
    const served = await Promise.all(
      ["json", "jsonld", "md", "txt"].map(
        async (as) => (await get(`file?as=${as}&v=1`)).headers.get("content-type")!.split(";")[0],
      ),
    );
    expect(served).toEqual(["application/json", "application/ld+json", "text/markdown", "text/plain"]);
    expect(await (await get("file?as=json&v=1")).json()).toEqual(plan);
    expect((await get("file?v=9")).status).toBe(404);
  });
});
