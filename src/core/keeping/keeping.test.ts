import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { keepingMap, regionAt } from "./map";
import { KEEPS_NOTHING, exactly } from "../../../tests/facts";
import type { Facts } from "./rows";
import { distanceWords, headed, reasonsOf } from "./reasons";
import { type Veto, shorterVerdict, verdictOf } from "./verdict";

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
  /** Every fourth cell, upward from the top: C cupboard, f fridge, a point for soon. */
  const drawn = (up: "acetic" | "abv"): string[] => {
    const m = keepingMap(up);
    const letter = { cupboard: "C", fridge: "f", "use-now": "." };
    return m.cells
      .flatMap((row, r) =>
        r % 4 === 3 ? [row.flatMap((x, i) => (i % 4 === 3 ? [letter[x]] : [])).join("")] : [],
      )
      .reverse();
  };
  const all = (n: number, row: string): string[] => Array.from({ length: n }, () => row);
  const CUPBOARD = "C".repeat(20);
  test("acid upward: each region where the rows put it", () =>
    expect(drawn("acetic")).toEqual([
      ...all(9, CUPBOARD),
      "ffffffffCCCCCCCCCCCC",
      "ffffffffffCCCCCCCCCC",
      "fffffffffffCCCCCCCCC",
      "ffffffffffffffffffff",
      ".......fffffffffffff",
      "............ffffffff",
    ]));
  test("alcohol upward", () =>
    expect(drawn("abv")).toEqual([
      ...all(8, CUPBOARD),
      `f${"C".repeat(19)}`,
      `ffff${"C".repeat(16)}`,
      ...all(2, "f".repeat(20)),
      ...all(3, "............ffffffff"),
    ]));
  test.each(["acetic", "abv"] as const)("what is not asked cell by cell is as if it were: %s", (up) => {
    const m = keepingMap(up);
    const asked = m.upward.map((u) => m.across.map((bx) => regionAt(up, bx, u)));
    expect(m.cells).toEqual(asked);
  });
  test("its ends and its middles", () => {
    const [acid, abv] = [keepingMap("acetic"), keepingMap("abv")];
    expect([acid.mostUp, acid.mostAcross, abv.mostUp]).toEqual([6, 80, 40]);
    expect([acid.across[0], acid.across[79], acid.upward[0]]).toEqual([0.5, 79.5, 0.05]);
    expect(acid.upward[59]).toBeCloseTo(5.95, 9);
    expect([acid.across.length, acid.upward.length]).toEqual([80, 60]);
  });
});

describe("what it lacks for longer", () => {
  test("the nearest longer row, by how many lines and then by how far", () => {
    // Half a point of index short of six months.
    const near = judge({ acetic: at(1.4), ph: at(4), index: at(62.5), brix: at(45) });
    expect([near.row.id, near.next?.row.id]).toEqual(["vinegar-1", "sour-sweet"]);
    expect(near.next?.lacks.map((l) => [l.condition.quantity, l.at, l.met])).toEqual([
      ["index", 62.5, false],
    ]);
    // Of two that lack one line each, the one it is closer to.
    const closer = judge({ abv: at(24.9), ph: at(7) });
    expect([closer.row.id, closer.next?.row.id]).toEqual(["spirit-20", "spirit-25"]);
    const dry = judge({ dryness: at(0.71), brix: at(65.9), aw: at(0.8) });
    expect(dry.next?.row.id).toBe("sugar-dry");
    expect(judge({ abv: at(40) }).next).toBeUndefined();
    // What a row asks besides figures is not a thing one can fall short of by a little.
    expect(judge({ brix: at(65.9), aw: at(0.86), ph: at(7) }).next?.row.id).not.toBe("sugar-cupboard");
    expect(near.distances.map((d) => d.met)).toEqual([true, true]);
  });
});

describe("the shorter of two verdicts", () => {
  const long = judge({ abv: at(40) });
  const year = judge({ abv: at(20) });
  const fridge = judge({ ph: at(4) });
  const less = judge({ ph: at(4.4) });
  const lost = judge({ abv: at(40) }, ["left-warm"]);
  test.each([
    ["cupboard years and a cupboard year", long, year],
    ["cupboard and fridge", year, fridge],
    ["two weeks and one", fridge, less],
    ["anything and what is not kept", less, lost],
    ["long, and not kept", long, lost],
  ])("%s, either way round", (_, more, short) => {
    expect(shorterVerdict(more, short)).toBe(short);
    expect(shorterVerdict(short, more)).toBe(short);
  });
  test("of two alike the first; an opened life counts last", () => {
    expect(shorterVerdict(year, { ...year })).toBe(year);
    const opened = { ...year, opened: less.opened };
    expect(shorterVerdict(year, opened)).toBe(opened);
    expect(shorterVerdict(opened, year)).toBe(opened);
  });
});

describe("reasons", () => {
  test.each<[Partial<Facts>, string[]]>([
    [{ acetic: at(1.4), ph: at(4), index: at(63.4), brix: at(45) }, ["acetic acid at least 1.4 %, needs 1.2 % or more", "pH at most 4.0, needs 4.2 or less", "acid and sugar index at least 63.4, needs 63.0 or more", "sweetness at least 45 % sugar, needs 25 % sugar or more"]],
    [{ abv: at(15.2), delle: at(95) }, ["alcohol at least 15.2 % vol, needs 15.0 % vol or more", "Delle number at least 95, needs 90 or more"]],
    [{ dryness: at(0.62), brix: at(64) }, ["sweetness at least 64 % sugar, needs 60 % sugar or more", "water activity of the sugars at most 0.62, needs 0.70 or less"]],
    [{ glycerol: at(72) }, ["glycerin at least 72.0 %, needs 60.0 % or more"]],
    [{ honeyAlone: true, water: at(17.04) }, ["water at most 17.0 %, needs 18.6 % or less"]],
  ])("%j", (f, words) => expect(judge(f).distances.map(distanceWords)).toEqual(words)); // prettier-ignore
  test("what would be needed is told apart from what there is", () => {
    const [lacks] = judge({ acetic: at(1.4), ph: at(4), index: at(62.97), brix: at(45) }).next!.lacks;
    expect(distanceWords(lacks!)).toBe("acid and sugar index at least 62.97, would need 63.00 or more");
  });
  test("the row, and what takes the cupboard away; pH keeps its small p", () => {
    expect(reasonsOf(judge({ abv: at(30) }, ["solids-left"]))).toEqual([
      "A quarter alcohol or more keeps itself.",
      "No cupboard: plant matter still stands in it.",
    ]);
    expect([headed("pH at most 4"), headed("water")]).toEqual(["pH at most 4", "Water"]);
  });
});
