import { z } from "zod";
import type { Stage } from "../core/cautions/caution";
import { cautionsAt } from "../core/cautions/rules";
import { isDay } from "../core/day";
import { type Fault, type Result, fault } from "../core/fault";
import type { Making } from "../core/journal/as-done";
import {
  BODIES,
  type Body,
  type EventType,
  type JournalEvent,
  VERSIONS,
  readBody,
} from "../core/journal/events";
import { type Batch, fold } from "../core/journal/fold";
import { type BatchReckoning, reckonBatch } from "../core/journal/reckon";
import { bestByOf, issue } from "../core/label/label";
import { readAmount } from "../core/reading/amounts";
import { VESSELS } from "../core/vessel/catalogue";
import { forbidden, given } from "./commands";
import type { Sql, Tx } from "./db";
import { type Written, append } from "./journal";
import { fillEmpties, stores } from "./stores";

/** What the batch pages send: one event of a type, under a key. */
export const EventRequest = z.strictObject({
  key: z.uuid(),
  type: z.string().max(20),
  seen: z.number().int().min(0).optional(),
  /** The maker's time, where it is not now. */
  at: z.iso.datetime({ offset: true }).optional(),
  body: z.unknown(),
});
export type EventRequest = z.infer<typeof EventRequest>;

interface Moment {
  readonly batch: Batch;
  readonly day: string;
  /** The batch reckoned with something tried before it is written. */
  readonly reckon: (tried?: Partial<Making>) => Promise<Result<BatchReckoning>>;
}
type Completion<T extends EventType> = (m: Moment, body: unknown) => Promise<Body<T> | Fault>;

const withReasons = <T extends object>(
  body: T,
  reasons: Record<string, string> | undefined,
): T & { reasons?: Record<string, string> } => {
  const kept = given(reasons ?? {});
  return Object.keys(kept).length > 0 ? { ...body, reasons: kept } : body;
};

/** Cautions run again on what was really done; a stop that has no reason from before wants one now. */
function stopped(
  m: Moment,
  r: BatchReckoning,
  stage: Stage,
  reasons: Readonly<Record<string, string>> | undefined,
): Fault | undefined {
  return forbidden(cautionsAt(stage, r.cautions), { ...m.batch.reasons, ...reasons });
}

/** Where in the sent body a fault of the reckoned plan belongs: the field of the line it is about. */
const fieldOf = (f: Fault): string => String(f.path[4] ?? "amount");

const strained: Completion<"strained"> = async (m, body) => {
  const b = BODIES.strained.safeParse(body);
  if (!b.success)
    return fault("NotAMeasure", "Write what the jug shows, like “750 mL” or “3¼ cups”.", ["measured"]);
  const { reasons, ...done } = b.data;
  const r = await m.reckon({ strained: done });
  if (!r.ok) return { ...r.faults[0]!, path: ["measured"] };
  return stopped(m, r.value, "strain", reasons) ?? withReasons(done, reasons);
};

const toppedUp: Completion<"topped-up"> = async (m, body) => {
  const b = BODIES["topped-up"].safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["line", "amount"]);
  const r = await m.reckon({ topUps: [...m.batch.making.topUps, b.data.line] });
  return r.ok ? b.data : { ...r.faults[0]!, path: ["line", fieldOf(r.faults[0]!)] };
};

const added: Completion<"added"> = async (m, body) => {
  const b = BODIES.added.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say how much of it went in.", ["amount"]);
  const amount = readAmount(b.data.amount, m.batch.plan.units);
  if (!amount.ok) return { ...amount.faults[0]!, path: ["amount"] };
  const { line, amount: text, lot } = b.data;
  const lines = new Map(m.batch.making.lines).set(line, { did: "added", amount: text, lot });
  const r = await m.reckon({ lines });
  return r.ok ? b.data : { ...r.faults[0]!, path: ["amount"] };
};

const finished: Completion<"finished"> = async (m, body) => {
  const b = BODIES.finished.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["lines"]);
  const { reasons, ...done } = b.data;
  const r = await m.reckon({ finished: done.lines });
  if (!r.ok) {
    const f = r.faults[0]!;
    return { ...f, path: ["lines", Number(f.path[3] ?? 0), fieldOf(f)] };
  }
  return stopped(m, r.value, "bottle", reasons) ?? withReasons(done, reasons);
};

const BottledRequest = z.strictObject({
  bottles: BODIES.bottled.shape.bottles,
  own: BODIES.bottled.shape.own,
  reasons: BODIES.bottled.shape.reasons,
});
type Bottling = z.infer<typeof BottledRequest>;

/** What does not go into the bottles, or not where they are to stand. */
function misfilled({ bottles, own }: Bottling, r: BatchReckoning): Fault | undefined {
  const have = r.reckoning.finished.ml;
  const poured = bottles.reduce((sum, x) => sum + x.ml, 0);
  if (poured > have.high * 1.05)
    return fault(
      "MoreThanThereIs",
      `The bottles hold ${Math.round(poured)} mL and there is about ${Math.round(have.value)} mL. Take one away, or correct the measure.`,
      ["bottles"],
    );
  for (const [i, x] of bottles.entries()) {
    const v = VESSELS.get(x.vessel);
    if (v && x.ml > v.solid.brimMl * 1.02)
      return fault("DoesNotFit", `${Math.round(x.ml)} mL does not go into a ${v.size} ${v.sort}.`, [
        "bottles",
        i,
      ]);
  }
  const { verdict } = r.reckoning;
  const inCupboard = bottles.findIndex((x) => x.place === "cupboard" || x.place === "cool-dark");
  if (inCupboard >= 0 && verdict.place !== "cupboard" && !own?.reason.trim())
    return fault(
      "FridgeOnly",
      `The cupboard is not for this one: ${verdict.row.words}. Choose the fridge, or type a reason with your own date.`,
      ["bottles", inCupboard, "place"],
    );
  return undefined;
}

