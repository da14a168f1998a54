import { z } from "zod";
import { type Fault, fault, faultOfIssue } from "../core/fault";
import {
  NO_SEASON,
  SEASON_BODIES,
  SEASON_ENTRIES,
  type Season,
  type SeasonEvent,
  type SeasonEventType,
  foldSeason,
  readSeasonBody,
} from "../core/season/events";
import { type Refused, type Stream, type Written, appendWithin, eventsOf } from "./append";
import type { Sql, Tx } from "./db";
import { household } from "./household";

export const SEASON: Stream<Season, SeasonEvent> = {
  kind: "season",
  entries: SEASON_ENTRIES,
  begins: "settled",
  readBody: readSeasonBody,
  fold: foldSeason,
  mayFollow: () => undefined,
  called: () => "The season",
  // Folded whenever it is asked for: it is short.
  project: async () => undefined,
};

/** What the household wishes and plans. */
export async function season(sql: Sql | Tx): Promise<Season> {
  const { id } = await household(sql);
  return foldSeason(await eventsOf(sql, SEASON, id)) ?? NO_SEASON;
}

/** What the season's page sends: one entry, under a key. */
export const SeasonRequest = z.strictObject({
  key: z.uuid(),
  seen: z.number().int().min(0).optional(),
  type: z.string().max(20),
  body: z.unknown(),
});
export type SeasonRequest = z.infer<typeof SeasonRequest>;

function complete(type: SeasonEventType, body: unknown): unknown | Fault {
  const parsed = SEASON_BODIES[type].safeParse(body);
  return parsed.success ? parsed.data : faultOfIssue("NotAnEntry", parsed.error.issues[0]!);
}

/** Writes one entry of the season's journal. */
export async function writeSeason(sql: Sql, r: SeasonRequest): Promise<Written<Season> | Refused<Season>> {
  if (!Object.hasOwn(SEASON_BODIES, r.type))
    return { ok: false, status: 422, fault: fault("NotAnEntry", "The season’s journal has no such entry.") };
  const type = r.type as SeasonEventType;
  return (await sql.begin(async (tx) => {
    const { id } = await household(tx);
    const write = { streamId: id, key: r.key, type, body: r.body, seen: r.seen };
    return appendWithin(tx, SEASON, write, async () => complete(type, r.body));
  })) as Written<Season> | Refused<Season>;
}
