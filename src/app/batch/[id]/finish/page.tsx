import type { Metadata } from "next";
import { batchPage, rightOf } from "../../../batch-page";
import { FinishHere } from "@/ui/batch/finish-here";

export const metadata: Metadata = { title: "Finish" };

export default async function FinishPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ right?: string }>;
}) {
  const { batch, events, company, home, today, empties } = await batchPage(params);
  const again = rightOf(batch, "finished", (await searchParams).right);
  return (
    <FinishHere
      right={again}
      events={events}
      company={company}
      zone={home.zone}
      today={today}
      empties={[...empties]}
    />
  );
}