/** A date of the maker's own that cannot be, or that wants a reason. */
function ownDate(
  m: Moment,
  { bottles, own }: Bottling,
  verdict: Body<"bottled">["verdict"],
): Fault | undefined {
  if (!own) return undefined;
  if (!isDay(own.bestBy)) return fault("NotADay", "Write the date as 2027-01-31.", ["own", "bestBy"]);
  if (own.bestBy < m.day) return fault("NotADay", "That day is past.", ["own", "bestBy"]);
  const reckoned = bottles.map((x) => bestByOf(verdict, m.batch.strainedDay ?? m.day, x.place)).sort()[0]!;
  if (own.bestBy <= reckoned || own.reason.trim()) return undefined;
  return fault(
    "ReasonWanted",
    "A date later than reckoned needs a reason, which is kept and marked on the label as your own.",
    ["own", "reason"],
  );
}

const bottled: Completion<"bottled"> = async (m, body) => {
  const b = BottledRequest.safeParse(body);
  if (!b.success) return fault("NotABottling", "Say which bottles, and how much in each.", ["bottles"]);
  const r = await m.reckon();
  if (!r.ok) return r.faults[0]!;
  const { bottles, own, reasons } = b.data;
  const verdict = issue(r.value.reckoning.verdict);
  const not = misfilled(b.data, r.value);
  if (not?.name === "FridgeOnly" && verdict.place === "do-not-keep")
    return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
  if (not) return not;
  if (verdict.place === "do-not-keep")
    return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
  return (
    ownDate(m, b.data, verdict) ??
    stopped(m, r.value, "bottle", reasons) ??
    withReasons({ bottles, verdict, own }, reasons)
  );
};

const COMPLETIONS: { readonly [T in EventType]?: Completion<T> } = {
  added,
  strained,
  "topped-up": toppedUp,
  finished,
  bottled,
};

/** Everything else is stored as it was sent, once it is what its type says. */
function plain(type: EventType, body: unknown): unknown | Fault {
  const parsed = (BODIES[type] as z.ZodType).safeParse(body);
  if (parsed.success) return parsed.data;
  const first = parsed.error.issues[0]!;
  return fault("NotAnEntry", `${first.path.join(" ")} ${first.message}`.trim(), first.path.map(String));
}

async function completed(
  tx: Tx,
  type: EventType,
  batch: Batch,
  day: string,
  body: unknown,
): Promise<unknown | Fault> {
  const complete = COMPLETIONS[type] as Completion<EventType> | undefined;
  if (!complete) return plain(type, body);
  const company = { people: (await stores(tx)).people, today: day };
  return complete(
    {
      batch,
      day,
      reckon: async (tried) =>
        reckonBatch(batch, tried ? { ...batch.making, ...tried } : batch.making, company),
    },
    body,
  );
}

/** A correction is checked as the entry it puts right was: on the batch as it stood then, by the same completion. */
async function correction(
  tx: Tx,
  before: readonly JournalEvent[],
  day: string,
  sent: unknown,
): Promise<unknown | Fault> {
  const c = BODIES.corrected.safeParse(sent);
  if (!c.success) return fault("NotAnEntry", "Say which entry, and what it should say.", ["seq"]);
  const target = before.find((e) => e.seq === c.data.seq);
  if (!target || target.type === "corrected")
    return fault("NoSuchEntry", "There is no such entry to correct.", ["seq"]);
  if (c.data.body === null) return c.data;
  const then = fold(before.filter((e) => e.seq < target.seq || e.type === "corrected"));
  const body = then
    ? await completed(tx, target.type, then, target.day, c.data.body)
    : plain(target.type, c.data.body);
  if (body && typeof body === "object" && "message" in body)
    return { ...(body as Fault), path: ["body", ...(body as Fault).path] };
  readBody(target.type, VERSIONS[target.type], body);
  const after = fold([
    ...before,
    { ...target, type: "corrected", seq: Infinity, body: { ...c.data, body } } as JournalEvent,
  ]);
  const r = after ? reckonBatch(after, after.making, { people: [], today: day }) : undefined;
  if (r && !r.ok) return { ...r.faults[0]!, path: ["body"] };
  return { ...c.data, body };
}

/** Writes one event of a batch that has begun. */
export async function write(sql: Sql, id: string, r: EventRequest): Promise<Written> {
  if (r.type === "begun" || !Object.hasOwn(BODIES, r.type))
    return { ok: false, status: 422, fault: fault("NotAnEntry", "The journal has no such entry.") };
  const type = r.type as EventType;
  return append(
    sql,
    { streamId: id, key: r.key, type, body: r.body, seen: r.seen, at: r.at },
    async (tx, batch, day, before) => {
      if (!batch) return fault("NoSuchBatch", "There is no such batch.");
      return type === "corrected"
        ? correction(tx, before, day, r.body)
        : completed(tx, type, batch, day, r.body);
    },
    async (tx, batch) => {
      if (type === "bottled") await fillEmpties(tx, batch.bottles, r.key);
    },
  );
}
