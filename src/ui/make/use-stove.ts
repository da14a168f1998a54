import { useMemo } from "react";
import type { Batch } from "@/core/journal/fold";
import { boilingDown, coolingOf, minuteOf } from "@/core/journal/forecast";
import type { BatchReckoning } from "@/core/journal/reckon";
import { type Walked, type WalkedMove, walkOf } from "@/core/journal/walk";
import { type BoilsDown, boilsDown } from "@/core/kitchen/boiling";
import { type Ahead, type Reaches, ahead, reaches } from "@/core/kitchen/cooling";
import { type StandingWarm, mattersHow, standingWarm } from "@/core/kitchen/warm";
import type { Begun } from "@/core/make/pace";
import type { Estimate } from "@/core/estimate";

/** What the stove tells at a moment: the walk, and what is foreseen of the pan. */
export interface StoveTells {
  readonly walked: Walked;
  readonly down: (BoilsDown & { readonly wrong: string | undefined }) | undefined;
  readonly cool: { readonly target: number; readonly reaches: Reaches } | undefined;
  readonly course: readonly Ahead[];
  readonly warm: StandingWarm | undefined;
}

/** So far ahead the course is drawn, minutes; points of it. */
const [FARTHEST, POINTS] = [8 * 60, 40];

const leftOf = (e: Estimate, now: number): Begun["left"] => ({
  low: Math.max(0, e.low - now),
  value: Math.max(0, e.value - now),
  high: Math.max(0, e.high - now),
});

/** When the move in hand began: as the one before it was done. */
function beganAt(b: Batch, moves: readonly WalkedMove[], at: WalkedMove): number {
  const before = moves.slice(0, moves.indexOf(at)).reverse();
  for (const m of before) {
    const done = b.stove.moves.get(m.id)?.at;
    if (done) return minuteOf(done);
    if (m.sort === "strain") {
      const e = b.diary.find((x) => x.type === "strained" && !x.correctedBy?.undone);
      if (e) return minuteOf(e.at);
    }
  }
  return minuteOf(b.begunAt);
}

type Foreseen = Pick<StoveTells, "down" | "cool" | "course" | "warm"> & { readonly waits: readonly Begun[] };
const NOTHING: Foreseen = { down: undefined, cool: undefined, course: [], warm: undefined, waits: [] };

function boils(b: Batch, r: BatchReckoning, m: WalkedMove, from: number, nowMs: number): Foreseen {
  const l = m.wants?.what === "depth" ? boilingDown(b, r.program, m.step!, from, nowMs) : undefined;
  if (!l || m.wants?.what !== "depth") return NOTHING;
  const now = nowMs / 60_000;
  const down = boilsDown(l, m.wants.toMl, now);
  const waits = down.minute ? [{ move: m.id, left: leftOf(down.minute, now) }] : [];
  return { ...NOTHING, down: { ...down, wrong: l.wrong }, waits };
}

/** When it will be as cool as the honey wants it; and how long it stands warm, where that matters. */
function cools(b: Batch, r: BatchReckoning, m: WalkedMove, nowMs: number): Foreseen {
  const l = m.wants?.what === "temperature" ? coolingOf(b, r.program, m.step!, nowMs) : undefined;
  if (!l || m.wants?.what !== "temperature") return NOTHING;
  const now = nowMs / 60_000;
  const read = l.cooling.readings.length > 0;
  const target = m.wants.celsius;
  const when = reaches(l, target, read ? now : l.last || now);
  const to = when.comes ? Math.min(now + FARTHEST, when.minute.high + 15) : now + 180;
  const { ph, aw } = r.reckoning.strained;
  return {
    down: undefined,
    cool: { target, reaches: when },
    course: read ? ahead(l, now, to, (to - now) / POINTS) : [],
    warm: read && mattersHow(ph.high, aw.value) ? standingWarm(l, now) : undefined,
    waits: when.comes && read ? [{ move: m.id, left: leftOf(when.minute, now) }] : [],
  };
}

function tells(b: Batch, r: BatchReckoning, nowMs: number): StoveTells {
  const first = walkOf(b, r.program, nowMs);
  const m = first.now;
  if (!m) return { walked: first, ...NOTHING };
  const from = beganAt(b, first.moves, m);
  const seen = m.sort === "reduce" ? boils(b, r, m, from, nowMs) : cools(b, r, m, nowMs);
  return { walked: walkOf(b, r.program, nowMs, seen.waits), ...seen };
}

/** So often the forecasts are told again, ms. */
const FRESH = 15_000;

export function useStove(batch: Batch, r: BatchReckoning, nowMs: number): StoveTells {
  const at = Math.floor(nowMs / FRESH) * FRESH;
  // Clocks tick by themselves; what is reckoned is told again four times a minute, or when something was written.
  return useMemo(() => tells(batch, r, at), [batch, r, at]);
}
