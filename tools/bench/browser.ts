/** What a frame costs in Chromium: script, style and layout, as the browser itself counts them. */
import type { Page } from "puppeteer-core";
import { launchChromium } from "../chromium";
import { median, p95, say } from "./rows";

/** Waits until a frame is drawn. A key is answered at once, in the frame it falls in; a moved pointer in the frame after. */
const DRAWN = {
  key: () => new Promise((r) => requestAnimationFrame(() => setTimeout(r, 0))),
  pointer: () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))),
} as const;
/** Frames left out at the beginning. */
const WARM = 20;

const SCRIPT = ["ScriptDuration"];
const FRAME = [...SCRIPT, "LayoutDuration", "RecalcStyleDuration"];

/** ms of these so far. */
async function spent(page: Page, on = FRAME): Promise<() => Promise<number>> {
  const client = await page.createCDPSession();
  await client.send("Performance.enable");
  return async () => {
    const { metrics } = await client.send("Performance.getMetrics");
    return on.reduce((n, name) => n + metrics.find((m) => m.name === name)!.value, 0) * 1000;
  };
}

async function throttled(page: Page, rate: number, work: () => Promise<void>): Promise<void> {
  const client = await page.createCDPSession();
  await client.send("Emulation.setCPUThrottlingRate", { rate });
  await work();
  await client.send("Emulation.setCPUThrottlingRate", { rate: 1 });
  await client.detach();
}

/** ms of the frame that each input leads to. The first few are left out. */
async function frames(
  page: Page,
  times: number,
  drawn: keyof typeof DRAWN,
  input: (i: number) => Promise<unknown>,
): Promise<number[]> {
  const soFar = await spent(page);
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    const before = await soFar();
    await input(i);
    await page.evaluate(DRAWN[drawn]);
    if (i >= WARM) out.push((await soFar()) - before);
  }
  return out;
}

/** A frame in which the rail is dragged. */
async function drag(page: Page): Promise<number[]> {
  const box = (await (await page.$('[aria-label="cider vinegar against heather honey"]'))!.boundingBox())!;
  await page.mouse.move(box.x + 12, box.y + 20);
  await page.mouse.down();
  const times = await frames(page, 140, "pointer", (i) =>
    page.mouse.move(box.x + 12 - 70 * Math.sin(i / 9), box.y + 20),
  );
  await page.mouse.up();
  return times;
}

/** A keystroke in an amount, and everything that follows from it. */
async function typing(page: Page): Promise<number[]> {
  await page.focus('input[aria-label="hyssop: amount"]');
  // From “1½ cups” to “½ cups” and back.
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowRight");
  return frames(page, 140, "key", (i) => page.keyboard.press(i % 2 === 0 ? "Backspace" : "1"));
}

export async function withPage(work: (page: Page) => Promise<void>): Promise<void> {
  const browser = await launchChromium();
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  try {
    await work(page);
  } finally {
    await browser.close();
  }
}

/** Dragging and typing on a Bench of the demo's oxymel. */
export async function bench(page: Page, url: string, base: number): Promise<void> {
  await page.goto(`${url}/bench`);
  await page.waitForSelector('[aria-busy="false"]');
  const lines = "1½ cups hyssop, dried|3 tbsp fennel seed|1 tbsp thyme|2 tbsp caraway|1 tsp juniper";
  for (const t of lines.split("|")) {
    await page.type('input[role="combobox"]', t);
    await page.keyboard.press("Enter");
  }
  await page.waitForSelector('[role="slider"]');
  for (const [rate, most] of [
    [1, 16],
    [4, 50],
  ] as const)
    await throttled(page, rate, async () => {
      const wants = `wants at most ${most} ms`;
      const d = await drag(page);
      say(`a drag frame, script and layout, ${rate}× throttle, p95`, p95(d), base, wants);
      say("the same, median", median(d), base);
      // Rising levels take frames of their own; here the frame of the keystroke alone is wanted.
      await page.evaluate(() => void (document.documentElement.dataset["dragging"] = "yes"));
      const k = await typing(page);
      await page.evaluate(() => void delete document.documentElement.dataset["dragging"]);
      say(`a keystroke in an amount, ${rate}× throttle, p95`, p95(k), base, wants);
      say("the same, median", median(k), base);
    });
}

/** Opens the making of the first jar on the shelf that has something to press. */
async function atABar(page: Page, url: string): Promise<void> {
  await page.goto(url, { waitUntil: "load" });
  const jars = await page.$$eval('a[href^="/batch/"]', (all) =>
    all.map((a) => /^\/batch\/[0-9a-f-]+/.exec(a.getAttribute("href")!)![0]),
  );
  for (const jar of new Set(jars)) {
    // An instrument's readings keep a line open, so that the net is never at rest here.
    await page.goto(`${url}${jar}/make`, { waitUntil: "load" });
    const bar = await page.waitForSelector("[data-bar]:not(:disabled)", { timeout: 3000 }).catch(() => null);
    if (!bar) continue;
    await page.waitForSelector('html[data-awake="yes"]');
    return;
  }
  throw new Error("no jar of the household has anything to press");
}

/** The page notes by itself when it was pressed, and the first frame in which that is to be seen. As text: a bundler's names do not reach a page. */
const NOTES_PRESSES = `
  window.seen = [];
  document.addEventListener("pointerdown", () => {
    const from = performance.now();
    const look = () => document.querySelector("[data-on-its-way]")
      ? window.seen.push(performance.now() - from)
      : requestAnimationFrame(look);
    requestAnimationFrame(look);
  }, true);`;

/**
 * From a press until it is seen on the page that it was seen, while the house takes its time to answer: ms, the first few left out. What is written
 * is held back for half a second on its way.
 */
export async function press(page: Page, url: string, times = 25): Promise<number[]> {
  await atABar(page, url);
  await page.setRequestInterception(true);
  page.on("request", (r) =>
    r.method() === "POST"
      ? void setTimeout(
          () => void r.respond({ status: 422, body: '{"fault":{"name":"No","message":"No.","path":[]}}' }),
          500,
        )
      : void r.continue(),
  );
  await page.evaluate(NOTES_PRESSES);
  for (let i = 0; i < times; i++) {
    await page.click("[data-bar]");
    await page.waitForFunction((n) => (window as unknown as { seen: number[] }).seen.length > n, {}, i);
    await page.waitForFunction(() => !document.querySelector("[data-on-its-way]"));
  }
  const out = (await page.evaluate(() => (window as unknown as { seen: number[] }).seen)).slice(5);
  await page.setRequestInterception(false);
  return out;
}

/** ms of script until a page stands and answers. */
export async function opening(page: Page, url: string, times = 15): Promise<number> {
  const out: number[] = [];
  for (let i = 0; i < times; i++) {
    await page.goto("about:blank");
    const soFar = await spent(page, SCRIPT);
    const before = await soFar();
    await page.goto(url, { waitUntil: "networkidle0" });
    await page.evaluate(DRAWN.pointer);
    out.push((await soFar()) - before);
  }
  return median(out);
}
