/**
 * What a rule may want to know of a material beyond its figures. A closed list: a tag in the data that is not here does not load, and each
 * is read by some rule of the cautions or the reckoning.
 */
// prettier-ignore
export const TAGS = [
  // what keeps, and what does not
  "acetic-unknown", "base", "low-acid", "low-acid-herb", "oil", "oil-packed", "sour", "raw",
  // what a bottle or a marc of ours brings with it
  "holds-raw-honey", "holds-low-acid", "holds-mild", "holds-fruit",
  // what is never used, and what wants care
  "aristolochic", "essential-oil", "kernel-eaten", "not-food", "poison", "apple-seed", "cook-first", "cyanide", "elder-parts", "kernel",
  "pyrrolizidine", "restricted", "raw-toxic", "oxalate", "nutmeg", "coumarin", "thujone", "sumac",
  // people and medicines
  "bee", "berberine", "blood", "blood-kitchen", "blood-pressure", "caffeine", "citrus", "daisy", "diabetes", "diuretic", "furanocoumarin", "heart",
  "child", "delays-medicine", "fits", "gallstones", "hormone", "immune", "interacts", "kava", "kidney", "laxative", "liquorice", "liver", "pregnancy",
  "pregnancy-stop", "reflux", "salicylate", "sedative", "sunlight", "surgery", "thyroid", "thyroid-iodine", "warfarin",
  // the hands, the cloth and the pot
  "fibre", "hairs", "hot", "mucilage", "pungent", "resinous", "stains", "very-hot", "fresh-irritant", "unaged-bark", "stings",
  // gathered
  "wild", "lookalike-carrot", "lookalike-death-camas", "lookalike-elder", "lookalike-foxglove", "lookalike-hemlock-flower", "lookalike-lily",
  "lookalike-moonseed", "lookalike-star-anise", "lookalike-yew", "lookalike-monkshood", "lookalike-belladonna", "lookalike-cherry-laurel",
  "lookalike-savin",
] as const;
export type Tag = (typeof TAGS)[number];
