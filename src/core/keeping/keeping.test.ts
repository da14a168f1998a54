import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { keepingMap } from "./map";
import { KEEPS_NOTHING, exactly } from "../../../tests/facts";
import type { Facts } from "./rows";
import { type Veto, verdictOf } from "./verdict";

const at = exactly;
const judge = (f: Partial<Facts>, vetoes: Veto["id"][] = []) => verdictOf({ ...KEEPS_NOTHING, ...f }, vetoes);

describe("the pessimistic end", () => {
  test("decides: a spread across the line loses the row", () => {
    expect(judge({ acetic: { value: 1.5, low: 1.1, high: 1.9 }, ph: at(3.5), index: at(70) }).row.id).toBe(
      "vinegar-1",
    );
    expect(
      judge({ acetic: at(1.5), ph: { value: 4.1, low: 3.9, high: 4.3 }, index: at(70) }).row.id,
    ).not.toBe("sour-sweet");
  });
  const wide = fc.tuple(
    fc.double({ min: 0, max: 1, noNaN: true }),
    fc.double({ min: 0, max: 1, noNaN: true }),
  );
  test("widening any input never lengthens a life", () => {
    const q = (max: number) => fc.tuple(fc.double({ min: 0, max, noNaN: true }), wide);
    fc.assert(
      fc.property(
        q(40),
        q(85),
        q(6),
        fc.double({ min: 2, max: 7, noNaN: true }),
        q(90),
        fc.boolean(),
        ([abv, wa], [bx, wb], [ac, wc], ph, [ix, wi], hot) => {
          const narrow: Facts = {
            ...KEEPS_NOTHING,
            abv: at(abv),
            delle: at(bx + 4.5 * abv),
            brix: at(bx),
            aw: at(1 - bx / 250),
            acetic: at(ac),
            ph: at(ph),
            index: at(ix),
            acid: at(ac),
            dryness: at(1 - bx / 250),
            boiledAndBottledHot: hot,
          };
          const open = (v: number, [a, b]: [number, number]) => ({
            value: v,
            low: v - a * 3,
            high: v + b * 3,
          });
          const wider: Facts = {
            ...narrow,
            abv: open(abv, wa),
            brix: open(bx, wb),
            acetic: open(ac, wc),
            index: open(ix, wi),
            ph: { value: ph, low: ph - wc[0], high: ph + wc[1] },
            delle: open(narrow.delle.value, wa),
            dryness: { ...narrow.dryness, high: narrow.dryness.high + wb[1] * 0.05 },
            aw: { value: narrow.aw.value, low: narrow.aw.value, high: narrow.aw.value + wb[1] * 0.05 },
          };
          const [n, w] = [verdictOf(narrow, []), verdictOf(wider, [])];
          return (
            (w.cupboard?.days ?? 0) <= (n.cupboard?.days ?? 0) &&
            (w.cupboard !== null || n.cupboard !== null || w.fridge.days <= n.fridge.days)
          );
        },
      ),
      { numRuns: 4000 },
    );
  });
});

describe("the map", () => {
  test("the map's regions are the rows' own", () => {
    const m = keepingMap("acetic");
    const cell = (bx: number, u: number) =>
      m.cells[Math.floor((u / m.mostUp) * m.upward.length)]![
        Math.floor((bx / m.mostAcross) * m.across.length)
      ];
    expect(cell(45, 2.5)).toBe("cupboard");
    expect(cell(55, 0.2)).toBe("fridge");
    expect(cell(45, 0.2)).toBe("use-now");
    expect(cell(2, 0.2)).toBe("use-now");
    expect(cell(2, 5)).toBe("cupboard");
  });
});
