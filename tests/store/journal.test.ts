import { addDays } from "../../src/core/day";
import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { UnreadableEvent } from "../../src/core/envelope";
import type { JournalEvent } from "../../src/core/journal/events";
import type { Plan } from "../../src/core/plan/plan";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { exportLines, importLines } from "../../src/store/exchange";
import { sentHash } from "../../src/store/append";
import { household } from "../../src/store/household";
import { batchOf } from "../../src/store/journal";
import { readBody } from "../../src/core/journal/events";
import { fold } from "../../src/core/journal/fold";
import { migrate } from "../../src/store/migrate";
import { rebuild } from "../../src/store/rebuild";
import { cellar, live } from "../../src/store/shelf";
import { DEMO, type Household, MIGRATIONS, bareDatabase, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

const PLAN = thymeOxymel();
const begun = async (plan = PLAN) => {
  const id = randomUUID();
  const w = await begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan);
  if (!w.ok) throw new Error(w.fault.message);
  return w.state;
};
const count = async (): Promise<number> =>
  (await home.sql<{ n: number }[]>`select count(*)::int as n from event`)[0]!.n;

describe("writing", () => {
  test("the same key with the same body is one entry, and answers the same", async () => {
    const r = { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} };
    const all = await Promise.all(Array.from({ length: 8 }, () => begin(home.sql, r, PLAN)));
    expect(all.map((w) => w.ok && w.state.code)).toEqual(Array(8).fill("OX-26-01"));
    expect(all.filter((w) => w.ok && !w.already).length).toBe(1);
    expect(await count()).toBe(1);
  });
  test("the same key with another body is refused", async () => {
    const b = await begun();
    const key = randomUUID();
    expect((await write(home.sql, b.id, { key, type: "noted", body: { text: "smells of hay" } })).ok).toBe(
      true,
    );
    expect(
      await write(home.sql, b.id, { key, type: "noted", body: { text: "smells of tar" } }),
    ).toMatchObject({ ok: false, status: 422, fault: { name: "KeyReused" } });
    expect(await count()).toBe(2);
  });
  test("codes run on by kind and are never given twice, however many begin at once", async () => {
    const all = await Promise.all(Array.from({ length: 12 }, () => begun()));
    expect(new Set(all.map((b) => b.code)).size).toBe(12);
    expect(
      all
        .map((b) => b.code)
        .sort()
        .at(-1),
    ).toBe("OX-26-12");
  });
  test("of two windows that strain at once, one is written and one is told", async () => {
    const b = await begun();
    const both = await Promise.all(
      ["700 mL", "650 mL"].map((measured) =>
        write(home.sql, b.id, {
          key: randomUUID(),
          type: "strained",
          seen: 1,
          body: { measured, how: "wrung" },
        }),
      ),
    );
    expect(both.filter((w) => w.ok).length).toBe(1);
    expect(both.find((w) => !w.ok)).toMatchObject({
      status: 409,
      fault: { name: "ChangedMeanwhile" },
      state: { state: "strained" },
    });
  });
  test("what commutes goes in whatever the writer had seen", async () => {
    const b = await begun();
    const all = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        write(home.sql, b.id, {
          key: randomUUID(),
          type: i % 2 ? "touched" : "noted",
          body: i % 2 ? { what: "shake" } : { text: `note ${i}` },
        }),
      ),
    );
    expect(all.every((w) => w.ok)).toBe(true);
    expect((await batchOf(home.sql, b.id))!.seq).toBe(11);
  });
  test("a body that cannot be, or out of its turn, is refused and nothing is written", async () => {
    const b = await begun();
    expect(
      await write(home.sql, b.id, {
        key: randomUUID(),
        type: "strained",
        seen: 1,
        body: { measured: "40 L", how: "wrung" },
      }),
    ).toMatchObject({ ok: false, fault: { name: "MoreThanWentIn", path: ["measured"] } });
    expect(
      await write(home.sql, b.id, {
        key: randomUUID(),
        type: "bottled",
        seen: 1,
        body: { bottles: [], own: null },
      }),
    ).toMatchObject({ ok: false, fault: { name: "NotNow" } });
    expect(await write(home.sql, b.id, { key: randomUUID(), type: "exploded", body: {} })).toMatchObject({
      ok: false,
      status: 422,
    });
    expect(await count()).toBe(1);
  });
  test("a stop wants a reason, which is kept; a never takes none", async () => {
    const elder: Plan = {
      ...PLAN,
      steps: PLAN.steps.map((s) =>
        s.do === "add" ? { ...s, what: [{ ...s.what[0]!, material: "elderberry" }, ...s.what.slice(1)] } : s,
      ),
    };
    expect(
      await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: elder, reasons: {} }, elder),
    ).toMatchObject({ ok: false, fault: { name: "ReasonWanted" } });
    const w = await begin(
      home.sql,
      {
        id: randomUUID(),
        key: randomUUID(),
        plan: elder,
        reasons: { "raw-elder": "Will be simmered after straining." },
      },
      elder,
    );
    expect(w).toMatchObject({
      ok: true,
      state: { reasons: { "raw-elder": "Will be simmered after straining." } },
    });
    const wild: Plan = {
      ...PLAN,
      steps: PLAN.steps.map((s) =>
        s.do === "add" ? { ...s, what: [{ ...s.what[0]!, material: "wild-ginger" }, ...s.what.slice(1)] } : s,
      ),
    };
    expect(
      await begin(
        home.sql,
        { id: randomUUID(), key: randomUUID(), plan: wild, reasons: { aristolochic: "I like it." } },
        wild,
      ),
    ).toMatchObject({ ok: false, fault: { name: "Never" } });
  });
  test("the journal takes no change and no deletion", async () => {
    await begun();
    await expect(home.sql`update event set type = 'noted'`).rejects.toThrow(/append-only/);
    await expect(home.sql`delete from event`).rejects.toThrow(/append-only/);
    await expect(home.sql`truncate event`).rejects.toThrow(/append-only/);
  });
  test("a correction stands beside what it corrects, and what follows rests on it", async () => {
    const b = await begun();
    await write(home.sql, b.id, {
      key: randomUUID(),
      type: "strained",
      seen: 1,
      body: { measured: "800 mL", how: "wrung" },
    });
    const w = await write(home.sql, b.id, {
      key: randomUUID(),
      type: "corrected",
      seen: 2,
      body: { seq: 2, body: { measured: "600 mL", how: "wrung" }, why: "wrong jug" },
    });
    expect(w).toMatchObject({ ok: true, state: { measured: "600 mL" } });
    expect(w.ok && w.state.diary.find((e) => e.seq === 2)).toMatchObject({
      correctedBy: { was: { measured: "800 mL" }, why: "wrong jug" },
    });
  });
  test("an entry of a type this build does not know is refused, not skipped", async () => {
    const b = await begun();
    await home.sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body) values ('batch', ${b.id}, 2, ${randomUUID()}, 'x', 'transmuted', 1, now(), '2026-11-24', '{}')`;
    await expect(batchOf(home.sql, b.id)).rejects.toThrow(UnreadableEvent);
  });
});

describe("a shelf far west and far east", () => {
  test.each([
    ["Pacific/Auckland", "2026-11-25"],
    ["America/Los_Angeles", "2026-11-23"],
  ])("%s keeps its own calendar day", async (zone, day) => {
    await home.sql`update household set zone = ${zone}`;
    process.env["JOLLY_NOW_FROZEN"] = zone.startsWith("Pacific")
      ? "2026-11-24T14:00:00Z"
      : "2026-11-24T06:00:00Z";
    try {
      expect((await begun()).begunDay).toBe(day);
      expect((await live(home.sql))[0]!.begunDay).toBe(day);
    } finally {
      process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
    }
  });
});

describe("read tables and the open format", () => {
  const tables = async () => ({
    batch: await home.sql`select * from batch order by id`,
    bottle: await home.sql`select * from bottle order by id`,
    store: await home.sql`select * from store_item order by id`,
  });
  test("rebuilt from the journal alone, the read tables are what they were", async () => {
    await home.drop();
    home = await newHousehold("demo");
    const before = await tables();
    expect(before.batch.length).toBeGreaterThan(8);
    expect(before.store.length).toBeGreaterThan(30);
    await home.sql`update batch set name = 'spoiled'`;
    await home.sql`delete from bottle`;
    await home.sql`delete from store_item`;
    await rebuild(home.sql);
    expect(await tables()).toEqual(before);
  });
  test("backed up and restored, the journal is the same to the byte", async () => {
    const b = await begun();
    await write(home.sql, b.id, {
      key: randomUUID(),
      type: "noted",
      body: { text: "½ cup “over” – naïve ☕\n" },
    });
    const lines = await exportLines(home.sql);
    const other = await newHousehold();
    await importLines(other.sql, lines);
    expect(await exportLines(other.sql)).toEqual(lines);
    // Codes go on where they were.
    const more = await begin(
      other.sql,
      { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons: {} },
      PLAN,
    );
    expect(more.ok && more.state.code).toBe("OX-26-02");
    await other.drop();
  });
  test("the demo is in the open format: what comes out is what went in", async () => {
    const demo = await newHousehold("demo");
    const out = (await exportLines(demo.sql)).map((l) => JSON.parse(l) as Record<string, unknown>);
    const into = readFileSync(DEMO, "utf8")
      .trim()
      .split("\n")
      .map((l) => JSON.parse(l) as Record<string, unknown>);
    expect(out.length).toBe(into.length);
    const plain = (x: Record<string, unknown>[]) =>
      x
        .slice(1)
        .map(({ sent: _, ...e }) => e)
        .sort((a, b) => (String(a["key"]) < String(b["key"]) ? -1 : 1));
    expect(plain(out)).toEqual(plain(into));
    await demo.drop();
  });
  test("a file with one bad line changes nothing and names the line", async () => {
    const lines = readFileSync(DEMO, "utf8").trim().split("\n");
    const spoilt = [
      ...lines.slice(0, 5),
      lines[5]!.replace('"version":1', '"version":99'),
      ...lines.slice(6),
    ];
    await expect(importLines(home.sql, spoilt)).rejects.toThrow(/line 6/);
    await expect(importLines(home.sql, ["{}"])).rejects.toThrow(/line 1/);
    expect(await count()).toBe(0);
  });
  test("a household with a journal takes no second one", async () => {
    await begun();
    await expect(importLines(home.sql, readFileSync(DEMO, "utf8").split("\n"))).rejects.toThrow(
      /already has a journal/,
    );
  });
  test("the cellar stands first to use first", async () => {
    const demo = await newHousehold("demo");
    const days = (await cellar(demo.sql)).map((c) => c.best_by);
    expect(days.length).toBeGreaterThan(3);
    expect(days).toEqual([...days].sort());
    await demo.drop();
  });
});

/** A household as the first build wrote it: its journal in version 1 of the format, straight into the tables of step 1. */
async function asStepOneWrote(sql: Household["sql"]): Promise<void> {
  const [head, ...lines] = readFileSync(join(__dirname, "journal-1.jsonl"), "utf8")
    .trim()
    .split("\n")
    .map((l) => JSON.parse(l) as Record<string, unknown>);
  const h = head!["household"] as Record<string, string>;
  await sql`insert into household (one, id, name, zone, units) values (true, ${h["id"]!}, ${h["name"]!}, ${h["zone"]!}, ${h["units"]!})`;
  const streams = new Map<string, JournalEvent[]>();
  for (const e of lines as {
    stream: string;
    seq: number;
    key: string;
    type: string;
    version: number;
    at: string;
    recordedAt: string;
    day: string;
    body: object;
  }[]) {
    await sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, day, body, recorded_at) values ('batch', ${e.stream}, ${e.seq}, ${e.key}, ${sentHash(e.type, e.body)}, ${e.type}, ${e.version}, ${e.at}, ${e.day}, ${sql.json(e.body as never)}, ${e.recordedAt})`;
    streams.set(e.stream, [
      ...(streams.get(e.stream) ?? []),
      { ...e, streamId: e.stream, body: readBody(e.type, e.version, e.body) } as unknown as JournalEvent,
    ]);
  }
  // Read rows as that build wrote them, with the columns it had.
  for (const events of streams.values()) {
    const b = fold(events)!;
    await sql`insert into batch (id, code, name, kind, state, begun_day, strained_day, bottled_day, vessel, seq)
      values (${b.id}, ${b.code}, ${b.name}, ${b.plan.kind}, ${b.state}, ${b.begunDay}, ${b.strainedDay ?? null}, ${b.bottledDay ?? null}, ${b.frozen.vessel?.id ?? null}, ${b.seq})`;
    for (const x of b.state === "bottled" ? b.bottles : [])
      await sql`insert into bottle (id, batch_id, place, vessel, name, ml, best_by) values (${x.id}, ${b.id}, ${x.place}, ${x.vessel}, ${x.name}, ${x.ml}, '2027-01-01')`;
  }
}

