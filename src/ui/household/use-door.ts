"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { DoorAnswer, ToDoor } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import { send } from "../kit/send";
import { toDoor } from "../kit/writes";

/** What is done about the door, one thing after the other. */
export function useDoor() {
  const router = useRouter();
  const [sending, setSending] = useState(false);
  const [fault, setFault] = useState<Fault | undefined>();
  const act = async (what: ToDoor): Promise<DoorAnswer | undefined> => {
    setSending(true);
    const sent = await send(toDoor(what), crypto.randomUUID());
    setSending(false);
    setFault(sent.ok ? undefined : sent.fault);
    router.refresh();
    return sent.ok ? sent.answer : undefined;
  };
  return { act, sending, fault, clear: () => setFault(undefined) };
}
export type Door = ReturnType<typeof useDoor>;
