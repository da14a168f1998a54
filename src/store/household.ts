import type { Household as Units } from "../core/quantity/units";
import type { Sql, Tx } from "./db";

export interface Household {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  readonly units: Units;
  /** Written before a number of money: "£". */
  readonly currency: string;
}

export const usualCurrency = (units: Units): string => (units === "us" ? "$" : units === "imperial" ? "£" : "€");

/** The household of this database. */
export async function household(sql: Sql | Tx): Promise<Household> {
  const [h] = await sql<Household[]>`select id, name, zone, units, currency from household`;
  if (!h) throw new Error("this database holds no household; open it with ./jolly start");
  return h;
}

/** Writes the household's row, once; a second call changes its name, zone, units or money. */
export async function settle(sql: Sql | Tx, h: Household): Promise<void> {
  await sql`insert into household (one, id, name, zone, units, currency) values (true, ${h.id}, ${h.name}, ${h.zone}, ${h.units}, ${h.currency})
    on conflict (one) do update set name = excluded.name, zone = excluded.zone, units = excluded.units, currency = excluded.currency`;
}
