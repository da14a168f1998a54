import { celsius } from "../quantity/carried";
import { counted } from "../words";
import { type Estimate, FOUR_IN_FIVE, estimate } from "../estimate";
import { type Fitted, type Known, fitOf, spreadOf } from "./fit";
import type { Pan } from "./pan";
import { vapourPa } from "./water";

/** How a pan stands while it cools. */
export const STANDS = ["lidded", "open", "draught", "iced", "fridge"] as const;
export type Stands = (typeof STANDS)[number];

/** From this minute on it stood like this. */
export interface StoodFrom {
  readonly minute: number;
  readonly as: Stands;
}

/** A temperature read: minute from any zero, °C, and how far the instrument may be out (one standard deviation). */
export interface Temperature {
  readonly minute: number;
  readonly celsius: number;
  readonly sd: number;
}

export interface Cooling {
  readonly pan: Pan;
  readonly stood: readonly StoodFrom[];
  readonly readings: readonly Temperature[];
  /** The kitchen, where somebody looked, °C; usual 21 ± 2.25. */
  readonly room?: { readonly celsius: number; readonly sd: number } | undefined;
}

/**
 * Heat lost through skin, W/m²K: still air, a draught, an iced sink stirred. Textbook values for natural convection and radiation from a dull pan,
 * ± 40 %; the fit finds what this pan is.
 */
const LOSES: Readonly<Record<Stands, number>> = { lidded: 14, open: 14, draught: 25, iced: 150, fridge: 14 };
/** What an iced sink and a fridge are, °C. */
const AROUND: Readonly<Partial<Record<Stands, number>>> = { iced: 1, fridge: 4 };
const STEAMS: ReadonlySet<Stands> = new Set<Stands>(["open", "draught"]);
/** W/m² of open surface for each W/m²K of the air's and Pa of vapour (Lewis’s analogy: heat and vapour leave by the same air). */
const LEWIS = 0.016;
/** Heat the air takes from an open surface, W/m²K; in a draught more. */
const STILL_AIR = 5;
const DRAUGHT_AIR = 9;
const HUMID = 0.5;

const USUAL_ROOM: Known = { mean: 21, sd: 2.25 };
/** ± a quarter for the middle two thirds of kitchen pans once the loss eases as it should: the logarithm’s standard deviation. */
const LOSS: Known = { mean: 0, sd: 0.14 };
/** The same, and what is not known of the room's damp. */
const STEAM: Known = { mean: 0, sd: 0.14 };
/**
 * How the loss falls with the difference, as a power of it: a quarter for natural convection on a wall, a third over a hot plate, near a quarter for
 * what shines by T⁴ between a pan and a room (heat-transfer textbooks); nothing where a draught or the base carries most of it away.
 */
const BEND: Known = { mean: 0.21, sd: 0.045 };
/** What no fit of five unknowns catches: a stir, a door, a pan moved; as a share of the time still to come. */
const UNSEEN = 0.013;

/** Unknowns in order: log of the loss, log of the steaming, the room, the temperature at the first reading, the power by which the loss eases. */
type Unknowns = readonly number[];

const airOf = (as: Stands): number => (as === "draught" ? DRAUGHT_AIR : STILL_AIR);

/** °C between pan and room at which the figures of loss hold. */
const AT_DIFFERENCE = 50;
/** Stirred or blown on, what takes the heat does not depend on how warm the pan still is. */
const FORCED: ReadonlySet<Stands> = new Set<Stands>(["iced", "draught"]);
/** How much less readily a cooler pan gives its heat to still air, as a share of what it gave at the difference the figures hold at. */
const eases = (difference: number, as: Stands, bend: number): number =>
  FORCED.has(as) ? 1 : Math.pow(Math.max(0.5, difference) / AT_DIFFERENCE, bend);

/** °C a minute it falls. */
function falls(celsius: number, as: Stands, [loss, steam, room, , bend]: Unknowns, pan: Pan): number {
  const around = AROUND[as] ?? room!;
  const still = eases(celsius - around, as, bend!);
  const watts = LOSES[as] * Math.exp(loss!) * still * pan.skin * (celsius - around);
  const vapour = STEAMS.has(as) ? vapourPa(celsius) - HUMID * vapourPa(around) : 0;
  const steaming = pan.surface * LEWIS * airOf(as) * Math.exp(steam!) * still * Math.max(0, vapour);
  return (60 * (watts + steaming)) / pan.heat;
}

/** As it stood at a minute; before anything was said, under its lid. */
function standsAt(stood: readonly StoodFrom[], minute: number): Stands {
  let as: Stands = "lidded";
  for (const s of stood) if (s.minute <= minute + 1e-9) as = s.as;
  return as;
}

/** Longest step of the integration, minutes; an iced pan wants shorter ones. */
const stepOf = (as: Stands): number => (as === "iced" ? 0.25 : 1);

/** One step by the midpoint. */
function after(celsius: number, minutes: number, as: Stands, x: Unknowns, pan: Pan): number {
  const half = celsius - (minutes / 2) * falls(celsius, as, x, pan);
  return celsius - minutes * falls(half, as, x, pan);
}

