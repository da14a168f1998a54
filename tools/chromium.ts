/** Debian's Chromium for tests, pictures and the bench: its build without any window, which takes half the work, where it is there. */
import { existsSync } from "node:fs";
import puppeteer, { type Browser, type LaunchOptions } from "puppeteer-core";

const SHELL = "/usr/bin/chromium-headless-shell";
const ARGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export function launchChromium(options: LaunchOptions = {}): Promise<Browser> {
  const shell = existsSync(SHELL);
  return puppeteer.launch({
    executablePath: shell ? SHELL : "/usr/bin/chromium",
    headless: shell ? "shell" : true,
    ...options,
    args: [...ARGS, ...(options.args ?? [])],
  });
}
