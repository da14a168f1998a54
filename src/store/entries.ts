import { z } from "zod";
import { isDay } from "../core/care/day";
import { type Fault, fault } from "../core/fault";
import { type EventType, BODIES, type Body } from "../core/journal/events";
import { type Batch, finishedWith, strainedWith, toppedUpWith } from "../core/journal/fold";
import { type BatchReckoning, reckonBatch } from "../core/journal/reckon";
import { at } from "../core/cautions/rules";
import type { Stage } from "../core/cautions/caution";
import { bestByOf, issue } from "../core/label/label";
import type { Plan } from "../core/remedy/plan";
import type { Result } from "../core/fault";
import { VESSELS } from "../core/vessel/catalogue";
import { forbidden, given } from "./commands";
import type { Sql, Tx } from "./db";
import { type Written, append } from "./journal";
import { fillEmpties, stores } from "./stores";

/** What the batch pages send: one event of a type, under a key. */
export const EventRequest = z.strictObject({ key: z.uuid(), type: z.string().max(20), seen: z.number().int().min(0).optional(), body: z.unknown() });
export type EventRequest = z.infer<typeof EventRequest>;

interface Moment {
  readonly batch: Batch;
  readonly day: string;
  readonly reckon: (plan?: Plan) => Promise<Result<BatchReckoning>>;
}
type Completion<T extends EventType> = (m: Moment, body: unknown) => Promise<Body<T> | Fault>;

const withReasons = <T extends object>(body: T, reasons: Record<string, string> | undefined): T & { reasons?: Record<string, string> } => {
  const kept = given(reasons ?? {});
  return Object.keys(kept).length > 0 ? { ...body, reasons: kept } : body;
};

/** Cautions run again on what was really done; a stop that has no reason from before wants one now. */
function stopped(m: Moment, r: BatchReckoning, stage: Stage, reasons: Readonly<Record<string, string>> | undefined): Fault | undefined {
  return forbidden(at(stage, r.cautions), { ...m.batch.reasons, ...reasons });
}

const strained: Completion<"strained"> = async (m, body) => {
  const b = BODIES.strained.safeParse(body);
  if (!b.success) return fault("NotAMeasure", "Write what the jug shows, like “750 mL” or “3¼ cups”.", ["measured"]);
  const { reasons, ...done } = b.data;
  const r = await m.reckon(strainedWith(m.batch.plan, done));
  if (!r.ok) return { ...r.faults[0]!, path: ["measured"] };
  return stopped(m, r.value, "strain", reasons) ?? withReasons(done, reasons);
};

const toppedUp: Completion<"topped-up"> = async (m, body) => {
  const b = BODIES["topped-up"].safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["line", "amount"]);
  const r = await m.reckon(toppedUpWith(m.batch.plan, [b.data.line]));
  return r.ok ? b.data : { ...r.faults[0]!, path: ["line", String(r.faults[0]!.path[4] ?? "amount")] };
};

const finished: Completion<"finished"> = async (m, body) => {
  const b = BODIES.finished.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["lines"]);
  const { reasons, ...done } = b.data;
  const r = await m.reckon(finishedWith(m.batch.plan, done.lines));
  if (!r.ok) {
    const f = r.faults[0]!;
    return { ...f, path: ["lines", Number(f.path[3] ?? 0), String(f.path[4] ?? "amount")] };
  }
  return stopped(m, r.value, "bottle", reasons) ?? withReasons(done, reasons);
};

const BottledRequest = z.strictObject({ bottles: BODIES.bottled.shape.bottles, own: BODIES.bottled.shape.own, reasons: BODIES.bottled.shape.reasons });

const bottled: Completion<"bottled"> = async (m, body) => {
  const b = BottledRequest.safeParse(body);
  if (!b.success) return fault("NotABottling", "Say which bottles, and how much in each.", ["bottles"]);
  const r = await m.reckon();
  if (!r.ok) return r.faults[0]!;
  const { bottles, own, reasons } = b.data;
  const have = r.value.reckoning.finished.ml;
  const poured = bottles.reduce((sum, x) => sum + x.ml, 0);
  if (poured > have.high * 1.05) return fault("MoreThanThereIs", `The bottles hold ${Math.round(poured)} mL and there is about ${Math.round(have.value)} mL. Take one away, or correct the measure.`, ["bottles"]);
  for (const [i, x] of bottles.entries()) {
    const v = VESSELS.get(x.vessel);
    if (v && x.ml > v.solid.brimMl * 1.02) return fault("DoesNotFit", `${Math.round(x.ml)} mL does not go into a ${v.size} ${v.sort}.`, ["bottles", i]);
  }
  const verdict = issue(r.value.reckoning.verdict);
  if (verdict.place === "do-not-keep") return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
  const inCupboard = bottles.findIndex((x) => x.place === "cupboard");
  if (inCupboard >= 0 && verdict.place !== "cupboard" && !own?.reason.trim()) return fault("FridgeOnly", `The cupboard is not for this one: ${r.value.reckoning.verdict.row.words}. Choose the fridge, or type a reason with your own date.`, ["bottles", inCupboard, "place"]);
  if (own) {
    if (!isDay(own.bestBy)) return fault("NotADay", "Write the date as 2027-01-31.", ["own", "bestBy"]);
    if (own.bestBy < m.day) return fault("NotADay", "That day is past.", ["own", "bestBy"]);
    if (own.bestBy > bottles.map((x) => bestByOf(verdict, m.batch.strainedDay ?? m.day, x.place)).sort()[0]! && !own.reason.trim()) return fault("ReasonWanted", "A date later than reckoned needs a reason, which is kept and marked on the label as your own.", ["own", "reason"]);
  }
  return stopped(m, r.value, "bottle", reasons) ?? withReasons({ bottles, verdict, own }, reasons);
};

const COMPLETIONS: { readonly [T in EventType]?: Completion<T> } = { strained, "topped-up": toppedUp, finished, bottled };

/** Everything else is stored as it was sent, once it is what its type says. */
function plain(type: EventType, body: unknown): unknown | Fault {
  const parsed = (BODIES[type] as z.ZodType).safeParse(body);
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0]!;
  return fault("NotAnEntry", `${issue.path.join(" ")} ${issue.message}`.trim(), issue.path.map(String));
}

/** Writes one event of a batch that has begun. */
export async function write(sql: Sql, id: string, r: EventRequest): Promise<Written> {
  if (r.type === "begun" || !(r.type in BODIES)) return { ok: false, status: 422, fault: fault("NotAnEntry", "The journal has no such entry.") };
  const type = r.type as EventType;
  return append(
    sql,
    { streamId: id, key: r.key, type, body: r.body, seen: r.seen },
    async (tx: Tx, batch, day) => {
      if (!batch) return fault("NoSuchBatch", "There is no such batch.");
      const complete = COMPLETIONS[type] as Completion<EventType> | undefined;
      if (!complete) return plain(type, r.body);
      return complete({ batch, day, reckon: async (plan) => reckonBatch(batch, plan, { people: (await stores(tx)).people, today: day }) }, r.body);
    },
    async (tx, batch) => {
      if (type === "bottled") await fillEmpties(tx, batch.bottles, r.key);
    },
  );
}
