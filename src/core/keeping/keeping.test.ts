import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { keepingMap } from "./map";
import { type Facts, NO_ROW, ROWS } from "./rows";
import { VETOES, type Veto, verdictOf, workingVerdict } from "./verdict";

const at = (value: number) => ({ value, low: value, high: value });
const plain: Facts = {
  abv: at(0),
  delle: at(0),
  brix: at(0),
  aw: at(1),
  acetic: at(0),
  ph: at(7),
  index: at(0),
  water: at(95),
  glycerol: at(0),
  honeyShare: 0,
  boiledAndBottledHot: false,
  heated: false,
  freshFruit: false,
  fresh: "none",
  phOffered: true,
};
const judge = (f: Partial<Facts>, vetoes: Veto["id"][] = []) => verdictOf({ ...plain, ...f }, vetoes);

describe("each row, on its line and just short of it", () => {
  test.each<[string, Partial<Facts>, Partial<Facts>]>([
    ["spirit-25", { abv: at(25), phOffered: false }, { abv: at(24.9), phOffered: false }],
    ["spirit-20", { abv: at(20), phOffered: false }, { abv: at(19.9), phOffered: false }],
    [
      "spirit-sweet",
      { abv: at(16), delle: at(90), phOffered: false },
      { abv: at(16), delle: at(89.9), phOffered: false },
    ],
    ["spirit-weak-sour", { abv: at(10), ph: at(4.6) }, { abv: at(10), ph: at(4.61) }],
    ["spirit-weak", { abv: at(10), ph: at(5) }, { abv: at(9.9), ph: at(5) }],
    [
      "sugar-cupboard",
      { brix: at(66), aw: at(0.86), boiledAndBottledHot: true },
      { brix: at(65.9), aw: at(0.86), boiledAndBottledHot: true },
    ],
    ["sugar-dry", { brix: at(80), aw: at(0.8) }, { brix: at(80), aw: at(0.81) }],
    ["sugar-50-sour", { brix: at(50), ph: at(4.6) }, { brix: at(49.9), ph: at(4.6) }],
    ["sugar-50", { brix: at(50) }, { brix: at(49) }],
    ["sugar-30-sour", { brix: at(30), ph: at(4.6) }, { brix: at(30), ph: at(4.7) }],
    ["sugar-30", { brix: at(30) }, { brix: at(29) }],
    ["thin-sour", { ph: at(4.2) }, { ph: at(4.21) }],
    ["thin-tart", { ph: at(4.6) }, { ph: at(4.61) }],
    ["glycerin-60", { glycerol: at(60) }, { glycerol: at(59) }],
    ["glycerin-45", { glycerol: at(45) }, { glycerol: at(44) }],
    ["vinegar-4", { acetic: at(4), ph: at(4) }, { acetic: at(3.9), ph: at(4) }],
    [
      "vinegar-4-fruit",
      { acetic: at(4), ph: at(4), freshFruit: true },
      { acetic: at(4), ph: at(4.1), freshFruit: true },
    ],
    [
      "sour-sweet",
      { acetic: at(1.2), ph: at(4.2), index: at(63) },
      { acetic: at(1.2), ph: at(4.2), index: at(62.9) },
    ],
    [
      "vinegar-2.5",
      { acetic: at(2.5), ph: at(4), index: at(50) },
      { acetic: at(2.4), ph: at(4), index: at(50) },
    ],
    ["vinegar-1", { acetic: at(1), ph: at(4.2) }, { acetic: at(0.9), ph: at(4.2) }],
    [
      "honey-dry",
      { honeyShare: 0.97, water: at(18.6), brix: at(79), aw: at(0.6) },
      { honeyShare: 0.97, water: at(18.7), brix: at(79), aw: at(0.6) },
    ],
    [
      "honey-moist",
      { honeyShare: 0.97, water: at(20), brix: at(78), aw: at(0.62) },
      { honeyShare: 0.97, water: at(20.1), brix: at(78), aw: at(0.62) },
    ],
    [
      "honey-wet",
      { honeyShare: 0.9, water: at(24), brix: at(74), aw: at(0.7), ph: at(4.2), fresh: "mild" },
      { honeyShare: 0.9, water: at(24), brix: at(74), aw: at(0.7), ph: at(4.3), fresh: "mild" },
    ],
  ])("%s", (id, on, short) => {
    expect(judge(on).row.id).toBe(id);
    expect(judge(short).row.id).not.toBe(id);
  });
  test("no row: the fridge, three days", () =>
    expect(judge({})).toMatchObject({ place: "fridge", life: { days: 3 }, row: { id: NO_ROW.id } }));
  test("garlic in honey is never kept at room temperature", () =>
    expect(
      judge({ honeyShare: 0.9, fresh: "low-acid", water: at(19), aw: at(0.61), brix: at(77), ph: at(4) }, [
        "low-acid-fresh-in-honey",
      ]),
    ).toMatchObject({ place: "fridge", cupboard: null, life: { days: 30 } }));
  test("a pH that is not offered satisfies nothing", () =>
    expect(judge({ ph: at(3), phOffered: false }).row.id).toBe(NO_ROW.id));
});

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
            ...plain,
            abv: at(abv),
            delle: at(bx + 4.5 * abv),
            brix: at(bx),
            aw: at(1 - bx / 250),
            acetic: at(ac),
            ph: at(ph),
            index: at(ix),
            phOffered: abv <= 15,
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

