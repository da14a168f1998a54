import { type Learned, learnedFrom } from "@/core/formulary/learned";
import { type Recipe, type Version, planOf } from "@/core/formulary/recipe";
import type { Batch } from "@/core/journal/fold";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { batchesOfRecipe } from "@/store/recipes";

/** Of a recipe’s batches the newest so many are reckoned and drawn; how many there are in all is said. */
export const MOST_BATCHES = 12;

/** The newest batches of a recipe, oldest first. */
export async function newestBatches(id: string): Promise<Batch[]> {
  const rows = await batchesOfRecipe(db(), id, MOST_BATCHES);
  const found = await Promise.all(rows.map((r) => batchOf(db(), r.id)));
  return found.flatMap((b) => b ?? []);
}

/** What the batches of a version taught. */
export async function taughtBy(recipe: Recipe, version: Version): Promise<readonly Learned[]> {
  const batches = await newestBatches(recipe.id);
  return learnedFrom(
    planOf(recipe, version),
    batches.filter((b) => b.recipe?.version === version.n),
  );
}
