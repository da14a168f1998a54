import { exactly } from "../estimate";
import { withSaid, withStep, withStepAfter, withoutStep } from "../plan/edit";
import type { Plan } from "../plan/plan";
import { printCount } from "../reading/print";
import { printReduction } from "../reading/reductions";
import { HEATS } from "../plan/read-plan";
import type { Program, Resolved } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import { NOTHING, type Rail, type RailJoint, type RailNotch, type RailPart } from "./rail-parts";

const AFTER: readonly RailNotch[] = [
  { share: 1 / 5, name: "¼ to 1" },
  { share: 1 / 3, name: "½ to 1" },
  { share: 3 / 7, name: "¾ to 1" },
  { share: 0.5, name: "1 to 1" },
  { share: 2 / 3, name: "2 to 1" },
];
const DOWN: readonly RailNotch[] = [
  { share: 1, name: "not reduced" },
  { share: 2 / 3, name: "by a third" },
  { share: 0.5, name: "by half" },
  { share: 1 / 3, name: "to a third" },
];

/** The step that boils down, and to what share; 1 where nothing is boiled down. A volume to stop at is the share of what stood there. */
function reducedTo(
  program: Program,
  strainedMl: number,
): { readonly id: string | undefined; readonly share: number } {
  const s = program.read.steps.find((x) => x.do === "reduce");
  if (s?.do !== "reduce") return { id: undefined, share: 1 };
  if ("toShare" in s.to) return { id: s.id, share: s.to.toShare };
  const poured = program.lines.reduce(
    (ml, l) => ml + (l.stage === "jar" && !l.stuff.plant ? l.grams / l.stuff.density : 0),
    0,
  );
  return { id: s.id, share: Math.min(1, Math.max(0.1, s.to.toMl / Math.max(poured, strainedMl, 1))) };
}

function reductionJoint(plan: Plan, at: string | undefined): RailJoint {
  return {
    left: 0,
    name: "Boiled away against what is left",
    least: 0.2,
    most: 1,
    notches: DOWN,
    moved: (x) => {
      const to = printReduction({ toShare: Number(x.toFixed(2)) });
      if (x > 1 - NOTHING) return at === undefined ? plan : withoutStep(plan, at);
      if (at !== undefined) return withStep(plan, at, (s) => (s.do === "reduce" ? { ...s, to } : s));
      // After the first heat, before the cloth.
      const cut = plan.steps.findIndex((s) => s.do === "strain");
      const before = cut < 0 ? plan.steps : plan.steps.slice(0, cut);
      const heat = before.findLast((s) => HEATS.has(s.do)) ?? plan.steps.find((s) => HEATS.has(s.do));
      return withStepAfter(plan, heat?.id, { do: "reduce", to });
    },
  };
}

/** Boiled away, liquid, sweetener: reduction and sweetness of what is sweetened after the cloth. */
export function byReduction(plan: Plan, program: Program, r: Reckoning, sweet: Resolved): Rail {
  const strained = r.strained.ml.value;
  const n =
    sweet.amount.kind === "of-liquid"
      ? sweet.amount.count.value
      : sweet.grams / sweet.stuff.bulkLoose / strained;
  const { id, share } = reducedTo(program, strained);
  const hot = program.heatMinutes > 0;
  const away = 1 / share - 1;
  const boiled =
    share < 0.99 ? `liquid, down to ${printCount(Number(share.toFixed(2)))}` : "liquid, not boiled down";
  const liquid: RailPart = {
    name: "strained liquid",
    of: "decoction",
    parts: 1,
    words: hot ? boiled : "liquid, as strained",
  };
  const sweetener: RailPart = {
    name: sweet.stuff.name,
    of: sweet.stuff,
    parts: n,
    words: `${sweet.stuff.name} ${printCount(Number(n.toFixed(2)))} to 1`,
  };
  const sweetness: RailJoint = {
    left: hot ? 1 : 0,
    name: `Liquid against ${sweet.stuff.name}`,
    notches: AFTER,
    moved: (x) =>
      withSaid(plan, sweet.line.id, { kind: "of-liquid", count: exactly(Number((x / (1 - x)).toFixed(2))) }),
  };
  if (!hot) return { title: "Parts by volume", parts: [liquid, sweetener], joints: [sweetness] };
  const steam: RailPart = {
    name: "boiled away",
    of: "steam",
    parts: away,
    words: away > 0.02 ? "boiled away" : "",
  };
  return {
    title: "Reduction, and sweetness by volume",
    parts: [steam, liquid, sweetener],
    joints: [reductionJoint(plan, id), sweetness],
  };
}
