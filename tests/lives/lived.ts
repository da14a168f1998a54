import { oursId } from "../../src/core/journal/ours";
import type { Plan } from "../../src/core/plan/plan";
import type { Sql } from "../../src/store/db";
import { batchOf } from "../../src/store/journal";
import { oursOf } from "../../src/store/ours";
import {
  type Filling,
  type House,
  type Said,
  type Truth,
  beginBatch,
  bottle,
  earlier,
  later,
  linesOf,
  numbered,
  opened,
  plan,
  put,
  say,
  sayOfBottle,
  today,
} from "./house";

const JAR = [
  ...["tick", "tick", "leave", "top", "top-right", "top-back", "plan", "undo", "touch"],
  ...["strain", "strain", "day"],
] as const;

/** Moves the day of something that was said of this batch, and leaves what was said. */
async function moveDay(h: House, b: Truth): Promise<void> {
  const all = [...h.said.values()].filter((s) => s.stream === b.id);
  // Of two finishings, or two ticks of a line, one stands: which that is once their days are moved, is not this account's to say.
  const lone = (s: Said) => all.filter((x) => x.type === s.type).length === 1;
  const mine = all.filter(
    (s) => s.type !== "left-out" && ((s.type !== "finished" && s.type !== "added") || lone(s)),
  );
  const s = h.chance.pick(mine);
  if (s && (s.type !== "begun" || b.strained === undefined))
    await put(h, b, s.seq, s.body, earlier(h.chance));
}

const topped = (g: number) => ({ line: { id: "t", material: "cider-vinegar", amount: `${g} g` } });

/** The herb's amount in the plan, put right. */
async function planRight(h: House, b: Truth): Promise<void> {
  const [first, ...rest] = b.plan.steps;
  const g = Math.round(h.chance.from(10, 35));
  const add = first as Extract<Plan["steps"][number], { do: "add" }>;
  const what = add.what.map((l, i) => (i ? l : { ...l, amount: `${g} g` }));
  const ticked = (await batchOf(h.sql, b.id))!.making.lines.has(add.what[0]!.id);
  const anew = { ...b.plan, steps: [{ ...add, what }, ...rest] };
  if ((await put(h, b, 1, { plan: anew, reasons: {} })) && !ticked) b.lines.set(add.what[0]!.id, g);
}

/** What may befall a working jar. */
async function atWork(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const jar = linesOf(b.plan).slice(0, 2);
  const g = Math.round(c.from(10, 60));
  const [top] = [...b.tops].find(([, t]) => t) ?? [];
  const on = c.next() < 0.3 ? earlier(c) : undefined;
  switch (c.pick(JAR)) {
    case "tick": {
      const l = c.pick(jar);
      const its = Math.round(c.from(5, l.material === "thyme" ? 40 : 500));
      if (await say(h, b, "added", { line: l.id, amount: `${its} g` })) b.lines.set(l.id, its);
      return;
    }
    case "leave":
      if (await say(h, b, "left-out", { line: jar[0]!.id })) b.lines.set(jar[0]!.id, 0);
      return;
    case "top": {
      const seq = await say(h, b, "topped-up", topped(g), on);
      if (seq) b.tops.set(seq, { material: "cider-vinegar", grams: g });
      return;
    }
    case "top-right":
      if (top && (await put(h, b, top, topped(g)))) b.tops.set(top, { material: "cider-vinegar", grams: g });
      return;
    case "top-back":
      if (top && (await put(h, b, top, null))) b.tops.set(top, undefined);
      return;
    case "plan":
      return planRight(h, b);
    case "touch":
      return void (await say(h, b, "touched", { what: "shake" }, on));
    case "undo":
      if (c.next() < 0.3 && (await put(h, b, 1, null))) b.undone = true;
      return;
    case "strain":
      b.strained = await say(h, b, "strained", drained(h), on);
      return;
    case "day":
      return moveDay(h, b);
  }
}
const drained = (h: House) => ({ measured: `${Math.round(h.chance.from(250, 330))} mL`, how: "wrung" });
const honey = (g: number) => ({ lines: [{ id: "h", material: "honey", amount: `${g} g` }] });

/** What may befall what is strained and not bottled. */
async function strained(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const g = Math.round(c.from(100, 320));
  const on = c.next() < 0.3 ? earlier(c) : undefined;
  switch (c.pick(["finish", "finish-right", "finish-back", "measure", "bottle", "bottle", "day"] as const)) {
    case "finish": {
      const seq = await say(h, b, "finished", honey(g), b.finish ? undefined : on);
      if (seq) b.finish = { seq, grams: g };
      return;
    }
    case "finish-right":
      if (b.finish && (await put(h, b, b.finish.seq, honey(g)))) b.finish.grams = g;
      return;
    case "finish-back": {
      // An earlier finishing that was said over stands again where the last is taken back: only a lone one is taken back here.
      const all = [...h.said.values()].filter((s) => s.stream === b.id && s.type === "finished");
      if (b.finish && all.length === 1 && (await put(h, b, b.finish.seq, null))) b.finish = undefined;
      return;
    }
    case "measure":
      return void (await put(h, b, b.strained!, drained(h)));
    case "bottle": {
      const bottles = [bottle(200), bottle(100)];
      const seq = await say(h, b, "bottled", { bottles, own: null }, on);
      if (seq) [b.bottles, b.bottledAt] = [bottles, seq];
      return numbered(h, b);
    }
    case "day":
      return moveDay(h, b);
  }
}

const SHELF = [
  ...["take-out", "put-in", "back", "give", "pour", "pour", "unpour", "open", "course", "move"],
  ...["daughter", "daughter-right", "daughter-back", "finish-right", "day"],
] as const;

