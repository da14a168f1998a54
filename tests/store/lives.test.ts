import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { oursId } from "../../src/core/journal/ours";
import { withIds } from "../../src/core/plan/ids";
import type { Line, Plan } from "../../src/core/plan/plan";
import { writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { oursOf } from "../../src/store/ours";
import { recallOfBatch, recallOfLot } from "../../src/store/recall";
import { batchFindings, effectFindings, journalFindings, tableFindings } from "../../src/store/soundness";
import { keep, stores } from "../../src/store/stores";
import { type Chance, chance } from "../chance";
import { type Household, newHousehold } from "../support";

/*
 * Lives put right: batches made, corrected in any order, undone and said again, beside a plain account of what is true in the end. The account is
 * kept apart from the app: what a batch took is what its lines say in grams, and nothing else.
 */
process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
/** By hand: JOLLY_LIVES=1000 ./jolly test store. */
const LIVES = Number(process.env["JOLLY_LIVES"] ?? 6);
let home: Household;

interface Truth {
  readonly id: string;
  readonly plan: Plan;
  undone: boolean;
  /** g of a planned line, by its id. */
  lines: Map<string, number>;
  /** Entries that may be put right, by their place: what each says of grams. */
  readonly tops: Map<number, { material: string; grams: number } | undefined>;
  finish: { seq: number; grams: number } | undefined;
  strained: number | undefined;
  bottles: { id: string; vessel: string; ml: number }[];
  bottledAt: number | undefined;
}
interface House {
  readonly chance: Chance;
  readonly lots: Map<string, { material: string; grams: number }>;
  readonly batches: Truth[];
  readonly numbers: Map<string, number>;
  readonly gone: Set<string>;
  readonly told: string[];
  daughter: { id: string; line: string; of: string; ml: number } | undefined;
}
const linesOf = (p: Plan): Line[] => p.steps.flatMap((s) => (s.do === "add" ? s.what : []));

const plan = (c: Chance, more: readonly object[] = []): Plan =>
  withIds({
    ...{ format: "jolly-crock/plan", version: 2, units: "metric", name: "Thyme oxymel", kind: "oxymel" },
    vessel: "m-1500",
    steps: [
      {
        do: "add",
        what: [
          { material: "thyme", form: "dried", amount: `${Math.round(c.from(10, 30))} g` },
          { material: "cider-vinegar", amount: `${Math.round(c.from(300, 500))} g` },
          ...more,
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [{ material: "honey", amount: `${Math.round(c.from(150, 300))} g` }] },
      { do: "bottle" },
    ],
  } as never);

async function opened(seed: number): Promise<House> {
  const c = chance(seed);
  const lots: House["lots"] = new Map();
  const put = async (material: string, grams: number, more: object = {}) => {
    const id = randomUUID();
    const item = { what: "lot", material, amount: `${grams} g`, got: "2026-10-01", ...more };
    const w = await keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
    if (!w.ok) throw new Error(w.fault.message);
    lots.set(id, { material, grams });
  };
  await put("thyme", 40, { form: "dried" });
  await put("thyme", 5000, { form: "dried", got: "2026-10-09" });
  await put("cider-vinegar", 900, {});
  await put("cider-vinegar", 50_000, { got: "2026-10-09" });
  await put("honey", 50_000);
  const empties = { what: "empties", vessel: "b-250-swing", count: 500 };
  await keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item: empties } });
  return {
    ...{ chance: c, lots, batches: [], numbers: new Map(), gone: new Set(), told: [] },
    daughter: undefined,
  };
}

const grams = (text: string): number => Number(text.replace(/[^\d.]/g, ""));

async function newBatch(h: House): Promise<void> {
  const p = plan(h.chance);
  const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: p, reasons: {} }, p);
  if (!w.ok) throw new Error(w.fault.message);
  h.batches.push({
    ...{ id: w.state.id, plan: p, undone: false, tops: new Map(), finish: undefined, strained: undefined },
    lines: new Map(linesOf(p).map((l) => [l.id, grams(l.amount)])),
    ...{ bottles: [], bottledAt: undefined },
  });
}

/** Writes an entry of a batch on what stands now; what is refused is told, and changes nothing. */
async function say(h: House, b: { id: string }, type: string, body: unknown): Promise<number | undefined> {
  const seen = (await batchOf(home.sql, b.id))!.seq;
  const w = await write(home.sql, b.id, { key: randomUUID(), type, seen, sure: true, body });
  if (!w.ok) h.told.push(`${type}: ${w.fault.name} ${w.fault.message}`);
  return w.ok ? w.seq : undefined;
}
const put = async (h: House, b: Truth, seq: number, body: unknown): Promise<boolean> =>
  (await say(h, b, "corrected", { seq, body })) !== undefined;

