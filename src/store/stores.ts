import { whoAsks } from "./asking";
import { z } from "zod";
import { dayAt } from "../core/day";
import { type Fault, fault, faultOfIssue } from "../core/fault";
import {
  STORE_ENTRIES,
  type StoreEvent,
  type Stored,
  foldStored,
  mayFollowStored,
  readStoreBody,
  type StoreEventType,
  STORE_BODIES,
} from "../core/stores/events";
import { MATERIALS } from "../core/material/catalogue";
import type { PlantRow } from "../core/material/rows";
import { StoreItem, soundItem } from "../core/stores/item";
import { type Stores, gramsOf, storesOf } from "../core/stores/stores";
import { type Person, bornInFuture } from "../core/people/person";
import { heapOf } from "../core/stores/own";
import { VESSELS } from "../core/vessel/catalogue";
import { vesselOf } from "../core/vessel/vessel";
import { type Kept, learnedOf } from "../core/stores/cloth";
import { type Refused, type Stream, type Written, appendWithin } from "./append";
import { now } from "./clock";
import { courseFault } from "./courses";
import type { Sql, Tx } from "./db";
import { household } from "./household";
import { projectStored } from "./projection";

const itemOf = (body: unknown): StoreItem | undefined => (body as { item?: StoreItem } | undefined)?.item;

export const STORED: Stream<Stored, StoreEvent> = {
  kind: "store",
  entries: STORE_ENTRIES,
  begins: "kept",
  readBody: readStoreBody,
  fold: foldStored,
  mayFollow: (s, type, body) => mayFollowStored(s, type as StoreEventType, itemOf(body)),
  project: projectStored,
  called: (s) => (s.item.what === "person" ? s.item.name : "It"),
};

interface ItemRow {
  readonly id: string;
  readonly item: unknown;
  readonly left_g: number;
  readonly bought_g: number;
  readonly gone: boolean;
  readonly seq: number;
}
const stored = (r: ItemRow): Stored => ({
  id: r.id,
  item: StoreItem.parse(soundItem(r.item)),
  leftG: r.left_g,
  boughtG: r.bought_g,
  gone: r.gone,
  seq: r.seq,
});

/** Everything in the stores that is not put away, as it stands now. */
export async function storedItems(sql: Sql | Tx): Promise<Stored[]> {
  const kept = (
    await sql<
      ItemRow[]
    >`select id, item, left_g, bought_g, gone, seq from store_item where not gone order by what, id`
  ).map(stored);
  return [...kept, ...(await learnedItems(sql, kept))];
}

/** What stands in the stores, and these things of it, put away or not. */
export const itemsWith = async (tx: Tx, ids: readonly string[]): Promise<Stored[]> =>
  (
    await tx<ItemRow[]>`
      select id, item, left_g, bought_g, gone, seq from store_item where not gone or id = any(${ids}::uuid[]) order by what, id`
  ).map(stored);

/** What the household's cloths taught, as things of the stores that nobody keeps; from the day it wants them learned from. */
async function learnedItems(sql: Sql | Tx, kept: readonly Stored[]): Promise<Stored[]> {
  const since = kept
    .flatMap((s) => (s.item.what === "cloth" ? [s.item.since] : []))
    .sort()
    .at(-1);
  const rows = await sql<Kept[]>`
    select class, how, count(*)::int as batches, sum(share) as sum, sum(share * share) as squares from kept_back
    where day >= coalesce(${since ?? null}::date, '-infinity'::date) group by class, how order by class, how`;
  return rows.map((k) => {
    const { share, batches } = learnedOf(k);
    const item = {
      ...{ what: "learned" as const, class: k.class, how: k.how, batches },
      ...{ share: share.value, spread: (share.high - share.low) / 2 / share.value },
    };
    return { id: `learned-${k.class}-${k.how}`, item, leftG: 0, boughtG: 0, gone: false, seq: 0 };
  });
}

