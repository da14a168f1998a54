import { z } from "zod";
import { type Fault, fault, under } from "../core/fault";
import { isDay } from "../core/care/day";
import { cautionsOf } from "../core/cautions/rules";
import { type EventType, BODIES, type Body } from "../core/journal/events";
import { freeze } from "../core/journal/freeze";
import type { Batch } from "../core/journal/fold";
import { reckonBatch } from "../core/journal/reckon";
import { bestByOf, issue } from "../core/label/label";
import { KIND_WORDS, Plan, type Step } from "../core/remedy/plan";
import { reckonProgram } from "../core/remedy/reckon";
import { resolve } from "../core/remedy/resolve";
import { VESSELS } from "../core/vessel/catalogue";
import type { Sql, Tx } from "./db";
import { type Written, append, nextCode } from "./journal";

/** What the Bench sends to begin a batch. */
export const BeginRequest = z.strictObject({ id: z.uuid(), key: z.uuid(), plan: z.unknown(), reasons: z.record(z.string().max(60), z.string().max(300)).default({}) });
export type BeginRequest = z.infer<typeof BeginRequest>;

/** Begins a batch: the plan is reckoned again here, its figures frozen and its code given. */
export function begin(sql: Sql, r: BeginRequest, plan: Plan): Promise<Written> {
  return append(sql, { streamId: r.id, key: r.key, type: "begun", body: { plan: r.plan, reasons: r.reasons } }, async (tx, _batch, day) => {
    const program = resolve(plan);
    if (!program.ok) return program.faults[0]!;
    const reckoning = reckonProgram(program.value);
    if (reckoning.fit && reckoning.fit.overBrimMl > 0) return fault("DoesNotFit", `It runs over the brim by ${Math.round(reckoning.fit.overBrimMl)} mL. Take less, or a larger jar.`, ["vessel"]);
    for (const c of cautionsOf({ program: program.value, reckoning })) {
      if (c.severity === "never") return fault("Never", `${c.says} ${c.todo}`, c.line ? ["steps", c.line[0], "what", c.line[1]] : []);
      if (c.severity === "stop" && !r.reasons[c.id]?.trim()) return fault("ReasonWanted", `${c.says} ${c.todo} To go on as it is, type a reason.`, ["reasons", c.id]);
    }
    const code = await nextCode(tx, KIND_WORDS[plan.kind].code, Number(day.slice(0, 4)));
    const reasons = Object.fromEntries(Object.entries(r.reasons).filter(([, why]) => why.trim() !== ""));
    return { code, plan, frozen: freeze(program.value), ...(Object.keys(reasons).length > 0 ? { reasons } : {}) } satisfies Body<"begun">;
  });
}

/** What the batch pages send: one event of a type, under a key. */
export const EventRequest = z.strictObject({ key: z.uuid(), type: z.string().max(20), seen: z.number().int().min(0).optional(), body: z.unknown() });
export type EventRequest = z.infer<typeof EventRequest>;

/** The plan as it would be with a strain or finish done. */
export function trying(batch: Batch, type: "strained" | "finished", body: unknown): Plan {
  if (type === "strained") {
    const b = body as Body<"strained">;
    return { ...batch.plan, steps: batch.plan.steps.map((s): Step => (s.do === "strain" ? { do: "strain", how: b.how, measured: b.measured } : s)) };
  }
  return batch.plan;
}

const BottledRequest = z.strictObject({ bottles: BODIES.bottled.shape.bottles, own: BODIES.bottled.shape.own });

