import { lineOf, linesOf, withAmount } from "../plan/edit";
import type { Line, Plan } from "../plan/plan";
import { materialsOf } from "../reckoning/context";
import type { Context } from "../reckoning/context";
import type { Amount } from "../quantity/amount";
import { readAmount } from "../reading/amounts";
import { kitchenMass, kitchenVolume } from "../reading/kitchen-amount";
import { printAmount, printCount } from "../reading/print";

/** Changed by no more than this, an amount is as it was. */
const UNTOLD = 0.05;
/** What the nearest measure misses by more than this is left in its own figures: four times the cayenne is no rounding. */
const MOST_OFF = 0.2;
/** A figure no drawer holds: more decimals than a fraction glyph stands for. */
const IN_FIGURES = /\d\.\d/;

/** A piece is quartered, one or two are halved, more are counted. */
function partsOf(n: number): number {
  if (n < 1) return 4;
  return n < 2 ? 2 : 1;
}
/** Pieces to the nearest that can be cut. */
function wholePieces(a: Extract<Amount, { kind: "count" }>): Amount {
  const n = a.count.value;
  const parts = partsOf(n);
  const whole = Math.max(1, Math.round(parts * n)) / parts;
  const by = whole / n;
  return { ...a, count: { low: a.count.low * by, value: whole, high: a.count.high * by } };
}

/** The amount as it can be measured; nothing where it can be already, or rests on something else. */
function measurable(
  l: Line,
  units: Plan["units"],
  restated: boolean,
): { readonly text: string; readonly off: number } | undefined {
  if (!restated && !IN_FIGURES.test(l.amount)) return undefined;
  const read = readAmount(l.amount, units);
  if (!read.ok) return undefined;
  const a = read.value;
  if (a.kind === "count") {
    const to = wholePieces(a);
    return to.kind === "count"
      ? { text: printAmount(to, units), off: to.count.value / a.count.value - 1 }
      : undefined;
  }
  if (a.kind !== "measure") return undefined;
  const si = a.si.value;
  if (a.dimension === "length") {
    const n = a.terms[0]!;
    const cm = n.unit.id === "cm";
    const parts = cm ? 2 : 4;
    const said = Math.max(1, Math.round(parts * n.count.value)) / parts;
    const word = said > 1 ? "inches" : "inch";
    return { text: `${printCount(said)} ${cm ? "cm" : word}`, off: said / n.count.value - 1 };
  }
  const text = a.dimension === "mass" ? kitchenMass(si) : kitchenVolume(si, units, "nearest");
  const is = readAmount(text, units);
  return is.ok && is.value.kind === "measure" ? { text, off: is.value.si.value / si - 1 } : undefined;
}

/** Whether the app said it anew: it was a part, a filling or a share before it was scaled. What was typed in millilitres stays in them. */
function isRestated(l: Line, was: Plan | undefined): boolean {
  const before = was && lineOf(was, l.id);
  const read = before && readAmount(before.amount, was.units);
  return read?.ok === true && read.value.kind !== "measure" && read.value.kind !== "count";
}

/** The plan with every amount in what a kitchen can measure, and what was changed by that, told. What is measured already stays letter for letter. @param was before it was scaled */
export function kitchenable(
  plan: Plan,
  was?: Plan,
  around: Context = {},
): { readonly plan: Plan; readonly told: readonly string[] } {
  const names = materialsOf(plan, around);
  let out = plan;
  const told: string[] = [];
  for (const l of linesOf(plan)) {
    const to = measurable(l, plan.units, isRestated(l, was));
    if (!to || to.text === l.amount || Math.abs(to.off) > MOST_OFF) continue;
    out = withAmount(out, l.id, to.text);
    const name = l.called ?? names.get(l.material)?.row.names[0] ?? l.material;
    if (Math.abs(to.off) > UNTOLD) told.push(`${name}: ${to.text}, for ${l.amount}`);
  }
  return { plan: out, told };
}
