import { type Span, between } from "../estimate";
import { type Result, fail, fault, ok } from "../fault";
import type { Stuff } from "../material/material";
import type { Amount } from "../quantity/amount";

/** Heap volume of an open handful, and of a pinch, mL. Typical, wide. */
const HANDFUL = { low: 90, value: 130, high: 180 };
const PINCH = { low: 0.2, value: 0.35, high: 0.6 };

export interface Weighed {
  readonly grams: number;
  /** Relative half-width of the mass. */
  readonly tolerance: number;
  readonly because: string;
}

const relative = (s: Span): number => (s.value > 0 ? Math.max(s.high - s.value, s.value - s.low) / s.value : 0);
const root = (a: number, b: number): number => Math.sqrt(a * a + b * b);

/**
 * Grams of a measured or counted amount of a stuff, with the spread of the measuring. Shares, parts and goals are solved elsewhere.
 * Faults: BareOunce, WrongUnit, with a suggestion.
 */
export function weigh(amount: Amount, stuff: Stuff): Result<Weighed> {
  if (amount.kind === "measure") {
    const { unit, si } = amount;
    const liquid = !stuff.plant && stuff.bulkLoose === stuff.density;
    if (unit.dimension === "mass") {
      if (liquid && unit.id === "oz" && stuff.class !== "honey" && stuff.class !== "syrup") {
        return fail(fault("BareOunce", `“oz” of ${stuff.name} could be weight or volume. Write “${amount.count.value} fl oz” or give grams.`, [], `${amount.count.value} fl oz`));
      }
      return ok({ grams: si.value, tolerance: root(relative(si), 0.01), because: "weighed" });
    }
    if (unit.dimension === "volume") {
      const each = liquid ? stuff.density : stuff.bulkLoose;
      return ok({ grams: si.value * each, tolerance: root(relative(si), liquid ? 0.015 : stuff.volumeTolerance), because: liquid ? `${stuff.name} at ${stuff.density.toFixed(3)} g/mL` : `a loose heap of ${stuff.name} at ${stuff.bulkLoose.toFixed(2)} g/mL, typical` });
    }
    if (!stuff.gPerCm) return fail(fault("WrongUnit", `${stuff.name} is not measured by length. Use cups, grams or pieces.`));
    const per = between(stuff.gPerCm[0], stuff.gPerCm[1]);
    return ok({ grams: si.value * per.value, tolerance: root(relative(si), relative(per)), because: `${stuff.name} at ${per.low.toFixed(0)}–${per.high.toFixed(0)} g a cm, typical` });
  }
  if (amount.kind === "count") {
    if (amount.unit === "handful" || amount.unit === "pinch") {
      if (!stuff.plant && stuff.bulkLoose === stuff.density) return fail(fault("WrongUnit", `Nobody holds a ${amount.unit} of ${stuff.name}. Use cups, spoons or millilitres.`));
      const size = amount.unit === "handful" ? HANDFUL : PINCH;
      return ok({ grams: amount.count.value * size.value * stuff.bulkLoose, tolerance: root(relative(amount.count), relative(size)), because: `a ${amount.unit} is about ${size.value} mL loose, typical` });
    }
    const kinds = Object.keys(stuff.pieces);
    const unit = amount.unit === "piece" && stuff.pieces["piece"] === undefined && kinds.length > 0 ? kinds[0]! : amount.unit;
    const piece = stuff.pieces[unit];
    if (!piece) {
      const offer = kinds.length > 0 ? `${kinds.map((k) => `${k}s`).join(" or ")}, cups or grams` : stuff.plant ? "cups, spoons, handfuls or grams" : "cups, spoons, millilitres or grams";
      return fail(fault("WrongUnit", `${stuff.name[0]!.toUpperCase()}${stuff.name.slice(1)} is not counted in ${amount.unit === "piece" ? "pieces" : `${amount.unit}s`}. Use ${offer}.`));
    }
    const per = between(piece[0], piece[1]);
    // Pieces vary singly, so many of them vary less.
    return ok({ grams: amount.count.value * per.value, tolerance: root(relative(amount.count), relative(per) / Math.sqrt(Math.max(1, amount.count.value / 2))), because: `a ${unit} of ${stuff.name} weighs ${Number(per.low.toPrecision(2))}–${Number(per.high.toPrecision(2))} g, typical` });
  }
  throw new Error(`weigh: ${amount.kind} amounts are solved, not weighed`);
}
