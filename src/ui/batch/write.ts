"use client";
import { useRouter } from "../kit/router";
import { useRef } from "react";
import type { ToBatch } from "@/contract/writes";
import { useIntent } from "../kit/intent";
import { elsewhere, useWhen } from "../kit/when";
import { toBatch } from "../kit/writes";

/** Writes to one batch's journal: one key for one intent, however often the button is hit; the fault stays until the next try. */
export function useWrite(id: string, seen: number) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const when = useWhen(fault);
  const last = useRef<(() => Promise<boolean>) | undefined>(undefined);
  const write = async <T extends keyof ToBatch>(
    type: T,
    body: ToBatch[T],
    then?: () => void,
    sure = false,
    alike = false,
  ): Promise<boolean> => {
    last.current = () => write(type, body, then, true, alike);
    const sent = await send(
      toBatch(id, type, body, { seen, on: when.on, ...(sure ? { sure } : {}), ...(alike ? { alike } : {}) }),
    );
    if (!sent) return false;
    if (!sent.ok) {
      // Another window has moved on: show where the batch stands now, and keep what was typed.
      if (sent.fault.name === "ChangedMeanwhile" || sent.fault.name === "NotNow") router.refresh();
      return false;
    }
    when.setOn(undefined);
    if (then) then();
    else router.refresh();
    return true;
  };
  /** Puts an entry right; with nothing in its place it did not happen. */
  const putRight = (seq: number, body: unknown, why: string, then?: () => void): Promise<boolean> =>
    write("corrected", { seq, body, ...(why.trim() === "" ? {} : { why: why.trim() }) }, then);
  /** Writes what was asked about all the same. */
  const insist = (): Promise<boolean> => last.current?.() ?? Promise.resolve(false);
  return { write, putRight, insist, sending, fault: elsewhere(when, fault), clear, router, when };
}
