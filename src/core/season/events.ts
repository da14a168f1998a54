import { z } from "zod";
import {
  type EntryRows,
  type Envelope,
  asWritten,
  bodyReader,
  correctionsOf,
  correctedBody,
  entryRow,
} from "../envelope";
import { realDay } from "../real-day";
import { STANDS_IN } from "./year";
import { Terms, Wish } from "./wish";

const day = realDay("Write a day the calendar has, like 2027-01-31.");

/** A start that is kept: days of the calendar, and the wish it is for. */
export const KeptStart = z
  .strictObject({
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/),
    wish: z.string().min(1).max(100),
    remedy: z.string().min(1).max(80),
    vessel: z.string().min(1).max(60),
    fill: z.number().positive().max(1),
    day,
    strain: day,
    in: z.enum(STANDS_IN),
    pinned: z.boolean(),
  })
  .refine((s) => s.day <= s.strain, { message: "It is strained after it is begun.", path: ["strain"] });
export type KeptStart = z.infer<typeof KeptStart>;

/** More than this nobody begins in a year. */
const MOST_STARTS = 400;

/**
 * The journal of a household's season: `wished` states a wish anew, whole; `dropped` takes one out of the plan; `settled` says what the household can
 * do; `planned` keeps a plan, in place of the one before. Nothing is overwritten: what was wished and planned stays in the journal.
 */
export const SEASON_BODIES = {
  wished: z.strictObject({ wish: Wish }),
  dropped: z.strictObject({ wish: z.string().min(1).max(100), why: z.string().max(200) }),
  settled: z.strictObject({ terms: Terms }),
  planned: z.strictObject({
    starts: z
      .array(KeptStart)
      .max(MOST_STARTS)
      .refine((all) => new Set(all.map((s) => s.id)).size === all.length, "Two starts have one name."),
  }),
  corrected: z.strictObject(correctedBody),
} as const;
export type SeasonEventType = keyof typeof SEASON_BODIES;
export type SeasonBody<T extends SeasonEventType> = z.infer<(typeof SEASON_BODIES)[T]>;
/** A plan is kept by whoever saw the one before; of wishes the last word counts. */
export const SEASON_ENTRIES: EntryRows<SeasonEventType> = {
  wished: entryRow(1, "commutes", "noticed", "decides"),
  dropped: entryRow(1, "commutes", "noticed", "decides"),
  settled: entryRow(1, "commutes", "noticed", "decides"),
  planned: entryRow(1, "noticed", "decides"),
  corrected: entryRow(1, "noticed", "decides"),
};
export type SeasonEvent = { [T in SeasonEventType]: Envelope<T, SeasonBody<T>> }[SeasonEventType];

/** Parses a stored body. Throws `UnreadableEvent`. */
export const readSeasonBody = bodyReader("the season’s journal", SEASON_BODIES, SEASON_ENTRIES);

/** What is wished and planned, as the journal says. */
export interface Season {
  readonly wishes: readonly Wish[];
  /** Wishes that were dropped, by their names: of what is learned from pouring too. */
  readonly dropped: ReadonlySet<string>;
  readonly terms: Terms | undefined;
  /** The plan that is kept, and the day it was. */
  readonly plan: { readonly starts: readonly KeptStart[]; readonly on: string } | undefined;
  readonly seq: number;
}
export const NO_SEASON: Season = {
  ...{ wishes: [], dropped: new Set(), terms: undefined, plan: undefined, seq: 0 },
};

/** State = fold(events), by order of writing; `undefined` while nothing was written. */
export function foldSeason(events: readonly SeasonEvent[]): Season | undefined {
  if (events.length === 0) return undefined;
  const corrections = correctionsOf(events);
  const wishes = new Map<string, Wish>();
  const dropped = new Set<string>();
  let [terms, plan, seq]: [Season["terms"], Season["plan"], number] = [undefined, undefined, 0];
  for (const e of asWritten(events)) {
    seq = e.seq;
    const c = corrections.get(e.seq);
    if (e.type === "corrected" || c?.body === null) continue;
    const body = c ? readSeasonBody(e.type, SEASON_ENTRIES[e.type].version, c.body) : e.body;
    switch (e.type) {
      case "wished": {
        const { wish } = body as SeasonBody<"wished">;
        wishes.set(wish.id, wish);
        dropped.delete(wish.id);
        break;
      }
      case "dropped": {
        const { wish } = body as SeasonBody<"dropped">;
        wishes.delete(wish);
        dropped.add(wish);
        break;
      }
      case "settled":
        terms = (body as SeasonBody<"settled">).terms;
        break;
      case "planned":
        plan = { starts: (body as SeasonBody<"planned">).starts, on: e.day };
        break;
    }
  }
  return { wishes: [...wishes.values()], dropped, terms, plan, seq };
}
