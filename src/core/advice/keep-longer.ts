import { convert } from "../material/convert";
import { isSweet, isWet } from "../material/material";
import { naming, withLast, withLine, withSaid } from "../plan/edit";
import type { Plan, Step } from "../plan/plan";
import { type Amount, measured, times } from "../quantity/amount";
import { exactly } from "../estimate";
import { kitchenVolume } from "../reading/kitchen-amount";
import { printAmount } from "../reading/print";
import { SPOON } from "../plan/kinds/kind";
import { localText } from "../plan/ways";
import { printStrength } from "../reading/strength";
import { type Context, materialsOf } from "../reckoning/context";
import type { Program, Resolved } from "../reckoning/program";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { capital } from "../words";

/** What a change is to bring about. */
export type KeepingGoal = "longer" | "cupboard" | "room-while-working";

/** A change to a plan, re-assessed before it is offered. */
export interface Change {
  readonly id: string;
  /** What to do, in one sentence, with the amount. */
  readonly words: string;
  readonly plan: Plan;
  /** The reckoning with it. */
  readonly after: Reckoning;
  /** How much of a change it is, for ranking: 1 doubles an ingredient. */
  readonly size: number;
}

/** Whether one verdict is a longer promise than another: the cupboard first, then the fridge. */
export function keepsLonger(a: Reckoning, b: Reckoning): boolean {
  const [x, y] = [a.verdict.cupboard?.days ?? 0, b.verdict.cupboard?.days ?? 0];
  return x > y || (x === y && a.verdict.fridge.days > b.verdict.fridge.days);
}

function meets(r: Reckoning, goal: KeepingGoal, than: Reckoning): boolean {
  switch (goal) {
    case "room-while-working":
      return r.working.place === "room";
    case "cupboard":
      return r.verdict.cupboard !== null;
    case "longer":
      return keepsLonger(r, than);
  }
}

const round = (x: number): number => Number(x.toPrecision(2));

/** Smallest x in (0, most] at which the plan meets the goal, rounded up to two figures and re-assessed; `undefined` where none does. */
function least(most: number, make: (x: number) => Plan, good: (p: Plan) => boolean): number | undefined {
  // A goal may be met only in a middle stretch (too much spirit thins the sugar), so the stretch is looked for first.
  const grid = Array.from({ length: 12 }, (_, i) => (most * (i + 1)) / 12);
  const hit = grid.findIndex((x) => good(make(x)));
  if (hit < 0) return undefined;
  let low = hit === 0 ? 0 : grid[hit - 1]!;
  let high = grid[hit]!;
  for (let i = 0; i < 12; i++) {
    const mid = (low + high) / 2;
    if (good(make(mid))) high = mid;
    else low = mid;
  }
  for (const x of [round(high), round(high * 1.03), high]) if (x >= high - 1e-12 && good(make(x))) return x;
  return high;
}

/** The search for changes: one plan, one goal, and what has been found. */
class Search {
  readonly found: Change[] = [];
  private readonly finishedMl: number;
  private readonly late: boolean;

  constructor(
    private readonly plan: Plan,
    private readonly p: Program,
    private readonly now: Reckoning,
    private readonly goal: KeepingGoal,
    private readonly around: Context,
  ) {
    this.finishedMl = Math.max(1, now.finished.ml.value);
    this.late = goal !== "room-while-working" && plan.steps.some((s) => s.do === "strain");
  }

  private assess(q: Plan): Reckoning | undefined {
    const r = resolve(q, this.around, this.p.happened);
    return r.ok ? reckonProgram(r.value) : undefined;
  }
  private readonly good = (q: Plan): boolean => {
    const r = this.assess(q);
    return r !== undefined && meets(r, this.goal, this.now) && !(r.fit && r.fit.overBrimMl > 0);
  };
  private offer(id: string, words: string, plan: Plan, size: number): void {
    const after = this.assess(plan);
    if (after && meets(after, this.goal, this.now)) this.found.push({ id, words, plan, after, size });
  }
  /** The least of something that does it, offered where there is one. */
  private search(
    id: string,
    most: number,
    make: (x: number) => Plan,
    words: (x: number) => string,
    per = 1,
  ): void {
    const x = least(most, make, this.good);
    if (x !== undefined) this.offer(id, words(x), make(x), x * per);
  }

  private more(l: Resolved, by: number): Amount {
    const a = l.amount;
    if (a.kind === "of-liquid")
      return { kind: "of-liquid", count: exactly(Number((a.count.value * by).toPrecision(3))) };
    return times(a, by);
  }
  private grown(id: string, most: number, l: Resolved): void {
    const said = (x: number): Amount => this.more(l, 1 + x);
    this.search(
      id,
      most,
      (x) => withSaid(this.plan, l.line.id, said(x)),
      (x) => `${capital(l.stuff.name)} from ${l.line.amount} to ${printAmount(said(x), this.plan.units)}.`,
    );
  }

  sweeter(): void {
    const inTime = (l: Resolved): boolean => this.goal !== "room-while-working" || l.stage === "jar";
    const sweet = this.p.lines.find((l) => isSweet(l.stuff) && inTime(l));
    if (sweet && sweet.amount.kind !== "fill" && sweet.amount.kind !== "goal")
      this.grown("more-sweet", 5, sweet);
    if (sweet || !this.late) return;
    const amount = (x: number): string =>
      printAmount({ kind: "of-liquid", count: exactly(Number(x.toPrecision(3))) }, this.plan.units);
    this.search(
      "more-sweet",
      4,
      (x) => withLast(this.plan, { material: "honey", amount: amount(x) }),
      (x) => `After straining, ${Number(x.toPrecision(3))} of honey to 1 of liquid.`,
    );
  }

