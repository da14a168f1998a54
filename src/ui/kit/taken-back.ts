"use client";
import { useState } from "react";

/**
 * What was touched on a page, taken back one by one before it is written.
 * @param now what is said so far @param set puts back what was said before
 */
export function useTakenBack<T, What extends string>(now: T, set: (was: T) => void) {
  const [before, setBefore] = useState<readonly { readonly what: What; readonly was: T }[]>([]);
  const last = before.at(-1);
  return {
    /** To be called before a change. What is typed letter by letter is taken back whole. */
    keep: (what: What, typed: boolean): void =>
      setBefore((b) => (typed && b.at(-1)?.what === what ? b : [...b, { what, was: now }])),
    last: last?.what,
    undo:
      last &&
      ((): void => {
        setBefore((b) => b.slice(0, -1));
        set(last.was);
      }),
  };
}
