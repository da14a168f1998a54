import ICAL from "ical.js";
import { tzlib_get_ical_block } from "timezones-ical-library";
import { type Day, addDays, instantOf } from "../core/day";
import type { CalendarItem } from "./item";

/*
 * A calendar file by RFC 5545. ical.js folds and escapes; the zone's own rules go with it, so that a reader that knows no zones is right too.
 */
const PRODUCT = "-//Jolly Crock//Care and dates//EN";
/** Minutes a touch of a jar takes in a calendar. */
const TOUCH_MINUTES = 10;

/** A line is at most 75 octets, the space it goes on with among them; the library counts without. */
ICAL.foldLength = 74;

/** Few days and instants are told again and again in a calendar; each is made once. They are never changed. */
const MOST_KEPT = 5000;
function once<T>(make: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>();
  return (text) => {
    const known = kept.get(text);
    if (known !== undefined) return known;
    if (kept.size > MOST_KEPT) kept.clear();
    const is = make(text);
    kept.set(text, is);
    return is;
  };
}
const utc = once((iso) => ICAL.Time.fromJSDate(new Date(iso), true));
const date = once((day) => ICAL.Time.fromDateString(day));
const localAt = once((text) => ICAL.Time.fromDateTimeString(text));
const local = (day: Day, at: string): ICAL.Time => localAt(`${day}T${at}:00`);
const instantAt = once((text) => {
  const [day, at, zone] = text.split(" ") as [string, string, string];
  return instantOf(day, at, zone);
});

/** The rules of a zone as its own component; nothing for a zone without any. */
function zoneOf(zone: string): ICAL.Component | undefined {
  const block = tzlib_get_ical_block(zone);
  const text = Array.isArray(block) ? block[0] : block;
  if (!text) return undefined;
  return new ICAL.Component(
    ICAL.parse(`BEGIN:VCALENDAR\r\n${text}\r\nEND:VCALENDAR`) as never,
  ).getFirstSubcomponent("vtimezone")!;
}

function timed(event: ICAL.Component, name: string, day: Day, at: string, zone: string): void {
  const p = new ICAL.Property(name);
  p.setParameter("tzid", zone);
  p.setValue(local(day, at));
  event.addProperty(p);
}

function whenOf(event: ICAL.Component, item: CalendarItem, zone: string): void {
  const { when } = item;
  if (when.what === "days") {
    event.addPropertyWithValue("dtstart", date(when.from));
    // The end of an all-day event is the day after its last.
    event.addPropertyWithValue("dtend", date(addDays(when.to, 1)));
    event.addPropertyWithValue("transp", "TRANSPARENT");
    return;
  }
  timed(event, "dtstart", when.from, when.at, zone);
  event.addPropertyWithValue("duration", ICAL.Duration.fromSeconds(TOUCH_MINUTES * 60));
  const until = utc(instantAt(`${when.until} ${when.at} ${zone}`));
  event.addPropertyWithValue(
    "rrule",
    new ICAL.Recur({ freq: "DAILY", interval: when.everyDays, until } as never),
  );
  for (const day of when.except) timed(event, "exdate", day, when.at, zone);
}

function alarmOf(item: CalendarItem): ICAL.Component | undefined {
  if (item.alarm === undefined) return undefined;
  const alarm = new ICAL.Component("valarm");
  alarm.addPropertyWithValue("action", "DISPLAY");
  alarm.addPropertyWithValue("description", item.summary);
  alarm.addPropertyWithValue("trigger", ICAL.Duration.fromSeconds(-60 * item.alarm));
  return alarm;
}

function eventOf(item: CalendarItem, zone: string): ICAL.Component {
  const event = new ICAL.Component("vevent");
  event.addPropertyWithValue("uid", item.uid);
  event.addPropertyWithValue("dtstamp", utc(item.modified));
  event.addPropertyWithValue("last-modified", utc(item.modified));
  event.addPropertyWithValue("sequence", item.sequence);
  event.addPropertyWithValue("summary", item.summary);
  if (item.details) event.addPropertyWithValue("description", item.details);
  whenOf(event, item, zone);
  const alarm = alarmOf(item);
  if (alarm) event.addSubcomponent(alarm);
  return event;
}

/**
 * All of them as one calendar file.
 * @param name what the calendar is called where it is read
 * @param zone the household's, like `Pacific/Auckland`
 */
export function calendarFile(items: readonly CalendarItem[], name: string, zone: string): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.addPropertyWithValue("version", "2.0");
  calendar.addPropertyWithValue("prodid", PRODUCT);
  calendar.addPropertyWithValue("calscale", "GREGORIAN");
  calendar.addPropertyWithValue("x-wr-calname", name);
  const rules = items.some((i) => i.when.what === "series") ? zoneOf(zone) : undefined;
  if (rules) calendar.addSubcomponent(rules);
  for (const item of items) calendar.addSubcomponent(eventOf(item, zone));
  return `${calendar.toString()}\r\n`;
}
