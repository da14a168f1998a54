import { daysBetween } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import { db } from "@/store/db";
import { batchesOfRecipe } from "@/store/recipes";
import { entryWords } from "@/ui/batch/entry-words";
import type { LastTime } from "@/ui/batch/strain/ready";
import { fold } from "@/core/journal/fold";
import { entriesOf } from "./batch-page";

/** How many batches of a recipe are looked through for the last one that was strained. */
const LOOKED_AT = 6;
const SAID = 3;

/** What was said of the last strained batch of the same recipe: its tastings and notes, the newest ones. */
export async function lastTime(batch: Batch): Promise<LastTime | undefined> {
  if (!batch.recipe) return undefined;
  const rows = await batchesOfRecipe(db(), batch.recipe.id, LOOKED_AT);
  const before = rows.findLast((b) => b.id !== batch.id && (b.state === "strained" || b.state === "bottled"));
  const was = before && fold(await entriesOf(before.id));
  if (!was) return undefined;
  const words = was.diary
    .filter((e) => (e.type === "tasted" || e.type === "noted") && !e.correctedBy?.undone)
    .slice(-SAID)
    .map((e) => entryWords(e).replace(/^Tasted: /, ""));
  return {
    ...{ id: was.id, code: was.code, words },
    strainedAfter: was.strainedDay === undefined ? undefined : daysBetween(was.begunDay, was.strainedDay),
  };
}
