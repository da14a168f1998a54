import { MATERIALS } from "../material/catalogue";
import { convert } from "../material/convert";
import { parseStrength } from "../quantity/amount";
import { lineAt, withLast, withLine } from "./lines";
import type { Plan, Step } from "./plan";
import { type Reckoning, reckonProgram } from "./reckon";
import { type Program, type Surroundings, resolve } from "./resolve";
import { scaleText } from "./ingredient";

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

const SWEET = new Set(["honey", "sugar", "syrup"]);

/** Whether one verdict is a longer promise than another: the cupboard first, then the fridge. */
export function keepsLonger(a: Reckoning, b: Reckoning): boolean {
  const [x, y] = [a.verdict.cupboard?.days ?? 0, b.verdict.cupboard?.days ?? 0];
  return x > y || (x === y && a.verdict.fridge.days > b.verdict.fridge.days);
}

const meets = (r: Reckoning, goal: KeepingGoal, than: Reckoning): boolean => (goal === "room-while-working" ? r.working.place === "room" : goal === "cupboard" ? r.verdict.cupboard !== null : keepsLonger(r, than));

const round = (x: number): number => Number(x.toPrecision(2));

/** Smallest x in (0, most] at which the plan meets the goal, rounded up to two figures and re-assessed; `undefined` where none does. */
function least(most: number, make: (x: number) => Plan, try_: (p: Plan) => boolean): number | undefined {
  // A goal may be met only in a middle stretch (too much spirit thins the sugar), so the stretch is looked for first.
  const grid = Array.from({ length: 12 }, (_, i) => (most * (i + 1)) / 12);
  const hit = grid.findIndex((x) => try_(make(x)));
  if (hit < 0) return undefined;
  let low = hit === 0 ? 0 : grid[hit - 1]!;
  let high = grid[hit]!;
  for (let i = 0; i < 12; i++) {
    const mid = (low + high) / 2;
    if (try_(make(mid))) high = mid;
    else low = mid;
  }
  for (const x of [round(high), round(high * 1.03), high]) if (x >= high - 1e-12 && try_(make(x))) return x;
  return high;
}

/**
 * The smallest single changes that bring a plan to a keeping goal, each re-assessed with its whole spread before it is offered, least first.
 * Takes some tens of milliseconds: run it in a worker, not in a keystroke.
 */