export const stores = async (sql: Sql | Tx): Promise<Stores> => storesOf(await storedItems(sql));

/** What the store pages send: a thing stated anew, or put away. The grams of a lot are reckoned here from what was typed. */
export const StoreRequest = z.strictObject({
  id: z.uuid(),
  key: z.uuid(),
  seen: z.number().int().min(1).optional(),
  /** `corrected` takes an entry back: what was put away by a slip is there again. */
  type: z.enum(["kept", "gone", "corrected"]),
  body: z.unknown(),
});
export type StoreRequest = z.infer<typeof StoreRequest>;

/** A lot as it is typed has no grams yet. */
const Typed = z.looseObject({ item: z.looseObject({ what: z.string() }) });

/** What is reckoned here rather than believed: the grams of a lot, the heap of a weighed cup. */
const RECKONED: Readonly<Record<string, object>> = { lot: { grams: 1 }, weighed: { heap: 1 } };

async function complete(tx: Tx, r: StoreRequest): Promise<unknown | Fault> {
  if (r.type === "gone") {
    const b = STORE_BODIES.gone.safeParse(r.body);
    return b.success ? b.data : fault("NotAnEntry", "Say why in a few words.", ["why"]);
  }
  if (r.type === "corrected") {
    const b = STORE_BODIES.corrected.safeParse(r.body);
    return b.success && b.data.body === null
      ? b.data
      : fault("NotAnEntry", "Say which entry did not happen; what is so is said by keeping it anew.", [
          "seq",
        ]);
  }
  const typed = Typed.safeParse(r.body);
  if (!typed.success) return fault("NotAnEntry", "Say what is to be kept.", []);
  const item = StoreItem.safeParse({ ...typed.data.item, ...RECKONED[typed.data.item.what] });
  if (!item.success) {
    return faultOfIssue("NotAnItem", item.error.issues[0]!);
  }
  const kept = await completeItem(tx, item.data, r.id);
  return "message" in kept ? kept : { item: kept };
}

async function completeItem(tx: Tx, kept: StoreItem, id: string): Promise<StoreItem | Fault> {
  switch (kept.what) {
    case "lot": {
      const { units, zone } = await household(tx);
      if (kept.got > dayAt(now(), zone))
        return fault("InTheFuture", "It has not been got yet. Give the day it came into the house.", ["got"]);
      const g = gramsOf(kept, units, (await stores(tx)).catalogue);
      return g.ok ? { ...kept, grams: g.value } : g.faults[0]!;
    }
    case "weighed": {
      const heap = heapOf(kept, (await household(tx)).units);
      return heap.ok ? { ...kept, heap: heap.value } : heap.faults[0]!;
    }
    case "empties":
      return VESSELS.has(kept.vessel)
        ? kept
        : fault("UnknownVessel", "There is no such bottle in the list.", ["vessel"]);
    case "vessel":
      return vesselFault(kept.vessel) ?? kept;
    case "person":
      return (await unborn(tx, kept)) ?? (await nameTaken(tx, kept.name, id)) ?? kept;
    case "course": {
      const { units, zone } = await household(tx);
      const { people } = await stores(tx);
      return (await courseFault(tx, kept, { people, units, today: dayAt(now(), zone) })) ?? kept;
    }
    case "wanted":
      return kept.material === undefined && !kept.words
        ? fault("NotAnItem", "Say what is wanted.", ["words"])
        : kept;
    case "cloth":
    case "shop":
      return kept;
    case "learned":
      return fault(
        "NotAnItem",
        "What the cloths teach is reckoned from the strainings; it is not written down.",
        ["what"],
      );
    case "material":
      return (
        (await knownAlready(tx, kept.row.names[0]!, kept.row.id, id)) ??
        (await notABlend(tx, kept.row)) ??
        kept
      );
  }
}

