import { addDays, type Day, printDay } from "@/core/day";
import type { KeptStart, Season } from "@/core/season/events";
import { openStarts } from "@/core/season/open-starts";
import { vesselWords } from "@/core/vessel/vessel";
import { db } from "@/store/db";
import { season } from "@/store/season";
import { batchesBegunSince } from "@/store/shelf";
import { stores } from "@/store/stores";

/** A start of the kept plan that is still to be begun, as other pages name it. */
export interface PlannedStart extends KeptStart {
  /** Its vessel, as it is called. */
  readonly called: string;
}

/** The kept plan's starts that are still to be begun, soonest first. */
export async function startsToBegin(today: Day, told?: Season): Promise<readonly PlannedStart[]> {
  const is = told ?? (await season(db()));
  if (!is.plan || is.plan.starts.length === 0) return [];
  const [begun, { vessels }] = await Promise.all([batchesBegunSince(db(), is.plan.on), stores(db())]);
  const kinds = new Map(is.wishes.map((w) => [w.id, w.kind]));
  return openStarts(is.plan, begun, today, (s) => kinds.get(s.wish)).map((s) => {
    const v = vessels.find((x) => x.id === s.vessel);
    return { ...s, called: v ? vesselWords(v.vessel) : "a vessel that is not there any more" };
  });
}

/** Those whose day comes within so many days, or is gone. */
export const within = (starts: readonly PlannedStart[], today: Day, days: number): readonly PlannedStart[] =>
  starts.filter((s) => s.day <= addDays(today, days));

/** “Begin hyssop oxymel in the 1 L by 12 December.” */
export const startWords = (s: PlannedStart, today: Day): string =>
  `${s.remedy}, in the ${s.called}: ${s.day < today ? "was to be begun" : "begin it"} by ${printDay(s.day, "long", today)}`;
