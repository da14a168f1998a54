import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import sharp from "sharp";
import { convertIcsCalendar } from "ts-ics";
import {
  type App,
  type Household,
  type StandIn,
  clickOn,
  fill,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  standIn,
  text,
  typeDay,
  words,
} from "../support";

const NOW = "2026-11-24T09:00:00Z";
let home: Household;
let app: App;
let browser: Browser;
let mail: StandIn;
const ids: Record<string, string> = {};
const folder = mkdtempSync(join(tmpdir(), "jolly-weeks-"));

const start = async (): Promise<void> => {
  app = await serve(home.url, NOW, app?.port, undefined, { JOLLY_SMTP: `127.0.0.1:${mail.port}` });
};
beforeAll(async () => {
  [home, mail] = await Promise.all([newHousehold("demo"), standIn("mail")]);
  await start();
  browser = await openBrowser();
  for (const r of await home.sql<{ id: string; code: string }[]>`select id, code from batch`)
    ids[r.code] = r.id;
});
afterAll(async () => {
  await browser?.close();
  await app?.stop();
  await mail?.stop();
  await home?.drop();
  rmSync(folder, { recursive: true, force: true });
});

const letters = async (): Promise<{ to: string[]; text: string }[]> =>
  (await fetch(`http://127.0.0.1:${mail.port + 1}/letters.json`)).json() as Promise<
    { to: string[]; text: string }[]
  >;
const get = (path: string): Promise<Response> => fetch(path.startsWith("http") ? path : app.url + path);

