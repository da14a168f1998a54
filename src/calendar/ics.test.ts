import { convertIcsCalendar } from "ts-ics";
import { addDays, dayAt } from "../core/day";
import { calendarFile } from "./ics";
import type { CalendarItem } from "./item";

const item = (n: number, more: Partial<CalendarItem> = {}): CalendarItem => ({
  uid: `care-${n}@lock`,
  sequence: n,
  modified: "2026-11-24T09:00:00Z",
  summary: `Shake OX-26-${n}`,
  details: "So that nothing settles dry; look, then top up.",
  when: { what: "days", from: "2026-11-24", to: "2026-11-26" },
  ...more,
});
const back = (items: readonly CalendarItem[], zone: string) =>
  convertIcsCalendar(undefined, calendarFile(items, "Lock Cottage", zone));

/** When a zone's clock shows a time on a day, by the platform's own tables. */
function shows(at: Date, zone: string): string {
  const f = new Intl.DateTimeFormat("sv-SE", { timeZone: zone, dateStyle: "short", timeStyle: "short" });
  return f.format(at);
}

test.each(["Asia/Calcutta", "US/Eastern", "Europe/Kiev"])(
  "a zone by an older name, %s, is one zone throughout the file",
  (zone) => {
    const series = item(3, {
      when: {
        what: "series",
        from: "2026-11-24",
        at: "07:30",
        everyDays: 1,
        until: "2026-11-30",
        except: [],
      },
    });
    const file = calendarFile([series], "Lock Cottage", zone);
    const names = [...file.matchAll(/TZID[=:]([^:;\r\n]+)/g)].map((m) => m[1]);
    expect(names.length).toBeGreaterThan(1);
    expect([...new Set(names)]).toEqual([zone]);
  },
);

test("all-day windows come back as their days, the last one in", () => {
  const [e] = back([item(1)], "Europe/London").events!;
  expect(e!.start.type).toBe("DATE");
  expect(dayAt(e!.start.date.toISOString(), "UTC")).toBe("2026-11-24");
  expect(dayAt(e!.end!.date.toISOString(), "UTC")).toBe("2026-11-27");
});

// Both changes of the clock of each; Kathmandu has none, and a quarter of an hour.
test.each([
  ["Europe/London", "2026-03-20"],
  ["Europe/London", "2026-10-18"],
  ["Pacific/Auckland", "2026-03-28"],
  ["Pacific/Auckland", "2026-09-20"],
  ["America/Los_Angeles", "2026-03-01"],
  ["America/Los_Angeles", "2026-10-25"],
  ["Asia/Kathmandu", "2026-10-25"],
])("a daily touch in %s from %s stays at half past seven through the change", (zone, from) => {
  const series = item(2, {
    when: {
      what: "series",
      from,
      at: "07:30",
      everyDays: 1,
      until: addDays(from, 20),
      except: [addDays(from, 2)],
    },
    alarm: 15,
  });
  const [e] = back([series], zone).events!;
  expect(shows(e!.start.date, zone)).toBe(`${from} 07:30`);
  expect(e!.recurrenceRule!.frequency).toBe("DAILY");
  expect(shows(e!.recurrenceRule!.until!.date, zone)).toBe(`${addDays(from, 20)} 07:30`);
  expect(e!.exceptionDates!.map((d) => shows(d.date, zone))).toEqual([`${addDays(from, 2)} 07:30`]);
  expect(e!.alarms![0]!.trigger.value).toMatchObject({ before: true, minutes: 15 });
  // The zone's own rules go with it, so that every day between is at the same time by the wall's clock.
  expect(e!.start.local!.timezone).toBe(zone);
});

test("what is written is read back without loss, letters that must be escaped and long lines too", () => {
  const words = `Strain; wring, twice\\ — “hyssop”\nnext ${"łąńźżő ".repeat(40)}`;
  const all = Array.from({ length: 50 }, (_, i) => item(i + 1, { summary: words, details: `${words}${i}` }));
  const file = calendarFile(all, "Lock Cottage", "Europe/London");
  const { events } = convertIcsCalendar(undefined, file);
  expect(events!.map((e) => [e.uid, e.sequence, e.summary, e.description])).toEqual(
    all.map((i) => [i.uid, i.sequence, i.summary, i.details]),
  );
  for (const line of file.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});

test("the same things give the same file to the byte; a change raises its sequence", () => {
  const a = calendarFile([item(1), item(2)], "Lock Cottage", "Europe/London");
  expect(calendarFile([item(1), item(2)], "Lock Cottage", "Europe/London")).toBe(a);
  const changed = back([item(1, { sequence: 9, modified: "2026-11-25T08:00:00Z" })], "Europe/London")
    .events![0]!;
  expect(changed.uid).toBe("care-1@lock");
  expect(changed.sequence).toBe(9);
  expect(changed.lastModified!.date.toISOString()).toBe("2026-11-25T08:00:00.000Z");
});

test("a zone nobody knows writes days all the same", () => {
  expect(calendarFile([item(1)], "Lock Cottage", "Mars/Canal")).toContain("BEGIN:VEVENT");
});
