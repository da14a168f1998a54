"use client";
import { useEffect, useRef, useState } from "react";

/**
 * An element's width in pixels, told again whenever it changes; what is drawn in it keeps its letters readable. Until the page is awake nobody
 * knows it: what is drawn by the first guess must not be wider than its place (`max-w-full`), or a telephone zooms the whole page out for it.
 */
export function useWidth<E extends HTMLElement>(first: number): [React.RefObject<E | null>, number] {
  const ref = useRef<E>(null);
  const [width, set] = useState(first);
  useEffect(() => {
    const el = ref.current;
    if (!el) return undefined;
    const seen = new ResizeObserver(([entry]) => entry && set(Math.round(entry.contentRect.width)));
    seen.observe(el);
    return () => seen.disconnect();
  }, []);
  return [ref, width];
}
