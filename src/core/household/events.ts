import { z } from "zod";
import { type Envelope, bodyReader, inOrder } from "../journal/envelope";

/** What a household may say of itself. Amounts already typed keep the cups they were typed in. */
export const Settings = z.strictObject({
  name: z.string().trim().min(1, "A household has a name.").max(80, "Keep the name under 80 letters."),
  units: z.enum(["us", "metric", "imperial"]),
  currency: z.string().trim().min(1, "Say how money is written, like £ or kr.").max(4, "A sign of one to four letters, like £ or kr."),
});
export type Settings = z.infer<typeof Settings>;

export const HOUSEHOLD_VERSIONS: Readonly<Record<string, number>> = { settled: 1 };
export type HouseholdEvent = Envelope<"settled", Settings>;

/** Parses a stored body. Throws `UnreadableEvent`. */
export const readHouseholdBody = bodyReader("the household’s journal", { settled: Settings }, HOUSEHOLD_VERSIONS);

export interface Settled extends Settings {
  readonly seq: number;
}

/** The newest settings by the maker's time; `undefined` while nothing was ever changed. */
export function foldHousehold(events: readonly HouseholdEvent[]): Settled | undefined {
  const last = inOrder(events).at(-1);
  return last ? { ...last.body, seq: Math.max(...events.map((e) => e.seq)) } : undefined;
}
