/** Asks every route for everything it should and should not be asked for. Seeded: request n of a seed is the same request. */
import { Agent, request } from "node:http";
import { type Chance, chance } from "../chance";
import { thymeOxymel } from "../plans";

export interface Fuzzed {
  readonly requests: number;
  /** Answers of 500 and above, as what was asked. */
  readonly failed: readonly string[];
  /** Longer than five seconds. */
  readonly slow: readonly string[];
  /** By status. */
  readonly answers: Readonly<Record<string, number>>;
}

interface Asked {
  readonly method: "GET" | "POST";
  readonly path: string;
  readonly body?: string;
  readonly type?: string;
}

const uuid = (c: Chance): string => {
  const hex = (n: number): string =>
    Array.from({ length: n }, () => Math.floor(c.next() * 16).toString(16)).join("");
  return `${hex(8)}-${hex(4)}-4${hex(3)}-a${hex(3)}-${hex(12)}`;
};

const ODD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  -1e308,
  9_007_199_254_740_993,
  0.1,
  "",
  " ",
  "\0",
  "a\0b",
  "\ud800",
  "é".repeat(300),
  "x".repeat(12_000),
  "constructor",
  "__proto__",
  "toString",
  "2026-99-99",
  "2026-02-31",
  "0000-00-00",
  "🌿🌿",
  "שלום",
  "1/0 cup",
  "∞ cups",
  "-3 cloves",
  "'; drop table event; --",
  "<script>alert(1)</script>",
  "%00",
  "../../etc/passwd",
  [],
  [[]],
  {},
  { length: 3 },
  { toJSON: 1 },
];

/** The same thing with one part of it made odd, left out, doubled or put elsewhere. */
function spoilt(x: unknown, c: Chance): unknown {
  if (Array.isArray(x)) {
    if (x.length === 0 || c.next() < 0.2)
      return c.pick<unknown>([[], [...(x as unknown[]), ...(x as unknown[])], c.pick(ODD)]);
    const at = Math.floor(c.next() * x.length);
    return x.map((v: unknown, i) => (i === at ? spoilt(v, c) : v));
  }
  if (!x || typeof x !== "object") return c.pick(ODD);
  const entries = Object.entries(x);
  if (entries.length === 0 || c.next() < 0.15) return c.pick(ODD);
  const at = Math.floor(c.next() * entries.length);
  if (c.next() < 0.25) return Object.fromEntries(entries.filter((_, i) => i !== at));
  if (c.next() < 0.1) return { ...x, [String(c.pick(ODD))]: c.pick(ODD) };
  return Object.fromEntries(entries.map(([k, v], i) => [k, i === at ? spoilt(v, c) : v]));
}

const ofBottle = (c: Chance): { type: string; body: unknown } =>
  c.pick([
    { type: "opened", body: {} },
    { type: "poured", body: { ml: 5, said: "1 tsp", for: "the keeper" } },
    { type: "moved", body: { place: "fridge", at: "fridge" } },
    { type: "moved", body: { place: "freezer" } },
    { type: "inspected", body: { signs: ["cloudy"], outcome: "use-up", useBy: "2026-12-01" } },
    { type: "given", body: { to: "the neighbour" } },
    { type: "emptied", body: {} },
    { type: "discarded", body: { why: "mould" } },
    { type: "corrected", body: { seq: 1, body: null } },
  ]);

/** Batches enough to try things on. */
const ENOUGH = 40;

