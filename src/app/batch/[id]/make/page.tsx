import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { batchPage } from "../../../batch-page";
import { MakeView } from "@/ui/make/make-view";

export const metadata: Metadata = { title: "Make" };

export default async function MakePage({ params }: { params: Promise<{ id: string }> }) {
  const { batch, company, home, today } = await batchPage(params);
  if (batch.state === "working" || batch.state === "strained")
    return <MakeView batch={batch} company={company} zone={home.zone} today={today} heightM={home.heightM} />;
  return (
    <div className="pt-5">
      <h1 className="text-[2rem]">Make</h1>
      <p role="status" className="pt-4 text-[1.25rem]">
        {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    </div>
  );
}
