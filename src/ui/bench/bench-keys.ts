import { useEffect, useRef } from "react";

const isTyped = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement && (at.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(at.tagName));

/** “n” goes to where the next thing is typed; Ctrl and Enter begin, wherever the hand is. Told on the sheet of keys. */
export function useBenchKeys(begin: (() => void) | undefined): void {
  const now = useRef(begin);
  useEffect(() => void (now.current = begin), [begin]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      const begins = e.key === "Enter" && (e.ctrlKey || e.metaKey);
      const adds = e.key === "n" && !e.ctrlKey && !e.metaKey && !e.altKey && !isTyped(e.target);
      if (!begins && !adds) return;
      e.preventDefault();
      if (begins) now.current?.();
      // Each step that things are added at has such a field; the first is where a remedy begins.
      else document.querySelector<HTMLInputElement>("input[data-add-line]")?.focus();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
