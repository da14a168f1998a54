import {
  ACETIC,
  ALKALINITY,
  CITRIC,
  COLUMNS,
  ETHANOL,
  INSOLUBLE,
  MALIC,
  MASSES,
  type Mixture,
  WATER,
  massOf,
  nothing,
} from "./components";
import type { Account, Entry, Moved, Operation, Run } from "./entry";
import { volumeOf } from "./volume";

/** How far a loss that was said may be off, as a share of how far one by the clock may be. */
export const SAID_SHARE = 1 / 8;

/** The state of a run: everything the operations change, scratch between runs. */
interface State {
  readonly a: Account;
  readonly jar: Mixture;
  readonly strained: Mixture;
  sawJar: boolean;
  hasStrained: boolean;
  /** Whether anything but straining happened since the jar, and since the last straining. */
  sinceJar: boolean;
  sinceStrain: boolean;
  strainedAsJar: boolean;
}
export const blank = (): State => ({
  a: {
    liquid: nothing(),
    plants: nothing(),
    marc: nothing(),
    dry: [],
    kept: { drained: 0, wrung: 0, pressed: 0 },
    steamG: 0,
    inG: 0,
    plainMl: 0,
  },
  jar: nothing(),
  strained: nothing(),
  sawJar: false,
  hasStrained: false,
  sinceJar: false,
  sinceStrain: false,
  strainedAsJar: false,
});
export const scratch = blank();

export function copy(from: State, to: State): void {
  to.a.liquid.set(from.a.liquid);
  to.a.plants.set(from.a.plants);
  to.a.marc.set(from.a.marc);
  to.a.dry.length = 0;
  for (const i of from.a.dry) to.a.dry.push(i);
  to.a.kept.drained = from.a.kept.drained;
  to.a.kept.wrung = from.a.kept.wrung;
  to.a.kept.pressed = from.a.kept.pressed;
  to.a.steamG = from.a.steamG;
  to.a.inG = from.a.inG;
  to.a.plainMl = from.a.plainMl;
  to.jar.set(from.jar);
  to.strained.set(from.strained);
  to.sawJar = from.sawJar;
  to.hasStrained = from.hasStrained;
  to.sinceJar = from.sinceJar;
  to.sinceStrain = from.sinceStrain;
  to.strainedAsJar = from.strainedAsJar;
}

const EMPTY = blank();

/** The laws as a run follows them, one of them moved perhaps. */
interface Laws {
  readonly extraction: number;
  readonly retention: number;
  readonly alkalinity: number;
  readonly boiling: number;
  readonly mark: number;
  readonly measured: number;
}
export const AS_IT_IS: Laws = {
  extraction: 1,
  retention: 1,
  alkalinity: 1,
  boiling: 1,
  mark: 1,
  measured: 1,
};

const WETTEST = 0.98;
/** Share of dry matter that does not dissolve, of the plants retention was weighed with. */
const USUALLY_STAYS = 0.5;

/** What is moved of one entry's composition: its water (absolute), its acids (relative). */
export interface Shift {
  readonly water: number;
  readonly acids: number;
}
export const UNMOVED: Shift = { water: 0, acids: 0 };
export const shiftOf = (m: EntryMoved | undefined): Shift =>
  m?.water === undefined && m?.acids === undefined ? UNMOVED : { water: m.water ?? 0, acids: m.acids ?? 0 };

/** A composition with its acids moved; what they gain or lose the water gives, so that no mass is made. */
function withAcids(c: Mixture, by: number): Mixture {
  const m = Float64Array.from(c);
  for (const k of [ACETIC, CITRIC, MALIC]) {
    const more = Math.min(m[k]! * by, m[WATER]!);
    m[k] = m[k]! + more;
    m[WATER] = m[WATER]! - more;
  }
  return m;
}

/** Adds `sign` times what an entry brings when poured or soaked: liquid, standing plant, what it would keep back, mass in. */
export function contribute(
  a: Account,
  e: Entry,
  grams: number,
  { water, acids }: Shift,
  laws: Laws,
  sign: 1 | -1,
): void {
  const c = acids === 0 ? e.composition : withAcids(e.composition, acids);
  // However wet a plant may be, moved it keeps some dry matter; unmoved it is what it is.
  const w = e.plant && water !== 0 ? Math.min(WETTEST, c[WATER]! + water) : c[WATER]! + water;
  const rest = water === 0 ? 1 : (1 - w) / (1 - c[WATER]!);
  const g = sign * grams;
  const out = e.plant ? Math.min(1, e.extraction * laws.extraction) : 1;
  a.inG += g;
  a.liquid[WATER] = a.liquid[WATER]! + w * g;
  for (let k = 1; k < MASSES; k++) {
    const x = c[k]! * g * rest;
    const passes = e.plant && k === INSOLUBLE ? 0 : out;
    a.liquid[k] = a.liquid[k]! + x * passes;
    a.plants[k] = a.plants[k]! + x * (1 - passes);
  }
  // Bases come out with the acids they are bound to.
  const bases = e.plant ? rest * out * laws.alkalinity : 1;
  a.liquid[ALKALINITY] = a.liquid[ALKALINITY]! + c[ALKALINITY]! * g * bases;
  if (!e.plant) return;
  // What dissolves holds nothing back: retention goes by what stays, against a plant of which half does.
  const stays = Math.min(1, c[INSOLUBLE]! / Math.max(1e-9, (1 - c[WATER]!) * USUALLY_STAYS));
  const dry = g * (1 - w) * stays;
  a.kept.drained += dry * e.retention.drained;
  a.kept.wrung += dry * e.retention.wrung;
  a.kept.pressed += dry * e.retention.pressed;
}

