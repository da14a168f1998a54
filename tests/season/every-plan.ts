import type { Start, Year } from "../../src/core/season/year";

/*
 * Every plan there is of a small year, one after the other: for each vessel all ways of filling it one after the other, of all vessels all ways
 * together. What may be done is asked of whoever calls.
 */

interface Part {
  readonly start: Start;
  readonly until: number;
}

/** Everything that could be begun in one vessel, of any remedy, on any day that suits. */
function parts(year: Year, vessel: Year["vessels"][number]): Part[] {
  const out: Part[] = [];
  for (const w of year.wanted) {
    const m = w.making;
    if (!m || m.pot !== vessel.pot) continue;
    for (let day = vessel.free; day < year.days; day++) {
      if (!year.begins[day] || !m.herbs[day]) continue;
      const strains: number[] = [];
      if (!m.steep) strains.push(day);
      else
        for (let s = day + m.steep.earliest; s <= day + m.steep.latest; s++)
          if (s < year.days && year.strains[s]) strains.push(s);
      for (const strain of strains)
        for (const fill of m.pot ? [1, 0.5, 0.25] : [1])
          for (const k of m.keeps)
            out.push({
              until: Math.max(day + 1, strain),
              start: { id: "", remedy: w.id, vessel: vessel.id, fill, day, strain, in: k.in },
            });
    }
  }
  return out;
}

function inOne(all: readonly Part[], from = 0): Start[][] {
  const out: Start[][] = [[]];
  for (const p of all)
    if (p.start.day >= from) for (const rest of inOne(all, p.until)) out.push([p.start, ...rest]);
  return out;
}

/** All plans of a small year. */
export function* everyPlan(year: Year): Generator<Start[]> {
  const each = year.vessels.map((v) => inOne(parts(year, v)));
  function* from(i: number, so: readonly Start[]): Generator<Start[]> {
    if (i === each.length) return yield so.map((s, n) => ({ ...s, id: `s${n}` }));
    for (const one of each[i]!) yield* from(i + 1, [...so, ...one]);
  }
  yield* from(0, []);
}
