import type { IncomingMessage } from "node:http";

/*
 * What the front reads and writes of HTTP itself.
 */
/** Never passed on: what says who asks or whence, and what belongs to one connection. */
export const STRIPPED =
  /^(?:forwarded|via|x-(?:forwarded|real|middleware|jolly|nonce|invoke|matched|nextjs)[\w-]*|connection|keep-alive|proxy-[\w-]+|te|trailer|transfer-encoding|upgrade|expect)$/i;
export const cookieOf = (req: IncomingMessage, name: string): string | undefined =>
  (req.headers.cookie ?? "")
    .split(";")
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${name}=`))
    ?.slice(name.length + 1);

export const wantsPage = (req: IncomingMessage): boolean =>
  (req.headers.accept ?? "").includes("text/html") && !(req.url ?? "").startsWith("/api/");

/** What is asked for, as one plain path; nothing where it is written in a way of its own. */
export function pathOf(
  url: string | undefined,
): { readonly path: string; readonly whole: string } | undefined {
  if (!url?.startsWith("/")) return undefined;
  const at = url.search(/[?#]/);
  return { path: at < 0 ? url : url.slice(0, at), whole: url };
}

export const PLAIN = {
  "cache-control": "no-store",
  "x-content-type-options": "nosniff",
  "x-frame-options": "DENY",
  // Stricter, and a browser says of its own form that it comes from nowhere.
  "referrer-policy": "same-origin",
} as const;
export const HOP: ReadonlySet<string> = new Set(["connection", "keep-alive", "transfer-encoding", "upgrade"]);

/** A small body, whole. Throws where it is larger. */
export function bodyOf(req: IncomingMessage, most: number): Promise<string> {
  return new Promise((done, fail) => {
    const parts: Buffer[] = [];
    let n = 0;
    req.on("data", (c: Buffer) => {
      n += c.length;
      if (n <= most) return void parts.push(c);
      req.destroy();
      fail(new Error("too large a form"));
    });
    req.once("end", () => done(Buffer.concat(parts).toString("utf8")));
    req.once("error", fail);
  });
}
