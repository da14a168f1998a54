"use client";
import { useMemo } from "react";
import type { Day } from "@/core/day";
import { ENTRIES, type EventType, type JournalEvent, readBody } from "@/core/journal/events";
import { type Batch, fold } from "@/core/journal/fold";
import { mayFollow } from "@/core/journal/may-follow";
import { standingOn } from "@/core/journal/reckon";
import { useUnsentHere } from "../kit/unsent-here";

/** What a page was told of a batch. */
export interface KnownHere {
  readonly events: readonly JournalEvent[];
  readonly zone: string;
  readonly today: Day;
}

export const BATCH_STREAM = {
  entries: ENTRIES,
  readBody: (type: string, version: number, body: unknown) => readBody(type, version, body),
  fold: (events: readonly JournalEvent[]) => fold(events),
  mayFollow: (b: Batch, type: string) => mayFollow(b, type as EventType),
};

/** A batch as this device knows it. @param typed one step of it is typed here */
export function useBatchHere(
  events: readonly JournalEvent[],
  zone: string,
  today: Day,
  typed = false,
): Batch {
  const here = useUnsentHere(events[0]!.streamId, events, BATCH_STREAM, zone, typed);
  return useMemo(() => standingOn(fold(here.events)!, today), [here.events, today]);
}
