import { type PutUp, savedBy } from "../core/cellar/saved";
import { type Day, addDays } from "../core/day";
import { reckonBatch } from "../core/journal/reckon";
import type { Kind } from "../core/plan/plan";
import { costOf } from "../core/stores/cost";
import type { Stored } from "../core/stores/events";
import { storesOf } from "../core/stores/stores";
import type { Sql } from "./db";
import { batchesById } from "./journal";

const YEAR = 365;

interface Filled {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  readonly ml: number;
}
/** What was bottled of each batch in the year before a day; what was thrown out is not among it. */
const putUpSince = (sql: Sql, since: Day): Promise<Filled[]> => sql<Filled[]>`
  select b.id, b.name, b.kind, sum(x.ml)::float8 as ml
  from bottle x join batch b on b.id = x.batch_id
  where x.filled_day >= ${since} and x.state <> 'discarded'
  group by b.id order by min(x.filled_day)`;

/** What was saved against the shop in the year before a day: what was put up of each remedy a shop’s price is kept for, less what went into it. */
export async function savedThisYear(
  sql: Sql,
  items: readonly Stored[],
  today: Day,
): Promise<ReturnType<typeof savedBy>> {
  const shops = items.flatMap(({ item, gone }) => (item.what === "shop" && !gone ? [item] : []));
  if (shops.length === 0) return { rows: [], saved: 0 };
  const filled = await putUpSince(sql, addDays(today, -YEAR));
  const asked = new Set(shops.map((s) => `${s.kind} ${s.remedy.toLowerCase()}`));
  const mine = filled.filter((f) => asked.has(`${f.kind} ${f.name.toLowerCase()}`));
  const { lots } = storesOf(items);
  const batches = await batchesById(
    sql,
    mine.map((f) => f.id),
  );
  const made = mine.flatMap((f): PutUp[] => {
    const batch = batches.get(f.id);
    const r = batch && reckonBatch(batch);
    if (!r?.ok) return [];
    const cost = costOf(r.value.program, r.value.reckoning, lots);
    if (cost.priced === "none") return [];
    return [
      { name: f.name, kind: f.kind, ml: f.ml, perMl: cost.per100.value / 100, unpriced: cost.unpriced },
    ];
  });
  return savedBy(made, shops);
}
