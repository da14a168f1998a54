/**
 * What is not gone over in a day, and for how long on end, by material: g of dried herb, whole days. Sources by title and body where we are sure of
 * them; the rest is *general knowledge, unchecked*, and the careful figure was taken.
 */
export interface Ceiling {
  /** g of dried herb a day. */
  readonly grams: number;
  /** Days on end. */
  readonly days?: number;
  readonly source: string;
}
const HMPC = "EMA (HMPC), European Union herbal monograph of the plant";
const UNCHECKED = "general knowledge, unchecked";
const c = (grams: number, days: number | undefined, source: string): Ceiling => ({
  grams,
  ...(days === undefined ? {} : { days }),
  source,
});

// prettier-ignore
export const CEILINGS: Readonly<Record<string, Ceiling>> = {
  senna: c(1.5, 7, HMPC), cascara: c(1.5, 7, HMPC), "buckthorn-bark": c(2, 7, HMPC), "rhubarb-root": c(2, 7, HMPC), aloe: c(0.1, 7, HMPC),
  "uva-ursi": c(8, 7, HMPC), juniper: c(6, 14, HMPC), wormwood: c(3, 14, HMPC), sage: c(6, 14, HMPC), valerian: c(9, 28, HMPC), "willow-bark": c(10, 28, HMPC),
  meadowsweet: c(12, 28, HMPC), "echinacea-root": c(3, 10, HMPC), "echinacea-flower": c(6, 10, HMPC), "st-johns-wort": c(6, 42, HMPC), "fennel-seed": c(7, 14, HMPC),
  liquorice: c(2, 28, "EFSA and the Scientific Committee on Food, opinion on glycyrrhizinic acid: 100 mg a day, at some 5 % of the root"),
  "cinnamon-cassia": c(1.5, undefined, "EFSA, opinion on coumarin: 0.1 mg a kg of body weight a day, at some 4 mg in a gram of cassia"),
  "green-tea": c(10, undefined, "EFSA, scientific opinion on the safety of caffeine: 400 mg a day, 200 in pregnancy"),
  turmeric: c(5, undefined, "JECFA and EFSA, acceptable daily intake of curcumin: 3 mg a kg of body weight"),
  kelp: c(0.2, undefined, "EFSA, tolerable upper intake of iodine: 0.6 mg a day, at up to 3 mg in a gram of kelp"),
  nutmeg: c(1, 7, UNCHECKED), mace: c(1, 7, UNCHECKED), kava: c(2, 28, UNCHECKED), mugwort: c(3, 14, UNCHECKED), tansy: c(0.5, 7, UNCHECKED), rue: c(0.5, 7, UNCHECKED),
  pennyroyal: c(0.5, 7, UNCHECKED), chaga: c(3, 28, UNCHECKED), "black-cohosh": c(1, 90, UNCHECKED), goldenseal: c(3, 14, UNCHECKED), "barberry-bark": c(3, 14, UNCHECKED), saffron: c(0.5, 28, UNCHECKED),
  cayenne: c(3, undefined, UNCHECKED), "wild-cherry-bark": c(3, 7, UNCHECKED), "sweet-clover": c(3, 14, UNCHECKED), motherwort: c(5, 28, UNCHECKED), ashwagandha: c(6, 60, UNCHECKED),
  ginkgo: c(1, 60, UNCHECKED), hops: c(3, 28, UNCHECKED), "pau-darco": c(3, 21, UNCHECKED), "celery-seed": c(3, 28, UNCHECKED), ginger: c(6, undefined, UNCHECKED), vitex: c(1, 90, UNCHECKED),
  "red-clover": c(12, 60, UNCHECKED), skullcap: c(6, 28, UNCHECKED), propolis: c(2, 28, UNCHECKED), "cats-claw": c(3, 28, UNCHECKED),
};

/** Of the liquid itself: g a day, for anyone grown. */
export const DAILY = {
  alcohol: {
    grams: 16,
    source: "UK Chief Medical Officers, low-risk drinking guidelines: 14 units a week, spread over it",
  },
  sugar: {
    grams: 50,
    source: "WHO, guideline on sugars intake for adults and children: under a tenth of the energy, some 50 g",
  },
  salt: { grams: 5, source: "WHO, guideline on sodium intake for adults and children: under 5 g of salt" },
  acid: { grams: 3, source: UNCHECKED },
} as const;
export type Counted = keyof typeof DAILY;
