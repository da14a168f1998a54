import { describe, expect, test } from "@jest/globals";
import { chance } from "../../../tests/chance";
import { type BottleEvent, type Filled, foldBottle } from "../cellar/bottle";
import { mayFollowBottle } from "../cellar/may-befall";
import { addDays, daysBetween } from "../day";
import type { IssuedVerdict, PlaceClass } from "../journal/events";
import { bestByOfBottle } from "./clock";
import { bestByOf, upTo } from "./label";

const STRAINED = "2026-01-01";
const FILLED: Filled = {
  id: "b",
  number: 2,
  ml: 250,
  place: "cupboard",
  at: undefined,
  strained: STRAINED,
  filled: "2026-01-03",
};
const CUPBOARD: IssuedVerdict = {
  rules: 2,
  row: "acid-and-sugar",
  vetoes: [],
  place: "cupboard",
  days: 180,
  lifeWords: "six months",
  fridgeDays: 360,
  fridgeWords: "a year",
  openedDays: 60,
  openedWords: "two months",
  openedInCupboard: true,
  coolDark: false,
  vented: false,
};
const FRIDGE: IssuedVerdict = {
  ...CUPBOARD,
  place: "fridge",
  days: 90,
  fridgeDays: 90,
  openedInCupboard: false,
  openedDays: 30,
};
const always = (v: IssuedVerdict) => () => v;

let seq = 0;
const entry = (type: string, day: string, body: object = {}): BottleEvent =>
  ({
    type,
    version: 1,
    streamId: "b",
    seq: ++seq,
    key: "k",
    at: `${day}T10:00:00.000Z`,
    recordedAt: `${day}T10:00:00.000Z`,
    day,
    body,
  }) as unknown as BottleEvent;
const moved = (day: string, place: PlaceClass): BottleEvent => entry("moved", day, { place });
const after = (n: number): string => addDays(STRAINED, n);
const bestBy = (events: BottleEvent[], v = CUPBOARD, own?: string, filled = FILLED): string =>
  bestByOfBottle(foldBottle(filled, events), always(v), own);

describe("a bottle’s clock", () => {
  test("as filled it runs from straining, by its place", () => {
    expect(bestBy([])).toBe(after(180));
    expect(bestBy([], FRIDGE, undefined, { ...FILLED, place: "fridge" })).toBe(after(90));
    expect(bestBy([], FRIDGE, undefined, { ...FILLED, place: "freezer" })).toBe(after(365));
  });
  test("each place uses its own share: half in the cupboard, then half of the fridge’s life is left", () =>
    expect(bestBy([moved(after(90), "fridge")])).toBe(after(90 + 180)));
  test("in a place that is forbidden it has three days, and what is neither sour nor dry has hours", () => {
    const at = { ...FILLED, place: "fridge" as const };
    expect(bestBy([moved(after(5), "cupboard")], { ...FRIDGE, fridgeDays: 90 }, undefined, at)).toBe(
      after(7),
    );
    expect(bestBy([moved(after(5), "cupboard")], { ...FRIDGE, quick: true }, undefined, at)).toBe(after(5));
    expect(bestBy([], { ...FRIDGE, quick: true }, undefined, at)).toBe(after(90));
  });
  test("opened, it lasts its opened life from that day at most", () => {
    expect(bestBy([entry("opened", after(10))])).toBe(after(10 + 56));
    // Nine tenths used closed: a tenth of the opened life is left.
    expect(bestBy([entry("opened", after(162))])).toBe(after(162 + 6));
  });
  test("poured from, it is open", () =>
    expect(bestBy([entry("poured", after(10), { ml: 5, said: "1 tsp" })])).toBe(
      bestBy([entry("opened", after(10))]),
    ));
  test("frozen it uses nothing, and goes on in the fridge with what it had", () => {
    const filled = { ...FILLED, place: "fridge" as const };
    expect(bestBy([moved(after(30), "freezer")], FRIDGE, undefined, filled)).toBe(after(30 + 365));
    expect(
      bestBy([moved(after(30), "freezer"), moved(after(130), "fridge")], FRIDGE, undefined, filled),
    ).toBe(after(130 + 60));
  });
  test("a year of ice is one year, however often it went in", () => {
    const turns = [moved(after(10), "freezer"), moved(after(210), "fridge"), moved(after(220), "freezer")];
    expect(bestBy(turns)).toBe(after(220 + 165));
  });
  test("what was frozen to its end is not past its own date nor past what somebody saw", () => {
    const turns = [moved(after(10), "freezer"), moved(after(400), "fridge")];
    expect(bestBy(turns, CUPBOARD, after(200))).toBe(after(200));
    expect(bestBy([...turns, entry("opened", after(401))])).toBe(after(10 + 365));
  });
  test("a year frozen is the end of it", () =>
    expect(bestBy([moved(after(10), "freezer"), moved(after(400), "fridge")])).toBe(after(10 + 365)));
  test("a place the verdict forbids uses it up in days, closed or opened", () => {
    const filled = { ...FILLED, place: "fridge" as const };
    expect(bestBy([moved(after(45), "cupboard")], FRIDGE, undefined, filled)).toBe(after(45 + 1));
    expect(bestBy([entry("opened", after(0)), moved(after(15), "cupboard")], FRIDGE, undefined, filled)).toBe(
      after(15 + 1),
    );
  });
  test("a closed one put where it may not stand has three days of its whole life", () =>
    expect(bestBy([], FRIDGE, undefined, { ...FILLED, place: "cupboard" })).toBe(after(3)));
  test("opened and then frozen, its opened life goes on counting from the day it was opened", () => {
    const turns = [entry("opened", after(10)), moved(after(20), "freezer"), moved(after(120), "fridge")];
    expect(bestBy(turns)).toBe(after(10 + 60));
  });
  test("the maker’s own date stands while it is as filled, and after that only shortens", () => {
    expect(bestBy([], CUPBOARD, after(300))).toBe(after(300));
    expect(bestBy([entry("opened", after(10))], CUPBOARD, after(300))).toBe(after(66));
    expect(bestBy([entry("opened", after(10))], CUPBOARD, after(20))).toBe(after(20));
  });
  test("whoever looked at it may shorten it, and a later look takes that back", () => {
    const look = (outcome: string, useBy?: string): BottleEvent =>
      entry("inspected", after(20), { signs: [], outcome, ...(useBy ? { useBy } : {}) });
    expect(bestBy([look("use-up", after(25))])).toBe(after(25));
    expect(bestBy([look("use-up", after(25)), look("fine")])).toBe(after(180));
  });
  test("more use of any place never makes it longer", () => {
    const places: PlaceClass[] = ["cupboard", "fridge", "freezer"];
    let compared = 0;
    for (const first of places)
      for (const then of places)
        for (let d = 10; d < 90; d += 10) {
          const early = bestBy([moved(after(d), then)], FRIDGE, undefined, { ...FILLED, place: first });
          const opened = bestBy([entry("opened", after(d)), moved(after(d), then)], FRIDGE, undefined, {
            ...FILLED,
            place: first,
          });
          compared += 1;
          expect(opened <= early || then === "freezer").toBe(true);
        }
    expect(compared).toBe(72);
  });
});

