import { bestByOfBottle } from "../core/label/clock";
import { heldBy } from "../core/label/held";
import { filledOf, foldBottle } from "../core/cellar/bottle";
import { fault } from "../core/fault";
import { reckonBatch } from "../core/journal/reckon";
import { oursId, oursRow } from "../core/journal/ours";
import type { Plan } from "../core/plan/plan";
import type { Program } from "../core/reckoning/program";
import { RefusedAlong, appendWithin, eventsOf, followingKey } from "./append";
import { streamOf } from "./bottles";
import type { Sql, Tx } from "./db";
import { batchOf } from "./journal";
import type { Because } from "./drawn";

/** A batch of ours whose bottles may be poured into a new one. */
export interface OursLine {
  readonly batch: string;
  readonly code: string;
  readonly name: string;
  readonly leftMl: number;
  readonly bestBy: string;
}

const MOST = 300;

/** What stands in the cellar to be poured from, first to use first. */
export const oursKept = (sql: Sql): Promise<OursLine[]> => sql<OursLine[]>`
  select b.id as batch, b.code, b.name, sum(x.left_ml)::float8 as "leftMl", min(x.best_by) as "bestBy"
  from bottle x join batch b on b.id = x.batch_id
  where x.state = 'kept' and x.left_ml >= 1 group by b.id, b.code, b.name order by min(x.best_by), b.code limit ${MOST}`;

/** The rows a plan wants to pour from a batch of ours: its own, and those of the household's own plants in it. Nothing where it has no bottles. */
export async function oursOf(sql: Sql, id: string): Promise<NonNullable<Plan["materials"]> | undefined> {
  const batch = await batchOf(sql, id);
  if (!batch || batch.state !== "bottled") return undefined;
  const r = reckonBatch(batch);
  if (!r.ok) return undefined;
  const [kept] = await sql<
    { best_by: string | null }[]
  >`select min(best_by) as best_by from bottle where batch_id = ${id} and state = 'kept' and left_ml >= 1`;
  const row = oursRow(batch, r.value.program, r.value.reckoning, kept?.best_by ?? undefined);
  return [...(batch.plan.materials ?? []), row];
}

/** mL that a making pours from the bottles of each batch. */
function wanted(p: Program): ReadonlyMap<string, { readonly ml: number; readonly line: string }> {
  const all = new Map<string, { ml: number; line: string }>();
  for (const l of p.lines) {
    const { from } = l.line;
    if (!from || !("batch" in from) || l.stuff.id !== oursId(from.batch)) continue;
    const was = all.get(from.batch)?.ml ?? 0;
    all.set(from.batch, { ml: was + l.grams / l.stuff.density, line: l.line.id });
  }
  return all;
}

/** Less than this is the eye's doing, mL. */
const NEXT_TO_NOTHING = 1;
/** How much more than is thought to be left may come out before it cannot be. */
const MEASURED_BADLY = 1.15;

