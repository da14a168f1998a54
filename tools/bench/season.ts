/** A year's plan beside the household's habit on paper, in the same drawn years; and how long a plan made at once, and what follows a drag, take. */
import loadHighs from "highs";
import { freeAgain, lotOf } from "../../src/core/season/batch";
import { broken } from "../../src/core/season/broken";
import { factsOf, pouredOf } from "../../src/core/season/facts";
import { greedy } from "../../src/core/season/greedy";
import { type Found, improve } from "../../src/core/season/improve";
import { strainDayOf } from "../../src/core/season/strain-day";
import { scalesOf } from "../../src/core/season/weigh";
import { type Start, type Year, fillsOf } from "../../src/core/season/year";
import { solverOf } from "../../src/workers/highs";
import { drawnYear } from "../../tests/season/households";
import { median, p95, say, sayHead, sayRatio } from "./rows";

const [YEARS, SECONDS] = [12, 4];

/** The habit: a remedy is begun when there is none left of it and none is working, on the first day that suits, in the smallest jar that is free. */
function habit(year: Year): Start[] {
  const starts: Start[] = [];
  for (let day = 0; day < year.days; day++) {
    if (!year.begins[day]) continue;
    for (const w of year.wanted) {
      const m = w.making;
      if (!m || m.keeps.length === 0 || !m.herbs[day] || w.need[day]! <= 0) continue;
      const mine = starts.filter((s) => s.remedy === w.id);
      const { pour } = pouredOf(year, w, mine);
      if (
        pour.there[day]! > w.need[day]! ||
        mine.some((s) => s.strain > day) ||
        w.stock.some((l) => l.from > day)
      )
        continue;
      const strain = strainDayOf(year, m, day);
      const vessel = year.vessels
        .filter((v) => v.pot === m.pot && v.free <= day)
        .filter((v) => starts.every((s) => s.vessel !== v.id || freeAgain(s) <= day))
        .sort((a, b) => a.ml - b.ml)[0];
      if (!vessel) continue;
      const start = {
        id: `h${starts.length}`,
        remedy: w.id,
        vessel: vessel.id,
        fill: fillsOf(m).at(-1)!,
        day,
        strain,
        in: m.keeps[0]!.in,
      };
      if (lotOf(start, vessel, w).until > day && broken(year, [...starts, start]).length === 0)
        starts.push(start);
    }
  }
  return starts;
}

export async function seasons(base: number): Promise<void> {
  const solve = solverOf(await loadHighs());
  const sum = { habit: { without: 0, thrown: 0, days: 0 }, plan: { without: 0, thrown: 0, days: 0 } };
  const atOnce: number[] = [];
  const gaps: number[] = [];
  for (let seed = 1; seed <= YEARS; seed++) {
    const year = drawnYear(seed);
    const scales = scalesOf(year);
    const t = performance.now();
    greedy(scales);
    atOnce.push(performance.now() - t);
    const until = performance.now() + SECONDS * 1000;
    let found: Found | undefined;
    for (const f of improve(scales, solve)) {
      found = f;
      if (performance.now() > until) break;
    }
    gaps.push(found!.bound > 0 ? (found!.points - found!.bound) / found!.bound : 1);
    for (const [of, starts] of [
      ["habit", habit(year)],
      ["plan", found!.starts],
    ] as const) {
      const f = factsOf(year, starts);
      sum[of].without += f.never + f.others;
      sum[of].thrown += f.thrown;
      sum[of].days += f.days;
    }
  }
  sayHead(
    `a year's plan, ${YEARS} drawn households, ${SECONDS} s each, beside the habit of beginning one when there is none`,
  );
  sayRatio("days without, plan over habit", sum.plan.without / sum.habit.without);
  sayRatio("past its day, plan over habit", sum.plan.thrown / sum.habit.thrown);
  sayRatio("making days, plan over habit", sum.plan.days / sum.habit.days);
  sayRatio("over the bound, median", 1 + median(gaps));
  say("a plan made at once, median", median(atOnce), base, "wants at most 50 ms");
  say("the same, p95", p95(atOnce), base);
  const year = drawnYear(3);
  let starts = greedy(scalesOf(year));
  const drags: number[] = [];
  for (let n = 0; n < 300; n++) {
    const t = performance.now();
    starts = starts.map((s, i) =>
      i === n % starts.length ? { ...s, day: Math.min(year.days - 1, s.day + 1) } : s,
    );
    broken(year, starts);
    for (const w of year.wanted) pouredOf(year, w, starts);
    drags.push(performance.now() - t);
  }
  say(
    "all that follows a drag, reckoned, p95",
    p95(drags),
    base,
    "wants a frame: at most 16 ms with its drawing",
  );
}
