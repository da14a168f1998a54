import { inFingers, measuresIn } from "../reading/measures";
import type { Span } from "../estimate";
import { isSweet } from "../material/material";
import { counted } from "../words";
import type { Fit } from "../vessel/fit";
import type { Program } from "../reckoning/program";
import { KIND } from "../plan/kinds";
import type { WorkingVerdict } from "../keeping/working";
import { type Day, addDays, daysBetween } from "../day";

/** When to strain, in days from the day begun: never a point. */
export interface Window {
  readonly earliest: number;
  readonly best: number;
  readonly latest: number;
}

export const TOUCHES = [
  "shake",
  "turn",
  "push-under",
  "let-out",
  "top-up",
  "look",
  "taste",
  "strain",
] as const;
export type TouchSort = (typeof TOUCHES)[number];
export const TOUCH_WORDS: Readonly<Record<TouchSort, string>> = {
  shake: "Shake",
  turn: "Turn",
  "push-under": "Push the floaters under",
  "let-out": "Let the gas out",
  "top-up": "Top up",
  look: "Look at the level",
  taste: "Taste, and look at lid and rim",
  strain: "Strain",
};

/** A touch that comes round: due from a day to a day, every so many days. */
export interface TouchRule {
  readonly sort: TouchSort;
  readonly from: number;
  readonly to: number;
  readonly every: number;
  /** Twice on each of its days. */
  readonly twice?: true;
  readonly why: string;
  /** Missing one matters, rather than merely slowing it. */
  readonly matters: boolean;
}

export interface Care {
  readonly window: Window | undefined;
  readonly rules: readonly TouchRule[];
}

const SHAKES: Readonly<Record<string, number>> = {
  "twice-daily": 1,
  daily: 1,
  "every-few-days": 3,
  "when-remembered": 7,
};

/** The window from a steep: one given as one figure gets a sixth before and a third after. */
function windowOf(steep: Span, mostDays: number | undefined): Window {
  const point = steep.high - steep.low < 0.5;
  const w = {
    earliest: Math.round(point ? steep.value * (5 / 6) : steep.low),
    best: Math.round(steep.value),
    latest: Math.round(point ? steep.value * (4 / 3) : steep.high),
  };
  return mostDays === undefined ? w : notLater(w, mostDays);
}

/** So long and no longer. */
const notLater = (w: Window, most: number): Window => ({
  earliest: Math.min(w.earliest, most),
  best: Math.min(w.best, most),
  latest: Math.min(w.latest, most),
});

const isJuicy = (p: Program): boolean =>
  p.lines.some((l) => {
    const { plant, form, class: kind } = l.stuff;
    return plant && (form === "fresh" || form === "frozen") && (kind === "berry" || kind === "fruit");
  });

/** Poured over plain vinegar, with nothing in it that works: gas would mean that something else does. */
const isPlainVinegar = (p: Program): boolean =>
  p.lines.some((l) => l.stuff.class === "vinegar") &&
  !p.lines.some((l) => l.stage === "jar" && isSweet(l.stuff));

function levelRule(p: Program, fit: Fit): TouchRule {
  const m = measuresIn(p.plan.units);
  const wants = fit.topUpMl > 8 || fit.coverDay1Cm < 1;
  if (!wants) {
    const why = `the herb drinks; see that it is still under${isPlainVinegar(p) ? ", and that nothing gasses: in plain vinegar that is a warning" : ""}`;
    return { sort: "look", from: 1, to: 3, every: 3, matters: false, why };
  }
  // What was weighed for its strength is not thinned to be covered.
  if (p.lines.some((l) => l.amount.kind === "ratio"))
    return {
      ...{ sort: "push-under", from: 1, to: 3, every: 3, matters: fit.coverDay1Cm < 0.5 },
      why: "the herb drinks; press it under, and add nothing: what was poured is its strength",
    };
  const why =
    fit.coverDay1Cm < 0
      ? `herb will stand ${inFingers(Math.abs(fit.coverDay1Cm))} clear; about ${m.about(Math.round(fit.topUpMl / 5) * 5)} covers it`
      : `the herb drinks about ${m.about(Math.round(fit.drinksMl / 5) * 5)}; look, and top up to the mark`;
  return { sort: "top-up", from: 1, to: 3, every: 3, matters: fit.coverDay1Cm < 0.5, why };
}

/** Hot peppers give what they have in days: what has them is tasted in half the time. */
function tasteRule(p: Program, w: Window): TouchRule {
  const hot = p.lines.some((l) => l.stuff.tags.includes("hot") || l.stuff.tags.includes("very-hot"));
  const from = Math.max(1, hot ? Math.round(w.earliest / 2) : w.earliest);
  const why = hot ? "hot peppers run ahead of the rest" : "its window is open; strain it when you like it";
  return { sort: "taste", from, to: w.latest, every: 7, matters: false, why };
}

/** Shorter steeps than this are tasted when they are strained. */
const WORTH_TASTING = 10;

