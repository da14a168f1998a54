import { filledOf, foldBottle } from "../core/cellar/bottle";
import { leftHanging } from "../core/cellar/left-hanging";
import { type Day, dayAt } from "../core/day";
import { asTimed, correctionsOf } from "../core/envelope";
import { type Fault, fault, isFault } from "../core/fault";
import { BODIES, ENTRIES, type JournalEvent, readBody } from "../core/journal/events";
import { type Batch, fold } from "../core/journal/fold";
import { reckonBatch } from "../core/journal/reckon";
import { readPlan } from "../core/plan/file";
import { eventsOf } from "./append";
import { amongDay } from "./times";
import { streamOf } from "./bottles";
import { beginning } from "./commands";
import { completed, moreThanThereIs, plain } from "./completions";
import { now } from "./clock";
import type { Tx } from "./db";
import { household } from "./household";

interface Correcting {
  /** The stream so far. */
  readonly before: readonly JournalEvent[];
  readonly day: string;
  readonly sure: boolean;
  readonly sent: unknown;
  /** The day it really happened, where that is put right too. */
  readonly on: Day | undefined;
}

interface Stored {
  readonly seq: number;
  readonly body: unknown;
  readonly why?: string | undefined;
  readonly at?: string | undefined;
  readonly day?: Day | undefined;
}

/** A fault of the entry, seen from the correction that holds it. */
const inBody = (f: Fault): Fault => ({ ...f, path: ["body", ...f.path] });

/** The plan as it should have been begun, or not at all; while the jar works. */
async function ofBeginning(
  tx: Tx,
  c: Correcting,
  { body, ...said }: Stored,
  batch: Batch,
): Promise<Stored | Fault> {
  if (batch.state !== "working")
    return fault(
      "NotNow",
      `${batch.code} is ${batch.state}. Its plan can be put right while the jar works.`,
      [],
    );
  if (body === null) return { ...said, body };
  const sent = BODIES.begun.pick({ plan: true, reasons: true }).safeParse(body);
  if (!sent.success) return fault("NotAnEntry", "Say the whole plan as it should be.", ["body"]);
  const plan = readPlan(sent.data.plan);
  if (!plan.ok) return inBody(plan.faults[0]!);
  const reasons = { ...batch.reasons, ...sent.data.reasons };
  const made = await beginning(tx, plan.value, {
    ...{ reasons, day: c.day, frozen: batch.frozen },
    stood: batch.stood !== undefined,
  });
  if (isFault(made)) return inBody(made);
  // What the plan does not say stays as it was said: its recipe, and how it came.
  const { code, recipe, stood, alike } = batch;
  return {
    ...said,
    body: {
      code,
      ...made,
      ...(recipe ? { recipe } : {}),
      ...(stood ? { stood } : {}),
      ...(alike ? { alike } : {}),
    },
  };
}

/** Bottles that were filled by this bottling and would not be, or not with so much, though something came of them. */
async function hanging(tx: Tx, was: Batch, whole: Batch): Promise<Fault | undefined> {
  const nows = [];
  for (const f of filledOf(was)) nows.push(foldBottle(f, await eventsOf(tx, streamOf(was, f), f.id)));
  return leftHanging(was.code, nows, filledOf(whole));
}

/**
 * A correction is checked as the entry it puts right was: on the batch as it stood then, by the same completion; then on all that came after, in the
 * journals of its bottles too. What it moves elsewhere follows from what the batch then says.
 */
export async function correction(tx: Tx, c: Correcting): Promise<Stored | Fault> {
  const parsed = BODIES.corrected.safeParse(c.sent);
  if (!parsed.success) return fault("NotAnEntry", "Say which entry, and what it should say.", ["seq"]);
  const { at: _at, day: _day, ...words } = parsed.data;
  const target = c.before.find((e) => e.seq === words.seq);
  const when = target && c.on && c.on !== target.day ? await on(tx, c, target) : {};
  if (isFault(when)) return when;
  const said = { ...words, ...when, body: words.body ?? null };
  const batch = fold(c.before);
  if (!batch || !target || target.type === "corrected")
    return fault("NoSuchEntry", "There is no such entry to correct.", ["seq"]);
  if (target.type === "begun") return ofBeginning(tx, c, said, batch);
  const stored = said.body === null ? said : await anew(tx, c, said, target);
  if (isFault(stored)) return stored;
  const whole = fold(corrected(c, stored))!;
  const left = await hanging(tx, batch, whole);
  if (left) return stored.body === null || left.path[0] === "on" ? left : inBody(left);
  const r = reckonBatch(whole, whole.making, { people: [], today: c.day });
  // What did not happen may leave a batch that does not reckon; what is said anew may not.
  if (!r.ok) return stored.body === null ? stored : { ...r.faults[0]!, path: ["body"] };
  const more = target.type === "bottled" ? undefined : moreThanThereIs(whole.bottles, r.value);
  return more
    ? fault("ComesAfter", `What came after would no longer hold. ${more.message}`, ["body"])
    : stored;
}

/** When an entry really happened, of which the day is said. */
async function on(tx: Tx, c: Correcting, target: JournalEvent): Promise<Pick<Stored, "at" | "day"> | Fault> {
  const { zone } = await household(tx);
  const day = c.on!;
  if (day > dayAt(now(), zone))
    return fault("InTheFuture", "That has not happened yet. Give the day it was done.", ["on"]);
  return {
    day,
    at: amongDay(asTimed(c.before, correctionsOf(c.before)), { day, seq: target.seq, zone }),
  };
}

/** What an entry should have said, completed as it would have been then. */
async function anew(tx: Tx, c: Correcting, said: Stored, target: JournalEvent): Promise<Stored | Fault> {
  const then = fold(c.before.filter((e) => e.seq < target.seq || e.type === "corrected"));
  const at = { day: said.day ?? target.day, sure: c.sure, before: c.before };
  const body = then
    ? await completed(tx, target.type, { batch: then, ...at }, said.body)
    : plain(target.type, said.body);
  if (isFault(body)) return inBody(body);
  readBody(target.type, ENTRIES[target.type].version, body);
  return { ...said, body };
}

/** The stream as it will be with the correction in it. */
function corrected(c: Correcting, body: Stored): JournalEvent[] {
  const last = c.before.at(-1)!;
  return [...c.before, { ...last, type: "corrected", seq: last.seq + 1, body } as JournalEvent];
}
