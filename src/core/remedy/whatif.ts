import { careOf } from "../care/care";
import { addDays, printDay, type Day } from "../care/day";
import { MATERIALS } from "../material/catalogue";
import { convert } from "../material/convert";
import { allot, isFree } from "../stores/allot";
import type { LotOnHand } from "../stores/stores";
import { type Change, keepsLonger, smallestChanges } from "./changes";
import { printDays } from "./duration";
import { lineAt, tidied, withAmount, withLine, without } from "./lines";
import type { Line, Plan, Step } from "./plan";
import { type Reckoning, reckonProgram } from "./reckon";
import { type Program, type Resolved, type Surroundings, resolve } from "./resolve";
import { scaleTo } from "./scale";
import { madeBy, waysOf } from "./ways";

/** What a maker may wish of a plan. `today` and `by` are household days. */
export type Wish =
  | { readonly for: "cupboard" }
  | { readonly for: "room" }
  | { readonly for: "no-alcohol" }
  | { readonly for: "less-sweet" }
  | { readonly for: "ready-by"; readonly today: Day; readonly by: Day }
  | { readonly for: "only-what-i-have"; readonly lots: readonly LotOnHand[] };

/** The smallest changes that grant a wish, least first; or why there is nothing to do, or nothing that can be done. */
export interface Granted {
  readonly changes: readonly Change[];
  readonly says: string | undefined;
}

const SWEET = new Set(["honey", "sugar", "syrup"]);
const nothing = (says: string): Granted => ({ changes: [], says });
interface Bench {
  readonly plan: Plan;
  readonly program: Program;
  readonly now: Reckoning;
  readonly around: Surroundings;
  /** A change re-assessed, where it reckons and fits; nothing otherwise. */
  readonly tried: (id: string, words: string, plan: Plan, size: number) => Change[];
}

function benchOf(plan: Plan, around: Surroundings): Bench | undefined {
  const program = resolve(plan, around);
  if (!program.ok) return undefined;
  return {
    plan, around, program: program.value, now: reckonProgram(program.value),
    tried: (id, words, q, size) => {
      const tidy = tidied(q);
      const p = resolve(tidy, around);
      if (!p.ok) return [];
      const after = reckonProgram(p.value);
      return after.fit && after.fit.overBrimMl > 0 ? [] : [{ id, words, plan: tidy, after, size }];
    },
  };
}

function noAlcohol(b: Bench): Granted {
  const spirits = b.program.lines.filter((l) => l.stuff.class === "spirit");
  if (spirits.length === 0) return nothing("There is no alcohol in it.");
  const plain = ({ strength: _, ...l }: Line): Line => l;
  const swap = (make: (l: Resolved, line: Line) => Line[]): Plan => spirits.reduce((plan, l) => {
    const line = lineAt(plan, l);
    if (!line) return plan;
    const [first, ...more] = make(l, line);
    return more.reduce((q, m) => ({ ...q, steps: q.steps.map((s, i): Step => (i === l.step && s.do === "add" ? { ...s, what: [...s.what, m] } : s)) }), withLine(plan, l, () => first!));
  }, b.plan);
  const share = (l: Resolved, of: number): string => {
    const a = l.amount;
    if (a.kind === "fill" || a.kind === "cover") return `${of * 4} ${of * 4 === 1 ? "part" : "parts"}`;
    if (a.kind === "ratio") return `1:${Number((a.mlPerG * of).toPrecision(3))}`;
    return `${Number(((l.grams / l.stuff.density) * of).toPrecision(3))} mL`;
  };
  const late = spirits.every((l) => l.stage === "finish");
  const changes = [
    ...(late ? b.tried("leave-out-spirit", "Leave the spirit out.", [...spirits].reverse().reduce((plan, l) => without(plan, l), b.plan), 0.2) : []),
    ...b.tried("glycerin-for-spirit", "Glycerin and water, three to one, in place of the spirit.", swap((l, line) => [{ ...plain(line), material: "glycerin", amount: share(l, 0.75) }, { material: "water", amount: share(l, 0.25) }]), 0.6),
    ...b.tried("vinegar-for-spirit", "Cider vinegar in place of the spirit.", swap((_l, line) => [{ ...plain(line), material: "cider-vinegar" }]), 0.7),
  ].filter((c) => c.after.finished.abv.value < 0.5);
  return { changes, says: changes.length === 0 ? "Nothing here stands in for the spirit." : undefined };
}

/** The sweetener of a plan that can be poured in another measure. */
const sweetenerOf = (p: Program): Resolved | undefined => [...p.lines].reverse().find((l) => SWEET.has(l.stuff.class) && l.amount.kind !== "fill");

