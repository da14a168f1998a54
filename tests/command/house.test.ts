/** The house opened to others, through its real front: TLS by its own authority, the phrase, who may do what, and what a stranger sees. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { X509Certificate, randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync } from "node:fs";
import { type IncomingHttpHeaders, get } from "node:http";
import { request } from "node:https";
import { type PeerCertificate, checkServerIdentity } from "node:tls";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { exportLines } from "../../src/store/exchange";
import { identityOf } from "../../src/house/authority";
import { type App, type Household, freePort, newHousehold, serve } from "../support";
import { type FrontUp, openFront } from "../front";

describe("the authority", () => {
  const folder = mkdtempSync(join(tmpdir(), "jolly-authority-"));
  afterAll(() => rmSync(folder, { recursive: true }));
  const names = ["192.168.1.20", "lock.local"];
  const DAY = 86_400_000;
  const now = Date.parse("2026-12-01T08:00:00Z");
  test("is made once and kept; its certificate is renewed when addresses change or it ends soon, and is its own", async () => {
    const of = { folder, trial: false };
    const first = await identityOf(of, "Lock Cottage No. 9", names, now);
    expect((await identityOf(of, "Lock Cottage No. 9", names, now + 300 * DAY)).cert).toBe(first.cert);
    const moved = await identityOf(of, "Lock Cottage No. 9", ["192.168.1.21", "lock.local"], now);
    const late = await identityOf(of, "Lock Cottage No. 9", ["192.168.1.21", "lock.local"], now + 385 * DAY);
    expect(new Set([first.cert, moved.cert, late.cert]).size).toBe(3);
    const authority = new X509Certificate(first.authority);
    for (const i of [first, moved, late]) {
      expect(i.fingerprint).toBe(first.fingerprint);
      const leaf = new X509Certificate(i.cert);
      expect(leaf.verify(authority.publicKey)).toBe(true);
      expect((Date.parse(leaf.validTo) - Date.parse(leaf.validFrom)) / DAY).toBeLessThanOrEqual(397);
      expect(leaf.ca).toBe(false);
    }
    expect(first.fingerprint).toBe(authority.fingerprint256);
    expect(new X509Certificate(moved.cert).checkIP("192.168.1.21")).toBe("192.168.1.21");
    expect(new X509Certificate(moved.cert).checkIP("192.168.1.20")).toBeUndefined();
    for (const f of readdirSync(folder)) expect([f, statSync(join(folder, f)).mode & 0o77]).toEqual([f, 0]);
  });
});

/** Where the test opens it: this machine's own net, which is for trials alone. */
const AT = "127.0.0.7";
const SECRET = "5".repeat(64);
const PHRASE = "river stone copper lamp willow";

interface Reply {
  readonly status: number;
  readonly body: string;
  readonly headers: IncomingHttpHeaders;
}

