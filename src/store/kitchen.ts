import type { KitchenClock } from "../core/journal/kitchen-clock";
import type { Sql, Tx } from "./db";

/** What goes on in the kitchen, soonest bell first. */
export async function kitchen(sql: Sql | Tx): Promise<readonly KitchenClock[]> {
  const rows = await sql<(Omit<KitchenClock, "startedAt"> & { readonly started_at: Date })[]>`
    select c.batch_id as batch, b.code, b.name, c.clock, c.words, c.low_min as low, c.high_min as high, c.started_at
    from clock c join batch b on b.id = c.batch_id
    order by c.started_at + c.low_min * interval '1 minute', b.code, c.clock limit 40`;
  return rows.map(({ started_at, ...c }) => ({ ...c, startedAt: started_at.toISOString() }));
}

/** How far the journal of a batch has got, so that a window can tell whether it is behind. */
export async function seqOf(sql: Sql | Tx, id: string): Promise<number | undefined> {
  const [row] = await sql<{ seq: number }[]>`select seq from batch where id = ${id}`;
  return row?.seq;
}
