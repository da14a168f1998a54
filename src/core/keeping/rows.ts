import type { Facts } from "./facts";
import { LIVES, type Life } from "./life";

export type { Ends, Facts } from "./facts";

export const QUANTITIES = [
  "abv",
  "delle",
  "brix",
  "aw",
  "dryness",
  "acetic",
  "ph",
  "index",
  "water",
  "glycerol",
] as const;

/** One condition of a row: the quantity at its pessimistic end against a line. */
export interface Condition {
  readonly quantity: (typeof QUANTITIES)[number];
  readonly is: "at least" | "at most";
  readonly line: number;
}

/** What keeps a liquid a row speaks of. */
export type Family = "spirit" | "sugar" | "thin" | "glycerin" | "acid" | "honey" | "nothing";

export interface Row {
  readonly id: string;
  readonly family: Family;
  /** Plain words for what it says, shown as the reason. */
  readonly words: string;
  readonly conditions: readonly Condition[];
  readonly also?: (f: Facts) => boolean;
  readonly cupboard: Life | null;
  readonly fridge: Life;
  readonly opened: Life;
  /** Its opened life holds in the cupboard too. */
  readonly openedInCupboard?: boolean;
  /** Once opened, longer in the fridge than in the cupboard. */
  readonly openedCold?: Life;
  readonly coolDark?: boolean;
  readonly vented?: boolean;
}

const c = (quantity: Condition["quantity"], is: Condition["is"], line: number): Condition => ({
  quantity,
  is,
  line,
});
const { d3, w1, w2, w4, m1, m2, m3, m6, m8, y1, y4 } = LIVES;
const fridgeOnly = (l: Life) => ({ cupboard: null, fridge: l, opened: l });

/** Honey and plants alone answer to the honey rows, while they are honey: thinned past half they are a thin syrup like any other. */
const notHoney = (f: Facts): boolean => !f.honeyAlone;
/** What lives in raw honey ferments once it is thinned, however sweet it is. */
const noRawHoney = (f: Facts): boolean => !f.rawHoney;

/**
 * The keeping rows, from the longest promise to the shortest within each family. They match composition, never kind.
 * Basis of each is in docs/reckoning.md under the row's id.
 */