function goodBody(c: Chance, ids: readonly string[]): readonly [path: string, body: object] {
  const key = uuid(c);
  const id = c.next() < 0.8 && ids.length > 0 ? c.pick(ids) : uuid(c);
  const line = { id: "poured", material: "cider-vinegar", amount: "3 tbsp" };
  const bottles = [{ id: uuid(c), vessel: "b-250-swing", name: "250 mL", ml: 240, place: "fridge" }];
  const events: readonly (readonly [string, unknown])[] = [
    ["touched", { what: "shake" }],
    ["noted", { text: "smells of hay" }],
    ["topped-up", { line }],
    ["added", { line: "1", amount: "30 g" }],
    ["left-out", { line: "1", why: "none left" }],
    ["extra", { line: { ...line, id: "more" } }],
    ["read", { what: "ph", value: 3.4 }],
    ["strained", { measured: "700 mL", how: "wrung", seen: ["unmixed"] }],
    ["finished", { lines: [line] }],
    ["bottled", { bottles, own: { bestBy: "2027-02-01", reason: "" } }],
    ["corrected", { seq: 2, body: null, why: "slip" }],
    ["discarded", { why: "mould" }],
  ];
  const items: readonly object[] = [
    { what: "lot", material: "thyme", form: "dried", amount: "100 g", got: "2026-10-01", price: 4 },
    { what: "empties", vessel: "b-250-swing", count: 6 },
    {
      what: "person",
      name: `p ${c.next()}`,
      born: "1980-04",
      flags: ["pregnant"],
      allergies: ["ragweed"],
      surgery: "2027-01-31",
    },
    { what: "vessel", vessel: "m-1000", name: "the tall one" },
    {
      what: "vessel",
      vessel: {
        id: "own",
        name: "crock",
        sort: "jar",
        lid: "glass",
        shape: { heightCm: 15, diameterCm: 10 },
      },
    },
    { what: "weighed", material: "thyme", form: "dried", amount: "1 cup", grams: 20 },
  ];
  const [type, body] = c.pick(events);
  const seen = Math.floor(c.next() * 6);
  const beginning = { id: uuid(c), key, plan: thymeOxymel(), reasons: {} };
  return c.pick<readonly [string, object]>([
    // A shelf of a household, not of a factory: where there is plenty, what is begun is written to.
    ids.length < ENOUGH ? ["/api/batches", beginning] : [`/api/batches/${id}`, { key, type, seen, body }],
    [`/api/batches/${id}`, { key, type, seen, body }],
    [`/api/batches/${id}`, { key, type, seen, body, at: "2026-11-20T08:00:00Z" }],
    ["/api/stores", { id: uuid(c), key, type: "kept", body: { item: c.pick(items) } }],
    [`/api/bottles/${id}`, { key, seen, ...ofBottle(c) }],
    ["/api/stores", { id: uuid(c), key, type: "gone", body: { why: "used up" } }],
    ["/api/household", { key, settings: { name: "House", units: "us", degrees: "F" } }],
  ]);
}

const PAGES = [
  "/",
  "/bench",
  "/cellar",
  "/stores",
  "/household",
  "/batches",
  "/api/health",
  "/manifest.webmanifest",
  "/sw.js",
  "/nowhere",
];
const OF_BATCH = [
  "",
  "/make",
  "/strain",
  "/finish",
  "/bottle",
  "/label",
  "/recipe",
  "/label.pdf",
  "/label.svg",
];
const ASKS = [
  "bottle=x",
  "year=-1",
  "year=99999",
  "year=x",
  "begun=%00",
  "right=1",
  "again=x",
  "bottle=99",
  "size=9x9",
  "size=999x999",
  "sheet=a4&start=200",
  "%E0%A4%A",
  "q=%F0%9F%8C%BF",
];

function asked(c: Chance, ids: readonly string[]): Asked {
  if (c.next() < 0.15) {
    const id = c.pick([...ids, uuid(c), "x", "%00", "%E0%A4%A", "..", "constructor"]);
    const path = c.next() < 0.5 ? c.pick(PAGES) : `/batch/${id}${c.pick(OF_BATCH)}`;
    return { method: "GET", path: c.next() < 0.5 ? path : `${path}?${c.pick(ASKS)}` };
  }
  const [path, body] = goodBody(c, ids);
  const dice = c.next();
  if (dice < 0.03)
    return { method: "POST", path, body: c.pick(["", "{", "[]", "null", '{"key":', "\ufeff{}"]) };
  if (dice < 0.05)
    return {
      method: "POST",
      path,
      body: JSON.stringify(body),
      type: c.pick(["text/plain", "", "application/x-www-form-urlencoded"]),
    };
  if (dice < 0.055) return { method: "POST", path, body: JSON.stringify({ pad: "x".repeat(300_000) }) };
  let sent: unknown = body;
  for (let n = Math.floor(c.next() * 4); n > 0; n--) sent = spoilt(sent, c);
  return { method: "POST", path, body: JSON.stringify(sent) };
}

