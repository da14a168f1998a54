import { type IncomingMessage, type ServerResponse, request as ask } from "node:http";
import { type Server, createServer } from "node:https";
import type { Socket } from "node:net";
import { household } from "../store/household";
import type { Sql } from "../store/db";
import { HandIn, awayDevice, handIn } from "../store/handed-in";
import { type Device, type House, admit, deviceOf, hashed, houseOf, wrongPhrase } from "../store/devices";
import { inUrl } from "./addresses";
import { type Who, doorOf, mayPass } from "./doors";
import { POLICY, doorPage, keepersPage } from "./pages";
import { HOP, PLAIN, STRIPPED, bodyOf, cookieOf, pathOf, wantsPage } from "./http";
import { TooMany, isPhrase } from "./phrase";

/*
 * The house's front: TLS on its private addresses, and everything behind it. The app itself listens on loopback and cannot tell who asks, so trust
 * follows this listener: what comes through carries a secret made at each start, and nothing a stranger writes in a header is passed on.
 */

export interface FrontOf {
  readonly sql: Sql;
  /** Where the app listens, on 127.0.0.1. */
  readonly appPort: number;
  readonly port: number;
  readonly secret: string;
  readonly addresses: readonly string[];
  readonly names: readonly string[];
  readonly cert: string;
  readonly key: string;
}

