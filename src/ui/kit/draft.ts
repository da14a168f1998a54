"use client";
import { useEffect, useRef, useState } from "react";

/**
 * State that outlives the page: kept in this tab, and in this browser for a tab that is opened next, until `clear` says the journal has it.
 * @param read turns what was kept back into state, or `undefined` when it no longer fits
 */
export function useDraft<T>(
  name: string,
  initial: T,
  read: (kept: unknown) => T | undefined,
): {
  value: T;
  set: (next: T | ((was: T) => T)) => void;
  clear: () => void;
  restored: boolean;
  ready: boolean;
} {
  const [value, set] = useState<T>(initial);
  const [state, setState] = useState({ ready: false, restored: false });
  const cleared = useRef(false);
  useEffect(() => {
    let restored = false;
    try {
      // This tab's own first: another tab writes of the same thing, and neither loses what is typed.
      const kept = sessionStorage.getItem(name) ?? localStorage.getItem(name);
      const back = kept === null ? undefined : read(JSON.parse(kept));
      if (back !== undefined) {
        set(back);
        restored = true;
      }
    } catch {
      // A draft that cannot be read is no draft.
    }
    setState({ ready: true, restored });
    // Read once for each draft: how it is read does not change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name]);
  useEffect(() => {
    if (!state.ready || cleared.current) return;
    try {
      const text = JSON.stringify(value);
      sessionStorage.setItem(name, text);
      localStorage.setItem(name, text);
    } catch {
      // A full store loses the draft, not the work on screen.
    }
  }, [name, value, state.ready]);
  return {
    value,
    set,
    clear: () => {
      cleared.current = true;
      const mine = sessionStorage.getItem(name);
      sessionStorage.removeItem(name);
      if (localStorage.getItem(name) === mine) localStorage.removeItem(name);
    },
    ...state,
  };
}
