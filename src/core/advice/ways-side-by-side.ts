import { type Care, careOf } from "../care/care";
import type { Caution } from "../cautions/caution";
import { cautionsAt, cautionsOf } from "../cautions/rules";
import { type Estimate, standApart } from "../estimate";
import { type Company, companyOf } from "../people/company";
import { type Cost, costOf } from "../stores/cost";
import type { LotOnHand } from "../stores/stores";
import type { Plan } from "../plan/plan";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import type { Context } from "../reckoning/context";
import type { Program } from "../reckoning/program";
import { resolve } from "../reckoning/resolve";
import { comparedFigure, known } from "../reckoning/compared";
import type { Way } from "../plan/kinds";
import { madeBy } from "../plan/ways";
import { herbsWeighed } from "./wished";

/** A plan made one way, reckoned; a way that cannot be made says why. */
export interface Column {
  readonly way: Way;
  readonly plan: Plan;
  readonly made:
    | {
        readonly program: Program;
        readonly reckoning: Reckoning;
        readonly care: Care;
        readonly cost: Cost;
        readonly cautions: readonly Caution[];
      }
    | undefined;
  readonly cannot: string | undefined;
}

export const ROWS = [
  "ready",
  "yield",
  "sweetness",
  "sharpness",
  "strength",
  "keeping",
  "herb",
  "sugar",
  "alcohol",
  "cost",
] as const;
export type RowName = (typeof ROWS)[number];

/** A figure of a column as its row shows it, with its spread; the ready day in days, the keeping in days of its place. */
export function figureOf(c: Column, row: RowName): Estimate | undefined {
  if (!c.made) return undefined;
  const { reckoning, care, cost } = c.made;
  if (row === "cost") return cost.batch;
  if (row !== "ready") return comparedFigure(reckoning, row);
  return care.window ? known(care.window.best, care.window.earliest, care.window.latest) : known(0);
}

/**
 * The same herbs, by weight, made several ways. The maker's bottles stay where a way uses them; a way that wants a pot gets one.
 */
export function compareWays(
  plan: Plan,
  ways: readonly Way[],
  lots: readonly LotOnHand[],
  company: Company,
  around: Context = {},
): Column[] {
  const first = resolve(plan, around);
  const weighed = first.ok ? herbsWeighed(plan, first.value) : plan;
  return ways.map((way): Column => {
    const made = way.id === plan.way && first.ok ? plan : madeBy(way, weighed);
    const program = resolve(made, around);
    if (!program.ok) return { way, plan: made, made: undefined, cannot: program.faults[0]!.message };
    const reckoning = reckonProgram(program.value);
    return {
      way,
      plan: made,
      cannot: undefined,
      made: {
        program: program.value,
        reckoning,
        care: careOf(program.value, reckoning.fit, reckoning.working),
        cost: costOf(program.value, reckoning, lots),
        cautions: cautionsAt(
          "plan",
          cautionsOf({ program: program.value, reckoning, ...companyOf(made, company) }),
        ).filter((c) => c.severity !== "note"),
      },
    };
  });
}

/** Rows in which the columns truly differ: their spreads stand apart, or one has a figure and another none. */
export function differing(columns: readonly Column[]): ReadonlySet<RowName> {
  return new Set(
    ROWS.filter((row) => standApart(columns.filter((c) => c.made).map((c) => figureOf(c, row)!))),
  );
}
