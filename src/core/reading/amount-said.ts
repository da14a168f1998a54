import { exactly, scaled } from "../estimate";
import { type Material, stuffOf } from "../material/material";
import { type Amount, type Measure, measure, times } from "../quantity/amount";
import { type AmountChoice, type Fitted, fitAmount, howMuch, wantsAmount } from "./fit-amount";
import type { AmountSaid } from "./gathered";
import { sensesOf } from "./lexicon";
import { meantBy } from "./names";
import { printCount } from "./print";
import { type ReadingContext, sayAmount } from "./said";
import type { Thing } from "./things";

/** The amount said of a material, where any was; with a question or a fault that must come first. */
export type SaidAmount =
  | {
      readonly amount: Amount | undefined;
      readonly took?: string;
      readonly from?: number;
      readonly to?: number;
    }
  | Extract<Fitted, { question: string }>;

const isWeighed = (q: AmountSaid): boolean =>
  q.is === "amount" && q.amount.kind === "measure" && q.amount.dimension !== "length";
const isShare = (a: Amount): a is Extract<Amount, { kind: "jar" }> => a.kind === "jar" && a.count.high <= 1;

/** Amounts that make one amount put together: “1 bottle (750 mL)”, “2 pieces, 1 inch each”, “fill a quart jar”. */
function together({ amounts }: Thing, madeIn: boolean): Thing["amounts"] {
  const [first, second] = amounts;
  const at = first && second && { from: first.at.from, to: second.at.to };
  // “a quart jar, half full of sage”.
  if (
    first?.q.is === "amount" &&
    second?.q.is === "amount" &&
    first.q.amount.kind === "measure" &&
    isShare(second.q.amount)
  )
    return [
      {
        q: { ...first.q, amount: times(first.q.amount, second.q.amount.count.value), by: "volume" },
        at: at!,
      },
      ...amounts.slice(2),
    ];
  // “a small jar a third full”: the vessel, and how full.
  if (
    first?.q.is === "vague" &&
    sensesOf(first.q.word).jar &&
    second?.q.is === "amount" &&
    isShare(second.q.amount)
  )
    return amounts.slice(1);
  // “1 bunch parsley (30 g)”, “a glass jar of honey, 454 g”: vague measures, and what they come to.
  const k = amounts.findIndex((a) => a.q.is === "amount");
  if (first?.q.is === "vague" && k > 0 && amounts[k]!.q.is === "amount" && isWeighed(amounts[k]!.q)) {
    const held = amounts.slice(0, k).find((a) => a.q.is === "vague" && sensesOf(a.q.word).container);
    const { amount } = amounts[k]!.q as Extract<AmountSaid, { is: "amount" }>;
    const count = held?.q.is === "vague" ? held.q.count.value : 1;
    const q = { is: "amount", amount: times(amount, count), next: amounts[k]!.q.next, by: "volume" } as const;
    return [{ q, at: { from: first.at.from, to: amounts[k]!.at.to } }, ...amounts.slice(k + 1)];
  }
  if (!first || second?.q.is !== "amount" || second.q.amount.kind !== "measure") return amounts;
  const measured = second.q.amount;
  const both = (amount: Amount): Thing["amounts"] => [
    {
      q: { is: "amount", amount, next: second.q.next, by: "volume" },
      at: { from: first.at.from, to: second.at.to },
    },
    ...amounts.slice(2),
  ];
  if (first.q.is === "vague") return amounts;
  const { amount } = first.q;
  // “half fill a pint jar”: of the one it is made in where a whole recipe says so, else of that size.
  if (isShare(amount) && second.q.by === "volume")
    return madeIn ? [first, ...amounts.slice(2)] : both(times(measured, amount.count.value));
  // The Bench's own jar is not filled where another's size is said.
  if (amount.kind === "fill" && second.q.by === "volume") return both(measured);
  return amount.kind === "count" && measured.dimension === "length" && !amount.size
    ? both(times(measured, amount.count.value))
    : amounts;
}

