"use client";
import { useMemo } from "react";
import {
  BOTTLE_ENTRIES,
  type BottleEvent,
  type BottleEventType,
  type BottleNow,
  type Filled,
  foldBottle,
  readBottleBody,
} from "@/core/cellar/bottle";
import { mayFollowBottle } from "@/core/cellar/may-befall";
import { useUnsentHere } from "../kit/unsent-here";

const streamOf = (filled: Filled) => ({
  entries: BOTTLE_ENTRIES,
  readBody: readBottleBody,
  fold: (events: readonly BottleEvent[]) => foldBottle(filled, events),
  mayFollow: (b: BottleNow, type: string, body: unknown) => mayFollowBottle(b, type as BottleEventType, body),
});

/** A bottle as this device knows it, and how much of that the house does not have yet. */
export function useBottleHere(
  filled: Filled,
  told: readonly BottleEvent[],
  zone: string,
): { readonly bottle: BottleNow; readonly unsent: number } {
  const stream = useMemo(() => streamOf(filled), [filled]);
  const { events, unsent } = useUnsentHere(filled.id, told, stream, zone);
  return useMemo(() => ({ bottle: foldBottle(filled, events), unsent }), [filled, events, unsent]);
}
