import { z } from "zod";
import { type Fault, fault, faultOfIssue } from "../core/fault";
import {
  RECIPE_BODIES,
  RECIPE_ENTRIES,
  type RecipeEvent,
  type RecipeEventType,
  readRecipeBody,
} from "../core/formulary/events";
import { type BookRow, type Recipe, foldRecipe, mayFollowRecipe, present } from "../core/formulary/recipe";
import { asFound, soughtIn } from "../core/journal/found-by";
import { MATERIALS } from "../core/material/catalogue";
import { linesOf } from "../core/plan/edit";
import { readPlan } from "../core/plan/file";
import type { Plan } from "../core/plan/plan";
import { resolve } from "../core/reckoning/resolve";
import { type Refused, type Stream, type Written, appendWithin, eventsOf } from "./append";
import { withOwn } from "./commands";
import type { Sql, Tx } from "./db";
import { stores } from "./stores";

/** Plain words a recipe is found by: its name, its kind, and what goes in under every name it has. */
function foundByOf(r: Recipe): string {
  const { plan } = present(r);
  const own = new Map(plan.materials?.map((m) => [m.id, m.names]));
  const names = linesOf(plan).flatMap(
    (l) => MATERIALS.get(l.material)?.row.names ?? own.get(l.material) ?? [l.material],
  );
  return asFound([r.name, plan.kind, "recipe", plan.purpose, plan.toldBy, ...names]);
}
async function project(tx: Tx, r: Recipe): Promise<void> {
  const v = present(r);
  const plan = tx.json(v.plan as never);
  await tx`insert into recipe (id, name, kind, versions, plan, found_by, put_away, day, seq)
    values (${r.id}, ${r.name}, ${v.plan.kind}, ${r.versions.length}, ${plan}, ${foundByOf(r)}, ${r.putAway !== undefined}, ${v.day}, ${r.seq})
    on conflict (id) do update set name = excluded.name, kind = excluded.kind, versions = excluded.versions, plan = excluded.plan,
      found_by = excluded.found_by, put_away = excluded.put_away, day = excluded.day, seq = excluded.seq`;
}

export const RECIPES: Stream<Recipe, RecipeEvent> = {
  kind: "recipe",
  entries: RECIPE_ENTRIES,
  begins: "written",
  readBody: readRecipeBody,
  fold: foldRecipe,
  mayFollow: (r, type) => mayFollowRecipe(r, type as RecipeEventType),
  project,
  called: (r) => r.name,
};

export const recipeOf = async (sql: Sql | Tx, id: string): Promise<Recipe | undefined> =>
  foldRecipe(await eventsOf(sql, RECIPES, id));

/** Recipes of the book by name: those in which every word that is asked for begins one; what is put away only where that is asked. */
export const recipesIn = (
  sql: Sql,
  {
    away = false,
    find = "",
    most = 100_000,
  }: { readonly away?: boolean; readonly find?: string; readonly most?: number } = {},
): Promise<(BookRow & { readonly all: number })[]> => {
  const like = soughtIn(find).map(({ one }) => `% ${one.replace(/[\\%_]/g, "\\$&")}%`);
  return sql<(BookRow & { readonly all: number })[]>`
    select r.id, r.name, r.kind, r.versions, (select count(*) from batch b where b.recipe = r.id)::int as batches, r.all from (
      select id, name, kind, versions, count(*) over ()::int as all from recipe
      where put_away = ${away} and found_by like all(${like}::text[]) order by lower(name), id limit ${most}) r
    order by lower(r.name), r.id`;
};

/** The recipes of the book that are not put away, as they stand, by name. */
export async function plansIn(
  sql: Sql,
  most: number,
): Promise<readonly { readonly id: string; readonly name: string; readonly plan: Plan }[]> {
  const rows = await sql<{ id: string; name: string; plan: unknown }[]>`
    select id, name, plan from recipe where not put_away order by lower(name), id limit ${most}`;
  return rows.flatMap(({ id, name, plan }) => {
    const read = readPlan(plan);
    return read.ok ? [{ id, name, plan: read.value }] : [];
  });
}

/** The recipe of a name as it stands, where the book has one. */
export async function recipeNamed(
  sql: Sql,
  name: string,
): Promise<{ readonly id: string; readonly seq: number; readonly plan: unknown } | undefined> {
  const [row] = await sql<{ id: string; seq: number; plan: unknown }[]>`
    select id, seq, plan from recipe where lower(name) = lower(${name}) and not put_away order by id limit 1`;
  return row;
}

/** How many batches were begun from a recipe. */
export const batchesIn = async (sql: Sql, id: string): Promise<number> =>
  (
    await sql<
      { n: number }[]
    >`select count(*)::int as n from batch where recipe = ${id} and state <> 'undone'`
  )[0]!.n;

/** Batches begun from a recipe, oldest first; at most so many, the newest. */
export const batchesOfRecipe = (
  sql: Sql,
  id: string,
  most: number,
): Promise<{ id: string; code: string; recipe_version: number; begun_day: string; state: string }[]> =>
  sql`select * from (
      select id, code, recipe_version, begun_day, state from batch where recipe = ${id} and state <> 'undone'
      order by begun_day desc, code desc limit ${most}) newest order by begun_day, code`;

/** What the formulary sends: one entry of a recipe’s journal, under a key. */
export const RecipeRequest = z.strictObject({
  id: z.uuid(),
  key: z.uuid(),
  seen: z.number().int().min(1).optional(),
  type: z.string().max(20),
  body: z.unknown(),
});
export type RecipeRequest = z.infer<typeof RecipeRequest>;

/** A plan that is read and reckoned before it goes into the book, with the household’s own plants in it. */
async function soundPlan(tx: Tx, json: unknown): Promise<Plan | Fault> {
  const plan = readPlan(json);
  if (!plan.ok) return { ...plan.faults[0]!, path: ["plan", ...plan.faults[0]!.path] };
  const { catalogue } = await stores(tx);
  const own = withOwn(plan.value, catalogue);
  const resolved = resolve(own, { materials: catalogue });
  return resolved.ok ? own : { ...resolved.faults[0]!, path: ["plan", ...resolved.faults[0]!.path] };
}

async function complete(tx: Tx, type: RecipeEventType, body: unknown): Promise<unknown | Fault> {
  const planned = type === "written" || type === "changed";
  const plan = planned ? await soundPlan(tx, (body as { plan?: unknown } | null)?.plan) : undefined;
  if (plan && "message" in plan) return plan;
  const parsed = RECIPE_BODIES[type].safeParse(plan ? { ...(body as object), plan } : body);
  return parsed.success ? parsed.data : faultOfIssue("NotAnEntry", parsed.error.issues[0]!);
}

/** Writes one entry of a recipe’s journal. */
export async function writeRecipe(sql: Sql, r: RecipeRequest): Promise<Written<Recipe> | Refused<Recipe>> {
  if (!Object.hasOwn(RECIPE_BODIES, r.type))
    return { ok: false, status: 422, fault: fault("NotAnEntry", "A recipe has no such entry.") };
  const type = r.type as RecipeEventType;
  return (await sql.begin((tx) =>
    appendWithin(tx, RECIPES, { streamId: r.id, key: r.key, type, body: r.body, seen: r.seen }, (t) =>
      complete(t, type, r.body),
    ),
  )) as Written<Recipe> | Refused<Recipe>;
}
