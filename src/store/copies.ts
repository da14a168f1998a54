import { isAbsolute, normalize } from "node:path";
import type { Sql } from "./db";

/** How the copies of a household stand. */
export interface Copies {
  readonly at: string | undefined;
  readonly to: string | undefined;
  readonly triedAt: string | undefined;
  readonly problem: string | undefined;
  readonly also: string | undefined;
  /** Days since the last, where something was written since; none where all is in it. */
  readonly behindDays: number | undefined;
}

export async function copiesOf(sql: Sql): Promise<Copies> {
  const [h] = await sql<
    {
      copied_at: Date | null;
      copied_to: string | null;
      copy_tried_at: Date | null;
      copy_problem: string | null;
      copies_also: string | null;
      days: number | null;
      behind: boolean;
    }[]
  >`
    select copied_at, copied_to, copy_tried_at, copy_problem, copies_also,
           extract(epoch from now() - copied_at)::float8 / 86400 as days,
           exists (select 1 from event where recorded_at > copied_at) as behind
    from house`;
  return {
    at: h!.copied_at?.toISOString(),
    to: h!.copied_to ?? undefined,
    triedAt: h!.copy_tried_at?.toISOString(),
    problem: h!.copy_problem ?? undefined,
    also: h!.copies_also ?? undefined,
    behindDays: h!.behind && h!.days !== null ? Math.floor(h!.days) : undefined,
  };
}

/** What is wrong with a folder that copies should also go to; the app does not look at the disk, the tool that copies does. */
export function wrongFolder(folder: string): string | undefined {
  if (folder === "") return undefined;
  const plain = folder.replace(/\/$/, "");
  if (!isAbsolute(folder) || plain === "" || normalize(plain) !== plain)
    return "Give a whole address of a folder, like /media/stick/jolly-crock.";
  return undefined;
}
export const copyAlsoTo = async (sql: Sql, folder: string): Promise<void> =>
  void (await sql`update house set copies_also = ${folder === "" ? null : folder}, copy_problem = null`);
export async function copied(
  sql: Sql,
  c: { readonly to: string; readonly tried: boolean; readonly problem: string | undefined },
): Promise<void> {
  await sql`
    update house set copied_at = now(), copied_to = ${c.to}, copy_problem = ${c.problem ?? null},
                     copy_tried_at = case when ${c.tried} then now() else copy_tried_at end`;
}
export const copyFailed = async (sql: Sql, why: string): Promise<void> =>
  void (await sql`update house set copy_problem = ${why.slice(0, 300)}`);
