import { useCallback, useLayoutEffect, useRef } from "react";

/** What was last drawn with, for hands that act later; the same function from one drawing to the next. While a page is being drawn it is one drawing old. */
export function useLatest<T>(value: T): () => T {
  const last = useRef(value);
  useLayoutEffect(() => {
    last.current = value;
  }, [value]);
  return useCallback(() => last.current, []);
}
