import type { KeyboardEvent, PointerEvent } from "react";

/** Taking hold of a handle and letting go: while it is held the drawings follow at once, without rising into place. */
export const GRIP = {
  onPointerDown: (e: PointerEvent<HTMLElement>): void => {
    e.preventDefault();
    e.currentTarget.focus();
    e.currentTarget.setPointerCapture(e.pointerId);
    document.documentElement.dataset["dragging"] = "yes";
  },
  onPointerUp: (e: PointerEvent<HTMLElement>): void => e.currentTarget.releasePointerCapture(e.pointerId),
  onLostPointerCapture: (): void => void delete document.documentElement.dataset["dragging"],
} as const;

/** Where along a bar a held pointer stands, 0 to 1 and past the ends; nothing where the handle is not held. */
export function heldAt(e: PointerEvent<HTMLElement>, bar: HTMLElement | null): number | undefined {
  if (!bar || !e.currentTarget.hasPointerCapture(e.pointerId)) return undefined;
  const box = bar.getBoundingClientRect();
  return (e.clientX - box.left) / box.width;
}

/** What a key asks of a handle, done; other keys are left to the page. */
export function byKey(e: KeyboardEvent, to: number | undefined, move: (to: number) => void): void {
  if (to === undefined) return;
  e.preventDefault();
  move(to);
}