const agent = new Agent({ keepAlive: true, maxSockets: 8 });
const MOST_MS = 5000;
/** What has not answered by then hangs: that is a failure, however slow the machine is. */
const [PATIENCE_MS, HUNG] = [120_000, 599];

function ask(port: number, a: Asked): Promise<{ status: number; ms: number }> {
  const began = performance.now();
  return new Promise((done) => {
    const answer = (status: number): void => done({ status, ms: performance.now() - began });
    const r = request(
      {
        ...{ host: "127.0.0.1", port, agent, method: a.method, path: a.path, timeout: PATIENCE_MS },
        headers: {
          host: `127.0.0.1:${port}`,
          origin: `http://127.0.0.1:${port}`,
          ...(a.body === undefined
            ? {}
            : { "content-type": a.type ?? "application/json", "content-length": Buffer.byteLength(a.body) }),
        },
      },
      (res) => {
        res.resume();
        res.on("end", () => answer(res.statusCode!));
        res.on("error", () => answer(res.statusCode!));
      },
    );
    // A body that is too long is refused before it is sent; the line is cut then, which is an answer too.
    r.on("error", () => answer(0));
    r.on("timeout", () => {
      answer(HUNG);
      r.destroy();
    });
    r.end(a.body);
  });
}

/** Asks from one number to another of a seed. */
/** Where the journal is told to be away the very same is asked again, as the pages do; one that stays away has failed. */
async function askedAgain(port: number, a: Asked): Promise<Awaited<ReturnType<typeof ask>>> {
  let is = await ask(port, a);
  for (let i = 0; i < 3 && is.status === 503; i++) {
    await new Promise((r) => setTimeout(r, 500));
    is = await ask(port, a);
  }
  return is;
}

export async function fuzz(
  port: number,
  seed: number,
  from: number,
  to: number,
  ids: () => Promise<readonly string[]>,
  /** How many are asked at a time. */
  at = 8,
): Promise<Fuzzed> {
  const failed: string[] = [];
  const slow: string[] = [];
  const answers: Record<string, number> = {};
  let batches = await ids();
  let next = from;
  const worker = async (): Promise<void> => {
    while (next < to) {
      const n = next++;
      if (n % 200 === 0) batches = (await ids()).slice(0, ENOUGH);
      const a = asked(chance(seed * 1_000_003 + n), batches);
      const { status, ms } = await askedAgain(port, a);
      answers[status] = (answers[status] ?? 0) + 1;
      const words = `${n}: ${a.method} ${a.path} ${(a.body ?? "").slice(0, 300)} → ${status}, ${Math.round(ms)} ms`;
      if (status >= 500) failed.push(words);
      if (ms > MOST_MS) slow.push(words);
    }
  };
  await Promise.all(Array.from({ length: at }, worker));
  return { requests: to - from, failed, slow, answers };
}

/** Every page a hand can reach, and its status. */
export async function pagesOf(
  port: number,
  ids: readonly string[],
): Promise<readonly (readonly [string, number])[]> {
  const paths = [
    "/",
    "/bench",
    "/cellar",
    "/stores",
    "/household",
    "/batches",
    ...ids.map((id) => `/batch/${id}`),
  ];
  const out: (readonly [string, number])[] = [];
  for (const path of paths) out.push([path, (await ask(port, { method: "GET", path })).status]);
  return out;
}