describe("a bottle’s journal", () => {
  test("what was poured is gone, and taken back it is there again", () => {
    const poured = entry("poured", after(5), { ml: 100, said: "100 mL" });
    expect(foldBottle(FILLED, [poured])).toMatchObject({ leftMl: 150, openedDay: after(5), state: "kept" });
    const undo = entry("corrected", after(5), { seq: poured.seq, body: null });
    expect(foldBottle(FILLED, [poured, undo])).toMatchObject({ leftMl: 250, openedDay: undefined });
  });
  test.each([
    ["given", { to: "the neighbour" }, "given"],
    ["emptied", {}, "emptied"],
    ["discarded", { why: "mould" }, "discarded"],
  ])("%s, nothing more happens to it", (type, body, state) => {
    const b = foldBottle(FILLED, [entry(type, after(5), body)]);
    expect(b.state).toBe(state);
    for (const next of ["opened", "poured", "moved", "inspected", "emptied"] as const)
      expect(mayFollowBottle(b, next, { place: "fridge" })).toMatch(/take the entry back first/);
    expect(mayFollowBottle(b, "corrected", {})).toBeUndefined();
  });
  test("frozen once it is not frozen again, and thaws only in the fridge", () => {
    const frozen = foldBottle(FILLED, [moved(after(1), "freezer")]);
    expect(mayFollowBottle(frozen, "moved", { place: "cupboard" })).toMatch(/thaws in the fridge/);
    expect(mayFollowBottle(frozen, "poured", { ml: 5, said: "1 tsp" })).toMatch(/frozen/);
    const thawed = foldBottle(FILLED, [moved(after(1), "freezer"), moved(after(2), "fridge")]);
    expect(mayFollowBottle(thawed, "moved", { place: "freezer" })).toMatch(/not frozen again/);
    expect(mayFollowBottle(thawed, "moved", { place: "cupboard" })).toBeUndefined();
  });
});

