import type { Table } from "../exchange/tables";
import { MATERIALS } from "../core/material/catalogue";
import type { Sql } from "./db";
import { storedItems } from "./stores";

type Row = Readonly<Record<string, string | number | boolean | null>>;

async function lots(sql: Sql): Promise<Row[]> {
  const all = await storedItems(sql);
  const own = new Map(
    all.flatMap((s) => (s.item.what === "material" ? [[s.item.row.id, s.item.row.names[0]!] as const] : [])),
  );
  return all.flatMap(({ id, item, leftG }): Row[] => {
    if (item.what !== "lot") return [];
    const name = MATERIALS.get(item.material)?.row.names[0] ?? own.get(item.material) ?? item.material;
    return [
      {
        id,
        name,
        material: item.material,
        form: item.form ?? "",
        cut: item.cut ?? "",
        strength: item.strength ?? "",
        water_percent: item.water ?? null,
        amount: item.amount,
        grams: Math.round(item.grams * 100) / 100,
        left_g: Math.round(leftG * 100) / 100,
        price: item.price ?? null,
        got: item.got,
        from: item.from ?? "",
      },
    ];
  });
}

/** What happened to entries that were put right is what stands now: the corrected body, or nothing. */
const STANDING = `
  select e.stream_id, e.seq, e.type, e.at, e.day, coalesce(c.body -> 'body', e.body) as body
  from event e left join lateral (
    select x.body from event x where x.stream_kind = e.stream_kind and x.stream_id = e.stream_id and x.type = 'corrected'
      and (x.body ->> 'seq')::int = e.seq order by x.seq desc limit 1) c on true
  where e.stream_kind = $1 and e.type = $2 and (c.body is null or c.body -> 'body' <> 'null'::jsonb)`;

const at = (x: Date): string => x.toISOString();

async function ofBatches(sql: Sql, type: "read" | "tasted", columns: readonly string[]): Promise<Row[]> {
  const rows = await sql.unsafe<
    { code: string; at: Date; body: Record<string, string | number | boolean> }[]
  >(
    `select b.code, s.at, s.body from (${STANDING}) s join batch b on b.id = s.stream_id order by s.at, b.code, s.seq`,
    ["batch", type],
  );
  return rows.map((r) => ({
    batch: r.code,
    at: at(r.at),
    ...Object.fromEntries(columns.map((c) => [c, r.body[c] ?? null])),
  }));
}

async function poured(sql: Sql): Promise<Row[]> {
  const rows = await sql.unsafe<
    {
      code: string;
      number: number;
      at: Date;
      day: string;
      body: { ml: number; said?: string; for?: string };
    }[]
  >(
    `select b.code, x.number, s.at, s.day::text, s.body from (${STANDING}) s join bottle x on x.id = s.stream_id join batch b on b.id = x.batch_id
      order by s.at, b.code, x.number, s.seq`,
    ["bottle", "poured"],
  );
  return rows.map((r) => ({
    batch: r.code,
    number: r.number,
    at: at(r.at),
    day: r.day,
    ml: r.body.ml,
    said: r.body.said ?? "",
    for: r.body.for ?? "",
  }));
}

/** The rows of a table, as they stand. */
export async function tableRows(sql: Sql, table: Table): Promise<readonly Row[]> {
  switch (table) {
    case "stores":
      return lots(sql);
    case "cellar":
      return sql<Row[]>`
        select x.id, b.code as batch, x.number, b.name, b.kind, x.vessel, x.ml, round(x.left_ml::numeric, 1)::float8 as left_ml, x.place,
          x.filled_day::text as filled, x.opened_day::text as opened, x.best_by::text, x.state
        from bottle x join batch b on b.id = x.batch_id order by b.begun_day, b.code, x.number`;
    case "batches":
      return sql<Row[]>`
        select b.id, b.code, b.name, b.kind, b.state, b.begun_day::text as begun, b.strained_day::text as strained,
          b.bottled_day::text as bottled, r.name as recipe, b.recipe_version
        from batch b left join recipe r on r.id = b.recipe order by b.begun_day, b.code`;
    case "journal": {
      const rows = await sql<
        { code: string; seq: number; type: string; at: Date; day: string; body: unknown }[]
      >`
        select b.code, e.seq, e.type, e.at, e.day::text, e.body from event e join batch b on b.id = e.stream_id
        where e.stream_kind = 'batch' order by e.at, b.code, e.seq`;
      return rows.map((r) => ({ ...r, batch: r.code, at: at(r.at), body: JSON.stringify(r.body) }));
    }
    case "readings":
      return ofBatches(sql, "read", ["what", "value", "words", "by", "sd"]);
    case "tastings":
      return ofBatches(sql, "tasted", ["sweet", "sharp", "hot", "bitter", "herb", "ready", "words"]);
    case "use":
      return poured(sql);
  }
}
