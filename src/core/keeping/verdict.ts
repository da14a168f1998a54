import { celsius } from "../quantity/carried";
import { leftOf } from "./graded";
import { LIVES, type Life, shorter } from "./life";
import { type Condition, type Facts, type Family, NO_ROW, ROWS, type Row } from "./rows";

export type Place = "cupboard" | "fridge";

/** What takes the cupboard away whatever the liquid is, and how long the fridge is then good for. */
export interface Veto {
  readonly id: (typeof VETO_IDS)[number];
  readonly words: string;
  /** Longest fridge life left; `null` says do not keep it. */
  readonly fridge?: Life | null;
  readonly vented?: boolean;
}
export const VETO_IDS = [
  "solids-left",
  "vinegar-unknown",
  "layers-unmixed",
  "temperature-fault",
  "left-warm",
  "stood-too-long",
  "herb-above",
  "herb-above-inspected",
  "sunny-sill",
  "base-in-vinegar",
  "low-acid-fresh",
  "raw-honey-thinned",
  "raw-honey-thin",
  "raw-honey-thin-not-sour",
] as const;

export const VETOES: Readonly<Record<Veto["id"], Omit<Veto, "id">>> = {
  "solids-left": { words: "plant matter still stands in it", fridge: LIVES.m1 },
  "vinegar-unknown": { words: "the vinegar's strength is not known; test it or take one marked 5 % or more" },
  "layers-unmixed": {
    words: "the layers were never mixed, so part of it stood without acid; mix it now",
    fridge: LIVES.m1,
  },
  "temperature-fault": { words: "it stood warm too long", fridge: LIVES.d3 },
  "left-warm": {
    words: `it stood between ${celsius(60)} and ${celsius(5)} for hours; boiling again does not undo that`,
    fridge: null,
  },
  "stood-too-long": {
    words:
      "it stood longer between the cloth and what was made of it than it keeps, and neither sugar nor boiling mends that",
    fridge: null,
  },
  "herb-above": { words: "herb stood above the liquid and nobody has looked it over", fridge: LIVES.m1 },
  "herb-above-inspected": { words: "herb stood above the liquid, looked over and sound", fridge: LIVES.m3 },
  "sunny-sill": { words: "it stood on a sunny sill" },
  "base-in-vinegar": {
    words: "chalk, eggshell, ash or soda eats the acid and makes gas: stop",
    fridge: null,
  },
  "low-acid-fresh": {
    words:
      "fresh garlic, root or another low-acid plant that neither acid nor alcohol keeps is never kept at room temperature",
    fridge: LIVES.m1,
  },
  "raw-honey-thinned": {
    words: "raw honey ferments once something is poured into it",
    fridge: LIVES.m1,
    vented: true,
  },
  "raw-honey-thin": { words: "raw honey, thinned this far, ferments fast", fridge: LIVES.w2, vented: true },
  "raw-honey-thin-not-sour": {
    words: "raw honey, thinned this far and not sour, ferments fast",
    fridge: LIVES.w1,
    vented: true,
  },
};

/** How far a quantity is from a line of a row; `met` at its pessimistic end. */
export interface Distance {
  readonly condition: Condition;
  readonly at: number;
  readonly met: boolean;
}

export interface Verdict {
  readonly place: Place | "do-not-keep";
  /** Longest life unopened in that place. */
  readonly life: Life;
  readonly cupboard: Life | null;
  readonly fridge: Life;
  readonly opened: Life;
  readonly openedInCupboard: boolean;
  /** Life once opened where it then goes into the fridge, if that is longer. */
  readonly openedCold: Life | undefined;
  readonly coolDark: boolean;
  readonly vented: boolean;
  /** Warm, what grows without air grows in it within hours: pH over 4.6 and water activity over 0.92. */
  readonly quick: boolean;
  /** The row that decided. */
  readonly row: Row;
  readonly vetoes: readonly Veto[];
  readonly distances: readonly Distance[];
  /** The nearest row with a longer life, and what it lacks. */
  readonly next: { readonly row: Row; readonly lacks: readonly Distance[] } | undefined;
}

/** The pessimistic end of a quantity for a condition. */
function endOf(f: Facts, cond: Condition): number {
  const q = f[cond.quantity];
  return cond.is === "at least" ? q.low : q.high;
}

const isMet = (at: number, cond: Condition): boolean =>
  cond.is === "at least" ? at >= cond.line : at <= cond.line;

function check(f: Facts, cond: Condition): Distance {
  const at = endOf(f, cond);
  return { condition: cond, at, met: isMet(at, cond) };
}

const matches = (f: Facts, row: Row): boolean =>
  (row.also?.(f) ?? true) && row.conditions.every((cond) => isMet(endOf(f, cond), cond));

/** Where a place that is forbidden is no matter of days: the acid-food boundary, and what bacteria want. */
const [QUICK_PH, QUICK_AW] = [4.6, 0.92];

/** What stops the yeasts of raw honey whatever is poured into it. */
const STOPS_YEAST: ReadonlySet<Family> = new Set(["acid", "spirit", "glycerin"]);

/** The cap on raw honey that something was poured into, where nothing else in it stops a ferment. */
function rawHoneyCap(f: Facts, held: readonly Row[]): Veto["id"][] {
  if (!f.rawHoney || (f.honeyAlone && f.brix.low >= 50) || held.some((r) => STOPS_YEAST.has(r.family)))
    return [];
  if (f.brix.low >= 50) return ["raw-honey-thinned"];
  return [f.ph.high <= 4.6 ? "raw-honey-thin" : "raw-honey-thin-not-sour"];
}

