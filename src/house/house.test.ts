/** The house's rules by themselves: which addresses, which doors, which phrases. */
import { describe, expect, test } from "@jest/globals";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { inUrl, isPrivate, netName, netNames, whereToOpen } from "./addresses";
import { doorOf, mayPass } from "./doors";
import { STRIPPED } from "./http";
import { hashOf, isPhrase, newPhrase, wrongWith } from "./phrase";

describe("addresses", () => {
  test("of all addresses there are, those of the three private nets and fd00::/8 alone", () => {
    const octet = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(octet, octet, octet, octet, (a, b, c, d) => {
        const inside = a === 10 || (a === 172 && b >= 16 && b < 32) || (a === 192 && b === 168);
        return isPrivate([a, b, c, d].join(".")) === inside;
      }),
      { numRuns: 2000 },
    );
    const is = ["172.16.0.1", "172.31.255.1", "10.0.0.1", "192.168.1.20", "fd12:3456::1"];
    const not = [
      "172.32.0.1",
      "172.15.0.1",
      "192.169.0.1",
      "8.8.8.8",
      "127.0.0.1",
      "fe80::1",
      "2001:db8::1",
      "10.0.0",
      "10.0.0.1.1",
      "10.0.0.256",
      "0x0a.0.0.1",
      "::ffff:10.0.0.1",
      "",
    ];
    expect(is.filter((x) => !isPrivate(x))).toEqual([]);
    expect(not.filter(isPrivate)).toEqual([]);
  });
  test("a public address is refused and said why; this machine's own is for trials alone", () => {
    const w = whereToOpen("192.168.1.4, 8.8.8.8,127.0.0.2");
    expect(w.listen).toEqual(["192.168.1.4"]);
    expect(w.refused.join(" ")).toMatch(/8\.8\.8\.8 is no private address.*127\.0\.0\.2 is no private/);
    expect(whereToOpen("127.0.0.2", true).listen).toEqual(["127.0.0.2"]);
    expect(whereToOpen(undefined, true, ["8.8.8.8", "10.1.2.3", "fe80::1"]).listen).toEqual(["10.1.2.3"]);
  });
  test("a household's name is a name on its network, whatever it is called", () => {
    expect(netNames("Lock Cottage No. 9")).toEqual([
      "lock-cottage-no-9.local",
      "lock-cottage-no-9.home.arpa",
    ]);
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (s) =>
        /^[a-z0-9](?:[a-z0-9-]{0,38}[a-z0-9])?-?$/.test(netName(s)),
      ),
    );
    expect(inUrl("fd12::1")).toBe("[fd12::1]");
  });
});

describe("the phrase", () => {
  test("is five words of 2,048, another each time, and known again however it is typed", async () => {
    const made = Array.from({ length: 40 }, newPhrase);
    expect(new Set(made).size).toBe(40);
    for (const p of made) expect(p).toMatch(/^[a-z]+( [a-z]+){4}$/);
    const [one, two] = made as [string, string];
    const kept = await hashOf(one);
    expect(kept).not.toContain(one.split(" ")[0]);
    expect(await isPhrase(`  ${one.toUpperCase().replaceAll(" ", "  ")} `, kept)).toBe(true);
    expect(await isPhrase(one.replaceAll(" ", "-"), kept)).toBe(true);
    expect([await isPhrase(two, kept), await isPhrase("", kept)]).toEqual([false, false]);
  });
  test("one of one's own has five words too, and is told what it lacks", () => {
    expect(wrongWith("river stone copper lamp willow")).toBeUndefined();
    expect(wrongWith("let me in")).toMatch(/five|5 words; this has 3/);
    expect(wrongWith("")).toMatch(/has 0/);
    expect(wrongWith("a bb ccc dddd eeeee")).toMatch(/three letters/);
    expect(wrongWith("oak oak elm ash yew")).toMatch(/twice/);
  });
});

