import type { Day } from "../core/day";
import type { Sql } from "./db";

/** Claims a morning for sending: once, or again where sending is known to have failed. What was claimed and never heard of again is not sent twice. */
export async function claimMorning(sql: Sql, day: Day): Promise<boolean> {
  const rows = await sql`
    insert into morning (day, state) values (${day}, 'claimed')
    on conflict (day) do update set state = 'claimed', at = now() where morning.state = 'failed' returning day`;
  return rows.length > 0;
}

export async function morningWent(sql: Sql, day: Day, state: "sent" | "failed"): Promise<void> {
  await sql`update morning set state = ${state} where day = ${day}`;
}
