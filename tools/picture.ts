/** Takes pictures of a running app for looking at: `node --import tsx tools/picture.ts URL FILE [WIDTHxHEIGHT] [script]`; the script runs in the page before the picture. */
import { launchChromium } from "./chromium";

const [url, file, size = "1280x800", script] = process.argv.slice(2);
if (!url || !file) throw new Error("URL and FILE are wanted");
const [width, height] = size.split("x").map((n) => Number.parseInt(n, 10)) as [number, number];
const browser = await launchChromium({ args: ["--force-device-scale-factor=1"] });
try {
  const page = await browser.newPage();
  page.on(
    "console",
    (m) =>
      (m.type() === "error" || m.type() === "warn") &&
      process.stderr.write(`console ${m.type()}: ${m.text()}\n`),
  );
  page.on("pageerror", (e) => process.stderr.write(`page error: ${String(e)}\n`));
  await page.setViewport({ width, height });
  await page.goto(url, { waitUntil: "load" });
  // A page that listens to instruments is never idle: it is looked at once it is awake.
  await page.waitForSelector('html[data-awake="yes"]').catch(() => undefined);
  await new Promise((r) => setTimeout(r, 700));
  await page.evaluate("document.fonts.ready");
  if (script) {
    const keys = script.split(" ;; ");
    for (const k of keys) {
      // `type:SELECTOR:TEXT`, `click:SELECTOR`, `press:KEY`, or plain script.
      const m = /^(type|click|press|wait|select):([^]*)$/.exec(k);
      if (!m) await page.evaluate(k);
      else if (m[1] === "click") await page.click(m[2]!);
      else if (m[1] === "press") await page.keyboard.press(m[2] as "Enter");
      else if (m[1] === "wait") await new Promise((r) => setTimeout(r, Number(m[2])));
      else {
        const at = m[2]!.indexOf("::");
        if (m[1] === "select") await page.select(m[2]!.slice(0, at), m[2]!.slice(at + 2));
        else await page.type(m[2]!.slice(0, at), m[2]!.slice(at + 2));
      }
    }
    await new Promise((r) => setTimeout(r, 400));
  }
  await page.screenshot({ path: file as `${string}.png`, fullPage: size.endsWith("full") });
} finally {
  await browser.close();
}
