import { z } from "zod";
import {
  HOUSEHOLD_ENTRIES,
  type HouseholdEvent,
  Settings,
  type Settled,
  foldHousehold,
  readHouseholdBody,
} from "../core/stores/settings";
import { type Refused, type Stream, type Written, appendWithin } from "./append";
import type { Sql } from "./db";
import { household, settle } from "./household";

export const SETTINGS: Stream<Settled, HouseholdEvent> = {
  kind: "household",
  entries: HOUSEHOLD_ENTRIES,
  begins: "settled",
  readBody: readHouseholdBody,
  fold: foldHousehold,
  mayFollow: () => undefined,
  called: (s) => s.name,
  project: async (tx, { seq: _, ...settings }) => settle(tx, { ...(await household(tx)), ...settings }),
};

/** What is said anew; what is left out stays as it is. */
export const SettingsRequest = z.strictObject({
  key: z.uuid(),
  settings: Settings.omit({ feed: true }).partial(),
});

/** Writes the household's new settings in its journal. */
export async function settleAnew(
  sql: Sql,
  r: { readonly key: string; readonly settings: Partial<Settings> },
): Promise<Written<Settled> | Refused<Settled>> {
  return (await sql.begin(async (tx) => {
    const { id } = await household(tx);
    const write = { streamId: id, key: r.key, type: "settled", body: r.settings };
    return appendWithin(tx, SETTINGS, write, async () => {
      // Read once the stream is held: what another window said a moment ago is not said over.
      const { id: _id, zone: _zone, ...now } = await household(tx);
      return { ...now, ...r.settings };
    });
  })) as Written<Settled> | Refused<Settled>;
}
