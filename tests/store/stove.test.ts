import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { readPlan } from "../../src/core/plan/file";
import { begin } from "../../src/store/commands";
import { linesOfFile, writeBackup } from "../../src/store/container";
import { write } from "../../src/store/entries";
import { importFrom, journalLines } from "../../src/store/exchange";
import { changeFeed, opensFeed } from "../../src/store/feed";
import { household } from "../../src/store/household";
import { batchOf } from "../../src/store/journal";
import { kitchen } from "../../src/store/kitchen";
import { migrate } from "../../src/store/migrate";
import { claimMorning, morningWent } from "../../src/store/morning";
import { type HouseFile, houseFiles, keepPicture, pictureOf } from "../../src/store/pictures";
import { rebuild } from "../../src/store/rebuild";
import { keep, storedItems } from "../../src/store/stores";
import { type Household, MIGRATIONS, bareDatabase, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

let home: Household;
beforeAll(async () => {
  home = await newHousehold();
});
afterAll(() => home?.drop());

async function lot(material: string, amount: string): Promise<string> {
  const id = randomUUID();
  const item = { what: "lot", material, form: "dried", amount, got: "2026-01-01" };
  const w = await keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
  if (!w.ok) throw new Error(w.fault.message);
  return id;
}
const leftOf = async (id: string): Promise<number> =>
  (await storedItems(home.sql)).find((s) => s.id === id)!.leftG;

async function begun(): Promise<string> {
  const id = randomUUID();
  const plan = readPlan(thymeOxymel());
  if (!plan.ok) throw new Error("no plan");
  const w = await begin(home.sql, { id, key: randomUUID(), plan: plan.value, reasons: {} }, plan.value);
  if (!w.ok) throw new Error(w.fault.message);
  return id;
}
const say = (id: string, type: string, body: unknown, more: object = {}) =>
  write(home.sql, id, { key: randomUUID(), type, body, ...more });

describe("what really went in", () => {
  test("the lots follow: more drawn, less given back, nothing where it was left out, and a tick undone", async () => {
    const thyme = await lot("thyme", "200 g");
    const full = await leftOf(thyme);
    const id = await begun();
    const planned = full - (await leftOf(thyme));
    expect(planned).toBeGreaterThan(5);
    const line = (await batchOf(home.sql, id))!.plan.steps[0]!;
    if (line.do !== "add") throw new Error("no lines");
    const first = line.what[0]!.id;
    expect((await say(id, "added", { line: first, amount: "2 cups" })).ok).toBe(true);
    expect((full - (await leftOf(thyme))) / planned).toBeCloseTo(2, 3);
    // Said again it is a total, not a second helping.
    await say(id, "added", { line: first, amount: "2 cups" });
    expect((full - (await leftOf(thyme))) / planned).toBeCloseTo(2, 3);
    const out = await say(id, "left-out", { line: first, why: "none left" });
    if (!out.ok) throw new Error(out.fault.message);
    expect(await leftOf(thyme)).toBeCloseTo(full, 1);
    const undone = await say(id, "corrected", { seq: out.seq, body: null }, { seen: out.state.seq });
    expect(undone.ok).toBe(true);
    expect((full - (await leftOf(thyme))) / planned).toBeCloseTo(2, 3);
  });

  test("a line the plan does not have, and a plant nobody knows, are refused", async () => {
    const id = await begun();
    expect(await say(id, "added", { line: "nowhere", amount: "1 cup" })).toMatchObject({ ok: false });
    const for_ = { id: "x", material: "moonwort-of-nowhere", amount: "10 g" };
    const line = (await batchOf(home.sql, id))!.plan.steps[0]!;
    if (line.do !== "add") throw new Error("no lines");
    const swap = await say(id, "swapped", { line: line.what[0]!.id, for: for_ });
    expect(swap).toMatchObject({ ok: false, fault: { path: ["for", "material"] } });
  });
});

describe("clocks and moves", () => {
  const clock = { did: "started", clock: "own-1", words: "bottles scald", low: 10, high: 12 };

  test("a clock is on every page until it is stopped; stopped twice it is stopped once", async () => {
    const id = await begun();
    await say(id, "timed", clock);
    expect(await kitchen(home.sql)).toMatchObject([{ batch: id, clock: "own-1", low: 10, high: 12 }]);
    const before = await kitchen(home.sql);
    await rebuild(home.sql);
    expect(await kitchen(home.sql)).toEqual(before);
    expect((await say(id, "timed", { did: "stopped", clock: "own-1" })).ok).toBe(true);
    const first = (await batchOf(home.sql, id))!.stove.clocks[0]!.stoppedAt;
    expect((await say(id, "timed", { did: "stopped", clock: "own-1" })).ok).toBe(true);
    expect((await batchOf(home.sql, id))!.stove.clocks[0]!.stoppedAt).toBe(first);
    expect(await kitchen(home.sql)).toEqual([]);
  });

  test("a clock nobody set, and a move the making has not, are refused", async () => {
    const id = await begun();
    expect(await say(id, "timed", { did: "stopped", clock: "own-9" })).toMatchObject({
      fault: { name: "NoSuchClock" },
    });
    expect(await say(id, "stepped", { move: "fly", did: "done" })).toMatchObject({
      fault: { name: "NoSuchMove" },
    });
    expect((await say(id, "stepped", { move: "gather", did: "done" })).ok).toBe(true);
  });

  test("a thermometer that goes on reading is no other window; a straining in between is", async () => {
    const id = await begun();
    const seen = (await batchOf(home.sql, id))!.seq;
    await say(id, "read", { what: "temperature", value: 21, by: "probe" });
    const strained = await say(id, "strained", { measured: "600 mL", how: "wrung" }, { seen });
    expect(strained.ok).toBe(true);
    const late = await say(id, "finished", { lines: [] }, { seen });
    expect(late).toMatchObject({ ok: false, fault: { name: "ChangedMeanwhile" } });
  });
});

describe("readings and windows", () => {
  test.each([
    [{ what: "temperature", value: 850 }, /between -20 and 130/],
    [{ what: "depth", value: -3 }, /between 0 and 60/],
    [{ what: "ph", value: 15 }, /between 0 and 14/],
    [{ what: "temperature" }, /as a number, or in words/],
  ])("%j is told what would be right", async (body, says) => {
    const id = await begun();
    const w = await say(id, "read", body);
    expect(w).toMatchObject({ ok: false, fault: { path: ["value"] } });
    expect(!w.ok && w.fault.message).toMatch(says);
  });

  test("a reading in the future, and one before it began, are refused", async () => {
    const id = await begun();
    const body = { what: "temperature", value: 60 };
    const soon = new Date(Date.now() + 3_600_000).toISOString();
    expect(await say(id, "read", body, { at: soon })).toMatchObject({ fault: { name: "InTheFuture" } });
    expect(await say(id, "read", body, { at: "2020-01-01T00:00:00Z" })).toMatchObject({
      fault: { name: "BeforeItBegan" },
    });
  });

  test("a window is moved with why, in order, and never before the jar began", async () => {
    const id = await begun();
    const b = (await batchOf(home.sql, id))!;
    const seen = b.seq;
    const at = (earliest: string, best: string, latest: string) =>
      say(id, "rewindowed", { earliest, best, latest, why: "the cellar is cold" }, { seen });
    expect(await at("2020-01-01", "2020-02-01", "2020-03-01")).toMatchObject({
      fault: { path: ["earliest"] },
    });
    expect(await at("2030-02-01", "2030-01-01", "2030-03-01")).toMatchObject({ fault: { path: ["best"] } });
    expect((await at("2030-01-01", "2030-02-01", "2030-03-01")).ok).toBe(true);
    expect((await batchOf(home.sql, id))!.stove.window).toMatchObject({ best: "2030-02-01" });
  });
});

describe("photographs", () => {
  const picture = (width: number, height: number): Promise<Buffer> =>
    sharp({ create: { width, height, channels: 3, background: "#884422" } })
      .withExif({ IFD0: { Make: "Lock" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 0/1" } })
      .jpeg()
      .toBuffer();

  test("one is kept small, without place or maker, once however often it is sent", async () => {
    const id = await begun();
    const key = randomUUID();
    const sent = await picture(3000, 2000);
    expect((await sharp(sent).metadata()).exif).toBeDefined();
    for (let i = 0; i < 2; i++) expect((await keepPicture(home.sql, id, key, sent, "day one")).ok).toBe(true);
    const kept = (await pictureOf(home.sql, id, key, false))!;
    const { width, height, exif } = await sharp(kept).metadata();
    expect([width, height, exif]).toEqual([1600, 1067, undefined]);
    expect((await sharp((await pictureOf(home.sql, id, key, true))!).metadata()).width).toBe(160);
    expect((await batchOf(home.sql, id))!.stove.pictures).toMatchObject([{ id: key, words: "day one" }]);
  });

  test("what is no picture, and a small file that unfolds to a field, are refused and nothing is written", async () => {
    const id = await begun();
    const seq = (await batchOf(home.sql, id))!.seq;
    const bomb = await sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: "#fff" } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(bomb.length).toBeLessThan(2_000_000);
    for (const bytes of [
      Buffer.from("a jar"),
      Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"),
      bomb,
    ])
      expect(await keepPicture(home.sql, id, randomUUID(), bytes, undefined)).toMatchObject({
        ok: false,
        fault: { path: ["picture"] },
      });
    expect((await batchOf(home.sql, id))!.seq).toBe(seq);
  });

  test("they go into a backup and come out of it; one that was changed is refused", async () => {
    const id = await begun();
    const key = randomUUID();
    await keepPicture(home.sql, id, key, await picture(400, 300), undefined);
    const folder = mkdtempSync(join(tmpdir(), "jolly-"));
    const file = join(folder, "a.jolly");
    await writeBackup(file, journalLines(home.sql), houseFiles(home.sql));
    const other = await bareDatabase();
    try {
      await migrate(other.sql, MIGRATIONS);
      const files: HouseFile[] = [];
      await importFrom(
        other.sql,
        linesOfFile(file, (f) => files.push(f)),
        () => files,
      );
      expect(await pictureOf(other.sql, id, key, false)).toEqual(await pictureOf(home.sql, id, key, false));
      const b = join(folder, "b.jolly");
      await writeBackup(b, journalLines(other.sql), houseFiles(other.sql));
      expect(readFileSync(b).equals(readFileSync(file))).toBe(true);
    } finally {
      await other.drop();
      rmSync(folder, { recursive: true });
    }
  });
});

describe("the feed and the morning", () => {
  const secret = "a".repeat(43);

  test("the feed opens to its secret alone, and to none once it is closed; a request sent again says the same", async () => {
    const key = randomUUID();
    for (let i = 0; i < 2; i++) expect((await changeFeed(home.sql, key, secret)).ok).toBe(true);
    const { feed } = await household(home.sql);
    expect(feed).not.toContain(secret);
    expect(opensFeed(feed, `${secret}.ics`)).toBe(true);
    for (const guess of [`${"b".repeat(43)}.ics`, secret, "", `${secret}.ics.ics`, feed])
      expect(opensFeed(feed, guess)).toBe(false);
    await changeFeed(home.sql, randomUUID(), "");
    expect(opensFeed((await household(home.sql)).feed, `${secret}.ics`)).toBe(false);
  });

  test("a morning is claimed once, by whoever comes first; only where sending failed it is tried again", async () => {
    const day = "2026-12-01";
    const claims = await Promise.all(Array.from({ length: 8 }, () => claimMorning(home.sql, day)));
    expect(claims.filter(Boolean)).toHaveLength(1);
    await morningWent(home.sql, day, "failed");
    expect(await claimMorning(home.sql, day)).toBe(true);
    await morningWent(home.sql, day, "sent");
    expect(await claimMorning(home.sql, day)).toBe(false);
  });
});
