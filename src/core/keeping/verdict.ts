import { LIVES, type Life, shorter } from "./life";
import { NO_ROW, ROWS, type Condition, type Facts, type Row } from "./rows";

export type Place = "cupboard" | "fridge";

/** What takes the cupboard away whatever the liquid is, and how long the fridge is then good for. */
export interface Veto {
  readonly id:
    | "solids-left"
    | "vinegar-unknown"
    | "layers-unmixed"
    | "temperature-fault"
    | "left-warm"
    | "herb-above"
    | "sunny-sill"
    | "base-in-vinegar"
    | "low-acid-fresh-in-honey";
  readonly words: string;
  /** Longest fridge life left; `null` says do not keep it. */
  readonly fridge?: Life | null;
}

export const VETOES: Readonly<Record<Veto["id"], Omit<Veto, "id">>> = {
  "solids-left": { words: "plant matter still stands in it", fridge: LIVES.m1 },
  "vinegar-unknown": { words: "the vinegar's strength is not known; test it or take one marked 5 % or more" },
  "layers-unmixed": { words: "the layers were never mixed, so part of it stands without acid" },
  "temperature-fault": { words: "it stood warm too long", fridge: LIVES.d3 },
  "left-warm": {
    words: "it stood between 60 and 5 °C for hours; boiling again does not undo that",
    fridge: null,
  },
  "herb-above": { words: "herb stood above the liquid" },
  "sunny-sill": { words: "it stood on a sunny sill" },
  "base-in-vinegar": {
    words: "chalk, eggshell, ash or soda eats the acid and makes gas: stop",
    fridge: null,
  },
  "low-acid-fresh-in-honey": {
    words: "fresh garlic, root or another low-acid plant in plain honey is never kept at room temperature",
    fridge: LIVES.m1,
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
  readonly coolDark: boolean;
  readonly vented: boolean;
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
  return cond.is === "at least" || cond.is === "over" ? q.low : q.high;
}

function holds(f: Facts, cond: Condition, at: number): boolean {
  switch (cond.is) {
    case "at least":
      return at >= cond.line;
    case "at most":
      return at <= cond.line;
    case "over":
      return at > cond.line;
    case "under":
      // It only parts two rows that agree on all else; the family's better row is tried on its own terms.
      return f[cond.quantity].low < cond.line;
  }
}

function check(f: Facts, cond: Condition): Distance {
  const at = endOf(f, cond);
  const offered = cond.quantity !== "ph" || f.phOffered;
  return { condition: cond, at, met: offered && holds(f, cond, at) };
}

const better = (a: Row, b: Row): boolean =>
  (a.cupboard?.days ?? 0) > (b.cupboard?.days ?? 0) ||
  ((a.cupboard?.days ?? 0) === (b.cupboard?.days ?? 0) && a.fridge.days > b.fridge.days);

/**
 * The keeping verdict of a finished liquid: of the rows whose every condition holds at the pessimistic end the longest wins, vetoes cap it,
 * and where no row holds it is three days in the fridge. Life counts from straining.
 */
export function verdictOf(f: Facts, vetoes: readonly Veto["id"][]): Verdict {
  let won: Row = NO_ROW;
  for (const row of ROWS) {
    if (row.also && !row.also(f)) continue;
    let all = true;
    for (const cond of row.conditions) {
      if (!check(f, cond).met) {
        all = false;
        break;
      }
    }
    if (all && (won === NO_ROW || better(row, won))) won = row;
  }
  const standing = vetoes.map((id) => ({ id, ...VETOES[id] }));
  let cupboard = won.cupboard;
  let fridge: Life | null = won.fridge;
  let opened: Life | null = won.opened;
  for (const v of standing) {
    cupboard = null;
    if (v.fridge !== undefined) {
      fridge = shorter(fridge, v.fridge);
      opened = shorter(opened, v.fridge);
    }
  }
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
    coolDark: won.coolDark === true,
    vented: won.vented === true,
    row: won,
    vetoes: standing,
    distances: won.conditions.map((cond) => check(f, cond)),
    next,
  };
}

/** Distance to a line as a share of the line, so that unlike quantities can be ranked. */
const gap = (d: readonly Distance[]): number =>
  d.reduce(
    (sum, x) => sum + Math.abs(x.at - x.condition.line) / Math.max(0.05, Math.abs(x.condition.line)),
    0,
  );

export interface WorkingVerdict {
  readonly place: "room" | "fridge";
  readonly because: "spirit" | "weak-spirit" | "acid" | "honey" | "none";
  readonly words: string;
  /** Longest stay at room temperature, days, where there is one. */
  readonly mostDays?: number;
}

/** Where the jar with the herb still in it may stand. `jar` holds the liquid's figures with plant water counted. */
export function workingVerdict(
  jar: Pick<Facts, "abv" | "ph" | "water"> & { readonly acid: Facts["acetic"] },
  f: Pick<Facts, "fresh" | "honeyShare" | "phOffered">,
  unknownVinegar: boolean,
): WorkingVerdict {
  if (jar.abv.low >= 25)
    return { place: "room", because: "spirit", words: "strong enough to work at room temperature" };
  if (jar.abv.low >= 20)
    return {
      place: "room",
      because: "weak-spirit",
      words: "strong enough for two weeks at room temperature, not longer",
      mostDays: 14,
    };
  if (f.honeyShare >= 0.8 && f.fresh === "none" && jar.water.high <= 18.6)
    return {
      place: "room",
      because: "honey",
      words: "ripe honey on dried herb may work at room temperature",
    };
  if (!unknownVinegar && jar.acid.low >= 2 && jar.ph.high <= 4.2)
    return {
      place: "room",
      because: "acid",
      words: "sour enough to work at room temperature, plant water counted",
    };
  return {
    place: "fridge",
    because: "none",
    words: unknownVinegar
      ? "the vinegar's strength is not known, so it works in the fridge"
      : "not sour, strong or dry enough to stand at room temperature; let it work in the fridge, or change the plan",
  };
}
