"use client";
import { useMemo, useState } from "react";
import type { Day } from "@/core/day";
import { ENTRIES, type EventType, type JournalEvent, readBody } from "@/core/journal/events";
import { type Batch, fold } from "@/core/journal/fold";
import { mayFollow } from "@/core/journal/may-follow";
import { standingOn } from "@/core/journal/reckon";
import type { Letter } from "@/outbox/letter";
import { withUnsent } from "@/outbox/unsent";
import { useKept } from "../kit/kept";
import { wasMine } from "../kit/sent-keys";
import { useTimeOf } from "../kitchen/kitchen";

/** What a page was told of a batch. */
export interface KnownHere {
  readonly events: readonly JournalEvent[];
  readonly zone: string;
  readonly today: Day;
}

const BATCH = {
  entries: ENTRIES,
  readBody: (type: string, version: number, body: unknown) => readBody(type, version, body),
  fold: (events: readonly JournalEvent[]) => fold(events),
  mayFollow: (b: Batch, type: string) => mayFollow(b, type as EventType),
};

/**
 * A batch as this device knows it: by the journal it was told, and by what was written here that the journal does not hold yet. What the page itself
 * still waits for does not count: it may be refused, and the field it was typed in has to stay; nor, where one step is typed, what another page of this
 * device has written since this one was opened, which is told instead.
 */
export function useBatchHere(
  events: readonly JournalEvent[],
  zone: string,
  today: Day,
  typed = false,
): Batch {
  const { letters, awaited } = useKept();
  const timeOf = useTimeOf();
  const [openedAt] = useState(() => Date.now());
  const id = events[0]!.streamId;
  const counts = (l: Letter): boolean =>
    l.stream === id && !awaited.has(l.key) && (!typed || l.wroteAt < openedAt || wasMine(l.key));
  const own = letters.filter(counts);
  // Letters of other jars change nothing here.
  const named = own.map((l) => `${l.n} ${l.state}`).join(",");
  return useMemo(
    () => standingOn(fold(withUnsent(events, id, own, BATCH, { zone, timeOf }))!, today),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [events, id, named, zone, today, timeOf],
  );
}
