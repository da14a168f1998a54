import { chance } from "../../../tests/chance";
import { vesselOf } from "../vessel/vessel";
import { type Boiling, type PanReading, boilsDown, learnBoiling } from "./boiling";

/* Simulated pans that boil down: straight walls and its own arithmetic, the flame wandering, stirred, salted with what does not boil away. */

const { next: seeded } = chance(23);
const u = (low: number, high: number): number => low + (high - low) * seeded();
const bell = (): number => Math.sqrt(-2 * Math.log(1 - seeded())) * Math.cos(2 * Math.PI * seeded());

const panOf = (diameterCm: number, heightCm: number) => {
  const v = vesselOf({
    ...{ id: "pan", name: "pan", sort: "pot", lid: "metal" },
    shape: {
      profile: [
        [0, diameterCm],
        [heightCm, diameterCm],
      ],
    },
  });
  if (!v.ok) throw new Error("no pan");
  return v.value;
};

interface Judged {
  readonly miss: number;
  readonly held: boolean;
}

function one(every: number): Judged | undefined {
  const [d, startCm] = [u(15, 26), u(5, 12)];
  const across = (Math.PI / 4) * d * d;
  const boils = seeded() < 0.5 ? "simmer" : "rolling";
  const weighs = seeded() < 0.5;
  const rate = (boils === "simmer" ? 0.045 : 0.1) * u(0.6, 1.4);
  const start = startCm * across;
  const solids = start * u(0, 0.1);
  const target = start * u(0.4, 0.7);
  let flame = 0;
  let ml = start;
  let minute = 0;
  const truth = [ml];
  while (ml > target && minute < 700) {
    flame = 0.95 * flame + 0.012 * bell();
    for (let s = 0; s < 10; s++) ml -= (0.1 * rate * Math.exp(flame) * across) / 0.96;
    minute++;
    truth.push(ml);
  }
  const at = minute - (target - ml) / (truth.at(-2)! - ml);
  const now = Math.floor((at * u(0.34, 0.85)) / every) * every;
  if (at < Math.max(20, 4 * every) || now < at / 3 || at - now < 5) return undefined;
  const readings: PanReading[] = [];
  for (let m = 0; m <= now; m += every)
    readings.push(
      weighs
        ? { minute: m, what: "weight", value: 1.4 * solids + (truth[m]! - solids) * 0.96 + 4 * bell(), sd: 4 }
        : { minute: m, what: "depth", value: truth[m]! / across + 0.1 * bell(), sd: 0.1 },
    );
  const boiling: Boiling = {
    solid: panOf(d, 20).solid,
    startMl: { mean: start * (1 + 0.03 * bell()), sd: 0.03 * start },
    ...{ displacedMl: 0, staysG: 1.4 * solids, staysMl: solids, sugarG: 0, boils, cover: "open" },
    ...{ beganMinute: 0, readings },
  };
  const { minute: said } = boilsDown(learnBoiling(boiling), target, now);
  if (!said) throw new Error("it boils");
  return { miss: Math.abs(said.value - at) / (at - now), held: at >= said.low && at <= said.high };
}

const quantile = (x: readonly number[], q: number): number =>
  [...x].sort((a, b) => a - b)[Math.floor(q * (x.length - 1))]!;

function thousand(every: number) {
  const all: Judged[] = [];
  for (let n = 0; n < 20_000 && all.length < 1000; n++) {
    const j = one(every);
    if (j) all.push(j);
  }
  const misses = all.map((j) => j.miss);
  return {
    n: all.length,
    median: quantile(misses, 0.5),
    ninetieth: quantile(misses, 0.9),
    held: all.filter((j) => j.held).length / all.length,
  };
}

test.each([
  [1, 0.05, 0.1],
  [10, 0.06, 0.14],
])("a thousand pans boiled down, read every %i minutes", (every, median, ninetieth) => {
  const t = thousand(every);
  expect(t.n).toBe(1000);
  expect(t.median).toBeLessThan(median);
  expect(t.ninetieth).toBeLessThan(ninetieth);
  expect(t.held).toBeGreaterThan(0.75);
  expect(t.held).toBeLessThan(0.88);
});

const still = (more: Partial<Boiling>): Boiling => ({
  solid: panOf(20, 15).solid,
  startMl: { mean: 2000, sd: 40 },
  ...{ displacedMl: 0, staysG: 0, staysMl: 0, sugarG: 0, boils: "simmer", cover: "open", beganMinute: 0 },
  readings: [],
  ...more,
});

test("plants in the pot raise every mark by what they take up", () => {
  const bare = boilsDown(learnBoiling(still({})), 1000, 0);
  const full = boilsDown(learnBoiling(still({ displacedMl: 400 })), 1000, 0);
  const risen = 400 / ((Math.PI / 4) * 400);
  expect(full.stopCm - bare.stopCm).toBeCloseTo(risen, 6);
  expect(full.startCm - bare.startCm).toBeCloseTo(risen, 6);
});

test("a lid keeps most of it in, and pressure all", () => {
  const open = boilsDown(learnBoiling(still({})), 1500, 0).minute!.value;
  const lid = boilsDown(learnBoiling(still({ cover: "lid", startMl: { mean: 2000, sd: 1 } })), 1950, 0);
  const bare = boilsDown(learnBoiling(still({ startMl: { mean: 2000, sd: 1 } })), 1950, 0);
  expect(open).toBeGreaterThan(10);
  expect(lid.minute!.value / bare.minute!.value).toBeCloseTo(1 / 0.15, 1);
  expect(boilsDown(learnBoiling(still({ cover: "pressure" })), 1500, 0).minute).toBeUndefined();
});

test("what catches is said: a thin layer, thick sugar, more than is water", () => {
  const thin = boilsDown(learnBoiling(still({})), 300, 0);
  expect(thin.warns.join(" ")).toMatch(/10 mm.*narrower/);
  const sweet = still({ sugarG: 900, staysG: 950, staysMl: 590 });
  expect(boilsDown(learnBoiling(sweet), 1000, 0).warns.join(" ")).toMatch(/stir without stopping/);
  expect(boilsDown(learnBoiling(sweet), 590, 0).warns.join(" ")).toMatch(/not water/);
  expect(boilsDown(learnBoiling(still({})), 1500, 0).warns).toEqual([]);
});

test("readings no pan could give are told apart from a brisk flame", () => {
  const falling = (cmPerMin: number): PanReading[] =>
    Array.from({ length: 8 }, (_, i) => ({
      ...{ minute: 3 * (i + 1), what: "depth", sd: 0.1 },
      value: 6.366 - cmPerMin * 3 * (i + 1),
    }));
  const usual = 0.045 / 0.96;
  expect(learnBoiling(still({ readings: falling(usual * 1.8) })).wrong).toBeUndefined();
  expect(learnBoiling(still({ readings: falling(usual * 5) })).wrong).toMatch(/pot’s width/);
  expect(learnBoiling(still({ readings: falling(-0.05) })).wrong).toBeDefined();
});
