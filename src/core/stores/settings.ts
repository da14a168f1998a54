import { z } from "zod";
import { Away, WEEKDAYS, type Weekday } from "../care/weeks";
import {
  type Correction,
  type EntryRows,
  type Envelope,
  asWritten,
  bodyReader,
  correctionsOf,
  entryRow,
} from "../envelope";
import { isZone } from "../day";
import type { UnitSystem } from "../quantity/units";

/** Where bottles may stand in this household, under its own names. */
export const Place = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, "Give the place a name.").max(40, "Keep the name under 40 letters."),
  class: z.enum(["cool-dark", "cupboard", "fridge", "freezer"]),
});
export type Place = z.infer<typeof Place>;

/** The places of a household that has named none. */
export const USUAL_PLACES: readonly Place[] = [
  { id: "cupboard", name: "cupboard", class: "cupboard" },
  { id: "fridge", name: "fridge", class: "fridge" },
  { id: "freezer", name: "ice box", class: "freezer" },
];

/** One mail a morning, only when there is something to do. */
export const Morning = z.strictObject({
  on: z.boolean(),
  to: z.union([z.literal(""), z.email("Write an address like keeper@lock.example.")]),
  at: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "Write the time like 07:30."),
});

/** Settings that came with version 3, as a household has them that never said. */
export const USUAL_WEEKS = {
  heightM: 0,
  strainDays: [] as Weekday[],
  away: [] as Away[],
  morning: { on: false, to: "", at: "07:00" },
  feed: "",
  knows: [] as string[],
};

/** What a household may say of itself. Amounts already typed keep the cups they were typed in. */
export const Settings = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, "Give the house a name; it stands at the head of every page.")
    .max(80, "Keep the name under 80 letters."),
  units: z.enum(["us", "metric", "imperial"]),
  /** By whose clock its days begin and its bells ring; days that are written already stay what they were. */
  zone: z.string().max(60).refine(isZone, "Write a time zone by its city, like Europe/London.").optional(),
  currency: z
    .string()
    .trim()
    .min(1, "Say how money is written, like £ or kr.")
    .max(4, "A sign of one to four letters, like £ or kr."),
  /** What its thermometer shows, and its ruler. */
  degrees: z.enum(["C", "F"]),
  lengths: z.enum(["cm", "in"]),
  places: z
    .array(Place)
    .min(1)
    .max(20)
    .refine(
      (all) => new Set(all.map((p) => p.id)).size === all.length,
      "Two places have one mark. Name one anew.",
    ),
  /** Metres above the sea: water boils lower in the hills. */
  heightM: z
    .number("Give the height in metres, like 340.")
    .min(-430, "No shore lies under 430 m below the sea.")
    .max(5100, "Nobody cooks above 5,100 m. Give the height in metres."),
  /** Days of the week on which jars are strained; any, where none is named. */
  strainDays: z.array(z.enum(WEEKDAYS)).max(7),
  away: z.array(Away).max(60),
  morning: Morning,
  /** SHA-256 of the calendar feed's secret, hexadecimal; none where there is no feed. */
  feed: z.union([z.literal(""), z.string().regex(/^[0-9a-f]{64}$/)]),
  /** Notes that hold for many a remedy and that this house has learned: it is not told them again. */
  knows: z.array(z.string().min(1).max(60)).max(200),
});
export type Settings = z.infer<typeof Settings>;

/** How a household of these measures usually reads its thermometer and its ruler. */
export const usualScales = (units: UnitSystem): Pick<Settings, "degrees" | "lengths"> =>
  units === "us" ? { degrees: "F", lengths: "in" } : { degrees: "C", lengths: "cm" };

/** Version 1 knew neither degrees, lengths nor places. */
const settled1 = (body: unknown): unknown => {
  const { units } = body as { units: UnitSystem };
  return { ...(body as object), ...usualScales(units), places: [...USUAL_PLACES] };
};

/** Version 2 knew nothing of the weeks: height, days away and for straining, mail and feed. */
const settled2 = (body: unknown): unknown => ({ ...(body as object), ...USUAL_WEEKS });

/** Version 3 had learned nothing by heart. */
const settled3 = (body: unknown): unknown => ({ ...(body as object), knows: [] });

/** Version 4 could not say by whose clock the house lives. */
const settled4 = (body: unknown): unknown => body;

const BODIES = {
  settled: Settings,
  corrected: z.strictObject({
    seq: z.number().int().min(1),
    body: z.unknown(),
    why: z.string().max(300).optional(),
  }),
} as const;
/** The last word counts; two windows that settle at once both stand in the journal. */
export const HOUSEHOLD_ENTRIES: EntryRows<keyof typeof BODIES> = {
  settled: entryRow(5, "commutes", "noticed", "decides"),
  corrected: entryRow(1, "noticed", "decides"),
};
export type HouseholdEvent =
  Envelope<"settled", Settings> | Envelope<"corrected", z.infer<typeof BODIES.corrected>>;

/** Parses a stored body. Throws `UnreadableEvent`. */
export const readHouseholdBody = bodyReader("the household’s journal", BODIES, HOUSEHOLD_ENTRIES, {
  settled: { 1: settled1, 2: settled2, 3: settled3, 4: settled4 },
});

export interface Settled extends Settings {
  readonly seq: number;
}

function settledBy(e: HouseholdEvent, c: Correction | undefined): Settings | undefined {
  if (e.type !== "settled" || c?.body === null) return undefined;
  return c ? (readHouseholdBody("settled", HOUSEHOLD_ENTRIES.settled.version, c.body) as Settings) : e.body;
}

/** The newest settings, by order of writing; `undefined` while nothing was ever changed. */
export function foldHousehold(events: readonly HouseholdEvent[]): Settled | undefined {
  const corrections = correctionsOf(events);
  let last: Settings | undefined;
  let seq = 0;
  for (const e of asWritten(events)) {
    seq = e.seq;
    last = settledBy(e, corrections.get(e.seq)) ?? last;
  }
  return last ? { ...last, seq } : undefined;
}

/** What came with the weeks, as a row or a file holds it: what is not said is as usual. */
export const Weeks = Settings.pick({
  heightM: true,
  strainDays: true,
  away: true,
  morning: true,
  feed: true,
  knows: true,
}).partial();
