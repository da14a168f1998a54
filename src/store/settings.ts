import { z } from "zod";
import {
  HOUSEHOLD_ENTRIES,
  type HouseholdEvent,
  Settings,
  type Settled,
  foldHousehold,
  readHouseholdBody,
} from "../core/stores/settings";
import { faultOfIssue } from "../core/fault";
import { changed } from "../core/stores/merge";
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
  project: async (tx, { seq: _, zone, ...settings }) => {
    const now = await household(tx);
    await settle(tx, { ...now, ...settings, zone: zone ?? now.zone });
  },
};

/** What is said anew; what is left out stays as it is. */
export const SettingsRequest = z.strictObject({
  key: z.uuid(),
  settings: Settings.omit({ feed: true }).partial(),
  /** What the writer saw of the lists it changes: two windows that each add to one lose nothing of each other. */
  was: Settings.omit({ feed: true }).partial().optional(),
});

/** Writes the household's new settings in its journal. */
export async function settleAnew(
  sql: Sql,
  r: {
    readonly key: string;
    readonly settings: Partial<Settings>;
    readonly was?: Partial<Settings> | undefined;
  },
): Promise<Written<Settled> | Refused<Settled>> {
  return (await sql.begin(async (tx) => {
    const { id } = await household(tx);
    const write = { streamId: id, key: r.key, type: "settled", body: r.settings };
    return appendWithin(tx, SETTINGS, write, async () => {
      // Read once the stream is held: what another window said a moment ago is not said over.
      const { id: _id, ...now } = await household(tx);
      const is = Settings.safeParse(changed(now, r.settings, r.was ?? {}));
      return is.success ? is.data : faultOfIssue("NotASetting", is.error.issues[0]!);
    });
  })) as Written<Settled> | Refused<Settled>;
}
