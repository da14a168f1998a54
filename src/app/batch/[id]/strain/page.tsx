import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { batchPage } from "../../../batch-page";
import { lastTime } from "../../../last-time";
import { cardOf } from "@/ui/shelf/card";
import { Strain } from "@/ui/batch/strain/strain";

export const metadata: Metadata = { title: "Strain" };

export default async function StrainPage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, company, today, r } = await batchPage(params);
  const right = batch.state === "working";
  if (right)
    return (
      <Strain
        batch={batch}
        card={cardOf(batch, today)}
        company={company}
        care={r.care}
        today={today}
        last={await lastTime(batch)}
      />
    );
  return (
    <div className="pt-5">
      <h1>
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </h1>
      <p role="status" className="pt-4 text-[1.25rem]">
        {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    </div>
  );
}
