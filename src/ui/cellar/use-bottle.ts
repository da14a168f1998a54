"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useIntent } from "../kit/intent";
import type { InHand } from "./bottle-words";

/** Writes to one bottle's journal; an unlikely thing is asked about once. */
export function useBottle({ bottle }: InHand) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const [again, setAgain] = useState<(() => Promise<boolean>) | undefined>();
  const write = async (type: string, body: unknown, sure = false): Promise<boolean> => {
    setAgain(() => () => write(type, body, true));
    const sent = await send(`/api/bottles/${bottle.id}`, {
      type,
      body,
      seen: bottle.seq,
      ...(sure ? { sure } : {}),
    });
    router.refresh();
    return sent?.ok ?? false;
  };
  return { write, insist: () => again?.() ?? Promise.resolve(false), sending, fault, clear };
}
export type Writing = ReturnType<typeof useBottle>;
