import { type Day, addDays, addMonths, isDay } from "../day";
import { type Weekday, weekdayOf } from "../care/weeks";
import type { UnitSystem } from "../quantity/units";

/** A day as it stands in a text; of a month or a year alone it is the first, since a life counted from there is never too long. */
export interface DaySaid {
  readonly from: number;
  readonly to: number;
  readonly day: Day;
  /** A month or a year was said, not a day. */
  readonly about: boolean;
}

const MONTHS = "jan feb mar apr may jun jul aug sep oct nov dec".split(" ");
const MONTH =
  "(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)";
const NUMBER_WORDS = "one two three four five six seven eight nine ten eleven twelve".split(" ");
const COUNT = `(\\d{1,3}|an?|${NUMBER_WORDS.join("|")})`;
const SPAN = "(day|week|fortnight|month|year)s?";

const two = (n: number | string): string => String(n).padStart(2, "0");
const dated = (y: number | string, m: number | string, d: number | string): Day | undefined => {
  const day = `${y}-${two(m)}-${two(d)}`;
  return isDay(day) ? day : undefined;
};
const monthOf = (word: string): number => MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;
const countOf = (word: string): number => {
  const at = NUMBER_WORDS.indexOf(word.toLowerCase());
  if (at >= 0) return at + 1;
  return /^an?$/i.test(word) ? 1 : Number(word);
};
const full = (year: string): number => (year.length === 2 ? 2000 + Number(year) : Number(year));

/** Whether a day lies behind or ahead: a month without its year is the last one, or of what is still to come the next. */
export type Tense = "past" | "future";
interface Around {
  readonly today: Day;
  readonly system: UnitSystem;
  readonly tense: Tense;
}

/** The day of a month of which the year was not said. */
function nearestYear(m: number, d: number, { today, tense }: Around): Day | undefined {
  const year = Number(today.slice(0, 4));
  const years =
    tense === "past" ? [year, year - 1, year - 2, year - 4] : [year, year + 1, year + 2, year + 4];
  return years
    .map((y) => dated(y, m, d))
    .find((day) => day !== undefined && (tense === "past" ? day <= today : day >= today));
}

const back = (day: Day, n: number, unit: string): Day => {
  if (unit === "month") return addMonths(day, -n);
  if (unit === "year") return addMonths(day, -12 * n);
  return addDays(day, -n * ({ day: 1, week: 7, fortnight: 14 }[unit] ?? 1));
};

/** Which of two figures is the month: as the country writes it, unless only one can be. */
function slashed(a: string, b: string, year: string, { system }: Around): Day | undefined {
  const monthFirst = dated(full(year), a, b);
  const dayFirst = dated(full(year), b, a);
  return system === "us" ? (monthFirst ?? dayFirst) : (dayFirst ?? monthFirst);
}

/** The same of a day without its year. */
function slashedBare(a: number, b: number, around: Around): Day | undefined {
  const monthFirst = nearestYear(a, b, around);
  const dayFirst = nearestYear(b, a, around);
  return around.system === "us" ? (monthFirst ?? dayFirst) : (dayFirst ?? monthFirst);
}

type Reader = (m: RegExpExecArray, a: Around) => { readonly day: Day | undefined; readonly about?: boolean };

