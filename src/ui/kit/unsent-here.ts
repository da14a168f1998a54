"use client";
import { useMemo, useState } from "react";
import type { Letter } from "@/outbox/letter";
import { type StreamOf, withUnsent } from "@/outbox/unsent";
import { useTimeOf } from "../kitchen/kitchen";
import { useKept } from "./kept";
import { wasMine } from "./sent-keys";

interface Told {
  readonly key: string;
  readonly seq: number;
  readonly at: string;
}
interface Here<E> {
  /** What the page was told of the journal, and what was written here that it does not hold yet. */
  readonly events: readonly E[];
  /** How much of it the house does not have. */
  readonly unsent: number;
}

/**
 * A journal as this device knows it: as it was told, and with what was written here that it does not hold yet. What the page itself still waits for does
 * not count: it may be refused, and the field it was typed in has to stay.
 * @param typed one step is typed here: what another page of this device has written since this one was opened does not count, which is told instead
 */
export function useUnsentHere<S, E extends Told>(
  id: string,
  told: readonly E[],
  stream: StreamOf<S>,
  zone: string,
  typed = false,
): Here<E> {
  const { letters, awaited } = useKept();
  const timeOf = useTimeOf();
  const [openedAt] = useState(() => Date.now());
  const counts = (l: Letter): boolean =>
    l.stream === id && !awaited.has(l.key) && (!typed || l.wroteAt < openedAt || wasMine(l.key));
  const own = letters.filter(counts);
  // Letters of other journals change nothing here.
  const named = own.map((l) => `${l.n} ${l.state}`).join(",");
  return useMemo(
    () => ({
      events: withUnsent(told, id, own, stream, { zone, timeOf }),
      unsent: own.filter((l) => l.state === "waiting").length,
    }),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [told, id, named, stream, zone, timeOf],
  );
}