const MOST_BODY = 16 * 1024 * 1024;
/** Requests of one device that may be under way at once. */
const MOST_AT_ONCE = 48;
const PATIENCE_MS = 120_000;
/** No device is let in sooner after a wrong phrase, ms; it doubles, up to a minute. */
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 60_000;
const FORM_BYTES = 2048;
const HAND_IN_BYTES = 2 * 1024 * 1024;

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export class Front {
  private readonly atOnce = new Map<string, number>();
  private wrongInRow = 0;
  private notBefore = 0;
  private readonly hosts: ReadonlySet<string>;
  private servers: Server[] = [];

  constructor(private readonly of: FrontOf) {
    const all = [...of.addresses.map(inUrl), ...of.names];
    this.hosts = new Set(all.map((h) => `${h}:${of.port}`.toLowerCase()));
  }

  async listen(): Promise<void> {
    for (const host of this.of.addresses) {
      const s = createServer(
        {
          cert: this.of.cert,
          key: this.of.key,
          minVersion: "TLSv1.2",
          requestTimeout: PATIENCE_MS,
          headersTimeout: 10_000,
        },
        (req, res) => void this.handle(req, res).catch(() => this.failed(res)),
      );
      s.maxConnections = 256;
      s.on("upgrade", (_req, socket: Socket) => socket.destroy());
      s.on("clientError", (_e, socket: Socket) => socket.destroy());
      await new Promise<void>((done, fail) => s.once("error", fail).listen(this.of.port, host, done));
      this.servers.push(s);
    }
  }

  /** Goes on with a certificate that was renewed. */
  renew(cert: string, key: string): void {
    for (const s of this.servers) s.setSecureContext({ cert, key });
  }

  async close(): Promise<void> {
    for (const s of this.servers) {
      s.closeAllConnections();
      await new Promise((done) => s.close(done));
    }
    this.servers = [];
  }

  private failed(res: ServerResponse): void {
    if (!res.headersSent) this.say(res, 503, "The house does not answer just now. Try again in a moment.");
    else res.destroy();
  }

  private say(res: ServerResponse, status: number, words: string, more: Record<string, string> = {}): void {
    res.writeHead(status, { ...PLAIN, "content-type": "text/plain; charset=utf-8", ...more }).end(words);
  }
  private html(res: ServerResponse, status: number, body: string, more: Record<string, string> = {}): void {
    res
      .writeHead(status, {
        ...PLAIN,
        "content-type": "text/html; charset=utf-8",
        "content-security-policy": POLICY,
        ...more,
      })
      .end(body);
  }

  private async handle(req: IncomingMessage, res: ServerResponse): Promise<void> {
    // What is answered before it was heard out is still read to its end, so that its connection stays whole.
    res.once("finish", () => req.resume());
    const host = (req.headers.host ?? "").toLowerCase();
    if (!this.hosts.has(host)) return this.say(res, 421, "This address is not served here.");
    const at = pathOf(req.url);
    if (!at) return this.say(res, 400, "This address is not written as addresses are.");
    if (req.method === "POST" && req.headers.origin !== `https://${host}`)
      return this.refuse(
        req,
        res,
        403,
        "ForeignOrigin",
        "This request came from another page and was not carried out.",
      );
    const home = await household(this.of.sql);
    const cookie = `__Host-jolly-${home.id}`;
    if (at.path === "/let-in" && req.method === "POST") return this.letIn(req, res, home.name, cookie);
    if (at.path === "/hand-in" && req.method === "POST") return this.handIn(req, res, cookie);
    const who = doorOf(req.method ?? "", at.path);
    if (who === "secret") return this.pass(req, res, at.whole, undefined);
    const token = cookieOf(req, cookie);
    const device = token ? await deviceOf(this.of.sql, token) : undefined;
    if (!device) return this.stranger(req, res, home.name);
    return this.known(req, res, at.whole, device, who, home.name);
  }

  private known(
    req: IncomingMessage,
    res: ServerResponse,
    url: string,
    device: Device,
    who: Who | undefined,
    name: string,
  ): Promise<void> | void {
    if (url === "/let-in") return void res.writeHead(303, { ...PLAIN, location: "/" }).end();
    // The app itself does so, and the table of doors knows one way to write an address.
    const bare = url.replace(/\/+(?=\?|$)/, "");
    if (who === undefined && bare !== url && doorOf("GET", bare.split("?")[0]!) !== undefined)
      return void res.writeHead(308, { ...PLAIN, location: bare }).end();
    if (who === undefined)
      return this.refuse(req, res, 404, "NoSuchDoor", "There is no such address in this house.");
    if (!mayPass(device.role, who)) {
      if (wantsPage(req)) return this.html(res, 403, keepersPage(name));
      return this.refuse(req, res, 403, "KeepersOnly", "This is for a keeper of the house.");
    }
    return this.pass(req, res, url, device);
  }

  /** Whoever is not known sees the page at the door and nothing else, whatever was asked for. */
  private async stranger(req: IncomingMessage, res: ServerResponse, name: string): Promise<void> {
    if (!wantsPage(req))
      return this.refuse(
        req,
        res,
        401,
        "NotLetIn",
        "This device is not let in. Open the house’s page and say its phrase.",
      );
    const house = await houseOf(this.of.sql);
    this.html(res, 401, doorPage({ household: name, open: this.standsOpen(house) }));
  }

  private standsOpen = (h: House): boolean => h.door !== undefined && h.phrase !== undefined;

  private async letIn(
    req: IncomingMessage,
    res: ServerResponse,
    name: string,
    cookie: string,
  ): Promise<void> {
    const form = new URLSearchParams(await bodyOf(req, FORM_BYTES));
    const called = (form.get("name") ?? "")
      .replace(/[\p{C}\s]+/gu, " ")
      .trim()
      .slice(0, 60);
    const house = await houseOf(this.of.sql);
    const again = (status: number, wrong: string, open = true): void =>
      this.html(res, status, doorPage({ household: name, open, wrong, name: called }));
    if (!this.standsOpen(house))
      return again(403, "The door was shut meanwhile. Ask a keeper to open it again.", false);
    if (called === "") return again(422, "Say what this device is called here, like “tablet by the stove”.");
    const wait = this.notBefore - Date.now();
    if (wait > 0)
      return again(
        429,
        `A wrong phrase was said a moment ago. Wait ${Math.ceil(wait / 1000)} s, then say it again.`,
      );
    // Held from now on, so that a thousand at once are one attempt.
    this.notBefore = Date.now() + FIRST_WAIT_MS;
    const right = await isPhrase(form.get("phrase") ?? "", house.phrase!).catch((e: unknown) => {
      if (e instanceof TooMany) return undefined;
      throw e;
    });
    if (right === undefined) return again(429, "Others are at the door just now. Say it again in a moment.");
    if (!right) {
      this.wrongInRow++;
      this.notBefore = Date.now() + Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** this.wrongInRow);
      await wrongPhrase(this.of.sql);
      return again(403, "That is not the phrase. It is five words, as the household’s page told them.");
    }
    [this.wrongInRow, this.notBefore] = [0, 0];
    const { role, days } = house.door!;
    const { token } = await admit(this.of.sql, { name: called, role, days });
    const ages = `${cookie}=${token}; Path=/; Max-Age=${400 * 86_400}; HttpOnly; Secure; SameSite=Lax`;
    res.writeHead(303, { ...PLAIN, location: "/", "set-cookie": ages }).end();
  }

  /** The one thing a device that was sent away may still do: leave what it wrote with a keeper. */
  private async handIn(req: IncomingMessage, res: ServerResponse, cookie: string): Promise<void> {
    const token = cookieOf(req, cookie);
    const device = token ? await awayDevice(this.of.sql, hashed(token)) : undefined;
    if (!device) return this.refuse(req, res, 401, "NotLetIn", "This device is not known here.");
    const text = await bodyOf(req, HAND_IN_BYTES);
    const letters = HandIn.safeParse(jsonOf(text));
    if (!letters.success) return this.refuse(req, res, 422, "BadRequest", "That is not what a device keeps.");
    const taken = await handIn(this.of.sql, device.id, letters.data);
    res.writeHead(200, { ...PLAIN, "content-type": "application/json" }).end(JSON.stringify({ taken }));
  }

  private refuse(
    req: IncomingMessage,
    res: ServerResponse,
    status: number,
    name: string,
    message: string,
  ): void {
    req.resume();
    if (!(req.url ?? "").startsWith("/api/")) return this.say(res, status, message);
    res
      .writeHead(status, { ...PLAIN, "content-type": "application/json" })
      .end(JSON.stringify({ fault: { name, message, path: [] } }));
  }

  /** Hands a request on to the app, with who asks; nothing of what a stranger may have written about that. */
  private async pass(
    req: IncomingMessage,
    res: ServerResponse,
    url: string,
    device: Device | undefined,
  ): Promise<void> {
    const id = device?.id ?? "feeds";
    const now = this.atOnce.get(id) ?? 0;
    if (now >= MOST_AT_ONCE)
      return this.refuse(
        req,
        res,
        429,
        "TooMuch",
        "Too much at once from this device. Try again in a moment.",
      );
    if (Number(req.headers["content-length"] ?? 0) > MOST_BODY)
      return this.refuse(req, res, 413, "TooLarge", "That is larger than 16 MB. Send a smaller one.");
    this.atOnce.set(id, now + 1);
    res.once("close", () => this.atOnce.set(id, (this.atOnce.get(id) ?? 1) - 1));
    const headers: Record<string, string | string[]> = {};
    for (const [k, v] of Object.entries(req.headers))
      if (v !== undefined && !STRIPPED.test(k)) headers[k] = v;
    headers["x-jolly-front"] = this.of.secret;
    headers["x-jolly-role"] = device?.role ?? "hand";
    if (device) {
      headers["x-jolly-device"] = encodeURIComponent(device.name);
      headers["x-jolly-device-id"] = device.id;
    }
    await new Promise<void>((done) => {
      const up = ask(
        { host: "127.0.0.1", port: this.of.appPort, method: req.method, path: url, headers },
        (from) => {
          const back = Object.entries(from.headers).filter(([k]) => !HOP.has(k));
          res.writeHead(from.statusCode ?? 502, Object.fromEntries(back) as Record<string, string>);
          from.pipe(res).once("close", done);
        },
      );
      up.setTimeout(PATIENCE_MS, () => up.destroy());
      up.once("error", () => (this.failed(res), done()));
      res.once("close", () => up.destroy());
      let bytes = 0;
      req.on("data", (c: Buffer) => {
        bytes += c.length;
        if (bytes > MOST_BODY) up.destroy();
      });
      req.pipe(up);
    });
  }
}
