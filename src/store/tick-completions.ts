import { type Fault, fault } from "../core/fault";
import { BODIES } from "../core/journal/events";
import { oddAmount, oddTopUp } from "../core/journal/odd";
import { linesOf } from "../core/plan/edit";
import { readAmount } from "../core/reading/amounts";
import { type Completion, type Moment, asked, fieldOf, neverIn, tried } from "./moment";

/* What really went in: checked against the plan and the whole making before it is written. */

/** A line of the plan a tick is about. */
const ofThePlan = (m: Moment, line: string): Fault | undefined =>
  linesOf(m.batch.begunPlan).some((l) => l.id === line)
    ? undefined
    : fault("NoSuchLine", "The plan has no such line.", ["line"]);

export const toppedUp: Completion<"topped-up"> = async (m, body) => {
  const b = BODIES["topped-up"].safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["line", "amount"]);
  const r = await m.reckon({ topUps: [...m.batch.making.topUps, b.data.line] });
  if (!r.ok) return { ...r.faults[0]!, path: ["line", fieldOf(r.faults[0]!)] };
  const poured = r.value.reckoning.lines.find((l) => l.id === b.data.line.id)?.ml.value ?? 0;
  const question = asked(m, "line", oddTopUp(poured, r.value));
  return question ? { ...question, path: ["line", "amount"] } : (neverIn(r.value) ?? b.data);
};

export const added: Completion<"added"> = async (m, body) => {
  const b = BODIES.added.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say how much of it went in.", ["amount"]);
  const amount = readAmount(b.data.amount, m.batch.plan.units);
  if (!amount.ok) return { ...amount.faults[0]!, path: ["amount"] };
  const { line, amount: text, lot } = b.data;
  const no = ofThePlan(m, line);
  if (no) return no;
  const lines = new Map(m.batch.making.lines).set(line, { did: "added", amount: text, lot });
  const r = await m.reckon({ lines });
  if (!r.ok) return { ...r.faults[0]!, path: ["amount"] };
  const before = await m.reckon({ lines: new Map([...m.batch.making.lines].filter(([l]) => l !== line)) });
  const planned = before.ok ? before.value.reckoning.lines.find((l) => l.id === line) : undefined;
  const is = r.value.reckoning.lines.find((l) => l.id === line);
  const odd = planned && is && oddAmount(planned.name, is.grams.value, planned.grams.value);
  return asked(m, "amount", odd) ?? neverIn(r.value) ?? b.data;
};

export const leftOut: Completion<"left-out"> = async (m, body) => {
  const b = BODIES["left-out"].safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say which line was left out.", ["line"]);
  const { line, why } = b.data;
  const r = await m.reckon({ lines: new Map(m.batch.making.lines).set(line, { did: "left-out", why }) });
  return ofThePlan(m, line) ?? (r.ok ? b.data : { ...r.faults[0]!, path: ["line"] });
};

export const swapped: Completion<"swapped"> = async (m, body) => {
  const b = BODIES.swapped.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in instead, and how much.", ["for", "amount"]);
  const { line, for: instead } = b.data;
  const no = ofThePlan(m, line);
  if (no) return no;
  const own = m.ownOf([instead]);
  const r = await m.reckon({
    lines: new Map(m.batch.making.lines).set(line, { did: "swapped", for: instead }),
    ...tried(m, own),
  });
  if (!r.ok) return { ...r.faults[0]!, path: ["for", fieldOf(r.faults[0]!)] };
  return neverIn(r.value) ?? { ...b.data, ...(own.length > 0 ? { materials: own } : {}) };
};

export const extra: Completion<"extra"> = async (m, body) => {
  const b = BODIES.extra.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what else went in, and how much.", ["line", "amount"]);
  const { line, step } = b.data;
  const own = m.ownOf([line]);
  const r = await m.reckon({ extras: [...m.batch.making.extras, { line, step }], ...tried(m, own) });
  if (!r.ok) return { ...r.faults[0]!, path: ["line", fieldOf(r.faults[0]!)] };
  return neverIn(r.value) ?? { ...b.data, ...(own.length > 0 ? { materials: own } : {}) };
};
