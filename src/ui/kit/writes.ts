import type {
  Answer,
  BatchAnswer,
  DoorAnswer,
  ToDoor,
  Beginning,
  FeedAnswer,
  RecipeAnswer,
  SettingsSaid,
  ToBatch,
  ToBottle,
  ToRecipe,
  ToSeason,
  ToStores,
} from "@/contract/writes";
import type { Standing } from "@/core/standing/standing";

/** One thing to be written: where it goes, what it says, and what it will be answered. Its key is given when it is sent. */
export interface Writing<A extends Answer = Answer> {
  readonly url: string;
  readonly body: Readonly<Record<string, unknown>>;
  /** The journal it is of: such a writing may lie on this device until the house answers. What is of no journal is sent at once, or not at all. */
  readonly stream?: string;
  /** It happened when it is written, unless it says another day: what lies here is not of the day it is sent. */
  readonly happened?: true;
  /** What comes after it in its journal rests on it. */
  readonly builtOn?: true;
  /** Its effect is shown from this device, whether or not the house has it yet. */
  readonly shown?: true;
  /** Never there: it ties the answer's type to the writing. */
  readonly answered?: A;
}
interface Seen {
  /** The version the writer saw. */
  readonly seen?: number | undefined;
  /** It was asked whether an unlikely value is so, and it is. */
  readonly sure?: boolean;
  /** The maker's time, where it is not now. */
  readonly at?: string | undefined;
  /** The day it was done, where that is not today. */
  readonly on?: string | undefined;
  /** It was done in every jar filled alike with it. */
  readonly alike?: boolean;
}

/** Entries of a batch on which what comes after them rests. */
const BUILT_ON: ReadonlySet<keyof ToBatch> = new Set<keyof ToBatch>([
  "strained",
  "finished",
  "bottled",
  "discarded",
  "corrected",
]);

/** Everything a page may write, a function each; nothing else makes a `Writing`. What is undefined is not sent. */
export const toBatch = <T extends keyof ToBatch>(
  id: string,
  type: T,
  body: ToBatch[T],
  more: Seen = {},
): Writing<BatchAnswer> => ({
  url: `/api/batches/${id}`,
  body: { type, body, ...more },
  stream: id,
  happened: true,
  ...(BUILT_ON.has(type) ? { builtOn: true as const } : {}),
  // What is promised of a bottle is the house's to say, so that a bottling is shown once the house has it.
  ...(type === "bottled" ? {} : { shown: true }),
});

export const toBegin = (id: string, body: Beginning): Writing<BatchAnswer> => ({
  url: "/api/batches",
  body: { id, ...body },
  stream: id,
  happened: true,
});

export const toStand = (id: string, standing: Standing): Writing<BatchAnswer> => ({
  url: "/api/standing",
  body: { id, standing },
  stream: id,
});

export const toBottle = <T extends keyof ToBottle>(
  id: string,
  type: T,
  body: ToBottle[T],
  more: Seen = {},
): Writing => ({
  url: `/api/bottles/${id}`,
  body: { type, body, ...more },
  stream: id,
  happened: true,
  shown: true,
});

export const toStores = <T extends keyof ToStores>(
  id: string,
  type: T,
  body: ToStores[T],
  seen?: number,
): Writing => ({ url: "/api/stores", body: { id, type, body, seen }, stream: id });

export const toRecipe = <T extends keyof ToRecipe>(
  id: string,
  type: T,
  body: ToRecipe[T],
  seen?: number,
): Writing<RecipeAnswer> => ({ url: "/api/recipes", body: { id, type, body, seen }, stream: id });

export const toSeason = <T extends keyof ToSeason>(type: T, body: ToSeason[T], seen?: number): Writing => ({
  url: "/api/season",
  body: { type, body, seen },
});

/** @param was what the page saw of the lists it changes */
export const toHouse = (settings: SettingsSaid, was?: SettingsSaid): Writing => ({
  url: "/api/household",
  body: { settings, was },
});

export const toDoor = (what: ToDoor): Writing<DoorAnswer> => ({ url: "/api/house", body: { ...what } });

export const toFeed = (secret: string): Writing<FeedAnswer> => ({
  url: "/api/household/feed",
  body: { secret },
});
