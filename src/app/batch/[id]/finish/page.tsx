import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { batchPage, rightOf } from "../../../batch-page";
import { Finish } from "@/ui/batch/finish/finish";

export const metadata: Metadata = { title: "Finish" };

export default async function FinishPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ right?: string }>;
}) {
  const { batch, company, home, empties } = await batchPage(params);
  const again = rightOf(batch, "finished", (await searchParams).right);
  if (again !== undefined || batch.state === "strained")
    return <Finish right={again} batch={batch} company={company} zone={home.zone} empties={[...empties]} />;
  return (
    <div className="pt-5">
      <p>
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </p>
      <h1 className="text-[2rem]">To the measured volume</h1>
      <p role="status" className="pt-4 text-[1.25rem]">
        {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    </div>
  );
}
