import { z } from "zod";
import { type Fault, fault } from "../core/fault";
import { cautionsOf, unanswered } from "../core/cautions/rules";
import type { Caution } from "../core/cautions/caution";
import type { Body } from "../core/journal/events";
import { freeze } from "../core/journal/freeze";
import { companyOf } from "../core/people/company";
import { KIND } from "../core/plan/kinds";
import { linesOf } from "../core/plan/edit";
import type { Plan } from "../core/plan/plan";
import { reckonProgram } from "../core/reckoning/reckon";
import type { Program } from "../core/reckoning/program";
import { resolve } from "../core/reckoning/resolve";
import type { Catalogue } from "../core/material/catalogue";
import type { Sql } from "./db";
import { type Written, append, nextCode } from "./journal";
import { draw, stores } from "./stores";

/** What the Bench sends to begin a batch. */
export const BeginRequest = z.strictObject({
  id: z.uuid(),
  key: z.uuid(),
  plan: z.unknown(),
  reasons: z.record(z.string().max(60), z.string().max(300)).default({}),
});
export type BeginRequest = z.infer<typeof BeginRequest>;

/** The first caution that forbids going on: a never, or a stop that has no reason yet. */
export function forbidden(
  cautions: readonly Caution[],
  reasons: Readonly<Record<string, string>>,
): Fault | undefined {
  const never = cautions.find((c) => c.severity === "never");
  if (never)
    return fault(
      "Never",
      `${never.says} ${never.todo}`,
      never.about.what === "line" ? ["lines", never.about.line] : [],
    );
  const stop = unanswered(cautions, reasons)[0];
  return stop
    ? fault("ReasonWanted", `${stop.says} ${stop.todo} To go on as it is, type a reason.`, [
        "reasons",
        stop.id,
      ])
    : undefined;
}

export const given = (reasons: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(reasons).filter(([, why]) => why.trim() !== ""));

/** The plan with the household's own plants that stand in it, so that it can be read wherever it goes. */
function withOwn(plan: Plan, catalogue: Catalogue): Plan {
  const held = new Set(plan.materials?.map((m) => m.id));
  const own = [...new Set(linesOf(plan).map((l) => l.material))].flatMap((id) => {
    const m = catalogue.get(id);
    return m?.kind === "plant" && m.row.source === "own" && !held.has(id) ? [m.row] : [];
  });
  return own.length > 0 ? { ...plan, materials: [...(plan.materials ?? []), ...own] } : plan;
}

/** Begins a batch: the plan is reckoned again here, its figures frozen, its code given, and what it takes is drawn from the stores. */
export function begin(sql: Sql, r: BeginRequest, plan: Plan): Promise<Written> {
  let program: Program | undefined;
  return append(
    sql,
    { streamId: r.id, key: r.key, type: "begun", body: { plan: r.plan, reasons: r.reasons } },
    async (tx, _batch, day) => {
      const { people, catalogue } = await stores(tx);
      const resolved = resolve(plan, { materials: catalogue });
      if (!resolved.ok) return resolved.faults[0]!;
      program = resolved.value;
      const reckoning = reckonProgram(program);
      if (reckoning.fit && reckoning.fit.overBrimMl > 0)
        return fault(
          "DoesNotFit",
          `It runs over the brim by ${Math.round(reckoning.fit.overBrimMl)} mL. Take less, or a larger jar.`,
          ["vessel"],
        );
      const not = forbidden(
        cautionsOf({ program, reckoning, ...companyOf(plan, { people, today: day }) }),
        r.reasons,
      );
      if (not) return not;
      const code = await nextCode(tx, KIND[plan.kind].code, Number(day.slice(0, 4)));
      const reasons = given(r.reasons);
      return {
        code,
        plan: withOwn(plan, catalogue),
        frozen: freeze(program),
        ...(Object.keys(reasons).length > 0 ? { reasons } : {}),
      } satisfies Body<"begun">;
    },
    (tx, batch) => draw(tx, program!, r.key, batch.code),
  );
}