describe("the household's weeks", () => {
  let page: Page & { errors: string[] };
  beforeAll(async () => void (page = await newPage(browser)));
  afterAll(() => page.close());

  test("days away are written down; a last day before the first is told beside it and stays", async () => {
    await goTo(page, `${app.url}/household`);
    await typeDay(page, "#away-from", "2026-12-20");
    await typeDay(page, "#away-to", "2026-12-10");
    await clickOn(page, "add days away");
    await says(page, "The last day away comes after the first.");
    expect(await page.$eval("#away-to", (e) => (e as HTMLInputElement).value)).toBe("2026-12-10");
    await typeDay(page, "#away-to", "2026-12-27");
    await clickOn(page, "add days away");
    await says(page, "20 December 2026 to 27 December 2026");
  });

  test("a height nobody cooks at is told beside its field", async () => {
    await fill(page, "#house-height", "9000");
    await clickOn(page, "keep the height");
    await says(page, "Nobody cooks above 5,100 m.");
    await fill(page, "#house-height", "340");
    await clickOn(page, "keep the height");
    await says(page, "Kept.");
  });

  test("a jar whose window lies all in days away says so, until its window is moved, with why", async () => {
    await goTo(page, `${app.url}/batch/${ids["TI-26-01"]}`);
    await clickOn(page, "strain it earlier or later");
    const day = async (id: string, is: string): Promise<void> => typeDay(page, id, is);
    await day("#window-earliest", "2026-12-21");
    await day("#window-best", "2026-12-22");
    await day("#window-latest", "2026-12-20");
    await page.type("#window-why", "the berries are slow");
    await clickOn(page, /^move it$/);
    await says(page, "The latest day lies before the best.");
    await day("#window-latest", "2026-12-24");
    await clickOn(page, /^move it$/);
    await says(page, "Nobody is home in all of its window.");
    await goTo(page, app.url);
    await says(page, "nobody home to strain");
    await goTo(page, `${app.url}/batch/${ids["TI-26-01"]}`);
    await clickOn(page, /^Put right: Its window/);
    await clickOn(page, "it did not happen");
    await says(page, "Taken back");
    expect(await words(page)).not.toContain("Nobody is home");
  });

  test("tasted in a few touches, and told in the journal", async () => {
    await goTo(page, `${app.url}/batch/${ids["TI-26-01"]}`);
    await clickOn(page, "write down how it tastes");
    await page.focus(`[role="slider"][aria-label="bitter"]`);
    for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowUp");
    await page.focus('[role="slider"][aria-label="hot"]');
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("ArrowUp");
    await page.type("#taste-words", "woody");
    await clickOn(page, "not yet");
    await clickOn(page, "Write down the taste");
    await says(page, "hot a little, bitter much, woody, not ready yet");
  });

  test("what was shaken yesterday is ticked today, and stands on its own day", async () => {
    const before = page.url();
    await goTo(page, app.url);
    await clickOn(page, /^Shake TI-26-01/);
    await clickOn(page, "yesterday: Shaken, TI-26-01");
    await page.waitForFunction(() => !document.body.innerText.includes("Shaken: TI-26-01"));
    const days = await home.sql<{ day: string; type: string; body: { body?: unknown } }[]>`
      select day::text, type, body from event where stream_id = ${ids["TI-26-01"]!} order by seq desc limit 3`;
    expect(days.map((e) => [e.type, e.day])).toEqual([
      ["corrected", "2026-11-24"],
      ["touched", "2026-11-23"],
      ["touched", "2026-11-24"],
    ]);
    await goTo(page, before);
  });

  test("a photograph is kept; one that is none is told beside the field", async () => {
    const good = join(folder, "jar.png");
    const bad = join(folder, "jar.txt.png");
    await sharp({ create: { width: 900, height: 700, channels: 3, background: "#a0522d" } })
      .png()
      .toFile(good);
    await sharp(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="2" height="2"/>'))
      .gif()
      .toFile(bad);
    const input = (await page.$(
      '[aria-label="Photographs"] input[type="file"]',
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(bad);
    await clickOn(page, "Keep it");
    await says(page, "A photograph is a JPEG, PNG or WebP file.");
    await input.uploadFile(good);
    await page.type('input[maxlength="200"]', "day thirty-five");
    await clickOn(page, "Keep it");
    await page.waitForSelector('button[aria-label$="day thirty-five"] img');
    const loaded = await page.waitForFunction(() => {
      const img = document.querySelector<HTMLImageElement>('button[aria-label$="day thirty-five"] img');
      return img && img.complete && img.naturalWidth > 0;
    });
    expect(loaded).toBeDefined();
    expect(page.errors).toEqual([]);
  });
});

describe("what is carried out", () => {
  test("the calendar is a file another reader reads: series, windows, days to start, best-by days", async () => {
    const reply = await get("/calendar.ics");
    expect(reply.headers.get("content-type")).toContain("text/calendar");
    const { events } = convertIcsCalendar(undefined, await reply.text());
    const called = events!.map((e) => e.summary);
    expect(called).toContainEqual(expect.stringMatching(/^Shake: OX-26-02 /));
    expect(called).toContainEqual(expect.stringMatching(/^Strain OX-26-02 /));
    expect(called).toContainEqual(expect.stringMatching(/^Best by today: /));
    expect(new Set(events!.map((e) => e.uid)).size).toBe(events!.length);
    const shake = events!.find((e) => e.summary.startsWith("Shake: OX-26-02"))!;
    // Done on the 1st of November, so it falls away from the series.
    expect(shake.exceptionDates!.map((d) => d.date.toISOString().slice(0, 10))).toContain("2026-11-01");
  });

  test("the feed's address is told once; a guess, and an address that was changed, open nothing", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/household`);
    await clickOn(page, "make an address for a feed");
    await says(page, "It is told only now");
    const address = /http:\/\/\S+\/feed\/\S+\.ics/.exec(await words(page))![0];
    expect((await get(address)).status).toBe(200);
    expect((await get(`/feed/${"a".repeat(43)}.ics`)).status).toBe(404);
    await page.reload();
    await says(page, "Its address was told once");
    expect(await words(page)).not.toContain("/feed/");
    await clickOn(page, "another address for the feed");
    await says(page, "It is told only now");
    expect((await get(address)).status).toBe(404);
    await page.close();
  });

  test("a word comes in the morning by mail, once, however often the server is started", async () => {
    const page = await newPage(browser);
    await goTo(page, `${app.url}/household`);
    await clickOn(page, "a word by mail in the morning");
    await page.type("#morning-to", "keeper@lock.example");
    await clickOn(page, "keep the morning");
    await says(page, "Kept.");
    await page.close();
    for (let i = 0; i < 2; i++) {
      await app.stop();
      await start();
      await new Promise((r) => setTimeout(r, 4000));
    }
    const came = await letters();
    expect(came).toHaveLength(1);
    expect(came[0]!.to).toEqual(["keeper@lock.example"]);
    expect(came[0]!.text).toContain("FC-26-02");
  });

  test("what must be begun when, to be ready by a day; a day that is past is told", async () => {
    const page = await newPage(browser);
    await goTo(page, app.url);
    await clickOn(page, "ready by a day");
    await says(page, "What you have made before");
    await typeDay(page, "#ready-by", "2026-12-24");
    await clickOn(page, "when must I start?");
    await says(page, "Ready by 24 December 2026");
    expect(await words(page)).toContain("too late");
    await goTo(page, `${app.url}/ready?by=2020-01-01`);
    expect(await text(page, "#ready-wrong")).toContain("Give a day from today on");
    await page.close();
  });
});
