import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { notFound } from "next/navigation";
import { z } from "zod";
import type { RecalledBatch } from "@/core/cellar/recall";
import { printDay } from "@/core/day";
import { db } from "@/store/db";
import { recallOfBatch, recallOfLot } from "@/store/recall";
import { stores } from "@/store/stores";
import { NeverForThem, RecallList, StopUsing } from "@/ui/cellar/recall";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Where it went" };

interface Recalled {
  readonly what: string;
  readonly batches: readonly RecalledBatch[];
}

async function recalled(asked: { lot?: string; batch?: string }): Promise<Recalled | undefined> {
  const id = z.uuid().safeParse(asked.lot ?? asked.batch);
  if (!id.success) return undefined;
  if (!asked.lot) {
    const batches = await recallOfBatch(db(), id.data);
    return batches[0] && { what: `${batches[0].code}, ${batches[0].name}`, batches };
  }
  const [found, { catalogue }] = await Promise.all([recallOfLot(db(), id.data), stores(db())]);
  if (!found) return undefined;
  const { lot } = found;
  const name = catalogue.get(lot.material)?.row.names[0] ?? lot.material;
  const form = lot.form ? `, ${lot.form}` : "";
  const from = lot.from ? ` from ${lot.from}` : "";
  return { what: `${name}${form}, got ${printDay(lot.got, "year")}${from}`, batches: found.batches };
}

/** Everything that something went into, on one page to act by: what is still here, and who else has some. */
export default async function RecallPage({
  searchParams,
}: {
  searchParams: Promise<{ lot?: string; batch?: string }>;
}) {
  const [found] = await Promise.all([searchParams.then(recalled), frame()]);
  if (!found) notFound();
  return (
    <div className="pt-5 max-w-4xl">
      <h1>Where it went</h1>
      <p className="text-[1.25rem] pt-1">{found.what}</p>
      <NeverForThem batches={found.batches} />
      <StopUsing batches={found.batches} />
      <RecallList batches={found.batches} />
      <p className="no-print pt-4">
        <Link href="/stores" className="inline-flex items-center min-h-11">
          back to the stores
        </Link>
      </p>
    </div>
  );
}
