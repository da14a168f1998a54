import ICAL from "ical.js";
import { tzlib_get_ical_block } from "timezones-ical-library";
import { type Day, addDays, instantOf } from "../core/day";
import type { CalendarItem } from "./item";

/*
 * A calendar file by RFC 5545, made as jCal (RFC 7265) and written by ical.js, which folds and escapes; the zone's own rules go with it, so that a
 * reader that knows no zones is right too.
 */
const PRODUCT = "-//Jolly Crock//Care and dates//EN";
/** A touch of a jar takes ten minutes in a calendar. */
const A_TOUCH = "PT10M";

/** A line is at most 75 octets, the space it goes on with among them; the library counts without. */
ICAL.foldLength = 74;

type Property = readonly [
  name: string,
  parameters: Readonly<Record<string, string>>,
  type: string,
  value: unknown,
];
type Component = readonly [name: string, properties: readonly Property[], components: readonly Component[]];

const text = (name: string, value: string): Property => [name, {}, "text", value];
/** An instant, to the second, in UTC. */
const utc = (name: string, iso: string): Property => [
  name,
  {},
  "date-time",
  `${new Date(iso).toISOString().slice(0, 19)}Z`,
];
const onDay = (name: string, day: Day): Property => [name, {}, "date", day];
const local = (name: string, day: Day, at: string, zone: string): Property => [
  name,
  { tzid: zone },
  "date-time",
  `${day}T${at}:00`,
];

/** The last instants of series are few, and each is asked of the zone's rules once. */
const MOST_KEPT = 5000;
const instants = new Map<string, string>();
function untilOf(day: Day, at: string, zone: string): string {
  const key = `${day} ${at} ${zone}`;
  const known = instants.get(key);
  if (known !== undefined) return known;
  if (instants.size > MOST_KEPT) instants.clear();
  const is = `${new Date(instantOf(day, at, zone)).toISOString().slice(0, 19)}Z`;
  instants.set(key, is);
  return is;
}

/** The rules of a zone as its own component; nothing for a zone without any. */
function zoneOf(zone: string): readonly Component[] {
  const block = tzlib_get_ical_block(zone);
  const rules = Array.isArray(block) ? block[0] : block;
  if (!rules) return [];
  const parsed = ICAL.parse(`BEGIN:VCALENDAR\r\n${rules}\r\nEND:VCALENDAR`) as unknown as Component;
  // A zone known by an older name comes with its newer one: it is called here as the events call it.
  return parsed[2]
    .filter(([name]) => name === "vtimezone")
    .map(([name, props, inner]): Component => [
      name,
      props.map((p): Property => (p[0] === "tzid" ? [p[0], p[1], p[2], zone] : p)),
      inner,
    ]);
}

function whenOf({ when }: CalendarItem, zone: string): Property[] {
  if (when.what === "days")
    return [
      onDay("dtstart", when.from),
      // The end of an all-day event is the day after its last.
      onDay("dtend", addDays(when.to, 1)),
      text("transp", "TRANSPARENT"),
    ];
  const every = when.everyDays === 1 ? {} : { interval: when.everyDays };
  const rule = { freq: "DAILY", ...every, until: untilOf(when.until, when.at, zone) };
  return [
    local("dtstart", when.from, when.at, zone),
    ["duration", {}, "duration", A_TOUCH],
    ["rrule", {}, "recur", rule],
    ...when.except.map((day) => local("exdate", day, when.at, zone)),
  ];
}

function alarmOf(item: CalendarItem): readonly Component[] {
  if (item.alarm === undefined) return [];
  const trigger: Property = ["trigger", {}, "duration", `-PT${item.alarm}M`];
  return [["valarm", [text("action", "DISPLAY"), text("description", item.summary), trigger], []]];
}

const eventOf = (item: CalendarItem, zone: string): Component => [
  "vevent",
  [
    text("uid", item.uid),
    utc("dtstamp", item.modified),
    utc("last-modified", item.modified),
    ["sequence", {}, "integer", item.sequence],
    text("summary", item.summary),
    ...(item.details ? [text("description", item.details)] : []),
    ...whenOf(item, zone),
  ],
  alarmOf(item),
];

/**
 * All of them as one calendar file.
 * @param name what the calendar is called where it is read
 * @param zone the household's, like `Pacific/Auckland`
 */
export function calendarFile(items: readonly CalendarItem[], name: string, zone: string): string {
  const rules = items.some((i) => i.when.what === "series") ? zoneOf(zone) : [];
  const head = [
    text("version", "2.0"),
    text("prodid", PRODUCT),
    text("calscale", "GREGORIAN"),
    text("x-wr-calname", name),
  ];
  const calendar: Component = ["vcalendar", head, [...rules, ...items.map((i) => eventOf(i, zone))]];
  return ICAL.stringify(calendar as never);
}
