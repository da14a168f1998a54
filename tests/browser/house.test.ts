/** A telephone let into the house by hand: the phrase told on one screen, said on another, a tick, and sent away. TLS by the household's own authority. */
import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
import { begin } from "../../src/store/commands";
import { batchOf } from "../../src/store/journal";
import { launchChromium } from "../../tools/chromium";
import {
  type App,
  type Household,
  awake,
  clickOn,
  freePort,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  says,
  serve,
  words,
} from "../support";
import { type FrontUp, openFront } from "../front";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
const AT = "127.0.0.9";
const SECRET = "7".repeat(64);
let home: Household;
let app: App;
let front: FrontUp;
let keeper: Browser;
let device: Browser;
let at = "";
const folder = mkdtempSync(join(tmpdir(), "jolly-house-"));

/** A browser that took the household's certificate in, as a device does. */
async function trusting(): Promise<Browser> {
  const db = join(folder, "profile/.pki/nssdb");
  mkdirSync(db, { recursive: true });
  execFileSync("certutil", ["-d", `sql:${db}`, "-N", "--empty-password"]);
  execFileSync("certutil", [
    "-d",
    `sql:${db}`,
    "-A",
    "-t",
    "C,,",
    "-n",
    "house",
    "-i",
    join(folder, "keys/authority.pem"),
  ]);
  return launchChromium({ env: { ...process.env, HOME: join(folder, "profile") } });
}

beforeAll(async () => {
  home = await newHousehold("demo");
  app = await serve(home.url, "2026-11-24T09:00:00Z", undefined, undefined, { JOLLY_FRONT_SECRET: SECRET });
  const keys = join(folder, "keys");
  front = await openFront({
    database: home.url,
    app,
    at: AT,
    port: await freePort(),
    folder: keys,
    secret: SECRET,
  });
  at = front.url;
  keeper = await openBrowser();
  device = await trusting();
});
afterAll(async () => {
  await device?.close();
  await keeper?.close();
  await front?.stop();
  await app?.stop();
  await home?.drop();
  rmSync(folder, { recursive: true, force: true });
});

/** The phrase of the house, once it was told. */
let phrase = "";

const DOOR = '[aria-labelledby="door"]';
const told = (page: Page): Promise<string> => page.$eval(DOOR, (e) => (e as HTMLElement).innerText);

test("the phrase is told, a telephone says it by finger, ticks a jar, and is sent away by key", async () => {
  const house = await newPage(keeper);
  await goTo(house, `${app.url}/household`);
  expect(await told(house)).toContain(at);
  await clickOn(house, "make five words");
  await house.waitForSelector(`${DOOR} [role=status] strong`);
  phrase = await house.$eval(`${DOOR} [role=status] strong`, (e) => (e as HTMLElement).innerText);
  expect(phrase).toMatch(/^[a-z]+( [a-z]+){4}$/);
  await clickOn(house, "let a device in");
  await says(house, "The door is open for");

  const phone = await newPage(device, 390, 844);
  await phone.goto(`${at}/cellar`);
  expect(await words(phone)).toContain("Lock Cottage No. 9");
  await phone.tap("#phrase");
  await phone.keyboard.type("river stone copper lamp willow");
  await phone.tap("#name");
  await phone.keyboard.type("telephone");
  await phone.tap("button");
  await says(phone, "That is not the phrase");
  // What the device is called was kept; a moment later the right phrase is heard.
  expect(await phone.$eval("#name", (e) => (e as HTMLInputElement).value)).toBe("telephone");
  await new Promise((r) => setTimeout(r, 1200));
  await phone.tap("#phrase");
  await phone.keyboard.type(phrase.toUpperCase());
  await phone.tap("button");
  await awake(phone);
  await says(phone, "Today");
  const id = (await home.sql<{ id: string }[]>`select id from batch where code = 'OX-26-02'`)[0]!.id;
  const before = (await batchOf(home.sql, id))!.diary.length;
  const box = (await phone.waitForSelector('button[aria-label^="Shake OX-26-02"]'))!;
  await box.scrollIntoView();
  await box.tap();
  for (let i = 0; i < 100 && (await batchOf(home.sql, id))!.diary.length === before; i++)
    await new Promise((r) => setTimeout(r, 50));
  expect((await batchOf(home.sql, id))!.diary.at(-1)).toMatchObject({
    type: "touched",
    by: { name: "telephone" },
  });
  await goTo(phone, `${at}/household`);
  expect(await words(phone)).not.toContain("Other devices");

  await goTo(house, `${app.url}/household`);
  expect(await told(house)).toMatch(/telephone\s+seen today/);
  await house.focus('[aria-label="Send away: telephone"]');
  await house.keyboard.press("Enter");
  await says(house, "No device is let in yet");
  await phone.reload();
  expect(await words(phone)).toContain("Say the phrase of this house");
  await house.close();
});

