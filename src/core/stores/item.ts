import { z } from "zod";
import { HouseCourse } from "../cellar/house-course";
import { isDay } from "../day";
import { realDay } from "../real-day";
import { CUTS, FORMS, PLANT_CLASSES } from "../material/classes";
import { KINDS } from "../plan/plan";
import { PlantRow } from "../material/rows";
import { Person } from "../people/person";
import { LIDS, VesselSpec, WARES } from "../vessel/vessel";

const text = (most: number) => z.string().trim().max(most);
const day = realDay("Write a day the calendar has, like 2026-11-24.");

/** Something bought or gathered at one time: what was there of it, what it cost, how strong it is. Amounts as typed, beside the grams they came to. */
export const Lot = z.strictObject({
  what: z.literal("lot"),
  material: z.string().min(1).max(60),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  /** As read off the bottle: "5 %", "80 US proof". */
  strength: text(40).optional(),
  /** % water of a honey. */
  water: z.number().min(10).max(30).optional(),
  amount: text(60).min(1),
  grams: z.number().positive().max(500_000),
  /** Paid for all of it, in the household's money. Gathered: nothing. */
  price: z.number().min(0).max(100_000).optional(),
  got: day,
  from: text(80).optional(),
  /** Hung up to dry since this day: it is no fresh herb any more, and not yet a dried one. */
  drying: day.optional(),
  /** What it was before it was dried or frozen: how much of it, and since when. Its loss and its days are learned from. */
  was: z
    .strictObject({
      form: z.enum(FORMS).optional(),
      grams: z.number().positive().max(500_000),
      since: day,
      done: day,
    })
    .optional(),
});
export type Lot = z.infer<typeof Lot>;

/** A vessel the household owns, under its own name where it has several alike. */
export const OwnVessel = z.strictObject({
  what: z.literal("vessel"),
  name: text(40).optional(),
  vessel: z.union([z.string().min(1).max(60), VesselSpec]),
  lid: z.enum(LIDS).optional(),
  ware: z.enum(WARES).optional(),
});
export type OwnVessel = z.infer<typeof OwnVessel>;

/** Empty bottles of one size on hand. */
export const Empties = z.strictObject({
  what: z.literal("empties"),
  vessel: z.string().min(1).max(60),
  count: z
    .number()
    .int()
    .min(0, "A count is nought or more.")
    .max(999, "That is more bottles than a cupboard holds."),
});
export type Empties = z.infer<typeof Empties>;

export const Member = Person.extend({ what: z.literal("person") });
export type Member = z.infer<typeof Member>;

/** A plant the catalogue does not have, as the household wrote it down. */
export const OwnMaterial = z.strictObject({
  what: z.literal("material"),
  row: PlantRow.extend({ class: z.enum(PLANT_CLASSES) }),
});
export type OwnMaterial = z.infer<typeof OwnMaterial>;

/** The household's own cup of something, weighed: it replaces the typical figure. `heap` is g/mL. */
export const Calibration = z.strictObject({
  what: z.literal("weighed"),
  material: z.string().min(1).max(60),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  amount: text(60).min(1),
  grams: z.number().positive().max(100_000),
  heap: z.number().positive().max(3),
});
export type Calibration = z.infer<typeof Calibration>;

/** From this day on the household's cloths are learned from; what they kept before is forgotten. */
export const Cloth = z.strictObject({ what: z.literal("cloth"), since: day });
/** What was learned from its strainings. Reckoned from them whenever it is asked for; nobody keeps it by hand. */
export const LearnedCloth = z.strictObject({
  what: z.literal("learned"),
  class: z.enum(PLANT_CLASSES),
  how: z.enum(["drained", "wrung", "pressed"]),
  batches: z.number().int().min(1),
  share: z.number().positive(),
  spread: z.number().positive(),
});
export type LearnedCloth = z.infer<typeof LearnedCloth>;

/** A course as the household takes it, over all bottles of a remedy. */
export const CourseItem = HouseCourse.extend({ what: z.literal("course") });
export type CourseItem = z.infer<typeof CourseItem>;

/** Something that is to be picked or bought, in the words it was said in; of what is no ingredient the words alone. */
export const Wanted = z.strictObject({
  what: z.literal("wanted"),
  where: z.enum(["gather", "buy"]),
  /** How much, and of what: “10 cloves”, garlic. */
  amount: text(60).optional(),
  material: z.string().min(1).max(60).optional(),
  form: z.enum(FORMS).optional(),
  cut: z.enum(CUTS).optional(),
  strength: text(40).optional(),
  /** Words alone, where it is no ingredient. */
  words: text(80).optional(),
  /** What it is for. */
  for: text(80).optional(),
});
export type Wanted = z.infer<typeof Wanted>;

/** What a shop asks for a bottle of the like of a remedy. */
export const ShopPrice = z.strictObject({
  what: z.literal("shop"),
  remedy: text(80).min(1, "Say which remedy."),
  kind: z.enum(KINDS),
  /** For a bottle, in the household's money. */
  price: z
    .number("Write the price as a number, like 7.50.")
    .positive("Write the price as a number, like 7.50.")
    .max(100_000, "That is over 100,000 for a bottle. Write what one costs."),
  ml: z
    .number("Say what the bottle holds.")
    .positive("Say what the bottle holds.")
    .max(20_000, "No shop’s bottle holds over 20 litres. Say what one holds."),
});
export type ShopPrice = z.infer<typeof ShopPrice>;

export const StoreItem = z.discriminatedUnion("what", [
  Lot,
  OwnVessel,
  Empties,
  Member,
  OwnMaterial,
  Calibration,
  Cloth,
  LearnedCloth,
  CourseItem,
  Wanted,
  ShopPrice,
]);
export type StoreItem = z.infer<typeof StoreItem>;

/** A thing as older builds stored it: a day of an operation that no calendar has is not known. */
export function soundItem(item: unknown): unknown {
  const day = (item as { surgery?: unknown } | null | undefined)?.surgery;
  if (typeof day !== "string" || isDay(day)) return item;
  const { surgery: _, ...rest } = item as { surgery: string };
  return rest;
}
