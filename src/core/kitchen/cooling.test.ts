import { chance } from "../../../tests/chance";
import { vesselOf } from "../vessel/vessel";
import { type StoodFrom, type Temperature, learn, reaches } from "./cooling";
import { panOf } from "./pan";

/*
 * Simulated pans. Nothing here is shared with what estimates: vapour by Antoine's equation, steps of two seconds, the pot's own heat and the
 * liquid's apart, stirring that comes and goes, the room drifting, the lid put on and taken off.
 */

const { next: seeded } = chance(11);
const u = (low: number, high: number): number => low + (high - low) * seeded();
const bell = (): number => Math.sqrt(-2 * Math.log(1 - seeded())) * Math.cos(2 * Math.PI * seeded());

/** Antoine's equation for water between 1 and 100 °C, mmHg. */
const antoinePa = (c: number): number => 133.322 * 10 ** (8.07131 - 1730.63 / (233.426 + c));

interface Simulated {
  readonly heightCm: number;
  readonly diameterCm: number;
  readonly ml: number;
  readonly grams: number;
  readonly sugar: number;
  readonly stood: readonly StoodFrom[];
  readonly target: number;
  /** °C every minute, true. */
  readonly truth: readonly number[];
  /** Minute at which it is there. */
  readonly at: number;
}

function simulate(lids: boolean): Simulated | undefined {
  const diameterCm = u(14, 26);
  const heightCm = u(9, 18);
  const depth = u(3, heightCm - 2);
  const ml = (Math.PI / 4) * diameterCm ** 2 * depth;
  const sugar = u(0, 0.4);
  const grams = ml * (1 + 0.4 * sugar);
  const room = u(16, 26);
  const damp = u(0.35, 0.7);
  const skinLoss = 14 * u(0.6, 1.4);
  const airTakes = 5 * u(0.6, 1.4);
  // No pan loses by the difference alone: between a base on a board and a wall in still air.
  const power = u(0.1, 0.33);
  const target = [38, 43, 46, 49][Math.floor(u(0, 4))]!;
  if (target < room + 8) return undefined;
  const stood: StoodFrom[] = [{ minute: 0, as: seeded() < 0.5 ? "lidded" : "open" }];
  if (lids && seeded() < 0.5)
    stood.push({ minute: u(5, 25), as: stood[0]!.as === "open" ? "lidded" : "open" });
  const r = diameterCm / 200;
  const base = Math.PI * r * r;
  const wall = 2 * Math.PI * r * (depth / 100);
  const heat = grams * (4.187 - 2.72 * sugar) + u(500, 1400) * 0.48;
  let c = u(85, 98);
  const truth = [c];
  let drift = 0;
  let stirred = 0;
  for (let second = 0; second < 14 * 3600; second += 2) {
    if (second % 300 === 0) stirred = seeded() < 0.1 ? 40 : 0;
    if (second % 60 === 0) drift = 0.98 * drift + 0.05 * bell();
    const open = stood.findLast((s) => s.minute * 60 <= second)!.as === "open";
    const brisk = stirred > 0 ? 1.4 : 1;
    stirred -= 2;
    const around = room + drift;
    const still = (Math.max(1, c - around) / 50) ** power;
    const dry = skinLoss * still * (2 * base + wall) * (c - around);
    const wet = open
      ? base * 0.016 * airTakes * still * brisk * (antoinePa(c) - damp * antoinePa(around))
      : 0;
    c -= (2 * (dry + wet)) / heat;
    if ((second + 2) % 60 === 0) truth.push(c);
    if (c > target) continue;
    return { heightCm, diameterCm, ml, grams, sugar, stood, target, truth, at: (second + 2) / 60 };
  }
  return undefined;
}

interface Judged {
  readonly miss: number;
  readonly held: boolean;
}

function judge(s: Simulated, every: number, sd: number): Judged[] {
  const v = vesselOf({
    ...{ id: "pan", name: "pan", sort: "pot", lid: "metal" },
    shape: { heightCm: s.heightCm, diameterCm: s.diameterCm },
  });
  if (!v.ok) throw new Error("no pan");
  const pan = panOf(v.value.solid, s.ml, s.grams, s.sugar);
  const out: Judged[] = [];
  for (const share of [u(0.34, 0.85)]) {
    const now = Math.floor((s.at * share) / every) * every;
    if (now < s.at / 3 || s.at - now < 5 || s.stood.some((x) => x.minute > now)) continue;
    const readings: Temperature[] = [];
    for (let m = 0; m <= now; m += every)
      readings.push({ minute: m, celsius: s.truth[m]! + sd * bell(), sd });
    const r = reaches(learn({ pan, stood: s.stood, readings }), s.target, now);
    if (!r.comes) continue;
    const { value, low, high } = r.minute;
    out.push({ miss: Math.abs(value - s.at) / (s.at - now), held: s.at >= low && s.at <= high });
  }
  return out;
}

const quantile = (x: readonly number[], q: number): number =>
  [...x].sort((a, b) => a - b)[Math.floor(q * (x.length - 1))]!;

/** By hand: JOLLY_PANS=1000. */
const PANS = Number(process.env["JOLLY_PANS"] ?? 400);

function many(every: number, sd: number): { median: number; ninetieth: number; held: number; n: number } {
  const all: Judged[] = [];
  for (let n = 0; n < PANS;) {
    const s = simulate(true);
    if (!s || s.at < 20) continue;
    all.push(...judge(s, every, sd));
    n++;
  }
  const misses = all.map((j) => j.miss);
  return {
    median: quantile(misses, 0.5),
    ninetieth: quantile(misses, 0.9),
    held: all.filter((j) => j.held).length / all.length,
    n: all.length,
  };
}

test("pans by the hundred read every minute: within 5 % at the median, 10 % at the ninetieth, four in five held", () => {
  const t = many(1, 0.4);
  expect(t.n).toBeGreaterThan(0.8 * PANS);
  expect(t.median).toBeLessThan(0.05);
  expect(t.ninetieth).toBeLessThan(0.1);
  expect(t.held).toBeGreaterThan(0.75);
  expect(t.held).toBeLessThan(0.88);
});

test("read by hand every ten minutes: within 6 % and 14 %", () => {
  const t = many(10, 0.4);
  expect(t.median).toBeLessThan(0.06);
  expect(t.ninetieth).toBeLessThan(0.14);
  expect(t.held).toBeGreaterThan(0.73);
  expect(t.held).toBeLessThan(0.88);
});
