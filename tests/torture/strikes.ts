/** Strikes at random over writes, and looks after each at what was acknowledged. Seeded: strike n of a seed is the same strike. */
import { type ChildProcess, spawn } from "node:child_process";
import type { Sql } from "../../src/store/db";
import { tableDifferences } from "../../src/store/soundness";
import { bundled } from "../../tools/bundled";
import { chance } from "../chance";
import type { Try } from "./writer";

export interface Tally {
  readonly strikes: number;
  readonly acknowledged: number;
  readonly lost: number;
  readonly doubled: number;
  readonly gaps: number;
  /** Rows of the read tables that a rebuild would make otherwise. */
  readonly differing: number;
}
export const NOTHING_YET: Tally = { strikes: 0, acknowledged: 0, lost: 0, doubled: 0, gaps: 0, differing: 0 };

const sum = (a: Tally, b: Tally): Tally => ({
  strikes: a.strikes + b.strikes,
  acknowledged: a.acknowledged + b.acknowledged,
  lost: a.lost + b.lost,
  doubled: a.doubled + b.doubled,
  gaps: a.gaps + b.gaps,
  differing: a.differing + b.differing,
});

export const bundledWriter = (root: string, folder: string): string =>
  bundled(root, "tests/torture/writer.ts", folder);

interface Run {
  readonly acknowledged: readonly string[];
  /** Tried, and never answered. */
  readonly open: Try | undefined;
}

/** When a strike falls: so many ms after so many writes were acknowledged, so that a slow machine is struck as far on as a quick one. */
interface Blow {
  readonly written: number;
  readonly ms: number;
}

/**
 * Lets a writer write, and strikes it: the process itself, or its connections under it.
 * @param cut strikes at the connections instead of the process
 */
function struck(
  writer: string,
  url: string,
  seed: number,
  open: Try | undefined,
  { written, ms }: Blow,
  cut?: () => Promise<void>,
): Promise<Run> {
  const child: ChildProcess = spawn(process.execPath, [writer, url, String(seed)], {
    stdio: ["pipe", "pipe", "inherit"],
    env: { ...process.env, JOLLY_NOW_FROZEN: "2026-11-24T09:00:00Z" },
  });
  child.stdin!.end(`${open ? JSON.stringify(open) : ""}\n`);
  let said = "";
  let began = false;
  return new Promise((done) => {
    child.stdout!.on("data", (d: Buffer) => {
      said += d.toString();
      if (began || said.split('"is":"written"').length <= written) return;
      began = true;
      setTimeout(() => void (cut ? cut().catch(() => undefined) : child.kill("SIGKILL")), ms);
      // One whose connections were cut ends by itself; one that does not is ended.
      setTimeout(() => child.kill("SIGKILL"), ms + 800).unref();
    });
    child.once("exit", () => done(readRun(said, open)));
  });
}

function readRun(said: string, first: Try | undefined): Run {
  const acknowledged: string[] = [];
  let open = first;
  // The last line may have been cut.
  for (const line of said.split("\n").slice(0, -1)) {
    const l = JSON.parse(line) as { is: string; key?: string; t?: Try };
    if (l.is === "try") open = l.t;
    if (l.is === "written") acknowledged.push(l.key!);
    if (l.is === "written" || l.is === "refused") open = undefined;
  }
  return { acknowledged, open };
}

async function looked(
  sql: Sql,
  acknowledged: readonly string[],
): Promise<Omit<Tally, "strikes" | "differing">> {
  const [kept] = await sql<
    { n: number }[]
  >`select count(*)::int as n from event where key = any(${[...acknowledged]}::uuid[])`;
  const [gaps] = await sql<
    { n: number }[]
  >`select count(*)::int as n from (select 1 from event group by stream_id having max(seq) <> count(*)) x`;
  // What an entry causes in the stores is written along with it, once for each thing.
  const [doubled] = await sql<{ n: number }[]>`
    select count(*)::int as n from (select 1 from event where stream_kind = 'store' and body ? 'cause'
      group by stream_id, type, body -> 'cause' having count(*) > 1) x`;
  return {
    acknowledged: acknowledged.length,
    lost: acknowledged.length - kept!.n,
    doubled: doubled!.n,
    gaps: gaps!.n,
  };
}

/** Every so many strikes the read tables are compared with a rebuild. */
const COMPARED_EVERY = 20;

/**
 * Strikes from one number to another of a seed.
 * @param told called after each with the tally so far
 */
export async function strike(
  { sql, url, writer, seed }: { sql: Sql; url: string; writer: string; seed: number },
  from: number,
  to: number,
  told: (tally: Tally, n: number) => void = () => {},
): Promise<Tally> {
  let tally = NOTHING_YET;
  let open: Try | undefined;
  for (let n = from; n < to; n++) {
    const c = chance(seed * 100_003 + n);
    const cut = c.next() < 0.4 ? () => cutAll(sql) : undefined;
    const ms = c.from(1, 120);
    const blow = { ms, written: Math.floor(c.next() * 4) };
    const run = await struck(writer, url, seed + n, open, blow, cut);
    open = run.open;
    const differing =
      (n + 1) % COMPARED_EVERY === 0 || n + 1 === to ? (await tableDifferences(sql)).length : 0;
    tally = sum(tally, { strikes: 1, differing, ...(await looked(sql, run.acknowledged)) });
    told(tally, n);
  }
  return tally;
}

/** Cuts every connection to the household but this one. */
const cutAll = async (sql: Sql): Promise<void> =>
  void (await sql`
    select pg_terminate_backend(pid) from pg_stat_activity
    where datname = current_database() and pid <> pg_backend_pid() and application_name <> 'looker'`);
