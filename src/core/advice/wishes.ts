import { careOf } from "../care/care";
import { type Day, addDays, daysBetween, printDay } from "../day";
import { exactly } from "../estimate";
import { isSweet } from "../material/material";
import { withLine, withNext, withSaid, withStep, without } from "../plan/edit";
import { waysOf } from "../plan/kinds";
import type { Line, Plan } from "../plan/plan";
import { isLong } from "../plan/read-plan";
import { madeBy } from "../plan/ways";
import { type Amount, measured } from "../quantity/amount";
import { lasting, printDuration } from "../reading/durations";
import { printAmount } from "../reading/print";
import type { Context } from "../reckoning/context";
import type { Resolved } from "../reckoning/program";
import type { LotOnHand } from "../stores/stores";
import { capital } from "../words";
import { type Change, keepsLonger, smallestChanges } from "./keep-longer";
import { onlyWhatIHave } from "./only-what-i-have";
import { type Granted, type Wished, bySize, grams, herbsWeighed, nothing, wished } from "./wished";

export type { Granted } from "./wished";

/** What a maker may wish of a plan. `today` and `by` are household days. */
export type Wish =
  | { readonly for: "cupboard" }
  | { readonly for: "room" }
  | { readonly for: "no-alcohol" }
  | { readonly for: "less-sweet" }
  | { readonly for: "ready-by"; readonly today: Day; readonly by: Day }
  | { readonly for: "only-what-i-have"; readonly lots: readonly LotOnHand[] };

/** A share of what a spirit is said to be now, for what stands in its place. */
function shareOf(l: Resolved, of: number): Amount {
  const a = l.amount;
  if (a.kind === "fill" || a.kind === "cover") return { kind: "part", count: exactly(of * 4) };
  if (a.kind === "ratio") return { kind: "ratio", mlPerG: Number((a.mlPerG * of).toPrecision(3)) };
  return measured(Number(((l.grams / l.stuff.density) * of).toPrecision(3)), "ml");
}

function noAlcohol(b: Wished): Granted {
  const spirits = b.program.lines.filter((l) => l.stuff.class === "spirit");
  if (spirits.length === 0) return nothing("There is no alcohol in it.");
  const { units } = b.plan;
  const plain = ({ strength: _s, took: _t, ...l }: Line): Line => l;
  const inGlycerin = spirits.reduce((plan, l) => {
    const { id } = l.line;
    const amount = printAmount(shareOf(l, 0.75), units);
    const poured = withLine(plan, id, (x) => ({ ...plain(x), material: "glycerin", amount }));
    return withNext(poured, id, { material: "water", amount: printAmount(shareOf(l, 0.25), units) });
  }, b.plan);
  const inVinegar = spirits.reduce(
    (plan, l) => withLine(plan, l.line.id, (x) => ({ ...plain(x), material: "cider-vinegar" })),
    b.plan,
  );
  const left = spirits.reduce((plan, l) => without(plan, l.line.id), b.plan);
  const late = spirits.every((l) => l.stage === "finish");
  const changes = [
    ...(late ? b.tried("leave-out-spirit", "Leave the spirit out.", left, 0.2) : []),
    ...b.tried(
      "glycerin-for-spirit",
      "Glycerin and water, three to one, in place of the spirit.",
      inGlycerin,
      0.6,
    ),
    ...b.tried("vinegar-for-spirit", "Cider vinegar in place of the spirit.", inVinegar, 0.7),
  ].filter((c) => c.after.finished.abv.value < 0.5);
  return { changes, says: changes.length === 0 ? "Nothing here stands in for the spirit." : undefined };
}

/** So much of a sweetener as it is said now. */
function lessOf(sweet: Resolved, x: number): Amount {
  const a = sweet.amount;
  const two = (n: number): number => Number(n.toPrecision(2));
  switch (a.kind) {
    case "goal":
      return { ...a, target: Math.max(1, Math.round(a.target * x)) };
    case "of-liquid":
      return { kind: "of-liquid", count: exactly(two(a.count.value * x)) };
    case "part":
      return { kind: "part", count: exactly(two(a.count.value * x)) };
    default:
      return grams(sweet.grams * x);
  }
}

