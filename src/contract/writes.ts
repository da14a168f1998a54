import type { BottleBody, BottleEventType } from "@/core/cellar/bottle";
import type { Fault } from "@/core/fault";
import type { RecipeBody, RecipeEventType } from "@/core/formulary/events";
import type { Body, EventType } from "@/core/journal/events";
import type { Plan } from "@/core/plan/plan";
import type { StoreItem } from "@/core/stores/item";
import type { SeasonBody, SeasonEventType } from "@/core/season/events";
import type { Settings } from "@/core/stores/settings";

/*
 * What a page may write, and what it is answered: the types both sides of the border stand on. The route handlers parse what comes against their own
 * schemas; here it cannot be said otherwise.
 */

/** An entry put right; without a body it did not happen. */
interface PutRight {
  readonly seq: number;
  readonly body: unknown;
  readonly why?: string;
}
/** What is sent is read, never changed. */
type Given<T> = T extends object ? { readonly [K in keyof T]: Given<T[K]> } : T;
type Correctable<All, Own> = Given<Omit<All, keyof Own> & Own>;

/** Entries of a batch as they are sent: of a bottling the verdict is the house's to give. */
export type ToBatch = Correctable<
  { readonly [T in Exclude<EventType, "begun">]: Body<T> },
  { readonly bottled: Omit<Body<"bottled">, "verdict">; readonly corrected: PutRight }
>;
export type ToBottle = Correctable<
  { readonly [T in BottleEventType]: BottleBody<T> },
  { readonly corrected: PutRight }
>;
/** A lot as it is typed has no grams yet, a weighed cup no heap: the store reckons them. */
export type TypedItem = StoreItem extends infer I
  ? I extends { what: "lot" }
    ? Omit<I, "grams">
    : I
  : never;
export interface ToStores {
  readonly kept: { readonly item: Given<TypedItem> };
  readonly gone: { readonly why: string };
  readonly corrected: PutRight;
}
export type ToRecipe = Given<{ [T in RecipeEventType]: RecipeBody<T> }>;

export type ToSeason = Correctable<
  { readonly [T in SeasonEventType]: SeasonBody<T> },
  { readonly corrected: PutRight }
>;

export interface Beginning {
  readonly plan: Plan;
  readonly reasons: Readonly<Record<string, string>>;
  readonly recipe?: { readonly id: string; readonly version: number };
  readonly on?: string | undefined;
  /** Other jars filled alike with it. */
  readonly also?: readonly string[];
}
/** What is said anew of the house; what is left out stays as it is. */
export type SettingsSaid = Given<Partial<Omit<Settings, "feed">>>;

/** What any write is answered with: the new version, the thing it is of, and the place of what was written in its journal. */
export interface Answer {
  readonly seq: number;
  readonly id: string;
  readonly entry: number;
  readonly already: boolean;
}
/** A write to a batch's journal also says where the batch stands now. */
export interface BatchAnswer extends Answer {
  readonly code: string;
  readonly state: string;
}
export interface RecipeAnswer extends Answer {
  readonly versions: number;
}
export interface FeedAnswer extends Answer {
  readonly address: string;
  readonly qr: string;
}
/** What is done about the house's door, its phrase and its devices. */
export type ToDoor =
  | { readonly do: "make-phrase" | "shut" | "offer-certificate" }
  | { readonly do: "own-phrase"; readonly phrase: string }
  | { readonly do: "let-in"; readonly role: "keeper" | "hand"; readonly days?: number }
  | { readonly do: "send-away"; readonly device: string }
  /** What a device that was sent away handed in, by its key. */
  | { readonly do: "take-in" | "let-be"; readonly letter: string }
  | { readonly do: "opens"; readonly again: boolean }
  | { readonly do: "copy-also"; readonly folder: string };
/** A phrase is told once, when it is made. */
export interface DoorAnswer extends Answer {
  readonly phrase?: string;
}
/** What a write is refused with; `seq` is where the thing stands now, where that is known. */
export interface Refusal {
  readonly fault: Fault;
  readonly seq?: number;
}
