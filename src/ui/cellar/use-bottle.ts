"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { ToBottle } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import { useIntent } from "../kit/intent";
import { elsewhere, useWhen } from "../kit/when";
import { toBottle } from "../kit/writes";
import type { InHand } from "./bottle-words";

/** Writes to one bottle's journal; an unlikely thing is asked about once. */
export function useBottle({ bottle }: InHand) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const when = useWhen(fault);
  const [asked, setAsked] = useState("");
  const [again, setAgain] = useState<(() => Promise<boolean>) | undefined>();
  const write = async <T extends keyof ToBottle>(
    type: T,
    body: ToBottle[T],
    sure = false,
  ): Promise<boolean> => {
    setAgain(() => () => write(type, body, true));
    setAsked(type);
    const sent = await send(
      toBottle(bottle.id, type, body, { seen: bottle.seq, on: when.on, ...(sure ? { sure } : {}) }),
    );
    if (sent?.ok) when.setOn(undefined);
    router.refresh();
    return sent?.ok ?? false;
  };
  /** What was refused of a sort of entry: it is said beside the field that wrote it. */
  const refused = (type: string): Fault | undefined => (asked === type ? elsewhere(when, fault) : undefined);
  return {
    write,
    refused,
    insist: () => again?.() ?? Promise.resolve(false),
    sending,
    fault: elsewhere(when, fault),
    clear,
    when,
  };
}
export type Writing = ReturnType<typeof useBottle>;
