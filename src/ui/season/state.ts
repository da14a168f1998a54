import { startId } from "@/core/season/greedy";
import { strainDayOf } from "@/core/season/strain-day";
import type { WhatIf } from "@/core/season/told";
import type { Start, Year } from "@/core/season/year";
import { fillsOf } from "@/core/season/year";

/** The plan in the hand. */
export interface InHand {
  readonly starts: readonly Start[];
  readonly past: readonly (readonly Start[])[];
  readonly whatIf: WhatIf;
  /** The start that is looked at. */
  readonly chosen: string | undefined;
  /** It differs from the one that is kept. */
  readonly changed: boolean;
}

interface Move {
  readonly do: "move";
  readonly id: string;
  readonly day: number;
  readonly vessel?: string;
  readonly year: Year;
}
export type Act =
  /** In the hand: no step back is kept for each day it goes over. */
  | { readonly do: "hold" }
  | Move
  | { readonly do: "fill"; readonly id: string; readonly fill: number }
  | { readonly do: "pin"; readonly id: string; readonly pinned: boolean }
  | { readonly do: "drop"; readonly id: string }
  | { readonly do: "add"; readonly remedy: string; readonly year: Year }
  | { readonly do: "take"; readonly starts: readonly Start[]; readonly step: boolean }
  | { readonly do: "choose"; readonly id: string | undefined }
  | { readonly do: "suppose"; readonly whatIf: WhatIf }
  | { readonly do: "kept" }
  | { readonly do: "back" };

/** Steps back that are kept. */
const MOST_BACK = 60;
const stepped = (s: InHand, starts: readonly Start[]): InHand => ({
  ...s,
  starts,
  past: [...s.past, s.starts].slice(-MOST_BACK),
  changed: true,
});
const one = (s: InHand, id: string, to: (x: Start) => Start): readonly Start[] =>
  s.starts.map((x) => (x.id === id ? to(x) : x));

/** A hand that goes over one day in many places moves a start once. */
function carried(s: InHand, { year, id, day, vessel }: Move): InHand {
  const before = s.starts.find((x) => x.id === id);
  if (!before) return s;
  const to = moved(year, before, day, vessel);
  if (before.pinned && to.day === before.day && to.vessel === before.vessel) return s;
  return { ...s, changed: true, starts: one(s, id, () => to) };
}

function moved(year: Year, s: Start, day: number, vessel: string | undefined): Start {
  const m = year.wanted.find((w) => w.id === s.remedy)?.making;
  const on = Math.min(year.days - 1, Math.max(0, day));
  return { ...s, day: on, strain: strainDayOf(year, m, on), vessel: vessel ?? s.vessel, pinned: true };
}

/** A new start of a remedy: on the first day that suits, in the smallest vessel of its sort. */
function added(year: Year, starts: readonly Start[], remedy: string): Start | undefined {
  const m = year.wanted.find((w) => w.id === remedy)?.making;
  const [vessel] = year.vessels
    .filter((v) => v.pot === m?.pot)
    .sort((a, b) => a.free - b.free || a.ml - b.ml);
  if (!m || !vessel) return undefined;
  const day = Math.max(vessel.free, year.begins.indexOf(1));
  const place = m.keeps[0]?.in ?? "cupboard";
  const strain = strainDayOf(year, m, day);
  return {
    ...{ id: startId(starts), remedy, vessel: vessel.id, fill: fillsOf(m)[0]!, day, strain },
    in: place,
    pinned: true,
  };
}

export function reduce(s: InHand, a: Act): InHand {
  switch (a.do) {
    case "hold":
      return { ...s, past: [...s.past, s.starts].slice(-MOST_BACK) };
    case "move":
      return carried(s, a);
    case "fill":
      return stepped(
        s,
        one(s, a.id, (x) => ({ ...x, fill: a.fill, pinned: true })),
      );
    case "pin":
      return stepped(
        s,
        one(s, a.id, (x) => ({ ...x, pinned: a.pinned })),
      );
    case "drop":
      return {
        ...stepped(
          s,
          s.starts.filter((x) => x.id !== a.id),
        ),
        chosen: undefined,
      };
    case "add": {
      const start = added(a.year, s.starts, a.remedy);
      return start ? { ...stepped(s, [...s.starts, start]), chosen: start.id } : s;
    }
    case "take":
      return a.step ? stepped(s, a.starts) : { ...s, starts: a.starts, changed: true };
    case "choose":
      return { ...s, chosen: a.id };
    case "suppose":
      return { ...s, whatIf: a.whatIf };
    case "kept":
      return { ...s, changed: false };
    case "back": {
      const before = s.past.at(-1);
      return before ? { ...s, starts: before, past: s.past.slice(0, -1), changed: true } : s;
    }
  }
}