describe("a journal of the first version", () => {
  test("is read for ever: every batch stands where it stood", async () => {
    const { events } = await importLines(
      home.sql,
      readFileSync(join(__dirname, "journal-1.jsonl"), "utf8").split("\n"),
    );
    expect(events).toBe(56);
    const states = await home.sql<
      { code: string; state: string }[]
    >`select code, state from batch order by code`;
    expect(states.map((b) => `${b.code} ${b.state}`)).toEqual([
      "FC-26-01 discarded",
      "FC-26-02 working",
      "HO-26-01 bottled",
      "HO-26-02 working",
      "OX-26-01 bottled",
      "OX-26-02 working",
      "OX-26-03 working",
      "SY-26-01 bottled",
      "TI-26-01 working",
      "VI-26-01 bottled",
      "VI-26-02 strained",
    ]);
    expect((await household(home.sql)).currency).toBe("$");
  });
});

describe("a journal of the second version", () => {
  const lines = readFileSync(join(__dirname, "journal-2.jsonl"), "utf8").trim().split("\n");
  test("is read for ever, stores and all, and stands as the same household of today does", async () => {
    expect(JSON.parse(lines[0]!)).toMatchObject({ version: 2 });
    const { events } = await importLines(home.sql, lines);
    expect(events).toBe(lines.length - 1);
    const now = await newHousehold("demo");
    // Today's demo reaches farther back, too.
    const standing = async (h: Household) => [
      await h.sql`select code, state, strained_day, bottled_day, vessel from batch where code like '%-26-%' order by code`,
      // Today's demo leaves room for the ice; the old one was filled as it was filled.
      await h.sql`select place, vessel, case when place = 'freezer' then 0 else ml end as ml from bottle where batch_id in (select id from batch where code like '%-26-%') order by id`,
      await h.sql`select what, left_g > 0 as some from store_item order by id`,
    ];
    expect(await standing(home)).toEqual(await standing(now));
    expect(await home.sql`select ml from bottle where place = 'freezer'`).toEqual([{ ml: 330 }]);
    await now.drop();
    // What older rules issued stands on record; where today's promise less, the bottle goes by today's and asks for a label.
    const bottles = await home.sql<
      { best_by: string; code: string; shortened: boolean; strained: string; days: number }[]
    >`select b.code, x.best_by::text, x.shortened, b.strained_day::text as strained, (e.body->'verdict'->>'days')::int as days
      from bottle x join batch b on b.id = x.batch_id join event e on e.stream_id = b.id and e.type = 'bottled' where x.place = 'cupboard'`;
    expect(bottles.length).toBeGreaterThan(2);
    for (const x of bottles) {
      const issued = addDays(x.strained, x.days);
      expect([x.code, x.best_by < issued]).toEqual([x.code, x.shortened]);
      expect(x.best_by <= issued).toBe(true);
    }
    expect(bottles.some((x) => x.shortened)).toBe(true);
  });
  test("an entry brought up on reading stays as it was written", async () => {
    await importLines(home.sql, lines);
    const kept = await home.sql<
      { version: number }[]
    >`select distinct version from event where type = 'begun'`;
    expect(kept.map((x) => x.version)).toEqual([1]);
    expect((await live(home.sql))[0]!.begunPlan.version).toBe(2);
  });
});