function lessSweet(b: Bench): Granted {
  const sweet = sweetenerOf(b.program);
  if (!sweet) return nothing(b.program.lines.some((l) => SWEET.has(l.stuff.class)) ? "The sweetener is what the jar is filled with; less of it is another remedy." : "There is no sweetener in it.");
  const by = (x: number): Plan => {
    if (sweet.amount.kind === "goal") return withAmount(b.plan, sweet, `to ${Math.max(1, Math.round(sweet.amount.target * x))} Bx`);
    if (sweet.amount.kind === "of-liquid") return withAmount(b.plan, sweet, `${Number((sweet.amount.count.value * x).toPrecision(2))} of liquid`);
    if (sweet.amount.kind === "part") return withAmount(b.plan, sweet, `${Number((sweet.amount.count.value * x).toPrecision(2))} parts`);
    return withAmount(b.plan, sweet, `${Number((sweet.grams * x).toPrecision(3))} g`);
  };
  const words = (x: number): string => `${sweet.stuff.name[0]!.toUpperCase()}${sweet.stuff.name.slice(1)} from ${sweet.line.amount} to ${lineAt(by(x), sweet)!.amount}`;
  // The least sweet that still keeps as well as now, by twentieths.
  let least: Change | undefined;
  for (let x = 0.95; x > 0.25; x -= 0.05) {
    const [c] = b.tried("less-sweet-same-life", `${words(x)}: as long a life as now.`, by(x), 1 - x);
    if (!c || keepsLonger(b.now, c.after)) break;
    least = c;
  }
  const third = b.tried("less-sweet-third", `${words(2 / 3)}: a third less.`, by(2 / 3), 1 / 3);
  const changes = [...(least ? [least] : []), ...third.filter((c) => !least || c.plan.steps !== least.plan.steps)].filter((c) => c.after.finished.brix.value < b.now.finished.brix.value - 0.5);
  return { changes, says: changes.length === 0 ? "Any less of it would not be told from now." : undefined };
}

/** A cold steep under this many days gives little; it is offered no shorter. */
const LEAST_STEEP_DAYS = 7;

function readyBy(b: Bench, today: Day, by: Day): Granted {
  const window = careOf(b.program, b.now.fit, b.now.working).window;
  if (!window) return nothing("It is done the same day.");
  if (addDays(today, window.earliest) <= by) return nothing(`It may be strained from ${printDay(addDays(today, window.earliest))}, in time.`);
  let days = 0;
  while (addDays(today, days + 1) <= by) days++;
  const at = b.plan.steps.findIndex((s) => s.do === "steep" && /day|week|month/i.test(s.for));
  const changes: Change[] = [];
  if (days >= LEAST_STEEP_DAYS && at >= 0) {
    // The window opens a sixth early, so that the day wished for is the last it needs to stand.
    const whole = days % 7 === 0 ? printDays(days) : `${days} days`;
    changes.push(...b.tried("shorter-steep", `Let it stand ${whole} in place of ${(b.plan.steps[at] as Extract<Step, { do: "steep" }>).for}: weaker, so taste it first.`, { ...b.plan, steps: b.plan.steps.map((s, i): Step => (i === at && s.do === "steep" ? { ...s, for: whole } : s)) }, 1 - days / Math.max(1, window.best)));
  }
  for (const w of waysOf(b.plan.kind).filter((x) => x.steps.some((s) => s.do === "simmer") && x.id !== b.plan.way)) {
    const weighed = herbsWeighed(b.plan, b.program);
    changes.push(...b.tried("heated-way", `${w.name}.`, madeBy(w, weighed), 0.9));
  }
  return { changes: changes.sort((x, y) => x.size - y.size), says: changes.length === 0 ? `No way of this kind is done by ${printDay(by)}.` : undefined };
}

/** The plan with its herbs said in grams, so that another vessel or way takes the very same herbs; pieces stay pieces unless they too are to be weighed. */
export function herbsWeighed(plan: Plan, program: Program, pieces: "counted" | "weighed" = "counted"): Plan {
  return program.lines.filter((l) => l.stuff.plant && (pieces === "weighed" || l.amount.kind !== "count")).reduce((p, l) => withAmount(p, l, `${Number(l.grams.toPrecision(3))} g`), plan);
}

