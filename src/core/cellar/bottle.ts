import { noOther } from "../fault";
import { z } from "zod";
import { type Day } from "../day";
import { realDay } from "../real-day";
import {
  type Correction,
  type EntryRows,
  type Envelope,
  asHappened,
  asTimed,
  bodyReader,
  correctedBody,
  correctionsOf,
  entryRow,
  type ByDevice,
} from "../envelope";
import { PLACE_CLASSES, type PlaceClass } from "../journal/events";
import type { Batch } from "../journal/fold";
import type { Course } from "./course";
import type { Taken } from "./supply";

/** What may be seen on looking at a bottle. The first are ordinary for some kinds; the others end it. */
export const SIGNS = [
  "cloudy",
  "sediment",
  "layers",
  "mould",
  "gas",
  "slime",
  "wrong-smell",
  "lid-bulged",
] as const;
export type Sign = (typeof SIGNS)[number];
/** Signs on which nothing is tasted: it is thrown out. */
export const GRAVE_SIGNS: ReadonlySet<Sign> = new Set<Sign>([
  "mould",
  "gas",
  "slime",
  "wrong-smell",
  "lid-bulged",
]);
export const OUTCOMES = ["fine", "use-up", "throw-out"] as const;
export type Outcome = (typeof OUTCOMES)[number];

const name = z.string().trim().max(60, "Keep the name under 60 letters.");
const day = realDay("Write a day the calendar has, like 2027-01-31.");

/**
 * The journal of one bottle. It is filled by its batch's `bottled`, which is not written a second time here; everything after that is its own.
 * `poured` from one that was closed opens it; `moved` into a freezer stops its clock, and out of it goes to the fridge.
 */
export const BOTTLE_BODIES = {
  opened: z.strictObject({}),
  poured: z.strictObject({
    ml: z.number().positive("Say how much was poured, like “2 tsp”.").max(20_000),
    /** As it was typed. */
    said: z.string().min(1).max(60),
    for: name.min(1).optional(),
    /** The code of the batch it went into, where it was not taken. */
    into: z.string().max(20).optional(),
  }),
  /** How it is to be taken from now on, in the maker’s own measure; a later one stands in its place. */
  coursed: z.strictObject({
    ml: z
      .number()
      .positive("Say how much at a time, like “1 tsp”.")
      .max(250, "That is over a cup at a time. Say it as spoons or mL."),
    said: z.string().min(1).max(60),
    times: z
      .number()
      .int()
      .min(1, "Say how many times a day: once or more.")
      .max(24, "That is more than once an hour. Say 24 times a day at most."),
    days: z
      .number()
      .int()
      .min(1, "Say for how many days: one or more.")
      .max(90, "A course here is 90 days at most; begin it again after its rest."),
    rest: z.number().int().min(0, "Days of rest are nought or more.").max(365, "Say a year of rest at most."),
    for: name.min(1).optional(),
    from: day,
  }),
  moved: z.strictObject({ place: z.enum(PLACE_CLASSES), at: z.string().min(1).max(40).optional() }),
  inspected: z.strictObject({
    signs: z.array(z.enum(SIGNS)).max(SIGNS.length),
    outcome: z.enum(OUTCOMES),
    useBy: day.optional(),
  }),
  given: z.strictObject({ to: name.min(1, "Say to whom it went.") }),
  emptied: z.strictObject({}),
  discarded: z.strictObject({ why: z.string().trim().min(1, "Say why, in a few words.").max(300) }),
  corrected: z.strictObject(correctedBody),
} as const;
export type BottleEventType = keyof typeof BOTTLE_BODIES;
export type BottleBody<T extends BottleEventType> = z.infer<(typeof BOTTLE_BODIES)[T]>;
export const BOTTLE_ENTRIES: EntryRows<BottleEventType> = {
  opened: entryRow(1, "commutes", "noticed", "decides"),
  poured: entryRow(1, "commutes", "noticed", "decides"),
  coursed: entryRow(1, "commutes", "noticed", "decides"),
  moved: entryRow(1, "commutes", "noticed", "decides"),
  inspected: entryRow(1, "commutes", "noticed", "decides"),
  given: entryRow(1, "noticed", "decides"),
  emptied: entryRow(1, "noticed", "decides"),
  discarded: entryRow(1, "noticed", "decides"),
  corrected: entryRow(2, "noticed", "decides"),
};
export type BottleEvent = { [T in BottleEventType]: Envelope<T, BottleBody<T>> }[BottleEventType];

/** Parses a stored body. Throws `UnreadableEvent`. */
export const readBottleBody = bodyReader("a bottle’s journal", BOTTLE_BODIES, BOTTLE_ENTRIES);

/** A bottle as its batch filled it. */
export interface Filled {
  readonly id: string;
  /** Its number within the batch, from 1. */
  readonly number: number;
  readonly ml: number;
  readonly place: PlaceClass;
  readonly at: string | undefined;
  /** The day its liquid was strained, from which its life counts, and the day it was filled. */
  readonly strained: Day;
  readonly filled: Day;
}

