import { exactly } from "../estimate";
import type { Term } from "../quantity/amount";
import { type Unit, type UnitId, UNITS } from "../quantity/units";
import { isFraction } from "./print";

/** Spoons a cup is told in once it is no fraction of one. */
const SPOONS: Readonly<Partial<Record<UnitId, readonly [tbsp: UnitId, tsp: UnitId]>>> = {
  "us-cup": ["us-tbsp", "us-tsp"],
  "us-tbsp": ["us-tbsp", "us-tsp"],
  "us-floz": ["us-tbsp", "us-tsp"],
  "us-pint": ["us-tbsp", "us-tsp"],
  "metric-cup": ["metric-tbsp", "metric-tsp"],
  "metric-tbsp": ["metric-tbsp", "metric-tsp"],
  "imp-cup": ["metric-tbsp", "metric-tsp"],
};
/** So many tablespoons are still counted out; more is poured from a jug. */
const MOST_TBSP = 7;

/** Cups come in quarters and thirds; tablespoons, ounces and pints whole and by the half. */
const isInDrawer = (unit: UnitId, n: number): boolean =>
  /(?:tbsp|floz|pint)$/.test(unit) ? Math.abs(2 * n - Math.round(2 * n)) < 0.01 : isFraction(n);

/** A share of a cup that no measure in the drawer holds, in spoons that hold it exactly; nothing where none do. */
export function inSpoons({ unit, count }: Term): readonly Term[] | undefined {
  const spoons = SPOONS[unit.id];
  if (!spoons || count.low !== count.high || isInDrawer(unit.id, count.value)) return undefined;
  const [tbsp, tsp] = spoons.map((id) => UNITS[id]) as [Unit, Unit];
  const ml = count.value * unit.size;
  // A hair under a whole spoon is one: thirds of cups do not come out even in figures.
  const whole = Math.floor(ml / tbsp.size + 1e-3);
  const rest = Math.max(0, (ml - whole * tbsp.size) / tsp.size);
  if (whole > MOST_TBSP || !(rest < 0.01 || isFraction(rest))) return undefined;
  const of = (u: Unit, n: number): Term[] => (n < 0.01 ? [] : [{ unit: u, count: exactly(n) }]);
  const terms = [...of(tbsp, whole), ...of(tsp, rest)];
  return terms.length > 0 ? terms : undefined;
}
