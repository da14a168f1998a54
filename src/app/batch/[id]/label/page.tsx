import type { Metadata } from "next";
import Link from "next/link";
import { labelsOf } from "../labels-of";
import { batchPage } from "../../../batch-page";
import { laidOut } from "@/print/label-files";
import { sizeOf } from "@/print/request";
import { LabelSheet } from "@/ui/batch/label";
import { LABEL_SIZES } from "@/ui/batch/label-sizes";

export const metadata: Metadata = { title: "Labels" };

export default async function LabelPage({ params }: { params: Promise<{ id: string }> }) {
  const { batch } = await batchPage(params);
  if (batch.state !== "bottled")
    return (
      <p className="pt-6">
        {batch.code} has no bottles to label. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    );
  // The very labels the files hold: by the shorter of what was issued and what holds today.
  const labels = (await labelsOf(batch.id))?.labels ?? [];
  const layouts = Object.fromEntries(
    LABEL_SIZES.map((s) => {
      const { widthMm, heightMm } = sizeOf(s);
      return [s, labels.map((l) => laidOut(l, widthMm, heightMm))];
    }),
  );
  return <LabelSheet id={batch.id} code={batch.code} name={batch.name} layouts={layouts} />;
}
