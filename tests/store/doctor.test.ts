import { afterEach, beforeEach, expect, test } from "@jest/globals";
import { createHash, randomUUID } from "node:crypto";
import { labelOf } from "../../src/core/label/label";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { allFindings } from "../../src/store/soundness";
import { settleAnew } from "../../src/store/settings";
import { keep } from "../../src/store/stores";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeEach(async () => void (home = await newHousehold()));
afterEach(() => home.drop());

interface House {
  readonly batch: string;
  readonly bottles: readonly string[];
  readonly lot: string;
  readonly empties: string;
}
const kept = async (item: object): Promise<string> => {
  const id = randomUUID();
  const w = await keep(home.sql, { id, key: randomUUID(), type: "kept", body: { item } });
  if (!w.ok) throw new Error(w.fault.message);
  return id;
};
/** A sound household: a lot, empty bottles, and an oxymel in two of them. */
async function lived(): Promise<House> {
  const lot = await kept({
    what: "lot",
    material: "thyme",
    form: "dried",
    amount: "100 g",
    got: "2026-10-01",
  });
  const empties = await kept({ what: "empties", vessel: "b-330-swing", count: 9 });
  const plan = thymeOxymel("30 g", "400 mL", "400 mL");
  const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan, reasons: {} }, plan);
  if (!w.ok) throw new Error(w.fault.message);
  const { id } = w.state;
  const say = async (type: string, body: unknown) => {
    const seen = (await batchOf(home.sql, id))!.seq;
    const done = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
    if (!done.ok) throw new Error(done.fault.message);
  };
  await say("strained", { measured: "700 mL", how: "wrung" });
  const bottles = [0, 1].map(() => ({
    ...{ id: randomUUID(), vessel: "b-330-swing", name: "330 mL" },
    ...{ ml: 330, place: "fridge" },
  }));
  await say("bottled", { bottles, own: null });
  return { batch: id, bottles: bottles.map((b) => b.id), lot, empties };
}
const findings = async (): Promise<string[]> => (await allFindings(home.sql)).map((f) => f.what);

/** An entry put into the journal past the app, as a bad restore or another hand might. */
async function slipped(
  kind: string,
  stream: string,
  type: string,
  body: unknown,
  {
    seq,
    version = 1,
    recorded = "2026-11-25T09:00:00Z",
    day = "2026-11-25",
  }: { seq?: number; version?: number; recorded?: string; day?: string } = {},
): Promise<void> {
  const [last] = await home.sql<{ n: number }[]>`
    select coalesce(max(seq), 0)::int as n from event where stream_id = ${stream}`;
  await home.sql`insert into event (stream_kind, stream_id, seq, key, sent, type, version, at, recorded_at, day, body)
    values (${kind}, ${stream}, ${seq ?? last!.n + 1}, ${randomUUID()}, '', ${type}, ${version}, ${recorded}, ${recorded}, ${day}, ${home.sql.json(body as never)})`;
}
const cause = (batch: string) => ({ kind: "batch", stream: batch, seq: 3 });
const bottleBody = (id: string) => ({
  id,
  vessel: "b-330-swing",
  name: "330 mL",
  ml: 330,
  place: "fridge",
  number: 1,
});

