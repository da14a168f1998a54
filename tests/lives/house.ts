/**
 * A household whose lives are made up: its lots and batches, beside a plain account of what is true in the end, and of what was said. The account is
 * kept apart from the app: what a batch took is what its lines say in grams, and nothing else.
 */
import { randomUUID } from "node:crypto";
import { withIds } from "../../src/core/plan/ids";
import type { Line, Plan } from "../../src/core/plan/plan";
import { writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import type { Sql } from "../../src/store/db";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { keep } from "../../src/store/stores";
import { type Chance, chance } from "../chance";

export interface Filling {
  readonly id: string;
  readonly vessel: string;
  readonly ml: number;
}
export interface Truth {
  readonly id: string;
  readonly plan: Plan;
  undone: boolean;
  /** g of a planned line, by its id. */
  lines: Map<string, number>;
  /** Entries that may be put right, by their place: what each says of grams. */
  readonly tops: Map<number, { material: string; grams: number } | undefined>;
  finish: { seq: number; grams: number } | undefined;
  strained: number | undefined;
  bottles: Filling[];
  bottledAt: number | undefined;
}
/** What somebody said, as it stands in the end: a correction changes it where it was said, what is taken back is not among them. */
export interface Said {
  readonly to: "batch" | "bottle";
  readonly stream: string;
  readonly seq: number;
  readonly type: string;
  body: unknown;
}
export interface House {
  readonly sql: Sql;
  readonly chance: Chance;
  readonly lots: Map<string, { material: string; grams: number }>;
  readonly batches: Truth[];
  readonly numbers: Map<string, number>;
  readonly gone: Set<string>;
  /** What was refused. */
  readonly told: string[];
  readonly said: Map<string, Said>;
  /** Where another tab last looked at a batch. */
  readonly tab: Map<string, number>;
  daughter: { id: string; line: string; of: string; ml: number } | undefined;
}

const DAY_MS = 86_400_000;
export const clock = (iso: string): void => void (process.env["JOLLY_NOW_FROZEN"] = iso);
const clockNow = (): number => Date.parse(process.env["JOLLY_NOW_FROZEN"]!);
/** Some time goes by: hours, sometimes days. */
export function later(c: Chance): void {
  const days = c.pick([0, 0, 1, 1, 2]);
  clock(new Date(clockNow() + days * DAY_MS + Math.round(c.from(60_000, 3_000_000))).toISOString());
}
export const today = (): string => process.env["JOLLY_NOW_FROZEN"]!.slice(0, 10);
/** A day of the last five, today among them. */
export const earlier = (c: Chance): string =>
  new Date(clockNow() - Math.floor(c.from(0, 6)) * DAY_MS).toISOString().slice(0, 10);

export const linesOf = (p: Plan): Line[] => p.steps.flatMap((s) => (s.do === "add" ? s.what : []));
export const grams = (text: string): number => Number(text.replace(/[^\d.]/g, ""));

export const plan = (c: Chance, more: readonly object[] = []): Plan =>
  withIds({
    ...{ format: "jolly-crock/plan", version: 2, units: "metric", name: "Thyme oxymel", kind: "oxymel" },
    vessel: "m-1500",
    steps: [
      {
        do: "add",
        what: [
          { material: "thyme", form: "dried", amount: `${Math.round(c.from(10, 30))} g` },
          { material: "cider-vinegar", amount: `${Math.round(c.from(300, 500))} g` },
          ...more,
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [{ material: "honey", amount: `${Math.round(c.from(150, 300))} g` }] },
      { do: "bottle" },
    ],
  } as never);

export async function opened(sql: Sql, seed: number): Promise<House> {
  clock("2026-10-12T09:00:00.000Z");
  const lots: House["lots"] = new Map();
  const put = async (material: string, g: number, more: object = {}) => {
    const id = randomUUID();
    const item = { what: "lot", material, amount: `${g} g`, got: "2026-10-01", ...more };
    const w = await keep(sql, { id, key: randomUUID(), type: "kept", body: { item } });
    if (!w.ok) throw new Error(w.fault.message);
    lots.set(id, { material, grams: g });
  };
  await put("thyme", 40, { form: "dried" });
  await put("thyme", 5000, { form: "dried", got: "2026-10-09" });
  await put("cider-vinegar", 900, {});
  await put("cider-vinegar", 50_000, { got: "2026-10-09" });
  await put("honey", 50_000);
  const empties = { what: "empties", vessel: "b-250-swing", count: 500 };
  await keep(sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item: empties } });
  return {
    ...{ sql, chance: chance(seed), lots, batches: [], numbers: new Map(), gone: new Set(), told: [] },
    ...{ said: new Map(), tab: new Map(), daughter: undefined },
  };
}