/** The same, told plainly: day after day, each using its part, until no whole day more is left. */
function plainly(
  stood: readonly (readonly [from: string, place: PlaceClass])[],
  opened: string | undefined,
  v: IssuedVerdict,
): string {
  const warm = (p: PlaceClass): boolean => p === "cupboard" || p === "cool-dark";
  const lifeOf = (place: PlaceClass, open: boolean): number => {
    if (open) return warm(place) && !v.openedInCupboard ? 3 : v.openedDays;
    if (v.place === "fridge" && warm(place)) return 3;
    return place === "fridge" ? Math.max(v.fridgeDays, v.place === "fridge" ? v.days : 0) : v.days;
  };
  let [used, frozen] = [0, 0];
  for (let n = 0, day = stood[0]![0]; n < 4000; n++, day = addDays(day, 1)) {
    const [, place] = stood.findLast(([d]) => d <= day)!;
    if (used >= 1 - 1e-6) return day;
    if (place === "freezer") {
      if (frozen >= 365) return day;
      frozen++;
      continue;
    }
    const life = lifeOf(place, opened !== undefined && opened <= day);
    if (used + 1 / life > 1 + 1e-6) return day;
    used += 1 / life;
  }
  throw new Error("it lasts for ever");
}

test("ten thousand lives of bottles come to the day a plain count of days comes to", () => {
  const c = chance(20_261_126);
  const verdicts = [CUPBOARD, FRIDGE, { ...CUPBOARD, openedInCupboard: false, openedDays: 45 }];
  const off: string[] = [];
  for (let n = 0; n < 10_000; n++) {
    const v = verdicts[Math.floor(c.next() * verdicts.length)]!;
    let [place, day]: [PlaceClass, string] = [v.place === "fridge" ? "fridge" : "cupboard", STRAINED];
    const stood: [string, PlaceClass][] = [[day, place]];
    for (let k = Math.floor(c.next() * 4); k > 0; k--) {
      day = addDays(day, 1 + Math.floor(c.next() * 60));
      const next = (["cupboard", "cool-dark", "fridge", "freezer"] as const)[Math.floor(c.next() * 4)]!;
      place = place === "freezer" ? "fridge" : next;
      stood.push([day, place]);
    }
    // Nobody opens what is frozen.
    const at = addDays(STRAINED, 1 + Math.floor(c.next() * 150));
    const opened = c.next() < 0.5 && stood.findLast(([d]) => d <= at)![1] !== "freezer" ? at : undefined;
    const events = [
      ...stood.slice(1).map(([d, p]) => moved(d, p)),
      ...(opened ? [entry("opened", opened)] : []),
    ];
    const filled = { ...FILLED, place: stood[0]![1], filled: STRAINED };
    const is = bestBy(events, v, undefined, filled);
    const best = plainly(stood, opened, v);
    const cap = opened !== undefined && place !== "freezer" ? addDays(opened, v.openedDays) : best;
    const should = cap < best ? cap : best;
    if (is !== should) off.push(`${JSON.stringify(stood)} opened ${opened}: ${is}, plainly ${should}`);
  }
  expect(off.slice(0, 5)).toEqual([]);
});

describe("months of the calendar", () => {
  const v4 = { ...CUPBOARD, rules: 4 };
  const strainedOn = (strained: string): Filled => ({ ...FILLED, strained, filled: strained });
  test.each([
    ["2026-11-29", "2027-05-29"],
    ["2026-08-31", "2027-02-28"],
    ["2027-09-30", "2028-03-30"],
  ])("six months from %s are up on %s", (strained, up) => {
    expect(bestBy([], v4, undefined, strainedOn(strained))).toBe(up);
    expect(bestByOf(v4, strained, "cupboard")).toBe(up);
  });
  test("a label of older rules keeps the day it says", () => {
    expect(bestBy([], CUPBOARD, undefined, strainedOn("2026-11-29"))).toBe("2027-05-28");
  });
  test("opened, its two months run from that day", () => {
    expect(bestBy([entry("opened", "2026-12-31")], v4, undefined, strainedOn("2026-12-31"))).toBe(
      "2027-02-28",
    );
  });
  test.each([4, 6])(
    "by rules %p a promise cut to the last day of what was poured into it never passes that day",
    (rules) => {
      for (let i = 0; i < 400; i++) {
        const last = addDays("2026-12-01", i);
        const day = bestByOf(upTo({ ...v4, rules }, "2026-11-29", last), "2026-11-29", "cupboard");
        const most = last < "2027-05-29" ? last : "2027-05-29";
        // A day less, where the days to it happen to be those a month is known by.
        expect([last, day <= most && daysBetween(day, most) <= 1]).toEqual([last, true]);
      }
    },
  );
  test("no date hangs on how a life is spelt, from version 6 on; what was promised before keeps its day", () => {
    const spelt = (rules: number): IssuedVerdict => ({ ...v4, rules, lifeWords: "half a year" });
    expect(bestByOf(spelt(6), "2026-11-29", "cupboard")).toBe("2027-05-29");
    expect(bestByOf(spelt(5), "2026-11-29", "cupboard")).toBe("2027-05-28");
    expect(bestByOf({ ...v4, rules: 5 }, "2026-11-29", "cupboard")).toBe("2027-05-29");
  });
});