async function complete(w: EventRequest, batch: Batch | undefined, day: string): Promise<unknown | Fault> {
  if (!batch) return fault("NoSuchBatch", "There is no such batch.");
  if (w.type === "strained") {
    const b = BODIES.strained.safeParse(w.body);
    if (!b.success) return fault("NotAMeasure", "Write what the jug shows, like “750 mL” or “3¼ cups”.", ["measured"]);
    const r = reckonBatch(batch, trying(batch, "strained", b.data));
    if (!r.ok) return { ...r.faults[0]!, path: ["measured"] };
    return b.data;
  }
  if (w.type === "bottled") {
    const b = BottledRequest.safeParse(w.body);
    if (!b.success) return fault("NotABottling", "Say which bottles, and how much in each.", ["bottles"]);
    const r = reckonBatch(batch);
    if (!r.ok) return r.faults[0]!;
    const have = r.value.reckoning.finished.ml;
    const poured = b.data.bottles.reduce((sum, x) => sum + x.ml, 0);
    if (poured > have.high * 1.05) return fault("MoreThanThereIs", `The bottles hold ${Math.round(poured)} mL and there is about ${Math.round(have.value)} mL. Take one away, or correct the measure.`, ["bottles"]);
    for (const [i, x] of b.data.bottles.entries()) {
      const v = VESSELS.get(x.vessel);
      if (v && x.ml > v.solid.brimMl * 1.02) return fault("DoesNotFit", `${Math.round(x.ml)} mL does not go into a ${v.size} ${v.sort}.`, ["bottles", i]);
    }
    const verdict = issue(r.value.reckoning.verdict);
    if (verdict.place === "do-not-keep") return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
    if (b.data.bottles.some((x) => x.place === "cupboard") && verdict.place !== "cupboard" && !b.data.own?.reason.trim()) return fault("FridgeOnly", `The cupboard is not for this one: ${r.value.reckoning.verdict.row.words}. Choose the fridge, or type a reason with your own date.`, ["bottles", b.data.bottles.findIndex((x) => x.place === "cupboard"), "place"]);
    if (b.data.own) {
      if (!isDay(b.data.own.bestBy)) return fault("NotADay", "Write the date as 2027-01-31.", ["own", "bestBy"]);
      if (b.data.own.bestBy < day) return fault("NotADay", "That day is past.", ["own", "bestBy"]);
      if (b.data.own.bestBy > b.data.bottles.map((x) => bestByOf(verdict, batch.strainedDay ?? day, x.place)).sort()[0]! && !b.data.own.reason.trim()) return fault("ReasonWanted", "A date later than reckoned needs a reason, which is kept and marked on the label as your own.", ["own", "reason"]);
    }
    return { bottles: b.data.bottles, verdict, own: b.data.own } satisfies Body<"bottled">;
  }
  const schema = (BODIES as Record<string, z.ZodType | undefined>)[w.type];
  const parsed = schema?.safeParse(w.body);
  if (!parsed?.success) return fault("NotAnEntry", parsed ? `${parsed.error.issues[0]!.path.join(" ")} ${parsed.error.issues[0]!.message}`.trim() : "The journal has no such entry.", parsed ? parsed.error.issues[0]!.path.map(String) : []);
  if (w.type === "topped-up") {
    const line = (parsed.data as Body<"topped-up">).line;
    const at = batch.plan.steps.findIndex((s) => s.do !== "add");
    const steps = [...batch.plan.steps];
    steps.splice(at + 1, 0, { do: "add", what: [line] });
    const r = reckonBatch(batch, { ...batch.plan, steps });
    if (!r.ok) return under([], r.faults)[0];
  }
  if (w.type === "finished") {
    const body = parsed.data as Body<"finished">;
    const cut = batch.plan.steps.findIndex((s) => s.do === "strain");
    const r = reckonBatch(batch, { ...batch.plan, steps: [...batch.plan.steps.filter((s, i) => i <= cut || s.do !== "add"), { do: "add", what: body.lines }] });
    if (!r.ok) {
      const f = r.faults[0]!;
      return { ...f, path: ["lines", Number(f.path[3] ?? 0), String(f.path[4] ?? "amount")] };
    }
  }
  return parsed.data;
}

/** Writes one event of a batch that has begun. */
export function write(sql: Sql, id: string, r: EventRequest): Promise<Written> {
  if (r.type === "begun" || !(r.type in BODIES)) return Promise.resolve({ ok: false, status: 422, fault: fault("NotAnEntry", "The journal has no such entry.") });
  return append(sql, { streamId: id, key: r.key, type: r.type as EventType, body: r.body, seen: r.seen }, (_tx: Tx, batch, day) => complete(r, batch, day));
}
