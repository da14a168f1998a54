"use client";
import { useRouter } from "next/navigation";
import { useIntent } from "../kit/intent";

/** Writes to one batch's journal: one key for one intent, however often the button is hit; the fault stays until the next try. */
export function useWrite(id: string, seen: number) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const write = async (type: string, body: unknown, then?: () => void): Promise<boolean> => {
    const sent = await send(`/api/batches/${id}`, { type, seen, body });
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
  return { write, sending, fault, clear, router };
}
