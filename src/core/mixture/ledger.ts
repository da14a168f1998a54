import { M_ACETIC, phOf, titratableMol, undissociatedShare } from "./acidity";
import { activityOf } from "./activity";
import { ETHANOL_DENSITY } from "./alcohol";
import { ACETIC, ALKALINITY, COLUMNS, DI, ETHANOL, GLYCEROL, INSOLUBLE, MASSES, MONO, SALT, WATER, type Mixture, massOf } from "./components";
import { volumeOf } from "./volume";

/**
 * The one ledger: what goes in by weight, and what each step does to it. Grams and millilitres at 20 °C.
 * A step moves mass between liquid, plants, marc and steam and never makes any.
 */
export interface Entry {
  /** Shares of one gram. */
  readonly composition: Mixture;
  readonly grams: number;
  /** Set where the maker measures against the liquid in the jug: then it follows that volume, g per mL. */
  readonly perMl?: number;
  readonly plant: boolean;
  /** Share of solubles that passes into the liquid in a full steep. */
  readonly extraction: number;
  /** mL kept back per g dry matter, by wringing. */
  readonly retention: { readonly drained: number; readonly wrung: number; readonly pressed: number };
}

export type Operation =
  | { readonly op: "add"; readonly entry: number }
  /** Plant water and solubles pass into the liquid. */
  | { readonly op: "soak" }
  /** Boils away this many g of water (with its share of acetic acid; alcohol goes first). */
  | { readonly op: "boil-off"; readonly grams: number }
  /** Boils down to a volume in mL, or to a share of what is there. */
  | { readonly op: "reduce"; readonly toMl?: number; readonly toShare?: number }
  | { readonly op: "strain"; readonly how: "drained" | "wrung" | "pressed"; readonly measuredMl?: number };

export interface Account {
  /** What is liquid now. */
  readonly liquid: Mixture;
  /** Plant matter standing in it, after what it gave up. */
  readonly plants: Mixture;
  /** Plant matter not yet soaked. */
  readonly dryEntries: number[];
  /** mL the standing plants would keep back. */
  kept: { drained: number; wrung: number; pressed: number };
  readonly marc: Mixture;
  steamG: number;
  inG: number;
}

/** What the uncertainty pass moves: one entry's mass or water, or one law of the kitchen. */
export type Moved = { readonly entry: number; readonly mass?: number; readonly water?: number } | { readonly law: "retention" | "extraction" | "alkalinity" | "boiling" | "measured"; readonly by: number };

const zero = (m: Mixture): void => void m.fill(0);

const account: Account = { liquid: new Float64Array(COLUMNS), plants: new Float64Array(COLUMNS), dryEntries: [], kept: { drained: 0, wrung: 0, pressed: 0 }, marc: new Float64Array(COLUMNS), steamG: 0, inG: 0 };
const jar: Mixture = new Float64Array(COLUMNS);
const strained: Mixture = new Float64Array(COLUMNS);

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

export interface Run {
  /** Liquid before the first straining, with the plants in it. */
  readonly jar: Mixture;
  readonly jarSolids: Mixture;
  /** Liquid as it left the cloth the last time; equals `finished` where nothing is strained. */
  readonly strained: Mixture;
  readonly strainedMl: number;
  readonly account: Account;
  /** Whether plant matter still stands in it at the end. */
  readonly solidsLeft: boolean;
  /** The strained liquid has the jar's composition, and the finished one the strained's: only the amount differs. */
  readonly strainedAsJar: boolean;
  readonly finishedAsStrained: boolean;
}

const jarSolids: Mixture = new Float64Array(COLUMNS);

/**
 * Runs the operations over the entries, with at most one thing moved. The returned mixtures are scratch: read them before the next run.
 */
