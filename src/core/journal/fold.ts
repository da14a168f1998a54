import type { TouchSort } from "../care/care";
import type { Day } from "../care/day";
import type { Line, Plan, Step } from "../remedy/plan";
import { inOrder } from "./envelope";
import { type Body, type Bottle, type EventType, type IssuedVerdict, type JournalEvent, readBody } from "./events";

export type BatchState = "working" | "strained" | "bottled" | "discarded";

/** A batch as its journal says it is. */
export interface Batch {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly state: BatchState;
  /** The plan as begun, and as it was really done. */
  readonly begunPlan: Plan;
  readonly plan: Plan;
  readonly frozen: Body<"begun">["frozen"];
  readonly reasons: Readonly<Record<string, string>>;
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
  /** Last day each touch was done. */
  readonly done: Readonly<Partial<Record<TouchSort, Day>>>;
  readonly diary: readonly Entry[];
  /** Highest sequence number: the version a writer has seen. */
  readonly seq: number;
}

export interface Entry {
  readonly seq: number;
  readonly type: EventType;
  readonly at: string;
  readonly day: Day;
  readonly body: unknown;
  /** Set where a later entry put this one right. */
  readonly correctedBy?: { readonly seq: number; readonly why: string; readonly was: unknown };
}

const firstStrain = (steps: readonly Step[]): number => steps.findIndex((s) => s.do === "strain");

/** A plan with its first straining as it was done. */
export function strainedWith(plan: Plan, done: Pick<Body<"strained">, "how" | "measured">): Plan {
  const at = firstStrain(plan.steps);
  return { ...plan, steps: plan.steps.map((s, i): Step => (i === at && s.do === "strain" ? { do: "strain", how: done.how, measured: done.measured } : s)) };
}

/** A plan with what was poured on after the jar was filled: after the first wait, so that it takes no room from what the parts were solved to. */
export function toppedUpWith(plan: Plan, lines: readonly Line[]): Plan {
  if (lines.length === 0) return plan;
  const steps = [...plan.steps];
  steps.splice(steps.findIndex((s) => s.do !== "add") + 1, 0, { do: "add", what: [...lines] });
  return { ...plan, steps };
}

/** A plan with what really went into the strained liquid, in place of what it foresaw; before any last boiling. */
export function finishedWith(plan: Plan, lines: readonly Line[]): Plan {
  const cut = firstStrain(plan.steps);
  const steps = plan.steps.filter((s, i) => i <= cut || s.do !== "add");
  const after = steps.findIndex((s, i) => i > cut && (s.do === "bottle" || s.do === "simmer"));
  if (lines.length > 0) steps.splice(after < 0 ? steps.length : after, 0, { do: "add", what: [...lines] });
  return { ...plan, steps };
}

/** The plan with what was really strained, topped up and finished put in its place. */
function asDone(plan: Plan, topUps: readonly Line[], strained: Body<"strained"> | undefined, finished: Body<"finished"> | undefined): Plan {
  const done = toppedUpWith(strained ? strainedWith(plan, strained) : plan, topUps);
  return finished ? finishedWith(done, finished.lines) : done;
}

/**
 * State = fold(events), by the maker's time and then by sequence; the same on server and client.
 * A correction replaces the body of the entry it names and stays in the diary beside what was there.
 * @returns `undefined` for an empty journal.
 */
export function fold(events: readonly JournalEvent[]): Batch | undefined {
  const ordered = inOrder(events);
  const corrections = new Map<number, { seq: number; why: string; body: unknown }>();
  for (const e of [...events].sort((a, b) => a.seq - b.seq)) if (e.type === "corrected") corrections.set(e.body.seq, { seq: e.seq, why: e.body.why, body: e.body.body });
  let begun: Extract<JournalEvent, { type: "begun" }> | undefined;
  let strained: { day: Day; body: Body<"strained"> } | undefined;
  let finished: Body<"finished"> | undefined;
  let bottled: { day: Day; body: Body<"bottled"> } | undefined;
  const reasons: Record<string, string> = {};
  let discarded: { day: Day; why: string } | undefined;
  const topUps: Line[] = [];
  const done: Partial<Record<TouchSort, Day>> = {};
  const diary: Entry[] = [];
  let seq = 0;
  for (const raw of ordered) {
    seq = Math.max(seq, raw.seq);
    const c = corrections.get(raw.seq);
    const body = c ? readBody(raw.type, raw.version, c.body) : raw.body;
    const e = { ...raw, body } as JournalEvent;
    diary.push({ seq: e.seq, type: e.type, at: e.at, day: e.day, body: e.body, ...(c ? { correctedBy: { seq: c.seq, why: c.why, was: raw.body } } : {}) });
    switch (e.type) {
      case "begun":
        begun = e;
        Object.assign(reasons, e.body.reasons);
        break;
      case "touched":
        if ((done[e.body.what] ?? "") < e.day) done[e.body.what] = e.day;
        break;
      case "topped-up":
        topUps.push(e.body.line);
        done["top-up"] = e.day;
        break;
      case "strained":
        strained = { day: e.day, body: e.body };
        Object.assign(reasons, e.body.reasons);
        break;
      case "finished":
        finished = e.body;
        Object.assign(reasons, e.body.reasons);
        break;
      case "bottled":
        bottled = { day: e.day, body: e.body };
        Object.assign(reasons, e.body.reasons);
        break;
      case "discarded":
        discarded = { day: e.day, why: e.body.why };
        break;
      case "read":
      case "noted":
      case "corrected":
        break;
    }
  }
  if (!begun) return undefined;
  return {
    id: begun.streamId, code: begun.body.code, name: begun.body.plan.name,
    state: discarded ? "discarded" : bottled ? "bottled" : strained ? "strained" : "working",
    begunPlan: begun.body.plan, plan: asDone(begun.body.plan, topUps, strained?.body, finished), frozen: begun.body.frozen, reasons,
    begunDay: begun.day, begunAt: begun.at, strainedDay: strained?.day, measured: strained?.body.measured, bottledDay: bottled?.day, bottles: bottled?.body.bottles ?? [],
    verdict: bottled?.body.verdict, own: bottled?.body.own ?? undefined, discardedDay: discarded?.day, discardedWhy: discarded?.why, done, diary, seq,
  };
}

/** Whether an event may follow; the message says what would be right. */
export function mayFollow(batch: Batch | undefined, type: EventType): string | undefined {
  if (!batch) return type === "begun" ? undefined : "This batch has not begun.";
  if (type === "begun") return "This batch has begun already.";
  if (type === "corrected" || type === "noted") return undefined;
  if (batch.state === "discarded") return `${batch.code} was discarded on ${batch.discardedDay}; nothing more happens to it.`;
  if (type === "discarded") return undefined;
  if (batch.state === "bottled") return `${batch.code} was bottled on ${batch.bottledDay} already.`;
  if (type === "strained" && batch.state !== "working") return `${batch.code} was strained on ${batch.strainedDay} already. Correct that entry if the measure was wrong.`;
  if ((type === "touched" || type === "topped-up") && batch.state !== "working") return `${batch.code} is strained; there is nothing to shake.`;
  if ((type === "finished" || type === "bottled") && batch.state !== "strained") return `Strain ${batch.code} first and measure what comes out.`;
  return undefined;
}