/** Something of this bottle that was said is taken back. */
async function unsay(h: House, id: string, type: string): Promise<void> {
  const s = [...h.said.values()].find((x) => x.stream === id && x.type === type);
  if (s) await sayOfBottle(h, id, "corrected", { seq: s.seq, body: null });
}

async function makeDaughter(h: House, b: Truth): Promise<void> {
  const ml = 30;
  const ours = { material: oursId(b.id), amount: `${ml} mL`, from: { batch: b.id } };
  const p = { ...plan(h.chance, [ours]), materials: await oursOf(h.sql, b.id) } as Plan;
  const d = await beginBatch(h, p);
  if (!d) return;
  const line = linesOf(p).find((l) => l.material === oursId(b.id))!.id;
  h.daughter = { id: d.id, line, of: b.id, ml };
  d.lines.delete(line);
}

/** Whatever went into another batch is taken back there, and nowhere else. @returns whether it could be taken back here */
async function takenBackHere(h: House): Promise<boolean> {
  const [into] = await h.sql<{ stream_id: string; seq: number }[]>`
    select e.stream_id, e.seq from event e where e.stream_kind = 'bottle' and e.type = 'poured' and e.body ? 'into' order by e.seq limit 1`;
  if (!into) return false;
  return (await sayOfBottle(h, into.stream_id, "corrected", { seq: into.seq, body: null })) !== undefined;
}

/** Says the bottles of a batch again. */
async function refill(h: House, b: Truth, bottles: readonly Filling[]): Promise<void> {
  const body = { bottles: bottles.map((x) => bottle(x.ml, x.id)), own: null };
  if (bottles.length > 0 && (await put(h, b, b.bottledAt!, body))) b.bottles = [...bottles];
  await numbered(h, b);
}

/** What may befall what is bottled. */
async function bottled(h: House, b: Truth): Promise<void> {
  const c = h.chance;
  const one = c.pick(b.bottles);
  const on = c.next() < 0.4 ? earlier(c) : undefined;
  switch (c.pick(SHELF)) {
    case "take-out":
      return refill(
        h,
        b,
        b.bottles.filter((x) => x !== one),
      );
    case "put-in":
      return refill(h, b, [...b.bottles, bottle(20)]);
    case "back":
      if (await put(h, b, b.bottledAt!, null)) [b.bottles, b.bottledAt] = [[], undefined];
      return;
    case "give":
      if (await sayOfBottle(h, one.id, "given", { to: "Maro" }, on)) h.gone.add(one.id);
      return;
    case "pour":
      return void (await sayOfBottle(h, one.id, "poured", { ml: 5, said: "1 tsp" }, on));
    case "unpour":
      return unsay(h, one.id, "poured");
    case "open":
      return void (await sayOfBottle(h, one.id, "opened", {}, on));
    case "course": {
      const body = { ml: 5, said: "1 tsp", times: 2, days: 10, rest: 0, from: today() };
      return void (await sayOfBottle(h, one.id, "coursed", body));
    }
    case "move":
      return void (await sayOfBottle(h, one.id, "moved", { place: c.pick(["fridge", "dark-cupboard"]) }, on));
    case "finish-right": {
      const g = Math.round(c.from(200, 320));
      if (b.finish && (await put(h, b, b.finish.seq, honey(g)))) b.finish.grams = g;
      return;
    }
    case "daughter":
      return h.daughter ? undefined : makeDaughter(h, b);
    case "daughter-right": {
      const ml = Math.round(c.from(10, 60));
      if (h.daughter && (await say(h, h.daughter, "added", { line: h.daughter.line, amount: `${ml} mL` })))
        h.daughter.ml = ml;
      return;
    }
    case "daughter-back":
      if (await takenBackHere(h)) throw new Error("a pour into another batch was taken back alone");
      return;
    case "day":
      return moveDay(h, b);
  }
}

/** A life of some batches and so many things said, in days that go by. */
export async function lived(sql: Sql, seed: number, batches = 3, things = 70): Promise<House> {
  const h = await opened(sql, seed);
  for (let i = 0; i < batches; i++) await beginBatch(h, plan(h.chance));
  for (let i = 0; i < things; i++) {
    later(h.chance);
    const b = h.chance.pick(h.batches.filter((x) => !x.undone));
    if (!b) break;
    if (b.strained === undefined) await atWork(h, b);
    else if (b.bottledAt === undefined) await strained(h, b);
    else await bottled(h, b);
  }
  // A promise never lengthens by itself: what was put right after the bottling is on the label once it is labelled anew.
  for (const b of h.batches.filter((x) => x.bottledAt !== undefined)) await refill(h, b, b.bottles);
  return h;
}

/** g that a batch is truly made of, by material. */
export function used(b: Truth): Map<string, number> {
  const all = new Map([
    ["thyme", 0],
    ["cider-vinegar", 0],
    ["honey", 0],
  ]);
  if (b.undone) return all;
  const more = (m: string, g: number) => void all.set(m, all.get(m)! + g);
  for (const l of linesOf(b.plan))
    if (b.lines.has(l.id) && !(b.finish && l.material === "honey")) more(l.material, b.lines.get(l.id)!);
  for (const t of b.tops.values()) if (t) more(t.material, t.grams);
  if (b.finish) more("honey", b.finish.grams);
  return all;
}
export const rounded = (all: ReadonlyMap<string, number>) =>
  Object.fromEntries([...all].filter(([, g]) => g > 0.5).map(([m, g]) => [m, Math.round(g)]));