export const ROWS: readonly Row[] = [
  {
    id: "spirit-25",
    family: "spirit",
    words: "a quarter alcohol or more keeps itself",
    conditions: [c("abv", "at least", 25)],
    cupboard: y4,
    fridge: y4,
    opened: y4,
    openedInCupboard: true,
  },
  {
    id: "spirit-20",
    family: "spirit",
    words: "a fifth to a quarter alcohol keeps for a year",
    conditions: [c("abv", "at least", 20)],
    cupboard: y1,
    fridge: y1,
    opened: m3,
    openedInCupboard: true,
    openedCold: m6,
  },
  {
    id: "spirit-sweet",
    family: "spirit",
    words: "alcohol and sugar together are strong enough (Delle number 90 or over)",
    conditions: [c("abv", "at least", 15), c("delle", "at least", 90)],
    cupboard: m6,
    fridge: m6,
    opened: m6,
  },
  {
    id: "spirit-weak-sour",
    family: "spirit",
    words: "10 to 20 % alcohol slows spoiling, no more",
    conditions: [c("abv", "at least", 10), c("ph", "at most", 4.6)],
    ...fridgeOnly(m3),
  },
  {
    id: "spirit-weak",
    family: "spirit",
    words: "10 to 20 % alcohol slows spoiling, and it is not sour",
    conditions: [c("abv", "at least", 10)],
    ...fridgeOnly(m1),
  },
  {
    id: "sugar-cupboard",
    family: "sugar",
    words: "sugar holds nearly all the water, and it was boiled and bottled hot",
    conditions: [c("brix", "at least", 66), c("aw", "at most", 0.86)],
    also: (f) => f.boiledAndBottledHot && noRawHoney(f),
    cupboard: m6,
    fridge: y1,
    opened: m6,
  },
  {
    id: "sugar-dry-hot",
    family: "sugar",
    words: "little free water, and it was boiled and bottled hot",
    // Oil and salt alone have no water to speak of, and are no preserve for that.
    conditions: [c("brix", "at least", 60), c("dryness", "at most", 0.8)],
    also: (f) => f.boiledAndBottledHot && noRawHoney(f),
    cupboard: m6,
    fridge: y1,
    opened: m6,
  },
  {
    id: "sugar-dry",
    family: "sugar",
    words: "so little free water that next to nothing grows",
    conditions: [c("brix", "at least", 60), c("dryness", "at most", 0.7)],
    also: (f) => noRawHoney(f) && f.fresh === "none",
    cupboard: m6,
    fridge: y1,
    opened: m6,
  },
  {
    id: "sugar-50-sour",
    family: "sugar",
    words: "sweet, but not sweet enough to keep itself",
    conditions: [c("brix", "at least", 50), c("ph", "at most", 4.6)],
    also: notHoney,
    ...fridgeOnly(m3),
  },
  {
    id: "sugar-50",
    family: "sugar",
    words: "sweet, but not enough to keep itself, and not sour",
    conditions: [c("brix", "at least", 50)],
    also: notHoney,
    ...fridgeOnly(m1),
  },
  {
    id: "sugar-30-sour",
    family: "sugar",
    words: "a thin syrup, sour",
    conditions: [c("brix", "at least", 30), c("ph", "at most", 4.6)],
    ...fridgeOnly(w4),
  },
  {
    id: "sugar-30",
    family: "sugar",
    words: "a thin syrup, not sour",
    conditions: [c("brix", "at least", 30)],
    ...fridgeOnly(w2),
  },
  {
    id: "thin-sour",
    family: "thin",
    words: "little sugar, but sour",
    conditions: [c("ph", "at most", 4.2)],
    ...fridgeOnly(w2),
  },
  {
    id: "thin-tart",
    family: "thin",
    words: "little sugar, a little sour",
    conditions: [c("ph", "at most", 4.6)],
    ...fridgeOnly(w1),
  },
  {
    id: "glycerin-60",
    family: "glycerin",
    words: "glycerin over 60 % keeps itself",
    conditions: [c("glycerol", "at least", 60)],
    cupboard: y1,
    fridge: y1,
    opened: y1,
  },
  {
    id: "glycerin-45",
    family: "glycerin",
    words: "glycerin over 45 % slows spoiling",
    conditions: [c("glycerol", "at least", 45)],
    ...fridgeOnly(m6),
  },
  {
    id: "vinegar-4",
    family: "acid",
    words: "sour enough on its own: 4 % acetic acid and over",
    conditions: [c("acetic", "at least", 4), c("ph", "at most", 4.0)],
    also: (f) => !f.freshFruit,
    cupboard: m3,
    fridge: m8,
    opened: m8,
    coolDark: true,
  },
  {
    id: "vinegar-4-fruit",
    family: "acid",
    words: "sour enough on its own, with fresh fruit in it",
    conditions: [c("acetic", "at least", 4), c("ph", "at most", 4.0)],
    cupboard: m2,
    fridge: m6,
    opened: m6,
    coolDark: true,
  },
  {
    id: "sour-sweet",
    family: "acid",
    words: "acid and sugar together are enough",
    conditions: [
      c("acetic", "at least", 1.2),
      c("ph", "at most", 4.2),
      c("index", "at least", 63),
      c("brix", "at least", 25),
    ],
    cupboard: m6,
    fridge: y1,
    opened: y1,
    coolDark: true,
  },
  {
    id: "vinegar-2.5",
    family: "acid",
    words: "sour enough for a season",
    conditions: [c("acetic", "at least", 2.5), c("ph", "at most", 4.0)],
    cupboard: m2,
    fridge: m6,
    opened: m6,
    coolDark: true,
  },
  {
    id: "vinegar-1",
    family: "acid",
    words: "sour enough for the fridge",
    conditions: [c("acetic", "at least", 1), c("ph", "at most", 4.2)],
    ...fridgeOnly(m2),
  },
  {
    id: "honey-dry",
    family: "honey",
    words: "ripe honey and dried herb",
    conditions: [c("water", "at most", 18.6)],
    also: (f) => f.honeyAlone && f.fresh === "none",
    cupboard: y1,
    fridge: y1,
    opened: y1,
    openedInCupboard: true,
  },
  {
    id: "honey-ripe",
    family: "honey",
    words: "honey a little moister than the ripest, on dried herb",
    conditions: [c("water", "at most", 19)],
    also: (f) => f.honeyAlone && f.fresh === "none",
    cupboard: m8,
    fridge: y1,
    opened: m8,
  },
  {
    id: "honey-fair",
    family: "honey",
    words: "honey moister than its best grade; watch for fizz",
    conditions: [c("water", "at most", 19.4)],
    also: (f) => f.honeyAlone && f.fresh === "none",
    cupboard: m6,
    fridge: m8,
    opened: m6,
  },
  {
    id: "honey-moist",
    family: "honey",
    words: "honey a little wet for its best grade; watch for fizz",
    conditions: [c("water", "at most", 20)],
    also: (f) => f.honeyAlone && f.fresh === "none",
    cupboard: m3,
    fridge: m6,
    opened: m6,
  },
  // With so little free water acidity decides nothing: what may live in it are the honey's own yeasts, by the water they find.
  {
    id: "honey-wet",
    family: "honey",
    words: "honey thinned by what stands in it may ferment; keep it cold and vented",
    conditions: [c("water", "at most", 25)],
    also: (f) => f.honeyAlone && f.fresh !== "low-acid",
    ...fridgeOnly(m3),
    vented: true,
  },
  {
    id: "honey-wetter",
    family: "honey",
    words: "honey thinned past a quarter water ferments in time; cold, vented and used within its day",
    conditions: [c("water", "at most", 28)],
    also: (f) => f.honeyAlone && f.fresh !== "low-acid",
    ...fridgeOnly(m2),
    vented: true,
  },
  {
    id: "honey-thin",
    family: "honey",
    words: "honey thinned towards half ferments; cold, vented and soon used",
    conditions: [c("brix", "at least", 50)],
    also: (f) => f.honeyAlone && f.fresh !== "low-acid",
    ...fridgeOnly(m1),
    vented: true,
  },
  {
    id: "honey-low-acid",
    family: "honey",
    words: "fresh garlic, root or another low-acid plant in honey: cold and short",
    conditions: [c("brix", "at least", 50)],
    also: (f) => f.honeyAlone && f.fresh === "low-acid",
    ...fridgeOnly(m1),
  },
];

/** Where no row matches. */
export const NO_ROW: Row = {
  id: "nothing-keeps-it",
  family: "nothing",
  words: "nothing in it keeps it: neither sour, sweet nor strong enough",
  conditions: [],
  ...fridgeOnly(d3),
};
