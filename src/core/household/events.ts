import { z } from "zod";
import { UnreadableEvent } from "../journal/events";

/** What a household may say of itself. Amounts already typed keep the cups they were typed in. */
export const Settings = z.strictObject({
  name: z.string().trim().min(1, "A household has a name.").max(80, "Keep the name under 80 letters."),
  units: z.enum(["us", "metric", "imperial"]),
  currency: z.string().trim().min(1, "Say how money is written, like £ or kr.").max(4, "A sign of one to four letters, like £ or kr."),
});
export type Settings = z.infer<typeof Settings>;

export const HOUSEHOLD_VERSIONS: Readonly<Record<string, number>> = { settled: 1 };

export interface HouseholdEvent {
  readonly type: "settled";
  readonly version: number;
  readonly streamId: string;
  readonly seq: number;
  readonly key: string;
  readonly at: string;
  readonly day: string;
  readonly body: Settings;
}

/** Parses a stored body. Throws `UnreadableEvent`. */
export function readHouseholdBody(type: string, version: number, body: unknown): Settings {
  if (type !== "settled" || version > HOUSEHOLD_VERSIONS["settled"]!) throw new UnreadableEvent(`the household's journal holds “${type}” in version ${version}, which this build does not know; start the newer build`);
  const parsed = Settings.safeParse(body);
  if (!parsed.success) throw new UnreadableEvent(`an entry “${type}” of the household cannot be read: ${parsed.error.issues[0]?.message ?? "unknown"}`);
  return parsed.data;
}

export interface Settled extends Settings {
  readonly seq: number;
}

/** The newest settings by the maker's time; `undefined` while nothing was ever changed. */
export function foldHousehold(events: readonly HouseholdEvent[]): Settled | undefined {
  const last = [...events].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.seq - b.seq)).at(-1);
  return last ? { ...last.body, seq: Math.max(...events.map((e) => e.seq)) } : undefined;
}
