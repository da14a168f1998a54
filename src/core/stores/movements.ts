import type { Day } from "../day";
import type { Bottle } from "../journal/events";
import type { Program } from "../reckoning/program";
import { allot } from "./allot";
import type { Stored } from "./events";
import type { LotOnHand } from "./stores";

/** What a batch holds of one thing in the stores: g of a lot, empty bottles filled. */
export interface FromStores {
  readonly id: string;
  readonly grams: number;
  readonly count: number;
}
/** What is to be written of a thing in the stores, so that it follows what a batch says. */
export type Movement =
  | { readonly id: string; readonly type: "drawn" | "returned"; readonly body: { readonly grams: number } }
  | { readonly id: string; readonly type: "filled" | "emptied"; readonly body: { readonly count: number } };

/** Less than this either way is the scale's doing, g. */
const NEXT_TO_NOTHING = 0.01;

const asLot = (s: Stored, leftG: number, id = s.id): LotOnHand[] =>
  s.item.what === "lot" && leftG > 0 ? [{ ...s.item, id, leftG }] : [];
const oldestFirst = (a: LotOnHand, b: LotOnHand): number =>
  a.got.localeCompare(b.got) || a.id.localeCompare(b.id);

/** Whether a lot can give on a day: it is not put away, and was in the house by then. */
const isThere = ({ gone, item }: Stored, day: Day): boolean =>
  !gone && item.what === "lot" && item.got <= day;

/** How a lot is called that a batch has drawn from already, so far as it did. */
const STANDS = "stands-";
const lotOf = (id: string): string => (id.startsWith(STANDS) ? id.slice(STANDS.length) : id);

/**
 * g that a making takes of each lot. What was drawn already stays drawn as far as it is still wanted; the rest comes from the oldest. What no lot
 * has left, of a line that names its lot, came from that one all the same.
 */
function gramsWanted(
  p: Program,
  items: readonly Stored[],
  held: ReadonlyMap<string, FromStores>,
  today: Day,
): Map<string, number> {
  const standing = items
    .flatMap((s) => asLot(s, held.get(s.id)?.grams ?? 0, STANDS + s.id))
    .sort(oldestFirst);
  const free = items.flatMap((s) => (isThere(s, today) ? asLot(s, s.leftG) : [])).sort(oldestFirst);
  const lots = new Set(items.flatMap((s) => (s.item.what === "lot" ? [s.id] : [])));
  const wanted = new Map<string, number>();
  const put = (id: string, grams: number): void => void wanted.set(id, (wanted.get(id) ?? 0) + grams);
  for (const { line, takes, lackG } of allot(p, [...standing, ...free])) {
    for (const t of takes) put(lotOf(t.lot.id), t.grams);
    const { from } = line.line;
    if (lackG > 0 && from && "lot" in from && lots.has(from.lot)) put(from.lot, lackG);
  }
  return wanted;
}

/** Empty bottles that a bottling takes of each heap: those it took already first, then those there are. */
function emptiesWanted(
  bottles: readonly Bottle[],
  items: readonly Stored[],
  held: ReadonlyMap<string, FromStores>,
): Map<string, number> {
  const left = new Map<string, number>();
  for (const b of bottles) if (!b.same) left.set(b.vessel, (left.get(b.vessel) ?? 0) + 1);
  const wanted = new Map<string, number>();
  const take = (s: Stored, there: number): void => {
    if (s.item.what !== "empties") return;
    const count = Math.min(left.get(s.item.vessel) ?? 0, there);
    left.set(s.item.vessel, (left.get(s.item.vessel) ?? 0) - count);
    wanted.set(s.id, (wanted.get(s.id) ?? 0) + count);
  };
  for (const s of items) take(s, held.get(s.id)?.count ?? 0);
  for (const s of items) if (!s.gone && s.item.what === "empties") take(s, s.item.count);
  return wanted;
}

/** The stores as a batch finds them. */
export interface Around {
  /** What the batch filled. */
  readonly bottles: readonly Bottle[];
  /** What stands in the stores, and whatever the batch holds of, put away or not. */
  readonly items: readonly Stored[];
  readonly holds: readonly FromStores[];
  /** The day of what is written: a lot got after it gave nothing to it. */
  readonly today: Day;
}

/**
 * What makes the stores follow a batch: the difference between what it takes and what it holds of them, thing by thing. Written again it is nothing.
 * @param program what the batch was really made of; nothing where it never began
 * @returns in one order, so that two batches written at once cannot wait for each other
 */
export function movementsOf(
  program: Program | undefined,
  { bottles, items, holds, today }: Around,
): Movement[] {
  const held = new Map(holds.map((h) => [h.id, h]));
  const grams = program ? gramsWanted(program, items, held, today) : new Map<string, number>();
  const counts = emptiesWanted(program ? bottles : [], items, held);
  const ids = [...new Set([...held.keys(), ...grams.keys(), ...counts.keys()])].sort();
  return ids.flatMap((id): Movement[] => {
    const more = (grams.get(id) ?? 0) - (held.get(id)?.grams ?? 0);
    const bottlesMore = (counts.get(id) ?? 0) - (held.get(id)?.count ?? 0);
    if (more > NEXT_TO_NOTHING) return [{ id, type: "drawn", body: { grams: more } }];
    if (more < -NEXT_TO_NOTHING) return [{ id, type: "returned", body: { grams: -more } }];
    if (bottlesMore > 0) return [{ id, type: "filled", body: { count: bottlesMore } }];
    return bottlesMore < 0 ? [{ id, type: "emptied", body: { count: -bottlesMore } }] : [];
  });
}
