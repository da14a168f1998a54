/** What a row may ask about the finished liquid, each as low and high; rows read the end that hurts. */
export interface Facts {
  readonly abv: Ends;
  readonly delle: Ends;
  readonly brix: Ends;
  readonly aw: Ends;
  /** Water activity of the sugars alone: glycerin in it is left out. */
  readonly dryness: Ends;
  readonly acetic: Ends;
  /** Titratable acid, as acetic % w/v. */
  readonly acid: Ends;
  readonly ph: Ends;
  readonly index: Ends;
  readonly water: Ends;
  readonly glycerol: Ends;
  /** Honey and plants alone; nothing else was poured over them. */
  readonly honeyAlone: boolean;
  /** Honey in it was not simmered in this batch, so its yeasts live. */
  readonly rawHoney: boolean;
  /** Everything in it was on the boil after the last thing went in, and it was bottled from that heat. */
  readonly boiledAndBottledHot: boolean;
  readonly freshFruit: boolean;
  /** Fresh plant in the liquid since its last boil, or still in it: none, leaf, flower or sour fruit, or low-acid (garlic, root …). */
  readonly fresh: "none" | "mild" | "low-acid";
}
export interface Ends {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}
