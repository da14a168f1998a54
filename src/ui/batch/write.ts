"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { Fault } from "@/core/fault";
import { send, type Answer } from "../kit/send";

/** Writes to one batch's journal: one key for one intent, however often the button is hit; the fault stays until the next try. */
export function useWrite(id: string, seen: number) {
  const router = useRouter();
  const [sending, setSending] = useState(false);
  const [fault, setFault] = useState<Fault | undefined>();
  const intent = useRef<{ text: string; key: string } | undefined>(undefined);
  const busy = useRef(false);
  const write = async (type: string, body: unknown, then?: (a: Answer) => void): Promise<boolean> => {
    if (busy.current) return false;
    busy.current = true;
    const text = JSON.stringify([type, body, seen]);
    if (intent.current?.text !== text) intent.current = { text, key: crypto.randomUUID() };
    setSending(true);
    setFault(undefined);
    const sent = await send(`/api/batches/${id}`, { key: intent.current.key, type, seen, body });
    busy.current = false;
    setSending(false);
    if (!sent.ok) {
      setFault(sent.fault);
      // Another window has moved on: show where the batch stands now, and keep what was typed.
      if (sent.fault.name === "ChangedMeanwhile" || sent.fault.name === "NotNow") router.refresh();
      return false;
    }
    intent.current = undefined;
    if (then) then(sent.answer);
    else router.refresh();
    return true;
  };
  return { write, sending, fault, clear: () => setFault(undefined), router };
}
