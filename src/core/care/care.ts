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

export const TOUCHES = ["shake", "turn", "push-under", "let-out", "top-up", "strain"] as const;
export type TouchSort = (typeof TOUCHES)[number];
export const TOUCH_WORDS: Readonly<Record<TouchSort, string>> = {
  shake: "Shake",
  turn: "Turn",
  "push-under": "Push the floaters under",
  "let-out": "Let the gas out",
  "top-up": "Top up",
  strain: "Strain",
};

/** A touch that comes round: due from a day to a day, every so many days. */
export interface TouchRule {
  readonly sort: TouchSort;
  readonly from: number;
  readonly to: number;
  readonly every: number;
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

/** Care of a working jar: the window from its steep, and its touches from what stands in it. A steep given as one figure gets a sixth before and a third after. */
export function careOf(p: Program, fit: Fit | undefined, working: WorkingVerdict): Care {
  if (!p.steep) return { window: undefined, rules: [] };
  const s = p.steep;
  const point = s.high - s.low < 0.5;
  let window: Window = {
    earliest: Math.round(point ? s.value * (5 / 6) : s.low),
    best: Math.round(s.value),
    latest: Math.round(point ? s.value * (4 / 3) : s.high),
  };
  if (working.mostDays !== undefined && window.latest > working.mostDays)
    window = {
      earliest: Math.min(window.earliest, working.mostDays),
      best: Math.min(window.best, working.mostDays),
      latest: working.mostDays,
    };
  const rules: TouchRule[] = [];
  const turned = KIND[p.plan.kind].touch === "turn";
  const floaters = fit?.floaters ?? [];
  const freshJuicy = p.lines.some(
    (l) =>
      l.stuff.plant &&
      (l.stuff.form === "fresh" || l.stuff.form === "frozen") &&
      (l.stuff.class === "berry" || l.stuff.class === "fruit"),
  );
  if (fit && (fit.topUpMl > 8 || fit.coverDay1Cm < 1)) {
    rules.push({
      sort: "top-up",
      from: 1,
      to: 3,
      every: 3,
      matters: fit.coverDay1Cm < 0.5,
      why:
        fit.coverDay1Cm < 0
          ? `herb will stand ${Math.abs(fit.coverDay1Cm).toFixed(1)} cm clear; about ${Math.round(fit.topUpMl / 5) * 5} mL covers it`
          : `the herb drinks about ${Math.round(fit.drinksMl / 5) * 5} mL; look, and top up to the mark`,
    });
  }
  const every = SHAKES[p.plan.shake ?? "daily"]!;
  rules.push({
    sort: turned ? "turn" : "shake",
    from: 1,
    to: window.latest,
    every,
    matters: false,
    why: turned ? "so that the herb meets the honey" : "so that nothing settles dry",
  });
  if (floaters.length > 0 && !p.plan.weighted && (turned || (fit && fit.coverDay1Cm < 1.5))) {
    rules.push({
      sort: "push-under",
      from: 1,
      to: window.latest,
      every: 2,
      matters: true,
      why: `${floaters.slice(0, 2).join(" and ")} ${floaters.length > 1 ? "float" : "floats"}`,
    });
  }
  if (freshJuicy && turned)
    rules.push({
      sort: "let-out",
      from: 1,
      to: Math.min(21, window.latest),
      every: 1,
      matters: true,
      why: "fresh fruit in honey may work and make gas",
    });
  return { window, rules };
}

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

/**
 * What is due for a jar on a day. A touch missed is due once, not once for every day missed.
 * @param done last day each sort was done
 */
export function dueOn(
  care: Care,
  begun: Day,
  today: Day,
  done: Readonly<Partial<Record<TouchSort, Day>>>,
): Due[] {
  const n = daysBetween(begun, today);
  const due: Due[] = [];
  for (const r of care.rules) {
    if (n < r.from) continue;
    // A jar that is to be strained today need not be shaken first.
    if (care.window && n >= care.window.best && !r.matters) continue;
    // A look that comes once stays due a while past its days, then lapses: a jar that stood a week needs no first-day look.
    if (n > r.to + (r.matters ? 7 : 0)) continue;
    const last = done[r.sort];
    const sinceDone = last === undefined ? n : daysBetween(last, today);
    if (
      last !== undefined &&
      (sinceDone < r.every || (r.sort === "top-up" && daysBetween(begun, last) >= r.from))
    )
      continue;
    const fell =
      last === undefined
        ? addDays(begun, Math.max(r.from, n - ((n - r.from) % r.every)))
        : addDays(last, r.every);
    due.push({
      sort: r.sort,
      why: r.why,
      matters: r.matters,
      overdue: r.matters && daysBetween(fell, today) > 0,
      since: fell,
    });
  }
  // Inside the window but before its best day nothing presses; the card says it may be strained.
  if (care.window && n >= care.window.best) {
    const w = care.window;
    const left = w.latest - n;
    due.push({
      sort: "strain",
      matters: true,
      overdue: left < 0,
      since: addDays(begun, w.best),
      why: windowWords(left),
    });
  }
  return due;
}
