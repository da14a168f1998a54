import { counted } from "../quantity/amount";
import type { CountUnit, UnitSystem } from "../quantity/units";
import { nameWord } from "./names";
import { andShare } from "./numbers";
import type { About, Scan } from "./scanned";
import type { Token } from "./tokens";
import { unitWord, writtenCount } from "./unit-words";

/** “an onion and a half”: the last count and a share more; the token after it. */
export function halfMore(scan: Scan, t: readonly Token[], i: number): number | undefined {
  const last = scan.amounts.at(-1);
  const more = andShare(t, i);
  if (!more || last?.q.is !== "amount" || last.q.amount.kind !== "count") return undefined;
  const { count, unit } = last.q.amount;
  const amount = counted(unit, {
    low: count.low + more.add,
    value: count.value + more.add,
    high: count.high + more.add,
  });
  scan.amounts[scan.amounts.length - 1] = { ...last, q: { ...last.q, amount } };
  return more.next;
}

/** What a count’s unit behind the name comes to: it is said of the last number, stands alone for one, or waits for its number. */
export type Behind =
  { readonly said: true } | { readonly alone: CountUnit } | { readonly waits: CountUnit } | undefined;

/** “3 rosemary sprigs”, “1 cinnamon stick”, “cinnamon stick”, “garlic cloves, 10”: the count’s unit stands behind the name. */
export function piecesBehind(scan: Scan, low: string, about: About, system: UnitSystem): Behind {
  const u = unitWord(low, low, system);
  if (!u || !("count" in u) || !about.pieces.includes(u.count)) return undefined;
  const last = scan.amounts.at(-1);
  const a = last?.q.is === "amount" ? last.q.amount : undefined;
  const isOnePart = about.parts.includes(nameWord(low));
  if (last && a?.kind === "count" && a.unit === "piece") {
    const { count, size, hedge } = a;
    const amount = counted(u.count, count, { ...(size ? { size } : {}), ...(hedge ? { hedge } : {}) });
    scan.amounts[scan.amounts.length - 1] = { ...last, q: { ...last.q, amount } as typeof last.q };
    return { said: true };
  }
  if (a?.kind === "count" && a.unit === "handful" && u.count === "sprig") {
    // What is gathered by the sprig is fresh.
    scan.worked = true;
    return { said: true };
  }
  if (a && !isOnePart) {
    // “1 head garlic, cloves peeled”, “½ cup garlic cloves”: what it comes apart into. “3 1-inch slices” says no more than its length.
    if (a.kind !== "measure" || a.dimension !== "length") scan.notes.push(low);
    return { said: true };
  }
  if (last) return undefined;
  if (low === writtenCount(u.count, false)) return { alone: u.count };
  // “chamomile flowers” are chamomile, whole.
  return isOnePart ? undefined : { waits: u.count };
}
