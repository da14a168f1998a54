import type { Facts } from "./rows";
import { rowOf } from "./verdict";

/** Where a liquid of a sweetness and a sharpness (or strength) would stand, by the very rows that judge the batch. */
export type Region = "cupboard" | "fridge" | "use-now";

export interface KeepingMap {
  readonly up: "acetic" | "abv";
  /** °Bx across, and % up, of each cell's middle. */
  readonly across: readonly number[];
  readonly upward: readonly number[];
  /** Row by row from the bottom. */
  readonly cells: readonly (readonly Region[])[];
  readonly mostAcross: number;
  readonly mostUp: number;
}

const exact = (value: number) => ({ value, low: value, high: value });

/** What of the two axes a place of the map stands on. */
function factsAt(up: KeepingMap["up"], bx: number, u: number): Facts {
  const acetic = up === "acetic" ? u : 0;
  const density = 1 + bx * 0.0042;
  return {
    abv: exact(up === "abv" ? u : 0),
    delle: exact(bx * density + 4.5 * (up === "abv" ? u : 0)),
    brix: exact(bx),
    aw: exact(bx > 78 ? 0.79 : 0.95),
    dryness: exact(bx > 78 ? 0.79 : 0.95),
    acetic: exact(acetic),
    acid: exact(acetic),
    ph: exact(acetic > 0.5 ? 3.6 : 5),
    index: exact((15.75 * acetic * 0.93) / density + bx * 0.94),
    water: exact(100 - bx),
    glycerol: exact(0),
    honeyAlone: false,
    rawHoney: false,
    boiledAndBottledHot: false,
    freshFruit: false,
    fresh: "none",
  };
}

/** Where a plain liquid of a sweetness, and of an acid or a strength, stands. */
export function regionAt(up: KeepingMap["up"], bx: number, u: number): Region {
  const won = rowOf(factsAt(up, bx, u));
  if (won.cupboard) return "cupboard";
  return won.fridge.days <= 14 ? "use-now" : "fridge";
}

/** No region is narrower than so many cells; between two alike so far apart lies nothing else. */
const NARROWEST = 5;

/** A row of cells: asked at every fifth, and in between only where those differ. */
function rowOfCells(across: readonly number[], at: (bx: number) => Region): Region[] {
  const cells: Region[] = [];
  let last = at(across[0]!);
  cells.push(last);
  for (let i = 1; i < across.length; i += NARROWEST) {
    const to = Math.min(across.length, i + NARROWEST);
    const end = at(across[to - 1]!);
    for (let k = i; k < to - 1; k++) cells.push(end === last ? last : at(across[k]!));
    cells.push(end);
    last = end;
  }
  return cells;
}

/**
 * The map of places for plain liquids: honey-like sugars of a °Bx, and acetic acid % w/v or alcohol % vol. pH is that of a vinegar
 * mixture with some herb in it (3.6, falling short of sour under half a per cent); the rest of a real batch is judged on its own figures.
 */
export function keepingMap(up: KeepingMap["up"]): KeepingMap {
  const across = Array.from({ length: 80 }, (_, i) => i + 0.5);
  const mostUp = up === "acetic" ? 6 : 40;
  const upward = Array.from({ length: 60 }, (_, i) => ((i + 0.5) * mostUp) / 60);
  const cells = upward.map((u) => rowOfCells(across, (bx) => regionAt(up, bx, u)));
  return { up, across, upward, cells, mostAcross: 80, mostUp };
}