const told = (h: House, type: string, f: { name: string; message: string }): undefined =>
  void h.told.push(`${type}: ${f.name} ${f.message}`);
function remember(h: House, s: Said): void {
  if (s.type === "corrected") {
    const { seq, body } = s.body as { seq: number; body: unknown };
    const key = `${s.stream} ${seq}`;
    if (body === null) h.said.delete(key);
    else h.said.get(key)!.body = body;
  } else h.said.set(`${s.stream} ${s.seq}`, s);
}

export async function beginBatch(h: House, p: Plan): Promise<Truth | undefined> {
  const w = await begin(h.sql, { id: randomUUID(), key: randomUUID(), plan: p, reasons: {} }, p);
  if (!w.ok) return told(h, "begun", w.fault);
  const { id } = w.state;
  remember(h, { to: "batch", stream: id, seq: 1, type: "begun", body: { plan: p, reasons: {} } });
  const truth: Truth = {
    ...{ id, plan: p, undone: false, tops: new Map(), finish: undefined, strained: undefined },
    lines: new Map(linesOf(p).map((l) => [l.id, grams(l.amount)])),
    ...{ bottles: [], bottledAt: undefined },
  };
  h.batches.push(truth);
  return truth;
}

/** A day said with an entry, or with the correction of one. */
export type On = string | undefined;

/**
 * Writes an entry of a batch; what is refused is told, and changes nothing. One time in four it is another tab that says it, of what it saw a while
 * ago; where it is told of the change, it looks and says it again.
 */
export async function say(
  h: House,
  b: { readonly id: string },
  type: string,
  body: unknown,
  on?: On,
): Promise<number | undefined> {
  const { seq: is } = (await batchOf(h.sql, b.id))!;
  const stale = h.chance.next() < 0.25;
  const send = (seen: number, sure: boolean) =>
    write(h.sql, b.id, { key: randomUUID(), type, seen, sure, body, on });
  let w = await send(stale ? (h.tab.get(b.id) ?? is) : is, !stale);
  if (!w.ok && stale) w = await send(is, true);
  if (h.chance.next() < 0.5) h.tab.set(b.id, is);
  if (!w.ok) return told(h, type, w.fault);
  remember(h, { to: "batch", stream: b.id, seq: w.seq, type, body });
  return w.seq;
}
export const put = async (h: House, b: { readonly id: string }, seq: number, body: unknown, on?: On) =>
  (await say(h, b, "corrected", { seq, body }, on)) !== undefined;

export async function sayOfBottle(
  h: House,
  id: string,
  type: string,
  body: unknown,
  on?: On,
): Promise<number | undefined> {
  const [row] = await h.sql<{ seq: number }[]>`select seq from bottle where id = ${id}`;
  if (!row) return undefined;
  const w = await writeBottle(h.sql, id, { key: randomUUID(), type, seen: row.seq, sure: true, body, on });
  if (!w.ok) return told(h, type, w.fault);
  remember(h, { to: "bottle", stream: id, seq: w.seq, type, body });
  return w.seq;
}

export const bottle = (ml: number, id: string = randomUUID()) => ({
  id,
  vessel: "b-250-swing",
  name: "250 mL",
  ml,
  place: "fridge",
});
export async function numbered(h: House, b: Truth): Promise<void> {
  for (const r of await h.sql<
    { id: string; number: number }[]
  >`select id, number from bottle where batch_id = ${b.id}`)
    if (!h.numbers.has(r.id)) h.numbers.set(r.id, r.number);
}
