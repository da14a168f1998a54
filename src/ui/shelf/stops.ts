import type { Card } from "./card";
import { type TouchOfDay, orderOf, touchesOf } from "./touches";

/** A stop of the day: one thing done to all the jars that want nothing else, or one jar with all it wants. */
export interface Stop {
  readonly items: readonly TouchOfDay[];
  /** The jar, where it is one that wants several things. */
  readonly jar: Pick<Card, "id" | "code" | "name"> | undefined;
}

const wantsOf = (c: Card): number => c.due.length + (c.waits ? 1 : 0);
const first = (s: Stop): number => Math.min(...s.items.map((t) => orderOf(t.sort)));

/** The day's touches by stops, what comes first in a day first: a jar is gone to once, whatever it wants. */
export function stopsOf(cards: readonly Card[]): Stop[] {
  const several = cards
    .filter((c) => wantsOf(c) > 1)
    .map((c): Stop => ({ items: touchesOf([c]), jar: { id: c.id, code: c.code, name: c.name } }));
  const alone = touchesOf(cards.filter((c) => wantsOf(c) === 1)).map((t): Stop => ({
    items: [t],
    jar: undefined,
  }));
  return [...several, ...alone].sort((a, b) => first(a) - first(b));
}