const longer = (a: Life, b: Life | undefined): Life => (b && b.days > a.days ? b : a);

/** What rows that are missed by a hair still leave in the fridge: of all, and of those that stop what lives in honey. */
function nearlyHeld(
  f: Facts,
  held: readonly Row[],
  won: Row,
): { readonly fridge: Life | undefined; readonly stopsYeast: Life | undefined } {
  let fridge: Life | undefined;
  let stopsYeast: Life | undefined;
  for (const row of ROWS) {
    if (row === won || held.includes(row)) continue;
    const left = leftOf(f, row);
    if (!left) continue;
    fridge = fridge === undefined ? left : longer(fridge, left);
    if (STOPS_YEAST.has(row.family)) stopsYeast = stopsYeast === undefined ? left : longer(stopsYeast, left);
  }
  return { fridge, stopsYeast };
}

const better = (a: Row, b: Row): boolean =>
  (a.cupboard?.days ?? 0) > (b.cupboard?.days ?? 0) ||
  ((a.cupboard?.days ?? 0) === (b.cupboard?.days ?? 0) && a.fridge.days > b.fridge.days);

const longest = (held: readonly Row[]): Row =>
  held.reduce((best, row) => (best === NO_ROW || better(row, best) ? row : best), NO_ROW);

/** The row a liquid stands by where nothing forbids it: of those whose every condition holds, the longest. */
export const rowOf = (f: Facts): Row => longest(ROWS.filter((row) => matches(f, row)));

/**
 * The keeping verdict of a finished liquid: of the rows whose every condition holds at the pessimistic end the longest wins, vetoes cap it,
 * and where no row holds it is three days in the fridge. Life counts from straining.
 */
export function verdictOf(f: Facts, vetoes: readonly Veto["id"][]): Verdict {
  const held = ROWS.filter((row) => matches(f, row));
  const won = longest(held);
  const caps = rawHoneyCap(f, held);
  const standing = [...vetoes, ...caps].map((id): Veto => ({ id, ...VETOES[id] }));
  const nearly = nearlyHeld(f, held, won);
  let fridge: Life | null = longer(won.fridge, nearly.fridge);
  // What is only for the fridge is opened there too, and keeps as long.
  let opened: Life | null = won.cupboard === null ? longer(won.opened, nearly.fridge) : won.opened;
  for (const v of standing) {
    if (v.fridge === undefined) continue;
    // A line that stops what lives in raw honey is no more a cliff than another: missed by a hair, the cap gives way by as much.
    if (nearly.stopsYeast && v.fridge && caps.includes(v.id) && nearly.stopsYeast.days > v.fridge.days) {
      fridge = shorter(fridge, nearly.stopsYeast);
      opened = shorter(opened, nearly.stopsYeast);
      continue;
    }
    fridge = shorter(fridge, v.fridge);
    opened = shorter(opened, v.fridge);
  }
  const cupboard = standing.length > 0 ? null : won.cupboard;
  const kept = cupboard ? "cupboard" : "fridge";
  const place: Verdict["place"] = fridge === null ? "do-not-keep" : kept;
  let next: Verdict["next"];
  for (const row of ROWS) {
    if ((row.also && !row.also(f)) || !better(row, won)) continue;
    const lacks = row.conditions.map((cond) => check(f, cond)).filter((d) => !d.met);
    if (
      lacks.length > 0 &&
      (!next ||
        lacks.length < next.lacks.length ||
        (lacks.length === next.lacks.length && gap(lacks) < gap(next.lacks)))
    )
      next = { row, lacks };
  }
  const keep = fridge ?? LIVES.d3;
  return {
    place,
    life: cupboard ?? keep,
    cupboard,
    fridge: keep,
    opened: opened ?? LIVES.d3,
    openedInCupboard: cupboard !== null && won.openedInCupboard === true,
    openedCold: cupboard === null ? undefined : won.openedCold,
    coolDark: cupboard !== null && won.coolDark === true,
    vented: won.vented === true || standing.some((v) => v.vented === true),
    quick: f.ph.high > QUICK_PH && f.aw.high > QUICK_AW,
    row: won,
    vetoes: standing,
    distances: won.conditions.map((cond) => check(f, cond)),
    next,
  };
}

/** Distance to a line as a share of the line, so that unlike quantities can be ranked. */
const gap = (d: readonly Distance[]): number =>
  d.reduce((sum, { at, condition: c }) => {
    // Dryness is what counts of a water activity: 0.80 to 0.70 is half as dry again, not an eighth.
    const scale = c.quantity === "aw" || c.quantity === "dryness" ? 1 - c.line : Math.abs(c.line);
    return sum + Math.abs(at - c.line) / Math.max(0.05, scale);
  }, 0);

/** The one of two verdicts that promises less: by place, then by days, then by what the fridge and an opened bottle have. */
export function shorterVerdict(a: Verdict, b: Verdict): Verdict {
  const promise = (v: Verdict): readonly number[] => [
    v.place === "do-not-keep" ? 0 : 1,
    v.cupboard?.days ?? 0,
    v.fridge.days,
    v.opened.days,
  ];
  const [pa, pb] = [promise(a), promise(b)];
  const at = pa.findIndex((x, i) => x !== pb[i]);
  return at < 0 || pa[at]! < pb[at]! ? a : b;
}
