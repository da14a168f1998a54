"use client";
import { useRef } from "react";

/** The value it was before while the new one says the same, so that what rests on it is not drawn again. For small plain values: compared as JSON. */
export function useSame<T>(value: T): T {
  const held = useRef(value);
  if (held.current !== value && JSON.stringify(held.current) !== JSON.stringify(value)) held.current = value;
  return held.current;
}