/** The bottles of a batch as they were filled. */
export const filledOf = (b: Batch): Filled[] =>
  b.bottles.map((x, i) => ({
    id: x.id,
    number: x.number ?? i + 1,
    ml: x.ml,
    place: x.place,
    at: x.at,
    strained: b.strainedDay ?? b.begunDay,
    filled: b.bottledDay ?? b.begunDay,
  }));

export const BOTTLE_STATES = ["kept", "given", "emptied", "discarded"] as const;
export type BottleState = (typeof BOTTLE_STATES)[number];

export interface BottleEntry {
  readonly seq: number;
  readonly type: BottleEventType;
  readonly day: Day;
  /** The device of the house it was written on; nothing on the machine itself. */
  readonly by?: ByDevice | undefined;
  readonly body: unknown;
  readonly undone: boolean;
}

/** A bottle as its batch and its own journal say it is. */
export interface BottleNow {
  readonly id: string;
  readonly number: number;
  readonly state: BottleState;
  readonly leftMl: number;
  readonly place: PlaceClass;
  readonly at: string | undefined;
  readonly openedDay: Day | undefined;
  /** Where it stood, from which day, in order; the first from straining. */
  readonly stood: readonly { readonly from: Day; readonly place: PlaceClass }[];
  /** Days someone looked and said to use it up by. */
  readonly useBy: Day | undefined;
  /** What was used of it, and when; what an emptied one still held was used evenly since it was opened. */
  readonly taken: readonly Taken[];
  /** The day it was given, emptied or discarded. */
  readonly goneDay: Day | undefined;
  readonly goneWords: string | undefined;
  /** How it is taken now, where that was laid down. */
  readonly course: Course | undefined;
  readonly diary: readonly BottleEntry[];
  readonly seq: number;
}

/** What the entries add up to; written once, read by `foldBottle`. */
class Folding {
  state: BottleState = "kept";
  leftMl: number;
  openedDay: Day | undefined;
  useBy: Day | undefined;
  gone: { day: Day; words: string | undefined } | undefined;
  readonly taken: Taken[] = [];
  course: Course | undefined;
  at: string | undefined;
  readonly stood: { from: Day; place: PlaceClass }[];

  constructor(private readonly f: Filled) {
    this.leftMl = f.ml;
    this.at = f.at;
    this.stood = [{ from: f.strained, place: f.place }];
  }

  private leave(state: BottleState, day: Day, words?: string): void {
    this.state = state;
    this.gone = { day, words };
  }

  take(e: BottleEvent): void {
    switch (e.type) {
      case "opened":
        this.openedDay ??= e.day;
        break;
      case "poured":
        this.openedDay ??= e.day;
        this.leftMl = Math.max(0, this.leftMl - e.body.ml);
        // What went into another batch was not taken by anybody.
        if (e.body.into === undefined) this.taken.push({ from: e.day, to: e.day, ml: e.body.ml });
        break;
      case "coursed":
        this.course = { ...e.body, for: e.body.for };
        break;
      case "moved":
        this.stood.push({ from: e.day, place: e.body.place });
        this.at = e.body.at;
        break;
      case "inspected":
        this.useBy = e.body.outcome === "use-up" ? e.body.useBy : undefined;
        break;
      case "given":
        this.leave("given", e.day, e.body.to);
        break;
      case "emptied":
        if (this.leftMl > 0)
          this.taken.push({ from: this.openedDay ?? this.f.filled, to: e.day, ml: this.leftMl });
        this.leftMl = 0;
        this.leave("emptied", e.day);
        break;
      case "discarded":
        this.leave("discarded", e.day, e.body.why);
        break;
      case "corrected":
        break;
      default:
        noOther(e);
    }
  }
}

function corrected(e: BottleEvent, c: Correction | undefined): BottleEvent | undefined {
  if (!c) return e;
  if (c.body === null) return undefined;
  return { ...e, body: readBottleBody(e.type, BOTTLE_ENTRIES[e.type].version, c.body) } as BottleEvent;
}

/** State = fold(what it was filled with, events). What happened goes by the maker's time. */
export function foldBottle(filled: Filled, events: readonly BottleEvent[]): BottleNow {
  const corrections = correctionsOf(events);
  const f = new Folding(filled);
  const diary: BottleEntry[] = [];
  for (const raw of asHappened(asTimed(events, corrections))) {
    const e = corrected(raw, corrections.get(raw.seq));
    if (raw.type !== "corrected")
      diary.push({
        seq: raw.seq,
        type: raw.type,
        day: raw.day,
        ...(raw.by ? { by: raw.by } : {}),
        body: (e ?? raw).body,
        undone: e === undefined,
      });
    if (e) f.take(e);
  }
  return {
    id: filled.id,
    number: filled.number,
    state: f.state,
    leftMl: f.leftMl,
    place: f.stood.at(-1)!.place,
    at: f.at,
    openedDay: f.openedDay,
    stood: f.stood,
    useBy: f.useBy,
    taken: f.taken,
    course: f.course,
    goneDay: f.gone?.day,
    goneWords: f.gone?.words,
    diary,
    seq: events.reduce((n, e) => Math.max(n, e.seq), 0),
  };
}
