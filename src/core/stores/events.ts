import { z } from "zod";
import {
  type Correction,
  type EntryRows,
  type Envelope,
  asWritten,
  bodyReader,
  correctionsOf,
  entryRow,
} from "../envelope";
import { StoreItem, soundItem } from "./item";

/** The entry of another stream that something was written because of, so that it can be undone with it. */
export const Cause = z.strictObject({
  kind: z.enum(["batch", "bottle"]),
  stream: z.uuid(),
  seq: z.number().int().min(1),
});
export type Cause = z.infer<typeof Cause>;

const grams = z.number().positive().max(500_000);
const count = z.number().int().min(1).max(999);

/**
 * The journal of one thing in the stores. `kept` states it anew, whole (bought, weighed, renamed, counted); `drawn` takes grams from a lot for a
 * batch and `returned` gives them back; `filled` takes empty bottles and `emptied` gives them back; `gone` puts it out of sight. Nothing is
 * overwritten: what it was stays in the journal.
 */
export const STORE_BODIES = {
  kept: z.strictObject({ item: StoreItem }),
  drawn: z.strictObject({ grams, by: z.string().max(20), cause: Cause.optional() }),
  returned: z.strictObject({ grams, by: z.string().max(20), cause: Cause }),
  filled: z.strictObject({ count, by: z.string().max(20), cause: Cause }),
  emptied: z.strictObject({ count, by: z.string().max(20), cause: Cause }),
  gone: z.strictObject({ why: z.string().max(200) }),
  corrected: z.strictObject({
    seq: z.number().int().min(1),
    body: z.unknown(),
    why: z.string().max(300).optional(),
  }),
} as const;
export type StoreEventType = keyof typeof STORE_BODIES;
export type StoreBody<T extends StoreEventType> = z.infer<(typeof STORE_BODIES)[T]>;
export const STORE_ENTRIES: EntryRows<StoreEventType> = {
  kept: entryRow(4, "noticed", "decides"),
  drawn: entryRow(2, "commutes", "noticed", "byHouse"),
  returned: entryRow(1, "commutes", "noticed", "byHouse"),
  filled: entryRow(1, "commutes", "noticed", "byHouse"),
  emptied: entryRow(1, "commutes", "noticed", "byHouse"),
  gone: entryRow(1, "noticed", "decides"),
  corrected: entryRow(1, "noticed", "decides"),
};

export type StoreEvent = { [T in StoreEventType]: Envelope<T, StoreBody<T>> }[StoreEventType];

/**
 * Parses a stored body of a type and version. Throws `UnreadableEvent`. Version 3 of `kept` knew no shop’s prices, version 2 no courses. Version 1 of `drawn` had no cause; version 1 of `kept` took days the
 * calendar does not have.
 */
export const readStoreBody = bodyReader("the stores’ journal", STORE_BODIES, STORE_ENTRIES, {
  kept: { 1: (body) => ({ item: soundItem((body as { item?: unknown }).item) }) },
});

/** A thing in the stores as its journal says it is. */
export interface Stored {
  readonly id: string;
  readonly item: StoreItem;
  /** g left of a lot: as last weighed, less what batches took since. Zero for what is not a lot. */
  readonly leftG: number;
  /** g its price was paid for: what was there when the price was said. Zero for what is not a lot. */
  readonly boughtG: number;
  readonly gone: boolean;
  readonly seq: number;
}

function corrected(e: StoreEvent, c: Correction | undefined): StoreEvent | undefined {
  if (!c) return e;
  return c.body === null
    ? undefined
    : ({ ...e, body: readStoreBody(e.type, STORE_ENTRIES[e.type].version, c.body) } as StoreEvent);
}

/** g a lot's price was paid for; nothing where it was only weighed or renamed at the price it had. */
function boughtFor(was: StoreItem | undefined, is: StoreItem): number | undefined {
  if (is.what !== "lot") return undefined;
  const same =
    was?.what === "lot" && was.price === is.price && was.material === is.material && was.form === is.form;
  return same ? undefined : is.grams;
}

/** Empty bottles, so many more or fewer. */
const counted = (item: StoreItem | undefined, by: number): StoreItem | undefined =>
  item?.what === "empties" ? { ...item, count: Math.min(999, Math.max(0, item.count + by)) } : item;

/** State = fold(events). What is so goes by order of writing, whatever the clock showed. `undefined` for an empty journal. */
export function foldStored(events: readonly StoreEvent[]): Stored | undefined {
  const corrections = correctionsOf(events);
  let item: StoreItem | undefined;
  let leftG = 0;
  let boughtG = 0;
  let gone = false;
  let seq = 0;
  let weighedAt = "";
  for (const raw of asWritten(events)) {
    seq = raw.seq;
    const e = corrected(raw, corrections.get(raw.seq));
    switch (e?.type) {
      case "kept":
        boughtG = boughtFor(item, e.body.item) ?? boughtG;
        item = e.body.item;
        leftG = item.what === "lot" ? item.grams : 0;
        weighedAt = e.at;
        gone = false;
        break;
      case "drawn":
        // What happened before it was last weighed is in that weight already.
        if (e.at >= weighedAt) leftG -= e.body.grams;
        break;
      case "returned":
        if (e.at >= weighedAt) leftG += e.body.grams;
        break;
      case "filled":
        item = counted(item, -e.body.count);
        break;
      case "emptied":
        item = counted(item, e.body.count);
        break;
      case "gone":
        gone = true;
        break;
      case "corrected":
      case undefined:
        break;
    }
  }
  return item ? { id: events[0]!.streamId, item, leftG: Math.max(0, leftG), boughtG, gone, seq } : undefined;
}

/** Whether an event may follow; the message says what would be right. */
export function mayFollowStored(
  stored: Stored | undefined,
  type: StoreEventType,
  item?: StoreItem,
): string | undefined {
  if (!stored) return type === "kept" ? undefined : "There is no such thing in the stores.";
  switch (type) {
    case "kept":
      return item && item.what !== stored.item.what
        ? "A thing stays what it is. Put this away and keep the other as a new one."
        : undefined;
    case "corrected":
    case "returned":
    case "emptied":
      return undefined;
    case "filled":
      return stored.item.what === "empties" ? undefined : "Only empty bottles can be filled.";
    case "drawn":
      if (stored.item.what !== "lot") return "Only what is weighed can be drawn from.";
      return stored.gone ? "It is put away already." : undefined;
    case "gone":
      return stored.gone ? "It is put away already." : undefined;
  }
}

/** g that each batch took from a lot, by its code, what was given back taken off; what took nothing in the end is not in it. */
export function drawnBy(events: readonly StoreEvent[]): ReadonlyMap<string, number> {
  const corrections = correctionsOf(events);
  const by = new Map<string, number>();
  for (const raw of asWritten(events)) {
    const e = corrected(raw, corrections.get(raw.seq));
    if (e?.type === "drawn") by.set(e.body.by, (by.get(e.body.by) ?? 0) + e.body.grams);
    if (e?.type === "returned") by.set(e.body.by, (by.get(e.body.by) ?? 0) - e.body.grams);
  }
  return new Map([...by].filter(([, grams]) => grams > 0.05));
}
