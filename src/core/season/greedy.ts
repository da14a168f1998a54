import { freeAgain } from "./batch";
import { roomOver } from "./broken";
import type { Alike, Option } from "./options";
import { leftBy } from "./slots";
import { type Scales, type WeekLot, lotsOfStarts, weighPour } from "./weigh";
import type { Start } from "./year";

/** Latest starts that are tried for one want: an earlier one is taken where those cannot be. */
const TRIED_DAYS = 4;
const BETTER = 1e-6;
/** Candidates that are gone through day by day for one want. */
const MOST_LOOKED = 20;

/** Room is looked at by the day; of the rest what is left counts. */
function withoutRoom({ slots, weeks }: Scales, left: Float64Array): Float64Array {
  for (const place of ["fridge", "freezer"] as const)
    for (let w = 0; w < weeks.count; w++) left[slots.room(place, w)] = Infinity;
  return left;
}

/** A vessel of those alike that is free for it. */
export function vesselFor(
  o: Pick<Option, "day" | "strain">,
  alike: Alike,
  starts: readonly Start[],
): string | undefined {
  const until = freeAgain(o);
  return alike.ids.find((id) =>
    starts.every((s) => s.vessel !== id || freeAgain(s) <= o.day || s.day >= until),
  );
}

/** A name no other start of a plan has. */
export function startId(taken: readonly Pick<Start, "id">[]): string {
  const used = new Set(taken.map((s) => s.id));
  for (let n = taken.length + 1; ; n++) if (!used.has(`s${n}`)) return `s${n}`;
}

interface Candidate {
  readonly option: Option;
  readonly points: number;
}

/** Those that are there for a week, latest first, by what they would make of the remedy's points. */
function candidates(
  all: readonly Option[],
  week: number,
  has: { readonly lots: readonly WeekLot[]; readonly points: number },
  need: Scales["needs"][number],
): Candidate[] {
  const serve = all.filter((o) => o.lot.from <= week && week <= o.lot.until);
  const days = [...new Set(serve.map((o) => o.day))].sort((a, b) => b - a);
  const late = new Set(days.slice(0, TRIED_DAYS));
  return serve
    .filter((o) => late.has(o.day) || o.day === days.at(-1))
    .map((option) => ({ option, points: weighPour([...has.lots, option.lot], need) + option.points }))
    .filter((c) => c.points < has.points - BETTER)
    .sort((a, b) => a.points - b.points || b.option.day - a.option.day);
}

/**
 * A plan at once: for each want that is not met, the start that makes most of it, the latest and smallest that does. What stands in it already
 * stays. What is never to run out comes first.
 */
export function greedy(scales: Scales, given: readonly Start[] = []): Start[] {
  const { year, weeks } = scales;
  const { alike } = scales;
  const starts = [...given];
  const overAlready = roomOver(year, starts).length;
  const left = withoutRoom(scales, leftBy(scales, starts));
  const order = year.wanted
    .map((_, i) => i)
    .sort((a, b) => scales.needs[b]!.price * mean(scales, b) - scales.needs[a]!.price * mean(scales, a));
  for (const remedy of order) {
    const all = scales.options[remedy]!;
    const need = scales.needs[remedy]!;
    const lots = [...scales.stock[remedy]!, ...lotsOfStarts(scales, remedy, starts)];
    const short = new Float64Array(weeks.count);
    for (let week = 0; week < weeks.count;) {
      const points = weighPour(lots, need, short);
      while (week < weeks.count && short[week]! < 1e-3) week++;
      if (week >= weeks.count) break;
      const chosen = firstThatCan(candidates(all, week, { lots, points }, need));
      if (!chosen) week++;
      else {
        starts.push(chosen.start);
        lots.push(chosen.option.lot);
      }
    }
  }
  return starts;

  /** The first that fits into what is left, and into the cold rooms day by day where it wants room there. */
  function firstThatCan(of: readonly Candidate[]): { start: Start; option: Option } | undefined {
    let looked = 0;
    for (const { option } of of) {
      const { at, by } = option.takes;
      if (!at.every((slot, i) => by[i]! <= left[slot]! + BETTER)) continue;
      const vessel = vesselFor(option, alike[option.alike]!, starts);
      if (vessel === undefined) continue;
      const { day, strain, fill } = option;
      const remedy = year.wanted[option.remedy]!;
      const start: Start = {
        id: startId(starts),
        remedy: remedy.id,
        vessel,
        fill,
        day,
        strain,
        in: option.in,
      };
      if (option.in !== "cupboard" || remedy.making!.worksCold) {
        if (++looked > MOST_LOOKED) return undefined;
        if (roomOver(year, [...starts, start]).length > overAlready) continue;
      }
      at.forEach((slot, i) => (left[slot]! -= by[i]!));
      return { start, option };
    }
    return undefined;
  }
}

const mean = (scales: Scales, i: number): number =>
  scales.needs[i]!.ml.reduce((a, b) => a + b, 0) / Math.max(1, scales.year.days);
