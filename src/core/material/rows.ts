import { z } from "zod";
import { COMPONENT_NAMES } from "../mixture/components";
import { FORMS, PLANT_CLASSES } from "./classes";
import { TAGS } from "./tags";

const share = z.number().min(0).max(1);
const range = z.tuple([z.number().positive(), z.number().positive()]);

/** What a bottle or a marc of ours was made of: g of each as it went in for a g of it, and the minutes that was over the heat. */
const Held = z.strictObject({
  material: z.string().min(1).max(60),
  form: z.enum(FORMS).optional(),
  share: z.number().min(0).max(1000),
  heated: z.number().min(0).max(100_000),
});
export type Held = z.infer<typeof Held>;
const holds = z.array(Held).max(80).optional();

/** A plant as data: what differs from its class. Shares of mass; alkalinity in mEq per 100 g fresh. */
export const PlantRow = z.strictObject({
  id: z.string().min(1).max(60),
  names: z.array(z.string().min(1).max(60)).min(1),
  latin: z.string().max(80).optional(),
  class: z.enum(PLANT_CLASSES).optional(),
  water: share.optional(),
  driedWater: share.optional(),
  forms: z.array(z.enum(FORMS)).optional(),
  dry: z.strictObject({ mono: share, di: share, citric: share, malic: share, soluble: share }).optional(),
  alk: z.number().min(0).max(500).optional(),
  /** How far its acids may be off, relative: fruit that is sour in one garden and flat in the next. */
  acidSpread: share.optional(),
  /** Wider names of which this is the one taken until more is said: “mint” for spearmint. */
  loose: z.array(z.string().min(1).max(60)).optional(),
  /** The form meant where none is said, or that it must be asked; otherwise the class decides. */
  unsaid: z.enum([...FORMS, "ask"]).optional(),
  /** By the spoon it is the ground spice. */
  ground: z.boolean().optional(),
  /** A count word that alone may mean this: “6 cloves”. */
  countsBare: z.string().max(20).optional(),
  /** g of one piece, low and high, by count unit. */
  pieces: z.record(z.string(), range).optional(),
  gPerCm: range.optional(),
  floats: z.boolean().optional(),
  /** Heap density over the class's; of the dried and the ground where those differ from the fresh. */
  bulkFactor: z.number().positive().max(5).optional(),
  driedFactor: z.number().positive().max(5).optional(),
  groundFactor: z.number().positive().max(5).optional(),
  /** g/mL of one dried piece with its air, where it is not its class's. */
  envelope: z.number().positive().max(2).optional(),
  /** The form the pieces were weighed in, where it is not the fresh plant: slices of a dried root. */
  piecesOf: z.enum(FORMS).optional(),
  tags: z.array(z.enum(TAGS)).optional(),
  holds,
  source: z.string(),
});
export type PlantRow = z.infer<typeof PlantRow>;

export const LIQUID_CLASSES = [
  "vinegar",
  "honey",
  "sugar",
  "syrup",
  "spirit",
  "glycerin",
  "water",
  "juice",
  "acid",
  "salt",
  "mineral",
  "oil",
  // A bottle of ours: whatever it was made of.
  "remedy",
] as const;
export type LiquidClass = (typeof LIQUID_CLASSES)[number];

/** A liquid, sugar or other plain stuff as data. `composition` in shares of mass, water making up the rest. */
export const StuffRow = z.strictObject({
  id: z.string().min(1).max(60),
  names: z.array(z.string().min(1).max(60)).min(1),
  class: z.enum(LIQUID_CLASSES),
  loose: z.array(z.string().min(1).max(60)).optional(),
  /** Stuffs of one family differ only in strength. */
  family: z.enum(["neutral-spirit"]).optional(),
  /** g of one piece: the juice of one lemon. */
  pieces: z.record(z.string(), range).optional(),
  composition: z.partialRecord(z.enum(COMPONENT_NAMES), share),
  abv: z.number().min(0).max(100).optional(),
  density: z.number().positive().max(3).optional(),
  /** g/mL of the heap, for dry ones. */
  bulk: z.number().positive().max(3).optional(),
  /** mEq per 100 g. */
  alk: z.number().min(0).max(3000).optional(),
  tolerance: share.optional(),
  /** How far its acids may be off, relative. */
  acidSpread: share.optional(),
  /** How far its water may be off, share of its mass. */
  waterSpread: share.optional(),
  tags: z.array(z.enum(TAGS)).optional(),
  holds,
  /** The last day of the bottle it comes from: nothing made of it is promised longer. */
  bestBy: z.string().max(10).optional(),
  source: z.string(),
});
export type StuffRow = z.infer<typeof StuffRow>;

/** Where a row's figures come from, by the word in its `source`. */
export const SOURCES: Readonly<Record<string, string>> = {
  fdc: "USDA FoodData Central, SR Legacy (water, sugars, acids), rounded",
  typical: "typical kitchen value for its class; weigh your own to replace it",
  handbook: "CRC Handbook of Chemistry and Physics",
  own: "your own weighing",
  ours: "as the batch it comes from was reckoned",
};