describe("migrations", () => {
  const steps = readdirSync(MIGRATIONS)
    .filter((f) => f.endsWith(".sql"))
    .sort();
  test.each(steps.slice(0, -1).map((_, i) => i + 1))(
    "a household as step %p left it comes up to the newest with every entry it had",
    async (k) => {
      const old = mkdtempSync(join(tmpdir(), "jolly-migrations-"));
      for (const f of steps.slice(0, k)) cpSync(join(MIGRATIONS, f), join(old, f));
      const bare = await bareDatabase();
      await migrate(bare.sql, old);
      await asStepOneWrote(bare.sql);
      const before = await bare.sql`select * from event order by stream_id, seq`;
      let copied = 0;
      // What is copied out first is read from the old tables, and can be restored as it is.
      let copy: string[] = [];
      expect(
        await migrate(bare.sql, MIGRATIONS, async () => {
          copied++;
          copy = await exportLines(bare.sql);
        }),
      ).toBe(steps.length - k);
      expect(copied).toBe(1);
      await importLines(home.sql, copy);
      expect((await exportLines(home.sql)).slice(1)).toEqual(copy.slice(1));
      // A later step may give an entry more to say; what it said it says still.
      const after = await bare.sql`select * from event order by stream_id, seq`;
      const had = Object.keys(before[0]!);
      expect(after.map((r) => Object.fromEntries(had.map((c) => [c, r[c]])))).toEqual([...before]);
      expect((await live(bare.sql)).length).toBeGreaterThan(4);
      await bare.drop();
    },
  );
  test("run again, nothing is done; a second process waits its turn", async () => {
    expect(await Promise.all([migrate(home.sql, MIGRATIONS), migrate(home.sql, MIGRATIONS)])).toEqual([0, 0]);
  });
  test("a changed history and a newer database are refused", async () => {
    const folder = mkdtempSync(join(tmpdir(), "jolly-migrations-"));
    cpSync(MIGRATIONS, folder, { recursive: true });
    writeFileSync(
      join(folder, "0001_journal.sql"),
      `${readFileSync(join(MIGRATIONS, "0001_journal.sql"), "utf8")}\n-- edited`,
    );
    await expect(migrate(home.sql, folder)).rejects.toThrow(/changed after it ran/);
    await home.sql`insert into migration (number, name, checksum) values (99, '0099_future.sql', 'x')`;
    await expect(migrate(home.sql, MIGRATIONS)).rejects.toThrow(/newer Jolly Crock/);
  });
  test("one that fails half way leaves no trace, and what was there is copied out first", async () => {
    await begun();
    const folder = mkdtempSync(join(tmpdir(), "jolly-migrations-"));
    cpSync(MIGRATIONS, folder, { recursive: true });
    const next = String(readdirSync(folder).filter((f) => f.endsWith(".sql")).length + 1).padStart(4, "0");
    writeFileSync(join(folder, `${next}_half.sql`), "create table half_done (a int); select 1/0;");
    let copied = 0;
    await expect(migrate(home.sql, folder, async () => void copied++)).rejects.toThrow(/division by zero/);
    expect(copied).toBe(1);
    expect(await home.sql`select to_regclass('half_done') as t`).toEqual([{ t: null }]);
    expect(await count()).toBe(1);
  });
});
