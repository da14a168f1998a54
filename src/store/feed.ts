import { createHash, timingSafeEqual } from "node:crypto";
import type { Settled } from "../core/stores/settings";
import type { Refused, Written } from "./append";
import type { Sql } from "./db";
import { settleAnew } from "./settings";

const hashOf = (secret: string): Buffer => createHash("sha256").update(secret).digest();
/** 32 bytes are not guessed. */
const SECRET = /^[\w-]{43}\.ics$/;

/** Whether a secret opens the feed; asked in the same time whatever it is. */
export function opensFeed(feed: string, said: string): boolean {
  if (feed === "" || !SECRET.test(said)) return false;
  return timingSafeEqual(hashOf(said.slice(0, -4)), Buffer.from(feed, "hex"));
}

/** The calendar's feed opens to another secret from now on, or to none. Only its hash is kept. */
export const changeFeed = (
  sql: Sql,
  key: string,
  secret: string,
): Promise<Written<Settled> | Refused<Settled>> =>
  settleAnew(sql, { key, settings: { feed: secret === "" ? "" : hashOf(secret).toString("hex") } });
