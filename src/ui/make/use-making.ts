"use client";
import { useRouter } from "../kit/router";
import { useEffect, useRef, useState } from "react";
import type { ToBatch } from "@/contract/writes";
import type { Batch } from "@/core/journal/fold";
import { useKitchen } from "../kitchen/kitchen";
import { useWrite } from "../batch/write";

/** The screen stays awake while something is made, where the browser can do that. */
export function useAwake(): void {
  useEffect(() => {
    let held: WakeLockSentinel | undefined;
    const hold = (): void => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock.request("screen").then(
        (lock) => (held = lock),
        () => undefined,
      );
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void held?.release();
    };
  }, []);
}

/** Writes of a making; each tells the kitchen, so that clocks are right at once, and another window's writes are fetched. */
export function useMaking(batch: Batch) {
  const router = useRouter();
  const { ask, watch, seq } = useKitchen();
  const w = useWrite(batch.id, batch.seq);
  // Jars that were filled alike are filled together, until it is said that this one stands alone.
  const [alone, setAlone] = useState(false);
  const together = batch.alike !== undefined && !alone;
  const after = (): void => {
    // Whatever was touched has done its work: the space bar is the bar again.
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    router.refresh();
    void ask();
  };
  // The same press again, before the page has caught up with the first, is the first.
  const pressed = useRef("");
  const write = async <T extends keyof ToBatch>(type: T, body: ToBatch[T]): Promise<boolean> => {
    const press = `${batch.seq} ${type} ${JSON.stringify(body)}`;
    if (pressed.current === press) return true;
    pressed.current = press;
    const ok = await w.write(type, body, after, false, together);
    if (!ok && pressed.current === press) pressed.current = "";
    return ok;
  };
  const putRight = (entry: number): Promise<boolean> =>
    w.write("corrected", { seq: entry, body: null }, after, false, together);
  useEffect(() => {
    watch(batch.id);
    return () => watch(undefined);
  }, [batch.id, watch]);
  const told = useRef(batch.seq);
  useEffect(() => {
    if (seq === undefined || seq <= batch.seq || told.current === seq) return;
    told.current = seq;
    router.refresh();
  }, [seq, batch.seq, router]);
  return { ...w, write, putRight, together, setTogether: (all: boolean) => setAlone(!all) };
}

/** The space bar is the bar, unless a field or a button has it. */
export function useSpaceBar(press: (() => void) | undefined): void {
  const now = useRef(press);
  useEffect(() => {
    now.current = press;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.key !== " " || e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      const at = e.target instanceof HTMLElement ? e.target : undefined;
      const owns = at?.closest("input, textarea, select, button:not(:disabled), a, summary, [role=dialog]");
      if (owns) return;
      e.preventDefault();
      now.current?.();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
