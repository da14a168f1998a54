import { notFound } from "next/navigation";
import { z } from "zod";
import { cameOf } from "@/core/formulary/came-of-it";
import { differences } from "@/core/formulary/differences";
import { learnedFrom } from "@/core/formulary/learned";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { type Recipe, type Version, planOf, present, versionOf } from "@/core/formulary/recipe";
import { db } from "@/store/db";
import { batchesIn, recipeOf } from "@/store/recipes";
import { stores } from "@/store/stores";
import { newestBatches } from "./taught";

/** The version that is shown, and the one it is set beside: the one asked for, or the one before it. */
function chosen(
  recipe: Recipe,
  v: string | undefined,
  beside: string | undefined,
): readonly [Version, Version | undefined] {
  const is = versionOf(recipe, Number(v)) ?? present(recipe);
  const other = beside === undefined ? undefined : versionOf(recipe, Number(beside));
  const before = recipe.versions.findLast((x) => x.n < is.n && !x.undone);
  return [is, other && other.n !== is.n ? other : before];
}

/** All that the page of a recipe shows. */
export async function recipePage(asked: string, v: string | undefined, beside: string | undefined) {
  const id = z.uuid().safeParse(asked);
  const recipe = id.success ? await recipeOf(db(), id.data) : undefined;
  if (!recipe) notFound();
  const [s, batches, many] = await Promise.all([
    stores(db()),
    newestBatches(recipe.id),
    batchesIn(db(), recipe.id),
  ]);
  const [version, other] = chosen(recipe, v, beside);
  const plan = planOf(recipe, version);
  const was = other && planOf(recipe, other);
  return {
    recipe,
    version,
    other,
    plan,
    stores: s,
    reckoned: reckonedPlan(plan, s.catalogue),
    before: was && reckonedPlan(was, s.catalogue),
    differences: was ? differences(was, plan, s.catalogue) : [],
    /** How many there are in all. */
    batches: many,
    came: batches.flatMap((b) => cameOf(b, s)),
    learned: learnedFrom(
      plan,
      batches.filter((b) => b.recipe?.version === version.n),
    ),
  };
}
export type RecipePageView = Awaited<ReturnType<typeof recipePage>>;
