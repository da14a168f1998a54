import { freeAgain } from "./batch";
import { type RemedyPoured, poursOf } from "./facts";
import type { Start, Year } from "./year";

/** What about a start cannot be. */
export const BREAKS = [
  "unknown",
  "not-this-year",
  "wrong-vessel",
  "vessel-full",
  "both-want",
  "nobody-begins",
  "no-herb",
  "too-soon",
  "too-late",
  "nobody-strains",
  "may-not-stand",
  "hours-day",
  "hours-week",
  "room",
] as const;
export type Break = (typeof BREAKS)[number];

export interface Broken {
  readonly what: Break;
  /** The start it is said of; of two that both want a vessel the later. */
  readonly start: string;
  /** The day on which it breaks. */
  readonly day: number;
  /** The other that wants the same vessel. */
  readonly other?: string;
  /** The place that is too full. */
  readonly in?: "fridge" | "freezer";
}

type Parts = Pick<Year, "wanted" | "vessels">;
const partsOf = ({ wanted, vessels }: Parts, s: Start) => ({
  wanted: wanted.find((w) => w.id === s.remedy),
  vessel: vessels.find((v) => v.id === s.vessel),
});

/** What cannot be of a start by itself. */
function alone(year: Year, s: Start): Broken[] {
  const { wanted, vessel } = partsOf(year, s);
  const m = wanted?.making;
  const at = (what: Break, day = s.day): Broken => ({ what, start: s.id, day });
  if (!m || !vessel) return [at("unknown")];
  const out: Broken[] = [];
  if (s.day < 0 || s.day >= year.days) return [at("not-this-year")];
  if (m.pot !== vessel.pot) out.push(at("wrong-vessel"));
  if (vessel.free > s.day) out.push(at("vessel-full"));
  if (!year.begins[s.day]) out.push(at("nobody-begins"));
  if (!m.herbs[s.day]) out.push(at("no-herb"));
  const stood = s.strain - s.day;
  const { earliest, latest } = m.steep ?? { earliest: 0, latest: 0 };
  if (stood < earliest) out.push(at("too-soon", s.strain));
  if (stood > latest) out.push(at("too-late", s.strain));
  if (m.steep && s.strain < year.days && !year.strains[s.strain]) out.push(at("nobody-strains", s.strain));
  if (!m.keeps.some((k) => k.in === s.in)) out.push(at("may-not-stand", s.strain));
  return out;
}

/** Those that want a vessel while another has it. */
function vesselsTwice(starts: readonly Start[]): Broken[] {
  const out: Broken[] = [];
  const by = new Map<string, Start[]>();
  for (const s of starts) by.set(s.vessel, [...(by.get(s.vessel) ?? []), s]);
  for (const mine of by.values()) {
    mine.sort((a, b) => a.day - b.day);
    for (let i = 1; i < mine.length; i++)
      for (let j = 0; j < i; j++)
        if (freeAgain(mine[j]!) > mine[i]!.day)
          out.push({ what: "both-want", start: mine[i]!.id, day: mine[i]!.day, other: mine[j]!.id });
  }
  return out;
}

const OVER = 1e-6;

/** Days and weeks with more work than there are hours; said of what is worked on last. */
function hoursOver(year: Year, starts: readonly Start[]): Broken[] {
  const on = new Float64Array(year.days);
  const whose: (string | undefined)[] = new Array<string | undefined>(year.days).fill(undefined);
  const work = (day: number, hours: number, id: string): void => {
    if (day < 0 || day >= year.days || hours <= 0) return;
    on[day]! += hours;
    whose[day] = id;
  };
  for (const s of starts) {
    const m = partsOf(year, s).wanted?.making;
    if (!m) continue;
    work(s.day, m.hours.begin, s.id);
    if (m.steep) work(s.strain, m.hours.strain, s.id);
  }
  const out: Broken[] = [];
  for (let d = 0; d < year.days; d += 7) {
    let sum = 0;
    let [last, day] = ["", d];
    for (let k = d; k < Math.min(year.days, d + 7); k++) {
      if (on[k]! > year.hours.day + OVER) out.push({ what: "hours-day", start: whose[k]!, day: k });
      sum += on[k]!;
      if (whose[k] !== undefined) [last, day] = [whose[k]!, k];
    }
    if (sum > year.hours.week + OVER) out.push({ what: "hours-week", start: last, day });
  }
  return out;
}

/** A millilitre over is none. */
const ROOM_OVER = 1;
const ROOMS = ["fridge", "freezer"] as const;

/** The first day a place holds more than it can, where the plan put something there. @param poured each remedy of the year, in its order */
export function roomOver(
  year: Year,
  starts: readonly Start[],
  poured: readonly RemedyPoured[] = poursOf(year)(starts),
): Broken[] {
  const all = { fridge: new Float64Array(year.days), freezer: new Float64Array(year.days) };
  const theirs = { fridge: new Float64Array(year.days), freezer: new Float64Array(year.days) };
  const cold = starts.filter((s) => s.in !== "cupboard" || partsOf(year, s).wanted?.making?.worksCold);
  if (cold.length === 0) return [];
  for (const { lots, pour, there } of poured) {
    if (!lots.some((l) => l.in !== "cupboard")) continue;
    lots.forEach((l, i) => {
      if (l.in === "cupboard") return;
      const from = Math.max(0, l.from);
      pour.lots[i]!.forEach((ml, k) => {
        all[l.in as "fridge"][from + k]! += ml;
        if (i < there) theirs[l.in as "fridge"][from + k]! += ml;
      });
    });
  }
  for (const s of starts) {
    const { wanted, vessel } = partsOf(year, s);
    if (!wanted?.making?.worksCold || !vessel) continue;
    for (let d = Math.max(0, s.day); d < Math.min(year.days, s.strain); d++)
      all.fridge[d]! += vessel.ml * s.fill;
  }
  return ROOMS.flatMap((place): Broken[] => {
    for (let d = 0; d < year.days; d++)
      if (all[place][d]! > Math.max(year.room[place], theirs[place][d]!) + ROOM_OVER) {
        const last = cold.filter((s) => s.day <= d).sort((a, b) => b.strain - a.strain)[0];
        return [{ what: "room", start: last?.id ?? "", day: d, in: place }];
      }
    return [];
  });
}

/** Everything about a plan that cannot be, by its days. @param poured each remedy of the year under it, where that is known already */
export const broken = (year: Year, starts: readonly Start[], poured?: readonly RemedyPoured[]): Broken[] => [
  ...starts.flatMap((s) => alone(year, s)),
  ...vesselsTwice(starts),
  ...hoursOver(year, starts),
  ...roomOver(year, starts, poured),
];
