import { exactly, scaled } from "../estimate";
import { CLASSES } from "../material/classes";
import type { Material } from "../material/material";
import { type Amount, counted, measure, times } from "../quantity/amount";
import { UNITS, type UnitSystem } from "../quantity/units";
import { withArticle } from "../words";
import { readAmount } from "./amounts";
import type { By } from "./quantity";
import { printAmount, printG } from "./print";
import { type Choice, type ReadingContext, sayAmount, sayLine } from "./said";
import { unitWord } from "./unit-words";
import { VAGUE_CHOICES, VAGUE_OTHERWISE } from "./quantity-words";
import { nameWord } from "./names";

/** Either the amount, or the question that must come first. */
export type Fitted =
  | { readonly amount: Amount; readonly took?: string }
  | { readonly question: string; readonly choices: readonly Choice[] };

const THICK = new Set(["honey", "syrup"]);
/** Poured, and thin enough that an ounce of it may be either. */
export const isThin = (m: Material): boolean =>
  m.kind === "stuff" && m.row.bulk === undefined && !THICK.has(m.row.class);
const isPoured = (m: Material): boolean => m.kind === "stuff" && m.row.bulk === undefined;

type Rest = Omit<Parameters<typeof sayLine>[0], "amount" | "material">;

/** Pieces of a material by the units they are counted in: its own, and those of its class. */
export function piecesOf(m: Material): readonly string[] {
  let pieces = PIECES.get(m);
  if (!pieces) {
    const ofClass = m.kind === "plant" ? Object.keys(CLASSES[m.row.class].pieces) : [];
    PIECES.set(m, (pieces = [...Object.keys(m.row.pieces ?? {}), ...ofClass]));
  }
  return pieces;
}
const PIECES = new WeakMap<Material, readonly string[]>();

function ounces(
  a: Extract<Amount, { kind: "measure" }>,
  m: Material,
  ctx: ReadingContext,
  by: By | undefined,
  rest: Rest,
): Fitted | undefined {
  if (a.terms.length !== 1 || a.terms[0]!.unit.id !== "oz" || !isThin(m)) return undefined;
  const known = by ?? ctx.ounces?.[m.row.id];
  const fl = unitWord("fl oz", "fl oz", ctx.system);
  if (!fl || !("unit" in fl)) return undefined;
  const byVolume = measure([{ unit: fl.unit, count: a.terms[0]!.count }], a.hedge ? { hedge: a.hedge } : {});
  if (known === "volume")
    return { amount: byVolume, ...(by ? {} : { took: "fluid ounces, as you said before" }) };
  // Grams, since a plan’s bare “oz” of a thin liquid could be either.
  const byWeight = measure(
    [{ unit: UNITS.g, count: scaled(a.terms[0]!.count, UNITS.oz.size) }],
    a.hedge ? { hedge: a.hedge } : {},
  );
  if (known === "weight")
    return { amount: byWeight, ...(by ? {} : { took: "ounces of weight, as you said before" }) };
  const name = m.row.names[0]!;
  return {
    question: `Ounces of ${name} by volume, or by weight?`,
    choices: [
      {
        remember: { material: m.row.id, as: "volume" as const },
        words: `by volume: ${sayAmount(byVolume, ctx.system)}`,
        text: sayLine({ ...rest, material: m, amount: sayAmount(byVolume, ctx.system) }),
      },
      {
        remember: { material: m.row.id, as: "weight" as const },
        words: `by weight: ${printG(byWeight.si.value)}`,
        text: sayLine({ ...rest, material: m, amount: printAmount(byWeight, "metric") }),
      },
    ],
  };
}

/** The usual measures of a material, offered where what was said cannot be weighed. */
export function usualMeasures(m: Material, word: string): readonly string[] {
  const plainWord = nameWord(word);
  const sort = isPoured(m) ? "liquid" : "dry";
  const known = VAGUE_CHOICES[plainWord]?.[sort];
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
export function howMuch(m: Material, word: string, rest: Rest, count = 1, system: UnitSystem = "us"): Fitted {
  const name = m.row.names[0]!;
  const inAll = (each: string): string => {
    const a = readAmount(each, system);
    return a.ok ? sayAmount(times(a.value, count), system) : each;
  };
  return {
    question: NO_MEASURE.has(word)
      ? `How much ${name}?`
      : `How much ${name} is ${withArticle(nameWord(word))}?`,
    choices: usualMeasures(m, word).map((each) => {
      const amount = count === 1 ? each : inAll(each);
      return {
        words: count === 1 ? each : `${each} each, ${amount} in all`,
        text: sayLine({ ...rest, material: m, amount }),
      };
    }),
  };
}

/** A length of what has no weight by its length; where it is sold by the stick, the stick comes first. */
function ofThatLength(m: Material, rest: Rest): Fitted {
  const asked = howMuch(m, "piece of that length", rest);
  if (!("question" in asked) || !piecesOf(m).includes("stick")) return asked;
  const sticks = [counted("stick", exactly(1)), counted("stick", exactly(2))].map((a) =>
    printAmount(a, "us"),
  );
  const choices = sticks.map((amount) => ({
    words: amount,
    text: sayLine({ ...rest, material: m, amount }),
  }));
  return { ...asked, choices: [...choices, ...asked.choices] };
}

/**
 * Whether an amount can be of this material, and what it comes to: ounces of a thin liquid are asked, pieces of what is not counted too.
 * @param by whether it was said by weight or by volume, as the size of a bought bottle is
 */
export function fitAmount(
  a: Amount,
  m: Material,
  ctx: ReadingContext,
  by: By | undefined,
  rest: Rest,
): Fitted {
  if (a.kind === "measure") {
    const asked = ounces(a, m, ctx, by, rest);
    if (asked) return asked;
    if (a.dimension === "length" && !(m.kind === "plant" && m.row.gPerCm)) return ofThatLength(m, rest);
    return { amount: a };
  }
  if (a.kind !== "count") return { amount: a };
  const pieces = piecesOf(m);
  if (a.unit === "handful" || a.unit === "pinch")
    return isPoured(m) ? howMuch(m, a.unit, rest, a.count.value, ctx.system) : { amount: a };
  if (a.unit === "piece") return pieces.length > 0 ? { amount: a } : howMuch(m, "", rest);
  return pieces.includes(a.unit) ? { amount: a } : howMuch(m, a.unit, rest, a.count.value, ctx.system);
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
