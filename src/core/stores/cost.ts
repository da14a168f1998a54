import { type Estimate, estimate } from "../estimate";
import type { Reckoning } from "../reckoning/reckon";
import type { Program } from "../reckoning/program";
import { type Allotment, allot, isFree, suits } from "./allot";
import type { LotOnHand } from "./stores";

export interface Cost {
  /** In the household's money. Lines without a price are left out of it and named. */
  readonly batch: Estimate;
  readonly per100: Estimate;
  readonly perSpoon: Estimate;
  readonly lines: readonly { readonly name: string; readonly price: number | undefined }[];
  readonly unpriced: readonly string[];
  /** How much of it has a price: where it is "none", nothing is said of what it costs, since nothing is no price. */
  readonly priced: "all" | "some" | "none";
}
const pricedOf = (total: number, unpriced: readonly string[]): Cost["priced"] => {
  if (unpriced.length === 0) return "all";
  return total > 0 ? "some" : "none";
};

/** Paid for a gram of a lot, as it was when bought; `undefined` where no price was written down. */
export const pricePerG = (lot: Pick<LotOnHand, "price" | "grams" | "boughtG">): number | undefined =>
  lot.price === undefined ? undefined : lot.price / (lot.boughtG || lot.grams);

/**
 * What a batch costs from the stores: each gram at its own lot's price, what is lacking at the newest price known for the same stuff.
 * The spread is that of the weighing and, by volume, of the yield. Labour, heat and glass are left out.
 */
export function costOf(
  p: Program,
  r: Reckoning,
  lots: readonly LotOnHand[],
  allotted: readonly Allotment[] = allot(p, lots),
): Cost {
  let total = 0;
  let squares = 0;
  const unpriced: string[] = [];
  const lines = allotted.map(({ line, takes, lackG }) => {
    if (isFree(line)) return { name: line.stuff.name, price: 0 };
    const newest =
      [...lots].reverse().find((l) => suits(l, line) && l.price !== undefined) ??
      [...lots]
        .reverse()
        .find(
          (l) =>
            l.material === line.stuff.id &&
            l.price !== undefined &&
            (!line.stuff.plant || (l.form ?? "dried") === line.stuff.form),
        );
    const fallback = newest ? pricePerG(newest) : undefined;
    let price: number | undefined = 0;
    for (const [grams, per] of [
      ...takes.map((t) => [t.grams, pricePerG(t.lot) ?? fallback] as const),
      ...(lackG > 0 ? [[lackG, fallback] as const] : []),
    ])
      price = price === undefined || per === undefined ? undefined : price + grams * per;
    if (price === undefined) unpriced.push(line.stuff.name);
    else {
      total += price;
      squares += (price * line.tolerance) ** 2;
    }
    return { name: line.stuff.name, price };
  });
  const because = [
    unpriced.length > 0
      ? `without ${unpriced.join(", ")}, which have no price`
      : "prices of the lots in the stores",
  ];
  const half = Math.sqrt(squares);
  const by = (ml: number): Estimate => {
    const { value, low, high } = r.finished.ml;
    if (!(value > 0)) return estimate(0, 0, 0, because);
    return estimate(
      (total / value) * ml,
      ((total - half) / Math.max(high, 1e-9)) * ml,
      ((total + half) / Math.max(low, value * 0.1)) * ml,
      because,
    );
  };
  return {
    batch: estimate(total, Math.max(0, total - half), total + half, because),
    per100: by(100),
    perSpoon: by(r.spoonMl),
    lines,
    unpriced,
    priced: pricedOf(total, unpriced),
  };
}

/** How a home price stands to a shop's, by volume: 0.25 is a quarter of it. Faults are not needed: what is not above nothing gives `undefined`. */
export function againstShop(cost: Cost, shopPrice: number, shopMl: number): number | undefined {
  if (!(shopPrice > 0) || !(shopMl > 0)) return undefined;
  return cost.per100.value / ((100 * shopPrice) / shopMl);
}

/** Money as it is said: what costs nothing in words, and under one in the small coin where the household's money has a word for it. */
export function printMoney(x: number, currency: string): string {
  if (x > 0 && x < 0.995 && currency === "£") return `${Math.max(1, Math.round(100 * x))} p`;
  if (x > 0 && x < 0.995 && (currency === "$" || currency === "€"))
    return `${Math.max(1, Math.round(100 * x))} c`;
  return Math.abs(x) < 0.005 ? "nothing" : `${currency}${x.toFixed(2)}`;
}
