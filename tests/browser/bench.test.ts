import { afterAll, beforeAll, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import type { Browser, Page } from "puppeteer-core";
import {
  type App,
  type Household,
  choose,
  chooseVessel,
  clickOn,
  fill,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  settled,
  text,
  typeDay,
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
let page: Page & { errors: string[] };

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
const press = (name: string | RegExp): Promise<void> => clickOn(page, name);
const drawer = (name: string): Promise<void> => clickOn(page, name, "#drawers");
const put = async (...lines: string[]): Promise<void> => {
  for (const l of lines) {
    await page.type(ADD, l);
    await page.keyboard.press("Enter");
    await page.waitForFunction(
      () => (document.querySelector('input[role="combobox"]') as HTMLInputElement).value === "",
    );
  }
};
const amount = (name: string): Promise<string> =>
  page.$eval(`input[aria-label="${name}: amount"]`, (e) => (e as HTMLInputElement).value);
const order = (): Promise<string[]> =>
  page.$$eval("[data-line] input[aria-label$=': amount']", (all) =>
    all.map((e) => e.getAttribute("aria-label")!.replace(": amount", "")),
  );
const raised = (): Promise<string[]> =>
  page.$$eval("[data-caution]", (all) =>
    all.map((e) => `${(e as HTMLElement).dataset["severity"]} ${(e as HTMLElement).dataset["caution"]}`),
  );
/** The id of the batch the shelf says has just begun. */
const justBegun = (): Promise<string> =>
  page.$eval('p[role="status"] a[href$="/make"]', (a) => a.getAttribute("href")!.split("/")[2]!);
const mayBegin = (): Promise<boolean> =>
  page.$eval(
    "button[data-begin]",
    (b) => b.getAttribute("aria-disabled") !== "true" && !(b as HTMLButtonElement).disabled,
  );
/** A clear Bench of a kind, in a jar of a known size. */
async function bench(kind = "oxymel", vessel?: string): Promise<void> {
  await goTo(page, `${app.url}/bench`);
  await page.waitForSelector('[aria-busy="false"]');
  await press("start over");
  await choose(page, "#kind", kind);
  if (vessel) await chooseVessel(page, vessel);
}
beforeEach(async () => {
  await page?.close();
  page = await newPage(browser);
});

describe("lines", () => {
  test("are understood as they are typed", async () => {
    await bench();
    await put("2 cups grated ginger, fresh");
    expect(await amount("ginger")).toBe("2 cups");
    expect(await page.$eval('select[aria-label="ginger: form"]', (e) => (e as HTMLSelectElement).value)).toBe(
      "fresh",
    );
    expect(await page.$eval('select[aria-label="ginger: cut"]', (e) => (e as HTMLSelectElement).value)).toBe(
      "grated",
    );
  });
  test("two liquids said in one line set what the plan pours of both, and it is told", async () => {
    await bench("oxymel", "m-1000");
    await put("1 cup thyme, dried", "2 cups vinegar and 1 cup honey, 2 tbsp sage");
    // The maker’s own word stays, with the catalogue’s beside it.
    expect([await amount("vinegar"), await amount("honey")]).toEqual(["2 cups", "1 cup"]);
    expect(await order()).toEqual(["thyme", "sage", "vinegar", "honey"]);
    expect(await text(page, '[data-testid="told"]')).toBe(
      "The plan pours them already: their amounts are set to 2 cups and 1 cup. 1 line added.",
    );
  });
  test("a form that was taken for granted is asked about where the other keeps less well", async () => {
    await bench("honey", "m-1000");
    await put("1 cup thyme");
    await page.waitForSelector('[data-testid="doubt"]');
    expect(await text(page, '[data-testid="doubt"]')).toMatch(/^Were the thyme fresh: .*Say which it is\.$/);
    // Said once, it is asked no more.
    await choose(page, 'select[aria-label="thyme: form"]', "dried");
    await press("right");
    await page.waitForFunction(() => document.querySelector('[data-testid="doubt"]') === null);
  });
  test("another unit says the same amount, and shows what it will say", async () => {
    await bench();
    await put("40 g hyssop, dried");
    const SAY = 'select[aria-label="hyssop: change the unit"]';
    await page.focus(SAY);
    await page.waitForFunction((s) => document.querySelectorAll(`${s} option`).length > 4, {}, SAY);
    expect(await page.$$eval(`${SAY} option`, (all) => all.map((o) => o.textContent))).toContain("1¾ cups");
    await choose(page, SAY, "us-cup");
    expect(await amount("hyssop")).toBe("1¾ cups");
  });
  test("dried for fresh goes by dry matter, and the old amount can be had again", async () => {
    await bench("vinegar", "m-2000");
    await put("4 cups nettle, fresh");
    await choose(page, 'select[aria-label="nettle: form"]', "dried");
    await says(page, "By dry matter: 4 cups was");
    const dried = await amount("nettle");
    expect(dried).toMatch(/cup/);
    expect(dried).not.toBe("4 cups");
    await press("4 cups all the same");
    expect(await amount("nettle")).toBe("4 cups");
    for (let i = 0; i < 3; i++) await press("Undo");
    expect(await page.$eval('select[aria-label="nettle: form"]', (e) => (e as HTMLSelectElement).value)).toBe(
      "fresh",
    );
  });
  test("are dragged into another order, by the mouse and by the keyboard", async () => {
    // The whole list in view, so that a hand can carry a line from its end to its head.
    await page.setViewport({ width: 1280, height: 1700 });
    await bench("fire-cider", "m-2000");
    await put("10 cm horseradish, fresh", "1 bulb onion, fresh", "2 tbsp mustard seed, dried");
    expect((await order()).slice(0, 3)).toEqual(["horseradish", "onion", "mustard seed"]);
    const handle = async (n: string) => (await (await page.$(`[aria-label^="Move ${n}"]`))!.boundingBox())!;
    const [from, to] = [await handle("mustard seed"), await handle("horseradish")];
    await page.mouse.move(from.x + 8, from.y + 8);
    await page.mouse.down();
    for (let i = 1; i <= 12; i++)
      await page.mouse.move(from.x + 8, from.y + 8 + ((to.y - from.y - 6) * i) / 12);
    await settled(page);
    await page.mouse.up();
    await page.waitForFunction(
      () =>
        document.querySelector("[data-line] input[aria-label$=': amount']")!.getAttribute("aria-label") ===
        "mustard seed: amount",
    );
    expect((await order()).slice(0, 3)).toEqual(["mustard seed", "horseradish", "onion"]);
    await page.focus('[aria-label^="Move mustard seed"]');
    await page.keyboard.press("Space");
    await settled(page);
    await page.keyboard.press("ArrowDown");
    await settled(page);
    await page.keyboard.press("Space");
    await page.waitForFunction(
      () =>
        document.querySelector("[data-line] input[aria-label$=': amount']")!.getAttribute("aria-label") ===
        "horseradish: amount",
    );
    await press("mustard seed earlier");
    expect((await order())[0]).toBe("mustard seed");
    expect(page.errors).toEqual([]);
  });
});

describe("the vessel first", () => {
  test("the household's own stand at the top, free ones first, with what stands in the others", async () => {
    await bench();
    const groups = await page.$$eval("#vessel-choice optgroup", (all) =>
      all
        .slice(0, 2)
        .map(
          (g) =>
            [
              (g as HTMLOptGroupElement).label,
              [...g.querySelectorAll("option")].map((o) => o.textContent!),
            ] as const,
        ),
    );
    expect(groups[0]![0]).toBe("Yours, free now");
    expect(groups[0]![1]).toEqual(expect.arrayContaining(["1 L clip-top jar (1 of 2)", "3 L saucepan"]));
    expect(groups[1]![1]).toContain("1.5 L clip-top jar (FC-26-02)");
    await choose(
      page,
      "#vessel-choice",
      await page.$eval(
        "#vessel-choice",
        (e) => [...(e as HTMLSelectElement).options].find((o) => o.textContent!.includes("FC-26-02"))!.value,
      ),
    );
    await says(page, "FC-26-02 stands in it today");
  });
  test("too much for the jar: each way out is one touch", async () => {
    await bench("oxymel", "m-500");
    await put("220 g nettle, fresh");
    await page.waitForSelector('[data-testid="fixes"] button');
    expect(await text(page, '[data-testid="fixes"]')).toMatch(/Take the .*Two jars: the .*Leave out \d+ %/s);
    await press("Do this: Take the");
    await page.waitForFunction(() => document.querySelector('[data-testid="fixes"]') === null);
    expect(await words(page)).not.toContain("above the liquid");
  });
  test("two jars: one is begun, the other is set out after it, and both hold all of the herb", async () => {
    await bench("oxymel", "m-500");
    await put("220 g nettle, fresh");
    await page.waitForSelector('[data-testid="fixes"] button');
    await press("Do this: Two jars");
    const first = Number((await amount("nettle")).replace(" g", ""));
    expect(first).toBeLessThan(220);
    await page.waitForSelector('[data-caution="works-in-fridge"] input');
    await choose(page, 'select[aria-label="Stand: where"]', "fridge");
    const ready = () =>
      page.waitForFunction(
        () => document.querySelector("button[data-begin]")!.getAttribute("aria-disabled") !== "true",
      );
    await ready();
    await press("Begin this batch");
    await says(page, "This is the other jar of it");
    const second = Number((await amount("nettle")).replace(" g", ""));
    expect(first + second).toBeCloseTo(220, 0);
    // It stands where the first does.
    expect(await page.$eval('select[aria-label="Stand: where"]', (e) => (e as HTMLSelectElement).value)).toBe(
      "fridge",
    );
    await ready();
    await press("Begin this batch");
    await says(page, "has begun. Label the jar");
    const codes = (
      await home.sql<{ code: string }[]>`select code from batch where name like 'Nettle%oxymel' order by code`
    ).map((r) => r.code);
    expect(codes.length).toBe(2);
    expect(page.errors).toEqual([]);
  });
  test("the most of bottles wanted and of what is in hand, shown before it is taken", async () => {
    await bench("oxymel", "m-1000");
    await put("1½ cups hyssop, dried");
    await drawer("Make the most of");
    await choose(page, "#most", "bottles");
    await choose(page, "#bottle-size", "b-250-swing");
    await fill(page, "#how-many", "0");
    await says(page, "from 1 to 99");
    await fill(page, "#how-many", "2");
    await says(page, "of the plan makes");
    await press("do this");
    await page.waitForFunction(() => /5[0-4]\d mL, between/.test(document.querySelector("main")!.innerText));
    await press("Undo");
    await choose(
      page,
      "#most",
      await page.$eval(
        "#most",
        (e) => [...(e as HTMLSelectElement).options].find((o) => o.textContent!.includes("hyssop"))!.value,
      ),
    );
    await fill(page, "#in-hand", "two handfulls");
    await says(page, "Did you mean");
    await fill(page, "#in-hand", "20 g");
    await says(page, "59 % of the plan");
  });
});

describe("ways side by side", () => {
  test("the same herbs in columns; where they differ is marked; one is picked", async () => {
    await bench("oxymel", "m-1000");
    await put("1½ cups hyssop, dried");
    await press("compare ways");
    await page.waitForSelector("#drawers table");
    const marks = await page.$$eval("#drawers tbody th", (all) =>
      all
        .filter((t) => t.textContent!.includes("(differs)"))
        .map((t) => t.textContent!.replace(" (differs)", "")),
    );
    expect(marks).toEqual(expect.arrayContaining(["sweetness", "sharpness"]));
    expect(marks).not.toContain("yield");
    await choose(page, "#beside-1", "oxymel-heated");
    await says(page, "For roots and barks");
    expect(
      await page.$$eval("#drawers tbody tr:first-child td", (all) =>
        all.map((t) => /hyssop 34 g/.test(t.textContent!)),
      ),
    ).toEqual([true, true, true]);
    await clickOn(page, "make it this way", "#drawers");
    await page.waitForFunction(
      () => (document.querySelector("#way") as HTMLSelectElement).value === "oxymel-heated",
    );
    expect(await text(page, '[data-testid="ready"]')).toBe("today");
    await press("Undo");
    expect(await page.$eval("#way", (e) => (e as HTMLSelectElement).value)).toBe("oxymel-even");
  });
  test("a school is taken in one line, and says why", async () => {
    await bench("oxymel", "m-1000");
    await put("1½ cups hyssop, dried");
    await drawer("Where makers disagree");
    await choose(page, "#school-order", "honey-then-vinegar");
    await says(page, "For those who want the herb coated first");
    expect((await order()).slice(1)).toEqual(["heather honey", "cider vinegar"]);
    await choose(page, "#school-taking", "first-signs");
    expect(await page.$eval("#taken", (e) => (e as HTMLInputElement).value)).toBe(
      "At first signs, for a few days, then rest.",
    );
  });
});

describe("told what could hurt", () => {
  const CASES: [string, string, string, string[], (() => Promise<void>) | undefined, string][] = [
    [
      "raw ripe elderberry in a cold oxymel",
      "oxymel",
      "m-1000",
      ["1 cup elderberry, fresh"],
      undefined,
      "stop raw-elder",
    ],
    [
      "fresh garlic in plain honey",
      "honey",
      "m-500",
      ["12 cloves garlic, fresh"],
      undefined,
      "stop low-acid-in-honey",
    ],
    [
      "a vinegar of 4 %",
      "oxymel",
      "m-1000",
      ["1 cup thyme, dried"],
      () => fill(page, 'input[aria-label="cider vinegar: strength"]', "4 %"),
      "caution weak-vinegar",
    ],
    ["wild ginger", "oxymel", "m-1000", ["1 tbsp wild ginger, dried"], undefined, "never aristolochic"],
    [
      "a bare metal lid on vinegar",
      "oxymel",
      "m-1000",
      ["1 cup thyme, dried"],
      () => choose(page, "#lid-choice", "metal"),
      "caution metal-lid-on-vinegar",
    ],
    [
      "spirit on the boil",
      "syrup",
      "p-3000",
      ["1 cup horehound, dried", "1 cup brandy"],
      undefined,
      "stop spirit-on-the-boil",
    ],
    [
      "a copper pot for vinegar",
      "oxymel",
      "p-3000",
      ["1 cup thyme, dried"],
      () => choose(page, "#ware-choice", "copper"),
      "stop reactive-ware",
    ],
  ];
  test.each(CASES)("%s", async (_, kind, vessel, lines, then, caution) => {
    await bench(kind, vessel);
    await put(...lines);
    await then?.();
    await page.waitForSelector(`[data-caution="${caution.split(" ")[1]}"]`);
    expect(await raised()).toContain(caution);
    if (!caution.startsWith("caution")) expect(await mayBegin()).toBe(false);
    expect(page.errors).toEqual([]);
  });
  test("a plain dried-thyme oxymel raises nothing but its standing notes", async () => {
    await bench("oxymel", "m-1000");
    await put("1 cup thyme, dried");
    await page.waitForSelector("[data-caution]");
    expect(await raised()).toEqual(["note honey-under-twelve-months", "note drinks"]);
    expect(await mayBegin()).toBe(true);
  });
  test("honey meant for the baby: never; meant for the others, only a note", async () => {
    await bench("oxymel", "m-1000");
    await put("1 cup thyme, dried");
    await page.click('button[aria-label^="Meant for"]');
    await page.waitForSelector('[role="dialog"] input');
    const tick = (name: string) => clickOn(page, name, '[role="dialog"]');
    await tick("the baby");
    await page.waitForSelector('[data-caution="honey-for-an-infant"]');
    expect(await text(page, '[data-caution="honey-for-an-infant"]')).toContain("1 April 2027");
    expect(await mayBegin()).toBe(false);
    await tick("the baby");
    await tick("the keeper");
    await page.waitForFunction(() => document.querySelector('[data-caution="honey-for-an-infant"]') === null);
    expect(await mayBegin()).toBe(true);
  });
  test("a reason passes a stop, is kept with the batch, and follows it to the strain and the label", async () => {
    await bench("oxymel", "m-1000");
    await put("1 cup elderberry, dried");
    await page.waitForSelector('[data-caution="raw-elder"] input');
    await page.type('[data-caution="raw-elder"] input', "simmered before it was dried");
    expect(await mayBegin()).toBe(true);
    await press("Begin this batch");
    await says(page, "has begun. Label the jar");
    const id = await justBegun();
    const [row] = await home.sql<
      { body: { reasons?: Record<string, string> } }[]
    >`select body from event where type = 'begun' and stream_id = ${id}`;
    expect(row!.body.reasons).toEqual({ "raw-elder": "simmered before it was dried" });
    await goTo(page, `${app.url}/batch/${id}/make`);
    expect(await raised()).toContain("stop raw-elder");
    // The walk: gathered, then each line as it goes in, the honey to its mark; what was ticked is the journal's.
    await clickOn(page, "It is all here");
    await says(page, "another amount");
    expect(await words(page)).toMatch(/1 cup, \d+ g, dried, whole/);
    await clickOn(page, "It is in");
    await says(page, "then heather honey");
    await page.reload();
    await says(page, "then heather honey");
    await clickOn(page, "It is in");
    await says(page, "then push everything under");
    expect(await words(page)).toMatch(/Pour to the 15\.\d cm mark/);
    await goTo(page, `${app.url}/batch/${id}/strain`);
    expect(await words(page)).toContain("Spent elder seeds are not for eating raw");
    expect(await words(page)).toContain("Gone on all the same: “simmered before it was dried”");
    await fill(page, "#measured", "750 mL");
    await press(/^It stands at/);
    await page.waitForFunction(() => location.pathname.endsWith("/bottle"));
    // What holds for any remedy stands behind one line that opens.
    await clickOn(page, "Good to know of any remedy like it");
    await says(page, "throw it out untasted");
    // Once the house has learned it, it is told no more, until it asks for it.
    await clickOn(page, "we know how this is done");
    await page.waitForFunction(() => !document.body.innerText.includes("throw it out untasted"));
    // What a label warns others of is never so put away.
    await says(page, "Good to know of any remedy like it: ");
    await press("Bottled");
    await page.waitForFunction(() => location.pathname.endsWith("/label"));
    const label = await page.$eval("svg.label", (e) => e.getAttribute("aria-label")!);
    expect(label).toContain("never for a child under 12 months");
    expect(label).toContain("Not juice");
    await goTo(page, `${app.url}/household`);
    await says(page, "of many a remedy");
    await clickOn(page, "tell us again");
    await page.waitForFunction(() => !document.body.innerText.includes("What this house knows"));
  });
  test("a health claim in the name is told before it stands on a label", async () => {
    await bench("oxymel", "m-1000");
    await put("1 cup thyme, dried");
    await fill(page, "#name", "Cures coughs");
    await says(page, "“Cures” is a health claim");
  });
});

describe("what if", () => {
  const wish = async (name: string): Promise<string> => {
    await clickOn(page, name, '[aria-label="What if"]');
    await page.waitForFunction(() => {
      const g = document.querySelector('[data-testid="granted"]') as HTMLElement;
      return g.innerText.trim() !== "" && !g.innerText.includes("Looking");
    });
    return text(page, '[data-testid="granted"]');
  };
  const day = (value: string): Promise<void> => typeDay(page, "#by", value);
  test("each wish is answered with changes and what they lead to, or with why not; one is taken", async () => {
    await bench("oxymel", "m-1000");
    await put("1½ cups hyssop, dried");
    await drawer("What if");
    await page.waitForSelector('[aria-label="What if"]');
    expect(await wish("Keep it in the cupboard")).toContain("as it is");
    expect(await wish("No alcohol")).toContain("no alcohol");
    expect(await wish("Less sweet")).toMatch(/from 1 part to .*(mL|done)/s);
    expect(await wish("Only what I have")).toContain("All of it is in the stores");
    expect(await wish("Ready by a day")).toMatch(/Let it stand 18 days in place of 6 weeks.*Heated/s);
    await day("2026-11-23");
    await says(page, "Choose a day after today");
    await day("2026-12-12");
    await says(page, "Let it stand 18 days");
    await press("Do this: Let it stand 18 days");
    await page.waitForFunction(
      () =>
        (document.querySelector('input[aria-label="Stand: how long"]') as HTMLInputElement).value ===
        "18 days",
    );
    expect(await text(page, '[data-testid="ready"]')).toBe("12 Dec");
    expect(page.errors).toEqual([]);
  });
  test("no alcohol in a tincture", async () => {
    await bench("tincture", "m-500");
    await put("80 g hawthorn berry, dried");
    await drawer("What if");
    await page.waitForSelector('[aria-label="What if"]');
    expect(await wish("No alcohol")).toMatch(/Glycerin and water/);
    await press("Do this: Glycerin and water");
    await page.waitForFunction(() =>
      [...document.querySelectorAll("[data-line]")].some((l) => l.textContent!.includes("glycerin")),
    );
    expect(await words(page)).not.toMatch(/g alcohol/);
  });
});

describe("need, cost and the rail", () => {
  test("what the stores lack is a list to gather and buy by, and only it is printed", async () => {
    await bench("fire-cider", "m-1000");
    await put("6 cm horseradish, fresh", "2 tbsp mustard seed, dried");
    await drawer("Gather and buy");
    await page.waitForSelector('[data-testid="need"]');
    const need = await text(page, '[data-testid="need"]');
    expect(need).toMatch(/To gather\s+horseradish, fresh/);
    expect(need).toMatch(/In the stores already\s+mustard seed/);
    expect(need).toContain("gloves");
    await page.emulateMediaType("print");
    const printed = await page.evaluate(() =>
      [...document.querySelectorAll("main *")]
        .filter(
          (e) =>
            e.children.length === 0 &&
            (e as HTMLElement).innerText?.trim() &&
            (e as HTMLElement).offsetParent !== null,
        )
        .map((e) => (e as HTMLElement).innerText)
        .join(" "),
    );
    expect(printed).toContain("to gather and buy");
    expect(printed).not.toContain("Begin this batch");
  });
  test("cost by the batch, the 100 mL and the spoon, against a shop's bottle", async () => {
    await bench("oxymel", "m-1000");
    await put("1½ cups hyssop, dried");
    await drawer("Cost");
    await page.waitForSelector("#shop-price");
    expect(await text(page, '[data-testid="cost"]')).toMatch(/^£\d\.\d\d, \d p a spoon$/);
    await fill(page, "#shop-price", "a lot");
    await says(page, "Write the price as a number");
    await fill(page, "#shop-price", "9.50");
    await fill(page, "#shop-ml", "250");
    await page.waitForFunction(() =>
      /% of the shop’s price/.test(
        (document.querySelector('[data-testid="against-shop"]') as HTMLElement).innerText,
      ),
    );
    await page.reload();
    await page.waitForSelector('[aria-busy="false"]');
    await drawer("Cost");
    await page.waitForSelector("#shop-price");
    expect(await page.$eval("#shop-price", (e) => (e as HTMLInputElement).value)).toBe("9.50");
  });
  test.each([
    ["tincture", "m-500", "60 g hawthorn berry, dried", /Strength: spirit against water/],
    ["syrup", "p-3000", "2 cups horehound, dried", /Boiled away against what is left/],
    ["honey", "m-500", "1 cup lime blossom, dried", /Herb against what is poured/],
  ])("a %s has a rail of its own, moved by the arrow keys", async (kind, vessel, typed, joint) => {
    await bench(kind, vessel);
    await put(typed);
    await page.waitForSelector('[role="slider"]');
    const names = await page.$$eval('[role="slider"]', (all) =>
      all.map((e) => e.getAttribute("aria-label")!),
    );
    const name = names.find((n) => joint.test(n))!;
    const before = await page.$eval(`[aria-label="${name}"]`, (e) => Number(e.getAttribute("aria-valuenow")));
    await page.focus(`[aria-label="${name}"]`);
    for (let i = 0; i < 3; i++) await page.keyboard.press(before > 50 ? "ArrowLeft" : "ArrowRight");
    await page.waitForFunction(
      (n, b) =>
        Math.abs(Number(document.querySelector(`[aria-label="${n}"]`)!.getAttribute("aria-valuenow")) - b) >=
        2,
      {},
      name,
      before,
    );
    expect(page.errors).toEqual([]);
  });
});

describe("stores and household", () => {
  test("what comes in is written down, weighed anew and drawn from; a wrong entry is told and kept", async () => {
    await goTo(page, `${app.url}/stores`);
    await page.type(ADD, "thyme");
    await page.keyboard.press("Enter");
    await says(page, "Say how much thyme there is");
    await fill(page, ADD, "120 g rosemary, dried");
    await page.keyboard.press("Enter");
    await page.waitForSelector("#lot-price");
    await page.type("#lot-price", "dear");
    await press("Put it on the shelf");
    await says(page, "Write the price as a number");
    await fill(page, "#lot-price", "3.60");
    await press("Put it on the shelf");
    await clickOn(page, /^change the amount of\s+rosemary/);
    await says(page, "£3.00 for 100 g");
    await bench("oxymel", "m-1000");
    await put("30 g rosemary, dried");
    await press("Begin this batch");
    await says(page, "has begun");
    await goTo(page, `${app.url}/stores`);
    expect(await words(page)).toMatch(/rosemary, dried\s+90 g\s+of 120 g/);
  });
  test("someone is written down, and the cautions think of them at once", async () => {
    await goTo(page, `${app.url}/household`);
    await press("write someone down");
    await page.waitForSelector('input[id$="-name"]');
    await page.type('form input[id$="-name"]', "the lodger");
    await page.type('form input[id$="-born"]', "March");
    await press("Keep it");
    await says(page, "Write the month born like 2026-03");
    expect(await page.$eval('form input[id$="-name"]', (e) => (e as HTMLInputElement).value)).toBe(
      "the lodger",
    );
    await fill(page, 'form input[id$="-born"]', "1980-04");
    await clickOn(page, "takes a blood thinner", "form");
    await press("Keep it");
    await says(page, "born 1980-04");
    expect(await words(page)).toMatch(/the lodger\s+born 1980-04; takes a blood thinner/);
    await bench("fire-cider", "m-1000");
    await put("8 cloves garlic, fresh");
    await says(page, "Garlic may add to the blood thinner the lodger takes.");
    expect(page.errors).toEqual([]);
  });
  test("an own jar is measured; a jar of no height is told what would be right", async () => {
    await goTo(page, `${app.url}/stores`);
    await press("write down a vessel");
    await choose(page, "#vessel-size", "own");
    await page.waitForSelector("#own-heightCm");
    await page.type("#own-diameterCm", "9");
    await press("Keep it");
    await says(page, "Measure the inside and write it like");
    await page.type("#own-heightCm", "14");
    await page.type("#vessel-name", `the tea jar ${randomUUID().slice(0, 4)}`);
    await press("Keep it");
    await says(page, "the tea jar");
  });
});
