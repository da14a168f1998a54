import type { Allotment } from "./allot";

/** A fruit to get for its juice, its zest, or both of the same one. */
export interface Fruit {
  readonly fruit: string;
  readonly count: number;
  readonly for: "juice" | "zest" | "zest and juice";
}
/** What one of middling size gives: mL of juice, g of fresh zest. General knowledge, unchecked; both rather little than much. */
const GIVES: readonly (readonly [fruit: string, juice: string, peel: string, ml: number, g: number])[] = [
  ["lemon", "lemon-juice", "lemon-peel", 45, 6],
  ["lime", "lime-juice", "lime-peel", 30, 4],
  ["orange", "orange-juice", "orange-peel", 80, 10],
  ["Seville orange", "", "seville-peel", 60, 10],
  ["grapefruit", "", "grapefruit-peel", 150, 16],
  ["mandarin", "", "mandarin-peel", 40, 6],
];
/** A hair over a whole fruit is a whole fruit. */
const HAIR = 0.05;
const whole = (n: number): number => (n > 0 ? Math.max(1, Math.ceil(n - HAIR)) : 0);

/** Fruits a line lacks: as many as it says, where it counts them; else by what one gives. */
function piecesOf({ line, lackG }: Allotment, each: (grams: number) => number): number {
  const { amount, grams } = line;
  return amount.kind === "count" && amount.unit === "fruit"
    ? (amount.count.value * lackG) / grams
    : each(lackG);
}

/** Fruits that give the juice and the fresh zest a plan lacks: the juice is pressed from those that were zested. */
export function fruitFor(all: readonly Allotment[]): Fruit[] {
  const lacks = (id: string, each: (a: Allotment) => number): number =>
    whole(all.filter((a) => a.line.stuff.id === id && a.lackG > 0).reduce((n, a) => n + each(a), 0));
  return GIVES.flatMap(([fruit, juice, peel, ml, g]): Fruit[] => {
    const pressed = lacks(juice, (a) => piecesOf(a, (grams) => grams / a.line.stuff.density / ml));
    const zested = lacks(peel, (a) =>
      a.line.stuff.form === "fresh" ? piecesOf(a, (grams) => grams / g) : 0,
    );
    if (pressed === 0 && zested === 0) return [];
    if (zested === 0) return [{ fruit, count: pressed, for: "juice" }];
    return [{ fruit, count: Math.max(pressed, zested), for: pressed === 0 ? "zest" : "zest and juice" }];
  });
}
