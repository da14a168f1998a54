import { z } from "zod";
import { type Envelope, bodyReader } from "./envelope";
import { Line, Plan, WRINGING } from "../remedy/plan";
import { TOUCHES } from "../care/care";

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);
const uuid = z.uuid();
/** Reasons given to go on past a stop, by caution id. */
const reasons = z.record(z.string(), z.string().min(1).max(300)).optional();
const ml = z.number().positive().max(500_000);

/** A resolved material as it was when the batch began, so that a later edit never changes it. Composition by ledger column. */
export const FrozenStuff = z.looseObject({ id: z.string(), name: z.string(), composition: z.array(z.number()).length(13) });

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
  coolDark: z.boolean(),
  vented: z.boolean(),
});
export type IssuedVerdict = z.infer<typeof IssuedVerdict>;

export const Bottle = z.strictObject({ id: uuid, vessel: z.string().max(60), name: z.string().max(80), ml, place: z.enum(["cupboard", "fridge", "freezer"]) });
export type Bottle = z.infer<typeof Bottle>;

/**
 * The bodies of the batch journal, newest version of each type. An older version is brought up on reading (`upcast`);
 * a type not listed here is refused, never skipped.
 */
export const BODIES = {
  begun: z.strictObject({
    code: z.string().regex(/^[A-Z]{2}-\d{2}-\d{2,}$/),
    plan: Plan,
    /** Figures of the materials and vessel at the time, by line key. */
    frozen: z.strictObject({ rules: z.number().int(), stuffs: z.record(z.string(), FrozenStuff), vessel: z.strictObject({ id: z.string(), name: z.string(), size: z.string(), profile: z.array(z.tuple([z.number(), z.number()])) }).nullable() }),
    reasons,
  }),
  touched: z.strictObject({ what: z.enum(TOUCHES.filter((t) => t !== "strain") as ["shake", "turn", "push-under", "let-out", "top-up"]) }),
  "topped-up": z.strictObject({ line: Line }),
  read: z.strictObject({ what: z.enum(["temperature", "ph", "brix", "depth", "weight", "taste", "level"]), value: z.number().optional(), words: z.string().max(300).optional() }),
  noted: z.strictObject({ text: z.string().min(1).max(2000) }),
  strained: z.strictObject({ measured: z.string().max(60), how: z.enum(WRINGING), reasons }),
  /** What went into the strained liquid; replaces what the plan foresaw after straining. */
  finished: z.strictObject({ lines: z.array(Line).max(20), reasons }),
  bottled: z.strictObject({
    bottles: z.array(Bottle).min(1).max(100),
    verdict: IssuedVerdict,
    /** The maker's own date, shorter always, longer only with a reason. */
    own: z.strictObject({ bestBy: day, reason: z.string().max(300) }).nullable(),
    reasons,
  }),
  corrected: z.strictObject({ seq: z.number().int().min(1), body: z.unknown(), why: z.string().min(1).max(300) }),
  discarded: z.strictObject({ why: z.string().min(1).max(300) }),
} as const;

export type EventType = keyof typeof BODIES;
export type Body<T extends EventType> = z.infer<(typeof BODIES)[T]>;
export const EVENT_TYPES = Object.keys(BODIES) as EventType[];

/** Present version of every type. Version 2 of strained, finished and bottled may hold reasons; their version 1 reads as it is. */
export const VERSIONS: Readonly<Record<EventType, number>> = { begun: 1, touched: 1, "topped-up": 1, read: 1, noted: 1, strained: 2, finished: 2, bottled: 2, corrected: 1, discarded: 1 };

/** Types that commute: they are taken whatever the writer had seen. The others need the version the writer saw. */
export const COMMUTES: ReadonlySet<EventType> = new Set<EventType>(["touched", "topped-up", "read", "noted"]);

export type JournalEvent = { [T in EventType]: Envelope<T, Body<T>> }[EventType];

const readStored = bodyReader("the journal", BODIES, VERSIONS);

/** Parses a stored body of a type and version. Throws `UnreadableEvent`. */
export const readBody = <T extends EventType>(type: string, version: number, body: unknown): Body<T> => readStored(type, version, body) as Body<T>;
