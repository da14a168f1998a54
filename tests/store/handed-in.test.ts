/** A device sent away with entries unsent: a keeper sees every one, and what they take in stands as it was written. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { createHash, randomUUID } from "node:crypto";
import { NOT_YET } from "../../src/outbox/letter";
import { begin } from "../../src/store/commands";
import { admit, sendAway } from "../../src/store/devices";
import { HandIn, awayDevice, handIn, heldNow, letBe, takeIn } from "../../src/store/handed-in";
import { thymeOxymel } from "../plans";
import { type Household, newHousehold } from "../support";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeAll(async () => void (home = await newHousehold()));
afterAll(() => home.drop());

const hashOf = (token: string): Buffer => createHash("sha256").update(token).digest();
const jar = async (): Promise<string> => {
  const plan = thymeOxymel();
  const id = randomUUID();
  const w = await begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan);
  if (!w.ok) throw new Error(w.fault.message);
  // It stood for a while before the device wrote of it.
  return id;
};
const letter = (stream: string, n: number, type: string, body: unknown, ago = 0) => ({
  ...{ key: randomUUID(), n, url: `/api/batches/${stream}`, stream, ago },
  body: { type, body, seen: n === 1 ? 1 : NOT_YET + n - 1 },
});

test("forty entries are held, shown in order, and taken in once each, in the device’s name and at their time", async () => {
  const id = await jar();
  const { token, id: device } = await admit(home.sql, { name: "tablet", role: "hand" });
  // While it is in, and where the token is another, there is nothing to hand in.
  expect(await awayDevice(home.sql, hashOf(token))).toBeUndefined();
  await sendAway(home.sql, device);
  expect(await awayDevice(home.sql, hashOf(randomUUID()))).toBeUndefined();
  expect(await awayDevice(home.sql, hashOf(token))).toEqual({ id: device, name: "tablet" });

  const notes = Array.from({ length: 39 }, (_, i) => letter(id, i + 1, "noted", { text: `seen ${i + 1}` }));
  // The last takes back the one before it, which has no place in the journal yet.
  const back = letter(id, 40, "corrected", { seq: NOT_YET + 39, body: null });
  const sent = HandIn.parse({ letters: [...notes, back] });
  const keys = await handIn(home.sql, device, sent);
  expect(keys).toEqual(sent.letters.map((l) => l.key));
  // Said twice it is held once.
  expect(await handIn(home.sql, device, sent)).toEqual(keys);
  const held = await heldNow(home.sql);
  expect(held.map((h) => h.n)).toEqual(Array.from({ length: 40 }, (_, i) => i + 1));
  expect((await home.sql`select 1 from event where stream_id = ${id}`).length).toBe(1);

  expect(await takeIn(home.sql, back.key)).toMatchObject({ name: "NeverWritten" });
  for (const { key } of held) expect(await takeIn(home.sql, key)).toBeUndefined();
  expect(await takeIn(home.sql, back.key)).toMatchObject({ name: "NotThere" });
  const rows = await home.sql<{ text: string | null; of: number | null; by: string; key: string }[]>`
    select body->>'text' as text, (body->>'seq')::int as of, by_device->>'name' as by, key from event
    where stream_id = ${id} and seq > 1 order by seq`;
  expect(rows.map((r) => r.key)).toEqual(keys);
  expect(rows.slice(0, 39).map((r) => r.text)).toEqual(notes.map((_, i) => `seen ${i + 1}`));
  expect(rows.at(-1)!.of).toBe(40);
  expect(new Set(rows.map((r) => r.by))).toEqual(new Set(["tablet"]));
  expect(await heldNow(home.sql)).toEqual([]);
});

test("what does not hold any more is refused in words and stays; let be, it is gone from the list and was never written", async () => {
  const id = await jar();
  const { id: device } = await admit(home.sql, { name: "old tablet", role: "hand" });
  await sendAway(home.sql, device);
  const finish = letter(id, 1, "finished", { lines: [] });
  await handIn(home.sql, device, HandIn.parse({ letters: [finish] }));
  expect(await takeIn(home.sql, finish.key)).toMatchObject({ name: "NotNow" });
  expect((await heldNow(home.sql)).map((h) => h.key)).toEqual([finish.key]);
  expect(await letBe(home.sql, finish.key)).toBeUndefined();
  expect(await heldNow(home.sql)).toEqual([]);
  expect((await home.sql`select 1 from event where stream_id = ${id}`).length).toBe(1);
});

test("no device hands in more than there is room for, and nothing that is no letter of ours", async () => {
  const id = await jar();
  const { id: device } = await admit(home.sql, { name: "chatterbox", role: "hand" });
  await sendAway(home.sql, device);
  const many = Array.from({ length: 400 }, (_, i) => letter(id, i + 1, "noted", { text: "x" }));
  expect((await handIn(home.sql, device, HandIn.parse({ letters: many }))).length).toBe(400);
  expect(
    await handIn(home.sql, device, HandIn.parse({ letters: [letter(id, 401, "noted", { text: "y" })] })),
  ).toEqual([]);
  const other = { ...letter(id, 1, "noted", { text: "x" }), url: "/api/household" };
  expect(HandIn.safeParse({ letters: [other] }).success).toBe(false);
});