function touchesOf(p: Program, fit: Fit | undefined, w: Window): TouchRule[] {
  const turned = KIND[p.plan.kind].touch === "turn";
  const floaters = fit?.floaters ?? [];
  const rules: TouchRule[] = fit ? [levelRule(p, fit)] : [];
  rules.push({
    sort: turned ? "turn" : "shake",
    from: 1,
    to: w.latest,
    every: SHAKES[p.plan.shake ?? "daily"]!,
    ...(p.plan.shake === "twice-daily" ? { twice: true as const } : {}),
    matters: false,
    why: turned ? "so that the herb meets the honey" : "so that nothing settles dry",
  });
  if (floaters.length > 0 && !p.plan.weighted && (turned || (fit && fit.coverDay1Cm < 1.5)))
    rules.push({
      ...{ sort: "push-under", from: 1, to: w.latest, every: 2, matters: true },
      why: `${floaters.slice(0, 2).join(" and ")} ${floaters.length > 1 ? "float" : "floats"}`,
    });
  if (turned && isJuicy(p))
    rules.push({
      ...{ sort: "let-out", from: 1, to: Math.min(21, w.latest), every: 1, matters: true },
      why: "fresh fruit in honey may work and make gas",
    });
  if (w.best >= WORTH_TASTING) rules.push(tasteRule(p, w));
  return rules;
}

/**
 * Care of a working jar: its window, and its touches from what stands in it.
 * @param moved the window as the maker moved it, in days from the day begun; what may stand only so long may not be moved past that
 */
export function careOf(p: Program, fit: Fit | undefined, working: WorkingVerdict, moved?: Window): Care {
  if (!p.steep) return { window: undefined, rules: [] };
  const foreseen = windowOf(p.steep, working.mostDays);
  const window =
    moved && working.mostDays !== undefined ? notLater(moved, working.mostDays) : (moved ?? foreseen);
  return { window, rules: touchesOf(p, fit, window) };
}

/** Looks of the first days: one is enough. */
const ONCE: ReadonlySet<TouchSort> = new Set<TouchSort>(["top-up", "look"]);

export interface Due {
  readonly sort: TouchSort;
  readonly why: string;
  readonly overdue: boolean;
  readonly matters: boolean;
  /** The day it fell due. */
  readonly since: Day;
}

/** How it stands with its last day. */
function windowWords(left: number): string {
  if (left < 0) return `${counted(-left, "day")} past its last day`;
  return left === 0 ? "today is its last day" : `ready; ${counted(left, "day")} left`;
}

/** The day a touch fell due that was done last on a day, or not yet; `n` is the day of the jar's life. */
const fellOn = (r: TouchRule, begun: Day, n: number, last: Day | undefined): Day =>
  last === undefined
    ? addDays(begun, Math.max(r.from, n - ((n - r.from) % r.every)))
    : addDays(last, r.every);

/**
 * What is due for a jar on a day. A touch missed is due once, not once for every day missed.
 * @param done last day each sort was done
 * @param strainOn the day it is to be strained, where the household cannot on the best
 * @param often how many times each was done on its last day; once where it is not said
 */
export function dueOn(
  care: Care,
  begun: Day,
  today: Day,
  done: Readonly<Partial<Record<TouchSort, Day>>>,
  strainOn?: Day,
  often: Readonly<Partial<Record<TouchSort, number>>> = {},
): Due[] {
  const n = daysBetween(begun, today);
  const strains = strainOn === undefined ? care.window?.best : daysBetween(begun, strainOn);
  const due: Due[] = [];
  for (const r of care.rules) {
    if (n < r.from) continue;
    // A jar that is to be strained today need not be shaken first.
    if (strains !== undefined && n >= strains && !r.matters) continue;
    // A look that comes once stays due a while past its days, then lapses: a jar that stood a week needs no first-day look.
    if (n > r.to + (r.matters ? 7 : 0)) continue;
    const last = done[r.sort];
    const sinceDone = last === undefined ? n : daysBetween(last, today);
    const onceMore = r.twice === true && last === today && (often[r.sort] ?? 1) < 2;
    if (
      last !== undefined &&
      !onceMore &&
      (sinceDone < r.every || (ONCE.has(r.sort) && daysBetween(begun, last) >= r.from))
    )
      continue;
    const fell = fellOn(r, begun, n, onceMore ? undefined : last);
    due.push({
      sort: r.sort,
      why: onceMore ? "the second time today" : r.why,
      matters: r.matters,
      overdue: r.matters && daysBetween(fell, today) > 0,
      since: fell,
    });
  }
  // Inside the window but before its best day nothing presses; the card says it may be strained.
  const w = care.window;
  if (w && n >= Math.min(w.latest, strains!)) {
    const left = w.latest - n;
    due.push({
      sort: "strain",
      matters: true,
      overdue: left < 0,
      since: addDays(begun, Math.min(w.latest, strains!)),
      why: windowWords(left),
    });
  }
  return due;
}
