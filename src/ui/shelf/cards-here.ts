import { z } from "zod";
import type { Day } from "@/core/day";
import { type JournalEvent, readBody } from "@/core/journal/events";
import { fold } from "@/core/journal/fold";
import { standingOn } from "@/core/journal/reckon";
import type { Letter } from "@/outbox/letter";
import { withUnsent } from "@/outbox/unsent";
import { JOURNALS } from "@/shell/kept-pages";
import { BATCH_STREAM } from "../batch/here";
import { type Card, type StrainPlan, cardOf } from "./card";
import { type Stop, stopsOf } from "./stops";

/*
 * The Shelf as this device knows it, reckoned here: fetched only where something is written that the house does not have.
 */
export interface ShelfTold {
  readonly cards: readonly Card[];
  readonly stops: readonly Stop[];
  readonly plans: ReadonlyMap<string, StrainPlan>;
  readonly zone: string;
  readonly today: Day;
}

const Entry = z.looseObject({
  type: z.string(),
  version: z.number(),
  streamId: z.string(),
  seq: z.number(),
  key: z.string(),
  at: z.string(),
  recordedAt: z.string(),
  day: z.string(),
  body: z.unknown(),
});
const Journals = z.object({ events: z.array(Entry) });

async function journals(): Promise<readonly JournalEvent[]> {
  const said = Journals.parse(await fetch(JOURNALS).then((r) => r.json()));
  return said.events.map((e) => ({ ...e, body: readBody(e.type, e.version, e.body) }) as JournalEvent);
}

/** A card as it stands with what was written here; none where the jar stands on the Shelf no more. */
function cardHere(
  told: ShelfTold,
  id: string,
  all: readonly JournalEvent[],
  letters: readonly Letter[],
  timeOf: (ms: number) => number,
): readonly Card[] {
  const own = letters.filter((l) => l.stream === id);
  const events = withUnsent(
    all.filter((e) => e.streamId === id),
    id,
    own,
    BATCH_STREAM,
    { zone: told.zone, timeOf },
  );
  const batch = fold(events);
  if (!batch || (batch.state !== "working" && batch.state !== "strained")) return [];
  return [cardOf(standingOn(batch, told.today), told.today, told.plans.get(id))];
}

/** The cards and stops of the Shelf with what this device wrote folded in; as they were told where the journals cannot be had. */
export async function shelfHere(
  told: ShelfTold,
  letters: readonly Letter[],
  timeOf: (ms: number) => number,
): Promise<Pick<ShelfTold, "cards" | "stops">> {
  const all = await journals();
  const of = new Set(letters.map((l) => l.stream));
  const cards = told.cards.flatMap((c) => (of.has(c.id) ? cardHere(told, c.id, all, letters, timeOf) : [c]));
  return { cards, stops: stopsOf(cards) };
}

/** Fetches what it would need, so that it is kept on this device. */
export const prepare = async (): Promise<void> => void (await fetch(JOURNALS).catch(() => undefined));