function vesselFault(vessel: Extract<StoreItem, { what: "vessel" }>["vessel"]): Fault | undefined {
  if (typeof vessel === "string")
    return VESSELS.has(vessel)
      ? undefined
      : fault("UnknownVessel", "There is no such vessel. Choose one from the list, or measure your own.", [
          "vessel",
        ]);
  const made = vesselOf(vessel);
  return made.ok ? undefined : made.faults[0]!;
}

async function unborn(tx: Tx, person: Person): Promise<Fault | undefined> {
  const today = dayAt(now(), (await household(tx)).zone);
  return bornInFuture(person, today)
    ? fault("NotYet", "That month has not come yet. Write the month born like 2026-03, or leave it empty.", [
        "born",
      ])
    : undefined;
}

async function nameTaken(tx: Tx, name: string, id: string): Promise<Fault | undefined> {
  const [same] = await tx<
    { id: string }[]
  >`select id from store_item where what = 'person' and not gone and lower(item->>'name') = lower(${name}) and id <> ${id}`;
  if (!same) return undefined;
  const message = `There is a ${name} already. Two people want two names, so that a remedy is meant for the right one.`;
  return fault("NameTaken", message, ["name"]);
}

/** What a plant of one’s own is made of: parts that are known here, that make one together, and never itself. */
async function notABlend(tx: Tx, { id, holds }: PlantRow): Promise<Fault | undefined> {
  if (!holds?.length) return undefined;
  const { catalogue } = await stores(tx);
  const at = ["row", "holds"];
  if (holds.some((h) => h.material === id))
    return fault("HoldsItself", "A blend cannot be a part of itself.", at);
  if (holds.some((h) => catalogue.get(h.material)?.kind !== "plant"))
    return fault("NotAPlant", "Every part of a blend is a plant that is known here.", at);
  const all = holds.reduce((s, h) => s + h.share, 0);
  return Math.abs(all - 1) > 0.02
    ? fault("NotAHundred", "The parts of a blend make the whole of it.", at)
    : undefined;
}

async function knownAlready(tx: Tx, name: string, material: string, id: string): Promise<Fault | undefined> {
  const [same] = await tx<
    { id: string }[]
  >`select id from store_item where what = 'material' and not gone and item->'row'->>'id' = ${material} and id <> ${id}`;
  return same || MATERIALS.has(material)
    ? fault("KnownAlready", `${name} is written down already.`, ["name"])
    : undefined;
}

/**
 * Counts, lots and names of the stores are taken by one writer at a time, so that no two take the same grams, bottles or name.
 * Held to the end of the transaction; taken after the lock of a batch, before that of a thing in the stores.
 */
export const oneAtATime = async (tx: Tx): Promise<void> =>
  void (await tx`select pg_advisory_xact_lock(416, 2)`);

/** Whether a write says something of a person, by what it says or by whom it is of. */
async function isOfPerson(sql: Sql, r: StoreRequest): Promise<boolean> {
  const said = Typed.safeParse(r.body);
  if (said.success && said.data.item.what === "person") return true;
  const [row] = await sql`select 1 from store_item where id = ${r.id} and what = 'person'`;
  return row !== undefined;
}
const KEEPERS = fault(
  "KeepersOnly",
  "Who lives here is a keeper’s to write down. Ask on the house’s own machine.",
);

/** Keeps or puts away one thing. */
export async function keep(sql: Sql, r: StoreRequest): Promise<Written<Stored> | Refused<Stored>> {
  if (whoAsks().role !== "keeper" && (await isOfPerson(sql, r)))
    return { ok: false, status: 422, fault: KEEPERS };
  return (await sql.begin(async (tx) => {
    await oneAtATime(tx);
    const write = { streamId: r.id, key: r.key, type: r.type, body: r.body, seen: r.seen };
    return appendWithin(tx, STORED, write, (t) => complete(t, r));
  })) as Written<Stored> | Refused<Stored>;
}
