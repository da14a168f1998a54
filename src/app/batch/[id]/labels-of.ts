import { z } from "zod";
import { reckonBatch } from "@/core/journal/reckon";
import { type Label, contentsOf, labelOf } from "@/core/label/label";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";

/** The labels of a bottled batch, or nothing. */
export async function labelsOf(id: string): Promise<{ code: string; labels: Label[] } | undefined> {
  if (!z.uuid().safeParse(id).success) return undefined;
  const batch = await batchOf(db(), id);
  if (!batch || batch.state !== "bottled") return undefined;
  const r = reckonBatch(batch);
  if (!r.ok) return undefined;
  return { code: batch.code, labels: batch.bottles.map((b) => labelOf(batch, b, contentsOf(r.value.program), r.value.cautions)) };
}
