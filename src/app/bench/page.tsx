import type { Metadata } from "next";
import { z } from "zod";
import { batchOf } from "@/store/journal";
import { db } from "@/store/db";
import { busyVessels } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { Bench } from "@/ui/bench/bench";
import type { From } from "@/ui/bench/from";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Bench" };

/** The batch an address names, to be planned again or put right; nothing where there is none, or it can be put right no more. */
async function fromOf(asked: { again?: string; right?: string }): Promise<From | undefined> {
  const id = z.uuid().safeParse(asked.right ?? asked.again);
  const batch = id.success ? await batchOf(db(), id.data) : undefined;
  if (!batch) return undefined;
  const { code, seq, reasons, begunPlan: plan } = batch;
  if (!asked.right) return { as: "again", id: batch.id, code, seq, reasons: {}, plan };
  return batch.state === "working" ? { as: "right", id: batch.id, code, seq, reasons, plan } : undefined;
}

export default async function BenchPage({
  searchParams,
}: {
  searchParams: Promise<{ again?: string; right?: string }>;
}) {
  const [{ home, today }, items, busy, from] = await Promise.all([
    frame(),
    storedItems(db()),
    busyVessels(db()),
    searchParams.then(fromOf),
  ]);
  // The batch that is put right does not stand in its own way.
  const others = from?.as === "right" ? busy.filter((b) => b.code !== from.code) : [...busy];
  return (
    <Bench
      // Another batch is another Bench.
      key={from ? `${from.as}-${from.id}` : "bench"}
      household={home.units}
      currency={home.currency}
      today={today}
      items={items}
      busy={others}
      from={from}
    />
  );
}
