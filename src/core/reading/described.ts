import type { Hedge, Packing, Size } from "../quantity/amount";
import { sensesOf } from "./lexicon";
import type { Cursor } from "./quantity";
import type { Token } from "./tokens";

/** How it lies in the cup, said at a token: “packed”, “loosely packed”, “well-packed”, “lightly filled”. */
export function packingAt(
  t: readonly Token[],
  i: number,
): { readonly packing: Packing; readonly next: number } | undefined {
  const { packs, packing } = sensesOf(t[i]?.low ?? "");
  if (packs) {
    const k = t[i + 1]?.low === "-" ? i + 2 : i + 1;
    const low = t[k]?.low ?? "";
    if (sensesOf(low).packing || low === "filled" || low === "pressed")
      return { packing: packs, next: k + 1 };
  }
  return packing && { packing, next: i + 1 };
}

export interface Described {
  hedge?: Hedge;
  size?: Size;
  packing?: Packing;
  next: number;
}

/** Words of size and packing between a number and its unit: “3 heaping”, “a good”, “1 large”, “2 loosely packed”. */
export function describedAt(c: Cursor, i: number): Described {
  const found: Described = { next: i };
  for (;;) {
    const t = c.tokens[found.next];
    if (!t || c.named(found.next)) return found;
    const packing = packingAt(c.tokens, found.next);
    const is = sensesOf(t.low);
    if (packing) {
      found.packing = packing.packing;
      found.next = packing.next;
    } else if (is.hedge || is.size || is.plainSize) {
      // “a little honey” is no small one.
      if (is.vague && c.tokens[found.next + 1] && c.named(found.next + 1)) return found;
      if (is.hedge) found.hedge = is.hedge;
      if (is.size) found.size = is.size;
      found.next++;
      if (c.tokens[found.next]?.low === "." && c.tokens[found.next]!.glued) found.next++;
    } else return found;
  }
}

export const howSaid = (d: {
  hedge?: Hedge | undefined;
  size?: Size | undefined;
  packing?: Packing | undefined;
}) => ({
  ...(d.hedge ? { hedge: d.hedge } : {}),
  ...(d.packing ? { packing: d.packing } : {}),
});
