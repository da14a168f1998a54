import { reckonBatch } from "../core/journal/reckon";
import { oursRow } from "../core/journal/ours";
import type { Plan } from "../core/plan/plan";
import type { Sql } from "./db";
import { batchOf } from "./journal";

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
