import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { addDays } from "../day";
import type { Item } from "./layout-item";
import { type YearRow, yearPage } from "./year-page";

/** A letter is about half as wide as it is high. */
const measure = (text: string, _: string, pt: number): number => text.length * pt * 0.176;
const days = (y: number): number => (y % 4 === 0 && (y % 100 !== 0 || y % 400 === 0) ? 366 : 365);

const rows = fc.array(
  fc.record({
    name: fc.string({ minLength: 1, maxLength: 80, unit: "grapheme-ascii" }),
    code: fc.constantFrom("OX-26-01", "FC-26-02", "SY-26-03"),
    from: fc.integer({ min: -200, max: 364 }),
    works: fc.integer({ min: 0, max: 120 }),
    keeps: fc.integer({ min: 0, max: 500 }),
  }),
  { maxLength: 60 },
);

describe("a year on one page", () => {
  test("every bar begins and ends at its days, to a third of a millimetre, within its year and its page", () => {
    fc.assert(
      fc.property(rows, fc.integer({ min: 2020, max: 2032 }), (made, year) => {
        const first = `${year}-01-01`;
        const of: YearRow[] = made.map((m) => {
          const begun = addDays(first, m.from);
          const ready = addDays(begun, m.works);
          return { name: m.name, code: m.code, begun, ready, until: addDays(ready, m.keeps) };
        });
        const page = yearPage({ title: "The year at Lock Cottage No. 9", year, rows: of }, measure);
        const all = page.items.filter((i): i is Extract<Item, { kind: "bar" }> => i.kind === "bar");
        const { x0, x1 } = page.scale;
        const at = (day: number): number =>
          x0 + ((x1 - x0) * Math.min(days(year), Math.max(0, day))) / days(year);
        let told = 0;
        for (const m of made) {
          if (m.from >= days(year) || m.from + m.works + m.keeps <= 0) continue;
          told++;
        }
        expect(page.shown + page.more).toBe(told);
        for (const b of all) {
          expect(b.x).toBeGreaterThanOrEqual(x0 - 0.01);
          expect(b.x + b.width).toBeLessThanOrEqual(x1 + 0.01);
          expect(b.y + b.height).toBeLessThanOrEqual(297);
        }
        // Each keeping that is drawn is the keeping of one that was made.
        const keepings = made.map((m) => [at(m.from + m.works), at(m.from + m.works + m.keeps)] as const);
        for (const b of all.filter((x) => x.of === "keeps"))
          expect(
            keepings.some(([a, z]) => Math.abs(a - b.x) < 0.3 && Math.abs(z - b.x - b.width) < 0.3),
          ).toBe(true);
        for (const i of page.items)
          if (i.kind === "text") {
            const wide = measure(i.text, i.face, i.pt);
            const left = i.anchor === "start" ? i.x : i.x - (i.anchor === "end" ? wide : wide / 2);
            expect([i.text, left >= 0, left + wide <= 210.01]).toEqual([i.text, true, true]);
          }
      }),
      { numRuns: 150 },
    );
  });
  test("an empty year says so", () => {
    const page = yearPage({ title: "The year", year: 2026, rows: [] }, measure);
    expect(page.items.some((i) => i.kind === "text" && i.text.includes("Nothing was made"))).toBe(true);
  });
});
