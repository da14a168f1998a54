import { type Day, daysBetween } from "../day";
import type { Stored } from "./events";
import type { Lot } from "./item";

/** What a household’s own drying of a plant came to: g of dried herb of a gram of the fresh, and days. */
export interface Dried {
  readonly share: number;
  readonly days: number;
  readonly times: number;
}

const lotOf = (s: Stored): Lot | undefined => (s.item.what === "lot" ? s.item : undefined);

/** What was dried of a plant before, on the middle: the grams summed, the days at their mean. Nothing where none was. */
export function driedBefore(items: readonly Stored[], material: string): Dried | undefined {
  const all = items.flatMap((s) => {
    const l = lotOf(s);
    return l?.material === material && l.was && l.form === "dried" ? [{ l, was: l.was }] : [];
  });
  if (all.length === 0) return undefined;
  const fresh = all.reduce((g, { was }) => g + was.grams, 0);
  const dry = all.reduce((g, { l }) => g + l.grams, 0);
  const days = all.reduce((n, { was }) => n + daysBetween(was.since, was.done), 0) / all.length;
  return { share: dry / fresh, days: Math.round(days), times: all.length };
}

/** A lot as it hangs, from a day. */
export const hungUp = (l: Lot, today: Day): Lot => ({ ...l, drying: today });
type Typed = Omit<Lot, "grams">;
/** A lot that has dried: weighed anew, as typed. */
export function driedLot(
  { drying, grams: _, ...l }: Lot,
  { leftG, amount, today }: { leftG: number; amount: string; today: Day },
): Typed {
  const was = { ...(l.form ? { form: l.form } : {}), grams: leftG, since: drying ?? l.got, done: today };
  return { ...l, form: "dried", amount, was };
}
/** A lot put into the ice box: as much of it as there is. */
export function frozenLot(
  { drying: _d, grams: _, ...l }: Lot,
  { leftG, amount, today }: { leftG: number; amount: string; today: Day },
): Typed {
  const was = { ...(l.form ? { form: l.form } : {}), grams: leftG, since: today, done: today };
  return { ...l, form: "frozen", amount, was };
}
