import { fold } from "../journal/fold";
import { reckonMade } from "../journal/reckon";
import { type Said, batchOf, journalOf } from "../../../tests/trial-journal";
import type { Line } from "../plan/plan";
import { line, made, withSteps } from "../plan/trial";
import {
  type Dial,
  NONE_OF_IT,
  dialOf,
  figureAt,
  goalOf,
  goesIn,
  into,
  sameVerdict,
  shareAt,
  shareOf,
} from "./finish-dial";
import { type Too, answersTo } from "./taste-answers";

const CIDER = withSteps(made("cider-after", []), [
  {
    do: "add",
    what: [
      line("ginger", "60 g", { form: "fresh", cut: "grated" }),
      line("horseradish", "40 g", { form: "fresh", cut: "grated" }),
      line("cider-vinegar", "800 mL", { strength: "5 %" }),
    ],
  },
  { do: "steep", for: "4 weeks" },
  { do: "strain", how: "wrung" },
  { do: "bottle" },
]);
const STRAINED: Said = [60 * 24 * 28, "strained", { measured: "760 mL", how: "wrung" }];
const BATCH = batchOf(CIDER, STRAINED);
const honey = (amount: string): Line => ({ id: "h", material: "honey", amount });
const lemon = (amount: string): Line => ({ id: "l", material: "lemon-juice", amount });

const reckon = (lines: readonly Line[]) => {
  const r = reckonMade(BATCH, { ...BATCH.making, finished: lines.filter(goesIn) });
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value.reckoning;
};
const dial = (lines: readonly Line[], id = "h"): Dial => dialOf(BATCH, lines, id)!;

describe("the dial of what goes into the strained liquid", () => {
  test("its places are the verdicts of what is really poured in, border to border", () => {
    const d = dial([honey("0.25 of liquid")]);
    expect(d.places.length).toBeGreaterThan(1);
    expect(d.places[0]!.from).toBe(0);
    expect(d.places.at(-1)!.to).toBe(d.most);
    for (const [i, p] of d.places.entries()) {
      if (i > 0) expect(p.from).toBe(d.places[i - 1]!.to);
      const middle = reckon([honey(shareOf((p.from + p.to) / 2))]);
      expect(sameVerdict(middle.verdict, p.verdict)).toBe(true);
      // A hundredth of a step to either side of a border it is the neighbour's.
      if (i > 0) expect(sameVerdict(reckon([honey(shareOf(p.from - 0.01))]).verdict, p.verdict)).toBe(false);
    }
  });
  test("where the line itself stands does not move its places", () => {
    expect(dial([honey("0.1 of liquid")]).places).toEqual(dial([honey("1 of liquid")]).places);
    expect(dial([honey(NONE_OF_IT)]).places).toEqual(dial([honey("1 of liquid")]).places);
  });
  test("going to a place keeps as it says, and goes no farther than it must", () => {
    const d = dial([honey("0.25 of liquid")]);
    for (const p of d.places) {
      const share = into(p, 0.25, d.most);
      expect(sameVerdict(reckon([honey(shareOf(share))]).verdict, p.verdict)).toBe(true);
      if (p.to < 0.25) expect(share).toBeGreaterThan((p.from + p.to) / 2 - 1e-9);
      if (p.from > 0.25) expect(share).toBeLessThan((p.from + p.to) / 2 + 1e-9);
    }
  });
  test("more is poured than it usually goes to: the dial reaches farther", () => {
    expect(dial([honey("0.5 of liquid")]).most).toBe(1.25);
    expect(dial([honey("2 of liquid")]).most).toBeGreaterThan(2);
    expect(dial([lemon("10 mL")], "l").most).toBe(0.5);
  });
  test("a sweetness on the dial is what the goal comes to", () => {
    const d = dial([honey("0.25 of liquid")]);
    expect(d.by).toEqual(["share", "brix", "acid"]);
    const share = shareAt(d, "brix", 40)!;
    expect(Math.abs(reckon([honey(shareOf(share))]).finished.brix.value - 40)).toBeLessThan(0.4);
    expect(figureAt(d, "brix", share)).toBeCloseTo(40, 6);
    expect(goalOf("brix", 40)).toBe("to 40 Bx");
    expect(reckon([honey(goalOf("brix", 40))]).finished.brix.value).toBeCloseTo(40, 1);
    expect(shareAt(d, "brix", 79)).toBeUndefined();
  });
  test("no line of that id, or one that cannot be reckoned, has no dial", () => {
    expect(dialOf(BATCH, [honey("0.25 of liquid")], "other")).toBeUndefined();
    expect(dialOf(BATCH, [honey("9 bottlefuls")], "h")).toBeUndefined();
  });
});

