/** Households larger than the demo, made of it. */
import { randomUUID } from "node:crypto";
import { type Day, addDays, daysBetween } from "../../src/core/day";

interface Entry {
  readonly kind: string;
  readonly stream: string;
  readonly seq: number;
  readonly type: string;
  readonly at: string;
  readonly day: Day;
  readonly body: {
    readonly code?: string;
    readonly what?: string;
    readonly bottles?: readonly { readonly id: string }[];
  };
}
const lineOf = (e: Entry, changed: Partial<Entry>): string =>
  JSON.stringify({
    ...e,
    key: randomUUID(),
    ...changed,
    ...(changed.at ? { recordedAt: changed.at } : {}),
  });

/** What a household is made of: its head and all its entries. */
function read(lines: readonly string[]): { readonly head: string; readonly entries: readonly Entry[] } {
  const [head, ...rest] = lines;
  return { head: head!, entries: rest.filter((l) => l !== "").map((l) => JSON.parse(l) as Entry) };
}

/** An entry told as if it had been `days` before. */
function earlier(e: Entry, days: number): { at: string; day: Day } {
  const day = addDays(e.day, -days);
  return { day, at: new Date(Date.parse(e.at) + 86_400_000 * daysBetween(e.day, day)).toISOString() };
}

/** Lots bought, drawn from and put away a number of days ago. */
function lotsOf(entries: readonly Entry[], round: number, days: number): string[] {
  const lots = entries.filter((e) => e.kind === "store" && e.body.what === "lot");
  return lots.slice(round % 20, (round % 20) + 2).flatMap((e) => {
    const when = { ...earlier(e, days), stream: randomUUID() };
    return [
      lineOf(e, { ...when, seq: 1, type: "kept" }),
      lineOf(e, { ...when, seq: 2, type: "drawn", body: { grams: 20, by: "OX-16-01" } as Entry["body"] }),
      lineOf(e, { ...when, seq: 3, type: "gone", body: { why: "used up" } as Entry["body"] }),
    ];
  });
}

/** Bottles are gone within so many days of being filled, where they are used up. */
const USED_UP_IN = 60;

/** One finished batch with the journals of its bottles, told again for some days earlier; its bottles used up, or standing as they do. */
function again(
  entries: readonly Entry[],
  stream: string,
  code: (e: Entry, day: Day) => string,
  days: number,
  today: Day,
  usedUp: boolean,
): string[] {
  const id = randomUUID();
  const bottles = new Map<string, string>();
  const out: string[] = [];
  const filled = entries.filter((e) => e.stream === stream && e.type === "bottled").at(-1);
  for (const e of entries.filter((x) => x.stream === stream)) {
    const when = earlier(e, days);
    const body = { ...e.body };
    for (const b of body.bottles ?? []) bottles.set(b.id, bottles.get(b.id) ?? randomUUID());
    const renamed = {
      ...body,
      ...(body.code ? { code: code(e, when.day) } : {}),
      ...(body.bottles ? { bottles: body.bottles.map((b) => ({ ...b, id: bottles.get(b.id)! })) } : {}),
    };
    out.push(lineOf(e, { ...when, stream: id, body: renamed }));
  }
  for (const [was, now] of bottles) {
    const its = entries.filter((e) => e.stream === was);
    for (const e of its) out.push(lineOf(e, { ...earlier(e, days), stream: now }));
    const gone = its.some((e) => e.type === "emptied" || e.type === "given");
    if (!usedUp || gone) continue;
    const last = its.at(-1) ?? filled!;
    const lastDay = earlier(last, days).day;
    const day = addDays(lastDay, Math.max(0, Math.min(USED_UP_IN, daysBetween(lastDay, today) - 1)));
    const at = `${day}T18:00:00.000Z`;
    const seq = its.length === 0 ? 1 : last.seq + 1;
    const pourAt = `${day}T17:00:00.000Z`;
    const poured = { ml: 15, said: "1 tbsp" } as unknown as Entry["body"];
    const of = { ...filled!, kind: "bottle", stream: now, version: 1 };
    out.push(lineOf(of, { at: pourAt, day, seq, type: "poured", body: poured }));
    out.push(lineOf(of, { at, day, seq: seq + 1, type: "emptied", body: {} }));
  }
  return out;
}

/** The household with its finished batches told again `rounds` times, every `every` days into the past. */
export function toldAgain(
  lines: readonly string[],
  today: Day,
  { rounds, every, usedUp }: { rounds: number; every: number; usedUp: boolean },
): string[] {
  const { head, entries } = read(lines);
  const finished = new Set(entries.filter((e) => e.type === "bottled").map((e) => e.stream));
  let n = 100;
  const code = (e: Entry, day: Day): string => `${e.body.code!.slice(0, 2)}-${day.slice(2, 4)}-${n}`;
  const out = [head, ...lines.slice(1)];
  for (let round = 0; round < rounds; round++) {
    const days = every * (round + 1);
    if (round % 4 === 0) out.push(...lotsOf(entries, round, days));
    for (const stream of finished) {
      n++;
      out.push(...again(entries, stream, code, days, today, usedUp));
    }
  }
  return out;
}

/** The household with its working jars told again as often as wanted, on the same days. */
export function manyJars(lines: readonly string[], times: number): string[] {
  const { entries } = read(lines);
  const ended = new Set(
    entries.filter((e) => e.type === "bottled" || e.type === "discarded").map((e) => e.stream),
  );
  const working = new Set(
    entries.filter((e) => e.kind === "batch" && !ended.has(e.stream)).map((e) => e.stream),
  );
  let n = 100;
  const out = [...lines];
  for (let i = 0; i < times; i++)
    for (const stream of working) {
      n++;
      const id = randomUUID();
      for (const e of entries.filter((x) => x.stream === stream)) {
        const { code } = e.body;
        const body = code ? { ...e.body, code: code.replace(/\d+$/, String(n)) } : e.body;
        out.push(lineOf(e, { stream: id, body }));
      }
    }
  return out;
}
