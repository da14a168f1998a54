import type { Entry, Unreadable } from "./entry";
import { noOther } from "../fault";
import type { TouchSort } from "../care/care";
import type { Day } from "../day";
import { betweenClothAndBottle } from "./between";
import { type Correction, UnreadableEvent, asHappened, asTimed, asWritten, correctionsOf } from "../envelope";
import type { Happened } from "../plan/happened";
import type { Line, Plan } from "../plan/plan";
import { type LineDone, type Making, asDone } from "./as-done";
import { type AtTheStove, Stove } from "./at-the-stove";
import { liquidReadings } from "./measured-liquid";
import { type Body, type Bottle, type IssuedVerdict, type JournalEvent, ENTRIES, readBody } from "./events";

export type { Entry, Unreadable } from "./entry";

/** `undone`: I did not make it, and its plan went back to the Bench. */
export const BATCH_STATES = ["working", "strained", "bottled", "discarded", "undone"] as const;
export type BatchState = (typeof BATCH_STATES)[number];

/** A batch as its journal says it is. */
export interface Batch {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly state: BatchState;
  /** The plan as begun, what was done, and the plan as it was really made. */
  readonly begunPlan: Plan;
  readonly making: Making;
  readonly plan: Plan;
  readonly happened: Happened;
  readonly frozen: Body<"begun">["frozen"];
  readonly reasons: Readonly<Record<string, string>>;
  /** The recipe it was begun from, at which version. */
  readonly recipe: Body<"begun">["recipe"];
  /** How it came, where it stood already when it was written down. */
  readonly stood: Body<"begun">["stood"];
  readonly alike: Body<"begun">["alike"];
  readonly begunDay: Day;
  readonly begunAt: string;
  readonly strainedDay: Day | undefined;
  readonly measured: string | undefined;
  readonly bottledDay: Day | undefined;
  readonly bottles: readonly Bottle[];
  readonly verdict: IssuedVerdict | undefined;
  readonly own: { readonly bestBy: Day; readonly reason: string } | undefined;
  readonly discardedDay: Day | undefined;
  readonly discardedWhy: string | undefined;
  /** Clocks, moves, readings, tastings and photographs. */
  readonly stove: AtTheStove;
  /** Last day each touch was done. */
  readonly done: Readonly<Partial<Record<TouchSort, Day>>>;
  /** How many times it was done on that day. */
  readonly often: Readonly<Partial<Record<TouchSort, number>>>;
  readonly diary: readonly Entry[];
  /** Entries that do not read as what they should be; the batch stands without them until they are put right. */
  readonly unreadable: readonly Unreadable[];
  /** Highest sequence number: the version a writer has seen; and when that was written down. */
  readonly seq: number;
  readonly changedAt: string;
}

/** A correction whose words make no entry: what it corrected stands as it was. */
/** Lines that came with an entry are named by it, so that no two of a batch are the same. */
const named = (lines: readonly Line[], seq: number): Line[] =>
  lines.map((l, i) => ({ ...l, id: `e${seq}.${i + 1}` }));

/** What the entries add up to; written once, read by `fold`. */
class Folding {
  begun: Extract<JournalEvent, { type: "begun" }> | undefined;
  strained: { day: Day; at: string; body: Body<"strained"> } | undefined;
  finished: Line[] | undefined;
  finishedAt: string | undefined;
  finishedDay: Day | undefined;
  bottled: { day: Day; at: string; body: Body<"bottled"> } | undefined;
  discarded: { day: Day; why: string } | undefined;
  readonly reasons: Record<string, string> = {};
  readonly topUps: Line[] = [];
  readonly extras: { line: Line; step: string | undefined }[] = [];
  readonly lines = new Map<string, LineDone>();
  readonly done: Partial<Record<TouchSort, Day>> = {};
  readonly often: Partial<Record<TouchSort, number>> = {};
  readonly stove = new Stove();
  readonly materials = new Map<string, NonNullable<Plan["materials"]>[number]>();
  undone = false;

  private touch(what: TouchSort, day: Day): void {
    const last = this.done[what] ?? "";
    if (last > day) return;
    this.often[what] = last === day ? this.often[what]! + 1 : 1;
    this.done[what] = day;
  }

  take(e: JournalEvent): void {
    if (e.type === "extra" || e.type === "swapped" || e.type === "finished")
      for (const row of e.body.materials ?? []) this.materials.set(row.id, row);
    switch (e.type) {
      case "begun":
        this.begun = e;
        Object.assign(this.reasons, e.body.reasons);
        break;
      case "touched":
        this.touch(e.body.what, e.day);
        break;
      case "topped-up":
        this.topUps.push(...named([e.body.line], e.seq));
        this.touch("top-up", e.day);
        break;
      case "extra":
        this.extras.push({ line: named([e.body.line], e.seq)[0]!, step: e.body.step });
        break;
      case "strained":
        this.strained = { day: e.day, at: e.at, body: e.body };
        Object.assign(this.reasons, e.body.reasons);
        break;
      case "finished":
        this.finished = named(e.body.lines, e.seq);
        this.finishedAt = e.at;
        this.finishedDay = e.day;
        Object.assign(this.reasons, e.body.reasons);
        break;
      case "bottled":
        this.bottled = { day: e.day, at: e.at, body: e.body };
        Object.assign(this.reasons, e.body.reasons);
        break;
      case "discarded":
        this.discarded = { day: e.day, why: e.body.why };
        break;
      case "read":
      case "stepped":
      case "timed":
      case "stood":
      case "probed":
      case "pictured":
        this.stove.take(e);
        break;
      case "tasted":
        this.stove.take(e);
        this.touch("taste", e.day);
        break;
      case "added":
      case "left-out":
      case "swapped":
      case "rewindowed":
      case "noted":
      case "corrected":
        break;
      default:
        noOther(e);
    }
  }