  /** As the bottle says it: what was typed, or what such a vinegar is marked. */
  private strengthOf(l: Resolved): number {
    const read = this.p.read.steps[l.step];
    const typed = read?.do === "add" ? read.lines.find((x) => x.line.id === l.line.id)?.strength : undefined;
    const row = materialsOf(this.plan, this.around).get(l.stuff.id)?.row;
    const marked = row && "composition" in row ? (row.composition.acetic ?? 0.05) : 0.05;
    return typed ?? 100 * marked;
  }

  sharper(): void {
    const vinegar = this.p.lines.find((l) => l.stuff.class === "vinegar");
    if (!vinegar) return;
    const { id } = vinegar.line;
    if (vinegar.stuff.tags.includes("acetic-unknown")) {
      const q = withLine(this.plan, id, (l) => ({
        ...l,
        material: "cider-vinegar",
        strength: printStrength(5),
      }));
      if (this.good(q))
        this.offer(
          "marked-vinegar",
          "A vinegar marked 5 % in place of one whose strength is not known.",
          q,
          0.2,
        );
    } else {
      const has = this.strengthOf(vinegar);
      const to = (x: number): string => printStrength(Number((has + x).toFixed(1)));
      this.search(
        "stronger-vinegar",
        Math.max(0.5, 10 - has),
        (x) => withLine(this.plan, id, (l) => ({ ...l, strength: to(x) })),
        (x) => `A vinegar of ${to(x)} in place of ${printStrength(Number(has.toFixed(1)))}.`,
        1 / has,
      );
    }
    if (vinegar.amount.kind !== "fill") this.grown("more-vinegar", 3, vinegar);
  }

  private pouredAfter(id: string, material: string, name: string, most: number): void {
    if (!this.late) return;
    const said = (x: number): string => kitchenVolume(x * this.finishedMl, this.plan.units, "up");
    this.search(
      id,
      most,
      (x) => withLast(this.plan, { material, amount: said(x) }),
      (x) => `After straining, ${said(x)} of ${name}.`,
      2,
    );
  }
  sourer(): void {
    this.pouredAfter("lemon", "lemon-juice", "lemon juice", 0.6);
  }
  stronger(): void {
    this.pouredAfter("spirit", "spirit-95", "95 % spirit", 1.2);
  }

  drier(): void {
    const wet = this.p.lines.filter((l) => isWet(l.stuff) && l.stuff.form !== "wilted");
    if (wet.length === 0) return;
    this.search(
      "less-fresh",
      0.9,
      (x) => wet.reduce((q, l) => withSaid(q, l.line.id, this.more(l, 1 - x)), this.plan),
      (x) => `${Math.round(100 * x)} % less of the fresh plant.`,
    );
    const dried = wet.reduce((q, l) => this.asDried(q, l), this.plan);
    if (this.good(dried))
      this.offer("dried-for-fresh", "The same herb dried, by its dry matter, in place of fresh.", dried, 0.4);
  }
  private asDried(q: Plan, l: Resolved): Plan {
    const m = materialsOf(this.plan, this.around).get(l.stuff.id);
    const c = m ? convert(m, { form: l.stuff.form! }, { form: "dried" }) : undefined;
    if (!c?.ok) return q;
    const grams = measured(Number((l.grams * c.value.byMass).toPrecision(3)), "g");
    return withSaid(
      withLine(q, l.line.id, ({ took: _, ...k }) => ({ ...k, form: "dried" })),
      l.line.id,
      grams,
    );
  }

  hotter(): void {
    const hot = this.plan.steps.some((s) => s.do === "bottle" && s.hot);
    if (this.goal === "room-while-working" || this.p.heatMinutes === 0 || hot) return;
    const { made, ids } = naming(this.plan, (n): Step[] => [
      { id: n.next(), do: "simmer", for: "3 min", loses: localText(SPOON, this.plan.units) },
      { id: n.next(), do: "bottle", hot: true },
    ]);
    const steps = [...this.plan.steps.filter((s) => s.do !== "bottle"), ...made];
    const q: Plan = { ...this.plan, ids, steps };
    if (this.good(q)) this.offer("bottle-hot", "Boil it through and bottle it hot.", q, 0.1);
  }

  colder(): void {
    if (this.goal !== "room-while-working") return;
    const plan: Plan = {
      ...this.plan,
      steps: this.plan.steps.map((s): Step => (s.do === "steep" ? { ...s, in: "fridge" } : s)),
    };
    this.found.push({
      id: "work-in-fridge",
      words: "Let it work in the fridge.",
      plan,
      after: this.now,
      size: 0.05,
    });
  }
}

/**
 * The smallest single changes that bring a plan to a keeping goal, each re-assessed with its whole spread before it is offered, least first.
 * Takes some tens of milliseconds: run it in a worker, not in a keystroke.
 */
export function smallestChanges(plan: Plan, goal: KeepingGoal, around: Context = {}): Change[] {
  const first = resolve(plan, around);
  if (!first.ok) return [];
  const now = reckonProgram(first.value);
  if (goal !== "longer" && meets(now, goal, now)) return [];
  const s = new Search(plan, first.value, now, goal, around);
  s.sweeter();
  s.sharper();
  s.sourer();
  s.stronger();
  s.drier();
  s.hotter();
  s.colder();
  return s.found.sort((a, b) => a.size - b.size);
}
