import { z } from "zod";
import type { UnitSystem } from "../core/quantity/units";
import { Place, USUAL_PLACES, usualScales } from "../core/stores/settings";
import type { Sql, Tx } from "./db";

export interface Household {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  readonly units: UnitSystem;
  /** Written before a number of money: "£". */
  readonly currency: string;
  readonly degrees: "C" | "F";
  readonly lengths: "cm" | "in";
  readonly places: readonly Place[];
}

const MONEY: Readonly<Record<UnitSystem, string>> = { us: "$", imperial: "£", metric: "€" };
export const usualCurrency = (units: UnitSystem): string => MONEY[units];

/** A household that has said no more of itself than its measures. */
export const usualHousehold = (units: UnitSystem): Omit<Household, "id" | "name" | "zone"> => ({
  units,
  currency: usualCurrency(units),
  ...usualScales(units),
  places: USUAL_PLACES,
});

/** The household of this database. */
export async function household(sql: Sql | Tx): Promise<Household> {
  const [h] = await sql<
    Household[]
  >`select id, name, zone, units, currency, degrees, lengths, places from household`;
  if (!h) throw new Error("this database holds no household; open it with ./jolly start");
  return { ...h, places: z.array(Place).parse(h.places) };
}

/** Writes the household's row, once; a second call changes what it says of itself. */
export async function settle(sql: Sql | Tx, h: Household): Promise<void> {
  await sql`insert into household (one, id, name, zone, units, currency, degrees, lengths, places)
    values (true, ${h.id}, ${h.name}, ${h.zone}, ${h.units}, ${h.currency}, ${h.degrees}, ${h.lengths}, ${sql.json(h.places as never)})
    on conflict (one) do update set name = excluded.name, zone = excluded.zone, units = excluded.units, currency = excluded.currency,
      degrees = excluded.degrees, lengths = excluded.lengths, places = excluded.places`;
}
