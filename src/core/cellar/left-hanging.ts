import { ml } from "../quantity/carried";
import { printDay } from "../day";
import { type Fault, fault } from "../fault";
import type { Bottle } from "../journal/events";
import type { BottleEntry, BottleEventType, BottleNow, Filled } from "./bottle";
import { canPour } from "./pours";

/** What befell a bottle, as it is said where that stands in the way. */
function befell({ type, body, day }: BottleEntry): string {
  const { to, into } = body as { to?: string; into?: string };
  return `was ${verb(type, to, into)} on ${printDay(day, "year")}`;
}
function verb(type: BottleEventType, to: string | undefined, into: string | undefined): string {
  switch (type) {
    case "given":
      return to ? `given to ${to}` : "given away";
    case "poured":
      return into ? `poured into ${into}` : "poured from";
    case "coursed":
      return "laid down for a course";
    case "inspected":
      return "looked at";
    case "discarded":
      return "thrown out";
    case "opened":
    case "moved":
    case "emptied":
    case "corrected":
      return type;
  }
}

/** What stands in a bottle's journal and was not taken back. */
const standing = (b: BottleNow): readonly BottleEntry[] => b.diary.filter((e) => !e.undone);

/**
 * What a bottling put right would leave hanging: a bottle that would never have been filled and was poured from or given, or one that would have
 * held less than came out of it. Says what could be put right first.
 * @param code of the batch
 * @param bottles as they are filled now and as their own journals say they are
 * @param put the bottles as they would be filled then; none where that did not happen
 */
export function leftHanging(
  code: string,
  bottles: readonly BottleNow[],
  put: readonly (Pick<Bottle, "id" | "ml"> & Partial<Pick<Filled, "filled">>)[],
): Fault | undefined {
  const is = new Map(put.map((b) => [b.id, b]));
  for (const b of bottles) {
    const [first] = standing(b);
    const after = is.get(b.id);
    if (!first) continue;
    if (!after)
      return fault(
        "LeftHanging",
        `Bottle ${code}·${b.number} ${befell(first)}. Take that back in the Cellar first, then it can come out of the bottling.`,
        ["bottles"],
      );
    if (after.filled !== undefined && first.day < after.filled)
      return fault(
        "OutOfOrder",
        `Bottle ${code}·${b.number} ${befell(first)}, so it was filled by then. Give a day up to that, or take that back in the Cellar first.`,
        ["on"],
      );
    const out = standing(b).reduce(
      (sum, e) => sum + (e.type === "poured" ? (e.body as { ml: number }).ml : 0),
      0,
    );
    if (!canPour(out, after.ml))
      return fault(
        "LeftHanging",
        `${ml(out)} came out of ${code}·${b.number} already, so it cannot have held ${ml(after.ml)}.`,
        ["bottles", put.indexOf(after)],
      );
  }
  return undefined;
}
