import { useCallback, useState } from "react";
import { useLatest } from "./latest";

interface Said<T> {
  readonly text: string;
  readonly was: T;
  readonly is: T | undefined;
}

/**
 * Something told of a change just made to a thing. It stands while the thing is what the change made of it: once it is changed again, or the change is
 * undone, what was told is no longer true and is gone.
 */
export function useToldOf<T>(thing: T): readonly [told: string, tell: (text: string) => void] {
  const now = useLatest(thing);
  const [said, setSaid] = useState<Said<T> | undefined>();
  if (said && said.is === undefined && thing !== said.was) setSaid({ ...said, is: thing });
  const holds = said !== undefined && (said.is === undefined ? thing === said.was : thing === said.is);
  const tell = useCallback((text: string) => setSaid({ text, was: now(), is: undefined }), [now]);
  return [holds ? said.text : "", tell];
}
