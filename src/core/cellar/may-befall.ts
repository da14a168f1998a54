import type { PlaceClass } from "../journal/events";
import type { BottleBody, BottleEventType, BottleNow, BottleState } from "./bottle";

const GONE: Readonly<Record<Exclude<BottleState, "kept">, string>> = {
  given: "This bottle was given away.",
  emptied: "This bottle is empty.",
  discarded: "This bottle was thrown out.",
};

/** Whether an event may follow; the message says what would be right. */
export function mayFollowBottle(b: BottleNow, type: BottleEventType, body: unknown): string | undefined {
  if (type === "corrected") return undefined;
  if (b.state !== "kept") return `${GONE[b.state]} If that is wrong, take the entry back first.`;
  switch (type) {
    case "opened":
      return b.openedDay ? "It is open already." : undefined;
    case "poured":
      return b.place === "freezer" ? "It is frozen. Thaw it in the fridge first." : undefined;
    case "moved":
      return mayMove(b, (body as BottleBody<"moved">).place);
    case "coursed":
    case "inspected":
    case "given":
    case "emptied":
    case "discarded":
      return undefined;
  }
}

function mayMove(b: BottleNow, to: PlaceClass): string | undefined {
  if (to === "freezer" && b.place !== "freezer" && b.stood.some((s) => s.place === "freezer"))
    return "It was frozen and thawed once. It is not frozen again.";
  if (b.place === "freezer" && to !== "fridge" && to !== "freezer")
    return "What was frozen thaws in the fridge, and stays there.";
  return undefined;
}
