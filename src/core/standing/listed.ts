import type { Day } from "../day";
import type { PlaceClass } from "../journal/events";
import type { Catalogue } from "../material/catalogue";
import type { Kind } from "../plan/plan";
import type { UnitSystem } from "../quantity/units";
import { fullAt, type SizeSaid, sizesIn } from "./sizes-said";
import type { Heated } from "./standing";
import { type ThingSaid, thingsSaid } from "./things-said";
import { type DaySaid, type Tense, daysSaid } from "./days-said";

/** What stands and was written down in a line: a jar at work or bottles, with what is known of it and nothing more. */
export interface Listed {
  readonly text: string;
  /** Nothing where neither was said. */
  readonly as: "jar" | "bottles" | undefined;
  readonly name: string;
  readonly kind: Kind | undefined;
  readonly from: "made" | "bought" | "given";
  /** How many bottles or jars, and mL of one where that was said. */
  readonly count: number | undefined;
  readonly ml: number | undefined;
  /** mL left in each, where it is not full. */
  readonly leftMl: number | undefined;
  /** The day it was begun, or made. Of a month alone its first, and said to be so. */
  readonly on: Day | undefined;
  readonly onAbout: boolean;
  readonly opened: Day | undefined;
  readonly bestBy: Day | undefined;
  readonly place: PlaceClass | undefined;
  readonly heated: Heated | undefined;
  readonly things: readonly ThingSaid[];
  /** Everything that was said and is none of these, in its own words: nothing is lost. */
  readonly note: string;
}

export interface ListContext {
  readonly today: Day;
  readonly system: UnitSystem;
  readonly catalogue: Catalogue;
}

/** The longest line, and the most lines, that are read at once. */
export const [LONGEST_LINE, MOST_LINES] = [300, 300] as const;

const KINDS: readonly (readonly [RegExp, Kind])[] = [
  [/\bfire[- ]?(?:cider|tonic)\b/i, "fire-cider"],
  [/\boxymels?\b/i, "oxymel"],
  [/\b(?:syrup|sirup|rob|cordial)s?\b/i, "syrup"],
  [/\btinctures?\b/i, "tincture"],
  [/\b(?:vinegars?|acetum)\b/i, "vinegar"],
  [/\b(?:honey|honeys|electuary)\b/i, "honey"],
];

const BEST = /\b(?:best (?:by|before)|bbe|use (?:by|before)|exp(?:ires|iry)?|good until)\b/i;
const OPENED = /\bopened\b|\bopen since\b/i;
const BEGUN = /\b(?:since|begun|began|started|put up|steeping|working|infusing|macerating|on the go)\b/i;
const MADE = /\b(?:made|bottled|boiled and bottled|brewed|strained|dated|came|got|arrived|received|from)\b/i;
/** What a day is the day of, by the words before it. */
const ROLES = [
  ["best", BEST],
  ["opened", OPENED],
  ["begun", BEGUN],
  ["made", MADE],
] as const;
type RoleOfDay = (typeof ROLES)[number][0];