const bottle = (ml: number, id: string = randomUUID()) => ({
  id,
  vessel: "b-250-swing",
  name: "250 mL",
  ml,
  place: "fridge",
});
async function numbered(h: House, b: Truth): Promise<void> {
  for (const r of await home.sql<
    { id: string; number: number }[]
  >`select id, number from bottle where batch_id = ${b.id}`)
    if (!h.numbers.has(r.id)) h.numbers.set(r.id, r.number);
}

/** What may befall a working jar. */
async function atWork(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const jar = linesOf(b.plan).slice(0, 2);
  const what = c.pick([
    "tick",
    "tick",
    "leave",
    "top",
    "top-right",
    "top-back",
    "plan",
    "undo",
    "strain",
    "strain",
  ]);
  if (what === "tick") {
    const l = c.pick(jar);
    const g = Math.round(c.from(5, l.material === "thyme" ? 40 : 500));
    if (await say(h, b, "added", { line: l.id, amount: `${g} g` })) b.lines.set(l.id, g);
  } else if (what === "leave") {
    if (await say(h, b, "left-out", { line: jar[0]!.id })) b.lines.set(jar[0]!.id, 0);
  } else if (what === "top") {
    const g = Math.round(c.from(10, 60));
    const seq = await say(h, b, "topped-up", {
      line: { id: "t", material: "cider-vinegar", amount: `${g} g` },
    });
    if (seq) b.tops.set(seq, { material: "cider-vinegar", grams: g });
  } else if (what === "top-right" || what === "top-back") {
    const [seq] = [...b.tops].find(([, t]) => t) ?? [];
    const g = Math.round(c.from(10, 60));
    const line = { id: "t", material: "cider-vinegar", amount: `${g} g` };
    if (seq && (await put(h, b, seq, what === "top-back" ? null : { line })))
      b.tops.set(seq, what === "top-back" ? undefined : { material: "cider-vinegar", grams: g });
  } else if (what === "plan" && b.lines.size > 0) {
    const [first, ...rest] = b.plan.steps;
    const g = Math.round(c.from(10, 35));
    const add = first as Extract<Plan["steps"][number], { do: "add" }>;
    const anew = {
      ...b.plan,
      steps: [{ ...add, what: add.what.map((l, i) => (i ? l : { ...l, amount: `${g} g` })) }, ...rest],
    };
    const ticked = (await batchOf(home.sql, b.id))!.making.lines.has(add.what[0]!.id);
    if ((await put(h, b, 1, { plan: anew })) && !ticked) b.lines.set(add.what[0]!.id, g);
  } else if (what === "undo" && c.next() < 0.3) {
    if (await put(h, b, 1, null)) b.undone = true;
  } else if (what === "strain") {
    const ml = Math.round(c.from(250, 330));
    const seq = await say(h, b, "strained", { measured: `${ml} mL`, how: "wrung" });
    if (seq) b.strained = seq;
  }
}
/** What may befall what is strained and not bottled. */
async function strained(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const what = c.pick(["finish", "finish-right", "finish-back", "measure", "bottle", "bottle"]);
  const honey = (g: number) => ({ lines: [{ id: "h", material: "honey", amount: `${g} g` }] });
  const g = Math.round(c.from(100, 320));
  if (what === "finish") {
    const seq = await say(h, b, "finished", honey(g));
    if (seq) b.finish = { seq, grams: g };
  } else if (what === "finish-right" && b.finish) {
    if (await put(h, b, b.finish.seq, honey(g))) b.finish.grams = g;
  } else if (what === "finish-back" && b.finish) {
    // An earlier finishing that was said over stands again where the last is taken back: only a lone one is taken back here.
    const all = (await batchOf(home.sql, b.id))!.diary.filter(
      (e) => e.type === "finished" && !e.correctedBy?.undone,
    );
    if (all.length === 1 && (await put(h, b, b.finish.seq, null))) b.finish = undefined;
  } else if (what === "measure") {
    await put(h, b, b.strained!, { measured: `${Math.round(c.from(250, 330))} mL`, how: "wrung" });
  } else if (what === "bottle") {
    const bottles = [bottle(200), bottle(100)];
    const seq = await say(h, b, "bottled", { bottles, own: null });
    if (seq) [b.bottles, b.bottledAt] = [bottles, seq];
    await numbered(h, b);
  }
}
/** What may befall what is bottled. */
async function bottled(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const what = c.pick([
    "take-out",
    "put-in",
    "back",
    "give",
    "pour",
    "daughter",
    "daughter-right",
    "daughter-back",
    "finish-right",
  ]);
  const again = async (bottles: readonly Truth["bottles"][number][]): Promise<void> => {
    const body = { bottles: bottles.map((x) => bottle(x.ml, x.id)), own: null };
    if (bottles.length > 0 && (await put(h, b, b.bottledAt!, body))) b.bottles = [...bottles];
    await numbered(h, b);
  };
  const one = c.pick(b.bottles);
  const [row] = await home.sql<{ seq: number }[]>`select seq from bottle where id = ${one.id}`;
  const toBottle = (type: string, body: unknown) =>
    writeBottle(home.sql, one.id, { key: randomUUID(), type, seen: row!.seq, sure: true, body });
  if (what === "take-out") await again(b.bottles.filter((x) => x !== one));
  else if (what === "put-in") await again([...b.bottles, { ...bottle(20) }]);
  else if (what === "back") {
    if (await put(h, b, b.bottledAt!, null)) [b.bottles, b.bottledAt] = [[], undefined];
  } else if (what === "give") {
    if ((await toBottle("given", { to: "Maro" })).ok) h.gone.add(one.id);
  } else if (what === "pour") await toBottle("poured", { ml: 5, said: "1 tsp" });
  else if (what === "finish-right" && b.finish) {
    const g = Math.round(c.from(200, 320));
    if (await put(h, b, b.finish.seq, { lines: [{ id: "h", material: "honey", amount: `${g} g` }] }))
      b.finish.grams = g;
  } else if (what === "daughter" && !h.daughter) {
    const materials = await oursOf(home.sql, b.id);
    const ml = 30;
    const p = {
      ...plan(c, [{ material: oursId(b.id), amount: `${ml} mL`, from: { batch: b.id } }]),
      materials,
    } as Plan;
    const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: p, reasons: {} }, p);
    if (!w.ok) return;
    const line = linesOf(p).find((l) => l.material === oursId(b.id))!.id;
    h.daughter = { id: w.state.id, line, of: b.id, ml };
    const lines = new Map(
      linesOf(p).flatMap((l) => (l.id === line ? [] : [[l.id, grams(l.amount)] as const])),
    );
    h.batches.push({
      ...{ id: w.state.id, plan: p, undone: false, tops: new Map(), finish: undefined, strained: undefined },
      ...{ lines, bottles: [], bottledAt: undefined },
    });
  } else if (what === "daughter-right" && h.daughter) {
    const ml = Math.round(c.from(10, 60));
    if (await say(h, h.daughter, "added", { line: h.daughter.line, amount: `${ml} mL` })) h.daughter.ml = ml;
  } else if (what === "daughter-back") {
    // Whatever went into another batch is taken back there, and nowhere else.
    const [into] = await home.sql<{ stream_id: string; seq: number }[]>`
      select e.stream_id, e.seq from event e where e.stream_kind = 'bottle' and e.type = 'poured' and e.body ? 'into' order by e.seq limit 1`;
    if (!into) return;
    const [is] = await home.sql<{ seq: number }[]>`select seq from bottle where id = ${into.stream_id}`;
    const body = { seq: into.seq, body: null };
    const w =
      is &&
      (await writeBottle(home.sql, into.stream_id, {
        key: randomUUID(),
        type: "corrected",
        seen: is.seq,
        body,
      }));
    expect(w?.ok ?? false).toBe(false);
  }
}

