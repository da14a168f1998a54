import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { batchPage, rightOf } from "../../../batch-page";
import { BottleUp } from "@/ui/batch/bottle";

export const metadata: Metadata = { title: "Bottle" };

export default async function BottlePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ right?: string }>;
}) {
  const { batch, today, company, empties } = await batchPage(params);
  const again = rightOf(batch, "bottled", (await searchParams).right);
  const right = again !== undefined || batch.state === "strained";
  if (right)
    return <BottleUp right={again} batch={batch} today={today} company={company} empties={[...empties]} />;
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