export function smallestChanges(plan: Plan, goal: KeepingGoal, around: Surroundings = {}): Change[] {
  const first = resolve(plan, around);
  if (!first.ok) return [];
  const p: Program = first.value;
  const now = reckonProgram(p);
  if (goal !== "longer" && meets(now, goal, now)) return [];
  const assess = (q: Plan): Reckoning | undefined => {
    const r = resolve(q, around);
    return r.ok ? reckonProgram(r.value) : undefined;
  };
  const good = (q: Plan): boolean => {
    const r = assess(q);
    return r !== undefined && meets(r, goal, now) && !(r.fit && r.fit.overBrimMl > 0);
  };
  const out: Change[] = [];
  const offer = (id: string, words: string, q: Plan, size: number): void => {
    const after = assess(q);
    if (after && meets(after, goal, now)) out.push({ id, words, plan: q, after, size });
  };
  const ml = Math.max(1, now.finished.ml.value);
  const strains = plan.steps.some((s) => s.do === "strain");
  const late = goal !== "room-while-working" && strains;

  const sweet = p.lines.find((l) => SWEET.has(l.stuff.class) && (goal !== "room-while-working" || l.stage === "jar"));
  if (sweet && !(sweet.amount.kind === "fill")) {
    const grow = (x: number): Plan => (sweet.amount.kind === "goal" ? plan : withLine(plan, sweet, (l) => ({ ...l, amount: sweet.amount.kind === "of-liquid" ? `${Number((sweet.amount.count.value * (1 + x)).toPrecision(3))} of liquid` : scaleText(l.amount, sweet.amount, 1 + x) })));
    const x = least(5, grow, good);
    if (x !== undefined) offer("more-sweet", `${sweet.stuff.name[0]!.toUpperCase()}${sweet.stuff.name.slice(1)} from ${sweet.line.amount} to ${lineAt(grow(x), sweet)!.amount}.`, grow(x), x);
  } else if (!sweet && late) {
    const add = (x: number): Plan => withLast(plan, { material: "honey", amount: `${Number(x.toPrecision(3))} of liquid` });
    const x = least(4, add, good);
    if (x !== undefined) offer("more-sweet", `After straining, ${Number(x.toPrecision(3))} of honey to 1 of liquid.`, add(x), x);
  }

  const vinegar = p.lines.find((l) => l.stuff.class === "vinegar");
  if (vinegar) {
    // As the bottle says it: what was typed, or what such a vinegar is marked.
    const shipped = MATERIALS.get(vinegar.stuff.id);
    const typed = vinegar.line.strength ? parseStrength(vinegar.line.strength) : undefined;
    const has = typed?.ok ? typed.value : 100 * (shipped?.kind === "stuff" ? (shipped.row.composition.acetic ?? 0.05) : 0.05);
    if (vinegar.stuff.tags.includes("acetic-unknown")) {
      const q = withLine(plan, vinegar, (l) => ({ ...l, material: "cider-vinegar", strength: "5 %" }));
      if (good(q)) offer("marked-vinegar", "A vinegar marked 5 % in place of one whose strength is not known.", q, 0.2);
    } else {
      const strong = (x: number): Plan => withLine(plan, vinegar, (l) => ({ ...l, strength: `${Number((has + x).toFixed(1))} %` }));
      const x = least(Math.max(0.5, 10 - has), strong, good);
      if (x !== undefined) offer("stronger-vinegar", `A vinegar of ${Number((has + x).toFixed(1))} % in place of ${Number(has.toFixed(1))} %.`, strong(x), x / has);
    }
    if (vinegar.amount.kind !== "fill") {
      const grow = (x: number): Plan => withLine(plan, vinegar, (l) => ({ ...l, amount: scaleText(l.amount, vinegar.amount, 1 + x) }));
      const x = least(3, grow, good);
      if (x !== undefined) offer("more-vinegar", `${vinegar.stuff.name[0]!.toUpperCase()}${vinegar.stuff.name.slice(1)} from ${vinegar.line.amount} to ${lineAt(grow(x), vinegar)!.amount}.`, grow(x), x);
    }
  }

  if (late) {
    const lemon = (x: number): Plan => withLast(plan, { material: "lemon-juice", amount: `${Math.max(1, Math.round(x * ml))} mL` });
    const x = least(0.6, lemon, good);
    if (x !== undefined) offer("lemon", `After straining, ${Math.max(1, Math.round(x * ml))} mL of lemon juice.`, lemon(x), x * 2);
    const spirit = (y: number): Plan => withLast(plan, { material: "spirit-95", amount: `${Math.max(1, Math.round(y * ml))} mL` });
    const y = least(1.2, spirit, good);
    if (y !== undefined) offer("spirit", `After straining, ${Math.max(1, Math.round(y * ml))} mL of 95 % spirit.`, spirit(y), y * 2);
  }

  const wet = p.lines.filter((l) => l.stuff.plant && (l.stuff.form === "fresh" || l.stuff.form === "frozen"));
  if (wet.length > 0) {
    const fewer = (x: number): Plan => wet.reduce((q, l) => withLine(q, l, (m) => ({ ...m, amount: scaleText(m.amount, l.amount, 1 - x) })), plan);
    const x = least(0.9, fewer, good);
    if (x !== undefined) offer("less-fresh", `${Math.round(100 * x)} % less of the fresh plant.`, fewer(x), x);
    const dried = wet.reduce((q, l) => {
      const m = MATERIALS.get(l.stuff.id);
      const c = m ? convert(m, { form: l.stuff.form! }, { form: "dried" }) : undefined;
      return c?.ok ? withLine(q, l, (k) => ({ ...k, form: "dried", amount: `${Number((l.grams * c.value.byMass).toPrecision(3))} g` })) : q;
    }, plan);
    if (good(dried)) offer("dried-for-fresh", "The same herb dried, by its dry matter, in place of fresh.", dried, 0.4);
  }

  if (goal !== "room-while-working" && p.heatMinutes > 0 && !plan.steps.some((s) => s.do === "bottle" && s.hot)) {
    const hot: Plan = { ...plan, steps: [...plan.steps.filter((s) => s.do !== "bottle"), { do: "simmer", for: "3 min", loses: "5 mL" }, { do: "bottle", hot: true }] };
    if (good(hot)) offer("bottle-hot", "Boil it through and bottle it hot.", hot, 0.1);
  }
  if (goal === "room-while-working") {
    const cold: Plan = { ...plan, steps: plan.steps.map((s): Step => (s.do === "steep" ? { ...s, in: "fridge" } : s)) };
    out.push({ id: "work-in-fridge", words: "Let it work in the fridge.", plan: cold, after: now, size: 0.05 });
  }
  return out.sort((a, b) => a.size - b.size);
}

/** Sweetener (as it stands in the plan, or honey after straining) that just earns the cupboard; `undefined` where none does. */
export const sweetForCupboard = (plan: Plan, around: Surroundings = {}): Change | undefined => smallestChanges(plan, "cupboard", around).find((c) => c.id === "more-sweet");
