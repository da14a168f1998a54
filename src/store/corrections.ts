import { fault, type Fault, isFault } from "../core/fault";
import { BODIES, DRAWS, type JournalEvent, VERSIONS, readBody } from "../core/journal/events";
import { type Batch, fold } from "../core/journal/fold";
import { reckonBatch } from "../core/journal/reckon";
import { readPlan } from "../core/plan/file";
import { beginning } from "./commands";
import type { Tx } from "./db";
import { followActual } from "./follow";
import { completed, plain } from "./completions";
import { giveOursBack, pourOurs } from "./ours";
import { draw, fillEmpties, giveBack } from "./drawn";

interface Correcting {
  /** The stream so far. */
  readonly before: readonly JournalEvent[];
  readonly day: string;
  readonly sure: boolean;
  readonly key: string;
  readonly sent: unknown;
}

/** What is to be written in other streams once the correction stands. */
export interface Follows {
  after: () => Promise<void>;
}

type Stored = { readonly seq: number; readonly body: unknown; readonly why?: string | undefined };

/** A fault of the entry, seen from the correction that holds it. */
const inBody = (f: Fault): Fault => ({ ...f, path: ["body", ...f.path] });

/** The plan as it should have been begun, or not at all; while the jar works. Lots are drawn anew, or given back. */
async function ofBeginning(
  tx: Tx,
  c: Correcting,
  { body, ...said }: Stored,
  batch: Batch,
  follows: Follows,
): Promise<unknown | Fault> {
  if (batch.state !== "working")
    return fault(
      "NotNow",
      `${batch.code} is ${batch.state}. Its plan can be put right while the jar works.`,
      [],
    );
  const cause = { key: c.key, batch, seq: c.before.length + 1 };
  if (body === null) {
    follows.after = async () => {
      await giveOursBack(tx, cause);
      await giveBack(tx, cause);
    };
    return { ...said, body };
  }
  const sent = BODIES.begun.pick({ plan: true, reasons: true }).safeParse(body);
  if (!sent.success) return fault("NotAnEntry", "Say the whole plan as it should be.", ["body"]);
  const plan = readPlan(sent.data.plan);
  if (!plan.ok) return inBody(plan.faults[0]!);
  const reasons = { ...batch.reasons, ...sent.data.reasons };
  const made = await beginning(tx, plan.value, { reasons, day: c.day, frozen: batch.frozen });
  if (isFault(made)) return inBody(made);
  follows.after = async () => {
    await giveOursBack(tx, cause);
    await pourOurs(tx, made.program, cause);
    await giveBack(tx, cause);
    await draw(tx, made.program, cause);
  };
  return {
    ...said,
    body: { code: batch.code, ...made.body, ...(batch.recipe ? { recipe: batch.recipe } : {}) },
  };
}

/**
 * A correction is checked as the entry it puts right was: on the batch as it stood then, by the same completion.
 * What the entry had caused in the stores is undone and done anew in the same transaction.
 */
export async function correction(tx: Tx, c: Correcting, follows: Follows): Promise<unknown | Fault> {
  const parsed = BODIES.corrected.safeParse(c.sent);
  if (!parsed.success) return fault("NotAnEntry", "Say which entry, and what it should say.", ["seq"]);
  const said = { ...parsed.data, body: parsed.data.body ?? null };
  const target = c.before.find((e) => e.seq === said.seq);
  const batch = fold(c.before);
  if (!batch || !target || target.type === "corrected")
    return fault("NoSuchEntry", "There is no such entry to correct.", ["seq"]);
  if (target.type === "begun") return ofBeginning(tx, c, said, batch, follows);
  const stands = (whole: Stored): Stored => {
    if (target.type === "bottled") follows.after = () => refill(tx, c, whole);
    if (DRAWS.has(target.type))
      follows.after = () => {
        const put = fold(corrected(c, whole))!;
        return followActual(tx, put, { key: c.key, batch: put, seq: c.before.length + 1 });
      };
    return whole;
  };
  if (said.body === null) return stands(said);
  const then = fold(c.before.filter((e) => e.seq < target.seq || e.type === "corrected"));
  const body = then
    ? await completed(tx, target.type, { batch: then, day: target.day, sure: c.sure }, said.body)
    : plain(target.type, said.body);
  if (isFault(body)) return inBody(body);
  readBody(target.type, VERSIONS[target.type], body);
  const whole = fold(corrected(c, { ...said, body }))!;
  const r = reckonBatch(whole, whole.making, { people: [], today: c.day });
  return r.ok ? stands({ ...said, body }) : { ...r.faults[0]!, path: ["body"] };
}

/** The stream as it will be with the correction in it. */
function corrected(c: Correcting, body: Stored): JournalEvent[] {
  const last = c.before.at(-1)!;
  return [...c.before, { ...last, type: "corrected", seq: last.seq + 1, body } as JournalEvent];
}

/** Bottles filled by mistake are empty again; those really filled are taken. */
async function refill(tx: Tx, c: Correcting, said: Stored): Promise<void> {
  const batch = fold(corrected(c, said))!;
  const cause = { key: c.key, batch, seq: c.before.length + 1 };
  await giveBack(tx, cause);
  await fillEmpties(tx, cause);
}
