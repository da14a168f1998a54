import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import { z } from "zod";
import type { EventType } from "@/core/journal/events";
import { type Batch, fold } from "@/core/journal/fold";
import { reckonBatch, standingOn } from "@/core/journal/reckon";
import { eventsOf } from "@/store/append";
import { db } from "@/store/db";
import { BATCHES } from "@/store/journal";
import { stores } from "@/store/stores";
import { frame } from "./frame";

/** The entries of one batch, asked for once however many parts of a page want them. */
export const entriesOf = cache((id: string) => eventsOf(db(), BATCHES, id));

/** What stands in the journal of one batch, whether or not it reckons; a page that is not there answers 404. */
export async function batchAsItStands(params: Promise<{ id: string }>) {
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  const [f, events, { people, empties }] = await Promise.all([frame(), entriesOf(id.data), stores(db())]);
  const folded = fold(events);
  if (!folded) notFound();
  const batch = standingOn(folded, f.today);
  const company = { people, today: f.today };
  return { ...f, batch, events, company, empties, reckoned: reckonBatch(batch, batch.making, company) };
}

/** What every page of one batch needs. One that does not reckon is sent to where it says why. */
export async function batchPage(params: Promise<{ id: string }>) {
  const { reckoned, ...page } = await batchAsItStands(params);
  if (!reckoned.ok) redirect(`/batch/${page.batch.id}`);
  return { ...page, r: reckoned.value };
}

/** The entry of a type that is to be put right, as an address names it; nothing where it stands no more. */
export function rightOf(batch: Batch, type: EventType, said: string | undefined): number | undefined {
  const found = batch.diary.find((e) => String(e.seq) === said && e.type === type);
  return found && !found.correctedBy?.undone ? found.seq : undefined;
}
