import { exactly } from "../estimate";
import { type Result, fail, fault, ok } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import { convert } from "../material/convert";
import type { Cut, Form } from "../material/classes";
import { type Stuff, isLiquid, stuffOf } from "../material/material";
import type { Line } from "../plan/plan";
import { type Amount, counted, measure } from "../quantity/amount";
import { COUNT_UNITS, type CountUnit, UNITS, type UnitId, type UnitSystem } from "../quantity/units";
import { readAmount } from "../reading/amounts";
import { materialNamed } from "../reading/names";
import { nearCount, printAmount } from "../reading/print";
import { readStrength } from "../reading/strength";
import type { Vessel } from "../vessel/vessel";
import { weigh } from "./weigh";

/** Ways to say an amount of a stuff: a unit, a piece, a share of the ratio or of the jar. */
export type Saying = UnitId | CountUnit | "part" | "jar";

const VOLUMES: Readonly<Record<UnitSystem, readonly UnitId[]>> = {
  us: ["us-cup", "us-tbsp", "us-tsp", "us-floz", "ml"],
  metric: ["ml", "l", "metric-tbsp", "metric-tsp"],
  imperial: ["imp-cup", "imp-floz", "imp-pint", "metric-tbsp", "metric-tsp", "ml"],
};

/** The units a stuff can be said in, in this household, most usual first. */
export function sayingsOf(stuff: Stuff, system: UnitSystem): Saying[] {
  const pieces = Object.keys(stuff.pieces) as CountUnit[];
  const weights: UnitId[] = system === "metric" || isLiquid(stuff) ? ["g"] : ["g", "oz"];
  const lengths: UnitId[] = system === "metric" ? ["cm"] : ["in"];
  return [
    ...VOLUMES[system],
    ...weights,
    ...pieces,
    ...(stuff.plant ? (["handful"] as const) : []),
    ...(stuff.gPerCm ? lengths : []),
    "part",
    "jar",
  ];
}

/** The unit an amount is said in now; nothing for “fill”, goals and the like. */
export function sayingNow(a: Amount, stuff: Stuff): Saying | undefined {
  switch (a.kind) {
    case "measure":
      return a.terms[0]!.unit.id;
    case "count":
      return a.unit === "piece" && stuff.pieces["piece"] === undefined
        ? ((Object.keys(stuff.pieces)[0] ?? "piece") as CountUnit)
        : a.unit;
    case "part":
    case "jar":
      return a.kind;
    case "of-liquid":
    case "fill":
    case "unknown":
    case "cover":
    case "ratio":
    case "goal":
      return undefined;
  }
}

export interface Measures {
  /** mL of one part. */
  readonly partMl: number | undefined;
  readonly vessel: Vessel | undefined;
}

const DECIMAL: ReadonlySet<string> = new Set(["g", "kg", "mg", "ml", "cl", "dl", "l", "cm", "mm"]);
/** Rounding in a restated amount stays under this share. */
const LIMIT = 0.03;
const isCountUnit = (s: Saying): s is CountUnit => (COUNT_UNITS as readonly string[]).includes(s);

/** A count rounded to a kitchen fraction within the limit, as the reader would read it. */
function kitchenCount(n: number, system: UnitSystem): number {
  const a = readAmount(nearCount(n, LIMIT), system);
  return a.ok && a.value.kind === "count" ? a.value.count.value : n;
}

function inUnit(grams: number, stuff: Stuff, id: UnitId, system: UnitSystem): Result<Amount> {
  const u = UNITS[id];
  const perCm = stuff.gPerCm ? (u.size * (stuff.gPerCm[0] + stuff.gPerCm[1])) / 2 : 0;
  const EACH = { mass: u.size, volume: u.size * stuff.bulkLoose, length: perCm } as const;
  const each = EACH[u.dimension];
  if (!(each > 0)) return fail(fault("WrongUnit", `${stuff.name} is not measured by length.`));
  // Scales and jugs are read in figures, cups and ounces in fractions.
  const fine = grams / each < 10 && (id === "g" || id === "ml") ? 2 : 3;
  const n = DECIMAL.has(id) ? Number((grams / each).toPrecision(fine)) : kitchenCount(grams / each, system);
  return ok(measure([{ unit: u, count: exactly(n) }]));
}

