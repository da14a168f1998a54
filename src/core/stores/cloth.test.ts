import { type Chance, chance } from "../../../tests/chance";
import { batchOf } from "../../../tests/trial-journal";
import { keptBackOf } from "../journal/kept-back";
import { reckonMade } from "../journal/reckon";
import { MATERIALS } from "../material/catalogue";
import { CLASSES } from "../material/classes";
import { stuffOf } from "../material/material";
import { line, made, withSteps } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { learnedOf } from "./cloth";
import type { LearnedCloth } from "./item";
import { catalogueWith } from "./own";

const PLAN = withSteps(made("vinegar-plain", []), [
  {
    do: "add",
    what: [line("nettle", "60 g", { form: "dried" }), line("cider-vinegar", "700 mL", { strength: "5 %" })],
  },
  { do: "steep", for: "4 weeks" },
  { do: "strain", how: "wrung" },
  { do: "bottle" },
]);
const program = (measured: string) => {
  const r = reckonMade(batchOf(PLAN, [60 * 24 * 28, "strained", { measured, how: "wrung" }]));
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const kept = (...shares: readonly number[]) => ({
  ...{ class: "leaf" as const, how: "wrung" as const, batches: shares.length },
  sum: shares.reduce((s, x) => s + x, 0),
  squares: shares.reduce((s, x) => s + x * x, 0),
});

describe("what one straining kept", () => {
  const jar = program("500 mL").reckoning.jar.ml.value;
  // By the book: half of the dry matter stays, as the figures were weighed, so all of it counts.
  const book = resolve(PLAN);
  const foreseen = book.ok ? reckonProgram(book.value).strained.ml.value : 0;
  test("as much as the book says is one, half as much is a half", () => {
    const by = (share: number) =>
      keptBackOf(program(`${(jar - (jar - foreseen) * share).toFixed(2)} mL`).program)!;
    expect(by(1)).toMatchObject({ class: "leaf", how: "wrung" });
    expect(by(1).share).toBeCloseTo(1, 2);
    expect(by(0.5).share).toBeCloseTo(0.5, 2);
    expect(by(1.8).share).toBeCloseTo(1.8, 2);
  });
  test("out of all reason, or more than went in, teaches nothing", () => {
    expect(keptBackOf(program("20 mL").program)).toBeUndefined();
    expect(keptBackOf(program(`${Math.round(jar + 50)} mL`).program)).toBeUndefined();
  });
  test("what was not measured teaches nothing", () => {
    const r = resolve(PLAN);
    expect(r.ok && keptBackOf(r.value)).toBeUndefined();
  });
});

describe("learned", () => {
  test("the book counts for five strainings", () => {
    expect(learnedOf(kept(1.6)).share.value).toBeCloseTo((5 + 1.6) / 6, 9);
    expect(learnedOf(kept(...Array<number>(5).fill(1.5))).share.value).toBeCloseTo(1.25, 9);
    expect(learnedOf(kept(...Array<number>(95).fill(1.5))).share.value).toBeCloseTo(1.475, 9);
  });
  test("the spread narrows with every straining that agrees, and is wider where they scatter", () => {
    const half = (k: ReturnType<typeof kept>): number => {
      const { share } = learnedOf(k);
      return (share.high - share.low) / 2;
    };
    const steady = [1, 3, 8, 20].map((n) => half(kept(...Array<number>(n).fill(1.1))));
    expect([...steady].sort((a, b) => b - a)).toEqual(steady);
    expect(steady[0]).toBeLessThan(0.25);
    expect(half(kept(0.5, 1.5, 0.5, 1.5))).toBeGreaterThan(half(kept(1, 1, 1, 1)));
    expect(half(kept(...Array<number>(500).fill(1)))).toBeCloseTo(0.06, 9);
  });
  test("the next straining lies inside four times in five, in households that scatter much and little, near the book and far", () => {
    const bell = (c: Chance): number =>
      Math.sqrt(-2 * Math.log(1 - c.next())) * Math.cos(2 * Math.PI * c.next());
    const held = [3, 8, 20].map((n) => {
      let inside = 0;
      for (let i = 0; i < 3000; i++) {
        const c = chance(i * 17 + n);
        const [mean, scatter] = [1 + 0.2 * bell(c), c.from(0.08, 0.28)];
        const one = (): number => Math.max(0.1, mean + scatter * bell(c));
        const { share } = learnedOf(kept(...Array.from({ length: n }, one)));
        const next = one();
        if (next >= share.low && next <= share.high) inside++;
      }
      return inside / 3000;
    });
    for (const h of held) expect([h, h > 0.75 && h < 0.87]).toEqual([h, true]);
  });
  test("a class that was learned keeps so, wrung so, and foresees its yield closer; others stay by the book", () => {
    const learned: LearnedCloth = {
      what: "learned",
      class: "leaf",
      how: "wrung",
      batches: 9,
      share: 1.5,
      spread: 0.08,
    };
    const catalogue = catalogueWith([], [], MATERIALS, [learned]);
    const of = (id: string) => {
      const s = stuffOf(catalogue.get(id)!, { form: "dried" });
      if (!s.ok) throw new Error(s.faults[0]!.message);
      return s.value.retention;
    };
    expect(of("nettle").wrung).toBeCloseTo(CLASSES.leaf.retention.wrung * 1.5, 9);
    expect(of("nettle").pressed).toBe(CLASSES.leaf.retention.pressed);
    expect(of("ginger")).toEqual(CLASSES.root.retention);
    const yields = (materials: typeof catalogue) => {
      const r = resolve(PLAN, { materials });
      if (!r.ok) throw new Error(r.faults[0]!.message);
      return reckonProgram(r.value).strained.ml;
    };
    const [own, book] = [yields(catalogue), yields(MATERIALS)];
    expect(own.value).toBeLessThan(book.value);
    // The same jar, so what it keeps is what does not come out.
    const kept = (e: typeof own): number => 700 - e.value;
    expect((own.high - own.low) / kept(own)).toBeLessThan((book.high - book.low) / kept(book));
  });
});
