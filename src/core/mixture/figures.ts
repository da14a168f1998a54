import { M_ACETIC, phOf, titratableMol, undissociatedShare } from "./acidity";
import { activityOf, drynessOf } from "./activity";
import { ETHANOL_DENSITY } from "./alcohol";
import {
  ACETIC,
  ALKALINITY,
  DI,
  ETHANOL,
  GLYCEROL,
  INSOLUBLE,
  type Mixture,
  MONO,
  SALT,
  WATER,
  massOf,
} from "./components";
import { volumeOf } from "./volume";

/** Figures of a liquid, in the order of `FIGURES`. */
export const FIGURES = [
  "ml",
  "g",
  "brix",
  "mono",
  "di",
  "acetic",
  "acid",
  "ph",
  "index",
  "aw",
  "abv",
  "delle",
  "water",
  "glycerol",
  "sugar100",
  "ethanolG",
  "dryness",
] as const;
export type FigureName = (typeof FIGURES)[number];
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
    into[at + 16] = 1;
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
  into[at + 2] = liquidG > 0 ? (100 * sugars) / liquidG : 0;
  into[at + 3] = monoShare;
  into[at + 4] = diShare;
  into[at + 5] = acetic;
  into[at + 6] = acid;
  into[at + 7] = ph;
  into[at + 8] =
    15.75 * ((100 * m[ACETIC]! * undissociatedShare(ph)) / g) +
    monoShare +
    0.5 * diShare +
    (3.08 * 100 * m[SALT]!) / g;
  into[at + 9] = activityOf(m);
  into[at + 10] = abv;
  into[at + 11] = sugar100 + 4.5 * abv;
  into[at + 12] = (100 * m[WATER]!) / g;
  into[at + 13] = (100 * m[GLYCEROL]!) / g;
  into[at + 14] = sugar100;
  into[at + 15] = m[ETHANOL]!;
  into[at + 16] = m[GLYCEROL]! > 0 ? drynessOf(m) : into[at + 9]!;
}
