import { noOther } from "../fault";
import { msOf } from "../day";
import type { Stands } from "../kitchen/cooling";
import { type Raw, READ, type Readable, type Sifted, sift } from "../kitchen/sift";
import type { Body, JournalEvent } from "./events";

/** Entries that say what happened to a batch besides what went in. */
type StoveEvent = Extract<
  JournalEvent,
  { readonly type: "timed" | "stepped" | "stood" | "probed" | "tasted" | "pictured" | "rewindowed" | "read" }
>;

/** A clock of a making: it lives in the journal, so it outlives every window. Minutes; instants ISO. */
export interface Clock {
  readonly id: string;
  readonly words: string;
  /** A range rings twice: when it may be enough, and when it is. */
  readonly low: number;
  readonly high: number;
  readonly startedAt: string;
  readonly stoppedAt: string | undefined;
}

/** Something read of a batch, typed or by an instrument. */
export interface BatchReading {
  readonly seq: number;
  readonly what: Body<"read">["what"];
  readonly value: number | undefined;
  readonly words: string | undefined;
  readonly by: string | undefined;
  readonly sd: number | undefined;
  readonly at: string;
}

export interface Tasting extends Body<"tasted"> {
  readonly at: string;
  readonly day: string;
  readonly seq: number;
}

export interface Picture {
  readonly id: string;
  readonly words: string | undefined;
  readonly at: string;
  readonly day: string;
  readonly seq: number;
}

/** A move that was done or passed over, and its entry. */
export interface Stepped {
  readonly did: Body<"stepped">["did"];
  readonly at: string;
  readonly seq: number;
}

/** What happened to a batch besides what went in. */
export interface AtTheStove {
  readonly clocks: readonly Clock[];
  readonly moves: ReadonlyMap<string, Stepped>;
  readonly stood: readonly { readonly as: Stands; readonly at: string; readonly seq: number }[];
  readonly readings: readonly BatchReading[];
  /** The thermometer that stands in it now. */
  readonly probe: string | undefined;
  readonly tastings: readonly Tasting[];
  readonly pictures: readonly Picture[];
  /** The window as the maker set it last. */
  readonly window: Body<"rewindowed"> | undefined;
}

export class Stove {
  private readonly clock = new Map<string, Clock>();
  private readonly moves = new Map<string, Stepped>();
  private readonly stood: { as: Stands; at: string; seq: number }[] = [];
  readonly readings: BatchReading[] = [];
  private readonly tastings: Tasting[] = [];
  private readonly pictures: Picture[] = [];
  private probe: string | undefined;
  private window: Body<"rewindowed"> | undefined;

  get said(): AtTheStove {
    const { moves, stood, readings, probe, tastings, pictures, window } = this;
    return { clocks: [...this.clock.values()], moves, stood, readings, probe, tastings, pictures, window };
  }

  /** Of two who set a clock going the first did; of two who stop it, too. */
  private timed(b: Body<"timed">, at: string): void {
    const is = this.clock.get(b.clock);
    if (b.did === "stopped") {
      if (is && is.stoppedAt === undefined) this.clock.set(b.clock, { ...is, stoppedAt: at });
      return;
    }
    if (is && is.stoppedAt === undefined) return;
    const { clock: id, words, low, high } = b;
    this.clock.set(id, {
      ...{ id, words, startedAt: at, stoppedAt: undefined },
      low: Math.min(low, high),
      high: Math.max(low, high),
    });
  }

  take(e: StoveEvent): void {
    const { at, day, seq } = e;
    switch (e.type) {
      case "timed":
        return this.timed(e.body, at);
      case "stepped":
        this.moves.set(e.body.move, { did: e.body.did, at, seq });
        // A move that is done needs no clock any more.
        return this.timed({ did: "stopped", clock: e.body.move }, at);
      case "stood":
        this.stood.push({ as: e.body.as, at, seq });
        return;
      case "probed":
        this.probe = e.body.did === "in" ? e.body.instrument : undefined;
        return;
      case "tasted":
        this.tastings.push({ ...e.body, at, day, seq });
        return;
      case "pictured":
        this.pictures.push({ id: e.body.picture, words: e.body.words, at, day, seq });
        return;
      case "rewindowed":
        this.window = e.body;
        return;
      case "read": {
        const { what, value, words, by, sd } = e.body;
        this.readings.push({ seq, what, value, words, by, sd, at });
        return;
      }
      default:
        return noOther(e);
    }
  }
}

interface Sized extends Raw {
  readonly of: BatchReading;
}

/** The readings of one sort that count, in order of time, and those kept aside. */
export function sifted(
  readings: readonly BatchReading[],
  what: Readable,
  nowMs = Number.POSITIVE_INFINITY,
): Sifted<Sized> {
  const raw = readings.flatMap((of): Sized[] =>
    of.what === what && of.value !== undefined
      ? [{ what, value: of.value, ms: msOf(of.at), by: of.by, of }]
      : [],
  );
  return sift(raw, nowMs);
}

/** Whether a value can be read at all with what is at home; says what would be right. */
export function impossibleReading(what: Body<"read">["what"], value: number): string | undefined {
  if (what === "temperature" || what === "room" || what === "weight" || what === "depth") {
    const { low, high, unit } = READ[what === "room" ? "temperature" : what];
    if (value < low || value > high)
      return `That is not between ${low} and ${high} ${unit}. Look at it again.`;
  }
  if (what === "ph" && (value < 0 || value > 14)) return "A pH lies between 0 and 14. Read it again.";
  if (what === "gravity" && (value < 0.98 || value > 1.45))
    return "A specific gravity lies between 0.98 and 1.45. Read it again.";
  if (what === "brix" && (value < 0 || value > 95)) return "°Bx lie between 0 and 95. Read it again.";
  return undefined;
}
