import { type Day, addDays } from "../day";
import { type Fault, fault } from "../fault";
import { KIND } from "../plan/kinds";
import { KINDS, type Kind } from "../plan/plan";
import type { UnitSystem } from "../quantity/units";
import { readMeasured } from "../reading/amounts";
import { wordValue } from "../reading/numbers";
import type { Gift, Months, Use } from "./wish";

/*
 * A wish in a sentence: “fire cider for four, from November to March, a spoon each morning”, “ten gifts of 100 mL for the 20th”. Every word of it is
 * understood as something or told as not understood; what is missing is asked for, never supposed.
 */

export interface SaidWish {
  readonly remedy: { readonly name: string; readonly kind: Kind } | undefined;
  readonly never: boolean;
  /** What it says of use; what is missing in it is asked. */
  readonly use: Partial<Omit<Use, "months">> & { readonly months?: Months | undefined };
  readonly gift: Partial<Gift> | undefined;
  /** Words nothing was made of, as they were typed. */
  readonly left: readonly string[];
  /** What is still to be said, each beside its field. */
  readonly asks: readonly Fault[];
}

const MONTHS = ["january", "february", "march", "april", "may", "june", "july", "august", "september", "october", "november", "december"]; // prettier-ignore
const monthAt = (word: string): number =>
  MONTHS.findIndex((m) => m === word || (word.length >= 3 && m.startsWith(word.replace(/\.$/, "")))) + 1;
const MONTH = `(?:${MONTHS.join("|")}|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec)\\.?`;
const COUNT = "(?:\\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|twenty|thirty|a dozen|half a dozen|a couple of)"; // prettier-ignore

function countOf(words: string): number {
  const low = words.trim().toLowerCase();
  if (/^\d+$/.test(low)) return Number(low);
  if (low === "a" || low === "an") return 1;
  if (low === "a couple of") return 2;
  if (low === "half a dozen") return 6;
  return wordValue(low.replace(/^a /, "")) ?? NaN;
}

/** A text whose understood parts are struck out, so that what is left is seen. */
class Sentence {
  rest: string;
  constructor(text: string) {
    this.rest = text;
  }
  /** Takes the first place a pattern fits. */
  take(pattern: string): RegExpExecArray | undefined {
    const m = new RegExp(`(?<![\\p{L}\\d])(?:${pattern})(?![\\p{L}\\d])`, "iu").exec(this.rest);
    if (!m) return undefined;
    this.rest = `${this.rest.slice(0, m.index)}\u0001${this.rest.slice(m.index + m[0].length)}`;
    return m;
  }
}

/** How often, each with its times a day. */
const DAY = "(?:day|morning|evening|night)";
const WEEKDAY = "(?:sun|mon|tues|wednes|thurs|fri|satur)day";
const OFTEN: readonly (readonly [string, number])[] = [
  [`every (?:other|second) ${DAY}`, 0.5],
  ["(?:each|every) morning and (?:each |every )?(?:evening|night)|(?:mornings?|in the morning) and (?:evenings?|nights?|in the evening|at night)", 2],
  ["thrice (?:a day|daily)", 3],
  [`twice (?:(?:a|each|every|per) ${DAY}|daily)`, 2],
  ["twice (?:(?:a|each|every|per) week|weekly)", 2 / 7],
  [`(?:once )?(?:a|each|every|per) week|weekly|(?:each|every|on an?) ${WEEKDAY}|on ${WEEKDAY}s|${WEEKDAY}s`, 1 / 7],
  [`(?:once )?(?:a|each|every|per) ${DAY}|(?:once )?daily|nightly|at night|at bedtime|mornings|evenings|in the (?:morning|evening)`, 1],
]; // prettier-ignore

/** Times a day: in numbers or words, so many a day or a week; or as it is said otherwise. */
function timesOf(s: Sentence): number | undefined {
  const counted = s.take(`(${COUNT})(?: ?x| times)(?: (?:a|each|every|per))? (?:(day|daily)|(week|weekly))`);
  if (counted) return countOf(counted[1]!) / (counted[3] ? 7 : 1);
  return OFTEN.find(([words]) => s.take(words))?.[1];
}

