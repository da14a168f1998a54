import { CacheFirst, ExpirationPlugin, NetworkFirst, Serwist, StaleWhileRevalidate } from "serwist";
import { AWAY } from "./away-page";
import { JOURNALS, KEPT_TIMING, type ToShell, bottlesOf, codeOf, fontsOf, isKeptPage } from "./kept-pages";

/*
 * The service worker of a page that is trusted: it stands between the browser and a house that may be away. Everything is read fresh where the house
 * answers; where it does not, a page is shown as it was fetched last, and says so.
 */

const DAY_S = 24 * 60 * 60;
const [CODE, PAGES, SMALL] = ["jolly-code", "jolly-pages", "jolly-small"];
/** Bottles that are kept ahead, the first to be used. */
const MOST_BOTTLES = 40;
/** A house that takes longer than this to make a page is taken for away, s. */
const PATIENCE_S = 8;

/** A page as it is kept: with the time it was fetched at, which it says when it is shown. */
async function stamped(response: Response): Promise<Response> {
  const headers = new Headers(response.headers);
  headers.set("server-timing", `${KEPT_TIMING};dur=${Date.now()}`);
  headers.delete("content-encoding");
  headers.delete("content-length");
  return new Response(await response.blob(), { status: 200, headers });
}
const isPage = (r: Response): boolean =>
  r.status === 200 && !r.redirected && (r.headers.get("content-type") ?? "").startsWith("text/html");

const keepPages = {
  cacheWillUpdate: async ({ response }: { response: Response }) =>
    isPage(response) ? stamped(response) : null,
};

interface ShellScope {
  addEventListener: (
    what: "message",
    call: (e: { data: ToShell; waitUntil: (p: Promise<unknown>) => void }) => void,
  ) => void;
  skipWaiting: () => Promise<void>;
  readonly clients: { readonly get: (id: string) => Promise<{ readonly url: string } | undefined> };
}
const shell = self as unknown as ShellScope;

/** What stands before the house says where nothing answers behind it. */
const AWAY_NOW: ReadonlySet<number> = new Set([502, 503, 504]);
/** How often, and how long, a page that was to be made anew when the signal went looks for the house, ms. */
const [LOOKS_MS, MOST_MS] = [2000, 4 * 60_000];

/**
 * A page is made anew under the hand: where that fails the framework loads it again, and what stands in it is gone. So it waits until the house answers,
 * and stays what it is till then. What leads to another page fails at once, as it did.
 */
async function anew(request: Request, clientId: string): Promise<Response> {
  const page = await shell.clients.get(clientId);
  if (page === undefined || new URL(page.url).pathname !== new URL(request.url).pathname)
    return fetch(request);
  const until = Date.now() + MOST_MS;
  for (;;) {
    try {
      const r = await fetch(request.clone());
      // Taken whole before it is handed on: the house may go in the middle of what it says.
      const whole = await r.arrayBuffer();
      if (AWAY_NOW.has(r.status)) throw new Error(`the house answers ${r.status}`);
      const headers = new Headers(r.headers);
      headers.delete("content-encoding");
      headers.delete("content-length");
      return new Response(whole, { status: r.status, headers });
    } catch (e) {
      if (request.signal.aborted || Date.now() > until) throw e;
      await new Promise((done) => setTimeout(done, LOOKS_MS));
    }
  }
}

const serwist = new Serwist({
  precacheEntries: [],
  skipWaiting: false,
  clientsClaim: true,
  navigationPreload: true,
  disableDevLogs: true,
  runtimeCaching: [
    {
      // Named after what is in it: what was fetched once is right for ever.
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith("/_next/static/"),
      handler: new CacheFirst({
        cacheName: CODE,
        plugins: [new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: 90 * DAY_S })],
      }),
    },
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === "navigate" && isKeptPage(url.pathname),
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: PATIENCE_S,
        matchOptions: { ignoreVary: true },
        plugins: [keepPages, new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: 30 * DAY_S })],
      }),
    },
    {
      matcher: ({ url, sameOrigin }) =>
        sameOrigin &&
        /^\/(?:icon\.svg|manifest\.webmanifest|batch\/[^/]+\/picture\/[^/]+)$/.test(url.pathname),
      handler: new StaleWhileRevalidate({
        cacheName: SMALL,
        plugins: [new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: 30 * DAY_S })],
      }),
    },
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && url.searchParams.has("_rsc") && !request.headers.has("next-router-prefetch"),
      handler: ({ event, request }) => anew(request, (event as FetchEventLike).clientId ?? ""),
    },
    {
      // What a device holds of the jars on the Shelf, so that what is written here can be folded in.
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname === JOURNALS,
      handler: new NetworkFirst({ cacheName: SMALL, networkTimeoutSeconds: PATIENCE_S }),
    },
    {
      matcher: ({ request }) => request.mode === "navigate",
      handler: async ({ event, request }) =>
        (await (event as FetchEventLike).preloadResponse) ?? fetch(request),
    },
  ],
});
interface FetchEventLike {
  readonly preloadResponse?: Promise<Response | undefined>;
  readonly clientId?: string;
}

serwist.setCatchHandler(async ({ request }) => {
  if (request.mode !== "navigate") return Response.error();
  return new Response(AWAY, { status: 503, headers: { "content-type": "text/html; charset=utf-8" } });
});

/** Keeps what a page runs on, as far as it is not kept already. */
async function keepCode(paths: readonly string[]): Promise<void> {
  const code = await caches.open(CODE);
  for (const path of paths) {
    let there = await code.match(path);
    if (!there) {
      const r = await fetch(path);
      if (!r.ok) continue;
      await code.put(path, r.clone());
      there = r;
    }
    if (path.endsWith(".css")) await keepCode(fontsOf(await there.text(), path));
  }
}

/** What was fetched so lately is not fetched ahead again, ms. */
const FRESH_MS = 10 * 60_000;
const isFresh = (kept: Response | undefined): boolean => {
  const at = Number(/dur=(\d+)/.exec(kept?.headers.get("server-timing") ?? "")?.[1] ?? 0);
  return Date.now() - at < FRESH_MS;
};

/** Fetches pages and what they run on, one after the other, so that the house is not asked for all at once. */
async function keep(paths: readonly string[]): Promise<void> {
  const pages = await caches.open(PAGES);
  for (const path of paths.filter((p) => isKeptPage(p.split("?")[0]!))) {
    if (isFresh(await pages.match(path, { ignoreVary: true }))) continue;
    const r = await fetch(path, { headers: { accept: "text/html" } }).catch(() => undefined);
    if (!r) return;
    if (!isPage(r)) continue;
    const html = await r.clone().text();
    await pages.put(path, await stamped(r));
    await keepCode(codeOf(html));
    // A bottle is taken into the hand where it stands, and no signal reaches many a pantry.
    if (path === "/cellar") await keep(bottlesOf(html, MOST_BOTTLES));
  }
}

shell.addEventListener("message", (e) => {
  switch (e.data.say) {
    case "keep":
      e.waitUntil(keep(e.data.paths));
      break;
    case "renew":
      e.waitUntil(shell.skipWaiting());
      break;
  }
});
serwist.addEventListeners();