/** What is done to a sound household past the app, and what the doctor must say of it. */
const FAULTS: readonly (readonly [string, (h: House) => Promise<unknown>, RegExp])[] = [
  ["a bottle’s journal without a bottle", () => slipped("bottle", randomUUID(), "opened", {}), /no batch ever filled/],
  ["a drawing by nobody", (h) => slipped("store", h.lot, "drawn", { grams: 5, by: "OX-26-99" }, { version: 2 }), /no such batch/],
  ["a giving back by nobody", (h) => slipped("store", h.lot, "returned", { grams: 5, by: "SY-26-77", cause: cause(h.batch) }), /no such batch/],
  ["bottles filled by nobody", (h) => slipped("store", h.empties, "filled", { count: 2, by: "VI-25-01", cause: cause(h.batch) }), /no such batch/],
  ["a pour into nothing", (h) => slipped("bottle", h.bottles[0]!, "poured", { ml: 10, said: "10 mL", into: "OX-26-55" }), /no such batch/],
  ["a drawing twice over", (h) => slipped("store", h.lot, "drawn", { grams: 30, by: "OX-26-01", cause: cause(h.batch) }, { version: 2 }), /holds more than it takes/],
  ["a bottle too many filled", (h) => slipped("store", h.empties, "filled", { count: 1, by: "OX-26-01", cause: cause(h.batch) }), /holds more than it takes/],
  ["a pour into a batch that does not take it", (h) => slipped("bottle", h.bottles[1]!, "poured", { ml: 10, said: "10 mL", into: "OX-26-01" }), /holds more than it takes/],
  ["two bottles of one number", (h) => home.sql`update bottle set number = 1 where batch_id = ${h.batch}`, /two bottles of the number 1/],
  ["a gap", (h) => slipped("batch", h.batch, "noted", { text: "x" }, { seq: 9 }), /follows entry 3/],
  ["an unknown type", (h) => slipped("batch", h.batch, "sung", {}), /cannot be read/],
  ["a body that is none", (h) => slipped("batch", h.batch, "noted", { text: 7 }), /cannot be read/],
  ["a newer version", (h) => slipped("store", h.lot, "gone", { why: "" }, { version: 9 }), /cannot be read/],
  ["time that runs back", (h) => slipped("batch", h.batch, "noted", { text: "x" }, { recorded: "2026-11-01T09:00:00Z" }), /was written down before/],
  ["a bottle missing from its list", (h) => home.sql`delete from bottle where id = ${h.bottles[0]!}`, /not what the journal says/],
  ["a batch that is thought undone", (h) => home.sql`update batch set state = 'undone' where id = ${h.batch}`, /not what the journal says/],
  ["a lot that says more", (h) => home.sql`update store_item set left_g = 99 where id = ${h.lot}`, /not what the journal says/],
  ["a lot that was put away", (h) => home.sql`update store_item set gone = true where id = ${h.lot}`, /not what the journal says/],
  ["a bottle that is thought fuller", (h) => home.sql`update bottle set left_ml = 340 where id = ${h.bottles[1]!}`, /not what the journal says/],
  ["a later day on a bottle", (h) => home.sql`update bottle set best_by = best_by + 30 where id = ${h.bottles[1]!}`, /not what the journal says/],
  ["running numbers set back", () => home.sql`update code_counter set last = 0`, /below codes that were given/],
  ["a correction that does not read", (h) => slipped("batch", h.batch, "corrected", { seq: 2, body: { measured: 7 } }, { version: 3 }), /correction of entry 2 is passed over/],
  ["a straining that cannot be", (h) => slipped("batch", h.batch, "corrected", { seq: 2, body: { measured: "9 L", how: "wrung" } }, { version: 3 }), /cannot be reckoned/],
  ["a bottling with one number twice", (h) => slipped("batch", h.batch, "corrected", { seq: 3, body: { bottles: h.bottles.map(bottleBody), verdict: null, own: null } }, { version: 3 }), /passed over|two bottles|not what the journal says/],
  ["a straining of what is bottled", (h) => slipped("batch", h.batch, "strained", { measured: "500 mL", how: "wrung" }), /entry 4 .*may not follow/i],
  ["a tick after the bottling", (h) => slipped("batch", h.batch, "added", { line: "x", amount: "5 g" }), /entry 4 .*may not follow/i],
  ["a batch that begins with a note", () => slipped("batch", randomUUID(), "noted", { text: "x" }), /may not follow|does not begin/i],
  ["a batch begun twice", (h) => again(h.batch, h.batch), /entry 4 .*may not follow/i],
  ["two batches of one code", (h) => again(h.batch, randomUUID()), /two batches|cannot be held|code/i],
  ["a correction of an entry there is not", (h) => slipped("batch", h.batch, "corrected", { seq: 77, body: null }, { version: 3 }), /entry 77/],
  ["a correction of a correction", async (h) => {
    await slipped("batch", h.batch, "corrected", { seq: 2, body: { measured: "690 mL", how: "wrung" } }, { version: 3 });
    await slipped("batch", h.batch, "corrected", { seq: 4, body: null }, { version: 3 });
  }, /entry 5 .*entry 4/i],
  ["a spoon from a bottle that was given away", async (h) => {
    await slipped("bottle", h.bottles[0]!, "given", { to: "Maro" });
    await slipped("bottle", h.bottles[0]!, "poured", { ml: 5, said: "1 tsp" });
  }, /bottle .*may not follow/i],
  ["more out of a bottle than was in it", (h) => slipped("bottle", h.bottles[0]!, "poured", { ml: 900, said: "900 mL" }), /more came out/i],
  ["a bottle opened before it was filled", (h) => slipped("bottle", h.bottles[0]!, "opened", {}, { day: "2026-11-02" }), /before/i],
  ["a photograph that is gone", (h) => slipped("batch", h.batch, "pictured", { picture: randomUUID() }), /photograph/],
  ["a photograph nobody took", (h) => picture(h.batch), /photograph/],
  ["a photograph that is not what it was", async (h) => {
    const id = await picture(h.batch);
    await slipped("batch", h.batch, "pictured", { picture: id });
    await home.sql`update picture set bytes = '\\x00'::bytea where id = ${id}`;
  }, /photograph/],
  ["a clock that runs in what is bottled", (h) => home.sql`insert into clock (batch_id, clock, words, low_min, high_min, started_at) values (${h.batch}, 'boil', 'boil', 1, 2, now())`, /not what the journal says/],
  ["a beginning taken back past the app", (h) => slipped("batch", h.batch, "corrected", { seq: 1, body: null }, { version: 3 }), /holds more than it takes|LeftHanging|no batch ever filled|may not follow/],
  ["a day that is not the day of its time", (h) => slipped("batch", h.batch, "noted", { text: "x" }, { day: "2026-07-25" }), /day/],
  ["a household of another name than its journal says", async (h) => {
    await settleAnew(home.sql, { key: h.lot, settings: { name: "Ours" } });
    await home.sql`update household set name = 'Another'`;
  }, /not what the journal says .household/],
  ["no household", () => home.sql`delete from household`, /household/],
]; // prettier-ignore

