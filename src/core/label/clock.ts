import type { BottleNow } from "../cellar/bottle";
import { type Day, addDays, daysBetween } from "../day";
import type { IssuedVerdict, PlaceClass } from "../journal/events";
import { daysIn, daysOpen } from "./label";

/** A place the verdict forbids uses a bottle up in so many days. Ours; it is no promise, only the end of one. */
export const FORBIDDEN_DAYS = 3;
/** One that is neither sour nor dry is spoilt there within four hours: the day it was put there is its last. */
const QUICK_DAYS = 4 / 24;
/** A bottle stands frozen at most so long. */
const FROZEN_AT_MOST = 365;

/** The promise that holds in a place: what was issued, or less where today's rules say less. */
export type HeldIn = (place: PlaceClass) => IssuedVerdict;

const forbiddenDays = (v: IssuedVerdict): number => (v.quick ? QUICK_DAYS : FORBIDDEN_DAYS);

/** Days a closed bottle lasts in a place, by the promise that holds there. */
function closedLife(held: HeldIn, place: PlaceClass, strained: Day): number {
  const v = held(place);
  const forbidden =
    v.place === "do-not-keep" || (v.place === "fridge" && (place === "cupboard" || place === "cool-dark"));
  return forbidden ? forbiddenDays(v) : daysIn(v, place, strained);
}

/** Days an opened one lasts in a place. */
function openedLife(held: HeldIn, place: PlaceClass, opened: Day): number {
  const v = held(place);
  const warm = place === "cupboard" || place === "cool-dark";
  return warm && !v.openedInCupboard ? forbiddenDays(v) : daysOpen(v, opened);
}

interface Stretch {
  readonly from: Day;
  readonly place: PlaceClass;
  readonly open: boolean;
}

/** Where it stood and whether it was open, from straining on, in order. */
function stretches(b: BottleNow): Stretch[] {
  const out: Stretch[] = [];
  const cuts = [...b.stood.map((s) => s.from), ...(b.openedDay ? [b.openedDay] : [])].sort();
  for (const from of new Set(cuts)) {
    // Older builds took a day from before it was filled; it stood then where it was put first.
    const { place } = b.stood.findLast((s) => s.from <= from) ?? b.stood[0]!;
    out.push({ from, place, open: b.openedDay !== undefined && b.openedDay <= from });
  }
  return out;
}

/**
 * The day a bottle's life is used up: each day uses one part in L of it, L being the days the promise gives in that place, closed or opened;
 * frozen days use none, a year of them in all at most. Opened, it never lasts longer than its opened life from that day; nor longer than someone who
 * looked at it said.
 * @param own the maker's own date, in place of the reckoned one while it is closed
 */
export function bestByOfBottle(b: BottleNow, held: HeldIn, own?: Day): Day {
  const parts = stretches(b);
  let [used, frozen] = [0, 0];
  let best: Day = parts[0]!.from;
  for (const [i, s] of parts.entries()) {
    const until = parts[i + 1]?.from;
    const days = until === undefined ? undefined : daysBetween(s.from, until);
    if (s.place === "freezer") {
      // One year of ice in all, however often it went in and out.
      best = addDays(s.from, FROZEN_AT_MOST - frozen);
      if (days !== undefined && frozen + days >= FROZEN_AT_MOST) break;
      frozen += days ?? 0;
      continue;
    }
    const promised = s.open
      ? openedLife(held, s.place, b.openedDay!)
      : closedLife(held, s.place, parts[0]!.from);
    const life = Math.max(1e-9, promised);
    best = addDays(s.from, Math.floor((1 - used) * life + 1e-6));
    // Part of a day that is left when it is moved is not lost: frozen, it waits.
    if (days === undefined || used + days / life >= 1 - 1e-6) break;
    used = Math.min(1, used + days / life);
  }
  const now = b.place;
  // The maker's own date stands for the reckoned one while the bottle is as it was filled; after that it may only shorten.
  const asFilled = !b.openedDay && b.stood.length === 1;
  const caps: Day[] = own !== undefined && asFilled ? [own] : [best, ...(own === undefined ? [] : [own])];
  if (b.openedDay && now !== "freezer") caps.push(addDays(b.openedDay, daysOpen(held(now), b.openedDay)));
  if (b.useBy) caps.push(b.useBy);
  return caps.sort()[0]!;
}
