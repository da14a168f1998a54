import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { z } from "zod";
import type { Side } from "@/core/journal/compare";
import { reckonBatch } from "@/core/journal/reckon";
import { counted } from "@/core/words";
import { db } from "@/store/db";
import { batchOf } from "@/store/journal";
import { JarsBeside } from "@/ui/batch/jars-beside";
import { Compared } from "@/ui/batch/compared";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Side by side" };

const LEAST = 2;
const MOST = 4;

/** The batches an address names, those that reckon, in the order they were begun. */
async function sidesOf(asked: string | string[] | undefined): Promise<Side[]> {
  const ids = [...new Set([asked ?? []].flat())]
    .filter((id) => z.uuid().safeParse(id).success)
    .slice(0, MOST);
  const batches = await Promise.all(ids.map((id) => batchOf(db(), id)));
  return batches
    .flatMap((batch): Side[] => {
      const r = batch && reckonBatch(batch);
      return batch && r?.ok ? [{ batch, reckoned: r.value }] : [];
    })
    .sort((a, b) => (a.batch.begunDay < b.batch.begunDay ? -1 : 1));
}

/** Two to four batches side by side. */
export default async function ComparePage({
  searchParams,
}: {
  searchParams: Promise<{ b?: string | string[] }>;
}) {
  const { b } = await searchParams;
  const [sides, { measures }] = await Promise.all([sidesOf(b), frame()]);
  const left = new Set([b ?? []].flat()).size - sides.length;
  return (
    <div className="pt-5">
      <h1>Side by side</h1>
      {left > 0 && (
        <p className="wrong pt-2" role="status">
          {counted(left, "batch", "batches")} of those asked for cannot stand here: not in the journal, not to
          be reckoned as it stands, or a fifth.
        </p>
      )}
      {sides.length < LEAST ? (
        <p className="pt-4" role="status">
          Tick two to four batches in <Link href="/batches">all batches</Link>, and they stand here side by
          side.
        </p>
      ) : (
        <>
          <JarsBeside sides={sides} measures={measures} />
          <Compared sides={sides} measures={measures} />
        </>
      )}
    </div>
  );
}
