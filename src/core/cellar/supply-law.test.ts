import { describe, expect, test } from "@jest/globals";
import { chance } from "../../../tests/chance";
import { LAWS, type Use } from "../../../tests/laws-of-use";
import { type Day, addDays, daysBetween } from "../day";
import { type Supply, supplyOf } from "./supply";

/** Households of each law; by hand as many as wanted. */
const HOUSEHOLDS = Number(process.env["JOLLY_HOUSEHOLDS"] ?? 300);
/** Futures that one who knows the law looks at. */
const FUTURES = 60;
/** Days looked ahead, and the day the calendar begins: the first of May. */
const [FAR, FIRST, MAY] = [1500, "2024-05-01", 120];
const CALENDAR = Array.from({ length: 365 + 600 }, (_, i) => addDays(FIRST, i));

const daysUntilGone = (use: Use, from: number, stock: number): number => {
  let [left, t] = [stock, 0];
  while (left > 0 && t < FAR) left -= use(from + t++);
  return t;
};

interface Foretold {
  readonly held: boolean;
  readonly early: boolean;
  /** Days between the two that are said, and between those of one who knows the law. */
  readonly width: number;
  readonly known: number;
}

function foretold(law: keyof typeof LAWS, seed: number): Foretold | undefined {
  const c = chance(seed);
  const household = LAWS[law](c);
  const days = Math.round(c.from(8, 80)) * 7;
  const at = 600 + Math.floor(c.next() * 365);
  const [today, ofYear, stock] = [CALENDAR[at]!, at + MAY, c.from(100, 700)];
  const use = household(chance(seed + 77));
  const taken = Array.from({ length: days }, (_, i) => i - days).flatMap((back) => {
    const ml = use(ofYear + back);
    const day = CALENDAR[at + back]!;
    return ml > 0 ? [{ from: day, to: day, ml }] : [];
  });
  const one = { filled: CALENDAR[at - days]! as Day, gone: today, leftMl: 0, bestBy: "2028-01-01", taken };
  const two = { filled: today, gone: undefined, leftMl: stock, bestBy: "2040-01-01", taken: [] };
  const said: Supply["out"] = supplyOf([one, two], today)?.out;
  const truth = daysUntilGone(use, ofYear, stock);
  const futures = Array.from({ length: FUTURES }, (_, k) =>
    daysUntilGone(household(chance(seed * 131 + k)), ofYear, stock),
  ).sort((a, b) => a - b);
  const at10 = futures[Math.floor(FUTURES * 0.1)]!;
  const at90 = futures[Math.ceil(FUTURES * 0.9) - 1]!;
  // Beyond what is looked ahead nothing can be compared.
  if (!said || at90 >= FAR || truth >= FAR) return undefined;
  const late = said.late ? daysBetween(today, said.late) : FAR;
  const early = daysBetween(today, said.early);
  return {
    held: truth >= early && truth <= late,
    early: truth < early,
    width: late - early,
    known: at90 - at10,
  };
}

const median = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

describe("how long it lasts, held against laws it does not know", () => {
  const pooled: number[] = [];
  test.each(Object.keys(LAWS) as (keyof typeof LAWS)[])("%s: about four in five are held", (law) => {
    const all = Array.from({ length: HOUSEHOLDS }, (_, i) => foretold(law, i * 7919 + 13)).filter(
      (f) => f !== undefined,
    );
    expect(all.length).toBeGreaterThan(HOUSEHOLDS * 0.6);
    const held = (100 * all.filter((f) => f.held).length) / all.length;
    // A household that is steady to the day is said to the day: two days more are no width.
    const wider = all.map((f) => Math.max(0, f.width - 2) / Math.max(1, f.known));
    pooled.push(...wider);
    if (process.env["JOLLY_TELL"]) console.log(law, all.length, held.toFixed(0), median(wider).toFixed(2));
    expect(held).toBeGreaterThanOrEqual(72);
    expect(held).toBeLessThanOrEqual(90);
    // What goes by turns is steadier in the long run than anything but its own law can know.
    expect(median(wider)).toBeLessThanOrEqual(law === "onAndOff" ? 1.55 : 1.4);
  });
  test("over all of them no more than three tenths wider than by one who knows", () =>
    expect(median(pooled)).toBeLessThanOrEqual(1.3));
});