function lessSweet(b: Wished): Granted {
  const sweet = b.program.lines.findLast((l) => isSweet(l.stuff) && l.amount.kind !== "fill");
  if (!sweet)
    return nothing(
      b.program.lines.some((l) => isSweet(l.stuff))
        ? "The sweetener is what the jar is filled with; less of it is another remedy."
        : "There is no sweetener in it.",
    );
  const by = (x: number): Plan => withSaid(b.plan, sweet.line.id, lessOf(sweet, x));
  const words = (x: number): string =>
    `${capital(sweet.stuff.name)} from ${sweet.line.amount} to ${printAmount(lessOf(sweet, x), b.plan.units)}`;
  // The least sweet that still keeps as well as now, by twentieths.
  let least: Change | undefined;
  for (let x = 0.95; x > 0.25; x -= 0.05) {
    const [c] = b.tried("less-sweet-same-life", `${words(x)}: as long a life as now.`, by(x), 1 - x);
    if (!c || keepsLonger(b.now, c.after)) break;
    least = c;
  }
  const third = b.tried("less-sweet-third", `${words(2 / 3)}: a third less.`, by(2 / 3), 1 / 3);
  const changes = [...(least ? [least] : []), ...third].filter(
    (c) => c.after.finished.brix.value < b.now.finished.brix.value - 0.5,
  );
  return { changes, says: changes.length === 0 ? "Any less of it would not be told from now." : undefined };
}

/** A cold steep under this many days gives little; it is offered no shorter. */
const LEAST_STEEP_DAYS = 7;

function shorterSteep(b: Wished, days: number, best: number): Change[] {
  const long = b.plan.steps.find((s) => s.do === "steep" && isLong(s));
  if (days < LEAST_STEEP_DAYS || long?.do !== "steep") return [];
  // The window opens a sixth early, so that the day wished for is the last it needs to stand.
  const whole = days % 7 === 0 ? lasting(exactly(days / 7), "week") : lasting(exactly(days), "day");
  const lasts = printDuration(whole);
  return b.tried(
    "shorter-steep",
    `Let it stand ${lasts} in place of ${long.for}: weaker, so taste it first.`,
    withStep(b.plan, long.id, (s) => (s.do === "steep" ? { ...s, for: lasts } : s)),
    1 - days / Math.max(1, best),
  );
}

function readyBy(b: Wished, today: Day, by: Day): Granted {
  const window = careOf(b.program, b.now.fit, b.now.working).window;
  if (!window) return nothing("It is done the same day.");
  if (addDays(today, window.earliest) <= by)
    return nothing(
      `It may be strained from ${printDay(addDays(today, window.earliest), "long", today)}, in time.`,
    );
  const days = Math.max(0, daysBetween(today, by));
  const heated = waysOf(b.plan.kind).filter(
    (w) => w.steps.some((s) => s.do === "simmer") && w.id !== b.plan.way,
  );
  const changes = [
    ...shorterSteep(b, days, window.best),
    ...heated.flatMap((w) =>
      b.tried("heated-way", `${w.name}.`, madeBy(w, herbsWeighed(b.plan, b.program)), 0.9),
    ),
  ];
  return {
    changes: bySize(changes),
    says: changes.length === 0 ? `No way of this kind is done by ${printDay(by, "long", today)}.` : undefined,
  };
}

function cupboard(b: Wished): Granted {
  if (b.now.verdict.cupboard) return nothing("It may stand in the cupboard as it is.");
  const changes = smallestChanges(b.plan, "cupboard", b.around);
  const veto = b.now.verdict.vetoes[0];
  const because = veto ? `As it is, ${veto.words}.` : "It would be another remedy.";
  return {
    changes,
    says: changes.length === 0 ? `No single change brings it to the cupboard. ${because}` : undefined,
  };
}

/**
 * Finds the smallest changes to a plan that grant a wish, each re-assessed with its whole spread. Some tens of milliseconds: run it in a worker.
 * A plan that does not reckon grants nothing.
 */
export function whatIf(plan: Plan, wish: Wish, around: Context = {}): Granted {
  const b = wished(plan, around);
  if (!b) return nothing("Correct what is marked first.");
  switch (wish.for) {
    case "cupboard":
      return cupboard(b);
    case "room":
      if (b.now.working.place === "room") return nothing("It may work at room temperature as it is.");
      return { changes: smallestChanges(plan, "room-while-working", around), says: undefined };
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
