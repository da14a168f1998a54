import { z } from "zod";
import { WEEKDAYS } from "../care/weeks";
import { KINDS } from "../plan/plan";
import { realDay } from "../real-day";

const month = z.number().int().min(1).max(12);
/** First month to last, over the turn of the year where the last comes before the first. */
export const Months = z.tuple([month, month]);
export type Months = z.infer<typeof Months>;

const said = z.string().trim().min(1).max(60);
/** No household takes more of one remedy in a day than this, each; whether that may be taken is judged elsewhere. */
export const MOST_EACH_ML = 10_000;

/** So many people take so much, so often, in some months. */
export const Use = z.strictObject({
  people: z
    .number("Say for how many, like 4.")
    .int("Say for how many, like 4.")
    .min(1, "Say for how many: one or more.")
    .max(100, "A hundred at one table is the most here."),
  ml: z
    .number("Say how much at a time, like “1 tsp”.")
    .positive("Say how much at a time, like “1 tsp”.")
    .max(MOST_EACH_ML, "That is over ten litres at a time. Say it as spoons, cups or mL."),
  said,
  /** Times a day; of what is taken every other day, a half. */
  times: z
    .number("Say how often, like “once a day”.")
    .positive("Say how often, like “once a day”.")
    .max(24, "That is more than once an hour. Say 24 times a day at most."),
  months: Months,
});
export type Use = z.infer<typeof Use>;

export const Gift = z.strictObject({
  day: realDay("Write a day the calendar has, like 2026-12-20."),
  count: z
    .number("Say how many, like 10.")
    .int("Say how many, like 10.")
    .min(1, "Say how many: one or more.")
    .max(200, "Two hundred gifts are the most here."),
  ml: z
    .number("Say how large each is, like “100 mL”.")
    .positive("Say how large each is, like “100 mL”.")
    .max(5000, "That is over five litres each. Say how large each is, like “100 mL”."),
  said,
});
export type Gift = z.infer<typeof Gift>;

export const COUNTS = ["much", "some", "little"] as const;
export type Counts = (typeof COUNTS)[number];
/** How much a day without counts, by its word. */
export const WEIGHT: Readonly<Record<Counts, number>> = { much: 2, some: 1, little: 0.5 };

/** What is wanted of one remedy. */
export const Wish = z.strictObject({
  id: z.uuid(),
  remedy: z.string().trim().min(1, "Say which remedy.").max(80),
  kind: z.enum(KINDS),
  /** The recipe of the book it is made by; the way it was made last where none is said. */
  recipe: z.uuid().optional(),
  never: z.boolean(),
  counts: z.enum(COUNTS),
  /** What was poured is counted, where nothing else is said of its use. */
  learned: z.boolean(),
  uses: z.array(Use).max(12, "Twelve sorts of use are the most here."),
  gifts: z.array(Gift).max(24, "Two dozen days of gifts are the most here."),
});
export type Wish = z.infer<typeof Wish>;

const litres = (what: string) =>
  z
    .number(`Say how many litres of room there are in the ${what}, like 2.`)
    .min(0, "Room is nought or more.")
    .max(1000, "That is over a thousand litres. Say the litres there are for bottles.");
const hours = z
  .number("Say the hours, like 3.")
  .min(0, "Hours are nought or more.")
  .max(100, "A week has not so many hours to spare. Say a hundred at most.");

/** What the household can do, and when. */
export const Terms = z.strictObject({
  hoursWeek: hours,
  hoursDay: hours.max(24, "A day has 24 hours."),
  /** Days of the week that suit beginning something; any, where none is named. */
  begins: z.array(z.enum(WEEKDAYS)).max(7),
  fridgeL: litres("fridge"),
  freezerL: litres("ice box"),
  /** When something is picked or bought here, against the book's months. */
  picked: z.array(z.strictObject({ material: z.string().min(1).max(60), months: Months })).max(200),
});
export type Terms = z.infer<typeof Terms>;

/** A household that has said nothing of it. Ours, and shown to be changed. */
export const USUAL_TERMS: Terms = {
  ...{ hoursWeek: 4, hoursDay: 4, begins: [], fridgeL: 2, freezerL: 1, picked: [] },
};

/** Whether a month lies in a span that may go over the turn of the year. */
export const inMonths = ([first, last]: Months, m: number): boolean =>
  first <= last ? m >= first && m <= last : m >= first || m <= last;

/** mL of a use on a day of a month. */
export const useOn = (u: Use, m: number): number => (inMonths(u.months, m) ? u.people * u.ml * u.times : 0);