const SEASONS: readonly (readonly [string, Months])[] = [
  ["(?:this |in |over |all |through |the )*winter", [12, 2]],
  ["(?:this |in |over |all |through |the )*spring", [3, 5]],
  ["(?:this |in |over |all |through |the )*summer", [6, 8]],
  ["(?:this |in |over |all |through |the )*(?:autumn|fall)", [9, 11]],
  ["all (?:the )?year(?: round)?|the whole year|year round", [1, 12]],
];
const southern = ([a, b]: Months): Months => [((a + 5) % 12) + 1, ((b + 5) % 12) + 1];

function monthsOf(s: Sentence, south: boolean): Months | undefined {
  const span = s.take(
    `(?:from |between )?(?:the beginning of )?(${MONTH}) ?(?:to|till|until|through|and|–|-) ?(?:the end of )?(${MONTH})`,
  );
  if (span) return [monthAt(span[1]!.toLowerCase()), monthAt(span[2]!.toLowerCase())];
  for (const [words, months] of SEASONS)
    if (s.take(words)) return south && months[0] !== 1 ? southern(months) : months;
  const one = s.take(`in (${MONTH})`);
  const m = one ? monthAt(one[1]!.toLowerCase()) : 0;
  return m > 0 ? [m, m] : undefined;
}

function dayOf(s: Sentence, today: Day): Day | undefined {
  const iso = s.take("(?:for|by|on) (\\d{4}-\\d{2}-\\d{2})");
  if (iso) return iso[1];
  const on = s.take(
    `(?:for|by|on) (?:the )?(\\d{1,2})(?:st|nd|rd|th)?(?: (?:of )?(${MONTH}))?(?: (\\d{4}))?`,
  );
  if (!on) return undefined;
  const [day, month] = [Number(on[1]), on[2] ? monthAt(on[2].toLowerCase()) : 0];
  // The next such day there is.
  for (let n = 0; n < 800; n++) {
    const d = addDays(today, n);
    const fits = Number(d.slice(8)) === day && (month === 0 || Number(d.slice(5, 7)) === month);
    if (fits && (on[3] === undefined || d.startsWith(on[3]))) return d;
  }
  return undefined;
}

const ML = "(?:half |a quarter (?:of )?|\\d+(?:[.,/]\\d+)?|an?|one|two|three|four|five|six)[ -]?(?:an? )?(?:tea|table|dessert)?(?:spoon(?:ful)?s?|tsps?|tbsps?|m ?l|millilit(?:re|er)s?|lit(?:re|er)s?|l|cups?|shots?|fl\\.? ?oz|ounces?|drops?)"; // prettier-ignore
const BARE_SPOON = /^(?:an?|one|two|three|four|five|six|half a|half|\d+) ?spoon(?:ful)?s?$/i;

const ASK = {
  amount: fault("HowMuch", "Say how much at a time, like “1 tsp”.", ["ml"]),
  spoon: fault("WhichSpoon", "Say which spoon: a teaspoon, a dessertspoon or a tablespoon.", ["ml"]),
  people: fault("ForHowMany", "Say for how many, like “for four”.", ["people"]),
  often: fault("HowOften", "Say how often, like “each morning”.", ["times"]),
  months: fault("WhichMonths", "Say in which months, like “from November to March”, or “all year”.", [
    "months",
  ]),
  day: fault("WhichDay", "Say by when, like “by 20 December”.", ["day"]),
  size: fault("HowLarge", "Say how large each is, like “of 100 mL”.", ["ml"]),
  count: fault("HowMany", "Say how many, like “ten gifts”.", ["count"]),
};

/** Words that change nothing. */
const IDLE =
  /^(?:and|of|for|us|we|want|wants|would|like|to|take|takes|taking|the|a|an|some|any|please|is|are|it|with|each|every|people|persons|have|give|away|as|in|at|on|by|enough|need|needs|drink|drinks|will|be|also)$/i;

