import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { batchOf } from "../../src/store/journal";
import { recallOfBatch, recallOfLot } from "../../src/store/recall";
import { allFindings } from "../../src/store/soundness";
import { stores } from "../../src/store/stores";
import { saidAtOnce, shown } from "../lives/at-once";
import { lived, rounded, used } from "../lives/lived";
import { type Household, newHousehold } from "../support";

/*
 * Lives put right: batches made, corrected in any order, by two tabs, with days moved, undone and said again; beside a plain account of what is true
 * in the end, and beside a household where the right thing was said at once.
 */
/** By hand: JOLLY_LIVES=1000 ./jolly test store; longer ones with JOLLY_BATCHES=20. */
const LIVES = Number(process.env["JOLLY_LIVES"] ?? 6);
const BATCHES = Number(process.env["JOLLY_BATCHES"] ?? 3);
let home: Household;

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
    const h = await lived(home.sql, seed, BATCHES, BATCHES * 24);
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
      expect({ seed, code, ...rounded(its) }).toEqual({ seed, code, ...rounded(used(b)) });
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
    const once = await newHousehold();
    try {
      expect(await saidAtOnce(h, once.sql)).toEqual([]);
      expect(await shown(home.sql, h.daughter?.of)).toEqual(await shown(once.sql, h.daughter?.of));
    } finally {
      await once.drop();
    }
    expect(await allFindings(home.sql)).toEqual([]);
  });
});
