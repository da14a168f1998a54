import { z } from "zod";
import { TOUCHES } from "../care/care";
import { realDay } from "../real-day";
import { STANDS } from "../kitchen/cooling";
import { type EntryRows, type Envelope, bodyReader, correctedBody, entryRow } from "../envelope";
import { PLANT_CLASSES } from "../material/classes";
import { PlantRow } from "../material/rows";
import { Line, Plan, STAYS, WRINGING } from "../plan/plan";
import { LIDS, VESSEL_SORTS, WARES } from "../vessel/vessel";
import { UPCASTS } from "./old-events";

const day = realDay("Write a day the calendar has, like 2027-01-31.");
const uuid = z.uuid();
/** Reasons given to go on past a stop, by caution id. */
const reasons = z.record(z.string(), z.string().min(1).max(300)).optional();
const ml = z
  .number("Say how much is in it, in mL.")
  .positive("Say how much is in it: more than nothing.")
  .max(500_000, "That is more than a household bottles. Say it in mL.");
const typed = z.string().min(1).max(200);
const why = z.string().max(300).optional();
const id = z.string().min(1).max(40);
/** Plants of the household's own that came in with the entry, so that it can be read wherever it goes. */
const materials = z
  .array(PlantRow.extend({ class: z.enum(PLANT_CLASSES) }))
  .max(20)
  .optional();

/** A resolved material as it was when the batch began, so that a later edit never changes it. Composition by ledger column. */
export const FrozenStuff = z.looseObject({
  id: z.string(),
  name: z.string(),
  composition: z.array(z.number()).length(13),
});

/** The vessel as it was when the batch began, all of it. Version 1 kept its profile alone. */
export const FrozenVessel = z.strictObject({
  id: z.string(),
  name: z.string(),
  size: z.string(),
  profile: z.array(z.tuple([z.number(), z.number()])),
  sort: z.enum(VESSEL_SORTS).optional(),
  lid: z.enum(LIDS).optional(),
  ware: z.enum(WARES).optional(),
  headspaceCm: z.number().optional(),
  tolerance: z.number().optional(),
});

/** Where a jar or a bottle came from that stood before it was written down. */
export const CAME_FROM = ["made", "bought", "given"] as const;
export type CameFrom = (typeof CAME_FROM)[number];

/** Where bottles stand. “Cool and dark” is asked for by some rows of the keeping table. */
export const PLACE_CLASSES = ["cool-dark", "cupboard", "fridge", "freezer"] as const;
export type PlaceClass = (typeof PLACE_CLASSES)[number];

/** Life a verdict promised, as issued. */
export const IssuedVerdict = z.strictObject({
  rules: z.number().int(),
  row: z.string(),
  vetoes: z.array(z.string()),
  place: z.enum(["cupboard", "fridge", "do-not-keep"]),
  days: z.number().int(),
  lifeWords: z.string(),
  fridgeDays: z.number().int(),
  fridgeWords: z.string(),
  openedDays: z.number().int(),
  openedWords: z.string(),
  openedInCupboard: z.boolean(),
  /** Life once opened in the fridge, in words, where that is longer than in the cupboard. */
  openedCold: z.string().max(60).optional(),
  coolDark: z.boolean(),
  vented: z.boolean(),
  /** In a place that is forbidden it is spoilt within hours. */
  quick: z.boolean().optional(),
});
export type IssuedVerdict = z.infer<typeof IssuedVerdict>;

export const Bottle = z.strictObject({
  id: uuid,
  vessel: z.string().max(60),
  name: z.string().max(80),
  ml,
  place: z.enum(PLACE_CLASSES),
  /** Which of the household's own places, by its id. */
  at: id.optional(),
  /** Its number within the batch, given once and never to another. Before numbers were written they went by the order of the bottling. */
  number: z.number().int().min(1).optional(),
  /** It is the very jar it was made in, with its plants: no empty bottle went into it. */
  same: z.literal(true).optional(),
});
export type Bottle = z.infer<typeof Bottle>;

