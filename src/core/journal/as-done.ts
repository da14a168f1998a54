import type { Seen } from "./events";
import { linesOf } from "../plan/edit";
import { type Happened, NOTHING_HAPPENED } from "../plan/happened";
import type { Line, Plan, Stays, Step, Wringing } from "../plan/plan";

/** What became of one line of the plan. */
export type LineDone =
  | { readonly did: "added"; readonly amount: string; readonly lot: string | undefined }
  | { readonly did: "left-out"; readonly why: string | undefined }
  | { readonly did: "swapped"; readonly for: Line };

/** What was really done in a making, as its entries say. */
export interface Making {
  /** By line id; a line nobody ticked counts as planned. */
  readonly lines: ReadonlyMap<string, LineDone>;
  readonly extras: readonly { readonly line: Line; readonly step: string | undefined }[];
  readonly topUps: readonly Line[];
  /** The first straining, with the measure as typed. */
  readonly strained:
    | {
        readonly measured: string;
        readonly how: Wringing;
        /** The plants stay in, all or some. */
        readonly stays?: Stays | undefined;
        /** What was seen on opening it. */
        readonly seen?: readonly Seen[] | undefined;
        /** What the marc weighed, as typed. It tells where the rest went; what came out is what the jug says. */
        readonly marc?: string | undefined;
      }
    | undefined;
  /** What went into the strained liquid, in place of what the plan foresaw. */
  readonly finished: readonly Line[] | undefined;
  /** Plants of the household's own that came in after it was begun. */
  readonly materials?: NonNullable<Plan["materials"]> | undefined;
  /** What was measured of the strained liquid: acidity, sweetness. */
  readonly readings: Happened["readings"];
  /** Temperatures read in it that count, minute from any zero and °C, in order of time. */
  readonly cooling: Happened["cooling"];
  readonly stoodUntil?: Happened["stoodUntil"];
  readonly waitedDays?: Happened["waitedDays"];
}

export const NOTHING_DONE: Making = {
  lines: new Map(),
  extras: [],
  topUps: [],
  strained: undefined,
  finished: undefined,
  readings: [],
  cooling: [],
};

/** The plan as it was really made, and what befell it. */
export interface AsDone {
  readonly plan: Plan;
  readonly happened: Happened;
}

const firstStrain = (steps: readonly Step[]): number => steps.findIndex((s) => s.do === "strain");

function lineDone(l: Line, done: LineDone | undefined): Line[] {
  switch (done?.did) {
    case "added":
      return [{ ...l, amount: done.amount, ...(done.lot === undefined ? {} : { from: { lot: done.lot } }) }];
    case "left-out":
      return [];
    case "swapped":
      return [{ ...done.for, id: l.id }];
    case undefined:
      return [l];
  }
}

function withTicks(plan: Plan, m: Making): Plan {
  if (m.lines.size === 0 && m.extras.length === 0) return plan;
  const first = plan.steps.find((s) => s.do === "add")?.id;
  const steps = plan.steps.map((s): Step => {
    if (s.do !== "add") return s;
    const more = m.extras.filter((x) => (x.step ?? first) === s.id).map((x) => x.line);
    return { ...s, what: [...s.what.flatMap((l) => lineDone(l, m.lines.get(l.id))), ...more] };
  });
  return { ...plan, steps };
}

/** What was poured on after the jar was filled goes in after the first wait, so that it takes no room from what the parts were solved to. */
function withTopUps(plan: Plan, lines: readonly Line[]): Plan {
  if (lines.length === 0) return plan;
  const at = plan.steps.findIndex((s) => s.do !== "add") + 1;
  return { ...plan, steps: plan.steps.toSpliced(at, 0, { id: "topped-up", do: "add", what: [...lines] }) };
}

/** What really went into the strained liquid, in place of what was foreseen; before any last boiling. */
function withFinish(plan: Plan, lines: readonly Line[] | undefined): Plan {
  if (!lines) return plan;
  const cut = firstStrain(plan.steps);
  const steps = plan.steps.filter((s, i) => i <= cut || s.do !== "add");
  const before = steps.findIndex((s, i) => i > cut && (s.do === "bottle" || s.do === "simmer"));
  const at = before < 0 ? steps.length : before;
  return {
    ...plan,
    steps: lines.length > 0 ? steps.toSpliced(at, 0, { id: "finished", do: "add", what: [...lines] }) : steps,
  };
}

function withMaterials(plan: Plan, more: Making["materials"]): Plan {
  if (!more?.length) return plan;
  const held = new Set(plan.materials?.map((x) => x.id));
  return { ...plan, materials: [...(plan.materials ?? []), ...more.filter((x) => !held.has(x.id))] };
}

/**
 * The one place where a plan and what was done meet: done replaces planned, line by line.
 */
export function asDone(plan: Plan, m: Making): AsDone {
  const made = withMaterials(withFinish(withTopUps(withTicks(plan, m), m.topUps), m.finished), m.materials);
  const cut = made.steps[firstStrain(made.steps)];
  const { measured, how, stays, seen = [] } = m.strained ?? {};
  const strained =
    measured !== undefined && cut?.do === "strain"
      ? [{ step: cut.id, measured, ...(how ? { how } : {}), ...(stays ? { stays } : {}) }]
      : [];
  const sound = seen.includes("herb-above-sound");
  return {
    plan: made,
    happened: {
      ...NOTHING_HAPPENED,
      strained,
      herbStoodAbove: sound || seen.includes("herb-above"),
      lookedOver: sound,
      layersUnmixed: seen.includes("unmixed"),
      readings: m.readings,
      cooling: m.cooling,
      ...(m.stoodUntil === undefined ? {} : { stoodUntil: m.stoodUntil }),
      ...(m.waitedDays === undefined ? {} : { waitedDays: m.waitedDays }),
    },
  };
}

/** Planned lines nobody has ticked in yet, in order. */
export const unticked = (plan: Plan, m: Making): readonly Line[] =>
  linesOf(plan).filter((l) => !m.lines.has(l.id));