async function lived(seed: number): Promise<House> {
  const h = await opened(seed);
  for (let i = 0; i < 3; i++) await newBatch(h);
  for (let i = 0; i < 60; i++) {
    const b = h.chance.pick(h.batches.filter((x) => !x.undone));
    if (!b) break;
    if (b.strained === undefined) await atWork(h, b);
    else if (b.bottledAt === undefined) await strained(h, b);
    else await bottled(h, b);
  }
  return h;
}

/** g that a batch is truly made of, by material. */
function used(b: Truth): Map<string, number> {
  const all = new Map([
    ["thyme", 0],
    ["cider-vinegar", 0],
    ["honey", 0],
  ]);
  if (b.undone) return all;
  const put = (m: string, g: number) => void all.set(m, all.get(m)! + g);
  for (const l of linesOf(b.plan))
    if (b.lines.has(l.id) && !(b.finish && l.material === "honey")) put(l.material, b.lines.get(l.id)!);
  for (const t of b.tops.values()) if (t) put(t.material, t.grams);
  if (b.finish) put("honey", b.finish.grams);
  return all;
}
const round = (all: ReadonlyMap<string, number>) =>
  Object.fromEntries([...all].filter(([, g]) => g > 0.5).map(([m, g]) => [m, Math.round(g)]));

