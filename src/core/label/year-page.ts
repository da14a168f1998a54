import { type Day, addMonths, daysBetween } from "../day";
import { agree } from "../words";
import type { Item, LabelLayout, Measure } from "./layout-item";

/** A batch as it stands in a year: begun, ready, good until. */
export interface YearRow {
  readonly name: string;
  readonly code: string;
  readonly begun: Day;
  readonly ready: Day;
  readonly until: Day;
}
export interface YearOf {
  readonly title: string;
  readonly year: number;
  /** The first of the month it begins with, where that is not January. */
  readonly from?: Day;
  readonly rows: readonly YearRow[];
}
export interface YearPage extends LabelLayout {
  /** mm at which the first day begins and the last one ends. */
  readonly scale: { readonly x0: number; readonly x1: number };
  /** How many batches are drawn, and for how many there was no room. */
  readonly shown: number;
  readonly more: number;
}

/** A4, mm. */
const [WIDE, HIGH] = [210, 297];
const MARGIN = 12;
/** Where the months begin, and their head’s foot. */
const [X0, TOP] = [70, 40];
const X1 = WIDE - MARGIN;
const ROW = 9;
const FOOT = 14;
const BAR = 4;
const MONTHS = "J F M A M J J A S O N D".split(" ");
const [TITLE, TEXT, SMALL] = [17, 9, 8] as const;

const text = (
  x: number,
  y: number,
  words: string,
  pt: number,
  more: Partial<Extract<Item, { kind: "text" }>> = {},
): Item => ({
  kind: "text",
  x,
  y,
  text: words,
  face: "plain",
  pt,
  ink: "iron",
  anchor: "start",
  ...more,
});

/** As many letters of a name as there is room for; what is cut ends in dots. */
function cut(name: string, room: number, measure: Measure): string {
  if (measure(name, "plain", TEXT) <= room) return name;
  let n = name.length;
  while (n > 1 && measure(`${name.slice(0, n)}…`, "plain", TEXT) > room) n--;
  return `${name.slice(0, n)}…`;
}

/**
 * A year on one page for the cupboard door: when each was begun, how long it worked, and until when it is good.
 * @returns a layout in mm, A4 upright; what found no room is counted in `more` and said at the foot
 */
export function yearPage({ title, year, from, rows }: YearOf, measure: Measure): YearPage {
  const first = from ?? `${year}-01-01`;
  const days = daysBetween(first, addMonths(first, 12));
  const begins = Number(first.slice(5, 7)) - 1;
  const at = (d: Day): number => X0 + ((X1 - X0) * Math.min(days, Math.max(0, daysBetween(first, d)))) / days;
  const within = rows
    .filter((r) => daysBetween(first, r.begun) < days && daysBetween(first, r.until) > 0)
    .sort((a, b) => (a.begun < b.begun ? -1 : 1));
  const room = Math.floor((HIGH - FOOT - MARGIN - TOP) / ROW);
  const shown = within.slice(0, room);
  const more = within.length - shown.length;
  const foot = TOP + Math.max(1, shown.length) * ROW;
  const monthAt = (m: number): number => at(addMonths(first, m));
  const bar = (of: "works" | "keeps", from: Day, to: Day, y: number): Item[] => {
    const [a, z] = [at(from), at(to)];
    return z - a < 0.05 ? [] : [{ kind: "bar", of, x: a, y, width: z - a, height: BAR }];
  };
  const items: Item[] = [
    text(
      MARGIN,
      22,
      cut(title, WIDE - 2 * MARGIN, (w, f, pt) => measure(w, f, (pt * TITLE) / TEXT)),
      TITLE,
      { face: "bold" },
    ),
    { kind: "rule", x1: MARGIN, x2: X1, y: 27, width: 0.6, ink: "cobalt" },
    ...MONTHS.map((_, i) =>
      text((monthAt(i) + monthAt(i + 1)) / 2, TOP - 3, MONTHS[(begins + i) % 12]!, TEXT, {
        anchor: "middle",
        face: "bold",
      }),
    ),
    ...Array.from({ length: 13 }, (_, i): Item => ({
      kind: "upright",
      x: monthAt(i),
      y1: TOP,
      y2: foot,
      width: 0.15,
    })),
    ...shown.flatMap((r, i): Item[] => {
      const y = TOP + i * ROW;
      return [
        text(MARGIN, y + 4.2, cut(r.name, X0 - MARGIN - 3, measure), TEXT),
        text(MARGIN, y + 7.6, r.code, SMALL - 1, { face: "stencil", ink: "cobalt" }),
        ...bar("works", r.begun, r.ready, y + (ROW - BAR) / 2),
        ...bar("keeps", r.ready, r.until, y + (ROW - BAR) / 2),
        { kind: "rule", x1: MARGIN, x2: X1, y: y + ROW, width: 0.15, ink: "iron" },
      ];
    }),
    ...(shown.length === 0 ? [text(X0 + 4, TOP + 6, "Nothing was made or kept in it.", TEXT)] : []),
    text(MARGIN, foot + 7, "striped while it works; plain until the day it is best by", SMALL),
    ...(more > 0
      ? [
          text(X1, foot + 7, `and ${more} more that ${agree(more, "has", "have")} no room here`, SMALL, {
            anchor: "end",
          }),
        ]
      : []),
  ];
  return {
    widthMm: WIDE,
    heightMm: HIGH,
    items,
    pt: TEXT,
    leftOut: within.slice(room).map((r) => r.code),
    scale: { x0: X0, x1: X1 },
    shown: shown.length,
    more,
  };
}
