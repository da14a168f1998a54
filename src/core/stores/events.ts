import { z } from "zod";
import { type Envelope, bodyReader, inOrder } from "../journal/envelope";
import { StoreItem } from "./item";

/**
 * The journal of one thing in the stores. `kept` states it anew, whole (bought, weighed, renamed, counted); `drawn` takes grams from a lot for a batch;
 * `gone` puts it out of sight. Nothing is overwritten: what it was stays in the journal.
 */
export const STORE_BODIES = {
  kept: z.strictObject({ item: StoreItem }),
  drawn: z.strictObject({ grams: z.number().positive().max(500_000), by: z.string().max(20) }),
  gone: z.strictObject({ why: z.string().max(200) }),
} as const;
export type StoreEventType = keyof typeof STORE_BODIES;
export type StoreBody<T extends StoreEventType> = z.infer<(typeof STORE_BODIES)[T]>;
export const STORE_EVENT_TYPES = Object.keys(STORE_BODIES) as StoreEventType[];
export const STORE_VERSIONS: Readonly<Record<StoreEventType, number>> = { kept: 1, drawn: 1, gone: 1 };

export type StoreEvent = { [T in StoreEventType]: Envelope<T, StoreBody<T>> }[StoreEventType];

/** Parses a stored body of a type and version. Throws `UnreadableEvent`. */
export const readStoreBody = bodyReader("the stores’ journal", STORE_BODIES, STORE_VERSIONS);

/** A thing in the stores as its journal says it is. */
export interface Stored {
  readonly id: string;
  readonly item: StoreItem;
  /** g left of a lot: as last weighed, less what batches took since. Zero for what is not a lot. */
  readonly leftG: number;
  readonly gone: boolean;
  readonly seq: number;
}

/** State = fold(events), by the maker's time and then by sequence. `undefined` for an empty journal. */
export function foldStored(events: readonly StoreEvent[]): Stored | undefined {
  const ordered = inOrder(events);
  let item: StoreItem | undefined;
  let leftG = 0;
  let gone = false;
  let seq = 0;
  for (const e of ordered) {
    seq = Math.max(seq, e.seq);
    if (e.type === "kept") {
      item = e.body.item;
      leftG = item.what === "lot" ? item.grams : 0;
      gone = false;
    } else if (e.type === "drawn") leftG = Math.max(0, leftG - e.body.grams);
    else gone = true;
  }
  return item ? { id: ordered[0]!.streamId, item, leftG, gone, seq } : undefined;
}

/** Whether an event may follow; the message says what would be right. */
export function mayFollowStored(stored: Stored | undefined, type: StoreEventType, item?: StoreItem): string | undefined {
  if (!stored) return type === "kept" ? undefined : "There is no such thing in the stores.";
  if (type === "kept" && item && item.what !== stored.item.what) return "A thing stays what it is. Put this away and keep the other as a new one.";
  if (stored.gone && type !== "kept") return "It is put away already.";
  if (type === "drawn" && stored.item.what !== "lot") return "Only what is weighed can be drawn from.";
  return undefined;
}
