/**
 * What a rule may want to know of a material beyond its figures. A closed list: a tag in the data that is not here does not load, and each
 * is read by some rule of the cautions or the reckoning.
 *
 * Of each it is said what it follows, so that a plant written down by another hand does not lose it: `name`, whatever bears the plant's name has it;
 * `part`, only that part of it has; `stuff`, it is of this very stuff in the larder, and of nothing called like it.
 */
// prettier-ignore
export const TAG_FOLLOWS = {
  // what keeps, and what does not
  "acetic-unknown": "stuff", base: "stuff", "low-acid": "name", "low-acid-herb": "name", oil: "stuff", "oil-packed": "stuff", sour: "stuff", raw: "stuff",
  // what a bottle or a marc of ours brings with it
  "holds-raw-honey": "stuff", "holds-low-acid": "stuff", "holds-mild": "stuff", "holds-fruit": "stuff",
  // what is never used, and what wants care
  aristolochic: "name", "essential-oil": "name", "kernel-eaten": "part", "not-food": "name", poison: "name", "apple-seed": "part", "cook-first": "name", cyanide: "name",
  "elder-parts": "part", kernel: "part", pyrrolizidine: "name", restricted: "name", "raw-toxic": "name", oxalate: "name", nutmeg: "name", coumarin: "name", thujone: "name",
  sumac: "name",
  // people and medicines
  bee: "name", berberine: "name", blood: "name", "blood-kitchen": "name", "blood-pressure": "name", caffeine: "name", citrus: "name", daisy: "name", diabetes: "name",
  diuretic: "name", furanocoumarin: "name", heart: "name", child: "name", "delays-medicine": "name", fits: "name", gallstones: "name", hormone: "name", immune: "name",
  interacts: "name", kava: "name", kidney: "name", laxative: "name", liquorice: "name", liver: "name", pregnancy: "name", "pregnancy-stop": "name", reflux: "name",
  salicylate: "name", sedative: "name", sunlight: "name", surgery: "name", thyroid: "name", "thyroid-iodine": "name", warfarin: "name",
  // the hands, the cloth and the pot
  fibre: "name", hairs: "name", hot: "name", mucilage: "name", pungent: "name", resinous: "name", stains: "name", "very-hot": "name", "fresh-irritant": "name",
  "unaged-bark": "part", stings: "name",
  // gathered
  wild: "name", "lookalike-carrot": "name", "lookalike-death-camas": "name", "lookalike-elder": "name", "lookalike-foxglove": "name", "lookalike-hemlock-flower": "name",
  "lookalike-lily": "name", "lookalike-moonseed": "name", "lookalike-star-anise": "name", "lookalike-yew": "name", "lookalike-monkshood": "name", "lookalike-belladonna": "name",
  "lookalike-cherry-laurel": "name", "lookalike-savin": "name",
} as const satisfies Readonly<Record<string, "name" | "part" | "stuff">>;
export type Tag = keyof typeof TAG_FOLLOWS;
export const TAGS = Object.keys(TAG_FOLLOWS) as [Tag, ...Tag[]];
