import { ml as carriedMl } from "../core/quantity/carried";
import { type Fault, fault, faultOfIssue } from "../core/fault";
import {
  BOTTLE_BODIES,
  BOTTLE_ENTRIES,
  type BottleBody,
  type BottleEvent,
  type BottleEventType,
  type BottleNow,
  type Filled,
  GRAVE_SIGNS,
  filledOf,
  foldBottle,
  readBottleBody,
} from "../core/cellar/bottle";
import { canPour } from "../core/cellar/pours";
import type { Day } from "../core/day";
import { bottleOutOfOrder } from "../core/cellar/in-order";
import type { Batch } from "../core/journal/fold";
import { mayFollowBottle } from "../core/cellar/may-befall";
import { neverAtTheDoor } from "../core/cautions/door";
import { oddFreezing } from "../core/journal/odd";
import { reckonBatch } from "../core/journal/reckon";
import { VESSELS } from "../core/vessel/catalogue";
import { type Refused, type Stream, type Written, appendWithin, eventsOf } from "./append";
import type { Sql, Tx } from "./db";
import type { EventRequest } from "./entries";
import { household } from "./household";
import { batchOf } from "./journal";
import { MOST_A_DAY_ML, saysOtherwise } from "./said-ml";
import { stores } from "./stores";
import { projectBatch } from "./projection";

/** What every bottle's stream shares; the fold starts from how its batch filled it. */
const SHARED = {
  kind: "bottle",
  entries: BOTTLE_ENTRIES,
  // A bottle begins with its batch's `bottled`; no entry of its own begins it.
  begins: "",
  readBody: readBottleBody,
} as const;

/** The stream of one bottle, on how its batch filled it. */
export function streamOf(batch: Batch, filled: Filled): Stream<BottleNow, BottleEvent> {
  return {
    ...SHARED,
    fold: (events) => foldBottle(filled, events),
    mayFollow: (b, type, body) => mayFollowBottle(b!, type as BottleEventType, body),
    project: (tx) => projectBatch(tx, batch),
    notBefore: batch.changedAt,
    outOfOrder: (events) => bottleOutOfOrder(filled, events),
    called: (b) => `${batch.code}·${b.number}`,
  };
}

/** A bottle with the batch it is of; nothing where no batch holds it. */
export async function bottleOf(
  sql: Sql | Tx,
  id: string,
): Promise<
  | {
      readonly batch: Batch;
      readonly filled: Filled;
      readonly bottle: BottleNow;
      readonly events: readonly BottleEvent[];
    }
  | undefined
> {
  const [row] = await sql<{ batch_id: string }[]>`select batch_id from bottle where id = ${id}`;
  const batch = row && (await batchOf(sql, row.batch_id));
  const filled = batch && filledOf(batch).find((f) => f.id === id);
  if (!batch || !filled) return undefined;
  const events = await eventsOf(sql, streamOf(batch, filled), id);
  return { batch, filled, bottle: foldBottle(filled, events), events };
}

/** The batch that a pour goes into, or went into where it is to be taken back: that is said there. */
function intoABatch(type: BottleEventType, body: unknown, b: BottleNow): string | undefined {
  const { seq } = body as { seq?: number };
  const pour = type === "corrected" ? b.diary.find((e) => e.seq === seq)?.body : body;
  return (pour as { into?: string } | undefined)?.into;
}

/** Where a bottle and somebody meet; a spoon poured for nobody in particular may be for the sink. */
function atDoor(
  type: BottleEventType,
  body: unknown,
): { readonly who: string | undefined; readonly field: string; readonly instead: string } | undefined {
  const { for: whom, to, into } = body as { for?: string; to?: string; into?: string };
  if (type === "coursed")
    return { who: whom, field: "for", instead: "Lay the course down for somebody else, or not at all." };
  if (type === "given") return { who: to, field: "to", instead: "Give them another bottle." };
  if (type === "poured" && whom !== undefined && into === undefined)
    return { who: whom, field: "for", instead: "Pour them something else." };
  return undefined;
}

/** What an entry says that cannot all be so. */
function unheldTogether(type: BottleEventType, body: unknown): Fault | undefined {
  if (type === "inspected") {
    const { signs, outcome, useBy } = body as BottleBody<"inspected">;
    if (outcome !== "throw-out" && signs.some((s) => GRAVE_SIGNS.has(s)))
      return fault("NotFine", "On such a sign it is thrown out, and not tasted.", ["outcome"]);
    if (outcome === "use-up" && useBy === undefined)
      return fault("NoDay", "Say by which day it is to be used up.", ["useBy"]);
  }
  if (type === "coursed") {
    const { ml, times } = body as BottleBody<"coursed">;
    if (ml * times > MOST_A_DAY_ML)
      return fault("TooMuch", "That is more than a litre a day. Say how much at a time, and how often.", [
        "ml",
      ]);
  }
  return undefined;
}
/** An amount beside words that say another; words that are no measure say none. */
async function saidOtherwise(tx: Tx, type: BottleEventType, body: unknown): Promise<Fault | undefined> {
  if (type !== "poured" && type !== "coursed") return undefined;
  const { ml, said } = body as { ml: number; said: string };
  const is = saysOtherwise(ml, said, (await household(tx)).units);
  return is === undefined
    ? undefined
    : fault(
        "SaidOtherwise",
        `“${said}” is about ${carriedMl(is)}, not ${carriedMl(ml)}. Say how much it was.`,
        ["said"],
      );
}