/** How days are said, the longer way before the shorter. */
const WAYS: readonly (readonly [RegExp, Reader])[] = [
  [/\b(\d{4})-(\d{1,2})-(\d{1,2})\b/y, (m) => ({ day: dated(m[1]!, m[2]!, m[3]!) })],
  [/\b(\d{1,2})\/(\d{1,2})\/(\d{4}|\d{2})\b/y, (m, a) => ({ day: slashed(m[1]!, m[2]!, m[3]!, a) })],
  [/\b(\d{1,2})\.(\d{1,2})\.(\d{4})\b/y, (m) => ({ day: dated(m[3]!, m[2]!, m[1]!) })],
  // Behind a word that speaks of a day only: elsewhere it is a share.
  [
    /(?<=\b(?:since|made|opened|begun|started|bottled|strained|on|by|before) )(\d{1,2})\/(\d{1,2})(?![\d/])/y,
    (m, a) => ({ day: slashedBare(Number(m[1]), Number(m[2]), a) }),
  ],
  [/\b(\d{1,2})\/(\d{4})\b/y, (m) => ({ day: dated(m[2]!, m[1]!, 1), about: true })],
  [
    new RegExp(
      `\\b(?:the )?(\\d{1,2})(?:st|nd|rd|th)?(?: of)? ${MONTH}\\b\\.?(?:,? ((?:19|20)\\d\\d))?`,
      "iy",
    ),
    (m, a) => ({
      day: m[3] ? dated(m[3], monthOf(m[2]!), m[1]!) : nearestYear(monthOf(m[2]!), Number(m[1]), a),
    }),
  ],
  [
    new RegExp(
      `\\b${MONTH}\\b\\.? (?:the )?(\\d{1,2})(?:st|nd|rd|th)?(?!\\d)(?:,? ((?:19|20)\\d\\d))?`,
      "iy",
    ),
    (m, a) => ({
      day: m[3] ? dated(m[3], monthOf(m[1]!), m[2]!) : nearestYear(monthOf(m[1]!), Number(m[2]), a),
    }),
  ],
  [
    new RegExp(`\\b${MONTH}\\b\\.?(?:,? ((?:19|20)\\d\\d))?`, "iy"),
    (m, a) => ({
      day: m[2] ? dated(m[2], monthOf(m[1]!), 1) : nearestYear(monthOf(m[1]!), 1, a),
      about: true,
    }),
  ],
  [/\b((?:19|20)\d\d)\b/y, (m) => ({ day: dated(m[1]!, 1, 1), about: true })],
  [/\btoday\b/iy, (_, a) => ({ day: a.today })],
  [/\byesterday\b/iy, (_, a) => ({ day: addDays(a.today, -1) })],
  [
    /\blast (mon|tues|wednes|thurs|fri|satur|sun)day\b/iy,
    (m, a) => ({ day: lastWeekday(m[1]!.toLowerCase().slice(0, 3) as Weekday, a.today) }),
  ],
  [
    new RegExp(`\\blast ${SPAN}\\b`, "iy"),
    (m, a) => ({ day: back(a.today, 1, m[1]!.toLowerCase()), about: true }),
  ],
  [
    new RegExp(`\\b${COUNT} ${SPAN} (?:ago|old|now)\\b`, "iy"),
    (m, a) => ({ day: back(a.today, countOf(m[1]!), m[2]!.toLowerCase()) }),
  ],
  [
    new RegExp(`(?<=\\b(?:since|for|steeping|working|standing) )${COUNT} ${SPAN}\\b`, "iy"),
    (m, a) => ({ day: back(a.today, countOf(m[1]!), m[2]!.toLowerCase()) }),
  ],
];

/** The last such day of the week before today. */
const lastWeekday = (weekday: Weekday, today: Day): Day =>
  [1, 2, 3, 4, 5, 6, 7].map((n) => addDays(today, -n)).find((day) => weekdayOf(day) === weekday) ?? today;

/** Every day said in a text, in order. @param tenseAt whether what stands at a letter lies behind or ahead */
export function daysSaid(
  text: string,
  { today, system }: Pick<Around, "today" | "system">,
  tenseAt: (at: number) => Tense,
): readonly DaySaid[] {
  const found: DaySaid[] = [];
  for (let at = 0; at < text.length; at++) {
    if (at > 0 && /[\p{L}\p{N}]/u.test(text[at - 1]!)) continue;
    for (const [way, read] of WAYS) {
      way.lastIndex = at;
      const m = way.exec(text);
      if (!m) continue;
      const { day, about } = read(m, { today, system, tense: tenseAt(at) });
      // A 31 February is no day, and is not February either: its words stay.
      if (day !== undefined) found.push({ from: at, to: at + m[0].length, day, about: about ?? false });
      at += m[0].length - 1;
      break;
    }
  }
  return found;
}
