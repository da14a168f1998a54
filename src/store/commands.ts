import { ml as carriedMl } from "../core/quantity/carried";
import { z } from "zod";
import { realDay } from "../core/real-day";
import { type Fault, fault, isFault } from "../core/fault";
import { cautionsOf, unanswered } from "../core/cautions/rules";
import type { Caution } from "../core/cautions/caution";
import { type Body, MOST_ALIKE } from "../core/journal/events";
import { freeze } from "../core/journal/freeze";
import { companyOf } from "../core/people/company";
import { KIND } from "../core/plan/kinds";
import { linesOf } from "../core/plan/edit";
import type { Plan } from "../core/plan/plan";
import { reckonProgram } from "../core/reckoning/reckon";
import type { Program } from "../core/reckoning/program";
import { resolve } from "../core/reckoning/resolve";
import type { Catalogue } from "../core/material/catalogue";
import { MOST_AGO } from "./times";
import type { Sql, Tx } from "./db";
import { RefusedAlong, appendWithin, followingKey } from "./append";
import { BATCHES, type Written, append, nextCode } from "./journal";
import { follow } from "./effects";
import { stores } from "./stores";

/** What the Bench sends to begin a batch. */
export const BeginRequest = z.strictObject({
  id: z.uuid(),
  key: z.uuid(),
  plan: z.unknown(),
  reasons: z.record(z.string().max(60), z.string().max(300)).default({}),
  /** The recipe of the book it is made from. */
  recipe: z.strictObject({ id: z.uuid(), version: z.number().int().min(1) }).optional(),
  /** The day it was begun, where that is not today. */
  on: realDay("Write the day as 2027-01-31.").optional(),
  /** How long ago it was begun, ms, where it lay on a device that could not send it. */
  ago: z.number().int().min(0).max(MOST_AGO).optional(),
  /** Other jars that are filled alike with it. */
  also: z
    .array(z.uuid())
    .max(MOST_ALIKE - 1)
    .optional(),
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
export function withOwn(plan: Plan, catalogue: Catalogue): Plan {
  const held = new Set(plan.materials?.map((m) => m.id));
  const own = [...new Set(linesOf(plan).map((l) => l.material))].flatMap((id) => {
    const m = catalogue.get(id);
    return m?.kind === "plant" && m.row.source === "own" && !held.has(id) ? [m.row] : [];
  });
  return own.length > 0 ? { ...plan, materials: [...(plan.materials ?? []), ...own] } : plan;
}

/** Figures of lines and a jar that stand as they were keep what they were begun with; what is new is taken as it is today. */
function refreeze(program: Program, was: Body<"begun">["frozen"]): Body<"begun">["frozen"] {
  const is = freeze(program);
  const kept = Object.keys(is.stuffs).map((key) => [key, was.stuffs[key] ?? is.stuffs[key]!] as const);
  return {
    rules: was.rules,
    stuffs: Object.fromEntries(kept),
    vessel: was.vessel?.id === is.vessel?.id ? was.vessel : is.vessel,
  };
}

/** What is stored of a beginning, all but its code: the plan reckoned again here, what forbids it refused, its figures frozen. */
export async function beginning(
  tx: Tx,
  plan: Plan,
  {
    reasons,
    day,
    frozen,
    stood = false,
  }: {
    reasons: Readonly<Record<string, string>>;
    day: string;
    /** What it was begun with, where the plan is put right. */
    frozen?: Body<"begun">["frozen"];
    /** It stands already: what would have stopped its making is told on its page, and is no reason not to write it down. */
    stood?: boolean;
  },
): Promise<Omit<Body<"begun">, "code"> | Fault> {
  const { people, catalogue } = await stores(tx);
  const resolved = resolve(plan, { materials: catalogue });
  if (!resolved.ok) return resolved.faults[0]!;
  const program = resolved.value;
  const reckoning = reckonProgram(program);
  if (reckoning.fit && reckoning.fit.overBrimMl > 0)
    return fault(
      "DoesNotFit",
      `It runs over the brim by ${carriedMl(reckoning.fit.overBrimMl)}. Take less, or a larger jar.`,
      ["vessel"],
    );
  const company = companyOf(plan, { people, today: day });
  const raised = cautionsOf({ program, reckoning, ...company });
  const not = forbidden(stood ? raised.filter((x) => x.severity === "never") : raised, reasons);
  if (not) return not;
  const why = given(reasons);
  return {
    plan: withOwn(plan, catalogue),
    frozen: frozen ? refreeze(program, frozen) : freeze(program),
    ...(Object.keys(why).length > 0 ? { reasons: why } : {}),
  };
}

/** All that is stored of one jar of a making. */
async function begunBody(
  tx: Tx,
  r: BeginRequest,
  plan: Plan,
  { day, nth }: { readonly day: string; readonly nth: number },
): Promise<Body<"begun"> | Fault> {
  const made = await beginning(tx, plan, { reasons: r.reasons, day });
  if (isFault(made)) return made;
  const code = await nextCode(tx, KIND[plan.kind].code, Number(day.slice(0, 4)));
  return {
    code,
    ...made,
    ...(r.recipe ? { recipe: r.recipe } : {}),
    ...(r.also && r.also.length > 0 ? { alike: { batches: [r.id, ...r.also], nth } } : {}),
  };
}

/** Begins a batch: its plan checked and frozen, its code given, and what it takes drawn from the stores. */
export function begin(sql: Sql, r: BeginRequest, plan: Plan): Promise<Written> {
  const also = r.also ?? [];
  return append(
    sql,
    {
      streamId: r.id,
      key: r.key,
      type: "begun",
      body: {
        plan: r.plan,
        reasons: r.reasons,
        ...(r.recipe ? { recipe: r.recipe } : {}),
        ...(also.length > 0 ? { also } : {}),
      },
      on: r.on,
      ago: r.ago,
    },
    async (tx, _batch, day) => {
      if (r.recipe) {
        const [held] = await tx<
          { versions: number }[]
        >`select versions from recipe where id = ${r.recipe.id}`;
        if (!held || r.recipe.version > held.versions)
          return fault("NoSuchRecipe", "The book has no such recipe, or no such version of it.", ["recipe"]);
      }
      if (new Set([r.id, ...also]).size <= also.length)
        return fault("NotAnEntry", "Every jar is its own. Send each of them once.", ["also"]);
      return begunBody(tx, r, plan, { day, nth: 1 });
    },
    async (tx, batch) => {
      await follow(tx, batch, r.key);
      for (const [i, id] of also.entries())
        await begunAlike(tx, r, { plan, id, nth: i + 2, on: batch.begunDay });
    },
  );
}

/** Another jar of the same making, begun along with the first; what refuses it refuses all of them. */
async function begunAlike(
  tx: Tx,
  r: BeginRequest,
  {
    plan,
    id,
    nth,
    on,
  }: { readonly plan: Plan; readonly id: string; readonly nth: number; readonly on: string },
): Promise<void> {
  const key = followingKey(r.key, id);
  const done = await appendWithin(
    tx,
    BATCHES,
    {
      streamId: id,
      key,
      type: "begun",
      body: { plan: r.plan, reasons: r.reasons },
      on,
      ago: r.ago,
      along: true,
    },
    (_tx, _batch, day) => begunBody(tx, r, plan, { day, nth }),
  );
  if (!done.ok) throw new RefusedAlong(done.fault);
  await follow(tx, done.state, key);
}
