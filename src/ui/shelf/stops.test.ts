/** A stop is one jar: what several things are wanted of is gone to once. */
import { describe, expect, test } from "@jest/globals";
import { chance } from "../../../tests/chance";
import type { Card } from "./card";
import { touchesOf } from "./touches";
import { stopsOf } from "./stops";

const SORTS = ["strain", "top-up", "push-under", "let-out", "look", "shake", "turn", "taste"] as const;

/** A shelf of jars that want what chance has them want. */
function shelf(seed: number): Card[] {
  const r = chance(seed).next;
  return Array.from({ length: 1 + Math.floor(r() * 9) }, (_, i) => {
    const wants = SORTS.filter(() => r() < 0.3);
    const waits =
      r() < 0.15 ? { sort: "finish" as const, why: "strained yesterday", overdue: false } : undefined;
    return {
      id: `jar-${i}`,
      code: `OX-26-0${i}`,
      name: `jar ${i}`,
      due: wants.map((sort) => ({ sort, why: `${sort} it`, overdue: r() < 0.2 })),
      waits,
    } as unknown as Card;
  });
}

const asked = (cards: readonly Card[]): string[] =>
  touchesOf(cards)
    .flatMap((t) => t.jars.map((j) => `${j.id} ${t.sort}`))
    .sort();

describe("stops of a day", () => {
  test("of two hundred shelves each thing is asked once, and no jar is gone to twice", () => {
    let several = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const cards = shelf(seed);
      const stops = stopsOf(cards);
      const told = stops
        .flatMap((s) => s.items.flatMap((t) => t.jars.map((j) => `${j.id} ${t.sort}`)))
        .sort();
      expect(told).toEqual(asked(cards));
      const visits = stops.flatMap((s) => [...new Set(s.items.flatMap((t) => t.jars.map((j) => j.id)))]);
      expect(new Set(visits).size).toBe(visits.length);
      for (const s of stops) {
        // Either one jar with all it wants, or one thing with all the jars that want nothing else.
        expect(
          s.jar
            ? s.items.every((t) => t.jars.length === 1 && t.jars[0]!.id === s.jar!.id)
            : s.items.length === 1,
        ).toBe(true);
        if (s.jar) expect(s.items.length).toBeGreaterThan(1);
        several += s.jar ? 1 : 0;
      }
    }
    expect(several).toBeGreaterThan(120);
  });

  test("what matters most is gone to first", () => {
    const card = (id: string, ...due: [string, boolean][]): Card =>
      ({
        id,
        code: id,
        name: id,
        waits: undefined,
        due: due.map(([sort, overdue]) => ({ sort, why: "", overdue })),
      }) as unknown as Card;
    const stops = stopsOf([
      card("a", ["shake", false]),
      card("b", ["taste", false], ["push-under", true]),
      card("c", ["strain", false]),
    ]);
    expect(stops.map((s) => s.jar?.id ?? s.items[0]!.sort)).toEqual(["strain", "b", "shake"]);
  });
});