const BOUGHT = /\b(?:bought|shop[- ]bought|store[- ]bought|from the (?:market|shop|store|chemist))\b/i;
const GIVEN = /\b(?:given(?: (?:by|from) (?:the |my |our )?[\p{L}'’]+)?|a gift|from (?:my|our) [\p{L}'’]+)/iu;
const PLACES: readonly (readonly [RegExp, PlaceClass])[] = [
  [/\b(?:in )?(?:the )?(?:fridge(?: door)?|refrigerator)\b/i, "fridge"],
  [/\b(?:in )?(?:the )?(?:freezer|ice ?box|frozen)\b/i, "freezer"],
  [/\b(?:in )?(?:the )?(?:cool |root )?cellar\b/i, "cool-dark"],
  [/\b(?:in )?(?:the )?(?:cupboard|pantry|larder)\b/i, "cupboard"],
];
const BOILED = /\bboiled(?: and bottled(?: hot)?)?\b|\bbottled hot\b/i;
const SIMMERED = /\b(?:simmered|cooked)\b/i;
const UNSTRAINED = /\bnot (?:yet )?strained(?: yet)?\b|\bunstrained\b/i;
const STRAINED = /\bstrained(?: already| off)?\b/i;

/** A text in which what has been read is blanked out, so that every letter keeps its place and none is read twice. */
class Left {
  constructor(public text: string) {}
  take(from: number, to: number, by = " "): void {
    this.text = this.text.slice(0, from) + by.repeat(to - from) + this.text.slice(to);
  }
  takeMatch(what: RegExp): boolean {
    const m = what.exec(this.text);
    if (m) this.take(m.index, m.index + m[0].length);
    return m !== null;
  }
}

/** What a day said at a letter is the day of: the last word before it that says so, in the same breath. */
function roleAt(text: string, at: number): { readonly role: RoleOfDay; readonly from: number } | undefined {
  const breath = Math.max(...[",", ";", "("].map((c) => text.lastIndexOf(c, at - 1))) + 1;
  const before = text.slice(breath, at);
  let last: { role: RoleOfDay; from: number; to: number } | undefined;
  for (const [role, what] of ROLES) {
    const m = [...before.matchAll(new RegExp(what.source, "gi"))].at(-1);
    if (!m) continue;
    const is = { role, from: breath + m.index, to: breath + m.index + m[0].length };
    // Of “open since” the whole says more than its last word.
    const more = last && (is.to > last.to || (is.to === last.to && is.from < last.from));
    if (!last || more) last = is;
  }
  return last;
}

/** The days of a line by what they are of; a day of which nothing is said is the day it was begun or made. */
function takeDays(left: Left, c: ListContext): ReadonlyMap<RoleOfDay | "bare", DaySaid> {
  const { text } = left;
  const tenseAt = (at: number): Tense => (roleAt(text, at)?.role === "best" ? "future" : "past");
  const days = new Map<RoleOfDay | "bare", DaySaid>();
  for (const d of daysSaid(text, c, tenseAt)) {
    const said = roleAt(text, d.from);
    const role = said?.role ?? "bare";
    if (days.has(role)) continue;
    days.set(role, d);
    // “made on the”, “best by the”: what joins the two goes with them.
    const between = said ? text.slice(said.from, d.from) : "";
    const joined = said && !/\d/.test(between) && between.split(/\s+/).length <= 6;
    const from = joined
      ? said.from
      : d.from - (/(?:\b(?:in|on|the|of)\s+)*$/i.exec(text.slice(0, d.from))?.[0].length ?? 0);
    left.take(from, d.to);
  }
  return days;
}

const kindIn = (text: string): Kind | undefined => {
  // “sage honey vinegar” is a vinegar: the last word says what it is, but an oxymel and a fire cider are that wherever they stand.
  const found = KINDS.flatMap(([what, kind]) => {
    const m = [...text.matchAll(new RegExp(what.source, "gi"))].at(-1);
    return m ? [{ kind, at: m.index }] : [];
  });
  const named = found.find((f) => f.kind === "fire-cider" || f.kind === "oxymel");
  return named?.kind ?? found.sort((a, b) => b.at - a.at)[0]?.kind;
};

/** Marks and small words at the ends of what is left, which say nothing by themselves. */
const IDLE =
  /^(?:[\s,;:.()*•·—–-]|\b(?:a|an|the|of|in|on|and|with|at|each|is|it|for)\b(?=[\s,;:.()—–-]|$))+|(?:[\s,;:.()—–-]|\b(?:a|an|the|of|in|on|and|with|at|each|from|is|since)\b(?=[\s,;:.()—–-]|$))+$/gi;
const trimmed = (text: string): string => {
  let was = "";
  let is = text;
  while (is !== was) [was, is] = [is, is.replace(IDLE, "")];
  return is.replace(/\s+/g, " ");
};

const JAR = /\bjars?\b|\bcrock\b/i;
const BOTTLE = /\bbottles?\b|\bflasks?\b/i;

/** Whether a jar at work is meant or bottles. What was opened, given, bought or strained is in its bottle; what only began is still at work. */
function standsAs(
  text: string,
  days: ReadonlyMap<RoleOfDay | "bare", DaySaid>,
  s: {
    readonly unstrained: boolean;
    readonly strained: boolean;
    readonly bottled: boolean;
    readonly several: boolean;
  },
): Listed["as"] {
  if (s.unstrained) return "jar";
  if (s.strained || s.bottled || BOTTLE.test(text) || days.has("opened") || days.has("best"))
    return "bottles";
  if (BEGUN.test(text) || JAR.test(text)) return MADE.test(text) && !BEGUN.test(text) ? "bottles" : "jar";
  return MADE.test(text) || s.several ? "bottles" : undefined;
}

interface Size extends SizeSaid {
  readonly leftMl: number | undefined;
  readonly isLeft: boolean;
}
function takeSize(left: Left, c: ListContext): Size {
  const size = sizesIn(left.text, c.system);
  for (const [from, to] of size.claims) left.take(from, to);
  const full = fullAt(left.text);
  if (full) left.take(full.from, full.to);
  const isLeft = left.takeMatch(/\bleft\b/i);
  // Of “two thirds full” the size is the bottle's; of “1 cup left” it is what stands in one nobody measured.
  return { ...size, isLeft, leftMl: full && size.ml !== undefined ? full.share * size.ml : undefined };
}

/** Reads one line as people write down what stands on their shelf. Nothing that was not said is made up, and nothing said is lost. */
export function readListed(line: string, c: ListContext): Listed {
  const text = line
    .trim()
    .replace(/^[-*•·▢□☐]\s*/, "")
    .slice(0, LONGEST_LINE);
  const left = new Left(text);
  const unstrained = left.takeMatch(UNSTRAINED);
  const days = takeDays(left, c);
  const strained = left.takeMatch(STRAINED);
  const [bought, given] = [left.takeMatch(BOUGHT), left.takeMatch(GIVEN)];
  const size = takeSize(left, c);
  const heated = heatedIn(text);
  if (heated) for (const what of [BOILED, SIMMERED]) left.takeMatch(what);
  const place = PLACES.find(([what]) => left.takeMatch(what))?.[1];
  const frozen = place === "freezer";
  for (const what of [BEGUN, /\b(?:made|bottled|boiled and bottled)\b/i]) left.takeMatch(what);
  const parts = left.text
    .split(/[,;()]|\s[—–-]\s/)
    .map(trimmed)
    .filter((p) => p !== "");
  const name = parts[0] ?? "";
  const kind = kindIn(name) ?? kindIn(text);
  const named = thingsSaid(name, c, kind);
  const rest = parts.slice(1).map((p) => ({ p, things: thingsSaid(p, c, undefined) }));
  const on = days.get("begun") ?? days.get("made") ?? days.get("bare");
  const { count, ml, leftMl } = size;
  const as = standsAs(text, days, {
    ...{ unstrained, strained },
    bottled: bought || given || frozen || size.isLeft,
    several: (count ?? 1) > 1,
  });
  return {
    ...{ text, as, name, kind, place, heated, leftMl, ml },
    from: origin(bought, given),
    count: count ?? (as === "bottles" ? 1 : undefined),
    on: on?.day,
    onAbout: on?.about ?? false,
    opened: days.get("opened")?.day,
    bestBy: days.get("best")?.day,
    things: [...named, ...rest.flatMap((r) => r.things)],
    note: rest
      .filter((r) => r.things.length === 0)
      .map((r) => r.p)
      .join("; "),
  };
}

function heatedIn(text: string): Heated | undefined {
  if (BOILED.test(text)) return "boiled";
  return SIMMERED.test(text) ? "simmered" : undefined;
}

function origin(bought: boolean, given: boolean): Listed["from"] {
  if (bought) return "bought";
  return given ? "given" : "made";
}

/** Reads a list, a line for each thing that stands; empty lines are passed over. */
export const readList = (text: string, c: ListContext): readonly Listed[] =>
  text
    .split("\n")
    .filter((l) => l.trim() !== "")
    .slice(0, MOST_LINES)
    .map((l) => readListed(l, c));
