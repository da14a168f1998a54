/** A plan moved start by start is reckoned as one that was just opened, and what a hand did not move stays the object it was. */
import { drawnFrom, drawnYear } from "../../../tests/season/households";
import { poursOf } from "./facts";
import { greedy } from "./greedy";
import { scalesOf } from "./weigh";
import type { Start } from "./year";

test("under a moving hand every remedy is what it would be anew; what was not moved is not reckoned again", () => {
  const [draw, year] = [drawnFrom(5), drawnYear(5)];
  let starts: readonly Start[] = greedy(scalesOf(year), []);
  expect(starts.length).toBeGreaterThan(5);
  const pours = poursOf(year);
  let before = pours(starts);
  for (let turn = 0; turn < 40; turn++) {
    const i = Math.floor(draw() * starts.length);
    const s = starts[i]!;
    const by = Math.floor(draw() * 40) - 20;
    const [vessel] = year.vessels.filter((v) => v.id !== s.vessel && draw() < 0.3);
    if (turn % 20 === 19) starts = starts.filter((x) => x !== s);
    else
      starts = starts.map((x) =>
        x === s ? { ...s, day: s.day + by, strain: s.strain + by, vessel: vessel?.id ?? s.vessel } : x,
      );
    const now = pours(starts);
    const anew = poursOf(year)(starts);
    expect(now).toEqual(anew);
    year.wanted.forEach((w, k) => expect(now[k] === before[k]).toBe(w.id !== s.remedy));
    before = now;
  }
});
