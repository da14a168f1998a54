import { type Span, between } from "../estimate";
import { type Result, fail, fault, ok } from "../fault";
import { type Stuff, isLiquid } from "../material/material";
import { type Count, type Measure, SIZE_FACTOR } from "../quantity/amount";
import { printFigures } from "../reading/print";
import { writtenCount } from "../reading/unit-words";
import { capital } from "../words";

/** Heap volume of an open handful, and of a pinch, mL. Typical, wide. */
const HANDFUL = { low: 90, value: 130, high: 180 };
const PINCH = { low: 0.2, value: 0.35, high: 0.6 };

export interface Weighed {
  readonly grams: number;
  /** Relative half-width of the mass. */
  readonly tolerance: number;
  readonly because: string;
}

const relative = (s: Span): number =>
  s.value > 0 ? Math.max(s.high - s.value, s.value - s.low) / s.value : 0;
const root = (a: number, b: number): number => Math.sqrt(a * a + b * b);
const THICK = new Set(["honey", "syrup"]);

function measured(amount: Measure, stuff: Stuff): Result<Weighed> {
  const { si, dimension } = amount;
  const liquid = isLiquid(stuff);
  if (dimension === "mass") {
    const bare = amount.terms.some((t) => t.unit.id === "oz");
    if (liquid && bare && !THICK.has(stuff.class)) {
      const n = printFigures(amount.terms[0]!.count.value);
      return fail(
        fault(
          "BareOunce",
          `“oz” of ${stuff.name} could be weight or volume. Write “${n} fl oz”, or “${printFigures(Math.round(si.value))} g” if it was weighed.`,
          [],
          `${n} fl oz`,
        ),
      );
    }
    return ok({ grams: si.value, tolerance: root(relative(si), 0.01), because: "weighed" });
  }
  if (dimension === "volume") {
    const heap = amount.packing === "packed" ? stuff.bulkPressed : stuff.bulkLoose;
    const each = liquid ? stuff.density : heap;
    return ok({
      grams: si.value * each,
      tolerance: root(relative(si), liquid ? 0.015 : stuff.volumeTolerance),
      because: liquid
        ? `${stuff.name} at ${stuff.density.toFixed(3)} g/mL`
        : `a ${amount.packing ?? "loose"} heap of ${stuff.name} at ${each.toFixed(2)} g/mL, typical`,
    });
  }
  if (!stuff.gPerCm)
    return fail(
      fault("WrongUnit", `${capital(stuff.name)} is not measured by length. Use cups, grams or pieces.`),
    );
  const per = between(stuff.gPerCm[0], stuff.gPerCm[1]);
  return ok({
    grams: si.value * per.value,
    tolerance: root(relative(si), relative(per)),
    because: `${stuff.name} at ${per.low.toFixed(0)}–${per.high.toFixed(0)} g a cm, typical`,
  });
}

function bySight(amount: Count, stuff: Stuff): Result<Weighed> {
  if (isLiquid(stuff))
    return fail(
      fault("WrongUnit", `Nobody holds a ${amount.unit} of ${stuff.name}. Use cups, spoons or millilitres.`),
    );
  const size = amount.unit === "handful" ? HANDFUL : PINCH;
  return ok({
    grams: amount.many.value * size.value * stuff.bulkLoose,
    tolerance: root(relative(amount.many), relative(size)),
    because: `a ${amount.unit} is about ${size.value} mL loose, typical`,
  });
}

function notCounted(amount: Count, stuff: Stuff, kinds: readonly string[]): Result<never> {
  const counted = kinds.map((k) => writtenCount(k as Count["unit"], true)).join(" or ");
  const scooped = stuff.plant ? "cups, spoons, handfuls or grams" : "cups, spoons, millilitres or grams";
  return fail(
    fault(
      "WrongUnit",
      `${capital(stuff.name)} is not counted in ${writtenCount(amount.unit, true)}. Use ${kinds.length > 0 ? `${counted}, cups or grams` : scooped}.`,
    ),
  );
}

/**
 * Grams of a measured or counted amount of a stuff, with the spread of the measuring. Shares, parts and goals are solved elsewhere.
 * Faults: `BareOunce`, `WrongUnit`, with a suggestion.
 */
export function weigh(amount: Measure | Count, stuff: Stuff): Result<Weighed> {
  if (amount.kind === "measure") return measured(amount, stuff);
  if (amount.unit === "handful" || amount.unit === "pinch") return bySight(amount, stuff);
  const kinds = Object.keys(stuff.pieces);
  const unit =
    amount.unit === "piece" && stuff.pieces["piece"] === undefined ? (kinds[0] ?? "piece") : amount.unit;
  const piece = stuff.pieces[unit];
  if (!piece) return notCounted(amount, stuff, kinds);
  const by = amount.size ? SIZE_FACTOR[amount.size] : 1;
  const per = between(piece[0] * by, piece[1] * by);
  // Pieces vary singly, so many of them vary less; a size said narrows them too.
  const one = relative(per) * (amount.size ? 0.7 : 1);
  return ok({
    grams: amount.many.value * per.value,
    tolerance: root(relative(amount.many), one / Math.sqrt(Math.max(1, amount.many.value / 2))),
    because: `a ${amount.size ? `${amount.size} ` : ""}${unit} of ${stuff.name} weighs ${printFigures(Number(per.low.toPrecision(2)))}–${printFigures(Number(per.high.toPrecision(2)))} g, typical`,
  });
}
