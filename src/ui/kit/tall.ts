"use client";
import { useEffect, useState } from "react";

/** The share of the window's height a drawing takes: on a telephone or an upright tablet, on a tablet on its side, at a desk. */
export type Shares = readonly [narrow: number, tablet: number, desk: number];

/** Widths from which a tablet lies on its side and a desk begins, px; what is wider than so many letters is told by the letters. */
const [TABLET, DESK] = [1024, 1280];

/** How large a letter's square is set to be, px: 16 where nobody has changed it. */
export function useRem(): number {
  const [rem, set] = useState(16);
  useEffect(() => set(parseFloat(getComputedStyle(document.documentElement).fontSize)), []);
  return rem;
}

/** How tall the drawing of a page may be, px: what the window leaves between its head, its words and its foot. */
export function useTall([narrow, tablet, desk]: Shares): number {
  const [tall, set] = useState(400);
  useEffect(() => {
    const seen = (): void => {
      // The root's own measures: a telephone widens the window's while something on the page is wider than it.
      const root = document.documentElement;
      const letters = parseFloat(getComputedStyle(root).fontSize) / 16;
      const wide = root.clientWidth / letters;
      const beyond = wide >= DESK ? desk : tablet;
      set(Math.max(200, Math.min(760, root.clientHeight * (wide < TABLET ? narrow : beyond))));
    };
    seen();
    window.addEventListener("resize", seen);
    return () => window.removeEventListener("resize", seen);
  }, [narrow, tablet, desk]);
  return tall;
}