test("what one writes the other's open page shows within two seconds, and what is typed there stays", async () => {
  const [desk, other] = [await newPage(keeper), await newPage(keeper)];
  const id = (await home.sql<{ id: string }[]>`select id from batch where code = 'OX-26-02'`)[0]!.id;
  await goTo(other, `${app.url}/batch/${id}`);
  await goTo(desk, `${app.url}/batch/${id}`);
  await other.focus("#note");
  await other.keyboard.type("half a thought");
  await desk.bringToFront();
  await desk.focus("#note");
  await desk.keyboard.press("End");
  await desk.keyboard.type("the lid was loose");
  const began = Date.now();
  await clickOn(desk, "keep the note");
  await other.waitForFunction(() => document.querySelector("main")!.innerText.includes("the lid was loose"), {
    timeout: 10_000,
  });
  expect(Date.now() - began).toBeLessThan(6000);
  expect(await other.$eval("#note", (e) => (e as HTMLTextAreaElement).value)).toBe("half a thought");
  await desk.close();
  await other.close();
});

test("a browser that did not take the certificate in is warned, and is shown nothing", async () => {
  const page = await newPage(keeper);
  await expect(page.goto(at)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
  await page.close();
});

/** A page of a device of its own that says the phrase at the open door. */
async function letIn(called: string, width: number, height: number): Promise<Page & { errors: string[] }> {
  const page = await newPage(await device.createBrowserContext(), width, height);
  await page.goto(`${at}/`);
  await page.type("#phrase", phrase);
  await page.type("#name", called);
  await page.keyboard.press("Enter");
  await awake(page);
  await says(page, "Today");
  return page;
}
/** Until the device keeps this page itself, with what it runs on. */
const isKept = (page: Page): Promise<unknown> =>
  page.waitForFunction(async () => {
    const pages = await caches.open("jolly-pages");
    return (
      navigator.serviceWorker.controller !== null && (await pages.match(location.pathname)) !== undefined
    );
  });
const headOf = (page: Page): Promise<string> => page.$eval("h1", (e) => (e as HTMLElement).innerText);
async function tick(page: Page): Promise<string> {
  const was = await headOf(page);
  await page.keyboard.press("Space");
  await page.waitForFunction((h) => document.querySelector("h1")?.innerText !== h, {}, was);
  return headOf(page);
}

test("the signal goes in the middle of a making; twenty entries on each of two devices are written once, in order", async () => {
  // The door stands open still.
  const tablet = await letIn("tablet by the stove", 1280, 800);
  const phone = await letIn("telephone in the pantry", 390, 844);
  const idOf = async (code: string) =>
    (await home.sql<{ id: string }[]>`select id from batch where code = ${code}`)[0]!.id;
  const [oxymel, jar] = [randomUUID(), await idOf("OX-26-02")];
  const plan = thymeOxymel();
  expect((await begin(home.sql, { id: oxymel, key: randomUUID(), plan, reasons: {} }, plan)).ok).toBe(true);
  const rows = (id: string) => home.sql<
    {
      seq: number;
      type: string;
      by: string | null;
      text: string | null;
      of: number | null;
      did: string | null;
    }[]
  >`
    select seq, type, by_device->>'name' as by, body->>'text' as text, (body->>'seq')::int as of, body->>'did' as did
    from event where stream_id = ${id} order by seq`;
  const [oxymelWas, jarWas] = [(await rows(oxymel)).length, (await rows(jar)).length];

  // The phone's page of the jar is open and the phone walks out of reach; the tablet's making stands, and the house itself goes.
  await goTo(phone, `${at}/batch/${jar}`);
  await goTo(tablet, `${at}/batch/${oxymel}/make`);
  await Promise.all([isKept(tablet), isKept(phone)]);
  // Both pages are made anew after a tick, the tablet's own and the phone's that hears of it: the house goes in the middle of that.
  const asked = tablet.waitForRequest((r) => r.url().includes("_rsc="));
  for (const p of [tablet, phone]) await p.evaluate(() => void document.body.classList.add("as-it-was"));
  await tick(tablet);
  await asked;
  await front.stop();
  await phone.setOfflineMode(true);
  await app.stop("SIGKILL");
  await tablet.bringToFront();
  const steps: string[] = [];
  for (let i = 0; i < 3; i++) steps.push(await tick(tablet));
  await says(tablet, "3 things kept here");
  // Neither was loaded again under the hand.
  for (const p of [tablet, phone])
    expect([p.url(), (await p.$("body.as-it-was")) !== null]).toEqual([p.url(), true]);
  // Closed and opened again without a signal, it stands where it stood.
  await tablet.reload();
  await tablet.waitForFunction((h) => document.querySelector("h1")?.innerText === h, {}, steps.at(-1)!);
  await says(tablet, "This page is as it stood at");
  // Undone and done again, as one does: each is an entry.
  for (let i = 0; i < 8; i++) {
    const was = await headOf(tablet);
    await clickOn(tablet, /undo the last tick/i);
    await tablet.waitForFunction((h) => document.querySelector("h1")?.innerText !== h, {}, was);
    expect(await tick(tablet)).toBe(was);
  }
  await tick(tablet);
  await says(tablet, "20 things kept here");
  await phone.bringToFront();
  for (let i = 1; i <= 20; i++) {
    await phone.tap("#note");
    await phone.keyboard.type(`what I saw, ${i}`);
    await (await phone.waitForSelector("::-p-text(keep the note)"))!.tap();
    await phone.waitForFunction(() => (document.querySelector("#note") as HTMLTextAreaElement).value === "");
  }
  await says(phone, "20 things kept here");
  expect((await rows(oxymel)).length).toBe(oxymelWas + 1);
  expect((await rows(jar)).length).toBe(jarWas);

  // Back: nobody touches anything.
  app = await serve(home.url, "2026-11-24T09:00:00Z", app.port, undefined, { JOLLY_FRONT_SECRET: SECRET });
  front = await openFront({
    database: home.url,
    app,
    at: AT,
    port: Number(new URL(at).port),
    folder: join(folder, "keys"),
    secret: SECRET,
  });
  await phone.setOfflineMode(false);
  for (const page of [tablet, phone]) {
    await page.bringToFront();
    await page.waitForFunction(() => !document.body.innerText.includes("kept here"));
  }
  const made = (await rows(oxymel)).slice(oxymelWas + 1);
  expect(made.map((r) => r.by)).toEqual(Array(20).fill("tablet by the stove"));
  expect(made.map((r) => r.type === "corrected")).toEqual(
    [3, ...Array<number>(8).fill(0)]
      .flatMap((n) => (n ? [false, false, false] : [true, false]))
      .concat([false]),
  );
  // Each taking back is of the tick before it, at the place that was given in the house.
  for (const [i, r] of made.entries()) if (r.type === "corrected") expect(r.of).toBe(made[i - 1]!.seq);
  expect((await rows(jar)).slice(jarWas).map((r) => [r.by, r.text])).toEqual(
    Array.from({ length: 20 }, (_, i) => ["telephone in the pantry", `what I saw, ${i + 1}`]),
  );
  // What was being fetched when the signal went could not be fetched, and is no error of ours.
  expect([...tablet.errors, ...phone.errors].filter((e) => !/Failed to fetch/.test(e))).toEqual([]);
  await Promise.all([tablet.close(), phone.close()]);
});

test("sent away with notes unsent, a device leaves them with a keeper, who takes one in and lets one be", async () => {
  const phone = await letIn("old telephone", 390, 844);
  const id = (await home.sql<{ id: string }[]>`select id from batch where code = 'OX-26-02'`)[0]!.id;
  await goTo(phone, `${at}/batch/${id}`);
  await phone.setOfflineMode(true);
  for (const text of ["smells of pear", "a hair on the rim"]) {
    await phone.tap("#note");
    await phone.keyboard.type(text);
    await (await phone.waitForSelector("::-p-text(keep the note)"))!.tap();
    await phone.waitForFunction(() => (document.querySelector("#note") as HTMLTextAreaElement).value === "");
  }
  await says(phone, "2 things kept here");
  const house = await newPage(keeper);
  await goTo(house, `${app.url}/household`);
  await house.focus('[aria-label="Send away: old telephone"]');
  await house.keyboard.press("Enter");
  await house.waitForFunction(() => !document.body.innerText.includes("old telephone"));
  await phone.setOfflineMode(false);
  await phone.bringToFront();
  await says(phone, "2 things it had written were left with a keeper");
  await house.bringToFront();
  await goTo(house, `${app.url}/household`);
  await says(house, "a note: “smells of pear”");
  await clickOn(house, "take it in");
  await house.waitForFunction(() => !document.body.innerText.includes("smells of pear"));
  await clickOn(house, "let it be");
  await house.waitForFunction(() => !document.body.innerText.includes("a hair on the rim"));
  const notes = await home.sql<{ text: string; by: string }[]>`
    select body->>'text' as text, by_device->>'name' as by from event
    where stream_id = ${id} and by_device->>'name' = 'old telephone'`;
  expect([...notes]).toEqual([{ text: "smells of pear", by: "old telephone" }]);
  await Promise.all([phone.close(), house.close()]);
});
