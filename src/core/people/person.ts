import { z } from "zod";
import { type Day, addMonths } from "../day";
import { realDay } from "../real-day";

/** What is known of someone, as far as the cautions ask. Each is a plain statement about the person, never a diagnosis by the product. */
export const FLAGS = [
  "pregnant",
  "nursing",
  "blood-thinner",
  "blood-pressure",
  "heart",
  "diabetes-medicine",
  "sedative",
  "immune-medicine",
  "other-medicine",
  "avoids-alcohol",
  "blood-sugar",
  "autoimmune",
  "reflux",
  "epilepsy",
  "kidney",
  "liver",
  "thyroid",
  "hormone",
  "gallstones",
  "recovery",
] as const;
export type Flag = (typeof FLAGS)[number];

export const FLAG_WORDS: Readonly<Record<Flag, string>> = {
  pregnant: "pregnant",
  nursing: "nursing",
  "blood-thinner": "takes a blood thinner",
  "blood-pressure": "takes something for blood pressure",
  heart: "takes a heart medicine",
  "diabetes-medicine": "takes something for diabetes",
  sedative: "takes a sedative",
  "immune-medicine": "takes something that holds the immune system down",
  "other-medicine": "takes another medicine",
  "avoids-alcohol": "avoids alcohol",
  "blood-sugar": "minds sugar or runs low on it",
  autoimmune: "has an autoimmune condition",
  reflux: "has reflux or an ulcer",
  epilepsy: "has epilepsy",
  kidney: "has a kidney condition",
  liver: "has a liver condition",
  thyroid: "has a thyroid condition",
  hormone: "has a hormone-sensitive condition",
  gallstones: "has gallstones",
  recovery: "is in recovery from alcohol",
};

const MEDICINES: ReadonlySet<Flag> = new Set<Flag>([
  "blood-thinner",
  "blood-pressure",
  "heart",
  "diabetes-medicine",
  "sedative",
  "immune-medicine",
  "other-medicine",
]);

/** Someone of the household, by a short name or a role. */
export const Person = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, "Give a short name or a role, like “the keeper”.")
    .max(40, "Keep the name under 40 letters."),
  /** Month born, where age matters; of those long grown the year is enough. */
  born: z
    .string()
    .regex(
      /^(?:19|20)\d{2}(?:-(?:0[1-9]|1[0-2]))?$/,
      "Write the month born like 2026-03, or the year like 1950.",
    )
    .optional(),
  flags: z.array(z.enum(FLAGS)).max(FLAGS.length),
  /** Plants and other things they are allergic to, by plain names. */
  allergies: z.array(z.string().trim().min(1).max(60)).max(20),
  /** Day of an operation to come. */
  surgery: realDay("Write a day the calendar has, like 2027-01-31.").optional(),
});
export type Person = z.infer<typeof Person>;

/** The month born; where only the year is known, the last of it, so that nobody is thought older than they may be. */
const monthOf = (born: string): string => (born.length === 4 ? `${born}-12` : born);

/** Whether someone is said to be born in a month that has not come. */
export const bornInFuture = (p: Person, today: Day): boolean =>
  p.born !== undefined && p.born > today.slice(0, p.born.length);

/** Whether a month of birth alone can still mean an age under so many months: until the first of the month after that birthday month. */
const under = (born: string, months: number, today: Day): boolean =>
  today < addMonths(`${monthOf(born)}-01`, months + 1);

/** Called a baby or a child, where no month of birth is written down: taken at their name until it is. */
const NAMED_BABY = /\b(?:bab(?:y|ies)|infant|newborn|bairn|suckling)\b/i;
const NAMED_CHILD =
  /\b(?:child(?:ren)?|toddler|kids?|little (?:one|boy|girl)|schoolboy|schoolgirl|teenager)\b/i;
export const isCalledBaby = (name: string): boolean => NAMED_BABY.test(name);

/** Under twelve months: known by month only, so until the first of the following month. Whoever is called a baby is one until a month is known. */
export const isInfant = (p: Person, today: Day): boolean =>
  p.born === undefined ? isCalledBaby(p.name) : under(p.born, 12, today);
/** Day from which a child is surely twelve months old. */
export const honeyFrom = (p: Person): Day | undefined =>
  p.born === undefined ? undefined : addMonths(`${monthOf(p.born)}-01`, 13);
export const isChild = (p: Person, today: Day): boolean =>
  p.born === undefined ? isCalledBaby(p.name) || NAMED_CHILD.test(p.name) : under(p.born, 18 * 12, today);
/** Under sixteen, where salicylates are kept from children with a fever. */
export const isUnderSixteen = (p: Person, today: Day): boolean =>
  p.born === undefined ? isChild(p, today) : under(p.born, 16 * 12, today);
export const takesMedicine = (p: Person): boolean => p.flags.some((f) => MEDICINES.has(f));
export const is =
  (flag: Flag) =>
  (p: Person): boolean =>
    p.flags.includes(flag);

/** Those of the household a plan is meant for, by name, letter case aside; names it does not know are left out. */
export function meantOf(names: readonly string[] | undefined, household: readonly Person[]): Person[] {
  const wanted = new Set((names ?? []).map((n) => n.trim().toLowerCase()));
  return household.filter((p) => wanted.has(p.name.toLowerCase()));
}
