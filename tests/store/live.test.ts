/** What is written is told to every page that stands open: nothing between its making and its listening is lost, and nothing is told twice. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { setTimeout as wait } from "node:timers/promises";
import { connect } from "../../src/store/db";
import { AGAIN, hear, howManyHear, tell, viewNow, viewOf } from "../../src/store/live";
import { type Household, newHousehold } from "../support";

let home: Household;
beforeAll(async () => {
  home = await newHousehold();
  process.env["DATABASE_URL"] = home.url;
});
afterAll(() => home.drop());

const STREAM = randomUUID();
/** Hears from a view on; what came, and the view it has then. */
function page(view: string) {
  const came: string[] = [];
  const last = { view };
  const stop = hear((said, at) => {
    came.push(said.split(" ")[0]!);
    last.view = at;
  }, view);
  return { came, last, stop };
}
const until = async (met: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !met(); i++) await wait(25);
};
const write = async (key = randomUUID()): Promise<string> => {
  await home.sql.begin((tx) => tell(tx, key, STREAM));
  return key;
};

test("what was written between a page’s making and its line is told, and what was undone is not", async () => {
  await write();
  const made = await viewNow(home.sql);
  const between = await write();
  await home.sql
    .begin(async (tx) => {
      await tell(tx, randomUUID(), STREAM);
      throw new Error("undone");
    })
    .catch(() => undefined);
  const p = page(made);
  await until(() => p.came.length > 0);
  const after = await write();
  await until(() => p.came.length > 1);
  expect(p.came).toEqual([between, after]);
  p.stop();
  expect(howManyHear()).toBe(0);
});

test("a transaction that ends late is told to every page made before its end, and to none made after", async () => {
  const slow = connect(home.url, 1);
  const late = randomUUID();
  let end = (): void => undefined;
  const ended = slow.begin(async (tx) => {
    await tell(tx, late, STREAM);
    await new Promise<void>((r) => (end = r));
  });
  await wait(200);
  const early = await write();
  const before = page(await viewNow(home.sql));
  const other = await write();
  await until(() => before.came.length > 0);
  end();
  await ended;
  const after = page(await viewNow(home.sql));
  await until(() => before.came.length > 1);
  const last = await write();
  await until(() => after.came.length > 0 && before.came.length > 2);
  expect([...before.came].sort()).toEqual([other, late, last].sort());
  expect(before.came).not.toContain(early);
  expect(after.came).toEqual([last]);
  before.stop();
  after.stop();
  await slow.end();
});

test("pages that come and go while five hands write hear each entry once", async () => {
  const hands = connect(home.url, 5);
  const pages = [page(await viewNow(home.sql))];
  const heard: string[][] = [];
  const written: string[] = [];
  const hand = async (): Promise<void> => {
    for (let i = 0; i < 40; i++) {
      const key = randomUUID();
      await hands.begin(async (tx) => {
        await tell(tx, key, STREAM);
        await wait((i * 7) % 30);
      });
      written.push(key);
    }
  };
  const writing = Promise.all(Array.from({ length: 5 }, hand));
  // One page goes out of sight again and again, and goes on from the view it had.
  for (let i = 0; i < 12; i++) {
    await wait(90);
    const p = pages.pop()!;
    p.stop();
    heard.push(p.came);
    await wait(40);
    pages.push(page(p.last.view));
  }
  await writing;
  await until(() => heard.flat().length + pages[0]!.came.length >= written.length);
  pages[0]!.stop();
  expect([...heard.flat(), ...pages[0]!.came].sort()).toEqual([...written].sort());
  await hands.end();
});

test("a page older than the tail, or of another database, is told to look again; a view that is none is no view", async () => {
  const made = await viewNow(home.sql);
  for (let i = 0; i < 3; i++) await write();
  await home.sql`delete from moved where n < (select max(n) from moved)`;
  const old = page(made);
  await until(() => old.came.length > 0);
  const [xmin] = made.split(":");
  const foreign = page(`${xmin}000:${xmin}000:`);
  await until(() => foreign.came.length > 0);
  expect([old.came, foreign.came]).toEqual([[AGAIN], [AGAIN]]);
  old.stop();
  foreign.stop();
  expect(["1:2:", "1:4:2,3", "", "1:2", "x", "1:2:;", null].map(viewOf)).toEqual([
    "1:2:",
    "1:4:2,3",
    ...Array(5).fill(undefined),
  ]);
});
