import { line, made, trial, withSteps } from "../plan/trial";
import type { Plan } from "../plan/plan";
import { resolve } from "../reckoning/resolve";
import { VESSELS } from "../vessel/catalogue";
import { isPot } from "../vessel/vessel";
import type { Move, MoveSort } from "./move";
import { comesUp, movesOf } from "./moves";
import { paceOf } from "./pace";

const POT = [...VESSELS.values()].find((v) => v.sort === "pot" && v.fillMl > 2500)!;

const walk = (plan: Plan): readonly Move[] => {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  return movesOf(p.value);
};
const sorts = (moves: readonly Move[]): MoveSort[] => moves.map((m) => m.sort);
const the = (moves: readonly Move[], sort: MoveSort): Move => {
  const m = moves.find((x) => x.sort === sort);
  if (!m) throw new Error(`no ${sort}`);
  return m;
};

const cider = made("cider-after", [
  line("horseradish", "100 g", { form: "fresh", cut: "grated" }),
  line("garlic", "2 bulbs", { form: "fresh", cut: "chopped" }),
  line("lemon-peel", "20 g", { form: "fresh" }),
  line("ginger", "80 g", { form: "fresh", cut: "sliced" }),
]);

test("small work comes in the order hands want it: zest, garlic, cutting, and last what bites", () => {
  const found = sorts(walk(cider)).filter((s) => ["zest", "crush", "chop", "grate"].includes(s));
  expect(found).toEqual(["zest", "crush", "chop", "grate"]);
  expect(the(walk(cider), "crush").clock).toMatchObject({ value: 10 });
});

test("a jar that is left is covered, lidded, shaken, named and put by; straining is another sitting", () => {
  const moves = walk(cider);
  const s = sorts(moves);
  const at = s.indexOf("cover");
  expect(s.slice(at, at + 5)).toEqual(["cover", "lid", "shake", "label", "put-by"]);
  expect(the(moves, "put-by").sitting).toBe(0);
  expect(the(moves, "strain").sitting).toBe(1);
  expect(new Set(moves.map((m) => m.id)).size).toBe(moves.length);
});

const syrup = (steps: Plan["steps"] | readonly object[]): Plan =>
  withSteps(trial(made("syrup-half", []), { vessel: POT.id }), steps as never);

const decoction = syrup([
  {
    do: "add",
    what: [line("blackcurrant", "400 g", { form: "fresh" }), line("water", "2 L")],
  },
  { do: "simmer", for: "20-30 min" },
  { do: "strain", how: "wrung" },
  { do: "reduce", to: "1/2" },
  { do: "cool", to: "43 °C" },
  { do: "add", what: [line("honey", "1 of liquid")] },
  { do: "bottle" },
]);

test("a syrup goes over the stove in one sitting: up, simmer, mash, cloth, down, cool, sweeten, bottle", () => {
  const moves = walk(decoction);
  expect(sorts(moves).filter((s) => !["gather", "strip", "wash", "add"].includes(s))).toEqual([
    "heat",
    "simmer",
    "mash",
    "strain",
    "heat",
    "reduce",
    "cool",
    "finish",
    "bottle",
  ]);
  expect(new Set(moves.map((m) => m.sitting))).toEqual(new Set([0]));
  expect(the(moves, "simmer").clock).toMatchObject({ low: 20, high: 30 });
});

test("boiling down stops where half is left, and cooling is foreseen from the pan", () => {
  const moves = walk(decoction);
  const { wants, wait } = the(moves, "reduce");
  if (wants?.what !== "depth") throw new Error("it wants a depth");
  // Straight walls but for the foot: half the liquid is near half the depth.
  expect(wants.stopCm / wants.startCm).toBeGreaterThan(0.48);
  expect(wants.stopCm / wants.startCm).toBeLessThan(0.56);
  expect(wait.low).toBeLessThan(wait.value);
  expect(the(moves, "cool").wait.value).toBeGreaterThan(20);
  expect(the(moves, "cool").wants).toEqual({ what: "temperature", celsius: 43 });
});

test("twice the batch simmers no longer, comes up and cools more slowly", () => {
  const twice = syrup([
    { do: "add", what: [line("blackcurrant", "800 g", { form: "fresh" }), line("water", "4 L")] },
    ...decoction.steps.slice(1),
  ]);
  const [a, b] = [walk(decoction), walk(twice)];
  expect(the(b, "simmer").wait).toEqual(the(a, "simmer").wait);
  expect(the(b, "heat").wait.value / the(a, "heat").wait.value).toBeCloseTo(2, 1);
  expect(the(b, "cool").wait.value).toBeGreaterThan(1.1 * the(a, "cool").wait.value);
});

test("two litres come to the boil in about a quarter of an hour on a home hob", () => {
  const { low, value, high } = comesUp(2000, 0);
  expect(value).toBeGreaterThan(12);
  expect(value).toBeLessThan(20);
  expect(low < value && value < high).toBe(true);
});

test("the pace tells work from waiting, and is told again as it goes", () => {
  const moves = walk(decoction);
  const all = paceOf(moves, new Set(), 0);
  expect(all.bottles).toBe(true);
  expect(all.work).toBe(moves.reduce((s, m) => s + m.active, 0));
  expect(all.ends.low < all.ends.value && all.ends.value < all.ends.high).toBe(true);
  const upTo = moves.findIndex((m) => m.sort === "simmer");
  const done = new Set(moves.slice(0, upTo).map((m) => m.id));
  const begun = { move: moves[upTo]!.id, left: { low: 1, value: 2, high: 3 } };
  const later = paceOf(moves, done, 0, [begun]);
  expect(later.wait.value).toBeCloseTo(2 + moves.slice(upTo + 1).reduce((s, m) => s + m.wait.value, 0), 6);
  expect(later.ends.high - later.ends.low).toBeLessThan(all.ends.high - all.ends.low);
  expect(isPot(POT)).toBe(true);
});