const ID = "0b1c2d3e-4f50-4a61-8b72-93a4b5c6d7e8";
/** Every address the app has, from its folders: each page and each route. */
function addresses(folder: string, at = ""): { path: string; route: boolean }[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    if (e.isDirectory()) return addresses(join(folder, e.name), `${at}/${e.name}`);
    const path = (at || "/")
      .replace(/\[(?:id|picture)\]/g, ID)
      .replace("[sort]", "scale")
      .replace("[secret]", `${"a".repeat(43)}.ics`);
    if (e.name === "page.tsx") return [{ path, route: false }];
    return e.name === "route.ts" ? [{ path, route: true }] : [];
  });
}

describe("doors", () => {
  const all = addresses(join(process.cwd(), "src/app"));
  test("every page and every route stands in the table, and is read or written as it is", () => {
    expect(all.length).toBeGreaterThan(40);
    const shut = all.filter(({ path, route }) => {
      const methods = route ? ["GET", "POST"].filter((m) => methodsOf(path).includes(m)) : ["GET"];
      return methods.length === 0 || methods.some((m) => doorOf(m, path) === undefined);
    });
    expect(shut).toEqual([]);
  });
  /** What a route's file answers to. */
  function methodsOf(path: string): string[] {
    const file = path
      .replace("/api/instruments/scale", "/api/instruments/[sort]")
      .replace(/\/feed\/.*$/, "/feed/[secret]")
      .replace(`/picture/${ID}`, "/picture/[picture]")
      .replaceAll(ID, "[id]");
    const text = readFileSync(join(process.cwd(), "src/app", file, "route.ts"), "utf8");
    return ["GET", "POST", "PUT", "DELETE", "PATCH"].filter((m) =>
      new RegExp(`(?:function|const) ${m}\\b`).test(text),
    );
  }
  test("what is a keeper's no hand may do, and nobody but a feed's secret is let through without a device", () => {
    const hands = all.filter((a) => /^\/(?:export|api\/household|api\/house)/.test(a.path));
    expect(hands.length).toBeGreaterThan(4);
    for (const { path } of hands)
      for (const m of ["GET", "POST"]) {
        const who = doorOf(m, path);
        if (who) expect([path, mayPass("hand", who), mayPass("keeper", who)]).toEqual([path, false, true]);
      }
    for (const { path } of all)
      for (const m of ["GET", "POST"]) {
        const who = doorOf(m, path);
        if (who && mayPass(undefined, who)) expect(path).toMatch(/^\/feed\//);
      }
  });
  test("nothing else, and nothing spelled in a roundabout way", () => {
    const odd = [
      "/api",
      "/api/batches/x",
      "/_next/image",
      "/_next/data/x",
      "/.env",
      "/api/house/../kitchen",
      "/%2e%2e/etc",
      "//bench",
      "/bench/",
      "/batch",
      "/feed/short",
      "/_next/static/../../x",
      "/_next/static/%2e%2e/x",
      "/api/kitchen%00",
      "/_next/static/a\\b",
    ];
    expect(odd.filter((p) => ["GET", "POST", "HEAD"].some((m) => doorOf(m, p) !== undefined))).toEqual([]);
    for (const m of ["PUT", "DELETE", "PATCH", "OPTIONS", "TRACE", "CONNECT", ""])
      expect(doorOf(m, "/bench")).toBeUndefined();
    expect(doorOf("POST", "/bench")).toBeUndefined();
    expect(doorOf("GET", "/_next/static/chunks/app/batch/%5Bid%5D/page-0a1b.js")).toBe("hand");
  });
  test("no header that says who asks, or whence, is passed on", () => {
    const names = [
      "X-Forwarded-For",
      "x-forwarded-host",
      "Forwarded",
      "X-Middleware-Subrequest",
      "x-middleware-rewrite",
      "X-Jolly-Front",
      "x-jolly-role",
      "x-jolly-device",
      "X-Real-IP",
      "Connection",
      "Upgrade",
      "Transfer-Encoding",
      "x-nonce",
    ];
    expect(names.filter((n) => !STRIPPED.test(n))).toEqual([]);
    expect(
      [
        "cookie",
        "accept",
        "content-type",
        "content-length",
        "origin",
        "host",
        "rsc",
        "next-router-state-tree",
      ].filter((n) => STRIPPED.test(n)),
    ).toEqual([]);
  });
});