export function run(entries: readonly Entry[], operations: readonly Operation[], moved?: Moved): Run {
  const a = account;
  zero(a.liquid);
  zero(a.plants);
  zero(a.marc);
  zero(jar);
  zero(jarSolids);
  a.dryEntries.length = 0;
  a.kept.drained = a.kept.wrung = a.kept.pressed = 0;
  a.steamG = 0;
  a.inG = 0;
  let sawJar = false;
  let strainedMl = -1;
  // Whether anything but straining happened since the jar, and since the last straining.
  let sinceJar = false;
  let sinceStrain = false;
  let strainedAsJar = false;
  const entryMoved = moved && "entry" in moved ? moved : undefined;
  const law = moved && "law" in moved ? moved : undefined;
  const extract = law?.law === "extraction" ? 1 + law.by : 1;
  const keepBack = law?.law === "retention" ? 1 + law.by : 1;
  const bases = law?.law === "alkalinity" ? 1 + law.by : 1;
  const boiling = law?.law === "boiling" ? 1 + law.by : 1;
  const cup = law?.law === "measured" ? 1 + law.by : 1;

  for (const o of operations) {
    if (o.op !== "strain" && (o.op !== "soak" || a.dryEntries.length > 0)) sinceJar = sinceStrain = true;
    switch (o.op) {
      case "add": {
        const e = entries[o.entry]!;
        const mine = entryMoved?.entry === o.entry ? entryMoved : undefined;
        const g = (e.perMl === undefined ? e.grams : e.perMl * volumeOf(a.liquid)) * (1 + (mine?.mass ?? 0));
        a.inG += g;
        if (e.plant) {
          a.dryEntries.push(o.entry);
        } else {
          const dw = mine?.water ?? 0;
          const c = e.composition;
          const rest = dw === 0 ? 1 : (1 - c[WATER]! - dw) / (1 - c[WATER]!);
          for (let i = 1; i < MASSES; i++) a.liquid[i] = a.liquid[i]! + c[i]! * g * rest;
          a.liquid[WATER] = a.liquid[WATER]! + (c[WATER]! + dw) * g;
          a.liquid[ALKALINITY] = a.liquid[ALKALINITY]! + c[ALKALINITY]! * g;
        }
        break;
      }
      case "soak": {
        for (const i of a.dryEntries) {
          const e = entries[i]!;
          const mine = entryMoved?.entry === i ? entryMoved : undefined;
          const g = e.grams * (1 + (mine?.mass ?? 0));
          const c = e.composition;
          const w = Math.min(0.98, c[WATER]! + (mine?.water ?? 0));
          const rest = (1 - w) / (1 - c[WATER]!);
          const out = Math.min(1, e.extraction * extract);
          const dry = g * (1 - w);
          a.liquid[WATER] = a.liquid[WATER]! + w * g;
          for (let k = 1; k < INSOLUBLE; k++) {
            const x = c[k]! * g * rest;
            a.liquid[k] = a.liquid[k]! + x * out;
            a.plants[k] = a.plants[k]! + x * (1 - out);
          }
          a.plants[INSOLUBLE] = a.plants[INSOLUBLE]! + c[INSOLUBLE]! * g * rest;
          // Bases come out with the acids they are bound to.
          a.liquid[ALKALINITY] = a.liquid[ALKALINITY]! + c[ALKALINITY]! * g * rest * out * bases;
          a.kept.drained += dry * e.retention.drained;
          a.kept.wrung += dry * e.retention.wrung;
          a.kept.pressed += dry * e.retention.pressed;
        }
        a.dryEntries.length = 0;
        // Whatever is poured in before the cloth belongs to the working jar.
        if (strainedMl < 0) {
          sawJar = true;
          sinceJar = false;
          jar.set(a.liquid);
          jarSolids.set(a.plants);
        }
        break;
      }
      case "boil-off":
        boilOff(a, o.grams * boiling);
        break;
      case "reduce": {
        const v = volumeOf(a.liquid);
        const target = (o.toMl ?? v * o.toShare!) * (o.toMl === undefined ? 2 - boiling : cup);
        // Water's own volume is nearly additive; two passes settle the rest.
        for (let k = 0; k < 3; k++) boilOff(a, Math.max(0, volumeOf(a.liquid) - target) * 0.998);
        break;
      }
      case "strain": {
        const v = volumeOf(a.liquid);
        const kept = o.measuredMl === undefined ? Math.min(0.9 * v, a.kept[o.how] * keepBack) : Math.max(0, v - o.measuredMl * cup);
        const share = v > 0 ? kept / v : 0;
        for (let k = 0; k < COLUMNS; k++) {
          const x = a.liquid[k]! * share;
          a.marc[k] = a.marc[k]! + a.plants[k]! + x;
          a.liquid[k] = a.liquid[k]! - x;
          a.plants[k] = 0;
        }
        a.kept.drained = a.kept.wrung = a.kept.pressed = 0;
        strained.set(a.liquid);
        strainedMl = volumeOf(strained);
        strainedAsJar = !sinceJar;
        sinceStrain = false;
        break;
      }
    }
  }
  if (!sawJar) jar.set(a.liquid);
  const solidsLeft = a.dryEntries.length > 0 || massOf(a.plants) > 1e-9;
  if (strainedMl < 0) {
    strained.set(a.liquid);
    strainedMl = volumeOf(a.liquid);
    strainedAsJar = !sinceJar;
    sinceStrain = false;
  }
  return { jar, jarSolids, strained, strainedMl, account: a, solidsLeft, strainedAsJar, finishedAsStrained: !sinceStrain };
}

