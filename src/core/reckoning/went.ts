import type { Run } from "../mixture/entry";
import { run } from "../mixture/ledger";
import { massOf } from "../mixture/components";
import { volumeOf } from "../mixture/volume";
import { WRINGING, type Wringing } from "../plan/plan";
import type { Program } from "./program";
import type { Reckoning } from "./reckon";

/** Where the liquid of a making went by its first straining, mL; each by the same ledger the verdict rests on. */
export interface Went {
  readonly poured: number;
  /** Water, juice and what dissolved of the plants. */
  readonly fromPlants: number;
  /** What spirit and water, sugar and water close up by as they mix. */
  readonly closedUp: number;
  readonly boiledOff: number;
  /** What was boiled off after the cloth: the jug's, not the jar's. */
  readonly boiledAfter: number;
  /** Held back in the marc, cloth and pot aside. */
  readonly held: number;
  /** On the cloth and the pot: typical, or what is missing where the marc was weighed. */
  readonly onCloth: number;
  /** The marc was put on the scale, so that what it holds is no guess. */
  readonly weighed: boolean;
  readonly out: number;
  /** A closer wringing, and what it would still give; nothing where it does not pay. */
  readonly wringMore: { readonly how: Wringing; readonly ml: number } | undefined;
}

/** What a cloth and a pot keep, mL: typical. */
const ON_CLOTH = 10;
/** More than a spoon and more than this share of what came out is worth wringing for. */
const [PAYS_ML, PAYS_SHARE] = [15, 0.03];

const strainedMl = (r: Run): number => volumeOf(r.strained);

/** mL that would come out at each closer way of wringing than the first straining's own. */
function closer(p: Program): Went["wringMore"] {
  const at = p.operations.findIndex((o) => o.op === "strain");
  const is = p.operations[at];
  if (is?.op !== "strain") return undefined;
  const upTo = p.operations.slice(0, at);
  const as = (how: Wringing): number => strainedMl(run(p.entries, [...upTo, { op: "strain", how }]));
  const now = is.measuredMl ?? as(is.how);
  for (const how of WRINGING.slice(WRINGING.indexOf(is.how) + 1).reverse()) {
    const more = as(how) - Math.max(now, as(is.how));
    if (more > PAYS_ML && more > PAYS_SHARE * now) return { how, ml: more };
  }
  return undefined;
}

/** mL on cloth, pot and table, where the marc was weighed: what is neither in it nor in the jug. */
function missing(p: Program, r: Reckoning, lost: number, marcG: number): number {
  const at = p.operations.findIndex((o) => o.op === "strain");
  const { liquid } = run(p.entries, [...p.operations.slice(0, at), { op: "soak" }]).account;
  const density = massOf(liquid) / Math.max(1, volumeOf(liquid));
  return Math.min(lost, Math.max(0, (r.ledger.marcG - marcG) / density));
}

/** g of steam by the first straining; all of it where nothing is strained. */
function steamBeforeCloth(p: Program): number {
  const at = p.operations.findIndex((o) => o.op === "strain");
  return run(p.entries, at < 0 ? p.operations : p.operations.slice(0, at)).account.steamG;
}

/** Where the liquid went. @param marcG what the marc weighed, where it was weighed */
export function whereItWent(p: Program, r: Reckoning, marcG?: number): Went {
  const jar = p.lines.filter((l) => l.stage === "jar");
  const poured = jar.reduce((ml, l) => ml + (l.stuff.plant ? 0 : l.grams / l.stuff.density), 0);
  // By difference, so that the account adds up: volumes do not, masses do.
  const steam = steamBeforeCloth(p);
  const gained = r.jar.ml.value + steam - poured;
  const strains = p.operations.some((o) => o.op === "strain");
  const out = r.strained.ml.value;
  const lost = strains ? Math.max(0, r.jar.ml.value - out) : 0;
  const weighed = strains && marcG !== undefined;
  const onCloth = weighed ? missing(p, r, lost, marcG) : Math.min(strains ? ON_CLOTH : 0, lost);
  return {
    poured,
    fromPlants: Math.max(0, gained),
    closedUp: Math.max(0, -gained),
    boiledOff: steam,
    boiledAfter: Math.max(0, r.ledger.steamG - steam),
    held: lost - onCloth,
    onCloth,
    weighed,
    out,
    wringMore: strains ? closer(p) : undefined,
  };
}
