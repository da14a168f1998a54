"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Fault } from "@/core/fault";
import { useIntent } from "../kit/intent";
import type { InHand } from "./bottle-words";

/** Writes to one bottle's journal; an unlikely thing is asked about once. */
export function useBottle({ bottle }: InHand) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const [asked, setAsked] = useState("");
  const [again, setAgain] = useState<(() => Promise<boolean>) | undefined>();
  const write = async (type: string, body: unknown, sure = false): Promise<boolean> => {
    setAgain(() => () => write(type, body, true));
    setAsked(type);
    const sent = await send(`/api/bottles/${bottle.id}`, {
      type,
      body,
      seen: bottle.seq,
      ...(sure ? { sure } : {}),
    });
    router.refresh();
    return sent?.ok ?? false;
  };
  /** What was refused of a sort of entry: it is said beside the field that wrote it. */
  const refused = (type: string): Fault | undefined => (asked === type ? fault : undefined);
  return { write, refused, insist: () => again?.() ?? Promise.resolve(false), sending, fault, clear };
}
export type Writing = ReturnType<typeof useBottle>;
