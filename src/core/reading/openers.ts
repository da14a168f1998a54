/* Words that may begin something: most of a line's words begin nothing, and are asked no further. */
import type { UnitSystem } from "../quantity/units";
import { remembered } from "../remembered";
import { opensHedge } from "./hedges";
import { sensesOf } from "./lexicon";
import { saysNumber } from "./numbers";
import type { Token } from "./tokens";
import { opensUnit } from "./unit-words";

export const OPENS_WARMTH = new Set(["room", "body", "blood", "hand"]);
export const OPENS_PHRASE = new Set(["to", "as", "by", "if", "equal", "per", "for"]);
export const OPENS_SPECIAL = new Set([
  "to",
  "fill",
  "filled",
  "up",
  "the",
  "a",
  "jar",
  "top",
  "cover",
  "covered",
  "loosely",
  "lightly",
]);
/** No share of another thing is said without one of these; most lines have none of them. */
export const SAYS_A_SHARE = new Set(["equal", "much", "same", "amount"]);
const OPENING = new Map<UnitSystem, (low: string) => boolean>(
  (["us", "metric", "imperial"] as const).map((system) => [
    system,
    remembered((low) => {
      const s = sensesOf(low);
      const words =
        saysNumber(low) ||
        opensHedge(low) ||
        ["a", "an", "up", "between", "few", "several", "couple", "pair", "#"].includes(low);
      return (
        words ||
        [s.hedge, s.size, s.plainSize, s.packing, s.packs, s.vague, s.container].some(
          (x) => x !== undefined,
        ) ||
        opensUnit(low, system)
      );
    }, 5000),
  ]),
);
/** Whether an amount may begin at a token: most words begin none. */
export function opensAmount(t: Token, system: UnitSystem): boolean {
  if (t.kind === "number") return true;
  if (t.kind === "mark")
    return t.low === "-" || t.low === "~" || t.low === "∞" || t.low === '"' || t.low === "#";
  return OPENING.get(system)!(t.low);
}
