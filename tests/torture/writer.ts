/**
 * A writer that is struck down: writes to a household without end and says on its output what it tries and what was acknowledged.
 * It begins with the try that was left open by the one before it, under the same key.
 */
import { randomUUID } from "node:crypto";
import { createInterface } from "node:readline";
import { begin } from "../../src/store/commands";
import { connect } from "../../src/store/db";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { settleAnew } from "../../src/store/settings";
import { keep, storedItems } from "../../src/store/stores";
import { type Chance, chance } from "../chance";
import { thymeOxymel } from "../plans";

/** One thing to write, whole, so that it can be sent again as it was. */
export type Try =
  | {
      readonly to: "begin";
      readonly id: string;
      readonly key: string;
      readonly plan: ReturnType<typeof thymeOxymel>;
    }
  | {
      readonly to: "batch";
      readonly id: string;
      readonly key: string;
      readonly type: string;
      readonly seen: number;
      readonly body: unknown;
    }
  | {
      readonly to: "store";
      readonly id: string;
      readonly key: string;
      readonly seen?: number;
      readonly body: unknown;
    }
  | { readonly to: "household"; readonly id: string; readonly key: string; readonly name: string };

const [url, seed] = process.argv.slice(2);
const sql = connect(url!, 3);
const say = (line: object): void => void process.stdout.write(`${JSON.stringify(line)}\n`);

async function send(t: Try): Promise<boolean> {
  const { id, key } = t;
  switch (t.to) {
    case "begin":
      return (await begin(sql, { id, key, plan: t.plan, reasons: {} }, t.plan)).ok;
    case "batch":
      return (await write(sql, id, { key, type: t.type, seen: t.seen, sure: true, body: t.body })).ok;
    case "store": {
      const seen = t.seen === undefined ? {} : { seen: t.seen };
      return (await keep(sql, { id, key, type: "kept", ...seen, body: t.body })).ok;
    }
    case "household":
      return (await settleAnew(sql, { key, settings: { name: t.name } })).ok;
  }
}

/** What may be written to a batch as it stands. */
async function toBatch(c: Chance, id: string, key: string): Promise<Try | undefined> {
  const batch = await batchOf(sql, id);
  if (!batch) return undefined;
  const to = (type: string, body: unknown): Try => ({ to: "batch", id, key, type, seen: batch.seq, body });
  if (batch.state === "strained") {
    const bottles = [0, 1].map(() => ({
      ...{ id: randomUUID(), vessel: "b-250-swing", name: "250 mL" },
      ...{ ml: 240, place: "fridge" },
    }));
    return to("bottled", { bottles, own: null });
  }
  if (batch.state !== "working") return to("noted", { text: `looked at, ${c.next()}` });
  const dice = c.next();
  if (dice < 0.5) return to("touched", { what: c.pick(["shake", "turn", "let-out"]) });
  if (dice < 0.65) return to("noted", { text: `smells of hay, ${c.next()}` });
  if (dice < 0.75) return to("corrected", { seq: batch.seq > 1 ? batch.seq : 1, body: null });
  return to("strained", { measured: `${Math.round(c.from(600, 800))} mL`, how: "wrung" });
}

async function next(c: Chance): Promise<Try | undefined> {
  const key = randomUUID();
  const dice = c.next();
  if (dice < 0.2)
    return { to: "begin", id: randomUUID(), key, plan: thymeOxymel("30 g", "400 mL", "400 mL") };
  if (dice < 0.25) return { to: "household", id: "", key, name: `House ${Math.floor(c.next() * 1e6)}` };
  if (dice < 0.4) {
    const lots = await storedItems(sql);
    const one = lots.find((s) => s.item.what === "lot");
    const item = { what: "lot", material: "thyme", form: "dried", amount: "900 g", got: "2026-10-01" };
    return one
      ? { to: "store", id: one.id, key, seen: one.seq, body: { item } }
      : { to: "store", id: randomUUID(), key, body: { item } };
  }
  if (dice < 0.45) {
    const one = (await storedItems(sql)).find((s) => s.item.what === "empties");
    const item = { what: "empties", vessel: "b-250-swing", count: 90 };
    return {
      to: "store",
      id: one?.id ?? randomUUID(),
      key,
      ...(one ? { seen: one.seq } : {}),
      body: { item },
    };
  }
  const [some] = await sql<{ id: string }[]>`
    select id from batch order by state = 'working' desc, state = 'strained' desc, md5(id::text || ${String(c.next())}) limit 1`;
  return some && toBatch(c, some.id, key);
}

async function main(): Promise<void> {
  const c = chance(Number(seed));
  const input = createInterface({ input: process.stdin });
  for await (const line of input) {
    const open = line.trim() === "" ? undefined : (JSON.parse(line) as Try);
    if (open) say({ is: (await send(open)) ? "written" : "refused", key: open.key });
    break;
  }
  for (;;) {
    const t = await next(c);
    if (!t) continue;
    say({ is: "try", t });
    say({ is: (await send(t)) ? "written" : "refused", key: t.key });
  }
}

main().catch((e: Error) => {
  // A connection that was cut is what happens here; whoever struck it starts another.
  say({ is: "lost", message: e.message });
  process.exit(3);
});
