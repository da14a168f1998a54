import type { Household as Units } from "../core/quantity/units";
import type { Sql, Tx } from "./db";

export interface Household {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  readonly units: Units;
}

/** The household of this database. */
export async function household(sql: Sql | Tx): Promise<Household> {
  const [h] = await sql<Household[]>`select id, name, zone, units from household`;
  if (!h) throw new Error("this database holds no household; open it with ./jolly start");
  return h;
}

/** Writes the household's row, once; a second call changes its name, zone or units. */
export async function settle(sql: Sql | Tx, h: Household): Promise<void> {
  await sql`insert into household (one, id, name, zone, units) values (true, ${h.id}, ${h.name}, ${h.zone}, ${h.units}) on conflict (one) do update set name = excluded.name, zone = excluded.zone, units = excluded.units`;
}
