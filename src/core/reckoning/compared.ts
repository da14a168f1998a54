import type { Estimate } from "../estimate";
import type { Reckoning } from "./reckon";
import { spoonOf } from "./spoon";

/** Figures that any two reckonings can be set side by side by, whatever was planned or done. */
export type ComparedFigure =
  "yield" | "sweetness" | "sharpness" | "strength" | "keeping" | "herb" | "sugar" | "alcohol";

/** A figure that is known without a spread, or with its own. */
export const known = (value: number, low = value, high = value): Estimate => ({
  value,
  low,
  high,
  because: [],
});

/** mL, °Bx, % acid, % vol, days of keeping, g a spoon. */
export function comparedFigure(r: Reckoning, row: ComparedFigure): Estimate {
  switch (row) {
    case "yield":
      return r.finished.ml;
    case "sweetness":
      return r.finished.brix;
    case "sharpness":
      return r.finished.acid;
    case "strength":
      return r.finished.abv;
    case "keeping":
      // A place before its days: a week of the cupboard is another thing than a week of the fridge.
      return known((r.verdict.place === "cupboard" ? 10_000 : 0) + r.verdict.life.days);
    case "herb":
      return spoonOf(r).herb;
    case "sugar":
      return spoonOf(r).sugar;
    case "alcohol":
      return spoonOf(r).alcohol;
  }
}
