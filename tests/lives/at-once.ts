/** The same life where the right thing was said at once: what stands in the end, each on the day it is of, in a household of its own. */
import { randomUUID } from "node:crypto";
import { readPlan } from "../../src/core/plan/file";
import type { Plan } from "../../src/core/plan/plan";
import { writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import type { Sql } from "../../src/store/db";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { stores } from "../../src/store/stores";
import { recallOfBatch } from "../../src/store/recall";
import { bottleDates, bottlesOfRemedy, cellarBottles, jars, remedies } from "../../src/store/shelf";
import { type House, type Said, clock, opened, today } from "./house";

/** When each thing is of, by the raw entries: its own time, or that of the last correction that moved it. */
async function timesOf(sql: Sql): Promise<Map<string, string>> {
  const rows = await sql<{ stream_id: string; seq: number; at: Date; type: string; body: unknown }[]>`
    select stream_id, seq, at, type, body from event where stream_kind in ('batch', 'bottle') order by stream_id, seq`;
  const out = new Map<string, string>();
  for (const r of rows) {
    const c = r.type === "corrected" ? (r.body as { seq: number; at?: string }) : undefined;
    if (c?.at) out.set(`${r.stream_id} ${c.seq}`, new Date(c.at).toISOString());
    else if (!c) out.set(`${r.stream_id} ${r.seq}`, r.at.toISOString());
  }
  return out;
}

/** Says it all again, once and right. @returns what was refused, which is nothing where both are one life */
export async function saidAtOnce(h: House, sql: Sql): Promise<string[]> {
  const end = process.env["JOLLY_NOW_FROZEN"]!;
  const times = await timesOf(h.sql);
  // Of a thing only the day is known, or it is of an earlier hour than the bottling of the same day: the bottling came first.
  const filledAt = new Map(
    h.batches.flatMap((b) => b.bottles.map((x) => [x.id, times.get(`${b.id} ${b.bottledAt}`)!] as const)),
  );
  const after = (s: Said): string => (s.to === "bottle" ? filledAt.get(s.stream)! : motherOf(s));
  const motherOf = (s: Said): string => {
    const mother = h.batches.find((b) => b.id === h.daughter?.of);
    return s.stream === h.daughter?.id && mother?.bottledAt
      ? times.get(`${mother.id} ${mother.bottledAt}`)!
      : "";
  };
  const timeOf = (s: Said): string => {
    const [at, least] = [times.get(`${s.stream} ${s.seq}`)!, after(s)];
    return at < least && at.slice(0, 10) === least.slice(0, 10) ? least : at;
  };
  const undone = new Set(h.batches.filter((b) => b.undone).map((b) => b.id));
  const all = [...h.said.values()]
    .map((s, n) => ({ ...s, n, at: timeOf(s) }))
    .filter((s) => !undone.has(s.stream))
    .sort((a, b) => a.at.localeCompare(b.at) || a.n - b.n);
  await opened(sql, 1);
  const refused: string[] = [];
  for (const s of all) {
    clock(s.at);
    const w = await sayOnce(sql, s);
    if (w) refused.push(`${s.at.slice(0, 10)} ${s.type}: ${w}`);
  }
  clock(end);
  return refused;
}

async function sayOnce(
  sql: Sql,
  s: { to: "batch" | "bottle"; stream: string; type: string; body: unknown },
): Promise<string | undefined> {
  const r = { key: randomUUID(), type: s.type, body: s.body, sure: true };
  if (s.type === "begun") {
    const plan = readPlan((s.body as { plan: Plan }).plan);
    if (!plan.ok) return plan.faults[0]!.message;
    const w = await begin(sql, { id: s.stream, key: r.key, plan: plan.value, reasons: {} }, plan.value);
    return w.ok ? undefined : w.fault.message;
  }
  if (s.to === "batch") {
    const seen = (await batchOf(sql, s.stream))?.seq;
    const w = await write(sql, s.stream, { ...r, seen });
    return w.ok ? undefined : w.fault.message;
  }
  const [row] = await sql<{ seq: number }[]>`select seq from bottle where id = ${s.stream}`;
  const w = await writeBottle(sql, s.stream, { ...r, seen: row?.seq });
  // A spoon said later of an earlier day opened it before it was said to be opened: once is enough.
  return w.ok || (s.type === "opened" && w.fault.message.includes("open already"))
    ? undefined
    : w.fault.message;
}

/**
 * What two households show that were told the same life, whatever codes and numbers were spent on the way.
 * @param poured a batch whose bottles went into another batch: which of them the app takes for that hangs on which was open then, and what is said
 *   later of an earlier day does not change it; how much came out of them in all does not hang on it
 */
export async function shown(sql: Sql, poured: string | undefined): Promise<object> {
  const codes = await sql<{ id: string; code: string }[]>`select id, code from batch`;
  const { lots, empties } = await stores(sql);
  const left: Record<string, number> = {};
  // Which lot of a thing was opened first hangs on what was said first; how much of the thing is left does not.
  for (const l of lots) left[l.material] = (left[l.material] ?? 0) + l.leftG;
  for (const m of Object.keys(left)) left[m] = Math.round(left[m]! * 10) / 10;
  const batches = await sql<{ id: string }[]>`
    select id, state, begun_day, vessel, comes_from from batch where state <> 'undone' order by id`;
  const recalls = [];
  for (const { id } of batches) recalls.push([id, await recallOfBatch(sql, id)]);
  const courses = [];
  for (const r of await remedies(sql, today()))
    courses.push({ courses: r.courses, name: r.name, use: await bottlesOfRemedy(sql, r, today()) });
  const all = {
    ...{ left, empties: empties.map((e) => e.count), batches, recalls, courses },
    jars: (await jars(sql))
      .map(({ seq: _s, changedAt: _c, ...jar }) => jar)
      .sort((a, b) => a.id.localeCompare(b.id)),
    cellar: (await cellarBottles(sql)).sort((a, b) => a.id.localeCompare(b.id)),
    gone: await sql`select id, state, gone_day, left_ml, opened_day from bottle where state <> 'kept' order by id`,
    calendar: (await bottleDates(sql))
      .map(({ changes: _c, changed_at: _a, ...b }) => b)
      .sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b))),
  };
  const [sum] = await sql<{ ml: number }[]>`
    select round(sum((coalesce(c.body->'body', e.body)->>'ml')::float8))::int as ml from event e join bottle x on x.id = e.stream_id
    left join lateral (select body from event where stream_id = e.stream_id and type = 'corrected' and (body->>'seq')::int = e.seq order by seq desc limit 1) c on true
    where x.batch_id = ${poured ?? null} and e.type = 'poured' and (c.body is null or jsonb_typeof(c.body->'body') = 'object')`;
  const its = new Set(
    (await sql<{ id: string }[]>`select id from bottle where batch_id = ${poured ?? null}`).map((r) => r.id),
  );
  const guessed = new Set(["left_ml", "leftMl", "opened_day", "taken"]);
  let text = JSON.stringify({ ...all, sum }, function (this: { id?: string }, key, value: unknown) {
    if (key === "number" || (poured && key === "use")) return undefined;
    return guessed.has(key) && its.has(this.id ?? "") ? undefined : value;
  });
  for (const { id, code } of codes) text = text.replaceAll(`"${code}"`, `"${id}"`);
  return JSON.parse(text) as object;
}
