import type { Metadata } from "next";
import Link from "next/link";
import { batchPage } from "../../../batch-page";
import { BottleUp } from "@/ui/batch/bottle";

export const metadata: Metadata = { title: "Bottle" };

export default async function BottlePage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, today, company, empties } = await batchPage(params);
  const right = batch.state === "strained";
  return (
    <div className="pt-5">
      <p>
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </p>
      <h1 className="text-[2rem]">Bottle</h1>
      {right ? (
        <BottleUp batch={batch} today={today} company={company} empties={[...empties]} />
      ) : (
        <p role="status" className="pt-4 text-[1.25rem]">
          {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
        </p>
      )}
    </div>
  );
}
