import type { Lot, Start, Year } from "../../src/core/season/year";

/*
 * A plan gone through day by day, against everything a household can and cannot do. Written from what is asked of a plan and knowing nothing of how
 * one is made: it imports types alone.
 */

export interface Went {
  /** What cannot be done, in words. */
  readonly wrong: readonly string[];
  /** Days on which something wanted was not there, of each remedy; the share of a day that was short. */
  readonly without: ReadonlyMap<string, number>;
  /** mL past their day, of each remedy. */
  readonly thrown: ReadonlyMap<string, number>;
  /** Days on which anything was begun or strained. */
  readonly makingDays: number;
}

interface Standing {
  left: number;
  readonly lot: Lot;
  /** It came of the plan. */
  readonly ours: boolean;
}

/** Goes through a plan. Room is over only where the plan itself put something there. */
export function goThrough(year: Year, starts: readonly Start[]): Went {
  const wrong: string[] = [];
  const say = (s: Start, what: string): void =>
    void wrong.push(`${s.remedy} in ${s.vessel} on ${s.day}: ${what}`);
  const wantedBy = new Map(year.wanted.map((w) => [w.id, w]));
  const holds = new Map<string, { start: Start; until: number }[]>();
  const hoursOn = new Float64Array(year.days + 1);
  const busy = new Set<number>();
  const lots = new Map<string, Standing[]>(
    year.wanted.map((w) => [w.id, w.stock.map((lot) => ({ left: lot.ml, lot, ours: false }))]),
  );
  const working = new Float64Array(year.days + 1);
  for (const s of starts) {
    const w = wantedBy.get(s.remedy);
    const vessel = year.vessels.find((v) => v.id === s.vessel);
    const m = w?.making;
    if (!w || !m || !vessel) {
      say(s, "nobody knows it");
      continue;
    }
    if (s.day < 0 || s.day >= year.days) say(s, "not in this year");
    if (m.pot !== vessel.pot) say(s, "not in such a vessel");
    if (vessel.free > s.day) say(s, "the vessel is full");
    if (!year.begins[s.day]) say(s, "nobody begins that day");
    if (!m.herbs[s.day]) say(s, "no herb");
    if (m.steep) {
      const stood = s.strain - s.day;
      if (stood < m.steep.earliest || stood > m.steep.latest) say(s, `strained after ${stood} days`);
      if (s.strain < year.days && !year.strains[s.strain]) say(s, "nobody strains that day");
    } else if (s.strain !== s.day) say(s, "cooked and not had");
    const keeps = m.keeps.find((k) => k.in === s.in);
    if (!keeps) say(s, `may not stand in the ${s.in}`);
    for (const other of holds.get(s.vessel) ?? []) {
      const mine = Math.max(s.day + 1, s.strain);
      if (s.day < other.until && other.start.day < mine) say(s, `the vessel holds ${other.start.remedy}`);
    }
    holds.set(s.vessel, [...(holds.get(s.vessel) ?? []), { start: s, until: Math.max(s.day + 1, s.strain) }]);
    hoursOn[s.day] = (hoursOn[s.day] ?? 0) + m.hours.begin;
    busy.add(s.day);
    if (m.steep && s.strain < year.days) {
      hoursOn[s.strain] = (hoursOn[s.strain] ?? 0) + m.hours.strain;
      busy.add(s.strain);
    }
    if (m.worksCold)
      for (let d = s.day; d < Math.min(year.days, s.strain); d++) working[d]! += vessel.ml * s.fill;
    const ml = vessel.ml * s.fill * m.gives.value;
    lots.get(s.remedy)!.push({
      left: ml,
      ours: true,
      lot: { ml, from: s.strain, until: s.strain + (keeps?.days ?? 0), in: s.in },
    });
  }
  for (let d = 0; d < year.days; d++)
    if (hoursOn[d]! > year.hours.day + 1e-6) wrong.push(`day ${d}: ${hoursOn[d]} hours of work`);
  for (let d = 0; d + 6 < year.days; d += 7) {
    const sum = hoursOn.slice(d, d + 7).reduce((a, b) => a + b, 0);
    if (sum > year.hours.week + 1e-6) wrong.push(`week of day ${d}: ${sum} hours of work`);
  }
  const without = new Map<string, number>();
  const thrown = new Map<string, number>();
  for (let d = 0; d < year.days; d++) {
    for (const place of ["fridge", "freezer"] as const) {
      let [all, theirs] = [place === "fridge" ? working[d]! : 0, 0];
      for (const standing of lots.values())
        for (const s of standing)
          if (s.lot.in === place && s.lot.from <= d && d <= s.lot.until) {
            all += s.left;
            if (!s.ours) theirs += s.left;
          }
      if (all > year.room[place] + 1 && all > theirs + 1)
        wrong.push(`day ${d}: ${Math.round(all)} mL in the ${place}`);
    }
    for (const w of year.wanted) {
      const here = lots.get(w.id)!;
      const gift = w.gifts.filter((g) => g.day === d).reduce((n, g) => n + g.ml, 0);
      const asked = w.need[d]! + gift;
      let short = asked;
      const good = here.filter((s) => s.lot.from <= d && d <= s.lot.until && s.left > 0);
      good.sort((a, b) => a.lot.until - b.lot.until);
      for (const s of good) {
        const some = Math.min(short, s.left);
        s.left -= some;
        short -= some;
      }
      if (short > 1e-6) without.set(w.id, (without.get(w.id) ?? 0) + short / asked);
      for (const s of here)
        if (s.lot.until === d && s.left > 0) thrown.set(w.id, (thrown.get(w.id) ?? 0) + s.left);
    }
  }
  return { wrong, without, thrown, makingDays: busy.size };
}
