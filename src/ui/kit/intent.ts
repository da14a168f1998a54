"use client";
import { useRef, useState } from "react";
import type { Answer } from "@/contract/writes";
import type { Fault } from "@/core/fault";
import { type Sent, send as sendOnce } from "./send";
import type { Writing } from "./writes";

/** One key for one intent, however often the button is hit; a second hit while the first is on its way is nothing. The fault stays until the next try. */
export function useIntent() {
  const [sending, setSending] = useState(false);
  const [fault, setFault] = useState<Fault | undefined>();
  const intent = useRef<{ text: string; key: string } | undefined>(undefined);
  const busy = useRef(false);
  const send = async <A extends Answer>(w: Writing<A>): Promise<Sent<A> | undefined> => {
    if (busy.current) return undefined;
    busy.current = true;
    const text = JSON.stringify(w);
    if (intent.current?.text !== text) intent.current = { text, key: crypto.randomUUID() };
    setSending(true);
    setFault(undefined);
    const sent = await sendOnce(w, intent.current.key);
    busy.current = false;
    setSending(false);
    if (sent.ok) intent.current = undefined;
    else setFault(sent.fault);
    return sent;
  };
  return { send, sending, fault, clear: () => setFault(undefined) };
}
