import { ml as carriedMl } from "../quantity/carried";
import { type Fault, fault } from "../fault";
import { oursId } from "../journal/ours";
import type { Program } from "../reckoning/program";
import type { BottleNow } from "./bottle";

/** mL that a making pours out of the bottles of one batch of ours, and the line that says so. */
export interface Pour {
  readonly batch: string;
  readonly ml: number;
  readonly line: string;
}
/** A pour out of one bottle of ours that stands in its journal. */
export interface PouredInto {
  readonly bottle: string;
  readonly batch: string;
  readonly seq: number;
  readonly ml: number;
}

/** Less than this is the reckoning's doing, mL. */
const NEXT_TO_NOTHING = 0.01;
/** So little more than is thought to be left opens no other bottle, mL. */
const BY_EYE = 1;
/** How much more than is thought to be left may come out before it cannot be. */
const MEASURED_BADLY = 1.15;
export const canPour = (ml: number, leftMl: number): boolean => ml <= leftMl * MEASURED_BADLY + 5;

/** What a making pours from our own bottles, batch by batch in one order, so that none waits for another. */
export function poursOf(p: Program): Pour[] {
  const all = new Map<string, Pour>();
  for (const l of p.lines) {
    const { from } = l.line;
    if (!from || !("batch" in from) || l.stuff.id !== oursId(from.batch)) continue;
    const ml = (all.get(from.batch)?.ml ?? 0) + l.grams / l.stuff.density;
    all.set(from.batch, { batch: from.batch, ml, line: l.line.id });
  }
  return [...all.values()].sort((a, b) => (a.batch < b.batch ? -1 : 1));
}

/** A pour put right: of it so much went in, or nothing. */
export interface PutRight {
  readonly pour: PouredInto;
  readonly ml: number;
}

/**
 * What makes the bottles follow a making: of what it no longer takes the newest pours are put right, and what is missing is poured. What stands as it
 * was is not touched, and a bottle that is gone since gave what it gave.
 */
export function pourChanges(
  wanted: readonly Pour[],
  stand: readonly PouredInto[],
): { readonly right: readonly PutRight[]; readonly pour: readonly Pour[] } {
  const right: PutRight[] = [];
  const pour: Pour[] = [];
  const batches = [...new Set([...stand.map((s) => s.batch), ...wanted.map((w) => w.batch)])].sort();
  for (const batch of batches) {
    const want = wanted.find((w) => w.batch === batch);
    const its = stand.filter((s) => s.batch === batch);
    let is = its.reduce((sum, s) => sum + s.ml, 0);
    for (const pour of [...its].reverse()) {
      const over = is - (want?.ml ?? 0);
      if (over <= NEXT_TO_NOTHING) break;
      const ml = Math.max(0, pour.ml - over);
      right.push({ pour, ml });
      is -= pour.ml - ml;
    }
    if (want && want.ml - is > NEXT_TO_NOTHING) pour.push({ ...want, ml: want.ml - is });
  }
  return { right, pour };
}

/** A bottle that may be poured from, with the last good day of what is in it. */
export interface Pourable {
  readonly is: BottleNow;
  readonly bestBy: string;
}

/**
 * How much comes out of which bottle: an opened one first, then by its day; the last one gives what the eye misjudged.
 * @param code of the batch they are of
 */
export function fromBottles(
  { ml, line }: Pour,
  code: string,
  bottles: readonly Pourable[],
): readonly { readonly bottle: string; readonly ml: number }[] | Fault {
  const kept = bottles
    .filter(({ is }) => is.state === "kept" && is.leftMl > 0)
    .sort(
      (x, y) =>
        Number(y.is.openedDay !== undefined) - Number(x.is.openedDay !== undefined) ||
        x.bestBy.localeCompare(y.bestBy) ||
        x.is.number - y.is.number,
    );
  const left = kept.reduce((sum, { is }) => sum + is.leftMl, 0);
  if (!canPour(ml, left))
    return fault(
      "MoreThanIsLeft",
      `About ${carriedMl(left)} of ${code} is left, and ${carriedMl(ml)} is to go in.`,
      ["lines", line],
    );
  let want = ml;
  return kept.flatMap(({ is }, i) => {
    if (want <= NEXT_TO_NOTHING) return [];
    const takes = i === kept.length - 1 || want <= is.leftMl + BY_EYE ? want : is.leftMl;
    want -= takes;
    return [{ bottle: is.id, ml: takes }];
  });
}
