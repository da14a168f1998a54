import { notFound } from "next/navigation";
import { z } from "zod";
import { reckonBatch } from "@/core/journal/reckon";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { stores } from "@/store/stores";
import { frame } from "./frame";

/** What every page of one batch needs; a page that is not there answers 404. */
export async function batchPage(params: Promise<{ id: string }>) {
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  const [f, batch, { people, empties }] = await Promise.all([frame(), batchOf(db(), id.data), stores(db())]);
  if (!batch) notFound();
  const company = { people, today: f.today };
  const r = reckonBatch(batch, batch.making, company);
  if (!r.ok) throw new Error(`${batch.code} cannot be reckoned: ${r.faults[0]!.message}`);
  return { ...f, batch, r: r.value, company, empties };
}
