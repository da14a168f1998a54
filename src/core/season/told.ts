import { type Weekday, isAway, weekdayOf, type Away } from "../care/weeks";
import { type Day, addDays, daysBetween } from "../day";
import type { Kind } from "../plan/plan";
import type { Unsure } from "./replay";
import type { Profile } from "../vessel/profile";
import { type Months, type Terms, WEIGHT, type Wish, useOn } from "./wish";
import type { KeptStart } from "./events";
import type { Lot, Making, PlanVessel, Start, Wanted, Year } from "./year";

/*
 * What a page is told of a household's season, as plain values that go over a wire; and the year that is planned from it, with what is supposed.
 */

export interface ToldRemedy {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  /** Nothing where it was only ever poured. */
  readonly wish: Wish | undefined;
  readonly learned:
    { readonly perDay: readonly number[]; readonly year: number; readonly run: number } | undefined;
  readonly stock: readonly Lot[];
  readonly making: (Omit<Making, "herbs"> & { readonly herbs: readonly boolean[] }) | undefined;
  /** What it is begun from on the Bench. */
  readonly from: { readonly recipe: string } | { readonly batch: string } | undefined;
  /** Fresh plants it wants, and when they are had here. */
  readonly picks: readonly FreshPlant[];
}
export interface FreshPlant {
  readonly material: string;
  readonly name: string;
  /** By the household's own word, or else the book's; the whole year where neither says. */
  readonly months: Months;
  /** What the book says, where it says anything. */
  readonly book: Months | undefined;
}

export interface ToldVessel extends PlanVessel {
  /** What stands on its side. */
  readonly size: string;
  readonly name: string;
  readonly profile: Profile;
}

/** A batch that stands in a vessel now. */
export interface ToldWorking {
  readonly id: string;
  readonly code: string;
  readonly kind: Kind;
  readonly name: string;
  readonly vessel: string | undefined;
  readonly begun: number;
  readonly earliest: number;
  readonly strain: number;
  readonly latest: number;
}

export interface Told {
  readonly today: Day;
  readonly days: number;
  readonly south: boolean;
  readonly remedies: readonly ToldRemedy[];
  readonly vessels: readonly ToldVessel[];
  readonly working: readonly ToldWorking[];
  readonly terms: Terms;
  readonly strainDays: readonly Weekday[];
  readonly away: readonly Away[];
  /** How many live here. */
  readonly people: number;
}

/** What is supposed, beside what is so. */
export interface WhatIf {
  readonly people?: number | undefined;
  /** Gifts on each of the days there are some. */
  readonly gifts?: number | undefined;
  readonly away?: Away | undefined;
}

/** How far what is said of use may lie from what is: ours, since nobody counts spoons. */
const AS_SAID = { year: 0.15, run: 0.3 };
/** A standard normal number under which four in five lie. */
const FOUR_IN_FIVE = 0.8416;
/** Runs that even each other out over what is planned ahead. */
const RUNS_AHEAD = 3;

interface Needed {
  readonly perDay: Float64Array;
  readonly unsure: Unsure;
}

/** mL of each day at the use that four years in five stay under, and how unsure that is. */
function needOf(r: ToldRemedy, days: readonly Day[], home: (day: Day) => boolean, people: number): Needed {
  const uses = r.wish?.uses ?? [];
  const said = uses.length > 0;
  const learned = said || r.wish?.learned === false ? undefined : r.learned;
  const mean = Float64Array.from(days, (d, t) => {
    if (!home(d)) return 0;
    const month = Number(d.slice(5, 7));
    return people * (said ? uses.reduce((ml, u) => ml + useOn(u, month), 0) : (learned?.perDay[t] ?? 0));
  });
  const { year, run } = said ? AS_SAID : (learned ?? { year: 0, run: 0 });
  const factor = 1 + FOUR_IN_FIVE * Math.sqrt(year ** 2 + run ** 2 / RUNS_AHEAD);
  return { perDay: mean.map((ml) => ml * factor), unsure: { mean: 1 / factor, year, run } };
}

/** The days of a told year, one after the other. */
export const daysOf = ({ today, days }: Pick<Told, "today" | "days">): Day[] =>
  Array.from({ length: days }, (_, n) => addDays(today, n));

export interface Planned {
  readonly year: Year;
  readonly unsure: readonly Unsure[];
}

/** The year that is planned. */
export function yearOf(told: Told, { people, gifts, away }: WhatIf = {}): Planned {
  const days = daysOf(told);
  const months = days.map((d) => Number(d.slice(5, 7)));
  const times = { strainDays: [], away: away ? [...told.away, away] : told.away };
  const home = days.map((d) => !isAway(d, times));
  const on = (weekdays: readonly Weekday[]): Uint8Array =>
    Uint8Array.from(days, (d, n) =>
      Number(home[n] && (weekdays.length === 0 || weekdays.includes(weekdayOf(d)))),
    );
  const isHome = (d: Day): boolean => home[daysBetween(told.today, d)]!;
  const more = people === undefined ? 1 : people / Math.max(1, told.people);
  const needs = told.remedies.map((r) => needOf(r, days, isHome, more));
  const wanted = told.remedies.map((r, i): Wanted => {
    const { making } = r;
    return {
      id: r.id,
      never: r.wish?.never ?? false,
      weight: WEIGHT[r.wish?.counts ?? "some"],
      need: needs[i]!.perDay,
      gifts: (r.wish?.gifts ?? [])
        .map((g) => ({ day: daysBetween(told.today, g.day), ml: (gifts ?? g.count) * g.ml }))
        .filter((g) => g.day >= 0 && g.day < told.days),
      stock: r.stock,
      making: making && { ...making, herbs: Uint8Array.from(months, (m) => Number(making.herbs[m - 1])) },
    };
  });
  return {
    year: {
      ...{ days: told.days, wanted, vessels: told.vessels },
      room: { fridge: told.terms.fridgeL * 1000, freezer: told.terms.freezerL * 1000 },
      hours: { week: told.terms.hoursWeek, day: Math.min(told.terms.hoursDay, told.terms.hoursWeek) },
      begins: on(told.terms.begins),
      strains: on(told.strainDays),
    },
    unsure: needs.map((n) => n.unsure),
  };
}

/** Starts of a plan that is kept, as they lie in the year; those that are past are no starts any more. */
export const startsOf = (kept: readonly KeptStart[], told: Pick<Told, "today">): Start[] =>
  kept.flatMap((k) => {
    const day = daysBetween(told.today, k.day);
    if (day < 0) return [];
    const { id, wish, vessel, fill, pinned } = k;
    const strain = daysBetween(told.today, k.strain);
    return [{ id, remedy: wish, vessel, fill, day, strain, in: k.in, ...(pinned ? { pinned } : {}) }];
  });

/** The same, as they are kept. */
export const keptOf = (starts: readonly Start[], told: Told): KeptStart[] =>
  starts.map((s) => ({
    ...{ id: s.id, wish: s.remedy, vessel: s.vessel, fill: s.fill, in: s.in, pinned: s.pinned === true },
    remedy: told.remedies.find((r) => r.id === s.remedy)?.name ?? s.remedy,
    day: addDays(told.today, s.day),
    strain: addDays(told.today, s.strain),
  }));