/** A batch's beginning put in once more, of that stream. */
const again = async (batch: string, stream: string): Promise<void> => {
  const [begun] = await home.sql<{ body: unknown; version: number }[]>`
    select body, version from event where stream_id = ${batch} and seq = 1`;
  await slipped("batch", stream, "begun", begun!.body, { version: begun!.version });
};
/** A photograph in the table, of which no entry speaks. */
async function picture(batch: string): Promise<string> {
  const id = randomUUID();
  const bytes = Buffer.from("a picture");
  const sha = createHash("sha256").update(bytes).digest("hex");
  await home.sql`insert into picture (id, batch_id, bytes, thumb, width, height, sha256) values (${id}, ${batch}, ${bytes}, ${bytes}, 1, 1, ${sha})`;
  return id;
}

test("a household that was only lived in is well", async () => {
  await lived();
  expect(await findings()).toEqual([]);
});
test.each(FAULTS)("%s is found", async (_, put, told) => {
  await put(await lived());
  expect((await findings()).join("\n")).toMatch(told);
});

test("a bottle whose neighbour was taken out keeps its number on its label", async () => {
  const h = await lived();
  const batch = (await batchOf(home.sql, h.batch))!;
  const stays = batch.bottles[1]!;
  const body = { seq: 3, body: { bottles: [stays], own: null } };
  const w = await write(home.sql, h.batch, {
    key: randomUUID(),
    type: "corrected",
    seen: batch.seq,
    sure: true,
    body,
  });
  if (!w.ok) throw new Error(w.fault.message);
  expect(labelOf(w.state, w.state.bottles[0]!, "thyme", []).code).toBe(`${batch.code}·2`);
});