/** Figures of a liquid, in the order of `FIGURES`. */
export const FIGURES = ["ml", "g", "brix", "mono", "di", "acetic", "acid", "ph", "index", "aw", "abv", "delle", "water", "glycerol", "sugar100", "ethanolG"] as const;
export type FigureName = (typeof FIGURES)[number];
export const FIGURE_UNITS: Readonly<Record<FigureName, string>> = {
  ml: "mL", g: "g", brix: "°Bx", mono: "% w/w", di: "% w/w", acetic: "% w/v, titratable, acetic acid alone", acid: "% w/v, titratable, as acetic", ph: "pH", index: "acid–sugar index", aw: "water activity", abv: "% vol", delle: "Delle number", water: "% w/w", glycerol: "% w/w", sugar100: "g/100 mL", ethanolG: "g",
};

/** Writes the figures of a liquid that has another's composition: those of amount from it, the rest from the other's, written at `like`. */
export function sameFiguresInto(m: Mixture, into: Float64Array, at: number, like: number): void {
  into.copyWithin(at, like, like + FIGURES.length);
  into[at + 1] = massOf(m);
  const share = into[like + 1]! > 0 ? into[at + 1]! / into[like + 1]! : 0;
  into[at] = into[like]! * share;
  into[at + 15] = into[like + 15]! * share;
}

/** Writes the figures of a liquid into `into` from `at`. */
export function figuresInto(m: Mixture, into: Float64Array, at: number, nearPh?: number): void {
  const g = massOf(m);
  const ml = volumeOf(m);
  if (!(g > 1e-9) || !(ml > 1e-9)) {
    into.fill(0, at, at + FIGURES.length);
    into[at + 7] = 7;
    into[at + 9] = 1;
    return;
  }
  const sugars = m[MONO]! + m[DI]!;
  // °Bx counts the liquid alone; solids left standing in it are no part of it.
  const liquidG = g - m[INSOLUBLE]!;
  const freeMol = Math.max(0, titratableMol(m));
  const acid = (100 * freeMol * M_ACETIC) / ml;
  // Of the acetic acid, only what every base in the liquid has left over: cautious, since fruit acids serve some of them.
  const acetic = Math.max(0, Math.min((100 * (m[ACETIC]! - (m[ALKALINITY]! * M_ACETIC) / 1000)) / ml, acid));
  const ph = phOf(m, ml, nearPh);
  const monoShare = (100 * m[MONO]!) / g;
  const diShare = (100 * m[DI]!) / g;
  const abv = (100 * m[ETHANOL]!) / ETHANOL_DENSITY / ml;
  const sugar100 = (100 * sugars) / ml;
  into[at] = ml;
  into[at + 1] = g;
  into[at + 2] = (100 * sugars) / liquidG;
  into[at + 3] = monoShare;
  into[at + 4] = diShare;
  into[at + 5] = acetic;
  into[at + 6] = acid;
  into[at + 7] = ph;
  into[at + 8] = 15.75 * ((100 * m[ACETIC]! * undissociatedShare(ph)) / g) + monoShare + 0.5 * diShare + (3.08 * 100 * m[SALT]!) / g;
  into[at + 9] = activityOf(m);
  into[at + 10] = abv;
  into[at + 11] = sugar100 + 4.5 * abv;
  into[at + 12] = (100 * m[WATER]!) / g;
  into[at + 13] = (100 * m[GLYCEROL]!) / g;
  into[at + 14] = sugar100;
  into[at + 15] = m[ETHANOL]!;
}