/** Moves grams of water and, in proportion, acetic acid out of a liquid, so that a simmered vinegar is never credited with more strength than it began with. */
function boilOff(a: Account, grams: number): void {
  const m = a.liquid;
  let left = Math.max(0, grams);
  const spirit = Math.min(left, m[ETHANOL]!);
  m[ETHANOL] = m[ETHANOL]! - spirit;
  left -= spirit;
  // Never boil dry: a tenth of the water stays.
  const pool = m[WATER]! + m[ACETIC]!;
  const gone = Math.min(left, 0.9 * pool);
  if (gone > 0) {
    const keep = 1 - gone / pool;
    m[WATER] = m[WATER]! * keep;
    m[ACETIC] = m[ACETIC]! * keep;
  }
  a.steamG += spirit + Math.max(0, gone);
}

function reduce(a: Account, o: Extract<Operation, { op: "reduce" }>, laws: Laws): void {
  const v = volumeOf(a.liquid);
  const target = o.toMl === undefined ? v * o.toShare! * laws.mark : o.toMl * laws.measured;
  // Water's own volume is nearly additive; two passes settle the rest.
  for (let k = 0; k < 3; k++) boilOff(a, Math.max(0, volumeOf(a.liquid) - target) * 0.998);
}

function strain(s: State, o: Extract<Operation, { op: "strain" }>, laws: Laws): void {
  const { a } = s;
  const v = volumeOf(a.liquid);
  const kept =
    o.measuredMl === undefined
      ? Math.min(0.9 * v, a.kept[o.how] * laws.retention)
      : Math.max(0, v - o.measuredMl * laws.measured);
  const share = v > 0 ? kept / v : 0;
  for (let k = 0; k < COLUMNS; k++) {
    const x = a.liquid[k]! * share;
    a.marc[k] = a.marc[k]! + a.plants[k]! + x;
    a.liquid[k] = a.liquid[k]! - x;
    a.plants[k] = 0;
  }
  a.kept.drained = a.kept.wrung = a.kept.pressed = 0;
  s.strained.set(a.liquid);
  s.hasStrained = true;
  s.strainedAsJar = !s.sinceJar;
  s.sinceStrain = false;
}

/** Whatever is poured in before the cloth belongs to the working jar. */
export function seeJar(s: State): void {
  if (s.hasStrained) return;
  s.sawJar = true;
  s.sinceJar = false;
  s.jar.set(s.a.liquid);
}

export type EntryMoved = Extract<Moved, { entry: number }>;

/** One operation upon the state. `mine` tells the entry that is moved in this run. */
export function operate(
  s: State,
  o: Operation,
  entries: readonly Entry[],
  laws: Laws,
  mine: EntryMoved | undefined,
): void {
  const { a } = s;
  const soaked = o.op === "soak" && (a.dry.length > 0 || !s.hasStrained);
  if (o.op !== "strain" && (o.op !== "soak" || a.dry.length > 0)) s.sinceJar = s.sinceStrain = true;
  switch (o.op) {
    case "add": {
      const e = entries[o.entry]!;
      if (e.plant) {
        a.dry.push(o.entry);
        break;
      }
      const is = mine?.entry === o.entry ? mine : undefined;
      const of = is?.as ?? e;
      const grams = e.perMl === undefined ? of.grams : e.perMl * (a.plainMl || volumeOf(a.liquid));
      contribute(a, of, grams * (1 + (is?.mass ?? 0)), shiftOf(is), laws, 1);
      break;
    }
    case "soak":
      for (const i of a.dry) {
        const is = mine?.entry === i ? mine : undefined;
        const of = is?.as ?? entries[i]!;
        contribute(a, of, of.grams * (1 + (is?.mass ?? 0)), shiftOf(is), laws, 1);
      }
      a.dry.length = 0;
      seeJar(s);
      break;
    case "boil-off":
      // What somebody said boiled off is known an eighth as badly as what a clock makes of it.
      boilOff(a, o.grams * (o.said ? 1 + (laws.boiling - 1) * SAID_SHARE : laws.boiling));
      break;
    case "reduce":
      reduce(a, o, laws);
      break;
    case "strain":
      strain(s, o, laws);
      break;
  }
  if (o.op !== "add" && (o.op !== "soak" || soaked)) a.plainMl = volumeOf(a.liquid);
}

export function finished(s: State): Run {
  const { a } = s;
  if (!s.sawJar) s.jar.set(a.liquid);
  const solidsLeft = a.dry.length > 0 || massOf(a.plants) > 1e-9;
  if (!s.hasStrained) {
    s.strained.set(a.liquid);
    s.strainedAsJar = !s.sinceJar;
    s.sinceStrain = false;
  }
  // Read before the next run: the mixtures are scratch, these are not.
  return {
    jar: s.jar,
    strained: s.strained,
    account: a,
    solidsLeft,
    strainedAsJar: s.strainedAsJar,
    finishedAsStrained: !s.sinceStrain,
  };
}

export const lawsWith = (moved: Moved | undefined): Laws =>
  moved && "law" in moved ? { ...AS_IT_IS, [moved.law]: 1 + moved.by } : AS_IT_IS;

/**
 * Runs the operations over the entries, with at most one thing moved.
 * The returned mixtures are scratch: read them before the next run.
 */
export function run(entries: readonly Entry[], operations: readonly Operation[], moved?: Moved): Run {
  copy(EMPTY, scratch);
  const laws = lawsWith(moved);
  const mine = moved && "entry" in moved ? moved : undefined;
  for (const o of operations) operate(scratch, o, entries, laws, mine);
  return finished(scratch);
}