describe("tasted: the smallest change that keeps the verdict", () => {
  const too = (what: Too, lines: readonly Line[]) => answersTo(what, BATCH, lines);
  test("too sharp: more honey, a little; it keeps as long", () => {
    const lines = [honey("1 of liquid")];
    const now = reckon(lines);
    const [first] = too("sharp", lines);
    expect(first).toMatchObject({ id: "more-honey", keeps: true });
    expect(first!.moreMl).toBeGreaterThan(30);
    expect(first!.moreMl).toBeLessThan(300);
    expect(first!.after.finished.acid.value).toBeLessThan(now.finished.acid.value);
    expect(first!.after.verdict.life.days).toBeGreaterThanOrEqual(now.verdict.life.days);
    // What is offered is what it makes: the lines it would leave.
    expect(reckon(first!.lines).finished.brix.value).toBeCloseTo(first!.after.finished.brix.value, 9);
  });
  test("too sweet: less honey or more of its own vinegar; what would shorten it comes last and says so", () => {
    const answers = too("sweet", [honey("1 of liquid")]);
    expect(answers.map((a) => a.id).sort()).toEqual(["add-cider-vinegar", "less-honey"]);
    for (const a of answers)
      expect(a.after.finished.brix.value).toBeLessThan(reckon([honey("1 of liquid")]).finished.brix.value);
    expect(answers.find((a) => a.id === "less-honey")!.moreMl).toBeLessThan(0);
    const keeps = answers.map((a) => a.keeps);
    expect([...keeps].sort((a, b) => Number(b) - Number(a))).toEqual(keeps);
  });
  test("too hot: it is thinned; the herb in a mL falls", () => {
    const now = reckon([honey("0.5 of liquid")]);
    const answers = too("hot", [honey("0.5 of liquid")]);
    expect(answers.length).toBeGreaterThan(0);
    for (const a of answers) expect(a.after.herbPerMl.value).toBeLessThan(now.herbPerMl.value);
  });
  test("nothing sweet in it is not too sweet", () => expect(too("sweet", [])).toEqual([]));
});

describe("what was measured of the strained liquid", () => {
  const day = 60 * 24;
  const read = (minute: number, by: string, what: string, value: number): Said => [
    minute,
    "read",
    { what, value, by },
  ];
  const FINISHED: Said = [day * 28 + 10, "finished", { lines: [honey("1 of liquid")] }];
  const at = (...more: readonly Said[]) => {
    const b = fold(journalOf(CIDER, STRAINED, FINISHED, ...more))!;
    const r = reckonMade(b);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    return { b, r: r.value.reckoning };
  };
  test("before the last thing went in it is of another liquid, and says nothing of this one", () => {
    expect(at(read(day * 28 + 5, "strip", "ph", 5)).b.making.readings).toEqual([]);
    expect(at(read(day * 3, "strip", "ph", 5)).b.making.readings).toEqual([]);
  });
  test("a worse pH counts at once: the cupboard is lost, and regained as the entry is taken back", () => {
    expect(at().r.verdict.place).toBe("cupboard");
    const worse = at(read(day * 28 + 60, "meter", "ph", 4.9));
    expect(worse.b.making.readings).toMatchObject([{ what: "ph", by: "meter", value: 4.9 }]);
    expect(worse.r.verdict.place).toBe("fridge");
    const back = fold(
      journalOf(CIDER, STRAINED, FINISHED, read(day * 28 + 60, "meter", "ph", 4.9), [
        day * 28 + 70,
        "corrected",
        { seq: 4, body: null },
      ]),
    )!;
    expect(back.making.readings).toEqual([]);
  });
  test("a better one waits its two days, and says so", () => {
    const soon = at(read(day * 28 + 60, "meter", "ph", 2.6));
    expect(soon.r.refused.map((f) => f.name)).toEqual(["TooSoon"]);
    const late = at(read(day * 31, "meter", "ph", 2.6));
    expect(late.r.refused).toEqual([]);
  });
  test("the latest of one instrument counts; a coloured strip is read coarser than a clear one", () => {
    const twice = at(read(day * 31, "strip", "ph", 3), read(day * 32, "strip", "ph", 3.4));
    expect(twice.b.making.readings).toMatchObject([{ value: 3.4 }]);
    const coloured = at(read(day * 31, "coloured-strip", "ph", 3.4));
    expect(coloured.b.making.readings).toMatchObject([{ by: "strip", coloured: true }]);
  });
  test("a refractometer in vinegar is refused, since acid bends it too", () => {
    const r = at(read(day * 31, "refractometer", "brix", 44)).r;
    expect(r.refused.map((f) => f.name)).toEqual(["Refused"]);
  });
});
