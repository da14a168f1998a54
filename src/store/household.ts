import { z } from "zod";
import type { UnitSystem } from "../core/quantity/units";
import { Place, type Settings, USUAL_PLACES, USUAL_WEEKS, Weeks, usualScales } from "../core/stores/settings";
import type { Sql, Tx } from "./db";

export interface Household extends Omit<Settings, "zone"> {
  readonly id: string;
  readonly zone: string;
}

const MONEY: Readonly<Record<UnitSystem, string>> = { us: "$", imperial: "£", metric: "€" };
export const usualCurrency = (units: UnitSystem): string => MONEY[units];

/** A household that has said no more of itself than its measures. */
export const usualHousehold = (units: UnitSystem): Omit<Household, "id" | "name" | "zone"> => ({
  units,
  currency: usualCurrency(units),
  ...usualScales(units),
  places: [...USUAL_PLACES],
  ...USUAL_WEEKS,
});

/** The household of this database. */
export async function household(sql: Sql | Tx): Promise<Household> {
  const [h] = await sql<(Omit<Household, keyof typeof USUAL_WEEKS> & { readonly weeks: unknown })[]>`
    select id, name, zone, units, currency, degrees, lengths, places, weeks from household`;
  if (!h) throw new Error("this database holds no household; open it with ./jolly start");
  const { weeks, ...said } = h;
  return { ...said, places: z.array(Place).parse(h.places), ...USUAL_WEEKS, ...Weeks.parse(weeks) };
}

/** Whether it has said how it measures, or measured already; a household that has done neither is asked where that is first needed. */
export const hasSettled = async (sql: Sql | Tx): Promise<boolean> =>
  (
    await sql`
      select 1 from event where (stream_kind = 'household' and type = 'settled') or (stream_kind = 'batch' and type = 'begun') limit 1`
  ).length > 0;

/** Writes the household's row, once; a second call changes what it says of itself. */
export async function settle(sql: Sql | Tx, h: Household): Promise<void> {
  const { heightM, strainDays, away, morning, feed, knows } = h;
  const weeks = { heightM, strainDays, away, morning, feed, knows };
  await sql`insert into household (one, id, name, zone, units, currency, degrees, lengths, places, weeks)
    values (true, ${h.id}, ${h.name}, ${h.zone}, ${h.units}, ${h.currency}, ${h.degrees}, ${h.lengths}, ${sql.json(h.places as never)}, ${sql.json(weeks as never)})
    on conflict (one) do update set name = excluded.name, zone = excluded.zone, units = excluded.units, currency = excluded.currency,
      degrees = excluded.degrees, lengths = excluded.lengths, places = excluded.places, weeks = excluded.weeks`;
}
