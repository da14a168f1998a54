import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, Page } from "puppeteer-core";
import { addDays } from "../../src/core/day";
import { pouredOf } from "../../src/core/season/facts";
import { type Told, startsOf, yearOf } from "../../src/core/season/told";
import { season } from "../../src/store/season";
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
  settled,
  tapOn,
  text,
  typeDay,
  words,
} from "../support";

let home: Household;
let app: App;
let browser: Browser;
const TODAY = "2026-11-24";
beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, `${TODAY}T09:00:00Z`);
  browser = await openBrowser();
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await home?.drop();
});

const opened = async (of: App = app): Promise<Page> => {
  const page = await newPage(browser);
  await goTo(page, `${of.url}/season`);
  return page;
};

/** What the page was told, as it came over the wire. */
async function toldOf(url: string): Promise<Told> {
  const html = await (await fetch(`${url}/season`)).text();
  const parts = [...html.matchAll(/self\.__next_f\.push\(\[1,("(?:[^"\\]|\\.)*")\]\)/g)].map(
    (m) => JSON.parse(m[1]!) as string,
  );
  const all = parts.join("");
  const from = all.indexOf('"told":{') + 7;
  let [depth, at, quoted] = [0, from, false];
  for (; at < all.length; at++) {
    const c = all[at]!;
    if (c === "\\") at++;
    else if (c === '"') quoted = !quoted;
    else if (!quoted && c === "{") depth++;
    else if (!quoted && c === "}" && --depth === 0) break;
  }
  return JSON.parse(all.slice(from, at + 1), (_, v: unknown) => (v === "$undefined" ? undefined : v)) as Told;
}

/** A start of the list, by its name and day. */
const listed = (page: Page): Promise<string[]> =>
  page.$$eval("[data-to-begin]", (all) => all.map((e) => (e as HTMLElement).innerText.replace(/\s+/g, " ")));
/** Months that have a day on which all its herbs can be had. */
const monthsWith = (herbs: readonly boolean[], today: string): number[] => [
  ...new Set(herbs.flatMap((on, d) => (on ? [Number(addDays(today, d).slice(5, 7))] : []))),
];
const handle = (id: string): string => `[data-start="${id}"]`;

describe("a year as one picture", () => {
  test("days without, of each remedy, are those the core reckons", async () => {
    const page = await opened();
    const told = await toldOf(app.url);
    const kept = (await season(home.sql)).plan!.starts;
    const { year } = yearOf(told);
    const starts = startsOf(kept, told);
    expect(year.wanted.length).toBeGreaterThan(4);
    for (const [i, w] of year.wanted.entries()) {
      const { pour } = pouredOf(year, w, starts);
      const said = await text(page, `[data-pour="${w.id}"]`);
      const { name } = told.remedies[i]!;
      if (pour.without === 0) expect(said).toContain(`${name} is there all year`);
      else expect(said).toContain(`; ${Math.max(1, Math.round(pour.without))} day`);
    }
    await page.close();
  });

  test("a start is nudged by keys to another day and vessel, the list follows, and a step goes back", async () => {
    const page = await opened();
    const { starts } = (await season(home.sql)).plan!;
    const s = starts.find((x) => x.remedy === "Hawthorn tincture")!;
    const before = await listed(page);
    await page.focus(handle(s.id));
    await page.keyboard.press("ArrowRight");
    await page.keyboard.down("Shift");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.up("Shift");
    await settled(page);
    const day = new Date(`${addDays(s.day, 8)}T00:00:00Z`).getUTCDate();
    const now = (await listed(page)).find((l) => l.includes("Hawthorn tincture"))!;
    expect(now).toMatch(new RegExp(`^${day} \\w+ Hawthorn tincture`));
    await clickOn(page, "step back");
    await clickOn(page, "step back");
    expect(await listed(page)).toEqual(before);
    await page.close();
  });

  test("dragged by the mouse onto another board it stands there, and what breaks is said where it breaks", async () => {
    const page = await opened();
    await page.setViewport({ width: 1280, height: 1100 });
    const { starts } = (await season(home.sql)).plan!;
    const s = starts.find((x) => x.remedy === "Lime-blossom honey")!;
    const other = starts.find((x) => x.remedy === "Hawthorn tincture")!;
    const from = (await (await page.$(handle(s.id)))!.boundingBox())!;
    const board = (await (await page.$(`[data-board="${other.vessel}"]`))!.boundingBox())!;
    const to = (await (await page.$(handle(other.id)))!.boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2 + 20, board.y + board.height / 2, { steps: 8 });
    await page.mouse.up();
    await settled(page);
    const said = await page.$eval(handle(s.id), (e) => e.getAttribute("aria-label")!);
    expect(said).toContain("wants this vessel too");
    expect(
      await page.$$eval(`[data-board="${other.vessel}"] [data-start]`, (all) =>
        all.map((e) => e.getAttribute("data-start")),
      ),
    ).toContain(s.id);
    expect((await words(page)).toLowerCase()).toContain("wants this vessel too");
    await page.close();
  });

  test("a plan is made, seen as it gets better, is good enough, and is kept", async () => {
    const page = await opened();
    await clickOn(page, "mend it");
    await page.waitForFunction(
      () => /pieces looked at/.test(document.querySelector("[data-searching]")?.textContent ?? ""),
      { timeout: 60_000 },
    );
    await clickOn(page, "good enough");
    await page.waitForSelector('[data-searching="no"]');
    const planned = await listed(page);
    expect(planned.length).toBeGreaterThan(3);
    await clickOn(page, "keep this plan");
    await says(page, "Kept 24 November.");
    const kept = (await season(home.sql)).plan!.starts;
    expect(kept).toHaveLength(planned.length);
    await page.reload();
    expect(await listed(page)).toEqual(planned);
    await page.close();
  });

  test("what is wanted is said in a sentence; what it leaves open is asked beside its field, and nothing typed is lost", async () => {
    const page = await opened();
    await clickOn(page, "what is wanted, and when");
    await fill(page, "#season-said", "damson honey for four, from November to March, a spoon each morning");
    await page.keyboard.press("Enter");
    await says(page, "Say which spoon");
    await clickOn(page, "keep this wish");
    await says(page, "Say how much at a time");
    expect(await page.$eval("#season-people-0", (e) => (e as HTMLInputElement).value)).toBe("4");
    await fill(page, "#season-much-0", "1 tsp");
    await clickOn(page, "keep this wish");
    await page.waitForFunction(() =>
      [...document.querySelectorAll("[data-pour]")].some((e) => e.textContent!.includes("Damson honey")),
    );
    const wish = (await season(home.sql)).wishes.find((w) => w.remedy === "Damson honey")!;
    expect(wish.uses).toMatchObject([{ people: 4, times: 1, months: [11, 3], said: "1 tsp" }]);
    expect(wish.uses[0]!.ml).toBeCloseTo(4.93, 1);
    await page.close();
  });

  test("words nothing was made of are told, and stay", async () => {
    const page = await opened();
    await clickOn(page, "what is wanted, and when");
    await fill(page, "#season-said", "hyssop & fennel oxymel for my aunt Purple");
    await page.keyboard.press("Enter");
    await says(page, "Nothing was made of “my aunt Purple”");
    expect(await page.$eval("#season-said", (e) => (e as HTMLInputElement).value)).toContain("Purple");
    await page.close();
  });

  test("what grows here later than the book says is kept with its months, and the year follows; a week of 200 hours is told beside its field", async () => {
    const page = await opened();
    const before = await toldOf(app.url);
    const fresh = before.remedies.flatMap((r) => r.picks).find((p) => p.book !== undefined)!;
    await clickOn(page, "room, hours and days");
    const row = `[role="group"][aria-label="${fresh.name}"]`;
    await choose(page, `${row} label:nth-of-type(1) select`, "");
    await fill(page, "#season-hoursWeek", "200");
    await clickOn(page, "keep these");
    await says(page, `Choose from which month to which ${fresh.name} is had.`);
    await choose(page, `${row} label:nth-of-type(1) select`, "9");
    await choose(page, `${row} label:nth-of-type(2) select`, "2");
    await clickOn(page, "keep these");
    await page.waitForFunction(() => document.querySelector("#season-hoursWeek")!.ariaInvalid === "true");
    expect(await page.$eval("#season-hoursWeek", (e) => (e as HTMLInputElement).value)).toBe("200");
    await fill(page, "#season-hoursWeek", "5");
    await clickOn(page, "keep these");
    await page.waitForFunction(() => !document.querySelector("#season-hoursWeek"));
    const { terms, remedies } = await toldOf(app.url);
    expect(terms).toEqual({
      ...before.terms,
      hoursWeek: 5,
      picked: [...before.terms.picked, { material: fresh.material, months: [9, 2] }],
    });
    for (const r of remedies.filter((x) => x.making && x.picks.some((p) => p.material === fresh.material)))
      expect(monthsWith(r.making!.herbs, before.today).every((m) => m >= 9 || m <= 2)).toBe(true);
    // And back to the book's.
    await clickOn(page, "room, hours and days");
    await clickOn(page, /^as the book says, /);
    await clickOn(page, "keep these");
    await page.waitForFunction(() => !document.querySelector("#season-hoursWeek"));
    expect((await toldOf(app.url)).terms.picked).toEqual(before.terms.picked);
    await page.close();
  });

  test("what is supposed is set beside the plan, and drawn where it is wanted", async () => {
    const page = await opened();
    await fill(page, "#season-if-people", "six");
    await page.keyboard.press("Enter");
    await says(page, "Say how many, like 6.");
    await fill(page, "#season-if-people", "8");
    await typeDay(page, "#season-if-from", "2027-02-01");
    await typeDay(page, "#season-if-to", "2027-02-28");
    await clickOn(page, "set it beside");
    await says(page, "we are 8, away from 1 February to 28 February");
    await clickOn(page, "draw this one");
    await says(page, "The picture shows what is supposed.");
    await clickOn(page, "back to what is so");
    await page.close();
  });

  test("a start goes onto the Bench with its recipe, vessel and day", async () => {
    const page = await opened();
    await clickOn(page, "onto the Bench");
    await page.waitForFunction(() => location.pathname === "/bench");
    await says(page, "Planned for");
    await page.close();
  });

  test("by finger at 390: a piece of the year at a time, a start looked at and taken out", async () => {
    const page = await newPage(browser);
    await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
    await goTo(page, `${app.url}/season`);
    const first = (await page.$$("[data-start]")).length;
    expect(first).toBeGreaterThan(0);
    await tapOn(page, "later");
    await says(page, "from 16 Feb");
    const before = await listed(page);
    await page.$("[data-start]").then((e) => e!.tap());
    expect(await page.$$('[data-start][aria-pressed="true"]')).toHaveLength(1);
    await tapOn(page, /^Take out: /);
    await settled(page);
    expect(await listed(page)).toHaveLength(before.length - 1);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.close();
  });
});

describe("on other pages", () => {
  test("a start that is near stands on the Shelf and in the calendar", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/`);
    const near = (await season(home.sql)).plan!.starts.filter((s) => s.day <= addDays(TODAY, 28));
    expect(near.length).toBeGreaterThan(0);
    const list = await text(page, 'ul[aria-label="To begin, as planned"]');
    for (const s of near.slice(0, 6)) expect(list).toContain(s.remedy);
    const ics = await (await fetch(`${app.url}/calendar.ics`)).text();
    expect(ics.match(/SUMMARY:Begin /g)?.length).toBeGreaterThanOrEqual(near.length);
    await page.close();
  });

  test("the year on paper is one page of A4", async () => {
    const pdf = Buffer.from(await (await fetch(`${app.url}/season/year.pdf`)).arrayBuffer()).toString(
      "latin1",
    );
    expect(pdf.startsWith("%PDF")).toBe(true);
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
    const svg = await (await fetch(`${app.url}/season/year.svg`)).text();
    expect(svg).toContain("Hyssop");
  });
});

describe("a household with nothing in it", () => {
  test("says what belongs there; a wish without a jar is told as that, and its words stay", async () => {
    const bare = await newHousehold("empty");
    const there = await serve(bare.url, `${TODAY}T09:00:00Z`);
    try {
      const page = await opened(there);
      await says(page, "No jar or pot is written down.");
      await says(page, "Nothing is planned.");
      await clickOn(page, "what is wanted, and when");
      await fill(page, "#season-said", "oxymel for two, all year, 1 tsp each morning");
      await page.keyboard.press("Enter");
      await page.waitForSelector("#season-people-0");
      await clickOn(page, "keep this wish");
      await says(page, "nobody here knows how it is made");
      await page.close();
    } finally {
      await there.stop();
      await bare.drop();
    }
  });
});

test("one more is set, and how full its pot is can be chosen", async () => {
  const page = await opened();
  const told = await toldOf(app.url);
  const syrup = told.remedies.find((r) => r.name === "Horehound syrup")!;
  const before = (await listed(page)).length;
  await choose(page, 'select[aria-label="Begin one more of"]', syrup.id);
  await settled(page);
  const now = await listed(page);
  expect(now.length).toBeGreaterThan(before);
  await page.close();
});