function onlyWhatIHave(b: Bench, lots: readonly LotOnHand[]): Granted {
  const allotted = allot(b.program, lots).filter((a) => !isFree(a.line));
  const lacking = allotted.filter((a) => a.lackG > 0);
  if (lacking.length === 0) return nothing("All of it is in the stores.");
  const enough = (plan: Plan): boolean => {
    const p = resolve(plan, b.around);
    return p.ok && allot(p.value, lots).every((a) => a.lackG <= 0);
  };
  const kept = (id: string, words: string, plan: Plan, size: number): Change[] => b.tried(id, words, plan, size).filter((c) => enough(c.plan));

  // Another form of the same plant, another bottle of the same sort: what stands in for each that lacks.
  const standIns = lacking.map((a) => {
    const { stuff } = a.line;
    if (stuff.plant) {
      const lot = lots.find((l) => l.material === stuff.id && l.leftG > 0 && (l.form ?? "dried") !== stuff.form);
      const c = lot ? convert(MATERIALS.get(stuff.id)!, { form: stuff.form! }, { form: lot.form ?? "dried" }) : undefined;
      return lot && c?.ok ? { line: a.line, words: `${stuff.name} ${lot.form ?? "dried"} for ${stuff.form}`, make: (): Line => ({ material: stuff.id, form: lot.form ?? "dried", amount: `${Number((a.line.grams * c.value.byMass).toPrecision(3))} g` }) } : undefined;
    }
    const lot = [...lots].reverse().find((l) => l.leftG > 0 && l.material !== stuff.id && MATERIALS.get(l.material)?.row.class === stuff.class);
    return lot ? { line: a.line, words: `${MATERIALS.get(lot.material)!.row.names[0]} for ${stuff.name}`, make: (): Line => ({ material: lot.material, amount: a.line.line.amount, ...(lot.strength ? { strength: lot.strength } : {}), ...(lot.water !== undefined ? { water: lot.water } : {}) }) } : undefined;
  });
  const swaps = standIns.filter((x) => x !== undefined);
  const swapped = swaps.reduce((plan, x) => withLine(plan, x.line, x.make), b.plan);
  const changes: Change[] = [];
  if (swaps.length > 0) changes.push(...kept("stand-ins", `${swaps.map((x) => x.words).join("; ")}.`, swapped, 0.3 * swaps.length));

  // All of it, made smaller; a jar that stays is filled less, so the ratio is given a size.
  const ratio = Math.min(...allotted.map((a) => (a.line.grams > 0 ? (a.line.grams - a.lackG) / a.line.grams : 1)));
  const smaller = (plan: Plan, factor: number): Plan | undefined => {
    const s = scaleTo(plan, { to: "factor", factor }, b.around);
    return s.ok ? s.value.plan : undefined;
  };
  if (ratio > 0.1) {
    const factor = Math.floor(ratio * 98) / 100;
    const q = smaller(b.plan, factor);
    if (q) changes.push(...kept("smaller", `The same, made smaller: ${Math.round(100 * factor)} % of it.`, q, 1 - factor));
  }
  // Without the herbs that lack, where others are left.
  const gone = lacking.filter((a) => a.line.stuff.plant && a.lackG > 0.5 * a.line.grams);
  if (gone.length > 0 && b.program.lines.filter((l) => l.stuff.plant).length > gone.length) {
    const q = [...gone].sort((x, y) => y.line.step - x.line.step || y.line.place - x.line.place).reduce((plan, a) => without(plan, a.line), b.plan);
    changes.push(...kept("leave-out", `Without ${gone.map((a) => a.line.stuff.name).join(" and ")}.`, q, 0.5));
    if (changes.every((c) => c.id !== "leave-out")) {
      const rest = resolve(q, b.around);
      if (rest.ok) {
        const r = Math.min(...allot(rest.value, lots).map((a) => (a.line.grams > 0 ? (a.line.grams - a.lackG) / a.line.grams : 1)));
        const s = r > 0.1 ? smaller(q, Math.floor(r * 98) / 100) : undefined;
        if (s) changes.push(...kept("leave-out-smaller", `Without ${gone.map((a) => a.line.stuff.name).join(" and ")}, and made smaller: ${Math.floor(r * 98)} %.`, s, 0.5 + 1 - r));
      }
    }
  }
  return { changes: changes.sort((x, y) => x.size - y.size), says: changes.length === 0 ? `The stores lack ${lacking.map((a) => a.line.stuff.name).join(", ")}, and nothing there stands in.` : undefined };
}

/**
 * Finds the smallest changes to a plan that grant a wish, each re-assessed with its whole spread. Some tens of milliseconds: run it in a worker.
 * A plan that does not reckon grants nothing.
 */
export function whatIf(plan: Plan, wish: Wish, around: Surroundings = {}): Granted {
  const b = benchOf(plan, around);
  if (!b) return nothing("Put right what is marked first.");
  switch (wish.for) {
    case "cupboard": {
      if (b.now.verdict.cupboard) return nothing("It may stand in the cupboard as it is.");
      const changes = smallestChanges(plan, "cupboard", around);
      return { changes, says: changes.length === 0 ? `No single change brings it to the cupboard. ${b.now.verdict.vetoes.length > 0 ? `It ${b.now.verdict.vetoes[0]!.words}.` : "It would be another remedy."}` : undefined };
    }
    case "room": {
      if (b.now.working.place === "room") return nothing("It may work at room temperature as it is.");
      return { changes: smallestChanges(plan, "room-while-working", around), says: undefined };
    }
    case "no-alcohol":
      return noAlcohol(b);
    case "less-sweet":
      return lessSweet(b);
    case "ready-by":
      return readyBy(b, wish.today, wish.by);
    case "only-what-i-have":
      return onlyWhatIHave(b, wish.lots);
  }
}