/**
 * The same grams said another way: 40 g as “1⅔ cups”, within 3 %. Faults: `WrongUnit`, `NeedsVessel`, `TooMuch`.
 * @param grams g of the stuff
 */
export function sayIn(
  grams: number,
  stuff: Stuff,
  as: Saying,
  system: UnitSystem,
  by: Measures,
): Result<string> {
  const said = amountIn(grams, stuff, as, system, by);
  return said.ok ? ok(printAmount(said.value, system)) : said;
}

function amountIn(grams: number, stuff: Stuff, as: Saying, system: UnitSystem, by: Measures): Result<Amount> {
  const ml = grams / stuff.bulkLoose;
  if (as === "part") {
    if (!by.partMl)
      return fail(fault("WrongUnit", "A part needs a ratio: something else must be in parts first."));
    return ok({ kind: "part", count: exactly(kitchenCount(ml / by.partMl, system)) });
  }
  if (as === "jar") {
    if (!by.vessel) return fail(fault("NeedsVessel", "A share of the jar needs a jar. Choose one."));
    const share = ml / by.vessel.fillMl;
    if (share > 1) return fail(fault("TooMuch", "That is more than the whole jar."));
    return ok({ kind: "jar", count: exactly(kitchenCount(share, system)) });
  }
  if (!isCountUnit(as)) return inUnit(grams, stuff, as, system);
  const one = weigh(counted(as, exactly(1)), stuff);
  if (!one.ok) return one;
  return ok(counted(as, exactly(kitchenCount(grams / one.value.grams, system))));
}

const stuffFor = (l: Line, catalogue: Catalogue): Result<Stuff> => {
  const material = materialNamed(l.material, catalogue);
  if (!material)
    return fail(fault("UnknownMaterial", `“${l.material}” is not among the materials.`, ["material"]));
  const strength = l.strength ? readStrength(l.strength) : undefined;
  return stuffOf(material, { form: l.form, cut: l.cut, strength: strength?.ok ? strength.value : undefined });
};

/** What was taken for granted is said once the maker chooses it. */
export function saying(l: Line, what: "form" | "cut"): Line {
  const took = l.took?.filter((t) => t !== what);
  const { took: _, ...rest } = l;
  return took && took.length > 0 ? { ...rest, took } : rest;
}

/**
 * A line in another form or cut: as much of the plant by dry matter, said in the unit it was said in.
 * A count of pieces stays the count it was, since a dried clove is still one clove; “fill” and goals stay too.
 * @param grams g of it now; without them a weighed or scooped amount is converted by its own figures
 */
export function reformed(
  line: Line,
  to: { readonly form?: Form; readonly cut?: Cut },
  system: UnitSystem,
  by: Measures,
  grams?: number,
  catalogue: Catalogue = MATERIALS,
): Result<Line> {
  const was = stuffFor(line, catalogue);
  if (!was.ok) return was;
  const changed: Line = { ...line, form: to.form ?? was.value.form, cut: to.cut ?? line.cut };
  const next = saying(
    Object.fromEntries(Object.entries(changed).filter(([, v]) => v !== undefined)) as Line,
    "form",
  );
  const is = stuffFor(next, catalogue);
  if (!is.ok) return is;
  const amount = readAmount(line.amount, system);
  const as = amount.ok ? sayingNow(amount.value, was.value) : undefined;
  if (!as || !amount.ok || (isCountUnit(as) && as !== "handful" && as !== "pinch")) return ok(next);
  const g = grams ?? gramsOf(amount.value, was.value);
  const { form, cut } = was.value;
  const c = convert(
    materialNamed(line.material, catalogue)!,
    { form: form!, ...(cut ? { cut } : {}) },
    { form: is.value.form!, ...(is.value.cut ? { cut: is.value.cut } : {}) },
  );
  if (g === undefined || !c.ok) return ok(next);
  const words = sayIn(g * c.value.byMass, is.value, as, system, by);
  return ok(words.ok ? { ...next, amount: words.value } : next);
}

function gramsOf(amount: Amount, stuff: Stuff): number | undefined {
  if (amount.kind !== "measure" && amount.kind !== "count") return undefined;
  const w = weigh(amount, stuff);
  return w.ok ? w.value.grams : undefined;
}
