import type { Resolved } from "../reckoning/program";
import { isPeeled } from "../plan/peeled";
import type { MoveSort } from "./move";

/** Minutes of handwork: typical, for one person in no hurry. */
export const WORK: Readonly<Record<MoveSort, number>> = {
  gather: 5,
  wash: 3,
  peel: 4,
  strip: 4,
  zest: 3,
  crush: 3,
  chop: 4,
  grate: 5,
  "cook-first": 4,
  add: 1,
  cover: 2,
  lid: 1,
  shake: 1,
  own: 2,
  label: 2,
  "put-by": 1,
  heat: 1,
  simmer: 1,
  mash: 2,
  reduce: 3,
  pressure: 2,
  steep: 1,
  strain: 12,
  cool: 1,
  finish: 8,
  bottle: 12,
};
/** g of fresh berries stripped a minute, of anything else cut small. */
const [STRIPPED, CUT] = [20, 60];
/** Minutes crushed garlic rests before acid or heat stops it. */
export const GARLIC_RESTS = 10;

/** Which small work a line asks for before it goes in: peeled first where it says so, then whatever else. */
export function worksOf(l: Resolved): readonly MoveSort[] {
  const fresh = l.stuff.form === "fresh" || l.stuff.form === "wilted";
  const then = prepares(l);
  if (!fresh || !isPeeled(l.line)) return then ? [then] : [];
  return then === undefined || then === "wash" ? ["peel"] : ["peel", then];
}

function prepares({ stuff, line }: Resolved): MoveSort | undefined {
  if (!stuff.plant || stuff.form === "powdered") return undefined;
  const fresh = stuff.form === "fresh" || stuff.form === "wilted";
  if (stuff.id === "garlic" && fresh) return "crush";
  if (stuff.class === "peel" && fresh) return "zest";
  if (stuff.class === "berry" && fresh) return "strip";
  if (line.cut === "grated") return fresh && stuff.tags.includes("pungent") ? "grate" : "chop";
  if (line.cut === "crushed") return "crush";
  if (line.cut === "chopped" || line.cut === "sliced") return fresh ? "chop" : undefined;
  return fresh ? "wash" : undefined;
}

/** Moves at the table, before anything stands in the pot or the jar for good. */
export const isAtTheTable = (sort: MoveSort): boolean =>
  sort === "gather" ||
  sort === "add" ||
  sort === "cook-first" ||
  (SMALL_WORK as readonly MoveSort[]).includes(sort);

/** Zest before juice, garlic early so that it can rest, what bites the eyes last. */
export const SMALL_WORK = ["wash", "peel", "strip", "zest", "crush", "chop", "grate"] as const;

export const gloves = (l: Resolved): boolean =>
  ["hot", "very-hot", "stains", "stings", "fresh-irritant", "hairs"].some((t) =>
    l.stuff.tags.includes(t as never),
  );

export function minutesOf(sort: MoveSort, lines: readonly Resolved[]): number {
  const g = lines.reduce((s, l) => s + l.grams, 0);
  if (sort === "strip") return Math.max(WORK.strip, g / STRIPPED);
  if (sort === "chop" || sort === "grate" || sort === "peel") return Math.max(WORK[sort], g / CUT);
  return WORK[sort];
}
