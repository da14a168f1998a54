import { LIVES, type Life } from "./life";

/** What a row may ask about the finished liquid, each as low and high; rows read the end that hurts. */
export interface Facts {
  readonly abv: Ends;
  readonly delle: Ends;
  readonly brix: Ends;
  readonly aw: Ends;
  readonly acetic: Ends;
  readonly ph: Ends;
  readonly index: Ends;
  readonly water: Ends;
  readonly glycerol: Ends;
  readonly honeyShare: number;
  readonly boiledAndBottledHot: boolean;
  /** The honey in it was on the heat, so that its yeasts are dead. */
  readonly heated: boolean;
  readonly freshFruit: boolean;
  /** Fresh plant put into the liquid: none, leaf/flower/sour fruit, or low-acid (garlic, root …). */
  readonly fresh: "none" | "mild" | "low-acid";
  readonly phOffered: boolean;
}
export interface Ends {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** One condition of a row: the quantity at its pessimistic end against a line. */
export interface Condition {
  readonly quantity: "abv" | "delle" | "brix" | "aw" | "acetic" | "ph" | "index" | "water" | "glycerol";
  readonly is: "at least" | "at most" | "over" | "under";
  readonly line: number;
}

export interface Row {
  readonly id: string;
  /** Plain words for what it says, shown as the reason. */
  readonly words: string;
  readonly conditions: readonly Condition[];
  readonly also?: (f: Facts) => boolean;
  readonly cupboard: Life | null;
  readonly fridge: Life;
  readonly opened: Life;
  /** Keeps its cupboard life once opened too. */
  readonly openedInCupboard?: boolean;
  readonly coolDark?: boolean;
  readonly vented?: boolean;
}

const c = (quantity: Condition["quantity"], is: Condition["is"], line: number): Condition => ({
  quantity,
  is,
  line,
});
const { d3, w1, w2, w4, m1, m3, m6, m8, y1, y4 } = LIVES;
const fridgeOnly = (l: Life) => ({ cupboard: null, fridge: l, opened: l });

/** Nearly all of it honey: the honey rows speak, and the sugar rows, which are for boiled syrups, do not. */
const honeyed = (f: Facts): boolean => f.honeyShare >= 0.8 && !f.heated;
const notHoneyed = (f: Facts): boolean => !honeyed(f);

/**
 * The keeping rows, from the longest promise to the shortest within each family. They match composition, never kind.
 * Basis of each is in docs/reckoning.md under the row's id.
 */
export const ROWS: readonly Row[] = [
  {
    id: "spirit-25",
    words: "a quarter alcohol or more keeps itself",
    conditions: [c("abv", "at least", 25)],
    cupboard: y4,
    fridge: y4,
    opened: y4,
    openedInCupboard: true,
  },
  {
    id: "spirit-20",
    words: "a fifth to a quarter alcohol keeps for a year",
    conditions: [c("abv", "at least", 20)],
    cupboard: y1,
    fridge: y1,
    opened: y1,
    openedInCupboard: true,
  },
  {
    id: "spirit-sweet",
    words: "alcohol and sugar together are strong enough (Delle number 90 or over)",
    conditions: [c("abv", "at least", 15), c("delle", "at least", 90)],
    cupboard: m6,
    fridge: m6,
    opened: m6,
  },
  {
    id: "spirit-weak-sour",
    words: "10 to 20 % alcohol slows spoiling, no more",
    conditions: [c("abv", "at least", 10), c("ph", "at most", 4.6)],
    ...fridgeOnly(m3),
  },
  {
    id: "spirit-weak",
    words: "10 to 20 % alcohol slows spoiling, and it is not sour",
    conditions: [c("abv", "at least", 10)],
    ...fridgeOnly(m1),
  },
  {
    id: "sugar-cupboard",
    words: "sugar holds nearly all the water, and it was boiled and bottled hot",
    conditions: [c("brix", "at least", 66), c("aw", "at most", 0.86)],
    also: (f) => f.boiledAndBottledHot && notHoneyed(f),
    cupboard: m6,
    fridge: y1,
    opened: m6,
  },
  {
    id: "sugar-dry",
    words: "so little free water that next to nothing grows",
    conditions: [c("aw", "at most", 0.8)],
    also: notHoneyed,
    cupboard: m6,
    fridge: y1,
    opened: m6,
  },
  {
    id: "sugar-50-sour",
    words: "sweet, but not sweet enough to keep itself",
    conditions: [c("brix", "at least", 50), c("ph", "at most", 4.6)],
    also: notHoneyed,
    ...fridgeOnly(m3),
  },
  {
    id: "sugar-50",
    words: "sweet, but not enough to keep itself, and not sour",
    conditions: [c("brix", "at least", 50)],
    also: notHoneyed,
    ...fridgeOnly(m1),
  },
  {
    id: "sugar-30-sour",
    words: "a thin syrup, sour",
    conditions: [c("brix", "at least", 30), c("ph", "at most", 4.6)],
    ...fridgeOnly(w4),
  },
  {
    id: "sugar-30",
    words: "a thin syrup, not sour",
    conditions: [c("brix", "at least", 30)],
    ...fridgeOnly(w2),
  },
  {
    id: "thin-sour",
    words: "little sugar, but sour",
    conditions: [c("ph", "at most", 4.2)],
    ...fridgeOnly(w2),
  },
  {
    id: "thin-tart",
    words: "little sugar, a little sour",
    conditions: [c("ph", "at most", 4.6)],
    ...fridgeOnly(w1),
  },
  {
    id: "glycerin-60",
    words: "glycerin over 60 % keeps itself",
    conditions: [c("glycerol", "at least", 60)],
    cupboard: y1,
    fridge: y1,
    opened: y1,
  },
  {
    id: "glycerin-45",
    words: "glycerin over 45 % slows spoiling",
    conditions: [c("glycerol", "at least", 45)],
    ...fridgeOnly(m6),
  },
  {
    id: "vinegar-4",
    words: "sour enough on its own: 4 % acetic acid and over",
    conditions: [c("acetic", "at least", 4), c("ph", "at most", 4.0)],
    also: (f) => !f.freshFruit,
    cupboard: m6,
    fridge: m8,
    opened: m8,
  },
  {
    id: "vinegar-4-fruit",
    words: "sour enough on its own, with fresh fruit in it",
    conditions: [c("acetic", "at least", 4), c("ph", "at most", 4.0)],
    also: (f) => f.freshFruit,
    cupboard: m3,
    fridge: m8,
    opened: m8,
  },
  {
    id: "sour-sweet",
    words: "acid and sugar together are enough",
    conditions: [c("acetic", "at least", 1.2), c("ph", "at most", 4.2), c("index", "at least", 63)],
    cupboard: m6,
    fridge: y1,
    opened: y1,
    coolDark: true,
  },
  {
    id: "vinegar-2.5",
    words: "sour enough for a season",
    conditions: [c("acetic", "at least", 2.5), c("ph", "at most", 4.0), c("index", "under", 63)],
    cupboard: m3,
    fridge: m6,
    opened: m6,
  },
  {
    id: "vinegar-1",
    words: "sour enough for the fridge",
    conditions: [c("acetic", "at least", 1), c("ph", "at most", 4.2)],
    ...fridgeOnly(m6),
  },
  {
    id: "honey-dry",
    words: "ripe honey and dried herb",
    conditions: [c("water", "at most", 18.6)],
    also: (f) => honeyed(f) && f.fresh === "none",
    cupboard: y1,
    fridge: y1,
    opened: y1,
    openedInCupboard: true,
  },
  {
    id: "honey-moist",
    words: "honey a little wet for its best grade; watch for fizz",
    conditions: [c("water", "at most", 20)],
    also: (f) => honeyed(f) && f.fresh === "none",
    cupboard: m3,
    fridge: m6,
    opened: m6,
  },
  {
    id: "honey-wet",
    words: "honey thinned by fresh plant may ferment; keep it cold and vented",
    conditions: [c("ph", "at most", 4.2)],
    also: (f) => honeyed(f) && f.fresh !== "low-acid",
    ...fridgeOnly(m3),
    vented: true,
  },
  {
    id: "honey-low-acid",
    words: "fresh garlic, root or another low-acid plant in honey: cold and short",
    conditions: [],
    also: (f) => honeyed(f) && f.fresh === "low-acid",
    ...fridgeOnly(m1),
  },
];

/** Where no row matches. */
export const NO_ROW: Row = {
  id: "nothing-keeps-it",
  words: "nothing in it keeps it: neither sour, sweet nor strong enough",
  conditions: [],
  ...fridgeOnly(d3),
};
