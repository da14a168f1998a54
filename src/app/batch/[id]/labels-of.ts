import { z } from "zod";
import { reckonBatch } from "@/core/journal/reckon";
import { heldBy } from "@/core/label/held";
import { contentsOf, labelOf } from "@/core/label/label";
import { type Greeting, type LabelSort, jarWords } from "@/core/label/sorts";
import type { ToPrint } from "@/print/label-files";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { stores } from "@/store/stores";
import { frame } from "../../frame";

/** The labels of a batch, of a sort: one for a jar that works, one for each bottle after; nothing where it has none such. */
export async function labelsOf(
  id: string,
  sort: LabelSort,
  greeting: Greeting = {},
): Promise<{ code: string; labels: readonly ToPrint[] } | undefined> {
  if (!z.uuid().safeParse(id).success) return undefined;
  const batch = await batchOf(db(), id);
  if (!batch) return undefined;
  const [{ people }, { today, home, measures }] = await Promise.all([stores(db()), frame()]);
  const r = reckonBatch(batch, batch.making, { people, today });
  if (!r.ok) return undefined;
  const working = batch.state === "working" || batch.state === "strained";
  if (sort === "jar")
    return working ? { code: batch.code, labels: [{ sort, words: jarWords(batch, r.value) }] } : undefined;
  if (batch.state !== "bottled") return undefined;
  const contents = contentsOf(r.value.program);
  const abv = r.value.reckoning.finished.abv.value;
  return {
    code: batch.code,
    labels: batch.bottles.map((b) => {
      const held = heldBy(batch.verdict!, r.value, b.place).verdict;
      return {
        sort,
        label: labelOf(batch, b, contents, r.value.cautions, held, abv, measures),
        from: home.name,
        greeting,
      };
    }),
  };
}
