/** A telephone let into the house by hand: the phrase told on one screen, said on another, a tick, and sent away. TLS by the household's own authority. */
import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
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

const DOOR = '[aria-labelledby="door"]';
const told = (page: Page): Promise<string> => page.$eval(DOOR, (e) => (e as HTMLElement).innerText);

test("the phrase is told, a telephone says it by finger, ticks a jar, and is sent away by key", async () => {
  const house = await newPage(keeper);
  await goTo(house, `${app.url}/household`);
  expect(await told(house)).toContain(at);
  await clickOn(house, "make five words");
  await house.waitForSelector(`${DOOR} [role=status] strong`);
  const phrase = await house.$eval(`${DOOR} [role=status] strong`, (e) => (e as HTMLElement).innerText);
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
