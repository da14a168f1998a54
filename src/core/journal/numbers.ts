import type { Bottle, JournalEvent } from "./events";

/** The bottles that any bottling of a batch ever named, put right or taken back since, in the order they were written. */
function everFilled(events: readonly JournalEvent[]): readonly (readonly Bottle[])[] {
  const bottlings = new Set(events.flatMap((e) => (e.type === "bottled" ? [e.seq] : [])));
  return events.flatMap((e) => {
    if (e.type === "bottled") return [e.body.bottles];
    if (e.type !== "corrected" || !bottlings.has(e.body.seq)) return [];
    const { bottles } = (e.body.body ?? {}) as { bottles?: readonly Bottle[] };
    return bottles ? [bottles] : [];
  });
}

/** Bottles of a batch under their numbers: one that had a number keeps it, and no number is given a second time, since it stands on a label. */
export function numbered(bottles: readonly Bottle[], before: readonly JournalEvent[]): Bottle[] {
  const given = new Map<string, number>();
  let last = 0;
  for (const filled of everFilled(before))
    for (const [i, b] of filled.entries()) {
      const number = given.get(b.id) ?? b.number ?? i + 1;
      given.set(b.id, number);
      last = Math.max(last, number);
    }
  return bottles.map((b) => ({ ...b, number: given.get(b.id) ?? ++last }));
}
