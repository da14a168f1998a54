"use client";
import { createContext, useContext, useEffect, useMemo, useState } from "react";

/** A form that stands open at a move: while it does, the bar is its own, so that what is typed there is what is written. */
interface Held {
  readonly form: string;
  readonly words: string;
}
const Hand = createContext<{ readonly held: Held | undefined; readonly hold: (h: Held | undefined) => void }>(
  {
    held: undefined,
    hold: () => undefined,
  },
);

export function InHand({ children }: { children: React.ReactNode }) {
  const [held, hold] = useState<Held | undefined>();
  return <Hand.Provider value={useMemo(() => ({ held, hold }), [held])}>{children}</Hand.Provider>;
}

export const useHeld = (): Held | undefined => useContext(Hand).held;

/** Gives the bar to a form for as long as it has words for it. @param words what the bar says; nothing while nothing is typed */
export function useHold(form: string, words: string | undefined): void {
  const { hold } = useContext(Hand);
  useEffect(() => {
    if (words === undefined) return;
    hold({ form, words });
    return () => hold(undefined);
  }, [form, words, hold]);
}