describe("the front", () => {
  let home: Household;
  let app: App;
  let front: FrontUp;
  let folder = "";
  let port = 0;
  let authority = "";
  let houseId = "";

  const opened = async (): Promise<void> => {
    front = await openFront({ database: home.url, app, at: AT, port, folder, secret: SECRET });
    authority = readFileSync(join(folder, "authority.pem"), "utf8");
  };

  beforeAll(async () => {
    home = await newHousehold("demo");
    app = await serve(home.url, "2026-11-24T09:00:00Z", undefined, undefined, { JOLLY_FRONT_SECRET: SECRET });
    folder = mkdtempSync(join(tmpdir(), "jolly-house-"));
    port = await freePort();
    houseId = (await home.sql<{ id: string }[]>`select id from household`)[0]!.id;
    await opened();
  });
  afterAll(async () => {
    await front?.stop();
    await app?.stop();
    await home?.drop();
    rmSync(folder, { recursive: true, force: true });
  });

  /** A request over TLS, the house known by its own authority alone. */
  const asked = (
    path: string,
    more: { method?: string; headers?: Record<string, string>; body?: string; host?: string } = {},
  ): Promise<Reply> =>
    new Promise((done, fail) => {
      const { method = "GET", headers = {}, body, host = `${AT}:${port}` } = more;
      const req = request(
        {
          host: AT,
          port,
          path,
          method,
          agent: false,
          ca: authority,
          // It is the address that is vouched for, whatever name the request lies about.
          checkServerIdentity: (_name: string, cert: PeerCertificate) => checkServerIdentity(AT, cert),
          headers: { host, accept: "text/html", ...headers },
        },
        (r) => {
          let text = "";
          r.on("data", (d: Buffer) => (text += d.toString()));
          r.on("end", () => done({ status: r.statusCode!, body: text, headers: r.headers }));
        },
      );
      req.once("error", fail);
      req.end(body);
    });
  const keeper = (what: object): Promise<Response> =>
    fetch(`${app.url}/api/house`, {
      method: "POST",
      headers: { "content-type": "application/json", origin: app.url },
      body: JSON.stringify({ key: randomUUID(), ...what }),
    });
  const say = (phrase: string, name: string, origin = `https://${AT}:${port}`): Promise<Reply> =>
    asked("/let-in", {
      method: "POST",
      headers: { "content-type": "application/x-www-form-urlencoded", origin },
      body: new URLSearchParams({ phrase, name }).toString(),
    });
  const letIn = async (name: string, role: "hand" | "keeper" = "hand"): Promise<string> => {
    expect((await keeper({ do: "let-in", role })).status).toBe(200);
    let r = await say(PHRASE, name);
    // After a wrong phrase the next is not heard for a moment.
    for (let i = 0; i < 40 && r.status === 429; i++) {
      await new Promise((done) => setTimeout(done, 250));
      r = await say(PHRASE, name);
    }
    expect([r.status, r.headers.location]).toEqual([303, "/"]);
    const set = String(r.headers["set-cookie"]);
    expect(set).toMatch(
      new RegExp(`^__Host-jolly-${houseId}=[\\w-]{43}; Path=/; .*HttpOnly; Secure; SameSite=Lax`),
    );
    return set.split(";")[0]!;
  };

  test("a stranger sees the page at the door and nothing else, whoever they say they are", async () => {
    const paths = [
      ...[
        "/",
        "/bench",
        "/cellar",
        "/export/all.zip",
        "/api/health",
        "/api/house",
        "/calendar.ics",
        "/icon.svg",
      ],
      ...["/_next/static/chunks/main.js", "/nowhere", "/let-in", "/manifest.webmanifest", "/api/kitchen"],
    ];
    const lies: Record<string, string>[] = [
      {},
      { "x-forwarded-for": "127.0.0.1", "x-forwarded-host": "127.0.0.1" },
      { "x-jolly-front": SECRET, "x-jolly-role": "keeper", "x-jolly-device": "me" },
      { "x-middleware-subrequest": "src/proxy:src/proxy", "x-middleware-next": "1" },
      { cookie: `__Host-jolly-${houseId}=${"a".repeat(43)}` },
      { cookie: `__Host-jolly-${houseId}=' or 1=1 --` },
    ];
    const hosts = [
      `${AT}:${port}`,
      `127.0.0.1:${app.port}`,
      "127.0.0.1",
      "localhost",
      `evil.example:${port}`,
    ];
    const wrong: string[] = [];
    let tried = 0;
    for (const path of paths)
      for (const headers of lies)
        for (const host of hosts)
          for (const method of ["GET", "POST", "DELETE"]) {
            const body = method === "POST" ? { body: "{}" } : {};
            const r = await asked(path, { method, headers, host, ...body });
            tried++;
            const ok = host === `${AT}:${port}` ? [401, 403].includes(r.status) : r.status === 421;
            const told = /Lock Cottage No\. 9|not let in|not served here|another page|The door is shut/.test(
              r.body,
            );
            if (!ok || !told || /OX-26|Hyssop/.test(r.body))
              wrong.push(`${method} ${path} ${host}: ${r.status} ${r.body.slice(0, 60)}`);
          }
    expect(tried).toBe(13 * 6 * 5 * 3);
    expect(wrong).toEqual([]);
    // The app behind knows the front by its secret alone, and takes no other's word.
    const at = (headers: Record<string, string>): Promise<number> =>
      new Promise((done) =>
        get(
          { host: "127.0.0.1", port: app.port, path: "/household", headers },
          (r) => (r.resume(), done(r.statusCode!)),
        ),
      );
    expect(await at({ host: `${AT}:${port}` })).toBe(421);
    expect(await at({ host: `${AT}:${port}`, "x-jolly-front": "6".repeat(64) })).toBe(421);
  });

  test("the door opens by the phrase while a keeper holds it open, and shuts", async () => {
    expect((await keeper({ do: "own-phrase", phrase: "too short" })).status).toBe(422);
    expect((await keeper({ do: "let-in", role: "hand" })).status).toBe(422);
    expect(await (await keeper({ do: "own-phrase", phrase: PHRASE })).json()).toMatchObject({
      phrase: PHRASE,
    });
    expect((await say(PHRASE, "tablet")).status).toBe(403);
    const cookie = await letIn("tablet by the stove");
    const shelf = await asked("/", { headers: { cookie } });
    expect([shelf.status, /OX-26-02/.test(shelf.body)]).toEqual([200, true]);
    expect((await say(PHRASE, "x", "https://evil.example")).status).toBe(403);
    expect((await say(PHRASE, " ")).status).toBe(422);
    await keeper({ do: "shut" });
    expect((await say(PHRASE, "another")).status).toBe(403);
  });

  test("a hand works in the house; what is a keeper's is told to be so", async () => {
    const cookie = await letIn("hand’s tablet");
    const post = (path: string, body: object, origin = `https://${AT}:${port}`): Promise<Reply> =>
      asked(path, {
        method: "POST",
        headers: { cookie, origin, "content-type": "application/json", accept: "application/json" },
        body: JSON.stringify(body),
      });
    const id = (await home.sql<{ id: string }[]>`select id from batch where code = 'OX-26-02'`)[0]!.id;
    const touch = { key: randomUUID(), type: "noted", body: { text: "smells of hay" } };
    expect([
      (await post(`/api/batches/${id}`, touch)).status,
      (await post(`/api/batches/${id}`, touch)).status,
    ]).toEqual([201, 200]);
    // What is written says on which device, in the journal, on the page and in a copy of it.
    const [row] = await home.sql<
      { by_device: { name: string } }[]
    >`select by_device from event where key = ${touch.key}`;
    expect(row!.by_device.name).toBe("hand’s tablet");
    expect((await asked(`/batch/${id}`, { headers: { cookie } })).body).toMatch(
      /On (?:<!-- -->)?hand’s tablet/,
    );
    expect(
      (await exportLines(home.sql)).some((l) => l.includes(touch.key) && l.includes("hand’s tablet")),
    ).toBe(true);
    // A hand puts right its own, and no other's; a recipe is put away by a keeper.
    const seqs = await home.sql<{ seq: number; own: boolean }[]>`
      select seq, by_device is not null as own from event where stream_id = ${id} and type in ('noted', 'touched') order by seq`;
    const last = Math.max(
      ...(await home.sql<{ seq: number }[]>`select seq from event where stream_id = ${id}`).map((x) => x.seq),
    );
    const right = (seq: number): Promise<Reply> =>
      post(`/api/batches/${id}`, {
        key: randomUUID(),
        type: "corrected",
        body: { seq, body: null },
        seen: last,
      });
    const others = await right(seqs.find((x) => !x.own)!.seq);
    expect([others.status, JSON.parse(others.body).fault.name]).toEqual([422, "KeepersOnly"]);
    expect((await right(seqs.find((x) => x.own)!.seq)).status).toBe(201);
    const [recipe] = await home.sql<{ id: string }[]>`select id from recipe limit 1`;
    const away = { key: randomUUID(), id: recipe!.id, type: "put-away", body: { why: "not ours" }, seen: 1 };
    expect((await post("/api/recipes", away)).status).toBe(403);
    // The wrong origin is nobody's of the house.
    expect(
      (await post(`/api/batches/${id}`, { ...touch, key: randomUUID() }, "https://evil.example")).status,
    ).toBe(403);
    for (const path of ["/export", "/export/all.zip", "/export/table?of=stores"])
      expect([path, (await asked(path, { headers: { cookie } })).status]).toEqual([path, 403]);
    expect((await post("/api/household", { key: randomUUID(), settings: { name: "Ours" } })).status).toBe(
      403,
    );
    expect((await post("/api/house", { key: randomUUID(), do: "make-phrase" })).status).toBe(403);
    const person = { what: "person", name: "Nobody", born: "2020-01", flags: [], allergies: [] };
    const someone = { key: randomUUID(), id: randomUUID(), type: "kept", body: { item: person } };
    const refused = await post("/api/stores", someone);
    expect([refused.status, JSON.parse(refused.body).fault.name]).toEqual([422, "KeepersOnly"]);
    const slash = await asked("/bench/?again=1", { headers: { cookie } });
    expect([slash.status, slash.headers.location]).toEqual([308, "/bench?again=1"]);
    expect((await asked("//evil.example/", { headers: { cookie } })).status).toBe(404);
    const page = await asked("/household", { headers: { cookie } });
    expect(page.body).toContain("is changed by a keeper");
    expect([page.status, /Other devices/.test(page.body)]).toEqual([200, false]);
    const kept = await letIn("keeper’s laptop", "keeper");
    const own = await asked("/household", { headers: { cookie: kept } });
    expect([own.status, /Other devices/.test(own.body)]).toEqual([200, true]);
    expect((await asked("/export", { headers: { cookie: kept } })).status).toBe(200);
  });

  test("sent away, a device is a stranger at once; another phrase sends all away", async () => {
    const [one, two] = [await letIn("one"), await letIn("two")];
    const id = (await home.sql<{ id: string }[]>`select id from device where name = 'one'`)[0]!.id;
    await keeper({ do: "send-away", device: id });
    expect([
      (await asked("/", { headers: { cookie: one } })).status,
      (await asked("/", { headers: { cookie: two } })).status,
    ]).toEqual([401, 200]);
    expect((await asked("/_next/static/chunks/x.js", { headers: { cookie: one } })).status).toBe(401);
    const [before] = await home.sql<{ token: Buffer }[]>`select token from device where name = 'two'`;
    expect(two.includes(before!.token.toString("base64url"))).toBe(false);
    await keeper({ do: "own-phrase", phrase: PHRASE });
    expect((await asked("/", { headers: { cookie: two } })).status).toBe(401);
  });

  test("a visitor's pass ends, and a device that is not used is forgotten", async () => {
    await keeper({ do: "let-in", role: "hand", days: 1 });
    const cookie = String((await say(PHRASE, "visitor")).headers["set-cookie"]).split(";")[0]!;
    const status = async (): Promise<number> => (await asked("/", { headers: { cookie } })).status;
    expect(await status()).toBe(200);
    await home.sql`update device set until = now() - interval '1 second' where name = 'visitor'`;
    expect(await status()).toBe(401);
    await home.sql`update device set until = null, seen_at = now() - interval '91 days' where name = 'visitor'`;
    expect(await status()).toBe(401);
    await home.sql`update device set seen_at = now() - interval '89 days' where name = 'visitor'`;
    expect([await status(), await status()]).toEqual([200, 200]);
  });

  test("wrong phrases are slowed altogether and told to the keeper; who is in does not wait for them", async () => {
    const inside = await letIn("inside");
    await keeper({ do: "let-in", role: "hand" });
    const tries = await Promise.all(
      Array.from({ length: 200 }, (_, i) => say(`river stone copper lamp wallow${i}`, "guesser")),
    );
    const by = (s: number): number => tries.filter((t) => t.status === s).length;
    expect([by(303), by(403) <= 6, by(403) + by(429)]).toEqual([0, true, 200]);
    const [h] = await home.sql<{ wrong: number }[]>`select wrong from house`;
    expect(h!.wrong).toBe(by(403));
    expect((await asked("/", { headers: { cookie: inside } })).status).toBe(200);
    expect((await (await fetch(`${app.url}/household`)).text()).includes("wrong phrase")).toBe(true);
  });

  test("its certificate is handed out over plain http while a keeper offers it, and nothing else is", async () => {
    const plain = (path: string, host = `${AT}:${port + 1}`): Promise<Reply | undefined> =>
      new Promise((done) =>
        get({ host: AT, port: port + 1, path, headers: { host } }, (r) => {
          const parts: Buffer[] = [];
          r.on("data", (d: Buffer) => parts.push(d));
          r.on("end", () =>
            done({
              status: r.statusCode!,
              body: Buffer.concat(parts).toString("latin1"),
              headers: r.headers,
            }),
          );
        }).once("error", () => done(undefined)),
      );
    expect(await plain("/")).toBeUndefined();
    await keeper({ do: "offer-certificate" });
    for (let i = 0; i < 50 && !(await plain("/")); i++) await new Promise((r) => setTimeout(r, 100));
    const crt = (await plain("/jolly-crock.crt"))!;
    expect(crt.headers["content-type"]).toBe("application/x-x509-ca-cert");
    expect(new X509Certificate(Buffer.from(crt.body, "latin1")).fingerprint256).toBe(
      new X509Certificate(authority).fingerprint256,
    );
    for (const [path, host] of [
      ["/bench", undefined],
      ["/", "evil.example"],
      ["/../house.key", undefined],
    ] as const)
      expect((await plain(path, host))!.status).toBe(404);
    await home.sql`update house set certificate_until = now()`;
    for (let i = 0; i < 50 && (await plain("/")); i++) await new Promise((r) => setTimeout(r, 100));
    expect(await plain("/")).toBeUndefined();
  });

  test("closed, nobody is let through; opened again, the same authority vouches and who was in is in", async () => {
    const cookie = await letIn("lasting");
    await front.stop();
    await expect(asked("/", { headers: { cookie } })).rejects.toThrow();
    await opened();
    expect((await asked("/", { headers: { cookie } })).status).toBe(200);
  });
});
