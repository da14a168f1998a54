import { exactly, scaled } from "../estimate";
import { CLASSES } from "../material/classes";
import type { Material } from "../material/material";
import { type Amount, counted, measure, times } from "../quantity/amount";
import { UNITS, type UnitSystem } from "../quantity/units";
import { withArticle } from "../words";
import { readAmount } from "./amounts";
import { nameWord } from "./name-word";
import { printAmount, printG } from "./print";
import type { By } from "./quantity";
import { VAGUE_CHOICES, VAGUE_OTHERWISE } from "./quantity-words";
import { type Choice, type ReadingContext, sayAmount } from "./said";
import { unitWord } from "./unit-words";

/** An amount as an answer. */
export interface AmountChoice extends Pick<Choice, "words" | "remember"> {
  readonly amount: Amount;
}
/** Either the amount, or the question that must come first. */
export type Fitted =
  | { readonly amount: Amount; readonly took?: string }
  | { readonly question: string; readonly choices: readonly AmountChoice[] };

const THICK = new Set(["honey", "syrup"]);
const isPoured = (m: Material): boolean => m.kind === "stuff" && m.row.bulk === undefined;
/** Poured, and thin enough that an ounce of it may be either. */
export const isThin = (m: Material): boolean => isPoured(m) && !THICK.has(m.row.class);

const PIECES = new WeakMap<Material, readonly string[]>();
/** Pieces of a material by the units they are counted in: its own, and those of its class. */
export function piecesOf(m: Material): readonly string[] {
  let pieces = PIECES.get(m);
  if (!pieces) {
    const ofClass = m.kind === "plant" ? Object.keys(CLASSES[m.row.class].pieces) : [];
    PIECES.set(m, (pieces = [...Object.keys(m.row.pieces ?? {}), ...ofClass]));
  }
  return pieces;
}

function ounces(
  a: Extract<Amount, { kind: "measure" }>,
  m: Material,
  ctx: ReadingContext,
  by: By | undefined,
): Fitted | undefined {
  if (a.terms.length !== 1 || a.terms[0]!.unit.id !== "oz" || !isThin(m)) return undefined;
  const known = by ?? ctx.ounces?.[m.row.id];
  const fl = unitWord("fl oz", "fl oz", ctx.system);
  if (!fl || !("unit" in fl)) return undefined;
  const { count } = a.terms[0]!;
  const how = a.hedge ? { hedge: a.hedge } : {};
  const byVolume = measure([{ unit: fl.unit, count }], how);
  // Grams, since a plan’s bare “oz” of a thin liquid could be either.
  const byWeight = measure([{ unit: UNITS.g, count: scaled(count, UNITS.oz.size) }], how);
  const took = (words: string) => (by ? {} : { took: `${words}, as you said before` });
  if (known === "volume") return { amount: byVolume, ...took("fluid ounces") };
  if (known === "weight") return { amount: byWeight, ...took("ounces of weight") };
  const material = m.row.id;
  return {
    question: `Ounces of ${m.row.names[0]!} by volume, or by weight?`,
    choices: [
      {
        words: `by volume: ${sayAmount(byVolume, ctx.system)}`,
        amount: byVolume,
        remember: { material, as: "volume" },
      },
      {
        words: `by weight: ${printG(byWeight.si.value)}`,
        amount: byWeight,
        remember: { material, as: "weight" },
      },
    ],
  };
}

/** The usual measures of a material, offered where what was said cannot be weighed. */
function usualMeasures(m: Material, word: string): readonly string[] {
  const sort = isPoured(m) ? "liquid" : "dry";
  const known = VAGUE_CHOICES[nameWord(word)]?.[sort];
  return known && known.length > 0 ? known : VAGUE_OTHERWISE[sort];
}

/** Words that name no measure at all. */
const NO_MEASURE: ReadonlySet<string> = new Set([
  "",
  "some",
  "little",
  "plenty",
  "lots",
  "bit",
  "glass",
  "few",
]);

/** A question of how much one of a vague measure is, with usual ones to pick from. @param count how many of it were said */
export function howMuch(m: Material, word: string, count: number, system: UnitSystem): Fitted {
  const name = m.row.names[0]!;
  return {
    question: NO_MEASURE.has(word)
      ? `How much ${name}?`
      : `How much ${name} is ${withArticle(nameWord(word))}?`,
    choices: usualMeasures(m, word).flatMap((each) => {
      const a = readAmount(each, system);
      if (!a.ok) return [];
      const amount = times(a.value, count);
      const words = count === 1 ? each : `${each} each, ${sayAmount(amount, system)} in all`;
      return [{ words, amount }];
    }),
  };
}

/** A length of what has no weight by its length; where it is sold by the stick, the stick comes first. */
function ofThatLength(m: Material, system: UnitSystem): Fitted {
  const asked = howMuch(m, "piece of that length", 1, system);
  if (!("question" in asked) || !piecesOf(m).includes("stick")) return asked;
  const sticks = [1, 2].map((n) => counted("stick", exactly(n)));
  const choices = sticks.map((amount) => ({ words: printAmount(amount, system), amount }));
  return { ...asked, choices: [...choices, ...asked.choices] };
}

/**
 * Whether an amount can be of this material, and what it comes to: ounces of a thin liquid are asked, pieces of what is not counted too.
 * @param by whether it was said by weight or by volume, as the size of a bought bottle is
 */
export function fitAmount(a: Amount, m: Material, ctx: ReadingContext, by: By | undefined): Fitted {
  if (a.kind === "measure") {
    const asked = ounces(a, m, ctx, by);
    if (asked) return asked;
    // Drops of a plant are of its oil or its extract, which is another thing.
    if (m.kind === "plant" && a.terms.some((t) => t.unit.id === "drop" || t.unit.id === "dropper"))
      return howMuch(m, "drop", 1, ctx.system);
    if (a.dimension === "length" && !(m.kind === "plant" && m.row.gPerCm)) return ofThatLength(m, ctx.system);
    return { amount: a };
  }
  if (a.kind !== "count") return { amount: a };
  const pieces = piecesOf(m);
  if (a.unit === "handful" || a.unit === "pinch")
    return isPoured(m) ? howMuch(m, a.unit, a.count.value, ctx.system) : { amount: a };
  if (a.unit === "piece") return pieces.length > 0 ? { amount: a } : howMuch(m, "", 1, ctx.system);
  return pieces.includes(a.unit) ? { amount: a } : howMuch(m, a.unit, a.count.value, ctx.system);
}

/** What nobody fills a jar with: its amount is asked where none is said. */
const BY_MEASURE: ReadonlySet<string> = new Set([
  "pepper",
  "seed",
  "resin",
  "acid",
  "salt",
  "mineral",
  "oil",
]);
export const wantsAmount = (m: Material): boolean => BY_MEASURE.has(m.row.class);
