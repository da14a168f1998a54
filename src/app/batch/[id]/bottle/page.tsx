import type { Metadata } from "next";
import { batchPage, rightOf } from "../../../batch-page";
import { BottleHere } from "@/ui/batch/bottle-here";

export const metadata: Metadata = { title: "Bottle" };

export default async function BottlePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ right?: string }>;
}) {
  const { batch, events, home, today, company, empties } = await batchPage(params);
  const again = rightOf(batch, "bottled", (await searchParams).right);
  return (
    <BottleHere
      right={again}
      events={events}
      zone={home.zone}
      today={today}
      company={company}
      empties={[...empties]}
    />
  );
}
