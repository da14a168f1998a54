import { z } from "zod";
import { filledOf } from "../core/cellar/bottle";
import { type Fault, fault, isFault } from "../core/fault";
import type { Body } from "../core/journal/events";
import type { Batch } from "../core/journal/fold";
import { numbered } from "../core/journal/numbers";
import { reckonBatch } from "../core/journal/reckon";
import { issue, lastDayOf, upTo } from "../core/label/label";
import { KIND } from "../core/plan/kinds";
import { Standing, planOfStanding } from "../core/standing/standing";
import { VESSELS } from "../core/vessel/catalogue";
import { RefusedAlong, type Stream, appendWithin, followingKey } from "./append";
import { streamOf } from "./bottles";
import { beginning } from "./commands";
import type { Sql, Tx } from "./db";
import { follow } from "./effects";
import { household } from "./household";
import { BATCHES, type Written, append, nextCode } from "./journal";
import { stores } from "./stores";

/** What the page of what stands sends: one jar, or the bottles of one making. */
export const StandRequest = z.strictObject({ id: z.uuid(), key: z.uuid(), standing: Standing });
export type StandRequest = z.infer<typeof StandRequest>;

/** More in a bottle than goes into such a one. */
function overfilled({ bottles }: Standing): Fault | undefined {
  const at = bottles.findIndex((b) => b.ml > (VESSELS.get(b.vessel)?.solid.brimMl ?? Infinity) * 1.02);
  if (at < 0) return undefined;
  const { size, sort } = VESSELS.get(bottles[at]!.vessel)!;
  return fault("DoesNotFit", `So much does not go into a ${size} ${sort}. Say less, or a larger one.`, [
    "bottles",
    at,
    "ml",
  ]);
}

function unlike(s: Standing): Fault | undefined {
  if (s.as === "jar" && s.bottles.length > 0)
    return fault("NotAnEntry", "A jar at work is not in bottles yet.", ["bottles"]);
  if (s.as === "bottles" && s.bottles.length === 0)
    return fault("NoBottles", "Say how many bottles of it there are, and how much is in each.", ["bottles"]);
  if (s.bestBy !== undefined && s.bestBy < s.on)
    return fault("NotADay", "That is before the day it came. Look at its label again.", ["bestBy"]);
  return overfilled(s);
}

/** How the day on a bottle that came from elsewhere is kept: as its own, with this reason. */
const ON_ITS_LABEL = "as its label says";

/** Writes something along with the beginning, on the day it is of; a refusal undoes the whole. */
async function along<S extends { readonly seq: number }, E>(
  tx: Tx,
  stream: Stream<S, E>,
  w: { streamId: string; key: string; type: string; body: unknown; on: string; seen: number; field: string },
): Promise<S> {
  const { field, ...write } = w;
  const done = await appendWithin(tx, stream, { ...write, along: true });
  if (!done.ok) throw new RefusedAlong({ ...done.fault, path: [field] });
  return done.state;
}

/** What became of a making that stands in bottles: strained, measured and filled on one day, since no more is known; opened on another. */
async function bottledAlready(tx: Tx, begun: Batch, { key, standing: s }: StandRequest): Promise<Batch> {
  const write = { streamId: begun.id, on: s.on };
  const all = s.bottles.reduce((ml, b) => ml + b.ml, 0);
  const strained = await along(tx, BATCHES, {
    ...{ ...write, key: followingKey(key, "strained"), type: "strained", seen: begun.seq, field: "bottles" },
    body: { measured: `${Math.round(all * 10) / 10} mL`, how: "drained" } satisfies Body<"strained">,
  });
  const made = reckonBatch(strained);
  if (!made.ok) throw new RefusedAlong({ ...made.faults[0]!, path: ["bottles"] });
  const { reckoning, program } = made.value;
  const verdict = upTo(issue(reckoning.verdict), s.on, lastDayOf(program));
  const own = s.bestBy === undefined ? null : { bestBy: s.bestBy, reason: ON_ITS_LABEL };
  return along(tx, BATCHES, {
    ...{ ...write, key: followingKey(key, "bottled"), type: "bottled", seen: strained.seq, field: "bottles" },
    body: { bottles: numbered(bottlesOf(s), []), verdict, own } satisfies Body<"bottled">,
  });
}

const bottlesOf = (s: Standing): Body<"bottled">["bottles"] =>
  s.bottles.map((b) => {
    const v = VESSELS.get(b.vessel);
    return { ...b, name: v ? `${v.size} ${v.sort}` : b.vessel };
  });

/** The first of the bottles stands open. */
async function openedAlready(tx: Tx, batch: Batch, { key, standing: s }: StandRequest): Promise<void> {
  const filled = filledOf(batch)[0];
  if (s.opened === undefined || !filled) return;
  await along(tx, streamOf(batch, filled), {
    ...{ streamId: filled.id, key: followingKey(key, "opened"), type: "opened", body: {} },
    ...{ on: s.opened, seen: 0, field: "opened" },
  });
}

/**
 * Writes down a jar at work or bottles that stood already: one beginning on the day it was, and of bottles what became of it, all or nothing. The
 * promise is made on what is known, at the careful end of what is not; a day its own label says stands as that label's.
 */
export function stand(sql: Sql, r: StandRequest): Promise<Written> {
  const { standing: s, key } = r;
  return append(
    sql,
    { streamId: r.id, key, type: "begun", body: { standing: s }, on: s.on },
    async (tx, _batch, day) => {
      const not = unlike(s);
      if (not) return not;
      const { catalogue } = await stores(tx);
      const plan = planOfStanding(s, (await household(tx)).units, catalogue);
      const made = await beginning(tx, plan, { reasons: {}, day, stood: true });
      if (isFault(made)) return made;
      const code = await nextCode(tx, KIND[s.kind].code, Number(day.slice(0, 4)));
      return { code, ...made, stood: s.from } satisfies Body<"begun">;
    },
    async (tx, begun) => {
      await follow(tx, begun, key);
      const batch = s.as === "bottles" ? await bottledAlready(tx, begun, r) : begun;
      await openedAlready(tx, batch, r);
      if (s.note)
        await along(tx, BATCHES, {
          ...{ streamId: r.id, key: followingKey(key, "noted"), type: "noted", on: s.on, seen: batch.seq },
          ...{ body: { text: s.note }, field: "note" },
        });
    },
  );
}
