import type { Facts } from "./rows";
import { verdictOf } from "./verdict";

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

/**
 * The map of places for plain liquids: honey-like sugars of a °Bx, and acetic acid % w/v or alcohol % vol. pH is that of a vinegar
 * mixture with some herb in it (3.6, falling short of sour under half a per cent); the rest of a real batch is judged on its own figures.
 */
export function keepingMap(up: KeepingMap["up"]): KeepingMap {
  const across = Array.from({ length: 80 }, (_, i) => i + 0.5);
  const mostUp = up === "acetic" ? 6 : 40;
  const upward = Array.from({ length: 60 }, (_, i) => ((i + 0.5) * mostUp) / 60);
  const cells = upward.map((u) =>
    across.map((bx): Region => {
      const acetic = up === "acetic" ? u : 0;
      const density = 1 + bx * 0.0042;
      const facts: Facts = {
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
      const v = verdictOf(facts, []);
      if (v.cupboard) return "cupboard";
      return v.fridge.days <= 14 ? "use-now" : "fridge";
    }),
  );
  return { up, across, upward, cells, mostAcross: 80, mostUp };
}