/** Recipes round an ounce to 25 g and a cup to 250 mL: so far apart may two measures of one thing be. */
const ROUNDED = 0.13;
/** Whether two amounts said of one thing are the same, or of sorts that cannot be set against one another. */
function agree(a: Amount, b: Amount): boolean {
  if (a.kind === "count" && b.kind === "count") return a.unit !== b.unit || a.many.value === b.many.value;
  // Pieces and what they weigh are two ways to say one amount; a share and a measure are not.
  if ((a.kind === "count" && b.kind === "measure") || (a.kind === "measure" && b.kind === "count"))
    return true;
  if (a.kind !== "measure" || b.kind !== "measure") return a.kind === b.kind && printsSame(a, b);
  if (a.dimension !== b.dimension) return true;
  return Math.abs(a.si.value - b.si.value) <= ROUNDED * Math.max(a.si.value, b.si.value);
}
const printsSame = (a: Amount, b: Amount): boolean => sayAmount(a, "us") === sayAmount(b, "us");

const whichOf = (amounts: readonly Amount[], ctx: ReadingContext): readonly AmountChoice[] =>
  amounts.map((amount) => ({ words: sayAmount(amount, ctx.system), amount }));

/** “To taste” is asked: a little is offered as a range. */
function toTaste(m: Material, q: AmountSaid | undefined, ctx: ReadingContext): SaidAmount {
  const little = howMuch(m, "little", 1, ctx.system);
  const choices: AmountChoice[] = q?.is === "amount" ? [...whichOf([q.amount], ctx)] : [];
  if ("question" in little)
    choices.push(...little.choices.slice(0, 1).map((c) => ({ ...c, words: `a little: ${c.words}` })));
  if (m.kind === "stuff" && m.row.bulk === undefined)
    choices.push({
      words: "a quarter of the strained liquid",
      amount: { kind: "of-liquid", count: exactly(1 / 4) },
    });
  const name = m.row.names[0]!;
  return { question: `How much ${name} to begin with? It can be put right at the tasting.`, choices };
}

/** “Half as much as the vinegar”, “as much honey as liquid”. */
function byAnother(x: Thing, m: Material, ctx: ReadingContext): SaidAmount {
  const by = x.asMuch!;
  const ofLiquid: Amount = { kind: "of-liquid", count: exactly(by) };
  if (x.against && !x.against.span) return { amount: ofLiquid };
  const other = x.against?.span ? meantBy(x.against.span.names)[0]?.material : undefined;
  const poured = other ? ctx.poured?.(other.row.id) : undefined;
  if (poured && (poured.kind === "measure" || poured.kind === "part" || poured.kind === "count"))
    return { amount: times(poured, by) };
  if (poured?.kind === "jar") return { amount: { kind: "jar", count: scaled(poured.count, by) } };
  const part: Amount = { kind: "part", count: exactly(by) };
  return {
    question: `How much ${m.row.names[0]!} is that?`,
    choices: [
      { words: `${printCount(by)} of the strained liquid`, amount: ofLiquid },
      { words: `${sayAmount(part, ctx.system)}, where the other is 1 part`, amount: part },
    ],
  };
}

/** “1 cup of sugar for every pint of liquid”: a share of the liquid by volume. */
function forEvery(a: Amount, perMl: number, m: Material): Amount | undefined {
  if (a.kind !== "measure" || a.dimension === "length") return undefined;
  const stuff = stuffOf(m, {});
  const density = stuff.ok ? stuff.value.bulkLoose : 1;
  const ml = a.dimension === "volume" ? a.si : scaled(a.si, 1 / density);
  return { kind: "of-liquid", count: scaled(ml, 1 / perMl) };
}

/** “1 cup honey less 2 tbsp”: what is left, in the unit of the first. */
function without(a: Amount, less: AmountSaid): Amount | undefined {
  if (a.kind !== "measure" || less.is !== "amount" || less.amount.kind !== "measure") return undefined;
  const b: Measure = less.amount;
  if (a.dimension !== b.dimension || b.si.high >= a.si.low) return undefined;
  const { unit } = a.terms[0]!;
  const count = {
    low: (a.si.low - b.si.high) / unit.size,
    value: (a.si.value - b.si.value) / unit.size,
    high: (a.si.high - b.si.low) / unit.size,
  };
  return measure([{ unit, count }], a.packing ? { packing: a.packing } : {});
}

