import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { begin } from "../../src/store/commands";
import { type Sql, connect, pauseS } from "../../src/store/db";
import { write } from "../../src/store/entries";
import { rebuild } from "../../src/store/rebuild";
import { asApp, letAppIn } from "../../src/store/role";
import { newCluster } from "../cluster";
import { type Household, newHousehold } from "../support";
import { thymeOxymel } from "../plans";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
const PASSWORD = "5".repeat(32);
let home: Household;
let app: Sql;
beforeAll(async () => {
  home = await newHousehold();
  await letAppIn(home.sql, PASSWORD);
  app = connect(asApp(home.url, PASSWORD), 2);
});
afterAll(async () => {
  await app.end();
  await home.drop();
});

test("the app's role writes the journal and its lists, and makes the lists anew", async () => {
  const plan = thymeOxymel("30 g", "400 mL", "400 mL");
  const w = await begin(app, { id: randomUUID(), key: randomUUID(), plan, reasons: {} }, plan);
  if (!w.ok) throw new Error(w.fault.message);
  const body = { text: "smells of hay" };
  expect((await write(app, w.state.id, { key: randomUUID(), type: "noted", seen: 1, body })).ok).toBe(true);
  expect(await rebuild(app)).toBeGreaterThan(0);
});

const DENIED = "42501";
test.each([
  ["change an entry", "update event set body = '{}'"],
  ["take an entry out", "delete from event"],
  ["empty the journal", "truncate event"],
  ["lift what guards it", "alter table event disable trigger all"],
  ["take a photograph out", "delete from picture"],
  ["take a table away", "drop table batch"],
  ["make a table", "create table mine (x int)"],
  ["say which steps were taken", "insert into migration (number, name, checksum) values (99, 'x', 'x')"],
  ["make itself another", "set role jolly"],
  ["read the cluster's passwords", "select * from pg_authid"],
  ["look into the machine", "select pg_read_file('/etc/passwd')"],
  ["run a program", "copy (select 1) to program 'true'"],
])("it cannot %s", async (_, does) => {
  await expect(app.unsafe(does)).rejects.toMatchObject({ code: DENIED });
});

test("a database that comes back is asked within a second, however long it was away", () => {
  const pauses = Array.from({ length: 500 }, (_, tries) => pauseS(tries));
  expect(Math.max(...pauses)).toBeLessThanOrEqual(1);
  expect(pauses[0]).toBeLessThan(0.1);
  expect(pauses.every((p, i) => i === 0 || p >= pauses[i - 1]!)).toBe(true);
});

test("eight households opened in one moment on a new cluster all let the app in", async () => {
  const cluster = await newCluster();
  const tools = connect(`${cluster.root}/postgres`, 1);
  const names = Array.from({ length: 8 }, (_, i) => `house_${i}`);
  for (const name of names) await tools.unsafe(`create database ${name}`);
  const open = names.map((name) => connect(`${cluster.root}/${name}`, 1));
  // Each is there before the first begins, so that they come at once.
  await Promise.all(open.map((sql) => sql`select 1`));
  const letIn = await Promise.allSettled(open.map((sql) => letAppIn(sql, PASSWORD)));
  expect(letIn.filter((x) => x.status === "rejected")).toEqual([]);
  expect(await tools`select rolname from pg_roles where rolname = 'jolly_app'`).toHaveLength(1);
  await Promise.all([...open, tools].map((sql) => sql.end()));
  cluster.stop();
});
