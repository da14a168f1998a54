import type { Metadata } from "next";
import Link from "next/link";
import { batchPage } from "../../../batch-page";
import { lastTime } from "../../../last-time";
import { Strain } from "@/ui/batch/strain/strain";

export const metadata: Metadata = { title: "Strain" };

export default async function StrainPage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, company, today, r } = await batchPage(params);
  const right = batch.state === "working";
  return (
    <div className="pt-5">
      <p>
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </p>
      <h1 className="text-[2rem]">Strain</h1>
      {right ? (
        <Strain batch={batch} company={company} care={r.care} today={today} last={await lastTime(batch)} />
      ) : (
        <p role="status" className="pt-4 text-[1.25rem]">
          {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
        </p>
      )}
    </div>
  );
}
