/** What was saved against a shop, against sums done by hand. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { savedBy } from "./saved";

const CIDER = { name: "Winter cider", kind: "fire-cider" } as const;
const SHOP = { remedy: "winter cider", kind: "fire-cider", price: 12, ml: 250 } as const;

describe("against a shop’s bottle", () => {
  test("what was put up at the shop’s price, less what went into it", () => {
    const { rows, saved } = savedBy([{ ...CIDER, ml: 1000, perMl: 0.008, unpriced: [] }], [SHOP]);
    // Four bottles at 12 are 48; a litre at 0.8 a 100 mL is 8.
    expect(rows).toEqual([{ name: "Winter cider", ml: 1000, shop: 48, cost: 8, unpriced: [] }]);
    expect(saved).toBeCloseTo(40, 9);
  });
  test("two batches of one remedy are one row, and what costs more than the shop is a loss, told as one", () => {
    const { rows, saved } = savedBy(
      [
        { ...CIDER, ml: 500, perMl: 0.1, unpriced: [] },
        { ...CIDER, name: "winter Cider", ml: 500, perMl: 0.02, unpriced: ["thyme"] },
      ],
      [SHOP],
    );
    expect(rows).toEqual([{ name: "Winter cider", ml: 1000, shop: 48, cost: 60, unpriced: ["thyme"] }]);
    expect(saved).toBeCloseTo(-12, 9);
  });
  test("a remedy no shop’s price is known of is left out, and so is the same name of another kind", () =>
    expect(savedBy([{ ...CIDER, kind: "vinegar", ml: 500, perMl: 0.1, unpriced: [] }], [SHOP])).toEqual({
      rows: [],
      saved: 0,
    }));
  test("the sum is the sum of its rows, in whatever order they come", () => {
    const batch = fc.record({
      name: fc.constantFrom("a", "b", "c"),
      kind: fc.constantFrom("syrup" as const, "oxymel" as const),
      ml: fc.integer({ min: 1, max: 4000 }),
      perMl: fc.double({ min: 0, max: 0.2, noNaN: true }),
      unpriced: fc.constant([]),
    });
    const shops = [
      { remedy: "A", kind: "syrup", price: 8, ml: 100 },
      { remedy: "b", kind: "oxymel", price: 9, ml: 250 },
    ] as const;
    fc.assert(
      fc.property(fc.array(batch, { maxLength: 12 }), (all) => {
        const there = savedBy(all, shops);
        const back = savedBy([...all].reverse(), shops);
        const sum = there.rows.reduce((n, r) => n + r.shop - r.cost, 0);
        expect(there.saved).toBeCloseTo(sum, 6);
        expect(back.saved).toBeCloseTo(there.saved, 6);
      }),
    );
  });
});