/** What may be seen of a jar when it is opened to be strained. */
export const SEEN = ["herb-above", "herb-above-sound", "unmixed"] as const;
export type Seen = (typeof SEEN)[number];

export const MEASURED = [
  "temperature",
  "room",
  "ph",
  "brix",
  "gravity",
  "depth",
  "weight",
  "taste",
  "level",
] as const;
/** How strong a taste is, from none to very. */
const taste = z.number().int().min(0).max(4).optional();
/** Minutes of a clock: a day at most, since longer is a steep. */
const minutes = z.number().min(0).max(1440);

/** The most jars that are filled alike at one making. */
export const MOST_ALIKE = 12;
const Alike = z
  .strictObject({ batches: z.array(uuid).min(2).max(MOST_ALIKE), nth: z.number().int().min(1) })
  .refine((a) => a.nth <= a.batches.length, "There are not so many jars of it.");

/** What is done in all jars that are filled alike, where it is said so: what goes in, and the steps of the walk. */
export const DONE_ALIKE = ["added", "left-out", "swapped", "extra", "stepped", "timed"] as const;

/**
 * The bodies of the batch journal, newest version of each type. An older version is brought up on reading (`old-events`);
 * a type not listed here is refused, never skipped.
 */
export const BODIES = {
  begun: z.strictObject({
    code: z.string().regex(/^[A-Z]{2}-\d{2}-\d{2,}$/),
    plan: Plan,
    /** Figures of the materials and vessel at the time, by line key. */
    frozen: z.strictObject({
      rules: z.number().int(),
      stuffs: z.record(z.string(), FrozenStuff),
      vessel: FrozenVessel.nullable(),
    }),
    reasons,
    /** The recipe of the book it was begun from, and which of its versions. */
    recipe: z.strictObject({ id: uuid, version: z.number().int().min(1) }).optional(),
    /** It stood already when it was written down, and came so: what is known of it is what somebody remembers. */
    stood: z.enum(CAME_FROM).optional(),
    /** Jars filled alike at one making: all of them, this one among them, and which it is. */
    alike: Alike.optional(),
  }),
  /** What really went in of a line: a total, so that two ticks are one. */
  added: z.strictObject({ line: id, amount: typed, lot: uuid.optional() }),
  "left-out": z.strictObject({ line: id, why }),
  /** Another thing in a line's place. */
  swapped: z.strictObject({ line: id, for: Line, why, materials }),
  /** A line the plan did not have, into a step of it or the first. */
  extra: z.strictObject({ line: Line, step: id.optional(), materials }),
  touched: z.strictObject({
    what: z.enum(
      TOUCHES.filter((t) => t !== "strain") as [
        "shake",
        "turn",
        "push-under",
        "let-out",
        "top-up",
        "look",
        "taste",
      ],
    ),
  }),
  "topped-up": z.strictObject({ line: Line }),
  read: z.strictObject({
    what: z.enum(MEASURED),
    value: z.number().optional(),
    words: z.string().max(300).optional(),
    /** What it was read with, and how far that may be out, in its unit. */
    by: z.string().max(40).optional(),
    sd: z.number().positive().max(100).optional(),
  }),
  /** A move of the making done, or passed over. */
  stepped: z.strictObject({ move: id, did: z.enum(["done", "passed"]) }),
  /** A clock: set going for from so many minutes to so many, or stopped. The clock of a move is called as it is. */
  timed: z.discriminatedUnion("did", [
    z.strictObject({
      did: z.literal("started"),
      clock: id,
      words: z.string().min(1, "Say what it is for.").max(60, "Keep it under 60 letters."),
      low: minutes,
      high: minutes,
    }),
    z.strictObject({ did: z.literal("stopped"), clock: id }),
  ]),
  /** How the pan stands from now on: what it loses its heat to. */
  stood: z.strictObject({ as: z.enum(STANDS) }),
  /** A thermometer put into the pan, or taken out: what it shows is written down meanwhile. */
  probed: z.strictObject({ instrument: id, did: z.enum(["in", "out"]) }),
  tasted: z.strictObject({
    sweet: taste,
    sharp: taste,
    hot: taste,
    bitter: taste,
    herb: taste,
    words: z.string().max(300).optional(),
    /** Whether the maker would strain it now. */
    ready: z.boolean().optional(),
  }),
  /** The straining window as the maker sets it. */
  rewindowed: z.strictObject({
    earliest: day,
    best: day,
    latest: day,
    why: z.string().min(1, "Say why, in a few words.").max(300),
  }),
  /** A photograph, kept beside the journal under this name. */
  pictured: z.strictObject({ picture: uuid, words: z.string().max(200).optional() }),
  noted: z.strictObject({ text: z.string().min(1).max(2000) }),
  strained: z.strictObject({
    measured: z.string().max(60),
    how: z.enum(WRINGING),
    /** An end without a cloth: the plants stay in, all or some. */
    stays: z.enum(STAYS).optional(),
    /** What was seen on opening it. */
    seen: z.array(z.enum(SEEN)).max(SEEN.length).optional(),
    /** What the marc weighed, as typed, where it was put on the scale. */
    marc: z.string().max(60).optional(),
    reasons,
  }),
  /** What went into the strained liquid; replaces what the plan foresaw after straining. */
  finished: z.strictObject({ lines: z.array(Line).max(20), reasons, materials }),
  bottled: z.strictObject({
    bottles: z
      .array(Bottle)
      .min(1, "Say which bottles, and how much in each.")
      .max(100, "Write down a hundred bottles at a time."),
    verdict: IssuedVerdict,
    /** The maker's own date, shorter always, longer only with a reason. */
    own: z.strictObject({ bestBy: day, reason: z.string().max(300) }).nullable(),
    reasons,
  }),
  /** An entry put right; without a body it did not happen. */
  corrected: z.strictObject(correctedBody),
  discarded: z.strictObject({ why: z.string().min(1).max(300) }),
} as const;