describe("vetoes", () => {
  test.each(Object.keys(VETOES) as Veto["id"][])(
    "%s takes the cupboard away and never lengthens the fridge",
    (id) => {
      const free = judge({ acetic: at(5), ph: at(3) });
      const held = judge({ acetic: at(5), ph: at(3) }, [id]);
      expect(free.cupboard).not.toBeNull();
      expect(held.cupboard).toBeNull();
      expect(held.fridge.days).toBeLessThanOrEqual(free.fridge.days);
    },
  );
  test("chalk in vinegar is not kept at all", () =>
    expect(judge({ acetic: at(5), ph: at(3) }, ["base-in-vinegar"]).place).toBe("do-not-keep"));
});

describe("the working jar", () => {
  const jar = (
    j: Partial<Record<"abv" | "ph" | "water" | "acid", number>>,
    f: Partial<Facts> = {},
    unknown = false,
  ) =>
    workingVerdict(
      { abv: at(j.abv ?? 0), ph: at(j.ph ?? 7), water: at(j.water ?? 90), acid: at(j.acid ?? 0) },
      { ...plain, ...f },
      unknown,
    );
  test.each([
    [{ abv: 25 }, "room"],
    [{ abv: 24, ph: 7 }, "room"],
    [{ abv: 19.9 }, "fridge"],
    [{ acid: 2, ph: 4.2 }, "room"],
    [{ acid: 1.9, ph: 4.2 }, "fridge"],
    [{ acid: 3, ph: 4.3 }, "fridge"],
  ])("%j works at %s", (j, place) => expect(jar(j).place).toBe(place));
  test("a fifth of alcohol stands two weeks, not longer", () => expect(jar({ abv: 21 }).mostDays).toBe(14));
  test("ripe honey on dried herb may stand, on fresh herb or wet it may not", () => {
    expect(jar({ water: 18 }, { honeyShare: 0.95 }).place).toBe("room");
    expect(jar({ water: 18 }, { honeyShare: 0.95, fresh: "mild" }).place).toBe("fridge");
    expect(jar({ water: 19 }, { honeyShare: 0.95 }).place).toBe("fridge");
  });
  test("a vinegar of unknown strength counts as unknown, not as five", () =>
    expect(jar({ acid: 4, ph: 3 }, {}, true).place).toBe("fridge"));
});

describe("the map and the page", () => {
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
  test("every row and veto has its line with a basis in docs/reckoning.md", () => {
    const page = readFileSync(join(__dirname, "../../../docs/reckoning.md"), "utf8");
    for (const id of [...ROWS.map((r) => r.id), ...Object.keys(VETOES), NO_ROW.id])
      expect(page).toContain(`\`${id}\``);
  });
});
