import type { LaidDown } from "@/core/cellar/by-course";
import { type Course, weeklyMl } from "@/core/cellar/course";
import { type HouseCourse, laidDown, lastDayOfCourse } from "@/core/cellar/house-course";
import { storedItems } from "@/store/stores";
import { type Supply, startBy, supplyOf } from "@/core/cellar/supply";
import type { Away } from "@/core/care/weeks";
import { type Day, addDays } from "@/core/day";
import { reckonBatch } from "@/core/journal/reckon";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { type Remedy, bottlesOfRemedy, remedies } from "@/store/shelf";
import type { Lasts } from "@/ui/cellar/lasts";

/** Farther ahead than this nobody plans the next one. */
const PLANNED_AHEAD = 240;

/**
 * Days from beginning one like it to having it: to the best of its straining days; one that is made in an afternoon takes none.
 * Nothing where the batch does not reckon: then it is not known, and no day to start by is said.
 */
async function daysToReady(batchId: string): Promise<number | undefined> {
  const batch = await batchOf(db(), batchId);
  const r = batch && reckonBatch(batch);
  return r?.ok ? (r.value.care.window?.best ?? 0) : undefined;
}

async function nextOf(supply: Supply, newest: string, today: Day): Promise<Lasts["next"]> {
  if (!supply.out || supply.out.early > addDays(today, PLANNED_AHEAD)) return undefined;
  const days = await daysToReady(newest);
  return days === undefined
    ? undefined
    : {
        days,
        by: startBy(supply.out.early, days),
        sure: supply.counted === true,
      };
}

/** One course for each who takes one: whoever begins another bottle goes on with the last that was laid down. */
const eachOnce = (courses: readonly Course[]): Course[] => [
  ...new Map(courses.map((c) => [c.for ?? "", c])).values(),
];

/** What is laid down of a remedy: in a bottle of it, and for the household over all of them. */
interface LaidDownOf {
  readonly remedy: Remedy;
  readonly ours: readonly HouseCourse[];
}

async function lastsOf(
  { remedy: r, ours }: LaidDownOf,
  today: Day,
  away: readonly Away[],
): Promise<Lasts | undefined> {
  const bottles = await bottlesOfRemedy(db(), r, today);
  const courses: readonly LaidDown[] = [...eachOnce(r.courses ?? []), ...ours.flatMap(laidDown)];
  const supply = supplyOf(bottles, today, {
    courseMl: courses.length > 0 ? courses.reduce((ml, c) => ml + weeklyMl(c), 0) : undefined,
    courses,
    away,
  });
  const next = supply && (await nextOf(supply, r.newest, today));
  return supply && { name: r.name, kind: r.kind, newest: r.newest, supply, next };
}

/**
 * What was told of each remedy last, and of what: two years of spoonfuls are gone through again only where one was taken since.
 * Every page of the shelf and the cellar asks.
 */
let told: ReadonlyMap<string, { readonly of: string; readonly lasts: Lasts | undefined }> = new Map();

/** How long each remedy lasts that is used, soonest to run out first. */
export async function supplies(today: Day, away: readonly Away[]): Promise<Lasts[]> {
  const [remediesHere, items] = await Promise.all([remedies(db(), today), storedItems(db())]);
  const laid = items.flatMap((s) => (s.item.what === "course" ? [s.item] : []));
  const all = await Promise.all(
    remediesHere.map(async (r) => {
      const key = `${r.kind} ${r.name.toLowerCase()}`;
      const ours = laid.filter((c) => c.kind === r.kind && c.remedy.toLowerCase() === r.name.toLowerCase());
      const going = ours.filter((c) => (lastDayOfCourse(c) ?? today) >= today);
      const of = JSON.stringify([r, today, away, going]);
      const before = told.get(key);
      const lasts = before?.of === of ? before.lasts : await lastsOf({ remedy: r, ours: going }, today, away);
      return [key, { of, lasts }] as const;
    }),
  );
  told = new Map(all);
  const soonest = (l: Lasts): Day => l.supply.out?.early ?? "9999-12-31";
  return all.flatMap(([, { lasts }]) => lasts ?? []).sort((a, b) => (soonest(a) < soonest(b) ? -1 : 1));
}
