import { expect, test } from "@jest/globals";
import type { Post } from "./letter";
import { memoryBox } from "./memory-box";
import { Outbox } from "./outbox";

const letter = (key: string, wroteAt = 0) => ({
  ...{ key, url: "/api/batches/x", stream: "x", wroteAt, happened: true },
  body: { type: "noted", body: { text: key } },
});

/** An outbox on a house that answers, or does not; and what reached it. */
function opened(there = true) {
  const house = { there, sent: [] as Readonly<Record<string, unknown>>[], now: 0 };
  const post: Post = async (_url, body) => {
    if (!house.there) return { is: "away", fault: { name: "Away", message: "away", path: [] } };
    house.sent.push(body);
    const n = house.sent.length;
    return { is: "taken", answer: { seq: n, entry: n, id: "x", already: false } };
  };
  const outbox = new Outbox(memoryBox(), post, {
    now: () => house.now,
    later: () => () => undefined,
    alone: (work) => work(),
  });
  return { house, outbox };
}

test("the same pressed twice is sent once, and both presses are told", async () => {
  const { house, outbox } = opened();
  const both = await Promise.all([outbox.write(letter("a")), outbox.write(letter("a"))]);
  expect(both.map((o) => o.is)).toEqual(["written", "written"]);
  expect(house.sent.length).toBe(1);
});

test("what was left with a keeper and is said again is sent again, and its press is told", async () => {
  const { house, outbox } = opened(false);
  expect((await outbox.write(letter("a"), 1)).is).toBe("kept");
  await outbox.handed(new Set(["a"]));
  house.there = true;
  await outbox.flush();
  expect(house.sent).toEqual([]);
  expect((await outbox.write(letter("a"), 1)).is).toBe("written");
  expect(house.sent.map((b) => b["key"])).toEqual(["a"]);
});

test("a clock that is wrong by a day says how long ago as well as any other; what is sent at once says nothing of it", async () => {
  const day = 24 * 60 * 60_000;
  const { house, outbox } = opened(false);
  house.now = 5 * day;
  await outbox.write(letter("a", house.now), 1);
  house.now += 15 * 60_000;
  house.there = true;
  await outbox.flush();
  expect(house.sent[0]!["ago"]).toBe(15 * 60_000);
  await outbox.write(letter("b", house.now), 1);
  expect(house.sent[1]).not.toHaveProperty("ago");
});