/** What the raw entries of the stores say that each batch took, whatever the app makes of them. */
async function taken(): Promise<Map<string, Map<string, number>>> {
  const rows = await home.sql<{ lot: string; by: string; type: string; g: number }[]>`
    select stream_id as lot, body->>'by' as by, type, (body->>'grams')::float8 as g from event
    where stream_kind = 'store' and type in ('drawn', 'returned')`;
  const out = new Map<string, Map<string, number>>();
  for (const r of rows) {
    const its = out.get(r.by) ?? new Map<string, number>();
    its.set(r.lot, (its.get(r.lot) ?? 0) + (r.type === "drawn" ? r.g : -r.g));
    out.set(r.by, its);
  }
  return out;
}

describe("lives put right", () => {
  beforeAll(async () => void (home = await newHousehold()));
  afterAll(() => home.drop());

  const seeds = Array.from({ length: LIVES }, (_, i) => Number(process.env["JOLLY_SEED"] ?? 0) + i + 1);
  test.each(seeds)("life %i holds what was said at last, everywhere", async (seed) => {
    await home.drop();
    home = await newHousehold();
    const h = await lived(seed);
    const by = await taken();
    const left = new Map((await stores(home.sql)).lots.map((l) => [l.id, l.leftG]));
    const total = new Map<string, number>();
    for (const b of h.batches) {
      const { code } = (await batchOf(home.sql, b.id))!;
      const its = new Map<string, number>();
      for (const [lot, g] of by.get(code) ?? []) {
        const { material } = h.lots.get(lot)!;
        its.set(material, (its.get(material) ?? 0) + g);
        total.set(lot, (total.get(lot) ?? 0) + g);
      }
      // What it took of each thing is what its lines say.
      expect({ seed, code, ...round(its) }).toEqual({ seed, code, ...round(used(b)) });
      // And its bottles are those it was said to have, each under the number it was first given.
      const rows = await home.sql<
        { id: string; number: number }[]
      >`select id, number from bottle where batch_id = ${b.id}`;
      expect(new Map(rows.map((r) => [r.id, r.number]))).toEqual(
        new Map(b.bottles.map((x) => [x.id, h.numbers.get(x.id)!])),
      );
    }
    const given = new Map<string, string>();
    for (const b of h.batches)
      for (const [id, n] of h.numbers) {
        const own =
          await home.sql`select 1 from event where stream_id = ${b.id} and body::text like ${`%${id}%`}`;
        if (own.length === 0) continue;
        // No number is ever given to a second bottle.
        expect(given.get(`${b.id} ${n}`) ?? id).toBe(id);
        given.set(`${b.id} ${n}`, id);
      }
    for (const [lot, { grams: bought }] of h.lots) {
      expect(left.get(lot)).toBeCloseTo(bought - (total.get(lot) ?? 0), 3);
      const took = [...by].filter(([, its]) => (its.get(lot) ?? 0) > 0.05).map(([code]) => code);
      const recalled = (await recallOfLot(home.sql, lot))!.batches;
      for (const code of took) expect(recalled.map((x) => x.code)).toContain(code);
      for (const x of recalled) {
        const b = h.batches.find((t) => t.id === x.id)!;
        expect(new Set(x.bottles.map((y) => y.id))).toEqual(new Set(b.bottles.map((y) => y.id)));
      }
    }
    const filled = h.batches.reduce((n, b) => n + b.bottles.length, 0);
    expect((await stores(home.sql)).empties.reduce((n, e) => n + e.count, 0)).toBe(500 - filled);
    for (const id of h.gone)
      expect((await home.sql`select 1 from bottle where id = ${id} and state = 'given'`).length).toBe(1);
    if (h.daughter) {
      const d = h.batches.find((b) => b.id === h.daughter!.id)!;
      const pours = await home.sql<{ ml: number | null }[]>`
        select (case when c.body is null then e.body->>'ml' else c.body->'body'->>'ml' end)::float8 as ml from event e
        left join lateral (select body from event where stream_id = e.stream_id and type = 'corrected'
          and (body->>'seq')::int = e.seq order by seq desc limit 1) c on true
        where e.type = 'poured' and e.body ? 'into'`;
      const poured = { ml: pours.reduce((sum, r) => sum + (r.ml ?? 0), 0) };
      expect(poured.ml).toBeCloseTo(d.undone ? 0 : h.daughter.ml, 0);
      if (!d.undone) expect((await recallOfBatch(home.sql, h.daughter.of)).map((x) => x.id)).toContain(d.id);
    }
    expect([
      ...(await journalFindings(home.sql)),
      ...(await tableFindings(home.sql)),
      ...(await batchFindings(home.sql)),
      ...(await effectFindings(home.sql)),
    ]).toEqual([]);
  });
});
