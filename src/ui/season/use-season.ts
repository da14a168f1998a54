"use client";
import { type Remote, proxy, wrap } from "comlink";
import { useEffect, useMemo, useReducer, useRef, useState } from "react";
import { broken } from "@/core/season/broken";
import { type RemedyPoured, factsIn, poursOf } from "@/core/season/facts";
import type { Found } from "@/core/season/improve";
import type { Replayed } from "@/core/season/replay";
import { type Told, yearOf } from "@/core/season/told";
import { unmetIn } from "@/core/season/unmet";
import type { Start } from "@/core/season/year";
import type { SeasonWorker } from "@/workers/season.worker";
import { rowsOf } from "./rows";
import { type Act, type InHand, reduce } from "./state";

let worker: Remote<SeasonWorker> | undefined;
/** The season's worker, made when it is first wanted. */
export function seasonWorker(): Remote<SeasonWorker> {
  worker ??= wrap<SeasonWorker>(
    new Worker(new URL("../../workers/season.worker.ts", import.meta.url), { type: "module" }),
  );
  return worker;
}

/** How long the hand rests before the plan is lived through anew, ms. */
const RESTS = 400;

export interface Searching {
  readonly found: Found | undefined;
  readonly running: boolean;
  readonly failed: boolean;
}
const AT_REST: Searching = { found: undefined, running: false, failed: false };

/** The plan in the hand, and all that follows from it in the same frame; the search and the replays come after. */
export function useSeason(told: Told, kept: readonly Start[]) {
  const [hand, act] = useReducer(reduce, kept, (starts): InHand => ({
    ...{ starts, past: [], whatIf: {}, chosen: undefined, changed: false },
  }));
  const planned = useMemo(() => yearOf(told, hand.whatIf), [told, hand.whatIf]);
  const { year } = planned;
  const pours = useMemo(() => poursOf(year), [year]);
  const poured = useMemo(() => pours(hand.starts), [pours, hand.starts]);
  const breaks = useMemo(() => broken(year, hand.starts, poured), [year, hand.starts, poured]);
  const unmet = useMemo(() => unmetIn(year, poured), [year, poured]);
  const facts = useMemo(() => factsIn(year, poured, hand.starts), [year, poured, hand.starts]);
  const search = useSearch(told, hand, act);
  const boards = useMemo(() => rowsOf(told), [told]);
  const rows = useMemo(() => boards(hand.starts, breaks), [boards, hand.starts, breaks]);
  const lived = useReplays(told, hand, poured);
  return { hand, act, year, breaks, rows, poured, unmet, facts, lived, ...search };
}
export type SeasonInHand = ReturnType<typeof useSeason>;

function useSearch(told: Told, hand: InHand, act: (a: Act) => void) {
  const [searching, set] = useState<Searching>(AT_REST);
  const which = useRef(0);
  /** Searches on around what is pinned. */
  const mend = (): void => {
    const mine = ++which.current;
    set({ ...AT_REST, running: true });
    let [first, shown] = [true, hand.starts];
    const tell = (found: Found): void => {
      if (mine !== which.current) return;
      set({ found, running: !found.done, failed: false });
      if (found.starts.length === shown.length && found.better === 0 && !first) return;
      act({ do: "take", starts: found.starts, step: first });
      [first, shown] = [false, found.starts];
    };
    seasonWorker()
      .improve(told, hand.whatIf, hand.starts, proxy(tell))
      .catch(() => mine === which.current && set({ ...AT_REST, failed: true }));
  };
  const enough = (): void => {
    which.current += 1;
    set((s) => ({ ...s, running: false }));
    void seasonWorker().enough();
  };
  // A plan that is moved by hand is no longer what the search would say of it.
  const told0 = useRef(hand.starts);
  useEffect(() => {
    if (
      told0.current !== hand.starts &&
      !searching.running &&
      searching.found &&
      searching.found.starts !== hand.starts
    )
      set(AT_REST);
    told0.current = hand.starts;
  }, [hand.starts, searching]);
  return { searching, mend, enough };
}

/** The plan lived through, once the hand rests: each remedy in the order of the year, or nothing where it has moved since. */
function useReplays(
  told: Told,
  hand: InHand,
  poured: readonly RemedyPoured[],
): readonly (Replayed | undefined)[] {
  const [lived, set] = useState<{ of: readonly RemedyPoured[]; is: readonly Replayed[] }>({ of: [], is: [] });
  useEffect(() => {
    let stale = false;
    const rests = setTimeout(() => {
      seasonWorker()
        .replay(told, hand.whatIf, hand.starts)
        .then((is) => !stale && set({ of: poured, is }))
        .catch(() => undefined);
    }, RESTS);
    return () => {
      stale = true;
      clearTimeout(rests);
    };
  }, [told, hand.whatIf, hand.starts, poured]);
  return useMemo(() => poured.map((p, i) => (lived.of[i] === p ? lived.is[i] : undefined)), [poured, lived]);
}
