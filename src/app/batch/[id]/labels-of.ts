import { z } from "zod";
import { reckonBatch } from "@/core/journal/reckon";
import { heldBy } from "@/core/label/held";
import { type Label, contentsOf, labelOf } from "@/core/label/label";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { stores } from "@/store/stores";
import { frame } from "../../frame";

/** The labels of a bottled batch, or nothing. */
export async function labelsOf(id: string): Promise<{ code: string; labels: Label[] } | undefined> {
  if (!z.uuid().safeParse(id).success) return undefined;
  const batch = await batchOf(db(), id);
  if (!batch || batch.state !== "bottled") return undefined;
  const [{ people }, { today }] = await Promise.all([stores(db()), frame()]);
  const r = reckonBatch(batch, batch.making, { people, today });
  if (!r.ok) return undefined;
  return {
    code: batch.code,
    labels: batch.bottles.map((b) =>
      labelOf(
        batch,
        b,
        contentsOf(r.value.program),
        r.value.cautions,
        heldBy(batch.verdict!, r.value, b.place).verdict,
      ),
    ),
  };
}