export type EventType = keyof typeof BODIES;
export type Body<T extends EventType> = z.infer<(typeof BODIES)[T]>;
export const EVENT_TYPES = Object.keys(BODIES) as EventType[];

/** One row a type of entry. `mayFollow` asks of the batch nothing that a type says which does not decide. */
export const ENTRIES: EntryRows<EventType> = {
  begun: entryRow(5, "noticed", "decides", "moves"),
  added: entryRow(1, "commutes", "noticed", "moves"),
  "left-out": entryRow(1, "commutes", "noticed", "moves"),
  swapped: entryRow(1, "commutes", "noticed", "moves"),
  extra: entryRow(1, "commutes", "noticed", "moves"),
  touched: entryRow(1, "commutes", "noticed"),
  "topped-up": entryRow(2, "commutes", "noticed", "moves"),
  read: entryRow(2, "commutes"),
  stepped: entryRow(1, "commutes", "noticed"),
  timed: entryRow(1, "commutes"),
  stood: entryRow(1, "commutes", "noticed"),
  probed: entryRow(1, "commutes"),
  tasted: entryRow(1, "commutes"),
  rewindowed: entryRow(1, "noticed"),
  pictured: entryRow(1, "commutes"),
  noted: entryRow(1, "commutes"),
  strained: entryRow(3, "noticed", "decides"),
  finished: entryRow(3, "noticed", "moves"),
  bottled: entryRow(4, "noticed", "decides", "moves"),
  corrected: entryRow(3, "noticed", "decides", "moves"),
  discarded: entryRow(1, "noticed", "decides"),
};

export type JournalEvent = { [T in EventType]: Envelope<T, Body<T>> }[EventType];

const readStored = bodyReader("the journal", BODIES, ENTRIES, UPCASTS);

/** Parses a stored body of a type and version. Throws `UnreadableEvent`. */
export const readBody = <T extends EventType>(type: string, version: number, body: unknown): Body<T> =>
  readStored(type, version, body) as Body<T>;
