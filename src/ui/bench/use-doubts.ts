import { useEffect, useMemo, useState } from "react";
import { type Doubt, otherForms } from "@/core/advice/other-form";
import type { Context } from "@/core/reckoning/context";
import type { Reckoned } from "./made";

/** ms without a change until the hand is taken to rest. */
const REST = 120;
const NONE: readonly Doubt[] = [];

/**
 * Forms nobody said that would keep less well. Each asks for a reckoning of its own, so they are looked for once the hand rests; until then
 * what was found stands for the lines it is still true to ask about.
 */
export function useDoubts(now: Reckoned | undefined, context: Context): readonly Doubt[] {
  const [found, setFound] = useState(NONE);
  useEffect(() => {
    if (!now) return;
    const soon = setTimeout(() => {
      const is = otherForms(now.program, now.reckoning, context);
      setFound((was) => (is.length === 0 && was.length === 0 ? was : is));
    }, REST);
    return () => clearTimeout(soon);
  }, [now, context]);
  return useMemo(() => {
    if (!now || found.length === 0) return NONE;
    const open = new Map(now.program.lines.map((l) => [l.line.id, l]));
    // A plan begun anew counts its lines from one again: the name must be the same, too.
    const stands = (d: Doubt): boolean => {
      const l = open.get(d.line);
      return l?.otherwise?.form === d.form && l.stuff.name === d.name;
    };
    return found.filter(stands);
  }, [now, found]);
}
