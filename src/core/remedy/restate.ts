import { type Result, fail, fault, ok } from "../fault";
import { convert } from "../material/convert";
import { MATERIALS } from "../material/catalogue";
import type { Cut, Form } from "../material/classes";
import { type Stuff, stuffOf } from "../material/material";
import { parseAmount } from "../quantity/amount";
import { nearCount } from "../quantity/number";
import { COUNT_UNITS, type Household, UNITS, unitOf } from "../quantity/units";
import type { Vessel } from "../vessel/vessel";
import type { Line } from "./plan";
import { weigh } from "./mass";

/** Ways to say an amount of a stuff: a unit's word, a piece, a share of the ratio or of the jar. */
export type Saying = string;

const VOLUMES: Readonly<Record<Household, readonly string[]>> = { us: ["cup", "tbsp", "tsp", "fl oz", "mL"], metric: ["mL", "L", "tbsp", "tsp"], imperial: ["imp cup", "imp fl oz", "imp pint", "tbsp", "tsp", "mL"] };

/** The units a stuff can be said in, in this household, most usual first. */
export function sayingsOf(stuff: Stuff, household: Household): Saying[] {
  const pieces = Object.keys(stuff.pieces);
  const dry = stuff.plant || stuff.bulkLoose !== stuff.density;
  return [...VOLUMES[household], "g", ...(household === "metric" || !dry ? [] : ["oz"]), ...pieces, ...(stuff.plant ? ["handful"] : []), ...(stuff.gPerCm ? [household === "metric" ? "cm" : "in"] : []), "part", "jar"];
}

/** The unit an amount is said in now, as one of its sayings; nothing for “fill”, goals and the like. */
export function sayingNow(amount: string, household: Household, stuff: Stuff): Saying | undefined {
  const a = parseAmount(amount, household);
  if (!a.ok) return undefined;
  switch (a.value.kind) {
    case "measure": {
      const { unit } = a.value;
      return sayingsOf(stuff, household).find((s) => {
        const u = unitOf(s, household);
        return u !== undefined && "unit" in u && u.unit.id === unit.id;
      }) ?? unit.one;
    }
    case "count":
      return a.value.unit === "piece" && stuff.pieces["piece"] === undefined ? (Object.keys(stuff.pieces)[0] ?? "piece") : a.value.unit;
    case "part":
    case "jar":
      return a.value.kind;
    default:
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

const many = (n: string, unit: string, plural: string): string => `${n} ${Number(n) <= 1 || /^[⅛¼⅓⅜½⅝⅔¾⅞]$/.test(n) ? unit : plural}`;

/**
 * The same grams said another way: “40 g” as “1⅔ cups”, within 3 %. Faults: `WrongUnit`, `NeedsVessel`.
 * @param grams g of the stuff
 */
export function said(grams: number, stuff: Stuff, as: Saying, household: Household, by: Measures): Result<string> {
  if (as === "part") {
    if (!by.partMl) return fail(fault("WrongUnit", "A part needs a ratio: something else must be in parts first."));
    const n = nearCount(grams / stuff.bulkLoose / by.partMl, LIMIT);
    return ok(many(n, "part", "parts"));
  }
  if (as === "jar") {
    if (!by.vessel) return fail(fault("NeedsVessel", "A share of the jar needs a jar. Choose one."));
    const share = grams / stuff.bulkLoose / by.vessel.fillMl;
    return share > 1 ? fail(fault("TooMuch", "That is more than the whole jar.")) : ok(`${nearCount(share, LIMIT)} jar`);
  }
  const unit = unitOf(as, household);
  if (!unit) return fail(fault("UnknownUnit", `“${as}” is not a unit here.`));
  if ("unit" in unit) {
    const u = unit.unit;
    const each = u.dimension === "mass" ? u.size : u.dimension === "volume" ? u.size * stuff.bulkLoose : stuff.gPerCm ? (u.size * (stuff.gPerCm[0] + stuff.gPerCm[1])) / 2 : 0;
    if (!(each > 0)) return fail(fault("WrongUnit", `${stuff.name} is not measured by length.`));
    // Scales and jugs are read in figures, cups and ounces in fractions.
    const n = DECIMAL.has(u.id) ? String(Number((grams / each).toPrecision(grams / each < 10 && (u.id === "g" || u.id === "ml") ? 2 : 3))) : nearCount(grams / each, LIMIT);
    // Written with the household's own word, so that reading it back means the same unit.
    return ok(many(n, UNITS[u.id]!.one, UNITS[u.id]!.many));
  }
  const one = weigh({ kind: "count", unit: unit.count, count: { low: 1, value: 1, high: 1 } }, stuff);
  if (!one.ok) return one;
  return ok(many(nearCount(grams / one.value.grams, LIMIT), unit.count, unit.count === "leaf" ? "leaves" : unit.count === "berry" ? "berries" : `${unit.count}s`));
}

const isCount = (s: Saying): boolean => (COUNT_UNITS as readonly string[]).includes(s) && s !== "handful" && s !== "pinch";

/**
 * A line in another form or cut: as much of the plant by dry matter, said in the unit it was said in.
 * A count of pieces stays the count it was, since a dried clove is still one clove; “fill” and goals stay too.
 * @param grams g of it now; without them a weighed or scooped amount is converted by its own figures
 */
export function reformed(line: Line, to: { readonly form?: Form; readonly cut?: Cut }, household: Household, by: Measures, grams?: number): Result<Line> {
  const material = MATERIALS.get(line.material);
  if (!material) return fail(fault("UnknownMaterial", `“${line.material}” is not among the materials.`, ["material"]));
  const was = stuffOf(material, { form: line.form, cut: line.cut });
  if (!was.ok) return was;
  const next: Line = { ...line, form: to.form ?? was.value.form, cut: to.cut ?? line.cut };
  const tidy = Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) as Line;
  const is = stuffOf(material, { form: next.form, cut: next.cut });
  if (!is.ok) return is;
  const saying = sayingNow(line.amount, household, was.value);
  const amount = parseAmount(line.amount, household);
  if (!saying || !amount.ok || isCount(saying)) return ok(tidy);
  let g = grams;
  if (g === undefined && (amount.value.kind === "measure" || amount.value.kind === "count")) {
    const w = weigh(amount.value, was.value);
    if (w.ok) g = w.value.grams;
  }
  const c = convert(material, { form: was.value.form!, ...(was.value.cut ? { cut: was.value.cut } : {}) }, { form: is.value.form!, ...(is.value.cut ? { cut: is.value.cut } : {}) });
  if (g === undefined || !c.ok) return ok(tidy);
  const words = said(g * c.value.byMass, is.value, saying, household, by);
  return ok(words.ok ? { ...tidy, amount: words.value } : tidy);
}