/** °C at each minute asked for, from the first on; minutes rise. */
function course(c: Cooling, x: Unknowns, minutes: readonly number[]): number[] {
  let at = minutes[0] ?? 0;
  let celsius = x[3]!;
  const changes = c.stood.map((s) => s.minute);
  return minutes.map((m) => {
    while (at < m - 1e-9) {
      const as = standsAt(c.stood, at);
      const change = changes.find((t) => t > at + 1e-9) ?? Infinity;
      const step = Math.min(stepOf(as), m - at, change - at);
      celsius = after(celsius, step, as, x, c.pan);
      at += step;
    }
    return celsius;
  });
}

/** Never longer than this ahead, minutes. */
const FAR = 36 * 60;

/** Minutes from one on until it is at a temperature; nothing within a day and a half. */
function until(
  celsius: number,
  from: number,
  target: number,
  as: Stands,
  x: Unknowns,
  pan: Pan,
): number | undefined {
  let t = from;
  let is = celsius;
  const step = stepOf(as) * 2;
  while (t - from < FAR) {
    if (is <= target) return t;
    const next = after(is, step, as, x, pan);
    if (next <= target) return t + (step * (is - target)) / (is - next);
    is = next;
    t += step;
  }
  return undefined;
}

/** What cooling was learned from what was read. */
export interface Learned {
  readonly cooling: Cooling;
  readonly fitted: Fitted;
  readonly known: readonly Known[];
  /** The last minute anything was read. */
  readonly last: number;
}

/** °C it starts from where nothing was read yet. */
export function learn(c: Cooling, startsAt = 98): Learned {
  const readings = [...c.readings].sort((a, b) => a.minute - b.minute);
  const first = readings[0];
  const room = c.room ? { mean: c.room.celsius, sd: c.room.sd } : USUAL_ROOM;
  const start = first ? { mean: first.celsius, sd: Math.max(3, 3 * first.sd) } : { mean: startsAt, sd: 2 };
  const known = [LOSS, STEAM, room, start, BEND];
  const minutes = readings.map((r) => r.minute);
  const cooling = { ...c, readings };
  const fitted = fitOf(
    known,
    readings.map((r) => ({ value: r.celsius, sd: r.sd })),
    (x) => course(cooling, x, minutes),
  );
  return { cooling, fitted, known, last: readings.at(-1)?.minute ?? 0 };
}

/** When it will be so cool, in minutes on the clock of its readings; or that it will not get there by itself. */
export type Reaches =
  | { readonly comes: true; readonly minute: Estimate }
  | { readonly comes: false; readonly room: number; readonly because: string };

/** So near the room, °C, that the last of it takes hours and hangs on the room alone. */
const TOO_NEAR = 8;

const timeTo = (l: Learned, x: Unknowns, target: number, as: Stands, now: number): number | undefined => {
  const minutes = [...l.cooling.readings.map((r) => r.minute), now].filter(
    (m, i, a) => i === 0 || m >= a[i - 1]!,
  );
  const is = course(l.cooling, x, [minutes[0]!, Math.max(now, minutes[0]!)]).at(-1)!;
  return until(is, Math.max(now, minutes[0]!), target, as, x, l.cooling.pan);
};

/**
 * When a pan reaches a temperature, standing on as it does now or otherwise.
 * @param now minute on the readings' clock
 */
export function reaches(
  l: Learned,
  target: number,
  now: number,
  as = standsAt(l.cooling.stood, now),
): Reaches {
  const room = AROUND[as] ?? l.fitted.at[2]!;
  const near = as === "iced" || as === "fridge" ? 1 : TOO_NEAR;
  const at = timeTo(l, l.fitted.at, target, as, now);
  if (target < room + near || at === undefined)
    return {
      comes: false,
      room,
      because: `${celsius(target)} is too near the ${celsius(room)} round it`,
    };
  const left = Math.max(0, at - now);
  if (left === 0) return { comes: true, minute: estimate(now, now, now, ["it is there"]) };
  const far = at + FAR;
  const sd = Math.hypot(
    spreadOf(l.fitted, (x) => timeTo(l, x, target, as, now) ?? far, l.known),
    UNSEEN * left,
  );
  // Time left is never less than none: its spread is taken in proportion.
  const by = Math.exp((FOUR_IN_FIVE * sd) / left);
  const n = l.cooling.readings.length;
  const because = [
    n === 0 ? "nothing read yet: by the pan’s size alone" : `from ${counted(n, "reading")} of this pan`,
  ];
  return { comes: true, minute: estimate(at, now + left / by, now + left * by, because) };
}

/** °C now and on, for a drawing: minute and temperature, with the band that holds four in five. */
export interface Ahead {
  readonly minute: number;
  readonly celsius: number;
  readonly low: number;
  readonly high: number;
}

/** The course ahead, every so many minutes. */
export function ahead(l: Learned, now: number, to: number, every: number): Ahead[] {
  const out: Ahead[] = [];
  const first = l.cooling.readings[0]?.minute ?? now;
  for (let m = now; m <= to + 1e-9; m += every) {
    const at = (x: Unknowns): number => course(l.cooling, x, [first, Math.max(first, m)]).at(-1)!;
    const celsius = at(l.fitted.at);
    const half = FOUR_IN_FIVE * spreadOf(l.fitted, at, l.known);
    out.push({ minute: m, celsius, low: celsius - half, high: celsius + half });
  }
  return out;
}
