import { createHash } from "node:crypto";
import { calendarFile } from "@/calendar/ics";
import type { CalendarItem } from "@/calendar/item";
import { itemsOfBottles } from "@/calendar/of-bottles";
import { itemsOfJar } from "@/calendar/of-jars";
import { type Day, addDays, daysBetween } from "@/core/day";
import { strainTogether } from "@/core/care/weeks";
import { db } from "@/store/db";
import type { Household } from "@/store/household";
import { bottleDates, jars } from "@/store/shelf";
import { windowDays } from "@/ui/shelf/card";
import type { Lasts } from "@/ui/cellar/lasts";
import { type CourseNow, isOn } from "@/core/cellar/house-course";
import { coursesNow } from "@/store/courses";
import { storedItems } from "@/store/stores";
import { type PlannedStart, startsToBegin } from "./season/planned-starts";
import { supplies } from "./supplies";

/** A name as part of an id that never changes. */
const idOf = (name: string): string =>
  createHash("sha256").update(name.toLowerCase()).digest("hex").slice(0, 16);

const startBy = (l: Lasts, today: Day): CalendarItem[] =>
  l.next
    ? [
        {
          uid: `start-${idOf(l.name)}@jolly-crock`,
          sequence: Math.max(0, daysBetween("2026-01-01", today)),
          modified: `${today}T00:00:00.000Z`,
          summary: `Last day to start ${l.name}`,
          details: "Begun later, it may run out before the next is ready.",
          when: { what: "days", from: l.next.by, to: l.next.by },
        },
      ]
    : [];

/** A start of the kept plan, on its day. */
const toBegin = (s: PlannedStart, today: Day): CalendarItem => ({
  uid: `season-${s.id}-${idOf(s.wish)}@jolly-crock`,
  sequence: Math.max(0, daysBetween("2026-01-01", today)),
  modified: `${today}T00:00:00.000Z`,
  summary: `Begin ${s.remedy} in the ${s.called}`,
  details:
    s.strain > s.day ? `As planned it is strained on ${s.strain}.` : "As planned it is had the same day.",
  when: { what: "days", from: s.day, to: s.day },
});

/** A year ahead of today a course without an end is told; the calendar asks again long before. */
const TOLD_AHEAD = 366;

/** A course of the household: an item a day, at the house's morning. */
const takes = (
  { id, seq, course, stands }: CourseNow,
  today: Day,
  { morning, away }: Household,
): CalendarItem => {
  const until = stands.last ?? addDays(today, TOLD_AHEAD);
  const days = Math.max(0, daysBetween(course.from, until) + 1);
  const all = Array.from({ length: days }, (_, n) => addDays(course.from, n));
  const home = (day: Day): boolean => !away.some((a) => a.from <= day && day <= a.to);
  return {
    uid: `${id}-course@jolly-crock`,
    sequence: seq,
    modified: `${today}T00:00:00.000Z`,
    summary: `Take ${course.remedy}: ${course.takers.map((t) => `${t.who} ${t.said}`).join(", ")}`,
    details: course.times > 1 ? `${course.times} times a day.` : "",
    when: {
      ...{ what: "series", from: course.from, at: morning.at, everyDays: 1, until },
      except: all.filter((day) => !isOn(course, day) || !home(day)),
    },
  };
};

/** Everything with a date, as one calendar file. */
export async function calendarOf(home: Household, today: Day): Promise<string> {
  const [working, bottles, lasts, courses, planned] = await Promise.all([
    jars(db()),
    bottleDates(db()),
    supplies(today, home.away),
    storedItems(db()).then((items) => coursesNow(db(), items, { today, away: home.away })),
    startsToBegin(today),
  ]);
  const windows = working.flatMap(({ id, begunDay, care }) =>
    care.window ? [{ id, window: windowDays(begunDay, care.window) }] : [],
  );
  const plans = strainTogether(windows, home);
  const touches = working.flatMap((j) => itemsOfJar(j, plans.get(j.id), home.morning.at, home.away));
  const items = [
    ...touches,
    ...itemsOfBottles(bottles),
    ...lasts.flatMap((l) => startBy(l, today)),
    ...courses.map((c) => takes(c, today, home)),
    ...planned.map((s) => toBegin(s, today)),
  ];
  return calendarFile(items, home.name, home.zone);
}

export const ICS_HEADERS = {
  "content-type": "text/calendar; charset=utf-8",
  "cache-control": "no-cache",
} as const;