interface Amount {
  readonly ml?: number;
  readonly said?: string;
  readonly ask?: Fault;
}
function amountOf(s: Sentence, units: UnitSystem, before = ""): Amount {
  const m = s.take(`${before}(${ML})`);
  if (!m) return {};
  const said = m[1]!.trim();
  if (BARE_SPOON.test(said)) return { said, ask: ASK.spoon };
  const read = readMeasured(said, units);
  if (!read.ok || read.value.dimension !== "volume") return { said, ask: ASK.amount };
  return { ml: read.value.si.value, said };
}

type Named = NonNullable<SaidWish["remedy"]>;
/** The remedy it names: the longest name there is of those that are known, or a kind alone, which means any of it. */
function remedyOf(s: Sentence, known: readonly Named[]): Named | undefined {
  const kinds = KINDS.map((kind): Named => ({ name: KIND[kind].name.toLowerCase(), kind }));
  const all = [...known, ...kinds].sort((a, b) => b.name.length - a.name.length);
  const escaped = (name: string): string =>
    name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&").replace(/[ -]+/g, "[ -]");
  return all.find((n) => s.take(`(?:any )?${escaped(n.name)}s?`));
}

/**
 * Reads a wish.
 * @param known remedies this household makes or has in its book
 * @param of the remedy it is said of, where it stands in that one's row and need not name it
 */
export function readWish(
  text: string,
  {
    known,
    of,
    today,
    units,
    south,
  }: {
    readonly known: readonly Named[];
    readonly of?: Named | undefined;
    readonly today: Day;
    readonly units: UnitSystem;
    readonly south: boolean;
  },
): SaidWish {
  const s = new Sentence(text.slice(0, 300));
  const remedy = remedyOf(s, known) ?? of;
  const never = !!s.take(
    "never (?:to )?runs? out(?: of)?|never be without|must (?:not|never) run out|always have",
  );
  const gifts = s.take(
    `(${COUNT}) (?:gifts?|presents?|(?:bottles?|jars?) (?:as (?:gifts?|presents?)|to give(?: away)?))`,
  );
  const asks: Fault[] = [];
  let use: SaidWish["use"] = {};
  let gift: SaidWish["gift"];
  if (gifts) {
    const size = amountOf(s, units, "(?:of |each |at )?");
    const day = dayOf(s, today);
    s.take("each");
    const count = countOf(gifts[1]!);
    gift = {
      ...(Number.isFinite(count) ? { count } : {}),
      ...(day ? { day } : {}),
      ...(size.ml ? { ml: size.ml, said: size.said! } : {}),
    };
    if (!day) asks.push(ASK.day);
    if (!size.ml) asks.push(size.ask ?? ASK.size);
  } else {
    const amount = amountOf(s, units);
    const often = timesOf(s);
    const months = monthsOf(s, south);
    const people = s.take(
      `(?:for|each for|there are|we are) (?:the )?(${COUNT})(?: of us| people| persons)?|(${COUNT}) (?:people|persons|of us)`,
    );
    const n = people ? countOf(people[1] ?? people[2]!) : NaN;
    use = {
      ...(Number.isFinite(n) ? { people: n } : {}),
      ...(amount.ml ? { ml: amount.ml } : {}),
      ...(amount.said ? { said: amount.said } : {}),
      ...(often === undefined ? {} : { times: often }),
      ...(months ? { months } : {}),
    };
    const saysUse = Object.keys(use).length > 0;
    if (saysUse || !never) {
      if (!amount.ml) asks.push(amount.ask ?? ASK.amount);
      if (!Number.isFinite(n)) asks.push(ASK.people);
      if (often === undefined) asks.push(ASK.often);
      if (!months) asks.push(ASK.months);
    }
  }
  if (!remedy)
    asks.unshift(fault("WhichRemedy", "Say which remedy, by a name of your book or your shelf.", ["remedy"]));
  const left = s.rest.split(/[\s,;.:!?\u0001]+/u).filter((w) => w !== "" && !IDLE.test(w));
  return { remedy, never, use, gift, left, asks };
}
