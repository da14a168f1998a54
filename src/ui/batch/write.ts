"use client";
import { useRouter } from "next/navigation";
import { useRef } from "react";
import { useIntent } from "../kit/intent";

/** Writes to one batch's journal: one key for one intent, however often the button is hit; the fault stays until the next try. */
export function useWrite(id: string, seen: number) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const last = useRef<(() => Promise<boolean>) | undefined>(undefined);
  const write = async (type: string, body: unknown, then?: () => void, sure = false): Promise<boolean> => {
    last.current = () => write(type, body, then, true);
    const sent = await send(`/api/batches/${id}`, { type, seen, body, ...(sure ? { sure } : {}) });
    if (!sent) return false;
    if (!sent.ok) {
      // Another window has moved on: show where the batch stands now, and keep what was typed.
      if (sent.fault.name === "ChangedMeanwhile" || sent.fault.name === "NotNow") router.refresh();
      return false;
    }
    if (then) then();
    else router.refresh();
    return true;
  };
  /** Puts an entry right; with nothing in its place it did not happen. */
  const putRight = (seq: number, body: unknown, why: string, then?: () => void): Promise<boolean> =>
    write("corrected", { seq, body, ...(why.trim() === "" ? {} : { why: why.trim() }) }, then);
  /** Writes what was asked about all the same. */
  const insist = (): Promise<boolean> => last.current?.() ?? Promise.resolve(false);
  return { write, putRight, insist, sending, fault, clear, router };
}