async function completed(
  tx: Tx,
  type: BottleEventType,
  body: unknown,
  b: BottleNow,
  { batch, day, sure }: { readonly batch: Batch; readonly day: Day; readonly sure: boolean },
): Promise<unknown | Fault> {
  const parsed = BOTTLE_BODIES[type].safeParse(body);
  if (!parsed.success) return faultOfIssue("NotAnEntry", parsed.error.issues[0]!);
  const odd = unheldTogether(type, parsed.data) ?? (await saidOtherwise(tx, type, parsed.data));
  if (odd) return odd;
  if (type === "moved") {
    const { at, place } = parsed.data as { at?: string; place: string };
    const named = at === undefined ? undefined : (await household(tx)).places.find((x) => x.id === at);
    if (at !== undefined && named?.class !== place)
      return fault(
        "NoSuchPlace",
        "The house has no such place, or not of that sort. Choose one of its own.",
        ["at"],
      );
  }
  if (type === "poured") {
    const { ml } = parsed.data as { ml: number };
    if (!canPour(ml, b.leftMl))
      return fault(
        "MoreThanIsLeft",
        `About ${carriedMl(b.leftMl)} is left in it, so ${carriedMl(ml)} cannot come out.`,
        ["said"],
      );
  }
  const door = atDoor(type, parsed.data);
  if (door) {
    const made = reckonBatch(batch);
    const { people } = await stores(tx);
    const who = { who: door.who, meantFor: batch.plan.meantFor, people, today: day };
    const never = made.ok ? neverAtTheDoor(made.value, who) : undefined;
    if (never) return fault("NeverForThem", `${never.says} ${door.instead}`, [door.field]);
  }
  if (type === "opened" && !sure) {
    const [open] = await tx<{ number: number }[]>`
      select number from bottle where batch_id = ${batch.id} and state = 'kept' and opened_day is not null and id <> ${b.id} order by number limit 1`;
    if (open) return fault("Odd", `Bottle ${open.number} of it is open already. Open another?`, []);
  }
  if (type === "moved" && !sure && (parsed.data as { place: string }).place === "freezer") {
    const made = reckonBatch(batch);
    const brim = VESSELS.get(batch.bottles.find((x) => x.id === b.id)?.vessel ?? "")?.solid.brimMl;
    const odd = brim && oddFreezing(b.leftMl, brim, made.ok ? made.value.reckoning.finished.abv.low : 0);
    if (odd) return fault("Odd", odd, ["place"]);
  }
  if (type === "corrected" && (parsed.data as { body?: unknown }).body !== null)
    return fault("NotAnEntry", "An entry of a bottle is taken back, and said again.", ["seq"]);
  const into = intoABatch(type, parsed.data, b);
  if (into)
    return fault(
      "NotByHand",
      `What went into ${into} is said on its page: put its line right there, and the bottle follows.`,
      ["seq"],
    );
  return parsed.data;
}

/** Writes one entry of a bottle's journal. */
export async function writeBottle(
  sql: Sql,
  id: string,
  r: EventRequest,
): Promise<Written<BottleNow> | Refused<BottleNow>> {
  const no = (name: string, message: string) =>
    ({ ok: false, status: 422, fault: fault(name, message) }) as const;
  if (!Object.hasOwn(BOTTLE_BODIES, r.type))
    return no("NotAnEntry", "The journal of a bottle has no such entry.");
  const type = r.type as BottleEventType;
  return (await sql.begin(async (tx) => {
    // Rows of a batch's bottles are written together, so they are written one after the other; the batch's own lock comes first.
    await tx`select pg_advisory_xact_lock(hashtextextended(batch_id::text, 0)) from bottle where id = ${id}`;
    const found = await bottleOf(tx, id);
    if (!found) return no("NoSuchBottle", "There is no such bottle.");
    const { batch, filled } = found;
    const write = {
      streamId: id,
      key: r.key,
      type,
      body: r.body,
      seen: r.seen,
      at: r.at,
      on: r.on,
      ago: r.ago,
    };
    return appendWithin(tx, streamOf(batch, filled), write, (t, b, day) =>
      completed(t, type, r.body, b!, { batch, day, sure: r.sure ?? false }),
    );
  })) as Written<BottleNow> | Refused<BottleNow>;
}

/** For reading entries of any bottle, without its batch. */
export const BOTTLES = { ...SHARED };