/** A measured amount as it lies when the line says “packed” somewhere else than beside it. */
function packedAs(a: Amount, packing: Thing["packing"]): Amount {
  if (!packing || a.kind !== "measure" || a.packing || a.dimension !== "volume") return a;
  return measure(a.terms, { packing, ...(a.hedge ? { hedge: a.hedge } : {}) });
}

/** What is bought by the jar: half of one may be half of that. */
const SOLD_IN_JARS: ReadonlySet<string> = new Set(["honey", "syrup", "sugar"]);

/** The amount said of a material, or the question that must come first. */
export function amountOf(x: Thing, m: Material, ctx: ReadingContext): SaidAmount {
  const [first, ...others] = together(x, ctx.madeIn === true);
  if (x.taste) return toTaste(m, first?.q, ctx);
  const shared = x.asMuch !== undefined || x.equal;
  if (shared && first?.q.is === "amount")
    return { question: `How much ${m.row.names[0]!}?`, choices: whichOf([first.q.amount], ctx) };
  if (x.asMuch !== undefined) return byAnother(x, m, ctx);
  if (x.equal) return { amount: { kind: "part", count: exactly(1) } };
  if (!first) return wantsAmount(m) ? howMuch(m, "", 1, ctx.system) : { amount: undefined };
  if (first.q.is === "vague") return howMuch(m, first.q.word, first.q.count.value, ctx.system);
  let { amount } = first.q;
  const { by, most, jarOf } = first.q;
  if (most) {
    const words = sayAmount(amount, ctx.system);
    return {
      question: `How much ${m.row.names[0]}, up to ${words}?`,
      choices: whichOf([amount, times(amount, 0.5)], ctx),
    };
  }
  for (const { q } of others) {
    if (q.is === "vague") return howMuch(m, q.word, 1, ctx.system);
    if (agree(amount, q.amount)) continue;
    const both = whichOf([amount, q.amount], ctx);
    return {
      question: `${both[0]!.words} and ${both[1]!.words} are not the same. Which is it?`,
      choices: both,
    };
  }
  const shares = amount.kind === "part" || amount.kind === "of-liquid" || amount.kind === "jar";
  if (x.by === "weight" && (shares || (amount.kind === "measure" && amount.dimension === "volume")))
    return {
      question: `${sayAmount(amount, ctx.system)} by weight? Here that is counted by volume: take it so, or say grams.`,
      choices: whichOf([amount], ctx).map((c) => ({ ...c, words: `${c.words}, by volume` })),
    };
  if (jarOf && SOLD_IN_JARS.has(m.row.class)) {
    const bought = howMuch(m, "jar", amount.kind === "jar" ? amount.count.value : 1, ctx.system);
    const own = whichOf([amount], ctx).map((c) => ({ ...c, words: `${c.words} of the one it is made in` }));
    if ("question" in bought) return { ...bought, choices: [...own, ...bought.choices] };
  }
  if (x.less) {
    const left = without(amount, x.less);
    if (!left) return { question: `How much ${m.row.names[0]}?`, choices: whichOf([amount], ctx) };
    amount = left;
  }
  if (x.per !== undefined) {
    const share = forEvery(amount, x.per, m);
    if (!share) return { question: `How much ${m.row.names[0]}?`, choices: whichOf([amount], ctx) };
    return { amount: share };
  }
  const fitted = fitAmount(packedAs(amount, x.packing), m, ctx, by ?? x.by);
  if ("question" in fitted) return fitted;
  const { took } = fitted;
  const at = x.less ? undefined : first.at;
  return { amount: fitted.amount, ...(took ? { took } : {}), ...(at ? { from: at.from, to: at.to } : {}) };
}
