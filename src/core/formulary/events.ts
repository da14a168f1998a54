import { z } from "zod";
import { type EntryRows, type Envelope, bodyReader, entryRow } from "../envelope";
import { Plan } from "../plan/plan";

const why = z.string().max(300, "Keep it under 300 letters.").optional();

/** Where a plan came from. */
export const CameFrom = z.discriminatedUnion("as", [
  /** Someone told it, or it was found somewhere, in the household’s own words. */
  z.strictObject({ as: z.literal("told"), by: z.string().min(1).max(120) }),
  /** Pasted in: the writer’s own words are kept. */
  z.strictObject({ as: z.literal("pasted"), text: z.string().max(40_000) }),
  /** Another recipe of the book, at one of its versions. */
  z.strictObject({ as: z.literal("recipe"), id: z.uuid(), version: z.number().int().min(1) }),
  /** A batch, as it was planned or as it was really made. */
  z.strictObject({
    as: z.literal("batch"),
    id: z.uuid(),
    code: z.string().max(20),
    did: z.enum(["planned", "done"]),
  }),
  z.strictObject({ as: z.literal("file"), name: z.string().max(200) }),
]);
export type CameFrom = z.infer<typeof CameFrom>;

/** The bodies of a recipe’s journal. */
export const RECIPE_BODIES = {
  written: z.strictObject({
    plan: Plan,
    note: z.string().max(4000, "Keep a note under 4,000 letters.").optional(),
    from: CameFrom.optional(),
  }),
  /** The whole new plan, and why. */
  changed: z.strictObject({ plan: Plan, why, from: CameFrom.optional() }),
  renamed: z.strictObject({
    name: z.string().min(1, "Give it a name.").max(80, "Keep the name under 80 letters."),
  }),
  noted: z.strictObject({ text: z.string().min(1, "Write what is to be remembered.").max(2000) }),
  "put-away": z.strictObject({ why }),
  /** An entry that did not happen. */
  corrected: z.strictObject({ seq: z.number().int().min(1), body: z.null(), why }),
} as const;

export type RecipeEventType = keyof typeof RECIPE_BODIES;
export type RecipeBody<T extends RecipeEventType> = z.infer<(typeof RECIPE_BODIES)[T]>;
export const RECIPE_ENTRIES: EntryRows<RecipeEventType> = {
  written: entryRow(2, "noticed", "decides"),
  changed: entryRow(2, "noticed", "decides"),
  renamed: entryRow(1, "commutes", "noticed", "decides"),
  noted: entryRow(1, "commutes", "decides"),
  "put-away": entryRow(1, "noticed", "decides"),
  corrected: entryRow(1, "noticed", "decides"),
};
export type RecipeEvent = { [T in RecipeEventType]: Envelope<T, RecipeBody<T>> }[RecipeEventType];

/** Parses a stored body of a type and version. Throws `UnreadableEvent`. */
export const readRecipeBody = bodyReader("the formulary", RECIPE_BODIES, RECIPE_ENTRIES);