/** Pours from the bottles of one batch, an opened one first, then by its day; a refusal undoes what it goes along with. */
async function pourFrom(tx: Tx, id: string, ml: number, line: string, b: Because): Promise<void> {
  await tx`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`;
  const batch = await batchOf(tx, id);
  if (!batch?.verdict)
    throw new RefusedAlong(fault("NoSuchBottle", "That batch has no bottles to pour from.", ["lines", line]));
  const made = reckonBatch(batch);
  const day = (is: Parameters<typeof bestByOfBottle>[0]): string =>
    bestByOfBottle(
      is,
      (place) => heldBy(batch.verdict!, made.ok ? made.value : undefined, place).verdict,
      batch.own?.bestBy,
    );
  const kept = (
    await Promise.all(
      filledOf(batch).map(async (f) => ({
        f,
        is: foldBottle(f, await eventsOf(tx, streamOf(batch, f), f.id)),
      })),
    )
  )
    .filter(({ is }) => is.state === "kept" && is.leftMl > 0)
    .map((x) => ({ ...x, best: day(x.is) }))
    .sort(
      (x, y) =>
        Number(y.is.openedDay !== undefined) - Number(x.is.openedDay !== undefined) ||
        x.best.localeCompare(y.best) ||
        x.is.number - y.is.number,
    );
  const left = kept.reduce((sum, { is }) => sum + is.leftMl, 0);
  if (ml > left * MEASURED_BADLY + 5)
    throw new RefusedAlong(
      fault(
        "MoreThanIsLeft",
        `About ${Math.round(left)} mL of ${batch.code} is left, and ${Math.round(ml)} mL is to go in.`,
        ["lines", line],
      ),
    );
  let want = ml;
  for (const [i, { f, is }] of kept.entries()) {
    if (want <= NEXT_TO_NOTHING) break;
    const takes = i === kept.length - 1 ? want : Math.min(want, is.leftMl);
    want -= takes;
    const w = await appendWithin(tx, streamOf(batch, f), {
      streamId: f.id,
      key: followingKey(b.key, "poured", f.id),
      type: "poured",
      body: { ml: takes, said: `${Math.round(takes)} mL`, into: b.batch.code },
    });
    if (!w.ok) throw new RefusedAlong(w.fault);
  }
}

/** Pours what a making takes of our own bottles, in the transaction that begins it. Batches in one order, so that none waits for another. */
export async function pourOurs(tx: Tx, p: Program, b: Because): Promise<void> {
  for (const [id, { ml, line }] of [...wanted(p)].sort(([x], [y]) => (x < y ? -1 : 1)))
    await pourFrom(tx, id, ml, line, b);
}

interface PouredInto {
  readonly bottle: string;
  readonly batch: string;
  readonly seq: number;
  readonly ml: number;
}

/** What a batch has poured out of our bottles and not given back. */
const pouredInto = (tx: Tx, code: string): Promise<PouredInto[]> => tx<PouredInto[]>`
  select e.stream_id as bottle, x.batch_id as batch, e.seq, (e.body ->> 'ml')::float8 as ml from event e join bottle x on x.id = e.stream_id
  where e.stream_kind = 'bottle' and e.type = 'poured' and e.body ->> 'into' = ${code}
    and not exists (select 1 from event c where c.stream_kind = 'bottle' and c.stream_id = e.stream_id and c.type = 'corrected' and (c.body ->> 'seq')::int = e.seq)
  order by x.batch_id, e.stream_id, e.seq`;

/** Takes back what a batch poured out of our bottles: it did not go in. */
export async function giveOursBack(tx: Tx, b: Because): Promise<void> {
  for (const { bottle, batch: id, seq } of await pouredInto(tx, b.batch.code)) {
    await tx`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`;
    const batch = await batchOf(tx, id);
    const filled = batch && filledOf(batch).find((f) => f.id === bottle);
    if (!batch || !filled) continue;
    const stream = streamOf(batch, filled);
    const seen = (await eventsOf(tx, stream, bottle)).at(-1)?.seq;
    const w = await appendWithin(tx, stream, {
      streamId: bottle,
      key: followingKey(b.key, "corrected", bottle, String(seq)),
      type: "corrected",
      body: { seq, body: null },
      seen,
    });
    if (!w.ok) throw new RefusedAlong(w.fault);
  }
}

/** What was poured is made to follow what really goes in. */
export async function pourOursAnew(tx: Tx, p: Program, b: Because): Promise<void> {
  const is = new Map<string, number>();
  for (const x of await pouredInto(tx, b.batch.code)) is.set(x.batch, (is.get(x.batch) ?? 0) + x.ml);
  const want = wanted(p);
  const ids = [...new Set([...is.keys(), ...want.keys()])];
  if (ids.every((id) => Math.abs((is.get(id) ?? 0) - (want.get(id)?.ml ?? 0)) <= NEXT_TO_NOTHING)) return;
  await giveOursBack(tx, b);
  await pourOurs(tx, p, b);
}