  /** Ticks are totals: of a line, the last that was written stands. */
  tick(e: JournalEvent): void {
    if (e.type === "added")
      this.lines.set(e.body.line, { did: "added", amount: e.body.amount, lot: e.body.lot });
    if (e.type === "left-out") this.lines.set(e.body.line, { did: "left-out", why: e.body.why });
    if (e.type === "swapped") this.lines.set(e.body.line, { did: "swapped", for: e.body.for });
    // What is so goes by the last word, whatever the clock showed.
    if (e.type === "rewindowed") this.stove.take(e);
  }

  get state(): BatchState {
    if (this.undone) return "undone";
    if (this.discarded) return "discarded";
    if (this.bottled) return "bottled";
    return this.strained ? "strained" : "working";
  }

  get making(): Making {
    const { lines, extras, topUps, finished, strained } = this;
    const { measured, how, stays, seen, marc } = strained?.body ?? {};
    return {
      ...{ lines, extras, topUps, finished },
      ...(this.materials.size > 0 ? { materials: [...this.materials.values()] } : {}),
      strained: measured === undefined ? undefined : { measured, how: how!, stays, seen, marc },
      readings: liquidReadings(this.stove.readings, strained?.at, this.finishedAt),
      ...betweenClothAndBottle({
        strained,
        next: this.finishedAt ? { day: this.finishedDay!, at: this.finishedAt } : this.bottled,
        stove: this.stove,
      }),
    };
  }
}

/** An entry with its correction, if it has one; nothing where it did not happen. A correction that does not read is told and passed over. */
function corrected(
  e: JournalEvent,
  c: Correction | undefined,
  unreadable: Map<number, string>,
): JournalEvent | undefined {
  if (!c) return e;
  if (c.body === null) return undefined;
  try {
    return { ...e, body: readBody(e.type, ENTRIES[e.type].version, c.body) } as JournalEvent;
  } catch (x) {
    if (!(x instanceof UnreadableEvent)) throw x;
    unreadable.set(e.seq, x.message);
    return e;
  }
}

function entryOf(
  raw: JournalEvent,
  is: JournalEvent | undefined,
  c: Correction | undefined,
  first: JournalEvent | undefined,
): Entry {
  const { seq, type, at, day, by } = raw;
  const wasDay = first && first.day !== day ? first.day : undefined;
  const how = c && { seq: c.by, why: c.why, was: raw.body, wasDay, undone: is === undefined };
  return {
    seq,
    type,
    at,
    day,
    ...(by ? { by } : {}),
    body: (is ?? raw).body,
    ...(how ? { correctedBy: how } : {}),
  };
}

/**
 * State = fold(events); the same on server and client. What happened goes by the maker's time and then by sequence, ticks and corrections by
 * sequence alone. A correction replaces the body of the entry it names and stays in the diary beside what was there.
 * A beginning that did not happen leaves the batch `undone`, with its plan.
 * @returns `undefined` for an empty journal.
 */
export function fold(events: readonly JournalEvent[]): Batch | undefined {
  const corrections = correctionsOf(events);
  const f = new Folding();
  const diary: Entry[] = [];
  const unreadable = new Map<number, string>();
  const timed = asTimed(events, corrections);
  for (const raw of asHappened(timed)) {
    const c = corrections.get(raw.seq);
    const e = corrected(raw, c, unreadable);
    diary.push(entryOf(raw, e, c, c && events.find((x) => x.seq === raw.seq)));
    f.undone ||= raw.type === "begun" && e === undefined;
    if (e ?? raw.type === "begun") f.take(e ?? raw);
  }
  for (const raw of asWritten(timed)) {
    const e = corrected(raw, corrections.get(raw.seq), unreadable);
    if (e) f.tick(e);
  }
  const { begun, strained, bottled, discarded } = f;
  if (!begun) return undefined;
  const begunPlan = begun.body.plan;
  const making = f.making;
  return {
    id: begun.streamId,
    code: begun.body.code,
    name: begunPlan.name,
    state: f.state,
    begunPlan,
    making,
    ...asDone(begunPlan, making),
    frozen: begun.body.frozen,
    reasons: f.reasons,
    stove: f.stove.said,
    recipe: begun.body.recipe,
    stood: begun.body.stood,
    alike: begun.body.alike,
    begunDay: begun.day,
    begunAt: begun.at,
    strainedDay: strained?.day,
    measured: strained?.body.measured,
    bottledDay: bottled?.day,
    bottles: bottled?.body.bottles ?? [],
    verdict: bottled?.body.verdict,
    own: bottled?.body.own ?? undefined,
    discardedDay: discarded?.day,
    discardedWhy: discarded?.why,
    done: f.done,
    often: f.often,
    diary,
    unreadable: [...unreadable].map(([seq, message]) => ({ seq, message })),
    seq: events.reduce((n, e) => Math.max(n, e.seq), 0),
    changedAt: events.reduce((at, e) => (e.recordedAt > at ? e.recordedAt : at), begun.recordedAt),
  };
}
