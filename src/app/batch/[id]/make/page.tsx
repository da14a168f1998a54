import type { Metadata } from "next";
import Link from "next/link";
import { batchPage } from "../../../batch-page";
import { Make } from "@/ui/batch/make";

export const metadata: Metadata = { title: "Make" };

export default async function MakePage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, company } = await batchPage(params);
  return (
    <div className="pt-5">
      <p>
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </p>
      <h1 className="text-[2rem]">Make</h1>
      {batch.state === "working" ? (
        <Make batch={batch} company={company} />
      ) : (
        <p role="status" className="pt-4 text-[1.25rem]">
          {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
        </p>
      )}
    </div>
  );
}
